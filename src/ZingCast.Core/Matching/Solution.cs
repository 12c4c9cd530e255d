using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rigging;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>The outfit put together. A part with id 0 is not in the shed: it is a specification of what to look for.</summary>
/// <param name="Rod">Rod.</param>
/// <param name="Line">Line.</param>
/// <param name="Reel">Reel.</param>
/// <param name="Backing">Backing.</param>
/// <param name="BackingM">Backing length, metres.</param>
/// <param name="Leader">Leader with tippet.</param>
/// <param name="Tippet">How the tippet was sized, with the band it should lie in.</param>
/// <param name="Load">How the line loads the rod.</param>
/// <param name="Fill">How the spool is filled.</param>
/// <param name="CarryM">Line held in the air before release, metres.</param>
/// <param name="ShootM">Line to be shot, metres, zero or more.</param>
/// <param name="ReachM">Farthest this caster gets with it today, metres.</param>
/// <param name="Cast">The cast made for the wanted distance, or the farthest one; null when nobody knows what the line weighs.</param>
public sealed record Outfit(
    Rod Rod,
    FlyLine Line,
    Reel Reel,
    Backing Backing,
    double BackingM,
    Leader Leader,
    TippetChoice Tippet,
    LineLoad Load,
    SpoolFill Fill,
    double CarryM,
    double ShootM,
    Quantity ReachM,
    CastResult? Cast
)
{
    /// <summary>The kept leader it uses, when one is pinned.</summary>
    public TiedLeader? Tied { get; init; }

    /// <summary>Strength of the leader knot by knot, from line to fly.</summary>
    public IReadOnlyList<LeaderJoint> Joints { get; } = LeaderStrength.Joints(Leader, Line.CoreN());

    /// <summary>Drag setting, from the weakest knotted link.</summary>
    public DragSetting Drag { get; } = DragSetting.For(Leader, Line, Backing, Reel);

    /// <summary>
    /// A fish of the brief on this outfit: hooked at the brief's distance, with the drag as set and the rod held as most people hold it.
    /// </summary>
    public RunCase FishOn(Brief brief) =>
        new(Reel, Line, Backing, BackingM, Leader, brief.Species.Group, brief.FishKg, new(Drag.SetN, OutM: brief.DistanceM));

    /// <summary>How that fish runs; null for a fish that does not take line off the reel.</summary>
    internal FishRun? Run(Brief brief) => ReelRules.TakesLine(brief, Line) ? FishOn(brief).Run(watched: false) : null;

    /// <summary>What the leader is examined for on this day.</summary>
    public LeaderUse LeaderUse(Brief brief) =>
        new(Line.TipDiameterM, Line.CoreN(), brief.Fly, Rod.LengthM, brief.Species.Group.Mouth, brief.LedClose);

    /// <summary>What there is to assemble, from the spool to the fly, including what is already on the shed's spools.</summary>
    public RigPlan ToRig(Brief brief, GearShed shed) =>
        new(
            Called(Rod, "the rod"),
            Rod.Pieces,
            Called(Reel, "the reel"),
            Called(Line, "the line"),
            Backing.Id,
            BackingM,
            Line.IsThere && shed.Spools.Any(s => s.LineId == Line.Id && s.ReelId == Reel.Id),
            Leader,
            Tied is { } tied ? $"{tied.Tag} {tied.Name}" : null,
            Line.CoreN(),
            $"{brief.Fly.SizeName} {brief.Fly.Kind.Name}",
            Drag.SetN,
            brief.Salt
        );

    private static string Called(Gear piece, string otherwise) => !piece.IsThere ? otherwise : $"{piece.Tag} {piece.Name}";

    /// <summary>Whether a link is a piece that is not in the shed: a part with no identity is a specification.</summary>
    public bool ToBuy(LinkId link) =>
        link switch
        {
            LinkId.Head or LinkId.Running => !Line.IsThere,
            LinkId.Reel => !Reel.IsThere,
            LinkId.Rod => !Rod.IsThere,
            _ => false,
        };
}

