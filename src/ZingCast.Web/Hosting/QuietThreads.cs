using System.Collections.Concurrent;
using System.Runtime.InteropServices;

namespace ZingCast.Web.Hosting;

/// <summary>
/// Threads for long work that give way to everything else: whatever somebody waits for with a finger on the screen comes first, however
/// many searches go on. Where the system knows no such thing they are threads like others.
/// </summary>
public sealed class QuietThreads : TaskScheduler, IDisposable
{
    // The system shares the cores among them; more searches than this wait for one to end.
    private const int Most = 8;

    // Of 0 to 19: at 5 a thread gets about a third of what one of the others gets. More would starve a search on a machine that is busy
    // with something else.
    private const int Niceness = 5;

    private readonly BlockingCollection<Task> waiting = [];
    private readonly Lock door = new();
    private int started,
        underway;

    [ThreadStatic]
    private static QuietThreads? mine;

    /// <summary>Runs work on one of them; what it spreads over several goes to them as well.</summary>
    public Task<T> RunAsync<T>(Func<T> work, CancellationToken cancel) =>
        Task.Factory.StartNew(work, cancel, TaskCreationOptions.DenyChildAttach, this);

    /// <summary>
    /// Runs work on a thread of its own that is like any other until it says <see cref="GiveWay"/>: for work with somebody waiting for its
    /// first word. What it spreads over several goes to the quiet ones.
    /// </summary>
    public Task<T> RunAtOnceAsync<T>(Func<T> work, CancellationToken cancel) =>
        Task.Factory.StartNew(work, cancel, TaskCreationOptions.DenyChildAttach | TaskCreationOptions.LongRunning, this);

    /// <inheritdoc />
    public override int MaximumConcurrencyLevel => Most;

    /// <inheritdoc />
    protected override void QueueTask(Task task)
    {
        if (task.CreationOptions.HasFlag(TaskCreationOptions.LongRunning))
        {
            new Thread(() =>
            {
                mine = this;
                TryExecuteTask(task);
            })
            {
                IsBackground = true,
                Name = "search",
            }.Start();
            return;
        }
        lock (door)
        {
            waiting.Add(task);
            // A thread for each that waits or runs.
            if (++underway <= started || started == Most)
                return;
            started++;
            new Thread(Work) { IsBackground = true, Name = "quiet" }.Start();
        }
    }

    private void Work()
    {
        mine = this;
        GiveWay();
        foreach (var task in waiting.GetConsumingEnumerable())
        {
            TryExecuteTask(task);
            lock (door)
                underway--;
        }
    }

    /// <inheritdoc />
    protected override bool TryExecuteTaskInline(Task task, bool taskWasPreviouslyQueued) => mine == this && TryExecuteTask(task);

    /// <inheritdoc />
    protected override IEnumerable<Task> GetScheduledTasks() => [.. waiting];

    /// <summary>Lets the threads end when they have nothing to do.</summary>
    public void Dispose() => waiting.CompleteAdding();

    /// <summary>From here on this thread gives way. On Linux each has a niceness of its own; 0 is the one that asks.</summary>
    public static void GiveWay()
    {
        if (OperatingSystem.IsLinux())
            _ = SetPriority(0, 0, Niceness);
    }

    [DllImport("libc", EntryPoint = "setpriority")]
    [DefaultDllImportSearchPaths(DllImportSearchPath.SafeDirectories)]
    private static extern int SetPriority(int which, int who, int niceness);
}
