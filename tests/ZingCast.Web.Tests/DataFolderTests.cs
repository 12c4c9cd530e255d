using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

public sealed class DataFolderTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("zing-folder-").FullName;

    private string FilePath => Path.Combine(folder, DataFolder.FileName);

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    private void Open() => DataFolder.Open(folder, TimeProvider.System);

    private static void Sql(string file, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        command.ExecuteNonQuery();
    }

    private static string Read(string file, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={file};Mode=ReadOnly;Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar()?.ToString() ?? "";
    }

    /// <summary>A file as an earlier version left it, up to a migration, with one rod in it.</summary>
    internal static async Task Earlier(string file, string migration, CancellationToken cancel)
    {
        await using var db = new ZingDb(new DbContextOptionsBuilder<ZingDb>().UseSqlite($"Data Source={file};Pooling=False").Options);
        await db.GetService<IMigrator>().MigrateAsync(migration, cancel);
        await db.Database.ExecuteSqlAsync(
            $"insert into Rods (Tag, Name, LengthM, PrintedClass, MassKg, Pieces) values ('R1', 'old friend', 2.7, 6, .09, 2)",
            cancel
        );
        // The lock of earlier versions, as a start that was killed left it.
        await db.Database.ExecuteSqlRawAsync("""insert into "__EFMigrationsLock" values (1, '2026-11-01')""", cancel);
    }

    [Fact]
    public async Task An_earlier_file_is_copied_whole_and_brought_up_to_date_whatever_lock_a_dead_start_left()
    {
        await Earlier(FilePath, "20261125003030_First", Now);
        Open();
        var copy = Assert.Single(Directory.GetFiles(folder, "before-*"));
        Assert.Equal("old friend", Read(copy, "select Name from Rods"));
        Assert.Equal("1", Read(copy, "select count(*) from __EFMigrationsHistory"));
        Assert.Equal("old friend", Read(FilePath, "select Name from Rods"));
        Assert.Equal("wal", Read(FilePath, "pragma journal_mode"));
        Open();
        Assert.Single(Directory.GetFiles(folder, "before-*"));
    }

    [Fact]
    public async Task Of_two_old_jobs_on_one_scrap_the_finished_one_keeps_it()
    {
        await Earlier(FilePath, "20261125123022_Versions", Now);
        Sql(
            FilePath,
            """
            insert into Lines (Id, Tag, Name, Build, LengthM, HeadM, FrontTaperM, RearTaperM, TipDiameterM, BellyDiameterM,
              RunningDiameterM, Density, Coating, SaltRated)
              values (5, 'L5', 'made', 'ShootingHead', 9, 9, 2, 1, .001, .001, .001, 'floating', 'cold', 0);
            insert into CutJobs (Id, Target, Pieces, Steps, BegunAt, LineId, Version, DeletedAt) values
              (1, '{}', '[{"scrapId":7},{"scrapId":8}]', '[]', '2026-11-01', null, 1, null),
              (2, '{}', '[{"scrapId":8}]', '[]', '2026-11-02', 5, 1, null),
              (3, '{}', '[{"scrapId":9}]', '[]', '2026-11-02', null, 1, '2026-11-03');
            """
        );
        Open();
        Assert.Equal(
            "7:1 8:2",
            Read(FilePath, "select group_concat(ScrapId || ':' || JobId, ' ') from (select * from ScrapsInJobs order by ScrapId)")
        );
    }

    [Fact]
    public async Task Somebody_elses_write_is_waited_for_aloud()
    {
        await Earlier(FilePath, "20261125003030_First", Now);
        using var other = new SqliteConnection($"Data Source={FilePath};Pooling=False");
        other.Open();
        var writing = other.BeginTransaction();
        List<string> said = [];
        var opening = Task.Run(() => DataFolder.Open(folder, TimeProvider.System, said.Add), Now);
        await Eventually.Holds(() => said.Count > 0 || opening.IsCompleted);
        await writing.RollbackAsync(Now);
        await opening;
        Assert.Contains("Waiting", Assert.Single(said));
    }

    [Fact]
    public async Task Ten_houses_may_open_one_folder_at_once()
    {
        await Task.WhenAll(Enumerable.Range(0, 5).Select(_ => Task.Run(Open, Now)));
        var earlier = Path.Combine(folder, "earlier");
        Directory.CreateDirectory(earlier);
        await Earlier(Path.Combine(earlier, DataFolder.FileName), "20261125003030_First", Now);
        await Task.WhenAll(Enumerable.Range(0, 5).Select(_ => Task.Run(() => DataFolder.Open(earlier, TimeProvider.System), Now)));
        Assert.Equal(
            [DataFolder.FileName],
            Directory.GetFiles(folder).Select(Path.GetFileName).Where(f => f!.EndsWith(".db", StringComparison.Ordinal))
        );
        Assert.Single(Directory.GetFiles(earlier, "before-*"));
    }

    public static TheoryData<string, string> Faults =>
        new()
        {
            { "newer", "newer Zing Cast" },
            { "foreign", "not made by Zing Cast" },
            { "empty", "cut off" },
            { "text", "damaged" },
            { "truncated", "damaged" },
            { "torn", "damaged" },
            { "gone", "missing" },
        };

    internal static void Break(string folder, string how)
    {
        var file = DataFolder.FileIn(folder);
        DataFolder.Open(folder, TimeProvider.System);
        Sql(
            file,
            "insert into Calibrations (Name, PlusMinus, Points, Version) values ('kept', .2, '" + new string(' ', 200_000) + "[]', 1)"
        );
        DataFolder.Settle(folder);
        switch (how)
        {
            case "newer":
                Sql(file, "insert into __EFMigrationsHistory values ('20991231000000_FromTheFuture', '20.0.0')");
                break;
            case "foreign":
                File.Delete(file);
                Sql(file, "create table Recipes (Name text)");
                break;
            case "empty":
                File.WriteAllBytes(file, []);
                break;
            case "text":
                File.WriteAllText(
                    file,
                    "not a database, but long enough to be looked at as if it were one, page by page by page by page by page by page"
                );
                break;
            case "truncated":
                File.WriteAllBytes(file, File.ReadAllBytes(file)[..100_000]);
                break;
            case "torn":
                var bytes = File.ReadAllBytes(file);
                new Random(1).NextBytes(bytes.AsSpan(8192, 40_000));
                File.WriteAllBytes(file, bytes);
                break;
            case "gone":
                File.WriteAllText(file + "-wal", "writes of the file that is gone");
                File.Delete(file);
                break;
        }
    }

    [Theory]
    [MemberData(nameof(Faults))]
    public void A_file_that_cannot_be_worked_with_is_told_in_a_line_and_left_as_it_is(string how, string words)
    {
        Break(folder, how);
        var before = File.Exists(FilePath) ? Convert.ToHexString(File.ReadAllBytes(FilePath)) : "";
        var told = Assert.Throws<DataFolderException>(Open);
        Assert.Contains(words, told.Message);
        Assert.DoesNotContain('\n', told.Message);
        Assert.Equal(before, File.Exists(FilePath) ? Convert.ToHexString(File.ReadAllBytes(FilePath)) : "");
    }

    [Fact]
    public void A_folder_that_is_a_file_is_told_to_be_one()
    {
        File.WriteAllText(FilePath, "x");
        Assert.Contains("is a file", Assert.Throws<DataFolderException>(() => DataFolder.Open(FilePath, TimeProvider.System)).Message);
    }

    [Fact]
    public void What_was_saved_comes_back_and_what_was_there_is_kept_beside_it()
    {
        Open();
        Sql(FilePath, "insert into Rods (Tag, Name, LengthM, MassKg, Pieces, Version) values ('R1', 'first', 2.7, .09, 2, 1)");
        var saved = Path.Combine(folder, "elsewhere.db");
        DataFolder.Backup(folder, saved);
        Assert.Equal("delete", Read(saved, "pragma journal_mode"));
        Assert.Throws<DataFolderException>(() => DataFolder.Backup(folder, saved));
        Sql(FilePath, "update Rods set Name = 'second'");

        // A house has the file open meanwhile.
        using var app = new SqliteConnection($"Data Source={FilePath}");
        app.Open();
        var kept = DataFolder.Restore(folder, saved, TimeProvider.System)!;
        Assert.Equal(("first", "second"), (Read(FilePath, "select Name from Rods"), Read(kept, "select Name from Rods")));
        using var still = app.CreateCommand();
        still.CommandText = "select Name from Rods";
        Assert.Equal("first", still.ExecuteScalar());
        Assert.Equal(2, Directory.GetFiles(folder, "*.db").Length - 1);
    }

    [Fact]
    public async Task What_is_written_while_a_copy_comes_back_is_in_what_was_kept_or_in_what_is_there()
    {
        Open();
        var saved = Path.Combine(folder, "saved.db");
        DataFolder.Backup(folder, saved);
        var (written, enough) = (0, false);
        var writing = Task.Run(
            () =>
            {
                using var connection = new SqliteConnection($"Data Source={FilePath};Pooling=False");
                connection.Open();
                using var command = connection.CreateCommand();
                while (!Volatile.Read(ref enough))
                {
                    command.CommandText = $"insert into Calibrations (Name, PlusMinus, Points, Version) values ('w{written}', .2, '[]', 1)";
                    command.ExecuteNonQuery();
                    written++;
                }
            },
            Now
        );
        List<string> kept = [];
        for (var i = 0; i < 5; i++)
        {
            var so = Volatile.Read(ref written);
            await Eventually.Holds(() => Volatile.Read(ref written) > so || writing.IsCompleted);
            kept.Add(DataFolder.Restore(folder, saved, TimeProvider.System)!);
        }
        Volatile.Write(ref enough, true);
        await writing;
        var found = kept.Append(FilePath)
            .Sum(file => int.Parse(Read(file, "select count(*) from Calibrations"), System.Globalization.CultureInfo.InvariantCulture));
        Assert.True(written > 0);
        Assert.Equal(written, found);
        Assert.Equal(5, kept.Distinct().Count());
    }

    [Theory]
    [InlineData("text")]
    [InlineData("newer")]
    [InlineData("truncated")]
    public async Task An_earlier_copy_comes_back_over_a_file_that_is_damaged_and_the_damaged_one_is_kept(string how)
    {
        var saved = Path.Combine(folder, "from-before.db");
        await Earlier(saved, "20261125003030_First", Now);
        Break(folder, how);
        var damaged = File.ReadAllBytes(FilePath);
        var kept = DataFolder.Restore(folder, saved, TimeProvider.System)!;
        Assert.Equal(damaged, await File.ReadAllBytesAsync(kept, Now));
        Open();
        Assert.Equal("old friend", Read(FilePath, "select Name from Rods"));
        Assert.Equal("1", Read(saved, "select count(*) from __EFMigrationsHistory"));
    }

    [Fact]
    public void What_is_no_saved_file_is_not_put_back()
    {
        Open();
        var whole = Read(FilePath, "select count(*) from sqlite_master");
        var elsewhere = Directory.CreateDirectory(Path.Combine(folder, "elsewhere")).FullName;
        Break(elsewhere, "text");
        var told = Assert
            .Throws<DataFolderException>(() => DataFolder.Restore(folder, DataFolder.FileIn(elsewhere), TimeProvider.System))
            .Message;
        Assert.StartsWith($"{DataFolder.FileIn(elsewhere)} is no whole file of Zing Cast", told);
        Assert.Contains("no folder", Assert.Throws<DataFolderException>(() => DataFolder.Backup(folder, "/nowhere/at/all.db")).Message);
        Assert.Contains(
            "no file",
            Assert.Throws<DataFolderException>(() => DataFolder.Restore(folder, "/nowhere/at-all.db", TimeProvider.System)).Message
        );
        Assert.Equal(whole, Read(FilePath, "select count(*) from sqlite_master"));
        Assert.Equal([DataFolder.FileName], Directory.GetFiles(folder, "*.db").Select(Path.GetFileName));
    }

    [Fact]
    public void What_a_killed_program_left_half_made_is_swept_up_later()
    {
        Open();
        var left = Path.Combine(folder, $"{DataFolder.FileName}-{Guid.NewGuid():N}-journal");
        var fresh = Path.Combine(folder, $"restoring-{Guid.NewGuid():N}.db");
        foreach (var file in new[] { left, fresh })
            File.WriteAllText(file, "half");
        File.SetLastWriteTimeUtc(left, DateTime.UtcNow.AddHours(-2));
        Open();
        Assert.Equal((false, true), (File.Exists(left), File.Exists(fresh)));
    }

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}
