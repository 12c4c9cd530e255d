using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>What a knot is for.</summary>
public enum KnotUse
{
    /// <summary>Backing to the drum.</summary>
    Arbor,

    /// <summary>Leader or backing to the end of a fly line.</summary>
    LineEnd,

    /// <summary>Two strands to each other.</summary>
    Join,

    /// <summary>A loop in the end of a strand.</summary>
    Loop,

    /// <summary>Two loops through each other.</summary>
    Loops,

    /// <summary>Strand to hook or ring.</summary>
    Fly,

    /// <summary>Wire to hook or ring.</summary>
    Wire,

    /// <summary>Two strands to each other, one end left long for a second fly.</summary>
    Dropper,

    /// <summary>Secures another knot.</summary>
    Lock,
}

/// <summary>A knot in numbers.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Trade name.</param>
/// <param name="Use">What it is for.</param>
/// <param name="Share">Share of the strand's strength it keeps, low to high; 0 for what holds nothing by itself.</param>
/// <param name="Turns">Turns of the working end.</param>
/// <param name="HandM">What fingers need of the working end beyond the turns, most of it trimmed off, metres.</param>
/// <param name="Tag">How much is left standing when it is trimmed, in words.</param>
/// <param name="Seat">How it is seated.</param>
public sealed record Knot(string Id, string Name, KnotUse Use, Spread Share, int Turns, double HandM, string Tag, string Seat)
{
    /// <summary>Middle of <see cref="Share"/>.</summary>
    public double UsualShare => (Share.Low + Share.High) / 2;

    /// <summary>
    /// Length that a knot uses up of a strand of this thickness, metres: its turns around a strand of the same thickness, and what fingers
    /// need.
    /// </summary>
    public double EatsM(double diameterM) => HandM + Turns * 2 * Math.PI * diameterM;
}

/// <summary>Knots and the share of a strand's strength they keep.</summary>
public static class Knots
{
    /// <summary>Source mark of the shares.</summary>
    public static readonly Source Source = new(SourceMark.Memory, "Typical shares, recalled; tied wet and seated well. Test yours");

    /// <summary>Source mark of the lengths used up.</summary>
    public static readonly Source EatsSource = new(SourceMark.Practice, "Turns by arithmetic, finger room by common practice");

    private const string Short = "a millimetre or two";

    /// <summary>All of them, in the order of rigging, from spool to fly.</summary>
    public static readonly IReadOnlyList<Knot> Rows =
    [
        new("arbor", "arbor knot", KnotUse.Arbor, new(.60, .75), 2, .15, "a few millimetres", "pull the long end until both stops meet"),
        new("nail", "nail knot", KnotUse.LineEnd, new(.70, .90), 6, .15, Short, "keep the coils side by side, pull both ends"),
        new("loop-to-loop", "loop to loop", KnotUse.Loops, new(.65, .80), 0, 0, "none", "it must lie square, like two hands shaken"),
        new("perfection", "perfection loop", KnotUse.Loop, new(.65, .80), 2, .12, Short, "wet it, pull loop against long end"),
        new("blood", "blood knot", KnotUse.Join, new(.75, .90), 5, .10, Short, "wet it, pull both long ends at an even pace"),
        new("surgeons", "surgeon's knot", KnotUse.Join, new(.80, .90), 2, .12, Short, "wet it, pull all four ends"),
        new("dropper", "surgeon's knot with a tag", KnotUse.Dropper, new(.80, .90), 2, .12, "10 to 20 cm", "wet it, pull all four ends"),
        new("clinch", "improved clinch", KnotUse.Fly, new(.80, .90), 5, .10, Short, "wet it, slide the coils down to the eye"),
        new("non-slip", "non-slip loop", KnotUse.Fly, new(.85, .95), 4, .14, Short, "wet it, pull tag, then loop against long end"),
        new("figure-eight", "figure-eight for wire", KnotUse.Wire, new(.70, .80), 1, .08, "3 mm", "pull with pliers, without a kink"),
        new("half-hitch", "half hitch", KnotUse.Lock, new(0, 0), 1, .05, Short, "pull it down on the one before"),
    ];

    /// <summary>The knot with this id, or null.</summary>
    public static Knot? Find(string? id) => Rows.FirstOrDefault(k => k.Id == id);

    /// <summary>The knot with this id. Throws <see cref="ArgumentException"/> for an unknown one.</summary>
    public static Knot Get(string id) => Find(id) ?? throw new ArgumentException($"Unknown knot '{id}'.", nameof(id));

    /// <summary>Knots that rules speak of.</summary>
    public static readonly Knot Clinch = Get("clinch"),
        NonSlip = Get("non-slip"),
        Surgeons = Get("surgeons"),
        Blood = Get("blood"),
        Dropper = Get("dropper"),
        Nail = Get("nail"),
        Loops = Get("loop-to-loop"),
        Perfection = Get("perfection"),
        FigureEight = Get("figure-eight"),
        Arbor = Get("arbor");
}
