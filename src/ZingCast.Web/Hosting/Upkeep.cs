using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using ZingCast.Store;

namespace ZingCast.Web.Hosting;

/// <summary>
/// Keeps the file whole: what was written ahead goes into it whenever nobody has written for a while, and when the server stops; once a
/// day it is copied; rows that do not hold together are set aside. What goes wrong here is told and tried again, and ends nothing.
/// </summary>
public sealed partial class Upkeep(Settings settings, FileWatch watch, IServiceScopeFactory scopes, TimeProvider clock, ILogger<Upkeep> log)
    : BackgroundService
{
    // A fault that is not in a row is not looked for again at once.
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
    /// After a fault: sets aside the row that it may have come from, so that no page dies of it twice. Says how many rows that were; 0 also
    /// when it was looked for a moment ago.
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

    // Once a day, and never in the way: what fails is tried again at the next look.
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

    // After the last request has been answered: what takes requests is stopped first.
    public override async Task StopAsync(CancellationToken cancellationToken)
    {
        await base.StopAsync(cancellationToken);
        Settle();
        SqliteConnection.ClearAllPools();
        watch.Dispose();
    }

    private void Settle()
    {
        // What was moved away is not called back, nor begun anew.
        if (!watch.IsThere)
            return;
        try
        {
            DataFolder.Settle(settings.Data);
        }
        catch (SqliteException failed)
        {
            // Nothing is lost: it stays written ahead, and the next look tries again.
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
