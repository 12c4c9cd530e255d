using System.Globalization;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Trips;

/// <summary>Price of one item of a first outfit.</summary>
/// <param name="Name">The thing.</param>
/// <param name="Grade">How good a one.</param>
/// <param name="Price">In the owner's currency.</param>
public sealed record FirstCost(string Name, string Grade, double Price);

/// <summary>Cost of a first outfit against the budget. Prices are our examples.</summary>
/// <param name="Costs">Thing by thing.</param>
/// <param name="Total">All together.</param>
/// <param name="Budget">What may be spent; null for no matter.</param>
/// <param name="Says">It in a sentence.</param>
public sealed record FirstMoney(IReadOnlyList<FirstCost> Costs, double Total, double? Budget, Sentence Says)
{
    private static readonly string[] Grades = ["plain", "good", "fine"];

    // A rod, a line and a reel of each grade; leader, tippet, backing and a dozen flies together.
    private static readonly double[] Rods = [90, 200, 400],
        Lines = [40, 60, 90],
        Reels = [50, 120, 280];
    private const double Small = 45;

    // The grade taken when there is no budget.
    private const int Good = 1;

    /// <summary>
    /// What to spend on: first a better line, which shows in every cast; then the rod, or the reel if the fish calls for one.
    /// </summary>
    public static FirstMoney For(double? budget, bool reelFirst)
    {
        double[][] order = reelFirst ? [Lines, Reels, Rods] : [Lines, Rods, Reels];
        var grades = order.ToDictionary(prices => prices, _ => budget is null ? Good : 0);
        double Sum() => Small + order.Sum(prices => prices[grades[prices]]);
        // Upgrade one item after the other as far as the money goes, then start on the next grade.
        for (var grade = Good; budget is { } most && grade < Grades.Length; grade++)
            foreach (var prices in order)
                if (Sum() + prices[grade] - prices[grades[prices]] <= most)
                    grades[prices] = grade;
        FirstCost Cost(string name, double[] prices) => new(name, Grades[grades[prices]], prices[grades[prices]]);
        var total = Sum();
        Sentence says = (budget, total) switch
        {
            (null, _) => $"About {Money(total)} for good ones. Spend on the line first, then the {(reelFirst ? "reel" : "rod")}",
            ({ } may, _) when total > may => (Sentence)
                $"About {Money(total)} at the least, {Money(total - may)} more than may be spent. Borrow the reel, or buy it used",
            ({ } may, _) when total < may =>
                $"About {Money(total)} of {Money(may)}; {Money(may - total)} is left, for an hour with an instructor",
            _ => $"About {Money(total)}, all that may be spent",
        };
        return new(
            [Cost("rod", Rods), Cost("line", Lines), Cost("reel", Reels), new("backing, leader, tippet, flies", "", Small)],
            total,
            budget,
            says
        );
    }

    private static string Money(double sum) => sum.ToString("0", CultureInfo.InvariantCulture);
}
