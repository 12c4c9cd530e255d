using ZingCast.Core.Cutting;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Tests;

/// <summary>Cut long, weigh, nibble: the bench one step at a time. Common practice, no source, where nothing else is said.</summary>
public class CutJobTests
{
    private static readonly DateTime Now = new(2026, 3, 14, 9, 30, 0, DateTimeKind.Utc);

    // Level pieces, so that a metre weighs the same everywhere.
    private static readonly Scrap Eight = new()
    {
        Id = 1,
        Tag = "D1",
        Name = "belly of an eight",
        LengthM = 8,
        MassKg = .008,
    };

    private static readonly Scrap Six = Eight with { Id = 2, Tag = "D2", Name = "belly of a six", LengthM = 5, MassKg = .004 };

    private static readonly Dictionary<int, Scrap> Drawer = new() { [1] = Eight, [2] = Six };

    private static readonly CutTarget Target = new(6, .006);

    private static CutJob Begun(params CutPiece[] plan) =>
        CutJob.Begin(Target, plan, Drawer, Now, out var problems) ?? throw new ArgumentException(problems[0].Problem);

    private static CutPiece Piece(int scrap, double from, double to, bool turned = false) => new(scrap, from, to, turned);

    private static string Problem(IReadOnlyList<FieldProblem> problems) => Assert.Single(problems).Field;

    [Fact]
    public void A_plan_on_the_bench_has_cut_nothing_yet()
    {
        var job = Begun(Piece(1, 0, 6));
        Assert.Empty(job.Steps);
        Assert.Equal(Now, job.BegunAt);
        Assert.Equal(8, job.AsItLies(Drawer).LengthM, 9);
        Assert.Null(job.LineId);
    }

    [Theory]
    [InlineData(0, 8.2)]
    [InlineData(-.1, 6)]
    [InlineData(2, 2.3)]
    public void A_piece_that_is_not_there_or_hardly_there_is_no_plan(double from, double to)
    {
        Assert.Null(CutJob.Begin(Target, [Piece(1, from, to)], Drawer, Now, out var problems));
        Assert.Equal("pieces", Problem(problems));
    }

    [Fact]
    public void One_to_three_different_scraps_that_are_in_the_drawer_make_a_plan()
    {
        Assert.Null(CutJob.Begin(Target, [], Drawer, Now, out _));
        Assert.Null(CutJob.Begin(Target, [Piece(1, 0, 3), Piece(1, 3, 6)], Drawer, Now, out _));
        Assert.Null(CutJob.Begin(Target, [Piece(9, 0, 3)], Drawer, Now, out _));
        Assert.NotNull(CutJob.Begin(Target, [Piece(1, 0, 3), Piece(2, 0, 3)], Drawer, Now, out _));
    }

