using ZingCast.Core.Matching;

namespace ZingCast.Core.Trips;

/// <summary>What an outfit is worth on a day, 0 to 1, so that days can be added up. An assumption of ours.</summary>
public static class Worth
{
    // An outfit that works is worth half of the day at least, one that fails less than half: no kit gives up a day that can be fished for
    // two that cannot be. What is given up counts by halves: six classes' worth of it halve the rest.
    private const double Works = .5,
        Fails = .45,
        HalfCost = 6;

    /// <summary>Of a score.</summary>
    public static double Of(Score score) =>
        score.Cost >= 2 * Choosing.Impossible
            ? 0
            : (score.Works ? Works : 0) + (score.Works ? 1 - Works : Fails) / (1 + Math.Max(0, score.Cost) / HalfCost);

    /// <summary>Whether a day of this worth can be fished without a link that fails.</summary>
    public static bool Serves(double worth) => worth >= Works;
}
