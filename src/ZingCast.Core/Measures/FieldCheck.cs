namespace ZingCast.Core.Measures;

/// <summary>A field that cannot be used, with words to put beside it.</summary>
/// <param name="Field">Field name as in the contract, camel case.</param>
/// <param name="Problem">What is wrong and what would do.</param>
public sealed record FieldProblem(string Field, string Problem);

/// <summary>Gathers what is wrong with a filled-in form, field by field.</summary>
public sealed class FieldCheck
{
    private readonly List<FieldProblem> problems = [];

    /// <summary>What was found, in the order checked.</summary>
    public IReadOnlyList<FieldProblem> Problems => problems;

    /// <summary>A text that must be there, unless optional, and at most <paramref name="longest"/> characters.</summary>
    public FieldCheck Text(string field, string? text, int longest, bool optional = false) =>
        Must(field, optional || !string.IsNullOrWhiteSpace(text), "This cannot be empty.")
        .Must(field, (text?.Length ?? 0) <= longest, $"Keep this to {longest} characters.");

    /// <summary>A number that, when given, must lie within limits (both included).</summary>
    public FieldCheck Range(string field, double? value, double low, double high, string words) =>
        Must(field, value is not { } v || (v >= low && v <= high), words);

    /// <summary>A condition that must hold.</summary>
    public FieldCheck Must(string field, bool holds, string words)
    {
        if (!holds) problems.Add(new(field, words));
        return this;
    }
}
