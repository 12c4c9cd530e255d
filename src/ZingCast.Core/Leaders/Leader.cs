using ZingCast.Core.Measures;

namespace ZingCast.Core.Leaders;

/// <summary>One length of leader material from the line end.</summary>
/// <param name="Name">What it is.</param>
/// <param name="LengthM">Length, metres.</param>
/// <param name="StartM">Diameter at the line end, metres.</param>
/// <param name="EndM">Diameter at the fly end, metres.</param>
public sealed record LeaderPiece(string Name, double LengthM, double StartM, double EndM);

/// <summary>A leader with its tippet and, when needed, a bite guard, from the line to the fly.</summary>
/// <param name="Pieces">Butt, taper, tippet, guard, in order from the line.</param>
/// <param name="TippetM">Tippet diameter, metres.</param>
/// <param name="GuardM">Bite guard length, metres; 0 for none.</param>
public sealed record Leader(IReadOnlyList<LeaderPiece> Pieces, double TippetM, double GuardM)
{
    /// <summary>Whole length, metres.</summary>
    public double LengthM => Pieces.Sum(p => p.LengthM);

    /// <summary>Length of the tippet piece with its guard, metres.</summary>
    public double TippetLengthM => Pieces.Where(p => p.Name is "tippet" or "bite guard").Sum(p => p.LengthM);

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
            new("butt", .6 * body, butt, butt),
            new("taper", .2 * body, butt, tippetM),
            new("tippet", .2 * body, tippetM, tippetM),
        ];
        if (guardM > 0)
            pieces.Add(new("bite guard", guardM, GuardDiameterM, GuardDiameterM));
        return new(pieces, tippetM, guardM);
    }

    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Must(
                "pieces",
                Pieces is { Count: > 0 and <= 20 }
                    && Pieces.All(p =>
                        p is { Name.Length: <= 60, LengthM: >= .001, StartM: >= .00005 and <= .003, EndM: >= .00005 and <= .003 }
                    ),
                "A leader has 1 to 20 pieces, each a millimetre long or more and between 0.05 and 3 mm thick."
            )
            .Must(
                "pieces",
                Pieces is null || Pieces.Sum(p => p?.LengthM ?? 0) is >= .3 and <= 12,
                "A leader is between 0.3 and 12 m (1 and 39 ft)."
            )
            .Range("tippetM", TippetM, .00005, .0015, "Tippet is between 0.05 and 1.5 mm thick.")
            .Range("guardM", GuardM, 0, 2, "A bite guard is up to 2 m long.")
            .Problems;

    /// <summary>Heavy fluorocarbon of about 80 lb, metres.</summary>
    public const double GuardDiameterM = .00081;
}
