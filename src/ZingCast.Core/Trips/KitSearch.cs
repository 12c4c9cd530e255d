using System.Diagnostics.CodeAnalysis;

namespace ZingCast.Core.Trips;

/// <summary>A piece that may be packed.</summary>
/// <param name="MassKg">Mass, kilograms.</param>
/// <param name="Price">What has to be paid for it; 0 for what is there.</param>
/// <param name="Must">It is packed already.</param>
/// <param name="Spools">Of a reel: lines it can carry at once.</param>
public readonly record struct KitPiece(double MassKg, double Price = 0, bool Must = false, int Spools = 1);

/// <summary>Limits of a kit.</summary>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines, and so spools: each line lies on one.</param>
/// <param name="Reels">Reels.</param>
/// <param name="MassKg">Mass of rods, reels and lines, kilograms; null for no matter.</param>
/// <param name="Budget">What may be spent; null for no matter.</param>
public sealed record KitLimits(int Rods, int Lines, int Reels, double? MassKg = null, double? Budget = null);

/// <summary>A line on a reel, by their indices in the problem.</summary>
public readonly record struct Wound(int Line, int Reel);

/// <summary>A choice of pieces, by their indices in the problem.</summary>
/// <param name="Rods">Rods, in ascending order.</param>
/// <param name="Wound">Lines, each on the reel that carries it.</param>
/// <param name="Reels">Reels, in ascending order.</param>
/// <param name="Value">Worth of all days together by their weight, less what each piece has to be worth to be carried.</param>
public sealed record Kit(IReadOnlyList<int> Rods, IReadOnlyList<Wound> Wound, IReadOnlyList<int> Reels, double Value);

/// <summary>A kit to choose.</summary>
/// <param name="Weights">Weight of each day; they add up to 1.</param>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines.</param>
/// <param name="Reels">Reels.</param>
/// <param name="Worth">What every outfit is worth on every day.</param>
public sealed record KitProblem(
    IReadOnlyList<double> Weights,
    IReadOnlyList<KitPiece> Rods,
    IReadOnlyList<KitPiece> Lines,
    IReadOnlyList<KitPiece> Reels,
    WorthTable Worth
)
{
    /// <summary>
    /// A piece must add at least this share of the worth of all days: of two nearly equal kits, the smaller is taken. Our assumption.
    /// </summary>
    public const double LeastAdded = .002;
}

/// <summary>
/// Exact search for the kit that serves the days best: rods, then lines for them, then the reel of each line, by branch and bound. A branch
/// is cut when its upper bound, every line on its best reel, does not beat the best known kit. Deterministic.
/// </summary>
public static class KitSearch
{
    /// <summary>Result of a search.</summary>
    /// <param name="Kits">The best kits that were found, best first.</param>
    /// <param name="AtMost">No kit is worth more than this.</param>
    /// <param name="Done">There is nothing better: the search went to its end.</param>
    public sealed record Found(IReadOnlyList<Kit> Kits, double AtMost, bool Done);

    /// <summary>
    /// The best kits, no two with the same rods, best first; none when what must be packed exceeds the limits. Every rod of a kit must be
    /// the best on some day. <paramref name="progress"/> runs to 1.
    /// </summary>
    public static IReadOnlyList<Kit> Best(
        KitProblem problem,
        KitLimits limits,
        int most = 1,
        IProgress<double>? progress = null,
        CancellationToken cancel = default
    ) => new Search(problem, limits, most, [], long.MaxValue, cancel).Run(progress).Kits;

    /// <summary>
    /// The best kits found within this many steps, and an upper bound of the best of all. Starts from the <paramref name="known"/> kits,
    /// revalued for this problem.
    /// </summary>
    public static Found Within(
        KitProblem problem,
        KitLimits limits,
        int most,
        IReadOnlyList<Kit> known,
        long steps,
        CancellationToken cancel = default
    ) => new Search(problem, limits, most, known, steps, cancel).Run(null);

    /// <summary>The best kit of the same pieces with the problem's present values.</summary>
    public static Kit Valued(KitProblem problem, IReadOnlyList<Kit> kits) => kits.Select(k => Again(problem, k)).MaxBy(k => k.Value)!;

