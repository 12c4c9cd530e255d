using Microsoft.Extensions.Time.Testing;
using ZingCast.Core.Briefs;
using ZingCast.Core.Shed;
using ZingCast.Core.Trips;
using ZingCast.Web.Hosting;
using ZingCast.Web.Rooms;

namespace ZingCast.Web.Tests;

// A search that takes long answers in time, goes on while somebody asks, and ends when nobody does.
public sealed class TripSearchTests : IDisposable
{
    private readonly FakeTimeProvider clock = new();
    private readonly QuietThreads quiet = new();
    private readonly TripSearches searches;
    private readonly TripDay[] days = [new("a day", Brief.Complete(new() { Species = "perch" }))];

    // What the search has come to, and whether it may end.
    private readonly SemaphoreSlim next = new(0);
    private int began;
    private volatile int steps;
    private volatile bool ended,
        givenUp;

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public TripSearchTests() => searches = new(quiet, clock);

    public void Dispose()
    {
        searches.Dispose();
        quiet.Dispose();
        next.Dispose();
    }

    private Task<string> Ask(object question, CancellationToken? cancel = null) =>
        searches.AskAsync<string>(days, GearShed.Empty, false, question, Search, cancel ?? Now);

    // Says “1 so far”, “2 so far” … each time it may go a step on, and “done” at the end.
    private string Search(TripScores scores, Action<string> soFar)
    {
        Interlocked.Increment(ref began);
        try
        {
            for (var n = 1; !ended; n++)
            {
                next.Wait(Now);
                if (ended)
                    continue;
                soFar($"{n} so far");
                steps = n;
            }
            return "done";
        }
        catch (OperationCanceledException)
        {
            givenUp = true;
            throw;
        }
    }

    // The clock goes on until the answer is there.
    private async Task<string> After(Task<string> asked, double seconds)
    {
        await Eventually.Holds(() => began > 0);
        clock.Advance(TimeSpan.FromSeconds(seconds));
        return await asked.WaitAsync(Now);
    }

    [Fact]
    public async Task Within_two_seconds_the_best_so_far_is_told_and_asked_again_what_came_of_it()
    {
        next.Release();
        var first = Ask("kit");
        await Eventually.Holds(() => began == 1);
        clock.Advance(TimeSpan.FromSeconds(1.95));
        await Eventually.Settled();
        Assert.False(first.IsCompleted);
        clock.Advance(TimeSpan.FromSeconds(.1));
        Assert.Equal("1 so far", await first.WaitAsync(Now));

        ended = true;
        var again = Ask("kit");
        next.Release();
        Assert.Equal("done", await again.WaitAsync(Now));
        // What is known is not looked for again.
        Assert.Equal("done", await Ask("kit").WaitAsync(Now));
        Assert.Equal(1, began);
    }

    [Fact]
    public async Task Before_there_is_anything_to_say_it_is_waited_for()
    {
        var asked = Ask("kit");
        await Eventually.Holds(() => began == 1);
        clock.Advance(TimeSpan.FromSeconds(5));
        await Eventually.Settled();
        Assert.False(asked.IsCompleted);
        next.Release();
        Assert.Equal("1 so far", await asked.WaitAsync(Now));
    }

    [Fact]
    public async Task Ten_seconds_after_nobody_asked_any_more_it_is_given_up()
    {
        next.Release();
        Assert.Equal("1 so far", await After(Ask("kit"), 2.05));
        clock.Advance(TimeSpan.FromSeconds(9.8));
        next.Release();
        await Eventually.Holds(() => steps == 2 || givenUp);
        Assert.False(givenUp);
        clock.Advance(TimeSpan.FromSeconds(.4));
        next.Release();
        await Eventually.Holds(() => givenUp);
        // Whoever comes back has it begun anew.
        next.Release();
        _ = Ask("kit");
        await Eventually.Holds(() => began == 2);
    }

    [Fact]
    public async Task Whoever_goes_away_takes_the_search_along_unless_somebody_else_waits_for_it()
    {
        using var gone = CancellationTokenSource.CreateLinkedTokenSource(Now);
        var (one, other) = (Ask("kit", gone.Token), Ask("kit"));
        await Eventually.Holds(() => began == 1);
        await gone.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => one);
        next.Release();
        Assert.Equal("1 so far", await After(other, 2.05));

        using var last = CancellationTokenSource.CreateLinkedTokenSource(Now);
        var third = Ask("kit", last.Token);
        await last.CancelAsync();
        await Assert.ThrowsAnyAsync<OperationCanceledException>(() => third);
        next.Release();
        await Eventually.Holds(() => givenUp);
    }

    [Fact]
    public async Task Questions_about_the_same_days_take_turns_and_other_days_do_not_wait_for_them()
    {
        var (one, two) = (Ask("one"), Ask("two"));
        await Eventually.Holds(() => began == 1);
        TripDay[] others = [new("another", Brief.Complete(new() { Species = "pike" }))];
        Assert.Equal(
            "at once",
            await searches.AskAsync<string>(others, GearShed.Empty, false, "one", (_, _) => "at once", Now).WaitAsync(Now)
        );
        Assert.Equal(1, began);
        ended = true;
        next.Release();
        Assert.Equal(["done", "done"], await Task.WhenAll(one, two).WaitAsync(Now));
        Assert.Equal(2, began);
    }

    // Dragging a limit on one of the last four trips casts nothing anew; the one before them is forgotten.
    [Fact]
    public async Task Scores_of_the_last_four_trips_are_kept()
    {
        async Task<WorthTable> Of(string fish, int question)
        {
            WorthTable? seen = null;
            string Look(TripScores scores, Action<string> soFar)
            {
                seen = scores.Worth;
                return "done";
            }
            TripDay[] trip = [new(fish, Brief.Complete(new() { Species = fish }))];
            await searches.AskAsync<string>(trip, GearShed.Empty, false, question, Look, Now);
            return seen!;
        }
        var (perch, pike) = (await Of("perch", 1), await Of("pike", 1));
        await Of("grayling", 1);
        await Of("coho", 1);
        Assert.Same(perch, await Of("perch", 2));
        await Of("sea-bass", 1);
        Assert.Same(perch, await Of("perch", 3));
        Assert.NotSame(pike, await Of("pike", 2));
    }

    // More at once than there are threads for: none is lost, and none stands behind another while a thread is free.
    [Fact]
    public async Task Quiet_threads_are_begun_as_they_are_needed()
    {
        using var gate = new SemaphoreSlim(0);
        var running = 0;
        var work = Enumerable
            .Range(0, 12)
            .Select(n =>
                quiet.RunAsync(
                    () =>
                    {
                        Interlocked.Increment(ref running);
                        gate.Wait(Now);
                        return n;
                    },
                    Now
                )
            )
            .ToList();
        await Eventually.Holds(() => running == quiet.MaximumConcurrencyLevel);
        gate.Release(12);
        Assert.Equal(Enumerable.Range(0, 12), await Task.WhenAll(work).WaitAsync(Now));
    }
}
