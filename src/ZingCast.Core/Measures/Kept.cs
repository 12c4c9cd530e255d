using System.Globalization;

namespace ZingCast.Core.Measures;

/// <summary>Something that can be kept: a piece of gear, a scrap, a calibration.</summary>
public abstract record Kept
{
    /// <summary>
    /// Identity where it is kept; 0 for what is only described, such as a specification or a table that comes with Zing Cast.
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

/// <summary>What state a piece of gear is in.</summary>
public enum Condition
{
    /// <summary>Nothing to say against it.</summary>
    Good,

    /// <summary>Worn, and does its work.</summary>
    Worn,

    /// <summary>To be mended before it is used.</summary>
    Mend,
}

/// <summary>Words for the state of a piece.</summary>
public static class ConditionWords
{
    /// <summary>The words people use.</summary>
    public static string For(Condition condition) =>
        condition switch
        {
            Condition.Worn => "worn",
            Condition.Mend => "to mend",
            _ => "good",
        };
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

    /// <summary>What state it is in.</summary>
    public Condition Condition { get; init; }

    /// <summary>What was paid for it, in the owner's currency; null when nobody knows.</summary>
    public double? Price { get; init; }

    /// <summary>Since when it is here; null when nobody noted it.</summary>
    public DateOnly? BoughtOn { get; init; }

    /// <summary>When it was last seen to: cleaned, greased, mended; null when nobody noted it.</summary>
    public DateOnly? ServicedOn { get; init; }

    /// <summary>Whose it is; empty for the owner of the shed.</summary>
    public string? Owner
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
    public virtual bool ToSeeTo => Condition == Condition.Mend;

    /// <summary>What to call it when nobody gave it a name, as people would: "9 ft #6", "WF6F".</summary>
    public abstract string UsualName();

    /// <summary>This with a tag and a name where it has none.</summary>
    public Gear WithTagAndName(string freeTag) =>
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

    /// <summary>A check that has looked at every field by itself.</summary>
    protected FieldCheck CheckFields(IReadOnlyList<Field> fields)
    {
        var check = new FieldCheck();
        foreach (var field in fields)
            field.Check(check, this);
        return check;
    }

    /// <summary>What a piece may cost, in the owner's currency.</summary>
    public static readonly Limit Prices = new(0, 1_000_000, "A price is between 0 and a million.");

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check(DateOnly today) => [.. Check(), .. Dates(today)];

    /// <summary>Its days that cannot be.</summary>
    protected IReadOnlyList<FieldProblem> Dates(DateOnly today) =>
        new FieldCheck().Day("boughtOn", BoughtOn, today).Day("servicedOn", ServicedOn, today).Problems;
}
