using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Matching;
using ZingCast.Core.Rigging;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

// Knots as they are drawn, and an outfit put together in order.
public class RiggingTests
{
    public static TheoryData<string> Drawn => [.. KnotLessons.Rows.Select(l => l.Id)];

    [Fact]
    public void Every_knot_that_is_spoken_of_is_drawn() => Assert.Equal(Knots.Rows.Select(k => k.Id), KnotLessons.Rows.Select(l => l.Id));

    // Over and under must be unmistakable: what crosses lies apart by a good part of a strand, and nothing leaves the sheet but long ends.
    [Theory]
    [MemberData(nameof(Drawn))]
    public void Strands_that_cross_lie_one_clearly_above_the_other_and_stay_on_the_sheet(string id)
    {
        var lesson = KnotLessons.Get(id);
        Assert.InRange(lesson.Steps.Count, 3, 6);
        Assert.All(
            lesson.Steps,
            step =>
            {
                Assert.All(step.Crossings, c => Assert.True(c.Gap > 4, $"{step.Says} at {c.X:0},{c.Y:0}: {c.Gap:0.0}"));
                Assert.All(
                    step.Strands.SelectMany(s => s.Points),
                    p => Assert.True(p.X is >= -1 and <= 641 && p.Y is >= 0 and <= 301, $"{step.Says} {p}")
                );
                Assert.InRange(step.Says.Length, 20, 130);
            }
        );
        // In all but the last step somebody leads an end.
        Assert.All(lesson.Steps.SkipLast(1), step => Assert.Contains(step.Strands, s => s.Role == StrandRole.Working));
        // Nearest to the eye is drawn last.
        Assert.All(lesson.Steps, step => Assert.Equal(step.Crossings.Select(c => c.Z).Order(), step.Crossings.Select(c => c.Z)));
    }

    private static string Weave(string knot, int step)
    {
        var drawn = KnotLessons.Get(knot).Steps[step - 1];
        return drawn.Weave(drawn.Strands.Index().Last(s => s.Item.Role == StrandRole.Working).Index);
    }

    // A turn round a strand passes over it once and under it once. Numbers of turns: common practice, no source.
    [Theory]
    [InlineData("clinch", 2, 5)]
    [InlineData("non-slip", 3, 4)]
    [InlineData("blood", 1, 5)]
    public void Coils_pass_over_and_under_by_turns_and_are_as_many_as_is_said(string knot, int step, int turns)
    {
        Assert.Equal(Knots.Get(knot).Turns, turns);
        var weave = Weave(knot, step);
        // From before or from behind, whichever comes first.
        int Run(string turn) =>
            Enumerable.Range(1, 9).Last(n => n == 1 || weave.Contains(string.Concat(Enumerable.Repeat(turn, n)), StringComparison.Ordinal));
        Assert.Equal(turns, Math.Max(Run("OU"), Run("UO")));
    }

    [Fact]
    public void A_nail_knot_winds_six_times_round_line_and_tube()
    {
        var step = KnotLessons.Get("nail").Steps[1];
        var (line, working) = (0, step.Strands.Index().Last(s => s.Item.Role == StrandRole.Working).Index);
        Assert.Equal(StrandRole.Line, step.Strands[line].Role);
        Assert.Equal(6, step.Crossings.Count(c => c.Over == working && c.Under == line));
        Assert.Equal(6, step.Crossings.Count(c => c.Over == line && c.Under == working));
    }

    // A figure-eight knot alternates: its diagram has four crossings of one strand, each seen once from above and once from below. Knot
    // theory, 4₁; the tag's way out under the wire is the fifth.
    [Fact]
    public void A_figure_eight_passes_over_and_under_by_turns()
    {
        var weave = Weave("figure-eight", 3).TrimStart('U');
        Assert.True(weave.Length >= 4, weave);
        Assert.False(weave.Contains("OO", StringComparison.Ordinal) || weave.Contains("UU", StringComparison.Ordinal), weave);
    }

    // Two bights through each other are a reef knot: six crossings, and along each strand O and U come in the order OUOOUO or its
    // opposite. Knot theory, the square knot's diagram.
    [Fact]
    public void Loops_drawn_up_square_are_a_reef_and_not_a_girth_hitch()
    {
        var step = KnotLessons.Get("loop-to-loop").Steps[^1];
        Assert.Equal(6, step.Crossings.Count(c => c.Over != c.Under));
        string[] both = [step.Weave(0), step.Weave(1)];
        Assert.Contains("OUOOUO", both);
        Assert.Contains("UOUUOU", both);
    }

