using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

/// <summary>Answers that a guide would stand behind. Common practice, no source, unless said otherwise.</summary>
public class GuideTests
{
    private static Solution Solve(BriefDraft draft, Pins? pins = null) =>
        Matcher.Solve(Brief.Complete(draft with { Owned = Owned.Any }), GearShed.Empty, pins);

    private static Verdict Hand(Solution solution) => solution.Chain[^1].Verdict;

    public static TheoryData<string> Casters => ["learner", "club", "skilled"];

    [Theory]
    [MemberData(nameof(Casters))]
    public void The_usual_day_of_every_fish_can_be_fished_with_gear_bought_for_it(string who)
    {
        var looks = 0;
        foreach (var fish in Fishes.All)
        {
            var solution = Solve(new() { Species = fish.Id, Caster = who });
            Assert.DoesNotContain(solution.Chain, l => l.Verdict == Verdict.Fails);
            looks += solution.Chain.Any(l => l.Verdict == Verdict.Look) ? 1 : 0;
        }
        // Nearly all of them without a remark; a learner strains on some.
        Assert.InRange(looks, 0, who == "learner" ? 12 : 4);
    }

    [Fact]
    public void Water_wants_the_coating_and_the_density_that_people_take_there()
    {
        Assert.Contains(Solve(new() { Species = "permit" }).Outfit.Line.Coating, new[] { "warm", "tropical" });
        Assert.Equal("cold", Solve(new() { Species = "steelhead" }).Outfit.Line.Coating);
        var midge = new BriefDraft
        {
            Species = "river-trout",
            FlyKind = "midge",
            HookSize = 20,
            Wariness = Wariness.Spooky,
        };
        Assert.Equal("floating", Solve(midge).Outfit.Line.Density);
        Assert.Equal("floating", Solve(midge with { Water = Water.Stillwater }).Outfit.Line.Density);
    }

    // The trade's bands for fish and sizes that are no usual ones.
    [Theory]
    [InlineData("mullet", null, 5, 7)]
    [InlineData("char", 4.0, 6, 8)]
    [InlineData("striped-bass", 15.0, 9, 10)]
    [InlineData("small-trevally", null, 8, 9)]
    [InlineData("trevally", null, 11, 12)]
    [InlineData("bluewater", null, 12, 15)]
    public void A_fish_asks_for_the_rod_that_its_size_wants(string fish, double? kg, double low, double high) =>
        Assert.InRange(Solve(new() { Species = fish, FishKg = kg }).Class.Target, low, high);

    [Theory]
    [MemberData(nameof(Casters))]
    public void Under_branches_and_for_small_trout_nobody_swings_a_heavy_rod(string who)
    {
        BriefDraft stream = new() { Species = "brook-trout", Caster = who };
        Assert.InRange(Solve(stream).Class.Target, 2, 4);
        Assert.InRange(Solve(stream with { DistanceM = 5 }).Class.Target, 2, 4);
        Assert.InRange(Solve(stream with { Cover = Cover.Canopy }).Class.Target, 2, 3);
        Assert.InRange(
            Solve(
                new()
                {
                    Species = "panfish",
                    Caster = who,
                    DistanceM = 9,
                }
            ).Class.Target,
            1,
            4.5
        );
    }

