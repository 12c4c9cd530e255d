namespace ZingCast.Core.Casting;

/// <summary>One cast to throw.</summary>
/// <param name="CarryM">Line held in the air, metres; clamped to what is there.</param>
/// <param name="AngleRad">Angle above the level, radians.</param>
/// <param name="ShotM">Most line let go to be pulled out, metres.</param>
public readonly record struct CastPlan(double CarryM, double AngleRad, double ShotM);

/// <summary>
/// The cast as two legs joined by a travelling loop: the fly leg of length L at speed v, the rod leg at speed u, the loop at their mean.
/// Tension at the loop μ((v−u)/2)² after Spolek (1986) and Lingard (1988), Am. J. Phys., from memory; skin friction after White (1972),
/// from memory. Casts are computed side by side in vector registers without allocations; the same input gives the same bits, whichever
/// casts are computed beside it.
/// </summary>
public static class CastEngine
{
    /// <summary>Drag coefficient of a cylinder across the stream at these speeds. Range in use 1.0–1.1; common practice.</summary>
    public const double CrossDrag = 1.05;

    /// <summary>
    /// A fly heavier than the first share of the line in the air is lobbed, not cast; with a short heavy head it can be cast up to the
    /// second, and is comfortable up to the third. Common practice.
    /// </summary>
    public const double MaxFlyRatio = .45,
        HeavyHeadFlyRatio = .40,
        ComfortableFlyRatio = .20;

    /// <summary>Ends of the grain window, shares of the rod's standard mass. Common practice.</summary>
    public const double WindowLow = Standards.LineWeights.WindowLow,
        WindowTop = Standards.LineWeights.WindowTop;

    /// <summary>The last of the leader is counted as straight at this length, metres.</summary>
    public const double StraightM = .05;

    /// <summary>
    /// Line speed when the rod stops, m/s, and loop height, metres. The arm gives a heavier line more energy and less speed. Outside the
    /// grain window speed falls and the loop opens with the square of the excess, above it and, when the whole head is out, below it; a fly
    /// too heavy for the line in the air does the same (our assumptions). With less than the head out the cast is short, the rod not too
    /// heavy.
    /// </summary>
    public static (double LaunchMps, double LoopM) Launch(CastSetup setup, double carryM)
    {
        var outKg = LineKg(setup, carryM);
        return Launch(setup, outKg, carryM < setup.HeadM ? LineKg(setup, setup.HeadM) : outKg);
    }

    /// <summary>The same from the mass of the line in the air, and from the least of it when the whole head is out, kilograms.</summary>
    internal static (double LaunchMps, double LoopM) Launch(CastSetup setup, double outKg, double headOutKg)
    {
        var moved = MovedKg(setup, outKg);
        double over = Math.Max(0, (outKg + setup.FlyKg) / setup.StandardKg / WindowTop - 1),
            under = Math.Max(0, 1 - (headOutKg + setup.FlyKg) / setup.StandardKg / WindowLow),
            lobbed = Math.Max(0, setup.FlyKg / Math.Max(1e-9, outKg) / MaxFlyRatio - 1);
        var penalty = 1 + 3 * over * over + under * under + lobbed * lobbed;
        return (setup.Caster.FreeMps / Math.Sqrt(1 + moved / setup.Caster.ArmKg) / penalty, setup.LoopM * penalty);
    }

    /// <summary>Mass that the arm moves with this much line in the air, kilograms: line, leader, fly and the rod's tip.</summary>
    internal static double MovedKg(CastSetup setup, double outKg) =>
        outKg + setup.Line.MassKg(setup.Line.LeaderM) + setup.FlyKg + setup.RodTipKg;

    /// <summary>Line in the air and wet fly over the rod's standard mass.</summary>
    public static double LoadRatio(CastSetup setup, double carryM) => (LineKg(setup, carryM) + setup.FlyKg) / setup.StandardKg;

    /// <summary>Mass of the line held in the air, leader left out, kilograms.</summary>
    public static double LineKg(CastSetup setup, double carryM) =>
        setup.Line.MassKg(carryM + setup.Line.LeaderM) - setup.Line.MassKg(setup.Line.LeaderM);

    /// <summary>
    /// Simulates one cast: <paramref name="carryM"/> metres of line in the air (clamped to what there is), <paramref name="angleRad"/>
    /// above the horizontal, and at most <paramref name="shotM"/> metres to be pulled out. <paramref name="refine"/> divides the time step,
    /// 1 or more. Any legal setup gives finite numbers.
    /// </summary>
    public static CastResult Throw(CastSetup setup, double carryM, double angleRad, double shotM, double refine = 1)
    {
        Span<CastResult> result = stackalloc CastResult[1];
        Throw(setup, [new(carryM, angleRad, shotM)], result, refine);
        return result[0];
    }

    /// <summary>The same, recording every moment and where the energy went in <paramref name="trace"/>.</summary>
    public static CastResult Throw(
        CastSetup setup,
        double carryM,
        double angleRad,
        double shotM,
        double refine,
        List<CastMoment> trace,
        out EnergyBudget budget
    )
    {
        var watched = new CastTrace(trace);
        Span<CastResult> result = stackalloc CastResult[1];
        var list = new CastList([new(carryM, angleRad, shotM)], result);
        new CastLanes(setup, refine, watched).Fly(ref list);
        budget = watched.Budget;
        return result[0];
    }

    /// <summary>
    /// Simulates many casts of one outfit on one day; <paramref name="results"/> takes one result for each of <paramref name="plans"/>, in
    /// order.
    /// </summary>
    public static void Throw(CastSetup setup, ReadOnlySpan<CastPlan> plans, Span<CastResult> results, double refine = 1)
    {
        var list = new CastList(plans, results);
        new CastLanes(setup, refine, null).Fly(ref list);
    }
}
