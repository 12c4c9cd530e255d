using System.Net;
using Microsoft.Data.Sqlite;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>
/// Rows that an older version or another program wrote and that do not hold together: no page dies of them twice, everything else is
/// served, and nothing is lost.
/// </summary>
[Trait(Suite.Name, Suite.Faults)]
public sealed class SetAsideTests : IDisposable
{
    private readonly TestApp app = new();
    private readonly HttpClient client;

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public SetAsideTests() => client = app.CreateClient();

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    private object? Sql(string sql)
    {
        using var connection = new SqliteConnection($"Data Source={DataFolder.FileIn(app.Data)};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }

    // Every address that answers by itself, as the contract lists them.
    private async Task<IEnumerable<string>> Pages() =>
        (await client.GetJson("/openapi/v1.json"))
            .GetProperty("paths")
            .EnumerateObject()
            .Where(p => p.Value.TryGetProperty("get", out _) && !p.Name.Contains('{'))
            .Select(p => p.Name)
            .Where(p => p != "/api/data/rescue");

    public static TheoryData<string, string> Odd =>
        new()
        {
            { "update Rods set Condition = '99' where Tag = 'R2'", "rods" },
            { "update Rods set PrintedAction = 'bendy' where Tag = 'R2'", "rods" },
            { "update Rods set Inspections = 'no list' where Tag = 'R2'", "rods" },
            { "update Rods set Inspections = 'null' where Tag = 'R2'", "rods" },
            { "update Lines set Measured = '[{\"lengthM\":-2,\"startM\":0.001,\"endM\":0.001,\"kgM3\":900}]' where Tag = 'L2'", "lines" },
            { "update Briefs set Draft = '{' where Id = 1", "briefs" },
            { "update Outings set Casts = '[{\"feel\":7,\"distanceM\":20}]' where Id = 1", "outings" },
            { "update Trips set Days = '[null]' where Id = 1", "trips" },
            {
                "insert into CutJobs (Target, Pieces, Steps, BegunAt, Version, TakenApart) values "
                    + "('{\"lengthM\":9,\"massKg\":0.02}', '[]', '[]', '2026-05-01 00:00:00', 1, '[]')",
                "cutJobs"
            },
        };

    [Theory]
    [MemberData(nameof(Odd))]
    public async Task A_row_that_does_not_hold_together_is_set_aside_and_every_page_goes_on(string sql, string list)
    {
        Sql(sql);
        foreach (var path in await Pages())
        {
            HttpStatusCode? told = null;
            for (var tries = 0; tries < 3 && (told is null || (int)told >= 500); tries++)
                try
                {
                    told = (await client.GetAsync(path, Now)).StatusCode;
                }
                catch (HttpRequestException)
                {
                    // It broke off in the middle.
                }
            Assert.True(told is not null && (int)told < 500, $"{path}: {told}");
        }
        async Task<List<System.Text.Json.JsonElement>> Aside() =>
            [.. (await client.GetJson("/api/data")).GetProperty("setAside").EnumerateArray()];
        // What no page stumbled over is found at the next start.
        if ((await Aside()).Count == 0)
        {
            using var again = new TestApp(demo: false, s => s with { Data = app.Data }, keep: true);
            await Eventually.Is(Aside, aside => aside.Count > 0);
        }
        var odd = Assert.Single(await Aside());
        Assert.Equal(list, odd.GetProperty("list").GetString());
        Assert.NotEqual("", odd.GetProperty("why").GetString());
        // As it stood, to take along.
        var row = await client.GetJson($"/api/data/set-aside/{odd.GetProperty("id").GetInt32()}");
        Assert.True(row.TryGetProperty("Id", out _) && row.TryGetProperty("Version", out _));
        var shed = await client.GetJson("/api/shed");
        Assert.Equal(list == "rods" ? 11 : 12, shed.GetProperty("rods").GetArrayLength());
        // And what is saved can be read.
        var text = await client.GetStringAsync("/api/backup/file", Now);
        var read = await (await client.Post("/api/backup/look", new { text, merge = "theirs" })).Json();
        Assert.Empty(read.GetProperty("read").GetProperty("faults").EnumerateArray());
    }

    [Fact]
    public async Task What_was_allowed_once_and_can_be_shown_stays_where_it_is()
    {
        Sql("update Scraps set MassKg = 0.9 where Id = 1");
        var scraps = (await client.GetJson("/api/shed/scraps")).GetArrayLength();
        using (var again = new TestApp(demo: false, s => s with { Data = app.Data }, keep: true))
        using (var guest = again.CreateClient())
        {
            for (var tries = 0; tries < 5; tries++)
                Assert.Equal(scraps, (await guest.GetJson("/api/shed/scraps")).GetArrayLength());
            Assert.Empty((await guest.GetJson("/api/data")).GetProperty("setAside").EnumerateArray());
        }
    }
}
