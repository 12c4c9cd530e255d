using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

/// <summary>One fact for each rule. Where nothing else is said the fact is common practice, no source.</summary>
public class RulesTests
{
    private static Solution Solve(BriefDraft draft, GearShed? shed = null, Pins? pins = null, params string[] off) =>
        Matcher.Solve(Brief.Complete(draft), shed ?? GearShed.Empty, pins, off.ToHashSet());

    private static LedgerStep Step(Solution solution, Rule rule) => solution.Ledger.Single(s => s.Rule == rule);

    private static Link Link(Solution solution, LinkId id) => solution.Chain[(int)id - 1];

    // Weights of ours, as the page tells them: a class off is one.
    [Fact]
    public void A_choice_is_weighed_by_these_costs() =>
        Assert.Equal([1, 2, .6, .35, 4, 1.5, 1.2, .25, .6, .3, 1.5, 6, 3, 4, 2, 2, 1.5, 1.2, .4, -.25], Costs.All.Select(c => c.Cost));

    [Theory]
    [InlineData(Water.River, Cover.Open, Stance.Bank, "dry", 9)]
    [InlineData(Water.River, Cover.Canopy, Stance.Wading, "dry", 6.75)]
    [InlineData(Water.SmallStream, Cover.Open, Stance.Bank, "dry", 8.25)]
    [InlineData(Water.River, Cover.Open, Stance.Wading, "beaded-nymph", 10)]
    [InlineData(Water.Stillwater, Cover.Open, Stance.DeepWading, "slim-streamer", 10)]
    [InlineData(Water.Stillwater, Cover.Open, Stance.Boat, "slim-streamer", 8.75)]
    [InlineData(Water.Shore, Cover.Open, Stance.Bank, "baitfish", 9.5)]
    public void The_place_decides_the_rods_length(Water water, Cover cover, Stance stance, string fly, double feet) =>
        Assert.Equal(
            feet,
            Solve(
                new()
                {
                    Water = water,
                    Cover = cover,
                    Stance = stance,
                    FlyKind = fly,
                }
            ).Outfit.Rod.LengthM / Exact.FootM,
            6
        );

    [Fact]
    public void Finesse_adds_length_except_under_branches()
    {
        double Feet(Lean lean, Cover cover) =>
            Solve(
                new()
                {
                    Water = Water.River,
                    FlyKind = "dry",
                    Lean = lean,
                    Cover = cover,
                }
            ).Outfit.Rod.LengthM / Exact.FootM;
        Assert.Equal(9.5, Feet(Lean.Finesse, Cover.Open), 6);
        Assert.Equal(6.75, Feet(Lean.Finesse, Cover.Canopy), 6);
    }

    [Theory]
    [InlineData("learner", 14, 0, RodAction.Medium)]
    [InlineData("club", 7, 0, RodAction.Medium)]
    [InlineData("club", 15, 8, RodAction.Fast)]
    [InlineData("skilled", 24, 0, RodAction.Fast)]
    [InlineData("club", 15, 2, RodAction.MediumFast)]
    public void Close_and_learning_want_a_soft_rod_wind_and_distance_a_fast_one(
        string caster,
        double metres,
        double wind,
        RodAction action
    ) =>
        Assert.Equal(
            action,
            Solve(
                new()
                {
                    FlyKind = "slim-streamer",
                    Caster = caster,
                    DistanceM = metres,
                    WindMps = wind,
                    WindFromDeg = 0,
                    DepthM = 0,
                }
            ).Outfit.Rod.Action
        );