    [Fact]
    public void An_outsized_fish_is_planned_as_its_larger_kin_and_a_giant_trevally_is_held_hard()
    {
        Solution Of(string fish, double kg) => Solve(new() { Species = fish, FishKg = kg });
        var (usual, big) = (Of("char", .4), Of("char", 4));
        Assert.True(big.Outfit.BackingM > 2 * usual.Outfit.BackingM && big.Outfit.Reel.MassKg > 1.2 * usual.Outfit.Reel.MassKg);
        Assert.True(big.Outfit.Tippet.DiameterM > usual.Outfit.Tippet.DiameterM);
        // From one size to the next nothing jumps.
        var floors = Enumerable.Range(0, 40).Select(i => Of("char", .3 * Math.Pow(1.07, i)).Class.Floor).ToList();
        Assert.All(floors.Zip(floors.Skip(1)), p => Assert.InRange(p.Second - p.First, 0, .75));
        var giant = Of("trevally", 25).Outfit;
        Assert.InRange(giant.Tippet.DiameterM, .00055, .0008);
        // Its knot stands less than core and backing do.
        Assert.True(Tippets.KnottedN(giant.Tippet.DiameterM) < Math.Min(giant.Line.CoreN(), giant.Backing.StrengthN));
        Assert.Equal(.45, Of("small-trevally", 4).Outfit.Tippet.GuardM);
        Assert.Equal(.25, Of("bluefish", 3).Outfit.Tippet.GuardM);
    }

    public static TheoryData<double> Directions => [.. Enumerable.Range(0, 12).Select(i => 30.0 * i)];

    [Theory]
    [MemberData(nameof(Directions))]
    public void A_gale_is_a_gale_from_any_side(double fromDeg)
    {
        BriefDraft day = new() { Species = "sea-bass", WindFromDeg = fromDeg };
        Solution In(double mps) => Solve(day with { WindMps = mps });
        foreach (var mps in (double[])[15.1, 20, 28, 40])
            Assert.Equal(Verdict.Fails, Hand(In(mps)));
        Assert.Contains("wait", In(38.6).Chain[^1].Why.ToString(), StringComparison.Ordinal);
        // 27 knots: common practice, 25 to 30.
        Assert.Equal((Verdict.Fails, true), (Hand(In(14.1)), In(14.1).Cautions.Any(c => c.Id == "gale")));
        Assert.DoesNotContain(In(13.9).Cautions, c => c.Id == "gale");
        var calm = In(0).Outfit.ReachM.Value;
        if (Math.Cos(fromDeg * Math.PI / 180) < -.5)
            foreach (var mps in (double[])[2, 4, 6, 8])
                Assert.InRange(In(mps).Outfit.ReachM.Value, 0, 1.1 * calm);
    }

    [Fact]
    public void What_blows_across_makes_a_distance_unsure_and_a_wind_behind_costs_from_eight_on()
    {
        double Unsure(double mps, double deg)
        {
            var reach = Solve(
                new()
                {
                    Species = "sea-bass",
                    WindMps = mps,
                    WindFromDeg = deg,
                }
            ).Outfit.ReachM;
            return reach.PlusMinus!.Value / reach.Value;
        }
        Assert.True(Unsure(0, 90) < Unsure(5, 90) && Unsure(5, 90) < Unsure(10, 90));
        Assert.Equal((0, -1.4 / 2), (CastDay.Felt(0), CastDay.Felt(-4)));
        Assert.Equal(0, CastDay.Felt(-8), 9);
        Assert.Equal((3, true), (CastDay.Felt(3), CastDay.Felt(-8.2) > 0));
    }

    private static readonly (string Fish, string Fly, int Hook)[] Rigs =
    [
        ("river-trout", "dry", 14),
        ("river-trout", "midge", 20),
        ("river-trout", "nymph-rig", 12),
        ("grayling", "beaded-nymph", 12),
        ("lake-trout", "slim-streamer", 8),
        ("black-bass", "hair-bug", 2),
        ("pike", "predator", -3),
        ("giant-esox", "giant", -6),
        ("bonefish", "shrimp-crab", 6),
        ("sea-bass", "baitfish", 0),
        ("pollack", "weighted-baitfish", 0),
        ("chub", "terrestrial", 8),
    ];

