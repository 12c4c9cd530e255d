using System.Net;
using System.Net.Http.Json;
using Microsoft.Data.Sqlite;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>Asked to stop, on a full disk, with a bad file, beside another on the same folder.</summary>
public sealed class ProcessTests : ProgramTests
{
    [Fact]
    public async Task Asked_to_stop_under_load_it_stops_in_time_and_the_folder_alone_holds_everything()
    {
        using var app = Start(New("data"), "--demo");
        using var client = await app.Ready();
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
            await client.GetJson("/api/version");
            await impatient.CancelAsync();
            foreach (var left in asked)
                await Assert.ThrowsAnyAsync<OperationCanceledException>(() => left);
        }
        var waiting = Enumerable.Range(0, 6).Select(_ => client.PostAsJsonAsync("/api/cutting/plan", plan, Now)).ToList();
        (
            await client.PostAsJsonAsync("/api/briefs", new { name = "The last word", draft = new { species = "perch" } }, Now)
        ).EnsureSuccessStatusCode();
        using (Run("kill", "-TERM", $"{app.Process.Id}"))
            Assert.Equal(0, await app.Ended(10));
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
        using var app = Start(New("data"), "--demo");
        using var client = await app.Ready();
        await client.PostAsJsonAsync("/api/briefs", new { name = "Kept at noon", draft = new { } }, Now);
        var ahead = DataFolder.FileIn(New("data")) + "-wal";
        await Eventually.Holds(() => new FileInfo(ahead).Length == 0);
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
        using var app = Start(New("data"));
        using var client = await app.Ready();
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
        Assert.Contains(app.Said, line => line.Contains("A fault of ours answering GET /api/shed", StringComparison.Ordinal));
        Assert.Contains(app.Said, line => line.Contains("no such table: Reels", StringComparison.Ordinal));
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
        using var app = OnSmallDisk("true");
        using var client = await app.Ready();
        var inside = $"/proc/{app.Process.Id}/root{New("disk")}";
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
        using (var app = Start(New("data"), "--demo"))
        {
            using var client = await app.Ready();
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
}
