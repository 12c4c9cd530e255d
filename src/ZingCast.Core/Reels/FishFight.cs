using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>What limits the sustained pull on a fish.</summary>
public enum PullLimit
{
    /// <summary>The drag as it is set.</summary>
    Drag,

    /// <summary>What a hand can hold for minutes.</summary>
    Hand,

    /// <summary>What the blank gives.</summary>
    Rod,

    /// <summary>Half of what the weakest knotted link stands.</summary>
    Tippet,
}

/// <summary>Rough time to land a fish: its runs, and being led in after each by the sustained pull.</summary>
/// <param name="PullN">Pull that can be kept up, newtons.</param>
/// <param name="Limit">What limits it.</param>
/// <param name="Minutes">Time, minutes, from half to double of what is worked out; null when that pull does not lead such
/// a fish.</param>
/// <param name="UnderFloor">The rod is under the floor for such a fish.</param>
/// <param name="Says">It in a sentence.</param>
public sealed record FishFight(double PullN, PullLimit Limit, Spread? Minutes, bool UnderFloor, Sentence Says)
{
    /// <summary>How far to trust it.</summary>
    public Source Source { get; } = Source.Assumption("Its runs, and leading it in between them, wide: half to double");

    // Speed at which the usual pull leads in a fish of this mass, m/s and kilograms; exponent of mass by which heavier fish are slower; the
    // fastest a fish is led, m/s; share of the usual pull below which it cannot be led at all. Set so that on suitable tackle a bonefish
    // of two kilograms takes some six minutes, a salmon of ten a quarter of an hour and a tarpon half an hour. Common practice.
    private const double LedMps = .6,
        LedKg = 2,
        HeavySlower = .3,
        FastestLedMps = 1,
        LeastPull = .25;

    // A blank pulls at most ten times the weight that bends it by a third. Common practice.
    private const double RodOverPower = 10;

    // Lever of a bent rod over its length, for rods without a bend test. Common practice.
    private const double LeverShare = .7;

    private const double TippetHalf = .5;

    /// <summary>Pull of a blank, newtons, from the weight of its bend test, kilograms.</summary>
    public static double RodN(double powerKg) => RodOverPower * powerKg * Exact.GravityMps2;

    /// <summary>Pull that a hand sustains on a rod without a bend test, newtons: its moment over the lever of the bent rod.</summary>
    public static double HandN(double handNm, double rodM, double angleDeg) =>
        handNm / (LeverShare * rodM * Math.Sin(Math.Clamp(angleDeg, 8, 90) * Math.PI / 180));

    /// <summary>
    /// Computes it from a fish's runs. <paramref name="handN"/> and <paramref name="rodN"/> are the pulls that hand and blank can sustain,
    /// newtons.
    /// </summary>
    public static FishFight From(RunCase at, IReadOnlyList<FishRun> runs, double handN, double rodN, bool underFloor)
    {
        var tackle = at.Tackle;
        (double N, PullLimit By)[] limits =
        [
            (tackle.DragN(tackle.OutM, double.PositiveInfinity), PullLimit.Drag),
            (handN, PullLimit.Hand),
            (rodN, PullLimit.Rod),
            (TippetHalf * tackle.TippetN, PullLimit.Tippet),
        ];
        var (pull, by) = limits.MinBy(l => l.N);
        var share = pull / RunningFish.UsualPullN(at.FishKg);
        var ledMps = Math.Min(FastestLedMps, LedMps * Math.Pow(LedKg / at.FishKg, HeavySlower) * share);
        var seconds = runs.Sum(r => r.TookS + r.MostOutM / ledMps);
        var minutes = share < LeastPull || seconds > LongestS ? (double?)null : seconds / 60;
        var word = by switch
        {
            PullLimit.Drag => "the drag is the limit",
            PullLimit.Hand => "the hand is the limit: hold the rod lower to pull harder",
            PullLimit.Rod => "the rod is the limit",
            _ => "the weakest knot is the limit",
        };
        Sentence says = minutes is { } m
            ? $"{Quantity.Force(pull)} can be kept up; {word}. About {Math.Max(1, (int)Math.Round(m))} min to land it, half to double"
            : (Sentence)$"{Quantity.Force(pull)} can be kept up; {word}. That does not lead such a fish: it cannot be landed in good time";
        if (underFloor)
            says.AppendLiteral(". This rod is under the floor for such a fish: a long fight kills it after release");
        return new(pull, by, minutes is { } mid ? new(mid / 2, 2 * mid) : null, underFloor, says);
    }

    // A longer fight is not given a time, seconds.
    private const double LongestS = 7200;
}
