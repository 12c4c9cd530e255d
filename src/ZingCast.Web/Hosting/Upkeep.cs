using Microsoft.Data.Sqlite;
using ZingCast.Store;

namespace ZingCast.Web.Hosting;

/// <summary>
/// Keeps the file whole: what was written ahead goes into it whenever nobody has written for a while, and when the house is closed; once a
/// day it is copied.
/// </summary>
public sealed partial class Upkeep(Settings settings, TimeProvider clock, ILogger<Upkeep> log) : BackgroundService
{
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(2),
        Quiet = TimeSpan.FromSeconds(3);

    // Every five minutes.
    private const int LooksPerCopy = 150;

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
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

    // Once a day, and never in the way: what fails is tried again at the next look.
    private void Copy()
    {
        try
        {
            DataFolder.Daily(settings.Data, clock);
        }
        catch (Exception failed) when (failed is DataFolderException or SqliteException or IOException)
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
    }

    private void Settle()
    {
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

    [LoggerMessage(Level = LogLevel.Warning, Message = "Today's copy could not be made yet: {Reason}")]
    private static partial void NotCopied(ILogger logger, string reason);

    [LoggerMessage(Level = LogLevel.Warning, Message = "What was written ahead could not be put into the file yet: {Reason}")]
    private static partial void NotSettled(ILogger logger, string reason);
}
