using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>Everything kept as one file that another house can read.</summary>
public sealed class HouseFileTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("zing-house-").FullName;

    private static readonly DateOnly Today = new(2026, 11, 26);

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private async Task<ZingDb> HouseAsync(string name, bool demo)
    {
        var folder = Path.Combine(this.folder, name);
        DataFolder.Open(folder, TimeProvider.System);
        var db = new ZingDb(
            new DbContextOptionsBuilder<ZingDb>().UseSqlite($"Data Source={DataFolder.FileIn(folder)};Pooling=False").Options
        );
        if (demo)
            await DemoWorld.AddAsync(db, TimeProvider.System, Cancel);
        return db;
    }

    private static async Task<HouseRead> ReadAsync(ZingDb db, string text, HouseMerge merge)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(Cancel);
        var read = await HouseFile.ReadAsync(db, text, merge, Today, Cancel);
        if (read.Faults.Count == 0)
            await transaction.CommitAsync(Cancel);
        return read;
    }

    [Fact]
    public async Task A_whole_house_read_into_an_empty_one_is_the_same_house()
    {
        await using var full = await HouseAsync("full", demo: true);
        await using var empty = await HouseAsync("empty", demo: false);
        var at = DateTime.UtcNow;
        var text = await HouseFile.WriteAsync(full, at, cancel: Cancel);
        var read = await ReadAsync(empty, text, HouseMerge.Mine);
        Assert.Empty(read.Faults);
        Assert.Empty(read.Notes);
        Assert.True(JsonNode.DeepEquals(JsonNode.Parse(text), JsonNode.Parse(await HouseFile.WriteAsync(empty, at, cancel: Cancel))));
        File.WriteAllText("/tmp/house.json", text);
        File.WriteAllText("/tmp/schema.json", HouseSchema.Write().ToJsonString());
    }
}
