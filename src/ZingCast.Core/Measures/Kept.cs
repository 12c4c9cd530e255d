using System.Globalization;

namespace ZingCast.Core.Measures;

/// <summary>Anything that is stored: a piece of gear, a scrap, a calibration.</summary>
public abstract record Kept
{
    /// <summary>Id in the store; 0 for what is only described, such as a specification or a table supplied with Zing Cast.</summary>
    public int Id { get; init; }

    /// <summary>Whether it is stored. What is only described has id 0, or negative ids where several have to be told apart.</summary>
    internal bool IsThere => Id > 0;

    /// <summary>Number of its revision, from 1, so that an edit of an outdated copy is noticed; 0 when never stored.</summary>
    public int Version { get; init; }

    /// <summary>Every field with an unusable value; empty when all is well.</summary>
    public abstract IReadOnlyList<FieldProblem> Check();

    /// <summary>The same, with days in the future refused.</summary>
    public virtual IReadOnlyList<FieldProblem> Check(DateOnly today) => Check();

    /// <summary>
    /// This as the replacement of <paramref name="before"/>: measurements that came along unchanged are dropped when a figure they describe
    /// has changed, so that there are never two descriptions of one piece.
    /// </summary>
    public virtual Kept InPlaceOf(Kept before) => this;
}

/// <summary>Condition of a piece of gear.</summary>
public enum Condition
{
    /// <summary>Nothing to say against it.</summary>
    Good,

    /// <summary>Worn, and does its work.</summary>
    Worn,

    /// <summary>Must be repaired before use.</summary>
    Mend,
}

/// <summary>Words for the condition of a piece.</summary>
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

/// <summary>A piece of gear, with a tag and a name.</summary>
public abstract record Gear : Kept
{
    /// <summary>Shed tag, such as "R3"; it names one piece of its kind.</summary>
    public required string Tag
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>Name of the piece.</summary>
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

    /// <summary>Its condition.</summary>
    public Condition Condition { get; init; }

    /// <summary>Price paid, in the owner's currency; null when unknown.</summary>
    public double? Price { get; init; }

    /// <summary>Day of purchase; null when unknown.</summary>
    public DateOnly? BoughtOn { get; init; }

    /// <summary>Day of the last service (cleaned, greased, repaired); null when unknown.</summary>
    public DateOnly? ServicedOn { get; init; }

    /// <summary>Whose it is; empty for the owner of the shed.</summary>
    public string? Owner
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>A label at least this many classes off the measured class probably belongs to another piece. Common practice.</summary>
    protected const double LabelOff = .75;

    /// <summary>Classes it is for: by its measurement, or else its label. Null when unknown.</summary>
    public abstract Spread? Classes { get; }

    /// <summary>Whether the figure it is chosen by was measured rather than read off a label.</summary>
    public abstract bool IsMeasured { get; }

    /// <summary>True when label and measure differ by <see cref="LabelOff"/> or more.</summary>
    public virtual bool LabelDisagrees => false;

    /// <summary>Whether an inspection found something to watch or to repair.</summary>
    public virtual bool ToSeeTo => Condition == Condition.Mend;

    /// <summary>The usual name for a piece without one: "9 ft #6", "WF6F".</summary>
    public abstract string UsualName();

    /// <summary>This with a tag and a name, where it has none.</summary>
    public Gear WithTagAndName(string freeTag) =>
        this with
        {
            Tag = Tag.Length == 0 ? freeTag : Tag,
            Name = Name.Length == 0 ? UsualName() : Name,
        };

    /// <summary>The first unused tag: letter and one more than the highest number, such as "R13".</summary>
    public static string NextTag(char letter, IEnumerable<string> taken)
    {
        var highest = taken
            .Where(t => t.Length is > 1 and < 8 && char.ToUpperInvariant(t[0]) == letter)
            .Select(t => int.TryParse(t[1..], NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? n : 0)
            .Append(0)
            .Max();
        return string.Create(CultureInfo.InvariantCulture, $"{letter}{highest + 1}");
    }

    /// <summary>A check to which every field's own check has been applied.</summary>
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

    /// <summary>Problems with its days.</summary>
    protected IReadOnlyList<FieldProblem> Dates(DateOnly today) =>
        new FieldCheck().Day("boughtOn", BoughtOn, today).Day("servicedOn", ServicedOn, today).Problems;
}
