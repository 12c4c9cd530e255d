using System.Net;
using System.Text.Json;

namespace ZingCast.Web.Tests;

// Leaders, depth and rigging over HTTP.
public sealed class LeaderApiTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly HttpClient client;

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public LeaderApiTests() => client = app.CreateClient();

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    private static int Id(JsonElement piece) => piece.GetProperty("id").GetInt32();

    private static int Version(JsonElement piece) => piece.GetProperty("version").GetInt32();

    private async Task<JsonElement> Spool(string tag) =>
        (await client.GetJson("/api/shed"))
            .GetProperty("leaderSpools")
            .EnumerateArray()
            .Single(s => s.GetProperty("tag").GetString() == tag);

    private static async Task<string> Refused(HttpResponseMessage answer, string field)
    {
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        return (await answer.Json()).GetProperty("errors").GetProperty(field)[0].GetString()!;
    }

    private Task<HttpResponseMessage> Design(string school) =>
        client.Post(
            "/api/leaders/design",
            new
            {
                school,
                lengthM = 2.4,
                lineTipM = .001,
                tippetM = .00033,
            }
        );

    [Fact]
    public async Task A_leader_is_laid_out_from_the_pocket_kept_pinned_and_put_away()
    {
        var leader = await (await Design("knotted")).Json();
        var kept = await (
            await client.Post(
                "/api/shed/leaders",
                new
                {
                    tag = "",
                    name = "dawn",
                    leader,
                }
            )
        ).Json();
        Assert.Equal("K3", kept.GetProperty("tag").GetString());
        var solve = new { brief = new { species = "sea-bass" }, pins = new { leader = Id(kept) } };
        var solved = await (await client.Post("/api/matching/solve", solve)).Json();
        Assert.Equal(Id(kept), solved.GetProperty("outfit").GetProperty("tied").GetProperty("id").GetInt32());
        Assert.Equal(
            leader.GetProperty("lengthM").GetDouble(),
            solved.GetProperty("outfit").GetProperty("leader").GetProperty("lengthM").GetDouble(),
            9
        );
        var list = await (await client.Post("/api/leaders/tying", new { leaders = new[] { Id(kept) } })).Json();
        Assert.Equal(leader.GetProperty("pieces").GetArrayLength(), list.GetProperty("leaders")[0].GetProperty("cuts").GetArrayLength());
        await client.DeleteAsync($"/api/shed/leaders/{Id(kept)}", Now);
        Assert.Contains(
            "no longer",
            await Refused(await client.Post("/api/matching/solve", solve), "pins.leader"),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "any more",
            await Refused(await client.Post("/api/leaders/tying", new { leaders = new[] { Id(kept) } }), "leaders"),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task An_empty_pocket_ties_no_leader_and_says_so()
    {
        foreach (var spool in (await client.GetJson("/api/shed")).GetProperty("leaderSpools").EnumerateArray().ToList())
            await client.DeleteAsync($"/api/shed/leader-spools/{Id(spool)}", Now);
        Assert.Contains("two spools", await Refused(await Design("knotted"), "school"), StringComparison.Ordinal);
        Assert.Equal(HttpStatusCode.OK, (await Design("tapered")).StatusCode);
    }

    [Fact]
    public async Task A_leader_that_cannot_be_is_named_at_its_field()
    {
        object Of(object piece) => new { leader = new { pieces = new[] { piece } } };
        await Refused(await client.Post("/api/leaders/check", new { leader = new { pieces = Array.Empty<object>() } }), "leader.pieces");
        await Refused(
            await client.Post(
                "/api/leaders/check",
                Of(
                    new
                    {
                        part = "tippet",
                        lengthM = 2,
                        startM = .0002,
                        endM = .0002,
                        knot = "granny",
                    }
                )
            ),
            "leader.pieces"
        );
        await Refused(
            await client.Post(
                "/api/depth/solve",
                new
                {
                    brief = new { },
                    tippetM = .0002,
                    wish = new { countS = -1 },
                }
            ),
            "wish.countS"
        );
    }

    [Fact]
    public async Task What_a_tippet_broke_at_stays_with_its_spool_and_an_older_look_is_refused()
    {
        var spool = await Spool("T7");
        var hung = await (await client.Post("/api/devices/spring/hang", new { aboutN = 25 })).Json();
        Assert.False(hung.GetProperty("broke").GetBoolean());
        var now = hung;
        for (var pull = 1.0; !now.GetProperty("broke").GetBoolean(); pull += 1)
            now = await (await client.Post("/api/devices/spring/load", new { pullN = pull })).Json();
        var peak = now.GetProperty("peakN").GetDouble();
        Assert.InRange(peak, 20, 30);
        var broke = new
        {
            knot = "clinch",
            brokeN = peak,
            version = Version(spool),
        };
        var kept = await (await client.Post($"/api/leaders/spools/{Id(spool)}/breaks", broke)).Json();
        Assert.Equal(peak, kept.GetProperty("brokeN").GetDouble(), 9);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await client.Post($"/api/leaders/spools/{Id(spool)}/breaks", broke)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.Post("/api/leaders/spools/999/breaks", broke)).StatusCode);
    }

    [Fact]
    public async Task A_rig_is_ticked_in_order_with_the_hook_last_and_can_be_taken_back()
    {
        var ticket = await (
            await client.Post("/api/rigging/tickets", new { name = "dawn", solve = new { brief = new { species = "sea-bass" } } })
        ).Json();
        Task<HttpResponseMessage> Tick(string step, JsonElement on) =>
            client.Post($"/api/rigging/tickets/{Id(ticket)}/tick", new { step, version = Version(on) });
        Assert.Contains("hook last", await Refused(await Tick("fly", ticket), "step"), StringComparison.Ordinal);
        var first = ticket.GetProperty("steps")[0].GetProperty("id").GetString()!;
        var next = await (await Tick(first, ticket)).Json();
        Assert.Equal(1, next.GetProperty("at").GetInt32());
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Tick(first, ticket)).StatusCode);
        var back = await (await client.Post($"/api/rigging/tickets/{Id(ticket)}/untick", new { version = Version(next) })).Json();
        Assert.Equal(0, back.GetProperty("at").GetInt32());
        await Refused(await client.Post($"/api/rigging/tickets/{Id(ticket)}/untick", new { version = Version(back) }), "version");
        // Progress is in the file, not in the page.
        Assert.Equal(Version(back), Version(await client.GetJson($"/api/rigging/tickets/{Id(ticket)}")));
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync("/api/rigging/knots/granny", Now)).StatusCode);
    }
}
