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

        MapGear<Rod>(shed.MapGroup("/rods"), r => r.Check(), (r, id) => r with { Id = id }, r => r.Id, (db, tag, id) => db.Rods.AnyAsync(r => r.Tag == tag && r.Id != id), r => r.Tag);
        MapGear<FlyLine>(shed.MapGroup("/lines"), l => l.Check(), (l, id) => l with { Id = id }, l => l.Id, (db, tag, id) => db.Lines.AnyAsync(l => l.Tag == tag && l.Id != id), l => l.Tag);
        MapGear<Reel>(shed.MapGroup("/reels"), r => r.Check(), (r, id) => r with { Id = id }, r => r.Id, (db, tag, id) => db.Reels.AnyAsync(r => r.Tag == tag && r.Id != id), r => r.Tag);
    }

    // Rods, lines and reels are kept alike: add, change, put away, bring back.
    private static void MapGear<T>(
        RouteGroupBuilder gear, Func<T, IReadOnlyList<FieldProblem>> check, Func<T, int, T> withId, Expression<Func<T, int>> idOf,
        Func<ZingDb, string, int, Task<bool>> tagTaken, Func<T, string> tagOf) where T : class
    {
        var id = idOf.Compile();

        async Task<Results<Ok<T>, ValidationProblem, ProblemHttpResult>> Keep(ZingDb db, T piece, CancellationToken cancel)
        {
            if (check(piece) is { Count: > 0 } problems) return Problems.Of(problems);
            if (await tagTaken(db, tagOf(piece), id(piece))) return Problems.At("tag", $"Another piece already carries the tag {tagOf(piece)}.");
            if (id(piece) != 0 && !await db.Set<T>().AnyAsync(Is(id(piece)), cancel)) return Gone();
            db.Set<T>().Update(piece);
            await db.SaveChangesAsync(cancel);
            return TypedResults.Ok(piece);
        }

        async Task<Results<NoContent, ProblemHttpResult>> Hide(ZingDb db, int which, DateTime? at, CancellationToken cancel) =>
            await db.Set<T>().IgnoreQueryFilters().Where(Is(which)).ExecuteUpdateAsync(set => set.SetProperty(x => EF.Property<DateTime?>(x, ZingDb.DeletedAt), at), cancel) > 0
                ? TypedResults.NoContent() : Gone();

        Expression<Func<T, bool>> Is(int which) => Expression.Lambda<Func<T, bool>>(Expression.Equal(idOf.Body, Expression.Constant(which)), idOf.Parameters);

        gear.MapPost("", (T piece, ZingDb db, CancellationToken cancel) => Keep(db, withId(piece, 0), cancel));
        gear.MapPut("/{which:int}", (int which, T piece, ZingDb db, CancellationToken cancel) => Keep(db, withId(piece, which), cancel));
        gear.MapDelete("/{which:int}", (int which, ZingDb db, TimeProvider clock, CancellationToken cancel) => Hide(db, which, clock.GetUtcNow().UtcDateTime, cancel));
        gear.MapPost("/{which:int}/restore", (int which, ZingDb db, CancellationToken cancel) => Hide(db, which, null, cancel));
    }

    private static ProblemHttpResult Gone() => TypedResults.Problem(statusCode: 404, title: "That piece is not in the shed any more.");
}
