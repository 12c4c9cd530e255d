using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Reels;
using ZingCast.Store;

namespace ZingCast.Web.Devices;

/// <summary>Counted so far in the current step of a ticket.</summary>
public readonly record struct WindingCount(double Turns, double LengthM, bool Running);

/// <summary>
/// The winder and the one ticket it works for. While it turns, its counts are written to the ticket repeatedly, so that a server that is
/// killed midway knows where it was.
/// </summary>
public sealed partial class WindingService(IWinder winder, IServiceScopeFactory scopes, TimeProvider clock, ILogger<WindingService> log)
    : BackgroundService
{
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(250);

    // A program that has not reported for this long was killed or hangs.
    private static readonly TimeSpan Silent = TimeSpan.FromSeconds(5);

    // Identifies this program among those that may work on one folder.
    private readonly string me = $"{Environment.MachineName}/{Environment.ProcessId}/{Guid.NewGuid():N}";

    private readonly Lock turn = new();
    private int? ticketId;
    private int version;
    private (double Turns, double LengthM) before;

    /// <summary>How the winder is called.</summary>
    public string Name => winder.Name;

    /// <summary>Whether another program is winding for this ticket.</summary>
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

    // A killed program of this machine is not winding, however recent its report.
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
    /// Continues winding for a ticket from its counts. False while the winder works for another ticket, or another program's for this one;
    /// of two simultaneous requests one succeeds.
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

    /// <summary>Stops the winder if it works for this ticket, and stores the counts; null when it does not.</summary>
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

    /// <summary>Releases a ticket whose step is done.</summary>
    public void LetGo(int id)
    {
        lock (turn)
            if (ticketId == id)
                ticketId = null;
    }

    /// <summary>Counts for this ticket; null when the winder does not work for it.</summary>
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
                // The next report will write more than this one would have.
                NotNoted(log, failed.Message);
            }
    }

    // The ticket's version stays: counting is not an edit.
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
        // The stop mark is reached, and that is stored.
        lock (turn)
            if (ticketId == now.Id && !now.Count.Running)
                ticketId = null;
    }

    // Only while the ticket is at the same step: a late report must not be written to the next one.
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
