using ZingCast.Core.Lines;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Cutting;

/// <summary>The head to make.</summary>
/// <param name="LengthM">Length over all, metres.</param>
/// <param name="MassKg">Mass in all, kilograms.</param>
/// <param name="TipM">Length of a separate tip at the fly end, metres, when one is wanted.</param>
/// <param name="TipKg">Mass of that tip, kilograms.</param>
public sealed record CutTarget(double LengthM, double MassKg, double? TipM = null, double? TipKg = null)
{
    /// <summary>True when a separate tip is wanted.</summary>
    public bool HasTip => TipM is not null && TipKg is not null;

    /// <summary>What is wrong, field by field.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Range("lengthM", LengthM, 1, 30, "A head is between 1 and 30 m long.")
            .Range("massKg", MassKg, .001, .08, "A head weighs between 1 and 80 g (15 and 1235 gr).")
            .Must("tipKg", TipM is null == TipKg is null, "A tip needs both a length and a mass.")
            .Must("tipM", !(TipM < .5) && !(TipM > LengthM - .5), "Tip and body are each half a metre or more.")
            .Must("tipKg", !(TipKg <= 0) && !(TipKg >= MassKg), "The tip weighs something, and less than the whole.")
            .Problems;
}

/// <summary>A piece of a plan: what is kept of a scrap, and which way round it goes.</summary>
/// <param name="ScrapId">The scrap.</param>
/// <param name="FromM">Where it begins, metres from the scrap's front.</param>
/// <param name="ToM">Where it ends, metres from the scrap's front.</param>
/// <param name="Turned">The scrap's back end points to the fly.</param>
public readonly record struct CutPiece(int ScrapId, double FromM, double ToM, bool Turned);

/// <summary>A joint between two pieces.</summary>
/// <param name="AtM">Where it comes to lie, metres from the fly end.</param>
/// <param name="OverM">Length over which the two pieces lie together, metres.</param>
/// <param name="Ratio">Mass per metre behind it over mass per metre before it.</param>
/// <param name="Hinges">The two differ by more than a factor of 1.6: it will hinge.</param>
/// <param name="Backwards">The fly side is the heavier.</param>
/// <param name="InTaper">It lies in a taper.</param>
public readonly record struct Joint(double AtM, double OverM, double Ratio, bool Hinges, bool Backwards, bool InTaper);

/// <summary>A way to make the head.</summary>
/// <param name="Pieces">Pieces from the fly end.</param>
/// <param name="LengthM">Length when joined, metres.</param>
/// <param name="MassKg">Mass, kilograms.</param>
/// <param name="TaperM">Front taper left at the fly end, metres.</param>
/// <param name="Joints">Joints from the fly end.</param>
/// <param name="Cuts">Cuts to make.</param>
/// <param name="Cost">Weighted misses: 1 for each joint, each ten grains, each foot and a half.</param>
/// <param name="Says">In words.</param>
/// <param name="Felt">False when length and mass are both so near that nobody feels it.</param>
/// <param name="Profile">The head joined, to draw.</param>
public sealed record CutPlan(
    IReadOnlyList<CutPiece> Pieces,
    double LengthM,
    double MassKg,
    double TaperM,
    IReadOnlyList<Joint> Joints,
    int Cuts,
    double Cost,
    Sentence Says,
    bool Felt,
    IReadOnlyList<Stretch> Profile
);

/// <summary>Result of a search for plans.</summary>
/// <param name="Plans">Plans, best first.</param>
/// <param name="Complete">Everything was looked at: there is none better. False when the search was ended before.</param>
public sealed record CutPlans(IReadOnlyList<CutPlan> Plans, bool Complete);
