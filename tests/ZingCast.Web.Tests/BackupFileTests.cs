using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Briefs;
using ZingCast.Core.Logbook;
using ZingCast.Core.Matching;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>Everything kept as one file that another house can read: whole, in part, and never half.</summary>
public sealed class BackupFileTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("zing-backup-").FullName;

    private static readonly DateOnly Today = DateOnly.FromDateTime(DateTime.Today);

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private async Task<ZingDb> OpenAsync(string name, bool demo)
    {
        var data = Path.Combine(folder, name);
        DataFolder.Open(data, TimeProvider.System);
        var db = new ZingDb(
            new DbContextOptionsBuilder<ZingDb>().UseSqlite($"Data Source={DataFolder.FileIn(data)};Pooling=False").Options
        );
        if (demo)
            await DemoWorld.AddAsync(db, TimeProvider.System, Cancel);
        db.ChangeTracker.Clear();
        return db;
    }

    private static async Task<BackupReading> ReadAsync(ZingDb db, string text, BackupMerge merge = BackupMerge.Mine, bool keep = true)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(Cancel);
        var read = await BackupFile.ReadAsync(db, text, merge, Today, Cancel);
        if (keep && read.Faults.Count == 0)
            await transaction.CommitAsync(Cancel);
        return read;
    }

    private static Task<string> TextAsync(ZingDb db) => BackupFile.WriteAsync(db, DateTime.UnixEpoch, cancel: Cancel);

    private static string Document(params (string List, string Entries)[] lists) =>
        $$"""{"format":"zing-cast","version":1,{{string.Join(',', lists.Select(l => $"\"{l.List}\":[{l.Entries}]"))}}}""";

    private static string Rod(string tag, string more = "") =>
        $$"""{"key":"{{tag}}","tag":"{{tag}}","name":"a rod","lengthM":2.7,"printedClass":6,"massKg":0.09{{more}}}""";

    [Fact]
    public async Task A_whole_house_read_into_an_empty_one_is_the_same_house_and_gives_the_same_answers()
    {
        await using var full = await OpenAsync("full", demo: true);
        await using var empty = await OpenAsync("empty", demo: false);
        // Numbers that other rows have there.
        await ReadAsync(empty, Document(("rods", string.Join(',', Enumerable.Range(1, 9).Select(n => Rod($"X{n}"))))));
        foreach (var rod in await empty.Rods.Select(r => r.Id).ToListAsync(Cancel))
            await empty.KeptSet<Core.Rods.Rod>(TimeProvider.System).ArchiveAsync(rod, Cancel);
        await full.KeptSet<Core.Rods.Rod>(TimeProvider.System).ArchiveAsync(9, Cancel);
        var brief = await full.KeptSet<SavedBrief>(TimeProvider.System).FindAsync(1, Cancel);
        await full.KeptSet<SavedBrief>(TimeProvider.System)
            .KeepAsync(
                brief! with
                {
                    Pins = new()
                    {
                        Rod = 6,
                        Line = 11,
                        Leader = 1,
                    },
                },
                "it",
                Cancel
            );
        var text = await TextAsync(full);
        var read = await ReadAsync(empty, text, BackupMerge.Replace);
        Assert.Empty(read.Faults);
        Assert.Empty(read.Notes);
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(text), JsonNode.Parse(await TextAsync(empty))));
        async Task<string> Answer(ZingDb db)
        {
            var kept = await db.Briefs.AsNoTracking().FirstAsync(b => b.Name == brief!.Name, Cancel);
            var session = Matcher.For(
                Brief.Complete(kept.Draft, await db.CastersAsync(Cancel)),
                await db.ShedAsync(Cancel),
                cancel: Cancel
            );
            var answer = session.Explain(session.Choose(kept.Pins));
            return string.Join("\n", answer.Ledger.Select(s => $"{s.Rule.Id} {s.Says}"));
        }
        Assert.Equal(await Answer(full), await Answer(empty));
    }

    [Fact]
    public async Task Read_twice_it_changes_nothing_the_second_time()
    {
        await using var db = await OpenAsync("demo", demo: true);
        var text = await TextAsync(db);
        var read = await ReadAsync(db, text, BackupMerge.Theirs);
        Assert.All(read.Changes, c => Assert.Empty(c.New.Concat(c.Other).Concat(c.Gone)));
        Assert.True(read.Changes.Sum(c => c.Same) > 150);
        Assert.Equal(text, await TextAsync(db));
    }

    [Fact]
    public async Task Another_houses_gear_comes_beside_mine_by_tag_whatever_its_numbers()
    {
        await using var theirs = await OpenAsync("theirs", demo: true);
        await using var mine = await OpenAsync("mine", demo: false);
        await ReadAsync(mine, Document(("rods", $"{Rod("R6")},{Rod("Q1")}")));
        var text = await TextAsync(theirs);
        var look = await ReadAsync(mine, text, keep: false);
        var rods = look.Changes.Single(c => c.List == "rods");
        Assert.Equal(["R6"], rods.Other);
        Assert.Equal(["Q1"], rods.Gone);
        Assert.Equal(11, rods.New.Count);
        Assert.Equal(2, await mine.Rods.CountAsync(Cancel));
        // Mine stays as it is; what refers to it finds it.
        await ReadAsync(mine, text);
        Assert.Equal("a rod", (await mine.Rods.AsNoTracking().SingleAsync(r => r.Tag == "R6", Cancel)).Name);
        var six = (await mine.Rods.AsNoTracking().SingleAsync(r => r.Tag == "R6", Cancel)).Id;
        Assert.True(await mine.Outings.AnyAsync(o => o.RodId == six, Cancel));
        // Theirs takes its place.
        await ReadAsync(mine, text, BackupMerge.Theirs);
        Assert.Equal("blue eight", (await mine.Rods.AsNoTracking().SingleAsync(r => r.Tag == "R6", Cancel)).Name);
        Assert.Equal(13, await mine.Rods.CountAsync(Cancel));
    }

    [Fact]
    public async Task With_one_fault_nothing_is_read_and_every_fault_is_named_by_list_entry_and_field()
    {
        await using var db = await OpenAsync("data", demo: false);
        var read = await ReadAsync(
            db,
            Document(
                ("rods", Rod("R1") + """,{"key":"R2","tag":"R2","name":"odd","lengthM":99,"massKg":9}"""),
                ("reels", """{"key":"S1","tag":"S1","name":"reel","massKg":0.1,"colour":"red"},{"tag":"S2"}"""),
                ("spools", """{"key":"S9: its own","reelId":"S9","name":"its own"}"""),
                ("outings", """{"key":"abcdefgh","on":"2026-02-31"},{"key":"abcdefgi","on":"2020-05-01","casts":[{"distanceM":900}]}""")
            )
        );
        Assert.Equal(
            [
                "outings 1 on",
                "outings 2 casts[0].distanceM",
                "reels 1 colour",
                "reels 2 key",
                "rods 2 lengthM",
                "rods 2 massKg",
                "rods 2 printedClass",
                "spools 1 reelId",
            ],
            read.Faults.Select(f => $"{f.List} {f.Row} {f.Field}").Order(StringComparer.Ordinal)
        );
        Assert.Empty(await db.Rods.ToListAsync(Cancel));
    }

    [Theory]
    [InlineData("", "text")]
    [InlineData("[]", "format")]
    [InlineData("""{"format":"zing-cast"}""", "version")]
    [InlineData("""{"format":"zing-cast","version":2}""", "version")]
    [InlineData("""{"format":"zing-cast","version":1,"boats":[]}""", "boats")]
    [InlineData("""{"format":"zing-cast","version":1,"rods":{}}""", "rods")]
    [InlineData("""{"format":"zing-cast","version":1,"rods":[],"rods":[]}""", "text")]
    public async Task What_is_no_file_of_ours_is_told(string text, string field)
    {
        await using var db = await OpenAsync("data", demo: false);
        Assert.Equal(field, Assert.Single((await ReadAsync(db, text)).Faults).Field);
    }

    [Fact]
    public async Task An_entry_from_the_water_is_kept_once_even_where_a_piece_is_not_known_here()
    {
        await using var db = await OpenAsync("demo", demo: true);
        var text = Document(
            (
                "outings",
                """
                {"key":"water0001","on":"2026-06-01","rodId":"R6","lineId":"L99","caster":{"person":"Ina"},
                 "briefId":"Sea bass on the Skerries"}
                """
            )
        );
        var read = await ReadAsync(db, text);
        Assert.Contains("L99", Assert.Single(read.Notes), StringComparison.Ordinal);
        var kept = await db.Outings.AsNoTracking().SingleAsync(o => o.Key == "water0001", Cancel);
        Assert.Equal((6, null, 1, "own-1"), (kept.RodId, kept.LineId, kept.BriefId, kept.Caster));
        Assert.Empty((await ReadAsync(db, text)).Changes.Single().New);
        Assert.Equal(1, await db.Outings.CountAsync(o => o.Key == "water0001", Cancel));
    }

    [Fact]
    public async Task What_was_put_away_keeps_its_day_and_two_of_one_name_are_told_apart()
    {
        await using var db = await OpenAsync("data", demo: false);
        var shelf = db.KeptSet<SavedBrief>(TimeProvider.System);
        foreach (var species in new[] { "perch", "pike" })
            await shelf.KeepAsync(
                new()
                {
                    Name = "Friday",
                    Draft = new() { Species = species },
                },
                "it",
                Cancel
            );
        await shelf.ArchiveAsync(1, Cancel);
        await using var other = await OpenAsync("other", demo: false);
        await ReadAsync(other, await TextAsync(db));
        Assert.Equal("pike", (await other.Briefs.SingleAsync(Cancel)).Draft.Species);
        Assert.Equal("perch", Assert.Single(await other.KeptSet<SavedBrief>(TimeProvider.System).ListArchivedAsync(Cancel)).Draft.Species);
        Assert.Equal(await TextAsync(db), await TextAsync(other));
    }

    [Fact]
    public async Task The_log_and_the_gear_go_out_as_sheets_and_come_back_as_they_were()
    {
        await using var db = await OpenAsync("demo", demo: true);
        var document = await BackupFile.DocumentAsync(db, DateTime.UnixEpoch, [BackupFile.Log], Cancel);
        var (back, rows, faults) = LogCsv.Read(LogCsv.Write(document));
        Assert.Empty(faults);
        Assert.Equal(64, rows.Count);
        var read = await ReadAsync(db, back!.ToJsonString(), BackupMerge.Theirs);
        Assert.Empty(read.Faults);
        Assert.Equal(64, Assert.Single(read.Changes).Same);

        var shed = await db.ShedAsync(Cancel);
        foreach (var pieces in (IReadOnlyList<Core.Measures.Gear>[])[shed.Rods, shed.Lines, shed.Reels])
        {
            var pasted = GearPaste.Read(GearPaste.Write(pieces), Core.Shed.GearShed.Empty, metric: true, Today);
            Assert.Empty(pasted.Faults);
            Assert.Equal(GearPaste.Write(pieces), GearPaste.Write([.. pasted.Rods, .. pasted.Lines, .. pasted.Reels]));
        }
    }

    [Fact]
    public void A_sheet_of_gear_holds_plain_numbers_under_their_unit_and_cells_with_a_unit_of_their_own_are_read_too()
    {
        static PastedGear Read(string heading, string cell) =>
            GearPaste.Read($"kind;{heading};mass;class\nrod;{cell};101 g;6", Core.Shed.GearShed.Empty, metric: true, Today);
        var nine = Assert.Single(Read("length", "2.7432 m").Rods);
        var rows = GearPaste.Write([nine]).Split(["\r\n", "\n"], StringSplitOptions.RemoveEmptyEntries).Select(r => r.Split(',')).ToList();
        Assert.Equal("2.7432", rows[1][Array.IndexOf(rows[0], "length m")]);
        Assert.Equal("101", rows[1][Array.IndexOf(rows[0], "mass g")]);
        foreach (
            var (heading, cell) in ((string, string)[])
                [("length m", "2.7432"), ("length (ft)", "9"), ("Length, in", "108"), ("length m", "9 ft"), ("length m", "2,7432")]
        )
            Assert.Equal(2.7432, Assert.Single(Read(heading, cell).Rods).LengthM, 6);
        Assert.Equal("length kg", Assert.Single(Read("length kg", "3").Faults).Column);
    }

    [Fact]
    public async Task Two_spools_that_changed_their_lines_in_one_house_have_changed_them_in_the_other()
    {
        await using var db = await OpenAsync("data", demo: true);
        var document = JsonNode.Parse(await TextAsync(db))!;
        var wound = document["spools"]!.AsArray().Where(s => s!["lineId"] is not null && s["away"] is null).Take(3).ToList();
        // The first two swap; the third lies bare, and what was on it is nowhere.
        var (one, two) = ((string)wound[0]!["lineId"]!, (string)wound[1]!["lineId"]!);
        (wound[0]!["lineId"], wound[1]!["lineId"]) = (two, one);
        ((JsonObject)wound[2]!).Remove("lineId");
        var read = await ReadAsync(db, document.ToJsonString(), BackupMerge.Theirs);
        Assert.Empty(read.Faults);
        Assert.Empty(read.Notes);
        Assert.Equal(3, read.Changes.Single(c => c.List == "spools").Other.Count);
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(await TextAsync(db))!["spools"], document["spools"]));

        // A line that stays on a spool the file does not speak of stays there, and that is said.
        var taken = Document(("spools", wound[0]!.ToJsonString().Replace($"\"{two}\"", $"\"{one}\"", StringComparison.Ordinal)));
        var said = await ReadAsync(db, taken, BackupMerge.Theirs);
        Assert.Contains(one, Assert.Single(said.Notes), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("=HYPERLINK(\"x\")")]
    [InlineData("+1")]
    [InlineData("-1")]
    [InlineData("@SUM(1)")]
    [InlineData("'quoted")]
    public async Task No_spreadsheet_runs_what_somebody_called_a_place(string place)
    {
        await using var db = await OpenAsync("data", demo: false);
        var outing = new Outing
        {
            Key = "formula01",
            On = Today,
            Place = place,
        };
        await db.KeptSet<Outing>(TimeProvider.System).KeepAsync(outing, "it", Cancel);
        var sheet = LogCsv.Write(await BackupFile.DocumentAsync(db, DateTime.UnixEpoch, [BackupFile.Log], Cancel));
        Assert.Contains($"'{place[0]}", sheet, StringComparison.Ordinal);
        Assert.Equal(place, (string?)LogCsv.Read(sheet).Document!["outings"]![0]!["place"]);
    }

    [Fact]
    public void A_log_sheet_names_every_bad_row_and_column()
    {
        var (document, _, faults) = LogCsv.Read(
            "on,hours,casts,losses,rings,hook\n2026-05-01,two,,,,\n2026-05-02,2,far,,,\n"
                + "2026-05-03,,22 taped carry,gone 2,,\n2026-05-04,,,,9 m,4.5\n"
        );
        Assert.Null(document);
        Assert.Equal(
            [(2, "hours"), (3, "casts"), (4, "casts"), (4, "losses"), (5, "rings"), (5, "hook")],
            faults.Select(f => (f.Line, f.Column))
        );
        Assert.Equal("colour", Assert.Single(LogCsv.Read("on,colour\n2026-05-01,red\n").Faults).Column);
        Assert.Equal("on", Assert.Single(LogCsv.Read("place\nhere\n").Faults).Column);
        var (good, _, _) = LogCsv.Read(
            "on;casts;fish\n2026-05-01;\"24.5 taped carry 12 wind 4 from 45 out late right; 22\";2 pike 3 kg kept\n"
        );
        Assert.Equal(
            """[{"distanceM":24.5,"by":"taped","carryM":12,"windMps":4,"windFromDeg":45,"allOut":true,"turned":"late","feel":"right"}"""
                + """,{"distanceM":22}]""",
            good!["outings"]![0]!["casts"]!.ToJsonString()
        );
        Assert.Equal("""[{"count":2,"species":"pike","kg":3,"released":false}]""", good["outings"]![0]!["fish"]!.ToJsonString());
    }

    [Fact]
    public async Task Everything_that_is_kept_goes_into_the_document()
    {
        await using var db = await OpenAsync("data", demo: false);
        var lists = ((JsonObject)BackupSchema.Write()["properties"]!).Count(p => p.Value!["type"]?.ToString() == "array");
        Assert.Equal(db.Model.GetEntityTypes().Count(t => t.ClrType.IsAssignableTo(typeof(Core.Measures.Kept))), lists);
    }

    [Fact]
    public void The_published_schema_is_the_one_that_is_written() =>
        Assert.True(
            JsonNode.DeepEquals(
                JsonNode.Parse(File.ReadAllText(Path.Combine(TestApp.Root, "docs", "backup.schema.json"))),
                BackupSchema.Write()
            ),
            "docs/backup.schema.json is not the schema of the records: write it anew from GET /api/backup/schema"
        );

    [Fact]
    public async Task A_document_is_saved_and_put_back_at_the_terminal_as_a_copy_is()
    {
        var (data, other) = (Path.Combine(folder, "one"), Path.Combine(folder, "two"));
        await using (var db = await OpenAsync("one", demo: true)) { }
        var file = Path.Combine(folder, "all.json");
        await BackupCommands.SaveAsync(data, file, TimeProvider.System);
        Assert.Null(await BackupCommands.PutBackAsync(other, file, TimeProvider.System));
        await using (var db = await OpenAsync("two", demo: false))
            Assert.Equal(12, await db.Rods.CountAsync(Cancel));
        var kept = await BackupCommands.PutBackAsync(other, file, TimeProvider.System);
        Assert.True(File.Exists(kept));
        await File.WriteAllTextAsync(file, Document(("rods", "{}")), Cancel);
        var refused = await Assert.ThrowsAsync<DataFolderException>(() => BackupCommands.PutBackAsync(other, file, TimeProvider.System));
        Assert.Contains("rods, entry 1, key", refused.Message, StringComparison.Ordinal);
        await using (var db = await OpenAsync("two", demo: false))
            Assert.Equal(12, await db.Rods.CountAsync(Cancel));
        await Assert.ThrowsAsync<DataFolderException>(() => BackupCommands.SaveAsync(data, file, TimeProvider.System));
    }

    [Theory]
    [InlineData("""{"condition":99}""")]
    [InlineData("""{"condition":"99"}""")]
    [InlineData("""{"condition":1}""")]
    [InlineData("""{"condition":"worn, mend"}""")]
    [InlineData("""{"printedAction":2}""")]
    [InlineData("""{"inspections":[null]}""")]
    [InlineData("""{"inspections":[{"on":"2026-03-01","points":{"rings":3}}]}""")]
    [InlineData("""{"massKg":1e400}""")]
    [InlineData("""{"massKg":5e-324}""")]
    [InlineData("""{"lengthM":-2.7}""")]
    [InlineData("""{"name":"two\nlines"}""")]
    public async Task What_stands_for_a_word_and_is_none_is_refused_with_its_row_and_the_house_stays_whole(string odd)
    {
        await using var db = await OpenAsync("data", demo: false);
        var rod = (JsonObject)JsonNode.Parse(Rod("R1"))!;
        foreach (var (name, value) in (JsonObject)JsonNode.Parse(odd)!)
            rod[name] = value?.DeepClone();
        var read = await ReadAsync(db, Document(("rods", $"{Rod("R0")},{rod.ToJsonString()}")));
        Assert.All(read.Faults, f => Assert.Equal(("rods", 2), (f.List, f.Row)));
        Assert.NotEmpty(read.Faults);
        Assert.Equal(0, await db.Rods.CountAsync(Cancel));
    }

    [Theory]
    [InlineData("cutJobs", """{"key":"x","target":{"lengthM":9,"massKg":0.02},"pieces":[],"begunAt":"2026-05-01T00:00:00Z"}""", "pieces")]
    [InlineData(
        "lines",
        """{"key":"L1","tag":"L1","name":"l","lengthM":27,"headM":11,"measured":[{"lengthM":-27,"startM":1e-3,"endM":1e-3,"kgM3":900}]}""",
        "measured[0].lengthM"
    )]
    [InlineData(
        "leaders",
        """{"key":"K","tag":"K","name":"k","leader":{"pieces":[{"part":"tippet","lengthM":2,"startM":3e-4,"endM":3e-4,"ownN":5e-324}]}}""",
        "leader.pieces[0].ownN"
    )]
    public async Task What_would_break_a_page_is_refused_at_its_field(string list, string entry, string field)
    {
        await using var db = await OpenAsync("data", demo: false);
        var read = await ReadAsync(db, Document((list, entry)));
        Assert.Contains(
            field,
            read.Faults.Select(f => f.Field)
                .Select(f => list == "leaders" && !f.StartsWith("leader.", StringComparison.Ordinal) ? $"leader.{f}" : f)
        );
    }

    [Theory]
    [InlineData("\"R\\ud800\"")]
    [InlineData("\"\\udc00R\"")]
    public async Task Half_a_sign_in_a_text_is_said_with_its_line(string key)
    {
        await using var db = await OpenAsync("data", demo: false);
        foreach (
            var text in new[]
            {
                $$"""{"format":"zing-cast","version":1,"rods":[{{"\n"}}{"key":{{key}}}]}""",
                $$"""{"format":"zing-cast","version":1,{{"\n"}}{{key}}:[]}""",
            }
        )
        {
            var fault = Assert.Single((await ReadAsync(db, text)).Faults);
            Assert.Equal(("file", 2, "text"), (fault.List, fault.Row, fault.Field));
        }
        Assert.NotEmpty((await ReadAsync(db, Document(("rods", Rod("R\ud800"))))).Faults);
    }

    // Looking is held against writing by another hand at the same time: neither waits for the other, and what comes in between is seen.
    [Fact]
    public async Task While_a_document_is_looked_at_somebody_else_writes()
    {
        await using var db = await OpenAsync("data", demo: true);
        await using var other = new ZingDb(
            new DbContextOptionsBuilder<ZingDb>()
                .UseSqlite($"Data Source={DataFolder.FileIn(Path.Combine(folder, "data"))};Pooling=False;Default Timeout=1")
                .Options
        );
        await using (await db.SnapshotAsync(Cancel))
        {
            Assert.Equal(12, await db.Rods.CountAsync(Cancel));
            var rod = await other.Rods.AsNoTracking().FirstAsync(Cancel);
            await other.KeptSet<Core.Rods.Rod>(TimeProvider.System).KeepAsync(rod with { Id = 0, Version = 0, Tag = "R99" }, "it", Cancel);
            // The snapshot is what it was.
            Assert.Equal(12, await db.Rods.CountAsync(Cancel));
            var look = await BackupFile.LookAsync(db, Document(("rods", Rod("R99"))), BackupMerge.Mine, Today, Cancel);
            Assert.Equal(["R99"], look.Read.Changes.Single().New);
        }
        Assert.Equal(
            ["R99"],
            (await BackupFile.LookAsync(db, Document(("rods", Rod("R99"))), BackupMerge.Mine, Today, Cancel)).Read.Changes.Single().Other
        );
        await db.Database.OpenConnectionAsync(Cancel);
        var seen = await db.WritesSeenAsync(Cancel);
        Assert.Equal(seen, await db.WritesSeenAsync(Cancel));
        await other.Rods.Where(r => r.Tag == "R99").ExecuteUpdateAsync(set => set.SetProperty(r => r.Version, 2), Cancel);
        Assert.NotEqual(seen, await db.WritesSeenAsync(Cancel));
    }

    // Ten times as many things take about ten times as many looks at them: what is counted is the work, not the clock.
    [Fact]
    public async Task A_document_of_thousands_is_read_whole_and_what_both_have_is_told_apart()
    {
        await using var db = await OpenAsync("data", demo: false);
        string Rods(int from, int to, string more = "") =>
            string.Join(',', Enumerable.Range(from, to - from).Select(n => Rod($"T{n}", more)));
        var read = await ReadAsync(db, Document(("rods", Rods(0, 3000))));
        Assert.Equal(3000, Assert.Single(read.Changes).New.Count);
        Assert.Equal(3000, await db.Rods.CountAsync(Cancel));
        Assert.All(await db.Rods.Select(r => r.Version).Distinct().ToListAsync(Cancel), v => Assert.Equal(1, v));
        var again = await ReadAsync(
            db,
            Document(("rods", $"{Rods(0, 2990)},{Rods(2990, 3000, ""","note":"otherwise" """)},{Rods(3000, 3005)}")),
            BackupMerge.Theirs
        );
        var change = Assert.Single(again.Changes);
        Assert.Equal((2990, 10, 5), (change.Same, change.Other.Count, change.New.Count));
        Assert.Equal(10, await db.Rods.CountAsync(r => r.Note == "otherwise" && r.Version == 2, Cancel));
        // Replaced, nothing has a number that something else had.
        var highest = await db.Rods.MaxAsync(r => r.Id, Cancel);
        await ReadAsync(db, Document(("rods", Rods(0, 3))), BackupMerge.Replace);
        Assert.Equal(3, await db.Rods.CountAsync(r => r.Id > highest, Cancel));
    }
}
