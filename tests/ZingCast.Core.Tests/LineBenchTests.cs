using UnitsNet;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

public class LineBenchTests
{
    private const double Ft = Exact.FootM,
        Gr = Exact.GrainKg;

    private static readonly double Golden = (Math.Sqrt(5) - 1) / 2;

    private static Weighing Thirty(double grains, double scaleG = .1) => new() { MassKg = grains * Gr, ScalePlusMinusKg = scaleG / 1000 };

    // AFFTA fly line weight specification, values from memory; grams by a general-purpose units library.
    [Theory]
    [InlineData(160, 6, "A 6")]
    [InlineData(210, 8, "A 8")]
    [InlineData(174, null, "Nobody's")]
    [InlineData(225, null, "half-heavy 8")]
    public void Thirty_feet_on_the_scale_name_the_class_and_a_gap_belongs_to_nobody(double grains, int? row, string words)
    {
        var grams = Mass.FromGrains(grains).Grams;
        var read = LineClass.From(new Weighing { MassKg = grams / 1000, LengthM = Length.FromFeet(30).Meters });
        Assert.Equal(row, read.Row?.Class);
        Assert.Contains(words, read.Says.ToString());
        Assert.Equal(LineWeights.ClassOf(grams / 1000), read.Class!.Value.Value, 9);
    }

    [Fact]
    public void A_class_is_never_narrower_than_its_measurement()
    {
        Assert.InRange(LineClass.From(Thirty(160)).Class!.Value.PlusMinus!.Value, .05, .15);
        var coarse = LineClass.From(Thirty(160, .5));
        Assert.True(coarse.Spread!.Value.High - coarse.Spread.Value.Low > .5 && coarse.Class is not null);
        var kitchen = LineClass.From(Thirty(160, 5));
        Assert.Null(kitchen.Class);
        Assert.Contains("too coarse", kitchen.Says.ToString());
    }

    // Tolerances thrown by dice against tolerances by formula.
    [Fact]
    public void The_stated_class_tolerance_is_what_scale_and_tape_really_do()
    {
        var on = Thirty(200);
        var random = new Random(9);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
        var masses = Enumerable
            .Range(0, 4000)
            .Select(_ => on.MassKg * (1 + Normal() * on.TapeShare) + Normal() * on.ScalePlusMinusKg)
            .ToList();
        var mean = masses.Average();
        Assert.Equal(
            Math.Sqrt(masses.Sum(m => (m - mean) * (m - mean)) / 3999),
            LineClass.From(on).Thirty!.Value.PlusMinus!.Value,
            .1 * LineClass.From(on).Thirty!.Value.PlusMinus!.Value
        );
    }

    [Fact]
    public void A_head_shorter_than_thirty_feet_has_no_class_but_rods_it_suits()
    {
        var read = LineClass.From(
            new Weighing
            {
                MassKg = 400 * Gr,
                LengthM = 26 * Ft,
                WholeHead = true,
            }
        );
        Assert.Null(read.Class);
        Assert.Contains("No honest class", read.Says.ToString());
        // Common practice, no source: a 400-grain head sits on a ten.
        Assert.InRange(10, read.RodClasses!.Value.Low, read.RodClasses.Value.High);
        Assert.Contains("too little", LineClass.From(new Weighing { MassKg = 100 * Gr, LengthM = 20 * Ft }).Says.ToString());
    }

