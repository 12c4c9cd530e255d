using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Shed;

/// <summary>Everything there is to choose from.</summary>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines.</param>
/// <param name="Reels">Reels.</param>
public sealed record GearShed(IReadOnlyList<Rod> Rods, IReadOnlyList<FlyLine> Lines, IReadOnlyList<Reel> Reels)
{
    /// <summary>What is known to lie on which spool.</summary>
    public IReadOnlyList<Spool> Spools { get; init; } = [];

    /// <summary>Leader material in the pocket.</summary>
    public IReadOnlyList<LeaderSpool> LeaderSpools { get; init; } = [];

    /// <summary>Leaders that were designed or tied.</summary>
    public IReadOnlyList<TiedLeader> Leaders { get; init; } = [];

    /// <summary>The letter with which a tag begins that nobody chose.</summary>
    public const char RodLetter = 'R',
        LineLetter = 'L',
        ReelLetter = 'S';

    /// <summary>That letter for a rod, a line or a reel.</summary>
    public static char LetterOf(Gear piece) =>
        piece switch
        {
            Rod => RodLetter,
            FlyLine => LineLetter,
            _ => ReelLetter,
        };

    /// <summary>A shed with nothing in it.</summary>
    public static readonly GearShed Empty = new([], [], []);
}
