using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Care;
using ZingCast.Core.Lines;
using ZingCast.Store;

namespace ZingCast.Web.Rooms;

/// <summary>Tasks, services done, and all tasks there are.</summary>
public sealed record CareAnswer(CareList List, IReadOnlyList<ServiceRow> Done, IReadOnlyList<CareTask> Tasks, Core.Standards.Source Source);

/// <summary>A service, with its piece in words.</summary>
public sealed record ServiceRow(int Id, string TaskId, string Says, string Called, DateOnly On, double? AmountM, string? Note);

/// <summary>A service to store.</summary>
public sealed record ServiceRequest(string TaskId, int PieceId, DateOnly? On = null, double? AmountM = null, string? Note = null);

public static class CareRoom
{
    private const string One = "an entry";

    // Most services shown, the latest first.
    private const int MostDone = 300;

    public static void MapCare(this IEndpointRouteBuilder app)
    {
        var care = app.MapGroup("/api/care").WithTags("Care");
        care.MapGet("", Look).WithSummary("What to look after and why, what each piece has been through, and what was done.");
        care.MapGet("/calendar.ics", Calendar).WithSummary("What falls due as iCalendar.");
        var services = care.MapGroup("/services");
        services
            .MapPost("", Keep)
            .WithSummary("Notes that something was done; a line that was cut or turned is changed with it.")
            .Refuses(404, 409);
        services.MapKept<Service>(One, Stays);
    }

    /// <summary>Today's tasks.</summary>
    internal static async Task<CareList> ListAsync(ZingDb db, LogCache desk, TimeProvider clock, CancellationToken cancel) =>
        CareList.From(
            await db.ShedAsync(cancel),
            await db.Scraps.AsNoTracking().ToListAsync(cancel),
            await desk.OutingsAsync(db, cancel),
            await db.Services.AsNoTracking().ToListAsync(cancel),
            Today(clock)
        );

    private static DateOnly Today(TimeProvider clock) => DateOnly.FromDateTime(clock.GetLocalNow().Date);

    private static async Task<Ok<CareAnswer>> Look(ZingDb db, LogCache desk, TimeProvider clock, CancellationToken cancel)
    {
        var list = await ListAsync(db, desk, clock, cancel);
        var done = await db
            .Services.AsNoTracking()
            .OrderByDescending(s => s.On)
            .ThenByDescending(s => s.Id)
            .Take(MostDone)
            .ToListAsync(cancel);
        var ever = await db.EverShedAsync(cancel);
        return TypedResults.Ok(
            new CareAnswer(
                list,
                [
                    .. done.Select(s =>
                    {
                        var task = CareTask.Find(s.TaskId);
                        return new ServiceRow(
                            s.Id,
                            s.TaskId,
                            task?.Done ?? s.TaskId,
                            task is null ? "" : CareList.NameOf(task.Piece, s.PieceId, ever),
                            s.On,
                            s.AmountM,
                            s.Note
                        );
                    }),
                ],
                CareTask.All,
                CareTask.Source
            )
        );
    }

    private static async Task<FileContentHttpResult> Calendar(ZingDb db, LogCache desk, TimeProvider clock, CancellationToken cancel)
    {
        var today = Today(clock);
        var text = DayCalendar.Write(
            "care",
            [
                .. (await ListAsync(db, desk, clock, cancel))
                    .Items.Select(i => (i, On: i.State == CareState.Due ? today : i.DueOn))
                    .Where(x => x.On is not null)
                    .Select(x => (x.i.Key, x.On!.Value < today ? today : x.On.Value, $"{x.i.Called}: {x.i.Task.Name} ({x.i.Why})")),
            ],
            clock.GetUtcNow().UtcDateTime
        );
        return TypedResults.File(System.Text.Encoding.UTF8.GetBytes(text), "text/calendar; charset=utf-8", "care.ics");
    }

    private static async Task<Results<Ok<Service>, ValidationProblem, ProblemHttpResult>> Keep(
        ServiceRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var service = new Service
        {
            TaskId = request.TaskId,
            PieceId = request.PieceId,
            On = request.On ?? Today(clock),
            AmountM = request.AmountM,
            Note = request.Note,
        };
        if (service.Check(Today(clock)) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        var task = CareTask.Find(request.TaskId)!;
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (!CareList.IsThere(task.Piece, request.PieceId, await db.ShedAsync(cancel)))
            return Problems.At("pieceId", "That piece is not in the shed any more.");
        if (task.Piece == CarePiece.Line && await db.KeptSet<FlyLine>(clock).FindAsync(request.PieceId, cancel) is { } line)
        {
            if (request.AmountM >= line.HeadM)
                return Problems.At("amountM", "That is the whole head.");
            var after = task.On(line, request.AmountM);
            if (after != line)
            {
                if (after.Check() is { Count: > 0 } odd)
                    return Problems.At("amountM", odd[0].Problem);
                await db.KeptSet<FlyLine>(clock).KeepAsync(after, line.Tag, cancel);
                service = service with { Before = line };
            }
        }
        service = await db.KeptSet<Service>(clock).KeepAsync(service, "This entry", cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(service);
    }

    // Deleting a service on a line also undoes its effect, unless another one followed.
    private static async Task<string?> Stays(ZingDb db, int id, bool away, CancellationToken cancel)
    {
        var entry = await db.Services.IgnoreQueryFilters().AsNoTracking().FirstOrDefaultAsync(s => s.Id == id, cancel);
        if (entry?.Before is not { } before || CareTask.Find(entry.TaskId) is not { } task)
            return null;
        if (await db.Lines.AsNoTracking().FirstOrDefaultAsync(l => l.Id == entry.PieceId, cancel) is not { } now)
            return "The line is not in the shed any more.";
        var (left, becomes) = away ? (task.On(before, entry.AmountM), before) : (before, task.On(before, entry.AmountM));
        if (!Same(now, left))
            return $"{now.Tag} was changed since. Set it right on its bench.";
        db.Lines.Update(becomes with { Version = now.Version });
        await db.SaveChangesAsync(cancel);
        return null;
    }

    private static bool Same(FlyLine a, FlyLine b) =>
        a with { Version = 0, Measured = null } == b with { Version = 0, Measured = null }
        && (a.Measured ?? []).SequenceEqual(b.Measured ?? []);
}
