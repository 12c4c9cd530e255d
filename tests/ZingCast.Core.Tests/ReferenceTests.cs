using MathNet.Numerics.Integration;
using MathNet.Numerics.Interpolation;
using MathNet.Numerics.RootFinding;
using ZingCast.Core.Casting;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>Numbers held against what stands outside this project: standards, textbooks and general libraries, named at each.</summary>
public class ReferenceTests
{
    // International yard and pound agreement of 1959: yard 0.9144 m, pound 0.45359237 kg, both exact.
    [Fact]
    public void Yard_and_pound_are_those_of_1959_and_the_rest_follows()
    {
        Assert.Equal(.9144, Exact.YardM);
        Assert.Equal(.45359237, Exact.PoundKg);
        Assert.Equal(Exact.YardM / 3, Exact.FootM, 15);
        Assert.Equal(Exact.FootM / 12, Exact.InchM, 15);
        Assert.Equal(Exact.PoundKg / 7000, Exact.GrainKg, 15);
        Assert.Equal(Exact.PoundKg / 16, Exact.OunceKg, 15);
    }

    // SI brochure, table 8 of its 8th edition: a knot is a nautical mile of 1852 m an hour. CGPM 1901: standard gravity 9.80665 m/s².
    [Fact]
    public void A_knot_is_an_international_mile_an_hour_and_a_pound_weighs_by_standard_gravity()
    {
        Assert.Equal(1852, Exact.KnotMps * 3600, 9);
        Assert.Equal(9.80665 * Exact.PoundKg, Exact.PoundForceN, 12);
        Assert.Equal(1609.344, Exact.MphMps * 3600, 9);
    }

    // Fahrenheit's scale as defined by NIST SP 811: 32 °F freezes, 212 °F boils.
    [Theory]
    [InlineData("32°F", 0)]
    [InlineData("212f", 100)]
    [InlineData("-40 f", -40)]
    public void Fahrenheit_is_read_as_NIST_defines_it(string text, double celsius) =>
        Assert.Equal(celsius, Reader.Read(Kind.Temperature, text, metric: false).Value!.Value, 9);

    // AFFTA fly line weight specification, recalled: ±4 % and no less than 6 grains; between the ranges nobody's line.
    [Theory]
    [InlineData(174, null)]
    [InlineData(160, 6)]
    [InlineData(168, 6)]
    [InlineData(177, 7)]
    [InlineData(245, 9)]
    [InlineData(257, null)]
    public void A_line_between_the_AFFTA_ranges_is_nobodys(double grains, int? lineClass) =>
        Assert.Equal(lineClass, LineWeights.RowOf(grains * Exact.GrainKg)?.Class);

    // Math.NET, piecewise linear interpolation of the AFFTA targets.
    [Fact]
    public void Between_whole_classes_the_AFFTA_masses_run_straight_as_Math_NET_draws_them()
    {
        var spline = LinearSpline.Interpolate(LineWeights.Rows.Select(r => (double)r.Class), LineWeights.Rows.Select(r => r.TargetGr));
        for (var c = 0.0; c <= 15; c += .1)
            Assert.Equal(spline.Interpolate(c), LineWeights.MassKg(c) / Exact.GrainKg, 6);
    }

    // WMO Beaufort scale, wind at 10 m in m/s: force 4 is 5.5–7.9, force 6 10.8–13.8, force 8 17.2–20.7.
    [Theory]
    [InlineData(5.5, 4)]
    [InlineData(7.9, 4)]
    [InlineData(10.8, 6)]
    [InlineData(13.8, 6)]
    [InlineData(17.2, 8)]
    [InlineData(20.7, 8)]
    [InlineData(32.7, 12)]
    public void Winds_have_the_force_the_WMO_gives_them(double mps, int force) => Assert.Equal(force, Beaufort.FromSpeed(mps).Force);

    // ISO 2533 standard atmosphere: 1.225 kg/m³ at 15 °C and sea level.
    [Fact]
    public void Air_weighs_what_the_standard_atmosphere_says() => Assert.Equal(1.225, new CastDay(0, 0, 2, AirC: 15).AirKgM3, .0005);

    // Thue 1910: circles cover no more than π/(2√3) of a plane.
    [Fact]
    public void No_spool_packs_closer_than_Thues_circles()
    {
        Assert.True(Backings.TightPacking < Math.PI / (2 * Math.Sqrt(3)));
        Assert.True(Backings.LoosePacking < Backings.OrdinaryPacking && Backings.OrdinaryPacking < Backings.TightPacking);
    }

