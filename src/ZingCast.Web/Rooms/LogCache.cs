using Microsoft.Data.Sqlite;
using ZingCast.Core.Logbook;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>
/// The log as last read, valid until somebody writes: reading thousands of outings takes longer than searching them. SQLite reports writes
/// by this program and others.
/// </summary>
public sealed class LogCache(Settings settings) : IHostedService, IDisposable
{
    private readonly SemaphoreSlim turn = new(1);
    private SqliteConnection? watch;
    private long seen;
    private IReadOnlyList<Outing>? log;

    /// <summary>The log, latest first. Within a transaction it is read from there.</summary>
    public async Task<IReadOnlyList<Outing>> OutingsAsync(ZingDb db, CancellationToken cancel)
    {
        if (db.Database.CurrentTransaction is not null)
            return await db.LogAsync(cancel);
        await turn.WaitAsync(cancel);
        try
        {
            // Queried before reading, so that writes during the read are noticed next time.
            var version = Version();
            if (log is null || version != seen)
                (log, seen) = (await db.LogAsync(cancel), version);
            return log;
        }
        finally
        {
            turn.Release();
        }
    }

    private long Version()
    {
        if (watch is null)
        {
            watch = new($"Data Source={DataFolder.FileIn(settings.Data)};Pooling=False;Mode=ReadOnly");
            watch.Open();
        }
        using var command = watch.CreateCommand();
        command.CommandText = "pragma data_version";
        return (long)command.ExecuteScalar()!;
    }

    public Task StartAsync(CancellationToken cancellationToken) => Task.CompletedTask;

    /// <summary>Closes the file, so that the folder is complete when the server stops.</summary>
    public Task StopAsync(CancellationToken cancellationToken)
    {
        Dispose();
        return Task.CompletedTask;
    }

    public void Dispose()
    {
        watch?.Dispose();
        watch = null;
    }
}
