using ZingCast.Core.Matching;

namespace ZingCast.Core.Trips;

/// <summary>What an outfit is worth on a day, 0 to 1, so that days can be added up. An assumption of ours.</summary>
public static class DayWorth
{
    // An outfit that works is worth half of the day at least, one that fails less than half: no kit gives up a day that can be fished for
    // two that cannot be. So much given up halves the rest, in classes.
    private const double Works = .5,
        Fails = .45,
        HalfCost = 4;

    /// <summary>A gain smaller than this share of all days is none. An assumption of ours.</summary>
    public const double Felt = .01;

    /// <summary>Of a score.</summary>
    public static double For(Score score)
    {
        // A rod too many classes off to be offered, and nothing that fails: on a trip it may be all there is. It counts by how far it is
        // off, without a step.
        var cost = Math.Max(0, score.Works && score.Cost >= Choosing.Impossible ? score.Cost - Choosing.Impossible : score.Cost);
        return cost >= Choosing.Impossible ? 0 : For(cost, score.Works);
    }

    /// <summary>
    /// The most that an outfit can be worth that costs so much at least; <paramref name="works"/> while nothing is known to fail.
    /// </summary>
    internal static double AtMost(double cost, bool works) =>
        For(Math.Max(0, cost >= Choosing.Impossible ? cost - Choosing.Impossible : cost), works);

    private static double For(double cost, bool works) =>
        works ? Works + (1 - Works) / (1 + cost / HalfCost) : Fails / (1 + cost / HalfCost);

    /// <summary>Whether a day of this worth can be fished without a link that fails.</summary>
    public static bool Serves(double worth) => worth >= Works;
}
