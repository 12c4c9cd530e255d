using ZingCast.Core.Leaders;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>
/// What a run and a fight go by, figure by figure. Our estimates and common practice, no source, where nothing else is said.
/// </summary>
public class FishFightTests
{
    private static readonly FishGroup Bonefish = Fishes.Groups.First(g => g.Id == "bonefish");

    private static RunCase Case(double kg = 2, double dragN = 8, double metres = 230, RunHold? hold = null) =>
        new(
            RunTests.Reel,
            Reel.TypicalLine(8),
            Backings.Find("poly20")!,
            metres,
            Leader.Build(2.7, .001, .00033, 0),
            Bonefish,
            kg,
            hold ?? new(dragN)
        );

    // A fish led in over so many metres by this pull, and nothing else.
    private static FishFight Led(double kg, double handN, double metres, double dragN = 500, double tookS = 0)
    {
        var at = Case(kg, dragN);
        return FishFight.From(at, [at.Run() with { TookS = tookS, MostOutM = metres }], handN, 1000, false);
    }

    private static double Usual(double kg) => 5 * Math.Pow(kg, .6);

    // Five newtons against a kilogram, growing with mass to the 0.6: 1 lb on a trout, 10 on a tarpon.
    [Fact]
    public void A_fish_is_pulled_as_hard_as_people_pull()
    {
        Assert.Equal(Usual(1), RunningFish.UsualPullN(1), 9);
        Assert.Equal(Usual(40), RunningFish.UsualPullN(40), 9);
        Assert.Equal(10, RunningFish.UsualPullN(40) / Exact.PoundForceN, .5);
    }

    // Two kilograms are led at 0.6 m/s by the usual pull, heavier ones slower by mass to the 0.3, none faster than a metre a second.
    [Theory]
    [InlineData(2, 1, .6)]
    [InlineData(9, 1, .38211)]
    [InlineData(4, .5, .24368)]
    [InlineData(.5, 1.2, 1)]
    public void A_fish_is_led_as_fast_as_it_is_pulled(double kg, double share, double mps)
    {
        var fight = Led(kg, share * Usual(kg), 60);
        Assert.Equal(PullLimit.Hand, fight.Limit);
        static double Middle(FishFight fight) => Math.Sqrt(fight.Minutes!.Value.Low * fight.Minutes.Value.High);
        Assert.Equal(1 / mps, Middle(fight), .001);
        // Half to double.
        Assert.Equal(4, fight.Minutes!.Value.High / fight.Minutes.Value.Low, 9);
        Assert.Equal(1 / mps + 2, Middle(Led(kg, share * Usual(kg), 60, tookS: 120)), .001);
    }

    // Less than a quarter of the usual pull leads no fish, and beyond two hours nobody lands one.
    [Fact]
    public void Some_fish_are_not_landed()
    {
        Assert.NotNull(Led(2, .252 * Usual(2), 60).Minutes);
        Assert.Null(Led(2, .248 * Usual(2), 60).Minutes);
        Assert.NotNull(Led(2, Usual(2), .6 * 7150).Minutes);
        Assert.Null(Led(2, Usual(2), .6 * 7250).Minutes);
    }

    // Ten times the weight that bends it by a third; a moment over seven tenths of the rod, from 8° up to a right angle; half the knot.
    [Fact]
    public void Blank_hand_and_tippet_have_their_limits()
    {
        Assert.Equal(14 * Exact.GravityMps2, FishFight.RodN(1.4), 9);
        Assert.Equal(12 / (.7 * 2.74 * .5), FishFight.HandN(12, 2.74, 30), 9);
        Assert.Equal(12 / (.7 * 2.74), FishFight.HandN(12, 2.74, 120), 9);
        Assert.Equal(12 / (.7 * 2.74 * Math.Sin(8 * Math.PI / 180)), FishFight.HandN(12, 2.74, 2), 9);
        var knot = Led(2, 900, 60);
        Assert.Equal((PullLimit.Tippet, .5), (knot.Limit, knot.PullN / Case().Tackle.TippetN));
    }

    // Line in rings: e to the power of 0.18 times the angle. A newton for what runs through the fingers.
    [Fact]
    public void A_drag_is_helped_by_the_rings()
    {
        var tackle = Case().Tackle;
        Assert.Equal(8 * Math.Exp(.18 * Math.PI / 3), tackle.DragN(0, 99), 9);
        Assert.Equal((1, 2), (tackle.DragN(15, 1.99), tackle.Hold.SlackM));
        Assert.True(tackle.DragN(15, 2.01) > 8);
        Assert.Equal(new RunHold(1, 60, 15, 2, 0, 8, 1), new RunHold(1));
        // No more is out than there is, but for the last half metre.
        var bare = Case(metres: 0, hold: new(8, OutM: 60)).Tackle;
        Assert.Equal(bare.TotalM - .5, bare.OutM, 9);
        // What people have on carries twice the run.
        Assert.All(Fishes.Groups, g => Assert.True(RunTackle.Ordinary(g, g.UsualKg).TotalM >= 2 * g.RunM));
        Assert.Contains(Fishes.Groups, g => RunTackle.Ordinary(g, g.UsualKg) is var t && Math.Abs(t.TotalM - t.LineM - 2 * g.RunM) < 1e-6);
    }

    // Skin friction 0.005 over 0.4 L², eleven kilograms at a metre, a quarter of water moved along; muscle is spent at twice the speed of
    // a run.
    [Fact]
    public void A_fish_is_as_slippery_as_its_skin()
    {
        foreach (var kg in new[] { 1.0, 6 })
        {
            var fish = RunningFish.From(Bonefish, kg);
            Assert.Equal(.5 * 1000 * .005 * .4 * Math.Pow(kg / 11, 2 / 3.0), fish.DragNs2, 9);
            Assert.Equal((2 * Bonefish.RunMps, 1.25 * kg), (fish.FastMps, fish.MovedKg));
        }
        Assert.Equal(.5, RunningFish.UnsureShare);
    }

