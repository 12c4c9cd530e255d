using ZingCast.Core.Measures;

namespace ZingCast.Core.Rods;

/// <summary>Result for a point of an inspection.</summary>
public enum Found
{
    /// <summary>Not inspected.</summary>
    Unseen,

    /// <summary>Sound.</summary>
    Sound,

    /// <summary>Usable; watch it.</summary>
    Watch,

    /// <summary>Must be repaired before use.</summary>
    Mend,
}

/// <summary>Words for the results.</summary>
public static class FoundWords
{
    /// <summary>The words people use.</summary>
    public static string For(Found found) =>
        found switch
        {
            Found.Sound => "sound",
            Found.Watch => "watch it",
            Found.Mend => "mend first",
            _ => "not looked at",
        };
}

/// <summary>A point to inspect.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">What.</param>
/// <param name="Look">What to look for.</param>
public sealed record InspectionPoint(string Id, string Name, string Look);

/// <summary>An inspection of a rod.</summary>
public sealed record Inspection
{
    /// <summary>The day.</summary>
    public required DateOnly On { get; init; }

    /// <summary>Result for each point, by its id; missing ones were not inspected.</summary>
    public required IReadOnlyDictionary<string, Found> Points { get; init; }

    /// <summary>Anything to remember.</summary>
    public string? Note
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>What to inspect before buying and at the start of a season. Common practice.</summary>
    public static readonly IReadOnlyList<InspectionPoint> Checklist =
    [
        new(
            "rings",
            "Rings",
            "In one line; no nick, groove or cracked ceramic. A cotton bud drawn through catches on what the eye misses."
        ),
        new("tip", "Tip ring", "Tight on the blank, straight, not worn through."),
        new("wraps", "Wraps and varnish", "Thread whole, varnish uncracked; no ring that can be wiggled."),
        new("blank", "Blank", "Flex each piece, listen and look along it: no crack, no soft spot, no bruise where a fly hit it."),
        new("ferrules", "Ferrules", "Seat fully with a little room left, marks line up, no click under load."),
        new("seat", "Reel seat", "Threads free, hoods grip a reel foot, lock nuts hold."),
        new("grip", "Grip", "Cork filler whole, no gap at the ends, does not turn."),
        new("travel", "Pieces and tube", "All pieces there, tube of the right length, bag dry."),
        new("papers", "Warranty", "Terms known, card and number kept."),
    ];

    /// <summary>The worst result; null when nothing was inspected.</summary>
    public Found? Worst => Points.Values.Where(f => f != Found.Unseen).Select(f => (Found?)f).Max();

    /// <summary>What is wrong, field by field.</summary>
    public IReadOnlyList<FieldProblem> Check(DateOnly today) =>
        new FieldCheck()
            .Day("on", On, today)
            .Text("note", Note, 400, optional: true, lines: true)
            .Must("points", Points.Keys.All(id => Checklist.Any(p => p.Id == id)), "The list holds a point that is not on the checklist.")
            .Must("points", Points.Values.Any(f => f != Found.Unseen), "Look at one point at least.")
            .Problems;
}
