using ZingCast.Core.Briefs;
using ZingCast.Core.Flies;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

/// <summary>Days with the band that experienced people would accept. Common practice, no source; generous on purpose.</summary>
public class JudgementTests
{
    private static Solution Solve(BriefDraft draft, GearShed? shed = null) => Matcher.Solve(Brief.Complete(draft), shed ?? GearShed.Empty);

    private static double Chance(Solution solution) =>
        Doubt.Chance(solution.Outfit.ReachM.Value, solution.Outfit.ReachM.PlusMinus!.Value, solution.Brief.DistanceM);

    private static BriefDraft Day(string fly, int hook, string fish, double metres) =>
        new()
        {
            FlyKind = fly,
            HookSize = hook,
            Species = fish,
            DistanceM = metres,
        };

    private sealed record Band(
        Spread Class,
        string[] Densities,
        Spread LeaderFt,
        Spread Pounds,
        Spread? RodFt = null,
        double BackingM = 0,
        string? Caster = null
    );

    private static readonly string[] Floating = ["floating"],
        Slow = ["floating", "hover", "intermediate"],
        Below = ["intermediate", "type2"],
        Fast = ["type3", "type4", "type5", "type6"];

    // A tippet by its X number, as the pounds such nylon breaks at.
    private static Spread X(double fine, double thick) =>
        new(
            Tippets.StrengthN(Tippets.DiameterOfX(fine)) / Exact.PoundForceN - .01,
            Tippets.StrengthN(Tippets.DiameterOfX(thick)) / Exact.PoundForceN + .01
        );

