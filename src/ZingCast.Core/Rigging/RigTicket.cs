using ZingCast.Core.Leaders;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Rigging;

/// <summary>An outfit to assemble. Copied when the ticket is begun, so that later changes in the shed do not affect it.</summary>
/// <param name="Rod">Rod in words.</param>
/// <param name="RodPieces">Pieces it comes in; 1 when nobody knows.</param>
/// <param name="Reel">Reel in words.</param>
/// <param name="Line">Line in words.</param>
/// <param name="Backing">Kind of backing.</param>
/// <param name="BackingM">Length of it, metres; 0 for none.</param>
/// <param name="Wound">The line is known to lie on the reel already.</param>
/// <param name="Leader">The leader.</param>
/// <param name="LeaderName">What it is called when it is kept; null for one that is laid out for the day.</param>
/// <param name="LineCoreN">What the line's core stands, newtons.</param>
/// <param name="Fly">The fly in words.</param>
/// <param name="DragN">What the drag is set to, newtons.</param>
/// <param name="Salt">Salt water.</param>
public sealed record RigPlan(
    string Rod,
    int RodPieces,
    string Reel,
    string Line,
    string Backing,
    double BackingM,
    bool Wound,
    Leader Leader,
    string? LeaderName,
    double LineCoreN,
    string Fly,
    double DragN,
    bool Salt
);

/// <summary>A step of rigging an outfit.</summary>
/// <param name="Id">Stable within the ticket.</param>
/// <param name="Title">In a few words.</param>
/// <param name="Says">What to do.</param>
/// <param name="Materials">What is needed; null when nothing is.</param>
/// <param name="Knot">The knot that is tied, if any.</param>
/// <param name="TestN">Pull that it must stand before the next step, newtons; null when there is nothing to pull.</param>
/// <param name="Caution">What can hurt; null when nothing does.</param>
/// <param name="DoneAt">When it was done; null while it is to come.</param>
public sealed record RigStep(
    string Id,
    string Title,
    Sentence Says,
    Sentence? Materials,
    Knot? Knot,
    double? TestN,
    string? Caution,
    DateTime? DoneAt
)
{
    /// <summary>The test pull in words, with what it is a share of; null when there is none.</summary>
    public Sentence? Test => TestN is { } pull ? $"a steady pull of {Quantity.Force(pull)}, half of what it should stand" : (Sentence?)null;
}

/// <summary>A completed step.</summary>
public sealed record RigDone(string Id, DateTime At);

/// <summary>An outfit being rigged, from the spool to the fly. The hook comes last.</summary>
public sealed record RigTicket : Kept
{
    /// <summary>Name of the brief it is for.</summary>
    public required string Name
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>What is assembled.</summary>
    public required RigPlan Plan { get; init; }

    /// <summary>Completed steps, in order.</summary>
    public IReadOnlyList<RigDone> Done { get; init; } = [];

    /// <summary>When it was begun, UTC.</summary>
    public DateTime BegunAt { get; init; }

    /// <summary>The last step; until then every hook stays covered.</summary>
    public const string FlyStep = "fly";

    // A knot is tested with this share of its expected strength, more than a fish will pull. Common practice.
    private const double TestShare = .5;

    /// <summary>Whether every step was done.</summary>
    public bool IsRigged => Done.Count >= Steps.Count;

    /// <summary>The current step; null when all are done.</summary>
    public RigStep? Now => IsRigged ? null : Steps[Done.Count];

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check()
    {
        IReadOnlyList<FieldProblem> problems =
        [
            .. new FieldCheck().Text("name", Name, 80).Problems,
            .. Plan.Leader.Check().Under("plan.leader"),
            .. new FieldCheck()
                .Text("rod", Plan.Rod, 200)
                .Text("reel", Plan.Reel, 200)
                .Text("line", Plan.Line, 200)
                .Text("fly", Plan.Fly, 200)
                .Text("leaderName", Plan.LeaderName, 200, optional: true)
                .Range("rodPieces", Plan.RodPieces, 1, 9, "A rod has 1 to 9 pieces.")
                .Must("backing", Backings.Find(Plan.Backing) is not null, "Pick a backing from the list.")
                .Within("backingM", Plan.BackingM, Backings.Lengths)
                .Range("lineCoreN", Plan.LineCoreN, 1, 1000, "A line's core stands between 1 and 1000 N.")
                .Range("dragN", Plan.DragN, 0, 200, "Drag is between 0 and 200 N.")
                .Problems.Under("plan"),
        ];
        // Steps follow from the plan, so they are counted only for a valid one.
        return problems.Count > 0 || Done.Count <= Steps.Count ? problems : [new("done", "More was done than there is to do.")];
    }

