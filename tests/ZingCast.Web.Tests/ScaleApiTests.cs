using System.Net;
using System.Text.Json;
using Microsoft.Extensions.Time.Testing;

namespace ZingCast.Web.Tests;

/// <summary>The simulated bench scale, on a clock of its own.</summary>
public sealed class ScaleApiTests : IDisposable
{
    private readonly FakeTimeProvider clock = new(TimeProvider.System.GetUtcNow());
    private readonly TestApp app;
    private readonly HttpClient client;

    public ScaleApiTests()
    {
        app = new(clock: clock);
        client = app.CreateClient();
    }

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    private async Task<JsonElement> Read() => await client.GetJson("/api/devices/scale");

    private async Task<JsonElement> Lay(double kg, string? words = null) =>
        await (await client.Post("/api/devices/scale/lay", new { kg, words })).Json();

    private Task<HttpResponseMessage> Tare() => client.Post("/api/devices/scale/tare", new { });

    // A second at a time until the swing is over.
    private async Task<JsonElement> Settled()
    {
        for (var second = 0; second < 10; second++)
        {
            if (await Read() is var seen && seen.GetProperty("settled").GetBoolean())
                return seen;
            clock.Advance(TimeSpan.FromSeconds(1));
        }
        throw new TimeoutException("It never settled.");
    }

    [Theory]
    [InlineData(.014)]
    [InlineData(.205)]
    public async Task It_swings_settles_wanders_and_is_tared(double kg)
    {
        await Lay(0);
        await Tare();
        var laid = await Lay(kg);
        Assert.False(laid.GetProperty("settled").GetBoolean());
        Assert.True(laid.GetProperty("simulated").GetBoolean());
        // Heavy or light, what it shows at rest is as good as it says.
        var rest = await Settled();
        var plusMinus = rest.GetProperty("plusMinusKg").GetDouble();
        Assert.Equal(kg, rest.GetProperty("kg").GetDouble(), plusMinus);
        var refused = await client.Post("/api/devices/scale/lay", new { kg = -1.0 });
        Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        Assert.Equal(["kg"], (await refused.Json()).GetProperty("errors").EnumerateObject().Select(e => e.Name));
        // Tared before it is at rest, it still shows nothing for what lies on it.
        await Lay(.01);
        await Tare();
        Assert.Equal(0, (await Read()).GetProperty("kg").GetDouble(), plusMinus);
        // Some minutes on it shows something for nothing, until it is tared again.
        clock.Advance(TimeSpan.FromMinutes(4.5));
        Assert.InRange((await Read()).GetProperty("kg").GetDouble(), .00005, .0002);
        await Tare();
        Assert.Equal(0, (await Read()).GetProperty("kg").GetDouble(), .00003);
    }

    [Fact]
    public async Task It_knows_what_lies_on_it_and_says_why_a_reading_is_none()
    {
        await Lay(0);
        await Settled();
        await Tare();
        Assert.Contains("Nothing lies", (await Settled()).GetProperty("refused").GetString());
        Assert.Equal("D4", (await Lay(.012, "D4")).GetProperty("onPan").GetString());
        Assert.Equal(JsonValueKind.Null, (await Settled()).GetProperty("refused").ValueKind);
        await Tare();
        Assert.Contains("tared with something", (await Settled()).GetProperty("refused").GetString());
    }
}
