using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Something a person could change, with the brief and pins after the change.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Says">The change in a few words.</param>
/// <param name="Reach">Farthest reach after it, metres.</param>
/// <param name="GainM">What it adds, metres; negative when it costs distance.</param>
/// <param name="Brief">The brief after the change.</param>
/// <param name="Pins">The pins after the change.</param>
public sealed record ReachGain(string Id, Sentence Says, Quantity Reach, double GainM, BriefDraft Brief, Pins Pins)
{
    /// <summary>A gain of at most this is next to nothing, metres.</summary>
    public const double Little = .1;

    /// <summary>How much the change is worth: more distance, next to nothing, or less.</summary>
    public Worth Worth =>
        GainM > Little ? Worth.More
        : GainM < -Little ? Worth.Less
        : Worth.Nothing;
}

/// <summary>What a change does to the reach.</summary>
public enum Worth
{
    /// <summary>It adds distance.</summary>
    More,

    /// <summary>Next to nothing either way.</summary>
    Nothing,

    /// <summary>It costs distance.</summary>
    Less,
}

/// <summary>What would help. Every change is solved in full, so that pressing it gives what it promised.</summary>
public static class ReachGains
{
    /// <summary>Line speed added by hauling on one more stroke, as a share. Our estimate; figures from practice vary widely.</summary>
    public const double HaulAdds = .12;

    /// <summary>How much tighter a loop can get with practice, as a share. Our estimate.</summary>
    public const double Tighter = .20;

