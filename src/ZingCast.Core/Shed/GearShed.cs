using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Shed;

/// <summary>All gear to choose from.</summary>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines.</param>
/// <param name="Reels">Reels.</param>
public sealed record GearShed(IReadOnlyList<Rod> Rods, IReadOnlyList<FlyLine> Lines, IReadOnlyList<Reel> Reels)
{
    /// <summary>What is known to be on which spool.</summary>
    public IReadOnlyList<Spool> Spools { get; init; } = [];

    /// <summary>Spools of leader material and tippet.</summary>
    public IReadOnlyList<LeaderSpool> LeaderSpools { get; init; } = [];

    /// <summary>Leaders that were designed or tied.</summary>
    public IReadOnlyList<TiedLeader> Leaders { get; init; } = [];

    /// <summary>First letters of tags given automatically.</summary>
    public const char RodLetter = 'R',
        LineLetter = 'L',
        ReelLetter = 'S';

    /// <summary>The letter for a rod, a line or a reel.</summary>
    public static char LetterOf(Gear piece) =>
        piece switch
        {
            Rod => RodLetter,
            FlyLine => LineLetter,
            _ => ReelLetter,
        };

    /// <summary>An empty shed.</summary>
    public static readonly GearShed Empty = new([], [], []);
}
