#pragma warning disable CA1502 // A list of measurements.
using System.Diagnostics;
using System.Net.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using ZingCast.Bench;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Cutting;
using ZingCast.Core.Depth;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Logbook;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Core.Tests;
using ZingCast.Core.Trips;
using ZingCast.Store;
using ZingCast.Web;
using ZingCast.Web.Hosting;

if (args is ["load"])
{
    await UnderLoad.Measure(AnyShed(400, 800, 150, 6));
    return;
}

// Every row is measured in this run, on this machine, and set against the same first row.
var loan = DemoGear.Shed();
var brief = Brief.Complete(DemoGear.Briefs[0].Draft);
Brief[] days = [.. DemoGear.Briefs.Select(b => Brief.Complete(b.Draft))];
var day = 0;
var session = Matcher.For(brief, loan);
var choice = session.Choose();
var fighting = new Pins
{
    Rod = 1,
    Line = 17,
    TippetM = .0004,
    LeaderM = 2,
};
var random = new Random(5);
var big = new GearShed(
    [
        .. Enumerable
            .Range(1, 500)
            .Select(i => new Rod
            {
                Id = i,
                Tag = $"R{i}",
                Name = "rod",
                LengthM = 2 + random.NextDouble(),
                PrintedClass = random.Next(1, 13),
                MassKg = .09,
            }),
    ],
    [
        .. Enumerable
            .Range(1, 2000)
            .Select(i => new FlyLine
            {
                Id = i,
                Tag = $"L{i}",
                Name = "line",
                LengthM = 30,
                HeadM = 8 + 8 * random.NextDouble(),
                PrintedClass = random.Next(1, 13),
                Density = Densities.Rows[random.Next(Densities.Rows.Count)].Id,
            }),
    ],
    loan.Reels
);

// A boat's worth of gear for a dozen days, and a shop's wall.
Rod AnyRod(int i, Random dice) =>
    new()
    {
        Id = i,
        Tag = $"R{i}",
        Name = "rod",
        LengthM = 2.1 + .9 * dice.NextDouble(),
        PrintedClass = dice.Next(2, 12),
        PrintedAction = (RodAction)dice.Next(3),
        MassKg = .08 + .04 * dice.NextDouble(),
    };
FlyLine AnyLine(int i, Random dice)
{
    var c = dice.Next(2, 12);
    var headM = 8 + 7 * dice.NextDouble();
    var density = Densities.Rows[dice.Next(Densities.Rows.Count)].Id;
    return FlyLine.From(new(Build.WeightForward, c, density)) with
    {
        Id = i,
        Tag = $"L{i}",
        Name = "line",
        HeadM = headM,
        HeadKg = LineWeights.MassKg(c) * headM / Exact.ThirtyFeetM * (.9 + .4 * dice.NextDouble()),
        SaltRated = dice.Next(2) == 0,
    };
}
Reel AnyReel(int i, Random dice) =>
    new()
    {
        Id = i,
        Tag = $"S{i}",
        Name = "reel",
        ArborM = .03 + .03 * dice.NextDouble(),
        RimM = .08 + .03 * dice.NextDouble(),
        WidthM = .02 + .012 * dice.NextDouble(),
        MassKg = .1 + .12 * dice.NextDouble(),
        SaltProof = dice.Next(2) == 0,
    };
