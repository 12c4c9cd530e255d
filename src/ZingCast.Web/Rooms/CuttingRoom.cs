using System.Globalization;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A head to look for in the drawer; with a rod, what each plan makes of it.</summary>
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

/// <summary>The mass a head of this length should have on a rod.</summary>
public sealed record HeadForRod(double MassKg, double WindowClass);

/// <summary>A plan to begin.</summary>
public sealed record BeginRequest(CutTarget Target, IReadOnlyList<CutPiece> Pieces);

/// <summary>What the blade took: of which piece, how much, from which end.</summary>
public sealed record BladeRequest(int Piece, double TakeM, bool Front, int Version);

/// <summary>What the scale said of a piece, kilograms.</summary>
public sealed record PieceWeight(int Piece, double MassKg, double PlusMinusKg, int Version);

/// <summary>The name of the finished head.</summary>
public sealed record FinishRequest(string Tag, string Name, int Version);

/// <summary>What is to be done with a piece now.</summary>
public enum NextMove
{
    /// <summary>Cut it, long.</summary>
    Cut,

    /// <summary>Lay it on the scale.</summary>
    Weigh,

    /// <summary>Nibble a little off.</summary>
    Nibble,

    /// <summary>Nothing more.</summary>
    Done,
}

/// <summary>A piece in work: where it stands and what comes next.</summary>
public sealed record PieceNow(
    CutJobPiece Piece,
    string Name,
    double LengthM,
    double MassKg,
    bool Weighed,
    NextMove Move,
    double TakeM,
    bool Front,
    Sentence Says,
    IReadOnlyList<Stretch> Profile
);

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
);

public static class CuttingRoom
{
    // A full drawer has more ways than anybody waits for.
    private static readonly TimeSpan LongestLook = TimeSpan.FromSeconds(1.2);