/// <summary>Line outside the tip against the rod's grain window. Ratios are shares of the standard mass of the window class.</summary>
/// <param name="JudgedM">Length of line judged, metres.</param>
/// <param name="LineKg">Mass of that line, kilograms.</param>
/// <param name="Ratio">Line and what is left of the wet fly in the air over standard mass.</param>
/// <param name="LineRatio">Line alone over standard mass: what the window limits and the ideal is aimed at.</param>
/// <param name="Ideal">Line ratio aimed for.</param>
/// <param name="WindowClass">Class the window is built on.</param>
/// <param name="MostRatio">Highest line ratio that works with this head and fly.</param>
public readonly record struct LineLoad(
    double JudgedM,
    double LineKg,
    double Ratio,
    double LineRatio,
    double Ideal,
    double WindowClass,
    double MostRatio = LineLoad.Top
)
{
    /// <summary>
    /// Lowest and highest line ratio that works overhead; how far a short head may exceed it for a big fly, with one false cast and an open
    /// loop; and the limit for line and fly together. Common practice.
    /// </summary>
    public const double Low = CastEngine.WindowLow,
        Top = CastEngine.WindowTop,
        ShortHeadTop = 1.60,
        TogetherTop = 2.10;

    /// <summary>Both ends of the window, for drawings.</summary>
    public Spread Window { get; } = new(Low, MostRatio);

    /// <summary>
    /// Highest line ratio for a rod of this class, a head of this length, metres, and a fly of this share of the line: a short head on a
    /// rod made for big flies may go higher, the more so the heavier the fly is for the line.
    /// </summary>
    public static double MaxFor(double rodClass, double headM, double flyShare) =>
        Interpolation.Between(
            Top,
            ShortHeadTop,
            (1 - Interpolation.Fraction(Exact.ThirtyFeetM, Choosing.LongHeadM, headM))
                * Interpolation.Fraction(BigFlyClass - 2, BigFlyClass, rodClass)
                * Interpolation.Fraction(CastEngine.ComfortableFlyRatio, CastEngine.HeavyHeadFlyRatio, flyShare)
        );

    // Rods of this class and above are made for big flies. Common practice.
    private const double BigFlyClass = 8;

    /// <summary>Heavier than what works overhead by itself: one false cast, and an open loop.</summary>
    public bool OneFalseCast => Verdict != Verdict.Fails && Ratio > Top;

    // A head whose mass is off by this share, up or down, loads the rod just as well: a fifth of what is worth a look. Common practice.
    private const double UnfeltShare = .04;

    /// <summary>Range of masses to ask for when buying a head, kilograms.</summary>
    public static Spread ToAskForKg(FlyLine line) => new((1 - UnfeltShare) * line.MassKg!.Value, (1 + UnfeltShare) * line.MassKg!.Value);

    /// <summary>Fails outside the window, look when more than 0.2 from the ideal, else fits.</summary>
    public Verdict Verdict =>
        LineRatio < Low || LineRatio > MostRatio || Ratio > TogetherTop ? Verdict.Fails
        : Math.Abs(LineRatio - Ideal) > .2 ? Verdict.Look
        : Verdict.Fits;
}

/// <summary>One link of the chain as shown: what it is, the number that matters, and how well it does its part.</summary>
/// <param name="Id">Which link.</param>
/// <param name="Name">Its name.</param>
/// <param name="Title">What was chosen.</param>
/// <param name="Figure">The one number that matters.</param>
/// <param name="Verdict">How well it does its part.</param>
/// <param name="Why">The verdict in a sentence.</param>
/// <param name="Pinned">Held by a pin.</param>
/// <param name="Mend">The press that mends it; null where there is none, or nothing to mend.</param>
public sealed record Link(LinkId Id, string Name, Sentence Title, Figure Figure, Verdict Verdict, Sentence Why, bool Pinned, Mend? Mend);

