using ZingCast.Core.Measures;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Logbook;

/// <summary>How a rod felt with a load.</summary>
/// <param name="Load">The line outside the tip over the rod's standard mass.</param>
/// <param name="Ideal">What the rule says feels best there, before anybody felt it.</param>
/// <param name="Feel">What the hand said.</param>
public readonly record struct FeelVote(double Load, double Ideal, Feel Feel);

/// <summary>What votes say about the ideal load of a rod.</summary>
public static class FeelFit
{
    /// <summary>Fewest votes to learn from. Our assumption.</summary>
    public const int FewestVotes = 4;

    // Load difference of one step of feel; accuracy of a vote; spread of rods around the rule: one standard deviation each. Our assumption,
    // from the window: .80 is light, 1.00 right, 1.45 the top.
    private const double StepLoad = .2,
        VoteShare = .2,
        PriorShare = .12;

    /// <summary>The shift that fits the votes best, with no shift as prior; null with too few votes.</summary>
    public static RodFeel? From(IReadOnlyList<FeelVote> votes)
    {
        if (votes.Count < FewestVotes)
            return null;
        var says = votes.Select(v => v.Load - v.Ideal - StepLoad * (v.Feel - Feel.Right)).ToList();
        var (prior, each) = (1 / (PriorShare * PriorShare), 1 / (VoteShare * VoteShare));
        var weight = prior + each * says.Count;
        return new(Math.Round(each * says.Sum() / weight, 3), Math.Round(Doubt.Wide / Math.Sqrt(weight), 3), votes.Count);
    }

    // A smaller shift cannot be felt. Our assumption.
    private const double LeastShift = .05;

    /// <summary>Whether it differs from the shift in force: large enough to feel, and larger than its uncertainty.</summary>
    public static bool IsFelt(RodFeel feel, RodFeel? now) =>
        Math.Abs(feel.Shift - (now?.Shift ?? 0)) is var moved && moved >= LeastShift && moved >= feel.PlusMinus;
}