    private static readonly IReadOnlyList<(string Name, BriefDraft Day, Band Band)> Days =
    [
        (
            "#18 dry, wary river trout, calm, skilled",
            Day("dry", 18, "river-trout", 9) with
            {
                WindMps = 0,
                Wariness = Wariness.Spooky,
                Caster = "skilled",
            },
            new(new(2, 4.5), Floating, new(9, 15), X(6, 5))
        ),
        (
            "#14 dry, small stream, branches",
            Day("dry", 14, "brook-trout", 7) with
            {
                Water = Water.SmallStream,
                Cover = Cover.Canopy,
            },
            new(new(2, 4), Floating, new(6, 8), X(5, 4), new(6, 7.25))
        ),
        (
            "#16 dry, grayling, a breeze in the face",
            Day("dry", 16, "grayling", 10) with
            {
                WindMps = 4,
            },
            new(new(3, 4.5), Floating, new(8, 11), X(6, 5))
        ),
        (
            "#12 beaded nymph, 1.5 m",
            Day("beaded-nymph", 12, "river-trout", 10) with
            {
                CurrentMps = .6,
                DepthM = 1.5,
            },
            new(new(3.5, 5.5), Floating, new(8.5, 12), X(4, 3), new(9, 10))
        ),
        (
            "the same, 1.6 m",
            Day("beaded-nymph", 12, "river-trout", 10) with
            {
                CurrentMps = .6,
                DepthM = 1.6,
            },
            new(new(3.5, 5.5), Floating, new(8.5, 12), X(4, 3), new(9, 10))
        ),
        (
            "the same led close",
            Day("beaded-nymph", 12, "river-trout", 7) with
            {
                CurrentMps = .6,
                DepthM = 1.5,
            },
            new(new(2, 4), Floating, new(14, 25), X(6, 5), new(10, 12))
        ),
        ("two-nymph rig", Day("nymph-rig", 12, "river-trout", 9), new(new(4, 6), Floating, new(8, 11), X(5, 3))),
        (
            "#10 slim streamer, lake trout, 12 kn in the face",
            Day("slim-streamer", 10, "lake-trout", 15) with
            {
                WindMps = 12 * Exact.KnotMps,
            },
            new(new(6, 7.5), Slow, new(7, 10), X(3, 1))
        ),
        (
            "#8 slim streamer, 3.0 m",
            Day("slim-streamer", 8, "lake-trout", 15) with
            {
                DepthM = 3,
            },
            new(new(5.5, 7.5), Below, new(4, 8), X(3, 1))
        ),
        ("the same, 3.1 m", Day("slim-streamer", 8, "lake-trout", 15) with { DepthM = 3.1 }, new(new(5.5, 7.5), Below, new(4, 8), X(3, 1))),
        (
            "#8 slim streamer, 6 m deep, boat",
            Day("slim-streamer", 8, "lake-trout", 15) with
            {
                DepthM = 6,
                Stance = Stance.Boat,
            },
            new(new(6, 8), Fast, new(3, 6), X(3, 1))
        ),
        (
            "#6 slim streamer, perch, 2 m",
            Day("slim-streamer", 6, "perch", 12) with
            {
                DepthM = 2,
            },
            new(new(4, 6.5), Below, new(5, 9), X(3, 1))
        ),
        (
            "#6 shrimp, wary bonefish, 15 kn across",
            Day("shrimp-crab", 6, "bonefish", 20) with
            {
                FishKg = 2,
                WindMps = 15 * Exact.KnotMps,
                WindFromDeg = 90,
                Wariness = Wariness.Spooky,
            },
            new(new(7, 8.5), Floating, new(9, 14), new(8, 14), BackingM: 180)
        ),
        (
            "#1 crab, permit, 6 m/s",
            Day("shrimp-crab", 1, "permit", 25) with
            {
                WindMps = 6,
            },
            new(new(9, 10.5), Floating, new(9, 12), new(14, 22), BackingM: 200)
        ),
        (
            "1/0 sparse baitfish, sea bass, front left",
            Day("baitfish", 0, "sea-bass", 17) with
            {
                WindMps = 8 * Exact.KnotMps,
                WindFromDeg = 315,
            },
            new(new(7, 8.5), ["intermediate"], new(5, 9), new(12, 20))
        ),
        (
            "1/0 baitfish, school striped bass, surf",
            Day("baitfish", 0, "striped-bass", 22) with
            {
                WindMps = 6,
            },
            new(new(8, 9.5), ["intermediate"], new(5, 8), new(14, 22), BackingM: 150)
        ),
        (
            "4/0 bulky, pike, 6 m/s in the face",
            Day("predator", -3, "pike", 18) with
            {
                FishKg = 5,
                WindMps = 6,
            },
            new(new(9, 10.5), Slow, new(4, 7.5), new(20, 35), BackingM: 60)
        ),
        (
            "giant of 30 cm, giant esox, calm",
            new()
            {
                FlyKind = "giant",
                FlyLengthM = .30,
                Species = "giant-esox",
                DistanceM = 15,
                WindMps = 0,
            },
            new(new(10, 12), Slow, new(3, 7), new(30, 50))
        ),
        (
            "#6 streamer, sea trout",
            Day("slim-streamer", 6, "sea-trout", 16) with
            {
                FishKg = 2,
            },
            new(new(6, 7.5), Slow, new(7, 10), new(8, 12))
        ),
        (
            "#8 wet, salmon, strong current",
            Day("slim-streamer", 8, "salmon", 20) with
            {
                FishKg = 9,
                CurrentMps = 1.2,
            },
            new(new(8, 10), Slow, new(8, 11), new(12, 18))
        ),
        (
            "#8 crab, wary carp of 7 kg",
            Day("shrimp-crab", 8, "carp", 10) with
            {
                FishKg = 7,
                Wariness = Wariness.Spooky,
            },
            new(new(6.5, 8), Floating, new(9, 13), new(8, 12))
        ),
        ("#2 popper, black bass", Day("hair-bug", 2, "black-bass", 15), new(new(6, 8), Floating, new(6, 9), new(10, 16))),
        (
            "#2 streamer, coho",
            Day("slim-streamer", 2, "coho", 18) with
            {
                CurrentMps = .8,
            },
            new(new(7.5, 8.5), ["intermediate", "type2", "type3"], new(4, 9), new(10, 16))
        ),
        (
            "baitfish, bonito, boat",
            Day("baitfish", 2, "bonito", 22) with
            {
                FishKg = 3.5,
                Stance = Stance.Boat,
            },
            new(new(8, 9), ["intermediate"], new(6, 9), new(12, 20), BackingM: 230)
        ),
        ("baitfish, snook of 6 kg", Day("baitfish", 0, "snook", 17) with { FishKg = 6 }, new(new(8, 9.5), Slow, new(7, 10), new(14, 25))),
        (
            "3/0, big tarpon",
            Day("baitfish", -2, "big-tarpon", 18) with
            {
                FishKg = 40,
            },
            new(new(11, 12.5), Slow, new(8, 12), new(16, 25), BackingM: 275)
        ),
        (
            "learner, #8 bugger, trout",
            Day("slim-streamer", 8, "river-trout", 10) with
            {
                WindMps = 4,
                Caster = "learner",
            },
            new(new(5, 6.5), Floating, new(7, 9), X(3, 2))
        ),
    ];

    public static TheoryData<string> Names => [.. Days.Select(d => d.Name)];

