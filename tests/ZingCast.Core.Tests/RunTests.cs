using CsCheck;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.OdeSolvers;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

// A fish that runs against drag, rings and the water along the line.
public class RunTests
{
    internal static readonly Reel Reel = new()
    {
        Tag = "S",
        Name = "reel",
        ArborM = .055,
        RimM = .1,
        WidthM = .032,
        MassKg = .2,
    };

    private static readonly FlyLine Line = Reel.TypicalLine(8);

    private static Backing B(string id) => Backings.Find(id)!;

    private static FishGroup Group(string id) => Fishes.Groups.First(g => g.Id == id);

    private static RunCase Case(
        string group,
        double kg,
        double dragN,
        string backing = "gel50",
        double tippetMm = .33,
        double metres = 230
    ) => new(Reel, Line, B(backing), metres, Leader.Build(2.7, .001, tippetMm / 1000, 0), Group(group), kg, new(dragN));

    private static readonly Gen<RunCase> AnyCase = Gen.Select(
        Gen.Int[0, Fishes.Groups.Count - 1],
        Gen.Double[.3, 1.5],
        Gen.Double[.5, 2],
        Gen.Int[0, Backings.Rows.Count - 1],
        Gen.Double[0, 90],
        Gen.Double[0, 10],
        (group, share, drag, backing, angle, slack) =>
        {
            var of = Fishes.Groups[group];
            var kg = share * of.BigKg;
            var hold = new RunHold(drag * RunningFish.UsualPullN(kg), angle, SlackM: slack);
            return new RunCase(Reel, Line, Backings.Rows[backing], 400, Leader.Build(2.7, .001, .0004, 0), of, kg, hold);
        }
    );

    // The work of its muscle is where it has gone: body, drag, water along the line and what still moves.
    [Fact]
    public void The_work_of_the_fish_is_all_accounted_for() =>
        AnyCase.Sample(at =>
        {
            var e = at.Run().Energy;
            Assert.Equal(1, (e.BodyJ + e.DragJ + e.WaterJ + e.MotionJ) / e.FishJ, 1e-4);
        });

    // Math.NET Numerics' fourth-order Runge–Kutta, given the equations in plain words.
    [Theory]
    [InlineData("bonefish", 2, 8, "gel50")]
    [InlineData("bonefish", 3.5, 10, "poly20")]
    [InlineData("salmon", 4, 12, "poly30")]
    [InlineData("trout", 1.2, 4, "poly20")]
    [InlineData("tunny", 3.5, 12, "gel50")]
    [InlineData("stream-trout", .3, 1.5, "poly20")]
    public void A_run_is_the_one_a_general_solver_finds(string group, double kg, double dragN, string backing)
    {
        var at = Case(group, kg, dragN, backing) with { BackingM = 400, Hold = new(dragN, SlackM: 0) };
        var (run, fish, tackle) = (at.Run(), at.Fish, at.Tackle);
        const double dt = .002;
        var path = RungeKutta.FourthOrder(
            Vector<double>.Build.Dense([0, 0, 0]),
            0,
            run.TookS + 5,
            (int)((run.TookS + 5) / dt),
            (_, y) =>
            {
                double x = y[0],
                    v = Math.Max(0, y[1]);
                var outM = tackle.OutM + x;
                var muscle = fish.StrongN * Math.Max(0, 1 - y[2] / fish.ReserveJ) * Math.Max(0, 1 - v / fish.FastMps);
                return Vector<double>.Build.Dense([
                    v,
                    (muscle - fish.DragNs2 * v * v - tackle.PullN(outM, v, x)) / fish.MovedKg,
                    muscle * v,
                ]);
            }
        );
        // It has stopped where ours says so: at the same speed on its way down.
        var stopped = Array.FindLastIndex(path, y => y[1] >= run.Moments[^1].SpeedMps);
        Assert.InRange(run.RunM / path[stopped][0], .995, 1.005);
        Assert.InRange(run.TookS / (stopped * dt), .995, 1.005);
        Assert.InRange(run.FastestMps / path.Max(y => y[1]), .995, 1.005);
    }

