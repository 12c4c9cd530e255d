using ZingCast.Core.Matching;

namespace ZingCast.Core.Trips;

/// <summary>What an outfit is worth on a day, 0 to 1, so that days can be added up. An assumption of ours.</summary>
public static class DayWorth
{
    // A working outfit is worth at least half of the day, a failing one less than half: no kit gives up one fishable day for two that are
    // not. Cost, in classes, that halves the rest.
    private const double Works = .5,
        Fails = .45,
        HalfCost = 4;

    /// <summary>A gain smaller than this share of all days does not count. Our assumption.</summary>
    public const double Felt = .01;

    /// <summary>Worth of a score.</summary>
    public static double For(Score score)
    {
        // A rod too far off to be offered, with nothing else failing, may still be all there is on a trip. It counts by how far it is off,
        // without a step.
        var cost = Math.Max(0, score.Works && score.Cost >= Choosing.Impossible ? score.Cost - Choosing.Impossible : score.Cost);
        return cost >= Choosing.Impossible ? 0 : For(cost, score.Works);
    }

    /// <summary>
    /// Upper bound of the worth of an outfit with at least this cost; <paramref name="works"/> while nothing is known to fail.
    /// </summary>
    internal static double AtMost(double cost, bool works) =>
        For(Math.Max(0, cost >= Choosing.Impossible ? cost - Choosing.Impossible : cost), works);

    private static double For(double cost, bool works) =>
        works ? Works + (1 - Works) / (1 + cost / HalfCost) : Fails / (1 + cost / HalfCost);

    /// <summary>Whether a day of this worth can be fished without a failing link.</summary>
    public static bool Serves(double worth) => worth >= Works;
}
