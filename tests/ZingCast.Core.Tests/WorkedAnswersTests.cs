using System.Globalization;
using System.Runtime.CompilerServices;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;

namespace ZingCast.Core.Tests;

/// <summary>
/// Sixty days thrown with dice, and what they come to: every rule's figure, every verdict, what the choice costs and what other pieces of
/// the loan shed would. They are no facts of the trade; they show which answers move when a rule does. Written anew by
/// <c>ZING_WRITE=1 ./zing test core Sixty_days</c>: read the difference before it is committed.
/// </summary>
public class WorkedAnswersTests
{
    private const string Name = "WorkedAnswers.txt";

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

    [Fact]
    public void Sixty_days_are_answered_as_before()
    {
        string[] now = [.. AnyBrief.Many(60, seed: 11).Select((b, n) => Answer(b.Draft, b.Pins, b.Off, n))];
        if (Environment.GetEnvironmentVariable("ZING_WRITE") == "1")
        {
            File.WriteAllLines(Path.Combine(Path.GetDirectoryName(Here())!, Name), now);
            return;
        }
        var before = File.ReadAllLines(Path.Combine(AppContext.BaseDirectory, Name));
        var moved = now.Where((line, i) => i >= before.Length || line != before[i]).ToList();
        Assert.True(moved.Count == 0, $"{moved.Count} of {now.Length} answers moved:\n{string.Join("\n", moved.Take(5))}");
    }

    private static string Here([CallerFilePath] string path = "") => path;
}