    /// <summary>Completes the current step; null when another one, or none, is current.</summary>
    public RigTicket? Tick(string step, DateTime at) => Now?.Id == step ? this with { Done = [.. Done, new(step, at)] } : null;

    /// <summary>Undoes the last completed step; null when there is none.</summary>
    public RigTicket? Untick() => Done.Count > 0 ? this with { Done = [.. Done.SkipLast(1)] } : null;

    /// <summary>All steps in order.</summary>
    public IReadOnlyList<RigStep> Steps
    {
        get
        {
            List<RigStep> steps = [.. Spool(), .. RodAndReel(), .. LineEnd(), .. Joints(), .. Extras(), .. Last()];
            return [.. steps.Select((s, i) => s with { DoneAt = Done.ElementAtOrDefault(i)?.At })];
        }
    }

    private static RigStep Step(
        string id,
        string title,
        Sentence says,
        Sentence? materials = null,
        Knot? knot = null,
        double? testN = null,
        string? caution = null
    ) => new(id, title, says, materials, knot, testN, caution, null);

    private const string Resin = "Resin, glue and their lamp: air the room, cover eyes and skin, follow the maker's sheet.",
        Cuts = "Thin line under load cuts: never wrap it round a hand.",
        Blade = "Blade and cut ends are sharp; cut away from the hand.",
        Wire = "Wire ends are sharp; cover your eyes when you cut.",
        Pull = "Eyes covered, pull low and steadily over soft ground, nobody behind you.",
        Overhead = "Carbon conducts: look up for power lines before the rod goes up; stop at thunder.",
        HookOn = "Cover your eyes, wear a brim, flatten the barb while learning. Mind who stands behind you.";

    private static double TestOf(double standsN) => TestShare * standsN;

    private IEnumerable<RigStep> Spool()
    {
        if (Plan.Wound)
        {
            yield return Step(
                "spool",
                "Look at the spool",
                $"{Plan.Line} lies on {Plan.Reel}: a few millimetres to the rim, no loose coils, the fly end outermost"
            );
            yield break;
        }
        var backing = Backings.Find(Plan.Backing)!;
        var first = Plan.BackingM > 0 ? backing.Name : Plan.Line;
        yield return Step(
            "arbor",
            "Arbor knot",
            $"Tie {first} to the drum of {Plan.Reel}; one more turn of it under the knot keeps it from slipping",
            $"{first}, a strip of tape",
            Knots.Arbor,
            caution: Cuts
        );
        if (Plan.BackingM > 0)
        {
            yield return Step(
                "backing",
                "Wind the backing on",
                $"{Quantity.Spooled(Plan.BackingM)} of it, tight and level; thin gel-spun in crossed lays",
                $"{backing.Name}",
                caution: Cuts
            );
            yield return Step(
                "backing-line",
                "Backing to line",
                $"To the end that the label calls the running end; wound on back to front it will not cast",
                $"{backing.Name}, {Plan.Line}, a thin tube",
                Knots.Nail,
                TestOf(Knots.Nail.UsualShare * Math.Min(Plan.LineCoreN, backing.StrengthN)),
                Blade
            );
            yield return Step(
                "seal",
                "Seal the joint",
                $"A drop of resin, drawn out smooth, so that it runs through the rings",
                caution: Resin
            );
        }
        yield return Step("line", "Wind the line on", $"{Plan.Line} through a damp cloth, level, to 2 or 3 mm below the rim");
    }

    private IEnumerable<RigStep> RodAndReel()
    {
        yield return Step(
            "rod",
            "Put the rod together",
            Plan.RodPieces > 1
                ? (Sentence)
                    $"{Plan.Rod}, {Plan.RodPieces} pieces: tip first, a quarter turn out, then push and turn until the rings line up"
                : $"{Plan.Rod}: sight along it, the rings in one line",
            caution: Overhead
        );
        yield return Step(
            "reel",
            "Reel in its seat",
            $"{Plan.Reel}: handle to the winding hand, foot under both hoods, nut tight and locked"
        );
        yield return Step(
            "rings",
            "Line through the rings",
            $"Double the line's end and lead the fold through every ring: if it slips it catches by itself. "
                + $"Count them; the keeper ring is none"
        );
    }

