using System.Globalization;
using System.Runtime.CompilerServices;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Trips;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

/// <summary>
/// Sixty days thrown with dice, and what they come to: every rule's figure, every verdict, what the choice costs and what other pieces of
/// the loan shed would. A trip, packed; first outfits, bought. They are no facts of the trade: they show what moves when a rule does.
/// Written anew by <c>ZING_WRITE=1 ./zing test core as_before</c>: read the difference before it is committed.
/// </summary>
public class WorkedAnswersTests
{
    private static string Said(Quantity? quantity, string? word) =>
        quantity is { } q ? q.Value.ToString("G5", CultureInfo.InvariantCulture) : word ?? "";

    private static string Answer(BriefDraft draft, Pins pins, HashSet<string> off, int n)
    {
        var brief = Brief.Complete(draft);
        var session = Matcher.For(brief, n % 2 == 0 ? AnyBrief.Loan : GearShed.Empty, off, TestContext.Current.CancellationToken);
        var choice = session.Choose(n % 2 == 0 ? pins : null);
        var solution = session.Explain(choice);
        var rules = solution.Ledger.Select(s => $"{s.Rule.Id}={Said(s.Figure.Quantity, s.Figure.Word)}{(s.Off ? "(off)" : "")}");
        var links = solution.Chain.Select(l => $"{l.Id}:{l.Verdict.ToString()[..2]}");
        var loan = AnyBrief.Loan;
        T Any<T>(IReadOnlyList<T> all, int step) => all[(n * step + 1) % all.Count];
        var others = Enumerable
            .Range(1, 3)
            .Select(k => session.Score(Any(loan.Rods, k), Any(loan.Lines, 2 * k + 1), Any(loan.Reels, 3 * k)).Cost)
            .Prepend(choice.Score.Cost)
            .Select(cost => cost.ToString("0.0000", CultureInfo.InvariantCulture));
        return $"{n}: costs {string.Join(" ", others)} · {string.Join(" ", links)} · {string.Join(" ", rules)} · "
            + string.Join("; ", solution.Cautions.Select(c => c.Id + (c.Urgent ? "!" : "")));
    }

    // Numbers to five figures; sentences as they are.
    private static string Line(string name, params object?[] parts) =>
        $"{name}: "
        + string.Join(
            " · ",
            parts.Select(p =>
                p is double d ? d.ToString("G5", CultureInfo.InvariantCulture) : Convert.ToString(p, CultureInfo.InvariantCulture)
            )
        );

    private static IEnumerable<string> Trip()
    {
        var loan = AnyBrief.Loan;
        TripDay[] days = [.. DemoGear.Briefs.Select(b => new TripDay(b.Name, Brief.Complete(b.Draft)))];
        var scores = TripScores.For(days, TripPool.From(loan), loan);
        foreach (
            var limits in new TripLimits[]
            {
                new(),
                new() { Rods = 1 },
                new() { Rods = 4, Budget = 700 },
            }
        )
        {
            var plan = TripPlan.For(scores, limits);
            var pack = PackingList.For(scores, plan, new(2027, 5, 8));
            yield return Line("trip", limits.Rods, limits.Budget, plan.Says, plan.MassKg, plan.Kit!.Value, plan.Kit.Served, plan.Kit.Price);
            foreach (var kit in plan.Others.Prepend(plan.Kit))
                yield return Line(" kit", [kit.Value, .. kit.Rods.Concat(kit.Lines).Concat(kit.Reels).Select(p => p.Says)]);
            foreach (var rods in plan.Rods)
                yield return Line(" rods", rods.Rods, rods.Served, rods.Value);
            foreach (var group in pack.Groups)
                yield return Line($" {group.Name}", [.. group.Items.Select(i => i.Says)]);
            foreach (var task in pack.Tasks)
                yield return Line(" task", task.On?.ToString("O", CultureInfo.InvariantCulture), task.Before, task.Says);
            foreach (var spool in pack.Spools)
                yield return Line(" spool", spool.Minutes, spool.Backing, spool.BackingM, spool.Says);
            foreach (var spool in pack.Tying.Spools)
                yield return Line(" tying", spool.Tag, spool.UsedM);
            yield return Line(" mind", [.. pack.Mind.Concat(plan.LeftOut).Select(m => m.Says)]);
        }
    }

    private static IEnumerable<string> First(params string[] fish)
    {
        var first = FirstOutfit.For(new(fish), TestContext.Current.CancellationToken);
        yield return Line($"first for {string.Join(' ', fish)}", first.Says, first.Trade.Usual, first.Trade.Why, first.Money.Says);
        foreach (var line in first.Shopping)
            yield return Line($" {line.Name}", line.Says, line.Small);
        foreach (var reach in first.Reach)
            yield return Line(" reach", reach.Name, reach.Wanted.Value, reach.Reach.Value, reach.Says);
        yield return Line(" flies", [.. first.Flies.Select(f => $"{f.Title} {f.Says}")]);
        yield return Line(" next", [.. first.Next.Select(n => n.Says)]);
    }

    // What may be spent, and what it goes into.
    private static IEnumerable<string> Money() =>
        from reelFirst in new[] { false, true }
        from budget in Enumerable.Range(0, 37).Select(i => i == 0 ? (double?)null : 50 + 25 * i)
        let money = FirstMoney.For(budget, reelFirst)
        select Line(
            reelFirst ? "reel first" : "rod first",
            [budget, money.Says, .. money.Costs.Select(c => $"{c.Name} {c.Grade} {c.Price}")]
        );

    [Fact]
    public void Sixty_days_are_answered_as_before() =>
        AsBefore("WorkedAnswers.txt", AnyBrief.Many(60, seed: 11).Select((b, n) => Answer(b.Draft, b.Pins, b.Off, n)));

    [Fact]
    public void A_trip_is_packed_and_first_outfits_are_bought_as_before() =>
        AsBefore(
            "WorkedTrips.txt",
            [
                .. Trip(),
                .. First("river-trout", "grayling"),
                .. First("sea-bass", "mullet"),
                .. First("pike", "perch", "bonefish"),
                .. First("lake-trout"),
                .. Money(),
            ]
        );

    private static void AsBefore(string name, IEnumerable<string> lines)
    {
        string[] now = [.. lines];
        if (Environment.GetEnvironmentVariable("ZING_WRITE") == "1")
        {
            File.WriteAllLines(Path.Combine(Path.GetDirectoryName(Here())!, name), now);
            return;
        }
        var before = File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, name));
        Assert.Equal(before.Length, now.Length);
        var moved = now.Where((line, i) => line != before[i]).ToList();
        Assert.True(moved.Count == 0, $"{moved.Count} of {now.Length} lines of {name} moved:\n{string.Join("\n", moved.Take(5))}");
    }

    private static string Here([CallerFilePath] string path = "") => path;
}
