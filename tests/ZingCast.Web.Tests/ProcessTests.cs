using System.Collections.Concurrent;
using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>The program itself, as a process that can be killed, asked to stop, and run out of room.</summary>
[Collection(Alone.Name)]
[Trait(Alone.Suite, Alone.Faults)]
public sealed partial class ProcessTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("zing-process-").FullName;
    private readonly List<Running> running = [];

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    private static string Program { get; } =
        Path.Combine(
            House.Root,
            "src",
            "ZingCast.Web",
            "bin",
            Path.GetFileName(Path.GetDirectoryName(AppContext.BaseDirectory.TrimEnd('/'))!),
            "net10.0",
            "ZingCast.Web.dll"
        );

    private static string ContentRoot => Path.Combine(House.Root, "src", "ZingCast.Web");

    /// <summary>A process and all it has said.</summary>
    private sealed partial class Running : IDisposable
    {
        private readonly ConcurrentQueue<string> said = new();

        public Running(string file, params string[] args)
        {
            Process = new()
            {
                StartInfo = new(file, args) { RedirectStandardOutput = true, RedirectStandardError = true },
            };
            Process.OutputDataReceived += (_, line) => said.Enqueue(line.Data ?? "");
            Process.ErrorDataReceived += (_, line) => said.Enqueue(line.Data ?? "");
            Process.Start();
            Process.BeginOutputReadLine();
            Process.BeginErrorReadLine();
        }

        public Process Process { get; }

        public string[] Said => [.. said.Where(line => line.Length > 0)];

        [GeneratedRegex(@"http://[\d.]+:\d+")]
        private static partial Regex Address();

        public async Task<HttpClient> Ready()
        {
            for (var waited = Stopwatch.StartNew(); waited.Elapsed < TimeSpan.FromSeconds(60); await Task.Delay(20, Now))
            {
                if (Said.Select(line => Address().Match(line)).FirstOrDefault(m => m.Success) is { } at)
                    return new() { BaseAddress = new(at.Value), Timeout = TimeSpan.FromSeconds(30) };
                if (Process.HasExited)
                    break;
            }
            throw new Xunit.Sdk.XunitException($"It did not start: {string.Join(" / ", Said)}");
        }

        public async Task<int> Ended(double withinS)
        {
            using var limit = CancellationTokenSource.CreateLinkedTokenSource(Now);
            limit.CancelAfter(TimeSpan.FromSeconds(withinS));
            await Process.WaitForExitAsync(limit.Token);
            Process.WaitForExit();
            return Process.ExitCode;
        }

        public void Dispose()
        {
            if (!Process.HasExited)
                Process.Kill(entireProcessTree: true);
            Process.WaitForExit();
            Process.Dispose();
        }
    }

    private Running Run(string file, params string[] args)
    {
        var started = new Running(file, args);
        lock (running)
            running.Add(started);
        return started;
    }

    private Running Start(string data, params string[] more) =>
        Run("dotnet", [Program, "--contentRoot", ContentRoot, "--data", data, "--port", "0", .. more]);

    private string New(string name) => Path.Combine(folder, name);

    // Fresh folders, and folders of an earlier version with the lock that a killed start of that version left behind. The blow falls
    // between the first file in the folder and well past the point where the house answers.
    [Fact]
    public async Task Killed_at_forty_moments_of_a_start_it_starts_the_next_time()
    {
        var earlier = New("earlier.db");
        await DataFolderTests.Earlier(earlier, "20261125003030_First", Now);
        await Parallel.ForAsync(
            0,
            40,
            new ParallelOptions { MaxDegreeOfParallelism = 2, CancellationToken = Now },
            async (i, cancel) =>
            {
                var data = Directory.CreateDirectory(New($"killed-{i}")).FullName;
                var file = DataFolder.FileIn(data);
                if (i % 2 == 1)
                    File.Copy(earlier, file);
                using (var killed = Start(data, "--demo"))
                {
                    while (!killed.Process.HasExited && Directory.GetFiles(data).Length == i % 2)
                        await Task.Delay(2, cancel);
                    await Task.Delay(i * i, cancel);
                    killed.Process.Kill();
                }
                // What a start does with the folder, without the seconds the rest of it takes.
                var opening = Stopwatch.StartNew();
                DataFolder.Open(data, TimeProvider.System);
                Assert.True(opening.Elapsed < TimeSpan.FromSeconds(60), $"killed at moment {i}, the next start took {opening.Elapsed}");
                await using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
                await connection.OpenAsync(cancel);
                await using var command = connection.CreateCommand();
                command.CommandText =
                    "select (select integrity_check from pragma_integrity_check) || ' ' || count(*) from Rods where Tag = 'R1'";
                var (found, demo) = ((string)(await command.ExecuteScalarAsync(cancel))!, i % 2 == 1);
                Assert.True(found == "ok 1" || (!demo && found == "ok 0"), $"killed at moment {i}: {found}");
            }
        );
        foreach (var last in new[] { 0, 1, 38, 39 })
        {
            using var again = Start(New($"killed-{last}"), "--demo");
            using var client = await again.Ready();
            Assert.Equal(HttpStatusCode.OK, (await client.GetAsync("/api/shed", Now)).StatusCode);
        }
    }

    [Fact]
    public async Task Asked_to_stop_under_load_it_stops_in_time_and_the_folder_alone_holds_everything()
    {
        using var house = Start(New("data"), "--demo");
        using var client = await house.Ready();
        // Three hundred scraps: more ways to cut them than anybody waits for.
        for (var i = 0; i < 300; i++)
            (
                await client.PostAsJsonAsync(
                    "/api/shed/scraps",
                    new
                    {
                        tag = $"Z{i}",
                        name = "scrap",
                        lengthM = 1 + i % 37 * .1,
                        massKg = .002 + i % 31 * .0002,
                        taperM = i % 3 == 0 ? .6 : 0,
                    },
                    Now
                )
            ).EnsureSuccessStatusCode();
        var plan = new { target = new { lengthM = 9, massKg = .0194 } };
        var found = await (await client.PostAsJsonAsync("/api/cutting/plan", plan, Now)).Json();
        Assert.False(found.GetProperty("complete").GetBoolean());
        Assert.NotEqual(0, found.GetProperty("plans").GetArrayLength());

        using (var impatient = CancellationTokenSource.CreateLinkedTokenSource(Now))
        {
            var asked = Enumerable
                .Range(0, 24)
                .Select(i =>
                    i % 2 == 0
                        ? client.PostAsJsonAsync("/api/cutting/plan", plan, impatient.Token)
                        : client.PostAsJsonAsync("/api/casting/gains", new { brief = new { } }, impatient.Token)
                )
                .ToList();
            await Task.Delay(300, Now);
            await impatient.CancelAsync();
            foreach (var left in asked)
                await Assert.ThrowsAnyAsync<OperationCanceledException>(() => left);
        }
        var waiting = Enumerable.Range(0, 6).Select(_ => client.PostAsJsonAsync("/api/cutting/plan", plan, Now)).ToList();
        (
            await client.PostAsJsonAsync("/api/briefs", new { name = "The last word", draft = new { species = "perch" } }, Now)
        ).EnsureSuccessStatusCode();
        using (Run("kill", "-TERM", $"{house.Process.Id}"))
            Assert.Equal(0, await house.Ended(10));
        // Whoever still waited is told.
        foreach (var told in await Task.WhenAll(waiting))
            if (told.StatusCode != HttpStatusCode.OK)
            {
                Assert.Equal(HttpStatusCode.ServiceUnavailable, told.StatusCode);
                Assert.Contains("being stopped", (await told.Json()).GetProperty("title").GetString());
            }

        Assert.Equal([DataFolder.FileName], Directory.GetFiles(New("data")).Select(Path.GetFileName));
        Directory.CreateDirectory(New("copy"));
        File.Copy(DataFolder.FileIn(New("data")), DataFolder.FileIn(New("copy")));
        using var again = Start(New("copy"));
        using var guest = await again.Ready();
        Assert.Contains("The last word", await guest.GetStringAsync("/api/briefs", Now));
        Assert.Equal(312, (await guest.GetJson("/api/shed/scraps")).GetArrayLength());
    }

    [Fact]
    public async Task Two_houses_on_one_folder_see_what_the_other_keeps_and_one_may_go()
    {
        using var one = Start(New("data"), "--demo");
        using var other = Start(New("data"), "--demo");
        using var first = await one.Ready();
        using var second = await other.Ready();
        await Task.WhenAll(
            Enumerable
                .Range(0, 40)
                .Select(i =>
                    (i % 2 == 0 ? first : second).PostAsJsonAsync("/api/briefs", new { name = $"Brief {i}", draft = new { } }, Now)
                )
        );
        Assert.Equal(43, (await first.GetJson("/api/briefs")).GetArrayLength());
        using (Run("kill", "-TERM", $"{one.Process.Id}"))
            Assert.Equal(0, await one.Ended(10));
        (await second.PostAsJsonAsync("/api/briefs", new { name = "The other goes on", draft = new { } }, Now)).EnsureSuccessStatusCode();
        Assert.Equal(44, (await second.GetJson("/api/briefs")).GetArrayLength());
    }

    [Fact]
    public async Task Left_alone_for_some_seconds_the_file_is_whole_while_the_house_goes_on()
    {
        using var house = Start(New("data"), "--demo");
        using var client = await house.Ready();
        await client.PostAsJsonAsync("/api/briefs", new { name = "Kept at noon", draft = new { } }, Now);
        var ahead = DataFolder.FileIn(New("data")) + "-wal";
        for (var waited = Stopwatch.StartNew(); new FileInfo(ahead).Length > 0 && waited.Elapsed < TimeSpan.FromSeconds(20); )
            await Task.Delay(200, Now);
        Assert.Equal(0, new FileInfo(ahead).Length);
        Directory.CreateDirectory(New("copy"));
        File.Copy(DataFolder.FileIn(New("data")), DataFolder.FileIn(New("copy")));
        DataFolder.Open(New("copy"), TimeProvider.System);
        await using var connection = new SqliteConnection($"Data Source={DataFolder.FileIn(New("copy"))};Pooling=False");
        await connection.OpenAsync(Now);
        await using var command = connection.CreateCommand();
        command.CommandText = "select count(*) from Briefs where Name = 'Kept at noon'";
        Assert.Equal(1L, await command.ExecuteScalarAsync(Now));
    }

    [Theory]
    [MemberData(nameof(DataFolderTests.Faults), MemberType = typeof(DataFolderTests))]
    public async Task A_bad_file_is_one_line_and_exit_1(string how, string words)
    {
        DataFolderTests.Break(New("data"), how);
        using var refused = Start(New("data"));
        Assert.Equal(1, await refused.Ended(30));
        Assert.Contains(words, Assert.Single(refused.Said));
    }

    [Fact]
    public async Task A_fault_of_ours_is_answered_in_words_and_logged()
    {
        using var house = Start(New("data"));
        using var client = await house.Ready();
        await using (var connection = new SqliteConnection($"Data Source={DataFolder.FileIn(New("data"))};Pooling=False"))
        {
            await connection.OpenAsync(Now);
            await using var command = connection.CreateCommand();
            command.CommandText = "drop table Reels";
            await command.ExecuteNonQueryAsync(Now);
        }
        var broken = await client.GetAsync("/api/shed", Now);
        Assert.Equal(HttpStatusCode.InternalServerError, broken.StatusCode);
        Assert.Contains("on our side", (await broken.Json()).GetProperty("title").GetString());
        Assert.Contains(house.Said, line => line.Contains("A fault of ours answering GET /api/shed", StringComparison.Ordinal));
        Assert.Contains(house.Said, line => line.Contains("no such table: Reels", StringComparison.Ordinal));
    }

    // A small disk of its own, as root or as anybody where the machine allows it.
    private Running OnSmallDisk(string before, string after = "")
    {
        var disk = Directory.CreateDirectory(New("disk")).FullName;
        return Run(
            "unshare",
            "-rm",
            "sh",
            "-c",
            $"mount -t tmpfs -o size=2m tmpfs {disk} && {before} && exec dotnet {Program} "
                + $"--contentRoot {ContentRoot} --port 0 --data {disk}/data {after}"
        );
    }

    private static async Task CanMount()
    {
        using var probe = new Running("unshare", "-rm", "sh", "-c", "mount -t tmpfs tmpfs /mnt");
        if (await probe.Ended(10) != 0)
            Assert.Skip("This machine lets nobody have a disk of their own.");
    }

    [Theory]
    [InlineData("is full", "head -c 2000k /dev/zero > {disk}/filler")]
    [InlineData("may not write", "mkdir {disk}/data && mount -o remount,ro {disk}")]
    public async Task A_disk_that_takes_nothing_is_one_line_and_exit_1(string words, string before)
    {
        await CanMount();
        using var refused = OnSmallDisk(before.Replace("{disk}", New("disk"), StringComparison.Ordinal));
        Assert.Equal(1, await refused.Ended(30));
        var told = Assert.Single(refused.Said);
        Assert.True(told.Contains(words, StringComparison.Ordinal) || told.Contains("Read-only", StringComparison.Ordinal), told);
    }

    [Fact]
    public async Task A_disk_that_fills_up_is_told_nothing_is_lost_and_it_goes_on_when_there_is_room()
    {
        await CanMount();
        using var house = OnSmallDisk("true");
        using var client = await house.Ready();
        var inside = $"/proc/{house.Process.Id}/root{New("disk")}";
        var kept = 0;
        HttpResponseMessage answer;
        await File.WriteAllBytesAsync(Path.Combine(inside, "filler"), new byte[1_300_000], Now);
        while (
            (
                answer = await client.PostAsJsonAsync("/api/briefs", new { name = $"Brief {kept}", draft = new { species = "perch" } }, Now)
            ).IsSuccessStatusCode
        )
            Assert.True(++kept < 5000);
        Assert.Equal(507, (int)answer.StatusCode);
        Assert.Contains("disk is full", (await answer.Json()).GetProperty("title").GetString());
        Assert.Equal(kept, (await client.GetJson("/api/briefs")).GetArrayLength());

        File.Delete(Path.Combine(inside, "filler"));
        (await client.PostAsJsonAsync("/api/briefs", new { name = "There is room again", draft = new { } }, Now)).EnsureSuccessStatusCode();
        Assert.Equal(kept + 1, (await client.GetJson("/api/briefs")).GetArrayLength());
    }

    [Fact]
    public async Task What_is_saved_while_the_house_runs_gives_the_same_answers_when_it_is_put_back()
    {
        var saved = New("saved.db");
        object solve = new
        {
            brief = new
            {
                flyKind = "baitfish",
                hookSize = 0,
                species = "sea-bass",
                distanceM = 17,
            },
        };
        string before;
        using (var house = Start(New("data"), "--demo"))
        {
            using var client = await house.Ready();
            before =
                await (await client.PostAsJsonAsync("/api/matching/solve", solve, Now)).Content.ReadAsStringAsync(Now)
                + await client.GetStringAsync("/api/shed", Now);
            using var backup = Run("dotnet", Program, "backup", saved, "--contentRoot", ContentRoot, "--data", New("data"));
            Assert.Equal(0, await backup.Ended(30));
            Assert.Contains("is saved in", Assert.Single(backup.Said));
            using var twice = Run("dotnet", Program, "backup", saved, "--data", New("data"));
            Assert.Equal(1, await twice.Ended(30));
        }
        using var restore = Run("dotnet", Program, "restore", saved, "--data", New("other"));
        Assert.Equal(0, await restore.Ended(30));
        using var again = Start(New("other"));
        using var guest = await again.Ready();
        Assert.Equal(
            before,
            await (await guest.PostAsJsonAsync("/api/matching/solve", solve, Now)).Content.ReadAsStringAsync(Now)
                + await guest.GetStringAsync("/api/shed", Now)
        );
    }

    // Briefs one by one and whole files of outings, as fast as they are answered; the blow falls anywhere among them.
    [Fact]
    public async Task Killed_fifty_times_among_edits_and_imports_everything_answered_is_there_and_nothing_is_half_done()
    {
        const int entries = 25;
        await Parallel.ForAsync(
            0,
            2,
            new ParallelOptions { MaxDegreeOfParallelism = 2, CancellationToken = Now },
            async (half, cancel) =>
            {
                var data = New($"torn-{half}");
                var dice = new Random(half);
                List<string> briefs = [],
                    files = [];
                for (var blow = 0; blow < 25; blow++)
                {
                    using (var house = Start(data))
                    {
                        using var client = await house.Ready();
                        // The first of each takes its time in a fresh program, and is answered before the blow is dealt.
                        var n = 0;
                        await Brief();
                        await Files();
                        var kill = Task.Delay(dice.Next(5, 250), cancel).ContinueWith(_ => house.Process.Kill(), cancel);
                        try
                        {
                            while (true)
                                await (n % 3 > 0 ? Brief() : Files());
                        }
                        catch (HttpRequestException fallen) when (fallen.StatusCode is null)
                        {
                            // The blow has fallen.
                        }

                        async Task Brief()
                        {
                            var name = $"blow{half}x{blow}x{n++}";
                            (await client.PostAsJsonAsync("/api/briefs", new { name, draft = new { } }, cancel)).EnsureSuccessStatusCode();
                            briefs.Add(name);
                        }

                        async Task Files()
                        {
                            var name = $"blow{half}x{blow}x{n++}";
                            var outings = Enumerable
                                .Range(0, entries)
                                .Select(e => new
                                {
                                    key = $"{name}x{e:00}",
                                    on = "2026-05-01",
                                    place = name,
                                });
                            var text = System.Text.Json.JsonSerializer.Serialize(
                                new
                                {
                                    format = "zing-cast",
                                    version = 1,
                                    outings,
                                }
                            );
                            (
                                await client.PostAsJsonAsync("/api/backup/read", new { text, merge = "mine" }, cancel)
                            ).EnsureSuccessStatusCode();
                            files.Add(name);
                        }
                        await kill;
                    }
                    DataFolder.Open(data, TimeProvider.System);
                    await using var connection = new SqliteConnection($"Data Source={DataFolder.FileIn(data)};Pooling=False");
                    await connection.OpenAsync(cancel);
                    List<string> Column(string sql)
                    {
                        using var command = connection.CreateCommand();
                        command.CommandText = sql;
                        using var reader = command.ExecuteReader();
                        List<string> all = [];
                        while (reader.Read())
                            all.Add(reader.GetString(0));
                        return all;
                    }
                    Assert.Equal(["ok"], Column("pragma integrity_check"));
                    Assert.Empty(briefs.Except(Column("select Name from Briefs")));
                    Assert.Empty(files.Except(Column("select distinct Place from Outings")));
                    Assert.Empty(Column($"select Place from Outings group by Place having count(*) <> {entries}"));
                }
                Assert.True(briefs.Count > 25 && files.Count >= 25, $"only {briefs.Count} briefs and {files.Count} files were answered");
            }
        );
    }

    public void Dispose()
    {
        foreach (var one in running)
            one.Process.Dispose();
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    // What the winder had counted is on the ticket, and it goes on from there to the same stop mark.
    [Fact]
    public async Task Killed_in_the_middle_of_a_winding_ticket_it_goes_on_where_it_was()
    {
        var data = New("winding");
        int id,
            version;
        double before;
        using (var killed = Start(data, "--demo"))
        {
            using var client = await killed.Ready();
            var body = new
            {
                reelId = 5,
                lineId = 8,
                backing = "poly20",
                backingM = 150,
            };
            var ticket = await (await client.Post("/api/reels/tickets", body)).Json();
            id = ticket.GetProperty("id").GetInt32();
            foreach (var choice in new[] { null, "anticlockwise", null })
                ticket = await (
                    await client.Post(
                        $"/api/reels/tickets/{id}/reply",
                        new { reply = new { choice }, version = ticket.GetProperty("version").GetInt32() }
                    )
                ).Json();
            version = ticket.GetProperty("version").GetInt32();
            await client.Post($"/api/reels/tickets/{id}/wind", new { on = true, version });
            do
            {
                await Task.Delay(100, Now);
                before = (await client.GetJson($"/api/reels/tickets/{id}")).GetProperty("turns").GetDouble();
            } while (before < 20);
            killed.Process.Kill(entireProcessTree: true);
        }
        using var again = Start(data);
        using var there = await again.Ready();
        var found = await there.GetJson($"/api/reels/tickets/{id}");
        // At most what the winder does between two looks, a quarter of a second and the time of a write, is lost.
        Assert.InRange(found.GetProperty("turns").GetDouble(), before - 20, before + 1);
        Assert.True(found.GetProperty("turns").GetDouble() > 0 && found.GetProperty("lengthM").GetDouble() > 0);
        Assert.Equal(
            ("backing", false),
            (found.GetProperty("steps")[3].GetProperty("kind").GetString(), found.GetProperty("running").GetBoolean())
        );
        await there.Post($"/api/reels/tickets/{id}/wind", new { on = true, version });
        await Task.Delay(600, Now);
        var on = await there.GetJson($"/api/reels/tickets/{id}");
        Assert.True(on.GetProperty("running").GetBoolean());
        Assert.True(on.GetProperty("turns").GetDouble() > found.GetProperty("turns").GetDouble());
    }
}
