using MathNet.Numerics.Distributions;

namespace ZingCast.Core.Measures;

/// <summary>
/// What ± means everywhere: nineteen times in twenty it is no farther off than that. And what follows from it: the chance that something
/// is enough.
/// </summary>
public static class Doubt
{
    /// <summary>Standard deviations on either side that hold nineteen of twenty. Source: normal distribution.</summary>
    public const double Wide = 1.96;

    /// <summary>A thing fits from this chance on and fails below the other; between them nobody can say. Ours.</summary>
    public const double FitsFrom = .8,
        FailsBelow = .2;

    /// <summary>How it is said where somebody asks what ± means.</summary>
    public const string Meaning = "Nineteen times in twenty it is no farther off than what stands behind the ±.";

    /// <summary>
    /// Chance, 0 to 1, that what is believed to be <paramref name="value"/>, give or take <paramref name="plusMinus"/>, is at least
    /// <paramref name="least"/>. Without a doubt it is 0 or 1.
    /// </summary>
    public static double Chance(double value, double plusMinus, double least) =>
        plusMinus > 0 ? Normal.CDF(0, plusMinus / Wide, value - least)
        : value >= least ? 1
        : 0;

    /// <summary>
    /// Standard deviations by which something must be more than enough to be enough in <see cref="FitsFrom"/> of all cases.
    /// </summary>
    public static readonly double FitsBy = Normal.InvCDF(0, 1, FitsFrom);

    /// <summary>A chance in tens, rounded down: whatever is said to be eight of ten is.</summary>
    public static int OfTen(double chance) => (int)Math.Floor(10 * chance + 1e-9);
}
