using System.Linq.Expressions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Cutting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A label, box or tube, as typed.</summary>
public sealed record LabelRequest(string Text);

/// <summary>The piece that a label describes, with the next free tag; one of the three is given.</summary>
/// <param name="Name">What it is called where nobody gives it a name.</param>
/// <param name="Assumes">What the label did not say and is taken to be so.</param>
/// <param name="Tag">The next tag that is free.</param>
/// <param name="Rod">A rod.</param>
/// <param name="Line">A line.</param>
/// <param name="Reel">A reel.</param>
public sealed record LabelAnswer(string Name, Sentence Assumes, string Tag, Rod? Rod, FlyLine? Line, Reel? Reel);

public static class ShedRoom
{
    public static void MapShed(this IEndpointRouteBuilder app)
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
                    TypedResults.Ok(await db.KeptSet<Scrap>(clock).ListAsync(cancel))
            )
            .WithSummary("The drawer of scraps.");
        shed.MapPost(
                "/label",
                async Task<Results<Ok<LabelAnswer>, ValidationProblem>> (LabelRequest typed, ZingDb db, CancellationToken cancel) =>
                {
                    if (GearLabel.Read(typed.Text) is not { } label)
                        return Problems.At("text", GearLabel.Example);
                    var gear = await db.ShedAsync(cancel);
                    var tag = Gear.NextTag(
                        GearShed.LetterOf(label.Piece),
                        gear.Rods.Select(r => r.Tag).Concat(gear.Lines.Select(l => l.Tag)).Concat(gear.Reels.Select(r => r.Tag))
                    );
                    return TypedResults.Ok(
                        new LabelAnswer(
                            label.Piece.UsualName(),
                            label.Assumes,
                            tag,
                            label.Piece as Rod,
                            label.Piece as FlyLine,
                            label.Piece as Reel
                        )
                    );
                }
            )
            .WithSummary("Reads what a label, box or tube says into a piece of gear, ready to be kept.");
        MapGear<Rod>(shed.MapGroup("/rods"), "a rod", r => r.Tag, GearShed.RodLetter);
        MapGear<FlyLine>(shed.MapGroup("/lines"), "a line", l => l.Tag, GearShed.LineLetter, LineStays);
        MapGear<Reel>(shed.MapGroup("/reels"), "a reel", r => r.Tag, GearShed.ReelLetter);
        MapGear<Scrap>(shed.MapGroup("/scraps"), "a scrap", s => s.Tag, ScrapLetter, ScrapStays);
        MapGear<LeaderSpool>(shed.MapGroup("/leader-spools"), "a spool of leader material", s => s.Tag, PocketLetter);
        MapGear<TiedLeader>(shed.MapGroup("/leaders"), "a leader", l => l.Tag, LeaderLetter);
        MapGear<Calibration>(shed.MapGroup("/calibrations"), "a calibration", c => c.Name, default);
    }

    // First letters of tags given automatically.
    private const char ScrapLetter = 'D',
        PocketLetter = 'T',
        LeaderLetter = 'K';

    // A scrap in a job or a finished head is governed by that job.
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

    // All gear is stored in the same way: tag and name are unique.
    private static void MapGear<T>(
        RouteGroupBuilder gear,
        string one,
        Expression<Func<T, string>> naming,
        char letter,
        KeptEndpoints.Stays? stays = null
    )
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
            var shelf = db.KeptSet<T>(clock);
            // Tag and name are suggested, never required.
            if (piece is Gear { Tag: "" } or Gear { Name: "" })
                piece = (T)
                    (Kept)((Gear)(Kept)piece).WithTagAndName(Gear.NextTag(letter, await db.Set<T>().Select(naming).ToListAsync(cancel)));
            if (piece.Id != 0)
            {
                if (await shelf.FindAsync(piece.Id, cancel) is not { } before)
                    return Problems.Gone(one);
                piece = (T)piece.InPlaceOf(before);
            }
            if (piece.Check(DateOnly.FromDateTime(clock.GetLocalNow().Date)) is { Count: > 0 } problems)
                return Problems.Invalid(problems);
            var name = nameOf(piece);
            if (await db.Set<T>().Where(x => x.Id != piece.Id).Select(naming).AnyAsync(n => n == name, cancel))
                return Problems.At(field, $"{taken} {name}.");
            return TypedResults.Ok(await shelf.KeepAsync(piece, name, cancel));
        }

        static T As(T piece, int id) => (T)((Kept)piece with { Id = id });

        gear.MapPost(
                "",
                Handlers.AtRuntime(
                    (T piece, ZingDb db, TimeProvider clock, CancellationToken cancel) => Keep(db, As(piece, 0), clock, cancel)
                )
            )
            .WithSummary($"Keeps {one}.")
            .Refuses(409);
        gear.MapPut(
                "/{id:int}",
                Handlers.AtRuntime(
                    (int id, T piece, ZingDb db, TimeProvider clock, CancellationToken cancel) => Keep(db, As(piece, id), clock, cancel)
                )
            )
            .WithSummary($"Changes {one}; refused when it has moved on since the version it carries.")
            .Refuses(404, 409, 412);
        gear.MapKept<T>(one, stays);
    }
}
