using System.Collections.Concurrent;
using System.Runtime.InteropServices;

namespace ZingCast.Web.Hosting;

/// <summary>
/// Threads of low priority for long work, so that whatever somebody is waiting for comes first, however many searches run. Where the system
/// does not support this they are ordinary threads.
/// </summary>
public sealed class QuietThreads : TaskScheduler, IDisposable
{
    // At most this many; further searches wait for one to end.
    private const int Most = 8;

    // Of 0 to 19: at 5 a thread gets about a third of the time of a normal one. More would starve a search on a busy machine.
    private const int Niceness = 5;

    private readonly BlockingCollection<Task> waiting = [];
    private readonly Lock door = new();
    private int started,
        underway;

    [ThreadStatic]
    private static QuietThreads? mine;

    /// <summary>Runs work on one of them, including what it spreads over several.</summary>
    public Task<T> RunAsync<T>(Func<T> work, CancellationToken cancel) =>
        Task.Factory.StartNew(work, cancel, TaskCreationOptions.DenyChildAttach, this);

    /// <summary>
    /// Runs work on a thread of its own that is normal until it calls <see cref="GiveWay"/>: for work with somebody waiting for its first
    /// result. What it spreads over several runs on the quiet ones.
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
            // One thread for each that waits or runs.
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

    /// <summary>Lets the threads end when they are idle.</summary>
    public void Dispose() => waiting.CompleteAdding();

    /// <summary>Lowers the priority of this thread. On Linux each thread has its own niceness; 0 means the calling one.</summary>
    public static void GiveWay()
    {
        if (OperatingSystem.IsLinux())
            _ = SetPriority(0, 0, Niceness);
    }

    [DllImport("libc", EntryPoint = "setpriority")]
    [DefaultDllImportSearchPaths(DllImportSearchPath.SafeDirectories)]
    private static extern int SetPriority(int which, int who, int niceness);
}
