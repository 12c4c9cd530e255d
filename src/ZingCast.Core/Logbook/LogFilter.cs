namespace ZingCast.Core.Logbook;

/// <summary>Which outings to show; null fields do not filter.</summary>
/// <param name="Text">Words that stand in the place, the note or a piece's name, all of them.</param>
/// <param name="Kind">Fishing or practice.</param>
/// <param name="Rod">Rod.</param>
/// <param name="Line">Line.</param>
/// <param name="Place">Place, as it is written.</param>
/// <param name="Since">First day.</param>
/// <param name="Until">Last day.</param>
/// <param name="WithLoss">Something was lost.</param>
/// <param name="WithFish">Something was landed.</param>
public sealed record LogFilter(
    string? Text = null,
    OutingKind? Kind = null,
    int? Rod = null,
    int? Line = null,
    string? Place = null,
    DateOnly? Since = null,
    DateOnly? Until = null,
    bool WithLoss = false,
    bool WithFish = false
)
{
    /// <summary>
    /// The matching outings, in the order given. <paramref name="called"/> gives further words for an outing: its gear, its fish.
    /// </summary>
    public IEnumerable<Outing> Apply(IEnumerable<Outing> outings, Func<Outing, string> called)
    {
        var words = (Text ?? "").Split(' ', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
        return outings.Where(o =>
            IsAsked(o.Kind, Kind)
            && IsAsked(o.RodId, Rod)
            && IsAsked(o.LineId, Line)
            && (Place is null || o.Place.Equals(Place, StringComparison.OrdinalIgnoreCase))
            && (Since is null || o.On >= Since)
            && (Until is null || o.On <= Until)
            && (!WithLoss || o.Losses.Count > 0)
            && (!WithFish || o.Fish.Count > 0)
            && words.All(w => Names(o, called, w))
        );
    }

    private static bool IsAsked<T>(T? value, T? asked)
        where T : struct => asked is null || Equals(value, asked);

    private static bool Names(Outing outing, Func<Outing, string> called, string word) =>
        Contains(outing.Place, word)
        || Contains(outing.Note, word)
        || Contains(called(outing), word)
        || outing.Losses.Any(l => Contains(l.What, word));

    private static bool Contains(string? text, string word) => text?.Contains(word, StringComparison.OrdinalIgnoreCase) == true;
}