    [Theory]
    [InlineData("dry", Wariness.Usual, 12, 40, 60)]
    [InlineData("slim-streamer", Wariness.Spooky, 12, 40, 60)]
    [InlineData("slim-streamer", Wariness.Usual, 14, 33, 45)]
    [InlineData("hair-bug", Wariness.Usual, 14, 28, 35)]
    // The heavier the fly the shorter: from 3 g on, 22 to 28 ft at 8 g.
    [InlineData("predator", Wariness.Usual, 14, 25, 31.5)]
    [InlineData("giant", Wariness.Usual, 14, 22, 28)]
    [InlineData("slim-streamer", Wariness.Usual, 30, 26, 32)]
    public void The_work_decides_the_head(string fly, Wariness wariness, double metres, double from, double to)
    {
        var head =
            Solve(
                new()
                {
                    FlyKind = fly,
                    Wariness = wariness,
                    DistanceM = metres,
                    Water = Water.River,
                    Caster = "expert",
                    DepthM = 0,
                }
            ).Outfit.Line.HeadM / Exact.FootM;
        Assert.Equal((from + to) / 2, head, 6);
    }

    [Fact]
    public void A_learner_is_not_given_a_head_too_long_to_carry() =>
        Assert.True(
            Solve(
                new()
                {
                    FlyKind = "dry",
                    Caster = "learner",
                    DistanceM = 12,
                }
            ).Outfit.Line.HeadM
                <= 40 * Exact.FootM
        );

    // Cold coating below 12 °C, temperate 10–24, warm above 22, tropical above 26.
    [Theory]
    [InlineData(4, "cold")]
    [InlineData(18, "temperate")]
    [InlineData(25, "warm")]
    [InlineData(32, "tropical")]
    public void Water_decides_the_coating(double celsius, string coating) =>
        Assert.Equal(coating, Solve(new() { WaterC = celsius }).Outfit.Line.Coating);

    [Theory]
    [InlineData(.2, "hover")]
    [InlineData(1, "intermediate")]
    [InlineData(3, "type3")]
    public void In_a_current_the_drift_decides_the_density(double depth, string density) =>
        Assert.Equal(
            density,
            Solve(
                new()
                {
                    Water = Water.Shore,
                    FlyKind = "baitfish",
                    CurrentMps = .3,
                    DistanceM = 17,
                    DepthM = depth,
                }
            ).Outfit.Line.Density
        );

    [Fact]
    public void Where_no_line_sinks_fast_enough_the_ledger_says_so()
    {
        var step = Step(
            Solve(
                new()
                {
                    Water = Water.River,
                    FlyKind = "slim-streamer",
                    CurrentMps = 2,
                    DepthM = 4,
                    DistanceM = 10,
                }
            ),
            Rules.Density
        );
        Assert.True(step.Doubt);
        Assert.Contains("No sinking line fishes", step.Says.ToString());
    }

    [Fact]
    public void A_weighted_nymph_fishes_shallow_water_on_a_floating_line() =>
        Assert.Equal(
            "floating",
            Solve(
                new()
                {
                    FlyKind = "nymph-rig",
                    Water = Water.River,
                    DepthM = 1.2,
                    CurrentMps = .8,
                }
            ).Outfit.Line.Density
        );

    // Common practice, no source: a fast sinker asks for a six at least, whatever stands in the shed.
    [Fact]
    public void A_fast_sinking_head_asks_for_a_six_at_least_whatever_is_in_the_shed()
    {
        BriefDraft deep = new()
        {
            Water = Water.Stillwater,
            Species = "perch",
            FlyKind = "slim-streamer",
            DepthM = 6,
            CurrentMps = 0,
            DistanceM = 8,
        };
        Assert.Equal(6, Step(Solve(deep), Rules.DensityBump).To);
        Assert.Equal(Solve(deep).Class.Target, Solve(deep, DemoGear.Shed()).Class.Target);
    }

    [Theory]
    [InlineData("dry", Water.SmallStream, Wariness.Usual, 2, 7)]
    [InlineData("slim-streamer", Water.River, Wariness.Usual, 2, 10)]
    [InlineData("slim-streamer", Water.River, Wariness.Bold, 2, 9)]
    [InlineData("slim-streamer", Water.River, Wariness.Spooky, 2, 11.6)]
    [InlineData("slim-streamer", Water.River, Wariness.Usual, 9, 10)]
    [InlineData("predator", Water.River, Wariness.Usual, 2, 7)]
    public void Water_wariness_and_fly_decide_the_leader_and_wind_from_behind_does_not(
        string fly,
        Water water,
        Wariness wariness,
        double wind,
        double feet
    )
    {
        // Spooky fish want 13 ft; a 9-ft rod nets 0.8 m more than its own length, and the leader is cut to that.
        var solution = Solve(
            new()
            {
                FlyKind = fly,
                Water = water,
                Wariness = wariness,
                WindMps = wind,
                WindFromDeg = 180,
                DepthM = 0,
            }
        );
        Assert.Equal(feet, solution.Outfit.Leader.LengthM / Exact.FootM, 1);
    }

