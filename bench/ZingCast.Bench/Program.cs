using System.Diagnostics;
using System.Net.Http.Json;
using ZingCast.Core.Briefs;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web;

// Every row is measured in this run, on this machine, and set against the same first row.
var loan = DemoWorld.Shed();
var brief = Brief.Complete(DemoWorld.Briefs(DateTime.UnixEpoch)[0].Draft);
var fighting = new Pins { Rod = 1, Line = 17, TippetM = .0004, LeaderM = 2 };
var random = new Random(5);
var big = new GearShed(
    [.. Enumerable.Range(1, 500).Select(i => new Rod { Id = i, Tag = $"R{i}", Name = "rod", LengthM = 2 + random.NextDouble(), PrintedClass = random.Next(1, 13), MassKg = .09 })],
    [.. Enumerable.Range(1, 2000).Select(i => new FlyLine
    {
        Id = i, Tag = $"L{i}", Name = "line", LengthM = 30, HeadM = 8 + 8 * random.NextDouble(), PrintedClass = random.Next(1, 13),
        Density = Densities.Rows[random.Next(Densities.Rows.Count)].Id,
    })],
    loan.Reels);

var data = Path.Combine(Path.GetTempPath(), $"zing-bench-{Guid.NewGuid():N}");
await using var house = ZingApp.Build(["--data", data, "--demo", "--port", "0"]);
await house.StartAsync();
using var client = new HttpClient { BaseAddress = new(house.Urls.Single()) };
var draft = DemoWorld.Briefs(DateTime.UnixEpoch)[0].Draft;
var wind = 0.0;

(string Name, double Seconds)[] rows =
[
    ("solve, loan shed (12 rods, 20 lines, 10 reels)", Median(400, () => Matcher.Solve(brief, loan))),
    ("solve, empty shed", Median(400, () => Matcher.Solve(brief, GearShed.Empty))),
    ("solve, four pins that fight, nearest change searched", Median(100, () => Matcher.Solve(brief, loan, fighting))),
    ("solve, 500 rods and 2000 lines", Median(3, () => Matcher.Solve(brief, big))),
    ("solve over loopback HTTP, shed read from SQLite, JSON both ways", Median(100, () => client.PostAsJsonAsync("/api/matching/solve", new { brief = draft with { WindMps = wind = (wind + .1) % 20 } }, ZingDb.Documents).GetAwaiter().GetResult().EnsureSuccessStatusCode().Content.ReadAsByteArrayAsync().GetAwaiter().GetResult())),
];

Console.WriteLine($"{"",-56} {"median",12} {"to first",10}");
foreach (var (name, seconds) in rows)
    Console.WriteLine($"{name,-56} {seconds * 1000,9:0.000} ms {seconds / rows[0].Seconds,9:0.0}×");
Console.WriteLine($"Room to the aim of 20 ms for the loan shed in the core: {.020 / rows[0].Seconds:0}×");
await house.StopAsync();
Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
Directory.Delete(data, recursive: true);

static double Median(int times, Action work)
{
    for (var i = 0; i < Math.Max(1, times / 4); i++) work();
    var taken = new double[times];
    for (var i = 0; i < times; i++)
    {
        var start = Stopwatch.GetTimestamp();
        work();
        taken[i] = Stopwatch.GetElapsedTime(start).TotalSeconds;
    }
    Array.Sort(taken);
    return taken[times / 2];
}
