using ZingCast.Core.Logbook;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;
using static ZingCast.Core.Tests.AnyOuting;

namespace ZingCast.Core.Tests;

/// <summary>What a log answers.</summary>
public class LogbookTests
{
    private static readonly GearShed Shed = AnyBrief.Loan;

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
        var answers = LogAnswers.From(log, Shed);
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
        var line = Assert.Single(LogAnswers.From([Day(1) with { Casts = casts }], Shed).InWind);
        Assert.Equal("L11", line.Tag);
        Assert.Equal([null, 22, 14], line.Bands.Select(b => b.MiddleM));
        Assert.Equal([null, 1, 0], line.Bands.Select(b => b.Straight));
    }

    // Beaufort (WMO): force 2 ends at 3.35 m/s, force 4 at 7.95.
    [Theory]
    [InlineData(3.3, 0)]
    [InlineData(3.4, 1)]
    [InlineData(7.9, 1)]
    [InlineData(8.0, 2)]
    public void Winds_are_told_apart_by_whole_forces(double mps, int band)
    {
        var line = Assert.Single(LogAnswers.From([Day(1) with { WindMps = mps }], Shed).InWind);
        Assert.Equal(band, line.Bands.Index().Single(b => b.Item.Outings == 1).Index);
    }

    // So much of each an outing takes, and so long a text.
    [Fact]
    public void An_outing_has_room_for_sixty_of_each_and_for_a_page_of_words()
    {
        static string Of(int length) => new('a', length);
        bool Taken(Outing day) => day.Check(Today).Count == 0;
        foreach (
            var (most, with) in new (int, Func<int, Outing>)[]
            {
                (60, n => Day(1) with { Casts = [.. Enumerable.Repeat(new LoggedCast(20), n)] }),
                (60, n => Day(1) with { Fish = [.. Enumerable.Repeat(new LoggedFish(), n)] }),
                (60, n => Day(1) with { Losses = [.. Enumerable.Repeat(new Loss(LossCause.Knot), n)] }),
                (60, n => Day(1) with { Rings = [.. Enumerable.Repeat(new RingRound(10, 10, 1), n)] }),
                (64, n => Day(1) with { Key = Of(n) }),
                (80, n => Day(1) with { Place = Of(n) }),
                (2000, n => Day(1) with { Note = Of(n) }),
                (80, n => Day(1) with { Losses = [new(LossCause.Knot, 1, Of(n))] }),
            }
        )
            Assert.True(Taken(with(most)) && !Taken(with(most + 1)), $"{most}");
        Assert.True(Taken(Day(1) with { Key = Of(8) }) && !Taken(Day(1) with { Key = Of(7) }));
        // Every fault of the first sixty is told, and none behind them.
        var cast = new LoggedCast(900);
        Assert.Equal(60, (Day(1) with { Casts = [.. Enumerable.Repeat(cast, 90)] }).Check(Today).Count(p => p.Field.EndsWith("distanceM")));
        Assert.Equal(.0001235, (Day(1) with { TippetM = .00012345678 }).TippetM);
    }

    [Fact]
    public void What_never_comes_along_leads_and_what_was_out_last_comes_last()
    {
        var home = LogAnswers.From([Day(400, rod: 1, line: 1, reel: 1), Day(3)], Shed).StayHome;
        Assert.Null(home[0].LastOn);
        Assert.Equal(Shed.Rods.Count + Shed.Lines.Count + Shed.Reels.Count, home.Count);
        Assert.Equal(Today.AddDays(-3), home[^1].LastOn);
        Assert.Equal(6, home.Count(p => p.LastOn is not null));
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
        int Found(LogFilter filter) => filter.Apply(log, Called).Count();
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
    public void The_demo_log_is_sound_and_teaches_of_the_caster_who_made_it()
    {
        var person = DemoLog.Person with { Id = 1 };
        Caster[] casters = [.. Casters.Rows, person.As(null)];
        var (outings, services) = DemoLog.For(Shed, _ => 1, person.CasterId, Today);
        Assert.All(outings, o => Assert.Empty(o.Check(Today)));
        Assert.All(services, s => Assert.Empty(s.Check(Today)));
        var learning = Learning.From(outings, Shed, casters, [person], [], TestContext.Current.CancellationToken);
        var ina = Assert.Single(learning.Casters);
        Assert.True(ina is { Offered: true, Own: true, Needed: 0, Fit: not null });
        Assert.True(ina.Fit!.AfterM < ina.Fit.BeforeM && ina.Fit.After.ReachTolerance < .08);
        FitDecision Decided(bool accepted, int evidence) =>
            new()
            {
                CasterId = 1,
                Accepted = accepted,
                Evidence = evidence,
                Hand = LearnedHand.From(ina.Fit.After),
            };
        bool Offered(FitDecision lesson) =>
            Learning.From(outings, Shed, casters, [person], [lesson], TestContext.Current.CancellationToken).Casters[0].Offered;
        // What was decided on is not asked again before more was logged.
        Assert.False(Offered(Decided(true, ina.Casts)));
        Assert.False(Offered(Decided(false, ina.Casts)));
        Assert.False(Offered(Decided(false, ina.Casts - 4)));
        Assert.True(Offered(Decided(false, ina.Casts - 5)));
    }
}
