using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>A plain class of caster.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Shown name.</param>
/// <param name="About">What it looks like on the bank.</param>
/// <param name="CarryM">Most line held in the air, metres.</param>
/// <param name="OverhangM">Running line handled outside the tip, metres.</param>
/// <param name="CalmFromM">Least usual reach with a small fly in calm air, metres.</param>
/// <param name="CalmToM">Most usual reach with a small fly in calm air, metres.</param>
/// <param name="HeadwindShare">Share of the calm reach left in a 10 m/s headwind with a sparse 2/0 on an 8.</param>
/// <param name="LadderShift">Classes added to what the hook ladder says.</param>
public sealed record Caster(
    string Id, string Name, string About, double CarryM, double OverhangM, double CalmFromM, double CalmToM, double HeadwindShare, double LadderShift);

/// <summary>Caster presets. Reaches and carries are common practice.</summary>
public static class Casters
{
    /// <summary>Source mark of the presets.</summary>
    public static readonly Source Source = new(SourceMark.Practice, "Usual reaches of casters; your own log will beat them");

    private const double Ft = Exact.FootM;

    /// <summary>Learner to expert.</summary>
    public static readonly IReadOnlyList<Caster> Rows =
    [
        new("learner", "learner", "no haul, open loops, happiest with a heavy line to feel", 30 * Ft, 0, 38 * Ft, 52 * Ft, .30, .5),
        new("club", "club caster", "single haul, tidy loops, fishes most weeks", 40 * Ft, 1.0, 62 * Ft, 78 * Ft, .44, 0),
        new("skilled", "skilled caster", "double haul, tight loops, shoots line at will", 52 * Ft, 1.5, 82 * Ft, 100 * Ft, .54, 0),
        new("expert", "expert caster", "fast double haul, carries long heads", 65 * Ft, 2.0, 103 * Ft, 126 * Ft, .57, -.5),
    ];

    /// <summary>The caster with this id, or null.</summary>
    public static Caster? Find(string? id) => Rows.FirstOrDefault(c => c.Id == id);
}
