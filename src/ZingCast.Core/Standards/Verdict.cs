namespace ZingCast.Core.Standards;

/// <summary>How well a link does its part.</summary>
public enum Verdict
{
    /// <summary>Does its part.</summary>
    Fits,

    /// <summary>Works, with something worth checking.</summary>
    Look,

    /// <summary>Would do its part, but is not owned: to buy.</summary>
    ToBuy,

    /// <summary>Does not work.</summary>
    Fails,
}
