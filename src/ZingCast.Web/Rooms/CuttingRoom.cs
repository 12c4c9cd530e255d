using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Cutting;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A head to make from the drawer; with a rod, how each plan loads it.</summary>
public sealed record PlanRequest(CutTarget Target, int? RodId = null);

/// <summary>
/// Plans, best first. Ratio: what the head weighs over the standard mass of the rod's class, per plan; empty without a rod. Complete:
/// every way was looked at; false when the drawer is so full that the search was ended with the best it had found.
/// </summary>
public sealed record PlanAnswer(
    IReadOnlyList<CutPlan> Plans,
    IReadOnlyList<double> RodRatios,
    Spread RodWindow,
    int Scraps,
    double UnfeltM,
    double UnfeltKg,
    bool Complete
);

/// <summary>Mass that a head of this length should have on a rod.</summary>
public sealed record HeadForRod(double MassKg, double WindowClass);

/// <summary>A plan to start.</summary>
public sealed record BeginRequest(CutTarget Target, IReadOnlyList<CutPiece> Pieces);

/// <summary>A cut that was made: which piece, how much, which end.</summary>
public sealed record BladeRequest(int Piece, double TakeM, bool Front) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>A weighing of a piece, kilograms.</summary>
public sealed record PieceWeight(int Piece, double MassKg, double PlusMinusKg) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>The name of the finished head.</summary>
public sealed record FinishRequest(string Tag, string Name) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>A job in work.</summary>
public sealed record JobAnswer(
    int Id,
    CutTarget Target,
    IReadOnlyList<PieceNow> Pieces,
    IReadOnlyList<CutStep> Steps,
    int Version,
    DateTime BegunAt,
    int? LineId,
    CutPlan? Now
) : IVersioned;

public static class CuttingRoom
{
    // A full drawer allows more ways than anybody waits for: about a second on two cores. Counted rather than timed, so that a busy machine
    // takes longer and finds no less.
    private const long MaxSteps = 25_000_000;

    public static void MapCutting(this IEndpointRouteBuilder app)
    {
        var cutting = app.MapGroup("/api/cutting").WithTags("Cutting");

        cutting
            .MapPost(
                "/plan",
                async Task<Results<Ok<PlanAnswer>, ValidationProblem>> (PlanRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    if (request.Target.Check() is { Count: > 0 } wrong)
                        return Problems.Invalid(wrong, "target.");
                    var drawer = await db
                        .Scraps.AsNoTracking()
                        .Where(s => !db.ScrapsInJobs.Any(j => j.ScrapId == s.Id))
                        .OrderBy(s => s.Id)
                        .ToListAsync(cancel);
                    var (plans, complete) = Cutter.Plan(request.Target, drawer, most: MaxSteps, cancel: cancel);
                    var rod = request.RodId is { } id ? await db.Rods.AsNoTracking().FirstOrDefaultAsync(r => r.Id == id, cancel) : null;
                    var standard = rod?.WindowClass is { } c ? Core.Standards.LineWeights.MassKg(c) : 0;
                    return TypedResults.Ok(
                        new PlanAnswer(
                            plans,
                            standard > 0 ? [.. plans.Select(p => p.MassKg / standard)] : [],
                            new(LineLoad.Low, LineLoad.Top),
                            drawer.Count,
                            Cutter.UnfeltM,
                            Cutter.UnfeltKg,
                            complete
                        )
                    );
                }
            )
            .WithSummary("Every way to cut the head out of the drawer, best first.")
            .IsHeavy();

        cutting
            .MapGet(
                "/head-for-rod",
                async Task<Results<Ok<HeadForRod>, ValidationProblem, ProblemHttpResult>> (
                    int rodId,
                    double headM,
                    ZingDb db,
                    CancellationToken cancel
                ) =>
                    headM is not (>= 3 and <= 30) ? Problems.At("headM", "A head is between 3 and 30 m long.")
                    : await db.Rods.AsNoTracking().FirstOrDefaultAsync(r => r.Id == rodId, cancel) is { WindowClass: { } window } rod
                        ? TypedResults.Ok(new HeadForRod(LineSuits.HeadKg(rod, headM), window))
                    : TypedResults.Problem(statusCode: 404, title: "That rod is not in the shed any more, or nobody knows its class.")
            )
            .WithSummary("How heavy a head of a length should be for a rod.")
            .Refuses(404);

        var jobs = cutting.MapGroup("/jobs");

        jobs.MapGet(
                "",
                async (ZingDb db, CancellationToken cancel) =>
                {
                    var all = await db.CutJobs.AsNoTracking().OrderByDescending(j => j.Id).Take(MostJobs).ToListAsync(cancel);
                    var scraps = await ScrapsOf(all, db, cancel);
                    return TypedResults.Ok<IReadOnlyList<JobAnswer>>([.. all.Select(j => Answer(j, scraps))]);
                }
            )
            .WithSummary("Heads in work and made.");

        jobs.MapPost("", Begin).WithSummary("Takes a plan to the bench. Nothing is cut yet.").Refuses(409);
        jobs.MapPost("/{id:int}/blade", Blade)
            .WithSummary("Records a cut that was made. The scrap's row follows; a cut-off long enough goes back into the drawer.")
            .Refuses(404, 409, 412);
        jobs.MapPost("/{id:int}/weigh", Weigh).WithSummary("Records a weighing; says how much more to take.").Refuses(404, 409, 412);
        jobs.MapPost("/{id:int}/finish", Finish)
            .WithSummary("The joined head goes into the shed as a line; its pieces leave the drawer.")
            .Refuses(404, 409, 412);
        jobs.MapPost("/{id:int}/reopen", Reopen)
            .WithSummary("Takes a finished head apart again on paper: its pieces are back on the bench, the line is put away.")
            .Refuses(404, 409);
        jobs.MapKept<CutJob>(One, JobStays);
    }