    // An overhand knot is a trefoil: three crossings by turns over and under. Knot theory, 3₁.
    [Fact]
    public void The_overhand_in_a_non_slip_loop_is_an_overhand()
    {
        var step = KnotLessons.Get("non-slip").Steps[0];
        var line = step.Strands.Index().First(s => s.Item.Role == StrandRole.Standing).Index;
        var own = step.Crossings.Where(c => c.Over == line && c.Under == line).ToList();
        Assert.Equal(3, own.Count);
        var weave = string.Concat(
            own.SelectMany(c => new[] { (c.OverAt, 'O'), (c.UnderAt, 'U') }).OrderBy(x => x.Item1).Select(x => x.Item2)
        );
        Assert.True(weave is "OUOUOU" or "UOUOUO", weave);
    }

    [Fact]
    public void The_end_of_a_clinch_goes_down_through_the_gap_and_out_through_the_big_loop()
    {
        // Over the line and under its own leg beside the eye; then behind all, and over the return.
        Assert.EndsWith("OU", Weave("clinch", 3), StringComparison.Ordinal);
        Assert.EndsWith("UO", Weave("clinch", 4), StringComparison.Ordinal);
    }

    [Fact]
    public void A_working_end_ends_where_fingers_can_hold_it()
    {
        foreach (var (lesson, step) in KnotLessons.Rows.SelectMany(l => l.Steps.Select(s => (l, s))))
        foreach (var strand in step.Strands.Where(s => s is { Role: StrandRole.Working, Ends: true }))
        {
            // The free end is clear of every crossing by more than a strand.
            var end = strand.Points[^1];
            Assert.All(
                step.Crossings,
                c => Assert.True(Math.Sqrt(Math.Pow(c.X - end.X, 2) + Math.Pow(c.Y - end.Y, 2)) > 14, $"{lesson.Id}: {step.Says}")
            );
        }
    }

    private static RigTicket Ticket(int brief = 0, Func<RigPlan, RigPlan>? with = null)
    {
        var shed = DemoGear.Shed();
        var day = Brief.Complete(DemoGear.Briefs[brief].Draft);
        var plan = Matcher.Solve(day, shed, cancel: TestContext.Current.CancellationToken).Outfit.ToRig(day, shed);
        return new() { Name = "day", Plan = with?.Invoke(plan) ?? plan };
    }

    [Fact]
    public void The_hook_is_uncovered_last_of_all()
    {
        for (var brief = 0; brief < DemoGear.Briefs.Count; brief++)
        {
            var steps = Ticket(brief).Steps;
            Assert.Equal(RigTicket.FlyStep, steps[^1].Id);
            Assert.Single(steps, s => s.Says.ToString().Contains("uncover", StringComparison.Ordinal));
            Assert.Equal(steps.Count, steps.Select(s => s.Id).Distinct().Count());
            Assert.All(steps.Where(s => s.TestN is not null), s => Assert.NotNull(s.Caution ?? (s.Knot is null ? null : "")));
        }
    }

    [Fact]
    public void An_unwound_reel_begins_at_the_arbor_and_a_wound_one_at_a_look()
    {
        Assert.Equal("spool", Ticket(with: p => p with { Wound = true }).Steps[0].Id);
        var bare = Ticket(with: p => p with { Wound = false, BackingM = 100 }).Steps;
        Assert.Equal(["arbor", "backing", "backing-line", "seal", "line", "rod"], bare.Take(6).Select(s => s.Id));
        Assert.DoesNotContain(Ticket(with: p => p with { Wound = false, BackingM = 0 }).Steps, s => s.Id == "backing");
    }

    [Fact]
    public void Every_knot_of_the_leader_is_a_step_with_a_pull_below_what_it_stands()
    {
        var shed = DemoGear.Shed();
        var leader = LeaderDesign.For(LeaderSchool.Knotted, new(2.7, .001, .0002), shed.LeaderSpools)!;
        var ticket = Ticket(with: p => p with { Leader = leader });
        var joints = LeaderStrength.Joints(leader, ticket.Plan.LineCoreN).Where(j => j.At == LeaderJointAt.Piece).ToList();
        var steps = ticket.Steps.Where(s => s.Id.StartsWith("piece-", StringComparison.Ordinal)).ToList();
        Assert.Equal(joints.Select(j => j.Knot), steps.Select(s => s.Knot!.Id));
        Assert.All(joints.Zip(steps), x => Assert.InRange(x.Second.TestN!.Value, .2 * x.First.StandsN, .7 * x.First.StandsN));
        Assert.Contains(ticket.Steps, s => s.Id == "loop");
    }

    [Fact]
    public void Steps_are_ticked_one_after_the_other_and_taken_back_the_same_way()
    {
        var ticket = Ticket();
        Assert.Null(ticket.Tick(RigTicket.FlyStep, default));
        Assert.Null(ticket.Untick());
        while (ticket.Now is { } now)
            ticket = ticket.Tick(now.Id, DateTime.UnixEpoch)!;
        Assert.True(ticket.IsRigged);
        Assert.All(ticket.Steps, s => Assert.NotNull(s.DoneAt));
        Assert.Equal(RigTicket.FlyStep, ticket.Untick()!.Now!.Id);
    }
}
