using ZingCast.Core.Trips;

namespace ZingCast.Core.Tests;

/// <summary>The best kit is the best: held against trying everything.</summary>
public class KitTests
{
    private static KitProblem Any(Random dice, int days, int rods, int lines, int reels)
    {
        var worth = new WorthTable(days, rods, lines, reels);
        for (var d = 0; d < days; d++)
        for (var r = 0; r < rods; r++)
        for (var l = 0; l < lines; l++)
            if (dice.NextDouble() < .5)
                worth.Set(d, r, l, [.. Enumerable.Range(0, reels).Select(_ => dice.NextDouble() < .2 ? 0 : dice.NextDouble())]);
        double[] weights = [.. Enumerable.Range(0, days).Select(_ => 1.0 + dice.Next(4))];
        KitPiece Piece(int spools = 1) =>
            new(.1 + .1 * dice.NextDouble(), dice.NextDouble() < .3 ? dice.Next(1, 9) : 0, dice.NextDouble() < .06, spools);
        KitPiece[] Pieces(int n, bool reel = false) => [.. Enumerable.Range(0, n).Select(_ => Piece(reel ? dice.Next(1, 3) : 1))];
        return new([.. weights.Select(w => w / weights.Sum())], Pieces(rods), Pieces(lines), Pieces(reels, true), worth);
    }

    private static IEnumerable<List<int>> Subsets(int n, int most) =>
        Enumerable
            .Range(0, 1 << n)
            .Select(bits => Enumerable.Range(0, n).Where(i => (bits & (1 << i)) != 0).ToList())
            .Where(set => set.Count <= most);

    // Every set of rods, every set of lines, every reel under every line, every reel that only has to come along.
    private static Dictionary<string, double> Everything(KitProblem p, KitLimits limits)
    {
        Dictionary<string, double> best = [];
        int[] Must(IReadOnlyList<KitPiece> pieces) => [.. Enumerable.Range(0, pieces.Count).Where(i => pieces[i].Must)];
        var (rodsTo, linesTo, reelsTo) = (Must(p.Rods), Must(p.Lines), Must(p.Reels));
        foreach (var rods in Subsets(p.Rods.Count, limits.Rods).Where(s => rodsTo.All(s.Contains)))
        foreach (var lines in Subsets(p.Lines.Count, limits.Lines).Where(s => linesTo.All(s.Contains)))
            for (var code = 0; code < Math.Pow(p.Reels.Count, lines.Count); code++)
            {
                var under = lines.Select((_, i) => (int)(code / Math.Pow(p.Reels.Count, i)) % p.Reels.Count).ToList();
                var reels = under.Concat(reelsTo).Distinct().ToList();
                if (reels.Count > limits.Reels || under.GroupBy(e => e).Any(g => g.Count() > p.Reels[g.Key].Spools))
                    continue;
                var pieces = rods.Select(r => p.Rods[r])
                    .Concat(lines.Select(l => p.Lines[l]))
                    .Concat(reels.Select(e => p.Reels[e]))
                    .ToList();
                if (pieces.Sum(x => x.MassKg) > limits.MassKg + 1e-12 || pieces.Sum(x => x.Price) > limits.Budget + 1e-12)
                    continue;
                var value = -KitProblem.LeastAdded * pieces.Count;
                for (var d = 0; d < p.Weights.Count; d++)
                    value +=
                        p.Weights[d] * rods.SelectMany(r => lines.Select((l, i) => p.Worth.On(d, r, l, under[i]))).DefaultIfEmpty(0).Max();
                var key = string.Join(',', rods);
                if (value > best.GetValueOrDefault(key, double.NegativeInfinity))
                    best[key] = value;
            }
        return best;
    }

    [Fact]
    public void The_best_kit_is_what_trying_every_kit_finds()
    {
        var nothing = 0;
        for (var seed = 1; seed <= 300; seed++)
        {
            var dice = new Random(seed);
            var p = Any(dice, dice.Next(1, 6), dice.Next(1, 6), dice.Next(1, 6), dice.Next(1, 4));
            var limits = new KitLimits(
                dice.Next(1, 4),
                dice.Next(1, 5),
                dice.Next(1, 4),
                dice.NextDouble() < .4 ? .4 + dice.NextDouble() : null,
                dice.NextDouble() < .6 ? dice.Next(0, 12) : null
            );
            var all = Everything(p, limits);
            var kits = KitSearch.Best(p, limits, 3, cancel: TestContext.Current.CancellationToken);
            if (all.Count == 0)
            {
                Assert.Empty(kits);
                nothing++;
                continue;
            }
            Assert.Equal(all.Values.Max(), kits[0].Value, 9);
            // The next best have other rods, and come to no more and no less than trying them finds.
            Assert.Equal(kits.Count, kits.Select(k => string.Join(',', k.Rods)).Distinct().Count());
            Assert.All(kits.Zip(kits.Skip(1)), pair => Assert.True(pair.First.Value >= pair.Second.Value));
            Assert.All(kits, kit => Assert.True(kit.Value <= all[string.Join(',', kit.Rods)] + 1e-9));
        }
        Assert.InRange(nothing, 1, 100);
    }

