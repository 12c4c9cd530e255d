using System.Net;
using System.Net.Http.Json;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Tests;

public sealed class DoorTests
{
    private static CancellationToken Now => TestContext.Current.CancellationToken;

    private static async Task<HttpStatusCode> Send(HttpClient client, HttpMethod method, string path, params (string Name, string Value)[] headers)
    {
        using var request = new HttpRequestMessage(method, path);
        if (method == HttpMethod.Post) request.Content = JsonContent.Create(new { brief = new { } });
        foreach (var (name, value) in headers)
            request.Headers.TryAddWithoutValidation(name, value);
        return (await client.SendAsync(request, Now)).StatusCode;
    }

    [Fact]
    public async Task Writes_are_taken_from_its_own_pages_and_from_no_other()
    {
        using var house = new House();
        var client = house.CreateClient();
        Assert.Equal(HttpStatusCode.OK, await Send(client, HttpMethod.Post, "/api/matching/solve", ("Origin", "http://localhost"), ("Sec-Fetch-Site", "same-origin")));
        Assert.Equal(HttpStatusCode.Forbidden, await Send(client, HttpMethod.Post, "/api/matching/solve", ("Origin", "http://elsewhere.example")));
        Assert.Equal(HttpStatusCode.Forbidden, await Send(client, HttpMethod.Post, "/api/matching/solve", ("Sec-Fetch-Site", "cross-site")));
    }

    [Fact]
    public async Task It_answers_only_to_names_of_this_machine()
    {
        using var house = new House();
        Assert.Equal(HttpStatusCode.MisdirectedRequest, await Send(house.CreateClient(), HttpMethod.Get, "/api/briefs", ("Host", "pointed-here.example")));
    }

    [Fact]
    public async Task Beyond_this_machine_everybody_needs_the_key()
    {
        using var house = new House(true, ("host", "0.0.0.0"), ("access-key", "a long enough key"));
        var client = house.CreateClient();
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(client, HttpMethod.Get, "/api/briefs"));
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(client, HttpMethod.Get, "/api/briefs", ("X-Zing-Key", "a guess of some sort")));
        Assert.Equal(HttpStatusCode.OK, await Send(client, HttpMethod.Get, "/api/briefs", ("X-Zing-Key", "a long enough key")));
    }

    [Fact]
    public void It_will_not_open_to_others_without_a_key_nor_on_something_that_is_no_port()
    {
        Assert.Contains("key", Assert.Throws<StartupException>(() => ZingApp.Build(["--host", "0.0.0.0"])).Message);
        Assert.Contains("not a port", Assert.Throws<StartupException>(() => ZingApp.Build(["--port", "harbour"])).Message);
    }

    [Fact]
    public async Task Every_answer_forbids_sniffing_and_an_unknown_address_is_said_to_be_one()
    {
        using var house = new House();
        var response = await house.CreateClient().GetAsync("/api/nothing", Now);
        Assert.Equal(HttpStatusCode.NotFound, response.StatusCode);
        Assert.Equal("nosniff", response.Headers.GetValues("X-Content-Type-Options").Single());
    }
}