    public static void MapCutting(this WebApplication app)
    {
        var lines = app.MapGroup("/api/lines").WithTags("Cutting");

        lines
            .MapPost(
                "/plan",
                async Task<Results<Ok<PlanAnswer>, ValidationProblem>> (
                    PlanRequest request,
                    ZingDb db,
                    TimeProvider clock,
                    CancellationToken cancel
                ) =>
                {
                    if (request.Target.Check() is { Count: > 0 } wrong)
                        return Problems.Of(wrong, "target.");
                    var drawer = await db
                        .Scraps.AsNoTracking()
                        .Where(s => !db.ScrapsInJobs.Any(j => j.ScrapId == s.Id))
                        .OrderBy(s => s.Id)
                        .ToListAsync(cancel);
                    using var enough = new CancellationTokenSource(LongestLook, clock);
                    var (plans, complete) = Cutter.Plan(request.Target, drawer, enough: enough.Token, cancel: cancel);
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

        lines
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
            .WithSummary("How heavy a head of a length should be for a rod.");

        var jobs = lines.MapGroup("/jobs");

        jobs.MapGet(
                "",
                async (ZingDb db, CancellationToken cancel) =>
                {
                    var all = await db.CutJobs.AsNoTracking().OrderByDescending(j => j.Id).Take(50).ToListAsync(cancel);
                    var scraps = await Scraps(all.SelectMany(j => j.Pieces), db, cancel);
                    return TypedResults.Ok<IReadOnlyList<JobAnswer>>([.. all.Select(j => Answer(j, scraps))]);
                }
            )
            .WithSummary("Heads in work and made.");

        jobs.MapPost(
                "",
                async Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> (
                    BeginRequest request,
                    ZingDb db,
                    TimeProvider clock,
                    CancellationToken cancel
                ) =>
                {
                    if (request.Target.Check() is { Count: > 0 } wrong)
                        return Problems.Of(wrong, "target.");
                    var ids = request.Pieces.Select(p => p.ScrapId).ToList();
                    await using var transaction = await db.Database.BeginTransactionAsync(cancel);
                    var scraps = await db.Scraps.AsNoTracking().Where(s => ids.Contains(s.Id)).ToDictionaryAsync(s => s.Id, cancel);
                    if (request.Pieces.Count is < 1 or > 3 || ids.Distinct().Count() != ids.Count || scraps.Count != ids.Count)
                        return Problems.At("pieces", "A plan has one to three different pieces that are in the drawer. Plan again.");
                    if (await db.ScrapsInJobs.AnyAsync(s => ids.Contains(s.ScrapId), cancel))
                        return TypedResults.Problem(statusCode: 409, title: "One of these pieces is on the bench already.");
                    if (
                        request.Pieces.Any(p =>
                            !(p.FromM >= 0 && p.ToM - p.FromM >= Cutter.ShortestM - 1e-9 && p.ToM <= scraps[p.ScrapId].LengthM + 1e-6)
                        )
                    )
                        return Problems.At("pieces", "A piece reaches beyond its scrap. Plan again.");
                    var job = new CutJob
                    {
                        Target = request.Target,
                        Pieces = [.. request.Pieces.Select(p => Begin(p, scraps[p.ScrapId]))],
                        BegunAt = clock.GetUtcNow().UtcDateTime,
                    };
                    db.CutJobs.Add(job);
                    await db.SaveChangesAsync(cancel);
                    await Hold(job, db, cancel);
                    await transaction.CommitAsync(cancel);
                    return TypedResults.Ok(await Answer(job, db, cancel));
                }
            )
            .WithSummary("Takes a plan to the bench. Nothing is cut yet.");

        jobs.MapDelete(
                "/{id:int}",
                async Task<Results<NoContent, ProblemHttpResult>> (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                {
                    await using var transaction = await db.Database.BeginTransactionAsync(cancel);
                    if (await db.CutJobs.IgnoreQueryFilters().FirstOrDefaultAsync(j => j.Id == id, cancel) is not { } job)
                        return Stale();
                    job.DeletedAt ??= clock.GetUtcNow().UtcDateTime;
                    // A finished head keeps its pieces wherever the job itself is.
                    if (job.LineId is null)
                        await db.ScrapsInJobs.Where(s => s.JobId == id).ExecuteDeleteAsync(cancel);
                    await db.SaveChangesAsync(cancel);
                    await transaction.CommitAsync(cancel);
                    return TypedResults.NoContent();
                }
            )
            .WithSummary("Takes a job off the bench; its pieces stay in the drawer as they are now.");
        jobs.MapPost(
                "/{id:int}/restore",
                async Task<Results<NoContent, ProblemHttpResult>> (int id, ZingDb db, CancellationToken cancel) =>
                {
                    await using var transaction = await db.Database.BeginTransactionAsync(cancel);
                    if (await db.CutJobs.IgnoreQueryFilters().FirstOrDefaultAsync(j => j.Id == id, cancel) is not { } job)
                        return Stale();
                    if (job.DeletedAt is null)
                        return TypedResults.NoContent();
                    var ids = job.Pieces.Select(p => p.ScrapId).ToList();
                    if (
                        job.LineId is null
                        && (
                            await db.ScrapsInJobs.AnyAsync(s => ids.Contains(s.ScrapId), cancel)
                            || await db.Scraps.CountAsync(s => ids.Contains(s.Id), cancel) < ids.Count
                        )
                    )
                        return Stale();
                    job.DeletedAt = null;
                    await db.SaveChangesAsync(cancel);
                    if (job.LineId is null)
                        await Hold(job, db, cancel);
                    await transaction.CommitAsync(cancel);
                    return TypedResults.NoContent();
                }
            )
            .WithSummary("Puts a job back on the bench.");

        jobs.MapPost(
                "/{id:int}/blade",
                async Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> (
                    int id,
                    BladeRequest request,
                    ZingDb db,
                    TimeProvider clock,
                    CancellationToken cancel
                ) =>
                {
                    if (await Open(id, request.Version, request.Piece, db, cancel) is not ({ } job, { } scrap, _))
                        return Stale();
                    var now = Now(job, job.Pieces[request.Piece], scrap);
                    if (now.Move is not (NextMove.Cut or NextMove.Nibble))
                        return Problems.At("takeM", now.Move == NextMove.Weigh ? "Weigh it before the next cut." : "This piece is done.");
                    if (request.Front != now.Front)
                        return Problems.At("front", "The next cut belongs to the other end.");
                    // The first cut may go to the planned length itself, at the risk of whoever holds the blade; a nibble never past what
                    // the scale showed.
                    var most =
                        now.Move == NextMove.Nibble ? now.TakeM
                        : request.Front ? now.Piece.FrontM
                        : now.Piece.BackM;
                    if (!(request.TakeM >= Nibble.LeastM - 1e-9 && request.TakeM <= most + 1e-9))
                        return Problems.At(
                            "takeM",
                            $"Between {Nibble.LeastM * 1000:0} mm and {most * 100:0.0} cm: more would go past the mark."
                        );
                    await Cut(job, request, scrap, db, clock, cancel);
                    return await Save(job, db, cancel);
                }
            )
            .WithSummary("Records a cut that was made. The scrap's row follows; a cut-off long enough goes back into the drawer.");

        jobs.MapPost(
                "/{id:int}/weigh",
                async Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> (
                    int id,
                    PieceWeight request,
                    ZingDb db,
                    TimeProvider clock,
                    CancellationToken cancel
                ) =>
                {
                    if (await Open(id, request.Version, request.Piece, db, cancel) is not ({ } job, { } scrap, _))
                        return Stale();
                    if (!(request.MassKg > 0))
                        return Problems.At(
                            "massKg",
                            "Nothing lay on the scale. Tare it empty, lay the piece on it and wait until it settles."
                        );
                    if (!(request.MassKg > .6 * scrap.MassKg && request.MassKg < 1.6 * scrap.MassKg))
                        return Problems.At(
                            "massKg",
                            $"This piece should weigh about {scrap.MassKg * 1000:0.0} g. Is the "
                                + $"right piece on the scale, all of it, and was it tared?"
                        );
                    if (request.PlusMinusKg is not (>= 0 and <= .005))
                        return Problems.At("plusMinusKg", "A scale for this is good to 5 g or better.");
                    var piece = job.Pieces[request.Piece];
                    // What was believed along the piece keeps its shape and takes the scale's mass.
                    var known = scrap with
                    {
                        MassKg = request.MassKg,
                        Measured = scrap.Profile().Weighing(request.MassKg).Stretches,
                    };
                    if (known.Check() is { Count: > 0 } odd)
                        return Problems.Of(odd);
                    db.Scraps.Update(known);
                    job.Steps =
                    [
                        .. job.Steps,
                        new(clock.GetUtcNow().UtcDateTime, piece.Tag, 0, scrap.LengthM, request.MassKg, PlusMinusKg: request.PlusMinusKg),
                    ];
                    if (piece is { FrontM: 0, BackM: 0 })
                        job.Pieces = Changed(
                            job,
                            request.Piece,
                            piece with
                            {
                                Done =
                                    piece.Done
                                    || Nibble
                                        .After(known.Profile(), piece.NibbleFront, piece.PlannedKg, request.MassKg, request.PlusMinusKg)
                                        .Done,
                            }
                        );
                    return await Save(job, db, cancel);
                }
            )
            .WithSummary("Records a weighing; says how much more to take.");

        jobs.MapPost(
                "/{id:int}/finish",
                async Task<Results<Ok<FlyLine>, ValidationProblem, ProblemHttpResult>> (
                    int id,
                    FinishRequest request,
                    ZingDb db,
                    TimeProvider clock,
                    CancellationToken cancel
                ) =>
                {
                    await using var transaction = await db.Database.BeginTransactionAsync(cancel);
                    if (
                        await db.CutJobs.FirstOrDefaultAsync(j => j.Id == id, cancel) is not { LineId: null } job
                        || job.Version != request.Version
                    )
                        return Stale();
                    if (job.Pieces.Any(p => p.FrontM > 0 || p.BackM > 0))
                        return Problems.At("tag", "There is still a piece to cut.");
                    var scraps = await Scraps(job.Pieces, db, cancel);
                    if (scraps.Count < job.Pieces.Count)
                        return Stale();
                    var profile = Cutter.Join([
                        .. job.Pieces.Select(p => scraps[p.ScrapId].Profile().Part(0, scraps[p.ScrapId].LengthM, p.Turned)),
                    ]);
                    var body = scraps[job.Pieces[^1].ScrapId];
                    var line = new FlyLine
                    {
                        Tag = request.Tag,
                        Name = request.Name,
                        LengthM = profile.LengthM,
                        HeadM = profile.LengthM,
                        Build = Build.ShootingHead,
                        Density = body.Density,
                        Note = $"made of {string.Join(", ", job.Pieces.Select(p => p.Tag))}",
                    }.With(profile, profile.LengthM, .005);
                    if (line.Check() is { Count: > 0 } wrong)
                        return Problems.Of(wrong);
                    if (await db.Lines.AnyAsync(l => l.Tag == line.Tag, cancel))
                        return Problems.At("tag", $"Another line already carries the tag {line.Tag}.");
                    db.Lines.Add(line);
                    await db.SaveChangesAsync(cancel);
                    job.LineId = line.Id;
                    foreach (var scrap in scraps.Values)
                        db.Entry(db.Scraps.Attach(scrap).Entity).Property(ZingDb.DeletedAt).CurrentValue = clock.GetUtcNow().UtcDateTime;
                    await db.SaveChangesAsync(cancel);
                    await transaction.CommitAsync(cancel);
                    return TypedResults.Ok(line);
                }
            )
            .WithSummary("The joined head goes into the shed as a line; its pieces leave the drawer.");

        jobs.MapPost(
                "/{id:int}/reopen",
                async Task<Results<NoContent, ProblemHttpResult>> (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                {
                    await using var transaction = await db.Database.BeginTransactionAsync(cancel);
                    if (await db.CutJobs.FirstOrDefaultAsync(j => j.Id == id, cancel) is not { LineId: { } lineId } job)
                        return Stale();
                    var ids = job.Pieces.Select(p => p.ScrapId).ToList();
                    await db
                        .Scraps.IgnoreQueryFilters()
                        .Where(s => ids.Contains(s.Id))
                        .ExecuteUpdateAsync(
                            set => set.SetProperty(s => EF.Property<DateTime?>(s, ZingDb.DeletedAt), (DateTime?)null),
                            cancel
                        );
                    await db
                        .Lines.Where(l => l.Id == lineId)
                        .ExecuteUpdateAsync(
                            set => set.SetProperty(l => EF.Property<DateTime?>(l, ZingDb.DeletedAt), clock.GetUtcNow().UtcDateTime),
                            cancel
                        );
                    (job.LineId, job.TakenApart) = (null, [.. job.TakenApart, lineId]);
                    await db.SaveChangesAsync(cancel);
                    await transaction.CommitAsync(cancel);
                    return TypedResults.NoContent();
                }
            )
            .WithSummary("Takes a finished head apart again on paper: its pieces are back on the bench, the line is put away.");
    }

    private static CutJobPiece Begin(CutPiece p, Scrap scrap)
    {
        var whole = scrap.Profile();
        double front = p.FromM < 1e-6 ? 0 : p.FromM,
            back = whole.LengthM - p.ToM < 1e-6 ? 0 : whole.LengthM - p.ToM;
        // With both ends to cut, the front is cut to length and the back is nibbled. What is no longer than the allowance is nibbled from
        // the start.
        var (nibbleFront, enough) = (front > 0 && back == 0, Nibble.AllowanceM + .05);
        return new(
            scrap.Id,
            scrap.Tag,
            nibbleFront && front <= enough ? 0 : front,
            back <= enough ? 0 : back,
            p.ToM - p.FromM,
            whole.MassKg(p.ToM) - whole.MassKg(p.FromM),
            p.Turned,
            nibbleFront,
            front == 0 && back == 0
        );
    }

    private static PieceNow Now(CutJob job, CutJobPiece piece, Scrap scrap)
    {
        var profile = scrap.Profile();
        var last = job.Steps.LastOrDefault(s => s.Tag == piece.Tag);
        PieceNow Is(NextMove move, double takeM, bool front, Sentence says) =>
            new(
                piece,
                scrap.Name,
                scrap.LengthM,
                scrap.MassKg,
                job.Steps.Any(s => s.Tag == piece.Tag && s.MassKg is not null),
                move,
                takeM,
                front,
                says,
                profile.Stretches
            );
        string End(bool front) => front ? "front" : "back";
        if (piece.Done)
            return Is(
                NextMove.Done,
                0,
                piece.NibbleFront,
                last is not null
                    ? (Sentence)$"Done: {Quantity.Length(scrap.LengthM)}, {Quantity.LineMass(scrap.MassKg)}"
                    : $"Goes in whole: {Quantity.Length(scrap.LengthM)}, {Quantity.LineMass(scrap.MassKg)}"
            );
        var exactFront = piece is { FrontM: > 0, NibbleFront: false };
        if (exactFront)
            return Is(NextMove.Cut, piece.FrontM, true, $"Cut {Quantity.Length(piece.FrontM)} off the front");
        var toGo = piece.NibbleFront ? piece.FrontM : piece.BackM;
        if (toGo > Nibble.AllowanceM + .05)
            return Is(
                NextMove.Cut,
                toGo - Nibble.AllowanceM,
                piece.NibbleFront,
                $"Cut {Quantity.Length(toGo - Nibble.AllowanceM)} off the {End(piece.NibbleFront)}: "
                    + $"{Quantity.Length(Nibble.AllowanceM)} longer than planned, for the scale to decide"
            );
        if (last is not { MassKg: { } weighed })
            return Is(NextMove.Weigh, 0, piece.NibbleFront, $"Lay {piece.Tag} on the scale, all of it");
        var nibble = Nibble.After(profile, piece.NibbleFront, piece.PlannedKg, weighed, last.PlusMinusKg);
        return Is(nibble.Done ? NextMove.Done : NextMove.Nibble, nibble.TakeM, piece.NibbleFront, nibble.Says);
    }

    private static async Task Cut(CutJob job, BladeRequest request, Scrap scrap, ZingDb db, TimeProvider clock, CancellationToken cancel)
    {
        var piece = job.Pieces[request.Piece];
        var (a, b) = request.Front ? (request.TakeM, scrap.LengthM) : (0, scrap.LengthM - request.TakeM);
        string? keptAs = null;
        if (request.TakeM >= Scrap.ShortestM)
        {
            keptAs = await FreeTag(scrap.Tag, db, cancel);
            var off = request.Front ? scrap.Between(0, request.TakeM) : scrap.Between(b, scrap.LengthM);
            db.Scraps.Add(
                off with
                {
                    Id = 0,
                    Tag = keptAs,
                    Name =
                        $"{(request.Front ? "front" : "end")} of {scrap.Tag}, {scrap.Name}" is var name && name.Length > 80
                            ? name[..80]
                            : name,
                    Note = null,
                }
            );
        }
        db.Scraps.Update(scrap.Between(a, b));
        job.Steps = [.. job.Steps, new(clock.GetUtcNow().UtcDateTime, piece.Tag, request.TakeM, b - a, null, keptAs)];
        // A first cut on this end is over once the blade has been through; what is left over is the scale's to decide.
        job.Pieces = Changed(job, request.Piece, request.Front ? piece with { FrontM = 0 } : piece with { BackM = 0 });
    }

    private static List<CutJobPiece> Changed(CutJob job, int index, CutJobPiece piece) =>
        [.. job.Pieces.Select((p, i) => i == index ? piece : p)];

    private static async Task<string> FreeTag(string tag, ZingDb db, CancellationToken cancel)
    {
        var letters = new string([.. tag.TakeWhile(c => !char.IsDigit(c))]) is { Length: > 0 and < 8 } found ? found : "D";
        var taken = (await db.Scraps.Select(s => s.Tag).ToListAsync(cancel)).ToHashSet();
        for (var n = 1; ; n++)
            if (letters + n.ToString(CultureInfo.InvariantCulture) is var free && !taken.Contains(free))
                return free;
    }

    private static async Task<(CutJob Job, Scrap Scrap, int)?> Open(int id, int version, int piece, ZingDb db, CancellationToken cancel) =>
        await db.CutJobs.FirstOrDefaultAsync(j => j.Id == id, cancel) is { LineId: null } job
        && job.Version == version
        && piece >= 0
        && piece < job.Pieces.Count
        && await db.Scraps.AsNoTracking().FirstOrDefaultAsync(s => s.Id == job.Pieces[piece].ScrapId, cancel) is { } scrap
            ? (job, scrap, piece)
            : null;

    private static async Task<Results<Ok<JobAnswer>, ValidationProblem, ProblemHttpResult>> Save(
        CutJob job,
        ZingDb db,
        CancellationToken cancel
    )
    {
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            return Stale();
        }
        return TypedResults.Ok(await Answer(job, db, cancel));
    }

    private static Task<Dictionary<int, Scrap>> Scraps(IEnumerable<CutJobPiece> pieces, ZingDb db, CancellationToken cancel)
    {
        var ids = pieces.Select(p => p.ScrapId).ToList();
        // Finished jobs still show what they were made of.
        return db.Scraps.IgnoreQueryFilters().AsNoTracking().Where(s => ids.Contains(s.Id)).ToDictionaryAsync(s => s.Id, cancel);
    }

    private static async Task<JobAnswer> Answer(CutJob job, ZingDb db, CancellationToken cancel) =>
        Answer(job, await Scraps(job.Pieces, db, cancel));

    private static JobAnswer Answer(CutJob job, Dictionary<int, Scrap> scraps)
    {
        var now = Cutter.Judge(
            job.Target,
            [.. job.Pieces.Select(p => new CutPiece(p.ScrapId, 0, scraps[p.ScrapId].LengthM, p.Turned))],
            job.Pieces.ToDictionary(p => p.ScrapId, p => scraps[p.ScrapId].Profile())
        );
        return new(
            job.Id,
            job.Target,
            [.. job.Pieces.Select(p => Now(job, p, scraps[p.ScrapId]))],
            job.Steps,
            job.Version,
            job.BegunAt,
            job.LineId,
            now
        );
    }

    // The pieces of a job are its own until it is taken off the bench; the key of the table lets no other job have them.
    private static async Task Hold(CutJob job, ZingDb db, CancellationToken cancel)
    {
        db.ScrapsInJobs.AddRange(job.Pieces.Select(p => new ScrapInJob { ScrapId = p.ScrapId, JobId = job.Id }));
        await db.SaveChangesAsync(cancel);
    }

    private static ProblemHttpResult Stale() =>
        TypedResults.Problem(
            statusCode: 409,
            title: "This job was changed elsewhere, or is not on the bench any more. Look again before you cut."
        );
}
