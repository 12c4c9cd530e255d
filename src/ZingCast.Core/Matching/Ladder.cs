using ZingCast.Core.Flies;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>One rung of the hook-and-bulk ladder.</summary>
/// <param name="Name">How people say it.</param>
/// <param name="Small">Smallest hook on this rung; hooks only.</param>
/// <param name="FromBodyM">Shortest body on this rung for flies measured by length, metres; 0 for hooks.</param>
/// <param name="Low">Lowest class.</param>
/// <param name="High">Highest class.</param>
public sealed record LadderRung(string Name, HookSize Small, double FromBodyM, double Low, double High)
{
    /// <summary>A class this far outside the rung is a disagreement worth saying, classes.</summary>
    public const double Disagrees = 1.5;

    /// <summary>How far a class lies outside the rung, classes; 0 on it.</summary>
    public double Outside(double lineClass) => Math.Max(0, Math.Max(Low - lineClass, lineClass - High));
}

/// <summary>What people say by hook and bulk alone: the visible cross-check on the computed cast. Common practice.</summary>
public static class Ladder
{
    /// <summary>Small to large; a fly stands on the last rung it reaches.</summary>
    public static readonly IReadOnlyList<LadderRung> Rungs =
    [
        new("#18–24", new(HookSize.Smallest), 0, 2, 4),
        new("#12–16", new(17), 0, 3, 5),
        new("#8–10", new(11), 0, 4, 6),
        new("#4–6", new(7), 0, 6, 7),
        new("#2–1/0", new(3), 0, 7, 8),
        new("2/0–4/0", new(-1), 0, 8, 9),
        new("15–20 cm, bulky", new(-3), .13, 9, 10),
        new("25 cm and more, soaked", new(-5), .225, 10, 12),
    ];

    /// <summary>The rung a fly stands on.</summary>
    public static LadderRung RungOf(Fly fly) =>
        Rungs.Last(r => r.FromBodyM > 0 ? fly.BodyM >= r.FromBodyM && fly.Kind.Bushy : fly.Size.Number <= r.Small.Number);
}
