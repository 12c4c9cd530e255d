using System.Net;
using System.Net.Http.Json;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Time.Testing;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Tests;

public sealed class RequestGuardTests
{
    private const string Key = "Größe „12; 3“ =, %41";

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    private static TestApp Locked() => new(true, settings => settings with { Host = "0.0.0.0", AccessKey = Key });

    private static async Task<HttpResponseMessage> Ask(
        HttpClient client,
        HttpMethod method,
        string path,
        params (string Name, string Value)[] headers
    )
    {
        // As it is written: the client would tidy the address up.
        using var request = new HttpRequestMessage(
            method,
            new Uri(
                client.BaseAddress!.ToString().TrimEnd('/') + path,
                new UriCreationOptions { DangerousDisablePathAndQueryCanonicalization = true }
            )
        );
        if (method == HttpMethod.Post)
            request.Content = JsonContent.Create(new { brief = new { } });
        foreach (var (name, value) in headers)
            request.Headers.TryAddWithoutValidation(name, value);
        return await client.SendAsync(request, Now);
    }

    private static async Task<HttpStatusCode> Send(
        HttpClient client,
        HttpMethod method,
        string path,
        params (string Name, string Value)[] headers
    ) => (await Ask(client, method, path, headers)).StatusCode;

    private static Task<HttpResponseMessage> Offer(HttpClient client, string key, string to = "/") =>
        client.PostAsync("/key", new FormUrlEncodedContent(new Dictionary<string, string> { ["key"] = key, ["to"] = to }), Now);

    [Fact]
    public async Task Writes_are_taken_from_its_own_pages_and_from_no_other()
    {
        using var app = new TestApp();
        var client = app.CreateClient();
        var own = client.BaseAddress!.ToString().TrimEnd('/');
        Assert.Equal(
            HttpStatusCode.OK,
            await Send(client, HttpMethod.Post, "/api/matching/solve", ("Origin", own), ("Sec-Fetch-Site", "same-origin"))
        );
        Assert.Equal(
            HttpStatusCode.Forbidden,
            await Send(client, HttpMethod.Post, "/api/matching/solve", ("Origin", "http://elsewhere.example"))
        );
        // Another port of this machine is the same site and another origin.
        foreach (var site in new[] { "cross-site", "same-site" })
            Assert.Equal(HttpStatusCode.Forbidden, await Send(client, HttpMethod.Post, "/api/matching/solve", ("Sec-Fetch-Site", site)));
    }

    [Fact]
    public async Task It_answers_only_to_names_of_this_machine()
    {
        using var app = new TestApp();
        Assert.Equal(
            HttpStatusCode.MisdirectedRequest,
            await Send(app.CreateClient(), HttpMethod.Get, "/api/briefs", ("Host", "pointed-here.example"))
        );
    }

