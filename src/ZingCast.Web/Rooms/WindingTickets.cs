using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Devices;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A ticket to start.</summary>
/// <param name="ReelId">Reel.</param>
/// <param name="SpoolName">Which of its spools; its own when nothing is said.</param>
/// <param name="LineId">Line.</param>
/// <param name="Backing">Kind of backing.</param>
/// <param name="BackingM">Length of it, metres; 0 for none.</param>
/// <param name="RightHand">Wound in by the right hand.</param>
public sealed record TicketRequest(
    int ReelId,
    int LineId,
    string Backing,
    double BackingM,
    string? SpoolName = null,
    bool RightHand = false
);

/// <summary>Input for the current step.</summary>
public sealed record ReplyRequest(WindingReply Reply) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>Backing taken off again, metres.</summary>
public sealed record TakeOffRequest(double LengthM) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>Whether to start or stop the winder.</summary>
public sealed record WindRequest(bool On) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>Slip of the simulated winder's wheel, as a share.</summary>
public sealed record SlipRequest(double Share);

/// <summary>State of a ticket.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Version">Version.</param>
/// <param name="ReelId">Reel.</param>
/// <param name="ReelWords">Reel in words.</param>
/// <param name="SpoolName">Which of its spools.</param>
/// <param name="LineWords">Line in words.</param>
/// <param name="Backing">Backing in words.</param>
/// <param name="BackingM">Backing planned, metres.</param>
/// <param name="RightHand">Wound in by the right hand.</param>
/// <param name="BegunAt">When it was begun.</param>
/// <param name="Steps">All steps.</param>
/// <param name="At">The step at hand; the number of steps when all are done.</param>
/// <param name="Turns">Turns counted in the step at hand.</param>
/// <param name="LengthM">Metres counted in it.</param>
/// <param name="ByTurnsM">What so many turns lay on, metres.</param>
/// <param name="AtMark">As good as the stop mark.</param>
/// <param name="Running">The winder turns.</param>
/// <param name="Winder">How the winder is called.</param>
/// <param name="SpoolId">The spool it became.</param>
public sealed record TicketAnswer(
    int Id,
    int Version,
    int ReelId,
    string ReelWords,
    string SpoolName,
    string LineWords,
    string Backing,
    double BackingM,
    bool RightHand,
    DateTime BegunAt,
    IReadOnlyList<WindingStep> Steps,
    int At,
    double Turns,
    double LengthM,
    double ByTurnsM,
    bool AtMark,
    bool Running,
    string Winder,
    int? SpoolId
) : IVersioned;

public static partial class ReelsRoom
{
    // Most tickets listed.
    private const int MostTickets = 50;

    private static void MapTickets(RouteGroupBuilder tickets)
    {
        tickets
            .MapGet(
                "",
                async (ZingDb db, WindingService desk, CancellationToken cancel) =>
                {
                    var all = await db.WindingTickets.AsNoTracking().OrderByDescending(t => t.Id).Take(MostTickets).ToListAsync(cancel);
                    return TypedResults.Ok<IReadOnlyList<TicketAnswer>>([.. all.Select(t => Answer(t, desk))]);
                }
            )
            .WithSummary("Spools in work and wound, the last first.");
        tickets
            .MapGet(
                "/{id:int}",
                async Task<Results<Ok<TicketAnswer>, ProblemHttpResult>> (
                    int id,
                    ZingDb db,
                    TimeProvider clock,
                    WindingService desk,
                    CancellationToken cancel
                ) =>
                {
                    // The service first: what it has released by then is stored.
                    var seen = desk.For(id);
                    return await db.KeptSet<WindingTicket>(clock).FindAsync(id, cancel) is { } ticket
                        ? TypedResults.Ok(Answer(ticket, desk, seen))
                        : Problems.Gone(OneTicket);
                }
            )
            .WithSummary("A winding ticket as it stands, with what the winder counts.")
            .Refuses(404);
        tickets.MapPost("", Begin).WithSummary("Writes a ticket for a spool. Nothing is wound yet.").Refuses(409);
        tickets
            .MapPost("/{id:int}/wind", Wind)
            .WithSummary("Lets the winder wind on to the stop mark, or stops it.")
            .Refuses(404, 409, 412);
        tickets
            .MapPost("/{id:int}/reply", Reply)
            .WithSummary("Answers the step at hand; mistakes are told before they are wound over. The last step puts it on the spool.")
            .Refuses(404, 409, 412);
        tickets
            .MapPost("/{id:int}/take-off", TakeOff)
            .WithSummary("Writes down backing that was taken off again after it was measured.")
            .Refuses(404, 412);
        tickets
            .MapPost("/{id:int}/reopen", Reopen)
            .WithSummary("Takes a wound ticket back; the spool is as it was before.")
            .Refuses(404, 409);
        var desk = ((IEndpointRouteBuilder)tickets).ServiceProvider.GetRequiredService<WindingService>();
        tickets.MapKept<WindingTicket>(
            OneTicket,
            async (db, id, away, cancel) =>
            {
                if (!away)
                    return null;
                if (await desk.IsWoundElsewhereAsync(db, id, cancel))
                    return WoundElsewhere;
                // An archived ticket is not wound any further.
                await desk.StopAsync(db, id, cancel);
                return null;
            }
        );
    }

