using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A brief to solve with the shed.</summary>
public sealed record SolveRequest(BriefDraft Brief, Pins? Pins = null, IReadOnlyList<string>? Off = null)
{
    internal Pins Held => Pins ?? Core.Matching.Pins.None;

    internal IReadOnlySet<string> LeftOut => (Off ?? []).ToHashSet();

    /// <summary>What is wrong, field by field.</summary>
    internal IReadOnlyList<FieldProblem> Check(GearShed shed, IReadOnlyList<Caster> casters) =>
        [
            .. Core.Briefs.Brief.Check(Brief, casters).Select(p => p with { Field = $"brief.{p.Field}" }),
            .. Held.Check(shed),
            .. Rules.Check(Off ?? []),
        ];
}

/// <summary>Which link's alternatives to list.</summary>
public sealed record CandidatesRequest(LinkId Link, BriefDraft Brief, Pins? Pins = null, IReadOnlyList<string>? Off = null);

public static class MatchingRoom
{
    public static void MapMatching(this IEndpointRouteBuilder app)
    {
        var matching = app.MapGroup("/api/matching").WithTags("Matching");
        matching
            .MapPost(
                "/solve",
                async Task<Results<Ok<Solution>, ValidationProblem>> (SolveRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var (shed, casters) = (await db.ShedAsync(cancel), await db.CastersAsync(cancel));
                    return request.Check(shed, casters) is { Count: > 0 } problems
                        ? Problems.Invalid(problems)
                        : TypedResults.Ok(
                            Matcher
                                .Solve(Brief.Complete(request.Brief, casters), shed, request.Held, request.LeftOut, cancel: cancel)
                                .WithPresses(request.Brief, request.Held)
                        );
                }
            )
            .WithSummary("From a brief to an outfit with its reasons.")
            .IsHeavy();
        matching
            .MapPost(
                "/candidates",
                async Task<Results<Ok<IReadOnlyList<Candidate>>, ValidationProblem>> (
                    CandidatesRequest request,
                    ZingDb db,
                    CancellationToken cancel
                ) =>
                {
                    var (shed, casters) = (await db.ShedAsync(cancel), await db.CastersAsync(cancel));
                    var asked = new SolveRequest(request.Brief, request.Pins, request.Off);
                    if (asked.Check(shed, casters) is { Count: > 0 } problems)
                        return Problems.Invalid(problems);
                    var session = Matcher.For(Brief.Complete(asked.Brief, casters), shed, asked.LeftOut, cancel);
                    return TypedResults.Ok(session.Candidates(session.Choose(asked.Held), request.Link));
                }
            )
            .WithSummary("Every piece of the shed that could take a link's place in the outfit, best first.")
            .IsHeavy();
    }
}
