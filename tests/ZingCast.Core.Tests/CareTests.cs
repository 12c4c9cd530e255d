using ZingCast.Core.Care;
using ZingCast.Core.Logbook;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Store;
using static ZingCast.Core.Tests.AnyOuting;

namespace ZingCast.Core.Tests;

/// <summary>What is to be looked after because of what was logged.</summary>
public class CareTests
{
    private static readonly GearShed Shed = AnyBrief.Loan with
    {
        // A rod that was bend-tested long ago, and a reel whose backing has its day.
        Rods =
        [
            .. AnyBrief.Loan.Rods.Select(r =>
                r.Id == 6
                    ? r with
                    {
                        Test = new BendTest { On = Today.AddYears(-9), Readings = [] },
                    }
                    : r
            ),
        ],
        Spools =
        [
            new()
            {
                Id = 77,
                ReelId = 5,
                Name = "old one",
                Backing = "poly20",
                BackingM = 90,
                WoundOn = Today.AddYears(-9),
            },
        ],
    };

    private static CareList Care(IReadOnlyList<Outing> outings, params Service[] done) =>
        CareList.From(Shed, DemoGear.Scraps, outings, done, Today);

    private static CareItem? Of(CareList list, string task, int piece) => list.Items.FirstOrDefault(i => i.Key == $"{task}-{piece}");

    private static Service Done(string task, int piece, int ago) =>
        new()
        {
            TaskId = task,
            PieceId = piece,
            On = Today.AddDays(-ago),
        };

    // Task, piece, what it counts, and how much of that is its time. Common practice, no source; that lines are good for 150 to 200
    // outings or three to four seasons, and backing for five years, stands in the handbook.
    [Theory]
    [InlineData("line-clean", 1, "outings", 5)]
    [InlineData("line-clean", 1, "salt", 2)]
    [InlineData("line-look", 1, "outings", 20)]
    [InlineData("line-look", 1, "months", 12)]
    [InlineData("line-reverse", 1, "months", 24)]
    [InlineData("line-replace", 1, "outings", 150)]
    [InlineData("line-replace", 1, "months", 42)]
    [InlineData("reel-rinse", 5, "salt", 1)]
    [InlineData("reel-drag", 5, "outings", 30)]
    [InlineData("reel-drag", 5, "months", 12)]
    [InlineData("reel-dropped", 5, "falls", 1)]
    [InlineData("backing-replace", 77, "months", 60)]
    [InlineData("leader-retie", 1, "outings", 6)]
    [InlineData("leader-retie", 1, "mishaps", 3)]
    [InlineData("hooks-sort", 0, "salt", 2)]
    [InlineData("hooks-sort", 0, "mishaps", 1)]
    [InlineData("rod-inspect", 6, "months", 12)]
    [InlineData("rod-inspect", 6, "falls", 1)]
    [InlineData("rod-test", 6, "outings", 80)]
    [InlineData("rod-test", 6, "months", 36)]
    [InlineData("drawer-measure", 0, "months", 24)]
    public void Each_task_comes_up_by_its_own_count(string task, int piece, string by, int every)
    {
        if (by == "months")
        {
            var due = Today.AddMonths(-every).DayNumber - Today.DayNumber;
            Assert.Equal(1, Of(Care([], Done(task, piece, -due)), task, piece)!.Share, 9);
            Assert.NotEqual(CareState.Due, Of(Care([], Done(task, piece, -due - 1)), task, piece)!.State);
            return;
        }
        var before = Done(task, piece, 1);
        var day = Day(0, line: 1, salt: by == "salt") with { LeaderId = 1 };
        day = by switch
        {
            "falls" => day with { Dropped = [DroppedPiece.Rod, DroppedPiece.Reel] },
            "mishaps" => day with { WindKnots = 1, Losses = [new(LossCause.StraightenedHook)] },
            _ => day,
        };
        Assert.Equal(1.0 / every, Of(Care([day], before), task, piece)!.Share, 9);
    }