    [Fact]
    public void A_whole_scrap_goes_in_as_it_is()
    {
        var job = Begun(Piece(1, 0, 8));
        Assert.Equal(NextMove.Done, job.Now(0, Eight).Move);
        Assert.StartsWith("Goes in whole", job.Now(0, Eight).Says.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void The_first_cut_leaves_an_allowance_for_the_scale_to_decide()
    {
        var now = Begun(Piece(1, 0, 6)).Now(0, Eight);
        Assert.Equal((NextMove.Cut, false), (now.Move, now.Front));
        Assert.Equal(2 - Nibble.AllowanceM, now.TakeM, 9);
    }

    // What is hardly longer than the allowance, a hand's breadth of 5 cm, is nibbled from the start.
    [Theory]
    [InlineData(7.551, NextMove.Weigh)]
    [InlineData(7.549, NextMove.Cut)]
    public void What_is_hardly_longer_than_the_allowance_is_weighed_first(double toM, NextMove move)
    {
        Assert.Equal(move, Begun(Piece(1, 0, toM)).Now(0, Eight).Move);
        Assert.Equal(move, Begun(Piece(1, 8 - toM, 8)).Now(0, Eight).Move);
    }

    // Another piece lies on the scale when it weighs less than six tenths or more than sixteen of what it should; a scale is good to 5 g.
    [Theory]
    [InlineData(.00485, .001, null)]
    [InlineData(.00475, .001, "massKg")]
    [InlineData(.01275, .001, null)]
    [InlineData(.01285, .001, "massKg")]
    [InlineData(.008, .00495, null)]
    [InlineData(.008, .00505, "plusMinusKg")]
    public void A_weighing_that_cannot_be_this_piece_is_refused(double kg, double plusMinusKg, string? field)
    {
        Begun(Piece(1, 0, 6)).Weigh(0, Eight, kg, plusMinusKg, Now, out var problems);
        Assert.Equal(field, problems.Count == 0 ? null : problems[0].Field);
    }

    [Fact]
    public void A_job_has_room_for_two_thousand_cuts_and_a_dozen_letters_of_tag()
    {
        bool Taken(int steps, int letters, int kept)
        {
            var step = new CutStep(Now, new('D', letters), 1, 1, KeptAs: new('D', kept));
            return (Begun(Piece(1, 0, 8)) with { Steps = [.. Enumerable.Repeat(step, steps)] }).Check().Count == 0;
        }
        Assert.True(Taken(2000, 12, 12));
        Assert.False(Taken(2001, 12, 12));
        Assert.False(Taken(1, 13, 12));
        Assert.False(Taken(1, 12, 13));
    }

    [Fact]
    public void A_made_head_is_good_to_half_a_hundredth()
    {
        var head = Begun(Piece(1, 0, 8)).Finish("L9", "a head", Drawer, out _)!;
        Assert.Equal(.005, head.HeadPlusMinusKg!.Value / head.HeadKg!.Value, 9);
    }

    [Fact]
    public void With_both_ends_to_cut_the_front_is_cut_to_length_and_the_back_is_nibbled()
    {
        var job = Begun(Piece(1, 1, 6));
        var first = job.Now(0, Eight);
        Assert.Equal((NextMove.Cut, true, 1.0), (first.Move, first.Front, first.TakeM));
        var done = job.Cut(0, Eight, 1, front: true, "D9", Now, out _)!;
        var then = done.Job.Now(0, done.Scrap);
        Assert.Equal((NextMove.Cut, false), (then.Move, then.Front));
    }

    [Fact]
    public void What_is_hardly_longer_than_the_allowance_is_nibbled_from_the_start() =>
        Assert.Equal(NextMove.Weigh, Begun(Piece(1, 0, 7.6)).Now(0, Eight).Move);

    [Fact]
    public void The_blade_is_written_down_and_what_comes_off_goes_back_into_the_drawer()
    {
        var done = Begun(Piece(1, 0, 6)).Cut(0, Eight, 1.6, front: false, "D9", Now, out _)!;
        Assert.Equal(6.4, done.Scrap.LengthM, 9);
        Assert.Equal(1.6, done.CutOff!.LengthM, 9);
        Assert.Equal(Eight.MassKg, done.Scrap.MassKg + done.CutOff.MassKg, 9);
        Assert.Equal((0, "D9", "end of D1, belly of an eight"), (done.CutOff.Id, done.CutOff.Tag, done.CutOff.Name));
        var step = Assert.Single(done.Job.Steps);
        Assert.Equal((1.6, 6.4, "D9"), (step.TakenM, step.LeftM, step.KeptAs));
        Assert.Equal(NextMove.Weigh, done.Job.Now(0, done.Scrap).Move);
    }

    [Fact]
    public void A_snippet_is_swept_up()
    {
        var scrap = Eight with { LengthM = 6.4, MassKg = .0064 };
        var job = Weighed(Begun(Piece(1, 0, 6)).Cut(0, Eight, 1.6, false, "D9", Now, out _)!.Job, scrap, .0064).Job;
        var now = job.Now(0, scrap);
        Assert.Equal(NextMove.Nibble, now.Move);
        Assert.Equal("takeM", Problem(Refused(job, scrap, now.TakeM + .1, false)));
        Assert.Null(job.Cut(0, scrap, .1, false, "D9", Now, out _)!.CutOff);
    }

    [Fact]
    public void The_blade_waits_for_the_scale_and_keeps_to_its_end()
    {
        var job = Begun(Piece(1, 0, 7.6));
        Assert.Equal("takeM", Problem(Refused(job, Eight, .2, false)));
        var cut = Begun(Piece(1, 0, 6));
        Assert.Equal("front", Problem(Refused(cut, Eight, 1, true)));
        Assert.Equal("takeM", Problem(Refused(cut, Eight, 2.1, false)));
        Assert.Equal("takeM", Problem(Refused(cut, Eight, .001, false)));
    }

    private static IReadOnlyList<FieldProblem> Refused(CutJob job, Scrap scrap, double takeM, bool front)
    {
        Assert.Null(job.Cut(0, scrap, takeM, front, "D9", Now, out var problems));
        return problems;
    }

    private static CutDone Weighed(CutJob job, Scrap scrap, double kg, double plusMinusKg = .0001) =>
        job.Weigh(0, scrap, kg, plusMinusKg, Now, out var problems) ?? throw new ArgumentException(problems[0].Problem);

    [Theory]
    [InlineData(0, .0001, "massKg")]
    [InlineData(.004, .0001, "massKg")]
    [InlineData(.014, .0001, "massKg")]
    [InlineData(.008, .006, "plusMinusKg")]
    public void What_cannot_be_this_piece_on_this_scale_is_not_taken_down(double kg, double plusMinusKg, string field)
    {
        Assert.Null(Begun(Piece(1, 0, 7.6)).Weigh(0, Eight, kg, plusMinusKg, Now, out var problems));
        Assert.Equal(field, Problem(problems));
    }

    [Fact]
    public void What_the_scale_says_is_believed_and_the_shape_stays()
    {
        var done = Weighed(Begun(Piece(1, 0, 7.6)), Eight, .0084);
        Assert.Equal(.0084, done.Scrap.MassKg);
        Assert.Equal(Eight.LengthM, done.Scrap.Profile().LengthM, 9);
        Assert.Equal(.0042, done.Scrap.Profile().MassKg(4), 6);
        Assert.True(done.Job.Now(0, done.Scrap).Weighed);
    }

    // Nibbled to the mark, never past it: with a scale good to 0.1 g the head ends within 0.3 g of the plan.
    [Fact]
    public void Cut_weighed_and_nibbled_a_piece_comes_to_its_mass_and_never_below_it()
    {
        var (job, scrap, truth) = (Begun(Piece(1, 0, 6)), Eight, .00104);
        for (var i = 0; i < 30 && job.Now(0, scrap).Move != NextMove.Done; i++)
        {
            var now = job.Now(0, scrap);
            var done =
                now.Move == NextMove.Weigh
                    ? Weighed(job, scrap, truth * scrap.LengthM)
                    : job.Cut(0, scrap, now.TakeM, now.Front, $"D{9 + i}", Now, out _)!;
            (job, scrap) = (done.Job, done.Scrap);
        }
        Assert.Equal(NextMove.Done, job.Now(0, scrap).Move);
        Assert.InRange(truth * scrap.LengthM - job.Pieces[0].PlannedKg, -1e-9, .0003);
        Assert.True(job.Pieces[0].Done);
    }

    [Fact]
    public void A_head_is_finished_when_every_piece_is_cut_and_is_then_a_line_like_any_other()
    {
        Assert.Null(Begun(Piece(1, 0, 6)).Finish("H1", "made", Drawer, out var problems));
        Assert.Equal("tag", Problem(problems));
        var job = Begun(Piece(2, 0, 5), Piece(1, 0, 8));
        Assert.Null(job.Finish("", "made", Drawer, out problems));
        Assert.Equal("tag", Problem(problems));
        var line = job.Finish("H1", "made", Drawer, out _)!;
        Assert.Equal(13 - 2 * Cutter.JointM, line.HeadM, 6);
        Assert.Equal(.012, line.MassKg!.Value, 6);
        Assert.Equal("made of D2, D1", line.Note);
        Assert.Empty(line.Check());
    }

    [Fact]
    public void A_step_gives_a_new_job_and_leaves_the_old_one_as_it_was()
    {
        var job = Begun(Piece(1, 0, 6));
        _ = job.Cut(0, Eight, 1.6, false, "D9", Now, out _);
        Assert.Empty(job.Steps);
        Assert.Equal(2, job.Pieces[0].BackM, 9);
    }
}
