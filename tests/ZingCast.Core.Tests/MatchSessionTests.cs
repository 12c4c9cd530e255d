using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Matching;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>First decide, then tell: what is weighed up without a word is what the words then speak of.</summary>
public class MatchSessionTests
{
    private static readonly GearShed Loan = AnyBrief.Loan;

    private static Brief Skerries => Brief.Complete(Store.DemoGear.Briefs[0].Draft);

    private static MatchSession Session(Brief brief, GearShed shed, HashSet<string>? off = null) =>
        Matcher.For(brief, shed, off, TestContext.Current.CancellationToken);

    [Fact]
    public void What_is_told_is_what_was_decided()
    {
        foreach (var (draft, pins, off) in AnyBrief.Many(40))
        {
            var session = Session(Brief.Complete(draft), Loan, off);
            var choice = session.Choose(pins);
            var told = session.Explain(choice);
            Assert.Equal(choice.Score.Verdicts, told.Chain.Select(l => l.Verdict));
            Assert.Equal(choice.Score.Cost, told.Cost);
            Assert.Equal(choice.Score.Works, told.Chain.All(l => l.Verdict != Verdict.Fails));
            Assert.Same(choice.Outfit, told.Outfit);
        }
    }

    [Fact]
    public void A_session_gives_the_same_answer_however_much_was_asked_of_it_before()
    {
        var session = Session(Skerries, Loan);
        var first = session.Choose();
        foreach (var rod in Loan.Rods.Where(r => r.Class is not null))
            session.Score(rod, Loan.Lines[9], Loan.Reels[4]);
        var again = session.Choose();
        Assert.Equal(first.Score.Cost, again.Score.Cost);
        Assert.Equal(first.Outfit.ReachM, again.Outfit.ReachM);
        Assert.Equal((first.Outfit.Rod, first.Outfit.Line, first.Outfit.Reel), (again.Outfit.Rod, again.Outfit.Line, again.Outfit.Reel));
    }

    [Fact]
    public void The_outfit_chosen_scores_what_it_scores_when_asked_for_by_name()
    {
        var session = Session(Skerries, Loan);
        var choice = session.Choose();
        var score = session.Score(choice.Outfit.Rod, choice.Outfit.Line, choice.Outfit.Reel);
        Assert.Equal(choice.Score.Cost, score.Cost, 9);
        Assert.Equal(choice.Score.Verdicts, score.Verdicts);
    }

    // Nothing in the shed does the day at less cost than what was chosen, give or take what a head is let off for getting there.
    [Fact]
    public void No_rod_and_line_of_the_shed_beat_the_pair_that_was_chosen()
    {
        var session = Session(Skerries, Loan);
        var choice = session.Choose();
        var best = Loan
            .Rods.Where(r => r.Class is not null)
            .SelectMany(r => Loan.Lines.Where(l => l.MassKg is not null).Select(l => session.Score(r, l, choice.Outfit.Reel)))
            .Where(s => s.Works)
            .Min(s => s.Cost);
        Assert.InRange(choice.Score.Cost, best, best + 1.5);
    }

    [Fact]
    public void An_outfit_that_cannot_carry_the_fly_scores_as_failing()
    {
        var giant = Brief.Complete(new() { FlyKind = "giant", Species = "giant-esox" });
        var score = Session(giant, Loan).Score(Loan.Rods[0], Loan.Lines[0], Loan.Reels[0]);
        Assert.False(score.Works);
        Assert.True(score.Cost > 10);
    }

    [Fact]
    public void With_an_empty_shed_the_choice_is_a_specification_and_costs_next_to_nothing()
    {
        var choice = Session(Skerries, GearShed.Empty).Choose();
        Assert.Equal((0, 0, 0), (choice.Outfit.Rod.Id, choice.Outfit.Line.Id, choice.Outfit.Reel.Id));
        Assert.InRange(choice.Score.Cost, 0, 3);
    }

    // Two leaders of one length and one tippet turn over differently when one is all butt and the other all tippet.
    [Fact]
    public void Leaders_alike_in_length_and_tippet_are_two_leaders_when_their_pieces_differ()
    {
        var stiff = new Leader([new(LeaderPart.Butt, 2.4, .0006, .0006), new(LeaderPart.Tippet, .6, .0003, .0003)]);
        var soft = new Leader([new(LeaderPart.Butt, .6, .0006, .0006), new(LeaderPart.Tippet, 2.4, .0003, .0003)]);
        Assert.NotEqual(stiff, soft);
        Assert.Equal(stiff, new Leader([.. stiff.Pieces]));
        Assert.Equal(stiff.GetHashCode(), new Leader([.. stiff.Pieces]).GetHashCode());
        var casts = new CastCache(Skerries);
        var (rod, line) = (Loan.Rods[5], Loan.Lines[7]);
        Assert.NotEqual(casts.Reach(rod, line, stiff)!.Farthest.ReachM, casts.Reach(rod, line, soft)!.Farthest.ReachM);
        Assert.Same(casts.Reach(rod, line, stiff), casts.Reach(rod, line, new([.. stiff.Pieces])));
    }

    [Fact]
    public void A_session_that_is_called_off_stops()
    {
        using var stop = new CancellationTokenSource();
        var session = Matcher.For(Skerries, Loan, cancel: stop.Token);
        stop.Cancel();
        Assert.ThrowsAny<OperationCanceledException>(() => session.Choose());
    }
}
