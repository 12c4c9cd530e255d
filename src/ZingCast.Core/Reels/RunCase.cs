using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>A fish on an outfit: everything a run depends on.</summary>
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
    /// <summary>Backing drawn in a run, metres, and speed, m/s, from which a drag is worth money. Common practice.</summary>
    public const double DearBackingM = 50,
        DearMps = 5;

    // What a fish gains back of what a run took, while it is led in. An assumption of ours.
    private const double Recovers = .35;

    // Runs shorter than this, or of a fish more spent, are no runs; nobody plans for more of them.
    private const double ShortestRunM = 5,
        Spent = .05;
    private const int MaxRuns = 6;

    /// <summary>The fish.</summary>
    public RunningFish Fish => RunningFish.From(Group, FishKg);

    /// <summary>What it pulls against.</summary>
    public RunTackle Tackle =>
        new(new(Reel.Spool(), Line, Backing, BackingM, Leader), Hold, DragSetting.For(Leader, Line, Backing, Reel).WeakestN);

    /// <summary>Lets it run.</summary>
    public FishRun Run(bool watched = true) => FishRun.Simulate(Fish, Tackle, watched);

    /// <summary>Whether this run is one for which a good reel matters.</summary>
    public static bool WantsReel(FishRun run) => run.BackingOutM >= DearBackingM || run.FastestMps >= DearMps;

    /// <summary>The first run and those after it, each with what the fish gained back while it was led in. At least one.</summary>
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

/// <summary>Something that can be changed against a run.</summary>
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

    /// <summary>The rod pointed lower, at the fish.</summary>
    LowerRod,

    /// <summary>The loose line on the reel before it is needed.</summary>
    NoSlack,
}

/// <summary>A change and what it does to the run.</summary>
/// <param name="Kind">What is changed.</param>
/// <param name="Says">It in a sentence.</param>
/// <param name="Case">The case after it.</param>
/// <param name="RunM">How far the fish runs then, metres.</param>
/// <param name="LeftM">What is left on the spool then, metres.</param>
/// <param name="TippetShare">Hardest pull over what the weakest knotted link stands, then.</param>
/// <param name="Gain">How much farther from breaking or being spooled, share; below 0 nearer.</param>
public sealed record RunChange(RunChangeKind Kind, Sentence Says, RunCase Case, double RunM, double LeftM, double TippetShare, double Gain)
{
    // What changes less is not felt, share.
    private const double Little = .005;

    // A drag a quarter lighter or heavier; a walk along the bank; a rod held low.
    private const double Quarter = .25,
        WalkMps = 1.5,
        LowDeg = 15;

    /// <summary>Whether it helps enough to be felt.</summary>
    public bool Helps => Gain > Little;

    /// <summary>How near a run comes to the end of tippet or spool: 1 is there.</summary>
    public static double Danger(FishRun run, RunCase of)
    {
        var all = Math.Max(1, of.BackingM);
        return Math.Max(run.TippetShare, run.BackingOutM / all);
    }

    /// <summary>Everything that can be changed, what helps most first.</summary>
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
