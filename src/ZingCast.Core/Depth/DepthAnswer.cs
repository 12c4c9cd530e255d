using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Depth;

/// <summary>How a fly is to be fished at a depth. What is left out is taken from the brief.</summary>
/// <param name="By">How it is fished; drifted, swung or drawn by the kind of fly and the water.</param>
/// <param name="CountS">How long it sinks, seconds; as long as people wait or the drift allows.</param>
/// <param name="StripM">Length of a strip, metres.</param>
/// <param name="PauseS">Pause between strips, seconds.</param>
/// <param name="WaterM">Depth of the water, metres; a metre more than the fly fishes.</param>
/// <param name="FlyKg">Soaked mass of the fly, kilograms; the brief's.</param>
/// <param name="Density">The line that is looked at; the lightest that gets there.</param>
public sealed record DepthWish(
    FishedBy? By = null,
    double? CountS = null,
    double? StripM = null,
    double? PauseS = null,
    double? WaterM = null,
    double? FlyKg = null,
    string? Density = null
)
{
    /// <summary>How deep water may be, metres.</summary>
    public static readonly Limit Waters = new(.1, 60, "Water is between 10 cm and 60 m deep (197 ft).");

    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Must("by", By is not { } by || Enum.IsDefined(by), "Pick one from the list.")
            .Range("countS", CountS, 0, 240, "Nobody counts longer than four minutes.")
            .Range("stripM", StripM, 0, 2, "A strip is up to 2 m (6½ ft).")
            .Range("pauseS", PauseS, 0, 30, "A pause is up to 30 s.")
            .Within("waterM", WaterM, Waters)
            .Range("flyKg", FlyKg, 0, .05, "A fly weighs between 0 and 50 g, soaked.")
            .Must("density", Density is null || Densities.Rank(Density) >= 0, "Pick a density from the list.")
            .Problems;
}

/// <summary>What a line of one density does.</summary>
/// <param name="Density">Id.</param>
/// <param name="Name">Name.</param>
/// <param name="LeaderM">The leader that goes with it, metres.</param>
/// <param name="CountS">How long it is let sink, seconds.</param>
/// <param name="Path">Where the fly goes.</param>
/// <param name="Reaches">It fishes the fly at the wanted depth, or deeper.</param>
/// <param name="Wanted">It is the lightest that does.</param>
/// <param name="ClearM">Room left to the bottom, metres; 0 where it drags.</param>
public sealed record DepthLine(
    string Density,
    string Name,
    double LeaderM,
    double CountS,
    FlyPath Path,
    bool Reaches,
    bool Wanted,
    double ClearM
);

/// <summary>Another way that would work, or a hazard.</summary>
public sealed record DepthAdvice(Sentence Says);

