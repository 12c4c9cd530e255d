using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>One Beaufort force.</summary>
/// <param name="Force">0–12.</param>
/// <param name="Name">Usual name.</param>
/// <param name="FromMps">Lower edge of its band, m/s.</param>
/// <param name="ToMps">Upper edge of its band, m/s.</param>
/// <param name="Sign">What it looks like on the water.</param>
public sealed record BeaufortForce(int Force, string Name, double FromMps, double ToMps, string Sign)
{
    /// <summary>Middle of the band, m/s.</summary>
    public double MiddleMps => (FromMps + ToMps) / 2;
}

/// <summary>Beaufort scale. Source: WMO, wind-speed equivalents at 10 m; bands here meet halfway between the rounded figures.</summary>
public static class Beaufort
{
    /// <summary>Source mark of the scale.</summary>
    public static readonly Source Source = new(SourceMark.Published, "WMO Beaufort scale, wind at 10 m");

    /// <summary>Forces 0 to 12.</summary>
    public static readonly IReadOnlyList<BeaufortForce> Rows =
    [
        new(0, "calm", 0, .25, "like a mirror"),
        new(1, "light air", .25, 1.55, "ripples"),
        new(2, "light breeze", 1.55, 3.35, "small wavelets"),
        new(3, "gentle breeze", 3.35, 5.45, "crests begin to break"),
        new(4, "moderate breeze", 5.45, 7.95, "frequent white horses"),
        new(5, "fresh breeze", 7.95, 10.75, "many white horses"),
        new(6, "strong breeze", 10.75, 13.85, "large waves, spray"),
        new(7, "near gale", 13.85, 17.15, "foam in streaks"),
        new(8, "gale", 17.15, 20.75, "spindrift"),
        new(9, "strong gale", 20.75, 24.45, "crests topple"),
        new(10, "storm", 24.45, 28.45, "sea white"),
        new(11, "violent storm", 28.45, 32.65, "exceptionally high waves"),
        new(12, "hurricane", 32.65, 40, "air filled with spray"),
    ];

    /// <summary>The force of a wind speed in m/s, zero or more.</summary>
    public static BeaufortForce FromSpeed(double mps) => Rows.FirstOrDefault(r => mps < r.ToMps) ?? Rows[^1];
}

/// <summary>A density class of line.</summary>
/// <param name="Id">Stable id, also the order of heaviness.</param>
/// <param name="Name">Trade name.</param>
/// <param name="FromInps">Slowest sink rate, inches per second.</param>
/// <param name="ToInps">Fastest sink rate, inches per second.</param>
public sealed record Density(string Id, string Name, double FromInps, double ToInps)
{
    /// <summary>Middle sink rate in m/s.</summary>
    public double SinkMps => (FromInps + ToInps) / 2 * Exact.InchM;
}

/// <summary>Line densities from floating to type 8. Common practice; makers round differently.</summary>
public static class Densities
{
    /// <summary>Source mark of the table.</summary>
    public static readonly Source Source = new(SourceMark.Practice, "Trade sink types; makers round differently");

    /// <summary>Light to heavy.</summary>
    public static readonly IReadOnlyList<Density> Rows =
    [
        new("floating", "floating", 0, 0),
        new("hover", "hover", .5, 1),
        new("intermediate", "intermediate", 1.25, 2),
        new("type2", "type 2", 1.75, 2.75),
        new("type3", "type 3", 2.5, 3.5),
        new("type4", "type 4", 4, 5),
        new("type5", "type 5", 4.5, 6),
        new("type6", "type 6", 6, 7),
        new("type7", "type 7", 7, 8),
        new("type8", "type 8", 8, 9),
    ];

    /// <summary>Ranks that rules speak of, on the scale of <see cref="Rank"/>.</summary>
    public static readonly int Intermediate = Rank("intermediate"),
        Type3 = Rank("type3"),
        Type4 = Rank("type4"),
        Type5 = Rank("type5");

    /// <summary>Floating.</summary>
    public static Density Floating => Rows[0];

    /// <summary>Position of a density from light to heavy, or −1 when the id is unknown.</summary>
    public static int Rank(string id)
    {
        for (var i = 0; i < Rows.Count; i++)
            if (Rows[i].Id == id)
                return i;
        return -1;
    }

    /// <summary>
    /// Usual density of such a line when it was not measured, kg/m³: floating coatings hold air, sinking ones metal. Assumption.
    /// </summary>
    public static double OrdinaryKgM3(string id) =>
        Rank(id) switch
        {
            0 => 880,
            <= 2 => 1080,
            _ => 1600,
        };

    /// <summary>The density with this id. Throws <see cref="ArgumentException"/> for an unknown id.</summary>
    public static Density Get(string id) =>
        Rank(id) is >= 0 and var i ? Rows[i] : throw new ArgumentException($"Unknown density '{id}'.", nameof(id));
}

/// <summary>What a line's coating is made for.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Trade name.</param>
/// <param name="FromC">Coldest water it suits, °C.</param>
/// <param name="ToC">Warmest water it suits, °C.</param>
/// <param name="StiffBelowC">Water below which it is stiff as wire, °C; null when it never is.</param>
/// <param name="LimpAboveC">Water above which it is limp and sticky, °C; null when it never is.</param>
public sealed record Coating(string Id, string Name, double FromC, double ToC, double? StiffBelowC = null, double? LimpAboveC = null)
{
    /// <summary>What makes it unfishable in this water, in words; null when nothing does.</summary>
    public string? FailsIn(double waterC) =>
        waterC < StiffBelowC ? "stiff as wire"
        : waterC > LimpAboveC ? "limp and sticky"
        : null;
}

/// <summary>Coatings by water temperature. Common practice; the bands overlap.</summary>
public static class Coatings
{
    /// <summary>Cold to hot.</summary>
    public static readonly IReadOnlyList<Coating> Rows =
    [
        new("cold", "cold-water", -2, 12, LimpAboveC: 24),
        new("temperate", "temperate", 10, 24),
        new("warm", "warm-water", 22, 28, StiffBelowC: 12),
        new("tropical", "tropical", 26, 40, StiffBelowC: 12),
    ];

    private static readonly Coating[] ByCold = [.. Rows];

    /// <summary>The one for ordinary water.</summary>
    public static readonly Coating Temperate = Get("temperate");

    /// <summary>The coating with this id. Throws <see cref="ArgumentException"/> for an unknown id.</summary>
    public static Coating Get(string id)
    {
        // Called for every line of the shed on every rod, so it avoids enumerators and closures.
        foreach (var coating in ByCold)
            if (coating.Id == id)
                return coating;
        throw new ArgumentException($"Unknown coating '{id}'.", nameof(id));
    }

    /// <summary>Every coating that suits this water, coldest first.</summary>
    public static IEnumerable<Coating> For(double waterC) => Rows.Where(c => waterC >= c.FromC && waterC <= c.ToC);
}
