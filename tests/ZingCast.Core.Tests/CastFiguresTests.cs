using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Flies;
using ZingCast.Core.Leaders;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>
/// What a cast goes by, figure by figure: common practice and our estimates, no source, where nothing else is said. And worked examples
/// as the engine came to them when this was written: whoever moves a step, a grain or a share of the search says why.
/// </summary>
public class CastFiguresTests
{
    private static CastSetup Outfit(
        string caster,
        double lineClass,
        string fly,
        int hook,
        double headwindMps,
        double crosswindMps,
        double tipM
    )
    {
        var line = Reel.TypicalLine(lineClass) with { LengthM = 40 };
        var tied = Fly.For(FlyKinds.Find(fly)!, new(hook));
        return new(
            LineInAir.From(line, Leader.Build(2.7, line.TipDiameterM, hook < 0 ? .00045 : .0002, 0)),
            line.HeadM,
            tied.WetKg,
            tied.AreaM2,
            tied.Kind.Weighted,
            CastSetup.TipKg(lineClass),
            LineWeights.MassKg(lineClass),
            Casters.Find(caster)!,
            new(headwindMps, crosswindMps, tipM)
        );
    }

    private static string Say(CastResult cast) =>
        FormattableString.Invariant($"{cast.ReachM:0.0000} {cast.CarryM:0.0000} {cast.ShotM:0.0000}");

    [Theory]
    [InlineData("learner", 4, "dry", 14, 0, 0, "11.7690 9.1440 0.0209 | 11.7690 9.1440 0.0209 | 12.6789 9.0000 1.0711 | 4.6888")]
    [InlineData("club", 6, "dry", 14, 3, 1, "16.3524 12.1920 1.6099 | 12.0000 9.3000 0.0270 | 13.1870 9.0000 1.5829 | 6.2000")]
    [InlineData("club", 8, "baitfish", -1, 7, 0, "10.7121 9.4906 0.0000 | 10.7121 9.4906 0.0000 | 10.3201 9.0000 0.1060 | 5.8412")]
    [InlineData(
        "skilled",
        7,
        "slim-streamer",
        6,
        -4,
        2,
        "29.2955 13.3980 13.4262 | 12.0000 9.3000 0.0017 | 19.7729 9.0000 8.3683 | 6.2000"
    )]
    [InlineData("skilled", 9, "shrimp-crab", 0, 10, 0, "11.6610 10.4295 0.0000 | 11.6610 10.4295 0.0000 | 0.0000 9.0000 0.0000 | 6.2000")]
    [InlineData("expert", 9, "predator", -4, 1, 0, "22.0233 9.8758 10.8917 | 12.0000 9.3000 0.0105 | 12.1948 9.0000 2.0114 | 6.2000")]
    [InlineData("learner", 5, "predator", -5, 9, 3, "2.9260 1.1626 0.0000 | 2.9260 1.1626 0.0000 | 0.0000 9.0000 0.0000 | 2.9260")]
    public void The_farthest_cast_stays_what_it_is(
        string caster,
        double lineClass,
        string fly,
        int hook,
        double head,
        double cross,
        string said
    )
    {
        var setup = Outfit(caster, lineClass, fly, hook, head, cross, 2.4);
        Assert.Equal(
            said,
            $"{Say(CastSearch.Farthest(setup))} | {Say(CastSearch.Reach(setup, 12).Cast)} | "
                + $"{Say(CastSearch.FarthestAt(setup, 9, 20))} | {CastSearch.LobM(setup):0.0000}"
        );
    }

    // A learner lobs at 0.36 of the arm's speed with the leader and 3.5 m of line. By hand: level, against the air, as long as it falls.
    [Theory]
    [InlineData("learner", 0)]
    [InlineData("club", 6)]
    public void A_lob_is_a_swing_and_a_fall(string caster, double headMps)
    {
        var setup = Outfit(caster, 6, "giant", -6, headMps, 0, 1.2);
        double speed = .36 * Casters.Find(caster)!.FreeMps,
            kg = setup.FlyKg + setup.Line.MassKg(2.7 + 3.5) - setup.Line.MassKg(2.7),
            against = speed + headMps * Math.Log(1.2 / .0002) / Math.Log(10 / .0002),
            slows = .5 * 101325 / (287.05 * 293.15) * setup.FlyAreaM2 / kg * against * against,
            time = Math.Min(Math.Sqrt(2 * 1.2 / 9.80665), speed / slows);
        Assert.Equal(Math.Min(6.2, speed * time - slows * time * time / 2), CastSearch.LobM(setup), 6);
    }

    private static CastDay Day(Stance stance, Cover cover, double headMps = 0, double rodM = 2.74) =>
        CastDay.From(Brief.Complete(new()) with { Stance = stance, Cover = cover, WindMps = headMps, WindFromDeg = 0 }, rodM);

