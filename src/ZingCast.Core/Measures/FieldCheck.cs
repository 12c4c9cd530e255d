namespace ZingCast.Core.Measures;

/// <summary>A field with an unusable value, and the words to show beside it.</summary>
/// <param name="Field">Field name as in the contract, camel case.</param>
/// <param name="Problem">What is wrong and what would do.</param>
public sealed record FieldProblem(string Field, string Problem);

/// <summary>Puts problems of a part under the name of that part.</summary>
public static class PartProblems
{
    /// <summary>These under a name: "lengthM" becomes "measured[0].lengthM" under "measured[0]".</summary>
    public static IEnumerable<FieldProblem> Under(this IEnumerable<FieldProblem> problems, string name) =>
        problems.Select(p => p with { Field = $"{name}.{p.Field}" });

    /// <summary>The problems of each of a list, under its name and place.</summary>
    public static IEnumerable<FieldProblem> Each<T>(this IReadOnlyList<T> all, string name, Func<T, IEnumerable<FieldProblem>> check) =>
        all.SelectMany((one, i) => check(one).Under($"{name}[{i}]"));
}

/// <summary>Limits of a number, stated once, with the words for a number outside them.</summary>
/// <param name="Low">Lowest, included; unit as the field's.</param>
/// <param name="High">Highest, included.</param>
/// <param name="Words">What to say of a number outside.</param>
public sealed record Limit(double Low, double High, string Words);

/// <summary>Collects what is wrong with a form, field by field.</summary>
public sealed class FieldCheck
{
    private readonly List<FieldProblem> problems = [];

    /// <summary>What was found, in the order checked.</summary>
    public IReadOnlyList<FieldProblem> Problems => problems;

    /// <summary>
    /// A text that must be there, unless optional, at most <paramref name="longest"/> characters long and without unseen ones; on one line,
    /// unless it may have several.
    /// </summary>
    public FieldCheck Text(string field, string? text, int longest, bool optional = false, bool lines = false) =>
        Must(field, optional || !string.IsNullOrWhiteSpace(text), "This cannot be empty.")
            .Must(field, (text?.Length ?? 0) <= longest, $"Keep this to {longest} characters.")
            .Must(
                field,
                text is null || text.Length > longest || PlainText.IsVisible(text),
                "There is a sign in this that nobody can see. Type it anew instead of pasting it."
            )
            .Must(field, lines || text?.AsSpan().IndexOfAny('\n', '\r') is null or < 0, "Keep this on one line.");

    /// <summary>
    /// A day on which something was done: given, not before <see cref="EarliestYear"/> and, allowing a day for time zones, not after today.
    /// </summary>
    public FieldCheck Day(string field, DateOnly? day, DateOnly today) =>
        Must(field, !(day?.Year < EarliestYear), "That is before there were carbon rods; check the year.")
            .Must(field, !(day > today.AddDays(1)), "That day is still to come.");

    /// <summary>Carbon rods are not older than this. Common practice.</summary>
    public const int EarliestYear = 1950;

    /// <summary>A number that, when given, must lie within limits (both included).</summary>
    public FieldCheck Range(string field, double? value, double low, double high, string words) =>
        Must(field, value is not { } v || (v >= low && v <= high), words);

    /// <summary>A number that, when given, must lie within predefined limits.</summary>
    public FieldCheck Within(string field, double? value, Limit limit) => Range(field, value, limit.Low, limit.High, limit.Words);

    /// <summary>A check of each element of a list, reported under name and index.</summary>
    public FieldCheck All<T>(IReadOnlyList<T> all, string field, Func<T, FieldCheck> check)
    {
        problems.AddRange(all.Each(field, one => check(one).Problems));
        return this;
    }

    /// <summary>A condition that must hold.</summary>
    public FieldCheck Must(string field, bool holds, string words)
    {
        if (!holds)
            problems.Add(new(field, words));
        return this;
    }
}