    [Fact]
    public void A_long_head_is_read_through_its_tapers_and_the_profile_agrees()
    {
        var profile = new LineProfile([
            new(2, 1.25e-3 * Golden, 1.25e-3, 880),
            new(10, 1.25e-3, 1.25e-3, 880),
            new(2, 1.25e-3, 1.25e-3 * Golden, 880),
        ]);
        var exact = LineClass.From(profile, 14, .001);
        var byHead = LineClass.From(
            new Weighing
            {
                MassKg = profile.Kg,
                LengthM = 14,
                WholeHead = true,
                FrontTaperM = 2,
                RearTaperM = 2,
            }
        );
        Assert.Equal(exact.Thirty!.Value.Value, byHead.Thirty!.Value.Value, 9);
        // A head hardly longer than 30 ft: its first 30 ft weigh no more than all of it, though the mark lies in the rear taper.
        Assert.InRange(
            LineClass
                .From(
                    new Weighing
                    {
                        MassKg = .016,
                        LengthM = 9.6,
                        WholeHead = true,
                        FrontTaperM = 1.5,
                        RearTaperM = 1.5,
                    }
                )
                .Thirty!.Value.Value,
            .0153,
            .016
        );
        // Without the tapers it is a guess and says so.
        var blind = LineClass.From(
            new Weighing
            {
                MassKg = profile.Kg,
                LengthM = 14,
                WholeHead = true,
            }
        );
        Assert.InRange(exact.Class!.Value.Value, blind.Spread!.Value.Low, blind.Spread.Value.High);
        Assert.True(blind.Spread.Value.High - blind.Spread.Value.Low > byHead.Spread!.Value.High - byHead.Spread.Value.Low);
    }

    // The one-third rule is exact at r = 0.618, the root of r² + r − 1 = 0; worked in the trade: 370 gr, 30 ft, 6-ft taper, 13.2 gr/ft.
    [Fact]
    public void Grains_per_foot_by_the_third_rule_are_exact_when_the_tip_is_golden_and_off_by_a_known_share_else()
    {
        var golden = BellyWeight.From(370 * Gr, 30 * Ft, 6 * Ft, Golden);
        Assert.Equal(13.2, golden.RuleKgPerM * Ft / Gr, .05);
        Assert.Equal(0, golden.Off, 12);
        foreach (var r in new[] { .3, .8, 1 })
        {
            var piece = new LineProfile([new(6 * Ft, r * 1.3e-3, 1.3e-3, 900), new(24 * Ft, 1.3e-3, 1.3e-3, 900)]);
            var belly = BellyWeight.From(piece.Kg, 30 * Ft, 6 * Ft, r);
            Assert.Equal(piece.KgPerM(8), belly.ExactKgPerM, 12);
            Assert.Equal(r < Golden ? -1 : 1, Math.Sign(belly.Off));
        }
    }

    [Fact]
    public void Calipers_and_one_weight_give_a_profile_that_weighs_what_the_scale_said()
    {
        // Water itself: a rod of it of one square millimetre weighs a gram a metre.
        var d = Math.Sqrt(4e-6 / Math.PI);
        var water = LineProfile.Fit([new(0, d), new(5, d)], 10, .010);
        Assert.Equal(1000, Assert.Single(water.Stretches.Select(s => s.KgM3).Distinct()), 6);
        var tapered = LineProfile.Fit([new(2, .0013), new(0, .0008), new(10, .0013), new(11.5, .001)], 12, .0139);
        Assert.Equal(.0139, tapered.Kg, 12);
        Assert.Equal(12, tapered.LengthM, 12);
        Assert.True(LineReading.From(tapered, 12, 9, .01).FloatsFresh);
        Assert.NotEmpty(LineProfile.Check([new(0, .013)], 12, .0139));
        Assert.Contains(LineProfile.Check([new(0, .001)], 12, 0), p => p.Field == "massKg");
        Assert.Contains(LineProfile.Check([new(14, .001)], 12, .01), p => p.Field == "readings[0].positionM");
    }

