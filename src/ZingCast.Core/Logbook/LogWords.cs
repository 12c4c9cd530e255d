namespace ZingCast.Core.Logbook;

/// <summary>Where an outing was.</summary>
public enum OutingKind
{
    /// <summary>Fishing.</summary>
    Water,

    /// <summary>Casting practice on grass.</summary>
    Grass,
}

/// <summary>How a distance was found.</summary>
public enum DistanceBy
{
    /// <summary>Counted in paces.</summary>
    Paced,

    /// <summary>Along a tape, or a line with marks.</summary>
    Taped,

    /// <summary>By eye.</summary>
    Guessed,
}

/// <summary>How the line loaded the rod, as the hand felt it.</summary>
public enum Feel
{
    /// <summary>The rod hardly bends.</summary>
    UnderLoaded,

    /// <summary>It needs a little more load.</summary>
    Light,

    /// <summary>As it should be.</summary>
    Right,

    /// <summary>It needs a little less load.</summary>
    Heavy,

    /// <summary>It folds up.</summary>
    Overloaded,
}

/// <summary>How leader and fly came down.</summary>
public enum TurnedOver
{
    /// <summary>Straight.</summary>
    Straight,

    /// <summary>With a little slack in the leader; it fished.</summary>
    Late,

    /// <summary>In a heap.</summary>
    Piled,
}

/// <summary>Why something was lost.</summary>
public enum LossCause
{
    /// <summary>A knot went.</summary>
    Knot,

    /// <summary>Chafed through.</summary>
    Abrasion,

    /// <summary>Bitten through.</summary>
    Bitten,

    /// <summary>The hook opened.</summary>
    StraightenedHook,

    /// <summary>The drag was too tight, too loose, or stuck.</summary>
    Drag,

    /// <summary>The hook came out.</summary>
    CameOff,

    /// <summary>A fly or leader left on the bottom or in a tree; no fish.</summary>
    Snag,
}

/// <summary>A piece that hit the ground.</summary>
public enum DroppedPiece
{
    /// <summary>The rod.</summary>
    Rod,

    /// <summary>The reel.</summary>
    Reel,
}

/// <summary>What is practised on grass.</summary>
public enum Drill
{
    /// <summary>Line held in the air, loop for loop.</summary>
    Carry,

    /// <summary>The pull of the line hand.</summary>
    Haul,

    /// <summary>As far as it goes.</summary>
    Distance,

    /// <summary>Into rings laid out.</summary>
    Rings,

    /// <summary>Against the wind.</summary>
    IntoWind,
}

/// <summary>Plain words for logged values, the same on every screen.</summary>
public static class LogWords
{
    /// <summary>Kind of outing.</summary>
    public static string For(OutingKind kind) => kind == OutingKind.Grass ? "practice on grass" : "fishing";

    /// <summary>How a distance was found.</summary>
    public static string For(DistanceBy by) =>
        by switch
        {
            DistanceBy.Taped => "taped",
            DistanceBy.Guessed => "by eye",
            _ => "paced",
        };

    /// <summary>How the rod felt.</summary>
    public static string For(Feel feel) =>
        feel switch
        {
            Feel.UnderLoaded => "under-loaded",
            Feel.Light => "a little light",
            Feel.Heavy => "a little heavy",
            Feel.Overloaded => "overloaded",
            _ => "right",
        };

    /// <summary>How it turned over.</summary>
    public static string For(TurnedOver turned) =>
        turned switch
        {
            TurnedOver.Late => "a little slack",
            TurnedOver.Piled => "in a heap",
            _ => "straight",
        };

    /// <summary>Why something was lost.</summary>
    public static string For(LossCause cause) =>
        cause switch
        {
            LossCause.Knot => "a knot went",
            LossCause.Abrasion => "chafed through",
            LossCause.Bitten => "bitten through",
            LossCause.StraightenedHook => "hook straightened",
            LossCause.Drag => "the drag",
            LossCause.CameOff => "came off",
            _ => "snagged, no fish",
        };

    /// <summary>A piece that was dropped.</summary>
    public static string For(DroppedPiece piece) => piece == DroppedPiece.Rod ? "rod" : "reel";

    /// <summary>What is practised.</summary>
    public static string For(Drill drill) =>
        drill switch
        {
            Drill.Carry => "carry",
            Drill.Haul => "haul",
            Drill.Distance => "distance",
            Drill.Rings => "accuracy rings",
            _ => "into the wind",
        };
}
