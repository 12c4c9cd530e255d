using System.Collections.Concurrent;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Cutting;

/// <summary>
/// Finds the best ways to cut a head from scraps: one piece with up to two cuts, and ordered pairs and triples with up to two cuts in
/// all, either end kept, either way round, with cuts every <see cref="GridM"/>. Exact over that set.
/// </summary>
public static class Cutter
{
    /// <summary>Spacing of the cuts considered, metres; weighing and nibbling do the rest.</summary>
    public const double GridM = .05;

    /// <summary>Shortest piece used, metres.</summary>
    public const double ShortestM = .5;

    /// <summary>Line that a joint takes from each side, metres: welded or braided. Common practice.</summary>
    public const double JointM = .05;

    private const double OverM = 2 * JointM;

    /// <summary>Differences nobody notices: ten grains, a foot and a half. Common practice.</summary>
    public const double UnfeltKg = 10 * Exact.GrainKg,
        UnfeltM = 1.5 * Exact.FootM;

    /// <summary>Mass per metre on the two sides of a joint may differ by this factor before the joint hinges. Common practice.</summary>
    public const double HingeRatio = 1.6;

    // Costs beside those of mass and length, in the same unit. Our assumption: a joint is worth ten grains.
    private const double JointCost = 1,
        CutCost = .1,
        BluntCost = .3,
        BackwardsCost = 1,
        InTaperCost = 1;

    private const double TaperLookM = .3,
        TaperChange = 1.1;

    /// <summary>Result of a plan, computed from the pieces themselves. Throws when a scrap is missing.</summary>
    public static CutPlan Judge(CutTarget target, IReadOnlyList<CutPiece> pieces, IReadOnlyDictionary<int, LineProfile> scraps)
    {
        var parts = pieces.Select(p => scraps[p.ScrapId].Part(p.FromM, p.ToM, p.Turned)).ToList();
        List<Joint> joints = [];
        var (at, cost, cuts) = (parts[0].LengthM, 0.0, 0);
        for (var i = 1; i < parts.Count; i++)
        {
            at -= JointM;
            var (before, after) = (ReelEnd(parts[i - 1]), FlyEnd(parts[i]));
            joints.Add(
                new(
                    at,
                    OverM,
                    after.KgPerM / before.KgPerM,
                    Hinges(before.KgPerM, after.KgPerM),
                    Backwards(before.KgPerM, after.KgPerM),
                    before.Tapered || after.Tapered
                )
            );
            cost += JointCost + Between(before, after);
            at += parts[i].LengthM - JointM;
        }
        for (var i = 0; i < pieces.Count; i++)
            cuts += (pieces[i].FromM > 1e-9 ? 1 : 0) + (pieces[i].ToM < scraps[pieces[i].ScrapId].LengthM - 1e-9 ? 1 : 0);
        var kg = parts.Sum(p => p.Kg);
        cost +=
            CutCost * cuts
            + (FlyEnd(parts[0]).Tapered ? 0 : BluntCost)
            + Miss(target, pieces.Count, parts[0].LengthM, parts[0].Kg, parts.Sum(p => p.LengthM), kg);
        var (overM, overKg) = (at - target.LengthM, kg - target.MassKg);
        var felt = Math.Abs(overM) > UnfeltM || Math.Abs(overKg) > UnfeltKg;
        Sentence says =
            $"{Quantity.Length(at)} and {Quantity.LineMass(kg)}: {MassMiss(overKg)}, {LengthMiss(overM)}"
            + $"{(felt ? "" : "; nobody feels that")}";
        return new(pieces, at, kg, TaperOf(parts[0]), joints, cuts, cost, says, felt, Join(parts).Stretches);
    }

    private static Sentence MassMiss(double overKg) =>
        Math.Abs(overKg) < Exact.GrainKg
            ? (Sentence)$"the mass asked for"
            : $"{Quantity.LineMass(Math.Abs(overKg))} {(overKg > 0 ? "over" : "under")}";

