namespace ZingCast.Core.Standards;

/// <summary>How a line is built.</summary>
public enum Build
{
    /// <summary>Weight forward: head and running line in one.</summary>
    WeightForward,

    /// <summary>Double taper: the same from both ends; the whole line is head.</summary>
    DoubleTaper,

    /// <summary>Separate shooting head looped to a thin running line.</summary>
    ShootingHead,
}

/// <summary>Words for how a line is built.</summary>
public static class BuildWords
{
    /// <summary>The words people use.</summary>
    public static string For(Build build) =>
        build switch
        {
            Build.DoubleTaper => "double taper",
            Build.ShootingHead => "shooting head",
            _ => "weight forward",
        };
}
