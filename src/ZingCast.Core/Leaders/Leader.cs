using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

/// <summary>What a piece of leader is there for.</summary>
public enum LeaderPart
{
    /// <summary>Passes the line's energy on.</summary>
    Butt,

    /// <summary>Steps down to the tippet.</summary>
    Taper,

    /// <summary>The thin last part.</summary>
    Tippet,

    /// <summary>Stands teeth and rough mouths; heavy fluorocarbon.</summary>
    Guard,
}

/// <summary>One length of leader material from the line end.</summary>
/// <param name="Part">What it is there for.</param>
/// <param name="LengthM">Length, metres.</param>
/// <param name="StartM">Diameter at the line end, metres.</param>
/// <param name="EndM">Diameter at the fly end, metres.</param>
public sealed record LeaderPiece(LeaderPart Part, double LengthM, double StartM, double EndM)
{
    /// <summary>The word people use.</summary>
    public string Name => Part == LeaderPart.Guard ? "bite guard" : Part.ToString().ToLowerInvariant();
}

/// <summary>A leader with its tippet and, when needed, a bite guard, from the line to the fly.</summary>
/// <param name="Pieces">Butt, taper, tippet, guard, in order from the line.</param>
/// <param name="TippetM">Tippet diameter, metres.</param>
/// <param name="GuardM">Bite guard length, metres; 0 for none.</param>
public sealed record Leader(IReadOnlyList<LeaderPiece> Pieces, double TippetM, double GuardM)
{
    /// <summary>Length and diameter at the line end of its butt; nothing when it has none.</summary>
    public LeaderPiece? Butt => Pieces.FirstOrDefault(p => p.Part == LeaderPart.Butt);

    /// <summary>Length of all its pieces of one kind, metres.</summary>
    public double LengthOf(LeaderPart part) => Pieces.Where(p => p.Part == part).Sum(p => p.LengthM);

    /// <summary>Leaders of the same pieces are the same leader, whoever laid them out.</summary>
    public bool Equals(Leader? other) =>
        other is not null && TippetM == other.TippetM && GuardM == other.GuardM && Pieces.SequenceEqual(other.Pieces);

    /// <inheritdoc />
    public override int GetHashCode() => Pieces.Aggregate(HashCode.Combine(TippetM, GuardM), HashCode.Combine);

    /// <summary>Whole length, metres.</summary>
    public double LengthM => Pieces.Sum(p => p.LengthM);

    /// <summary>Length of the tippet piece with its guard, metres.</summary>
    public double TippetLengthM => Pieces.Where(p => p.Part is LeaderPart.Tippet or LeaderPart.Guard).Sum(p => p.LengthM);

    /// <summary>
    /// Lays out a leader of near 60 % butt, 20 % taper, 20 % tippet (common practice). Butt diameter is 0.65 of the line tip but
    /// never thinner than the tippet. Lengths in metres, at least 0.5 m in all.
    /// </summary>
    public static Leader Build(double lengthM, double lineTipM, double tippetM, double guardM)
    {
        var butt = Math.Max(.65 * lineTipM, tippetM);
        var body = Math.Max(.5, lengthM - guardM);
        List<LeaderPiece> pieces =
        [
            new(LeaderPart.Butt, .6 * body, butt, butt),
            new(LeaderPart.Taper, .2 * body, butt, tippetM),
            new(LeaderPart.Tippet, .2 * body, tippetM, tippetM),
        ];
        if (guardM > 0)
            pieces.Add(new(LeaderPart.Guard, guardM, GuardDiameterM, GuardDiameterM));
        return new(pieces, tippetM, guardM);
    }

    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Must(
                "pieces",
                Pieces is { Count: > 0 and <= 20 }
                    && Pieces.All(p => p is { LengthM: >= .001, StartM: >= .00005 and <= .003, EndM: >= .00005 and <= .003 }),
                "A leader has 1 to 20 pieces, each a millimetre long or more and between 0.05 and 3 mm thick."
            )
            .Must(
                "pieces",
                Pieces is null || Pieces.Sum(p => p?.LengthM ?? 0) is >= .3 and <= 12,
                "A leader is between 0.3 and 12 m (1 and 39 ft)."
            )
            .Within("tippetM", TippetM, Tippets.Limits)
            .Range("guardM", GuardM, 0, 2, "A bite guard is up to 2 m long.")
            .Problems;

    /// <summary>Heavy fluorocarbon of about 80 lb, metres.</summary>
    public const double GuardDiameterM = .00081;
}
