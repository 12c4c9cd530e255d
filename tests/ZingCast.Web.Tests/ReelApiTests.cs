using System.Net;
using System.Text.Json;

namespace ZingCast.Web.Tests;

public sealed class ReelApiTests : IDisposable
{
    // A winder that is done in a moment.
    private readonly TestApp app = new(with: s => s with { WinderTurnsPerS = 5000 });
    private readonly HttpClient client;

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public ReelApiTests() => client = app.CreateClient();

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    private async Task<JsonElement> Piece(string kind, string tag) =>
        (await client.GetJson("/api/shed")).GetProperty(kind).EnumerateArray().Single(r => r.GetProperty("tag").GetString() == tag);

    private static int Id(JsonElement piece) => piece.GetProperty("id").GetInt32();

    private static async Task<string> Refused(HttpResponseMessage answer, string field)
    {
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        return (await answer.Json()).GetProperty("errors").GetProperty(field)[0].GetString()!;
    }

    private async Task<JsonElement> Ticket(string reel = "S5", string line = "L8", string spool = "its own", double backingM = 150)
    {
        var body = new
        {
            reelId = Id(await Piece("reels", reel)),
            spoolName = spool,
            lineId = Id(await Piece("lines", line)),
            backing = "poly20",
            backingM,
            rightHand = false,
        };
        return await (await client.Post("/api/reels/tickets", body)).Json();
    }

    private Task<HttpResponseMessage> Reply(JsonElement ticket, object reply) =>
        client.Post($"/api/reels/tickets/{Id(ticket)}/reply", new { reply, version = ticket.GetProperty("version").GetInt32() });

    private static JsonElement Step(JsonElement ticket) => ticket.GetProperty("steps")[ticket.GetProperty("at").GetInt32()];

    // Answers every step rightly until one of this kind; windings are done by the winder.
    private async Task<JsonElement> Until(JsonElement ticket, string? kind)
    {
        while (
            ticket.GetProperty("spoolId").ValueKind == JsonValueKind.Null
            && Step(ticket).GetProperty("kind").GetString() is var now
            && now != kind
        )
        {
            object reply = Step(ticket).GetProperty("way").GetString() switch
            {
                "choose" => new { choice = now == "direction" ? "anticlockwise" : "thin-end" },
                "measure" => new { measuredM = Step(ticket).GetProperty("expectM").GetDouble() },
                "wind" => await Wound(ticket),
                _ => new { },
            };
            ticket = await (await Reply(ticket, reply)).Json();
        }
        return ticket;
    }

    private async Task<object> Wound(JsonElement ticket)
    {
        await client.Post($"/api/reels/tickets/{Id(ticket)}/wind", new { on = true, version = ticket.GetProperty("version").GetInt32() });
        JsonElement now;
        do now = await client.GetJson($"/api/reels/tickets/{Id(ticket)}");
        while (now.GetProperty("running").GetBoolean());
        return new { turns = now.GetProperty("turns").GetDouble(), lengthM = now.GetProperty("lengthM").GetDouble() };
    }

    [Fact]
    public async Task A_ticket_is_wound_as_it_was_planned_within_what_the_counters_slip_and_the_shed_knows_it()
    {
        var wound = await Until(await Ticket(line: "L9"), null);
        var spool = (await client.GetJson("/api/shed"))
            .GetProperty("spools")
            .EnumerateArray()
            .Single(s => Id(s) == wound.GetProperty("spoolId").GetInt32());
        Assert.Equal(Id(await Piece("lines", "L9")), spool.GetProperty("lineId").GetInt32());
        Assert.InRange(spool.GetProperty("backingM").GetDouble(), 148, 152);
        // Taken back, L8 lies there again.
        var again = await client.Post($"/api/reels/tickets/{Id(wound)}/reopen", new { });
        Assert.Equal(HttpStatusCode.OK, again.StatusCode);
        var before = (await client.GetJson("/api/shed")).GetProperty("spools").EnumerateArray().Single(s => Id(s) == Id(spool));
        Assert.Equal(Id(await Piece("lines", "L8")), before.GetProperty("lineId").GetInt32());
        Assert.Equal(150, before.GetProperty("backingM").GetDouble());
    }