    [Theory]
    [MemberData(nameof(Casters))]
    public void A_near_fish_is_cast_to_within_a_metre_or_poked_at(string who)
    {
        foreach (var (fish, fly, hook) in Rigs)
            for (var metres = 4; metres <= 8; metres++)
            {
                var solution = Solve(
                    new()
                    {
                        Species = fish,
                        FlyKind = fly,
                        HookSize = hook,
                        Caster = who,
                        DistanceM = metres,
                    }
                );
                var cast = solution.Outfit.Cast!.Value;
                if (cast.ReachM < metres - 1)
                    Assert.NotEqual(Verdict.Fits, Hand(solution));
                else
                    Assert.InRange(cast.ReachM, metres - 1, metres + 1);
                if (cast.Poked)
                    Assert.Contains("poke", solution.Chain[^1].Why.ToString(), StringComparison.Ordinal);
            }
    }

    // 430 to 535 grains in 22 to 28 ft for a giant of 12 g on a twelve; a club caster gets 12 to 16 m with it in calm, a skilled one 15 to
    // 19.
    [Theory]
    [InlineData("club", 12, 16)]
    [InlineData("skilled", 15, 20)]
    public void A_giant_goes_out_on_a_short_heavy_head(string who, double low, double high)
    {
        var solution = Solve(
            new()
            {
                Species = "giant-esox",
                FlyKind = "giant",
                FlyWetKg = .012,
                Caster = who,
                WindMps = 0,
                DistanceM = 15,
            }
        );
        Assert.InRange(solution.Class.Target, 11, 12);
        Assert.InRange(solution.Outfit.Line.MassKg!.Value / Exact.GrainKg, 430, 535);
        Assert.InRange(solution.Outfit.Line.HeadM / Exact.FootM, 22, 28);
        Assert.InRange(solution.Outfit.ReachM.Value, low, high);
        Assert.Contains(solution.Cautions, c => c is { Id: "heavy-fly", Urgent: true });
    }

    [Theory]
    [MemberData(nameof(Casters))]
    public void The_heavier_the_fly_the_heavier_the_line_and_the_reach_falls_off_no_cliff(string who)
    {
        var outfits = Enumerable
            // From 1 g to 18; a learner hardly turns over a bulk that weighs less than 2.
            .Range(who == "learner" ? 4 : 2, who == "learner" ? 33 : 35)
            .Select(i =>
                Solve(
                    new()
                    {
                        Species = "giant-esox",
                        FlyKind = "giant",
                        FlyWetKg = .0005 * i,
                        Caster = who,
                        DistanceM = 15,
                    },
                    new() { RodClass = 12 }
                ).Outfit
                    is var outfit
                    ? (Kg: .0005 * i, Outfit: outfit)
                    : default
            )
            .ToList();
        Assert.All(
            outfits.Zip(outfits.Skip(1)),
            pair =>
            {
                Assert.True(pair.Second.Outfit.Line.MassKg >= pair.First.Outfit.Line.MassKg - 1e-9);
                Assert.InRange(pair.Second.Outfit.ReachM.Value / pair.First.Outfit.ReachM.Value, .9, 1.105);
            }
        );
        // No line is lighter than the fly over 0.40 while the window allows it.
        Assert.All(outfits.Where(o => o.Outfit.Load.LineRatio < 1.59), o => Assert.True(o.Outfit.Load.LineKg * .401 >= o.Kg));
    }

    [Fact]
    public void The_chain_believes_its_own_run()
    {
        foreach (var (draft, pins, _) in AnyBrief.Many(Explore.Times(60), 23))
        {
            var solution = Matcher.Solve(Brief.Complete(draft), AnyBrief.Loan, pins, cancel: TestContext.Current.CancellationToken);
            var run = solution.Outfit.FishOn(solution.Brief).Run(watched: false);
            Verdict Of(LinkId link) => solution.Chain.Single(l => l.Id == link).Verdict;
            if (run.End == RunEnd.Spools)
                Assert.NotEqual(Verdict.Fits, Of(LinkId.Backing));
            if (run.End == RunEnd.Breaks)
                Assert.NotEqual(Verdict.Fits, Of(LinkId.Tippet));
            if (run.End == RunEnd.Stops)
                Assert.NotEqual(Verdict.Fails, Of(LinkId.Backing));
        }
    }

