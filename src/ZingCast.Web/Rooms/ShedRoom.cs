using System.Linq.Expressions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Cutting;
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
                async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    TypedResults.Ok(await db.Shelf<Scrap>(clock).ListAsync(cancel))
            )
            .WithSummary("The drawer of scraps.");
        MapGear<Rod>(shed.MapGroup("/rods"), "a rod", r => r.Tag);
        MapGear<FlyLine>(shed.MapGroup("/lines"), "a line", l => l.Tag, LineStays);
        MapGear<Reel>(shed.MapGroup("/reels"), "a reel", r => r.Tag);
        MapGear<Scrap>(shed.MapGroup("/scraps"), "a scrap", s => s.Tag, ScrapStays);
        MapGear<Calibration>(shed.MapGroup("/calibrations"), "a calibration", c => c.Name);
    }

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

    // All gear is kept alike: what names a piece names only one.
    private static void MapGear<T>(RouteGroupBuilder gear, string one, Expression<Func<T, string>> naming, Shelves.Stays? stays = null)
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
            var shelf = db.Shelf<T>(clock);
            if (piece.Id != 0)
            {
                if (await shelf.FindAsync(piece.Id, cancel) is not { } before)
                    return Problems.Gone(one);
                piece = (T)piece.InPlaceOf(before);
            }
            if (piece.Check(DateOnly.FromDateTime(clock.GetLocalNow().Date)) is { Count: > 0 } problems)
                return Problems.Of(problems);
            var name = nameOf(piece);
            if (await db.Set<T>().Where(x => x.Id != piece.Id).Select(naming).AnyAsync(n => n == name, cancel))
                return Problems.At(field, $"{taken} {name}.");
            return TypedResults.Ok(await shelf.KeepAsync(piece, name, cancel));
        }

        static T As(T piece, int id) => (T)((Kept)piece with { Id = id });

        gear.MapPost("", (T piece, ZingDb db, TimeProvider clock, CancellationToken cancel) => Keep(db, As(piece, 0), clock, cancel))
            .WithSummary($"Keeps {one}.")
            .Refuses(409);
        gear.MapPut(
                "/{id:int}",
                (int id, T piece, ZingDb db, TimeProvider clock, CancellationToken cancel) => Keep(db, As(piece, id), clock, cancel)
            )
            .WithSummary($"Changes {one}; refused when it has moved on since the version it carries.")
            .Refuses(404, 409, 412);
        gear.MapShelf<T>(one, stays);
    }
}
