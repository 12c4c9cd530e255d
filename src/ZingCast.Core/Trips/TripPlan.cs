using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Trips;

/// <summary>A piece of a kit.</summary>
/// <param name="Id">Identity in the shed; below 0 for one to buy.</param>
/// <param name="Tag">Its tag, or what to call one to buy in a word.</param>
/// <param name="Says">What it is; of one to buy, what to ask for.</param>
/// <param name="Price">What one to buy is expected to cost; 0 for what is there.</param>
public sealed record TripPiece(int Id, string Tag, Sentence Says, double Price)
{
    /// <summary>Whether it is to be bought.</summary>
    public bool ToBuy => Id < 0;
}

/// <summary>A rod with a line on a reel.</summary>
public sealed record TripOutfit(TripPiece Rod, TripPiece Line, TripPiece Reel);

/// <summary>How an outfit does on a day.</summary>
/// <param name="Worth">What it is worth, 0 to 1.</param>
/// <param name="Verdict">How well: the worst of its links.</param>
/// <param name="Link">The link that decides it; null where nothing limits.</param>
/// <param name="Says">Why.</param>
public sealed record TripCell(double Worth, Verdict Verdict, LinkId? Link, Sentence Says);

/// <summary>A day as a kit serves it.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Times">How many such days.</param>
/// <param name="Share">Its share of all that counts, 0 to 1.</param>
/// <param name="Best">The outfit that serves it best, by its place; null when none goes.</param>
/// <param name="Cells">How each outfit would do, in their order; null for one that does not go together that day.</param>
public sealed record TripServed(string Name, int Times, double Share, int? Best, IReadOnlyList<TripCell?> Cells);

/// <summary>Which outfit serves which day.</summary>
/// <param name="Outfits">Outfits.</param>
/// <param name="Days">Days.</param>
public sealed record Coverage(IReadOnlyList<TripOutfit> Outfits, IReadOnlyList<TripServed> Days)
{
    /// <summary>Days that can be fished, of all of them.</summary>
    public int Served => Days.Where(d => d.Best is { } at && d.Cells[at]!.Verdict != Verdict.Fails).Sum(d => d.Times);

    /// <summary>Number of all days.</summary>
    public int Of => Days.Sum(d => d.Times);
}

/// <summary>Summary of a kit.</summary>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines.</param>
/// <param name="Reels">The reel under each line.</param>
/// <param name="Served">Days it serves.</param>
/// <param name="Value">What all days are worth with it, 0 to 1.</param>
/// <param name="Price">What has to be bought for it.</param>
public sealed record KitShort(
    IReadOnlyList<TripPiece> Rods,
    IReadOnlyList<TripPiece> Lines,
    IReadOnlyList<TripPiece> Reels,
    int Served,
    double Value,
    double Price
);

/// <summary>Summary of the best kit with this many rods.</summary>
/// <param name="Rods">Most rods.</param>
/// <param name="Served">Days served.</param>
/// <param name="Value">What all days are worth, 0 to 1.</param>
public sealed record RodStep(int Rods, int Served, double Value);

/// <summary>What lifting a limit would gain.</summary>
/// <param name="Limit">The limit's field.</param>
/// <param name="Says">It in a sentence.</param>
/// <param name="Gain">What is gained of all days, 0 to 1.</param>
public sealed record LimitCost(string Limit, Sentence Says, double Gain);

/// <summary>State of a search that is not finished.</summary>
/// <param name="BetterAtMost">So much better something else can be at most, as a share of what was found; 0.03 for 3 %.</param>
/// <param name="Thrown">How many outfits were thrown on a day so far.</param>
public sealed record StillSearching(double BetterAtMost, int Thrown)
{
    /// <summary>From the value found, the upper bound, and the table.</summary>
    internal static StillSearching From(double found, double atMost, WorthTable worth) =>
        new(found <= 0 ? 1 : Math.Max(0, atMost / found - 1), worth.Known);
}