    // The table of usual masses, and bare 1.3 to 1.8 times the rod.
    [Fact]
    public void A_reel_to_look_for_weighs_what_such_reels_weigh()
    {
        Assert.InRange(Solve(new() { Species = "big-tarpon" }).Outfit.Reel.MassKg, .28, .34);
        Assert.InRange(Solve(new() { Species = "river-trout" }).Outfit.Reel.MassKg, .09, .15);
    }

    [Fact]
    public void A_learner_with_a_huge_fly_is_told_it_is_not_the_one_to_begin_with()
    {
        Solution With(string who, double kg) =>
            Solve(
                new()
                {
                    Species = "pike",
                    FlyWetKg = kg,
                    Caster = who,
                }
            );
        Assert.Contains(With("learner", .0031).Cautions, c => c.Id == "hard-fly");
        Assert.DoesNotContain(With("learner", .0029).Cautions, c => c.Id == "hard-fly");
        Assert.Contains(With("club", .0083).Cautions, c => c.Id == "heavy-fly");
        Assert.DoesNotContain(With("club", .0077).Cautions, c => c.Id == "heavy-fly");
    }

    [Fact]
    public void A_verdict_is_a_chance_eight_of_ten_fits_and_under_two_of_ten_fails()
    {
        BriefDraft bass = new() { Species = "sea-bass", WindFromDeg = 300 };
        foreach (var metres in Enumerable.Range(0, 120).Select(i => 12 + .1 * i))
        {
            var solution = Solve(bass with { DistanceM = metres }, new() { RodClass = 8 });
            var reach = solution.Outfit.ReachM;
            var chance = Doubt.Chance(reach.Value, reach.PlusMinus!.Value, metres);
            Assert.Equal(
                chance >= .8 ? Verdict.Fits
                    : chance >= .2 ? Verdict.Look
                    : Verdict.Fails,
                Hand(solution)
            );
        }
    }

    [Fact]
    public void What_needs_a_look_has_a_press_that_mends_it()
    {
        Link Mended(BriefDraft day, LinkId link, Func<Mend, BriefDraft> press, Pins? pins = null)
        {
            var before = Solve(day, pins).Chain.Single(l => l.Id == link);
            Assert.NotEqual(Verdict.Fits, before.Verdict);
            return Solve(press(before.Mend!)).Chain.Single(l => l.Id == link);
        }
        // One press, or two where a fish so much nearer is answered with a much lighter rod.
        var twice = 0;
        foreach (var fish in Fishes.All)
        {
            BriefDraft far = new() { Species = fish.Id, DistanceM = 24 };
            var hand = Mended(far, LinkId.Hand, m => far with { DistanceM = m.DistanceM });
            twice += hand.Verdict == Verdict.Look ? 1 : 0;
            Assert.True(
                hand.Verdict == Verdict.Fits || Hand(Solve(far with { DistanceM = hand.Mend!.DistanceM })) == Verdict.Fits,
                fish.Id
            );
        }
        Assert.InRange(twice, 0, 5);
        BriefDraft shoulder = new()
        {
            Species = "sea-bass",
            WindMps = 4,
            WindFromDeg = 80,
        };
        Assert.Equal(Verdict.Fits, Mended(shoulder, LinkId.Hand, m => shoulder with { WindFromDeg = m.WindFromDeg }).Verdict);
        var spooled = Solve(new() { Species = "carp" }, new() { BackingM = 60 }).Chain.Single(l => l.Id == LinkId.Backing);
        Assert.Equal(
            Verdict.Fits,
            Solve(new() { Species = "carp" }, new() { BackingM = spooled.Mend!.BackingM }).Chain.Single(l => l.Id == LinkId.Backing).Verdict
        );
    }