    [Theory]
    [InlineData("type6", 4)]
    [InlineData("type3", 5)]
    [InlineData("intermediate", 7)]
    public void A_sinking_line_takes_a_short_leader(string density, double feet) =>
        Assert.Equal(
            feet,
            Solve(new() { FlyKind = "slim-streamer", WindMps = 0 }, null, new() { Density = density }).Outfit.Leader.LengthM / Exact.FootM,
            6
        );

    [Theory]
    [InlineData(.00008, Verdict.Fails)]
    [InlineData(.00028, Verdict.Look)]
    [InlineData(.00040, Verdict.Fits)]
    [InlineData(.00060, Verdict.Look)]
    [InlineData(.00095, Verdict.Fails)]
    public void Wire_thin_tippet_spins_and_thick_tippet_drags_on_a_one_nought(double tippet, Verdict verdict) =>
        Assert.Equal(
            verdict,
            Link(
                Solve(
                    new()
                    {
                        FlyKind = "baitfish",
                        HookSize = 0,
                        FishKg = 1,
                    },
                    null,
                    new() { TippetM = tippet }
                ),
                LinkId.Tippet
            ).Verdict
        );

    [Fact]
    public void Very_fine_tippet_caps_the_rod_unless_the_fly_forbids_it()
    {
        var capped = Solve(
            new()
            {
                FlyKind = "slim-streamer",
                HookSize = 6,
                Species = "river-trout",
                WindMps = 2,
                WindFromDeg = 180,
                DistanceM = 8,
                Caster = "expert",
                Lean = Lean.Power,
            },
            null,
            new() { TippetM = .00012 }
        );
        Assert.True(Step(capped, Rules.TippetGuard) is { From: > 5, To: 5 });
        var forbidden = Solve(
            new()
            {
                FlyKind = "baitfish",
                HookSize = 0,
                WindMps = 7,
                WindFromDeg = 0,
            },
            null,
            new() { TippetM = .00012 }
        );
        Assert.True(Step(forbidden, Rules.TippetGuard).Doubt);
        Assert.True(forbidden.Class.Target >= forbidden.Class.Delivery);
    }

    [Fact]
    public void Of_two_answers_that_reach_alike_a_learner_takes_the_heavier()
    {
        var step = Step(
            Solve(
                new()
                {
                    FlyKind = "baitfish",
                    Caster = "learner",
                    DistanceM = 5,
                    WindMps = 0,
                }
            ),
            Rules.Caster
        );
        Assert.Equal(.5, step.To!.Value - step.From!.Value);
        Assert.DoesNotContain(Solve(new() { FlyKind = "baitfish", Caster = "expert" }).Ledger, s => s.Rule == Rules.Caster);
    }

    [Fact]
    public void A_distance_nobody_gets_is_told_as_such_and_what_a_class_more_would_add()
    {
        var solution = Solve(
            new()
            {
                FlyKind = "baitfish",
                DistanceM = 30,
                Caster = "club",
                WindMps = 6,
                WindFromDeg = 0,
            }
        );
        Assert.True(Step(solution, Rules.Delivery).Doubt);
        Assert.Contains("not the problem", Step(solution, Rules.Flattens).Says.ToString(), StringComparison.Ordinal);
        Assert.Equal(Verdict.Fails, Link(solution, LinkId.Hand).Verdict);
    }

