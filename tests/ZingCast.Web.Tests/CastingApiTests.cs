using System.Net;
using System.Text.Json;
using System.Text.Json.Nodes;
using ZingCast.Core.Casting;
using ZingCast.Web.Devices;

namespace ZingCast.Web.Tests;

public sealed class CastingApiTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly HttpClient client;

    public CastingApiTests() => client = app.CreateClient();

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    // A brief of the demo world, solved, and its outfit as a cast to throw.
    private async Task<JsonObject> Cast(object brief, Action<JsonObject>? change = null)
    {
        var solution = JsonNode.Parse((await (await client.Post("/api/matching/solve", new { brief })).Json()).GetRawText())!;
        var outfit = solution["outfit"]!;
        JsonObject cast = new()
        {
            ["brief"] = JsonSerializer.SerializeToNode(brief),
            ["rod"] = outfit["rod"]!.DeepClone(),
            ["line"] = outfit["line"]!.DeepClone(),
            ["leader"] = outfit["leader"]!.DeepClone(),
        };
        change?.Invoke(cast);
        return cast;
    }

    private static readonly object Skerries = new
    {
        flyKind = "baitfish",
        hookSize = 0,
        species = "sea-bass",
        distanceM = 15,
        windMps = 4,
        windFromDeg = 0,
    };

    [Fact]
    public async Task A_cast_comes_back_with_its_moments_its_margins_and_its_energy()
    {
        var answer = await (
            await client.Post("/api/casting/reach", await Cast(Skerries, c => c["gusts"] = new JsonObject { ["low"] = 2, ["high"] = 8 }))
        ).Json();
        var reach = answer.GetProperty("reach").GetProperty("value").GetDouble();
        Assert.True(answer.GetProperty("can").GetBoolean() == reach >= 15);
        Assert.Equal(reach - 15, answer.GetProperty("inHandM").GetDouble(), 1e-9);
        Assert.True(answer.GetProperty("moments").GetArrayLength() > 30);
        var joules = answer.GetProperty("joules").EnumerateObject().ToDictionary(p => p.Name, p => p.Value.GetDouble());
        Assert.Equal(1, joules.Where(j => j.Key != "launch").Sum(j => j.Value) / joules["launch"], .02);
    }

    [Theory]
    [InlineData(0, 2, 8)]
    [InlineData(180, -8, -2)]
    public async Task Gusts_spread_the_reach_about_the_mean_from_whichever_side_they_come(int from, double low, double high)
    {
        var answer = await (
            await client.Post(
                "/api/casting/reach",
                await Cast(
                    new
                    {
                        flyKind = "baitfish",
                        hookSize = 0,
                        windMps = 4,
                        windFromDeg = from,
                    },
                    c => c["gusts"] = new JsonObject { ["low"] = 2, ["high"] = 8 }
                )
            )
        ).Json();
        (double Low, double High) Spread(string name) =>
            (
                answer.GetProperty("gusts").GetProperty(name).GetProperty("low").GetDouble(),
                answer.GetProperty("gusts").GetProperty(name).GetProperty("high").GetDouble()
            );
        Assert.Equal((low, high), (Math.Round(Spread("headwindMps").Low, 9), Math.Round(Spread("headwindMps").High, 9)));
        var mean = answer.GetProperty("reach").GetProperty("value").GetDouble();
        Assert.True(Spread("reachM").Low < mean && mean <= Spread("reachM").High);
    }

    [Fact]
    public async Task What_the_ledger_promises_is_what_the_cast_gives()
    {
        var solved = await (await client.Post("/api/matching/solve", new { brief = Skerries })).Json();
        var answer = await (await client.Post("/api/casting/reach", await Cast(Skerries))).Json();
        Assert.Equal(
            solved.GetProperty("outfit").GetProperty("reachM").GetProperty("value").GetDouble(),
            answer.GetProperty("reach").GetProperty("value").GetDouble(),
            1e-9
        );
    }

    [Theory]
    [InlineData("wind", 1, 25)]
    [InlineData("classByWind", 15, 20)]
    [InlineData("carryBySpeed", 12, 16)]
    public async Task Each_map_has_its_axes_and_falls_off_where_it_must(string kind, int rows, int columns)
    {
        var map = await (await client.Post("/api/casting/map", await Cast(Skerries, c => c["kind"] = kind))).Json();
        var reach = map.GetProperty("reachM").EnumerateArray().Select(r => r.EnumerateArray().Select(v => v.GetDouble()).ToList()).ToList();
        Assert.Equal((rows, columns), (reach.Count, reach[0].Count));
        var (first, last) = (reach[rows / 2][0], reach[rows / 2][^1]);
        Assert.True(kind == "carryBySpeed" ? first < last : first > last);
    }

    [Fact]
    public async Task What_would_help_is_ranked_and_comes_true_when_it_is_done()
    {
        var answer = await (await client.Post("/api/casting/gains", new { brief = Skerries })).Json();
        var helps = answer.GetProperty("gains").EnumerateArray().ToList();
        var gains = helps.Select(h => h.GetProperty("gainM").GetDouble()).ToList();
        Assert.Equal(gains.OrderDescending(), gains);
        Assert.Superset(
            new HashSet<string?> { "leader", "smaller-fly", "haul", "loop", "class-up", "turn" },
            helps.Select(h => h.GetProperty("id").GetString()).ToHashSet()
        );
        var best = helps[0];
        var then = await (
            await client.Post("/api/matching/solve", new { brief = best.GetProperty("brief"), pins = best.GetProperty("pins") })
        ).Json();
        Assert.Equal(
            best.GetProperty("reach").GetProperty("value").GetDouble(),
            then.GetProperty("outfit").GetProperty("reachM").GetProperty("value").GetDouble(),
            1e-9
        );
    }

    [Fact]
    public async Task What_cannot_be_thrown_is_named_at_its_field()
    {
        async Task<string> Field(Action<JsonObject> spoil)
        {
            var response = await client.Post("/api/casting/reach", await Cast(Skerries, spoil));
            Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
            return (await response.Json()).GetProperty("errors").EnumerateObject().First().Name;
        }

        Assert.Equal("brief.casterLoopM", await Field(c => c["brief"]!["casterLoopM"] = 40));
        Assert.Equal("rod.lengthM", await Field(c => c["rod"]!["lengthM"] = 40));
        Assert.Equal("line.headKg", await Field(c => (c["line"]!["headKg"], c["line"]!["printedClass"]) = (null, null)));
        Assert.Equal("leader.pieces", await Field(c => c["leader"]!["pieces"] = new JsonArray()));
        Assert.Equal("gusts", await Field(c => c["gusts"] = new JsonObject { ["low"] = 9, ["high"] = 2 }));
    }

    [Theory]
    [InlineData("reach")]
    [InlineData("map")]
    [InlineData("gains")]
    public async Task A_cast_without_its_outfit_is_refused_in_words(string what)
    {
        var response = await client.Post($"/api/casting/{what}", new { });
        Assert.Equal(HttpStatusCode.BadRequest, response.StatusCode);
        Assert.Contains("could not be read", (await response.Json()).GetProperty("title").GetString());
    }

    [Fact]
    public async Task The_wind_meter_tells_the_last_minute_turned_to_ten_metres()
    {
        var reading = await client.GetJson("/api/devices/wind");
        var last = reading.GetProperty("lastMps").EnumerateArray().Select(v => v.GetDouble()).ToList();
        Assert.Equal(60, last.Count);
        Assert.Equal((last.Min(), last.Max()), (reading.GetProperty("lullMps").GetDouble(), reading.GetProperty("gustMps").GetDouble()));
        Assert.Contains("simulated", reading.GetProperty("name").GetString());
        var at = new Still(new DateTimeOffset(2026, 5, 4, 6, 0, 0, TimeSpan.Zero));
        var meter = new SimulatedWindMeter(at);
        var samples = await meter.ReadAsync(TimeSpan.FromMinutes(1), TestContext.Current.CancellationToken);
        Assert.Equal(samples, await meter.ReadAsync(TimeSpan.FromMinutes(1), TestContext.Current.CancellationToken));
        // Logarithmic law: two metres up there is about 0.85 of the wind at ten.
        Assert.Equal(.851, new CastDay(0, 0, 2).WindShare(meter.HeightM), .002);
    }

    private sealed class Still(DateTimeOffset at) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => at;
    }
}