    // Four fifths of the time are soon, all of it is due.
    [Theory]
    [InlineData(119, CareState.Fine)]
    [InlineData(120, CareState.Soon)]
    [InlineData(149, CareState.Soon)]
    [InlineData(150, CareState.Due)]
    public void What_comes_up_before_long_is_said_ahead(int outings, CareState state)
    {
        // Two a day, so that days count for little beside them.
        var log = Enumerable.Range(0, outings).Select(n => Day(n / 2, salt: false) with { Key = $"key{n:00000}x" });
        Assert.Equal(state, Of(Care([.. log]), "line-replace", 11)!.State);
    }

    [Theory]
    [InlineData(59, "59 days")]
    [InlineData(60, "2 months")]
    [InlineData(345, "11 months")]
    [InlineData(729, "24 months")]
    [InlineData(730, "2 years")]
    [InlineData(1460, "4 years")]
    public void An_age_is_said_in_days_months_or_years(int days, string age)
    {
        var item = Of(Care([], Done("backing-replace", 77, days)), "backing-replace", 77)!;
        Assert.StartsWith($"{age} since it was put on", item.Why, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData(.01, true)]
    [InlineData(.0098, false)]
    [InlineData(10.0, true)]
    [InlineData(10.2, false)]
    [InlineData(null, false)]
    public void What_is_cut_off_a_line_is_a_centimetre_to_ten_metres(double? metres, bool can)
    {
        var problems = (Done("line-cut", 1, 0) with { AmountM = metres }).Check(Today);
        Assert.Equal(can ? [] : ["amountM"], problems.Select(p => p.Field).Distinct());
        Assert.Empty((Done("line-clean", 1, 0) with { Note = new('x', 400) }).Check(Today));
        Assert.Equal("note", Assert.Single((Done("line-clean", 1, 0) with { Note = new('x', 401) }).Check(Today)).Field);
    }

    // Common practice, no source: three of these in all, of whatever kind, and a leader is tied anew.
    [Theory]
    [InlineData("wind knot")]
    [InlineData("fish")]
    [InlineData("knot")]
    [InlineData("abrasion")]
    [InlineData("bitten")]
    public void Whatever_hurts_a_leader_counts_a_third_of_it(string hurt)
    {
        var leader = Shed.Leaders[0].Id;
        var day = Day(3) with { LeaderId = leader };
        CareItem? After(Outing outing) => Of(Care([outing]), "leader-retie", leader);
        // A day out alone is a sixth.
        Assert.Equal(1 / 6.0, After(day)!.Share, 9);
        day = hurt switch
        {
            "wind knot" => day with { WindKnots = 1 },
            "fish" => day with { Fish = [new(1)] },
            "knot" => day with { Losses = [new(LossCause.Knot)] },
            "abrasion" => day with { Losses = [new(LossCause.Abrasion)] },
            _ => day with { Losses = [new(LossCause.Bitten)] },
        };
        Assert.Equal(1 / 3.0, After(day)!.Share, 9);
        // A snag costs the fly, not the leader.
        Assert.Equal(1 / 6.0, After(Day(3) with { LeaderId = leader, Losses = [new(LossCause.Snag)] })!.Share, 9);
    }

    [Fact]
    public void A_line_is_cleaned_after_five_outings_or_two_days_in_salt_and_washed_counts_from_the_evening()
    {
        var fresh = Enumerable.Range(1, 4).Select(n => Day(n, salt: false)).ToList();
        Assert.Equal(CareState.Soon, Of(Care(fresh), "line-clean", 11)!.State);
        Assert.Equal(CareState.Due, Of(Care([.. fresh, Day(9, salt: false)]), "line-clean", 11)!.State);
        Assert.Equal(CareState.Due, Of(Care([Day(1), Day(2)]), "line-clean", 11)!.State);
        // Two outings on one day in salt are one day.
        Assert.Equal(CareState.Fine, Of(Care([Day(1), Day(1) with { Key = "another1" }]), "line-clean", 11)!.State);
        Assert.Null(Of(Care([Day(1), Day(2)], Done("line-clean", 11, 1)), "line-clean", 11));
        Assert.Contains("2 days in salt", Of(Care([Day(1), Day(2)]), "line-clean", 11)!.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void A_reel_is_rinsed_after_every_day_in_salt_and_looked_at_when_it_fell()
    {
        Assert.Equal(CareState.Due, Of(Care([Day(1)]), "reel-rinse", 5)!.State);
        Assert.Null(Of(Care([Day(1, salt: false)]), "reel-rinse", 5));
        Assert.Equal(CareState.Due, Of(Care([Day(1) with { Dropped = [DroppedPiece.Reel] }]), "reel-dropped", 5)!.State);
        Assert.Equal(1, Care([Day(1) with { Dropped = [DroppedPiece.Rod] }]).Pieces.First(p => p.Piece == CarePiece.Rod).Wear.Drops);
    }

    [Fact]
    public void Backing_ages_five_years_from_the_day_it_was_wound()
    {
        var spool = Shed.Spools[0];
        CareItem Item(DateOnly wound) =>
            Of(CareList.From(Shed with { Spools = [spool with { WoundOn = wound }] }, [], [], [], Today), "backing-replace", 77)!;
        Assert.Equal(CareState.Due, Item(Today.AddYears(-5)).State);
        Assert.Equal(CareState.Fine, Item(Today.AddYears(-3)).State);
        Assert.Equal(Today.AddYears(2), Item(Today.AddYears(-3)).DueOn);
    }

    [Fact]
    public void Only_a_double_taper_is_turned_round_and_a_cut_line_weighs_less()
    {
        var log = new[] { Day(800, line: 1), Day(800, line: 11) };
        Assert.Equal(CareState.Due, Of(Care(log), "line-reverse", 1)!.State);
        Assert.Null(Of(Care(log), "line-reverse", 11));
        var line = Shed.Lines.First(l => l.Tag == "L11");
        var cut = CareTask.CutBack.On(line, .5);
        Assert.Equal(line.HeadM - .5, cut.HeadM, 9);
        Assert.Equal(line.HeadKg!.Value - line.MassWithinKg(.5), cut.HeadKg!.Value, 9);
        Assert.Empty(cut.Check());
        // What is left of the head weighs as it did.
        Assert.Equal(line.MassWithinKg(6) - line.MassWithinKg(1), cut.MassWithinKg(5.5) - cut.MassWithinKg(.5), 4e-5);
    }

    [Fact]
    public void Before_a_trip_what_comes_along_is_seen_to_and_what_falls_due_until_then()
    {
        var list = Care([Day(1), Day(2, rod: 1, line: 1, reel: 1)]);
        bool Comes(CareItem item) => item.Task.Piece == CarePiece.Reel;
        Assert.Equal(["reel-rinse-1", "reel-rinse-5"], list.Before(null, Comes).Select(i => i.Key).Order());
        Assert.Contains(list.Before(Today.AddYears(2), Comes), i => i.Task.Id == "reel-drag");
    }

    [Fact]
    public void Every_task_says_how_and_comes_up_by_something()
    {
        Assert.All(
            CareTask.All.Where(t => t != CareTask.CutBack),
            t => Assert.True((t.Outings ?? t.SaltDays ?? t.Months ?? t.Drops ?? t.Mishaps) is not null && t.HowTo.Length > 20, t.Id)
        );
        Assert.Equal(CareTask.All.Count, CareTask.All.Select(t => t.Id).Distinct().Count());
    }

    [Fact]
    public void A_piece_is_called_by_tag_and_name_and_whether_it_is_there_follows()
    {
        var shed = Shed;
        foreach (
            var (kind, piece) in new (CarePiece, Gear)[]
            {
                (CarePiece.Rod, shed.Rods[3]),
                (CarePiece.Line, shed.Lines[3]),
                (CarePiece.Reel, shed.Reels[3]),
                (CarePiece.Leader, shed.Leaders[^1]),
            }
        )
        {
            Assert.Equal($"{piece.Tag} {piece.Name}", CareList.NameOf(kind, piece.Id, shed));
            Assert.True(CareList.IsThere(kind, piece.Id, shed));
            Assert.Equal("", CareList.NameOf(kind, 9999, shed));
            Assert.False(CareList.IsThere(kind, 9999, shed));
        }
        var reel = shed.Reels.First(r => r.Id == 5);
        Assert.Equal($"{reel.Tag} {reel.Name}, old one", CareList.NameOf(CarePiece.Backing, 77, shed));
        Assert.Equal(
            ("", "Flies", "Drawer"),
            (
                CareList.NameOf(CarePiece.Backing, 78, shed),
                CareList.NameOf(CarePiece.Flies, 0, shed),
                CareList.NameOf(CarePiece.Drawer, 0, shed)
            )
        );
        Assert.True(CareList.IsThere(CarePiece.Flies, 0, shed) && CareList.IsThere(CarePiece.Drawer, 0, shed));
        Assert.False(CareList.IsThere(CarePiece.Flies, 1, shed) || CareList.IsThere(CarePiece.Drawer, 1, shed));
        Assert.Null(CareTask.Find("nothing"));
    }

    [Fact]
    public void What_is_due_leads_then_what_is_nearest_then_the_name()
    {
        var log = Enumerable.Range(1, 6).SelectMany(n => new[] { Day(n), Day(n, rod: 1, line: 1, reel: 1, salt: false) }).ToList();
        var list = Care(log);
        Assert.Equal(
            list.Items.OrderBy(i => i.State).ThenByDescending(i => i.Share).ThenBy(i => i.Key, StringComparer.Ordinal).Select(i => i.Key),
            list.Items.Select(i => i.Key)
        );
        Assert.True(list.Items.Select(i => i.State).Distinct().Count() > 1);
        Assert.Contains(list.Items.GroupBy(i => (i.State, i.Share)), g => g.Count() > 1);
        Assert.Equal(list.Pieces.OrderByDescending(p => p.Wear.Outings).ThenBy(p => p.Called, StringComparer.Ordinal), list.Pieces);
        Assert.Contains(list.Pieces.GroupBy(p => p.Wear.Outings), g => g.Count() > 1);
        // The most pressing of several reasons is said first, and only what presses.
        Assert.StartsWith("6 days in salt and 6 outings since", Of(list, "line-clean", 11)!.Why, StringComparison.Ordinal);
        Assert.StartsWith("6 outings since it is in the log", Of(list, "line-clean", 1)!.Why, StringComparison.Ordinal);
        Assert.StartsWith("1 outing since", Of(Care([Day(1, line: 1, salt: false)]), "line-clean", 1)!.Why, StringComparison.Ordinal);
    }

    // What was noted with the piece counts as done: on its bench, in its own field, on its spool.
    [Fact]
    public void What_was_noted_with_the_piece_itself_counts_as_done()
    {
        CareItem? After(GearShed shed, string task, int piece) => Of(CareList.From(shed, [], [], [], Today), task, piece);
        GearShed With(Func<Rod, Rod> change) => Shed with { Rods = [.. Shed.Rods.Select(r => r.Id == 6 ? change(r) : r)] };
        var year = Today.AddYears(-1);
        Inspection Looked(DateOnly on) => new() { On = on, Points = new Dictionary<string, Found>() };
        Assert.Equal(year, After(With(r => r with { Inspections = [Looked(year.AddYears(-2)), Looked(year)] }), "rod-inspect", 6)!.LastOn);
        Assert.Equal(Today.AddYears(-9), After(Shed, "rod-test", 6)!.LastOn);
        // What was never tested is tested on its bench, and is not due again.
        Assert.Null(After(With(r => r with { Test = null, BoughtOn = Today.AddYears(-9) }), "rod-test", 6));
        var line = Shed with { Lines = [.. Shed.Lines.Select(l => l.Id == 1 ? l with { ServicedOn = year, BoughtOn = null } : l)] };
        Assert.Equal(year, Of(CareList.From(line, [], [Day(1, line: 1)], [], Today), "line-clean", 1)!.LastOn);
        Assert.Null(Of(CareList.From(line, [], [Day(1, line: 1)], [], Today), "line-look", 1)!.LastOn);
        Assert.Null(After(line, "line-cut", 1));
        var reel = Shed with { Reels = [.. Shed.Reels.Select(r => r.Id == 5 ? r with { ServicedOn = year } : r)] };
        Assert.Equal(year, After(reel, "reel-drag", 5)!.LastOn);
        // Backing that nobody noted does not age, and lies on its own reel alone.
        Assert.Null(After(Shed with { Spools = [Shed.Spools[0] with { Backing = null, BackingM = 0 }] }, "backing-replace", 77));
        Assert.Single(CareList.From(Shed, [], [], [], Today).Pieces, p => p.Piece == CarePiece.Backing);
        Assert.Null(After(Shed, "drawer-measure", 0));
    }

    [Fact]
    public void Backing_counts_the_days_of_the_line_that_lies_on_it()
    {
        var shed = Shed with { Spools = [Shed.Spools[0] with { LineId = 11 }] };
        Wear Of(params Outing[] outings) =>
            CareList.From(shed, [], outings, [], Today).Pieces.First(p => p.Piece == CarePiece.Backing).Wear;
        Assert.Equal(2, Of(Day(1), Day(2), Day(3, reel: 1), Day(4, line: 1)).Outings);
        Assert.Equal(0, CareList.From(Shed, [], [Day(1)], [], Today).Pieces.First(p => p.Piece == CarePiece.Backing).Wear.Outings);
    }

    [Fact]
    public void Hooks_are_sorted_after_one_straightened_and_a_calendar_runs_from_the_first_day_out()
    {
        var hook = Day(1, salt: false) with { Losses = [new(LossCause.StraightenedHook, 2)] };
        Assert.StartsWith("2 straightened hooks since", Of(Care([hook]), "hooks-sort", 0)!.Why, StringComparison.Ordinal);
        Assert.Contains(
            "1 straightened hook since",
            Of(Care([hook with { Losses = [new(LossCause.StraightenedHook)] }]), "hooks-sort", 0)!.Why,
            StringComparison.Ordinal
        );
        var knots = Day(1, salt: false) with { LeaderId = 1, WindKnots = 3 };
        Assert.StartsWith("3 wind knots, fish and breaks", Of(Care([knots]), "leader-retie", 1)!.Why, StringComparison.Ordinal);
        // Practice on grass rusts no hook.
        Assert.Null(Of(Care([Day(1) with { Kind = OutingKind.Grass }]), "hooks-sort", 0));
        var bought = Shed with { Lines = [.. Shed.Lines.Select(l => l with { BoughtOn = null })] };
        Assert.Equal(
            Today.AddDays(-20).AddMonths(12),
            Of(CareList.From(bought, [], [Day(20, line: 1), Day(3, line: 1)], [], Today), "line-look", 1)!.DueOn
        );
    }

    [Fact]
    public void A_line_turned_round_is_the_line_from_its_other_end_and_other_work_changes_none()
    {
        var line = Shed.Lines.First(l => l.Id == 1);
        Assert.Equal(line.Reversed(), CareTask.Reverse.On(line, null));
        Assert.Same(line, CareTask.Clean.On(line, 1));
        Assert.Same(line, CareTask.CutBack.On(line, null));
    }
}
