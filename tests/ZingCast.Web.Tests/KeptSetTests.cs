using System.Net;
using System.Net.Http.Json;
using System.Text.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Cutting;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>One way of keeping, for every kind of thing.</summary>
public sealed class KeptSetTests : IDisposable
{
    private static readonly DateTimeOffset Morning = new(2026, 3, 14, 6, 0, 0, TimeSpan.FromHours(-3));

    private readonly string folder = Path.Combine(Path.GetTempPath(), $"zing-{Guid.NewGuid():N}");
    private readonly DbContextOptions<ZingDb> options;

    public KeptSetTests()
    {
        DataFolder.Open(folder, TimeProvider.System);
        options = new DbContextOptionsBuilder<ZingDb>().UseSqlite($"Data Source={DataFolder.FileIn(folder)};Pooling=False").Options;
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    private sealed class Stopped(DateTimeOffset at) : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => at.ToUniversalTime();
    }

    // Everything kept by another, as if another window had done it.
    private async Task<TOut> On<T, TOut>(Func<KeptSet<T>, Task<TOut>> work)
        where T : Kept
    {
        await using var db = new ZingDb(options);
        return await work(new(db, new Stopped(Morning)));
    }

    private static Rod Seven(string tag) =>
        new()
        {
            Tag = tag,
            Name = "seven",
            LengthM = 2.7,
            PrintedClass = 7,
            MassKg = .1,
        };

    [Fact]
    public async Task What_is_kept_is_found_again_with_its_version()
    {
        var kept = await On<Rod, Rod>(s => s.KeepAsync(Seven("R1"), "R1", Now));
        Assert.Equal(1, kept.Version);
        Assert.Equal(kept, await On<Rod, Rod?>(s => s.FindAsync(kept.Id, Now)), new SameRod());
        var again = await On<Rod, Rod>(s => s.KeepAsync(kept with { Name = "eight" }, "R1", Now));
        Assert.Equal(2, again.Version);
    }

    private static Inspection Seen(DateOnly on) => new() { On = on, Points = new Dictionary<string, Found>() };

    // Lists in records compare by reference; what counts is what is in them.
    private sealed class SameRod : IEqualityComparer<Rod?>
    {
        public bool Equals(Rod? a, Rod? b) => JsonSerializer.Serialize(a) == JsonSerializer.Serialize(b);

        public int GetHashCode(Rod obj) => obj.Id;
    }

    [Fact]
    public async Task A_change_made_on_an_older_look_is_refused_by_name_and_changes_nothing()
    {
        var kept = await On<Rod, Rod>(s => s.KeepAsync(Seven("R1"), "R1", Now));
        await On<Rod, Rod>(s => s.KeepAsync(kept with { Name = "first" }, "R1", Now));
        var stale = await Assert.ThrowsAsync<StaleException>(() => On<Rod, Rod>(s => s.KeepAsync(kept with { Name = "late" }, "R1", Now)));
        Assert.StartsWith("R1 was changed elsewhere", stale.Message, StringComparison.Ordinal);
        Assert.Equal("first", (await On<Rod, Rod?>(s => s.FindAsync(kept.Id, Now)))!.Name);
    }

    [Fact]
    public async Task What_is_put_away_is_hidden_listed_apart_and_comes_back_as_it_was()
    {
        var kept = await On<Rod, Rod>(s => s.KeepAsync(Seven("R1"), "R1", Now));
        Assert.True(await On<Rod, bool>(s => s.ArchiveAsync(kept.Id, Now)));
        Assert.Null(await On<Rod, Rod?>(s => s.FindAsync(kept.Id, Now)));
        Assert.Empty(await On<Rod, List<Rod>>(s => s.ListAsync(Now)));
        Assert.Equal(kept.Id, Assert.Single(await On<Rod, List<Rod>>(s => s.ListArchivedAsync(Now))).Id);
        Assert.True(await On<Rod, bool>(s => s.UnarchiveAsync(kept.Id, Now)));
        Assert.Equal(kept, await On<Rod, Rod?>(s => s.FindAsync(kept.Id, Now)), new SameRod());
    }

    // Put away by two windows, it is where the first put it: what was put away later stands before it.
    [Fact]
    public async Task Put_away_once_more_it_keeps_the_moment_it_was_put_away()
    {
        async Task<bool> PutAway(Rod rod, int minute)
        {
            await using var db = new ZingDb(options);
            return await new KeptSet<Rod>(db, new Stopped(Morning.AddMinutes(minute))).ArchiveAsync(rod.Id, Now);
        }
        var first = await On<Rod, Rod>(s => s.KeepAsync(Seven("R1"), "R1", Now));
        var second = await On<Rod, Rod>(s => s.KeepAsync(Seven("R2"), "R2", Now));
        await PutAway(first, 1);
        await PutAway(second, 2);
        await PutAway(first, 3);
        Assert.Equal([second.Id, first.Id], (await On<Rod, List<Rod>>(s => s.ListArchivedAsync(Now))).Select(r => r.Id));
    }

