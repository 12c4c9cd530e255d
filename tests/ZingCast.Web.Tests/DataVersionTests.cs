using Microsoft.Data.Sqlite;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>Every answer carries the version of the house, so that whoever shows something knows when it is old.</summary>
public sealed class DataVersionTests
{
    private static CancellationToken Now => TestContext.Current.CancellationToken;

    /// <summary>The run, how often another program wrote, and the count of each table.</summary>
    private sealed record Explanation(string Run, int Others, IReadOnlyDictionary<string, int> Tables)
    {
        public static Explanation Of(HttpResponseMessage answer)
        {
            var parts = answer.Headers.GetValues("Zing-House").Single().Split(' ');
            var tables = parts[2..].Select(p => p.Split('=')).ToDictionary(p => p[0], p => int.Parse(p[1], default(IFormatProvider)));
            return new(parts[0], int.Parse(parts[1], default(IFormatProvider)), tables);
        }

        /// <summary>The tables that were written since.</summary>
        public string[] Since(Explanation before) =>
            [.. Tables.Where(t => t.Value > before.Tables.GetValueOrDefault(t.Key)).Select(t => t.Key).Order(StringComparer.Ordinal)];
    }

    private static async Task<Explanation> Ask(HttpClient client) => Explanation.Of(await client.GetAsync("/api/version", Now));

    [Fact]
    public async Task What_was_written_counts_by_its_table_once_it_is_kept_and_looking_counts_nothing()
    {
        using var app = new TestApp(with: s => s with { Data = $"{s.Data}-first" });
        using var client = app.CreateClient();
        var start = await Ask(client);
        await client.GetJson("/api/shed");
        await client.GetJson("/api/log");
        Assert.Empty((await Ask(client)).Since(start));

        // Added, put away and brought back; the answer that keeps it says so already.
        var rod = (await client.GetJson("/api/shed")).GetProperty("rods")[0];
        var added = Explanation.Of(await client.DeleteAsync($"/api/shed/rods/{rod.GetProperty("id").GetInt32()}", Now));
        Assert.Equal(["Rods"], added.Since(start));
        var brief = Explanation.Of(
            await client.Post(
                "/api/briefs",
                new
                {
                    name = "a day",
                    draft = new { },
                    pins = new { },
                    off = Array.Empty<string>(),
                }
            )
        );
        Assert.Equal(["Briefs"], brief.Since(added));
        // Several tables in one go, of which the rest of the house stays as it was.
        Assert.Contains("Outings", (await Ask(client)).Tables.Keys);

        // Refused, nothing was written.
        var refused = Explanation.Of(await client.Post("/api/shed/rods", new { name = "no length" }));
        Assert.Empty(refused.Since(brief));
    }

    [Fact]
    public async Task What_another_program_wrote_is_noticed_and_another_run_is_told_from_this_one()
    {
        using var app = new TestApp();
        using var client = app.CreateClient();
        var start = await Ask(client);
        Assert.Equal(start.Others, (await Ask(client)).Others);
        using (var other = new SqliteConnection($"Data Source={DataFolder.FileIn(app.Data)};Pooling=False"))
        {
            other.Open();
            using var command = other.CreateCommand();
            command.CommandText = "update Rods set Name = 'from elsewhere' where Id = 1";
            command.ExecuteNonQuery();
        }
        var after = await Eventually.Is(() => Ask(client), seen => seen.Others > start.Others);
        Assert.Empty(after.Since(start));

        using var second = new TestApp();
        using var its = second.CreateClient();
        Assert.NotEqual(start.Run, (await Ask(its)).Run);
    }

    [Fact]
    public async Task Who_has_no_key_learns_no_version()
    {
        using var app = new TestApp(true, settings => settings with { Host = "0.0.0.0", AccessKey = "a long enough key" });
        using var client = app.CreateClient();
        Assert.False((await client.GetAsync("/api/version", Now)).Headers.Contains("Zing-House"));
    }
}
