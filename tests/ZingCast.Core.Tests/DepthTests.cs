using CsCheck;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.OdeSolvers;
using ZingCast.Core.Briefs;
using ZingCast.Core.Depth;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

// A fly on its way down, and held there.
public class DepthTests
{
    private static FlyCase Case(
        double lineMps,
        FishedBy by = FishedBy.Retrieve,
        double countS = 20,
        double stripM = .3,
        double pauseS = 1,
        double currentMps = 0,
        double targetM = 2
    ) => new(new(lineMps, .06, .6), by, 15, 2, currentMps, countS, stripM, pauseS, 40, targetM);

    // A falling cylinder: v = √((π/2)·d·g·(ρl/ρw − 1)/Cd), Cd 1.1–1.2. A 0.95 mm tungsten tip of 14 grains a foot falls at about 0.20 m/s,
    // inside its trade class of 8–9 in/s. Formula by hand; the class is common practice.
    [Fact]
    public void A_falling_cylinder_of_14_grains_a_foot_is_what_the_trade_calls_type_8()
    {
        const double D = .00095;
        var density = 14 * Exact.GrainKg / Exact.FootM / (Math.PI / 4 * D * D);
        var v = Math.Sqrt(Math.PI / 2 * D * Exact.GravityMps2 * (density / 1000 - 1) / 1.15);
        var type8 = Densities.Get("type8");
        Assert.InRange(v / Exact.InchM, type8.FromInps - .5, type8.ToInps + .5);
        Assert.InRange(type8.SinkMps, .9 * v, 1.1 * v);
    }

    // Weight under water against drag, by hand: a beaded fly by itself.
    [Fact]
    public void A_fly_falls_at_the_speed_at_which_its_drag_is_its_weight()
    {
        var brief = Brief.Complete(new() { FlyKind = "beaded-nymph", HookSize = 12 });
        var v = Sinking.FlyMps(brief.Fly, 0, .0002, brief.Fly.WetKg);
        var weight = brief.Fly.WetKg * Exact.GravityMps2 * (1 - 1000 / 3000.0);
        Assert.Equal(weight, 500 * brief.Fly.AreaM2 * v * v, 9);
    }

    // The same equations by a general-purpose solver (Math.NET Numerics, fourth-order Runge–Kutta), pull by pull.
    [Theory]
    [InlineData(.02, .3, 1)]
    [InlineData(.08, .5, .5)]
    [InlineData(0, .15, 2)]
    public void The_way_of_a_fly_is_what_a_general_solver_makes_of_it(double lineMps, double stripM, double pauseS)
    {
        // Just so far out that it is in after eight strips.
        const int Strips = 8;
        var at = Case(lineMps, stripM: stripM, pauseS: pauseS) with { CastM = 2.5 + Strips * stripM };
        var path = FlyPath.Simulate(at);
        var y = Vector<double>.Build.Dense([0, 0, at.CastM]);
        void Run(double seconds, double pull)
        {
            var steps = Math.Max(2, (int)(seconds / .004));
            y = RungeKutta.FourthOrder(
                y,
                0,
                seconds,
                steps,
                (_, s) =>
                    Vector<double>.Build.Dense([
                        at.Rates.LineMps - pull * s[0] / Math.Max(s[2], .1),
                        (s[1] < at.Rates.HeldM ? at.Rates.FlyMps : 0) - pull * s[1] / at.LeaderM,
                        -pull,
                    ])
            )[^1];
            y[0] = Math.Max(0, y[0]);
            y[1] = Math.Clamp(y[1], 0, at.Rates.HeldM);
        }
        Run(at.CountS, 0);
        for (var strip = 0; strip < Strips; strip++)
        {
            if (strip > 0)
                Run(pauseS, 0);
            Run(stripM / .5, .5);
        }
        var end = path.Moments[^1];
        Assert.Equal(at.CountS + Strips * stripM / .5 + (Strips - 1) * pauseS, end.TimeS, 6);
        Assert.InRange(end.DepthM, .995 * (y[0] + y[1]), 1.005 * (y[0] + y[1]));
        Assert.InRange(FlyPath.Simulate(at, 4).HeldM / path.HeldM, .995, 1.005);
    }

    [Fact]
    public void Twitches_too_short_to_tell_apart_are_one_steady_pull()
    {
        var steady = FlyPath.Simulate(Case(.06, pauseS: 0));
        Assert.InRange(FlyPath.Simulate(Case(.06, pauseS: 0) with { StripM = 1e-7 }).HeldM / steady.HeldM, .99, 1.01);
    }

    private static readonly Gen<FlyCase> AnyCase = Gen.Select(
        Gen.Double[0, .25],
        Gen.Enum<FishedBy>(),
        Gen.Double[0, 60],
        Gen.Double[0, 1],
        Gen.Double[0, 5],
        Gen.Double[0, 2],
        Gen.Double[.1, 20],
        (line, by, count, strip, pause, current, water) =>
            new FlyCase(new(line, .05, .7), by, 14, 2.2, current, count, strip, pause, water, water * .7)
    );

    [Fact]
    public void A_fly_is_never_above_the_water_nor_below_the_bottom_and_its_way_ends() =>
        AnyCase.Sample(at =>
        {
            var path = FlyPath.Simulate(at);
            Assert.All(path.Moments, m => Assert.InRange(m.DepthM, 0, at.WaterM));
            Assert.All(path.Moments.Zip(path.Moments.Skip(1)), m => Assert.True(m.Second.TimeS >= m.First.TimeS));
            Assert.InRange(path.InZone, 0, 1);
            Assert.InRange(path.HeldM, 0, path.DeepestM + 1e-9);
            Assert.Equal(path, FlyPath.Simulate(at), (a, b) => a.HeldM == b.HeldM && a.DeepestM == b.DeepestM);
        });

