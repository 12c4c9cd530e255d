using ZingCast.Core.Lines;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Care;

/// <summary>Kinds of pieces that need care.</summary>
public enum CarePiece
{
    /// <summary>A rod.</summary>
    Rod,

    /// <summary>A line.</summary>
    Line,

    /// <summary>A reel.</summary>
    Reel,

    /// <summary>The backing on a spool.</summary>
    Backing,

    /// <summary>A leader that was tied and is kept.</summary>
    Leader,

    /// <summary>The flies, all together.</summary>
    Flies,

    /// <summary>The drawer of scraps.</summary>
    Drawer,
}

/// <summary>A maintenance task.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Piece">To which kind of piece.</param>
/// <param name="Name">What, as one says it: "clean the line".</param>
/// <param name="Done">The same when it was done: "cleaned".</param>
/// <param name="HowTo">How.</param>
/// <param name="Outings">After so many outings; null for never on that account.</param>
/// <param name="SaltDays">After so many days in salt.</param>
/// <param name="Months">After so many months.</param>
/// <param name="Drops">After so many drops.</param>
/// <param name="Mishaps">After so many wind knots, fish and parted tippets; of leaders and hooks.</param>
/// <param name="ByAmount">How much is said with it, metres: a line cut back.</param>
/// <param name="Bench">Part of the rod's own page where it is done and noted with its day; null where a word here is enough.</param>
/// <param name="Mind">What can hurt.</param>
public sealed record CareTask(
    string Id,
    CarePiece Piece,
    string Name,
    string Done,
    string HowTo,
    int? Outings = null,
    int? SaltDays = null,
    int? Months = null,
    int? Drops = null,
    int? Mishaps = null,
    bool ByAmount = false,
    string? Bench = null,
    string? Mind = null
)
{
    /// <summary>Source of all of them.</summary>
    public static readonly Source Source = new(
        SourceMark.Practice,
        "Common practice; lines are good for some 150 to 200 outings or three to four seasons"
    );

    /// <summary>A line cut back at the tip.</summary>
    public static readonly CareTask CutBack = new(
        "line-cut",
        CarePiece.Line,
        "cut the tip back",
        "cut back",
        "Cut square behind the damage, as little as it takes, and make a new loop or nail knot. What comes off is taken off its head here; "
            + "weigh the line again when you can.",
        ByAmount: true,
        Mind: "A blade: cut away from the hand, on a board."
    );

    /// <summary>A double taper turned round.</summary>
    public static readonly CareTask Reverse = new(
        "line-reverse",
        CarePiece.Line,
        "turn the double taper round",
        "reversed",
        "Take it off, wind it on from the other end: the fresh half becomes the tip. Label the new running end.",
        Months: 24
    );

    /// <summary>A line cleaned.</summary>
    public static readonly CareTask Clean = new(
        "line-clean",
        CarePiece.Line,
        "clean the line",
        "cleaned",
        "Draw it through lukewarm water with a drop of mild soap, then through a dry cloth; dress it if it is a floater. No solvents, "
            + "no insect repellent, out of the sun.",
        Outings: 5,
        SaltDays: 2
    );

    /// <summary>A rod looked over.</summary>
    public static readonly CareTask Inspect = new(
        "rod-inspect",
        CarePiece.Rod,
        "look the rod over",
        "inspected",
        "The inspection on its bench, ring by ring: what is noted there counts here.",
        Bench: "look",
        Months: 12,
        Drops: 1
    );

    /// <summary>A rod bend-tested again.</summary>
    public static readonly CareTask BendTest = new(
        "rod-test",
        CarePiece.Rod,
        "bend-test it again",
        "re-tested",
        "The bend test on its bench. A class that has fallen by a half or more is a blank that is going.",
        Bench: "test",
        Outings: 80,
        Months: 36,
        Mind: "Eyes covered; nobody near the tip under load."
    );

    /// <summary>All tasks, in the order in which a piece is inspected.</summary>
    public static readonly IReadOnlyList<CareTask> All =
    [
        Clean,
        new(
            "line-look",
            CarePiece.Line,
            "look over coating and loops",
            "looked over",
            "Bend it between finger and thumb along the head: a crack shows as a white ring, a loop that hinges is cut off or sealed.",
            Outings: 20,
            Months: 12
        ),
        Reverse,
        CutBack,
        new(
            "line-replace",
            CarePiece.Line,
            "think of a new line",
            "replaced",
            "Past its time it floats low, shoots badly and cracks. Cut the good belly off for the drawer.",
            Outings: 150,
            Months: 42
        ),
        new(
            "reel-rinse",
            CarePiece.Reel,
            "rinse the reel",
            "rinsed",
            "Fresh water, no jet: it drives salt in. Spool off, dry, drag slack overnight.",
            SaltDays: 1
        ),
        new(
            "reel-drag",
            CarePiece.Reel,
            "look after the drag",
            "seen to",
            "As its maker says: grease a metal one, keep a cork or carbon one dry and clean. Pull line off by hand: it should start "
                + "without a jerk. Slack it off for storing.",
            Outings: 30,
            Months: 12
        ),
        new(
            "reel-dropped",
            CarePiece.Reel,
            "look at the reel after a fall",
            "looked over",
            "Spin the spool: it must not touch the frame. Foot straight, rim without a burr that cuts line.",
            Drops: 1
        ),
        new(
            "backing-replace",
            CarePiece.Backing,
            "new backing",
            "put on",
            "Pull hard on the last twenty yards: what breaks by hand would have lost the fish. Wind the new one on under tension.",
            Months: 60,
            Mind: "Gel-spun under load cuts: never wrap it round a hand."
        ),
        new(
            "leader-retie",
            CarePiece.Leader,
            "retie the leader",
            "retied",
            "New tippet, every knot pulled; where it is chafed or curled, a new one altogether.",
            Outings: 6,
            Mishaps: 3,
            Mind: "Pull with eyes covered and the weight low."
        ),
        new(
            "hooks-sort",
            CarePiece.Flies,
            "sharpen hooks, bin rusty ones",
            "sorted",
            "A point that does not catch on a thumbnail is filed, towards the point; a rusty or straightened hook is binned, "
                + "never bent back.",
            SaltDays: 2,
            Mishaps: 1,
            Mind: "Eyes covered at the file; old hooks go into a tin, not the grass."
        ),
        Inspect,
        BendTest,
        new(
            "drawer-measure",
            CarePiece.Drawer,
            "measure the scraps again",
            "measured",
            "Old line shrinks and takes up dirt: tape and weigh each piece before one is planned with.",
            Months: 24
        ),
    ];

    /// <summary>The line after this task; unchanged when the task does not alter it.</summary>
    public FlyLine On(FlyLine line, double? amountM) =>
        Id == CutBack.Id && amountM is { } cut ? line.CutBack(cut)
        : Id == Reverse.Id ? line.Reversed()
        : line;

    /// <summary>The task with this id, or null.</summary>
    public static CareTask? Find(string? id) => All.FirstOrDefault(t => t.Id == id);
}