    // Short heads for big flies go to 1.60, line and fly together to 2.10; long heads and light rods stay at 1.45.
    [Fact]
    public void A_short_head_for_a_big_fly_may_weigh_more()
    {
        Assert.Equal(1.6, LineLoad.MaxFor(8, 9, .41), 9);
        Assert.Equal((1.45, 1.45), (LineLoad.MaxFor(6, 8, .5), LineLoad.MaxFor(12, 38.1 * Exact.FootM, .5)));
        Assert.Equal(1.45, LineLoad.MaxFor(12, 8, .199), 9);
        Assert.Equal(1.525, LineLoad.MaxFor(7, 8, .5), 9);
        Assert.Equal(1.525, LineLoad.MaxFor(12, 8, .30), 9);
        Assert.Equal(1.525, LineLoad.MaxFor(12, 34 * Exact.FootM, .5), 9);
        LineLoad Load(double line, double together) => new(9, .01, together, line, line, 8, 1.6);
        Assert.Equal((Verdict.Fits, Verdict.Fails), (Load(1.59, 2.09).Verdict, Load(1.61, 2.09).Verdict));
        Assert.Equal((Verdict.Fails, Verdict.Fails), (Load(1.59, 2.11).Verdict, Load(.79, .9).Verdict));
        Assert.Equal((true, false), (Load(1.3, 1.46).OneFalseCast, Load(1.3, 1.44).OneFalseCast));
    }

    // A bulky fly holds two thirds of its mass in water, a sparse one a quarter; a third of that goes in the air. From memory.
    [Fact]
    public void A_soaked_fly_sheds_water_in_the_air()
    {
        double Left(string kind) => Brief.Complete(new() { FlyKind = kind, FlyWetKg = .01 }).Fly.FlownKg / .01;
        Assert.InRange(Left("giant"), .77, .785);
        Assert.InRange(Left("baitfish"), .91, .92);
    }

    // What nobody reaches ends at these: 4¼ on small water and for small fish, three under branches; wind and bigger flies argue it up.
    [Fact]
    public void Small_water_has_a_ceiling()
    {
        double Of(BriefDraft day) => Solve(day with { Caster = "learner", DistanceM = 15, WindFromDeg = 0 }).Class.Target;
        BriefDraft dry = new() { Species = "grayling", WindMps = 2 };
        Assert.Equal(4.25, Of(dry));
        Assert.Equal(3, Of(dry with { Cover = Cover.Canopy }));
        Assert.Equal(4.25, Of(dry with { WindMps = 2.5 }));
        Assert.Equal(4.75, Of(dry with { WindMps = 4.3 }));
        BriefDraft streamer = new()
        {
            Species = "panfish",
            FlyKind = "slim-streamer",
            HookSize = 6,
            WindMps = 2,
        };
        Assert.Equal(5.25, Of(streamer));
    }

    [Fact]
    public void An_outsized_fish_is_wholly_its_larger_kin_at_half_as_much_again()
    {
        var trout = Fishes.Group("trout")!;
        Assert.Equal((3, 7), (trout.At(3).FloorLow, trout.At(4.51).FloorLow));
        Assert.InRange(trout.At(4.4).FloorLow, 6.5, 6.99);
        Assert.InRange(trout.At(3.1).FloorLow, 3.1, 3.6);
        var salmon = Fishes.Group("big-salmon")!;
        Assert.Equal((9, 7), (salmon.At(7).FloorLow, salmon.At(4.6).FloorLow));
        Assert.Equal(Mouth.Abrasive, Fishes.Group("small-tarpon")!.At(40).Mouth);
        Assert.Equal(Fishes.Group("panfish"), Fishes.Group("panfish")!.At(9));
    }