GearShed AnyShed(int rods, int lines, int reels, int seed)
{
    var dice = new Random(seed);
    return new(
        [.. Enumerable.Range(1, rods).Select(i => AnyRod(i, dice))],
        [.. Enumerable.Range(1, lines).Select(i => AnyLine(i, dice))],
        [.. Enumerable.Range(1, reels).Select(i => AnyReel(i, dice))]
    );
}
var boat = AnyShed(40, 80, 30, 4);
string[] fishes =
[
    "river-trout",
    "grayling",
    "lake-trout",
    "perch",
    "pike",
    "zander",
    "sea-bass",
    "sea-trout",
    "mullet",
    "carp",
    "pollack",
    "salmon",
];
TripDay[] dozen =
[
    .. fishes.Select((fish, n) => new TripDay(fish, Brief.Complete(new() { Species = fish, Caster = "club" }), 1 + n % 3, (Regret)(n % 3))),
];
var boatPool = TripPool.From(boat);
var boatScores = TripScores.For(dozen, boatPool, boat);
var fourRods = new TripLimits
{
    Rods = 4,
    Lines = 6,
    Reels = 4,
};
TripDay[] loanDays = [.. DemoGear.Briefs.Select(b => new TripDay(b.Name, Brief.Complete(b.Draft)))];
var loanScores = TripScores.For(loanDays, TripPool.From(loan), loan);
var wall = AnyShed(300, 600, 10, 5);

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
await house.StartAsync();
using var client = new HttpClient { BaseAddress = new(house.Urls.Single()) };
var draft = DemoGear.Briefs[0].Draft;
var wind = 0.0;

// Ina's log, over and over, until it holds as many outings as a guide's does after twenty years.
const int outings = 5000;
IReadOnlyList<Outing> log;
IReadOnlyList<Caster> casters;
IReadOnlyList<OwnCaster> people;
GearShed ever;
using (var scope = house.Services.CreateScope())
{
    var db = scope.ServiceProvider.GetRequiredService<ZingDb>();
    var demo = await db.Outings.AsNoTracking().ToListAsync();
    db.Outings.AddRange(
        Enumerable
            .Range(demo.Count, outings - demo.Count)
            .Select(i =>
                demo[i % demo.Count] with
                {
                    Id = 0,
                    Version = 0,
                    Key = $"again{i:00000}",
                    On = demo[i % demo.Count].On.AddDays(-i),
                }
            )
    );
    await db.SaveChangesAsync();
    (log, casters, people, ever) = (
        await db.LogAsync(),
        await db.CastersAsync(),
        await db.People.AsNoTracking().ToListAsync(),
        await db.EverShedAsync()
    );
}
void Get(string path) => client.GetByteArrayAsync(path).GetAwaiter().GetResult();

// Casts that turn over, of many outfits in many winds, asked for all the line they pull: what they pull is what is compared.
var dice = new Random(11);
List<(CastSetup Setup, CastPlan Plan)> casts = [];
foreach (var (thrown, _, _) in AnyBrief.Many(400, 11))
{
    var b = Brief.Complete(thrown);
    var s = Tackle.For(b, .0003).Setup(b, 3 + 7 * dice.NextDouble());
    var carry = s.MostCarryM * (.6 + .4 * dice.NextDouble());
    var plan = new CastPlan(carry, s.SteepestRad(carry) * (.4 + .6 * dice.NextDouble()), 40);
    if (CastEngine.Throw(s, plan.CarryM, plan.AngleRad, plan.ShotM) is { TurnoverMps: > 0, ShotM: > .3 })
        casts.Add((s, plan));
}
var exact = casts.Select(c => GeneralSolver.Cast(c.Setup, c.Plan, 1e-4).ReachM).ToArray();
double Off(Func<(CastSetup Setup, CastPlan Plan), double> reach)
{
    var off = casts.Select((c, i) => Math.Abs(reach(c) / exact[i] - 1)).Order().ToArray();
    return off[off.Length * 95 / 100];
}
var ours = Off(c => CastEngine.Throw(c.Setup, c.Plan.CarryM, c.Plan.AngleRad, c.Plan.ShotM).ReachM);

// The coarsest step of each with nineteen casts of twenty within the handbook's half a per cent.
const double within = .005;
double Coarsest(bool locate)
{
    var step = .05;
    while (step > 5e-5 && Off(c => GeneralSolver.Cast(c.Setup, c.Plan, step, locate).ReachM) > within)
        step /= 1.3;
    return step;
}
var refine = 1.0;
while (refine > .1 && Off(c => CastEngine.Throw(c.Setup, c.Plan.CarryM, c.Plan.AngleRad, c.Plan.ShotM, refine * .8).ReachM) <= within)
    refine *= .8;
