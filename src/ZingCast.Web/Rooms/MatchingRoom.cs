using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A brief to solve against the shed.</summary>
public sealed record SolveRequest(BriefDraft Brief, Pins? Pins = null, IReadOnlyList<string>? Off = null);

public static class MatchingRoom
{
    public static void MapMatching(this WebApplication app) =>
        app.MapPost(
                "/api/matching/solve",
                async Task<Results<Ok<Solution>, ValidationProblem>> (SolveRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var shed = await db.ShedAsync(cancel);
                    var pins = request.Pins ?? Pins.None;
                    if (Brief.Check(request.Brief) is { Count: > 0 } briefProblems)
                        return Problems.Of(briefProblems, "brief.");
                    if (pins.Check(shed) is { Count: > 0 } pinProblems)
                        return Problems.Of(pinProblems);
                    if (Rules.Check(request.Off ?? []) is { Count: > 0 } offProblems)
                        return Problems.Of(offProblems);
                    return TypedResults.Ok(
                        Matcher.Solve(Brief.Complete(request.Brief), shed, pins, (request.Off ?? []).ToHashSet(), cancel: cancel)
                    );
                }
            )
            .WithTags("Matching")
            .WithSummary("From a brief to an outfit with its reasons.")
            .IsHeavy();
}
