using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

/// <summary>Function of a piece of leader.</summary>
public enum LeaderPart
{
    /// <summary>Passes the line's energy on.</summary>
    Butt,

    /// <summary>Steps down to the tippet.</summary>
    Taper,

    /// <summary>The thin last part.</summary>
    Tippet,

    /// <summary>Withstands teeth and rough mouths.</summary>
    Guard,
}

/// <summary>One length of leader material from the line end.</summary>
/// <param name="Part">What it is there for.</param>
/// <param name="LengthM">Length, metres.</param>
/// <param name="StartM">Diameter at the line end, metres.</param>
/// <param name="EndM">Diameter at the fly end, metres.</param>
public sealed record LeaderPiece(LeaderPart Part, double LengthM, double StartM, double EndM)
{
    /// <summary>What it is made of.</summary>
    public LeaderMaterial Material { get; init; }

    /// <summary>Knot at its line end, see <see cref="Knots"/>; null where it continues the piece before it.</summary>
    public string? Knot { get; init; }

    /// <summary>The spool of the shed it comes from; null when unknown.</summary>
    public int? SpoolId { get; init; }

    /// <summary>Breaking strength of the spool by the person's own break tests, newtons; null when never tested.</summary>
    public double? OwnN { get; init; }

    /// <summary>The word people use.</summary>
    public string Name => NameOf(Part);

    /// <summary>The word people use for a part.</summary>
    public static string NameOf(LeaderPart part) => part == LeaderPart.Guard ? "bite guard" : part.ToString().ToLowerInvariant();

    /// <summary>Mass of a metre at a diameter of it, kg/m.</summary>
    public double KgPerM(double diameterM) => LeaderMaterials.KgPerM(Material, diameterM);

    /// <summary>Straight-pull strength at its thinnest, newtons: tested, or else from the table.</summary>
    public double StrengthN() => OwnN ?? LeaderMaterials.StrengthN(Material, Math.Min(StartM, EndM));
}

/// <summary>A side branch for another fly: the long tag of a knot, as thick as the piece above it.</summary>
/// <param name="Piece">The piece at whose line end it hangs, counted from 0 at the line; 1 or more.</param>
/// <param name="LengthM">Length, metres.</param>
public sealed record LeaderDropper(int Piece, double LengthM)
{
    /// <summary>Long enough to stand off and to change flies, short enough not to tangle, metres. Common practice.</summary>
    public static readonly Spread UsualM = new(.10, .20);
}

/// <summary>A leader with tippet and, where needed, bite guard, from the line to the fly.</summary>
/// <param name="Pieces">Butt, taper, tippet, guard, in order from the line.</param>
public sealed record Leader(IReadOnlyList<LeaderPiece> Pieces)
{
    /// <summary>Tippet diameter, metres: of the tippet's thin end, or of the last piece where none is called so.</summary>
    public double TippetM => (Pieces.LastOrDefault(p => p.Part == LeaderPart.Tippet) ?? (Pieces.Count > 0 ? Pieces[^1] : null))?.EndM ?? 0;

    /// <summary>Bite guard length, metres; 0 for none.</summary>
    public double GuardM => LengthOf(LeaderPart.Guard);

    /// <summary>Knot between line and leader, see <see cref="Knots"/>.</summary>
    public string LineKnot { get; init; } = Knots.Loops.Id;

    /// <summary>Knot at the fly.</summary>
    public string FlyKnot { get; init; } = Knots.Clinch.Id;

    /// <summary>Side branches for more flies.</summary>
    public IReadOnlyList<LeaderDropper> Droppers { get; init; } = [];

    /// <summary>The tippet is tied to a small ring, so that changing it does not shorten the leader.</summary>
    public bool Ring { get; init; }

    /// <summary>A float, metres from the fly; null for none.</summary>
    public double? IndicatorM { get; init; }

    /// <summary>Split shot, metres from the fly; null for none.</summary>
    public double? ShotM { get; init; }

    /// <summary>How fast a coated one sinks, m/s; null for one that does not.</summary>
    public double? SinkMps { get; init; }

    /// <summary>The butt; null when there is none.</summary>
    public LeaderPiece? Butt => Pieces.FirstOrDefault(p => p.Part == LeaderPart.Butt);

    /// <summary>Length of all its pieces of one kind, metres.</summary>
    public double LengthOf(LeaderPart part) => Pieces.Where(p => p.Part == part).Sum(p => p.LengthM);

    /// <summary>Leaders of the same pieces are equal, whoever built them.</summary>
    public bool Equals(Leader? other) =>
        other is not null && Said == other.Said && Pieces.SequenceEqual(other.Pieces) && Droppers.SequenceEqual(other.Droppers);

