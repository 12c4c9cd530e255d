using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reference;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>The rules tell the truth about themselves: what is in the book is written, and what is written is in the book.</summary>
public class RuleBookTests
{
    private static readonly IReadOnlyList<Solution> Answers =
    [
        .. AnyBrief.Many(Explore.Times(120)).Select(b => Matcher.Solve(Brief.Complete(b.Draft), AnyBrief.Loan, b.Pins, b.Off)),
    ];

    [Fact]
    public void Every_rule_that_writes_a_step_is_in_the_book_and_every_rule_in_the_book_writes_one()
    {
        var written = Answers.SelectMany(a => a.Ledger).Select(s => s.Rule).ToHashSet();
        Assert.Empty(written.Except(Rules.All).Select(r => r.Id));
        Assert.Empty(Rules.All.Except(written).Select(r => r.Id));
    }

    [Fact]
    public void Every_rule_declared_is_in_the_book()
    {
        var declared = typeof(Rules).GetFields().Select(f => f.GetValue(null)).OfType<Rule>().ToList();
        Assert.Equal(declared.Count, Rules.All.Count);
        Assert.Empty(declared.Except(Rules.All).Select(r => r.Id));
    }

    [Fact]
    public void No_rule_writes_twice_in_one_ledger() =>
        Assert.All(Answers, a => Assert.Equal(a.Ledger.Count, a.Ledger.Select(s => s.Rule.Id).Distinct().Count()));

    [Fact]
    public void Every_rule_says_what_it_is_in_a_sentence_and_how_far_to_trust_it()
    {
        Assert.Equal(Rules.All.Count, Rules.All.Select(r => r.Id).Distinct().Count());
        Assert.All(
            Rules.All,
            r =>
            {
                Assert.Matches("^[a-z]+\\.[a-z-]+$", r.Id);
                Assert.EndsWith(".", r.Explains, StringComparison.Ordinal);
                Assert.NotEmpty(r.Source.Note);
                Assert.True(Enum.IsDefined(r.Link));
            }
        );
    }

    [Fact]
    public void Every_step_says_something_with_its_inputs_named_once()
    {
        foreach (var step in Answers.SelectMany(a => a.Ledger))
        {
            Assert.NotEmpty(step.Says.ToString());
            Assert.Equal(step.Inputs.Count, step.Inputs.Select(i => i.Name).Distinct().Count());
            Assert.True(step.Figure.Word is not null || step.Figure.Quantity is { } q && double.IsFinite(q.Value), step.Rule.Id);
        }
    }

    // A reader is told what a number is: a class says so, a share has a name, a fly's bulk is a word.
    [Fact]
    public void No_figure_is_a_bare_number()
    {
        var figures = Answers.SelectMany(a =>
            a.Ledger.Select(s => s.Figure)
                .Concat(a.Chain.Select(l => l.Figure))
                .Concat(a.Ledger.SelectMany(s => s.Inputs).Select(i => i.Figure))
        );
        foreach (var figure in figures)
            if (figure.Quantity is { Kind: Kind.Ratio or Kind.LineClass or Kind.Area })
                Assert.True(figure.Name is not null || figure.Word is not null, figure.ToString());
        // Nobody has a class 0 to look for.
        foreach (var says in Answers.SelectMany(a => a.Ledger.Select(s => s.Says).Concat(a.Chain.Select(l => l.Why))))
            Assert.DoesNotContain(says.Parts, p => p.Quantity is { Kind: Kind.LineClass, Value: 0 });
    }

    [Fact]
    public void Every_trade_word_is_explained_once()
    {
        var words = Glossary.All.SelectMany(t => t.Words).ToList();
        Assert.Equal(words.Count, words.Distinct().Count());
        Assert.Equal(Glossary.All.Count, Glossary.All.Select(t => t.Id).Distinct().Count());
        Assert.All(Glossary.All, t => Assert.EndsWith(".", t.Means, StringComparison.Ordinal));
    }

    [Fact]
    public void What_is_left_out_is_marked_so_and_moves_nothing()
    {
        var off = Answers.SelectMany(a => a.Ledger).Where(s => s.Off).ToList();
        Assert.NotEmpty(off);
        Assert.All(off, s => Assert.True(s.Rule.CanSwitchOff && s.From == s.To));
    }

