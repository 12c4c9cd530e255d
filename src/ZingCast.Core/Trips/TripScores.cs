using System.Collections.Concurrent;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;

namespace ZingCast.Core.Trips;

/// <summary>
/// Worth of every outfit of a pool on every day, computed as far as needed: first only upper bounds, which need no simulated cast; then
/// exactly, outfit by outfit. The only place of the trip planner that simulates casts. Not thread-safe.
/// </summary>
public sealed class TripScores
{
    private readonly MatchSession[] sessions;

    // One reel for each row of the table.
    private readonly Reel[] reels;
    private readonly int[] rodOfRow,
        lineOfRow;
    private readonly CancellationToken cancel;

    private TripScores(
        IReadOnlyList<TripDay> days,
        TripPool pool,
        GearShed shed,
        MatchSession[] sessions,
        WorthTable worth,
        CancellationToken cancel
    )
    {
        (Days, Pool, Shed, this.sessions, Worth, this.cancel) = (days, pool, shed, sessions, worth, cancel);
        static int[] OneEach(int pieces, Func<int, int> row) => [.. Enumerable.Range(0, pieces).DistinctBy(row).OrderBy(row)];
        (rodOfRow, lineOfRow) = (OneEach(pool.Rods.Count, worth.RodRow), OneEach(pool.Lines.Count, worth.LineRow));
        reels = [.. OneEach(pool.Reels.Count, worth.ReelRow).Select(e => pool.Reels[e])];
    }

    /// <summary>The days.</summary>
    public IReadOnlyList<TripDay> Days { get; }

    /// <summary>The pieces, in the order of the table.</summary>
    public TripPool Pool { get; }

    /// <summary>The shed the pool was taken from.</summary>
    public GearShed Shed { get; }

    /// <summary>The table.</summary>
    public WorthTable Worth { get; }

    /// <summary>Computes upper bounds for all outfits and days; days in parallel.</summary>
    public static TripScores For(IReadOnlyList<TripDay> days, TripPool pool, GearShed shed, CancellationToken cancel = default)
    {
        MatchSession[] sessions = [.. days.Select(d => Matcher.For(d.Brief, shed, cancel: cancel))];
        var (rodRows, lineRows, reelRows) = (
            Rows(pool.Rods, Twin),
            Rows(pool.Lines, l => Twin(l, shed)),
            Rows(pool.Reels, e => Twin(e, shed))
        );
        var worth = new WorthTable(days.Count, rodRows, lineRows, reelRows);
        SideBySide(
            Enumerable.Range(0, days.Count),
            d => sessions[d].CostAtLeast(pool.Rods, pool.Lines, (r, l, cost, works) => worth.Expect(d, r, l, DayWorth.AtMost(cost, works))),
            cancel
        );
        return new(days, pool, shed, sessions, worth, cancel);
    }

    // Days are few and take long: each core takes the next when free.
    private static void SideBySide<T>(IEnumerable<T> parts, Action<T> work, CancellationToken cancel) =>
        Parallel.ForEach(
            Partitioner.Create(parts, EnumerablePartitionerOptions.NoBuffering),
            new ParallelOptions
            {
                MaxDegreeOfParallelism = Environment.ProcessorCount,
                CancellationToken = cancel,
                // Run on the caller's scheduler.
                TaskScheduler = null,
            },
            work
        );

    // Equal pieces share a row: for each piece its row.
    private static int[] Rows<T>(IReadOnlyList<T> pieces, Func<T, object> twin)
    {
        Dictionary<object, int> rows = [];
        return [.. pieces.Select(p => twin(p) is var key && rows.TryGetValue(key, out var row) ? row : rows[key] = rows.Count)];
    }

    // A piece without the fields that decide nothing.
    private static Rod Twin(Rod rod) => Bare(rod) with { Inspections = [] };

    // A line on a spool differs from an equal one that is not: its reel is already wound.
    private static (FlyLine, int) Twin(FlyLine line, GearShed shed) =>
        (Bare(line), shed.Spools.Any(s => s.LineId == line.Id) ? line.Id : 0);

    private static (Reel, int) Twin(Reel reel, GearShed shed) => (Bare(reel), shed.Spools.Any(s => s.ReelId == reel.Id) ? reel.Id : 0);

    private static T Bare<T>(T piece)
        where T : Gear =>
        (T)(
            piece with
            {
                Id = Math.Sign(piece.Id),
                Version = 0,
                Tag = "",
                Name = "",
                Note = null,
                Condition = Condition.Good,
                Price = null,
                BoughtOn = null,
                ServicedOn = null,
                Owner = null,
            }
        );