    [Fact]
    public async Task A_browser_is_asked_for_the_key_on_a_page_and_carries_a_session_that_is_not_the_key()
    {
        using var app = Locked();
        var client = app.CreateClient();
        var asked = await Ask(client, HttpMethod.Get, "/briefs/2?show=reference&key=old+habit", ("Accept", "text/html,*/*"));
        Assert.Equal((HttpStatusCode.Unauthorized, "text/html"), (asked.StatusCode, asked.Content.Headers.ContentType!.MediaType));
        Assert.Contains("value=\"/briefs/2?show=reference\"", await asked.Content.ReadAsStringAsync(Now));

        var wrong = await Offer(client, "a guess");
        Assert.Equal(HttpStatusCode.Unauthorized, wrong.StatusCode);
        Assert.Contains("not the key", await wrong.Content.ReadAsStringAsync(Now));

        // Any characters, and an accent typed as a sign of its own.
        var right = await Offer(client, Key.Replace("ö", "o\u0308"), "/briefs/2");
        Assert.Equal((HttpStatusCode.SeeOther, "/briefs/2"), (right.StatusCode, right.Headers.Location!.ToString()));
        var cookie = right.Headers.GetValues("Set-Cookie").Single();
        Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=strict", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.DoesNotContain("Gr", cookie, StringComparison.Ordinal);
        var session = ("Cookie", cookie.Split(';')[0]);
        Assert.Equal(HttpStatusCode.OK, await Send(client, HttpMethod.Get, "/api/briefs", session));

        // Made for this start: the next house with the same key knows nothing of it.
        using var next = Locked();
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(next.CreateClient(), HttpMethod.Get, "/api/briefs", session));
    }

    [Theory]
    [InlineData("//elsewhere.example")]
    [InlineData("/\\elsewhere.example")]
    [InlineData("https://elsewhere.example")]
    [InlineData("/a\r\nSet-Cookie: b=c")]
    public async Task The_key_leads_nowhere_else(string to)
    {
        using var app = Locked();
        var right = await Offer(app.CreateClient(), Key, to);
        Assert.Equal((HttpStatusCode.SeeOther, "/"), (right.StatusCode, right.Headers.Location!.ToString()));
    }

    [Fact]
    public async Task Programs_send_the_key_in_a_header_and_nobody_in_the_address()
    {
        using var app = new TestApp(true, settings => settings with { Host = "0.0.0.0", AccessKey = "a long enough key" });
        var client = app.CreateClient();
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(client, HttpMethod.Get, "/api/briefs"));
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(client, HttpMethod.Get, "/api/briefs?key=a+long+enough+key"));
        Assert.Equal(
            HttpStatusCode.Unauthorized,
            await Send(client, HttpMethod.Get, "/api/briefs", ("X-Zing-Key", "a guess of some sort"))
        );
        Assert.Equal(HttpStatusCode.OK, await Send(client, HttpMethod.Get, "/api/briefs", ("X-Zing-Key", "a long enough key")));
    }

    [Fact]
    public async Task Each_browser_has_a_session_of_its_own_that_can_be_ended_by_itself()
    {
        using var app = Locked();
        var client = app.CreateClient();
        async Task<(string, string)> ComeIn() =>
            ("Cookie", (await Offer(client, Key)).Headers.GetValues("Set-Cookie").Single().Split(';')[0]);
        var (one, other) = (await ComeIn(), await ComeIn());
        Assert.NotEqual(one, other);
        var all = await (await Ask(client, HttpMethod.Get, "/api/sessions", one)).Json();
        Assert.Equal([true, false], all.EnumerateArray().Select(s => s.GetProperty("own").GetBoolean()));
        var theirs = all[1].GetProperty("id").GetInt32();
        Assert.Equal(HttpStatusCode.NoContent, await Send(client, HttpMethod.Delete, $"/api/sessions/{theirs}", one));
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(client, HttpMethod.Get, "/api/briefs", other));
        Assert.Equal(HttpStatusCode.OK, await Send(client, HttpMethod.Get, "/api/briefs", one));
        Assert.Equal(HttpStatusCode.NotFound, await Send(client, HttpMethod.Delete, $"/api/sessions/{theirs}", one));
        var own = all[0].GetProperty("id").GetInt32();
        Assert.Equal(HttpStatusCode.NoContent, await Send(client, HttpMethod.Delete, $"/api/sessions/{own}", one));
        Assert.Equal(HttpStatusCode.Unauthorized, await Send(client, HttpMethod.Get, "/api/briefs", one));
        // Where no key is asked for there are none.
        using var open = new TestApp();
        Assert.Empty((await open.CreateClient().GetJson("/api/sessions")).EnumerateArray());
    }

    // The door by itself, with a clock of its own.
    private sealed class Door
    {
        private readonly AccessKey key;

        public Door() => key = new("a long enough key", new Sessions(Clock), Clock, NullLogger<AccessKey>.Instance);

        public FakeTimeProvider Clock { get; } = new();

        public async Task<int> Try(string offered, string from = "192.0.2.1")
        {
            using var services = new ServiceCollection().AddProblemDetails().AddLogging().BuildServiceProvider();
            var context = new DefaultHttpContext { RequestServices = services };
            context.Connection.RemoteIpAddress = IPAddress.Parse(from);
            context.Request.Path = "/api/briefs";
            context.Request.Headers[AccessKey.Header] = offered;
            return await key.TurnsAwayAsync(context) ? context.Response.StatusCode : 200;
        }
    }

    private static async Task Settled(Task task, bool done)
    {
        if (done)
            await task.WaitAsync(Now);
        else
            await Eventually.Settled();
        Assert.Equal(done, task.IsCompleted);
    }

    [Fact]
    public async Task A_wrong_key_is_answered_the_later_the_more_of_them_came_and_the_right_one_at_once()
    {
        var door = new Door();
        for (var slip = 0; slip < 4; slip++)
            Assert.Equal(401, await door.Try("a guess"));
        foreach (var seconds in new[] { 1, 2, 4, 8, 8 })
        {
            var late = door.Try("a guess");
            door.Clock.Advance(TimeSpan.FromSeconds(.98 * seconds));
            await Settled(late, false);
            // Whoever has it does not wait for whoever guesses, on the same address or another.
            Assert.Equal(200, await door.Try("a long enough key"));
            Assert.Equal(200, await door.Try("a long enough key", "192.0.2.2"));
            door.Clock.Advance(TimeSpan.FromSeconds(.04 * seconds));
            await Settled(late, true);
            Assert.Equal(401, await late);
        }
        // A quarter of an hour of quiet forgives.
        door.Clock.Advance(TimeSpan.FromMinutes(14.8));
        await Settled(door.Try("a guess"), false);
        door.Clock.Advance(TimeSpan.FromMinutes(15.2));
        Assert.Equal(401, await door.Try("a guess"));
    }

    [Fact]
    public async Task Of_many_guesses_side_by_side_twenty_a_second_are_looked_at()
    {
        var door = new Door();
        var guesses = Enumerable.Range(0, 50).Select(i => door.Try($"guess {i}", $"192.0.2.{i}")).ToList();
        door.Clock.Advance(TimeSpan.FromSeconds(.97));
        Assert.Equal(429, await door.Try("a guess", "198.51.100.1"));
        door.Clock.Advance(TimeSpan.FromSeconds(.06));
        Assert.Equal(200, await door.Try("a long enough key"));
        var answers = await Task.WhenAll(guesses);
        Assert.Equal((20, 30), (answers.Count(a => a == 401), answers.Count(a => a == 429)));
        // Whoever has the key may ask as often as they like.
        for (var asked = 0; asked < 100; asked++)
            Assert.Equal(200, await door.Try("a long enough key"));
    }

    [Fact]
    public async Task Nothing_that_is_kept_lies_in_a_cache()
    {
        using var app = new TestApp();
        var client = app.CreateClient();
        foreach (var path in new[] { "/api/briefs", "/api/briefs/1", "/api/shed", "/api/nothing", "/api/standards", "/api/backup/file" })
            Assert.Contains(
                "no-store",
                (await Ask(client, HttpMethod.Get, path)).Headers.CacheControl!.ToString(),
                StringComparison.Ordinal
            );
    }

    private static Settings Started(string[] args, params (string Name, string Value)[] variables) =>
        Settings.From(args, name => variables.FirstOrDefault(v => v.Name == name).Value);

    [Fact]
    public void It_starts_only_from_its_own_switches_and_variables()
    {
        var foreign = Started(
            [],
            ("HOST", "0.0.0.0"),
            ("DEMO", "true"),
            ("PORT", "80"),
            ("DATA", "/elsewhere"),
            ("URLS", "http://*:80"),
            ("ASPNETCORE_URLS", "http://*:80"),
            ("Kestrel__Endpoints__A__Url", "http://*:80")
        );
        Assert.Equal(("127.0.0.1", Settings.UsualPort, false), (foreign.Host, foreign.Port, foreign.Demo));
        var own = Started(["--port", "5200", "--demo", "--data=/tmp/shed"], ("ZING_PORT", "5300"), ("ZING_HOST", "::1"));
        Assert.Equal(("::1", 5200, true, "/tmp/shed", "http://[::1]:5200"), (own.Host, own.Port, own.Demo, own.Data, own.Url));
    }

    [Theory]
    [InlineData("key", "--host", "0.0.0.0")]
    [InlineData("not a port", "--port", "harbour")]
    [InlineData("not a port", "--port", "70000")]
    [InlineData("no switch", "--Kestrel:Endpoints:Open:Url=http://0.0.0.0:80")]
    [InlineData("no switch", "--urls", "http://0.0.0.0:80")]
    [InlineData("needs a value", "--data")]
    public void What_cannot_be_meant_is_said_in_a_line(string words, params string[] args) =>
        Assert.Contains(words, Assert.Throws<StartupException>(() => Started(args)).Message);

    [Fact]
    public async Task A_foreign_setting_opens_no_second_door()
    {
        Environment.SetEnvironmentVariable("ASPNETCORE_URLS", "http://127.0.0.1:59871");
        Environment.SetEnvironmentVariable("Kestrel__Endpoints__Open__Url", "http://127.0.0.1:59872");
        try
        {
            using var app = new TestApp(demo: false);
            using var elsewhere = new HttpClient { Timeout = TimeSpan.FromSeconds(5) };
            foreach (var port in new[] { 59871, 59872 })
                await Assert.ThrowsAsync<HttpRequestException>(() => elsewhere.GetAsync($"http://127.0.0.1:{port}/", Now));
        }
        finally
        {
            Environment.SetEnvironmentVariable("ASPNETCORE_URLS", null);
            Environment.SetEnvironmentVariable("Kestrel__Endpoints__Open__Url", null);
        }
    }

    // Everything that can be asked for: pages, every file that is served, the contract, figures, refusals of every kind.
    [Fact]
    public async Task Whatever_is_answered_carries_its_protection()
    {
        using var app = new TestApp();
        var client = app.CreateClient();
        var served = Path.Combine(TestApp.Root, "src", "ZingCast.Web", "wwwroot");
        string[] files =
        [
            .. Directory
                .GetFiles(served, "*", SearchOption.AllDirectories)
                .Select(f => "/" + Path.GetRelativePath(served, f).Replace('\\', '/')),
        ];
        Assert.Contains("/index.html", files);
        string[] others =
        [
            "/",
            "/briefs/1",
            "/INDEX.HTML",
            "//index.html",
            "/./index.html",
            "/%69ndex.html",
            "/index.html/",
            "/assets/../index.html",
            "/nothing.txt",
            "/api/nothing",
            "/api/briefs",
            "/api/briefs/999",
            "/api/standards",
            "/api/lines/5/profile.csv",
            "/api/data/copy",
            "/openapi/v1.json",
            "/api/measures/hook?text=enormous",
            "/api/cutting/head-for-rod",
        ];
        foreach (var path in files.Concat(others))
        foreach (var method in new[] { HttpMethod.Get, HttpMethod.Head, HttpMethod.Post })
            Protected(await Ask(client, method, path), $"{method} {path}");
        Protected(await Ask(client, HttpMethod.Get, "/", ("Host", "pointed-here.example")), "a foreign name");
        Protected(await Ask(client, HttpMethod.Post, "/api/briefs", ("Origin", "http://elsewhere.example")), "a foreign write");
        using var locked = Locked();
        Protected(await Ask(locked.CreateClient(), HttpMethod.Get, "/", ("Accept", "text/html")), "the page that asks for the key");

        static void Protected(HttpResponseMessage answer, string what)
        {
            string Of(string header) =>
                answer.Headers.TryGetValues(header, out var values) ? string.Join(' ', values)
                : answer.Content.Headers.TryGetValues(header, out values) ? string.Join(' ', values)
                : "";
            Assert.True(
                Of("Content-Security-Policy").StartsWith("default-src 'none'", StringComparison.Ordinal)
                    && Of("Content-Security-Policy").Contains("frame-ancestors 'none'"),
                $"{what}: {answer.StatusCode}, policy {Of("Content-Security-Policy")}"
            );
            Assert.DoesNotContain("unsafe", Of("Content-Security-Policy"));
            Assert.Equal(
                ("DENY", "nosniff", "same-origin", "same-origin"),
                (Of("X-Frame-Options"), Of("X-Content-Type-Options"), Of("Referrer-Policy"), Of("Cross-Origin-Resource-Policy"))
            );
            if (answer.Content.Headers.ContentType?.MediaType == "text/html")
                Assert.Contains("'nonce-", Of("Content-Security-Policy"));
        }
    }

    [Fact]
    public async Task Answers_come_small_to_who_can_unpack_them()
    {
        using var app = new TestApp();
        var client = app.CreateClient();
        var plain = await client.GetByteArrayAsync("/api/standards", Now);
        var packed = await Ask(client, HttpMethod.Get, "/api/standards", ("Accept-Encoding", "br"));
        Assert.Equal("br", packed.Content.Headers.ContentEncoding.Single());
        Assert.True((await packed.Content.ReadAsByteArrayAsync(Now)).Length < plain.Length / 3);
    }

    [Fact]
    public async Task An_unknown_address_is_said_to_be_one()
    {
        using var app = new TestApp();
        Assert.Equal(HttpStatusCode.NotFound, await Send(app.CreateClient(), HttpMethod.Get, "/api/nothing"));
    }
}