    // The class that is said for a fish, whatever the fly.
    [Fact]
    public void People_name_a_class_for_a_fish()
    {
        (double Class, string Fish)[] said =
        [
            (3, "brook-trout char"),
            (4, "grayling panfish"),
            (5, "river-trout perch chub"),
            (6, "lake-trout mullet garfish"),
            (7, "black-bass sea-trout barbel"),
            (7.5, "carp"),
            (8, "zander steelhead coho bonefish redfish sea-bass striped-bass pollack"),
            (8.5, "snook"),
            (9, "pike salmon barramundi bonito small-tarpon small-trevally bluefish"),
            (9.5, "big-bass permit"),
            (11, "giant-esox"),
            (12, "big-tarpon trevally"),
            (13, "bluewater"),
        ];
        Assert.Equal(
            Fishes.All.Select(f => (f.Id, f.Number)).Order(),
            said.SelectMany(s => s.Fish.Split(' ').Select(id => (id, s.Class))).Order()
        );
    }

    [Fact]
    public void A_loaded_reel_is_odd_only_far_from_what_balances()
    {
        Assert.Equal((1.8, 2.5, 1.3, 1.8), (ReelBalance.Usual.Low, ReelBalance.Usual.High, ReelBalance.Bare.Low, ReelBalance.Bare.High));
        Assert.Equal((true, false), (ReelBalance.IsLight(1.38), ReelBalance.IsLight(1.42)));
        Assert.Equal((false, true), (ReelBalance.IsUnbalanced(2.95), ReelBalance.IsUnbalanced(3.05)));
    }

    // 20 lb in trout lines, 30 from 7.5, 60 in lines for big game.
    [Fact]
    public void Lines_for_big_game_have_a_stronger_core()
    {
        double Pounds(double c) => Reel.TypicalLine(c).CoreN() / Exact.PoundForceN;
        Assert.Equal(
            (20, 30, 30, 60),
            (Math.Round(Pounds(7.4)), Math.Round(Pounds(7.6)), Math.Round(Pounds(10.4)), Math.Round(Pounds(10.6)))
        );
    }

    // Ours, so that what experienced people choose comes out; each stands once, and a choice that moves with one moves here.
    [Fact]
    public void What_choosing_weighs_is_one_table() =>
        Assert.Equal([1, 2, .6, .35, 4, 1.5, 1.2, .25, .6, .3, 1.5, 6, 3, 4, 2, 2, 1.5, 1.2, .4, -.25], Costs.All.Select(c => c.Cost));

    [Fact]
    public void What_would_help_tries_a_heavier_shorter_head()
    {
        var twelve = new Rods.Rod
        {
            Id = 1,
            Tag = "R1",
            Name = "twelve",
            LengthM = 2.7,
            PrintedClass = 12,
            MassKg = .15,
        };
        var light = Reel.TypicalLine(10) with { Id = 1, Tag = "L1" };
        BriefDraft giant = new()
        {
            Species = "giant-esox",
            FlyWetKg = .012,
            DistanceM = 13,
            WindMps = 0,
            Owned = Owned.Only,
        };
        var (_, gains) = ReachGains.Rank(
            giant,
            new([twelve], [light], []),
            Pins.None,
            new HashSet<string>(),
            cancel: TestContext.Current.CancellationToken
        );
        var head = gains.Single(g => g.Id == "head-to-buy");
        Assert.True(head.GainM > .5, $"{head.GainM}");
        var masses = head.Says.Parts.Where(p => p.Quantity?.Kind == Kind.LineMass).Select(p => p.Quantity!.Value.Value / Exact.GrainKg);
        Assert.InRange(masses.Single(), 430, 535);
    }

    [Fact]
    public void A_lob_that_gets_there_carries_no_tick()
    {
        var lob = Solve(
            new()
            {
                Species = "giant-esox",
                Caster = "learner",
                WindMps = 9,
                DistanceM = 2,
            }
        );
        Assert.True(lob.Outfit.Cast is { Lobbed: true } && lob.Outfit.ReachM.Value > 2.3);
        Assert.Equal(Verdict.Look, Hand(lob));
    }

