using System.Collections.Concurrent;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Shed;

namespace ZingCast.Core.Trips;

/// <summary>
/// What every outfit of a pool is worth on every day: worked out once, and asked as often as limits change. Casts are thrown here and
/// nowhere else. For one thread at a time.
/// </summary>
public sealed class TripScores
{
    private readonly MatchSession[] sessions;

    private TripScores(IReadOnlyList<TripDay> days, TripPool pool, GearShed shed, MatchSession[] sessions, WorthTable worth) =>
        (Days, Pool, Shed, this.sessions, Worth) = (days, pool, shed, sessions, worth);

    /// <summary>The days.</summary>
    public IReadOnlyList<TripDay> Days { get; }

    /// <summary>The pieces, in the order of the table.</summary>
    public TripPool Pool { get; }

    /// <summary>The shed the pool was taken from.</summary>
    public GearShed Shed { get; }

    /// <summary>The table.</summary>
    public WorthTable Worth { get; }

    /// <summary>Looks at every outfit on every day, days side by side. <paramref name="progress"/> runs to 1.</summary>
    public static TripScores Of(
        IReadOnlyList<TripDay> days,
        TripPool pool,
        GearShed shed,
        IProgress<double>? progress = null,
        CancellationToken cancel = default
    )
    {
        MatchSession[] sessions = [.. days.Select(d => Matcher.For(d.Brief, shed, cancel: cancel))];
        var worth = new WorthTable(days.Count, pool.Rods.Count, pool.Lines.Count, pool.Reels.Count);
        var looked = 0;
        // Days are long and few: each core takes the next as it comes free.
        Parallel.ForEach(
            Partitioner.Create(Enumerable.Range(0, days.Count), EnumerablePartitionerOptions.NoBuffering),
            new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount, CancellationToken = cancel },
            d =>
            {
                for (var r = 0; r < pool.Rods.Count; r++)
                {
                    for (var l = 0; l < pool.Lines.Count; l++)
                        if (sessions[d].Scores(pool.Rods[r], pool.Lines[l], pool.Reels) is { } scores)
                            worth.Set(d, r, l, [.. scores.Select(DayWorth.Of)]);
                    progress?.Report((double)Interlocked.Increment(ref looked) / (days.Count * pool.Rods.Count));
                }
            }
        );
        return new(days, pool, shed, sessions, worth);
    }

    /// <summary>The same days by other names, coming more or less often, missed more or less.</summary>
    public TripScores With(IReadOnlyList<TripDay> same, CancellationToken cancel = default)
    {
        // Whoever asked first may have gone; sessions end with those who ask now.
        foreach (var session in sessions)
            session.EndsWith(cancel);
        return new(same, Pool, Shed, sessions, Worth);
    }

    /// <summary>What a rod with a line on a reel is worth on a day, by their places.</summary>
    internal double At(int day, int rod, Wound on) => Worth.On(day, rod, on.Line) is { Length: > 0 } its ? its[on.Reel] : 0;

    /// <summary>The outfit of these places in the pool on a day, ready to be told.</summary>
    internal Choice Told(int day, int rod, Wound on) => sessions[day].Together(Pool.Rods[rod], Pool.Lines[on.Line], Pool.Reels[on.Reel]);

    /// <summary>The session of a day.</summary>
    internal MatchSession Session(int day) => sessions[day];

    /// <summary>
    /// The problem to be searched. Rods that do not go into the tube are left at home unless they are packed, and so is what cannot be
    /// bought. <paramref name="held"/> has to come along.
    /// </summary>
    internal KitProblem Problem(TripLimits limits, Pieces held)
    {
        var sum = Days.Sum(d => d.Weight);
        var (spend, tube) = (limits.Budget ?? 0, limits.TubeM ?? double.PositiveInfinity);
        // A piece that may not come weighs more than anybody carries.
        KitPiece Piece(Gear piece, double kg, double price, bool must, bool comes = true, int spools = 1) =>
            new(must || comes ? kg : double.PositiveInfinity, piece.IsThere ? 0 : price, must, spools);
        return new(
            [.. Days.Select(d => d.Weight / sum)],
            [
                .. Pool.Rods.Select(r =>
                    Piece(r, r.MassKg, limits.RodPrice, held.Rods.Contains(r.Id), r.PackedM <= tube && (r.IsThere || spend > 0))
                ),
            ],
            [
                .. Pool.Lines.Select(l =>
                    Piece(l, l.MassWithinKg(l.LengthM), limits.LinePrice, held.Lines.Contains(l.Id), l.IsThere || spend > 0)
                ),
            ],
            [
                .. Pool.Reels.Select(e =>
                    Piece(e, e.MassKg, limits.ReelPrice, held.Reels.Contains(e.Id), e.IsThere || spend > 0, SpoolsOf(e))
                ),
            ],
            Worth
        );
    }

    /// <summary>How many lines a reel can carry at once: its own spool and those that are known to fit it.</summary>
    public int SpoolsOf(Reel reel) => reel.IsThere ? 1 + Shed.Spools.Count(s => s.ReelId == reel.Id && s.IsSpare) : SoldWith;

    // A reel is bought with one spare spool.
    private const int SoldWith = 2;

    /// <summary>The best kits within limits.</summary>
    internal IReadOnlyList<Kit> Kits(
        TripLimits limits,
        Pieces held,
        int most,
        CancellationToken cancel,
        IProgress<double>? progress = null
    ) =>
        KitSearch.Best(
            Problem(limits, held),
            new(limits.Rods, limits.Lines, limits.Reels, limits.MassKg ?? MostKg, limits.Budget ?? 0),
            most,
            progress,
            cancel
        );

    // More than everything in any shed; less than what may not come along at all.
    private const double MostKg = 1e6;
}
