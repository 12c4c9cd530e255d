using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Trips;

/// <summary>A single piece that, bought, would serve days that nothing here serves.</summary>
/// <param name="Kind">The link it is.</param>
/// <param name="Piece">The piece, with what to ask for.</param>
/// <param name="Serves">Names of the days it opens.</param>
/// <param name="Days">How many days they are.</param>
/// <param name="Gain">What is gained of all days, 0 to 1.</param>
/// <param name="Affordable">It is within what may be spent.</param>
public sealed record Purchase(LinkId Kind, TripPiece Piece, IReadOnlyList<string> Serves, int Days, double Gain, bool Affordable);

/// <summary>What the shed can do for the days there are, what is missing, and what to buy.</summary>
/// <param name="Coverage">Of everything here the outfit that is best for each day, and how it would do on the others.</param>
/// <param name="Purchases">Single pieces worth buying, the one that opens most days first.</param>
/// <param name="Money">Where the money belongs, from how the fish of each day run; by name.</param>
/// <param name="Checklist">What to look at before buying.</param>
/// <param name="LeftOut">Pieces that were left out, and why.</param>
/// <param name="Says">The answer in a sentence.</param>
public sealed record ShedReview(
    Coverage Coverage,
    IReadOnlyList<Purchase> Purchases,
    IReadOnlyList<Remark> Money,
    IReadOnlyList<InspectionPoint> Checklist,
    IReadOnlyList<Remark> LeftOut,
    Sentence Says
)
{
    /// <summary>Of scores whose pool holds what might be bought. <paramref name="limits"/> says what may be spent, and prices.</summary>
    public static ShedReview Of(TripScores scores, TripLimits limits)
    {
        var pool = scores.Pool;
        int[] Here(IReadOnlyList<Gear> pieces) => [.. Enumerable.Range(0, pieces.Count).Where(i => pieces[i].IsThere)];
        var (rods, lines, reels) = (Here(pool.Rods), Here(pool.Lines), Here(pool.Reels));
        (int Rod, Wound On)? Best(int day, int[] ofRods, int[] ofLines, int[] ofReels)
        {
            var (most, best) = (0.0, ((int, Wound)?)null);
            foreach (var r in ofRods)
            foreach (var l in ofLines)
                if (scores.Worth.Best(day, r, l) > most)
                    foreach (var e in ofReels)
                        if (scores.At(day, r, new(l, e)) is var worth && worth > most)
                            (most, best) = (worth, (r, new(l, e)));
            return best;
        }
        double Worthy(int day, (int Rod, Wound On)? o) => o is { } at ? scores.At(day, at.Rod, at.On) : 0;

        var days = Enumerable.Range(0, scores.Days.Count).ToList();
        var own = days.Select(d => Best(d, rods, lines, reels)).ToList();
        var all = scores.Days.Sum(d => d.Weight);
        Purchase Bought(LinkId kind, Gear piece, double price, int[] ofRods, int[] ofLines, int[] ofReels)
        {
            var with = days.Select(d => (Before: Worthy(d, own[d]), After: Worthy(d, Best(d, ofRods, ofLines, ofReels)))).ToList();
            var opens = days.Where(d => DayWorth.Serves(with[d].After) && !DayWorth.Serves(with[d].Before)).ToList();
            return new(
                kind,
                TripPlan.Piece(scores, piece, price),
                [.. opens.Select(d => scores.Days[d].Name)],
                opens.Sum(d => scores.Days[d].Times),
                days.Sum(d => Math.Max(0, with[d].After - with[d].Before) * scores.Days[d].Weight / all),
                limits.Budget is not { } budget || price <= budget
            );
        }
        int[] ToBuy(IReadOnlyList<Gear> pieces) => [.. Enumerable.Range(0, pieces.Count).Where(i => !pieces[i].IsThere)];
        List<Purchase> buys =
        [
            .. ToBuy(pool.Rods).Select(r => Bought(LinkId.Rod, pool.Rods[r], limits.RodPrice, [r], lines, reels)),
            .. ToBuy(pool.Lines).Select(l => Bought(LinkId.Head, pool.Lines[l], limits.LinePrice, rods, [l], reels)),
            .. ToBuy(pool.Reels).Select(e => Bought(LinkId.Reel, pool.Reels[e], limits.ReelPrice, rods, lines, [e])),
        ];
        var coverage = TripPlan.Covering(scores, own, limits);
        return new(
            coverage,
            [
                .. buys.Where(b => b.Gain >= DayWorth.Felt)
                    .OrderByDescending(b => b.Affordable)
                    .ThenByDescending(b => b.Days)
                    .ThenByDescending(b => b.Gain),
            ],
            [.. days.Select(d => MoneyOf(scores, d)).OfType<Remark>()],
            Inspection.Checklist,
            pool.LeftOut,
            scores.Days.Count == 0 ? (Sentence)$"No brief is kept yet"
                : coverage.Outfits.Count == 0 ? (Sentence)$"Nothing here serves any of these days"
                : coverage.Served == coverage.Of ? (Sentence)$"What is here serves every day"
                : $"What is here serves {coverage.Served} of {coverage.Of} days"
        );
    }

    private static Remark? MoneyOf(TripScores scores, int day)
    {
        var session = scores.Session(day);
        var money = session.Explain(session.Choose()).Ledger.FirstOrDefault(s => s.Rule.Id == Rules.Money.Id);
        return money is null ? null : new($"{scores.Days[day].Name}: {money.Says}");
    }
}
