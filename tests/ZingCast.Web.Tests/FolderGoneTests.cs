using System.Net.Http.Json;
using Microsoft.Data.Sqlite;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>What becomes of a house whose file or folder goes away, or may not be written to.</summary>
public sealed class FolderGoneTests : ProgramTests
{
    private static Task<HttpResponseMessage> Keep(HttpClient client, string name) =>
        client.PostAsJsonAsync("/api/briefs", new { name, draft = new { species = "perch" } }, Now);

    private static async Task<long> Count(string file, string name)
    {
        await using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        await connection.OpenAsync(Now);
        await using var command = connection.CreateCommand();
        command.CommandText = $"select count(*) from Briefs where Name = '{name}'";
        return (long)(await command.ExecuteScalarAsync(Now))!;
    }

    private async Task Done(string file, params string[] args)
    {
        using var ran = Run(file, args);
        Assert.Equal(0, await ran.Ended(10));
    }

    public static TheoryData<string> Ways => ["deleted", "renamed", "moved", "replaced", "file deleted"];

    [Theory]
    [MemberData(nameof(Ways))]
    public async Task Once_its_file_is_gone_a_house_keeps_nothing_says_so_and_saves_what_it_still_holds(string way)
    {
        var data = New("data");
        using var app = Start(data, "--demo");
        using var client = await app.Ready();
        (await Keep(client, "before")).EnsureSuccessStatusCode();
        switch (way)
        {
            case "deleted":
                Directory.Delete(data, recursive: true);
                break;
            case "renamed":
                Directory.Move(data, New("elsewhere"));
                break;
            case "moved":
                File.Move(DataFolder.FileIn(data), New("away.db"));
                break;
            case "replaced":
                Directory.Move(data, New("elsewhere"));
                DataFolder.Open(data, TimeProvider.System);
                break;
            default:
                File.Delete(DataFolder.FileIn(data));
                break;
        }
        var rod = (await client.GetJson("/api/shed")).GetProperty("rods")[0].GetProperty("id").GetInt32();
        // However it is written: kept anew, changed in place, put away, read in.
        HttpResponseMessage[] refused =
        [
            await Keep(client, "after"),
            await client.DeleteAsync($"/api/shed/rods/{rod}", Now),
            await client.PostAsJsonAsync(
                "/api/backup/read",
                new
                {
                    text = """
                    {"format":"zing-cast","version":1,
                     "rods":[{"key":"Q1","tag":"Q1","name":"q","lengthM":2.7,"printedClass":6,"massKg":0.09}]}
                    """,
                },
                Now
            ),
        ];
        foreach (var answer in refused)
        {
            Assert.Equal(507, (int)answer.StatusCode);
            Assert.Contains("deleted or moved away", (await answer.Json()).GetProperty("title").GetString());
        }
        var told = await client.GetJson("/api/data");
        Assert.Contains("deleted or moved away", told.GetProperty("gone").GetString());

        var rescued = New("rescued.db");
        await File.WriteAllBytesAsync(rescued, await client.GetByteArrayAsync("/api/data/rescue", Now), Now);
        Assert.Equal(1, await Count(rescued, "before"));
        // It can be put back as any saved file.
        DataFolder.Restore(New("again"), rescued, TimeProvider.System);
        Assert.Equal(1, await Count(DataFolder.FileIn(New("again")), "before"));
        // Nothing was begun anew where it was.
        if (way is "deleted" or "renamed")
            Assert.False(Directory.Exists(data));
    }

    [Fact]
    public async Task A_file_that_may_not_be_written_to_is_told_at_the_start()
    {
        var data = New("data");
        DataFolder.Open(data, TimeProvider.System);
        DataFolder.Settle(data);
        SqliteConnection.ClearAllPools();
        await Done("chmod", "444", DataFolder.FileIn(data));
        // Root may write to everything, so somebody else tries.
        string[] program = ["dotnet", Program, "--contentRoot", ContentRoot, "--data", data, "--port", "0"];
        string[] other = [];
        if (Environment.UserName == "root")
        {
            await Done("chown", "-R", "65534:65534", Folder);
            other = ["setpriv", "--reuid=65534", "--regid=65534", "--clear-groups", "env", $"HOME={Folder}"];
        }
        string[] command = [.. other, .. program];
        using var refused = Run(command[0], command[1..]);
        Assert.Equal(1, await refused.Ended(30));
        Assert.Contains("may not", Assert.Single(refused.Said));
    }

    [Fact]
    public async Task A_copy_called_after_no_day_ends_nothing()
    {
        using var app = Start(New("data"), "--demo");
        using var client = await app.Ready();
        await File.WriteAllTextAsync(Path.Combine(New("data"), "daily-20260231120000.db"), "no day", Now);
        Assert.Empty((await client.GetJson("/api/data")).GetProperty("copies").EnumerateArray());
        using (var again = Start(New("data")))
        using (var guest = await again.Ready())
            Assert.Equal(3, (await guest.GetJson("/api/briefs")).GetArrayLength());
        Assert.False(app.Process.HasExited);
    }
}
