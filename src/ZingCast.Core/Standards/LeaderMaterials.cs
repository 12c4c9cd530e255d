namespace ZingCast.Core.Standards;

/// <summary>What leaders are made of.</summary>
public enum LeaderMaterial
{
    /// <summary>Soft, stretches, sinks hardly.</summary>
    Nylon,

    /// <summary>Sinks, stands rubbing, harder to see.</summary>
    Fluorocarbon,

    /// <summary>Thin coated wire that takes a knot.</summary>
    Wire,

    /// <summary>A tapered coat over a thin core, floating or sinking.</summary>
    Coated,
}

/// <summary>A leader material in numbers.</summary>
/// <param name="Material">Which.</param>
/// <param name="Name">What people call it.</param>
/// <param name="KgM3">Density, kg/m³.</param>
/// <param name="Strength">Straight-pull strength as a share of nylon of the same diameter.</param>
public sealed record LeaderMaterialRow(LeaderMaterial Material, string Name, double KgM3, double Strength);

/// <summary>Leader materials. From memory.</summary>
public static class LeaderMaterials
{
    /// <summary>Source mark of the table.</summary>
    public static readonly Source Source = new(SourceMark.Memory, "Density and strength of leader materials, recalled, ±15 %");

    /// <summary>All of them.</summary>
    public static readonly IReadOnlyList<LeaderMaterialRow> Rows =
    [
        new(LeaderMaterial.Nylon, "nylon", 1140, 1),
        new(LeaderMaterial.Fluorocarbon, "fluorocarbon", 1780, .925),
        new(LeaderMaterial.Wire, "knottable wire", 4500, 1.3),
        new(LeaderMaterial.Coated, "coated taper", 1050, 0),
    ];

    /// <summary>Those that come on spools.</summary>
    public static IEnumerable<LeaderMaterialRow> OnSpools => Rows.Where(m => m.Material != LeaderMaterial.Coated);

    // Strength of the core of a coated leader, newtons, whatever its coat. Common practice, about 20 lb.
    private const double CoatedCoreN = 90;

    /// <summary>One of them.</summary>
    public static LeaderMaterialRow Get(LeaderMaterial material) => Rows[(int)material];

    /// <summary>Mass of a metre at a diameter, metres; kg/m.</summary>
    public static double KgPerM(LeaderMaterial material, double diameterM) => Get(material).KgM3 * Math.PI / 4 * diameterM * diameterM;

    /// <summary>Straight-pull strength, newtons; thinnest diameter in metres.</summary>
    public static double StrengthN(LeaderMaterial material, double diameterM) =>
        material == LeaderMaterial.Coated ? CoatedCoreN : Get(material).Strength * Tippets.StrengthN(diameterM);
}
