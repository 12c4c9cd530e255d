using MathNet.Numerics.Distributions;

namespace ZingCast.Core.Measures;

/// <summary>
/// What ± means everywhere: 19 times in 20 the true value is within it. And what follows from that: the chance that something suffices.
/// </summary>
public static class Doubt
{
    /// <summary>Standard deviations on either side that hold nineteen of twenty. Source: normal distribution.</summary>
    public const double Wide = 1.96;

    /// <summary>A thing fits from the first chance on and fails below the second; in between it is undecided. Our assumption.</summary>
    public const double FitsFrom = .8,
        FailsBelow = .2;

    /// <summary>The meaning of ±, as shown on screen.</summary>
    public const string Meaning = "Nineteen times in twenty it is no farther off than what stands behind the ±.";

    /// <summary>
    /// Chance, 0 to 1, that a value of <paramref name="value"/> ± <paramref name="plusMinus"/> is at least <paramref name="least"/>. With
    /// no uncertainty it is 0 or 1.
    /// </summary>
    public static double Chance(double value, double plusMinus, double least) =>
        plusMinus > 0 ? Normal.CDF(0, plusMinus / Wide, value - least)
        : value >= least ? 1
        : 0;

    /// <summary>Standard deviations of margin with which something suffices in <see cref="FitsFrom"/> of all cases.</summary>
    public static readonly double FitsBy = Normal.InvCDF(0, 1, FitsFrom);

    /// <summary>A chance in tenths, rounded down, so that "eight of ten" is never too much.</summary>
    public static int OfTen(double chance) => (int)Math.Floor(10 * chance + 1e-9);
}
