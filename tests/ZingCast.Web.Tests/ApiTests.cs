using System.Net;
using System.Text;

namespace ZingCast.Web.Tests;

public sealed class ApiTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly HttpClient client;

    public ApiTests() => client = app.CreateClient();

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    [Fact]
    public async Task The_demo_opens_with_three_briefs_and_a_full_shed()
    {
        Assert.Equal(3, (await client.GetJson("/api/briefs")).GetArrayLength());
        var shed = await client.GetJson("/api/shed");
        Assert.Equal(
            (12, 20, 10),
            (
                shed.GetProperty("rods").GetArrayLength(),
                shed.GetProperty("lines").GetArrayLength(),
                shed.GetProperty("reels").GetArrayLength()
            )
        );
    }

    [Fact]
    public async Task A_brief_is_solved_into_nine_links_with_their_reasons()
    {
        var response = await client.Post(
            "/api/matching/solve",
            new
            {
                brief = new
                {
                    flyKind = "baitfish",
                    hookSize = 0,
                    species = "sea-bass",
                    distanceM = 17,
                    windMps = 4.1,
                    windFromDeg = 315,
                },
            }
        );
        Assert.Equal(HttpStatusCode.OK, response.StatusCode);
        var solution = await response.Json();
        Assert.Equal(9, solution.GetProperty("chain").GetArrayLength());
        var first = solution.GetProperty("ledger")[0];
        Assert.Equal("fly.bulk", first.GetProperty("rule").GetProperty("id").GetString());
        Assert.Equal("practice", first.GetProperty("source").GetProperty("mark").GetString());
        Assert.Contains("cover", solution.GetProperty("brief").GetProperty("assumed").EnumerateArray().Select(a => a.GetString()));
    }

    [Theory]
    [InlineData("""{"brief":{"distanceM":900}}""", "brief.distanceM")]
    [InlineData("""{"brief":{"species":"kraken"}}""", "brief.species")]
    [InlineData("""{"brief":{"windMps":-1}}""", "brief.windMps")]
    [InlineData("""{"brief":{},"pins":{"rod":4711}}""", "pins.rod")]
    [InlineData("""{"brief":{},"pins":{"tippetM":0.5}}""", "pins.tippetM")]
    public async Task A_bad_field_is_named_in_problem_details(string body, string field)
    {
        var response = await client.PostAsync("/api/matching/solve", new StringContent(body, Encoding.UTF8, "application/json"), Now);
        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Equal("application/problem+json", response.Content.Headers.ContentType!.MediaType);
        Assert.NotEmpty((await response.Json()).GetProperty("errors").GetProperty(field)[0].GetString()!);
    }

    [Theory]
    [InlineData("{")]
    [InlineData("""{"brief":{"distanceM":"far"}}""")]
    [InlineData("""{"brief":{"water":"lagoon"}}""")]
    [InlineData("""{"brief":{"hookSize":1e99}}""")]
    [InlineData("{}")]
    [InlineData("""{"brief":null}""")]
    public async Task What_cannot_be_read_at_all_is_refused_in_words(string body)
    {
        var response = await client.PostAsync("/api/matching/solve", new StringContent(body, Encoding.UTF8, "application/json"), Now);
        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Contains("could not be read", (await response.Json()).GetProperty("title").GetString());
    }

    [Fact]
    public async Task A_brief_is_kept_changed_and_guarded_against_a_lost_update()
    {
        var kept = await client.Post("/api/briefs", new { name = "Mullet at dusk", draft = new { species = "mullet" } });
        var id = (await kept.Json()).GetProperty("id").GetInt32();
        var tag = kept.Headers.ETag!.ToString();

        var changed = await client.Put(
            $"/api/briefs/{id}",
            new
            {
                name = "Mullet at dawn",
                draft = new { species = "mullet", distanceM = 14 },
                pins = new { tippetM = .0002 },
                off = new[] { "class.lean" },
            },
            tag
        );
        Assert.Equal(HttpStatusCode.OK, changed.StatusCode);
        var late = await client.Put($"/api/briefs/{id}", new { name = "Lost", draft = new { } }, tag);
        Assert.Equal(HttpStatusCode.PreconditionFailed, late.StatusCode);

        var read = await client.GetJson($"/api/briefs/{id}");
        Assert.Equal("Mullet at dawn", read.GetProperty("name").GetString());
        Assert.Equal(14, read.GetProperty("draft").GetProperty("distanceM").GetDouble());
        Assert.Equal(.0002, read.GetProperty("pins").GetProperty("tippetM").GetDouble());
        Assert.Equal("class.lean", read.GetProperty("off")[0].GetString());
    }

    [Fact]
    public async Task A_brief_with_a_fault_is_not_kept_and_the_old_one_stands()
    {
        var bad = await client.Put("/api/briefs/1", new { name = "", draft = new { distanceM = 0.1 } }, "\"1\"");
        Assert.Equal(HttpStatusCode.BadRequest, bad.StatusCode);
        var errors = (await bad.Json()).GetProperty("errors");
        Assert.True(errors.TryGetProperty("name", out _));
        Assert.True(errors.TryGetProperty("draft.distanceM", out _));
        Assert.Equal(55 * .3048, (await client.GetJson("/api/briefs/1")).GetProperty("draft").GetProperty("distanceM").GetDouble(), 9);
    }

    [Fact]
    public async Task What_is_put_away_can_be_brought_back()
    {
        foreach (
            var path in new[]
            {
                "/api/briefs/1",
                "/api/shed/rods/3",
                "/api/shed/lines/11",
                "/api/shed/reels/5",
                "/api/shed/scraps/2",
                "/api/shed/calibrations/1",
            }
        )
        {
            Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync(path, Now)).StatusCode);
            Assert.Equal(HttpStatusCode.NoContent, (await client.PostAsync($"{path}/restore", null, Now)).StatusCode);
        }
        Assert.Equal(3, (await client.GetJson("/api/briefs")).GetArrayLength());
        Assert.Equal(12, (await client.GetJson("/api/shed")).GetProperty("rods").GetArrayLength());
        Assert.Equal(HttpStatusCode.NotFound, (await client.DeleteAsync("/api/shed/rods/999", Now)).StatusCode);
    }

    [Fact]
    public async Task A_piece_whose_tag_was_given_away_meanwhile_stays_put_away_and_says_why()
    {
        await client.DeleteAsync("/api/shed/rods/3", Now);
        Assert.Equal(
            HttpStatusCode.OK,
            (
                await client.Post(
                    "/api/shed/rods",
                    new
                    {
                        tag = "R3",
                        name = "the new one",
                        lengthM = 2.7432,
                        massKg = .1,
                        printedClass = 6,
                    }
                )
            ).StatusCode
        );
        var back = await client.PostAsync("/api/shed/rods/3/restore", null, Now);
        Assert.Equal(HttpStatusCode.Conflict, back.StatusCode);
        Assert.Contains("same tag", (await back.Json()).GetProperty("title").GetString());
        Assert.Equal(
            "the new one",
            (await client.GetJson("/api/shed"))
                .GetProperty("rods")
                .EnumerateArray()
                .Single(r => r.GetProperty("tag").GetString() == "R3")
                .GetProperty("name")
                .GetString()
        );
    }

    // Hook gapes recalled, see the table of hooks; sizes are written with and without the sign.
    [Theory]
    [InlineData("%2312", "#12", 4.6)]
    [InlineData("12", "#12", 4.6)]
    [InlineData("2/0", "2/0", 14.2)]
    public async Task A_hook_is_read_as_people_write_it(string text, string name, double gapeMm)
    {
        var hook = await client.GetJson($"/api/measures/hook?text={text}");
        Assert.Equal(name, hook.GetProperty("name").GetString());
        Assert.Equal(gapeMm, hook.GetProperty("gapeM").GetDouble() * 1000, 9);
        Assert.Equal(HttpStatusCode.BadRequest, (await client.GetAsync("/api/measures/hook?text=enormous", Now)).StatusCode);
    }

    [Fact]
    public async Task A_rod_added_to_the_shed_is_matched_and_a_faulty_one_is_refused_field_by_field()
    {
        var refused = await client.Post(
            "/api/shed/rods",
            new
            {
                tag = "a tag too long",
                name = "new",
                lengthM = 12,
                massKg = .1,
                printedClass = 6,
            }
        );
        var errors = (await refused.Json()).GetProperty("errors");
        Assert.True(errors.TryGetProperty("tag", out _) && errors.TryGetProperty("lengthM", out _));
        var taken = await client.Post(
            "/api/shed/rods",
            new
            {
                tag = "R3",
                name = "double",
                lengthM = 2.7,
                massKg = .1,
                printedClass = 6,
            }
        );
        Assert.Contains("already", (await taken.Json()).GetProperty("errors").GetProperty("tag")[0].GetString());

        var added = await client.Post(
            "/api/shed/rods",
            new
            {
                tag = "R99",
                name = "borrowed",
                lengthM = 2.8956,
                massKg = .105,
                printedClass = 8,
                measuredClass = 8.5,
                measuredPlusMinus = .3,
                printedAction = "mediumFast",
            }
        );
        Assert.Equal(HttpStatusCode.OK, added.StatusCode);
        var brief = (await client.GetJson("/api/briefs/1")).GetProperty("draft");
        var solution = await (await client.Post("/api/matching/solve", new { brief })).Json();
        Assert.Equal("R99", solution.GetProperty("outfit").GetProperty("rod").GetProperty("tag").GetString());
    }

    [Theory]
    [InlineData("length", "60ft", 18.288)]
    [InlineData("windSpeed", "18 kn", 9.26)]
    public async Task Typed_measures_are_read(string kind, string text, double value) => Assert.Equal(value, (
                await (
                    await client.Post(
                        "/api/measures/read",
                        new
                        {
                            kind,
                            text,
                            metric = true,
                        }
                    )
                ).Json()
            ).GetProperty("value").GetDouble(), 3);

    [Fact]
    public async Task A_measure_that_cannot_be_read_is_answered_at_its_field()
    {
        var response = await client.Post(
            "/api/measures/read",
            new
            {
                kind = "windSpeed",
                text = "12ft",
                metric = true,
            }
        );
        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Contains("does not measure", (await response.Json()).GetProperty("errors").GetProperty("text")[0].GetString());
    }

    [Fact]
    public async Task The_shelf_of_standards_is_sent_with_its_source_marks()
    {
        var standards = await client.GetJson("/api/standards");
        Assert.All(
            standards.GetProperty("tables").EnumerateArray(),
            t => Assert.NotEmpty(t.GetProperty("source").GetProperty("note").GetString()!)
        );
        Assert.Equal(
            .3048,
            standards
                .GetProperty("units")
                .EnumerateArray()
                .Single(u => u.GetProperty("kind").GetString() == "length")
                .GetProperty("trade")
                .GetProperty("scale")
                .GetDouble()
        );
    }

    [Fact]
    public async Task Nothing_is_lost_when_the_house_is_closed_and_opened_again()
    {
        await client.Post("/api/briefs", new { name = "Kept overnight", draft = new { species = "perch", flyWetKg = .0005 } });
        var copy = app.Data + "-copy";
        Directory.CreateDirectory(copy);
        foreach (var file in Directory.GetFiles(app.Data))
            File.Copy(file, Path.Combine(copy, Path.GetFileName(file)));
        using var again = new TestApp(demo: true, settings => settings with { Data = copy });
        var names = (await again.CreateClient().GetJson("/api/briefs"))
            .EnumerateArray()
            .Select(b => b.GetProperty("name").GetString())
            .ToList();
        Assert.Equal(4, names.Count);
        Assert.Contains("Kept overnight", names);
    }

    [Fact]
    public async Task Without_the_demo_the_shed_is_empty_until_the_loan_shed_is_borrowed()
    {
        using var own = new TestApp(demo: false);
        var guest = own.CreateClient();
        Assert.Equal(0, (await guest.GetJson("/api/shed")).GetProperty("rods").GetArrayLength());
        var solution = await (await guest.Post("/api/matching/solve", new { brief = new { } })).Json();
        Assert.Equal(4, solution.GetProperty("chain").EnumerateArray().Count(l => l.GetProperty("verdict").GetString() == "toBuy"));
        await guest.PostAsync("/api/shed/demo", null, Now);
        await guest.PostAsync("/api/shed/demo", null, Now);
        Assert.Equal(12, (await guest.GetJson("/api/shed")).GetProperty("rods").GetArrayLength());
        Assert.Equal(3, (await guest.GetJson("/api/briefs")).GetArrayLength());
    }

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }
}
