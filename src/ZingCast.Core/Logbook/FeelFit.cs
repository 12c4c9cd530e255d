using ZingCast.Core.Measures;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Logbook;

/// <summary>How a rod felt under a load.</summary>
/// <param name="Load">The line outside the tip over the rod's standard mass.</param>
/// <param name="Ideal">What the rule says feels best there, before anybody felt it.</param>
/// <param name="Feel">What the hand said.</param>
public readonly record struct FeelVote(double Load, double Ideal, Feel Feel);

/// <summary>What votes say about the load that feels best on a rod.</summary>
public static class FeelFit
{
    /// <summary>No fewer votes are learned from. An assumption of ours.</summary>
    public const int FewestVotes = 4;

    // One step of feel is about so much load; one vote is good to a step; rods differ from the rule by so much, one standard deviation.
    // An assumption of ours, from the window: .80 is light, 1.00 right, 1.45 the top.
    private const double StepLoad = .2,
        VoteShare = .2,
        PriorShare = .12;

    /// <summary>The shift that follows the votes best, with nothing shifted as prior; null with too few votes.</summary>
    public static RodFeel? From(IReadOnlyList<FeelVote> votes)
    {
        if (votes.Count < FewestVotes)
            return null;
        var says = votes.Select(v => v.Load - v.Ideal - StepLoad * (v.Feel - Feel.Right)).ToList();
        var (prior, each) = (1 / (PriorShare * PriorShare), 1 / (VoteShare * VoteShare));
        var weight = prior + each * says.Count;
        return new(Math.Round(each * says.Sum() / weight, 3), Math.Round(Doubt.Wide / Math.Sqrt(weight), 3), votes.Count);
    }

    // Less of a shift is felt by nobody. An assumption of ours.
    private const double LeastShift = .05;

    /// <summary>Whether it is another load than what counts now: felt, and more than it may be off.</summary>
    public static bool IsFelt(RodFeel feel, RodFeel? now) =>
        Math.Abs(feel.Shift - (now?.Shift ?? 0)) is var moved && moved >= LeastShift && moved >= feel.PlusMinus;
}