var (plainS, locatedS) = (Coarsest(false), Coarsest(true));
var next = 0;
(CastSetup Setup, CastPlan Plan) Turn() => casts[next = (next + 1) % casts.Count];
var setup = Tackle.For(brief, .0004).Setup(brief, 8);
CastPlan[] batch = [.. Enumerable.Range(0, 60).Select(i => new CastPlan(8 + 1.2 * (i % 3), .05 * (1 + i / 3 % 4), 1.5 * (i / 12)))];
var landed = new CastResult[batch.Length];
var tackle = Tackle.For(brief, .0004);

// A fish that draws a hundred metres of backing.
var leader = Leader.Build(2.7, .001, .00033, 0);
var bonito = new RunCase(
    loan.Reels[4],
    loan.Lines[7],
    Backings.Find("gel50")!,
    250,
    leader,
    Fishes.Find("bonito")!.Group,
    3.5,
    new(RunningFish.UsualPullN(3.5))
);
var ran = bonito.Run();

// A leader of the pocket beside a packet's, and a fly that goes deep.
var knotted = LeaderDesign.For(LeaderSchool.Knotted, new(2.7, .001, .00025), loan.LeaderSpools)!;
var use = new LeaderUse(.001, 90, brief.Fly, 2.74, brief.Species.Group.Mouth);
var zander = days[2];
CastSetup[] both = [.. new[] { leader, knotted }.Select(l => CastSetup.For(brief, loan.Rods[5], loan.Lines[10], l))];

// A rod as it was tested, the same with five weights, and drawers of thirty scraps.
var tested = loan.Rods.Single(r => r.Tag == "R3");
var five = tested.Test! with
{
    Readings =
    [
        .. new[] { .3, .6, .9, 1, 1.2 }
            .Select(share =>
                (
                    Kg: share * tested.Test!.Readings[0].MassKg,
                    Bend: tested.Bend!.Under(share * tested.Test!.Readings[0].MassKg * Exact.GravityMps2, Math.PI / 2)
                )
            )
            .Select(x => new BendReading(x.Kg, x.Bend.DownM + .002, x.Bend.TipRad * 180 / Math.PI + .3)),
    ],
};
Scrap[] Drawer(double shortest, double spread, double tapered)
{
    var dice = new Random(3);
    return
    [
        .. Enumerable
            .Range(1, 30)
            .Select(i =>
                (
                    Id: i,
                    LengthM: shortest + spread * dice.NextDouble(),
                    PerM: 20 + 30 * dice.NextDouble(),
                    Tapered: dice.NextDouble() < tapered
                )
            )
            .Select(x => new Scrap
            {
                Id = x.Id,
                Tag = "D",
                Name = "scrap",
                LengthM = x.LengthM,
                MassKg = x.LengthM * x.PerM * Exact.GrainKg,
                TaperM = x.Tapered ? Math.Min(2, x.LengthM) : 0,
            }),
    ];
}

IReadOnlyList<double> classes = CastMaps.Steps(1, 15, 15),
    winds = CastMaps.Steps(-5, 14, 20);
