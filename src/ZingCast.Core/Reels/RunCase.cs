using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>A fish on an outfit: everything that a run depends on.</summary>
/// <param name="Reel">Reel.</param>
/// <param name="Line">Line.</param>
/// <param name="Backing">Backing.</param>
/// <param name="BackingM">How much of it, metres.</param>
/// <param name="Leader">Leader.</param>
/// <param name="Group">What kind of fish.</param>
/// <param name="FishKg">Its mass, kilograms.</param>
/// <param name="Hold">How it is held.</param>
public sealed record RunCase(
    Reel Reel,
    FlyLine Line,
    Backing Backing,
    double BackingM,
    Leader Leader,
    FishGroup Group,
    double FishKg,
    RunHold Hold
)
{
    /// <summary>Backing drawn, metres, and speed of a run, m/s, from which a good drag is worth its price. Common practice.</summary>
    public const double DearBackingM = 50,
        DearMps = 5;

    // Share of the reserve used in a run that a fish regains while it is led in. Our assumption.
    private const double Recovers = .35;

    // Shortest run that counts as one, metres; least reserve for another run; most runs considered.
    private const double ShortestRunM = 5,
        Spent = .05;
    private const int MaxRuns = 6;

    /// <summary>The fish.</summary>
    public RunningFish Fish => RunningFish.From(Group, FishKg);

    /// <summary>Tackle it pulls against.</summary>
    public RunTackle Tackle =>
        new(new(Reel.Spool(), Line, Backing, BackingM, Leader), Hold, DragSetting.For(Leader, Line, Backing, Reel).WeakestN);

    /// <summary>Simulates the run.</summary>
    public FishRun Run(bool watched = true) => FishRun.Simulate(Fish, Tackle, watched);

    /// <summary>Whether this run is one for which a good reel matters.</summary>
    public static bool WantsReel(FishRun run) => run.BackingOutM >= DearBackingM || run.FastestMps >= DearMps;

    /// <summary>The first run and the later ones, each with the reserve regained while the fish was led in. At least one.</summary>
    public IReadOnlyList<FishRun> Runs()
    {
        List<FishRun> runs = [Run()];
        for (var rested = Hold.Rested; runs.Count < MaxRuns; )
        {
            rested = runs[^1].ReserveLeft + Recovers * (rested - runs[^1].ReserveLeft);
            if (rested < Spent)
                break;
            var again = (this with { Hold = Hold with { Rested = rested } }).Run(watched: false);
            if (again.RunM < ShortestRunM || again.RunM > runs[^1].RunM)
                break;
            runs.Add(again);
        }
        return runs;
    }
}

/// <summary>Changes that may help in a run.</summary>
public enum RunChangeKind
{
    /// <summary>Thinner backing of at least the same strength.</summary>
    ThinnerBacking,

    /// <summary>A lighter drag.</summary>
    LighterDrag,

    /// <summary>A heavier drag.</summary>
    HeavierDrag,

    /// <summary>Following on foot or by boat.</summary>
    Follow,

    /// <summary>The rod lowered towards the fish.</summary>
    LowerRod,

    /// <summary>The slack reeled in beforehand.</summary>
    NoSlack,
}

/// <summary>A change and its effect on the run.</summary>
/// <param name="Kind">What is changed.</param>
/// <param name="Says">It in a sentence.</param>
/// <param name="Case">The case after it.</param>
/// <param name="RunM">How far the fish runs then, metres.</param>
/// <param name="LeftM">What is left on the spool then, metres.</param>
/// <param name="TippetShare">Hardest pull over what the weakest knotted link stands, then.</param>
/// <param name="Gain">How much farther from breaking or being spooled, share; below 0 nearer.</param>
public sealed record RunChange(RunChangeKind Kind, Sentence Says, RunCase Case, double RunM, double LeftM, double TippetShare, double Gain)
{
    // A smaller gain is not noticed, as a share.
    private const double Little = .005;

    // Drag lighter or heavier by this share; walking speed along the bank; angle of a lowered rod.
    private const double Quarter = .25,
        WalkMps = 1.5,
        LowDeg = 15;

    /// <summary>Whether the gain is large enough to be noticed.</summary>
    public bool Helps => Gain > Little;

    /// <summary>How near a run comes to breaking the tippet or emptying the spool; 1 is the limit.</summary>
    public static double Danger(FishRun run, RunCase of)
    {
        var all = Math.Max(1, of.BackingM);
        return Math.Max(run.TippetShare, run.BackingOutM / all);
    }

    /// <summary>All possible changes, the most helpful first.</summary>
    public static IReadOnlyList<RunChange> For(RunCase at, FishRun run)
    {
        var hold = at.Hold;
        var before = Danger(run, at);
        List<(RunChangeKind Kind, Sentence Says, RunCase Case)> all =
        [
            (
                RunChangeKind.LighterDrag,
                $"Set the drag lighter, to {Quantity.Force((1 - Quarter) * hold.DragN)}",
                at with
                {
                    Hold = hold with { DragN = (1 - Quarter) * hold.DragN },
                }
            ),
            (
                RunChangeKind.HeavierDrag,
                $"Set the drag heavier, to {Quantity.Force((1 + Quarter) * hold.DragN)}",
                at with
                {
                    Hold = hold with { DragN = (1 + Quarter) * hold.DragN },
                }
            ),
        ];
        if (hold.RodAngleDeg > LowDeg)
            all.Add(
                (
                    RunChangeKind.LowerRod,
                    $"Lower the rod towards the fish while it runs, to {new Quantity(LowDeg, Measures.Kind.Angle)}",
                    at with
                    {
                        Hold = hold with { RodAngleDeg = LowDeg },
                    }
                )
            );
        if (hold.FollowMps < WalkMps)
            all.Add(
                (
                    RunChangeKind.Follow,
                    $"Follow at {new Quantity(WalkMps, Measures.Kind.WaterSpeed)}, a brisk walk",
                    at with
                    {
                        Hold = hold with { FollowMps = WalkMps },
                    }
                )
            );
        var thin = Backings
            .Rows.Where(b => b.DiameterM < at.Backing.DiameterM && b.StrengthN >= at.Backing.StrengthN)
            .MinBy(b => b.DiameterM);
        if (thin is not null)
            all.Add(
                (
                    RunChangeKind.ThinnerBacking,
                    $"Wind on {thin.Name} instead: {Quantity.Diameter(thin.DiameterM)} thick",
                    at with
                    {
                        Backing = thin,
                    }
                )
            );
        if (hold.SlackM > .5)
            all.Add(
                (RunChangeKind.NoSlack, $"Have the loose line on the reel before it takes", at with { Hold = hold with { SlackM = 0 } })
            );
        return
        [
            .. all.Select(c =>
                {
                    var then = c.Case.Run(watched: false);
                    return new RunChange(c.Kind, c.Says, c.Case, then.RunM, then.LeftM, then.TippetShare, before - Danger(then, c.Case));
                })
                .OrderByDescending(c => c.Gain),
        ];
    }
}