    [Fact]
    public void More_drag_never_lengthens_a_run_and_a_bigger_fish_never_runs_shorter() =>
        Gen.Select(AnyCase, Gen.Double[1, 1.6])
            .Sample(
                (at, more) =>
                {
                    var run = at.Run(watched: false).RunM;
                    var held = (at with { Hold = at.Hold with { DragN = more * at.Hold.DragN } }).Run(watched: false).RunM;
                    var bigger = (at with { FishKg = more * at.FishKg }).Run(watched: false).RunM;
                    Assert.True(held <= run + .05, $"{more:0.00} times the drag: {held} after {run}");
                    Assert.True(bigger >= run - .05, $"{more:0.00} times the fish: {bigger} after {run}");
                }
            );

    [Fact]
    public void A_middling_fish_of_every_group_on_ordinary_tackle_runs_as_far_and_as_fast_as_is_planned_for()
    {
        foreach (var group in Fishes.Groups)
        {
            var kg = Math.Sqrt(group.UsualKg * group.BigKg);
            var run = FishRun.Simulate(RunningFish.From(group, kg), RunTackle.Ordinary(group, kg));
            Assert.Equal(group.RunM, run.RunM, .01 * group.RunM);
            Assert.InRange(run.FastestMps / group.RunMps, .98, 1.02);
        }
    }

    [Fact]
    public void Finer_steps_hardly_change_a_run_and_the_same_run_comes_twice() =>
        AnyCase.Sample(at =>
        {
            var (fish, tackle) = (at.Fish, at.Tackle);
            var run = FishRun.Simulate(fish, tackle);
            Assert.Equal(run.RunM, FishRun.Simulate(fish, tackle, refine: 4).RunM, Math.Max(.05, 2e-3 * run.RunM));
            Assert.Equal(run.RunM, FishRun.Simulate(fish, tackle).RunM);
            Assert.All(run.Moments, m => Assert.True(double.IsFinite(m.PullN) && double.IsFinite(m.SpeedMps)));
        });

    // Common practice, no source, wide: people speak of some minutes for a bonefish, ten or more for a salmon, half an hour for a tarpon.
    [Theory]
    [InlineData("bonefish", 2, .33, 8, 2, 15)]
    [InlineData("trout", 1, .2, 5, 1, 10)]
    [InlineData("big-salmon", 10, .42, 9, 5, 30)]
    [InlineData("big-tarpon", 38, .55, 12, 10, 60)]
    public void A_fish_is_landed_in_the_time_people_take(string group, double kg, double tippetMm, int rodClass, double from, double to)
    {
        var at = Case(group, kg, RunningFish.UsualPullN(kg), tippetMm: tippetMm, metres: 300);
        var fight = FishFight.From(at, at.Runs(), 60, 8 * rodClass, false);
        Assert.InRange((fight.Minutes!.Value.Low + fight.Minutes.Value.High) / 2, from, to);
        var light = FishFight.From(at, at.Runs(), 60, 2, true);
        Assert.True(light.Minutes is not { } lasts || lasts.Low > 2 * fight.Minutes.Value.Low);
        Assert.Contains("under the floor", light.Says.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Each_run_after_the_first_is_shorter() =>
        AnyCase.Sample(at =>
        {
            var runs = at.Runs();
            Assert.True(runs.Zip(runs.Skip(1)).All(p => p.Second.RunM <= p.First.RunM));
        });

    // Common practice, no source: a quarter to a third of the weakest knot, thinner backing and following against a long fast run.
    [Fact]
    public void The_drag_is_set_by_the_weakest_knot_and_what_eases_a_hard_run_is_ranked()
    {
        var at = Case("tunny", 5, 14, "poly30", metres: 200);
        var drag = DragSetting.For(at.Leader, at.Line, at.Backing, at.Reel);
        Assert.Equal(KnotAt.Tippet, drag.Joints.Single(j => j.Weakest).At);
        Assert.InRange(drag.SetN / Tippets.KnottedN(.00033), .25, .33);
        var changes = RunChange.For(at, at.Run());
        Assert.Equal(changes.OrderByDescending(c => c.Gain), changes);
        Assert.True(changes.Single(c => c.Kind == RunChangeKind.ThinnerBacking).TippetShare < at.Run().TippetShare);
        Assert.True(changes.Single(c => c.Kind == RunChangeKind.Follow).LeftM > at.Run().LeftM);
        Assert.Contains(changes, c => c.Helps);
    }
}
