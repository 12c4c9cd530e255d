using ZingCast.Core.Leaders;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>The pins there are, by the names they have in <see cref="Pins"/>.</summary>
public enum Pin
{
    /// <summary>A rod of the shed.</summary>
    Rod,

    /// <summary>A line of the shed.</summary>
    Line,

    /// <summary>A reel of the shed.</summary>
    Reel,

    /// <summary>A rod class.</summary>
    RodClass,

    /// <summary>A rod length.</summary>
    RodLengthM,

    /// <summary>A line density.</summary>
    Density,

    /// <summary>A tippet thickness.</summary>
    TippetM,

    /// <summary>A leader that is kept.</summary>
    Leader,

    /// <summary>A leader length.</summary>
    LeaderM,

    /// <summary>A kind of backing.</summary>
    Backing,

    /// <summary>A length of backing.</summary>
    BackingM,
}

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

    /// <summary>Id of a leader that is kept; it brings its length and its tippet with it.</summary>
    public int? Leader { get; init; }

    /// <summary>Leader length, metres.</summary>
    public double? LeaderM { get; init; }

    /// <summary>Backing id.</summary>
    public string? Backing { get; init; }

    /// <summary>Backing length, metres.</summary>
    public double? BackingM { get; init; }

    /// <summary>The leader that is pinned, looked up once.</summary>
    internal TiedLeader? Tied { get; init; }

    /// <summary>Pinned leader length, by itself or with a whole leader, metres.</summary>
    internal double? HeldLeaderM => Tied?.Leader.LengthM ?? LeaderM;

    /// <summary>Pinned tippet diameter, by itself or with a whole leader, metres.</summary>
    internal double? HeldTippetM => Tied?.Leader.TippetM ?? TippetM;

    /// <summary>These pins with the pinned leader looked up; one that is no longer in the shed is ignored.</summary>
    internal Pins In(GearShed shed) => Leader is { } id ? this with { Tied = shed.Leaders.FirstOrDefault(l => l.Id == id) } : this;

    /// <summary>What was typed, by pin, such as "9'" for leaderM.</summary>
    public IReadOnlyDictionary<string, string>? Said { get; init; }

    /// <summary>Kind and number of a pin that can be typed, by its name in the contract; null when it is none.</summary>
    public (Kind Kind, double? Value)? Typed(string field) =>
        field switch
        {
            "rodClass" => (Kind.LineClass, RodClass),
            "rodLengthM" => (Kind.RodLength, RodLengthM),
            "tippetM" => (Kind.Tippet, TippetM),
            "leaderM" => (Kind.RodLength, LeaderM),
            "backingM" => (Kind.Spooled, BackingM),
            _ => null,
        };

    /// <summary>Pins that hold a link; none for links that follow from the others.</summary>
    public static IReadOnlyList<Pin> On(LinkId link) =>
        link switch
        {
            LinkId.Rod => [Pin.Rod, Pin.RodClass, Pin.RodLengthM],
            LinkId.Head => [Pin.Line, Pin.Density],
            LinkId.Reel => [Pin.Reel],
            LinkId.Tippet => [Pin.TippetM],
            LinkId.Leader => [Pin.Leader, Pin.LeaderM],
            LinkId.Backing => [Pin.Backing, Pin.BackingM],
            _ => [],
        };

    /// <summary>Whether a link is held by any pin.</summary>
    public bool Holds(LinkId link) => On(link).Any(Has);

    /// <summary>The pins without those on one link.</summary>
    public Pins Without(LinkId link) => On(link).Aggregate(this, (pins, pin) => pins.Without(pin));

    private bool Has(Pin pin) => Let(pin) != this;

    private Pins Without(Pin pin) => Let(pin) with { Said = SaidWithout(pin) };

    private Dictionary<string, string>? SaidWithout(Pin pin) =>
        Said?.Where(s => !s.Key.Equals(pin.ToString(), StringComparison.OrdinalIgnoreCase)).ToDictionary();

    private Pins Let(Pin pin) =>
        pin switch
        {
            Pin.Rod => this with { Rod = null },
            Pin.Line => this with { Line = null },
            Pin.Reel => this with { Reel = null },
            Pin.RodClass => this with { RodClass = null },
            Pin.RodLengthM => this with { RodLengthM = null },
            Pin.Density => this with { Density = null },
            Pin.TippetM => this with { TippetM = null },
            Pin.Leader => this with { Leader = null, Tied = null },
            Pin.LeaderM => this with { LeaderM = null },
            Pin.Backing => this with { Backing = null },
            _ => this with { BackingM = null },
        };

    /// <summary>Every pin that cannot be used with this shed; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check(GearShed shed) =>
        Check(
            rod => shed.Rods.Any(r => r.Id == rod),
            line => shed.Lines.Any(l => l.Id == line),
            reel => shed.Reels.Any(r => r.Id == reel),
            leader => shed.Leaders.Any(l => l.Id == leader)
        );

    /// <summary>The same when gear is known by id alone.</summary>
    public IReadOnlyList<FieldProblem> Check(
        Func<int, bool> isRod,
        Func<int, bool> isLine,
        Func<int, bool> isReel,
        Func<int, bool> isLeader
    ) =>
        new FieldCheck()
            .Must("pins.rod", Rod is not { } rod || isRod(rod), "That rod is no longer in the shed.")
            .Must("pins.line", Line is not { } line || isLine(line), "That line is no longer in the shed.")
            .Must("pins.reel", Reel is not { } reel || isReel(reel), "That reel is no longer in the shed.")
            .Must("pins.leader", Leader is not { } leader || isLeader(leader), "That leader is no longer in the shed.")
            .Within("pins.rodClass", RodClass, LineWeights.Classes)
            .Within("pins.rodLengthM", RodLengthM, Rods.Rod.Lengths)
            .Must("pins.density", Density is null || Densities.Rank(Density) >= 0, "Pick a density from the list.")
            .Within("pins.tippetM", TippetM, Tippets.Limits)
            .Range("pins.leaderM", LeaderM, .5, 9, "A leader is between 0.5 and 9 m (20 in and 30 ft).")
            .Must("pins.backing", Backing is null || Backings.Find(Backing) is not null, "Pick a backing from the list.")
            .Within("pins.backingM", BackingM, Backings.Lengths)
            .Problems;
}
