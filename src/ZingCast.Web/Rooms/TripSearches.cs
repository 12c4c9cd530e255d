using System.Security.Cryptography;
using System.Text.Json;
using ZingCast.Core.Shed;
using ZingCast.Core.Trips;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>
/// Searches for kits, which may take long. A request is answered after two seconds at the latest, with the best so far if the search is not
/// finished; the search goes on as long as requests come. Scores of the last few trips are cached, so that dragging a limit needs few
/// simulations.
/// </summary>
public sealed class TripSearches(QuietThreads quiet, TimeProvider clock) : IDisposable
{
    private const int MaxScores = 4,
        MaxJobs = 16;

    // How long a request waits, and how long a search runs without one.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(2),
        Forgotten = TimeSpan.FromSeconds(10);

    private sealed class Place
    {
        public SemaphoreSlim Turn { get; } = new(1);

        public TripScores? Scores { get; set; }
    }

    private sealed class Job(CancellationTokenSource end)
    {
        public CancellationTokenSource End => end;

        // The first interim result, the latest, and the final one.
        public TaskCompletionSource First { get; } = new(TaskCreationOptions.RunContinuationsAsynchronously);

        public object? Latest { get; set; }

        public Task Done { get; set; } = Task.CompletedTask;

        public int Waiting { get; set; }
    }

    private readonly Lock door = new();
    private readonly List<(string Key, Place Place)> places = [];
    private readonly List<(string Key, Job Job)> jobs = [];

    /// <summary>
    /// The answer to a question about days and a shed, or the best so far. <paramref name="buying"/> includes pieces to buy; <paramref
    /// name="question"/> is the rest of the cache key.
    /// </summary>
    public async Task<T> AskAsync<T>(
        IReadOnlyList<TripDay> days,
        GearShed shed,
        bool buying,
        object question,
        Func<TripScores, Action<T>, T> answer,
        CancellationToken cancel
    )
        where T : class
    {
        var scores = KeyOf(
            new
            {
                Days = days.Select(d => d.Brief),
                shed.Rods,
                shed.Lines,
                shed.Reels,
                shed.Spools,
                buying,
            }
        );
        var named = days.Select(d => new
        {
            d.Name,
            d.Times,
            d.Regret,
        });
        var job = JobOf(
            $"{typeof(T).Name} {scores} {KeyOf(new { named, question, shed.LeaderSpools, shed.Leaders })}",
            job => SearchAsync(job, PlaceOf(scores), days, shed, buying, answer)
        );
        try
        {
            await Task.WhenAny(job.Done, Task.Delay(Patience, clock, cancel));
            await Task.WhenAny(job.Done, job.First.Task).WaitAsync(cancel);
            cancel.ThrowIfCancellationRequested();
            if (job.Done.IsCompleted)
                await job.Done;
            return (T)job.Latest!;
        }
        finally
        {
            Leave(job, cancel.IsCancellationRequested);
        }
    }

    private async Task SearchAsync<T>(
        Job job,
        Place place,
        IReadOnlyList<TripDay> days,
        GearShed shed,
        bool buying,
        Func<TripScores, Action<T>, T> answer
    )
        where T : class
    {
        var end = job.End.Token;
        await place.Turn.WaitAsync(end);
        try
        {
            // Somebody is waiting for the first result; after that the search gives way.
            var told = false;
            job.Latest = await quiet.RunAtOnceAsync(
                () =>
                {
                    var pool = TripPool.From(shed);
                    place.Scores ??= TripScores.For(days, buying ? pool.AndToBuy(days, shed, end) : pool, shed, end);
                    return answer(
                        place.Scores.With(days, end),
                        soFar =>
                        {
                            job.Latest = soFar;
                            job.First.TrySetResult();
                            if (!told)
                                QuietThreads.GiveWay();
                            told = true;
                            end.ThrowIfCancellationRequested();
                        }
                    );
                },
                end
            );
        }
        finally
        {
            place.Turn.Release();
        }
    }

    // The running job with this key, or a new one.
    private Job JobOf(string key, Func<Job, Task> begin)
    {
        lock (door)
        {
            jobs.RemoveAll(j => j.Job.Done.IsFaulted || j.Job.End.IsCancellationRequested);
            var at = jobs.FindIndex(j => j.Key == key);
            Job job;
            if (at >= 0)
            {
                job = jobs[at].Job;
                jobs.RemoveAt(at);
            }
            else
            {
                job = new(new(Forgotten, clock));
                job.Done = begin(job);
            }
            // While somebody waits it does not time out.
            job.End.CancelAfter(Timeout.InfiniteTimeSpan);
            job.Waiting++;
            jobs.Insert(0, (key, job));
            for (var old = jobs.Count - 1; old >= MaxJobs; old--)
                if (jobs[old].Job.Waiting == 0)
                {
                    jobs[old].Job.End.Cancel();
                    jobs.RemoveAt(old);
                }
            return job;
        }
    }

    private void Leave(Job job, bool gone)
    {
        lock (door)
        {
            if (--job.Waiting > 0 || job.Done.IsCompleted)
                return;
            // A caller who went away needs no more; one who got an interim result may ask again.
            if (gone)
                job.End.Cancel();
            else
                job.End.CancelAfter(Forgotten);
        }
    }

    private Place PlaceOf(string key)
    {
        lock (door)
        {
            var at = places.FindIndex(p => p.Key == key);
            var found = at < 0 ? (key, new Place()) : places[at];
            if (at >= 0)
                places.RemoveAt(at);
            places.Insert(0, found);
            if (places.Count > MaxScores)
                places.RemoveAt(MaxScores);
            return found.Item2;
        }
    }

    private static string KeyOf(object what) =>
        Convert.ToHexString(SHA256.HashData(JsonSerializer.SerializeToUtf8Bytes(what, ZingDb.Documents)));

    /// <summary>Cancels every search.</summary>
    public void Dispose()
    {
        lock (door)
            foreach (var (_, job) in jobs)
                job.End.Cancel();
    }
}
