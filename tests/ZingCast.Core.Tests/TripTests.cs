using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Core.Trips;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

/// <summary>What to own and what to take, from the same engine that answers a brief.</summary>
public class TripTests
{
    private static readonly GearShed Loan = AnyBrief.Loan;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static readonly TripDay[] Days = [.. DemoGear.Briefs.Select(b => new TripDay(b.Name, Brief.Complete(b.Draft)))];

    private static readonly TripScores Scores = TripScores.For(Days, TripPool.From(Loan), Loan);

    // Looked at whole where a table of everything is asked for.
    private static TripScores Whole()
    {
        Scores.KnowAll();
        return Scores;
    }

    private static TripScores With(Func<GearShed, GearShed> change) => TripScores.For(Days, TripPool.From(change(Loan)), change(Loan));

    [Fact]
    public void On_every_reel_a_pair_scores_what_it_scores_on_that_reel_alone()
    {
        var compared = 0;
        foreach (var (draft, _, _) in AnyBrief.Many(Explore.Times(10), 7))
        {
            var session = Matcher.For(Brief.Complete(draft), Loan, cancel: Cancel);
            foreach (var (rod, line) in Loan.Rods.Where(r => r.Class is not null).SelectMany(r => Loan.Lines.Select(l => (r, l))))
            {
                if (session.Scores(rod, line, Loan.Reels) is not { } scores)
                    continue;
                for (var e = compared % 3; e < scores.Count; e += 3, compared++)
                {
                    var alone = session.Score(rod, line, Loan.Reels[e]);
                    Assert.Equal(alone.Cost, scores[e].Cost, 9);
                    Assert.Equal(alone.Verdicts, scores[e].Verdicts);
                }
            }
        }
        Assert.True(compared > 200, $"{compared}");
    }

    [Fact]
    public void The_picture_says_of_every_outfit_what_the_engine_says()
    {
        var plan = TripPlan.For(Scores, new());
        for (var d = 0; d < Days.Length; d++)
            foreach (var (outfit, cell) in plan.Coverage.Outfits.Zip(plan.Coverage.Days[d].Cells).Where(x => x.Second is not null))
            {
                var score = Matcher
                    .For(Days[d].Brief, Loan, cancel: Cancel)
                    .Score(
                        Loan.Rods.Single(r => r.Id == outfit.Rod.Id),
                        Loan.Lines.Single(l => l.Id == outfit.Line.Id),
                        Loan.Reels.Single(r => r.Id == outfit.Reel.Id)
                    );
                Assert.Equal(score.Verdicts.Max(), cell!.Verdict);
                Assert.Equal(DayWorth.For(score), cell.Worth, 9);
            }
        Assert.Equal(Days.Length, plan.Coverage.Days.Count(d => d.Best is not null));
    }

    // Of everything that is here the best is no worse than what the engine takes of it when it may buy nothing.
    [Fact]
    public void What_the_shed_can_do_is_no_less_than_what_a_brief_makes_of_it()
    {
        var coverage = ShedReview.From(Scores, new()).Coverage;
        for (var d = 0; d < Days.Length; d++)
        {
            var own = Matcher.For(Days[d].Brief with { Owned = Owned.Only }, Loan, cancel: Cancel).Choose();
            Assert.True(coverage.Days[d].Cells[coverage.Days[d].Best!.Value]!.Worth >= DayWorth.For(own.Score) - 1e-9);
        }
        Assert.Equal(Days.Length, coverage.Of);
    }

    [Theory]
    [InlineData(0, true, 1)]
    [InlineData(4, true, .75)]
    [InlineData(0, false, .45)]
    [InlineData(4, false, .225)]
    [InlineData(104, true, .75)]
    [InlineData(104, false, 0)]
    public void A_day_that_can_be_fished_is_worth_more_than_one_that_cannot_whatever_is_given_up(double cost, bool works, double worth)
    {
        var score = new Score(cost, [Verdict.Look, works ? Verdict.Fits : Verdict.Fails]);
        Assert.Equal(worth, DayWorth.For(score), 9);
        Assert.Equal(works, DayWorth.Serves(DayWorth.For(score)));
    }

