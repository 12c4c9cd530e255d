using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Trips;

/// <summary>What most of the trade recommends for such days, beside our answer. Common practice, no source.</summary>
/// <param name="Usual">What they say.</param>
/// <param name="Why">Whether ours is one of those, and why not where it is none.</param>
public sealed record TradeAnswer(Sentence Usual, Sentence Why)
{
    /// <summary>The usual recommendation for some fish.</summary>
    /// <param name="Says">As one hears it.</param>
    /// <param name="RodFt">Rod, feet.</param>
    /// <param name="Class">Numbers.</param>
    internal sealed record Row(string Says, Spread RodFt, Spread Class);

    /// <summary>The recommendation for such fish, the most specific first.</summary>
    internal static Row For(IReadOnlyList<Species> fish)
    {
        bool Only(params string[] groups) => fish.All(f => groups.Contains(f.Group.Id));
        bool Any(params string[] groups) => fish.Any(f => groups.Contains(f.Group.Id));
        return Only("stream-trout") && fish.All(f => f.Id != "grayling")
                ? new("a short light rod, 7 to 8 ft for a 3 or a 4", new(7, 8), new(3, 4))
            : Only("panfish") ? new("a light rod, 7½ to 9 ft for a 3 to a 5", new(7.5, 9), new(3, 5))
            : fish.All(f => f.Id == "lake-trout") ? new("9 to 10 ft for a 6 or a 7, floating and intermediate", new(9, 10), new(6, 7))
            : Only("sea-trout", "salmon", "big-salmon") ? new("9 to 10 ft for a 7 or an 8", new(9, 10), new(7, 8))
            : Any("big-tarpon", "big-trevally", "bluewater")
                ? new("big fish of the sea want an outfit of their own, a 10 to a 12 and more", new(8, 9), new(10, 13))
            : Any("giant-esox") ? new("the biggest flies want an outfit of their own, a 10 to a 12", new(8.5, 9), new(9, 12))
            : Only("mullet", "trout") && fish.All(f => f.Salt) ? new("9 ft for a 6 or a 7, made for salt", new(9, 9.5), new(5, 7))
            : fish.All(f => f.Salt) ? new("9 ft for an 8, made for salt", new(9, 9.5), new(7, 8))
            : Any("pike") ? new("9 ft for an 8 or a 9", new(9, 9), new(7, 9))
            : Only("carp") ? new("9 ft for a 7 or an 8", new(9, 9), new(7, 8))
            : Only("bass") ? new("9 ft for a 7 or an 8", new(9, 9), new(6, 8))
            : Only("stream-trout", "trout", "chub") ? new("nine feet and a five", new(8.5, 9), new(4, 6))
            : new("nine feet and a five, or a six", new(9, 9), new(5, 6));
    }

    /// <summary>Compares our rod with theirs; names the day that makes the difference.</summary>
    internal static TradeAnswer For(IReadOnlyList<TripDay> days, IReadOnlyList<double> targets, Rod rod)
    {
        var row = For([.. days.Select(d => d.Brief.Species).Distinct()]);
        var number = rod.Class ?? 0;
        Sentence usual = $"Most people say {row.Says}";
        TripDay Pulls(Func<double, double> far) => days[Enumerable.Range(0, days.Count).MaxBy(d => far(targets[d]))];
        Sentence Away(TripDay day) => $"Ours is a {Quantity.Class(number)}, for {day.Name}";
        var feet = rod.LengthM / Exact.FootM;
        return new(
            usual,
            feet < row.RodFt.Low - Hair
                    ? (Sentence)$"Ours is {Quantity.RodLength(rod.LengthM)} for a {Quantity.Class(number)}: there is little room behind"
                : number > row.Class.High ? Away(Pulls(t => t))
                : number < row.Class.Low ? Away(Pulls(t => -t))
                : feet > row.RodFt.High + Hair ? $"Ours is longer, {Quantity.RodLength(rod.LengthM)}, to lift and lead the line"
                : (Sentence)$"So do we"
        );
    }

    private const double Hair = .05;
}