    [Fact]
    public void A_profile_sums_to_itself_however_it_is_cut_and_survives_the_exchange_format()
    {
        var p = new LineProfile([
            new(.3, .0008, .0008, 1500),
            new(2, .0008, .0014, 890),
            new(7, .0014, .0014, 890),
            new(1.5, .0014, .0009, 890),
            new(16, .0009, .0009, 950),
        ]);
        Assert.Equal(.3, p.LevelTipM);
        Assert.Equal(p.Kg, p.Part(0, 4.2).Kg + p.Part(4.2, p.LengthM).Kg, 12);
        Assert.Equal(p.Part(1, 6).Kg, p.Part(1, 6, turned: true).Kg, 12);
        Assert.Equal(p.KgPerM(1), p.Part(0, 9, turned: true).KgPerM(8), 9);
        Assert.Equal(4.2, p.LengthOf(p.MassKg(4.2)), 6);
        var back = LineProfile.Through([.. p.Points(.1).Select(x => (x.PositionM, x.DiameterM, x.KgPerM))]);
        foreach (var s in new[] { .3, 1, 2.3, 9.144, 12, 26.8 })
            Assert.Equal(p.MassKg(s), back.MassKg(s), .001 * p.MassKg(s));
    }

    [Fact]
    public void Front_loading_balance_and_displaced_water_follow_from_the_profile()
    {
        var level = new LineProfile([new(9, .0013, .0013, 880)]);
        Assert.Equal(4.5, level.CentreM(9), 6);
        Assert.Equal(1 / 3.0, LineReading.From(level, 9, 9, .01).FrontShare, 9);
        var stubby = LineReading.From(new([new(.5, .001, .0019, 880), new(4, .0019, .0019, 880), new(4.5, .0019, .001, 880)]), 9, 9, .01);
        Assert.StartsWith("front-loaded", stubby.FrontWord);
        Assert.True(stubby.CentreM < 4.5);
        Assert.StartsWith(
            "rear-loaded",
            LineReading.From(new([new(6, .0007, .0014, 880), new(3, .0014, .0014, 880)]), 9, 9, .01).FrontWord
        );
        Assert.False(LineReading.From(level.Weighing(.0127), 9, 9, .01).FloatsSalt);
    }

    [Fact]
    public void A_line_nobody_measured_is_laid_out_by_its_figures_and_weighs_what_its_head_does()
    {
        var line = new FlyLine
        {
            Tag = "L",
            Name = "l",
            LengthM = 27,
            HeadM = 12,
            HeadKg = .0125,
            RunningDiameterM = .0008,
        };
        Assert.Equal([2, 8.5, 1.5, 15], line.Stretches.Select(s => s.LengthM));
        Assert.Equal((.0009, .0014, .0008), (line.Profile().ThickM(0), line.Profile().ThickM(6), line.Profile().ThickM(20)));
        Assert.Equal(.0125, line.Profile().MassKg(12), 12);
        var doubled = line with { Build = Build.DoubleTaper, HeadM = 27 };
        Assert.Equal([2, 23, 2], doubled.Stretches.Select(s => s.LengthM));
        Assert.Equal(.0009, doubled.Profile().ThickM(27), 9);
        // Nothing weighed and nothing on the label: the density of a line that just floats (water: 1000 kg/m³).
        Assert.All((line with { HeadKg = null }).Stretches, s => Assert.InRange(s.KgM3, 700, 1000));
    }

    [Fact]
    public void What_was_measured_on_the_bench_is_what_is_cast_and_what_loads_the_rod()
    {
        var line = new FlyLine
        {
            Tag = "L",
            Name = "l",
            LengthM = 27,
            HeadM = 11.5,
            PrintedClass = 6,
        };
        var profile = new LineProfile([new(2, .0009, .0015, 850), new(8, .0015, .0015, 850), new(2, .0015, .001, 850)]);
        var measured = line.With(profile, 12, .01);
        Assert.Empty(measured.Check());
        Assert.Equal(27, measured.LengthM, 9);
        Assert.Equal(profile.MassKg(5), measured.MassWithinKg(5), 12);
        Assert.Equal(2, measured.FrontTaperM, .1);
        var air = LineInAir.From(measured, Leader.Build(3, .0009, .0002, 0));
        Assert.Equal(profile.Kg, air.MassKg(3 + 12) - air.MassKg(3), 6);

        // Thirty feet of a longer head on the scale: the rest follows the profile.
        var weighed = line.With(new Weighing { MassKg = .011 });
        Assert.Equal(.011, weighed.MassWithinKg(Exact.ThirtyFeetM), 9);
        Assert.True(weighed.HeadKg > .011 && weighed.HeadPlusMinusKg > 0);
        Assert.Equal(.0105, measured.With(new Weighing { MassKg = .0105 }).MassWithinKg(Exact.ThirtyFeetM), 9);
    }