    /// <summary>Computes these outfits exactly, unless known; days in parallel.</summary>
    public void Know(IEnumerable<(int Day, int Rod, int Line)> outfits) =>
        SideBySide(
            outfits.Where(o => !Worth.Knows(o.Day, o.Rod, o.Line)).GroupBy(o => o.Day).ToList(),
            ofDay =>
            {
                foreach (var (d, r, l) in ofDay)
                    Know(d, r, l);
            },
            cancel
        );

    // For one day; only one thread may work on a day.
    private void Know(int day, int rod, int line)
    {
        if (Worth.Knows(day, rod, line))
            return;
        cancel.ThrowIfCancellationRequested();
        var scores = sessions[day].Scores(Pool.Rods[rod], Pool.Lines[line], reels);
        Worth.Set(day, rod, line, scores is null ? new double[reels.Length] : [.. scores.Select(DayWorth.For)]);
    }

    /// <summary>Computes every outfit on every day exactly.</summary>
    public void KnowAll() =>
        Know(
            from d in Enumerable.Range(0, Days.Count)
            from r in Enumerable.Range(0, Pool.Rods.Count)
            from l in Enumerable.Range(0, Pool.Lines.Count)
            select (d, r, l)
        );

    /// <summary>
    /// The best of these rods, lines and reels on a day, computing at most <paramref name="most"/> outfits exactly, the most promising
    /// first; with an upper bound for the rest.
    /// </summary>
    internal DayBest BestOf(int day, IReadOnlyList<int> rods, IReadOnlyList<int> lines, IReadOnlyList<int> ofReels, int most)
    {
        var best = new DayBest(null, 0, 0);
        if (ofReels.Count == 0)
            return best;
        // One piece of each row suffices.
        var (rodOf, lineOf) = (
            rods.DistinctBy(Worth.RodRow).ToDictionary(Worth.RodRow),
            lines.DistinctBy(Worth.LineRow).ToDictionary(Worth.LineRow)
        );
        void Look(int r, int l)
        {
            if (Worth.Best(day, r, l) <= best.Worth)
                return;
            foreach (var e in ofReels)
                if (Worth.On(day, r, l, e) is var worth && worth > best.Worth)
                    best = new((r, new(l, e)), worth, worth);
        }
        foreach (var r in rodOf.Values)
        foreach (var l in lineOf.Values)
            if (Worth.Knows(day, r, l))
                Look(r, l);
        foreach (var (rodRow, lineRow, atMost) in Worth.Promising(day))
        {
            if (!rodOf.TryGetValue(rodRow, out var r) || !lineOf.TryGetValue(lineRow, out var l))
                continue;
            if (atMost <= best.Worth)
                break;
            if (most-- == 0)
                return best with { AtMost = atMost };
            Know(day, r, l);
            Look(r, l);
        }
        return best with { AtMost = best.Worth };
    }

    /// <summary>The same for every day, in parallel.</summary>
    internal DayBest[] BestOf(IReadOnlyList<int> rods, IReadOnlyList<int> lines, IReadOnlyList<int> ofReels, int most)
    {
        var bests = new DayBest[Days.Count];
        SideBySide(Enumerable.Range(0, Days.Count), d => bests[d] = BestOf(d, rods, lines, ofReels, most), cancel);
        return bests;
    }

    /// <summary>The same days under other names, frequencies and regrets.</summary>
    public TripScores With(IReadOnlyList<TripDay> same, CancellationToken cancel = default)
    {
        // The first caller may be gone; the sessions now end with the present one.
        foreach (var session in sessions)
            session.EndsWith(cancel);
        return new(same, Pool, Shed, sessions, Worth, cancel);
    }

    /// <summary>Exact worth of a rod with a line on a reel on a day, by indices.</summary>
    internal double At(int day, int rod, Wound on)
    {
        Know(day, rod, on.Line);
        return Worth.On(day, rod, on.Line, on.Reel);
    }

    /// <summary>The outfit of these indices on a day, ready to be explained.</summary>
    internal Choice ChoiceFor(int day, int rod, Wound on) =>
        sessions[day].Together(Pool.Rods[rod], Pool.Lines[on.Line], Pool.Reels[on.Reel]);

    /// <summary>The session of a day.</summary>
    internal MatchSession Session(int day) => sessions[day];

