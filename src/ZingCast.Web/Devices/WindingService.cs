using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Reels;
using ZingCast.Store;

namespace ZingCast.Web.Devices;

/// <summary>What is counted of a ticket's step at hand.</summary>
public readonly record struct WindingCount(double Turns, double LengthM, bool Running);

/// <summary>
/// The winder and the ticket it works for, of which there is one at a time. While it turns, what it counts is written to the ticket again
/// and again: a server that is killed midway knows where it was.
/// </summary>
public sealed partial class WindingService(IWinder winder, IServiceScopeFactory scopes, TimeProvider clock, ILogger<WindingService> log)
    : BackgroundService
{
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(250);

    // A program that has not said for so long that it winds was killed, or stands still.
    private static readonly TimeSpan Silent = TimeSpan.FromSeconds(5);

    // This program, among those that may work on one folder.
    private readonly string me = $"{Environment.MachineName}/{Environment.ProcessId}/{Guid.NewGuid():N}";

    private readonly Lock turn = new();
    private int? ticketId;
    private int version;
    private (double Turns, double LengthM) before;

    /// <summary>How the winder is called.</summary>
    public string Name => winder.Name;

    /// <summary>Whether another program winds for this ticket just now.</summary>
    public async Task<bool> IsWoundElsewhereAsync(ZingDb db, int id, CancellationToken cancel) => (await ByAsync(db, id, cancel)).Elsewhere;

    private async Task<(string? By, bool Elsewhere)> ByAsync(ZingDb db, int id, CancellationToken cancel)
    {
        var said = await db
            .WindingTickets.Where(t => t.Id == id)
            .Select(t => new { By = EF.Property<string?>(t, ZingDb.WoundBy), At = EF.Property<DateTime?>(t, ZingDb.WoundAt) })
            .FirstOrDefaultAsync(cancel);
        return (
            said?.By,
            said?.By is { } by
                && by != me
                && said.At > clock.GetUtcNow().UtcDateTime - Silent
                && by.Split('/') is var program
                && !Died(program)
        );
    }

    // A program of this machine that was killed winds no more, however lately it said so.
    private static bool Died(string[] program)
    {
        if (program is not [var machine, var number, _] || machine != Environment.MachineName || !int.TryParse(number, out var id))
            return false;
        try
        {
            using var process = System.Diagnostics.Process.GetProcessById(id);
            return process.HasExited;
        }
        catch (ArgumentException)
        {
            return true;
        }
    }

    /// <summary>
    /// Winds on for a ticket from what it has counted. False while the winder works for another, or another program's for this one: of two
    /// that ask in the same moment one gets it.
    /// </summary>
    public async Task<bool> StartAsync(ZingDb db, WindingTicket ticket, CancellationToken cancel)
    {
        var (by, elsewhere) = await ByAsync(db, ticket.Id, cancel);
        if (elsewhere)
            return false;
        var claimed = await db
            .WindingTickets.Where(t => t.Id == ticket.Id && EF.Property<string?>(t, ZingDb.WoundBy) == by)
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(t => EF.Property<string?>(t, ZingDb.WoundBy), me)
                        .SetProperty(t => EF.Property<DateTime?>(t, ZingDb.WoundAt), clock.GetUtcNow().UtcDateTime),
                cancel
            );
        return claimed > 0 && Start(ticket);
    }

    private bool Start(WindingTicket ticket)
    {
        lock (turn)
        {
            if (ticketId is { } other && other != ticket.Id && winder.Read().Running)
                return false;
            (ticketId, version, before) = (ticket.Id, ticket.Version, (ticket.LegTurns, ticket.LegM));
            if (winder is SimulatedWinder simulated)
                simulated.Mount(turns => ticket.LengthOfTurns(ticket.LegTurns + turns) - ticket.LengthOfTurns(ticket.LegTurns));
            winder.Start(ticket.TurnsToGo);
            return true;
        }
    }

    /// <summary>Stops the winder if it works for this ticket, and writes down what is counted; null when it does not.</summary>
    public async Task<WindingCount?> StopAsync(ZingDb db, int id, CancellationToken cancel)
    {
        (WindingCount Count, int Version) at;
        lock (turn)
        {
            if (ticketId != id)
                return null;
            winder.Stop();
            at = (Counted(), version);
            ticketId = null;
        }
        await WriteAsync(db, id, at.Version, at.Count with { Running = false }, cancel);
        return at.Count;
    }

    /// <summary>Lets go of a ticket whose step is over.</summary>
    public void LetGo(int id)
    {
        lock (turn)
            if (ticketId == id)
                ticketId = null;
    }

    /// <summary>What is counted for this ticket; null when the winder does not work for it.</summary>
    public WindingCount? For(int id)
    {
        lock (turn)
            return ticketId == id ? Counted() : null;
    }

    private WindingCount Counted()
    {
        var read = winder.Read();
        return new(before.Turns + read.Turns, before.LengthM + read.LengthM, read.Running);
    }

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Look, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken))
            try
            {
                await NoteAsync(stoppingToken);
            }
            catch (Exception failed) when (failed is DbUpdateException or Microsoft.Data.Sqlite.SqliteException or DataFolderException)
            {
                // The next look writes more than this one would have.
                NotNoted(log, failed.Message);
            }
    }

    // The ticket's version stays: what is counted is not a change that anybody made.
    private async Task NoteAsync(CancellationToken cancel)
    {
        (int Id, int Version, WindingCount Count)? at;
        lock (turn)
            at = ticketId is { } id ? (id, version, Counted()) : null;
        if (at is not { } now)
            return;
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<ZingDb>();
        await WriteAsync(db, now.Id, now.Version, now.Count, cancel);
        // It has come to its stop mark and that is written down.
        lock (turn)
            if (ticketId == now.Id && !now.Count.Running)
                ticketId = null;
    }

    // Only while the ticket is at the step it was counted for: what comes late is not written to the next one.
    private Task<int> WriteAsync(ZingDb db, int id, int version, WindingCount count, CancellationToken cancel) =>
        db
            .WindingTickets.IgnoreQueryFilters()
            .Where(t => t.Id == id && t.Version == version && EF.Property<string?>(t, ZingDb.WoundBy) == me)
            .ExecuteUpdateAsync(
                set =>
                    set.SetProperty(t => t.LegTurns, count.Turns)
                        .SetProperty(t => t.LegM, count.LengthM)
                        .SetProperty(t => EF.Property<string?>(t, ZingDb.WoundBy), count.Running ? me : null)
                        .SetProperty(t => EF.Property<DateTime?>(t, ZingDb.WoundAt), clock.GetUtcNow().UtcDateTime),
                cancel
            );

    [LoggerMessage(Level = LogLevel.Warning, Message = "What the winder counts could not be written down yet: {Reason}")]
    private static partial void NotNoted(ILogger logger, string reason);
}
