using System.Diagnostics;
using System.Net;
using System.Net.Http.Json;
using Microsoft.Data.Sqlite;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>Killed at any moment, it starts again and holds what it had answered.</summary>
public sealed class KilledTests : ProgramTests
{
    // Fresh folders, and folders of an earlier version with the lock that a killed start of that version left behind. The blow falls
    // between the first file in the folder and well past the point where the house answers.
    [Fact]
    public async Task Killed_at_forty_moments_of_a_start_it_starts_the_next_time()
    {
        const int moments = 40;
        var earlier = New("earlier.db");
        await DataFolderTests.Earlier(earlier, "20261125003030_First", Now);
        await Parallel.ForAsync(
            0,
            moments,
            new ParallelOptions { MaxDegreeOfParallelism = 2, CancellationToken = Now },
            async (i, cancel) =>
            {
                var data = Directory.CreateDirectory(New($"killed-{i}")).FullName;
                var file = DataFolder.FileIn(data);
                if (i % 2 == 1)
                    File.Copy(earlier, file);
                using (var killed = Start(data, "--demo"))
                {
                    await Eventually.Holds(() => killed.Process.HasExited || Directory.GetFiles(data).Length != i % 2);
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
        foreach (var last in new[] { 0, 1, moments - 2, moments - 1 })
        {
            using var again = Start(New($"killed-{last}"), "--demo");
            using var client = await again.Ready();
            Assert.Equal(HttpStatusCode.OK, (await client.GetAsync("/api/shed", Now)).StatusCode);
        }
    }

    // Briefs one by one and whole files of outings, as fast as they are answered; the blow falls anywhere among them.
    [Fact]
    public async Task Killed_fifty_times_among_edits_and_imports_everything_answered_is_there_and_nothing_is_half_done()
    {
        const int entries = 25;
        const int blows = 25;
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
                for (var blow = 0; blow < blows; blow++)
                {
                    using (var app = Start(data))
                    {
                        using var client = await app.Ready();
                        // The first of each takes its time in a fresh program, and is answered before the blow is dealt.
                        var n = 0;
                        await Brief();
                        await Files();
                        var kill = Task.Delay(dice.Next(5, 250), cancel).ContinueWith(_ => app.Process.Kill(), cancel);
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
                Assert.True(
                    briefs.Count > blows && files.Count >= blows,
                    $"only {briefs.Count} briefs and {files.Count} files were answered"
                );
            }
        );
    }

    // What the winder had counted is on the ticket, and it goes on from there to the same stop mark.
    [Fact]
    public async Task Killed_in_the_middle_of_a_winding_ticket_it_goes_on_where_it_was()
    {
        var data = New("winding");
        int id,
            version;
        double before;
        async Task<double> Turns(HttpClient at) => (await at.GetJson($"/api/reels/tickets/{id}")).GetProperty("turns").GetDouble();
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
            before = await Eventually.Is(() => Turns(client), turns => turns >= 20);
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
        await Eventually.Is(() => Turns(there), turns => turns > found.GetProperty("turns").GetDouble());
        Assert.True((await there.GetJson($"/api/reels/tickets/{id}")).GetProperty("running").GetBoolean());
    }
}
