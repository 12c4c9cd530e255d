using CsCheck;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.OdeSolvers;
using ZingCast.Core.Briefs;
using ZingCast.Core.Depth;
using ZingCast.Core.Flies;
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
                        at.Rates.LineMps - pull * s[0] / s[2],
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

    private static Brief Fished(
        Func<FlyKind, bool> kind,
        double currentMps = 0,
        double distanceM = 15,
        double depthM = 2,
        Water water = Water.River
    )
    {
        var brief = Brief.Complete(new() { FlyKind = FlyKinds.Rows.First(kind).Id });
        return brief with { CurrentMps = currentMps, DistanceM = distanceM, DepthM = depthM, Water = water };
    }

    private static bool Sparse(FlyKind kind) => kind is { Bushy: false, Weighted: false, Nymph: false };

    private static SinkRates On(Brief brief, int rank) => Sinking.Rates(brief, Densities.Rows[rank], _ => 3, .0002, brief.Fly.WetKg);

    // A fly hangs half a leader below a floating line, and the less the faster the line; by its own weight lower by 1.6, in a current of
    // 0.8 m/s half as low, but a nymph drifts with it. Common practice, no source.
    [Fact]
    public void A_fly_hangs_below_the_tip_by_a_share_of_its_leader()
    {
        var still = Fished(Sparse);
        Assert.Equal(
            [1.5, 1.05, .9, .75, .6, .6, .6, .6, .6, .6],
            Densities.Rows.Select((_, rank) => Math.Round(On(still, rank).HeldM, 9))
        );
        Assert.Equal(1.5 * 1.6, On(Fished(k => k is { Weighted: true, Nymph: false }), 0).HeldM, 9);
        Assert.Equal(.75, On(Fished(Sparse, currentMps: .8), 0).HeldM, 9);
        Assert.Equal(1.5 * 1.6, On(Fished(k => k.Nymph, currentMps: .8), 0).HeldM, 9);
    }

    // Three fifths of the drift and three seconds for a mend; 55 s where nothing carries it away. Common practice, no source.
    [Fact]
    public void A_fly_sinks_as_long_as_the_drift_lets_it()
    {
        Assert.Equal(3 + .6 * 12 / .5, Sinking.TimeS(Fished(Sparse, .5, 12)), 9);
        Assert.Equal(55, Sinking.TimeS(Fished(Sparse)), 9);
        // A line that hardly has time fishes 10 cm lower than the next lighter one.
        var brief = Fished(Sparse, 2, 3);
        var time = Sinking.TimeS(brief);
        Assert.Equal(.1, On(brief, 1).DepthM(time) - On(brief, 0).DepthM(time), 9);
    }

    // Weight under water against drag, fly and a third of the leader broadside: metal 3000 kg/m³, sparse 1500, bulky 1100. From memory.
    [Theory]
    [InlineData(3000, false, true)]
    [InlineData(1500, false, false)]
    [InlineData(1100, true, false)]
    public void What_a_fly_is_made_of_tells_how_fast_it_falls(double kgM3, bool bushy, bool weighted)
    {
        var fly = Fished(k => k.Bushy == bushy && k.Weighted == weighted && !k.Nymph).Fly;
        var v = Sinking.FlyMps(fly, 3, .0002, fly.WetKg);
        Assert.Equal(fly.WetKg * Exact.GravityMps2 * (1 - 1000 / kgM3), 500 * (fly.AreaM2 + 1.1 * .0002 * 1) * v * v, 9);
    }

    // Over waves a floating line lifts the fly: hover to a foot, an intermediate below. Common practice, no source.
    [Theory]
    [InlineData(.295, 1)]
    [InlineData(.305, 2)]
    public void Over_waves_no_line_floats(double depthM, int least) =>
        Assert.Equal(least, Sinking.Least(Fished(Sparse, depthM: depthM, water: Water.Shore)));

    // Tried a tenth heavier at a time, up to ten times its mass: the first that gets there.
    [Fact]
    public void A_heavier_fly_gets_there_on_a_floating_line()
    {
        var brief = Fished(k => k.Nymph, 1, 8, 1.4);
        var kg = Sinking.FlyForKg(brief, 3, .0002)!.Value;
        var times = Math.Log(kg / brief.Fly.WetKg) / Math.Log(1.1);
        Assert.Equal(Math.Round(times), times, 6);
        Assert.InRange(times, 1, 24);
        double Depth(double by) => Sinking.DepthM(brief, Densities.Floating, _ => 3, .0002, by);
        Assert.True(Depth(kg) >= 1.4 && Depth(kg / 1.1) < 1.4);
        // Just what ten times its mass fishes, and a finger more.
        var most = Depth(brief.Fly.WetKg * Math.Pow(1.1, 24));
        Assert.NotNull(Sinking.FlyForKg(brief with { DepthM = most - .001 }, 3, .0002));
        Assert.Null(Sinking.FlyForKg(brief with { DepthM = most + .001 }, 3, .0002));
    }

    // How long a fly is followed: a drift twice the cast long, a swing a quarter of a circle and a minute at the most, a still line a
    // minute, nothing longer than five; a retrieve to half a metre from the leader.
    [Theory]
    [InlineData(FishedBy.Drift, 15, .6, 50)]
    [InlineData(FishedBy.Drift, 5, .01, 200)]
    [InlineData(FishedBy.Drift, 15, .01, 300)]
    [InlineData(FishedBy.Swing, 15, 1, 20 + Math.PI / 2 * 15)]
    [InlineData(FishedBy.Swing, 15, .3, 80)]
    [InlineData(FishedBy.Swing, 3, .05, 20 + Math.PI / 2 * 30)]
    [InlineData(FishedBy.Retrieve, 15, 0, 80)]
    public void A_fly_is_followed_as_long_as_it_is_fished(FishedBy by, double castM, double currentMps, double endS)
    {
        var path = FlyPath.Simulate(Case(.02, by, currentMps: currentMps, stripM: 0) with { CastM = castM });
        Assert.InRange(path.Moments[^1].TimeS, endS - 1e-6, endS + .1001);
        Assert.InRange(path.Moments.Count, 2, 160);
    }

    [Fact]
    public void A_retrieve_ends_half_a_metre_from_the_leader_or_after_five_minutes()
    {
        // Drawn at half a metre a second: 15 m of cast, 2 of leader and half a metre.
        var end = FlyPath.Simulate(Case(0, pauseS: 0)).Moments[^1];
        Assert.Equal(20 + 12.5 / .5, end.TimeS, .0001);
        Assert.Equal(2.5, Math.Sqrt(end.AwayM * end.AwayM + end.DepthM * end.DepthM), .01);
        var slow = FlyPath.Simulate(Case(.02, stripM: .01, pauseS: 30)).Moments;
        Assert.Equal((300, 160), (slow[^1].TimeS, slow.Count));
        // A tenth of a second at a time.
        Assert.Equal(.1, FlyPath.Simulate(Case(.02, countS: 1, pauseS: 0) with { CastM = 3 }).Moments[1].TimeS, 9);
    }

    private static DepthAnswer Ask(Brief brief, DepthWish wish) => DepthAnswer.For(brief, wish, _ => 3, .0002);

    // Common practice, no source: 30 cm a strip with a second's pause, a metre of water under the fish, a foot of sight.
    [Fact]
    public void Where_nobody_says_it_a_retrieve_is_the_usual_one()
    {
        var answer = Ask(Fished(Sparse), new());
        Assert.Equal((.3, 1, 3, .3), (answer.StripM, answer.PauseS, answer.WaterM, answer.ZoneM));
        Assert.Equal([FishedBy.Retrieve, FishedBy.Swing], new[] { .246, .254 }.Select(mps => Ask(Fished(Sparse, mps), new()).By));
    }

    // Common practice, no source: 15 cm off the bottom a hook catches; a fly that is with the fish for less than 0.3 of its way left early.
    [Fact]
    public void A_fly_too_near_the_bottom_or_too_soon_away_is_told()
    {
        var brief = Fished(Sparse);
        bool Says(DepthAnswer answer, string words) => answer.Others.Any(o => o.Says.ToString().Contains(words, StringComparison.Ordinal));
        var deep = Ask(brief, new(WaterM: 30));
        var deepest = deep.Lines[deep.At].Path.DeepestM;
        Assert.True(Says(Ask(brief, new(WaterM: deepest + .149)), "it will snag"));
        Assert.False(Says(Ask(brief, new(WaterM: deepest + .151)), "it will snag"));
        // Longer pauses hold it down; told is it below a share of 0.3 and not from it on.
        double InZone(DepthAnswer answer) => answer.Lines[answer.At].Path.InZone;
        List<DepthAnswer> near = [];
        for (double low = 0, high = 8; high - low > .001; )
        {
            near.Add(Ask(brief with { DepthM = 1.4 }, new(PauseS: (low + high) / 2, WaterM: 30)));
            (low, high) = InZone(near[^1]) < .3 ? ((low + high) / 2, high) : (low, (low + high) / 2);
        }
        Assert.Contains(near, a => InZone(a) is > .291 and < .3);
        Assert.Contains(near, a => InZone(a) is >= .3 and < .309);
        Assert.All(near, a => Assert.Equal(InZone(a) < .3, Says(a, "leaves the fish early")));
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