    [Theory]
    [MemberData(nameof(Names))]
    public void A_day_is_answered_as_experienced_people_would(string name)
    {
        var (_, day, band) = Days.Single(d => d.Name == name);
        var solution = Solve(day);
        var outfit = solution.Outfit;
        Assert.InRange(solution.Class.Target, band.Class.Low, band.Class.High);
        Assert.Contains(outfit.Line.Density, band.Densities);
        Assert.InRange(outfit.Leader.LengthM / Exact.FootM, band.LeaderFt.Low - .01, band.LeaderFt.High + .01);
        Assert.InRange(Tippets.StrengthN(outfit.Leader.TippetM) / Exact.PoundForceN, band.Pounds.Low, band.Pounds.High);
        Assert.True(outfit.BackingM >= band.BackingM);
        if (band.RodFt is { } rod)
            Assert.InRange(outfit.Rod.LengthM / Exact.FootM, rod.Low, rod.High + .01);
        // What two of ten do not reach fails, and nothing that fails is called an answer.
        Assert.Equal(Chance(solution) < .2, solution.Chain[^1].Verdict == Verdict.Fails);
    }

    [Fact]
    public void In_a_gale_or_at_forty_metres_the_class_stays_on_the_rung_and_the_hand_fails_with_what_is_missing()
    {
        var gale = Solve(new() { Species = "sea-bass", WindMps = 16 });
        Assert.InRange(gale.Class.Target, 7.5, 9.5);
        var far = Solve(
            new()
            {
                Species = "lake-trout",
                DistanceM = 40,
                Caster = "learner",
            }
        );
        Assert.InRange(far.Class.Target, 4, 6.5);
        Assert.All(
            [gale, far],
            s =>
            {
                Assert.Equal(Verdict.Fails, s.Chain[^1].Verdict);
                Assert.Contains(s.Brief.Gale ? "wait" : "short", s.Chain[^1].Why.ToString(), StringComparison.Ordinal);
                Assert.DoesNotContain(s.Ledger, step => step.Says.ToString().Contains("go smaller", StringComparison.Ordinal));
            }
        );
    }

    [Fact]
    public void An_expert_is_shown_a_cast_for_a_fish_at_six_metres_and_wind_from_behind_asks_for_no_more_rod()
    {
        Assert.InRange(Solve(new() { DistanceM = 6, Caster = "expert" }).Outfit.Cast!.Value.ReachM, 5, 7);
        BriefDraft bass = new() { Species = "sea-bass" };
        Solution Behind(double mps) => Solve(bass with { WindMps = mps, WindFromDeg = 180 });
        var calm = Behind(0);
        Assert.True(Behind(6).Class.Target <= calm.Class.Target);
        Assert.Equal(calm.Outfit.Leader.LengthM, Behind(6).Outfit.Leader.LengthM);
        // From eight on the back cast meets as much as the forward cast gains.
        Assert.True(Behind(10).Class.Target >= calm.Class.Target);
    }

    public static TheoryData<string, string> Anglers =>
        [
            .. from fish in new[] { "grayling", "river-trout", "lake-trout", "sea-bass", "pike", "bonefish" }
            from who in new[] { "learner", "club", "skilled" }
            select (fish, who),
        ];

    [Theory]
    [MemberData(nameof(Anglers))]
    public void Class_rises_with_wind_and_distance_without_jumps(string fish, string who)
    {
        BriefDraft day = new()
        {
            Species = fish,
            Caster = who,
            WindFromDeg = 0,
        };
        NoJump(Enumerable.Range(0, 25).Select(i => day with { WindMps = .5 * i }));
        NoJump(Enumerable.Range(5, 24).Select(i => day with { DistanceM = i }));

        static void NoJump(IEnumerable<BriefDraft> days)
        {
            var classes = days.Select(d => Solve(d).Class.Target).ToList();
            Assert.All(classes.Zip(classes.Skip(1)), pair => Assert.InRange(pair.Second - pair.First, -.25, .75));
        }
    }

    [Theory]
    [InlineData("baitfish")]
    [InlineData("slim-streamer")]
    [InlineData("beaded-nymph")]
    [InlineData("predator")]
    public void Class_rises_with_the_fly_without_jumps(string family)
    {
        var kind = FlyKinds.Find(family)!;
        var hooks = Enumerable
            .Range(kind.Large.Number, kind.Small.Number - kind.Large.Number + 1)
            .Reverse()
            .Where(h => h <= 4 || h % 2 == 0);
        var classes = hooks.Select(h => Solve(Day(family, h, "perch", 14)).Class.Target).ToList();
        Assert.All(classes.Zip(classes.Skip(1)), pair => Assert.InRange(pair.Second - pair.First, -.25, .75));
    }