    [Fact]
    public void In_a_wind_that_nothing_survives_the_hook_names_the_class_and_the_hand_fails()
    {
        var storm = Solve(
            new()
            {
                FlyKind = "baitfish",
                HookSize = 0,
                Species = "sea-bass",
                WindMps = 30,
                WindFromDeg = 0,
            }
        );
        Assert.Contains(
            "No class up to this one turns this fly over",
            Step(storm, Rules.Delivery).Says.ToString(),
            StringComparison.Ordinal
        );
        Assert.InRange(storm.Class.Target, 7, 9);
        Assert.Equal(Verdict.Fails, Link(storm, LinkId.Hand).Verdict);
        // It is told how far it can be lobbed, which is not far.
        Assert.InRange(storm.Outfit.ReachM.Value, .1, 4);
    }

    private static IReadOnlyList<ReachGain> Helps(BriefDraft draft) =>
        ReachGains.Rank(draft, DemoGear.Shed(), Pins.None, new HashSet<string>()).Gains;

    // Common practice, no source: what a person can change, and only what is still open to them.
    [Fact]
    public void Only_changes_that_are_open_are_offered()
    {
        BriefDraft into = new()
        {
            FlyKind = "predator",
            Species = "pike",
            Caster = "learner",
            Stance = Stance.DeepWading,
            Cover = Cover.Behind,
            WindMps = 4,
            WindFromDeg = 20,
            DistanceM = 12,
        };
        Assert.Superset(
            new HashSet<string>
            {
                "haul",
                "stand-higher",
                "room-behind",
                "turn",
                "sparser-fly",
                "smaller-fly",
                "leader",
                "loop",
                "class-up",
            },
            Helps(into).Select(h => h.Id).ToHashSet()
        );
        var open = Helps(into with { Caster = "expert", Stance = Stance.Bank, Cover = Cover.Open, WindFromDeg = 180, CasterLoopM = .5 })
            .Select(h => h.Id)
            .ToList();
        Assert.Empty(open.Intersect(["haul", "stand-higher", "room-behind", "turn", "loop"]));
    }

    [Fact]
    public void Turning_out_of_the_wind_takes_it_off_the_casting_shoulder()
    {
        double From(Hand hand) =>
            Helps(
                    new()
                    {
                        FlyKind = "baitfish",
                        WindMps = 6,
                        WindFromDeg = 30,
                        Hand = hand,
                    }
                )
                .Single(h => h.Id == "turn")
                .Brief.WindFromDeg!.Value;
        Assert.Equal((270.0, 90.0), (From(Hand.Right), From(Hand.Left)));
    }

    [Fact]
    public void A_sparser_and_a_smaller_fly_go_farther_into_the_wind()
    {
        var helps = Helps(
            new()
            {
                FlyKind = "predator",
                HookSize = -4,
                Species = "pike",
                WindMps = 5,
                WindFromDeg = 0,
                DistanceM = 15,
                Caster = "skilled",
            }
        );
        Assert.All(helps.Where(h => h.Id is "smaller-fly" or "sparser-fly"), h => Assert.Equal(Worth.More, h.Worth));
        Assert.True(helps.Single(h => h.Id == "sparser-fly").GainM > helps.Single(h => h.Id == "smaller-fly").GainM);
    }

    // Common practice, no source: the window of a very fast rod is built a class below its measured number.
    [Fact]
    public void A_cast_is_loaded_against_the_rods_measured_window()
    {
        var brief = Brief.Complete(new() { FlyKind = "baitfish" });
        var line = DemoGear.Shed().Lines.Single(l => l.Tag == "L8");
        var leader = Core.Leaders.Leader.Build(2.7, line.TipDiameterM, .0004, 0);
        Rods.Rod Rod(string tag) => DemoGear.Shed().Rods.Single(r => r.Tag == tag);
        CastSetup Of(string tag) => CastSetup.For(brief, Rod(tag), line, leader);
        Assert.Equal(LineWeights.MassKg(Rod("R7").MeasuredClass!.Value - 1), Of("R7").StandardKg, 1e-9);
        Assert.Equal(LineWeights.MassKg(Rod("R3").MeasuredClass!.Value), Of("R3").StandardKg, 1e-9);
        // Timed as a pendulum, a rod brings its own tip into the cast; the others bring what is usual for their class.
        Assert.Equal(Rod("R3").TipKg, Of("R3").RodTipKg);
        Assert.Equal(CastSetup.TipKg(Rod("R7").MeasuredClass!.Value), Of("R7").RodTipKg, 1e-12);
        Assert.True(CastEngine.LoadRatio(Of("R3"), 10) > CastEngine.LoadRatio(Of("R7"), 10));
    }

