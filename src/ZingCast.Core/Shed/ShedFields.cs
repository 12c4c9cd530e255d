using ZingCast.Core.Cutting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Shed;

/// <summary>The fields of everything in the shed, by kind.</summary>
/// <param name="Rods">Of a rod.</param>
/// <param name="Lines">Of a line.</param>
/// <param name="Reels">Of a reel.</param>
/// <param name="Leaders">Of a kept leader, beside its pieces.</param>
/// <param name="LeaderSpools">Of a spool in the pocket.</param>
/// <param name="Scraps">Of a piece in the drawer.</param>
public sealed record ShedFields(
    IReadOnlyList<Field> Rods,
    IReadOnlyList<Field> Lines,
    IReadOnlyList<Field> Reels,
    IReadOnlyList<Field> Leaders,
    IReadOnlyList<Field> LeaderSpools,
    IReadOnlyList<Field> Scraps
)
{
    /// <summary>All of them.</summary>
    public static readonly ShedFields All = new(
        RodFields.All,
        LineFields.All,
        ReelFields.All,
        LeaderFields.Tied,
        LeaderFields.Spool,
        ScrapFields.All
    );

    /// <summary>The fields of a type of gear; none for anything else.</summary>
    public static IReadOnlyList<Field> For(Type gear) =>
        gear == typeof(Rod) ? RodFields.All
        : gear == typeof(FlyLine) ? LineFields.All
        : gear == typeof(Reel) ? ReelFields.All
        : gear == typeof(TiedLeader) ? LeaderFields.Tied
        : gear == typeof(LeaderSpool) ? LeaderFields.Spool
        : gear == typeof(Scrap) ? ScrapFields.All
        : [];
}
