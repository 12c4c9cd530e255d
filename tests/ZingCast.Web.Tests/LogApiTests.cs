using System.Net;
using System.Text.Json;
using Ical.Net;

namespace ZingCast.Web.Tests;

/// <summary>Log, learning, care and what is brought in, over HTTP.</summary>
public sealed class LogApiTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly HttpClient client;

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public LogApiTests() => client = app.CreateClient();

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    private static async Task<string> Refused(HttpResponseMessage answer, string field)
    {
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        return (await answer.Json()).GetProperty("errors").GetProperty(field)[0].GetString()!;
    }

    private static async Task<JsonElement> Done(HttpResponseMessage answer)
    {
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync(Now));
        return answer.StatusCode == HttpStatusCode.NoContent ? default : await answer.Json();
    }

    private async Task<int> Total(string query = "") => (await client.GetJson($"/api/log?{query}")).GetProperty("total").GetInt32();

    [Fact]
    public async Task An_outing_from_a_brief_has_its_outfit_and_day_and_is_kept_changed_and_put_away()
    {
        var blank = await client.GetJson("/api/log/new?brief=1");
        Assert.Equal(
            (6, 11, 5),
            (blank.GetProperty("rodId").GetInt32(), blank.GetProperty("lineId").GetInt32(), blank.GetProperty("reelId").GetInt32())
        );
        Assert.Equal("The Skerries, Seal Ledge", blank.GetProperty("place").GetString());
        Assert.True(blank.GetProperty("salt").GetBoolean());
        var kept = await Done(await client.Post("/api/log", blank));
        var id = kept.GetProperty("id").GetInt32();
        // Sent once more, because the answer never came, it is the same outing; another one does not take its key.
        Assert.Equal(id, (await Done(await client.Post("/api/log", blank))).GetProperty("id").GetInt32());
        var other = JsonSerializer.Deserialize<Dictionary<string, object>>(blank.GetRawText())!;
        other["place"] = "elsewhere";
        Assert.Contains("already", await Refused(await client.Post("/api/log", other), "key"), StringComparison.Ordinal);
        Assert.Equal(65, await Total());
        var changed = JsonSerializer.Deserialize<Dictionary<string, object>>(kept.GetRawText())!;
        changed["note"] = "glassy";
        await Done(await client.Put($"/api/log/{id}", changed));
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await client.Put($"/api/log/{id}", changed)).StatusCode);
        Assert.Equal(1, await Total("text=glassy%20R6"));
        await Done(await client.DeleteAsync($"/api/log/{id}", Now));
        Assert.Equal(64, await Total());
        await Done(await client.Post($"/api/log/{id}/restore", new { }));
        Assert.Equal(65, await Total());
    }

    [Fact]
    public async Task A_piece_nobody_has_and_a_day_to_come_are_refused_at_their_field()
    {
        Assert.Contains(
            "rod",
            await Refused(
                await client.Post(
                    "/api/log",
                    new
                    {
                        key = "abcdefgh01",
                        on = "2026-05-01",
                        rodId = 99,
                    }
                ),
                "rodId"
            ),
            StringComparison.Ordinal
        );
        Assert.NotEmpty(await Refused(await client.Post("/api/log", new { key = "abcdefgh01", on = "2126-05-01" }), "on"));
        Assert.NotEmpty(
            await Refused(
                await client.Post(
                    "/api/log",
                    new
                    {
                        key = "abcdefgh01",
                        on = "2026-05-01",
                        caster = "own-77",
                    }
                ),
                "caster"
            )
        );
        Assert.Equal(64, await Total());
    }

    private async Task<double> Reach(string caster)
    {
        var solved = await Done(await client.Post("/api/matching/solve", new { brief = new { caster, distanceM = 18 } }));
        return solved.GetProperty("outfit").GetProperty("reachM").GetProperty("value").GetDouble();
    }

    [Fact]
    public async Task What_casts_teach_is_accepted_counts_everywhere_and_is_taken_back()
    {
        var before = await Reach("own-1");
        Assert.Equal(await Reach("club"), before);
        var ina = (await client.GetJson("/api/log/learning")).GetProperty("casters")[0];
        Assert.True(ina.GetProperty("offered").GetBoolean());
        var evidence = ina.GetProperty("casts").GetInt32();
        Assert.Equal(
            HttpStatusCode.Conflict,
            (
                await client.Post(
                    "/api/log/learning/caster",
                    new
                    {
                        casterId = "own-1",
                        accept = true,
                        evidence = evidence - 1,
                    }
                )
            ).StatusCode
        );
        var decided = await Done(
            await client.Post(
                "/api/log/learning/caster",
                new
                {
                    casterId = "own-1",
                    accept = true,
                    evidence,
                }
            )
        );
        var after = await Reach("own-1");
        Assert.True(after > before, $"{before} → {after}");
        var again = (await client.GetJson("/api/log/learning")).GetProperty("casters")[0];
        Assert.False(again.GetProperty("offered").GetBoolean());
        // A lesson that counts is still held against what was taken before it.
        foreach (var was in (string[])["before", "reachBefore", "beforeM"])
            Assert.Equal(ina.GetProperty("fit").GetProperty(was).ToString(), again.GetProperty("fit").GetProperty(was).ToString());
        var lesson = decided.GetProperty("lesson").GetProperty("id").GetInt32();
        await Done(await client.DeleteAsync($"/api/log/lessons/{lesson}", Now));
        Assert.Equal(before, await Reach("own-1"));
        await Done(await client.Post($"/api/log/lessons/{lesson}/restore", new { }));
        Assert.Equal(after, await Reach("own-1"));
        // Somebody who was put away still casts in the briefs that name them.
        await Done(await client.DeleteAsync("/api/log/casters/1", Now));
        Assert.Equal(after, await Reach("own-1"));
    }

    [Fact]
    public async Task Casts_logged_under_a_preset_become_a_persons_with_their_briefs()
    {
        for (var i = 0; i < 6; i++)
            await Done(
                await client.Post(
                    "/api/log",
                    new
                    {
                        key = $"preset000{i}",
                        on = "2026-05-01",
                        kind = "grass",
                        caster = "skilled",
                        rodId = 6,
                        lineId = 8,
                        casts = new[]
                        {
                            new
                            {
                                distanceM = 24 + i / 2.0,
                                by = "taped",
                                carryM = 13,
                                allOut = true,
                            },
                        },
                    }
                )
            );
        var offered = (await client.GetJson("/api/log/learning"))
            .GetProperty("casters")
            .EnumerateArray()
            .Single(c => c.GetProperty("casterId").GetString() == "skilled");
        Assert.False(offered.GetProperty("own").GetBoolean());
        object Said(string name) =>
            new
            {
                casterId = "skilled",
                accept = true,
                evidence = 6,
                name,
                briefs = true,
            };
        Assert.NotEmpty(await Refused(await client.Post("/api/log/learning/caster", Said("")), "name"));
        Assert.Contains(
            "already",
            await Refused(await client.Post("/api/log/learning/caster", Said("Ina")), "name"),
            StringComparison.Ordinal
        );
        Assert.Equal(1, (await client.GetJson("/api/log/casters")).GetArrayLength());
        var id = (await Done(await client.Post("/api/log/learning/caster", Said("Tobin")))).GetProperty("casterId").GetString();
        Assert.Equal("own-2", id);
        Assert.Equal(
            6,
            (await client.GetJson("/api/log?take=500"))
                .GetProperty("rows")
                .EnumerateArray()
                .Count(r => r.GetProperty("outing").GetProperty("caster").GetString() == id)
        );
        Assert.Equal(id, (await client.GetJson("/api/briefs/2")).GetProperty("draft").GetProperty("caster").GetString());
        Assert.Equal("club", (await client.GetJson("/api/briefs/1")).GetProperty("draft").GetProperty("caster").GetString());
    }

    [Fact]
    public async Task Feeling_shifts_the_load_a_rod_likes_only_when_it_was_accepted()
    {
        async Task<double> Ideal()
        {
            var solved = await Done(
                await client.Post("/api/matching/solve", new { brief = new { species = "grayling" }, pins = new { rod = 1, line = 1 } })
            );
            return solved.GetProperty("outfit").GetProperty("load").GetProperty("ideal").GetDouble();
        }
        var rule = await Ideal();
        var one = (await client.GetJson("/api/log/learning"))
            .GetProperty("rods")
            .EnumerateArray()
            .Single(r => r.GetProperty("tag").GetString() == "R1");
        var shift = one.GetProperty("feel").GetProperty("shift").GetDouble();
        Assert.Equal(rule, await Ideal());
        var decided = await Done(
            await client.Post(
                "/api/log/learning/rod",
                new
                {
                    rodId = 1,
                    accept = true,
                    evidence = one.GetProperty("votes").GetInt32(),
                }
            )
        );
        Assert.Equal(rule + shift, await Ideal(), 6);
        await Done(await client.DeleteAsync($"/api/log/lessons/{decided.GetProperty("lesson").GetProperty("id").GetInt32()}", Now));
        Assert.Equal(rule, await Ideal());
    }

    [Fact]
    public async Task What_was_done_leaves_the_list_and_comes_back_when_it_is_taken_back()
    {
        async Task<string?> State(string key) =>
            (await client.GetJson("/api/care"))
                .GetProperty("list")
                .GetProperty("items")
                .EnumerateArray()
                .Where(i => i.GetProperty("key").GetString() == key)
                .Select(i => i.GetProperty("state").GetString())
                .FirstOrDefault();
        Assert.Equal("due", await State("reel-rinse-5"));
        var done = await Done(await client.Post("/api/care/services", new { taskId = "reel-rinse", pieceId = 5 }));
        Assert.Null(await State("reel-rinse-5"));
        await Done(await client.DeleteAsync($"/api/care/services/{done.GetProperty("id").GetInt32()}", Now));
        Assert.Equal("due", await State("reel-rinse-5"));
        Assert.NotEmpty(await Refused(await client.Post("/api/care/services", new { taskId = "reel-rinse", pieceId = 99 }), "pieceId"));
        Assert.NotEmpty(await Refused(await client.Post("/api/care/services", new { taskId = "polish", pieceId = 5 }), "taskId"));
        Assert.NotEmpty(await Refused(await client.Post("/api/care/services", new { taskId = "line-cut", pieceId = 11 }), "amountM"));
    }

    [Fact]
    public async Task A_line_that_is_cut_back_is_shorter_and_grows_again_when_that_is_taken_back()
    {
        async Task<JsonElement> Line() =>
            (await client.GetJson("/api/shed"))
                .GetProperty("lines")
                .EnumerateArray()
                .Single(l => l.GetProperty("tag").GetString() == "L11");
        double Head(JsonElement line) => line.GetProperty("headM").GetDouble();
        var before = await Line();
        var cut = await Done(
            await client.Post(
                "/api/care/services",
                new
                {
                    taskId = "line-cut",
                    pieceId = 11,
                    amountM = .4,
                }
            )
        );
        Assert.Equal(Head(before) - .4, Head(await Line()), 9);
        Assert.True((await Line()).GetProperty("headKg").GetDouble() < before.GetProperty("headKg").GetDouble());
        var id = cut.GetProperty("id").GetInt32();
        await Done(await client.DeleteAsync($"/api/care/services/{id}", Now));
        Assert.Equal(Head(before), Head(await Line()));
        await Done(await client.Post($"/api/care/services/{id}/restore", new { }));
        Assert.Equal(Head(before) - .4, Head(await Line()), 9);
        // What was done to the line since is not undone with it.
        var other = JsonSerializer.Deserialize<Dictionary<string, object>>((await Line()).GetRawText())!;
        other["name"] = "renamed";
        await Done(await client.Put("/api/shed/lines/11", other));
        Assert.Equal(HttpStatusCode.Conflict, (await client.DeleteAsync($"/api/care/services/{id}", Now)).StatusCode);
        Assert.NotEmpty(
            await Refused(
                await client.Post(
                    "/api/care/services",
                    new
                    {
                        taskId = "line-cut",
                        pieceId = 11,
                        amountM = 10 + Head(before),
                    }
                ),
                "amountM"
            )
        );
    }

    [Fact]
    public async Task What_falls_due_stands_in_a_calendar_that_others_read_and_before_the_trip()
    {
        var calendar = Calendar.Load(await client.GetStringAsync("/api/care/calendar.ics", Now))!;
        Assert.True(calendar.Events.Count > 10);
        Assert.Equal(calendar.Events.Count, calendar.Events.Select(e => e.Uid).Distinct().Count());
        Assert.All(calendar.Events, e => Assert.True(e.Start!.Value.Date >= DateTime.Today.AddDays(-1)));
        Assert.Contains(calendar.Events, e => e.Summary!.StartsWith("S5 wide-arbor eight: rinse the reel", StringComparison.Ordinal));
        var pack = (await client.Packing(1)).GetProperty("list");
        var care = pack.GetProperty("care").EnumerateArray().Select(i => i.GetProperty("key").GetString()).ToList();
        Assert.Contains("reel-rinse-5", care);
        // R10 stays at home, and what it wants can wait.
        Assert.DoesNotContain("rod-inspect-10", care);
        Assert.Contains(pack.GetProperty("tasks").EnumerateArray(), t => t.GetProperty("key").GetString() == "care-reel-rinse-5");
    }

    [Fact]
    public async Task A_copy_is_looked_into_and_put_back_and_what_was_here_is_kept()
    {
        var everything = await client.GetStringAsync("/api/backup/file", Now);
        await Done(await client.DeleteAsync("/api/shed/rods/9", Now));
        var back = await Done(await client.Post("/api/backup/read", new { text = everything, merge = "replace" }));
        var kept = back.GetProperty("kept").GetString()!;
        Assert.Equal(12, (await client.GetJson("/api/shed")).GetProperty("rods").GetArrayLength());
        var differs = (await client.GetJson($"/api/backup/copies/{kept}")).GetProperty("differs");
        Assert.Equal("rods", Assert.Single(differs.EnumerateArray()).GetProperty("list").GetString());
        await Done(await client.Post($"/api/backup/copies/{kept}/restore", new { }));
        Assert.Equal(11, (await client.GetJson("/api/shed")).GetProperty("rods").GetArrayLength());
        Assert.Equal(2, (await client.GetJson("/api/data")).GetProperty("copies").GetArrayLength());
        // Nothing but a copy is opened.
        foreach (var name in new[] { "zingcast.db", "..%2F..%2Fetc%2Fpasswd", "replaced-x.db" })
            Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/api/backup/copies/{name}", Now)).StatusCode);
    }

    [Fact]
    public async Task A_sheet_is_looked_at_and_read_all_or_nothing()
    {
        var bad = await Done(await client.Post("/api/log/csv", new { text = "on,rod\n2026-05-01,R6\nyesterday,R6\n" }));
        var fault = Assert.Single(bad.GetProperty("faults").EnumerateArray());
        Assert.Equal((3, "on"), (fault.GetProperty("line").GetInt32(), fault.GetProperty("column").GetString()));
        Assert.Equal(64, await Total());
        var good = new { text = "on,rod,casts\n2026-05-01,R6,22 paced out\n2026-05-02,R6,\n" };
        await Done(await client.Post("/api/log/csv/look", good));
        Assert.Equal(64, await Total());
        await Done(await client.Post("/api/log/csv", good));
        Assert.Equal(66, await Total());
        var sheet = await client.GetStringAsync("/api/log/log.csv", Now);
        Assert.Equal(67, sheet.TrimEnd().Split('\n').Length);
    }
}