    [Fact]
    public async Task A_line_lies_on_one_spool_only_and_taken_back_it_lies_where_it_lay()
    {
        async Task<int[]> ReelsOf(int lineId) =>
            [
                .. (await client.GetJson("/api/shed"))
                    .GetProperty("spools")
                    .EnumerateArray()
                    .Where(s => s.GetProperty("lineId") is { ValueKind: JsonValueKind.Number } id && id.GetInt32() == lineId)
                    .Select(s => s.GetProperty("reelId").GetInt32()),
            ];
        var line = Id(await Piece("lines", "L8"));
        var wound = await Until(await Ticket("S6", "L8", backingM: 60), null);
        Assert.Equal([Id(await Piece("reels", "S6"))], await ReelsOf(line));
        await client.Post($"/api/reels/tickets/{Id(wound)}/reopen", new { });
        Assert.Equal([Id(await Piece("reels", "S5"))], await ReelsOf(line));
    }

    [Fact]
    public async Task A_counter_that_slips_is_told_before_anything_is_wound_over_it()
    {
        await client.Post("/api/devices/winder/slip", new { share = .1 });
        var ticket = await Until(await Ticket(), "backing");
        var reply = await Wound(ticket);
        Assert.Contains("disagree", await Refused(await Reply(ticket, reply), "believe"), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Two_who_answer_the_same_step_are_told_apart_and_a_spool_has_one_ticket_at_a_time()
    {
        var ticket = await Ticket();
        Assert.Equal(HttpStatusCode.OK, (await Reply(ticket, new { })).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Reply(ticket, new { })).StatusCode);
        var body = new
        {
            reelId = Id(await Piece("reels", "S5")),
            lineId = Id(await Piece("lines", "L9")),
            backing = "poly20",
            backingM = 90,
        };
        Assert.Equal(HttpStatusCode.Conflict, (await client.Post("/api/reels/tickets", body)).StatusCode);
        Assert.Contains(
            "fits",
            await Refused(await client.Post("/api/reels/tickets", body with { backingM = 900 }), "backingM"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Every_reel_of_the_shed_gets_an_answer_and_what_it_held_makes_it_sure()
    {
        var line = await Piece("lines", "L6");
        foreach (var reel in (await client.GetJson("/api/shed")).GetProperty("reels").EnumerateArray())
        {
            var fill = await (
                await client.Post(
                    "/api/reels/fill",
                    new
                    {
                        reel,
                        line,
                        backing = "poly20",
                        backingM = 70,
                    }
                )
            ).Json();
            Assert.True(fill.GetProperty("fill").GetProperty("fitsBackingM").GetDouble() >= 0);
            Assert.Equal(6, fill.GetProperty("backings").GetArrayLength());
        }
        var unknown = await Piece("reels", "S9");
        var held = new
        {
            backing = "poly20",
            backingM = 110,
            lineId = Id(line),
            gapM = .003,
            version = unknown.GetProperty("version").GetInt32(),
        };
        Assert.Equal(HttpStatusCode.OK, (await client.Post($"/api/reels/{Id(unknown)}/held", held)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await client.Post($"/api/reels/{Id(unknown)}/held", held)).StatusCode);
        var sure = await (
            await client.Post(
                "/api/reels/fill",
                new
                {
                    reel = await Piece("reels", "S9"),
                    line,
                    backing = "poly20",
                    backingM = 110,
                }
            )
        ).Json();
        Assert.Equal("knownFill", sure.GetProperty("fill").GetProperty("spool").GetProperty("known").GetString());
        Assert.Equal(110, sure.GetProperty("fill").GetProperty("fitsBackingM").GetDouble(), 3);
    }

    [Fact]
    public async Task A_fish_runs_and_an_entry_that_cannot_be_names_its_field()
    {
        var solved = await (await client.Post("/api/matching/solve", new { brief = new { species = "bonito" } })).Json();
        var outfit = solved.GetProperty("outfit");
        var body = new
        {
            reel = outfit.GetProperty("reel"),
            line = outfit.GetProperty("line"),
            leader = outfit.GetProperty("leader"),
            rod = outfit.GetProperty("rod"),
            backing = "gel50",
            backingM = 230,
            speciesId = "bonito",
            fishKg = 3.5,
            hold = new { dragN = 10 },
        };
        var run = await (await client.Post("/api/reels/run", body)).Json();
        Assert.InRange(run.GetProperty("run").GetProperty("runM").GetDouble(), 60, 200);
        Assert.True(run.GetProperty("wantsReel").GetBoolean());
        Assert.NotEmpty(run.GetProperty("changes").EnumerateArray());
        await Refused(await client.Post("/api/reels/run", body with { hold = new { dragN = 900 } }), "hold.dragN");
        await Refused(await client.Post("/api/reels/run", body with { speciesId = "kraken" }), "speciesId");
        await Refused(await client.Post("/api/reels/label", new { text = "a fine reel" }), "text");
    }

    private static Task<HttpResponseMessage> Wind(HttpClient by, JsonElement ticket, bool on) =>
        by.Post($"/api/reels/tickets/{Id(ticket)}/wind", new { on, version = ticket.GetProperty("version").GetInt32() });

    private static async Task<string> Told(HttpResponseMessage answer)
    {
        Assert.Equal(HttpStatusCode.Conflict, answer.StatusCode);
        return (await answer.Json()).GetProperty("title").GetString()!;
    }

    [Fact]
    public async Task A_ticket_that_is_put_away_while_it_turns_stops_the_winder()
    {
        using var slow = new TestApp(with: s => s with { WinderTurnsPerS = 1 });
        using var bench = slow.CreateClient();
        var shed = await bench.GetJson("/api/shed");
        int Of(string kind, string tag) => Id(shed.GetProperty(kind).EnumerateArray().Single(p => p.GetProperty("tag").GetString() == tag));
        async Task<JsonElement> Begin(string reel, string line) =>
            await (
                await bench.Post(
                    "/api/reels/tickets",
                    new
                    {
                        reelId = Of("reels", reel),
                        lineId = Of("lines", line),
                        spoolName = "its own",
                        backing = "poly20",
                        backingM = 60,
                    }
                )
            ).Json();
        async Task<JsonElement> ToWind(JsonElement ticket)
        {
            foreach (var reply in new object[] { new { }, new { choice = "anticlockwise" }, new { } })
                ticket = await (
                    await bench.Post(
                        $"/api/reels/tickets/{Id(ticket)}/reply",
                        new { version = ticket.GetProperty("version").GetInt32(), reply }
                    )
                ).Json();
            Assert.Equal("backing", Step(ticket).GetProperty("kind").GetString());
            return ticket;
        }
        var one = await ToWind(await Begin("S5", "L8"));
        Assert.True((await (await Wind(bench, one, true)).Json()).GetProperty("running").GetBoolean());
        Assert.Equal(HttpStatusCode.NoContent, (await bench.DeleteAsync($"/api/reels/tickets/{Id(one)}", Now)).StatusCode);
        // The winder is free for another at once; brought back, the first stands still.
        var other = await ToWind(await Begin("S6", "L9"));
        Assert.True((await (await Wind(bench, other, true)).Json()).GetProperty("running").GetBoolean());
        await bench.Post($"/api/reels/tickets/{Id(one)}/restore", new { });
        Assert.False((await bench.GetJson($"/api/reels/tickets/{Id(one)}")).GetProperty("running").GetBoolean());
    }

    [Theory]
    [InlineData("reels", "S5")]
    [InlineData("lines", "L8")]
    public async Task A_ticket_whose_reel_or_line_went_meanwhile_says_so_and_can_be_finished_when_it_is_back(string kind, string tag)
    {
        var ticket = await Until(await Ticket(), "leader");
        var piece = Id(await Piece(kind, tag));
        (await client.DeleteAsync($"/api/shed/{kind}/{piece}", Now)).EnsureSuccessStatusCode();
        Assert.Contains($"{tag} ", await Told(await Reply(ticket, new { })), StringComparison.Ordinal);
        await client.Post($"/api/shed/{kind}/{piece}/restore", new { });
        Assert.Equal(JsonValueKind.Number, (await (await Reply(ticket, new { })).Json()).GetProperty("spoolId").ValueKind);
    }

    [Fact]
    public async Task Two_programs_on_one_folder_never_wind_one_ticket()
    {
        var ticket = await Until(await Ticket(), "backing");
        using var beside = new TestApp(demo: false, s => s with { Data = app.Data, WinderTurnsPerS = .5 }, keep: true);
        using var there = beside.CreateClient();
        // Of both at once one gets it.
        Assert.Equal(HttpStatusCode.OK, (await Wind(there, ticket, true)).StatusCode);
        Assert.Contains("Another Zing Cast", await Told(await Wind(client, ticket, true)), StringComparison.Ordinal);
        Assert.Contains("Another Zing Cast", await Told(await Reply(ticket, new { lengthM = 1 })), StringComparison.Ordinal);
        Assert.Contains(
            "Another Zing Cast",
            await Told(await client.DeleteAsync($"/api/reels/tickets/{Id(ticket)}", Now)),
            StringComparison.Ordinal
        );
        // Stopped there, it goes on here.
        Assert.Equal(HttpStatusCode.OK, (await Wind(there, ticket, false)).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Wind(client, ticket, true)).StatusCode);
    }
}
