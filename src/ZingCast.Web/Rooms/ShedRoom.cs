using System.Linq.Expressions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Store;

namespace ZingCast.Web.Rooms;

public static class ShedRoom
{
    public static void MapShed(this WebApplication app)
    {
        var shed = app.MapGroup("/api/shed").WithTags("Shed");
        shed.MapGet("", async (ZingDb db, CancellationToken cancel) => TypedResults.Ok(await db.ShedAsync(cancel)))
            .WithSummary("Everything in the shed.");
        shed.MapPost(
                "/demo",
                async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                {
                    await DemoWorld.AddAsync(db, clock, cancel);
                    return TypedResults.Ok(await db.ShedAsync(cancel));
                }
            )
            .WithSummary("Adds the made-up shed of Marram Quay and its briefs.");

        shed.MapGet(
                "/scraps",
                async (ZingDb db, CancellationToken cancel) =>
                    TypedResults.Ok(await db.Scraps.AsNoTracking().OrderBy(x => x.Id).ToListAsync(cancel))
            )
            .WithSummary("The drawer of scraps.");
        MapGear<Rod>(shed.MapGroup("/rods"), r => r.Tag);
        MapGear<FlyLine>(shed.MapGroup("/lines"), l => l.Tag, LineStays);
        MapGear<Reel>(shed.MapGroup("/reels"), r => r.Tag);
        MapGear<Scrap>(shed.MapGroup("/scraps"), s => s.Tag, ScrapStays);
        MapGear<Calibration>(shed.MapGroup("/calibrations"), c => c.Name);
    }

    // Why a piece cannot be put away, or brought back, now; null when it can.
    private delegate Task<string?> Stays(ZingDb db, int id, bool away, CancellationToken cancel);

    // A scrap on the bench, or in a head made of it, is where that job says it is.
    private static async Task<string?> ScrapStays(ZingDb db, int id, bool away, CancellationToken cancel)
    {
        if (await db.ScrapsInJobs.FirstOrDefaultAsync(s => s.ScrapId == id, cancel) is not { } held)
            return null;
        var line = await db.CutJobs.IgnoreQueryFilters().Where(j => j.Id == held.JobId).Select(j => j.LineId).FirstOrDefaultAsync(cancel);
        return line is not null
            ? away
                ? null
                : "This piece is part of a head that was made of it. Take that head apart first."
            : away
                ? "This piece is on the bench. Take that job off the bench first."
                : null;
    }

    private static async Task<string?> LineStays(ZingDb db, int id, bool away, CancellationToken cancel) =>
        !away
        && (await db.CutJobs.IgnoreQueryFilters().AsNoTracking().Select(j => j.TakenApart).ToListAsync(cancel)).Any(apart =>
            apart.Contains(id)
        )
            ? "This head was taken apart again; its pieces are elsewhere now. Finish it anew."
            : null;

    // All gear is kept alike: add, change, put away, bring back. What names a piece names only one.
    private static void MapGear<T>(RouteGroupBuilder gear, Expression<Func<T, string>> naming, Stays? stays = null)
        where T : Kept
    {
        var nameOf = naming.Compile();
        var (field, taken) =
            typeof(T) == typeof(Calibration)
                ? ("name", "Another calibration has the name")
                : ("tag", "Another piece already carries the tag");

        async Task<Results<Ok<T>, ValidationProblem, ProblemHttpResult>> Keep(
            ZingDb db,
            T piece,
            TimeProvider clock,
            CancellationToken cancel
        )
        {
            if (piece.Id != 0)
            {
                if (await db.Set<T>().AsNoTracking().FirstOrDefaultAsync(x => x.Id == piece.Id, cancel) is not { } before)
                    return Gone();
                piece = (T)piece.InPlaceOf(before);
            }
            if (piece.Check(DateOnly.FromDateTime(clock.GetLocalNow().Date)) is { Count: > 0 } problems)
                return Problems.Of(problems);
            var name = nameOf(piece);
            if (await db.Set<T>().Where(x => x.Id != piece.Id).Select(naming).AnyAsync(n => n == name, cancel))
                return Problems.At(field, $"{taken} {name}.");
            db.Set<T>().Update(piece);
            try
            {
                await db.SaveChangesAsync(cancel);
            }
            catch (DbUpdateConcurrencyException)
            {
                return TypedResults.Problem(statusCode: 412, title: $"{name} was changed elsewhere since you opened it.");
            }
            return TypedResults.Ok(piece);
        }

        async Task<Results<NoContent, ProblemHttpResult>> Hide(ZingDb db, int which, DateTime? at, CancellationToken cancel)
        {
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            if (stays is not null && await stays(db, which, at is not null, cancel) is { } why)
                return TypedResults.Problem(statusCode: 409, title: why);
            if (
                await db.Set<T>()
                    .IgnoreQueryFilters()
                    .Where(x => x.Id == which)
                    .ExecuteUpdateAsync(set => set.SetProperty(x => EF.Property<DateTime?>(x, ZingDb.DeletedAt), at), cancel) == 0
            )
                return Gone();
            await transaction.CommitAsync(cancel);
            return TypedResults.NoContent();
        }

        static T As(T piece, int id) => (T)((Kept)piece with { Id = id });

        gear.MapPost("", (T piece, ZingDb db, TimeProvider clock, CancellationToken cancel) => Keep(db, As(piece, 0), clock, cancel));
        gear.MapPut(
            "/{which:int}",
            (int which, T piece, ZingDb db, TimeProvider clock, CancellationToken cancel) => Keep(db, As(piece, which), clock, cancel)
        );
        gear.MapDelete(
            "/{which:int}",
            (int which, ZingDb db, TimeProvider clock, CancellationToken cancel) => Hide(db, which, clock.GetUtcNow().UtcDateTime, cancel)
        );
        gear.MapPost("/{which:int}/restore", (int which, ZingDb db, CancellationToken cancel) => Hide(db, which, null, cancel));
    }

    private static ProblemHttpResult Gone() => TypedResults.Problem(statusCode: 404, title: "That piece is not in the shed any more.");
}