    [Fact]
    public void A_piece_that_adds_nothing_stays_at_home()
    {
        var worth = new WorthTable(2, 2, 2, 1);
        worth.Set(0, 0, 0, [.9]);
        worth.Set(1, 0, 0, [.8]);
        worth.Set(1, 1, 1, [.8]);
        var p = new KitProblem([.5, .5], [new(.1), new(.1)], [new(.03), new(.03)], [new(.15, Spools: 2)], worth);
        var kit = KitSearch.Best(p, new(2, 2, 1), cancel: TestContext.Current.CancellationToken).Single();
        Assert.Equal([0], kit.Rods);
        Assert.Equal(.85 - 3 * KitProblem.LeastAdded, kit.Value, 12);
    }

    [Fact]
    public void A_line_lies_on_one_spool_and_a_reel_has_so_many()
    {
        var worth = new WorthTable(2, 1, 2, 1);
        worth.Set(0, 0, 0, [.9]);
        worth.Set(1, 0, 1, [.6]);
        KitProblem With(int spools) => new([.5, .5], [new(.1)], [new(.03), new(.03)], [new(.15, Spools: spools)], worth);
        Assert.Single(KitSearch.Best(With(1), new(1, 2, 1), cancel: TestContext.Current.CancellationToken).Single().Wound);
        Assert.Equal(2, KitSearch.Best(With(2), new(1, 2, 1), cancel: TestContext.Current.CancellationToken).Single().Wound.Count);
    }

    [Fact]
    public void More_room_never_makes_a_worse_kit()
    {
        for (var seed = 1; seed <= 40; seed++)
        {
            var p = Any(new Random(seed), 6, 7, 8, 4);
            double? before = null;
            for (var n = 1; n <= 4; n++)
            {
                var kits = KitSearch.Best(p, new(n, n + 1, n), cancel: TestContext.Current.CancellationToken);
                var value = kits.Count > 0 ? kits[0].Value : (double?)null;
                Assert.True(value is null ? before is null : value >= (before ?? value) - 1e-9, $"{seed}, {n}");
                before = value;
            }
        }
    }

    // What is wanted more is served no worse: the kit that is best stays best or gives way to one that does that day better.
    [Fact]
    public void A_day_that_counts_for_more_is_never_served_worse()
    {
        for (var seed = 1; seed <= Explore.Times(15); seed++)
        {
            var p = Any(new Random(seed), 5, 6, 6, 3);
            double Served(double times)
            {
                double[] weights = [.. p.Weights.Select((w, d) => d == 0 ? times * w : w)];
                var kits = KitSearch.Best(
                    p with
                    {
                        Weights = [.. weights.Select(w => w / weights.Sum())],
                    },
                    new(2, 3, 2),
                    cancel: TestContext.Current.CancellationToken
                );
                return kits is [var kit, ..]
                    ? kit.Rods.SelectMany(r => kit.Wound.Select(w => p.Worth.On(0, r, w.Line, w.Reel))).DefaultIfEmpty(0).Max()
                    : 0;
            }
            // Pieces cost so little that they hardly move the balance; by less than they can, it may be worse.
            Assert.True(Served(8) >= Served(1) - .05, $"{seed}");
        }
    }

    [Fact]
    public void A_search_ends_when_nobody_waits_for_it()
    {
        using var gone = new CancellationTokenSource();
        gone.Cancel();
        Assert.Throws<OperationCanceledException>(() => KitSearch.Best(Any(new Random(1), 4, 5, 5, 3), new(2, 2, 2), cancel: gone.Token));
    }

