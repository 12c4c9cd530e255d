using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
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
    /// <summary>
    /// Classes above the usual range by which a day may be answered at most, whatever the wind and the distance; and classes below it,
    /// except for finesse. Common practice allows one class either way; nobody uses all of it upwards.
    /// </summary>
    public const double MaxAbove = .25,
        MaxBelow = 1;

    /// <summary>A class this far outside the rung is reported as a disagreement.</summary>
    public const double Disagrees = 1.5;

    /// <summary>How far a class lies outside the rung, classes; 0 on it.</summary>
    public double Outside(double lineClass) => Math.Max(0, Math.Max(Low - lineClass, lineClass - High));
}

/// <summary>
/// What anglers say from hook size and bulk alone: the cross-check, shown on screen, on the simulated cast. Common practice.
/// </summary>
public static class Ladder
{
    /// <summary>From small to large; a fly belongs to the last rung it reaches.</summary>
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

    /// <summary>The rung a fly belongs to.</summary>
    public static LadderRung RungOf(Fly fly) =>
        Rungs.Last(r => r.FromBodyM > 0 ? fly.BodyM >= r.FromBodyM && fly.Kind.Bushy : fly.Size.Number <= r.Small.Number);

    // The same interpolated: a hook between two rungs gives a class between theirs.
    private static readonly double[] Hooks = [-24, -16, -10, -4, -1, 2],
        Lows = [2, 3, 4, 6, 7, 8],
        Highs = [4, 5, 6, 7, 8, 9];
    private static readonly double[] BodiesM = [.10, .15, .175, .25, .32],
        BodyLows = [7.5, 8.75, 9, 10, 10],
        BodyHighs = [8.5, 9.75, 10, 11.75, 11.75];

    /// <summary>Lowest and highest class usual for a fly by hook and bulk, without the jumps between rungs.</summary>
    public static Spread BandOf(Fly fly)
    {
        var hook = Math.Clamp(-fly.Size.Number, Hooks[0], Hooks[^1]);
        var band = new Spread(Interpolation.Interpolate(Hooks, Lows, hook), Interpolation.Interpolate(Hooks, Highs, hook));
        if (!fly.Kind.Bushy || fly.BodyM < BodiesM[0])
            return band;
        var body = Math.Min(fly.BodyM, BodiesM[^1]);
        return new(
            Math.Max(band.Low, Interpolation.Interpolate(BodiesM, BodyLows, body)),
            Math.Max(band.High, Interpolation.Interpolate(BodiesM, BodyHighs, body))
        );
    }
}
