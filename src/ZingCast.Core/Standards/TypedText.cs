using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>
/// The text that was typed for a number, stored beside it, so that it is shown as typed and not as a conversion: "18 m" stays 18 m.
/// </summary>
public static class TypedText
{
    /// <summary>Whether a text means this number of a kind, to a part in a million.</summary>
    public static bool Matches(string text, Kind kind, double si) =>
        Reader.Read(kind, text, metric: true).Value is { } read && Math.Abs(read - si) <= 1e-6 * Math.Max(1e-3, Math.Abs(si));

    /// <summary>The texts that still match their numbers; null when none does. For code that changes numbers.</summary>
    public static IReadOnlyDictionary<string, string>? StillMatching(
        IReadOnlyDictionary<string, string>? said,
        Func<string, (Kind Kind, double? Value)?> of
    ) =>
        said?.Where(s => of(s.Key) is (var kind, { } value) && Matches(s.Value, kind, value)).ToDictionary() is { Count: > 0 } still
            ? still
            : null;

    /// <summary>
    /// What is wrong: a text for a field that has none, or that means another number. <paramref name="of"/> gives the kind and number of a
    /// field; <paramref name="under"/> goes before the field's name.
    /// </summary>
    public static IEnumerable<FieldProblem> Check(
        IReadOnlyDictionary<string, string>? said,
        string under,
        Func<string, (Kind Kind, double? Value)?> of
    )
    {
        foreach (var (field, text) in said ?? new Dictionary<string, string>())
            if (of(field) is not (var kind, { } value) || !PlainText.IsVisible(text) || !Matches(text, kind, value))
                yield return new($"{under}{field}", "What was typed for this says another number. Type it anew.");
    }
}