    // A cone's volume by hand, as a share of a level stretch: (1 + r + r²)/3. Front tapers of 0.6 to 3.5 m, rear ones of none to 3.5 m,
    // tips of 0.45 to 0.85 of the belly: common practice, no source.
    [Fact]
    public void A_weighed_head_may_have_the_lightest_front_that_is_built_or_the_heaviest()
    {
        const double thirty = 9.144;
        static double Full(double r) => (1 + r + r * r) / 3;
        double Share(double front, double rear, double r) => (thirty - front * (1 - Full(r))) / (16 - (front + rear) * (1 - Full(r)));
        var blind = LineClass.From(
            new()
            {
                MassKg = .018,
                LengthM = 16,
                WholeHead = true,
                ScalePlusMinusKg = 0,
                TapeShare = 0,
            }
        );
        Assert.Equal(LineWeights.ClassOf(.018 * Share(3.5, 0, .45)), blind.Spread!.Value.Low, 6);
        Assert.Equal(LineWeights.ClassOf(.018 * Share(.6, 3.5, .45)), blind.Spread.Value.High, 6);
        // Both tapers known, the tip is not: counted by thirds, off by as much as a thick tip weighs.
        var known = LineClass.From(
            new()
            {
                MassKg = .018,
                LengthM = 16,
                WholeHead = true,
                FrontTaperM = 3,
                RearTaperM = 1,
                ScalePlusMinusKg = 0,
                TapeShare = 0,
            }
        );
        Assert.Equal(.018 * (thirty - 1) / (16 - 4.0 / 3), known.Thirty!.Value.Value, 9);
        double Off(double r) => Math.Abs(.018 * (Share(3, 1, r) - Share(3, 1, Golden)));
        Assert.Equal(Math.Max(Off(.45), Off(.85)), known.Thirty.Value.PlusMinus!.Value, 9);
    }

    // A front taper measured so long that no whole rear one is left behind it: the rear may be all the rest. By hand as above.
    [Fact]
    public void A_long_measured_taper_leaves_room_for_what_is_left()
    {
        const double thirty = 9.144;
        static double Full(double r) => (1 + r + r * r) / 3;
        var head = LineClass.From(
            new()
            {
                MassKg = .016,
                LengthM = 9.6,
                WholeHead = true,
                FrontTaperM = 7,
                ScalePlusMinusKg = 0,
                TapeShare = 0,
            }
        );
        // The rear runs 2.6 m down to 0.45 of the belly; where the mark cuts it, it is so thin.
        double at = 1 - .55 * (thirty - 7) / 2.6,
            whole = 7 * Full(.45) + 2.6 * Full(.45),
            share = (7 * Full(.45) + (thirty - 7) * Full(at)) / whole;
        Assert.Equal(LineWeights.ClassOf(.016 * share), head.Spread!.Value.High, 6);
    }

    // AFFTA: a five is 140 gr, a six 160. A twelfth of a class off is told; a fifth of one is no half-heavy line.
    [Theory]
    [InlineData(141.58, "")]
    [InlineData(141.62, "heavy side")]
    [InlineData(138.42, "")]
    [InlineData(138.38, "light side")]
    [InlineData(290.2, "half-heavy 10")]
    [InlineData(317.8, "half-heavy 10")]
    public void A_line_is_told_to_be_on_the_heavy_side_or_the_light_one(double grains, string words)
    {
        var says = LineClass.From(Thirty(grains, .01) with { TapeShare = 0 }).Says.ToString();
        Assert.Contains(words, says);
        Assert.Equal(words.EndsWith("side", StringComparison.Ordinal), says.Contains("side, ") || says.EndsWith("side"));
    }

