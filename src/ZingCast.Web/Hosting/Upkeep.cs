using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using ZingCast.Store;

namespace ZingCast.Web.Hosting;

/// <summary>
/// Maintains the file: the write-ahead log is moved into it when nobody has written for a while and when the server stops; it is copied
/// once a day; invalid rows are set aside. Failures are logged and tried again, and end nothing.
/// </summary>
public sealed partial class Upkeep(Settings settings, FileWatch watch, IServiceScopeFactory scopes, TimeProvider clock, ILogger<Upkeep> log)
    : BackgroundService
{
    // A fault that is not in a row is not searched for again at once.
    private static readonly TimeSpan SweepsApart = TimeSpan.FromSeconds(10);

    private readonly SemaphoreSlim sweeping = new(1);
    private DateTimeOffset swept = DateTimeOffset.MinValue;

    private static readonly TimeSpan Look = TimeSpan.FromSeconds(2),
        Quiet = TimeSpan.FromSeconds(3);

    // Every five minutes.
    private const int LooksPerCopy = 150;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await Task.Yield();
        if (File.Exists(DataFolder.FileIn(settings.Data)))
            await SweepAsync(strictly: false, stoppingToken);
        using var timer = new PeriodicTimer(Look, clock);
        for (var looks = 0; await timer.WaitForNextTickAsync(stoppingToken); looks++)
        {
            if (looks % LooksPerCopy == 0)
                Copy();
            if (
                new FileInfo(DataFolder.FileIn(settings.Data) + "-wal") is { Exists: true, Length: > 0 } ahead
                && clock.GetUtcNow().UtcDateTime - ahead.LastWriteTimeUtc > Quiet
            )
                Settle();
        }
    }

    /// <summary>
    /// After a fault: sets aside the row that may have caused it, so that no page fails on it twice. Returns how many rows; 0 also when
    /// this was done a moment ago.
    /// </summary>
    public async Task<int> SweepAsync(CancellationToken cancel) =>
        await SweepAsync(strictly: false, cancel) is > 0 and var found ? found : await SweepAsync(strictly: true, cancel);

    private async Task<int> SweepAsync(bool strictly, CancellationToken cancel)
    {
        await sweeping.WaitAsync(cancel);
        try
        {
            if (strictly && clock.GetUtcNow() - swept < SweepsApart)
                return 0;
            await using var scope = scopes.CreateAsyncScope();
            var found = await SetAside.SweepAsync(
                scope.ServiceProvider.GetRequiredService<ZingDb>(),
                clock.GetUtcNow().UtcDateTime,
                strictly,
                cancel
            );
            if (strictly)
                swept = clock.GetUtcNow();
            if (found > 0)
                WereSetAside(log, found);
            return found;
        }
        catch (Exception failed) when (failed is DataFolderException or SqliteException or DbUpdateException or IOException)
        {
            NotSwept(log, failed.Message);
            return 0;
        }
        finally
        {
            sweeping.Release();
        }
    }

    // Once a day, and never in the way: a failure is tried again at the next check.
    private void Copy()
    {
        try
        {
            DataFolder.Daily(settings.Data, clock);
        }
        catch (Exception failed) when (failed is DataFolderException or SqliteException or IOException or UnauthorizedAccessException)
        {
            NotCopied(log, failed.Message);
        }
    }

    // After the last request was answered: the part that takes requests is stopped first.
    public override async Task StopAsync(CancellationToken cancellationToken)
    {
        await base.StopAsync(cancellationToken);
        Settle();
        SqliteConnection.ClearAllPools();
        watch.Dispose();
    }

    private void Settle()
    {
        // A file that was moved away is neither called back nor created anew.
        if (!watch.IsThere)
            return;
        try
        {
            DataFolder.Settle(settings.Data);
        }
        catch (SqliteException failed)
        {
            // Nothing is lost: it stays in the log, and the next check tries again.
            NotSettled(log, failed.Message);
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "{Count} rows do not hold together and were set aside; Your data lists them.")]
    private static partial void WereSetAside(ILogger logger, int count);

    [LoggerMessage(Level = LogLevel.Warning, Message = "What is kept could not be looked over: {Reason}")]
    private static partial void NotSwept(ILogger logger, string reason);

    [LoggerMessage(Level = LogLevel.Warning, Message = "Today's copy could not be made yet: {Reason}")]
    private static partial void NotCopied(ILogger logger, string reason);

    [LoggerMessage(Level = LogLevel.Warning, Message = "What was written ahead could not be put into the file yet: {Reason}")]
    private static partial void NotSettled(ILogger logger, string reason);
}