    private static Kit Again(KitProblem problem, Kit kit)
    {
        var value = 0.0;
        for (var d = 0; d < problem.Weights.Count; d++)
        {
            var best = 0.0;
            foreach (var r in kit.Rods)
            foreach (var w in kit.Wound)
                best = Math.Max(best, problem.Worth.On(d, r, w.Line, w.Reel));
            value += problem.Weights[d] * best;
        }
        return kit with { Value = value - KitProblem.LeastAdded * (kit.Rods.Count + kit.Wound.Count + kit.Reels.Count) };
    }

    private sealed class Search(
        KitProblem problem,
        KitLimits limits,
        int most,
        IReadOnlyList<Kit> known,
        long steps,
        CancellationToken cancel
    )
    {
        // Comparisons made so far.
        private long stepped;

        // Upper bound over the sets of rods still to be searched.
        private double open = double.PositiveInfinity;

        private bool IsSpent => stepped > steps;

        // Sums in another order differ in their last digits, so a kit must be better by more than this.
        private const double Hair = 1e-12;

        private readonly WorthTable worth = problem.Worth;
        private readonly double[] weights = [.. problem.Weights];
        private readonly int days = problem.Weights.Count;
        private readonly List<Kit> found = [];
        private readonly List<int> rods = [];

        // For each line and day, its best worth on the chosen rods.
        private double[][] lineBest = [];
        private double[]?[] onReel = [];
        private Kit? bestOfRods;

        private readonly List<int> lines = [];
        private int[] reelOf = [];
        private readonly int[] carried = new int[problem.Reels.Count];

        // Fewest reels that carry so many lines within the limits: packed ones first, then those with most spools.
        private readonly int[] fewestReels = Fewest(problem.Reels, limits.Reels);

        private static int[] Fewest(IReadOnlyList<KitPiece> reels, int most)
        {
            var must = reels.Where(e => e.Must).ToList();
            var roomiest = reels.Where(e => !e.Must).OrderByDescending(e => e.Spools).Take(Math.Max(0, most - must.Count)).ToList();
            var fewest = Enumerable.Repeat(must.Count, 1 + must.Sum(e => e.Spools)).ToList();
            for (var n = 0; n < roomiest.Count; n++)
                fewest.AddRange(Enumerable.Repeat(must.Count + n + 1, roomiest[n].Spools));
            return [.. fewest];
        }

        private int MostLines => Math.Min(limits.Lines, fewestReels.Length - 1);

        private double Threshold =>
            Math.Max(bestOfRods?.Value ?? double.NegativeInfinity, found.Count < most ? double.NegativeInfinity : found[^1].Value) + Hair;

        public Found Run(IProgress<double>? progress)
        {
            var must = Enumerable.Range(0, problem.Rods.Count).Where(i => problem.Rods[i].Must).ToList();
            rods.AddRange(must);
            if (rods.Count > limits.Rods)
                return new([], double.NegativeInfinity, true);
            foreach (var kit in known.Where(k => !HasIdle(k)).Select(k => Again(problem, k)).OrderByDescending(k => k.Value))
                Insert(kit);
            var rodBest = new double[problem.Rods.Count][];
            for (var r = 0; r < rodBest.Length; r++)
            {
                rodBest[r] = new double[days];
                for (var d = 0; d < days; d++)
                for (var l = 0; l < worth.Lines; l++)
                    rodBest[r][d] = Math.Max(rodBest[r][d], worth.Best(d, r, l));
            }
            var order = Ordered(problem.Rods, must, rodBest);
            var now = new double[days];
            foreach (var r in must)
                Raise(now, rodBest[r]);
            Branch(
                order,
                rodBest,
                now,
                limits.Rods - rods.Count,
                rods,
                // A rod needs at least a line and a reel.
                value => value - Carried(rods.Count + 2),
                Lines,
                (i, atMost) =>
                {
                    open = atMost;
                    progress?.Report((i + 1.0) / Math.Max(1, order.Count));
                }
            );
            progress?.Report(1);
            var best = found.Count > 0 ? found[0].Value : double.NegativeInfinity;
            return new(found, IsSpent ? Math.Max(best, open) : best, !IsSpent);
        }

        private void Insert(Kit kit)
        {
            // The greedy start may have found this one before.
            if (found.FindIndex(k => k.Rods.SequenceEqual(kit.Rods)) is >= 0 and var same)
            {
                if (found[same].Value >= kit.Value)
                    return;
                found.RemoveAt(same);
            }
            var place = found.FindIndex(k => k.Value < kit.Value);
            found.Insert(place < 0 ? found.Count : place, kit);
            if (found.Count > most)
                found.RemoveAt(most);
        }

        private static double Carried(int pieces) => KitProblem.LeastAdded * pieces;

        private double Value(double[] ofDays)
        {
            var sum = 0.0;
            for (var d = 0; d < days; d++)
                sum += weights[d] * ofDays[d];
            return sum;
        }

        private static void Raise(double[] ofDays, double[] by)
        {
            for (var d = 0; d < ofDays.Length; d++)
                ofDays[d] = Math.Max(ofDays[d], by[d]);
        }

        // Pieces that are allowed and worth something, the most valuable first.
        private List<int> Ordered(IReadOnlyList<KitPiece> pieces, List<int> must, double[][] best) =>
            [
                .. Enumerable
                    .Range(0, pieces.Count)
                    .Except(must)
                    .Where(i =>
                        pieces[i].MassKg <= (limits.MassKg ?? double.MaxValue) && pieces[i].Price <= (limits.Budget ?? double.MaxValue)
                    )
                    .Select(i => (i, Value: Value(best[i])))
                    .Where(x => x.Value > 0)
                    .OrderByDescending(x => x.Value)
                    .Select(x => x.i),
            ];

        // Every subset that could still be better: with nothing more, then with each allowed next piece.
        [SuppressMessage(
            "Maintainability",
            "CA1502",
            Justification = "The search steps through its branches in place: a call for each would cost what it saves."
        )]
        private void Branch(
            List<int> order,
            double[][] best,
            double[] now,
            int room,
            List<int> taken,
            Func<double, double> less,
            Action at,
            Action<int, double>? report
        )
        {
            // Upper bound of what the remaining pieces could add on each day.
            var rest = new double[order.Count + 1][];
            rest[^1] = new double[days];
            for (var i = order.Count - 1; i >= 0; i--)
            {
                rest[i] = [.. rest[i + 1]];
                Raise(rest[i], best[order[i]]);
            }
            report?.Invoke(-1, Bound(0, now, room));
            Dive();
            Go(0, now, room);

            // Start greedily: add whatever gains most, repeatedly. A good first kit cuts much of the search.
            void Dive()
            {
                var (ofDays, before) = ((double[])now.Clone(), taken.Count);
                for (var left = room; left > 0; left--)
                {
                    var (most, next) = (KitProblem.LeastAdded, -1);
                    foreach (var i in order)
                        if (Gain(best[i], ofDays) is var gain && gain > most)
                            (most, next) = (gain, i);
                    if (next < 0)
                        break;
                    taken.Add(next);
                    if (!Within())
                    {
                        taken.RemoveAt(taken.Count - 1);
                        break;
                    }
                    Raise(ofDays, best[next]);
                }
                if (taken.Count > before && less(Value(ofDays)) > Threshold)
                    at();
                taken.RemoveRange(before, taken.Count - before);
            }

            double Gain(double[] its, double[] ofDays)
            {
                var gain = 0.0;
                for (var d = 0; d < days; d++)
                    if (its[d] > ofDays[d])
                        gain += weights[d] * (its[d] - ofDays[d]);
                return gain;
            }

            void Go(int from, double[] ofDays, int left)
            {
                cancel.ThrowIfCancellationRequested();
                stepped += Math.Max(1, days);
                if (less(Value(ofDays)) > Threshold)
                    at();
                if (left == 0)
                    return;
                for (var i = from; i < order.Count; i++)
                {
                    if (IsSpent)
                        return;
                    var bound = Bound(i, ofDays, left);
                    stepped += (long)days * (order.Count - i);
                    if (left == room)
                        report?.Invoke(i, bound);
                    if (bound <= Threshold)
                        return;
                    var next = (double[])ofDays.Clone();
                    Raise(next, best[order[i]]);
                    taken.Add(order[i]);
                    if (Within())
                        Go(i + 1, next, left - 1);
                    taken.RemoveAt(taken.Count - 1);
                }
            }

            // Bound: the best possible value of each day, or the sum of the greatest single gains, whichever is less.
            double Bound(int from, double[] ofDays, int left)
            {
                var (value, all) = (Value(ofDays), 0.0);
                for (var d = 0; d < days; d++)
                    all += weights[d] * Math.Max(ofDays[d], rest[from][d]);
                Span<double> gains = stackalloc double[Math.Min(left, 16)];
                for (var i = from; i < order.Count; i++)
                {
                    var gain = Gain(best[order[i]], ofDays);
                    for (var g = 0; g < gains.Length && gain > 0; g++)
                        if (gain > gains[g])
                            (gain, gains[g]) = (gains[g], gain);
                }
                var some = value;
                foreach (var gain in gains)
                    some += Math.Max(0, gain - KitProblem.LeastAdded);
                return Math.Min(less(all), left <= gains.Length ? less(some) : double.PositiveInfinity);
            }
        }

        private bool Within()
        {
            var (kg, price) = (0.0, 0.0);
            foreach (var r in rods)
                (kg, price) = (kg + problem.Rods[r].MassKg, price + problem.Rods[r].Price);
            foreach (var l in lines)
                (kg, price) = (kg + problem.Lines[l].MassKg, price + problem.Lines[l].Price);
            for (var e = 0; e < carried.Length; e++)
                if (IsTaken(e))
                    (kg, price) = (kg + problem.Reels[e].MassKg, price + problem.Reels[e].Price);
            return kg <= (limits.MassKg ?? double.PositiveInfinity) + Hair && price <= (limits.Budget ?? double.PositiveInfinity) + Hair;
        }

        private void Lines()
        {
            bestOfRods = null;
            var must = Enumerable.Range(0, problem.Lines.Count).Where(i => problem.Lines[i].Must).ToList();
            if (must.Count > MostLines)
                return;
            lineBest = new double[problem.Lines.Count][];
            onReel = new double[]?[problem.Lines.Count];
            for (var l = 0; l < lineBest.Length; l++)
            {
                lineBest[l] = new double[days];
                foreach (var r in rods)
                    for (var d = 0; d < days; d++)
                        lineBest[l][d] = Math.Max(lineBest[l][d], worth.Best(d, r, l));
            }
            var now = new double[days];
            lines.AddRange(must);
            foreach (var l in must)
                Raise(now, lineBest[l]);
            Branch(
                Ordered(problem.Lines, must, lineBest),
                lineBest,
                now,
                MostLines - lines.Count,
                lines,
                value => value - Carried(rods.Count + lines.Count + fewestReels[lines.Count]),
                Reels,
                null
            );
            lines.Clear();
            if (bestOfRods is not { } kit)
                return;
            bestOfRods = null;
            // A rod that is never the best is dead weight: the kit without it is found anyway.
            if (HasIdle(kit))
                return;
            Insert(kit);
        }

        // Worth of a line on the chosen rods, by day and reel.
        private double[] OnReel(int line)
        {
            if (onReel[line] is { } known)
                return known;
            var all = new double[days * worth.Reels];
            foreach (var r in rods)
                for (var d = 0; d < days; d++)
                    worth.Raise(d, r, line, all.AsSpan(d * worth.Reels, worth.Reels));
            return onReel[line] = all;
        }

        private void Reels()
        {
            reelOf = new int[lines.Count];
            Go(0, new double[days]);

            void Go(int i, double[] ofDays)
            {
                var reels = ReelsNow();
                stepped += (long)days * (lines.Count - i + 1) * worth.Reels;
                if (reels > limits.Reels || !Within())
                    return;
                if (i == lines.Count)
                {
                    Keep(ofDays, reels);
                    return;
                }
                var most = AtMost(i, ofDays, reels);
                if (most - Carried(rods.Count + lines.Count + Math.Max(reels, fewestReels[lines.Count])) <= Threshold)
                    return;
                // The choice that gave the bound is likely to be the best.
                Try(i, ofDays);
                var on = OnReel(lines[i]);
                var tries = new (double Gain, int Reel)[worth.Reels];
                for (var e = 0; e < tries.Length; e++)
                {
                    var gain = 0.0;
                    for (var d = 0; d < days; d++)
                        gain += weights[d] * Math.Max(ofDays[d], on[d * worth.Reels + e]);
                    tries[e] = (gain, e);
                }
                Array.Sort(tries, (a, b) => a.Gain == b.Gain ? a.Reel.CompareTo(b.Reel) : b.Gain.CompareTo(a.Gain));
                for (var t = 0; t < tries.Length && !IsSpent; t++)
                {
                    var e = tries[t].Reel;
                    // Of equal reels in the shed only one is tried.
                    if (!Carries(e, reels) || (t > 0 && IsSame(e, tries[t - 1].Reel)))
                        continue;
                    var next = (double[])ofDays.Clone();
                    for (var d = 0; d < days; d++)
                        next[d] = Math.Max(next[d], on[d * worth.Reels + e]);
                    carried[e]++;
                    reelOf[i] = e;
                    Go(i + 1, next);
                    carried[e]--;
                }
            }
        }

        private void Try(int from, double[] ofDays)
        {
            var next = (double[])ofDays.Clone();
            for (var i = from; i < lines.Count; i++)
            {
                carried[reelOf[i]]++;
                var on = OnReel(lines[i]);
                for (var d = 0; d < days; d++)
                    next[d] = Math.Max(next[d], on[d * worth.Reels + reelOf[i]]);
            }
            if (ReelsNow() is var reels && reels <= limits.Reels && Within())
                Keep(next, reels);
            for (var i = from; i < lines.Count; i++)
                carried[reelOf[i]]--;
        }

        private bool IsSame(int a, int b) =>
            !IsTaken(a) && !IsTaken(b) && worth.ReelRow(a) == worth.ReelRow(b) && problem.Reels[a] == problem.Reels[b];

        private bool IsTaken(int reel) => carried[reel] > 0 || problem.Reels[reel].Must;

        private int ReelsNow()
        {
            var count = 0;
            for (var e = 0; e < carried.Length; e++)
                count += IsTaken(e) ? 1 : 0;
            return count;
        }

        private bool Carries(int reel, int reelsNow) =>
            carried[reel] < problem.Reels[reel].Spools && (IsTaken(reel) || reelsNow < limits.Reels);

        // Upper bound of what the remaining lines could add, each on a spool of its own. Each day is counted for the line that could do
        // best on it, down to the next best; so the lines' values add up, and the best assignment to spools is exact. The assignment is
        // left in reelOf.
        private double AtMost(int from, double[] ofDays, int reelsNow)
        {
            var (count, all) = (lines.Count - from, worth.Reels);
            var spools = new List<int>(all);
            for (var e = 0; e < all; e++)
                if (Carries(e, reelsNow))
                    for (var s = carried[e]; s < Math.Min(problem.Reels[e].Spools, carried[e] + count); s++)
                        spools.Add(e);
            if (spools.Count < count)
                return double.NegativeInfinity;
            var sums = new double[count * spools.Count];
            var sum = 0.0;
            for (var d = 0; d < days; d++)
            {
                var (owner, first, second) = (-1, ofDays[d], ofDays[d]);
                for (var j = 0; j < count; j++)
                {
                    var best = 0.0;
                    var on = OnReel(lines[from + j]);
                    foreach (var e in spools)
                        best = Math.Max(best, on[d * all + e]);
                    if (best > first)
                        (owner, first, second) = (j, best, first);
                    else
                        second = Math.Max(second, best);
                }
                if (owner < 0)
                {
                    sum += weights[d] * ofDays[d];
                    continue;
                }
                var its = OnReel(lines[from + owner]);
                for (var s = 0; s < spools.Count; s++)
                    sums[owner * spools.Count + s] += weights[d] * Math.Max(second, its[d * all + spools[s]]);
            }
            var columns = new int[count];
            sum += Assignment.Most(sums, count, spools.Count, columns);
            for (var j = 0; j < count; j++)
                reelOf[from + j] = spools[columns[j]];
            return sum;
        }

        private void Keep(double[] ofDays, int reels)
        {
            var value = Value(ofDays) - Carried(rods.Count + lines.Count + reels);
            if (value <= Threshold)
                return;
            bestOfRods = new(
                [.. rods.Order()],
                [.. lines.Select((l, i) => new Wound(l, reelOf[i])).OrderBy(w => w.Line)],
                [.. Enumerable.Range(0, carried.Length).Where(IsTaken)],
                value
            );
        }

        private bool HasIdle(Kit kit) => kit.Rods.Any(r => !problem.Rods[r].Must && IsIdle(kit, r));

        private bool IsIdle(Kit kit, int rod)
        {
            double Most(int day, bool without) =>
                kit
                    .Rods.Where(r => !without || r != rod)
                    .SelectMany(r => kit.Wound.Select(w => worth.On(day, r, w.Line, w.Reel)))
                    .DefaultIfEmpty(0)
                    .Max();
            return Enumerable.Range(0, days).All(d => Most(d, true) >= Most(d, false));
        }
    }
}
