using ZingCast.Core.Measures;

namespace ZingCast.Core.Reels;

/// <summary>Loaded reel over rod mass, and how it sits in the hand. Common practice, for rods of about nine feet.</summary>
public static class ReelBalance
{
    /// <summary>
    /// What usually balances, a loaded reel over the rod, and a bare one; with no more than a rod's length of line
    /// hanging. Common practice.
    /// </summary>
    public static readonly Spread Usual = new(1.8, 2.5),
        Bare = new(1.3, 1.8);

    /// <summary>What is aimed for, loaded.</summary>
    public const double Ideal = 2.15;

    /// <summary>Loaded reel over rod, both in kilograms: reel, line and backing; the rod weighs something.</summary>
    public static double Ratio(Reel reel, SpoolFill fill, double rodKg) => (reel.MassKg + fill.LoadKg) / rodKg;

    private static readonly Spread Passable = new(1.4, 3);

    /// <summary>Whether anybody would notice in the hand.</summary>
    public static bool IsUnbalanced(double ratio) => IsLight(ratio) || ratio > Passable.High;

    /// <summary>Whether the reel is so light that the rod feels tip-heavy.</summary>
    public static bool IsLight(double ratio) => ratio < Passable.Low;
}
