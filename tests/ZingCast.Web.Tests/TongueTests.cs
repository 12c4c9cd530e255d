using System.Net;

namespace ZingCast.Web.Tests;

/// <summary>What people type, as they type it: kept, shown and understood.</summary>
public sealed class TongueTests(LoanShed shed) : IClassFixture<LoanShed>
{
    private readonly HttpClient client = shed.Client;

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    [Fact]
    public async Task What_was_typed_is_kept_with_the_brief_and_must_say_the_number()
    {
        var draft = new { distanceM = 18.0, said = new { distanceM = "18 m" } };
        var kept = await (await client.Post("/api/briefs", new { name = "typed", draft })).Json();
        Assert.Equal("18 m", kept.GetProperty("draft").GetProperty("said").GetProperty("distanceM").GetString());

        var other = new { distanceM = 17.0, said = new { distanceM = "18 m" } };
        var refused = await client.Post("/api/briefs", new { name = "typed", draft = other });
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.True((await refused.Json()).GetProperty("errors").TryGetProperty("draft.said.distanceM", out _));
    }

    // Trying another number leaves what was typed behind: it is solved all the same, and what would help can be kept as it is offered.
    [Fact]
    public async Task What_was_typed_never_stands_in_the_way_of_trying_something_else()
    {
        var draft = new
        {
            distanceM = 18.0,
            flyWetKg = .001,
            flyKind = "baitfish",
            said = new { distanceM = "18 m", flyWetKg = "1 g" },
        };
        var pins = new { leaderM = 3.0, said = new { leaderM = "3 m" } };
        var gains = await (await client.Post("/api/casting/gains", new { brief = draft, pins })).Json();
        foreach (var gain in gains.GetProperty("gains").EnumerateArray())
        {
            var kept = await client.Post(
                "/api/briefs",
                new
                {
                    name = gain.GetProperty("id").GetString(),
                    draft = gain.GetProperty("brief"),
                    pins = gain.GetProperty("pins"),
                }
            );
            Assert.True(kept.IsSuccessStatusCode, $"{gain.GetProperty("id")}: {await kept.Content.ReadAsStringAsync(Now)}");
        }
        var stale = new { distanceM = 17.0, said = new { distanceM = "18 m" } };
        Assert.True((await client.Post("/api/matching/solve", new { brief = stale })).IsSuccessStatusCode);
    }

    [Theory]
    [InlineData("windSpeed", "12", "mph", 12 * .44704, "12 mph")]
    [InlineData("windSpeed", "5", "Beaufort", 9.35, "F5")]
    [InlineData("distance", "60", null, 60 * .3048, "60 ft")]
    public async Task A_bare_number_is_in_the_unit_the_reader_chose(string kind, string text, string? unit, double si, string said)
    {
        var read = await (
            await client.Post(
                "/api/measures/read",
                new
                {
                    kind,
                    text,
                    metric = false,
                    unit,
                }
            )
        ).Json();
        Assert.Equal(si, read.GetProperty("value").GetDouble(), 9);
        Assert.Equal(said, read.GetProperty("said").GetString());
    }

    // A tag and a name are suggested, never demanded.
    [Fact]
    public async Task Gear_goes_into_the_shed_by_its_label_alone()
    {
        var label = await (await client.Post("/api/shed/label", new { text = "WF6F" })).Json();
        Assert.Equal(("L21", "WF6F"), (label.GetProperty("tag").GetString(), label.GetProperty("name").GetString()));
        var line = label.GetProperty("line");
        var kept = await (await client.Post("/api/shed/lines", line)).Json();
        Assert.Equal(("L21", "WF6F"), (kept.GetProperty("tag").GetString(), kept.GetProperty("name").GetString()));
        // The same again is another piece.
        Assert.Equal("L22", (await (await client.Post("/api/shed/lines", line)).Json()).GetProperty("tag").GetString());

        var nothing = await client.Post("/api/shed/label", new { text = "a good rod" });
        Assert.Contains("such as 9ft 6", await nothing.Content.ReadAsStringAsync(Now));
    }

    [Fact]
    public async Task Every_line_of_the_shed_is_a_candidate_and_a_brief_says_in_short_what_it_comes_to()
    {
        var draft = (await client.GetJson("/api/briefs/1")).GetProperty("draft");
        var lines = await (await client.Post("/api/matching/candidates", new { link = "head", brief = draft })).Json();
        Assert.Equal((await client.GetJson("/api/shed")).GetProperty("lines").GetArrayLength(), lines.GetArrayLength());
        var outcome = await client.GetJson("/api/briefs/1/outcome");
        Assert.Equal("look", outcome.GetProperty("verdict").GetString());
        Assert.Contains("R6", outcome.GetProperty("rod").ToString());
        Assert.False(outcome.GetProperty("line").GetProperty("toBuy").GetBoolean());
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/api/briefs/999/outcome", Now)).StatusCode);
    }
}