    [Fact]
    public void Whatever_is_marked_look_has_a_press_that_mends_it()
    {
        var shed = DemoGear.Shed();
        var (looks, mended) = (0, 0);
        foreach (var owned in (Owned[])[Owned.Any, Owned.Only])
        foreach (var fish in Fishes.All)
        foreach (var metres in (double?[])[null, 22])
        {
            Solution Of(BriefDraft day, Pins pins) => Matcher.Solve(Brief.Complete(day), shed, pins).WithPresses(day, pins);
            var solution = Of(
                new()
                {
                    Species = fish.Id,
                    Owned = owned,
                    DistanceM = metres,
                },
                Pins.None
            );
            foreach (var link in solution.Chain.Where(l => l.Verdict is Verdict.Look or Verdict.Fails))
            {
                looks++;
                Assert.True(link.Mend is not null, $"{fish.Id} {link.Id}: {link.Why}");
                if (link.Mend.Measure)
                    mended++;
                else if (Of(link.Mend.Brief!, link.Mend.Pins!).Chain.Single(l => l.Id == link.Id).Verdict is Verdict.Fits or Verdict.ToBuy)
                    mended++;
            }
        }
        // What is left is the giant fly, which is never carried easily.
        Assert.InRange(mended, .9 * looks, looks);
    }

    [Fact]
    public void In_the_dark_and_under_branches_tippet_is_thicker()
    {
        double Pounds(BriefDraft day) => Tippets.StrengthN(Solve(day).Outfit.Tippet.DiameterM) / Exact.PoundForceN;
        BriefDraft seaTrout = new() { Species = "sea-trout", FishKg = 2 };
        Assert.InRange(Pounds(seaTrout), 8, 12);
        // At night 12 to 15 lb.
        Assert.InRange(Pounds(seaTrout with { Night = true }), 12, 15);
        double X(BriefDraft day) => Tippets.XOf(Solve(day).Outfit.Tippet.DiameterM);
        BriefDraft stream = new() { Species = "brook-trout" };
        Assert.Equal(X(stream) - 1, X(stream with { Cover = Cover.Canopy }), .001);
    }

    [Fact]
    public void A_cross_wind_carries_the_fly_aside_and_one_aims_into_it()
    {
        string Shoulder(double fromDeg) =>
            Solve(
                new()
                {
                    Species = "bonefish",
                    WindMps = 7.7,
                    WindFromDeg = fromDeg,
                    DistanceM = 15,
                }
            )
                .Ledger.Single(s => s.Rule.Id == Rules.Shoulder.Id)
                .Says.ToString();
        Assert.EndsWith("to the left: aim that far to the right", Shoulder(90), StringComparison.Ordinal);
        Assert.EndsWith("to the right: aim that far to the left", Shoulder(270), StringComparison.Ordinal);
        // In a breath of wind nobody aims off.
        Assert.DoesNotContain(
            "aim",
            string.Concat(
                Solve(
                    new()
                    {
                        Species = "bonefish",
                        WindMps = 1.1,
                        WindFromDeg = 90,
                    }
                )
                    .Ledger.Select(s => s.Says.ToString())
            ),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void No_tippet_that_is_chosen_outlasts_core_joint_or_backing()
    {
        foreach (var fish in Fishes.All)
        {
            var outfit = Solve(new() { Species = fish.Id }).Outfit;
            var knotted = Tippets.KnottedN(outfit.Tippet.DiameterM);
            Assert.True(knotted < outfit.Line.CoreN() && knotted <= outfit.Joints[0].StandsN, fish.Id);
            Assert.True(knotted < outfit.Backing.StrengthN, fish.Id);
        }
        // On a big hook thick tippet swims well, and is too strong for the line of a five.
        string Why(double metres) =>
            Solve(
                new()
                {
                    Species = "river-trout",
                    FlyKind = "baitfish",
                    HookSize = 0,
                },
                new() { TippetM = metres, RodClass = 5 }
            )
                .Chain.Single(l => l.Id == LinkId.Tippet)
                .Why.ToString();
        Assert.Contains("would cost the line", Why(.00035), StringComparison.Ordinal);
        Assert.DoesNotContain("would cost the line", Why(.00033), StringComparison.Ordinal);
    }
}
