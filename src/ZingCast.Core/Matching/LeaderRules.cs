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

    // Head wind from which leaders are shortened, and from which they are two feet shorter, m/s. Common practice.
    private const double WindMps = 6,
        BigWindMps = 10;

    // Usual leader length in feet by density rank, beginning with ten feet on a floating line: a long leader lets the fly ride up. Common
    // practice.
    private static readonly double[] ByDensityFt = [10, 8.5, 7, 6, 5, 4];

    // Fly area from which the leader is shorter, and at which it is seven feet, square metres. Common practice.
    private const double BulkM2 = 1e-4,
        MuchBulkM2 = 2e-4;

    public static Leader Decide(Brief brief, Pins pins, Rod rod, FlyLine line, TippetChoice tippet, LedgerBook book)
    {
        Wanted(brief, pins, line.Density, book);
        AgainstRod(brief, pins, line.Density, rod, book);
        var length = LengthM(brief, pins, line.Density, rod.LengthM, book);
        var leader = pins.Tied?.Leader ?? Leader.Build(length, line.TipDiameterM, tippet.DiameterM, tippet.GuardM).For(brief.Fly);
        book.Add(
            Rules.LeaderButt,
            () =>
                new(
                    Quantity.Diameter(leader.Pieces[0].StartM),
                    pins.Tied is { } tied
                        ? (Sentence)$"{tied.Tag}, as you tied it: {leader.Formula()}"
                        : $"A butt of {Quantity.RodLength(leader.LengthOf(LeaderPart.Butt))}, "
                            + $"{Quantity.RodLength(leader.LengthOf(LeaderPart.Taper))} of steps, "
                            + $"{Quantity.RodLength(leader.LengthOf(LeaderPart.Tippet))} of tippet",
                    [new("line tip", Quantity.Diameter(line.TipDiameterM))]
                )
        );
        return leader;
    }

    /// <summary>
    /// Leader length on a line of this density and a rod of this length, metres. The same before gear is chosen as after.
    /// </summary>
    public static double LengthM(Brief brief, Pins pins, string density, double rodM, LedgerBook book)
    {
        var wanted = WantedM(brief, pins, density, book);
        return brief.LedClose || pins.HeldLeaderM is not null || book.IsOff(Rules.LeaderRod)
            ? wanted
            : Math.Min(wanted, rodM + Leader.LongerThanRodM);
    }

    private static double WantedM(Brief brief, Pins pins, string density, LedgerBook book) =>
        pins.HeldLeaderM ?? (book.IsOff(Rules.LeaderLength) ? InWind(brief, 9 * Ft) : UsualM(brief, density));

    private static void Wanted(Brief brief, Pins pins, string density, LedgerBook book)
    {
        var (usual, reason) = UsualLength(brief, density);
        var shorter = usual - InWind(brief, usual) > .05;
        var length = WantedM(brief, pins, density, book);
        var why =
            pins.Tied is { } tied ? $"as long as {tied.Tag}, which you pinned"
            : pins.LeaderM is not null ? "you pinned this length"
            : shorter ? reason + "; up to two feet shorter in big wind"
            : reason;
        book.Add(
            Rules.LeaderLength,
            () =>
                new(
                    Quantity.RodLength(length),
                    $"{PlainText.Capital(why)}",
                    [
                        new("density", Densities.Get(density).Name),
                        new("in the face", Quantity.Wind(brief.HeadwindMps)),
                        new("wariness", brief.Wariness.ToString().ToLowerInvariant()),
                    ],
                    pins.HeldLeaderM is null ? null : Source.Yours,
                    Pin: pins.Tied is null ? new() { LeaderM = length } : new() { Leader = pins.Tied.Id }
                )
        );
    }

    private static void AgainstRod(Brief brief, Pins pins, string density, Rod rod, LedgerBook book)
    {
        var (length, longest) = (WantedM(brief, pins, density, book), rod.LengthM + Leader.LongerThanRodM);
        if (brief.LedClose || length <= longest)
            return;
        book.Add(
            Rules.LeaderRod,
            () =>
                new(
                    Quantity.RodLength(longest),
                    $"{Quantity.RodLength(length)} would run its joint into the rings at the net",
                    [new("rod", Quantity.RodLength(rod.LengthM)), new("leader", Quantity.RodLength(length))],
                    Doubt: pins.HeldLeaderM is not null || book.IsOff(Rules.LeaderRod)
                )
        );
    }

    /// <summary>Usual length on a line of this density in the wind of the brief, metres.</summary>
    public static double UsualM(Brief brief, string density) => InWind(brief, UsualLength(brief, density).LengthM);

    /// <summary>Leader length for a density on the day of the brief, metres; the pinned one if there is one.</summary>
    public static double On(Brief brief, Pins pins, string density) => pins.HeldLeaderM ?? UsualM(brief, density);

    // Only wind in the face shortens a leader.
    private static double InWind(Brief brief, double lengthM) =>
        Math.Max(Math.Min(lengthM, 4 * Ft), lengthM - 2 * Ft * Interpolation.Fraction(WindMps, BigWindMps, brief.HeadwindMps));

    private static (double LengthM, string Why) UsualLength(Brief brief, string density)
    {
        var (floating, why) = OnFloating(brief);
        var rank = Math.Min(Densities.Rank(density), ByDensityFt.Length - 1);
        if (rank == 0)
            return (floating * Ft, why);
        // At most two feet shorter for each step of density; a bite guard comes on top.
        var feet = Math.Min(floating, Math.Max(ByDensityFt[rank], floating - 2 * rank));
        var guard = brief.Species.Group.Mouth is Mouth.Abrasive ? Math.Max(0, 2.5 - .5 * rank) : 0;
        return (
            (feet + guard) * Ft,
            rank <= Densities.Intermediate
                ? "a slow sinking line needs a middling leader"
                : "a sinking line takes the fly down; a long leader would let it ride up"
        );
    }

    // Length in feet, and why.
    private static (double Feet, string Why) OnFloating(Brief brief)
    {
        var kind = brief.Fly.Kind;
        var (feet, why) =
            brief.Water == Water.SmallStream ? (7, "a small stream leaves room for a short leader only")
            : brief.Wariness == Wariness.Spooky ? (13, "wary fish want the line kept well away")
            : brief.Caster.Learning ? (9, "a learner turns over nine feet")
            : brief.Wariness == Wariness.Bold ? (9, "floating line, bold fish")
            : (10.0, "floating line and clear water");
        // A nymph led close hangs on the leader alone: two feet more for every metre nearer.
        if (brief.LedClose)
            return (
                feet + 2 * Math.Min(4, Brief.LedFromM - brief.DistanceM),
                "a nymph led close hangs from a long leader with no line on the water"
            );
        if (!kind.Bushy)
            return (feet, why);
        var bulk = Interpolation.Fraction(BulkM2, MuchBulkM2, brief.Fly.AreaM2);
        return bulk > 0 && feet > 7 ? (Interpolation.Between(feet, 7, bulk), "bulky flies turn over on a short stiff leader") : (feet, why);
    }
}