    /// <inheritdoc />
    public override int GetHashCode() => Pieces.Aggregate(Said.GetHashCode(), HashCode.Combine);

    private (string, string, bool, double?, double?, double?) Said => (LineKnot, FlyKnot, Ring, IndicatorM, ShotM, SinkMps);

    /// <summary>Whole length, metres.</summary>
    public double LengthM => Pieces.Sum(p => p.LengthM);

    /// <summary>Length of the tippet piece with its guard, metres.</summary>
    public double TippetLengthM => Pieces.Where(p => p.Part is LeaderPart.Tippet or LeaderPart.Guard).Sum(p => p.LengthM);

    /// <summary>Length from a piece's line end to the fly, metres.</summary>
    public double FromFlyM(int piece) => Pieces.Skip(piece).Sum(p => p.LengthM);

    /// <summary>
    /// The knot at a piece's line end, from 1; null where it continues. A ring is tied to with a clinch from both sides; where a dropper
    /// hangs, the knot has the long tag.
    /// </summary>
    public Knot? KnotOf(int piece) =>
        Pieces[piece].Knot is not { } knot ? null
        : OnRing(piece) ? Knots.Clinch
        : Droppers.Any(d => d.Piece == piece) ? Knots.Dropper
        : Knots.Get(knot);

    /// <summary>Whether a piece hangs on the ring: the first that is tippet.</summary>
    public bool OnRing(int piece) =>
        Ring && piece > 0 && Pieces[piece].Part == LeaderPart.Tippet && Pieces[piece - 1].Part != LeaderPart.Tippet;

    /// <summary>Share of the line tip's diameter that a butt should have. Common practice: 0.6 to 0.7.</summary>
    public static readonly Spread ButtShare = new(.6, .7);

    /// <summary>
    /// Thickness of a butt for a line tip of this diameter, and enough thicker than the tippet that its joint is stronger than the tippet's
    /// knot; metres.
    /// </summary>
    public static double ButtM(double lineTipM, double tippetM) =>
        Math.Max((ButtShare.Low + ButtShare.High) / 2 * lineTipM, OverTippet * tippetM);

    private const double OverTippet = 1.1;

    /// <summary>A step in thickness from piece to piece that turns over well, metres. Common practice.</summary>
    public const double StepM = .00005;

    /// <summary>The knot between two thicknesses, metres: a blood knot holds only between similar ones. Common practice.</summary>
    public static Knot JoinOf(double aboveM, double belowM) => belowM < .7 * aboveM ? Knots.Surgeons : Knots.Blood;

    /// <summary>Shares of butt, steps and tippet in a leader without its guard. Common practice.</summary>
    public const double ButtPart = .6,
        TaperPart = .2,
        TippetPart = .2;

    /// <summary>Builds a knotless taper with a tippet knotted on, by the usual shares. Lengths in metres, at least 0.5 m in all.</summary>
    public static Leader Build(double lengthM, double lineTipM, double tippetM, double guardM)
    {
        var butt = ButtM(lineTipM, tippetM);
        var body = Math.Max(.5, lengthM - guardM);
        return From(
            [
                new(LeaderPart.Butt, ButtPart * body, butt, butt),
                new(LeaderPart.Taper, TaperPart * body, butt, tippetM),
                new(LeaderPart.Tippet, TippetPart * body, tippetM, tippetM) { Knot = Knots.Surgeons.Id },
            ],
            guardM
        );
    }

    /// <summary>A leader of these pieces, with a guard of fluorocarbon or wire added when one is wanted; metres.</summary>
    public static Leader From(IReadOnlyList<LeaderPiece> pieces, double guardM, LeaderMaterial guard = LeaderMaterial.Fluorocarbon)
    {
        if (guardM <= 0)
            return new(pieces);
        var thick = guard == LeaderMaterial.Wire ? WireDiameterM : GuardDiameterM;
        LeaderPiece last = new(LeaderPart.Guard, guardM, thick, thick) { Material = guard, Knot = Knots.Surgeons.Id };
        return new([.. pieces, last]) { FlyKnot = guard == LeaderMaterial.Wire ? Knots.FigureEight.Id : Knots.NonSlip.Id };
    }

    /// <summary>
    /// The same with the knot that suits the fly: a figure-eight on wire, a loop that lets a swimming fly move, otherwise a clinch. Common
    /// practice.
    /// </summary>
    public Leader For(Fly fly) =>
        this with
        {
            FlyKnot =
                Pieces[^1].Material == LeaderMaterial.Wire ? Knots.FigureEight.Id
                : fly.Size.Number <= SwimsFrom ? Knots.NonSlip.Id
                : Knots.Clinch.Id,
        };

