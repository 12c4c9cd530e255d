using System.Net;
using System.Text.Json;
using Ical.Net;

namespace ZingCast.Web.Tests;

// Trips, what the shed can do, and pasting over HTTP.
public sealed class TripApiTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly HttpClient client;

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public TripApiTests() => client = app.CreateClient();

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    private static string Told(JsonElement sentence) =>
        string.Concat(sentence.EnumerateArray().Select(p => p.GetProperty("text").GetString() ?? "#"));

    private static async Task<string> Refused(HttpResponseMessage answer, string field)
    {
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        return (await answer.Json()).GetProperty("errors").GetProperty(field)[0].GetString()!;
    }

    private async Task<int> Pieces()
    {
        var shed = await client.GetJson("/api/shed");
        return shed.GetProperty("rods").GetArrayLength()
            + shed.GetProperty("lines").GetArrayLength()
            + shed.GetProperty("reels").GetArrayLength();
    }

    [Fact]
    public async Task The_week_that_the_demo_lends_for_is_solved_on_the_first_start()
    {
        var pack = await client.Packing(1);
        var plan = pack.GetProperty("plan");
        Assert.Equal(2, plan.GetProperty("kit").GetProperty("rods").GetArrayLength());
        Assert.Equal(7, plan.GetProperty("coverage").GetProperty("of").GetInt32());
        Assert.True(pack.GetProperty("list").GetProperty("groups").GetArrayLength() >= 6);
        // Nothing of it is to buy, for nothing may be spent.
        Assert.All(plan.GetProperty("kit").GetProperty("rods").EnumerateArray(), r => Assert.False(r.GetProperty("toBuy").GetBoolean()));
    }

    [Fact]
    public async Task A_limit_that_is_tightened_takes_days_away_and_says_what_it_costs()
    {
        Task<JsonElement> Solve(int rods) =>
            Http.Searched(async () =>
                await (
                    await client.Post(
                        "/api/trips/solve",
                        new
                        {
                            days = new object[]
                            {
                                new
                                {
                                    times = 2,
                                    regret = "great",
                                    briefId = 1,
                                },
                                new
                                {
                                    times = 1,
                                    regret = "some",
                                    briefId = 2,
                                },
                            },
                            limits = new
                            {
                                rods,
                                lines = 3,
                                reels = 3,
                            },
                        }
                    )
                ).Json()
            );
        int Served(JsonElement plan) => plan.GetProperty("coverage").GetProperty("served").GetInt32();
        var (two, one) = (await Solve(2), await Solve(1));
        Assert.Equal(3, Served(two));
        Assert.Equal(2, Served(one));
        var cost = one.GetProperty("costs")[0];
        Assert.Equal("rods", cost.GetProperty("limit").GetString());
        Assert.Equal("a rod more: 1 more day to fish", Told(cost.GetProperty("says")));
        Assert.Equal([2, 3], one.GetProperty("rods").EnumerateArray().Select(s => s.GetProperty("served").GetInt32()));
    }

    [Fact]
    public async Task What_cannot_be_is_said_at_its_field()
    {
        var body = new
        {
            days = new object[]
            {
                new
                {
                    times = 0,
                    regret = "some",
                    briefId = 99,
                },
                new
                {
                    times = 1,
                    regret = "some",
                    name = "x",
                    draft = new { distanceM = 900 },
                },
            },
            limits = new { rods = 40, tubeM = 90 },
        };
        var answer = await client.Post("/api/trips/solve", body);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        var errors = (await answer.Json()).GetProperty("errors");
        Assert.Contains("between 1 and 60", errors.GetProperty("days[0].times")[0].GetString(), StringComparison.Ordinal);
        Assert.All(
            ["days[0].briefId", "days[1].draft.distanceM", "limits.rods", "limits.tubeM"],
            f => Assert.True(errors.TryGetProperty(f, out _), f)
        );
        Assert.Equal("This cannot be empty.", await Refused(await client.Post("/api/trips", new { name = " " }), "name"));
        Assert.Contains(
            "one fish",
            await Refused(await client.Post("/api/trips/first", new { fish = Array.Empty<string>() }), "fish"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task A_trip_is_kept_changed_ticked_off_and_put_away_and_an_older_look_is_refused()
    {
        var trip = await (
            await client.Post(
                "/api/trips",
                new
                {
                    name = "Dusk",
                    days = new[]
                    {
                        new
                        {
                            times = 1,
                            regret = "some",
                            briefId = 2,
                        },
                    },
                }
            )
        ).Json();
        var id = trip.GetProperty("id").GetInt32();
        var ticked = await (await client.Post($"/api/trips/{id}/packed", new { key = "rod-1", on = true })).Json();
        Assert.Equal(1, ticked.GetProperty("held").GetProperty("rods")[0].GetInt32());
        // Many thumbs at once: every tick counts.
        await Task.WhenAll(Enumerable.Range(0, 6).Select(n => client.Post($"/api/trips/{id}/packed", new { key = $"fly-{n}", on = true })));
        var now = await client.GetJson($"/api/trips/{id}");
        Assert.Equal(7, now.GetProperty("packed").GetArrayLength());
        var version = now.GetProperty("version").GetInt32();
        Assert.Equal(
            HttpStatusCode.PreconditionFailed,
            (await client.Put($"/api/trips/{id}", new { name = "Dawn", version = 1 })).StatusCode
        );
        Assert.Equal(HttpStatusCode.OK, (await client.Put($"/api/trips/{id}", new { name = "Dawn", version })).StatusCode);
        // Nobody has said when it begins.
        Assert.Equal(HttpStatusCode.Conflict, (await client.GetAsync($"/api/trips/{id}/calendar.ics", Now)).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync($"/api/trips/{id}", Now)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/api/trips/{id}", Now)).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await client.Post($"/api/trips/{id}/restore", new { })).StatusCode);
        Assert.Equal("Dawn", (await client.GetJson($"/api/trips/{id}")).GetProperty("name").GetString());
    }

    [Fact]
    public async Task A_trip_that_is_not_there_cannot_be_changed()
    {
        var trip = await client.GetJson("/api/trips/1");
        var answer = await client.Put("/api/trips/999", trip);
        Assert.Equal(HttpStatusCode.NotFound, answer.StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/api/trips/999", Now)).StatusCode);
    }

    // Nobody waits on this clock: every answer is the first that a search can give.
    private sealed class Impatient : TimeProvider
    {
        public override ITimer CreateTimer(TimerCallback callback, object? state, TimeSpan dueTime, TimeSpan period) =>
            base.CreateTimer(callback, state, dueTime == TimeSpan.FromSeconds(2) ? TimeSpan.Zero : dueTime, period);
    }

    [Fact]
    public async Task A_calendar_holds_every_task_while_the_pages_still_show_the_best_so_far()
    {
        using var hurried = new TestApp(clock: new Impatient());
        using var other = hurried.CreateClient();
        var events = Calendar.Load(await other.GetStringAsync("/api/trips/1/calendar.ics", Now))!.Events;
        var whole = (await client.Packing(1)).GetProperty("list").GetProperty("tasks");
        Assert.Equal(whole.GetArrayLength(), events.Count);
    }

    // Published: RFC 5545. Read by a general library, not by ours. The file holds the whole timetable, however long the search takes.
    [Fact]
    public async Task The_timetable_reads_back_as_a_calendar()
    {
        var answer = await client.GetAsync("/api/trips/1/calendar.ics", Now);
        Assert.Equal("text/calendar", answer.Content.Headers.ContentType!.MediaType);
        var text = await answer.Content.ReadAsStringAsync(Now);
        Assert.StartsWith("BEGIN:VCALENDAR\r\nPRODID:", text, StringComparison.Ordinal);
        Assert.All(text.Split("\r\n"), line => Assert.True(line.Length <= 75, line));
        var events = Calendar.Load(text)!.Events.OrderBy(e => e.Start!.Value).ToList();
        var packing = await client.Packing(1);
        var tasks = packing.GetProperty("list").GetProperty("tasks").EnumerateArray().ToList();
        Assert.Equal(tasks.Count, events.Count);
        Assert.Equal(events.Count, events.Select(e => e.Uid).Distinct().Count());
        var leave = Assert.Single(events, e => e.Summary!.EndsWith(": Leave", StringComparison.Ordinal));
        Assert.Equal(new DateOnly(2027, 5, 8), leave.Start!.Date);
        Assert.True(leave.IsAllDay);
        // RFC 5545: the end of an event of whole days is the day after its last.
        Assert.All(events, e => Assert.Equal(1, e.End!.Date.DayNumber - e.Start!.Date.DayNumber));
        Assert.Contains(events, e => e.Summary!.Contains("Tie", StringComparison.Ordinal) && e.Start!.Date == new DateOnly(2027, 5, 7));
    }

    private const string Sheet =
        "label\tname\tcondition\tprice\tbought\tweighs\n9ft 6 4pc fast\tblue\tworn\t90\t2026-05-30\t\n"
        + "WF6F\tsand\t\t35.50\t\t250 gr\n7/8\tbig black\tgood\t\t\t\n";

    [Fact]
    public async Task Rows_of_a_spreadsheet_are_looked_at_kept_and_taken_back_together()
    {
        var before = await Pieces();
        var seen = await (await client.Post("/api/shed/paste/look", new { text = Sheet })).Json();
        Assert.Equal(0, seen.GetProperty("faults").GetArrayLength());
        Assert.Equal(before, await Pieces());
        var kept = await (await client.Post("/api/shed/paste", new { text = Sheet })).Json();
        Assert.Equal(before + 3, await Pieces());
        var rod = kept.GetProperty("rods")[0];
        Assert.Equal(
            ("R13", "worn", 90, "2026-05-30"),
            (
                rod.GetProperty("tag").GetString(),
                rod.GetProperty("condition").GetString(),
                rod.GetProperty("price").GetDouble(),
                rod.GetProperty("boughtOn").GetString()
            )
        );
        // 250 grains are 16.2 g (exact: 64.79891 mg each, NIST SP 811).
        Assert.Equal(250 * 64.79891e-6, kept.GetProperty("lines")[0].GetProperty("headKg").GetDouble(), 9);
        int[] Ids(string kind) => [.. kept.GetProperty(kind).EnumerateArray().Select(p => p.GetProperty("id").GetInt32())];
        Assert.Equal(
            HttpStatusCode.NoContent,
            (
                await client.Post(
                    "/api/shed/paste/undo",
                    new
                    {
                        rods = Ids("rods"),
                        lines = Ids("lines"),
                        reels = Ids("reels"),
                    }
                )
            ).StatusCode
        );
        Assert.Equal(before, await Pieces());
    }

    [Fact]
    public async Task Bare_numbers_are_in_the_readers_units_and_any_delimiter_will_do()
    {
        async Task<double> Length(string text, bool metric) =>
            (await (await client.Post("/api/shed/paste/look", new { text, metric })).Json())
                .GetProperty("rods")[0]
                .GetProperty("lengthM")
                .GetDouble();
        Assert.Equal(9 * .3048, await Length("kind,class,length\nrod,6,9\n", false), 6);
        Assert.Equal(2.7, await Length("Kind;Class;Length\nrod;6;2.7\n", true), 6);
        Assert.Equal(2.7, await Length("kind\tclass\tlength\r\nrod\t6\t2.7 m\r\n\r\n", false), 6);
    }

    private static readonly (string Text, int Row, string Column)[] Faulty =
    [
        ("label\tprice\n9ft 6\tdear\nWF6F\t20\n", 2, "price"),
        ("label\tweighs\nWF6F\t240 gr\n7/8\t3 gr\n", 3, "weighs"),
        ("label;tag\n9ft 6;R3\n", 2, "tag"),
        ("label,tag\n9ft 6,X1\nWF6F,X1\n", 3, "tag"),
        ("label\tcolour\n9ft 6\tblue\n", 1, "colour"),
        ("label\nnine foot\n", 2, "label"),
        ("kind\tlength\trim\nreel\t\t2 mm\n", 2, "rim"),
        ("kind\tbought\nreel\t30 May\n", 2, "bought"),
        ("name\nblue\n", 1, "label"),
        ("label\n", 2, "label"),
    ];

    [Fact]
    public async Task A_paste_with_a_fault_names_row_and_column_and_changes_nothing()
    {
        var before = await Pieces();
        foreach (var (text, row, column) in Faulty)
        foreach (var path in new[] { "/api/shed/paste/look", "/api/shed/paste" })
        {
            var fault = (await (await client.Post(path, new { text })).Json()).GetProperty("faults")[0];
            Assert.Equal((row, column), (fault.GetProperty("line").GetInt32(), fault.GetProperty("column").GetString()));
            Assert.Equal(before, await Pieces());
        }
    }

    [Fact]
    public async Task The_matrix_gives_its_reasons_one_by_one_and_the_shed_is_looked_over()
    {
        var matrix = await client.GetJson("/api/shed/matrix");
        var (rod, line) = (matrix.GetProperty("rods")[7], matrix.GetProperty("lines")[7]);
        var why = await client.GetJson($"/api/shed/matrix/{rod.GetProperty("id")}/{line.GetProperty("id")}");
        Assert.Equal(matrix.GetProperty("rows")[7].GetProperty("verdicts")[7].GetString(), why.GetProperty("verdict").GetString());
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/api/shed/matrix/999/1", Now)).StatusCode);
        var review = await client.GetJson("/api/shed/review?budget=100");
        Assert.Equal(3, review.GetProperty("coverage").GetProperty("of").GetInt32());
        Assert.Equal(HttpStatusCode.BadRequest, (await client.GetAsync("/api/shed/review?budget=-1", Now)).StatusCode);
    }

    [Fact]
    public async Task Condition_price_dates_and_owner_are_kept_with_a_piece()
    {
        var rod = new Dictionary<string, object?>
        {
            ["name"] = "old",
            ["tag"] = "",
            ["lengthM"] = 2.7,
            ["massKg"] = .1,
            ["printedClass"] = 6,
            ["condition"] = "mend",
            ["price"] = 45,
            ["boughtOn"] = "2020-03-01",
            ["servicedOn"] = "2026-01-09",
            ["owner"] = " Ines ",
        };
        var kept = await (await client.Post("/api/shed/rods", rod)).Json();
        Assert.Equal("Ines", kept.GetProperty("owner").GetString());
        Assert.True(kept.GetProperty("toSeeTo").GetBoolean());
        rod["boughtOn"] = "2099-01-01";
        Assert.Contains("still to come", await Refused(await client.Post("/api/shed/rods", rod), "boughtOn"), StringComparison.Ordinal);
    }
}