    private static Sentence LengthMiss(double overM)
    {
        var miss = Math.Abs(overM);
        return miss < .03
            ? (Sentence)$"to length"
            : $"{(miss < Exact.FootM ? Quantity.Short(miss) : Quantity.Length(miss))} {(overM > 0 ? "too long" : "short")}";
    }

    /// <summary>
    /// The best <paramref name="count"/> plans, each the best cut of its own order of scraps, using all cores. After <paramref
    /// name="most"/> steps (ranges of cuts looked at) the search ends with the best found so far and reports that it is incomplete;
    /// <paramref name="cancel"/> throws.
    /// </summary>
    public static CutPlans Plan(
        CutTarget target,
        IReadOnlyList<Scrap> drawer,
        int count = 8,
        long most = long.MaxValue,
        CancellationToken cancel = default
    )
    {
        using var end = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        var stop = end.Token;
        var profiles = drawer.ToDictionary(s => s.Id, s => s.Profile());
        var best = new Best(count);
        var steps = new Steps(most, end);
        try
        {
            SearchAll(target, [.. drawer.Where(s => s.LengthM >= ShortestM)], profiles, best, steps, stop);
        }
        catch (OperationCanceledException) when (!cancel.IsCancellationRequested)
        {
            return new(Judged(), false);
        }
        return new(Judged(), true);

        IReadOnlyList<CutPlan> Judged() => [.. best.Pieces().Select(p => Judge(target, p, profiles))];
    }

    private static void SearchAll(
        CutTarget target,
        IReadOnlyList<Scrap> usable,
        Dictionary<int, LineProfile> profiles,
        Best best,
        Steps steps,
        CancellationToken stop
    )
    {
        var all = usable.SelectMany(s => Options(s.Id, profiles[s.Id], stop)).ToArray();
        // Fewest pieces first: their best plan is the bound for the many combinations of three.
        if (!target.HasTip)
        {
            var search = new Search(target, best, steps, stop);
            foreach (var only in all.Concat(usable.SelectMany(s => Middles(s.Id, profiles[s.Id], stop))))
                search.Run(only);
        }
        for (var pieces = 2; pieces <= 3; pieces++)
        {
            if (best.Worst < (pieces - 1) * JointCost)
                break;
            var three = pieces == 3;
            Parallel.ForEach(
                Partitioner.Create(all, loadBalance: true),
                new() { CancellationToken = stop, MaxDegreeOfParallelism = Environment.ProcessorCount },
                first =>
                {
                    var search = new Search(target, best, steps, stop);
                    foreach (var second in all)
                    {
                        if (second.ScrapId == first.ScrapId)
                            continue;
                        if (!three)
                            search.Run(first, second);
                        else if (search.MayBegin(first, second))
                            foreach (var third in all)
                                if (
                                    third.ScrapId != first.ScrapId
                                    && third.ScrapId != second.ScrapId
                                    && first.Cuts + second.Cuts + third.Cuts <= 2
                                )
                                    search.Run(first, second, third);
                    }
                }
            );
        }
    }

    /// <summary>Pieces joined from the fly end. At each joint both sides overlap by what they lose together; no mass is lost.</summary>
    public static LineProfile Join(IReadOnlyList<LineProfile> parts)
    {
        List<Stretch> joined = [];
        for (var i = 0; i < parts.Count; i++)
        {
            var part = parts[i];
            joined.AddRange(part.Part(i == 0 ? 0 : OverM, part.LengthM - (i == parts.Count - 1 ? 0 : OverM)).Stretches);
            if (i == parts.Count - 1)
                break;
            var (before, after) = (part.Part(part.LengthM - OverM, part.LengthM), parts[i + 1].Part(0, OverM));
            var thick = Math.Max(before.ThickM(OverM / 2), after.ThickM(OverM / 2));
            var bare = new Stretch(OverM, thick, thick, 1);
            joined.Add(bare with { KgM3 = (before.Kg + after.Kg) / bare.Kg() });
        }
        return new(joined);
    }

    private readonly record struct End(double KgPerM, bool Tapered);

