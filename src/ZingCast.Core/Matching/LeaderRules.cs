using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Leader length and build.</summary>
internal static class LeaderRules
{
    private const double Ft = Exact.FootM;

    private const double BigWindMps = 8;

    /// <summary>
    /// A leader this much longer than the rod runs its joint into the rings at the net, metres; common practice. Longer still it jams.
    /// </summary>
    public const double LongerThanRodM = .8,
        JamsM = 1.3;

    public static Leader Decide(Brief brief, Pins pins, string density, Rod rod, FlyLine line, TippetChoice tippet, LedgerBook book)
    {
        var wanted = Length(brief, pins, density, book);
        var length = AgainstRod(pins, rod, wanted, book);
        var leader = Leader.Build(length, line.TipDiameterM, tippet.DiameterM, tippet.GuardM);
        book.Note(
            Rules.LeaderButt,
            () =>
                new(
                    Quantity.Diameter(leader.Butt!.StartM),
                    $"A butt of {Quantity.Length(leader.LengthOf(LeaderPart.Butt))}, "
                        + $"{Quantity.Length(leader.LengthOf(LeaderPart.Taper))} of steps, "
                        + $"{Quantity.Length(leader.LengthOf(LeaderPart.Tippet))} of tippet",
                    [new("line tip", Quantity.Diameter(line.TipDiameterM))]
                )
        );
        return leader;
    }

    private static double Length(Brief brief, Pins pins, string density, LedgerBook book)
    {
        var (usual, reason) = UsualLength(brief, density);
        var windy = brief.WindMps > BigWindMps;
        var (length, why) =
            pins.LeaderM is { } pin ? (pin, "you pinned this length")
            : book.IsOff(Rules.LeaderLength) ? (9 * Ft, Windy())
            : (windy ? InBigWind(usual) : usual, Windy());
        book.Note(
            Rules.LeaderLength,
            () =>
                new(
                    Quantity.Length(length),
                    $"{PlainText.Capital(why)}",
                    [
                        new("density", Densities.Of(density).Name),
                        new("wind", Quantity.Wind(brief.WindMps)),
                        new("wariness", brief.Wariness.ToString().ToLowerInvariant()),
                    ],
                    pins.LeaderM is null ? null : Source.Yours,
                    Pin: new() { LeaderM = length }
                )
        );
        return length;

        string Windy() => windy ? reason + "; two feet shorter in big wind" : reason;
    }

    private static double AgainstRod(Pins pins, Rod rod, double length, LedgerBook book)
    {
        var longest = rod.LengthM + LongerThanRodM;
        if (length <= longest)
            return length;
        var shorten = pins.LeaderM is null && !book.IsOff(Rules.LeaderRod);
        book.Note(
            Rules.LeaderRod,
            () =>
                new(
                    Quantity.Length(longest),
                    $"{Quantity.Length(length)} would run its joint into the rings at the net",
                    [new("rod", Quantity.Length(rod.LengthM)), new("leader", Quantity.Length(length))],
                    Doubt: !shorten
                )
        );
        return shorten ? longest : length;
    }

    /// <summary>Usual length on a floating line, metres; what a class is judged with before the line is known.</summary>
    public static double UsualLengthM(Brief brief)
    {
        var length = UsualLength(brief, Densities.Floating.Id).LengthM;
        return brief.WindMps > BigWindMps ? InBigWind(length) : length;
    }

    private static double InBigWind(double lengthM) => Math.Max(4 * Ft, lengthM - 2 * Ft);

    private static (double LengthM, string Why) UsualLength(Brief brief, string density)
    {
        var rank = Densities.Rank(density);
        if (rank >= Densities.Type4)
            return (4 * Ft, "a fast sinking line takes the fly down; a long leader would let it ride up");
        if (rank > Densities.Intermediate)
            return (5 * Ft, "a sinking line takes the fly down; a long leader would let it ride up");
        if (rank > 0)
            return (7 * Ft, "an intermediate line needs a middling leader");
        if (brief.Fly.Kind.Bushy && brief.Fly.AreaM2 > 1.5e-4)
            return (7 * Ft, "bulky flies turn over on a short stiff leader");
        if (brief.Water == Water.SmallStream)
            return (7 * Ft, "a small stream leaves room for a short leader only");
        if (brief.Wariness == Wariness.Spooky)
            return (13 * Ft, "wary fish want the line kept well away");
        return brief.Wariness == Wariness.Bold ? (9 * Ft, "floating line, bold fish") : (10 * Ft, "floating line and clear water");
    }
}
