using System.Data.Common;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Win32.SafeHandles;

namespace ZingCast.Store;

/// <summary>
/// Whether the open database is still the file in its folder. A deleted or moved file goes on taking writes, and all of them are lost with
/// the program; so nothing is acknowledged once that has happened. What the open file holds can still be saved.
/// </summary>
public sealed class FileWatch(string folder) : IDisposable
{
    private readonly string file = DataFolder.FileIn(folder);
    private readonly Lock door = new();

    // Never closed while SQLite has the file open: closing any handle of a file releases the locks that this program has on it.
    private SafeFileHandle? handle;
    private string? home;

    // A connection that stays open, so that there is one to save from.
    private SqliteConnection? keeper;

    /// <summary>Starts watching the file where it is now. Called again after the file was restored.</summary>
    public void Begin()
    {
        lock (door)
        {
            keeper?.Dispose();
            keeper = new(
                new SqliteConnectionStringBuilder
                {
                    DataSource = file,
                    Mode = SqliteOpenMode.ReadWrite,
                    Pooling = false,
                }.ToString()
            );
            keeper.Open();
            using var command = keeper.CreateCommand();
            command.CommandText = "select count(*) from sqlite_master";
            command.ExecuteScalar();
            handle = File.OpenHandle(file, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
            home = Where();
        }
    }

    // Name that the system now gives the open file: another one when it or its folder was moved, one with a suffix when it was deleted.
    // Null when the system does not say.
    private string? Where() =>
        OperatingSystem.IsLinux() && handle is { IsInvalid: false }
            ? new FileInfo($"/proc/self/fd/{handle.DangerousGetHandle()}").LinkTarget
            : null;

    /// <summary>Whether the file is where it was; true before watching.</summary>
    public bool IsThere => handle is null || (home is null ? File.Exists(file) : Where() == home);

    /// <summary>Throws <see cref="DataFolderException"/> when the file is not where it was.</summary>
    public void MustBeThere()
    {
        if (!IsThere)
            throw new DataFolderException(Gone);
    }

    /// <summary>Message when it is not.</summary>
    public string Gone =>
        $"{file} was deleted or moved away while Zing Cast runs, so nothing is kept. Save what is still held on the page Your data, "
        + "then put the file back and start again.";

    /// <summary>A number that changes with every write, by this program or another; 0 before watching.</summary>
    public long WritesSeen()
    {
        lock (door)
        {
            if (keeper is null)
                return 0;
            using var command = keeper.CreateCommand();
            command.CommandText = "pragma data_version";
            return (long)command.ExecuteScalar()!;
        }
    }

    /// <summary>Writes the contents of the open file to a new file, wherever the original went.</summary>
    public void Rescue(string to)
    {
        lock (door)
        {
            if (keeper is null)
                throw new DataFolderException("Nothing is held: no file was open.");
            using (var target = new SqliteConnection($"Data Source={to};Pooling=False"))
            {
                target.Open();
                keeper.BackupDatabase(target);
                using var command = target.CreateCommand();
                command.CommandText = "pragma journal_mode=delete";
                command.ExecuteNonQuery();
            }
        }
    }

    /// <summary>Lets go of the file; after the last write.</summary>
    public void Dispose()
    {
        lock (door)
        {
            keeper?.Dispose();
            keeper = null;
            handle?.Dispose();
            handle = null;
        }
    }
}

/// <summary>Checks before and after every write that the file is still there: only what is stored is acknowledged.</summary>
internal sealed class WriteGuard(FileWatch watch) : ISaveChangesInterceptor, IDbCommandInterceptor, IDbTransactionInterceptor
{
    public ValueTask<InterceptionResult<int>> SavingChangesAsync(
        DbContextEventData eventData,
        InterceptionResult<int> result,
        CancellationToken cancellationToken = default
    )
    {
        watch.MustBeThere();
        return new(result);
    }

    public ValueTask<int> SavedChangesAsync(
        SaveChangesCompletedEventData eventData,
        int result,
        CancellationToken cancellationToken = default
    )
    {
        watch.MustBeThere();
        return new(result);
    }

    public ValueTask<InterceptionResult<int>> NonQueryExecutingAsync(
        DbCommand command,
        CommandEventData eventData,
        InterceptionResult<int> result,
        CancellationToken cancellationToken = default
    )
    {
        watch.MustBeThere();
        return new(result);
    }

    public ValueTask<int> NonQueryExecutedAsync(
        DbCommand command,
        CommandExecutedEventData eventData,
        int result,
        CancellationToken cancellationToken = default
    )
    {
        watch.MustBeThere();
        return new(result);
    }

    public Task TransactionCommittedAsync(
        DbTransaction transaction,
        TransactionEndEventData eventData,
        CancellationToken cancellationToken = default
    )
    {
        watch.MustBeThere();
        return Task.CompletedTask;
    }
}