    private static End EndOf(LineProfile p, double atM, double inwards)
    {
        var (here, inside) = (
            p.KgPerM(
                atM == p.LengthM ? atM
                : inwards < 0 ? Math.Max(0, atM - 1e-9)
                : atM
            ),
            p.KgPerM(atM + inwards * TaperLookM)
        );
        return new(here, Math.Max(here / inside, inside / here) > TaperChange);
    }

    private static End FlyEnd(LineProfile p) => EndOf(p, 0, 1);

    private static End ReelEnd(LineProfile p) => EndOf(p, p.LengthM, -1);

    private static bool Hinges(double before, double after) => Math.Max(before / after, after / before) > HingeRatio;

    private static bool Backwards(double before, double after) => before > 1.05 * after;

    private static double Between(End before, End after)
    {
        var ratio = Math.Max(before.KgPerM / after.KgPerM, after.KgPerM / before.KgPerM);
        return (ratio > HingeRatio ? 1 + 2 * Math.Min(2, ratio / HingeRatio - 1) : 0)
            + (Backwards(before.KgPerM, after.KgPerM) ? BackwardsCost : 0)
            + (before.Tapered || after.Tapered ? InTaperCost : 0);
    }

    // Cost of missed length and mass; for a separate tip, of tip and body each. A joint shortens both its sides.
    private static double Miss(CutTarget target, int pieces, double firstM, double firstKg, double sumM, double sumKg)
    {
        static double Of(double m, double kg) => Math.Abs(m) / UnfeltM + Math.Abs(kg) / UnfeltKg;
        if (target is not { TipM: { } tipM, TipKg: { } tipKg })
            return Of(sumM - OverM * (pieces - 1) - target.LengthM, sumKg - target.MassKg);
        return Of(firstM - JointM - tipM, firstKg - tipKg)
            + Of(sumM - firstM - JointM - OverM * (pieces - 2) - (target.LengthM - tipM), sumKg - firstKg - (target.MassKg - tipKg));
    }

    private static double TaperOf(LineProfile first)
    {
        var points = first.Points(GridM);
        var most = points.Max(p => p.KgPerM);
        return FlyEnd(first).Tapered ? points.First(p => p.KgPerM > .95 * most).PositionM : 0;
    }

    /// <summary>One way to use a scrap, over all positions of its cut; longer as the index grows.</summary>
    private sealed class Option(int scrapId, int cuts, bool turned, (double FromM, double ToM)[] kept, LineProfile profile)
    {
        public int ScrapId => scrapId;

        public int Cuts => cuts;

        public CutPiece At(int k) => new(scrapId, kept[k].FromM, kept[k].ToM, turned);

        public readonly double[] LengthM = [.. kept.Select(x => x.ToM - x.FromM)],
            Kg = [.. kept.Select(x => profile.MassKg(x.ToM) - profile.MassKg(x.FromM))];

        public readonly End[] Fly = [.. kept.Select(x => turned ? EndOf(profile, x.ToM, -1) : EndOf(profile, x.FromM, 1))],
            Reel = [.. kept.Select(x => turned ? EndOf(profile, x.FromM, 1) : EndOf(profile, x.ToM, -1))];

        public int Count => LengthM.Length;

        /// <summary>Whether the end that points to the fly, or to the reel, is the same wherever the cut is.</summary>
        public bool OneFly => Count == 1 || kept[0].FromM == kept[1].FromM != turned;

        public bool OneReel => Count == 1 || kept[0].ToM == kept[1].ToM != turned;
    }

    // A level stretch is the same from both ends, so it is used one way only.
    private static bool Even(LineProfile p, double a, double b)
    {
        var (start, first) = (0.0, (Stretch?)null);
        foreach (var s in p.Stretches)
        {
            var (from, to) = (start, start += s.LengthM);
            if (to <= a + 1e-9 || from >= b - 1e-9)
                continue;
            if (s.StartM != s.EndM || (first is { } f && f.KgPerM(0) != s.KgPerM(0)))
                return false;
            first ??= s;
        }
        return true;
    }

