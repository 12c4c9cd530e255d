using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.Extensions.DependencyInjection;
using ZingCast.Core.Shed;
using ZingCast.Store;
using ZingCast.Web;
using ZingCast.Web.Hosting;

namespace ZingCast.Bench;

/// <summary>What somebody at a bench waits while others ask for the largest things there are, in one house over loopback HTTP.</summary>
internal static class UnderLoad
{
    private const int Rods = 20_000;

    private const double MoreMs = 100,
        WriteMs = 1000;

    private static readonly TimeSpan Load = TimeSpan.FromSeconds(20);

    public static async Task Measure(GearShed shed)
    {
        var data = Path.Combine(Path.GetTempPath(), $"zing-bench-{Guid.NewGuid():N}");
        var settings = new Settings
        {
            Data = data,
            Demo = true,
            Port = 0,
        };
        DataFolder.Open(data, TimeProvider.System);
        await using var house = ZingApp.Build(settings);
        await ZingApp.FillAsync(house, settings);
        using (var scope = house.Services.CreateScope())
        {
            var db = scope.ServiceProvider.GetRequiredService<ZingDb>();
            db.Rods.AddRange(shed.Rods.Select(r => r with { Id = 0, Tag = "x" + r.Tag }));
            db.Lines.AddRange(shed.Lines.Select(l => l with { Id = 0, Tag = "x" + l.Tag }));
            db.Reels.AddRange(shed.Reels.Select(r => r with { Id = 0, Tag = "x" + r.Tag }));
            await db.SaveChangesAsync();
        }
        await house.StartAsync();
        using var client = new HttpClient { BaseAddress = new(house.Urls.Single()), Timeout = TimeSpan.FromMinutes(5) };

        async Task<double> Took(Func<Task<HttpResponseMessage>> ask)
        {
            var from = Stopwatch.GetTimestamp();
            using var answer = await ask();
            answer.EnsureSuccessStatusCode();
            await answer.Content.ReadAsByteArrayAsync();
            return Stopwatch.GetElapsedTime(from).TotalMilliseconds;
        }
        var wind = 0.0;
        Task<double> Solve() =>
            Took(() =>
                client.PostAsJsonAsync(
                    "/api/matching/solve",
                    new { brief = DemoGear.Briefs[0].Draft with { WindMps = wind = (wind + .1) % 15 } },
                    ZingDb.Documents
                )
            );
        var written = 0;
        Task<double> Write() => Took(() => client.PostAsJsonAsync("/api/briefs", new { name = $"written {written++}", draft = new { } }));
        object Trip(int rods) =>
            new
            {
                days = Enumerable
                    .Range(1, 3)
                    .Select(id => new
                    {
                        times = 1,
                        regret = "some",
                        briefId = id,
                    }),
                limits = new
                {
                    rods,
                    lines = 6,
                    reels = 4,
                },
                further = true,
            };
        async Task<bool> Search(object trip)
        {
            using var answer = await client.PostAsJsonAsync("/api/trips/solve", trip);
            answer.EnsureSuccessStatusCode();
            return (await answer.Content.ReadFromJsonAsync<JsonElement>()).GetProperty("searching").ValueKind != JsonValueKind.Null;
        }

        for (var warm = 0; warm < 20; warm++)
            await Solve();
        await Write();
        List<double> alone = [];
        for (var n = 0; n < 40; n++)
            alone.Add(await Solve());
        var first = Stopwatch.StartNew();
        var more = await Search(Trip(3));
        var firstS = first.Elapsed.TotalSeconds;

        var entries = string.Join(
            ',',
            Enumerable
                .Range(0, Rods)
                .Select(n => $$"""{"key":"T{{n}}","tag":"T{{n}}","name":"a rod","lengthM":2.7,"printedClass":6,"massKg":0.09}""")
        );
        var document = JsonSerializer.SerializeToUtf8Bytes(
            new { text = $$"""{"format":"zing-cast","version":1,"rods":[{{entries}}]}""", merge = "mine" }
        );
        using var over = new CancellationTokenSource(Load);
        var (looks, lookS) = (0, 0.0);
        async Task Again(Func<Task> work)
        {
            while (!over.IsCancellationRequested)
                await work();
        }
        async Task Look()
        {
            using var body = new ByteArrayContent(document);
            body.Headers.ContentType = new("application/json");
            lookS += await Took(() => client.PostAsync("/api/backup/look", body)) / 1000;
            looks++;
        }
        var load = Task.WhenAll(Again(() => Search(Trip(3))), Again(() => Search(Trip(4))), Again(Look));
        await Task.Delay(1000);
        List<double> beside = [],
            writes = [];
        while (!over.IsCancellationRequested)
        {
            beside.Add(await Solve());
            writes.Add(await Write());
        }
        await load;
        alone.Sort();
        beside.Sort();
        writes.Sort();
        static double At(List<double> sorted, double share) => sorted[(int)(share * (sorted.Count - 1))];
        var (moreMs, slowest) = (At(beside, .95) - At(alone, .95), writes[^1]);
        Console.WriteLine(
            $"{"first answer of a trip in a shed of 400 rods, 800 lines, 150 reels", -62} {firstS * 1000, 9:0} ms"
                + $"{(more ? ", best so far" : "")}"
        );
        Console.WriteLine($"{"solve over HTTP in that shed, alone, 95th percentile", -62} {At(alone, .95), 9:0.0} ms");
        Console.WriteLine(
            $"{"the same beside two trips and a document of 20000 rods looked at", -62} {At(beside, .95), 9:0.0} ms  "
                + $"at most {MoreMs:0} ms more: {(moreMs <= MoreMs ? "met" : "missed")} "
                + $"(median {At(beside, .5):0.0} ms of {At(alone, .5):0.0})"
        );
        Console.WriteLine(
            $"{"a write meanwhile, the slowest of " + writes.Count, -62} {slowest, 9:0.0} ms  "
                + $"{WriteMs:0} ms: {(slowest <= WriteMs ? "met" : "missed")}"
        );
        Console.WriteLine($"{"a document of 20000 rods looked at, meanwhile", -62} {1000 * lookS / Math.Max(1, looks), 9:0} ms");
        await house.StopAsync();
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(data, recursive: true);
    }
}
