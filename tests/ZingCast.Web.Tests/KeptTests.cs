using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace ZingCast.Web.Tests;

/// <summary>Whatever is kept was looked at first, on the way in and when it is changed, and what is wrong is named.</summary>
public sealed class KeptTests(LoanShed shed) : IClassFixture<LoanShed>
{
    private readonly HttpClient client = shed.Client;

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    private static async Task<string[]> Refused(HttpResponseMessage answer)
    {
        Assert.True(answer.StatusCode == HttpStatusCode.BadRequest, $"{answer.StatusCode} {await answer.Content.ReadAsStringAsync(Now)}");
        return [.. (await answer.Json()).GetProperty("errors").EnumerateObject().Select(p => p.Name)];
    }

    private async Task<IEnumerable<string?>> Names() =>
        (await client.GetJson("/api/briefs")).EnumerateArray().Select(b => b.GetProperty("name").GetString());

    [Theory]
    [InlineData("""{"test":{"readings":[{"massKg":5e-324,"dropM":0.9}]}}""", "test.readings[0].massKg")]
    [InlineData("""{"test":{"readings":[]}}""", "test.readings")]
    [InlineData("""{"test":{"readings":[{"massKg":0.14,"dropM":0.914}],"on":"2999-01-01"}}""", "test.on")]
    [InlineData("""{"test":{"readings":[{"massKg":0.14,"dropM":0.914}],"on":"1066-10-14"}}""", "test.on")]
    [InlineData("""{"inspections":[{"on":"2026-03-14","points":{"keel":"sound"}}]}""", "inspections[0].points")]
    [InlineData("""{"inspections":[{"on":"2999-03-14","points":{"rings":"sound"}}]}""", "inspections[0].on")]
    [InlineData("""{"bend":{"lengthM":2.4,"buttNm2":1e-300,"taper":0.2}}""", "bend")]
    [InlineData("""{"name":"a\u0000b"}""", "name")]
    [InlineData("""{"tag":"R\u200b3"}""", "tag")]
    [InlineData("""{"note":"\u202etfel morf"}""", "note")]
    [InlineData("""{"lengthM":1e999}""", "lengthM")]
    public async Task A_rod_is_looked_at_whole_when_it_is_added_and_when_it_is_changed(string odd, string field)
    {
        var rod = JsonNode.Parse(await client.GetStringAsync("/api/shed", Now))!["rods"]![2]!.AsObject();
        rod["tag"] = "R77";
        var text = rod.ToJsonString().TrimEnd('}') + "," + odd.Trim()[1..];
        HttpContent Body() => new StringContent(text, Encoding.UTF8, "application/json");
        Assert.Contains(field, await Refused(await client.PostAsync("/api/shed/rods", Body(), Now)));
        Assert.Contains(field, await Refused(await client.PutAsync("/api/shed/rods/3", Body(), Now)));
        Assert.DoesNotContain("R77", await client.GetStringAsync("/api/shed", Now));
    }

    private async Task<HttpResponseMessage> Change(HttpMethod how, string path, JsonNode body, string? ifMatch)
    {
        using var change = new HttpRequestMessage(how, path)
        {
            Content = new StringContent(body.ToJsonString(), Encoding.UTF8, "application/json"),
        };
        if (ifMatch is not null)
            change.Headers.TryAddWithoutValidation("If-Match", ifMatch);
        return await client.SendAsync(change, Now);
    }

