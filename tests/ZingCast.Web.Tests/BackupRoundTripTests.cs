using System.Diagnostics.CodeAnalysis;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Cutting;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>
/// Whatever a house writes it reads: things of every kind with each optional part there and left out, one by one, by handfuls, and all that
/// can be left out at once.
/// </summary>
public sealed class BackupRoundTripTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("zing-trip-").FullName;
    private readonly Random dice = new(26);
    private int copies;

    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.Today);

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private ZingDb Open(string name)
    {
        var data = Path.Combine(folder, name);
        DataFolder.Open(data, TimeProvider.System);
        return new(new DbContextOptionsBuilder<ZingDb>().UseSqlite($"Data Source={DataFolder.FileIn(data)};Pooling=False").Options);
    }

    private static async Task<JsonObject> WrittenAsync(ZingDb db) =>
        (JsonObject)JsonNode.Parse(await BackupFile.WriteAsync(db, DateTime.UnixEpoch, cancel: Cancel))!;

    private static async Task<BackupReading> ReadAsync(ZingDb db, JsonObject document)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(Cancel);
        var read = await BackupFile.ReadAsync(db, document.ToJsonString(), BackupMerge.Replace, Today, Cancel);
        if (read.Faults.Count == 0)
            await transaction.CommitAsync(Cancel);
        return read;
    }

    // The demo, and of what it does not have something: work on the bench and on the winder, an outfit rigged, lessons, a line cut back.
    private static async Task FillAsync(ZingDb db)
    {
        await DemoWorld.AddAsync(db, TimeProvider.System, Cancel);
        db.ChangeTracker.Clear();
        var shed = await db.ShedAsync(Cancel);
        var (reel, line) = (shed.Reels[4], shed.Lines[7]);
        var at = new DateTime(2026, 5, 1, 12, 0, 0, DateTimeKind.Utc);
        var scraps = await db.Scraps.AsNoTracking().ToListAsync(Cancel);
        var job = CutJob.Begin(
            new(9, 300 * Exact.GrainKg, 3, 60 * Exact.GrainKg),
            [new(scraps[0].Id, 0, Math.Min(2, scraps[0].LengthM), false)],
            scraps.ToDictionary(s => s.Id),
            at,
            out _
        )!;
        db.CutJobs.Add(
            job with
            {
                Steps = [new(at, scraps[0].Tag, .5, 3, null, "D99"), new(at, scraps[0].Tag, 0, 3, .004, null, .0001)],
                LineId = line.Id,
                TakenApart = [shed.Lines[2].Id],
            }
        );
        var spool = shed.Spools[0];
        db.WindingTickets.Add(
            new()
            {
                ReelId = reel.Id,
                LineId = line.Id,
                SpoolName = "its own",
                ReelWords = "a reel",
                LineWords = "a line",
                Plan = WindingPlan.For(reel, line, Backings.Rows[0], 100),
                Done =
                [
                    new(WindingStepKind.Arbor, at),
                    new(WindingStepKind.Direction, at),
                    new(WindingStepKind.ArborKnot, at),
                    new(WindingStepKind.Backing, at, 100, 900, .05),
                ],
                BegunAt = at,
                LegTurns = 3,
                LegM = .4,
                SpoolId = spool.Id,
                TakenFrom = shed.Spools[1].Id,
                Before = spool,
            }
        );
        var leader = shed.Leaders[0].Leader with
        {
            IndicatorM = 1.5,
            ShotM = .3,
            SinkMps = .05,
            Ring = true,
            Droppers = [new(1, .15)],
            Pieces = [.. shed.Leaders[0].Leader.Pieces.Select((p, i) => p with { OwnN = 20 + i, SpoolId = shed.LeaderSpools[0].Id })],
        };
        db.TiedLeaders.Add(
            new()
            {
                Tag = "K99",
                Name = "full",
                Leader = leader,
            }
        );
        db.RigTickets.Add(
            new()
            {
                Name = "a day",
                Plan = new("a rod", 4, "a reel", "a line", Backings.Rows[0].Id, 100, false, leader, "K99 full", 90, "a fly", 12, true),
                Done = [new("arbor", at)],
                BegunAt = at,
            }
        );
        db.Services.Add(
            new()
            {
                TaskId = "line-cut",
                PieceId = line.Id,
                On = new(2026, 5, 1),
                AmountM = .3,
                Note = "cut",
                Before = line,
            }
        );
        db.Lessons.Add(
            new()
            {
                CasterId = (await db.People.FirstAsync(Cancel)).Id,
                Accepted = true,
                At = at,
                Evidence = 12,
                Hand = new(28, .035, .9, 12, .05),
            }
        );
        db.Lessons.Add(
            new()
            {
                RodId = shed.Rods[0].Id,
                At = at,
                Evidence = 5,
                Feel = new(.1, .05, 5),
            }
        );
        db.Calibrations.Add(Core.Rods.Calibration.Usual with { Name = "of the shop" });
        await db.SaveChangesAsync(Cancel);
        db.ChangeTracker.Clear();
        var brief = await db.Briefs.AsNoTracking().FirstAsync(Cancel);
        await db.KeptSet<SavedBrief>(TimeProvider.System)
            .KeepAsync(
                brief with
                {
                    Pins = new()
                    {
                        Rod = shed.Rods[0].Id,
                        Line = line.Id,
                        Reel = reel.Id,
                        Leader = shed.Leaders[0].Id,
                        RodClass = 6,
                        RodLengthM = 2.74,
                        TippetM = .0003,
                        LeaderM = 2.7,
                        BackingM = 100,
                    },
                    Off = ["class.presentation"],
                },
                "it",
                Cancel
            );
    }

    // Every field and every item of a list, from the record down.
    private static IEnumerable<(string Path, Func<JsonNode, bool> Remove)> Parts(JsonNode node, string path = "")
    {
        if (node is JsonObject fields)
            foreach (var (name, value) in fields.ToList())
            {
                if (path.Length == 0 && name is "key" or "tag" or "name")
                    continue;
                yield return ($"{path}/{name}", root => At(root, path) is JsonObject there && there.Remove(name));
                foreach (var part in value is null ? [] : Parts(value, $"{path}/{name}"))
                    yield return part;
            }
        if (node is JsonArray { Count: > 0 } items)
        {
            yield return (
                $"{path}/[]",
                root =>
                {
                    if (At(root, path) is not JsonArray { Count: > 0 } there)
                        return false;
                    there.Clear();
                    return true;
                }
            );
            foreach (var part in items[0] is { } first ? Parts(first, $"{path}/0") : [])
                yield return part;
        }
    }

    private static JsonNode? At(JsonNode root, string path)
    {
        JsonNode? node = root;
        foreach (var name in path.Split('/', StringSplitOptions.RemoveEmptyEntries))
            node = node switch
            {
                JsonObject fields => fields[name],
                JsonArray items when int.TryParse(name, out var at) && at < items.Count => items[at],
                _ => null,
            };
        return node;
    }

    // What the demo never says, said: patched into the entry of a list that says the most.
    private static readonly (string List, string Patch)[] Said =
    [
        ("rods", """{BOUGHT,"test":{"readings":[{"massKg":0.14,"dropM":0.9,"outM":2.1}]}}"""),
        ("lines", """{BOUGHT,"lengthM":27,"headM":11,"headPlusMinusKg":0.001,"measured":[STRETCHES]}"""),
        ("reels", """{BOUGHT,"statedLine":"WF7F","knownFill":{"backing":"poly20","backingM":90,"line":"","lineM3":0,"gapM":0.003}}"""),
        ("leaderSpools", """{BOUGHT,"statedN":40}"""),
        ("leaders", """{BOUGHT}"""),
        ("scraps", """{BOUGHT,"lengthM":27,"massKg":0.03,"taperM":1,"measured":[STRETCHES]}"""),
        ("briefs", """{"draft":DRAFT,"pins":{"density":"floating","backing":"poly20","rodLengthM":2.7432,"said":{"rodLengthM":"9 ft"}}}"""),
        (
            "trips",
            """{"limits":{"massKg":4,"tubeM":0.8,"budget":300},"days":[{"times":1,"regret":"some","name":"said here","draft":DRAFT}]}"""
        ),
        (
            "outings",
            """
            {"waterC":12,"casts":[{"distanceM":20,"carryM":10,"windMps":3,"windFromDeg":40,"feel":"right"},{"distanceM":18}],
             "fish":[{"count":2,"species":"perch","kg":0.4,"lengthM":0.3,"fightS":60},{"count":1}],
             "losses":[{"cause":"knot","count":1,"what":"a dropper"}]}
            """
        ),
        ("services", """{"before":{BOUGHT,"lengthM":27,"headM":11,"headPlusMinusKg":0.001,"measured":[STRETCHES]}}"""),
        ("spools", """{"backingM":0}"""),
        ("windingTickets", """{"before":{"backingM":0}}"""),
    ];

    private const string Bought = """ "price":20,"boughtOn":"2024-03-01","servicedOn":"2025-03-01","owner":"Ina","note":"a note" """;

    private const string Stretches = """{"lengthM":27,"startM":0.0012,"endM":0.0012,"kgM3":900}""";

    private const string Draft = """
        {"flyKind":"slim-streamer","hookSize":6,"flyWetKg":0.0007,"flyLengthM":0.05,"species":"perch","fishKg":0.6,"depthM":2,
         "currentMps":0.2,
         "waterC":14,"salt":false,"night":true,"windMps":3,"distanceM":18.288,"caster":"club",
         "casterFreeMps":28,"casterLoopM":0.9,"casterCarryM":12,
         "said":{"distanceM":"60 ft"}}
        """;

    private static void Patch(JsonObject into, JsonObject patch)
    {
        foreach (var (name, value) in patch)
            if (value is JsonObject inner && into[name] is JsonObject there)
                Patch(there, inner);
            else
                into[name] = value?.DeepClone();
    }

    // The same under a name of its own, where two of that name cannot be.
    private JsonObject Copied(string list, JsonObject entry)
    {
        var (copy, n) = ((JsonObject)entry.DeepClone(), ++copies);
        if (copy.ContainsKey("tag"))
            copy["tag"] = $"Z{n}";
        else if (copy.ContainsKey("name"))
            copy["name"] = $"copy {n}";
        copy["key"] =
            list == "outings" ? $"copy{n:00000000}"
            : copy.ContainsKey("tag") ? $"Z{n}"
            : $"copy {n}";
        // A line lies on one spool, and a scrap is in one job.
        if (list == "spools")
            copy.Remove("lineId");
        if (list == "cutJobs")
            copy["away"] = "2026-05-02T00:00:00Z";
        return copy;
    }

    // Fields that may be nothing, by the published schema: what each is in, its name, and its path without places in lists.
    private static IEnumerable<(JsonObject In, string Name, string Path)> Optional(
        JsonNode schema,
        JsonNode root,
        JsonNode? value,
        string path
    )
    {
        schema = Resolved(schema, root);
        if (value is JsonArray items && schema["items"] is { } of)
            foreach (var part in items.SelectMany(item => Optional(of, root, item, $"{path}[]")))
                yield return part;
        if (value is not JsonObject fields || schema["properties"] is not JsonObject properties)
            yield break;
        var required = (schema["required"] as JsonArray ?? []).Select(r => r!.GetValue<string>()).ToHashSet();
        foreach (var (name, its) in properties)
        {
            if (
                Resolved(its!, root)["type"] is JsonArray types
                && types.Any(t => t!.GetValue<string>() == "null")
                && !required.Contains(name)
            )
                yield return (fields, name, $"{path}.{name}");
            foreach (var part in Optional(its!, root, fields[name], $"{path}.{name}"))
                yield return part;
        }
    }

    private static JsonNode Resolved(JsonNode schema, JsonNode root)
    {
        while (schema["$ref"]?.GetValue<string>() is { } pointer)
            schema = At(root, pointer.TrimStart('#'))!;
        return schema;
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    [Fact]
    public async Task Whatever_a_house_writes_it_reads_with_every_optional_part_there_and_left_out()
    {
        await using var full = Open("full");
        await FillAsync(full);
        var document = await WrittenAsync(full);
        // Nothing that is kept stays behind.
        var rows = 0L;
        await full.Database.OpenConnectionAsync(Cancel);
        foreach (var table in full.Model.GetEntityTypes().Where(t => t.ClrType.IsAssignableTo(typeof(Kept))).Select(t => t.GetTableName()!))
        {
            await using var count = full.Database.GetDbConnection().CreateCommand();
            count.CommandText = $"select count(*) from \"{table}\"";
            rows += (long)(await count.ExecuteScalarAsync(Cancel))!;
        }
        Assert.Equal(rows, document.Where(l => l.Value is JsonArray).Sum(l => ((JsonArray)l.Value!).Count));
        foreach (var (list, patch) in Said)
        {
            var fullest = ((JsonArray)document[list]!).Select(e => (JsonObject)e!).MaxBy(e => e.ToJsonString().Length)!;
            var said = Copied(list, fullest);
            Patch(
                said,
                (JsonObject)JsonNode.Parse(patch.Replace("BOUGHT", Bought).Replace("STRETCHES", Stretches).Replace("DRAFT", Draft))!
            );
            ((JsonArray)document[list]!).Add((JsonNode)said);
        }
        var schema = BackupSchema.Write();
        List<(string List, JsonObject Entry)> bent = [];
        foreach (var (list, entries) in document.Where(l => l.Value is JsonArray).Select(l => (l.Key, (JsonArray)l.Value!)))
        foreach (
            var entry in entries
                .Select(e => (JsonObject)e!)
                .OrderByDescending(e => e.ToJsonString().Length)
                .Take(4)
                .Concat(entries.TakeLast(1).Select(e => (JsonObject)e!))
                .Distinct()
        )
        {
            var parts = Parts(entry).ToList();
            foreach (var (_, remove) in parts)
                if (Copied(list, entry) is var copy && remove(copy))
                    bent.Add((list, copy));
            // By the half and by the quarter, and all at once.
            foreach (var share in new[] { .25, .25, .25, .5, .5, .5, 1 })
            {
                var copy = Copied(list, entry);
                foreach (var (place, name, _) in Optional(schema["properties"]![list]!["items"]!, schema, copy, list).ToList())
                    if (name is not ("key" or "away") && dice.NextDouble() < share)
                        place.Remove(name);
                bent.Add((list, copy));
            }
        }
        foreach (var (list, entry) in bent)
            ((JsonArray)document[list]!).Add((JsonNode)entry);

        // What was left out and may not be is refused, entry by entry; the rest is read.
        await using var first = Open("first");
        var refused = 0;
        for (var read = await ReadAsync(first, document); read.Faults.Count > 0; read = await ReadAsync(first, document))
        {
            foreach (var fault in read.Faults.GroupBy(f => (f.List, f.Row)).Select(g => g.Key).OrderByDescending(f => f.Row))
            {
                var entry = ((JsonArray)document[fault.List]!)[fault.Row - 1]!;
                Assert.True(
                    bent.Any(b => b.Entry == entry),
                    $"{string.Join(' ', read.Faults.Where(f => f.List == fault.List && f.Row == fault.Row))}"
                );
                ((JsonArray)document[fault.List]!).RemoveAt(fault.Row - 1);
                refused++;
            }
        }
        Assert.InRange(refused, 50, bent.Count - 300);

        // What the house then writes goes into an empty one without a word, and comes out the same.
        var written = await WrittenAsync(first);
        await using var second = Open("second");
        var again = await ReadAsync(second, written);
        Assert.Empty(again.Faults);
        Assert.Empty(again.Notes);
        var rewritten = await WrittenAsync(second);
        foreach (var (list, entries) in written)
            Assert.True(JsonNode.DeepEquals(entries, rewritten[list]), list);

        Assert.All(written.Where(l => l.Value is JsonArray), l => Assert.NotEmpty((JsonArray)l.Value!));
        // And this was all of it: every part that may be nothing was there, and was not.
        Dictionary<string, (bool There, bool Not)> seen = [];
        foreach (var (list, entries) in written.Where(l => l.Value is JsonArray))
        foreach (var (place, name, path) in Optional(schema["properties"]![list]!, schema, entries, list))
        {
            var (there, not) = seen.GetValueOrDefault(path);
            seen[path] = (there || place.ContainsKey(name), not || !place.ContainsKey(name));
        }
        Assert.True(seen.Count > 100, $"{seen.Count}");
        Assert.True(seen.All(s => s.Value.Not), $"always there: {string.Join(' ', seen.Where(s => !s.Value.Not).Select(s => s.Key))}");
        Assert.True(seen.All(s => s.Value.There), $"never there: {string.Join(' ', seen.Where(s => !s.Value.There).Select(s => s.Key))}");
    }
}