    /// <summary>The present reach, and the changes, best first. Check draft and pins first.</summary>
    public static (Quantity Reach, IReadOnlyList<ReachGain> Gains) Rank(
        BriefDraft draft,
        GearShed shed,
        Pins pins,
        IReadOnlySet<string> off,
        IReadOnlyList<Caster>? casters = null,
        CancellationToken cancel = default
    )
    {
        var session = Matcher.For(Brief.Complete(draft, casters), shed, off, cancel);
        var now = session.Choose(pins);
        var heads = session.Candidates(now, LinkId.Head);
        var tries = Changes(draft, session.Brief, now, heads, pins).ToList();
        var gains = new ReachGain[tries.Count];
        Parallel.For(
            0,
            tries.Count,
            new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Math.Max(1, Environment.ProcessorCount - 1) },
            i =>
            {
                var (id, says, brief, held) = tries[i];
                var reach = Matcher.For(Brief.Complete(brief, casters), shed, off, cancel).Choose(held).Outfit.ReachM;
                // The text typed for a number that has changed is dropped.
                gains[i] = new(
                    id,
                    says,
                    reach,
                    reach.Value - now.Outfit.ReachM.Value,
                    brief with
                    {
                        Said = TypedText.StillMatching(brief.Said, brief.Typed),
                    },
                    held with
                    {
                        Said = TypedText.StillMatching(held.Said, held.Typed),
                    }
                );
            }
        );
        return (now.Outfit.ReachM, [.. gains.OrderByDescending(h => h.GainM)]);
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private static IEnumerable<(string Id, Sentence Says, BriefDraft Brief, Pins Pins)> Changes(
        BriefDraft draft,
        Brief brief,
        Choice now,
        IReadOnlyList<Candidate> heads,
        Pins pins
    )
    {
        var outfit = now.Outfit;
        var (fly, caster) = (brief.Fly, brief.Caster);
        if (outfit.Leader.LengthM > 1.8)
            yield return (
                "leader",
                $"A leader two feet shorter: {Quantity.RodLength(outfit.Leader.LengthM - .61)}",
                draft,
                pins with
                {
                    LeaderM = outfit.Leader.LengthM - .61,
                }
            );

        if (fly.Size.Down() is { } smaller)
            yield return (
                "smaller-fly",
                $"A smaller fly: {smaller.ToString()} instead of {fly.SizeName}",
                draft with
                {
                    FlyKind = fly.Kind.Id,
                    HookSize = smaller.Number,
                    FlyWetKg = null,
                },
                pins
            );
        if (FlyKinds.Find(fly.Kind.Sparser) is { } kind)
        {
            var size = new HookSize(Math.Clamp(fly.Size.Number, kind.Large.Number, kind.Small.Number));
            yield return (
                "sparser-fly",
                $"A sparser fly: {size.ToString()} {kind.Name}",
                draft with
                {
                    FlyKind = kind.Id,
                    HookSize = size.Number,
                    FlyWetKg = null,
                },
                pins
            );
        }

        foreach (var other in heads.Where(l => l.Verdict != Verdict.Fails && !l.Chosen).Take(4))
            yield return (
                $"head-{other.Tag}",
                $"Another head: {other.Tag} {other.Name}",
                draft,
                pins with
                {
                    Line = other.Id,
                    Density = null,
                }
            );

        // Suggest a head made for this rod and fly: the heavier the fly, the heavier and shorter the head.
        if (outfit.Rod.IsThere && outfit.Line.IsThere && now.Spec.Tackle.LineOf(brief, outfit.Rod) is { MassKg: { } kg } made)
            yield return (
                "head-to-buy",
                $"A head to buy, made for this rod and fly: {Quantity.LineMass(kg)} in {Quantity.Length(made.HeadM)}",
                draft with
                {
                    Owned = Owned.Any,
                },
                pins with
                {
                    Rod = outfit.Rod.Id,
                    Reel = outfit.Reel.IsThere ? outfit.Reel.Id : null,
                    Line = null,
                    Density = null,
                }
            );

        var up = Math.Min(LineWeights.Highest, Math.Round(now.Class.Target) + 1);
        yield return ("class-up", $"A class up: {Quantity.Class(up)}", draft, pins with { Rod = null, Line = null, RodClass = up });

        if (caster.Haul != Haul.Double && draft.CasterFreeMps is null)
            yield return (
                "haul",
                caster.Haul == Haul.None
                    ? $"Learn a single haul: about an eighth more line speed"
                    : (Sentence)$"Learn the double haul: about an eighth more line speed",
                draft with
                {
                    CasterFreeMps = caster.FreeMps * (1 + HaulAdds),
                },
                pins
            );
        if (draft.CasterLoopM is null)
            yield return (
                "loop",
                $"A tighter loop: {Quantity.Length(caster.LoopM * (1 - Tighter))} instead of {Quantity.Length(caster.LoopM)}",
                draft with
                {
                    CasterLoopM = caster.LoopM * (1 - Tighter),
                },
                pins
            );
        if (brief.Stance is Stance.DeepWading or Stance.Wading)
            yield return (
                "stand-higher",
                brief.Stance == Stance.DeepWading
                    ? $"Wade back to the thigh: the rod stands higher"
                    : (Sentence)$"Cast from the bank: the rod stands higher",
                draft with
                {
                    Stance = brief.Stance == Stance.DeepWading ? Stance.Wading : Stance.Bank,
                },
                pins
            );
        if (brief.Cover == Cover.Behind)
            yield return ("room-behind", $"Find open room behind: the cast may be steeper", draft with { Cover = Cover.Open }, pins);
        if (brief.HeadwindMps > .5)
            yield return (
                "turn",
                brief.Hand == Hand.Right
                    ? $"Move so the wind comes across from your left"
                    : (Sentence)$"Move so the wind comes across from your right",
                draft with
                {
                    WindFromDeg = brief.Hand == Hand.Right ? 270 : 90,
                },
                pins
            );
    }

    /// <summary>Advice without a number. Common practice.</summary>
    public static readonly IReadOnlyList<string> Always =
    [
        "Stretch the memory out of line and leader before the first cast: coils rub in the rings and drop the loop.",
        "Keep the loop joint of a separate head outside the tip while you carry it.",
        "Wait for the lull between gusts.",
    ];
}