    [Fact]
    public async Task Whatever_is_kept_carries_its_version_as_a_tag_and_a_change_that_goes_on_from_an_older_one_is_refused()
    {
        var rod = JsonNode.Parse(await client.GetStringAsync("/api/shed", Now))!["rods"]![6]!.AsObject();
        var (path, version) = ($"/api/shed/rods/{rod["id"]}", (int)rod["version"]!);
        // The tag goes before what the body says.
        rod["version"] = 4711;
        var kept = await Change(HttpMethod.Put, path, rod, $"\"{version}\"");
        Assert.Equal(HttpStatusCode.OK, kept.StatusCode);
        Assert.Equal($"\"{version + 1}\"", kept.Headers.ETag!.Tag);
        rod["version"] = version + 1;
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Change(HttpMethod.Put, path, rod, $"\"{version}\"")).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Change(HttpMethod.Put, path, rod, "\"x\"")).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await Change(HttpMethod.Put, path, rod, null)).StatusCode);

        // A ticket in work is no piece of gear, and told the same.
        var ticket = await Change(
            HttpMethod.Post,
            "/api/reels/tickets",
            JsonNode.Parse("""{"reelId":5,"lineId":8,"backing":"poly20","backingM":100,"rightHand":false}""")!,
            null
        );
        var tag = ticket.Headers.ETag!.Tag;
        var reply = JsonNode.Parse("""{"reply":{"goOn":false},"version":0}""")!;
        var at = $"/api/reels/tickets/{(await ticket.Json()).GetProperty("id")}/reply";
        var next = await Change(HttpMethod.Post, at, reply, tag);
        Assert.Equal(HttpStatusCode.OK, next.StatusCode);
        Assert.NotEqual(tag, next.Headers.ETag!.Tag);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Change(HttpMethod.Post, at, reply, tag)).StatusCode);
    }

    [Theory]
    [InlineData("""{"pins":{"rodClass":1e9}}""", "pins.rodClass")]
    [InlineData("""{"pins":{"tippetM":-3}}""", "pins.tippetM")]
    [InlineData("""{"pins":{"density":"cheese"}}""", "pins.density")]
    [InlineData("""{"pins":{"rod":4711}}""", "pins.rod")]
    [InlineData("""{"off":["no.such.rule"]}""", "off[0]")]
    [InlineData("""{"off":["class.lean","fly.bulk"]}""", "off[1]")]
    [InlineData("""{"off":["class.lean","class.lean"]}""", "off")]
    [InlineData("""{"name":"\u2066\u2069"}""", "name")]
    [InlineData("""{"name":"  "}""", "name")]
    public async Task A_brief_is_looked_at_whole_when_it_is_added_and_when_it_is_changed(string odd, string field)
    {
        var text = """{"name":"Mullet","draft":{"species":"mullet"}""" + "," + odd[1..];
        Assert.Contains(
            field,
            await Refused(await client.PostAsync("/api/briefs", new StringContent(text, Encoding.UTF8, "application/json"), Now))
        );
        using var change = new HttpRequestMessage(HttpMethod.Put, "/api/briefs/1")
        {
            Content = new StringContent(text, Encoding.UTF8, "application/json"),
        };
        change.Headers.TryAddWithoutValidation("If-Match", "\"1\"");
        Assert.Contains(field, await Refused(await client.SendAsync(change, Now)));
        Assert.DoesNotContain(await Names(), name => name is "Mullet" or "");
    }

    [Fact]
    public async Task A_pin_on_a_piece_that_was_put_away_does_not_stop_the_rest_of_the_brief_from_being_kept()
    {
        await client.DeleteAsync("/api/shed/rods/5", Now);
        var kept = await client.Post(
            "/api/briefs",
            new
            {
                name = "Old friend",
                draft = new { species = "perch" },
                pins = new { rod = 5 },
            }
        );
        Assert.Equal(HttpStatusCode.OK, kept.StatusCode);
        Assert.Equal(
            ["pins.rod"],
            await Refused(await client.Post("/api/matching/solve", new { brief = new { }, pins = new { rod = 5 } }))
        );
    }

    [Fact]
    public async Task A_tag_is_the_same_however_the_space_around_it_was_typed()
    {
        Assert.Equal(
            ["tag"],
            await Refused(
                await client.Post(
                    "/api/shed/reels",
                    new
                    {
                        tag = " S2\u00a0 ",
                        name = "twin",
                        massKg = .1,
                    }
                )
            )
        );
        var added = await (
            await client.Post(
                "/api/shed/reels",
                new
                {
                    tag = " S\u00e9 ",
                    name = "  grey \t six ",
                    massKg = .1,
                }
            )
        ).Json();
        Assert.Equal("Sé", added.GetProperty("tag").GetString());
        Assert.Equal(
            ["tag"],
            await Refused(
                await client.Post(
                    "/api/shed/reels",
                    new
                    {
                        tag = "Se\u0301",
                        name = "twin",
                        massKg = .1,
                    }
                )
            )
        );
    }

    [Theory]
    [InlineData("""{"brief":{"distanceM":1e999}}""", "“brief.distanceM”")]
    [InlineData("""{"brief":{"water":"lagoon"}}""", "“brief.water”")]
    [InlineData("""{"pins":{}}""", "“brief” is missing")]
    [InlineData("""{"brief":{},"off":[null]}""", "“off”")]
    [InlineData("""{"brief":null}""", "“brief”")]
    [InlineData("""{"brief":{}} and more""", "line 1")]
    [InlineData("", "nothing in it")]
    public async Task What_cannot_be_read_names_its_field(string body, string words)
    {
        var answer = await client.PostAsync("/api/matching/solve", new StringContent(body, Encoding.UTF8, "application/json"), Now);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains(words, (await answer.Json()).GetProperty("title").GetString());
    }

    [Fact]
    public async Task What_is_too_much_or_in_the_wrong_place_is_told_in_words()
    {
        var much = await client.Post("/api/lines/csv", new { text = new string('a', 1_100_000) });
        Assert.Equal(HttpStatusCode.RequestEntityTooLarge, much.StatusCode);
        Assert.Contains("1 MB", (await much.Json()).GetProperty("title").GetString());
        var large = await Refused(await client.Post("/api/lines/csv", new { text = new string(';', 900_000) }));
        Assert.Equal(["line 1, position_m"], large);
        Assert.Contains("does not take", (await (await client.DeleteAsync("/briefs/1", Now)).Json()).GetProperty("title").GetString());
    }

    [Theory]
    [InlineData("application/json; charset=zing-7", HttpStatusCode.BadRequest)]
    [InlineData("application/json; charset=utf-16", HttpStatusCode.BadRequest)]
    [InlineData("text/plain", HttpStatusCode.UnsupportedMediaType)]
    [InlineData("application/json; charset=\"UTF-8\"", HttpStatusCode.OK)]
    public async Task Bodies_are_json_in_utf_8(string type, HttpStatusCode status)
    {
        using var body = new ByteArrayContent("""{"brief":{}}"""u8.ToArray());
        body.Headers.TryAddWithoutValidation("Content-Type", type);
        var answer = await client.PostAsync("/api/matching/solve", body, Now);
        Assert.Equal(status, answer.StatusCode);
        if (status != HttpStatusCode.OK)
            Assert.Contains("could not be read", (await answer.Json()).GetProperty("title").GetString());
    }
}