    // Common practice, no source: what people say by hook alone stands beside the cast, and a wide gap is said aloud.
    [Fact]
    public void The_ladder_stands_beside_the_cast_and_disagrees_aloud()
    {
        var easy = Solve(
            new()
            {
                FlyKind = "slim-streamer",
                HookSize = 4,
                DistanceM = 8,
            }
        );
        Assert.True(Step(easy, Rules.Ladder).Doubt && easy.Class.Delivery < 4.5);
        Assert.False(
            Step(
                Solve(
                    new()
                    {
                        FlyKind = "slim-streamer",
                        HookSize = 4,
                        DistanceM = 27,
                        WindMps = 2,
                        WindFromDeg = 0,
                        Caster = "expert",
                    }
                ),
                Rules.Ladder
            ).Doubt
        );
    }

    [Fact]
    public void A_head_that_falls_short_gives_way_to_one_that_gets_there_unless_the_rule_is_left_out()
    {
        FlyLine Head(int id, double running, double grains, Build build) =>
            new()
            {
                Id = id,
                Tag = $"L{id}",
                Name = "head",
                LengthM = 34,
                HeadM = 10,
                HeadKg = grains * Exact.GrainKg,
                Build = build,
                RearTaperM = build == Build.ShootingHead ? 0 : 1.5,
                BellyDiameterM = .0016,
                RunningDiameterM = running,
            };
        var rod = new Rod
        {
            Id = 1,
            Tag = "R1",
            Name = "eight",
            LengthM = 2.74,
            PrintedClass = 8,
            PrintedAction = RodAction.MediumFast,
            MassKg = .1,
        };
        GearShed shed = new([rod], [Head(1, .0014, 272, Build.WeightForward), Head(2, .0006, 276, Build.ShootingHead)], []);
        BriefDraft far = new()
        {
            FlyKind = "baitfish",
            Species = "sea-bass",
            DistanceM = 26,
            Caster = "skilled",
            WindMps = 0,
            DepthM = .2,
            Owned = Owned.Only,
        };
        Assert.Equal("L2", Solve(far, shed).Outfit.Line.Tag);
        Assert.Equal("L1", Solve(far, shed, null, Rules.HeadReach.Id).Outfit.Line.Tag);
    }

    [Theory]
    [InlineData("pike", "baitfish", 8)]
    [InlineData("pike", "slim-streamer", 6.5)]
    public void Pike_carry_the_number_of_their_flies(string species, string fly, double floor) =>
        Assert.Equal(
            floor,
            ClassRules.FloorOf(
                Brief.Complete(
                    new()
                    {
                        Species = species,
                        FishKg = 3.5,
                        FlyKind = fly,
                        FlyWetKg = .002,
                        HookSize = fly == "baitfish" ? -6 : 6,
                        CurrentMps = 0,
                    }
                )
            )
        );

    [Fact]
    public void Strong_current_helps_the_fish()
    {
        double Floor(double current) => ClassRules.FloorOf(Brief.Complete(new() { Species = "steelhead", CurrentMps = current }));
        Assert.Equal(.5, Floor(1.2) - Floor(.3), 6);
    }

    // Planning values: school bass 150 m, mullet 100–140 m, perch 20–40 m; and never less than this fish draws plus 30 %.
    [Theory]
    [InlineData("sea-bass", 150, 150)]
    [InlineData("mullet", 100, 140)]
    [InlineData("perch", 20, 40)]
    [InlineData("bluewater", 400, 460)]
    public void The_fish_decides_the_backing(string species, double from, double to) =>
        Assert.InRange(Solve(new() { Species = species }).Outfit.BackingM, from, to);