    /// <summary>
    /// The search problem. Rods too long for the tube are left out unless packed, as are pieces that may not be bought. <paramref
    /// name="held"/> must be packed.
    /// </summary>
    internal KitProblem Problem(TripLimits limits, Pieces held)
    {
        var sum = Days.Sum(d => d.Weight);
        var (spend, tube) = (limits.Budget ?? 0, limits.TubeM ?? double.PositiveInfinity);
        // A forbidden piece is given an impossible mass. Of equal rods, and of equal lines, one is enough.
        KitPiece[] Pieces<T>(
            IReadOnlyList<T> pieces,
            IReadOnlyList<int> packed,
            double price,
            Func<T, double> kg,
            Func<int, int>? row = null,
            Func<T, int>? spools = null,
            Func<T, bool>? fits = null
        )
            where T : Gear
        {
            var must = pieces.Select(p => packed.Contains(p.Id)).ToArray();
            var enough = row is null
                ? null
                : Enumerable.Range(0, pieces.Count).GroupBy(row).ToDictionary(g => g.Key, g => g.OrderByDescending(i => must[i]).First());
            bool Comes(int i) =>
                must[i]
                || ((pieces[i].IsThere || spend > 0) && fits?.Invoke(pieces[i]) != false && (enough is null || enough[row!(i)] == i));
            return
            [
                .. pieces.Select(
                    (p, i) =>
                        new KitPiece(Comes(i) ? kg(p) : double.PositiveInfinity, p.IsThere ? 0 : price, must[i], spools?.Invoke(p) ?? 1)
                ),
            ];
        }
        return new(
            [.. Days.Select(d => d.Weight / sum)],
            Pieces(Pool.Rods, held.Rods, limits.RodPrice, r => r.MassKg, Worth.RodRow, fits: r => r.PackedM <= tube),
            Pieces(Pool.Lines, held.Lines, limits.LinePrice, l => l.MassWithinKg(l.LengthM), Worth.LineRow),
            Pieces(Pool.Reels, held.Reels, limits.ReelPrice, e => e.MassKg, spools: SpoolsOf),
            Worth
        );
    }

    /// <summary>Number of lines a reel can carry at once: its own spool and known spare ones.</summary>
    public int SpoolsOf(Reel reel) => reel.IsThere ? 1 + Shed.Spools.Count(s => s.ReelId == reel.Id && s.IsSpare) : SoldWith;

    // A new reel is bought with one spare spool.
    private const int SoldWith = 2;

    // Search steps before the first interim report, some hundredths of a second; each further report follows twice as many.
    private const long FirstSteps = 10_000_000;

    /// <summary>
    /// The exact best kits within limits: search with upper bounds, compute the found outfits exactly, and repeat until nothing promises
    /// more. <paramref name="soFar"/> receives the best kit so far and the upper bound.
    /// </summary>
    internal IReadOnlyList<Kit> Kits(TripLimits limits, Pieces held, int most, Action<Kit, double>? soFar = null)
    {
        var within = new KitLimits(limits.Rods, limits.Lines, limits.Reels, limits.MassKg ?? MaxKg, limits.Budget ?? 0);
        var problem = Problem(limits, held);
        Kit? best = null;
        var more = 1;
        for (var steps = FirstSteps; ; )
        {
            var found = KitSearch.Within(problem, within, most, best is null ? [] : [best], steps, cancel);
            var open = found.Kits.SelectMany(Outfits).Where(o => !Worth.Knows(o.Day, o.Rod, o.Line)).Distinct().ToList();
            if (open.Count == 0 && found.Done)
                return found.Kits;
            if (open.Count == 0)
                steps *= 2;
            else
                // Where the search was wrong once it is likely to be wrong again, so each time twice as many outfits are computed.
                Know([.. open, .. MostPromising(more *= 2)]);
            if (found.Kits.Count == 0)
                continue;
            best = KitSearch.Valued(problem, best is null ? found.Kits : [.. found.Kits, best]);
            soFar?.Invoke(best, found.AtMost);
        }
    }

    // For each day, this many not yet computed outfits with the highest bounds.
    private List<(int Day, int Rod, int Line)> MostPromising(int many) =>
        [
            .. Enumerable
                .Range(0, Days.Count)
                .SelectMany(d => Worth.Promising(d).Take(many).Select(p => (d, rodOfRow[p.RodRow], lineOfRow[p.LineRow]))),
        ];

    private IEnumerable<(int Day, int Rod, int Line)> Outfits(Kit kit) =>
        from d in Enumerable.Range(0, Days.Count)
        from r in kit.Rods
        from w in kit.Wound
        select (d, r, w.Line);

    // More than the mass of any shed; less than that of a forbidden piece.
    private const double MaxKg = 1e6;
}

/// <summary>The outfit that is worth most on a day, by places in the pool.</summary>
/// <param name="Outfit">It; null where none goes.</param>
/// <param name="Worth">What it is worth, exactly.</param>
/// <param name="AtMost">What one that was not looked at can be worth at most; no more than it where it is the best.</param>
internal readonly record struct DayBest((int Rod, Wound On)? Outfit, double Worth, double AtMost);