/// <summary>Path of the fly through the water on each line.</summary>
/// <param name="By">How it is fished.</param>
/// <param name="StripM">Length of a strip, metres.</param>
/// <param name="PauseS">Pause, seconds.</param>
/// <param name="WaterM">Depth of the water, metres.</param>
/// <param name="WaterAssumed">True when nobody said how deep the water is.</param>
/// <param name="TargetM">Where the fish are, metres.</param>
/// <param name="FlyKg">Soaked mass, kilograms.</param>
/// <param name="Lines">Every density from light to heavy; none for a fly on the surface.</param>
/// <param name="At">Which of them is looked at.</param>
/// <param name="Says">The answer in a sentence.</param>
/// <param name="Others">What else would do, or where it hurts.</param>
/// <param name="Source">How sure.</param>
public sealed record DepthAnswer(
    FishedBy By,
    double StripM,
    double PauseS,
    double WaterM,
    bool WaterAssumed,
    double TargetM,
    double FlyKg,
    IReadOnlyList<DepthLine> Lines,
    int At,
    Sentence Says,
    IReadOnlyList<DepthAdvice> Others,
    Source Source
)
{
    // Assumed distance from the fish to the bottom when the depth of the water is unknown; usual strip and pause. Common practice.
    private const double AboveBottomM = 1,
        UsualStripM = .3,
        UsualPauseS = 1;

    /// <summary>Within this distance of the fish's depth the fly is seen, metres, for drawings.</summary>
    public double ZoneM { get; } = FlyPath.ZoneM;

    /// <summary>Depths of water that can be entered, metres.</summary>
    public Spread WatersM { get; } = new(DepthWish.Waters.Low, DepthWish.Waters.High);

    // Closer to the bottom than this a hook snags, metres. Common practice.
    private const double SnagM = .15;

    private static readonly Source Trust = new(SourceMark.Practice, "Sink types as sold and terminal speeds; depths are good to a quarter");

    /// <summary>Follows the brief's fly on every density, each with its usual leader. The same input gives the same bits.</summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static DepthAnswer For(Brief said, DepthWish wish, Func<string, double> leaderM, double tippetM)
    {
        var brief = wish.FlyKg is { } kg ? said with { Fly = said.Fly with { WetKg = kg } } : said;
        var by =
            wish.By
            ?? (
                Sinking.Drifts(brief) ? FishedBy.Drift
                : brief.CurrentMps > SwingsFromMps && brief.Water is Water.River or Water.SmallStream ? FishedBy.Swing
                : FishedBy.Retrieve
            );
        var water = wish.WaterM ?? brief.DepthM + AboveBottomM;
        var (strip, pause) = (wish.StripM ?? UsualStripM, wish.PauseS ?? UsualPauseS);
        var wanted = Sinking.Lightest(brief, leaderM, tippetM);
        var at = Densities.Rank(wish.Density ?? wanted.Id);
        IReadOnlyList<Density> followed = brief.DepthM > 0 ? Densities.Rows : [];
        var lines = followed
            .Select(
                (d, i) =>
                {
                    var leader = leaderM(d.Id);
                    var rates = Sinking.Rates(brief, d, leaderM, tippetM, brief.Fly.WetKg);
                    // Counted down to the fish's depth, but no longer than people wait or the drift allows.
                    var count = wish.CountS ?? Math.Min(Sinking.TimeS(brief), rates.TimeTo(brief.DepthM));
                    var path = FlyPath.Simulate(
                        new(rates, by, brief.DistanceM, leader, brief.CurrentMps, count, strip, pause, water, brief.DepthM)
                    );
                    return new DepthLine(
                        d.Id,
                        d.Name,
                        leader,
                        count,
                        // Only this line and its neighbours are drawn.
                        Math.Abs(i - at) <= 1
                            ? path
                            : path with
                            {
                                Moments = [],
                            },
                        // Judged as the line of the chain is, but for the time waited here.
                        rates.DepthM(wish.CountS ?? Sinking.TimeS(brief)) >= brief.DepthM,
                        d.Id == wanted.Id,
                        Math.Max(0, water - path.DeepestM)
                    );
                }
            )
            .ToList();
        return new(
            by,
            strip,
            pause,
            water,
            wish.WaterM is null,
            brief.DepthM,
            brief.Fly.WetKg,
            lines,
            at,
            lines.Count == 0 ? $"On the surface there is nothing to sink: say how deep the fly is to fish" : Describe(brief, lines[at], by),
            lines.Count == 0 ? [] : [.. Other(brief, lines[at], by, leaderM, tippetM).Select(says => new DepthAdvice(says))],
            Trust
        );
    }

    // Current from which a fly on a tight line is swung rather than retrieved, m/s. Common practice.
    private const double SwingsFromMps = .25;

    private static Sentence Describe(Brief brief, DepthLine line, FishedBy by)
    {
        var path = line.Path;
        var target = Quantity.Depth(brief.DepthM);
        if (path.CountToS is not { } to || (to > line.CountS && !line.Reaches))
            return $"{PlainText.Capital(line.Name)} gets to {Quantity.Depth(path.DeepestM)} in {Seconds(line.CountS)}, not to {target}";
        return by switch
        {
            FishedBy.Drift => $"At {target} after {Seconds(to)}: pitch it {Quantity.Distance(path.PitchM ?? 0)} upstream of the fish",
            FishedBy.Swing => $"Count {Seconds(to)} down to {target}; on the swing it fishes at about {Quantity.Depth(path.HeldM)}",
            _ => $"Count {Seconds(to)} down to {target}; drawn so it fishes at about {Quantity.Depth(path.HeldM)}",
        };
    }

    private static Quantity Seconds(double s) => new(Math.Round(s), Kind.Time);

    private static IEnumerable<Sentence> Other(Brief brief, DepthLine line, FishedBy by, Func<string, double> leaderM, double tippetM)
    {
        if (line.Path.BottomAtS is { } s)
            yield return Densities.Rank(line.Density) > Sinking.Least(brief)
                ? $"It lies on the bottom after {Seconds(s)}: begin before, or take a lighter line"
                : (Sentence)$"It lies on the bottom after {Seconds(s)}: begin before, or take a lighter fly";
        else if (line.ClearM < SnagM)
            yield return $"Only {Quantity.Short(line.ClearM)} to the bottom: it will snag";
        if (by == FishedBy.Retrieve && line.Reaches && line.Path.InZone < .3)
            yield return $"Drawn so it leaves the fish early: shorter strips or longer pauses hold it down";
        if (by == FishedBy.Swing && line.Path.HeldM < brief.DepthM - FlyPath.ZoneM)
            yield return $"On a tight line the current lifts it: mend, or follow it down with the rod";
        if (Sinking.Drifts(brief) || !line.Reaches)
            yield return Sinking.FlyForKg(brief, leaderM(Densities.Floating.Id), tippetM) is { } kg && kg > brief.Fly.WetKg
                ? $"No sinking line: a floating one and {Quantity.LineMass(kg)} of fly get there"
            : Sinking.FlyForKg(brief, leaderM(Densities.Floating.Id), tippetM) is null
                ? (Sentence)$"On a floating line it would take a longer leader and a heavy nymph"
            : $"No sinking line is needed: this fly gets there by itself on {Quantity.RodLength(leaderM(Densities.Floating.Id))} of leader";
    }
}
