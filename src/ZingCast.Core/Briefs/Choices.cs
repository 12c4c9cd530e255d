namespace ZingCast.Core.Briefs;

/// <summary>The kind of water fished.</summary>
public enum Water
{
    /// <summary>A stream that can be cast across from the bank.</summary>
    SmallStream,

    /// <summary>A river.</summary>
    River,

    /// <summary>A lake, mere or reservoir.</summary>
    Stillwater,

    /// <summary>Shallow open flats.</summary>
    Flat,

    /// <summary>Open rock, beach or surf.</summary>
    Shore,
}

/// <summary>What stands in the way of the back cast.</summary>
public enum Cover
{
    /// <summary>Nothing.</summary>
    Open,

    /// <summary>Bushes or a high bank behind.</summary>
    Behind,

    /// <summary>Branches overhead and behind.</summary>
    Canopy,
}

/// <summary>Where the person stands.</summary>
public enum Stance
{
    /// <summary>On the bank or rocks.</summary>
    Bank,

    /// <summary>Wading to the knee or thigh.</summary>
    Wading,

    /// <summary>Wading to the waist or in a float tube.</summary>
    DeepWading,

    /// <summary>In a boat.</summary>
    Boat,
}

/// <summary>How easily the fish spook.</summary>
public enum Wariness
{
    /// <summary>Hungry or in broken water.</summary>
    Bold,

    /// <summary>Ordinary.</summary>
    Usual,

    /// <summary>Wary, or flat calm and clear.</summary>
    Spooky,
}

/// <summary>Hand that holds the rod.</summary>
public enum Hand
{
    /// <summary>Right.</summary>
    Right,

    /// <summary>Left.</summary>
    Left,
}

/// <summary>Which end of the chain the class starts from.</summary>
public enum School
{
    /// <summary>What the fly needs, with the fish last, as a floor.</summary>
    FlyFirst,

    /// <summary>The species' own number, then checked against the fly.</summary>
    FishFirst,
}

/// <summary>What the outfit is leaned towards.</summary>
public enum Lean
{
    /// <summary>Nine feet and the middle of the road unless something forbids it.</summary>
    AllRound,

    /// <summary>Lightest class that delivers, longest rod that fits.</summary>
    Finesse,

    /// <summary>A class up, for wind and for turning fish.</summary>
    Power,
}

/// <summary>Whose gear is put together.</summary>
public enum Owned
{
    /// <summary>Gear of the shed while nothing fails, else what to buy, and how far the own comes.</summary>
    First,

    /// <summary>The best that gear of the shed gives, with what it gives up.</summary>
    Only,

    /// <summary>The best there is, whoever has it.</summary>
    Any,
}
