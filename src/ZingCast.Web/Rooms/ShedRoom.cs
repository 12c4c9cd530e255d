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
        shed.MapGet("", async (ZingDb db, CancellationToken cancel) => TypedResults.Ok(await db.ShedAsync(cancel))).WithSummary("Everything in the shed.");
        shed.MapPost("/demo", async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
        {
            await DemoWorld.AddAsync(db, clock, cancel);
            return TypedResults.Ok(await db.ShedAsync(cancel));
        }).WithSummary("Adds the made-up shed of Marram Quay and its briefs.");

        shed.MapGet("/scraps", async (ZingDb db, CancellationToken cancel) => TypedResults.Ok(await db.Scraps.AsNoTracking().OrderBy(x => x.Id).ToListAsync(cancel))).WithSummary("The drawer of scraps.");
        MapGear<Rod>(shed.MapGroup("/rods"), r => r.Tag);
        MapGear<FlyLine>(shed.MapGroup("/lines"), l => l.Tag);
        MapGear<Reel>(shed.MapGroup("/reels"), r => r.Tag);
        MapGear<Scrap>(shed.MapGroup("/scraps"), s => s.Tag);
        MapGear<Calibration>(shed.MapGroup("/calibrations"), c => c.Name);
    }

    // All gear is kept alike: add, change, put away, bring back. What names a piece names only one.
    private static void MapGear<T>(RouteGroupBuilder gear, Expression<Func<T, string>> naming) where T : Kept
    {
        var nameOf = naming.Compile();
        var (field, taken) = typeof(T) == typeof(Calibration) ? ("name", "Another calibration has the name") : ("tag", "Another piece already carries the tag");

        async Task<Results<Ok<T>, ValidationProblem, ProblemHttpResult>> Keep(ZingDb db, T piece, CancellationToken cancel)
        {
            if (piece.Id != 0)
            {
                if (await db.Set<T>().AsNoTracking().FirstOrDefaultAsync(x => x.Id == piece.Id, cancel) is not { } before) return Gone();
                piece = (T)piece.InPlaceOf(before);
            }
            if (piece.Check() is { Count: > 0 } problems) return Problems.Of(problems);
            var name = nameOf(piece);
            if (await db.Set<T>().Where(x => x.Id != piece.Id).Select(naming).AnyAsync(n => n == name, cancel)) return Problems.At(field, $"{taken} {name}.");
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

        async Task<Results<NoContent, ProblemHttpResult>> Hide(ZingDb db, int which, DateTime? at, CancellationToken cancel) =>
            await db.Set<T>().IgnoreQueryFilters().Where(x => x.Id == which).ExecuteUpdateAsync(set => set.SetProperty(x => EF.Property<DateTime?>(x, ZingDb.DeletedAt), at), cancel) > 0
                ? TypedResults.NoContent() : Gone();

        static T As(T piece, int id) => (T)((Kept)piece with { Id = id });

        gear.MapPost("", (T piece, ZingDb db, CancellationToken cancel) => Keep(db, As(piece, 0), cancel));
        gear.MapPut("/{which:int}", (int which, T piece, ZingDb db, CancellationToken cancel) => Keep(db, As(piece, which), cancel));
        gear.MapDelete("/{which:int}", (int which, ZingDb db, TimeProvider clock, CancellationToken cancel) => Hide(db, which, clock.GetUtcNow().UtcDateTime, cancel));
        gear.MapPost("/{which:int}/restore", (int which, ZingDb db, CancellationToken cancel) => Hide(db, which, null, cancel));
    }

    private static ProblemHttpResult Gone() => TypedResults.Problem(statusCode: 404, title: "That piece is not in the shed any more.");
}