    [Fact]
    public void Fast_runners_get_gel_spun_and_its_warning_and_slow_ones_polyester()
    {
        var tunny = Solve(new() { Species = "bonito" });
        Assert.True(tunny.Outfit.Backing.GelSpun);
        Assert.Contains(tunny.Cautions, c => c.Id == "gel-spun");
        Assert.False(Solve(new() { Species = "perch" }).Outfit.Backing.GelSpun);
        Assert.Equal("reel", Step(tunny, Rules.Money).Figure.Word);
        Assert.Equal("rod", Step(Solve(new() { Species = "perch" }), Rules.Money).Figure.Word);
    }

    [Fact]
    public void When_polyester_does_not_fit_the_reel_gel_spun_is_tried()
    {
        var reel = new Reel
        {
            Id = 1,
            Tag = "S1",
            Name = "small",
            ArborM = .042,
            RimM = .0795,
            WidthM = .024,
            MassKg = .15,
            SaltProof = true,
        };
        var outfit = Solve(new() { Species = "sea-bass", FlyKind = "baitfish" }, new([], [], [reel])).Outfit;
        Assert.True(SpoolFill.For(reel, outfit.Line, Backings.Find("poly20")!, outfit.BackingM).Share > 1);
        Assert.Equal(("S1", true), (outfit.Reel.Tag, outfit.Backing.GelSpun));
        Assert.True(outfit.Fill.Share <= 1.02);
    }

    [Fact]
    public void Backing_shorter_than_the_run_is_looked_at_and_far_too_short_fails()
    {
        // A run is known to half of itself: eight of ten ask 21 % more than it draws, two of ten that much less.
        double DrawnM(Solution on) => on.Outfit.FishOn(on.Brief).Run(watched: false).BackingOutM;
        Solution On(double metres) => Solve(new() { Species = "mullet" }, null, new() { BackingM = metres });
        var ample = DrawnM(On(400));
        foreach (var metres in Enumerable.Range(4, 24).Select(i => 5.0 * i))
        {
            var on = On(metres);
            var share = metres / (metres < ample ? ample : DrawnM(on));
            if (Math.Abs(share - 1.215) > .02 && Math.Abs(share - .785) > .02)
                Assert.Equal(
                    share > 1.215 ? Verdict.Fits
                        : share > .785 ? Verdict.Look
                        : Verdict.Fails,
                    Link(on, LinkId.Backing).Verdict
                );
        }
    }

    [Theory]
    [InlineData(11, Verdict.Fits)]
    [InlineData(13, Verdict.Look)]
    [InlineData(30, Verdict.Fails)]
    public void A_club_caster_in_a_breeze_reaches_so_far_and_no_farther(double metres, Verdict verdict) =>
        Assert.Equal(
            verdict,
            Link(
                Solve(
                    new()
                    {
                        FlyKind = "baitfish",
                        DistanceM = metres,
                        WindMps = 3,
                        WindFromDeg = 0,
                        Caster = "club",
                    }
                ),
                LinkId.Hand
            ).Verdict
        );

    [Fact]
    public void What_is_carried_and_shot_makes_up_the_cast()
    {
        var solution = Solve(
            new()
            {
                FlyKind = "baitfish",
                DistanceM = 16,
                Caster = "skilled",
            }
        );
        var cast = solution.Outfit.Cast!.Value;
        Assert.Equal(16, (cast.CarryM + cast.ShotM + solution.Outfit.Leader.LengthM) * Math.Cos(cast.AngleRad), .05);
        Assert.True(solution.Outfit.CarryM <= solution.Brief.Caster.CarryM);
    }

    [Fact]
    public void A_fly_outside_its_usual_sizes_is_stretched_and_said_to_be() =>
        Assert.True(Step(Solve(new() { FlyKind = "dry", HookSize = 2 }), Rules.FlyBulk).Doubt);

