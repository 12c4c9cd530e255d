namespace ZingCast.Core.Standards;

/// <summary>Where a rod bends.</summary>
public enum RodAction
{
    /// <summary>Bends into the butt.</summary>
    Slow,

    /// <summary>Bends to the middle.</summary>
    Medium,

    /// <summary>Bends in the upper half.</summary>
    MediumFast,

    /// <summary>Bends near the tip.</summary>
    Fast,
}

/// <summary>Action bands by the tip's angle in the one-third bend test.</summary>
public static class Actions
{
    /// <summary>Source mark of the bands.</summary>
    public static readonly Source Source = new(SourceMark.Memory, "Common Cents System, RodMaker magazine 2003, bands recalled");

    /// <summary>Lower edges of medium, medium-fast and fast, degrees.</summary>
    public const double MediumDeg = 59,
        MediumFastDeg = 63,
        FastDeg = 66;

    /// <summary>Action of an angle in degrees.</summary>
    public static RodAction FromTipAngle(double angleDeg) =>
        angleDeg < MediumDeg ? RodAction.Slow
        : angleDeg < MediumFastDeg ? RodAction.Medium
        : angleDeg <= FastDeg ? RodAction.MediumFast
        : RodAction.Fast;

    /// <summary>The word people use.</summary>
    public static string Word(RodAction action) =>
        action switch
        {
            RodAction.Slow => "slow",
            RodAction.Medium => "medium",
            RodAction.MediumFast => "medium-fast",
            _ => "fast",
        };
}