    // AFFTA: from a five to a six are 20 gr. Half a class either way, 10 gr, is the most that still names one.
    [Theory]
    [InlineData(9.9, true)]
    [InlineData(10.1, false)]
    public void A_scale_good_to_half_a_class_names_one(double plusMinusGr, bool names)
    {
        var asked = Thirty(150, 0) with { ScalePlusMinusKg = plusMinusGr * Gr, TapeShare = 0 };
        var read = LineClass.From(asked);
        var half = (read.Spread!.Value.High - read.Spread.Value.Low) / 2;
        Assert.Equal(plusMinusGr / 20, half, 2);
        Assert.Equal(names, read.Class is not null);
    }

    // The third rule speaks of a taper of a foot or more before a metre of belly.
    [Theory]
    [InlineData(.304, 2, true)]
    [InlineData(.296, 2, false)]
    [InlineData(2, 1.01, true)]
    [InlineData(2, .99, false)]
    public void Grains_per_foot_are_told_of_a_taper_before_a_belly(double taperM, double bellyM, bool told)
    {
        var profile = new LineProfile([new(taperM, .0009, .0014, 800), new(bellyM, .0014, .0014, 800), new(2, .0014, .0009, 800)]);
        Assert.Equal(told, LineReading.From(profile, taperM + bellyM + 2, taperM + bellyM, 0).Belly is not null);
    }

    // What is taken where nobody says: an ordinary five-weight head, a scale good to a tenth of a gram, a tape to 1 cm in 3 m; a line of
    // 90 ft with 36 ft of head.
    [Fact]
    public void A_form_begins_with_an_ordinary_line()
    {
        var on = Weighing.Usual;
        Assert.Equal((160, .1), (on.MassKg / Gr, on.ScalePlusMinusKg * 1000));
        Assert.Equal(1 / 300.0, on.TapeShare, 12);
        var line = FlyLine.Blank;
        Assert.Equal(
            [90, 36, 6.5, 5],
            new[] { line.LengthM, line.HeadM, line.FrontTaperM, line.RearTaperM }.Select(m => Math.Round(m / Ft, 9))
        );
        Assert.Equal((.0009, .0014, .0009), (line.TipDiameterM, line.BellyDiameterM, line.RunningDiameterM));
    }

    // The plain figures of a measured line: its tapers end where it is as thick as it gets, give or take a two-hundredth.
    [Fact]
    public void A_profile_tells_the_plain_figures()
    {
        var line = FlyLine.Blank with { Tag = "L", Name = "l", LengthM = 14.051, RunningDiameterM = .0008 };
        var profile = new LineProfile([new(4, .0008, .0012, 880), new(6, .0012, .0012, 880), new(4, .0012, .0008, 880)]);
        var measured = line.With(profile, 14, .01);
        Assert.Equal(3.95, measured.FrontTaperM, 9);
        Assert.Equal(3.95, measured.RearTaperM, 9);
        Assert.Equal(.01 * profile.Kg, measured.HeadPlusMinusKg!.Value, 12);
        // A running line of 5 cm and more goes on behind it; a hand's breadth is how well anybody measured.
        Assert.Equal((14.051, 4), (measured.LengthM, measured.Stretches.Count));
        Assert.Equal(3, (line with { LengthM = 14.049 }).With(profile, 14, .01).Stretches.Count);
        Assert.Empty((measured with { LengthM = 14.149 }).Check());
        Assert.NotEmpty((measured with { LengthM = 14.152 }).Check());
        // Half a metre of even tip is left out; its belly is a belly from a foot of taper and a metre of length on.
        LineReading Read(double taper, double belly) =>
            LineReading.From(new([new(taper, .0008, .0012, 880), new(belly, .0012, .0012, 880)]), taper + belly, 9, .01);
        Assert.NotNull(Read(.31, 10).Belly);
        Assert.Null(Read(.27, 10).Belly);
        Assert.NotNull(Read(2, 1).Belly);
        Assert.Null(Read(2, .94).Belly);
    }

