using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Rods;

/// <summary>A fish on a bent rod.</summary>
/// <param name="PullN">Its pull, newtons.</param>
/// <param name="AngleDeg">Angle between butt and pull, degrees.</param>
/// <param name="SurgeM">What it takes on a locked line, metres.</param>
/// <param name="TippetM">Tippet diameter, metres; null when nobody said.</param>
public sealed record FightLoad(double PullN, double AngleDeg, double SurgeM, double? TippetM = null)
{
    /// <summary>Two pounds at a good rod angle on a plain tippet, used when there is no brief. Common practice.</summary>
    public static readonly FightLoad Usual = new(8.9, 80, .5, .00033);

    /// <summary>Every field with an unusable value; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Range("pullN", PullN, 0, 150, "Pull between nothing and 15 kg (33 lb).")
            .Range("angleDeg", AngleDeg, 5, 170, "The rod stands between 5 and 170° to the line.")
            .Range("surgeM", SurgeM, 0, 5, "A surge is up to 5 m.")
            .Within("tippetM", TippetM, Tippets.Limits)
            .Problems;
}

/// <summary>What a fish does to the rod, the hand and the tippet.</summary>
/// <param name="Fish">The rod under the fish.</param>
/// <param name="Usual">Under one, two and four pounds at the same angle.</param>
/// <param name="ReachLostM">How far the tip has come in, metres.</param>
/// <param name="HandMostN">Pull a hand can keep up for minutes at this angle, newtons, least and most.</param>
/// <param name="SurgeN">Pull after the surge, newtons; null when the rod has not that much to give.</param>
/// <param name="KnottedN">What the knotted tippet stands, newtons, when a tippet was given.</param>
/// <param name="Breaks">The surge is more than the tippet stands, or than the rod can give way to.</param>
/// <param name="Says">What it feels like.</param>
/// <param name="SurgeSays">What the surge does to the tippet.</param>
public sealed record Fight(
    Bend Fish,
    IReadOnlyList<Bend> Usual,
    double ReachLostM,
    Spread HandMostN,
    double? SurgeN,
    double? KnottedN,
    bool Breaks,
    Sentence Says,
    Sentence SurgeSays
)
{
    /// <summary>Moment that a hand can hold for minutes, N·m. Common practice.</summary>
    public static readonly Spread HandNm = new(10, 12);

    // Pulls to show for comparison, pounds.
    private static readonly int[] UsualPulls = [1, 2, 4];

    // Upper limit of the hand's pull, newtons, at angles where no pull tires it: there the tackle limits.
    private const double TackleN = 400;

    // Shares of the bending energy from which the butt, or only the tip, is said to work. Common practice.
    private const double ButtWorks = .4,
        TipWorks = .45;

    /// <summary>Bends a tested rod under a fish. The load must be valid.</summary>
    public static Fight For(BendModel model, FightLoad load)
    {
        var angle = load.AngleDeg * Math.PI / 180;
        var fish = model.Under(load.PullN, angle);
        double Keeps(double momentNm) => Math.Min(model.PullForMomentN(momentNm, angle) ?? double.PositiveInfinity, TackleN);
        var surge = model.PullAfterSurgeN(load.PullN, angle, load.SurgeM);
        var knotted = load.TippetM is { } tippet ? Tippets.KnottedN(tippet) : (double?)null;
        return new(
            fish,
            [.. UsualPulls.Select(lb => model.Under(lb * Exact.PoundForceN, angle))],
            model.LengthM - fish.OutM,
            new(Keeps(HandNm.Low), Keeps(HandNm.High)),
            surge,
            knotted,
            surge is null || surge > knotted,
            Feels(load.PullN, fish.Thirds),
            Surges(Quantity.Length(load.SurgeM), surge, knotted)
        );
    }

    private static Sentence Feels(double pullN, BendThirds thirds) =>
        pullN == 0 ? $"At rest"
        : thirds.Butt > ButtWorks ? $"Bends down into the butt: the whole blank plays the fish"
        : thirds.Tip > TipWorks ? (Sentence)$"Only the top third works; the butt is not in play yet"
        : $"Bends through the middle";

    private static Sentence Surges(Quantity surged, double? surgeN, double? knottedN) =>
        surgeN is not { } pull
            ? $"The rod has not {surged} to give at this angle: on a locked line everything beyond comes on the tippet. "
                + $"Lift the rod or give line"
        : knottedN is { } stands && pull > stands
            ? (Sentence)$"{surged} of surge on a locked line bring {Quantity.Force(pull)}: "
                + $"more than the {Quantity.Force(stands)} this tippet stands, knotted"
        : $"{surged} of surge on a locked line bring {Quantity.Force(pull)} on the tippet";
}