    private static readonly RunningFish Tireless = new(2, 30, 8, .5, 1e9);

    private static FishRun Simulate(RunningFish fish, double dragN = 2, double refine = 1, double metres = 300) =>
        FishRun.Simulate(fish, Case(metres: metres, hold: new(dragN, SlackM: 0)).Tackle, refine: refine);

    // It stops at a fiftieth of its speed or after five minutes.
    [Fact]
    public void A_run_ends()
    {
        var tired = Simulate(Tireless with { ReserveJ = 300 }, refine: 40);
        Assert.InRange(tired.Moments[^1].SpeedMps / 8, .0197, .02);
        var endless = Simulate(Tireless with { FastMps = .4, MassKg = .1 }, metres: 1e5);
        Assert.InRange(endless.TookS, 300, 300.07);
        Assert.Equal(160, endless.Moments.Count);
    }

    // An eighth of the time in which it gains its speed, between five and sixty thousandths of a second.
    [Theory]
    [InlineData(50, 20, .12 * 1.25 * 4 / 50)]
    [InlineData(500, 200, .005)]
    [InlineData(5, 2, .06)]
    public void A_run_is_followed_in_steps_that_fit_the_fish(double strongN, double dragN, double stepS)
    {
        var run = Simulate(new(1, strongN, 4, .5, 1), dragN);
        Assert.InRange(run.Moments.Count, 3, 159);
        Assert.Equal(stepS, run.Moments[1].TimeS, 9);
    }

    // Half the backing gone is marked when it is.
    [Fact]
    public void Half_the_backing_is_marked_as_it_goes()
    {
        var run = Simulate(Tireless, metres: 20);
        Assert.Equal(RunEnd.Spools, run.End);
        var half = run.Marks.Single(m => m.Mark == RunMark.HalfGone).TimeS;
        Assert.InRange(run.Moments.First(m => m.TimeS >= half).OutM - Case().Tackle.LineM, 10, 10.6);
    }

    // Fifty metres of backing or five a second.
    [Theory]
    [InlineData(49, 4.9, false)]
    [InlineData(50, 1, true)]
    [InlineData(0, 5, true)]
    public void Some_runs_are_worth_a_good_reel(double backingM, double mps, bool wants) =>
        Assert.Equal(wants, RunCase.WantsReel(Case().Run() with { BackingOutM = backingM, FastestMps = mps }));

    // What it has left and a third and a bit of what the run took; six runs at the most, none under 5 m.
    [Fact]
    public void A_fish_that_was_led_in_has_some_of_its_strength_back()
    {
        var at = Case(hold: new(6, SlackM: 0));
        var runs = at.Runs();
        var rested = runs[0].ReserveLeft + .35 * (1 - runs[0].ReserveLeft);
        Assert.Equal((at with { Hold = at.Hold with { Rested = rested } }).Run().RunM, runs[1].RunM, 9);
        Assert.Equal(6, Enumerable.Range(1, 30).Max(n => Case(metres: 1000, hold: new(n, SlackM: 0)).Runs().Count));
        // A fish so spent at first that it just runs five metres once more.
        RunCase Begun(double with) => Case(hold: new(6, SlackM: 0, Rested: with));
        double Second(double with)
        {
            var (at, left) = (Begun(with), Begun(with).Run().ReserveLeft);
            return (at with { Hold = at.Hold with { Rested = left + .35 * (with - left) } }).Run().RunM;
        }
        double spent = .05,
            fresh = 1;
        while (fresh - spent > 1e-4)
            (spent, fresh) = Second((spent + fresh) / 2) < 5 ? ((spent + fresh) / 2, fresh) : (spent, (spent + fresh) / 2);
        Assert.Equal(5, Second(fresh), .05);
        Assert.True(Begun(1.01 * fresh).Runs().Count > 1);
        Assert.Single(Begun(.99 * fresh).Runs());
    }

    // A quarter of drag, a brisk walk, a rod held low; loose line from half a metre on.
    [Fact]
    public void What_can_be_changed_against_a_run_is_what_people_change()
    {
        RunHold Hold(RunChangeKind kind, RunHold hold) =>
            RunChange.For(Case(hold: hold), Case().Run()).Single(c => c.Kind == kind).Case.Hold;
        bool Offers(RunChangeKind kind, RunHold hold) => RunChange.For(Case(hold: hold), Case().Run()).Any(c => c.Kind == kind);
        RunHold usual = new(8);
        Assert.Equal(6, Hold(RunChangeKind.LighterDrag, usual).DragN, 9);
        Assert.Equal(10, Hold(RunChangeKind.HeavierDrag, usual).DragN, 9);
        Assert.Equal(15, Hold(RunChangeKind.LowerRod, usual with { RodAngleDeg = 15.2 }).RodAngleDeg);
        Assert.False(Offers(RunChangeKind.LowerRod, usual with { RodAngleDeg = 14.8 }));
        Assert.Equal(1.5, Hold(RunChangeKind.Follow, usual with { FollowMps = 1.48 }).FollowMps);
        Assert.False(Offers(RunChangeKind.Follow, usual with { FollowMps = 1.52 }));
        Assert.True(Offers(RunChangeKind.NoSlack, usual with { SlackM = .51 }));
        Assert.False(Offers(RunChangeKind.NoSlack, usual with { SlackM = .49 }));
        var change = RunChange.For(Case(), Case().Run())[0];
        Assert.True((change with { Gain = .0051 }).Helps && !(change with { Gain = .0049 }).Helps);
    }
}