var reports = 0;
var counting = new Counter(() => reports++);
(string Name, double Seconds, double AimS)[] rows =
[
    ("one cast of a batch of sixty", Median(400, () => CastEngine.Throw(setup, batch, landed)) / batch.Length, 6e-6),
    (
        "one cast by itself, of many that turn over",
        Median(
            20000,
            () =>
            {
                var c = Turn();
                CastEngine.Throw(c.Setup, c.Plan.CarryM, c.Plan.AngleRad, c.Plan.ShotM);
            }
        ),
        0
    ),
    (
        "a batch of the same four times over, half a per cent exact",
        Median(
            2000,
            () =>
            {
                var c = Turn();
                CastEngine.Throw(c.Setup, [c.Plan, c.Plan, c.Plan, c.Plan], landed, refine);
            }
        ) / 4,
        0
    ),
    (
        "one in Math.NET as it comes, half a per cent exact",
        Median(
            200,
            () =>
            {
                var c = Turn();
                GeneralSolver.Cast(c.Setup, c.Plan, plainS, false);
            }
        ),
        0
    ),
    (
        "one in Math.NET, events sought by hand, half a per cent exact",
        Median(
            2000,
            () =>
            {
                var c = Turn();
                GeneralSolver.Cast(c.Setup, c.Plan, locatedS);
            }
        ),
        0
    ),
    ("farthest: carry, angle and shot searched", Median(200, () => CastSearch.Farthest(setup)), .0005),
    ("smallest class for a distance", Median(40, () => new ClassCurve(c => tackle.Setup(brief, c), 9).Smallest(1.1 * brief.DistanceM)), 0),
    ("map of 15 classes x 20 winds", Median(12, () => CastMaps.ClassByWind(c => tackle.Setup(brief, c), classes, winds)), .025),
    (
        "map of 12 carries x 16 speeds",
        Median(12, () => CastMaps.CarryBySpeed(setup, CastMaps.Steps(4, 13, 12), CastMaps.Steps(10, 40, 16))),
        0
    ),
    (
        "a bend test fitted, one weight and angle",
        Median(400, () => BendFit.From(tested.LengthM, tested.Test!, Calibration.Usual, out _)),
        .005
    ),
    ("a bend test fitted, five weights with angles", Median(200, () => BendFit.From(tested.LengthM, five, Calibration.Usual, out _)), .005),
    ("a rod bent once under a fish", Median(4000, () => tested.Bend!.Under(8.9, 1.4)), 0),
    (
        "a spool filled, line by line",
        Median(4000, () => SpoolFill.For(loan.Reels[4], loan.Lines[7], Backings.Rows[0], 150, leader)),
        .00005
    ),
    ("a bonito runs, every moment kept", Median(400, () => bonito.Run()), .001),
    ("the same, six changes tried", Median(100, () => RunChange.For(bonito, ran)), 0),
    (
        "a fly followed down on ten densities",
        Median(400, () => DepthAnswer.For(zander, new(), d => Matcher.UsualLeaderM(zander, d), .0003)),
        .002
    ),
    ("a leader looked over, five pieces", Median(4000, () => LeaderCheck.For(knotted, use)), .001),
    ("two leaders turned over on one cast", Median(100, () => Turnover.For(both, brief.DistanceM)), 0),
    ("cut plans over 30 scraps, one to three pieces", Median(12, () => Cutter.Plan(new(9, 300 * Exact.GrainKg), Drawer(2, 6, .4))), .2),
    ("the same, only short pieces: three are needed", Median(12, () => Cutter.Plan(new(9, 300 * Exact.GrainKg), Drawer(1, 3.4, .4))), .2),
    (
        "the same with a separate tip",
        Median(12, () => Cutter.Plan(new(7.6, 220 * Exact.GrainKg, 3, 50 * Exact.GrainKg), Drawer(2, 6, .4))),
        .2
    ),
    ("solve, loan shed (12 rods, 20 lines, 10 reels)", Median(60, () => Matcher.Solve(brief, loan)), .006),
    ("solve, loan shed, its three days in turn", Median(60, () => Matcher.Solve(days[day = (day + 1) % days.Length], loan)), 0),
    ("score an outfit, session open, casts known", Median(2000, () => session.Score(loan.Rods[5], loan.Lines[9], loan.Reels[4])), 0),
    ("explain a choice", Median(2000, () => session.Explain(choice)), 0),
    ("solve, empty shed", Median(60, () => Matcher.Solve(brief, GearShed.Empty)), 0),
    ("solve, four pins that fight, nearest change searched", Median(30, () => Matcher.Solve(brief, loan, fighting)), 0),
    ("solve, 500 rods and 2000 lines, with progress", Median(3, () => Matcher.Solve(brief, big, progress: counting)), .15),
    (
        "trip of 12 briefs, 40 rods, 80 lines, 30 reels: every outfit scored",
        Median(3, () => TripScores.For(dozen, boatPool, boat).KnowAll()),
        0
    ),
    ("the same, best kit of 4 rods, scores known", Median(6, () => TripPlan.For(boatScores, fourRods, further: false)), .1),
    ("the same, next best, each rod and each limit", Median(3, () => TripPlan.For(boatScores, fourRods)), 0),
    (
        "trip of 12 briefs from nothing to the whole answer",
        Median(3, () => TripPlan.For(TripScores.For(dozen, boatPool, boat), fourRods)),
        2
    ),
    ("matrix of 300 rods x 600 lines", Median(6, () => ShedMatrix.From(wall)), .5),
    ("trip of the loan shed's three days, a limit dragged", Median(60, () => TripPlan.For(loanScores, new(), further: false)), .1),
    ("what would help, every change solved in full", Median(8, () => ReachGains.Rank(draft, loan, Pins.None, new HashSet<string>())), .04),
    ("log of 5000 outings over loopback HTTP: a page of it", Median(20, () => Get("/api/log")), .05),
    ("the same, searched for two words", Median(20, () => Get("/api/log?text=weed%20R6")), .05),
    ("the same, every answer", Median(20, () => Get("/api/log/answers")), .05),
    ("what is to be cared for after 5000 outings", Median(20, () => Get("/api/care")), 0),
    ("what 5000 outings teach: casters fitted, rods felt", Median(20, () => Learning.From(log, ever, casters, people, [])), .1),
    (
        "solve over loopback HTTP, shed read from SQLite, JSON both ways",
        Median(
            60,
            () =>
                client
                    .PostAsJsonAsync(
                        "/api/matching/solve",
                        new { brief = draft with { WindMps = wind = (wind + .1) % 20 } },
                        ZingDb.Documents
                    )
                    .GetAwaiter()
                    .GetResult()
                    .EnsureSuccessStatusCode()
                    .Content.ReadAsByteArrayAsync()
                    .GetAwaiter()
                    .GetResult()
        ),
        0
    ),
];

