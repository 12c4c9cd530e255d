using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>A spool of a reel (its own, a spare or a cassette) and what is wound on it.</summary>
public sealed record Spool : Kept
{
    /// <summary>Name of the spool that came with a reel.</summary>
    public const string Own = "its own";

    /// <summary>The reel it fits.</summary>
    public required int ReelId { get; init; }

    /// <summary>Its name among the spools of that reel: "its own", "spare", "cassette 2".</summary>
    public required string Name
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>The line on it; null when there is none.</summary>
    public int? LineId { get; init; }

    /// <summary>Kind of backing on it, see <see cref="Backings"/>; null when there is none.</summary>
    public string? Backing { get; init; }

    /// <summary>Its length, metres.</summary>
    public double BackingM { get; init; }

    /// <summary>Day it was wound; null when unknown.</summary>
    public DateOnly? WoundOn { get; init; }

    /// <summary>Wound for right-hand retrieve.</summary>
    public bool RightHand { get; init; }

    /// <summary>Name for the next spool of a reel that has these: its own, a spare, another spare.</summary>
    public static string UsualName(IReadOnlyCollection<string> taken)
    {
        if (!taken.Contains(Own))
            return Own;
        for (var n = 1; ; n++)
            if ((n == 1 ? "spare" : $"spare {n}") is var name && !taken.Contains(name))
                return name;
    }

    /// <summary>Whether anything is known to be on it.</summary>
    public bool IsWound => LineId is not null || Backing is not null;

    /// <summary>A spare spool, which can be changed in a moment.</summary>
    public bool IsSpare => Name != Own;

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() => Checked().Problems;

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check(DateOnly today) => Checked().Day("woundOn", WoundOn, today).Problems;

    private FieldCheck Checked() =>
        new FieldCheck()
            .Text("name", Name, 40)
            .Must("backing", Backing is null || Backings.Find(Backing) is not null, "Pick a backing from the list.")
            .Within("backingM", BackingM, Backings.Lengths)
            .Must("backingM", Backing is not null || BackingM == 0, "Say what kind of backing that is.");
}