    // The best single rod of a trip, found by trying each with everything the shed has.
    [Fact]
    public void One_rod_for_all_days_is_the_one_that_trying_each_finds()
    {
        var best = Enumerable
            .Range(0, Scores.Pool.Rods.Count)
            .Select(r =>
                (
                    Scores.Pool.Rods[r].Id,
                    Value: Enumerable
                        .Range(0, Days.Length)
                        .Average(d => Enumerable.Range(0, Scores.Pool.Lines.Count).Max(l => Whole().Worth.Best(d, r, l)))
                )
            )
            .MaxBy(x => x.Value);
        var plan = TripPlan.For(
            Scores,
            new()
            {
                Rods = 1,
                Lines = 8,
                Reels = 8,
            }
        );
        Assert.Equal(best.Id, plan.Kit!.Rods.Single().Id);
        Assert.Equal(best.Value, plan.Kit.Value, 1);
    }

    [Fact]
    public void What_is_packed_comes_along_and_a_limit_that_leaves_no_room_says_so()
    {
        var held = new Pieces([10], [], [8]);
        var plan = TripPlan.For(Scores, new() { Rods = 3 }, held);
        Assert.Contains(plan.Kit!.Rods, r => r.Id == 10);
        Assert.Contains(plan.Costs, c => c.Limit == "held");
        var full = TripPlan.For(Scores, new() { Rods = 1 }, new([10, 1], [], []));
        Assert.Null(full.Kit);
        Assert.Contains("more than the limits allow", full.Says.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void A_rod_that_does_not_go_into_the_tube_stays_at_home()
    {
        // Three pieces of a 6¾ ft rod are 69 cm and the lap of a ferrule; two of a 9½ ft rod 1.45 m.
        var tube = new TripLimits { Rods = 3, TubeM = .75 };
        Assert.All(TripPlan.For(Scores, tube).Kit!.Rods, r => Assert.True(Loan.Rods.Single(x => x.Id == r.Id).PackedM <= .75));
    }

    [Fact]
    public void A_piece_to_mend_stays_at_home_and_says_why()
    {
        var taken = TripPlan.For(Scores, new()).Kit!.Rods[^1].Id;
        var mend = With(s => s with { Rods = [.. s.Rods.Select(r => r.Id == taken ? r with { Condition = Condition.Mend } : r)] });
        var plan = TripPlan.For(mend, new());
        Assert.DoesNotContain(plan.Kit!.Rods, r => r.Id == taken);
        Assert.Contains(plan.LeftOut, l => l.Says.ToString().Contains("mended first", StringComparison.Ordinal));
    }

    [Fact]
    public void Nothing_is_bought_without_money_and_nothing_to_buy_ever_fits()
    {
        var pool = TripPool.From(GearShed.Empty).AndToBuy(Days, GearShed.Empty, Cancel);
        var scores = TripScores.For(Days, pool, GearShed.Empty, Cancel);
        Assert.Empty(TripPlan.For(scores, new()).Kit!.Rods);
        var rich = TripPlan.For(scores, new() { Rods = 3, Budget = 2000 });
        Assert.NotEmpty(rich.Kit!.Rods);
        Assert.All(rich.Kit.Rods.Concat(rich.Kit.Lines).Concat(rich.Kit.Reels), p => Assert.True(p.ToBuy));
        Assert.InRange(rich.Kit.Price, 1, 2000);
        Assert.All(
            rich.Coverage.Days.SelectMany(d => d.Cells).OfType<TripCell>(),
            c => Assert.True(c.Verdict is Verdict.ToBuy or Verdict.Fails)
        );
        // One of each and no more is what this much buys.
        Assert.Equal(380, TripPlan.For(scores, new() { Rods = 3, Budget = 400 }).Kit!.Price);
    }

    // What a toothed fish bites through is tied with a guard, and a leader without one does not stand in for it.
    [Fact]
    public void Leaders_with_a_guard_and_without_are_packed_apart()
    {
        TripDay Day(string fish) =>
            new(
                fish,
                Brief.Complete(
                    new()
                    {
                        Species = fish,
                        FlyKind = "baitfish",
                        HookSize = 0,
                        DistanceM = 17,
                    }
                )
            );
        var days = Fishes.All.Select(f => Day(f.Id)).ToList();
        var leaders = days.Select(d => Matcher.Solve(d.Brief, Loan, cancel: Cancel).Outfit.Leader).ToList();
        bool Alike(Leader a, Leader b) => Math.Abs(a.LengthM - b.LengthM) < .15 && Math.Abs(a.TippetM - b.TippetM) < .01e-3;
        var (i, j) = (
            from a in Enumerable.Range(0, days.Count)
            from b in Enumerable.Range(0, days.Count)
            where leaders[a].GuardM == 0 && leaders[b].GuardM > 0 && Alike(leaders[a], leaders[b])
            select (a, b)
        ).First();
        TripDay[] both = [days[i], days[j]];
        var scores = TripScores.For(both, TripPool.From(Loan), Loan, Cancel);
        var list = PackingList.For(scores, TripPlan.For(scores, new()), new DateOnly(2027, 5, 8));
        var packed = list.Groups.Single(g => g.Name == "Leaders").Items.Select(l => l.Says.ToString()).ToList();
        Assert.Single(packed, l => l.Contains("bite guard", StringComparison.Ordinal));
        Assert.Single(packed, l => !l.Contains("bite guard", StringComparison.Ordinal));
    }

    [Fact]
    public void The_packing_list_winds_every_line_and_counts_back_from_the_day_of_leaving()
    {
        var plan = TripPlan.For(Scores, new());
        var list = PackingList.For(Scores, plan, new DateOnly(2027, 5, 8));
        Assert.Equal(plan.Kit!.Lines.Select(l => l.Id).Order(), list.Spools.Select(s => s.Line.Id).Order());
        // Two reels, of which one has a spare spool in the demo: no reel carries more lines than it has spools.
        Assert.All(
            list.Spools.GroupBy(s => s.Reel.Id),
            g => Assert.True(g.Count() <= 1 + Loan.Spools.Count(s => s.ReelId == g.Key && s.IsSpare))
        );
        var keys = list.Groups.SelectMany(g => g.Items).Select(i => i.Key).ToList();
        Assert.Equal(keys.Count, keys.Distinct().Count());
        Assert.Contains("tool-eyes", keys);
        Assert.All(list.Tasks, t => Assert.Equal(new DateOnly(2027, 5, 8).AddDays(-t.Before), t.On));
        Assert.Equal(list.Tasks.Select(t => t.Before).OrderDescending(), list.Tasks.Select(t => t.Before));
        Assert.Equal(new DateOnly(2027, 5, 7), list.Tasks.Single(t => t.Key == "tie").On);
        // Seven changes for the grayling that are spooky, four for the rest (common practice, no source: six or seven, three or four).
        var flies = list.Groups.Single(g => g.Name == "Flies").Items.Select(i => i.Says.ToString()).ToList();
        Assert.Contains(flies, f => f.StartsWith("#16 hackled dry: 7 ", StringComparison.Ordinal));
        Assert.Contains(flies, f => f.Contains(": 4 patterns", StringComparison.Ordinal));
        // The tippet that is packed is the one the leaders are tied with.
        var tied = list.Tying.Leaders.SelectMany(l => l.Cuts).Select(c => c.Spool).OfType<string>().ToHashSet();
        Assert.All(
            list.Groups.Single(g => g.Name == "Tippet").Items,
            i => Assert.True(i.ToBuy || tied.Contains(i.Says.ToString().Split(',')[0]), i.Says.ToString())
        );
        // Two of every leader.
        Assert.All(list.Tying.Leaders.GroupBy(l => l.Tag), g => Assert.Equal(2, g.Count()));
    }

    [Fact]
    public void Every_cell_of_the_matrix_is_what_the_bench_of_the_line_says()
    {
        var matrix = ShedMatrix.From(Loan);
        Assert.Equal(12, matrix.Rods.Count);
        Assert.Equal(["L19"], matrix.Unknown);
        for (var l = 0; l < matrix.Lines.Count; l++)
            foreach (var suits in LineSuits.Rods(Loan.Lines.Single(x => x.Id == matrix.Lines[l].Id), Loan.Rods))
            {
                var row = matrix.Rows[matrix.Rods.Index().First(r => r.Item.Id == suits.RodId).Index];
                Assert.Equal(suits.Verdict, row.Verdicts[l]);
                Assert.Equal(suits.Load.LineRatio, row.Loads[l], .0051);
                Assert.Equal(suits.Load.Ideal, row.Ideals[l], .0051);
            }
    }

    [Fact]
    public void In_the_matrix_pairs_stand_along_the_diagonal()
    {
        var matrix = ShedMatrix.From(Loan);
        Assert.Equal(matrix.Rods.Select(r => r.Class).Order(), matrix.Rods.Select(r => r.Class));
        Assert.Equal(matrix.Lines.Select(l => l.LoadsClass).Order(), matrix.Lines.Select(l => l.LoadsClass));
        // The nearest line of each rod never stands before that of a lighter rod by more than a place or two.
        var nearest = matrix
            .Rows.Select(row => Enumerable.Range(0, matrix.Lines.Count).MinBy(l => Math.Abs(row.Loads[l] - row.Ideals[l])))
            .ToList();
        Assert.All(nearest.Zip(nearest.Skip(1)), n => Assert.True(n.Second >= n.First - 2, $"{n}"));
        // A line made for a class loads that class: true weight, an all-round head (published: AFFTA, from memory).
        var six = FlyLine.From(new(Build.WeightForward, 6, "floating"));
        Assert.InRange(LineSuits.LoadsClass(six), 5.5, 6.5);
    }

    [Fact]
    public void The_single_piece_that_opens_most_days_comes_first()
    {
        // A shed with its rods and lines and not one reel: a reel is what is missing.
        var bare = Loan with
        {
            Reels = [],
            Spools = [],
        };
        var scores = TripScores.For(Days, TripPool.From(bare).AndToBuy(Days, bare, Cancel), bare, Cancel);
        var review = ShedReview.From(scores, new());
        Assert.Equal(0, review.Coverage.Served);
        Assert.Equal(LinkId.Reel, review.Purchases[0].Kind);
        Assert.True(review.Purchases[0].Days >= 2);
        Assert.All(review.Purchases.Zip(review.Purchases.Skip(1)), p => Assert.True(p.First.Days >= p.Second.Days));
        // Nobody can pay for it: it is still said, and said to be too dear.
        Assert.All(ShedReview.From(scores, new() { Budget = 10 }).Purchases, p => Assert.False(p.Affordable));
    }

    [Fact]
    public void An_empty_shed_says_so_and_offers_no_single_piece()
    {
        var scores = TripScores.For(
            Days,
            TripPool.From(GearShed.Empty).AndToBuy(Days, GearShed.Empty, Cancel),
            GearShed.Empty,
            cancel: Cancel
        );
        var review = ShedReview.From(scores, new());
        Assert.Empty(review.Coverage.Outfits);
        Assert.Empty(review.Purchases);
        Assert.Equal("Nothing here serves any of these days", review.Says.ToString());
        Assert.NotEmpty(review.Checklist);
    }

    [Fact]
    public void What_is_ticked_off_as_packed_is_held_and_comes_out_again()
    {
        var trip = new Trip { Name = "week" }
            .Pack("rod-3", true)
            .Pack("tool-net", true);
        Assert.Equal([3], trip.Held.Rods);
        Assert.Equal(["rod-3", "tool-net"], trip.Packed);
        Assert.Empty(trip.Pack("rod-3", false).Held.Rods);
        // A piece to buy is not in the bag.
        Assert.Empty(trip.Pack("line--2", true).Held.Lines);
    }

    // A shop's wall: as many of a kind as hang there, with what nobody would be told apart by.
    private static GearShed Wall(int seed, int rods, int lines, int reels)
    {
        var dice = new Random(seed);
        return new(
            [
                .. Enumerable
                    .Range(1, rods)
                    .Select(i => new Core.Rods.Rod
                    {
                        Id = i,
                        Tag = $"R{i}",
                        Name = "rod",
                        LengthM = 2.1 + .3 * dice.Next(4),
                        PrintedClass = dice.Next(3, 11),
                        PrintedAction = (RodAction)dice.Next(3),
                        MassKg = .09,
                    }),
            ],
            [
                .. Enumerable
                    .Range(1, lines)
                    .Select(i =>
                        FlyLine.From(new(Build.WeightForward, dice.Next(3, 11), Densities.Rows[dice.Next(4)].Id)) with
                        {
                            Id = i,
                            Tag = $"L{i}",
                            Name = "line",
                            HeadM = 8.5 + dice.Next(6),
                        }
                    ),
            ],
            [
                .. Enumerable
                    .Range(1, reels)
                    .Select(i => new Core.Reels.Reel
                    {
                        Id = i,
                        Tag = $"S{i}",
                        Name = "reel",
                        ArborM = .04 + .01 * dice.Next(2),
                        RimM = .085 + .01 * dice.Next(3),
                        WidthM = .025,
                        MassKg = .12 + .04 * dice.Next(3),
                        SaltProof = dice.Next(2) == 0,
                    }),
            ]
        );
    }

    // Looking at nothing but cost and class promises at least what the cast then gives, and is no idle promise.
    [Fact]
    public void What_an_outfit_may_be_worth_is_never_less_than_what_it_is_worth()
    {
        var (kept, sum, pairs) = (0.0, 0.0, 0);
        foreach (var (draft, _, _) in AnyBrief.Many(30, 12))
        {
            TripDay[] day = [new("any", Brief.Complete(draft))];
            var (promised, exact) = (
                TripScores.For(day, TripPool.From(Loan), Loan, Cancel),
                TripScores.For(day, TripPool.From(Loan), Loan, Cancel)
            );
            exact.KnowAll();
            for (var r = 0; r < promised.Pool.Rods.Count; r++)
            for (var l = 0; l < promised.Pool.Lines.Count; l++)
            {
                var (most, its) = (promised.Worth.Best(0, r, l), exact.Worth.Best(0, r, l));
                Assert.True(most >= its - 1e-12, $"{draft.Species}: {promised.Pool.Rods[r].Tag} {promised.Pool.Lines[l].Tag} {most} {its}");
                if (its > 0)
                    (kept, sum, pairs) = (kept + its, sum + most, pairs + 1);
            }
        }
        Assert.True(pairs > 300, $"{pairs}");
        Assert.InRange(kept / sum, .6, 1);
    }

    [Theory]
    [InlineData(1, 2, 4, 2)]
    [InlineData(2, 1, 2, 1)]
    [InlineData(3, 3, 3, 3)]
    public void Looked_at_only_where_it_matters_the_kit_is_the_one_of_a_whole_table(int seed, int rods, int lines, int reels)
    {
        var shed = Wall(seed, 14, 22, 8);
        var limits = new TripLimits
        {
            Rods = rods,
            Lines = lines,
            Reels = reels,
        };
        var (some, all) = (
            TripScores.For(Days, TripPool.From(shed), shed, Cancel),
            TripScores.For(Days, TripPool.From(shed), shed, Cancel)
        );
        all.KnowAll();
        var (plan, whole) = (TripPlan.For(some, limits), TripPlan.For(all, limits));
        Assert.Equal(whole.Kit!.Value, plan.Kit!.Value, 9);
        Assert.Equal(whole.Others.Select(o => Math.Round(o.Value, 9)), plan.Others.Select(o => Math.Round(o.Value, 9)));
        Assert.Equal(whole.Rods, plan.Rods);
        Assert.Equal(whole.Costs.Select(c => (c.Limit, Math.Round(c.Gain, 9))), plan.Costs.Select(c => (c.Limit, Math.Round(c.Gain, 9))));
        Assert.True(some.Worth.Known < all.Worth.Known, $"{some.Worth.Known} of {all.Worth.Known}");
        Assert.Null(plan.Searching);
    }

    // Each word on the way holds: no better kit than it allows for, and never a worse one than the word before.
    [Fact]
    public void On_the_way_the_best_so_far_only_gets_better_and_what_may_be_better_only_less()
    {
        var shed = Wall(5, 60, 80, 20);
        List<(double Value, double AtMost)> said = [];
        var limits = new TripLimits();
        var scores = TripScores.For(Days, TripPool.From(shed), shed, Cancel);
        var plan = TripPlan.For(
            scores,
            limits,
            further: false,
            soFar: p => said.Add((p.Kit!.Value, p.Kit.Value * (1 + p.Searching!.BetterAtMost)))
        );
        Assert.True(said.Count >= 2, $"{said.Count}");
        // A kit is chosen by its worth less what its pieces have to be worth to be carried: no more than eight of them.
        const double carried = 8 * KitProblem.LeastAdded;
        Assert.All(said, s => Assert.True(s.Value <= plan.Kit!.Value + carried && s.AtMost >= plan.Kit.Value - carried, $"{s}"));
        Assert.All(said.Zip(said.Skip(1)), s => Assert.True(s.Second.Value >= s.First.Value - carried, $"{s}"));
    }

    // Ten of each hang there: what is looked at is what one of each would be, and one that is packed already is the one that comes.
    [Fact]
    public void Equal_pieces_are_looked_at_once_and_the_one_in_the_bag_comes_along()
    {
        var one = Wall(3, 6, 10, 4);
        GearShed Ten() =>
            new(
                [
                    .. Enumerable
                        .Range(0, 10)
                        .SelectMany(n => one.Rods.Select(r => r with { Id = r.Id + 100 * n, Tag = $"{r.Tag}x{n}", Price = n })),
                ],
                [.. Enumerable.Range(0, 10).SelectMany(n => one.Lines.Select(l => l with { Id = l.Id + 100 * n, Owner = $"{n}" }))],
                [.. Enumerable.Range(0, 10).SelectMany(n => one.Reels.Select(e => e with { Id = e.Id + 100 * n, Note = $"{n}" }))]
            );
        var ten = Ten();
        var (single, many) = (TripScores.For(Days, TripPool.From(one), one, Cancel), TripScores.For(Days, TripPool.From(ten), ten, Cancel));
        single.KnowAll();
        many.KnowAll();
        Assert.Equal(single.Worth.Known, many.Worth.Known);
        var (a, b) = (TripPlan.For(single, new()), TripPlan.For(many, new()));
        // Ten equal reels carry more lines than one does.
        Assert.True(b.Kit!.Value >= a.Kit!.Value - 1e-9);
        Assert.Equal(b.Kit.Rods.Count, b.Kit.Rods.Select(r => r.Tag.Split('x')[0]).Distinct().Count());
        Assert.All(b.Others, o => Assert.NotEqual(b.Kit.Rods.Select(r => r.Tag.Split('x')[0]), o.Rods.Select(r => r.Tag.Split('x')[0])));
        var held = b.Kit.Rods[0].Id % 100 + 700;
        var packed = TripPlan.For(many, new(), new([held], [], []));
        Assert.Contains(packed.Kit!.Rods, r => r.Id == held);
        Assert.DoesNotContain(packed.Kit.Rods, r => r.Id == b.Kit.Rods[0].Id);
        Assert.Equal(b.Kit.Value, packed.Kit.Value, 9);
    }

    [Fact]
    public void What_the_shed_can_do_is_said_on_the_way_and_ends_as_if_it_had_been_looked_at_whole()
    {
        var shed = Wall(8, 40, 60, 10);
        var pool = TripPool.From(shed).AndToBuy(Days, shed, Cancel);
        List<ShedReview> said = [];
        var review = ShedReview.From(TripScores.For(Days, pool, shed, Cancel), new(), said.Add);
        var whole = TripScores.For(Days, pool, shed, Cancel);
        whole.KnowAll();
        var exact = ShedReview.From(whole, new());
        Assert.Equal(
            exact.Coverage.Days.Select(d => d.Cells[d.Best!.Value]!.Worth),
            review.Coverage.Days.Select(d => d.Cells[d.Best!.Value]!.Worth)
        );
        Assert.Equal(exact.Purchases.Select(p => (p.Kind, p.Days, p.Gain)), review.Purchases.Select(p => (p.Kind, p.Days, p.Gain)));
        Assert.NotEmpty(said);
        Assert.All(said, s => Assert.True(s.Searching!.BetterAtMost >= 0));
    }
}