    // Steps are doubled until the search comes to its end, each time from what was found; any look at it between is honest.
    [Fact]
    public void Broken_off_it_has_a_kit_and_says_how_much_better_one_can_be_at_most()
    {
        var (brokenOff, loose) = (0, 0);
        for (var seed = 1; seed <= 120; seed++)
        {
            var dice = new Random(seed);
            var p = Any(dice, dice.Next(2, 7), dice.Next(2, 9), dice.Next(2, 9), dice.Next(1, 5));
            var limits = new KitLimits(dice.Next(1, 4), dice.Next(1, 5), dice.Next(1, 4));
            var best = KitSearch.Best(p, limits, 2, cancel: TestContext.Current.CancellationToken);
            if (best.Count == 0)
                continue;
            IReadOnlyList<Kit> known = [];
            KitSearch.Found found;
            for (long steps = 1; ; steps *= 2)
            {
                found = KitSearch.Within(p, limits, 2, known, steps, TestContext.Current.CancellationToken);
                Assert.True(found.AtMost >= best[0].Value - 1e-12, $"{seed}: {found.AtMost} of {best[0].Value}");
                Assert.All(found.Kits, k => Assert.True(k.Value <= best[0].Value + 1e-12));
                // What was known is not lost again.
                if (known.Count > 0)
                    Assert.True(found.Kits[0].Value >= known[0].Value - 1e-12);
                known = found.Kits;
                if (found.Done)
                    break;
                brokenOff++;
                loose += found.AtMost > best[0].Value + 1e-9 ? 1 : 0;
            }
            Assert.Equal(best[0].Value, found.Kits[0].Value, 9);
            Assert.Equal(found.Kits[0].Value, found.AtMost, 12);
        }
        Assert.True(brokenOff > 300 && loose > 100, $"{brokenOff}, {loose}");
    }

    // Reels of one make are told apart by nobody: however many there are, the kit is worth what trying every one of them finds.
    [Fact]
    public void Equal_reels_and_lines_of_one_row_serve_as_if_each_had_been_looked_at()
    {
        for (var seed = 1; seed <= Explore.Times(15); seed++)
        {
            var dice = new Random(seed);
            var one = Any(dice, 4, 3, 3, 2);
            int[] lineRows = [0, 0, 1, 2],
                reelRows = [0, 0, 1, 1, 1];
            var shared = new WorthTable(4, [0, 1, 2], lineRows, reelRows);
            var apart = new WorthTable(4, 3, 4, 5);
            for (var d = 0; d < 4; d++)
            for (var r = 0; r < 3; r++)
            {
                foreach (var l in new[] { 0, 2, 3 })
                    shared.Set(d, r, l, [.. Enumerable.Range(0, 2).Select(e => one.Worth.On(d, r, lineRows[l], e))]);
                for (var l = 0; l < 4; l++)
                    apart.Set(d, r, l, [.. reelRows.Select(e => one.Worth.On(d, r, lineRows[l], e))]);
            }
            KitProblem With(WorthTable worth) =>
                new(
                    one.Weights,
                    [.. one.Rods.Select(r => r with { Must = false })],
                    [.. lineRows.Select(l => one.Lines[l] with { Must = false })],
                    [.. reelRows.Select(e => one.Reels[e] with { Must = false })],
                    worth
                );
            var limits = new KitLimits(2, 3, 3);
            double? Best(WorthTable worth) =>
                KitSearch.Best(With(worth), limits, cancel: TestContext.Current.CancellationToken) is [var kit, ..] ? kit.Value : null;
            Assert.Equal(Best(apart), Best(shared));
            Assert.Equal(Everything(With(apart), limits).Values.DefaultIfEmpty().Max(), Best(shared) ?? 0, 9);
        }
    }

    [Fact]
    public void What_is_worth_most_is_offered_first_to_be_looked_at_and_only_once()
    {
        var worth = new WorthTable(1, 2, 2, 1);
        worth.Expect(0, 0, 0, .6);
        worth.Expect(0, 0, 1, .9);
        worth.Expect(0, 1, 1, .7);
        Assert.Equal([(0, 1), (1, 1), (0, 0)], worth.Promising(0).Select(p => (p.RodRow, p.LineRow)));
        Assert.True(worth.Knows(0, 1, 0) && !worth.Knows(0, 0, 1));
        worth.Set(0, 0, 1, [.2]);
        Assert.Equal([.7, .6], worth.Promising(0).Select(p => p.AtMost));
        Assert.Equal(.2, worth.On(0, 0, 1, 0));
        Assert.Equal(1, worth.Known);
    }
}