/// <summary>One press that mends a link; exactly one of the changes is set.</summary>
/// <param name="Says">What it does, in a few words.</param>
/// <param name="DistanceM">Fish at this distance, metres.</param>
/// <param name="WindFromDeg">Stand so that the wind comes from here, degrees.</param>
/// <param name="BackingM">Wind on so much backing, metres.</param>
/// <param name="Measure">Measure the piece.</param>
/// <param name="HookSize">Tie on this hook.</param>
/// <param name="TippetM">Take this tippet, metres.</param>
/// <param name="LeaderM">Take a leader of this length, metres.</param>
/// <param name="Backing">Take this backing.</param>
/// <param name="Anew">Look for another piece for this link, beside all the others.</param>
public sealed record Mend(
    Sentence Says,
    double? DistanceM = null,
    double? WindFromDeg = null,
    double? BackingM = null,
    bool Measure = false,
    int? HookSize = null,
    double? TippetM = null,
    double? LeaderM = null,
    string? Backing = null,
    bool Anew = false
)
{
    /// <summary>The brief after the press; null when there is no draft, or when the piece is to be measured.</summary>
    public BriefDraft? Brief { get; init; }

    /// <summary>The pins after it.</summary>
    public Pins? Pins { get; init; }

    /// <summary>The same, with the brief and pins that result on a link of an outfit.</summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    internal Mend On(LinkId link, BriefDraft draft, Pins pins, Outfit outfit)
    {
        if (Measure)
            return this;
        var (piece, leader) = (
            Anew && link != LinkId.Leader,
            TippetM is not null || LeaderM is not null || (Anew && link == LinkId.Leader)
        );
        int? Held(Gear gear, LinkId of, int? pinned) =>
            !piece ? pinned
            : of != link && gear.IsThere ? gear.Id
            : null;
        draft = draft with
        {
            DistanceM = DistanceM ?? draft.DistanceM,
            WindFromDeg = WindFromDeg ?? draft.WindFromDeg,
            HookSize = HookSize ?? draft.HookSize,
            // Another hook means another fly, so the weighed mass no longer applies.
            FlyWetKg = HookSize is null ? draft.FlyWetKg : null,
            FlyLengthM = HookSize is null ? draft.FlyLengthM : null,
            Owned = piece ? Owned.Any : draft.Owned,
        };
        pins = pins with
        {
            BackingM = BackingM ?? pins.BackingM,
            Backing = Backing ?? pins.Backing,
            TippetM = TippetM ?? pins.TippetM,
            LeaderM = LeaderM ?? pins.LeaderM,
            Leader = leader ? null : pins.Leader,
            Rod = Held(outfit.Rod, LinkId.Rod, pins.Rod),
            Line = Held(outfit.Line, LinkId.Head, pins.Line),
            Reel = Held(outfit.Reel, LinkId.Reel, pins.Reel),
        };
        // The text typed for a number that has changed is dropped.
        return this with
        {
            Brief = draft with { Said = TypedText.StillMatching(draft.Said, draft.Typed) },
            Pins = pins with { Said = TypedText.StillMatching(pins.Said, pins.Typed) },
        };
    }
}

/// <summary>A piece from the shed considered for a link.</summary>
/// <param name="Id">Identity in the shed.</param>
/// <param name="Tag">Shed tag.</param>
/// <param name="Name">Name.</param>
/// <param name="Figure">The number that matters.</param>
/// <param name="Value">That number as a bare value for a drawing, null when unknown.</param>
/// <param name="Verdict">How it would do.</param>
/// <param name="Why">Why.</param>
/// <param name="Chosen">True for the one in the chain.</param>
public sealed record Candidate(int Id, string Tag, string Name, Figure Figure, double? Value, Verdict Verdict, Sentence Why, bool Chosen);