    // Flies on this hook and larger are meant to swim.
    private const int SwimsFrom = 4;

    /// <summary>The formula as fly tiers write it: lengths and thicknesses from the line on.</summary>
    public Sentence Formula()
    {
        Sentence says = $"";
        foreach (var piece in Pieces)
        {
            if (says.Parts.Count > 0)
                says.AppendLiteral(", ");
            says.AppendFormatted(
                piece.StartM == piece.EndM
                    ? piece.Part == LeaderPart.Tippet
                        ? (Sentence)$"{Quantity.RodLength(piece.LengthM)} of {Quantity.Tippet(piece.EndM)} tippet"
                        : $"{Quantity.RodLength(piece.LengthM)} of {Quantity.Diameter(piece.EndM)}{Called(piece)}"
                    : $"{Quantity.RodLength(piece.LengthM)} tapering{Called(piece)}"
            );
        }
        return says;
    }

    private static string Called(LeaderPiece piece) =>
        piece.Part == LeaderPart.Guard
            ? $" {LeaderMaterials.Get(piece.Material).Name} guard"
            : piece.Material switch
            {
                LeaderMaterial.Coated => ", coated",
                LeaderMaterial.Fluorocarbon => " fluorocarbon",
                _ => "",
            };

    /// <summary>
    /// A leader this much longer than the rod brings its joint into the guides at the net, metres; a longer one jams. Common practice.
    /// </summary>
    public const double LongerThanRodM = .8,
        JamsM = 1.3;

    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Must(
                "pieces",
                Pieces is { Count: > 0 and <= MaxPieces }
                    && Pieces.All(p => p is { LengthM: >= .001, StartM: >= .00005 and <= .003, EndM: >= .00005 and <= .003 }),
                "A leader has 1 to 20 pieces, each a millimetre long or more and between 0.05 and 3 mm thick."
            )
            .Within("pieces", Pieces?.Sum(p => p?.LengthM ?? 0), Lengths)
            .Must(
                "pieces",
                Pieces is null
                    || Pieces.All(p =>
                        p is null
                        || (
                            Enum.IsDefined(p.Part)
                            && Enum.IsDefined(p.Material)
                            && (p.Knot is null || Knots.Find(p.Knot) is { Use: KnotUse.Join or KnotUse.Dropper })
                        )
                    ),
                "Pieces are joined by a blood knot, a surgeon's knot, or one with a tag for a second fly."
            )
            .Must(
                "pieces",
                Pieces is null || Pieces.All(p => p is null or { Part: not LeaderPart.Guard } or { LengthM: <= 2 }),
                "A bite guard is up to 2 m long."
            )
            .Must(
                "lineKnot",
                Knots.Find(LineKnot) is { Use: KnotUse.Loops or KnotUse.LineEnd },
                "Line and leader are joined loop to loop or nailed."
            )
            .Must("flyKnot", Knots.Find(FlyKnot) is { Use: KnotUse.Fly or KnotUse.Wire }, "Pick a knot for the fly from the list.")
            .Must(
                "droppers",
                Droppers is { Count: <= 4 }
                    && Droppers.All(d => d is { LengthM: >= .03 and <= .6 } && d.Piece >= 1 && d.Piece < (Pieces?.Count ?? 0)),
                "A dropper hangs at a knot inside the leader and is between 3 and 60 cm long."
            )
            .Range("indicatorM", IndicatorM, .1, 12, "A float sits between 10 cm and 12 m from the fly.")
            .Range("shotM", ShotM, .05, 3, "Shot sits between 5 cm and 3 m from the fly.")
            .Range("sinkMps", SinkMps, 0, .3, "A coated leader sinks at up to 30 cm/s (12 in/s).")
            .All(
                Pieces ?? [],
                "pieces",
                p => new FieldCheck().Range("ownN", p?.OwnN, LeastN, 1000, "A piece stands between 0.05 N and 1000 N (100 kg, 220 lb).")
            )
            .Problems;

    // Any thread that can be tied is stronger than this, newtons.
    private const double LeastN = .05;

    /// <summary>Most pieces of a leader.</summary>
    public const int MaxPieces = 20;

    /// <summary>Limits of a leader's length, metres.</summary>
    public static readonly Limit Lengths = new(.3, 12, "A leader is between 0.3 and 12 m (1 and 39 ft).");

    /// <summary>Heavy fluorocarbon of about 80 lb, and knottable wire of about 30 lb, metres.</summary>
    public const double GuardDiameterM = .00081,
        WireDiameterM = .00045;
}
