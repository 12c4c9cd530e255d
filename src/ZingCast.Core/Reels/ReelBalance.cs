using ZingCast.Core.Measures;

namespace ZingCast.Core.Reels;

/// <summary>Ratio of loaded reel to rod, and how it feels in the hand. Common practice, for rods of about nine feet.</summary>
public static class ReelBalance
{
    /// <summary>Ratios that usually balance, loaded and bare; with at most a rod's length of line hanging. Common practice.</summary>
    public static readonly Spread Usual = new(1.8, 2.5),
        Bare = new(1.3, 1.8);

    /// <summary>Loaded ratio aimed for.</summary>
    public const double Ideal = 2.15;

    /// <summary>Loaded reel over rod mass, both in kilograms: reel, line and backing.</summary>
    public static double Ratio(Reel reel, SpoolFill fill, double rodKg) => (reel.MassKg + fill.LoadKg) / rodKg;

    private static readonly Spread Passable = new(1.4, 3);

    /// <summary>Whether the imbalance can be felt.</summary>
    public static bool IsUnbalanced(double ratio) => IsLight(ratio) || ratio > Passable.High;

    /// <summary>Whether the reel is so light that the rod feels tip-heavy.</summary>
    public static bool IsLight(double ratio) => ratio < Passable.Low;
}
