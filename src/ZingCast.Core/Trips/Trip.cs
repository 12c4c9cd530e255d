using System.Globalization;
using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Trips;

/// <summary>A kind of day of a trip: a stored brief, or one entered here.</summary>
/// <param name="Times">How many such days.</param>
/// <param name="Regret">How much it is missed when it cannot be fished.</param>
/// <param name="BriefId">The kept brief; null where the day is said here.</param>
/// <param name="Name">What a day said here is called.</param>
/// <param name="Draft">What was said here.</param>
public sealed record PlannedDay(int Times, Regret Regret, int? BriefId = null, string? Name = null, BriefDraft? Draft = null);

/// <summary>A stored trip: its days, limits, and what is packed.</summary>
public sealed record Trip : Kept
{
    /// <summary>Name of the trip.</summary>
    public required string Name
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>Day of departure; null when unknown.</summary>
    public DateOnly? LeavesOn { get; init; }

    /// <summary>Its days.</summary>
    public IReadOnlyList<PlannedDay> Days { get; init; } = [];

    /// <summary>Limits of the kit.</summary>
    public TripLimits Limits { get; init; } = new();

    /// <summary>Pieces that are packed in any case.</summary>
    public Pieces Held { get; init; } = Pieces.None;

    /// <summary>Items ticked when packing, by the keys of the packing list.</summary>
    public IReadOnlyList<string> Packed { get; init; } = [];

    /// <summary>Items ticked when leaving the water.</summary>
    public IReadOnlyList<string> Back { get; init; } = [];

    /// <summary>Most kinds of day in one trip.</summary>
    public const int MaxDays = 24;

    private const int MaxTicks = 400;

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check()
    {
        var check = new FieldCheck()
            .Text("name", Name, 80)
            .Must("leavesOn", LeavesOn is not { Year: < 2000 or > 2200 }, "Check the year of that day.")
            .Must("days", Days.Count <= MaxDays, $"A trip has {MaxDays} kinds of day at most.")
            .Must("packed", Packed.Count <= MaxTicks && Packed.All(Sound), "That is not on the packing list.")
            .Must("back", Back.Count <= MaxTicks && Back.All(Sound), "That is not on the packing list.")
            .Must(
                "held",
                new[] { Held.Rods, Held.Lines, Held.Reels }.All(ids => ids.Count <= MaxTicks && ids.All(id => id > 0)),
                "Only pieces of the shed can be packed."
            );
        return [.. check.Problems, .. Days.Take(MaxDays).SelectMany(DayProblems), .. Under("limits.", Limits.Check())];
    }

    /// <summary>This with an item ticked or not. A ticked rod, line or reel is packed in any case.</summary>
    public Trip Pack(string key, bool on)
    {
        IReadOnlyList<int> Along(string kind, IReadOnlyList<int> held) =>
            key.StartsWith($"{kind}-", StringComparison.Ordinal)
            && int.TryParse(key.AsSpan(kind.Length + 1), NumberStyles.None, CultureInfo.InvariantCulture, out var id)
                ? on
                    ? [.. held.Where(h => h != id), id]
                    : [.. held.Where(h => h != id)]
                : held;
        return this with
        {
            Packed = With(Packed, key, on),
            Held = new(Along("rod", Held.Rods), Along("line", Held.Lines), Along("reel", Held.Reels)),
        };
    }

    /// <summary>Ticks with one more or one less.</summary>
    public static IReadOnlyList<string> With(IReadOnlyList<string> ticks, string key, bool on) =>
        on ? [.. ticks.Where(t => t != key), key] : [.. ticks.Where(t => t != key)];

    private static bool Sound(string key) => key is { Length: > 0 and <= 80 };

    private static IEnumerable<FieldProblem> DayProblems(PlannedDay day, int at)
    {
        var check = new FieldCheck().Within("times", day.Times, TripDay.Often);
        if (day.BriefId is null)
            check.Text("name", day.Name, 80).Must("draft", day.Draft is not null, "Pick a brief, or say what the day is.");
        return Under($"days[{at}].", [.. check.Problems, .. day.Draft is { } draft ? Under("draft.", Brief.Check(draft)) : []]);
    }

    private static IEnumerable<FieldProblem> Under(string name, IEnumerable<FieldProblem> problems) =>
        problems.Select(p => p with { Field = name + p.Field });
}
