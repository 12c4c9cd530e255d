using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Briefs;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Trips;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>Rows of a spreadsheet; bare numbers are read in metric or trade units.</summary>
public sealed record PasteRequest(string Text, bool Metric = false);

/// <summary>Result of reading the rows, before or after they are stored.</summary>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines.</param>
/// <param name="Reels">Reels.</param>
/// <param name="Faults">What cannot be, by row and column; with any, nothing is kept.</param>
/// <param name="Columns">Names of the columns there are.</param>
public sealed record PasteAnswer(
    IReadOnlyList<Rod> Rods,
    IReadOnlyList<FlyLine> Lines,
    IReadOnlyList<Reel> Reels,
    IReadOnlyList<CsvFault> Faults,
    IReadOnlyList<string> Columns
);

/// <summary>Views of the whole shed: what goes with what, what it can do, and gear pasted in bulk.</summary>
public static class ShedLooks
{
    public static void MapShedLooks(this IEndpointRouteBuilder app)
    {
        var shed = app.MapGroup("/api/shed").WithTags("Shed");
        shed.MapGet("/matrix", async (ZingDb db, CancellationToken cancel) => TypedResults.Ok(ShedMatrix.From(await db.ShedAsync(cancel))))
            .WithSummary("Which line goes with which rod: load, what feels best and how well, so ordered that pairs stand together.");
        shed.MapGet(
                "/matrix/{rodId:int}/{lineId:int}",
                async Task<Results<Ok<RodSuits>, ProblemHttpResult>> (int rodId, int lineId, ZingDb db, CancellationToken cancel) =>
                    await db.Rods.AsNoTracking().FirstOrDefaultAsync(r => r.Id == rodId, cancel) is { } rod
                    && await db.Lines.AsNoTracking().FirstOrDefaultAsync(l => l.Id == lineId, cancel) is { } line
                    && LineSuits.On(line, rod) is { } suits
                        ? TypedResults.Ok(suits)
                        : Problems.Gone("a pair")
            )
            .WithSummary("The reason of one cell of the matrix.")
            .Refuses(404);
        shed.MapGet(
                "/review",
                async Task<Results<Ok<ShedReview>, ValidationProblem>> (
                    double? budget,
                    double? rodPrice,
                    double? linePrice,
                    double? reelPrice,
                    ZingDb db,
                    TripSearches searches,
                    CancellationToken cancel
                ) =>
                {
                    var usual = new TripLimits();
                    var limits = usual with
                    {
                        Budget = budget,
                        RodPrice = rodPrice ?? usual.RodPrice,
                        LinePrice = linePrice ?? usual.LinePrice,
                        ReelPrice = reelPrice ?? usual.ReelPrice,
                    };
                    if (limits.Check() is { Count: > 0 } problems)
                        return Problems.Invalid(problems);
                    var casters = await db.CastersAsync(cancel);
                    var briefs = await db.Briefs.AsNoTracking().OrderBy(b => b.Id).Take(Trip.MaxDays).ToListAsync(cancel);
                    return TypedResults.Ok(
                        await searches.AskAsync<ShedReview>(
                            [.. briefs.Select(b => new TripDay(b.Name, Brief.Complete(b.Draft, casters)))],
                            await db.ShedAsync(cancel),
                            true,
                            limits,
                            (scores, soFar) => ShedReview.From(scores, limits, soFar),
                            cancel
                        )
                    );
                }
            )
            .WithSummary("What the shed can do for the kept briefs, what is missing, and which single purchase opens most days; so far.")
            .EndsAtClosing();
        shed.MapPost(
                "/paste/look",
                (PasteRequest pasted, ZingDb db, TimeProvider clock, CancellationToken cancel) => Paste(pasted, false, db, clock, cancel)
            )
            .WithSummary("What rows of a spreadsheet would come to; keeps nothing.");
        shed.MapPost(
                "/paste",
                (PasteRequest pasted, ZingDb db, TimeProvider clock, CancellationToken cancel) => Paste(pasted, true, db, clock, cancel)
            )
            .WithSummary("Keeps every row of a spreadsheet, or none where any has a fault.")
            .Refuses(409);
        foreach (var (name, pick) in Sheets)
            shed.MapGet(
                    $"/{name}.csv",
                    async (ZingDb db, CancellationToken cancel) =>
                        LogbookRoom.Sheet(GearPaste.Write(pick(await db.ShedAsync(cancel))), name)
                )
                .WithSummary($"The {name} of the shed as CSV, in the columns that are pasted.");
        shed.MapPost("/paste/undo", Undo).WithSummary("Puts away together what was pasted together.");
    }

    private static readonly (string Name, Func<GearShed, IReadOnlyList<Gear>> Pick)[] Sheets =
    [
        ("rods", s => s.Rods),
        ("lines", s => s.Lines),
        ("reels", s => s.Reels),
    ];

    private static async Task<Results<Ok<PasteAnswer>, ValidationProblem>> Paste(
        PasteRequest pasted,
        bool keep,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (pasted.Text.Length > GearPaste.Longest)
            return Problems.At("text", $"More than {GearPaste.Longest / 1000} kB; paste a part of it.");
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var today = DateOnly.FromDateTime(clock.GetLocalNow().Date);
        var read = GearPaste.Read(pasted.Text, await db.ShedAsync(cancel), pasted.Metric, today);
        if (keep && read.Faults.Count == 0)
        {
            db.Rods.AddRange(read.Rods);
            db.Lines.AddRange(read.Lines);
            db.Reels.AddRange(read.Reels);
            await db.SaveChangesAsync(cancel);
            await transaction.CommitAsync(cancel);
        }
        return TypedResults.Ok(new PasteAnswer(read.Rods, read.Lines, read.Reels, read.Faults, GearPaste.ColumnNames));
    }

    private static async Task<Results<NoContent, ValidationProblem>> Undo(
        Pieces pasted,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (new[] { pasted.Rods, pasted.Lines, pasted.Reels }.Sum(ids => ids.Count) > GearPaste.MostRows)
            return Problems.At("rods", "So many were never pasted together.");
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        foreach (var id in pasted.Rods)
            await db.KeptSet<Rod>(clock).ArchiveAsync(id, cancel);
        foreach (var id in pasted.Lines)
            await db.KeptSet<FlyLine>(clock).ArchiveAsync(id, cancel);
        foreach (var id in pasted.Reels)
            await db.KeptSet<Reel>(clock).ArchiveAsync(id, cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.NoContent();
    }
}