    // A hand at 1.6 m and nearly half the rod over it; less for who wades, more for who stands in a boat, low under branches.
    [Theory]
    [InlineData(Stance.Bank, Cover.Open, 1.6 + .45 * 2.74)]
    [InlineData(Stance.Wading, Cover.Open, 1.1 + .45 * 2.74)]
    [InlineData(Stance.DeepWading, Cover.Open, .6 + .45 * 2.74)]
    [InlineData(Stance.Boat, Cover.Open, 2 + .45 * 2.74)]
    [InlineData(Stance.Bank, Cover.Canopy, 1.6)]
    public void A_rod_tip_is_as_high_as_who_holds_it(Stance stance, Cover cover, double tipM)
    {
        var day = Day(stance, cover);
        Assert.Equal(tipM, day.TipHeightM, 9);
        Assert.Equal((.4, .0002, 20), (day.ClearanceM, day.RoughnessM, day.AirC));
        Assert.Equal(1.5, Day(stance, Cover.Behind).ClearanceM);
    }

    // From behind a third and a bit of a light wind helps, nothing is left at 8 m/s, and more costs distance.
    [Fact]
    public void A_wind_from_behind_gives_little_and_takes_it_back()
    {
        Assert.Equal(5, CastDay.Felt(5));
        Assert.Equal(-.35 * 2 * (1 - 2 / 8.0), CastDay.Felt(-2), 9);
        Assert.Equal(0, CastDay.Felt(-8), 9);
        Assert.True(CastDay.Felt(-8.1) > 0);
    }

    // Guides: bare mono 0.01 N, thin coated 0.0225, running line 0.03, thick body 0.05. A tip weighs 2 g and 0.9 g a class.
    [Fact]
    public void A_line_rubs_in_the_guides_by_its_thickness()
    {
        Assert.Equal([.01, .01, .0225, .03, .05, .05], new[] { .0003, .0006, .0008, .001, .0014, .002 }.Select(CastSetup.GuidesN));
        Assert.Equal(.002 + .0009 * 6, CastSetup.TipKg(6), 12);
        Assert.Equal((1.2, 1.05), (CastSetup.OpenLoopM, CastEngine.CrossDrag));
        Assert.Equal((.45, .40, .20), (CastEngine.MaxFlyRatio, CastEngine.HeavyHeadFlyRatio, CastEngine.ComfortableFlyRatio));
        // No steeper than half its own length up.
        Assert.Equal(Math.Asin(.5), Outfit("club", 6, "dry", 14, 0, 0, 60).SteepestRad(9), 9);
    }

    // A rig of more than four grams, or of several flies, flies on an open loop.
    [Theory]
    [InlineData(.0039, false)]
    [InlineData(.0041, true)]
    public void A_heavy_rig_opens_the_loop(double flyKg, bool open)
    {
        var brief = Brief.Complete(new() { FlyKind = "giant" });
        brief = brief with { Fly = brief.Fly with { WetKg = flyKg }, Caster = Casters.Find("expert")! };
        var line = Reel.TypicalLine(9);
        var setup = CastSetup.For(brief, AnyBrief.Loan.Rods[0], line, Leader.Build(2.7, line.TipDiameterM, .0004, 0));
        Assert.Equal(open ? 1.2 : brief.Caster.LoopM, setup.LoopM);
    }

    // What is out of the window costs speed and opens the loop with its square, three times over where it is too heavy. By hand.
    [Fact]
    public void A_load_out_of_its_window_costs_speed()
    {
        var six = Outfit("club", 6, "dry", 14, 0, 0, 2.4);
        var lineKg = CastEngine.LineKg(six, six.HeadM);
        CastSetup Loaded(double ratio) =>
            new(six.Line, six.HeadM, six.FlyKg, six.FlyAreaM2, false, six.RodTipKg, (lineKg + six.FlyKg) / ratio, six.Caster, six.Day);
        double Opened(double ratio) => CastEngine.Launch(Loaded(ratio), six.HeadM).LoopM / six.LoopM;
        Assert.Equal(1, Opened(1), 9);
        Assert.Equal(1 + 3 * Math.Pow(1.8 / LineWeights.WindowTop - 1, 2), Opened(1.8), 9);
        Assert.Equal(1 + Math.Pow(1 - .6 / LineWeights.WindowLow, 2), Opened(.6), 9);
        var moved = lineKg + six.Line.MassKg(2.7) + six.FlyKg + six.RodTipKg;
        Assert.Equal(six.Caster.FreeMps / Math.Sqrt(1 + moved / six.Caster.ArmKg), CastEngine.Launch(Loaded(1), six.HeadM).LaunchMps, 9);
    }

    // A tenth in hand; climbing pays while a class adds two hundredths; a class rises by no more than 0.6 a metre. Common practice; ours.
    [Fact]
    public void The_class_for_a_distance_stays_what_it_is()
    {
        var curve = new ClassCurve(c => Outfit("skilled", c, "slim-streamer", 6, 4, 0, 2.4), 14);
        double[] said =
        [
            .. new[] { 12.0, 16, 18, 20, 22 }.Select(m => curve.Smooth(m, ClassCurve.InHand, 3)),
            curve.Flattens ?? -1,
            curve.Smallest(20) ?? -1,
        ];
        Assert.Equal(
            "8.977 11.377 12.577 13.777 14.000 7.000 5.250",
            string.Join(' ', said.Select(c => FormattableString.Invariant($"{c:0.000}")))
        );
        Assert.Equal((.10, .02), (ClassCurve.InHand, ClassCurve.WorthAClass));
    }
}
