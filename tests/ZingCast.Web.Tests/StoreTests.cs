using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Rods;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

public sealed class StoreTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("zing-store-").FullName;

    private string FilePath => Path.Combine(folder, "zingcast.db");

    private ZingDb Open() => new(new DbContextOptionsBuilder<ZingDb>().UseSqlite($"Data Source={FilePath}").Options);

    private ZingDb OpenMigrated()
    {
        DataFolder.Open(folder, TimeProvider.System);
        return Open();
    }

    [Fact]
    public async Task A_shed_kept_before_there_were_benches_opens_with_nothing_measured()
    {
        var now = TestContext.Current.CancellationToken;
        using (var before = Open())
        {
            await before.GetService<IMigrator>().MigrateAsync("20261125003030_First", now);
            await before.Database.ExecuteSqlAsync(
                $"insert into Rods (Tag, Name, LengthM, PrintedClass, MassKg, Pieces) values ('R1', 'old friend', 2.7, 6, .09, 2)",
                now
            );
        }
        await using var db = OpenMigrated();
        var rod = Assert.Single((await db.ShedAsync(now)).Rods);
        Assert.Equal(("old friend", 6.0, 0, 1), (rod.Name, rod.Class, rod.Inspections.Count, rod.Version));
        Assert.Null(rod.Bend);
        Assert.Single(Directory.GetFiles(folder, "before-*.db"));
    }

    [Fact]
    public void A_new_file_and_one_that_is_up_to_date_are_not_copied()
    {
        OpenMigrated().Dispose();
        OpenMigrated().Dispose();
        Assert.Empty(Directory.GetFiles(folder, "before-*.db"));
    }

    [Fact]
    public async Task It_writes_ahead_and_the_model_is_what_the_migrations_make()
    {
        await using var db = OpenMigrated();
        Assert.Equal(
            "wal",
            await db
                .Database.SqlQueryRaw<string>("select journal_mode as Value from pragma_journal_mode")
                .SingleAsync(TestContext.Current.CancellationToken)
        );
        Assert.False(db.Database.HasPendingModelChanges());
    }

    [Fact]
    public async Task Choices_are_kept_as_words_so_that_their_order_may_change()
    {
        var cancel = TestContext.Current.CancellationToken;
        await using var db = OpenMigrated();
        db.Briefs.Add(
            new()
            {
                Name = "b",
                Draft = new() { Water = Water.Stillwater, Lean = Lean.Power },
                Pins = new() { Density = "hover" },
                Off = ["class.lean"],
            }
        );
        await db.SaveChangesAsync(cancel);
        var text = await db.Database.SqlQueryRaw<string>("select Draft as Value from Briefs").SingleAsync(cancel);
        Assert.Contains("\"stillwater\"", text);
        Assert.Contains("\"power\"", text);
        Assert.DoesNotContain("null", text);
        db.ChangeTracker.Clear();
        var read = await db.Briefs.SingleAsync(cancel);
        Assert.Equal((Water.Stillwater, "hover", "class.lean"), (read.Draft.Water, read.Pins.Density, read.Off[0]));
    }

    [Fact]
    public async Task A_tag_names_one_piece_but_a_hidden_piece_does_not_block_it()
    {
        var cancel = TestContext.Current.CancellationToken;
        await using var db = OpenMigrated();
        Rod Piece() =>
            new()
            {
                Tag = "R1",
                Name = "r",
                LengthM = 2.7,
                PrintedClass = 6,
                MassKg = .1,
            };
        var first = Piece();
        db.Rods.Add(first);
        await db.SaveChangesAsync(cancel);
        db.Rods.Add(Piece());
        await Assert.ThrowsAsync<DbUpdateException>(() => db.SaveChangesAsync(cancel));
        db.ChangeTracker.Clear();
        await db
            .Rods.Where(r => r.Id == first.Id)
            .ExecuteUpdateAsync(set => set.SetProperty(r => EF.Property<DateTime?>(r, ZingDb.DeletedAt), DateTime.UtcNow), cancel);
        db.Rods.Add(Piece());
        await db.SaveChangesAsync(cancel);
        Assert.Single((await db.ShedAsync(cancel)).Rods);
    }

    [Fact]
    public async Task The_shed_comes_back_as_it_was_put_in()
    {
        await using var db = OpenMigrated();
        await DemoWorld.AddAsync(db, TimeProvider.System, TestContext.Current.CancellationToken);
        var shed = await db.ShedAsync(TestContext.Current.CancellationToken);
        // Measurements hold lists, so what is compared is what is written; keeping gives each piece its first version.
        Assert.Equal(
            JsonSerializer.Serialize(DemoGear.Shed()).Replace("\"Version\":0", "\"Version\":1", StringComparison.Ordinal),
            JsonSerializer.Serialize(shed)
        );
        Assert.Equal(Pins.None, (await db.Briefs.FirstAsync(TestContext.Current.CancellationToken)).Pins);
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}