    private static List<Option> Options(int id, LineProfile p, CancellationToken stop)
    {
        stop.ThrowIfCancellationRequested();
        List<Option> all = [];
        var cuts = Places(p.LengthM).ToList();
        void Add(int cut, bool turned, IEnumerable<(double From, double To)> kept)
        {
            (double From, double To)[] different = [.. kept.Where(k => !turned || !Even(p, k.From, k.To))];
            if (different.Length > 0)
                all.Add(new(id, cut, turned, different, p));
        }
        foreach (var turned in Both)
        {
            Add(0, turned, [(0, p.LengthM)]);
            Add(1, turned, cuts.Select(m => (0.0, m)));
            // For a level piece it makes no difference which end is kept.
            if (!Even(p, 0, p.LengthM))
                Add(1, turned, cuts.Select(m => (p.LengthM - m, p.LengthM)));
        }
        return all;
    }

    private static readonly bool[] Both = [false, true];

    // Cutting both ends; on a level piece this gains nothing.
    private static IEnumerable<Option> Middles(int id, LineProfile p, CancellationToken stop) =>
        Even(p, 0, p.LengthM)
            ? []
            : from turned in Both
            from start in Enumerable.Range(1, (int)(p.LengthM / GridM)).Select(i => i * GridM)
            let goingOn = Continues(stop)
            let ends = Places(p.LengthM - start).Select(m => (start, start + m)).Where(k => !turned || !Even(p, k.start, k.Item2)).ToArray()
            where ends.Length > 0
            select new Option(id, 2, turned, ends, p);

    // A query has no statements: like the rest of the search, this throws when the search is cancelled.
    private static bool Continues(CancellationToken stop)
    {
        stop.ThrowIfCancellationRequested();
        return true;
    }

    private static IEnumerable<double> Places(double lengthM)
    {
        for (var k = (int)Math.Round(ShortestM / GridM); k * GridM < lengthM - 1e-9; k++)
            yield return k * GridM;
    }

    /// <summary>The best plans so far, one for each order of options.</summary>
    private sealed class Best(int count)
    {
        private readonly SortedList<(double Cost, string Key), CutPiece[]> kept = [];

        /// <summary>Cost a plan must not exceed to be kept.</summary>
        public double Worst { get; private set; } = double.PositiveInfinity;

        public void Add(double cost, CutPiece[] pieces)
        {
            // The same order, direction and kept ends of scraps count as one plan, whatever the exact cut.
            var key = string.Join(' ', pieces.Select(p => $"{p.ScrapId:D6}{(p.Turned ? 'b' : 'a')}{(p.FromM > 0 ? '|' : '.')}"));
            lock (kept)
            {
                if (cost > Worst)
                    return;
                if (kept.Keys.FirstOrDefault(k => k.Key == key) is { Key: not null } same)
                {
                    if (same.Cost <= cost)
                        return;
                    kept.Remove(same);
                }
                kept.Add((cost, key), pieces);
                if (kept.Count > count)
                    kept.RemoveAt(count);
                if (kept.Count == count)
                    Worst = kept.Keys[count - 1].Cost + 1e-9;
            }
        }

        public IEnumerable<CutPiece[]> Pieces() => kept.Values;
    }

    /// <summary>Counts the steps of all threads and ends the search at the limit.</summary>
    private sealed class Steps(long most, CancellationTokenSource end)
    {
        public const int AtATime = 64;

        private long taken;

        public void Take()
        {
            if (Interlocked.Add(ref taken, AtATime) > most)
                end.Cancel();
        }
    }

    /// <summary>
    /// Searches the cuts of one order of options, at most two of which vary, by halving ranges that may still hold something better.
    /// </summary>
    private sealed class Search(CutTarget target, Best best, Steps steps, CancellationToken stop)
    {
        private readonly Option[] order = new Option[3];
        private readonly int[] low = new int[3],
            high = new int[3];
        private int count,
            taken;
        private double surely;

        public void Run(Option only)
        {
            (order[0], count) = (only, 1);
            Begin(0);
        }

        public void Run(Option first, Option second)
        {
            (order[0], order[1], count) = (first, second, 2);
            Begin(CertainCost(first, second));
        }