    private const string WoundElsewhere = "Another Zing Cast is winding this ticket. Stop it there first.";

    private static TicketAnswer Answer(WindingTicket ticket, WindingService desk, WindingCount? seen = null)
    {
        var count = seen ?? desk.For(ticket.Id) ?? new(ticket.LegTurns, ticket.LegM, false);
        return new(
            ticket.Id,
            ticket.Version,
            ticket.ReelId,
            ticket.ReelWords,
            ticket.SpoolName,
            ticket.LineWords,
            Backings.Find(ticket.Plan.Backing)!.Name,
            ticket.Plan.BackingM,
            ticket.RightHand,
            ticket.BegunAt,
            ticket.Steps,
            ticket.Done.Count,
            count.Turns,
            count.LengthM,
            ticket.LengthOfTurns(count.Turns),
            ticket.IsAtStopMark(count.Turns),
            count.Running,
            desk.Name,
            ticket.SpoolId
        );
    }

    private static async Task<Results<Ok<TicketAnswer>, ValidationProblem, ProblemHttpResult>> Begin(
        TicketRequest request,
        ZingDb db,
        TimeProvider clock,
        WindingService desk,
        CancellationToken cancel
    )
    {
        var reel = await db.KeptSet<Reel>(clock).FindAsync(request.ReelId, cancel);
        var line = await db.KeptSet<FlyLine>(clock).FindAsync(request.LineId, cancel);
        var backing = Backings.Find(request.Backing);
        var check = new FieldCheck()
            .Must("reelId", reel is not null, "That reel is not in the shed any more.")
            .Must("lineId", line is not null, "That line is not in the shed any more.")
            .Must("backing", backing is not null, "Pick a backing from the list.")
            .Within("backingM", request.BackingM, Backings.Lengths)
            .Text("spoolName", request.SpoolName, 40, optional: true);
        if (check.Problems.Count > 0)
            return Problems.Invalid(check.Problems);
        var fill = SpoolFill.For(reel!, line!, backing!, request.BackingM);
        // A guess may be wrong either way; a known overfill is refused.
        if (!fill.Holds && !fill.Spool.IsGuess)
            return Problems.At(
                "backingM",
                $"That does not go on: {fill.FitsBackingM:0} m ({fill.FitsBackingM / Exact.YardM:0} yd) of it fits under this line."
            );
        var ticket = new WindingTicket
        {
            ReelId = reel!.Id,
            SpoolName = request.SpoolName is { Length: > 0 } name ? name : Spool.Own,
            LineId = line!.Id,
            ReelWords = $"{reel.Tag} {reel.Name}",
            LineWords = $"{line.Tag} {line.Name}",
            Plan = WindingPlan.For(reel, line, backing!, request.BackingM),
            RightHand = request.RightHand,
            BegunAt = clock.GetUtcNow().UtcDateTime,
        };
        if (ticket.Check() is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (
            await db.WindingTickets.AnyAsync(t => t.SpoolId == null && t.ReelId == ticket.ReelId && t.SpoolName == ticket.SpoolName, cancel)
        )
            return TypedResults.Problem(statusCode: 409, title: "A ticket for this spool is in work. Finish it or take it off the bench.");
        var kept = await db.KeptSet<WindingTicket>(clock).KeepAsync(ticket, "This ticket", cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(Answer(kept, desk));
    }

    private static async Task<Results<Ok<TicketAnswer>, ValidationProblem, ProblemHttpResult>> Wind(
        int id,
        WindRequest request,
        ZingDb db,
        TimeProvider clock,
        WindingService desk,
        CancellationToken cancel
    )
    {
        if (!request.On)
        {
            // A press on stop counts, however outdated the page.
            await desk.StopAsync(db, id, cancel);
            return await db.KeptSet<WindingTicket>(clock).FindAsync(id, cancel) is { } now
                ? TypedResults.Ok(Answer(now, desk))
                : Problems.Gone(OneTicket);
        }
        if (await InWork(id, request.Version, db, clock, cancel) is not { } ticket)
            return Problems.Gone(OneTicket);
        if (ticket.Now is not { Way: WindingWay.Wind })
            return Problems.At("on", "There is nothing to wind in this step.");
        if (desk.For(id) is { Running: true })
            return TypedResults.Ok(Answer(ticket, desk));
        if (await desk.StopAsync(db, id, cancel) is { } count)
            ticket = ticket with { LegTurns = count.Turns, LegM = count.LengthM };
        if (await desk.StartAsync(db, ticket, cancel))
            return TypedResults.Ok(Answer(ticket, desk));
        return TypedResults.Problem(
            statusCode: 409,
            title: await desk.IsWoundElsewhereAsync(db, id, cancel)
                ? WoundElsewhere
                : "The winder is winding another spool. Stop that first."
        );
    }

    private static async Task<Results<Ok<TicketAnswer>, ValidationProblem, ProblemHttpResult>> Reply(
        int id,
        ReplyRequest request,
        ZingDb db,
        TimeProvider clock,
        WindingService desk,
        CancellationToken cancel
    )
    {
        if (desk.For(id) is { Running: true })
            return TypedResults.Problem(statusCode: 409, title: "The winder still turns. Stop it first.");
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (await InWork(id, request.Version, db, clock, cancel) is not { } ticket)
            return Problems.Gone(OneTicket);
        if (await desk.IsWoundElsewhereAsync(db, id, cancel))
            return TypedResults.Problem(statusCode: 409, title: WoundElsewhere);
        if (ticket.Reply(request.Reply, clock.GetUtcNow().UtcDateTime, out var problems) is not { } next)
            return Problems.Invalid(problems);
        if (next.IsWound)
        {
            // Gear that was archived meanwhile is reported, rather than put on a spool nobody finds.
            if (await db.KeptSet<Reel>(clock).FindAsync(ticket.ReelId, cancel) is null)
                return Went(ticket.ReelWords);
            if (await db.KeptSet<FlyLine>(clock).FindAsync(ticket.LineId, cancel) is null)
                return Went(ticket.LineWords);
            next = await Wound(next, db, clock, cancel);
        }
        var kept = await db.KeptSet<WindingTicket>(clock).KeepAsync(next, "This ticket", cancel);
        await transaction.CommitAsync(cancel);
        desk.LetGo(id);
        return TypedResults.Ok(Answer(kept, desk));
    }

    private static ProblemHttpResult Went(string words) =>
        TypedResults.Problem(
            statusCode: 409,
            title: $"{words} was put away meanwhile. Bring it back in the shed and finish here, or put this ticket away."
        );

    // The wound backing and line are on the spool from now on, and the line no longer where it was before.
    private static async Task<WindingTicket> Wound(WindingTicket ticket, ZingDb db, TimeProvider clock, CancellationToken cancel)
    {
        var shelf = db.KeptSet<Spool>(clock);
        var before = await db
            .Spools.AsNoTracking()
            .FirstOrDefaultAsync(s => s.ReelId == ticket.ReelId && s.Name == ticket.SpoolName, cancel);
        var from = await TakeLineOff(ticket.LineId, before?.Id, db, clock, cancel);
        var today = DateOnly.FromDateTime(clock.GetLocalNow().Date);
        var spool = await shelf.KeepAsync(ticket.Wound(before, today), "This spool", cancel);
        return ticket with { SpoolId = spool.Id, Before = before, TakenFrom = from };
    }

    // Takes a line off the spool it is on, if that is another one; returns that spool's id.
    private static async Task<int?> TakeLineOff(int lineId, int? but, ZingDb db, TimeProvider clock, CancellationToken cancel)
    {
        if (await db.Spools.AsNoTracking().FirstOrDefaultAsync(s => s.LineId == lineId && s.Id != but, cancel) is not { } elsewhere)
            return null;
        await db.KeptSet<Spool>(clock).KeepAsync(elsewhere with { LineId = null }, "That spool", cancel);
        return elsewhere.Id;
    }

    private static async Task<Results<Ok<TicketAnswer>, ValidationProblem, ProblemHttpResult>> TakeOff(
        int id,
        TakeOffRequest request,
        ZingDb db,
        TimeProvider clock,
        WindingService desk,
        CancellationToken cancel
    )
    {
        if (await InWork(id, request.Version, db, clock, cancel) is not { } ticket)
            return Problems.Gone(OneTicket);
        return ticket.TakeOff(request.LengthM, out var problems) is { } next
            ? TypedResults.Ok(Answer(await db.KeptSet<WindingTicket>(clock).KeepAsync(next, "This ticket", cancel), desk))
            : Problems.Invalid(problems);
    }

    // Undo: the last step is to do again, the spool is as it was, and the line is back where it was.
    private static async Task<Results<Ok<TicketAnswer>, ProblemHttpResult>> Reopen(
        int id,
        ZingDb db,
        TimeProvider clock,
        WindingService desk,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (await db.KeptSet<WindingTicket>(clock).FindAsync(id, cancel) is not { } ticket)
            return Problems.Gone(OneTicket);
        if (ticket.SpoolId is not { } spoolId)
            return TypedResults.Problem(statusCode: 409, title: "This ticket is in work already.");
        var shelf = db.KeptSet<Spool>(clock);
        if (await shelf.FindAsync(spoolId, cancel) is not { } spool || spool.LineId != ticket.LineId)
            return TypedResults.Problem(statusCode: 409, title: "Something else lies on that spool by now.");
        if (ticket.Before is { } before)
        {
            if (before.LineId is { } lineId && await db.Spools.AnyAsync(s => s.LineId == lineId && s.Id != spoolId, cancel))
                before = before with { LineId = null };
            await shelf.KeepAsync(before with { Id = spool.Id, Version = spool.Version }, "This spool", cancel);
        }
        else
            await shelf.ArchiveAsync(spoolId, cancel);
        if (ticket.TakenFrom is { } other && await shelf.FindAsync(other, cancel) is { LineId: null } emptied)
            await shelf.KeepAsync(emptied with { LineId = ticket.LineId }, "That spool", cancel);
        var again = ticket with { SpoolId = null, Before = null, TakenFrom = null, Done = [.. ticket.Done.SkipLast(1)] };
        var kept = await db.KeptSet<WindingTicket>(clock).KeepAsync(again, "This ticket", cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(Answer(kept, desk));
    }

    private static async Task<Results<Ok<Spool>, ValidationProblem, ProblemHttpResult>> KeepSpool(
        Spool spool,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var taken = await db.Spools.Where(s => s.ReelId == spool.ReelId && s.Id != spool.Id).Select(s => s.Name).ToListAsync(cancel);
        // A name is suggested, never required.
        if (spool.Name.Length == 0)
            spool = spool with { Name = Spool.UsualName(taken) };
        if (spool.Check(DateOnly.FromDateTime(clock.GetLocalNow().Date)) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        if (spool.Id != 0 && await db.KeptSet<Spool>(clock).FindAsync(spool.Id, cancel) is null)
            return Problems.Gone(OneSpool);
        if (await db.KeptSet<Reel>(clock).FindAsync(spool.ReelId, cancel) is null)
            return Problems.At("reelId", "That reel is not in the shed any more.");
        if (spool.LineId is { } lineId)
        {
            if (await db.KeptSet<FlyLine>(clock).FindAsync(lineId, cancel) is null)
                return Problems.At("lineId", "That line is not in the shed any more.");
            await TakeLineOff(lineId, spool.Id, db, clock, cancel);
        }
        if (taken.Contains(spool.Name))
            return Problems.At("name", $"This reel has a spool “{spool.Name}” already.");
        var kept = await db.KeptSet<Spool>(clock).KeepAsync(spool, "This spool", cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(kept);
    }

    // An unarchived spool may find its name taken, or its line on another.
    private static async Task<string?> LineStays(ZingDb db, int id, bool away, CancellationToken cancel)
    {
        if (away || await db.Spools.IgnoreQueryFilters().AsNoTracking().FirstOrDefaultAsync(s => s.Id == id, cancel) is not { } spool)
            return null;
        return await db.Spools.AnyAsync(
            s => s.Id != id && ((s.ReelId == spool.ReelId && s.Name == spool.Name) || (spool.LineId != null && s.LineId == spool.LineId)),
            cancel
        )
            ? "Its name or its line is on another spool by now."
            : null;
    }

    private static async Task<WindingTicket?> InWork(int id, int version, ZingDb db, TimeProvider clock, CancellationToken cancel)
    {
        var ticket = await db.KeptSet<WindingTicket>(clock).FindAsync(id, cancel);
        return ticket is null || (ticket.SpoolId is null && ticket.Version == version) ? ticket : throw new StaleException("This ticket");
    }
}
