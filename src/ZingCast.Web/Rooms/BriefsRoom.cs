using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A brief in the list.</summary>
public sealed record BriefRow(int Id, string Name, DateTime ChangedAt);

/// <summary>A stored brief, with the version of its entity tag.</summary>
public sealed record BriefAnswer(
    int Id,
    string Name,
    BriefDraft Draft,
    Pins Pins,
    IReadOnlyList<string> Off,
    int Version,
    DateTime ChangedAt
) : IVersioned;

/// <summary>Outcome of a stored brief in one line of the list.</summary>
/// <param name="Verdict">The worst of its links.</param>
/// <param name="Class">The class aimed for.</param>
/// <param name="Rod">Rod in shop words.</param>
/// <param name="Line">Line in shop words.</param>
/// <param name="Reach">How far it gets of what is wanted.</param>
public sealed record BriefOutcome(Verdict Verdict, Figure Class, CardLine Rod, CardLine Line, Sentence Reach);

/// <summary>A brief to store.</summary>
public sealed record BriefEdit(string Name, BriefDraft Draft, Pins? Pins = null, IReadOnlyList<string>? Off = null);

public static class BriefsRoom
{
    public static void MapBriefs(this IEndpointRouteBuilder app)
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
                async Task<Results<Ok<BriefAnswer>, ProblemHttpResult>> (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    await db.KeptSet<SavedBrief>(clock).FindAsync(id, cancel) is { } brief ? Answer(brief) : Problems.Gone(One)
            )
            .WithSummary("One brief.")
            .Refuses(404);

        briefs
            .MapGet(
                "/{id:int}/outcome",
                async Task<Results<Ok<BriefOutcome>, ValidationProblem, ProblemHttpResult>> (
                    int id,
                    ZingDb db,
                    TimeProvider clock,
                    CancellationToken cancel
                ) =>
                {
                    if (await db.KeptSet<SavedBrief>(clock).FindAsync(id, cancel) is not { } brief)
                        return Problems.Gone(One);
                    var (shed, casters) = (await db.ShedAsync(cancel), await db.CastersAsync(cancel));
                    // A pinned piece may have been archived since.
                    var asked = new SolveRequest(brief.Draft, brief.Pins, KnownOff(brief));
                    if (asked.Check(shed, casters) is { Count: > 0 } problems)
                        return Problems.Invalid(problems);
                    var session = Matcher.For(Brief.Complete(asked.Brief, casters), shed, asked.LeftOut, cancel);
                    var answer = session.Explain(session.Choose(asked.Held));
                    CardLine Row(LinkId link) => answer.Card.Lines.First(l => l.Link == link);
                    return TypedResults.Ok(
                        new BriefOutcome(
                            answer.Chain.Max(l => l.Verdict),
                            answer.Class.Aim,
                            Row(LinkId.Rod),
                            Row(LinkId.Head),
                            answer.Card.Reach
                        )
                    );
                }
            )
            .WithSummary("What a brief comes to against the shed as it is now, in short.")
            .Refuses(404)
            .IsHeavy();

        briefs
            .MapPost("", (BriefEdit edit, ZingDb db, TimeProvider clock, CancellationToken cancel) => Keep(edit, 0, 0, db, clock, cancel))
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
                    CancellationToken cancel
                ) =>
                {
                    if (await db.KeptSet<SavedBrief>(clock).FindAsync(id, cancel) is not { } brief)
                        return Problems.Gone(One);
                    if (ifMatch != EntityTags.For(brief.Version))
                        throw new StaleException("This brief");
                    return await Keep(edit, id, brief.Version, db, clock, cancel);
                }
            )
            .WithSummary("Changes a brief; If-Match holds the entity tag last seen.")
            .Refuses(404, 412);

        briefs.MapKept<SavedBrief>(One);
    }

    private const string One = "a brief";

    private static async Task<Results<Ok<BriefAnswer>, ValidationProblem, ProblemHttpResult>> Keep(
        BriefEdit edit,
        int id,
        int version,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var brief = new SavedBrief
        {
            Id = id,
            Version = version,
            Name = edit.Name,
            Draft = edit.Draft,
            Pins = edit.Pins ?? Pins.None,
            Off = edit.Off ?? [],
            ChangedAt = clock.GetUtcNow().UtcDateTime,
        };
        var casters = await db.CastersAsync(cancel);
        IReadOnlyList<FieldProblem> problems =
        [
            .. brief.Check(),
            .. Brief.Check(brief.Draft, casters).Select(p => p with { Field = $"draft.{p.Field}" }),
            .. await db.CheckAsync(brief.Pins, cancel),
        ];
        return problems.Count > 0
            ? Problems.Invalid(problems.Distinct())
            : Answer(await db.KeptSet<SavedBrief>(clock).KeepAsync(brief, "This brief", cancel));
    }

    private static Ok<BriefAnswer> Answer(SavedBrief brief) =>
        TypedResults.Ok(new BriefAnswer(brief.Id, brief.Name, brief.Draft, brief.Pins, KnownOff(brief), brief.Version, brief.ChangedAt));

    // A rule that no longer exists cannot be left out.
    private static IReadOnlyList<string> KnownOff(SavedBrief brief) => [.. brief.Off.Where(id => Rules.Check([id]).Count == 0)];
}