    [Theory]
    [InlineData("lake-trout")]
    [InlineData("sea-bass")]
    [InlineData("coho")]
    [InlineData("grayling")]
    public void A_notch_of_depth_is_one_step_of_density_and_two_feet_of_leader_at_most(string fish)
    {
        var outfits = Enumerable
            .Range(0, 80)
            .Select(i =>
                Solve(
                    new()
                    {
                        Species = fish,
                        FlyKind = "slim-streamer",
                        DepthM = .1 * i,
                    }
                ).Outfit
            )
            .ToList();
        Assert.All(
            outfits.Zip(outfits.Skip(1)),
            pair =>
            {
                Assert.InRange(Densities.Rank(pair.Second.Line.Density) - Densities.Rank(pair.First.Line.Density), 0, 1);
                Assert.InRange((pair.First.Leader.LengthM - pair.Second.Leader.LengthM) / Exact.FootM, -.01, 2.01);
            }
        );
    }

    [Fact]
    public void A_usual_day_is_known_for_every_fish_and_one_word_gives_a_day_that_works_or_says_what_is_missing() =>
        Assert.All(
            Fishes.All,
            fish =>
            {
                var solution = Solve(new() { Species = fish.Id });
                Assert.DoesNotContain(
                    solution.Chain,
                    l => l is { Verdict: Verdict.Fails, Id: LinkId.Tippet or LinkId.Leader or LinkId.Head or LinkId.Rod or LinkId.Reel }
                );
                Assert.InRange(solution.Class.Target, solution.Class.Floor, Math.Max(solution.Class.Floor, 12.5));
            }
        );

    // A nine-foot six and a weight-forward six on a reel that holds it: what most people own.
    private static readonly GearShed Two = new(
        [
            new()
            {
                Id = 1,
                Tag = "R1",
                Name = "nine foot six",
                LengthM = 9 * Exact.FootM,
                PrintedClass = 6,
                MassKg = .095,
            },
        ],
        [
            new()
            {
                Id = 1,
                Tag = "L1",
                Name = "floating six",
                PrintedClass = 6,
                LengthM = 30,
                HeadM = 12,
            },
        ],
        [DemoGear.Shed().Reels.Single(r => r.Tag == "S3")]
    );

    [Fact]
    public void Who_owns_a_six_and_a_line_is_told_how_far_it_comes_before_what_to_buy()
    {
        BriefDraft bass = new()
        {
            Species = "sea-bass",
            WindMps = 3,
            DistanceM = 18,
        };
        var first = Solve(bass, Two);
        var own = Assert.IsType<OwnOutfit>(first.Own);
        Assert.Equal(("R1", "L1"), (own.Rod, own.Line));
        Assert.Contains("wanted", own.Says.ToString(), StringComparison.Ordinal);
        Assert.Contains(first.Chain, l => l.Verdict == Verdict.ToBuy);

        var only = Solve(bass with { Owned = Owned.Only }, Two);
        Assert.Equal(("R1", "L1", "S3"), (only.Outfit.Rod.Tag, only.Outfit.Line.Tag, only.Outfit.Reel.Tag));
        Assert.Null(only.Own);
        Assert.Equal(own.Reach.Value, only.Outfit.ReachM.Value, 9);

        var any = Solve(bass with { Owned = Owned.Any }, Two);
        Assert.Equal(
            [LinkId.Head, LinkId.Running, LinkId.Reel, LinkId.Rod],
            any.Chain.Where(l => l.Verdict is Verdict.ToBuy or Verdict.Fails && l.Id != LinkId.Hand).Select(l => l.Id)
        );
    }

    [Fact]
    public void Own_gear_is_taken_while_nothing_fails_and_kept_where_nothing_to_buy_would_help()
    {
        var easy = Solve(new() { Species = "river-trout" }, Two);
        Assert.Equal((1, 1, null), (easy.Outfit.Rod.Id, easy.Outfit.Line.Id, easy.Own));
        Assert.DoesNotContain(easy.Chain, l => l.Verdict is Verdict.ToBuy or Verdict.Fails);
        var gale = Solve(
            new()
            {
                Species = "river-trout",
                WindMps = 25,
                DistanceM = 25,
            },
            Two
        );
        Assert.Equal((1, null), (gale.Outfit.Rod.Id, gale.Own));
    }

    [Fact]
    public void A_fly_measured_by_length_is_as_bulky_as_it_is_long()
    {
        double Area(double? length) => Brief.Complete(new() { FlyKind = "giant", FlyLengthM = length }).Fly.AreaM2;
        Assert.Equal(10e-4, Area(.30), 1e-6);
        Assert.True(Area(.25) < Area(.30) && Area(.35) < Area(.40));
        Assert.Equal(.30, Brief.Complete(new() { FlyKind = "giant", FlyLengthM = .30 }).Fly.BodyM);
        Assert.Contains(Brief.Check(new() { FlyLengthM = 2 }), p => p.Field == "flyLengthM");
    }
}