    private const string One = "a job";

    // Most jobs listed.
    private const int MostJobs = 50;

    private static async Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> Begin(
        BeginRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (request.Target.Check() is { Count: > 0 } wrong)
            return Problems.Invalid(wrong, "target.");
        var ids = request.Pieces.Select(p => p.ScrapId).ToList();
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var scraps = await db.Scraps.AsNoTracking().Where(s => ids.Contains(s.Id)).ToDictionaryAsync(s => s.Id, cancel);
        if (CutJob.Begin(request.Target, request.Pieces, scraps, clock.GetUtcNow().UtcDateTime, out var problems) is not { } begun)
            return Problems.Invalid(problems);
        if (await db.ScrapsInJobs.AnyAsync(s => ids.Contains(s.ScrapId), cancel))
            return TypedResults.Problem(statusCode: 409, title: "One of these pieces is on the bench already.");
        var job = await db.KeptSet<CutJob>(clock).KeepAsync(begun, "This job", cancel);
        await Hold(job, db, cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(await Answer(job, db, cancel));
    }

    private static Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> Blade(
        int id,
        BladeRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        Work(
            (id, request.Version, request.Piece),
            async (job, scrap) =>
            {
                var free = await FreeTag(scrap.Tag, db, cancel);
                var at = clock.GetUtcNow().UtcDateTime;
                return (job.Cut(request.Piece, scrap, request.TakeM, request.Front, free, at, out var problems), problems);
            },
            db,
            clock,
            cancel
        );

    private static Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> Weigh(
        int id,
        PieceWeight request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        Work(
            (id, request.Version, request.Piece),
            (job, scrap) =>
            {
                var at = clock.GetUtcNow().UtcDateTime;
                var done = job.Weigh(request.Piece, scrap, request.MassKg, request.PlusMinusKg, at, out var problems);
                return Task.FromResult((done, problems));
            },
            db,
            clock,
            cancel
        );

    // A step on one piece of a job on the bench.
    private static async Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> Work(
        (int Job, int Version, int Piece) on,
        Func<CutJob, Scrap, Task<(CutDone? Done, IReadOnlyList<FieldProblem> Problems)>> step,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await OnBench(on.Job, on.Version, db, clock, cancel) is not { } job)
            return Problems.Gone(One);
        if (await PieceOf(job, on.Piece, db, cancel) is not { } scrap)
            return NoPiece();
        var (done, problems) = await step(job, scrap);
        return done is null ? Problems.Invalid(problems) : await Keep(done, db, clock, cancel);
    }

    private static async Task<Results<Ok<FlyLine>, ValidationProblem, ProblemHttpResult>> Finish(
        int id,
        FinishRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (await OnBench(id, request.Version, db, clock, cancel) is not { } job)
            return Problems.Gone(One);
        var scraps = await ScrapsOf([job], db, cancel);
        if (scraps.Count < job.Pieces.Count)
            return NoPiece();
        if (job.Finish(request.Tag, request.Name, scraps, out var problems) is not { } made)
            return Problems.Invalid(problems);
        if (await db.Lines.AnyAsync(l => l.Tag == made.Tag, cancel))
            return Problems.At("tag", $"Another line already carries the tag {made.Tag}.");
        var line = await db.KeptSet<FlyLine>(clock).KeepAsync(made, made.Tag, cancel);
        await db.KeptSet<CutJob>(clock).KeepAsync(job with { LineId = line.Id }, "This job", cancel);
        foreach (var scrap in scraps.Keys)
            await db.KeptSet<Scrap>(clock).ArchiveAsync(scrap, cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(line);
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Reopen(int id, ZingDb db, TimeProvider clock, CancellationToken cancel)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (await db.KeptSet<CutJob>(clock).FindAsync(id, cancel) is not { } job)
            return Problems.Gone(One);
        if (job.LineId is not { } lineId)
            return TypedResults.Problem(statusCode: 409, title: "This head is on the bench already.");
        foreach (var piece in job.Pieces)
            await db.KeptSet<Scrap>(clock).UnarchiveAsync(piece.ScrapId, cancel);
        await db.KeptSet<FlyLine>(clock).ArchiveAsync(lineId, cancel);
        await db.KeptSet<CutJob>(clock).KeepAsync(job with { LineId = null, TakenApart = [.. job.TakenApart, lineId] }, "This job", cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.NoContent();
    }

    // Archiving a job releases its pieces; unarchiving needs them all. A finished head keeps its pieces, whatever happens to the job.
    private static async Task<string?> JobStays(ZingDb db, int id, bool away, CancellationToken cancel)
    {
        if (await db.CutJobs.IgnoreQueryFilters().AsNoTracking().FirstOrDefaultAsync(j => j.Id == id, cancel) is not { LineId: null } job)
            return null;
        var ids = job.Pieces.Select(p => p.ScrapId).ToList();
        if (away)
        {
            await db.ScrapsInJobs.Where(s => s.JobId == id).ExecuteDeleteAsync(cancel);
            return null;
        }
        if (await db.CutJobs.AnyAsync(j => j.Id == id, cancel))
            return null;
        if (
            await db.ScrapsInJobs.AnyAsync(s => ids.Contains(s.ScrapId), cancel)
            || await db.Scraps.CountAsync(s => ids.Contains(s.Id), cancel) < ids.Count
        )
            return "A piece of this job is elsewhere by now. Plan it anew.";
        await Hold(job, db, cancel);
        return null;
    }

    private static async Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> Keep(
        CutDone done,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        // The job first, so that a second, outdated request is refused before anything else changes.
        var job = await db.KeptSet<CutJob>(clock).KeepAsync(done.Job, "This job", cancel);
        await db.KeptSet<Scrap>(clock).KeepAsync(done.Scrap, done.Scrap.Tag, cancel);
        if (done.CutOff is { } off)
            await db.KeptSet<Scrap>(clock).KeepAsync(off, off.Tag, cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(await Answer(job, db, cancel));
    }

    private static async Task<string> FreeTag(string tag, ZingDb db, CancellationToken cancel)
    {
        var letters = new string([.. tag.TakeWhile(c => !char.IsDigit(c))]) is { Length: > 0 and < 8 } found ? found : "D";
        var taken = (await db.Scraps.Select(s => s.Tag).ToListAsync(cancel)).ToHashSet();
        for (var n = 1; ; n++)
            if (letters + n.ToString(CultureInfo.InvariantCulture) is var free && !taken.Contains(free))
                return free;
    }

    // The job in work in the caller's version; null when there is none; stale when it has changed since.
    private static async Task<CutJob?> OnBench(int id, int version, ZingDb db, TimeProvider clock, CancellationToken cancel)
    {
        var job = await db.KeptSet<CutJob>(clock).FindAsync(id, cancel);
        return job is null || (job.LineId is null && job.Version == version) ? job : throw new StaleException("This job");
    }

    private static async Task<Scrap?> PieceOf(CutJob job, int piece, ZingDb db, CancellationToken cancel)
    {
        if (piece < 0 || piece >= job.Pieces.Count)
            return null;
        var scrapId = job.Pieces[piece].ScrapId;
        return await db.Scraps.AsNoTracking().FirstOrDefaultAsync(s => s.Id == scrapId, cancel);
    }

    private static Task<Dictionary<int, Scrap>> ScrapsOf(IEnumerable<CutJob> jobs, ZingDb db, CancellationToken cancel)
    {
        var ids = jobs.SelectMany(j => j.Pieces).Select(p => p.ScrapId).ToList();
        // Finished jobs still show what they were made of.
        return db.Scraps.IgnoreQueryFilters().AsNoTracking().Where(s => ids.Contains(s.Id)).ToDictionaryAsync(s => s.Id, cancel);
    }

    private static async Task<JobAnswer> Answer(CutJob job, ZingDb db, CancellationToken cancel) =>
        Answer(job, await ScrapsOf([job], db, cancel));

    private static JobAnswer Answer(CutJob job, Dictionary<int, Scrap> scraps) =>
        new(
            job.Id,
            job.Target,
            [.. job.Pieces.Select((p, i) => job.Now(i, scraps[p.ScrapId]))],
            job.Steps,
            job.Version,
            job.BegunAt,
            job.LineId,
            job.AsItLies(scraps)
        );

    // Pieces belong to one job until it is archived; the table's key enforces that.
    private static async Task Hold(CutJob job, ZingDb db, CancellationToken cancel)
    {
        db.ScrapsInJobs.AddRange(job.Pieces.Select(p => new ScrapInJob { ScrapId = p.ScrapId, JobId = job.Id }));
        await db.SaveChangesAsync(cancel);
    }

    private static ProblemHttpResult NoPiece() =>
        TypedResults.Problem(statusCode: 409, title: "That piece is not on the bench any more. Look again before you cut.");
}
