using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>A stock backing.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Shown name.</param>
/// <param name="DiameterM">Diameter, metres.</param>
/// <param name="StrengthN">Stated strength, newtons.</param>
/// <param name="GelSpun">True for gel-spun polyethylene: thin, strong, cuts.</param>
public sealed record Backing(string Id, string Name, double DiameterM, double StrengthN, bool GelSpun)
{
    // Braid is one third air: polyester of 1380 and polyethylene of 970 kg/m³, from memory.
    private const double PolyesterKgM3 = 950,
        GelSpunKgM3 = 690;

    /// <summary>Cross-section, taken as round, square metres; also the volume per metre.</summary>
    public double AreaM2 => Math.PI / 4 * DiameterM * DiameterM;

    /// <summary>Mass of a metre, kilograms.</summary>
    public double KgPerM => AreaM2 * (GelSpun ? GelSpunKgM3 : PolyesterKgM3);
}

/// <summary>Backings and how tightly they pack on a spool.</summary>
public static class Backings
{
    /// <summary>Source mark of the diameters.</summary>
    public static readonly Source Source = new(SourceMark.Memory, "Usual braids, recalled");

    /// <summary>Limits of a length of backing, metres.</summary>
    public static readonly Limit Lengths = new(0, 1000, "Backing is between 0 and 1000 m.");

    /// <summary>Share of the wound cross-section that is line: tight machine wind, ordinary, loose hand wind. Common practice.</summary>
    public const double TightPacking = .78,
        OrdinaryPacking = .74,
        LoosePacking = .70;

    /// <summary>The densest packing of circles, π/(2√3). Source: Thue (1910).</summary>
    public static readonly double HexagonalPacking = Math.PI / (2 * Math.Sqrt(3));

    private static Backing B(string id, string name, double mm, double lb, bool gel) =>
        new(id, name, mm / 1000, lb * Exact.PoundForceN, gel);

    /// <summary>Polyester first, then gel-spun, thin to thick.</summary>
    public static readonly IReadOnlyList<Backing> Rows =
    [
        B("poly20", "braided polyester 20 lb", .46, 20, false),
        B("poly30", "braided polyester 30 lb", .60, 30, false),
        B("gel30", "gel-spun 30 lb", .27, 30, true),
        B("gel50", "gel-spun 50 lb", .36, 50, true),
        B("gel65", "gel-spun 65 lb", .41, 65, true),
        B("gel80", "gel-spun 80 lb", .48, 80, true),
    ];

    /// <summary>The strongest backing that does not cut fingers.</summary>
    public static readonly Backing StrongestPolyester = Rows.Where(b => !b.GelSpun).MaxBy(b => b.StrengthN)!;

    /// <summary>The backing with this id, or null.</summary>
    public static Backing? Find(string? id) => Rows.FirstOrDefault(b => b.Id == id);
}