/// <summary>The answer to a trip.</summary>
/// <param name="Kit">What to take; null when what must come along is more than the limits allow.</param>
/// <param name="Coverage">Which of it serves which day.</param>
/// <param name="MassKg">Mass of its rods, reels and lines, kilograms.</param>
/// <param name="Others">The next best kits, with other rods.</param>
/// <param name="Rods">What a rod fewer or more comes to.</param>
/// <param name="Costs">What the limits cost, the dearest first; those that cost nothing are left out.</param>
/// <param name="LeftOut">Pieces of the shed that stay at home, and why.</param>
/// <param name="Says">The answer in a sentence.</param>
/// <param name="Searching">This is the best so far; null where nothing is better.</param>
public sealed record TripPlan(
    KitShort? Kit,
    Coverage Coverage,
    double MassKg,
    IReadOnlyList<KitShort> Others,
    IReadOnlyList<RodStep> Rods,
    IReadOnlyList<LimitCost> Costs,
    IReadOnlyList<Remark> LeftOut,
    Sentence Says,
    StillSearching? Searching = null
)
{
    /// <summary>The kit by indices into the pool.</summary>
    internal Kit? Taken { get; init; }

    private const int MaxOthers = 3;

    /// <summary>
    /// The best kit within limits that includes <paramref name="held"/>. Without <paramref name="further"/> only the kit and its days, for
    /// a limit being dragged. <paramref name="soFar"/> receives interim results.
    /// </summary>
    public static TripPlan For(
        TripScores scores,
        TripLimits limits,
        Pieces? held = null,
        bool further = true,
        Action<TripPlan>? soFar = null
    )
    {
        var must = held ?? Pieces.None;
        void Tell(Kit kit, double atMost) => soFar!(Short(kit) with { Searching = StillSearching.From(kit.Value, atMost, scores.Worth) });
        TripPlan Short(Kit kit) => For(scores, limits, must, kit);
        var kits = scores.Kits(limits, must, further ? 1 + MaxOthers : 1, soFar is null ? null : Tell);
        if (kits.Count == 0)
            return new(
                null,
                new([], []),
                0,
                [],
                [],
                [],
                scores.Pool.LeftOut,
                $"What is packed already is more than the limits allow: let go of a piece, or of a limit"
            );
        var best = kits[0];
        var plan = Short(best) with { Others = [.. kits.Skip(1).Select(k => TripPlan.Short(scores, k, limits))] };
        if (!further)
            return plan;
        // The questions about rods and limits ask for some kits twice.
        var known = new Dictionary<(TripLimits, Pieces), Kit?> { [(limits, must)] = best };
        Kit? Best(TripLimits within, Pieces packed)
        {
            if (!known.TryGetValue((within, packed), out var found))
            {
                soFar?.Invoke(plan with { Searching = new(0, scores.Worth.Known) });
                known[(within, packed)] = found = scores.Kits(within, packed, 1) is [var kit, ..] ? kit : null;
            }
            return found;
        }
        plan = plan with { Rods = [.. Steps(scores, limits, must, Best)] };
        return plan with { Costs = [.. CostsOf(scores, limits, must, plan.Kit!, Best)] };
    }

    /// <summary>A chosen kit with its days.</summary>
    internal static TripPlan For(TripScores scores, TripLimits limits, Pieces held, Kit best)
    {
        var (kit, problem) = (Short(scores, best, limits), scores.Problem(limits, held));
        var coverage = Covering(scores, best.Rods, best.Wound, limits);
        return new(
            kit,
            coverage,
            best.Rods.Sum(r => problem.Rods[r].MassKg)
                + best.Wound.Sum(w => problem.Lines[w.Line].MassKg)
                + best.Reels.Sum(e => problem.Reels[e].MassKg),
            [],
            [],
            [],
            scores.Pool.LeftOut,
            Describe(kit, coverage)
        )
        {
            Taken = best,
        };
    }

    // Which of these rods and lines serves which day.
    private static Coverage Covering(TripScores scores, IReadOnlyList<int> rods, IReadOnlyList<Wound> wound, TripLimits limits)
    {
        var outfits = rods.SelectMany(r => wound.Select(w => (Rod: r, On: w))).ToList();
        (int, Wound)? Best(int day) =>
            outfits.Count > 0 && outfits.MaxBy(o => scores.At(day, o.Rod, o.On)) is var best && scores.At(day, best.Rod, best.On) > 0
                ? best
                : null;
        return Covering(scores, [.. Enumerable.Range(0, scores.Days.Count).Select(Best)], limits);
    }

    /// <summary>The best outfit of each day, by indices into the pool, and how each would do on the other days.</summary>
    internal static Coverage Covering(TripScores scores, IReadOnlyList<(int Rod, Wound On)?> bests, TripLimits limits)
    {
        // The most useful come first; an outfit that is nowhere the best is not shown.
        var shown = bests
            .Select((o, d) => (o, d))
            .Where(x => x.o is not null)
            .GroupBy(x => x.o!.Value)
            .OrderByDescending(g => g.Sum(x => scores.Days[x.d].Weight))
            .Select(g => g.Key)
            .ToList();
        var sum = scores.Days.Sum(d => d.Weight);
        return new(
            [
                .. shown.Select(o => new TripOutfit(
                    Piece(scores, scores.Pool.Rods[o.Rod], limits.RodPrice),
                    Piece(scores, scores.Pool.Lines[o.On.Line], limits.LinePrice),
                    Piece(scores, scores.Pool.Reels[o.On.Reel], limits.ReelPrice)
                )),
            ],
            [
                .. scores.Days.Select(
                    (day, d) =>
                        new TripServed(
                            day.Name,
                            day.Times,
                            day.Weight / sum,
                            bests[d] is { } at ? shown.IndexOf(at) : null,
                            [
                                .. shown.Select(o =>
                                    scores.At(d, o.Rod, o.On) is > 0 and var worth ? Cell(scores.ChoiceFor(d, o.Rod, o.On), worth) : null
                                ),
                            ]
                        )
                ),
            ]
        );
    }

    private static TripCell Cell(Choice choice, double worth)
    {
        var fails = choice.Judged.Where(j => j.Verdict == Verdict.Fails).ToList();
        var looks = choice.Judged.Where(j => j.Verdict == Verdict.Look).ToList();
        var limiting =
            fails is [var first, ..] ? first
            : looks is [var look, ..] ? look
            : (Judgement?)null;
        var verdict =
            fails.Count > 0 ? Verdict.Fails
            : choice.ToBuy > 0 ? Verdict.ToBuy
            : looks.Count > 0 ? Verdict.Look
            : Verdict.Fits;
        Sentence says = limiting is { } one
            ? $"{Chain.NameOf(one.Link).ToLowerInvariant()}: {one.Why()}"
            : (Sentence)$"every link does its part; {choice.Judged.First(j => j.Link == LinkId.Hand).Why()}";
        return new(worth, verdict, limiting?.Link, says);
    }

    internal static TripPiece Piece(TripScores scores, Gear piece, double price) =>
        new(piece.Id, piece.Tag, piece.IsThere ? $"{piece.Tag} {piece.Name}" : scores.Pool.Asked[piece], piece.IsThere ? 0 : price);

    private static KitShort Short(TripScores scores, Kit kit, TripLimits limits)
    {
        TripPiece[] rods = [.. kit.Rods.Select(r => Piece(scores, scores.Pool.Rods[r], limits.RodPrice))];
        TripPiece[] lines = [.. kit.Wound.Select(w => Piece(scores, scores.Pool.Lines[w.Line], limits.LinePrice))];
        TripPiece[] under = [.. kit.Wound.Select(w => Piece(scores, scores.Pool.Reels[w.Reel], limits.ReelPrice))];
        var (served, value) = Sum(scores, kit);
        return new(rods, lines, under, served, value, rods.Concat(lines).Concat(under.Distinct()).Sum(p => p.Price));
    }

    // Days served, and the worth of all days, 0 to 1.
    private static (int Served, double Value) Sum(TripScores scores, Kit kit)
    {
        var (served, value, all) = (0, 0.0, scores.Days.Sum(d => d.Weight));
        for (var d = 0; d < scores.Days.Count; d++)
        {
            var best = 0.0;
            foreach (var r in kit.Rods)
            foreach (var w in kit.Wound)
                best = Math.Max(best, scores.At(d, r, w));
            served += DayWorth.Serves(best) ? scores.Days[d].Times : 0;
            value += scores.Days[d].Weight / all * best;
        }
        return (served, value);
    }

    private static IEnumerable<RodStep> Steps(TripScores scores, TripLimits limits, Pieces held, Func<TripLimits, Pieces, Kit?> best)
    {
        for (var n = Math.Max(1, held.Rods.Count); n <= limits.Rods + 1; n++)
            if (best(limits with { Rods = n }, held) is { } kit)
            {
                var (served, value) = Sum(scores, kit);
                yield return new(n, served, value);
            }
    }

    private static IEnumerable<LimitCost> CostsOf(
        TripScores scores,
        TripLimits limits,
        Pieces held,
        KitShort kit,
        Func<TripLimits, Pieces, Kit?> best
    )
    {
        List<(string Limit, string Says, TripLimits Without, Pieces Held)> tries =
        [
            ("rods", "a rod more", limits with { Rods = limits.Rods + 1 }, held),
            ("lines", "a spool more", limits with { Lines = limits.Lines + 1 }, held),
            ("reels", "a reel more", limits with { Reels = limits.Reels + 1 }, held),
        ];
        if (limits.MassKg is not null)
            tries.Add(("massKg", "no limit of weight", limits with { MassKg = null }, held));
        if (limits.TubeM is not null)
            tries.Add(("tubeM", "a longer tube", limits with { TubeM = null }, held));
        if (limits.Budget is > 0 and var budget)
            tries.Add(("budget", "twice the money", limits with { Budget = 2 * budget }, held));
        if (held.Rods.Count + held.Lines.Count + held.Reels.Count > 0)
            tries.Add(("held", "nothing packed yet", limits, Pieces.None));
        return tries
            .Select(t =>
            {
                if (best(t.Without, t.Held) is not { } other)
                    return null;
                var (served, value) = Sum(scores, other);
                Sentence says =
                    served > kit.Served
                        ? $"{t.Says}: {served - kit.Served} more {(served - kit.Served == 1 ? "day" : "days")} to fish"
                        : (Sentence)$"{t.Says}: no more days, but better ones";
                return new LimitCost(t.Limit, says, value - kit.Value);
            })
            .OfType<LimitCost>()
            .Where(c => c.Gain >= DayWorth.Felt)
            .OrderByDescending(c => c.Gain);
    }

    private static Sentence Describe(KitShort kit, Coverage coverage)
    {
        static string And(IEnumerable<TripPiece> pieces) => PlainText.And([.. pieces.Select(p => p.ToBuy ? $"a {p.Tag} to buy" : p.Tag)]);
        if (kit.Rods.Count == 0 || kit.Lines.Count == 0)
            return $"Nothing here serves any of these days";
        var misses = coverage.Of - coverage.Served;
        Sentence served = misses == 0 ? $"serve every day" : (Sentence)$"serve {coverage.Served} of {coverage.Of} days";
        return $"{And(kit.Rods)} with {And(kit.Lines)} {served}";
    }
}
