using System.Text.Json;

namespace ZingCast.Core.Measures;

/// <summary>How a field is filled in.</summary>
public enum FieldShape
{
    /// <summary>Words.</summary>
    Text,

    /// <summary>A number with a unit, of a <see cref="Kind"/>.</summary>
    Measure,

    /// <summary>One of a list.</summary>
    Choice,

    /// <summary>Yes or no.</summary>
    Yes,

    /// <summary>A whole number.</summary>
    Count,

    /// <summary>A day.</summary>
    Day,

    /// <summary>A sum in the owner's currency.</summary>
    Money,
}

/// <summary>One of the values of a choice.</summary>
/// <param name="Id">As in the contract.</param>
/// <param name="Name">As people say it.</param>
public sealed record FieldChoice(string Id, string Name)
{
    /// <summary>All values of an enumeration, with their words.</summary>
    public static IReadOnlyList<FieldChoice> All<T>(Func<T, string> word)
        where T : struct, Enum => [.. Enum.GetValues<T>().Select(v => new FieldChoice(IdOf(v), word(v)))];

    /// <summary>A value as it stands in the contract.</summary>
    public static string IdOf<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());
}

/// <summary>
/// A field of a piece of gear, described once. Its check, its column in sheets, its limits in the contract and in the schema of documents,
/// and its place on the form follow from this.
/// </summary>
/// <param name="Name">Name as in the contract.</param>
/// <param name="Label">What stands beside it on a form.</param>
/// <param name="Shape">How it is filled in.</param>
public sealed record Field(string Name, string Label, FieldShape Shape)
{
    /// <summary>Kind of quantity of a measure; null for anything else.</summary>
    public Kind? Kind { get; init; }

    /// <summary>Whether it is required.</summary>
    public bool Must { get; init; }

    /// <summary>Limits of a number, in the field's own unit; null where they depend on other fields.</summary>
    public Limit? Limit { get; init; }

    /// <summary>Longest text, characters.</summary>
    public int? Longest { get; init; }

    /// <summary>A text may have several lines.</summary>
    public bool Lines { get; init; }

    /// <summary>The values of a choice.</summary>
    public IReadOnlyList<FieldChoice> Choices { get; init; } = [];

    /// <summary>The word for an empty choice, where that is allowed.</summary>
    public string? None { get; init; }

    /// <summary>Its column in sheets; null when it is not in them.</summary>
    public string? Column { get; init; }

    /// <summary>Other headings accepted for that column.</summary>
    public IReadOnlyList<string> Also { get; init; } = [];

    internal Func<Gear, object?> Get { get; init; } = _ => null;

    internal Func<Gear, object, Gear> Set { get; init; } = (piece, _) => piece;

    /// <summary>
    /// The value on a piece: text, double, id of a choice, bool, int or day, by its shape; null for none. The piece must be of the kind
    /// this field belongs to.
    /// </summary>
    public object? ValueIn(Gear piece) => Get(piece);

    /// <summary>The piece with another value, of the type that <see cref="ValueIn"/> gives.</summary>
    public Gear With(Gear piece, object value) => Set(piece, value);

    internal void Check(FieldCheck check, Gear piece)
    {
        var value = Get(piece);
        if (Longest is { } longest)
            check.Text(Name, (string?)value, longest, !Must, Lines);
        if (Limit is { } limit && value is not null)
            check.Within(Name, Convert.ToDouble(value, null), limit);
        if (Shape == FieldShape.Choice)
            check.Must(Name, value is null ? !Must : Choices.Any(c => c.Id == (string)value), $"{OneOf()}.");
    }

    /// <summary>The values of a choice, in words.</summary>
    public string OneOf() => $"One of these: {string.Join(", ", Choices.Select(c => c.Name))}";
}