    // Each step begins at the class the one before it left.
    [Fact]
    public void The_running_class_goes_through_the_ledger_without_a_gap()
    {
        foreach (var answer in Answers)
        {
            var moves = answer.Ledger.Where(s => s.To is not null && s.Rule != Rules.FishFirst).ToList();
            for (var i = 1; i < moves.Count; i++)
                if (moves[i].Rule != Rules.Lean)
                    Assert.Equal(moves[i - 1].To, moves[i].From);
            Assert.Equal(answer.Class.Target, moves[^1].To);
        }
    }

    // Whoever pins what a reason came to keeps what was chosen.
    [Fact]
    public void A_pin_offered_by_a_reason_holds_what_the_reason_came_to()
    {
        foreach (var (draft, _, _) in AnyBrief.Many(Explore.Times(6), seed: 21))
        {
            var brief = Brief.Complete(draft);
            var free = Matcher.Solve(brief, AnyBrief.Loan, cancel: TestContext.Current.CancellationToken);
            foreach (var step in free.Ledger.Where(s => s.Pin is not null))
            {
                Assert.Empty(step.Pin!.Check(AnyBrief.Loan));
                var pinned = Matcher.Solve(brief, AnyBrief.Loan, step.Pin, cancel: TestContext.Current.CancellationToken);
                Assert.True(pinned.Chain[(int)step.Rule.Link - 1].Pinned, step.Rule.Id);
                if (step.Pin.Rod is { } rod)
                    Assert.Equal(rod, pinned.Outfit.Rod.Id);
                if (step.Pin.TippetM is { } tippet)
                    Assert.Equal(tippet, pinned.Outfit.Leader.TippetM);
                if (step.Pin.Reel is { } reel)
                    Assert.Equal(reel, pinned.Outfit.Reel.Id);
            }
        }
    }

    private static string Here([CallerFilePath] string path = "") => path;

    // The rule of CONTRIBUTING's “Add a rule”, step by step. The page shows these very lines.
    private static readonly Rule Moonlight = new(
        "class.moonlight",
        LinkId.Rod,
        "By moonlight",
        "Under a bright moon fish see the line: half a class down.",
        Source.Practice,
        CanSwitchOff: true
    );

    private static double ByMoonlight(bool moon, double c, LedgerBook book) =>
        moon
            ? book.Move(
                Moonlight,
                c,
                c - .5,
                () => new(default, $"A bright moon: {Quantity.Class(c - .5)} lands softer", [new("moon", "bright")])
            )
            : c;

    [Fact]
    public void A_rule_added_by_the_book_writes_its_step_moves_the_class_and_can_be_left_out()
    {
        var book = new LedgerBook(new HashSet<string>());
        Assert.Equal(5.5, ByMoonlight(true, 6, book));
        Assert.Equal(6, ByMoonlight(false, 6, book));
        var step = Assert.Single(book.Write());
        Assert.Equal((6, 5.5, false), (step.From, step.To, step.Off));
        Assert.Equal("A bright moon: 5.5 lands softer", step.Says.ToString());
        Assert.Equal(5.5, step.Pin!.RodClass);

        var without = new LedgerBook(new HashSet<string> { Moonlight.Id });
        Assert.Equal(6, ByMoonlight(true, 6, without));
        Assert.True(Assert.Single(without.Write()).Off);
    }

    [Fact]
    public void What_the_page_on_adding_a_rule_shows_is_what_stands_here_and_the_files_it_names_are_there()
    {
        var root = Path.Combine(Path.GetDirectoryName(Here())!, "..", "..");
        var page = File.ReadAllText(Path.Combine(root, "CONTRIBUTING.md"));
        var section = page[
            page.IndexOf("## Add a rule", StringComparison.Ordinal)..page.IndexOf("## Add a table", StringComparison.Ordinal)
        ];
        static string Bare(string text) => Regex.Replace(text, "\\s+", "");
        var code = Regex.Match(section, "```csharp\n(.*?)```", RegexOptions.Singleline).Groups[1].Value;
        Assert.NotEmpty(code);
        Assert.Contains(Bare(code), Bare(File.ReadAllText(Here())), StringComparison.Ordinal);
        var files = Regex.Matches(section, "`((?:src|tests)/[^`]+\\.cs)`").Select(m => m.Groups[1].Value).ToList();
        Assert.NotEmpty(files);
        Assert.All(files, f => Assert.True(File.Exists(Path.Combine(root, f)), f));
    }
}
