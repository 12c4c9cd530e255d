using System.Globalization;

namespace ZingCast.Core.Measures;

/// <summary>Something that can be kept: a piece of gear, a scrap, a calibration.</summary>
public abstract record Kept
{
    /// <summary>
    /// Identity where it is kept; 0 for what is only described, such as a specification or a table that comes with the house.
    /// </summary>
    public int Id { get; init; }

    /// <summary>Somebody has it. What is only described has no identity, or one below 0 where several are told apart.</summary>
    internal bool IsThere => Id > 0;

    /// <summary>Counts its changes from 1, so that a change made on an older look is noticed; 0 when it was never kept.</summary>
    public int Version { get; init; }

    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    public abstract IReadOnlyList<FieldProblem> Check();

    /// <summary>The same, with days that are still to come among them.</summary>
    public virtual IReadOnlyList<FieldProblem> Check(DateOnly today) => Check();

    /// <summary>
    /// This as it takes the place of <paramref name="before"/>, the same piece: what was measured and came along unchanged is dropped
    /// when a figure that it describes is another now, so that there are never two descriptions of one piece.
    /// </summary>
    public virtual Kept InPlaceOf(Kept before) => this;
}

/// <summary>A piece of gear: it carries a tag, and people know it by a name.</summary>
public abstract record Gear : Kept
{
    /// <summary>Shed tag, such as "R3"; it names one piece of its kind.</summary>
    public required string Tag
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>How people know it.</summary>
    public required string Name
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>Anything worth knowing.</summary>
    public string? Note
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>A label this many classes off what was measured is another piece's. Common practice.</summary>
    protected const double LabelOff = .75;

    /// <summary>The classes it is for, as far as anybody knows: from its measure, else its label. Null when nobody knows.</summary>
    public abstract Spread? Classes { get; }

    /// <summary>True when what it is chosen by was measured, not only read off a label.</summary>
    public abstract bool IsMeasured { get; }

    /// <summary>True when label and measure differ by <see cref="LabelOff"/> or more.</summary>
    public virtual bool LabelDisagrees => false;

    /// <summary>True when somebody looked it over and found something to watch or to mend.</summary>
    public virtual bool ToSeeTo => false;

    /// <summary>What to call it when nobody gave it a name, as people would: "9 ft #6", "WF6F".</summary>
    public abstract string UsualName();

    /// <summary>This with a tag and a name where it has none.</summary>
    public Gear Christened(string freeTag) =>
        this with
        {
            Tag = Tag.Length == 0 ? freeTag : Tag,
            Name = Name.Length == 0 ? UsualName() : Name,
        };

    /// <summary>The first letter and number that no piece carries yet, one above the highest: "R13".</summary>
    public static string NextTag(char letter, IEnumerable<string> taken)
    {
        var highest = taken
            .Where(t => t.Length is > 1 and < 8 && char.ToUpperInvariant(t[0]) == letter)
            .Select(t => int.TryParse(t[1..], NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0)
            .Append(0)
            .Max();
        return string.Create(CultureInfo.InvariantCulture, $"{letter}{highest + 1}");
    }

    /// <summary>A check that has looked at tag, name and note.</summary>
    protected FieldCheck Named() => new FieldCheck().Text("tag", Tag, 12).Text("name", Name, 80).Text("note", Note, 400, optional: true);
}