    // The head's tolerance: of scale and tape together, root of squares.
    [Fact]
    public void A_weighed_head_is_as_sure_as_scale_and_tape()
    {
        var part = FlyLine.Blank.With(
            new Weighing
            {
                MassKg = .01,
                ScalePlusMinusKg = .0002,
                TapeShare = .01,
            }
        );
        Assert.Equal(Math.Sqrt(.02 * .02 + .01 * .01), part.HeadPlusMinusKg!.Value / part.HeadKg!.Value, 9);
        var whole = FlyLine.Blank.With(
            new Weighing
            {
                MassKg = .012,
                LengthM = 11,
                WholeHead = true,
                ScalePlusMinusKg = .0003,
                TapeShare = .01,
            }
        );
        Assert.Equal(.0003, whole.HeadPlusMinusKg!.Value, 12);
    }

    // A level tip is half a metre at the most, even to 3 %, and thinner than what follows by a twentieth.
    [Theory]
    [InlineData(.495, 1, 1.2, true)]
    [InlineData(.505, 1, 1.2, false)]
    [InlineData(.3, 1.0295, 1.2, true)]
    [InlineData(.3, 1.0305, 1.2, false)]
    [InlineData(.3, 1, 1.055, true)]
    [InlineData(.3, 1, 1.045, false)]
    public void A_level_tip_is_left_out(double lengthM, double swells, double toMm, bool level) =>
        Assert.Equal(
            level ? lengthM : 0,
            new LineProfile([new(lengthM, .001, swells * .001, 900), new(9, swells * .001, toMm / 1000, 900)]).LevelTipM
        );

    // What calipers and scale may say of a line.
    [Theory]
    [InlineData(.3, 60, "lengthM")]
    [InlineData(300, 12000, "massKg")]
    public void A_profile_is_refused_where_no_line_is_so(double low, double high, string field)
    {
        bool Refused(double value)
        {
            var length = field == "lengthM" ? value : 10;
            var kg = (field == "massKg" ? value : 900) * Math.PI / 4 * 1e-6 * length;
            return LineProfile.Check([new(0, .001)], length, kg).Any(p => p.Field == field);
        }
        Assert.True(Refused(low * .99) && !Refused(low * 1.001) && !Refused(high * .999) && Refused(high * 1.01));
    }

    // Heads as they are built, thrown with dice: their true class lies within what a weighing of the whole head says, nine times in ten.
    [Fact]
    public void A_whole_head_weighed_says_how_wide_unknown_tapers_leave_its_class()
    {
        var dice = new Random(5);
        double Within(double low, double high) => low + (high - low) * dice.NextDouble();
        var inside = Enumerable
            .Range(0, 400)
            .Count(_ =>
            {
                var (length, front, rear, tip) = (Within(9.6, 16), Within(.8, 3.2), Within(0, 3), Within(.5, .8));
                var head = new LineProfile([
                    new(front, tip * .0013, .0013, 880),
                    new(length - front - rear, .0013, .0013, 880),
                    new(rear, .0013, .0009, 880),
                ]);
                var said = LineClass.From(
                    new()
                    {
                        MassKg = head.Kg,
                        LengthM = length,
                        WholeHead = true,
                    }
                );
                var truth = LineWeights.ClassOf(head.MassKg(Exact.ThirtyFeetM));
                return truth >= said.Spread!.Value.Low && truth <= said.Spread.Value.High;
            });
        Assert.InRange(inside, 360, 400);
    }
}
