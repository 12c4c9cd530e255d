using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>One row of the line-weight table; masses in grains as people read them.</summary>
/// <param name="Class">Line weight number, 0–15.</param>
/// <param name="TargetGr">Target mass of the first 30 ft.</param>
/// <param name="LowGr">Lowest mass that still carries the number.</param>
/// <param name="HighGr">Highest mass that still carries the number.</param>
public sealed record LineWeight(int Class, double TargetGr, double LowGr, double HighGr);

/// <summary>
/// The fly-line weight table: mass of the first 30 ft (9.144 m) without level tip.
/// Source: AFFTA fly line weight specification, values from memory; class 0 is common practice.
/// </summary>
public static class LineWeights
{
    /// <summary>Lowest and highest class the table speaks of.</summary>
    public const int Lowest = 0,
        Highest = 15;

    /// <summary>Limits of a class.</summary>
    public static readonly Limit Classes = new(Lowest, Highest, "Classes run from 0 to 15.");

    /// <summary>Lowest and highest load of a rod's grain window, over the standard mass of its class. Common practice.</summary>
    public const double WindowLow = .80,
        WindowTop = 1.45;

    /// <summary>Source mark of the table.</summary>
    public static readonly Source Source = new(
        SourceMark.Memory,
        "AFFTA fly line weight specification, recalled; class 0 is common practice"
    );

    /// <summary>Rows in class order.</summary>
    public static readonly IReadOnlyList<LineWeight> Rows =
    [
        new(0, 45, 40, 50),
        new(1, 60, 54, 66),
        new(2, 80, 74, 86),
        new(3, 100, 94, 106),
        new(4, 120, 114, 126),
        new(5, 140, 134, 146),
        new(6, 160, 152, 168),
        new(7, 185, 177, 193),
        new(8, 210, 202, 218),
        new(9, 240, 230, 250),
        new(10, 280, 270, 290),
        new(11, 330, 318, 342),
        new(12, 380, 368, 392),
        new(13, 450, 435, 465),
        new(14, 500, 485, 515),
        new(15, 550, 535, 565),
    ];

    private static readonly double[] Numbers = [.. Rows.Select(r => (double)r.Class)];
    private static readonly double[] TargetsKg = [.. Rows.Select(r => r.TargetGr * Exact.GrainKg)];

    /// <summary>Standard mass in kilograms for a class, interpolated between whole classes. Class is clamped to 0–15.</summary>
    public static double MassKg(double lineClass) => Interpolation.Interpolate(Numbers, TargetsKg, Math.Clamp(lineClass, Lowest, Highest));

    /// <summary>
    /// Fractional class of a 30-ft mass in kilograms. Continues past the table's ends along the last slope, never below zero.
    /// </summary>
    public static double ClassOf(double massKg) => Math.Max(0, Interpolation.Interpolate(TargetsKg, Numbers, massKg));

    /// <summary>The row whose range holds this 30-ft mass (kilograms), or null when it falls in a gap between classes.</summary>
    public static LineWeight? RowOf(double massKg)
    {
        var grains = massKg / Exact.GrainKg;
        // Enough slack that a mass converted to kilograms and back still belongs to its own row.
        return Rows.FirstOrDefault(r => grains >= r.LowGr - 1e-6 && grains <= r.HighGr + 1e-6);
    }
}
