using ZingCast.Core.Care;
using ZingCast.Core.Logbook;
using ZingCast.Core.Reels;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

/// <summary>What a log answers, and what is to be looked after because of it. Intervals are common practice, no source.</summary>
public class LogbookTests
{
    private static readonly GearShed Shed = AnyBrief.Loan;

    private static readonly DateOnly Today = new(2026, 11, 26);

    private static Outing Day(int ago, int rod = 6, int line = 11, int reel = 5, bool salt = true) =>
        new()
        {
            Key = $"key{ago:00000}{rod}{line}",
            On = Today.AddDays(-ago),
            Place = "the ledge",
            RodId = rod,
            LineId = line,
            ReelId = reel,
            Salt = salt,
            WindMps = 4,
        };

    private static CareList Care(IReadOnlyList<Outing> outings, params Service[] done) => CareList.Of(Shed, [], outings, done, Today);

    private static CareItem? Of(CareList list, string task, int piece) => list.Items.FirstOrDefault(i => i.Key == $"{task}-{piece}");

    private static Service Done(string task, int piece, int ago) =>
        new()
        {
            TaskId = task,
            PieceId = piece,
            On = Today.AddDays(-ago),
        };

    [Fact]
    public void What_was_lost_to_what_is_counted_and_something_helps_against_each()
    {
        Outing[] log =
        [
            Day(1) with
            {
                Losses = [new(LossCause.Abrasion, 2), new(LossCause.Snag)],
                Fish = [new(3)],
            },
            Day(2) with
            {
                Losses = [new(LossCause.Knot)],
                Place = "The Ledge",
            },
            Day(3) with
            {
                Kind = OutingKind.Grass,
                Losses = [new(LossCause.Knot, 9)],
            },
        ];
        var answers = LogAnswers.Of(log, Shed);
        Assert.Equal([(LossCause.Abrasion, 2), (LossCause.Knot, 1), (LossCause.Snag, 1)], answers.Losses.Select(l => (l.Cause, l.Count)));
        Assert.All(answers.Losses, l => Assert.NotEmpty(l.Helps));
        // A snag is no fish, and practice is no fishing.
        Assert.Equal((3, 6, 2, 1), (answers.Landed, answers.Hooked, answers.Outings, answers.Sessions));
        // One place, however it is written.
        Assert.Equal((2, 3, 4), answers.Waters.Select(w => (w.Outings, w.FishLost, w.FliesLost)).Single());
    }

    [Fact]
    public void Which_line_in_wind_goes_by_the_wind_of_the_cast()
    {
        var casts = new LoggedCast[] { new(20, Feel: Feel.Right), new(14, WindMps: 12, Turned: TurnedOver.Piled), new(22) };
        var line = Assert.Single(LogAnswers.Of([Day(1) with { Casts = casts }], Shed).InWind);
        Assert.Equal("L11", line.Tag);
        Assert.Equal([null, 22, 14], line.Bands.Select(b => b.MiddleM));
        Assert.Equal([null, 1, 0], line.Bands.Select(b => b.Straight));
    }