/// <summary>Describes the fields of one kind of gear, a line each.</summary>
/// <typeparam name="T">The kind.</typeparam>
internal static class FieldsOf<T>
    where T : Gear
{
    private static Field Row(string name, string label, FieldShape shape, Func<T, object?> get, Func<T, object, Gear> set) =>
        new(name, label, shape) { Get = piece => get((T)piece), Set = (piece, value) => set((T)piece, value) };

    public static Field Measure(
        string name,
        string label,
        Kind kind,
        Func<T, double?> get,
        Func<T, double, Gear> set,
        Limit? limit = null,
        bool must = false,
        string? column = null,
        string[]? also = null
    ) =>
        Row(name, label, FieldShape.Measure, p => get(p), (p, v) => set(p, (double)v)) with
        {
            Kind = kind,
            Limit = limit,
            Must = must,
            Column = column,
            Also = also ?? [],
        };

    public static Field Choice(
        string name,
        string label,
        IReadOnlyList<FieldChoice> choices,
        Func<T, string?> get,
        Func<T, string, Gear> set,
        string? none = null,
        string? column = null
    ) =>
        Row(name, label, FieldShape.Choice, get, (p, v) => set(p, (string)v)) with
        {
            Choices = choices,
            None = none,
            Must = none is null,
            Column = column,
        };

    /// <summary>A choice among the values of an enumeration.</summary>
    public static Field Choice<TEnum>(
        string name,
        string label,
        Func<TEnum, string> word,
        Func<T, TEnum?> get,
        Func<T, TEnum, Gear> set,
        string? none = null,
        string? column = null
    )
        where TEnum : struct, Enum =>
        Choice(
            name,
            label,
            FieldChoice.All(word),
            p => get(p) is { } value ? FieldChoice.IdOf(value) : null,
            (p, id) => set(p, Enum.GetValues<TEnum>().First(v => FieldChoice.IdOf(v) == id)),
            none,
            column
        );

    public static Field Text(
        string name,
        string label,
        int? longest,
        Func<T, string?> get,
        Func<T, string, Gear> set,
        bool must = false,
        bool lines = false,
        string? column = null,
        string[]? also = null
    ) =>
        Row(name, label, FieldShape.Text, get, (p, v) => set(p, (string)v)) with
        {
            Longest = longest,
            Must = must,
            Lines = lines,
            Column = column,
            Also = also ?? [],
        };

    public static Field Yes(string name, string label, Func<T, bool> get, Func<T, bool, Gear> set, string? column = null) =>
        Row(name, label, FieldShape.Yes, p => get(p), (p, v) => set(p, (bool)v)) with
        {
            Column = column,
        };

    public static Field Count(string name, string label, Func<T, int> get, Func<T, int, Gear> set, Limit limit, string? column = null) =>
        Row(name, label, FieldShape.Count, p => get(p), (p, v) => set(p, (int)v)) with
        {
            Limit = limit,
            Must = true,
            Column = column,
        };

    public static Field Day(string name, string label, Func<T, DateOnly?> get, Func<T, DateOnly, Gear> set, string? column = null) =>
        Row(name, label, FieldShape.Day, p => get(p), (p, v) => set(p, (DateOnly)v)) with
        {
            Column = column,
        };

    public static Field Money(
        string name,
        string label,
        Func<T, double?> get,
        Func<T, double, Gear> set,
        Limit limit,
        string? column = null
    ) => Row(name, label, FieldShape.Money, p => get(p), (p, v) => set(p, (double)v)) with { Limit = limit, Column = column };
}

/// <summary>Fields that every piece of gear has.</summary>
public static class GearFields
{
    /// <summary>Name and tag, first on a form.</summary>
    public static readonly IReadOnlyList<Field> Names =
    [
        FieldsOf<Gear>.Text("tag", "Tag", 12, p => p.Tag, (p, v) => p with { Tag = v }, must: true, column: "tag"),
        FieldsOf<Gear>.Text("name", "Name", 80, p => p.Name, (p, v) => p with { Name = v }, must: true, column: "name"),
    ];

    /// <summary>Fields that every kind of gear has, last on a form.</summary>
    public static readonly IReadOnlyList<Field> Shared =
    [
        FieldsOf<Gear>.Choice<Condition>(
            "condition",
            "Condition",
            ConditionWords.For,
            p => p.Condition,
            (p, v) => p with { Condition = v },
            column: "condition"
        ),
        FieldsOf<Gear>.Money("price", "Price paid", p => p.Price, (p, v) => p with { Price = v }, Gear.Prices, "price"),
        FieldsOf<Gear>.Day("boughtOn", "Here since", p => p.BoughtOn, (p, v) => p with { BoughtOn = v }, "bought"),
        FieldsOf<Gear>.Day("servicedOn", "Last seen to", p => p.ServicedOn, (p, v) => p with { ServicedOn = v }, "serviced"),
        FieldsOf<Gear>.Text("owner", "Whose, if not the house’s", 80, p => p.Owner, (p, v) => p with { Owner = v }, column: "owner"),
        FieldsOf<Gear>.Text("note", "Note", 400, p => p.Note, (p, v) => p with { Note = v }, lines: true, column: "note", also: ["notes"]),
    ];

    /// <summary>The fields of one kind between those shared by all.</summary>
    public static IReadOnlyList<Field> With(IEnumerable<Field> own) => [.. Names, .. own, .. Shared];
}