    // Euclid's frustum, and Math.NET's quadrature of the same thickness.
    [Fact]
    public void A_taper_holds_the_volume_of_a_frustum()
    {
        var taper = new Stretch(2.4, .0009, .0015, 880);
        var frustum = Math.PI * 2.4 / 12 * (.0009 * .0009 + .0009 * .0015 + .0015 * .0015);
        Assert.Equal(frustum, taper.Volume(2.4), 15);
        var area = (double s) => Math.PI / 4 * taper.ThickM(s) * taper.ThickM(s);
        Assert.Equal(GaussLegendreRule.Integrate(area, 0, 1.7, 20), taper.Volume(1.7), 15);
    }

    // The rule of the third is exact at the golden ratio's inverse, the root that Math.NET finds of r² + r − 1.
    [Fact]
    public void The_rule_of_the_third_is_exact_at_the_golden_ratio()
    {
        var golden = Brent.FindRoot(r => r * r + r - 1, 0, 1, 1e-14);
        Assert.Equal((Math.Sqrt(5) - 1) / 2, golden, 12);
        Assert.Equal(0, BellyWeight.From(.024, 9.144, 1.83, golden).Off, 12);
        Assert.True(BellyWeight.From(.024, 9.144, 1.83, .5).Off != 0);
    }

    // Euler–Bernoulli beam, any textbook of mechanics: a uniform cantilever under a small load sags by PL³/3EI.
    [Fact]
    public void Under_a_feather_a_level_stick_sags_as_Euler_and_Bernoulli_say()
    {
        var stick = new BendModel(2, 8, 1);
        const double load = .002;
        Assert.Equal(load * 8 / (3 * 8), stick.Under(load, Math.PI / 2).DownM, 1e-7);
        Assert.Equal(load * 4 / (2 * 8), stick.Under(load, Math.PI / 2).TipRad, 1e-7);
    }

    // Castigliano 1879: the work that more pull does is pull times the way it goes along itself.
    [Fact]
    public void Energy_and_way_of_a_bent_rod_belong_together_as_Castigliano_says()
    {
        var rod = new BendModel(2.6, 20, .2);
        const double pull = 6,
            little = .01;
        var (less, more) = (rod.Under(pull - little, 1.2), rod.Under(pull + little, 1.2));
        Assert.Equal(pull * (more.AlongPullM - less.AlongPullM), more.EnergyJ - less.EnergyJ, 2e-5);
    }

    // Statics: the moment at the hand is the pull times its lever.
    [Fact]
    public void The_moment_in_the_hand_is_pull_times_lever()
    {
        var rod = new BendModel(2.6, 20, .2);
        foreach (var angle in new[] { .6, 1.2, 1.57, 2.2 })
        {
            var bend = rod.Under(9, angle);
            Assert.Equal(9 * Math.Abs(bend.OutM * Math.Sin(angle) - bend.DownM * Math.Cos(angle)), bend.ButtNm, 2e-3);
        }
    }

    // Huygens 1673, the compound pendulum: a uniform stick hung by its end swings in 2π√(2L/3g).
    [Fact]
    public void A_stick_timed_as_Huygens_pendulum_has_the_swing_weight_of_a_stick()
    {
        const double length = 2.4,
            mass = .1;
        var period = 2 * Math.PI * Math.Sqrt(2 * length / (3 * Exact.GravityMps2));
        var rod = new Rod
        {
            Tag = "R",
            Name = "a stick",
            LengthM = length,
            PrintedClass = 6,
            MassKg = mass,
        };
        var at = new RodBalance
        {
            BalanceM = length / 2,
            FulcrumM = .3,
            SwingS = period,
            PivotM = 0,
        };
        var about = mass * length * length / 12 + mass * Math.Pow(length / 2 - .3, 2);
        Assert.Equal(about, Balanced.SwingOf(rod, at), 9);
    }

    // Fritsch and Carlson 1980: a monotone curve through rising points never falls between them.
    [Fact]
    public void The_calibration_rises_as_Fritsch_and_Carlson_have_it()
    {
        var points = Calibration.Usual.Points;
        Assert.All(points, p => Assert.Equal(p.Number, Calibration.Usual.NumberOf(p.Grams / 1000).Number, 9));
        var numbers = Enumerable.Range(70, 320).Select(g => Calibration.Usual.NumberOf(g / 1000.0).Number).ToList();
        Assert.Equal(numbers.Order(), numbers);
    }
}