Console.WriteLine($"{"", -62} {"median", 12} {"to one cast", 12}  aim");
foreach (var (name, seconds, aim) in rows)
    Console.WriteLine(
        $"{name, -62} {seconds * 1000, 9:0.000} ms {seconds / rows[0].Seconds, 11:0.0}×  "
            + $"{(aim == 0 ? "" : $"{aim * 1000:0.###} ms: {(seconds <= aim ? "met" : "missed")}")}"
    );
Console.WriteLine(
    $"{casts.Count} casts that turn over; the engine is within {100 * ours:0.000} % for nineteen of twenty, and within half a per cent at "
        + $"{1 / refine:0.0} times its step. At half a per cent for both it is "
        + $"{rows[3].Seconds / rows[2].Seconds:0} times faster than Math.NET as it "
        + $"comes (steps of {1000 * plainS:0.0} ms) and {rows[4].Seconds / rows[2].Seconds:0} times faster with events sought by hand "
        + $"({1000 * locatedS:0.0} ms; aim 15)."
);
if (rows.Any(r => r.AimS > 0 && r.Seconds > r.AimS))
    Console.WriteLine(
        "Where the map, the loan shed and what would help miss their aims: every cell and every class is searched anew, some fifty "
            + "casts each, and days short of half of what can be held in the air are looked at twice. "
            + "Starting from a neighbour was faster and found less."
    );
Console.WriteLine($"The big shed reported its progress {reports / 4} times a solve.");
var (usual, tenfold) = Allocations.Measure();
Console.WriteLine($"Allocated by one cast: {usual} B; with ten times the steps: {tenfold} B (memory diagnoser).");
await UnderLoad.Measure(AnyShed(400, 800, 150, 6));
await house.StopAsync();
Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
Directory.Delete(data, recursive: true);

static double Median(int times, Action work)
{
    for (var i = 0; i < Math.Max(1, times / 4); i++)
        work();
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

internal sealed class Counter(Action counted) : IProgress<double>
{
    public void Report(double value) => counted();
}
