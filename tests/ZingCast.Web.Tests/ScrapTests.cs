using System.Net;

namespace ZingCast.Web.Tests;

/// <summary>A piece of line is in one place: in the drawer, in one job, or in the one line made of it.</summary>
public sealed class ScrapTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly HttpClient client;

    public ScrapTests() => client = app.CreateClient();

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    // Whole pieces, so that nothing is left to cut.
    private async Task<HttpResponseMessage> Begin(params int[] scraps)
    {
        var drawer = (await client.GetJson("/api/shed/scraps"))
            .EnumerateArray()
            .ToDictionary(s => s.GetProperty("id").GetInt32(), s => s.GetProperty("lengthM").GetDouble());
        return await client.Post(
            "/api/cutting/jobs",
            new
            {
                target = new { lengthM = 9.0, massKg = .012 },
                pieces = scraps.Select(id => new
                {
                    scrapId = id,
                    fromM = 0.0,
                    toM = drawer[id],
                    turned = false,
                }),
            }
        );
    }

    private async Task<(string Path, int Version)> Begun(params int[] scraps)
    {
        var job = await (await Begin(scraps)).Json();
        return ($"/api/cutting/jobs/{job.GetProperty("id").GetInt32()}", job.GetProperty("version").GetInt32());
    }

    private Task<HttpResponseMessage> Bare(HttpMethod method, string path) => client.SendAsync(new(method, path), Now);

    private Task<HttpResponseMessage> Finish((string Path, int Version) job, string tag) =>
        client.Post(
            $"{job.Path}/finish",
            new
            {
                tag,
                name = "made",
                version = job.Version,
            }
        );

    private static HttpStatusCode[] Sorted(IEnumerable<HttpResponseMessage> answers) => [.. answers.Select(a => a.StatusCode).Order()];

    [Fact]
    public async Task Of_several_who_begin_on_one_scrap_at_once_exactly_one_does()
    {
        for (var round = 0; round < 20; round++)
        {
            // Pairs that share a piece, so that none of them may win beside another.
            var answers = await Task.WhenAll(Begin(1, 2), Begin(2, 3), Begin(3, 1), Begin(1, 2, 3));
            var won = Assert.Single(answers, a => a.IsSuccessStatusCode);
            Assert.All(answers.Where(a => a != won), a => Assert.Equal(HttpStatusCode.Conflict, a.StatusCode));
            Assert.Equal(1, (await client.GetJson("/api/cutting/jobs")).GetArrayLength());
            Assert.Equal(
                HttpStatusCode.NoContent,
                (await Bare(HttpMethod.Delete, $"/api/cutting/jobs/{(await won.Json()).GetProperty("id").GetInt32()}")).StatusCode
            );
        }
    }

    [Fact]
    public async Task A_job_is_finished_once_and_taken_apart_once_however_many_ask()
    {
        var job = await Begun(1, 2);
        var lines = (await client.GetJson("/api/shed")).GetProperty("lines").GetArrayLength();
        var finished = await Task.WhenAll(Enumerable.Range(0, 6).Select(i => Finish(job, $"H{i}")));
        Assert.Equal([HttpStatusCode.OK, .. Enumerable.Repeat(HttpStatusCode.PreconditionFailed, 5)], Sorted(finished));
        Assert.Equal(lines + 1, (await client.GetJson("/api/shed")).GetProperty("lines").GetArrayLength());
        var apart = await Task.WhenAll(Enumerable.Range(0, 6).Select(_ => Bare(HttpMethod.Post, $"{job.Path}/reopen")));
        Assert.Equal([HttpStatusCode.NoContent, .. Enumerable.Repeat(HttpStatusCode.Conflict, 5)], Sorted(apart));
        Assert.Equal(lines, (await client.GetJson("/api/shed")).GetProperty("lines").GetArrayLength());
    }

    [Fact]
    public async Task A_job_taken_off_the_bench_comes_back_only_while_its_pieces_are_free()
    {
        var first = await Begun(1, 2);
        await Bare(HttpMethod.Delete, first.Path);
        var second = await Begun(2, 3);
        Assert.Equal(HttpStatusCode.Conflict, (await Bare(HttpMethod.Post, $"{first.Path}/restore")).StatusCode);
        await Bare(HttpMethod.Delete, second.Path);
        var back = await Task.WhenAll(Bare(HttpMethod.Post, $"{first.Path}/restore"), Bare(HttpMethod.Post, $"{second.Path}/restore"));
        Assert.Equal([HttpStatusCode.NoContent, HttpStatusCode.Conflict], Sorted(back));
        Assert.Equal(1, (await client.GetJson("/api/cutting/jobs")).GetArrayLength());
    }

    [Fact]
    public async Task Of_one_scrap_there_is_never_a_second_line()
    {
        var job = await Begun(1, 2);
        var made = (await (await Finish(job, "H1")).Json()).GetProperty("id").GetInt32();
        // Its pieces do not come back beside it, by any way.
        var held = await Bare(HttpMethod.Post, "/api/shed/scraps/1/restore");
        Assert.Contains("part of a head", (await held.Json()).GetProperty("title").GetString());
        await Bare(HttpMethod.Delete, job.Path);
        Assert.Equal(HttpStatusCode.Conflict, (await Bare(HttpMethod.Post, "/api/shed/scraps/1/restore")).StatusCode);
        await Bare(HttpMethod.Post, $"{job.Path}/restore");

        // Taken apart, the line does not come back beside what is made of the pieces next.
        Assert.Equal(HttpStatusCode.NoContent, (await Bare(HttpMethod.Post, $"{job.Path}/reopen")).StatusCode);
        var line = await Bare(HttpMethod.Post, $"/api/shed/lines/{made}/restore");
        Assert.Contains("taken apart", (await line.Json()).GetProperty("title").GetString());
        Assert.Equal(HttpStatusCode.Conflict, (await Begin(2, 3)).StatusCode);
        var jobs = await client.GetJson("/api/cutting/jobs");
        Assert.Equal(HttpStatusCode.OK, (await Finish((job.Path, jobs[0].GetProperty("version").GetInt32()), "H2")).StatusCode);
        Assert.Equal(
            ["H2"],
            (await client.GetJson("/api/shed"))
                .GetProperty("lines")
                .EnumerateArray()
                .Select(l => l.GetProperty("tag").GetString())
                .Where(t => t!.StartsWith('H'))
        );
    }

    [Fact]
    public async Task A_piece_on_the_bench_is_not_put_away_under_the_blade()
    {
        var job = await Begun(1);
        var refused = await Bare(HttpMethod.Delete, "/api/shed/scraps/1");
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        Assert.Contains("on the bench", (await refused.Json()).GetProperty("title").GetString());
        await Bare(HttpMethod.Delete, job.Path);
        Assert.Equal(HttpStatusCode.NoContent, (await Bare(HttpMethod.Delete, "/api/shed/scraps/1")).StatusCode);
    }

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }
}