    [Fact]
    public async Task There_is_no_putting_away_of_what_never_was()
    {
        Assert.False(await On<Rod, bool>(s => s.ArchiveAsync(99, Now)));
        Assert.False(await On<Rod, bool>(s => s.UnarchiveAsync(99, Now)));
    }

    [Fact]
    public async Task A_tag_put_away_is_free_and_what_carries_it_cannot_come_back_beside_another()
    {
        var old = await On<Rod, Rod>(s => s.KeepAsync(Seven("R1"), "R1", Now));
        await On<Rod, bool>(s => s.ArchiveAsync(old.Id, Now));
        await On<Rod, Rod>(s => s.KeepAsync(Seven("R1"), "R1", Now));
        await Assert.ThrowsAsync<Microsoft.Data.Sqlite.SqliteException>(() => On<Rod, bool>(s => s.UnarchiveAsync(old.Id, Now)));
    }

    // The comparer of a list in a column used to look at the list itself, which is what was changed.
    [Fact]
    public async Task A_change_inside_a_list_is_seen_as_a_change()
    {
        await using (var db = new ZingDb(options))
        {
            db.Rods.Add(Seven("R1") with { Inspections = new List<Inspection> { Seen(new(2026, 3, 1)) } });
            await db.SaveChangesAsync(Now);
            var tracked = await db.Rods.SingleAsync(Now);
            ((List<Inspection>)tracked.Inspections).Add(Seen(new(2026, 3, 2)));
            await db.SaveChangesAsync(Now);
        }
        Assert.Equal(2, (await On<Rod, List<Rod>>(s => s.ListAsync(Now)))[0].Inspections.Count);
    }

    [Fact]
    public async Task An_instant_comes_back_as_the_instant_it_was()
    {
        var job = new CutJob
        {
            Target = new(8, .012),
            Pieces = [],
            BegunAt = Morning.UtcDateTime,
        };
        var kept = await On<CutJob, CutJob>(s => s.KeepAsync(job, "job", Now));
        var found = (await On<CutJob, CutJob?>(s => s.FindAsync(kept.Id, Now)))!;
        Assert.Equal(DateTimeKind.Utc, found.BegunAt.Kind);
        Assert.Equal(Morning, new DateTimeOffset(found.BegunAt));
    }

    [Fact]
    public async Task Every_kind_answers_a_stale_change_alike_and_tells_instants_in_UTC()
    {
        using var app = new TestApp();
        var client = app.CreateClient();
        foreach (var kind in new[] { "rods", "lines", "reels", "scraps" })
        {
            var list = kind == "scraps" ? await client.GetJson("/api/shed/scraps") : (await client.GetJson("/api/shed")).GetProperty(kind);
            var piece = JsonNode.Parse(list[0].GetRawText())!;
            var address = $"/api/shed/{kind}/{piece["id"]}";
            piece["note"] = "seen first";
            Assert.Equal(HttpStatusCode.OK, (await client.PutAsJsonAsync(address, piece, Now)).StatusCode);
            var late = await client.PutAsJsonAsync(address, piece, Now);
            Assert.Equal(HttpStatusCode.PreconditionFailed, late.StatusCode);
            Assert.Contains("changed elsewhere", (await late.Json()).GetProperty("title").GetString(), StringComparison.Ordinal);
        }
        var brief = await client.GetJson("/api/briefs/1");
        using var put = new HttpRequestMessage(HttpMethod.Put, "/api/briefs/1");
        put.Headers.TryAddWithoutValidation("If-Match", "\"1\"");
        put.Content = JsonContent.Create(new { name = "again", draft = brief.GetProperty("draft") });
        var answer = await (await client.SendAsync(put, Now)).Json();
        foreach (var told in new[] { brief, answer, await client.GetJson("/api/briefs/1"), (await client.GetJson("/api/briefs"))[0] })
            Assert.EndsWith("Z", told.GetProperty("changedAt").GetString(), StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("/api/shed/rods")]
    [InlineData("/api/shed/lines")]
    [InlineData("/api/shed/reels")]
    [InlineData("/api/shed/scraps")]
    [InlineData("/api/shed/calibrations")]
    [InlineData("/api/briefs")]
    public async Task Every_kind_is_put_away_listed_and_brought_back_by_the_same_addresses(string kind)
    {
        using var app = new TestApp();
        var client = app.CreateClient();
        Assert.Equal(0, (await client.GetJson($"{kind}/away")).GetArrayLength());
        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync($"{kind}/1", Now)).StatusCode);
        var away = await client.GetJson($"{kind}/away");
        Assert.Equal(1, Assert.Single(away.EnumerateArray()).GetProperty("id").GetInt32());
        Assert.Equal(HttpStatusCode.NoContent, (await client.PostAsync($"{kind}/1/restore", null, Now)).StatusCode);
        Assert.Equal(0, (await client.GetJson($"{kind}/away")).GetArrayLength());
        Assert.Equal(HttpStatusCode.NotFound, (await client.DeleteAsync($"{kind}/999", Now)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.PostAsync($"{kind}/999/restore", null, Now)).StatusCode);
    }
}