    [Fact]
    public void What_never_comes_along_leads_and_what_was_out_last_comes_last()
    {
        var home = LogAnswers.Of([Day(400, rod: 1, line: 1, reel: 1), Day(3)], Shed).StayHome;
        Assert.Null(home[0].LastOn);
        Assert.Equal(Shed.Rods.Count + Shed.Lines.Count + Shed.Reels.Count, home.Count);
        Assert.Equal(Today.AddDays(-3), home[^1].LastOn);
        Assert.Equal(6, home.Count(p => p.LastOn is not null));
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
    public void The_log_is_searched_by_every_word_wherever_it_stands()
    {
        Outing[] log =
        [
            Day(1) with
            {
                Note = "Weed everywhere",
                Losses = [new(LossCause.Snag, What: "green sandeel")],
            },
            Day(2, rod: 1, line: 1, reel: 1),
        ];
        string Called(Outing o) => o.RodId == 6 ? "R6 blue eight" : "R1 honey glass";
        int Found(LogFilter filter) => filter.Of(log, Called).Count();
        Assert.Equal(1, Found(new("WEED r6 sandeel")));
        Assert.Equal(0, Found(new("weed honey")));
        Assert.Equal(2, Found(new("ledge")));
        Assert.Equal(1, Found(new(Rod: 1)));
        // The first and the last day count.
        Assert.Equal(1, Found(new(Since: Today.AddDays(-1))));
        Assert.Equal(2, Found(new(Since: Today.AddDays(-2))));
        Assert.Equal(1, Found(new(Until: Today.AddDays(-2))));
        Assert.Equal(2, Found(new(Until: Today.AddDays(-1))));
        Assert.Equal(0, Found(new(Until: Today.AddDays(-3))));
        Assert.Equal(1, Found(new(WithLoss: true)));
        Assert.Equal(2, Found(new(Place: "THE LEDGE")));
    }

    [Fact]
    public void An_outing_that_cannot_be_says_where()
    {
        var odd = Day(1) with
        {
            Key = "?",
            Caster = "nobody",
            Casts = [new(900)],
            Losses = [new(LossCause.Knot, 0)],
            Rings = [new(9, 10, 11)],
            Species = "unicorn",
            WindMps = 99,
            Hours = -1,
        };
        var fields = odd.Check(Today).Select(p => p.Field).ToHashSet();
        Assert.Superset(
            new HashSet<string>
            {
                "key",
                "caster",
                "casts[0].distanceM",
                "losses[0].count",
                "rings[0].hits",
                "species",
                "windMps",
                "hours",
            },
            fields
        );
        Assert.Equal("on", Assert.Single((Day(0) with { On = Today.AddDays(3) }).Check(Today)).Field);
        Assert.Empty(Day(0).Check(Today));
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
        var spool = new Spool
        {
            Id = 77,
            ReelId = 5,
            Name = "old one",
            Backing = "poly20",
            BackingM = 90,
            WoundOn = Today.AddYears(-5),
        };
        CareItem Item(DateOnly wound) =>
            Of(CareList.Of(Shed with { Spools = [spool with { WoundOn = wound }] }, [], [], [], Today), "backing-replace", 77)!;
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
    public void The_demo_log_is_sound_and_teaches_of_the_caster_who_made_it()
    {
        var person = DemoLog.Person with { Id = 1 };
        Caster[] casters = [.. Casters.Rows, person.As(null)];
        var (outings, services) = DemoLog.Of(Shed, _ => 1, person.CasterId, Today);
        Assert.All(outings, o => Assert.Empty(o.Check(Today)));
        Assert.All(services, s => Assert.Empty(s.Check(Today)));
        var learning = Learning.Of(outings, Shed, casters, [person], [], TestContext.Current.CancellationToken);
        var ina = Assert.Single(learning.Casters);
        Assert.True(ina is { Offered: true, Own: true, Needed: 0, Fit: not null });
        Assert.True(ina.Fit!.AfterM < ina.Fit.BeforeM && ina.Fit.After.ReachTolerance < .08);
        Lesson Decided(bool accepted, int evidence) =>
            new()
            {
                CasterId = 1,
                Accepted = accepted,
                Evidence = evidence,
                Hand = LearnedHand.Of(ina.Fit.After),
            };
        bool Offered(Lesson lesson) =>
            Learning.Of(outings, Shed, casters, [person], [lesson], TestContext.Current.CancellationToken).Casters[0].Offered;
        // What was decided on is not asked again before more was logged.
        Assert.False(Offered(Decided(true, ina.Casts)));
        Assert.False(Offered(Decided(false, ina.Casts)));
        Assert.True(Offered(Decided(false, ina.Casts - Learning.MoreEvidence)));
    }
}