        public void Run(Option first, Option second, Option third)
        {
            (order[0], order[1], order[2], count) = (first, second, third, 3);
            Begin(CertainCost(first, second) + CertainCost(second, third));
        }

        /// <summary>Whether three pieces beginning with these two could still be good enough.</summary>
        public bool MayBegin(Option first, Option second)
        {
            Step();
            return 2 * JointCost + CutCost * (first.Cuts + second.Cuts) + CertainCost(first, second) <= best.Worst;
        }

        // Counted many at a time, so that threads seldom contend.
        private void Step()
        {
            stop.ThrowIfCancellationRequested();
            if (++taken % Steps.AtATime == 0)
                steps.Take();
        }

        // Cost of the joint wherever the cut is.
        private static double CertainCost(Option before, Option after) =>
            before.OneReel && after.OneFly ? Between(before.Reel[0], after.Fly[0]) : 0;

        private void Begin(double joints)
        {
            Step();
            surely = JointCost * (count - 1) + joints + (order[0].OneFly && !order[0].Fly[0].Tapered ? BluntCost : 0);
            for (var i = 0; i < count; i++)
            {
                surely += CutCost * order[i].Cuts;
                (low[i], high[i]) = (0, order[i].Count - 1);
            }
            if (surely <= best.Worst && AtLeast() <= best.Worst)
                Halve();
        }

        // Lower bound: the cost of the nearest ends of the ranges.
        private double AtLeast()
        {
            double lowM = 0,
                highM = 0,
                lowKg = 0,
                highKg = 0,
                miss = 0,
                wantM = target.LengthM + OverM * (count - 1),
                wantKg = target.MassKg;
            for (var i = 0; i < count; i++)
            {
                var o = order[i];
                (lowM, highM, lowKg, highKg) = (
                    lowM + o.LengthM[low[i]],
                    highM + o.LengthM[high[i]],
                    lowKg + o.Kg[low[i]],
                    highKg + o.Kg[high[i]]
                );
                if (i > 0 || target is not { TipM: { } tipM, TipKg: { } tipKg })
                    continue;
                miss = Off(tipM + JointM, lowM, highM) / UnfeltM + Off(tipKg, lowKg, highKg) / UnfeltKg;
                (lowM, highM, lowKg, highKg, wantM, wantKg) = (0, 0, 0, 0, wantM - tipM - JointM, wantKg - tipKg);
            }
            return surely + miss + Off(wantM, lowM, highM) / UnfeltM + Off(wantKg, lowKg, highKg) / UnfeltKg;
        }

        private static double Off(double wanted, double low, double high) => Math.Max(0, Math.Max(low - wanted, wanted - high));

        // Splits the widest range, and searches the more promising half first.
        private void Halve()
        {
            Step();
            var widest = 0;
            for (var i = 1; i < count; i++)
                if (high[i] - low[i] > high[widest] - low[widest])
                    widest = i;
            var (from, to) = (low[widest], high[widest]);
            if (from == to)
            {
                Try();
                return;
            }
            var middle = (from + to) / 2;
            high[widest] = middle;
            var shorter = AtLeast();
            (low[widest], high[widest]) = (middle + 1, to);
            var longer = AtLeast();
            for (var half = 0; half < 2; half++)
            {
                var first = half == 0 == shorter <= longer;
                if ((first ? shorter : longer) > best.Worst)
                    continue;
                (low[widest], high[widest]) = first ? (from, middle) : (middle + 1, to);
                Halve();
            }
            (low[widest], high[widest]) = (from, to);
        }

        private void Try()
        {
            var cost = AtLeast() - surely + JointCost * (count - 1) + (order[0].Fly[low[0]].Tapered ? 0 : BluntCost);
            for (var i = 0; i < count; i++)
                cost += CutCost * order[i].Cuts + (i > 0 ? Between(order[i - 1].Reel[low[i - 1]], order[i].Fly[low[i]]) : 0);
            if (cost > best.Worst)
                return;
            var pieces = new CutPiece[count];
            for (var i = 0; i < count; i++)
                pieces[i] = order[i].At(low[i]);
            best.Add(cost, pieces);
        }
    }
}