/// <summary>A caution to show at the point of use.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Link">Where it belongs.</param>
/// <param name="Says">The caution.</param>
/// <param name="Urgent">True when today's brief sets it off.</param>
public sealed record Caution(string Id, LinkId Link, Sentence Says, bool Urgent);

/// <summary>Pins that cannot work together, with every smallest change that does.</summary>
/// <param name="Links">Links that fail.</param>
/// <param name="Why">What fails.</param>
/// <param name="Remedies">The changes, each letting go of as few links as will do; empty when the brief itself has to give.</param>
public sealed record Contradiction(IReadOnlyList<LinkId> Links, Sentence Why, IReadOnlyList<Remedy> Remedies);

/// <summary>A change of pins that works.</summary>
/// <param name="LetGo">Links let go of.</param>
/// <param name="Says">What is let go, and what comes instead.</param>
/// <param name="Pins">The pins after it.</param>
public sealed record Remedy(IReadOnlyList<LinkId> LetGo, Sentence Says, Pins Pins);

/// <summary>The class decision in numbers.</summary>
/// <param name="Delivery">Smallest class that delivers the fly.</param>
/// <param name="Carries">Class from which the fly can be carried at all.</param>
/// <param name="Target">Class aimed for.</param>
/// <param name="Floor">Class below which the fish is over-played.</param>
public sealed record ClassTarget(double Delivery, double Carries, double Target, double Floor)
{
    /// <summary>A rod this near the target class fits without a remark.</summary>
    public const double Near = .75;

    /// <summary>A rod this far from the target class is not offered.</summary>
    public const double Far = 1.5;

    /// <summary>The class aimed for, as it is said.</summary>
    public Figure Aim => Quantity.Class(Target);

    /// <summary>Classes that fit without a remark, for drawings.</summary>
    public Spread Fits => new(Math.Max(0, Target - Near), Target + Near);
}

/// <summary>The best outfit of own gear, shown beside an answer that asks for something to be bought.</summary>
/// <param name="Rod">Rod.</param>
/// <param name="Line">Line.</param>
/// <param name="Reel">Reel.</param>
/// <param name="Reach">Farthest reach with it, metres, 0 when nothing turns over.</param>
/// <param name="Says">What it gives up, in a sentence.</param>
/// <param name="Pins">Pins that would hold it.</param>
public sealed record OwnOutfit(string Rod, string Line, string Reel, Quantity Reach, Sentence Says, Pins Pins);

/// <summary>The answer to a brief.</summary>
/// <param name="Brief">The brief, completed.</param>
/// <param name="Class">The class decision.</param>
/// <param name="Outfit">The outfit.</param>
/// <param name="Chain">Nine links from the fly to the hand.</param>
/// <param name="Ledger">Reasons in the order they were decided.</param>
/// <param name="Cautions">Cautions, urgent ones first.</param>
/// <param name="Contradiction">Set when pins cannot work together.</param>
/// <param name="Card">The outfit in shop words.</param>
/// <param name="Own">What own gear would do, where the outfit asks for something to be bought; else null.</param>
/// <param name="Cost">What the outfit gives up against what the brief asks for, see <see cref="Score"/>.</param>
public sealed record Solution(
    Brief Brief,
    ClassTarget Class,
    Outfit Outfit,
    IReadOnlyList<Link> Chain,
    IReadOnlyList<LedgerStep> Ledger,
    IReadOnlyList<Caution> Cautions,
    Contradiction? Contradiction,
    OutfitCard Card,
    OwnOutfit? Own,
    double Cost
)
{
    /// <summary>The same, with the brief and pins that result from each press.</summary>
    public Solution WithPresses(BriefDraft draft, Pins pins) =>
        this with
        {
            Chain = [.. Chain.Select(l => l with { Mend = l.Mend?.On(l.Id, draft, pins, Outfit) })],
        };
}
