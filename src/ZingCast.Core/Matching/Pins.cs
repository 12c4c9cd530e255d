using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What the person has fixed. Anything left null is free to be solved. SI units.</summary>
public sealed record Pins
{
    /// <summary>Nothing fixed.</summary>
    public static readonly Pins None = new();

    /// <summary>Rod id in the shed.</summary>
    public int? Rod { get; init; }

    /// <summary>Line id in the shed.</summary>
    public int? Line { get; init; }

    /// <summary>Reel id in the shed.</summary>
    public int? Reel { get; init; }

    /// <summary>Rod class.</summary>
    public double? RodClass { get; init; }

    /// <summary>Rod length, metres.</summary>
    public double? RodLengthM { get; init; }

    /// <summary>Line density id.</summary>
    public string? Density { get; init; }

    /// <summary>Tippet diameter, metres.</summary>
    public double? TippetM { get; init; }

    /// <summary>Leader length, metres.</summary>
    public double? LeaderM { get; init; }

    /// <summary>Backing id.</summary>
    public string? Backing { get; init; }

    /// <summary>Backing length, metres.</summary>
    public double? BackingM { get; init; }

    /// <summary>Whether a link is held by any pin.</summary>
    public bool Holds(LinkId link) =>
        link switch
        {
            LinkId.Rod => Rod is not null || RodClass is not null || RodLengthM is not null,
            LinkId.Head => Line is not null || Density is not null,
            LinkId.Reel => Reel is not null,
            LinkId.Tippet => TippetM is not null,
            LinkId.Leader => LeaderM is not null,
            LinkId.Backing => Backing is not null || BackingM is not null,
            _ => false,
        };

    /// <summary>The pins with everything on one link let go.</summary>
    public Pins Without(LinkId link) =>
        link switch
        {
            LinkId.Rod => this with { Rod = null, RodClass = null, RodLengthM = null },
            LinkId.Head => this with { Line = null, Density = null },
            LinkId.Reel => this with { Reel = null },
            LinkId.Tippet => this with { TippetM = null },
            LinkId.Leader => this with { LeaderM = null },
            LinkId.Backing => this with { Backing = null, BackingM = null },
            _ => this,
        };

    /// <summary>Every pin that cannot be used with this shed; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check(GearShed shed) =>
        Check(rod => shed.Rods.Any(r => r.Id == rod), line => shed.Lines.Any(l => l.Id == line), reel => shed.Reels.Any(r => r.Id == reel));

    /// <summary>The same where gear is known by its ids alone.</summary>
    public IReadOnlyList<FieldProblem> Check(Func<int, bool> isRod, Func<int, bool> isLine, Func<int, bool> isReel) =>
        new FieldCheck()
            .Must("pins.rod", Rod is not { } rod || isRod(rod), "That rod is no longer in the shed.")
            .Must("pins.line", Line is not { } line || isLine(line), "That line is no longer in the shed.")
            .Must("pins.reel", Reel is not { } reel || isReel(reel), "That reel is no longer in the shed.")
            .Range("pins.rodClass", RodClass, 0, 15, "Classes run from 0 to 15.")
            .Range("pins.rodLengthM", RodLengthM, 1.5, 4.6, "A single-hand rod is between 1.5 and 4.6 m (5 and 15 ft).")
            .Must("pins.density", Density is null || Densities.Rank(Density) >= 0, "Pick a density from the list.")
            .Range("pins.tippetM", TippetM, .00005, .0015, "Tippet is between 0.05 and 1.5 mm thick.")
            .Range("pins.leaderM", LeaderM, .5, 9, "A leader is between 0.5 and 9 m (20 in and 30 ft).")
            .Must("pins.backing", Backing is null || Backings.Find(Backing) is not null, "Pick a backing from the list.")
            .Range("pins.backingM", BackingM, 0, 1000, "Backing is between 0 and 1000 m.")
            .Problems;
}