    private static IReadOnlyList<Candidate> Offered(LinkId link, BriefDraft draft, GearShed shed)
    {
        var session = Matcher.For(Brief.Complete(draft), shed);
        return session.Candidates(session.Choose(), link);
    }

    [Fact]
    public void The_chosen_pieces_stand_among_the_candidates_which_are_best_first()
    {
        var lines = Offered(LinkId.Head, DemoGear.Briefs[0].Draft, DemoGear.Shed());
        Assert.Equal("R6", Assert.Single(Offered(LinkId.Rod, DemoGear.Briefs[0].Draft, DemoGear.Shed()), r => r.Chosen).Tag);
        Assert.Equal("L11", lines[0].Tag);
        var order = lines.Select(l => (int)l.Verdict).ToList();
        Assert.True(order.IndexOf((int)Verdict.Fails) > order.LastIndexOf((int)Verdict.Fits));
    }

    [Fact]
    public void Of_a_big_shed_nothing_is_left_out()
    {
        var many = Enumerable
            .Range(1, 200)
            .Select(i => new Rod
            {
                Id = i,
                Tag = $"R{i}",
                Name = "rod",
                LengthM = 2.7,
                PrintedClass = 1 + i % 12,
                MassKg = .1,
            })
            .ToList();
        Assert.Equal(many.Count, Offered(LinkId.Rod, new(), new(many, [], [])).Count);
    }

    [Theory]
    [InlineData(Stance.DeepWading, .2, "wading", true)]
    [InlineData(Stance.Wading, 1.2, "wading", true)]
    [InlineData(Stance.Wading, .2, "wading", false)]
    public void Deep_or_fast_water_makes_the_wading_caution_urgent(Stance stance, double current, string id, bool urgent) =>
        Assert.Equal(urgent, Solve(new() { Stance = stance, CurrentMps = current }).Cautions.Single(c => c.Id == id).Urgent);

    [Fact]
    public void The_standing_cautions_are_always_there_and_urgent_ones_come_first()
    {
        var cautions = Solve(
            new()
            {
                Species = "pike",
                WindMps = 15,
                WindFromDeg = 90,
            }
        ).Cautions;
        foreach (var id in new[] { "eyes", "power-lines", "release", "law", "planning" })
            Assert.Contains(cautions, c => c.Id == id);
        Assert.Equal(cautions.OrderByDescending(c => c.Urgent).Select(c => c.Id), cautions.Select(c => c.Id));
        Assert.Contains(cautions, c => c is { Id: "gale", Urgent: true });
    }

    [Fact]
    public void Faulty_gear_is_named_field_by_field()
    {
        Assert.Equal(
            ["tag", "lengthM", "printedClass"],
            new Rod
            {
                Tag = " ",
                Name = "r",
                LengthM = 9,
                MassKg = .1,
            }
                .Check()
                .Select(p => p.Field)
        );
        Assert.Equal(
            ["density", "headM"],
            new FlyLine
            {
                Tag = "L",
                Name = "l",
                LengthM = 9,
                HeadM = 12,
                Density = "lead",
            }
                .Check()
                .Select(p => p.Field)
        );
        Assert.Equal(
            ["labelHigh", "rimM"],
            new Reel
            {
                Tag = "S",
                Name = "s",
                LabelLow = 8,
                LabelHigh = 7,
                ArborM = .09,
                RimM = .094,
                MassKg = .1,
            }
                .Check()
                .Select(p => p.Field)
        );
        Assert.Empty(
            DemoGear
                .Rods.SelectMany(r => r.Check())
                .Concat(DemoGear.Lines.SelectMany(l => l.Check()))
                .Concat(DemoGear.Reels.SelectMany(r => r.Check()))
        );
        Assert.Equal(
            ["pins.rod", "pins.density", "pins.leaderM"],
            new Pins
            {
                Rod = 9,
                Density = "lead",
                LeaderM = 99,
            }
                .Check(GearShed.Empty)
                .Select(p => p.Field)
        );
    }
}
