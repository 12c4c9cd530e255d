using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Store;

namespace ZingCast.Web.Rooms;

/// <summary>A brief in the list.</summary>
public sealed record BriefRow(int Id, string Name, DateTime ChangedAt);

/// <summary>A kept brief, with the version that its entity tag carries.</summary>
public sealed record BriefAnswer(
    int Id,
    string Name,
    BriefDraft Draft,
    Pins Pins,
    IReadOnlyList<string> Off,
    int Version,
    DateTime ChangedAt
);

/// <summary>A brief to keep.</summary>
public sealed record BriefEdit(string Name, BriefDraft Draft, Pins? Pins = null, IReadOnlyList<string>? Off = null);

public static class BriefsRoom
{
    public static void MapBriefs(this WebApplication app)
    {
        var briefs = app.MapGroup("/api/briefs").WithTags("Briefs");

        briefs
            .MapGet(
                "",
                async (ZingDb db, CancellationToken cancel) =>
                    TypedResults.Ok(
                        await db.Briefs.OrderBy(b => b.Id).Select(b => new BriefRow(b.Id, b.Name, b.ChangedAt)).ToListAsync(cancel)
                    )
            )
            .WithSummary("Every brief kept.");

        briefs
            .MapGet(
                "/{id:int}",
                async Task<Results<Ok<BriefAnswer>, ProblemHttpResult>> (
                    int id,
                    ZingDb db,
                    HttpResponse response,
                    CancellationToken cancel
                ) =>
                    await db.Briefs.AsNoTracking().FirstOrDefaultAsync(b => b.Id == id, cancel) is { } brief
                        ? Tagged(brief, response)
                        : Gone()
            )
            .WithSummary("One brief.");

        briefs
            .MapPost(
                "",
                async Task<Results<Ok<BriefAnswer>, ValidationProblem>> (
                    BriefEdit edit,
                    ZingDb db,
                    TimeProvider clock,
                    HttpResponse response,
                    CancellationToken cancel
                ) =>
                {
                    if (await CheckAsync(edit, db, cancel) is { Count: > 0 } problems)
                        return Problems.Of(problems);
                    var brief = new SavedBrief
                    {
                        Name = PlainText.Clean(edit.Name),
                        Draft = edit.Draft,
                        Pins = edit.Pins ?? Pins.None,
                        Off = [.. edit.Off ?? []],
                        ChangedAt = clock.GetUtcNow().UtcDateTime,
                    };
                    db.Briefs.Add(brief);
                    await db.SaveChangesAsync(cancel);
                    return Tagged(brief, response);
                }
            )
            .WithSummary("Keeps a new brief.");

        briefs
            .MapPut(
                "/{id:int}",
                async Task<Results<Ok<BriefAnswer>, ValidationProblem, ProblemHttpResult>> (
                    int id,
                    BriefEdit edit,
                    [FromHeader(Name = "If-Match")] string ifMatch,
                    ZingDb db,
                    TimeProvider clock,
                    HttpResponse response,
                    CancellationToken cancel
                ) =>
                {
                    if (await CheckAsync(edit, db, cancel) is { Count: > 0 } problems)
                        return Problems.Of(problems);
                    if (await db.Briefs.FirstOrDefaultAsync(b => b.Id == id, cancel) is not { } brief)
                        return Gone();
                    if (ifMatch != Tag(brief.Version))
                        return Stale();
                    (brief.Name, brief.Draft, brief.Pins, brief.Off) = (
                        PlainText.Clean(edit.Name),
                        edit.Draft,
                        edit.Pins ?? Pins.None,
                        [.. edit.Off ?? []]
                    );
                    brief.ChangedAt = clock.GetUtcNow().UtcDateTime;
                    try
                    {
                        await db.SaveChangesAsync(cancel);
                    }
                    catch (DbUpdateConcurrencyException)
                    {
                        return Stale();
                    }
                    return Tagged(brief, response);
                }
            )
            .WithSummary("Changes a brief; If-Match holds the entity tag last seen.");

        briefs
            .MapDelete(
                "/{id:int}",
                (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) => Hide(id, clock.GetUtcNow().UtcDateTime, db, cancel)
            )
            .WithSummary("Puts a brief away.");
        briefs
            .MapPost("/{id:int}/restore", (int id, ZingDb db, CancellationToken cancel) => Hide(id, null, db, cancel))
            .WithSummary("Brings a brief back.");
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> Hide(int id, DateTime? at, ZingDb db, CancellationToken cancel) =>
        await db.Briefs.IgnoreQueryFilters().Where(b => b.Id == id).ExecuteUpdateAsync(set => set.SetProperty(b => b.DeletedAt, at), cancel)
        > 0
            ? TypedResults.NoContent()
            : Gone();

    // A pin may point at a piece that was put away since: it is told when the brief is solved, and stays when anything else is changed.
    private static async Task<IReadOnlyList<FieldProblem>> CheckAsync(BriefEdit edit, ZingDb db, CancellationToken cancel)
    {
        var pins = edit.Pins ?? Pins.None;
        var rod = pins.Rod is null || await db.Rods.IgnoreQueryFilters().AnyAsync(r => r.Id == pins.Rod, cancel);
        var line = pins.Line is null || await db.Lines.IgnoreQueryFilters().AnyAsync(l => l.Id == pins.Line, cancel);
        var reel = pins.Reel is null || await db.Reels.IgnoreQueryFilters().AnyAsync(r => r.Id == pins.Reel, cancel);
        return
        [
            .. new FieldCheck().Text("name", PlainText.Clean(edit.Name), 80).Problems,
            .. Brief.Check(edit.Draft).Select(p => p with { Field = $"draft.{p.Field}" }),
            .. pins.Check(_ => rod, _ => line, _ => reel),
            .. Rules.Check(edit.Off ?? []),
        ];
    }

    private static Ok<BriefAnswer> Tagged(SavedBrief brief, HttpResponse response)
    {
        response.Headers.ETag = Tag(brief.Version);
        return TypedResults.Ok(
            new BriefAnswer(
                brief.Id,
                brief.Name,
                brief.Draft,
                brief.Pins,
                [.. brief.Off.Where(id => Rules.Check([id]).Count == 0)],
                brief.Version,
                brief.ChangedAt
            )
        );
    }

    private static string Tag(int version) => $"\"{version}\"";

    private static ProblemHttpResult Gone() => TypedResults.Problem(statusCode: 404, title: "That brief is not here any more.");

    private static ProblemHttpResult Stale() =>
        TypedResults.Problem(statusCode: 412, title: "This brief was changed elsewhere since you opened it.");
}