    private IEnumerable<RigStep> LineEnd()
    {
        var (leader, joints) = (Plan.Leader, LeaderStrength.Joints(Plan.Leader, Plan.LineCoreN));
        var butt = leader.Pieces[0];
        var called = Plan.LeaderName is { } name ? (Sentence)$"{name}, " : (Sentence)$"";
        Sentence what = $"{called}butt of {Quantity.Diameter(butt.StartM)}";
        if (leader.LineKnot == Knots.Nail.Id)
        {
            yield return Step(
                "leader",
                "Leader to line",
                $"Smooth and quiet, and it runs through the rings; it stays on for the season",
                $"{what}, a thin tube",
                Knots.Nail,
                TestOf(joints[0].StandsN),
                Blade
            );
            yield return Step("leader-seal", "Seal it", $"A drop of resin over the coils", caution: Resin);
            yield break;
        }
        if (butt.StartM == butt.EndM && butt.SpoolId is not null)
            yield return Step(
                "loop",
                "Loop in the butt",
                $"As small as a pencil; its end stands off square",
                what,
                Knots.Perfection,
                TestOf(joints[0].StandsN),
                Blade
            );
        yield return Step(
            "leader",
            "Leader to line",
            $"Loop to loop: quick to change. It must lie square; drawn up skew it cuts itself",
            what,
            Knots.Loops,
            TestOf(joints[0].StandsN)
        );
    }

    private IEnumerable<RigStep> Joints()
    {
        var (leader, joints) = (Plan.Leader, LeaderStrength.Joints(Plan.Leader, Plan.LineCoreN));
        foreach (var joint in joints.Where(j => j.At == LeaderJointAt.Piece))
        {
            LeaderPiece above = leader.Pieces[joint.Piece - 1],
                below = leader.Pieces[joint.Piece];
            var dropper = leader.Droppers.FirstOrDefault(d => d.Piece == joint.Piece);
            var (knot, ring) = (leader.KnotOf(joint.Piece)!, leader.OnRing(joint.Piece));
            Sentence of =
                $"{Quantity.RodLength(below.LengthM)} of {Quantity.Tippet(below.StartM)} {LeaderMaterials.Get(below.Material).Name}";
            yield return Step(
                $"piece-{joint.Piece}",
                ring ? "Tippet to the ring"
                    : dropper is not null ? $"{PlainText.Capital(below.Name)}, with a dropper"
                    : $"{PlainText.Capital(below.Name)} to {(above.Part == below.Part ? "the piece before" : above.Name)}",
                ring ? (Sentence)$"A clinch from either side: the tippet is changed without eating up the leader"
                    : dropper is not null
                        ? (Sentence)$"Leave the thicker end long: {Quantity.Short(dropper.LengthM)}. Check how many flies are allowed there"
                    : $"{PlainText.Capital(knot.Seat)}",
                ring ? (Sentence)$"{of}, a 2 or 3 mm ring" : of,
                knot,
                TestOf(joint.StandsN),
                below.Material == LeaderMaterial.Wire ? Wire : Blade
            );
        }
    }

    private IEnumerable<RigStep> Extras()
    {
        var leader = Plan.Leader;
        if (leader.IndicatorM is { } indicator)
            yield return Step("indicator", "Float on", $"{Quantity.RodLength(indicator)} above where the fly will be");
        if (leader.ShotM is { } shot)
            yield return Step("shot", "Shot on", $"{Quantity.Short(shot)} above where the fly will be; lead is not allowed everywhere");
        yield return Step(
            "stretch",
            "Stretch out the memory",
            $"Pull line and leader straight by the arm's length and let it back slowly: coils cost distance and strikes",
            caution: Cuts
        );
        yield return Step("drag", "Set the drag", $"{Quantity.Force(Plan.DragN)} pulled straight off the reel");
    }

    private IEnumerable<RigStep> Last()
    {
        var weakest = LeaderStrength.Joints(Plan.Leader, Plan.LineCoreN).Where(j => j.At != LeaderJointAt.Fly).MinBy(j => j.StandsN)!;
        yield return Step(
            "test",
            "Pull on all of it",
            $"Hook the leader's end over something soft and pull once, steadily: what slips slips now",
            testN: TestOf(weakest.StandsN),
            caution: Pull
        );
        var knot = Knots.Get(Plan.Leader.FlyKnot);
        var more = Plan.Leader.Droppers.Count;
        yield return Step(
            FlyStep,
            "The fly, last of all",
            $"Now uncover the hook. Tie {Plan.Fly} on{(more > 0 ? ", then the dropper's" : "")}; pull against the bend "
                + $"with pliers, hook it into the keeper until you stand in the water",
            $"{Plan.Fly}",
            knot,
            TestOf(LeaderStrength.Joints(Plan.Leader, Plan.LineCoreN)[^1].StandsN),
            knot.Use == KnotUse.Wire ? $"{HookOn} {Wire}" : HookOn
        );
    }
}
