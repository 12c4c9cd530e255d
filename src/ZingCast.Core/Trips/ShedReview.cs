using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Trips;

/// <summary>One piece to buy that would serve days nothing in the shed serves.</summary>
/// <param name="Kind">The link it is.</param>
/// <param name="Piece">The piece, with what to ask for.</param>
/// <param name="Serves">Names of the days it opens.</param>
/// <param name="Days">How many days they are.</param>
/// <param name="Gain">What is gained of all days, 0 to 1.</param>
/// <param name="Affordable">It is within what may be spent.</param>
public sealed record Purchase(LinkId Kind, TripPiece Piece, IReadOnlyList<string> Serves, int Days, double Gain, bool Affordable);

/// <summary>A piece of the shed to measure, at no cost, before anything is bought.</summary>
/// <param name="Kind">The link it is.</param>
/// <param name="Id">The piece.</param>
/// <param name="Says">What is not known of it.</param>
public sealed record MeasureFirst(LinkId Kind, int Id, Sentence Says);

/// <summary>
/// What the shed can do for the given days, what is missing, and what to buy; every page that recommends a purchase uses it.
/// </summary>
/// <param name="Coverage">Of everything here the outfit that is best for each day, and how it would do on the others.</param>
/// <param name="Measure">What to measure before anything is bought.</param>
/// <param name="Purchases">Single pieces worth buying, the one that opens most days first.</param>
/// <param name="Money">Where the money belongs, from how the fish of each day run; by name.</param>
/// <param name="Checklist">What to look at before buying.</param>
/// <param name="LeftOut">Pieces that were left out, and why.</param>
/// <param name="Says">The answer in a sentence.</param>
/// <param name="Searching">These are the best so far; null where nothing is better.</param>
public sealed record ShedReview(
    Coverage Coverage,
    IReadOnlyList<MeasureFirst> Measure,
    IReadOnlyList<Purchase> Purchases,
    IReadOnlyList<Remark> Money,
    IReadOnlyList<InspectionPoint> Checklist,
    IReadOnlyList<Remark> LeftOut,
    Sentence Says,
    StillSearching? Searching = null
)
{
    // Outfits simulated per day before the first report; each further report follows four times as many.
    private const int FirstLooks = 16;

    /// <summary>
    /// For scores whose pool includes pieces to buy. <paramref name="limits"/> gives budget and prices; <paramref name="soFar"/> receives
    /// interim results.
    /// </summary>
    public static ShedReview From(TripScores scores, TripLimits limits, Action<ShedReview>? soFar = null)
    {
        var (pool, days) = (scores.Pool, scores.Days);
        int[] Here(IReadOnlyList<Gear> pieces) => [.. Enumerable.Range(0, pieces.Count).Where(i => pieces[i].IsThere)];
        var (rods, lines, reels) = (Here(pool.Rods), Here(pool.Lines), Here(pool.Reels));
        var all = days.Sum(d => d.Weight);
        double Sum(DayBest[] bests, Func<DayBest, double> of) => bests.Index().Sum(d => of(d.Item) * days[d.Index].Weight / all);
        DayBest[] own;
        for (var most = FirstLooks; ; most *= 4)
        {
            own = scores.BestOf(rods, lines, reels, soFar is null ? int.MaxValue : most);
            if (own.All(d => d.AtMost <= d.Worth))
                break;
            soFar?.Invoke(
                From(scores, limits, own, []) with
                {
                    Searching = StillSearching.From(Sum(own, d => d.Worth), Sum(own, d => d.AtMost), scores.Worth),
                }
            );
        }
        List<Purchase> found = [];
        ShedReview Now() =>
            From(
                scores,
                limits,
                own,
                [.. found.OrderByDescending(b => b.Affordable).ThenByDescending(b => b.Days).ThenByDescending(b => b.Gain)]
            );
        double Gain(DayBest[] with, Func<DayBest, double> of) =>
            own.Zip(with).Index().Sum(d => Math.Max(0, of(d.Item.Second) - d.Item.First.Worth) * days[d.Index].Weight / all);
        void Try(LinkId kind, Gear piece, double price, int[] ofRods, int[] ofLines, int[] ofReels)
        {
            // A purchase whose upper bound is negligible needs no simulation.
            if (Gain(scores.BestOf(ofRods, ofLines, ofReels, 0), d => d.AtMost) < DayWorth.Felt)
                return;
            soFar?.Invoke(Now() with { Searching = new(0, scores.Worth.Known) });
            var with = scores.BestOf(ofRods, ofLines, ofReels, int.MaxValue);
            if (Gain(with, d => d.Worth) is not (>= DayWorth.Felt and var gain))
                return;
            var opens = own.Index().Where(d => DayWorth.Serves(with[d.Index].Worth) && !DayWorth.Serves(d.Item.Worth)).ToList();
            found.Add(
                new(
                    kind,
                    TripPlan.Piece(scores, piece, price),
                    [.. opens.Select(d => days[d.Index].Name)],
                    opens.Sum(d => days[d.Index].Times),
                    gain,
                    limits.Budget is not { } budget || price <= budget
                )
            );
        }
        IEnumerable<int> ToBuy(IReadOnlyList<Gear> pieces) => Enumerable.Range(0, pieces.Count).Where(i => !pieces[i].IsThere);
        foreach (var r in ToBuy(pool.Rods))
            Try(LinkId.Rod, pool.Rods[r], limits.RodPrice, [r], lines, reels);
        foreach (var l in ToBuy(pool.Lines))
            Try(LinkId.Head, pool.Lines[l], limits.LinePrice, rods, [l], reels);
        foreach (var e in ToBuy(pool.Reels))
            Try(LinkId.Reel, pool.Reels[e], limits.ReelPrice, rods, lines, [e]);
        return Now();
    }

    private static ShedReview From(TripScores scores, TripLimits limits, DayBest[] own, IReadOnlyList<Purchase> purchases)
    {
        var coverage = TripPlan.Covering(scores, [.. own.Select(d => d.Outfit)], limits);
        return new(
            coverage,
            [.. ToMeasure(scores, own)],
            purchases,
            [.. own.Select((best, d) => MoneyOf(scores, d, best)).OfType<Remark>()],
            Inspection.Checklist,
            scores.Pool.LeftOut,
            scores.Days.Count == 0 ? (Sentence)$"No brief is kept yet"
                : coverage.Outfits.Count == 0 ? (Sentence)$"Nothing here serves any of these days"
                : coverage.Served == coverage.Of ? (Sentence)$"What is here serves every day"
                : $"What is here serves {coverage.Served} of {coverage.Of} days"
        );
    }

    // Pieces left out because something is unknown, and rods of these days known only by their label.
    private static IEnumerable<MeasureFirst> ToMeasure(TripScores scores, DayBest[] own)
    {
        foreach (var line in scores.Shed.Lines.Where(l => l is { MassKg: null, Condition: not Condition.Mend }))
            yield return new(LinkId.Head, line.Id, $"{line.Tag} {line.Name}: weigh it, it may be the line you are looking for");
        foreach (var rod in scores.Shed.Rods.Where(r => r is { Class: null, Condition: not Condition.Mend }))
            yield return new(LinkId.Rod, rod.Id, $"{rod.Tag} {rod.Name}: bend it over a scale, nobody knows its class");
        foreach (var r in own.Select(d => d.Outfit?.Rod).OfType<int>().Distinct())
            if (scores.Pool.Rods[r] is { MeasuredClass: null, Class: { } label } rod)
                yield return new(
                    LinkId.Rod,
                    rod.Id,
                    $"{rod.Tag} {rod.Name}: bend it over a scale, the {Quantity.Class(label)} on it is what its maker says"
                );
    }

    // From the run of the day's fish on its best outfit, or, without one, on what would have to be bought.
    private static Remark? MoneyOf(TripScores scores, int day, DayBest best)
    {
        var session = scores.Session(day);
        var choice = best.Outfit is var (rod, on)
            ? scores.ChoiceFor(day, rod, on)
            : Matcher.For(session.Brief with { Owned = Owned.Any }).Choose();
        var money = session.Explain(choice).Ledger.FirstOrDefault(s => s.Rule.Id == Rules.Money.Id);
        return money is null ? null : new($"{scores.Days[day].Name}: {money.Says}");
    }
}