    [Fact]
    public void Longer_pauses_and_a_faster_line_hold_a_fly_deeper_and_more_current_swings_it_up()
    {
        Assert.True(FlyPath.Simulate(Case(.06, pauseS: 3)).HeldM > FlyPath.Simulate(Case(.06, pauseS: .5)).HeldM);
        Assert.True(FlyPath.Simulate(Case(.10)).HeldM > FlyPath.Simulate(Case(.05)).HeldM);
        Assert.True(
            FlyPath.Simulate(Case(.06, FishedBy.Swing, currentMps: .3)).HeldM
                > FlyPath.Simulate(Case(.06, FishedBy.Swing, currentMps: 1)).HeldM
        );
    }

    // By hand: 0.6 m/s for the seconds it takes to sink.
    [Fact]
    public void A_nymph_is_pitched_upstream_by_what_the_current_carries_it_while_it_sinks()
    {
        var path = FlyPath.Simulate(Case(0, FishedBy.Drift, currentMps: .6, targetM: .5));
        Assert.Equal(.5 / .06, path.CountToS!.Value, 6);
        Assert.Equal(.6 * .5 / .06, path.PitchM!.Value, 6);
        Assert.Null(FlyPath.Simulate(Case(0, FishedBy.Drift, targetM: 3)).PitchM);
    }

    // By hand: current times seconds. A retrieved fly drifts until the pulls begin, one that is left drifts on.
    [Theory]
    [InlineData(FishedBy.Retrieve, 20)]
    [InlineData(FishedBy.Drift, 1e9)]
    public void While_it_is_counted_down_the_current_carries_the_fly(FishedBy by, double untilS)
    {
        var moments = FlyPath.Simulate(Case(.06, by, countS: 20, currentMps: .3)).Moments;
        Assert.True(moments[^1].TimeS > 20);
        Assert.All(moments, m => Assert.Equal(.3 * Math.Min(m.TimeS, untilS), m.DriftM, 6));
    }

    // One depth core, for any brief.
    [Fact]
    public void The_bench_wants_the_line_that_matching_wants() =>
        Assert.All(
            AnyBrief.Many(40),
            any =>
            {
                var brief = Brief.Complete(any.Draft with { Owned = Owned.Any });
                var solved = Matcher.Solve(brief, GearShed.Empty, cancel: TestContext.Current.CancellationToken);
                var tippet = solved.Outfit.Tippet.DiameterM;
                var answer = DepthAnswer.For(brief, new(), d => Matcher.UsualLeaderM(brief, d), tippet);
                Assert.Equal(solved.Outfit.Line.Density, answer.Lines.FirstOrDefault(l => l.Wanted)?.Density ?? Densities.Floating.Id);
            }
        );

    // Stillwater practice: floating to about 1.5 m, intermediate to about 3, faster below. Common practice, no source.
    [Theory]
    [InlineData(1.2, "floating")]
    [InlineData(2.5, "intermediate")]
    [InlineData(6, "type3")]
    public void Stillwater_depth_picks_the_line_that_people_pick(double depthM, string density)
    {
        var brief = Brief.Complete(
            new()
            {
                Species = "lake-trout",
                FlyKind = "slim-streamer",
                HookSize = 8,
                DepthM = depthM,
                Water = Water.Stillwater,
            }
        );
        var wanted = Sinking.Lightest(brief, d => Matcher.UsualLeaderM(brief, d), .0002);
        Assert.InRange(Densities.Rank(wanted.Id) - Densities.Rank(density), -1, density == "type3" ? 2 : 1);
    }

    [Fact]
    public void Water_that_is_just_deeper_than_the_fly_snags_and_a_drift_is_told_to_weight_the_fly()
    {
        var zander = Brief.Complete(DemoGear.Briefs[2].Draft);
        var shallow = DepthAnswer.For(zander, new() { WaterM = 4.05, CountS = 100 }, d => Matcher.UsualLeaderM(zander, d), .0003);
        Assert.NotNull(shallow.Lines[shallow.At].Path.BottomAtS);
        Assert.Contains(shallow.Others, o => o.Says.ToString().Contains("bottom", StringComparison.Ordinal));
        var nymph = Brief.Complete(
            new()
            {
                FlyKind = "beaded-nymph",
                HookSize = 14,
                DepthM = 1.5,
                CurrentMps = 1,
                Water = Water.River,
            }
        );
        var drift = DepthAnswer.For(nymph, new(), d => Matcher.UsualLeaderM(nymph, d), .00018);
        Assert.Equal(FishedBy.Drift, drift.By);
        Assert.Contains(
            drift.Others,
            o =>
                o.Says.ToString().Contains("sinking line", StringComparison.Ordinal)
                || o.Says.ToString().Contains("longer leader", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void A_fly_on_the_surface_is_not_followed_down()
    {
        var dry = Brief.Complete(DemoGear.Briefs[1].Draft);
        var answer = DepthAnswer.For(dry, new(), d => Matcher.UsualLeaderM(dry, d), .00015);
        Assert.Empty(answer.Lines);
        Assert.Contains("surface", answer.Says.ToString(), StringComparison.Ordinal);
    }
}
