using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Briefs;
using ZingCast.Core.Depth;
using ZingCast.Core.Leaders;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Web.Rooms;

/// <summary>A fly to follow down. The leader is the usual one for each density unless a length is given, metres.</summary>
public sealed record DepthRequest(BriefDraft Brief, double TippetM, double? LeaderM = null, DepthWish? Wish = null);

public static class DepthRoom
{
    public static void MapDepth(this IEndpointRouteBuilder app)
    {
        var depth = app.MapGroup("/api/depth").WithTags("Depth");
        depth
            .MapPost(
                "/solve",
                async Task<Results<Ok<DepthAnswer>, ValidationProblem>> (DepthRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var casters = await db.CastersAsync(cancel);
                    var wish = request.Wish ?? new();
                    IReadOnlyList<FieldProblem> wrong =
                    [
                        .. Brief.Check(request.Brief, casters).Select(p => p with { Field = $"brief.{p.Field}" }),
                        .. wish.Check().Select(p => p with { Field = $"wish.{p.Field}" }),
                        .. new FieldCheck()
                            .Within("tippetM", request.TippetM, Tippets.Limits)
                            .Within("leaderM", request.LeaderM, Leader.Lengths)
                            .Problems,
                    ];
                    if (wrong.Count > 0)
                        return Problems.Invalid(wrong);
                    var brief = Brief.Complete(request.Brief, casters);
                    double LeaderOn(string density) => request.LeaderM ?? Matcher.UsualLeaderM(brief, density);
                    return TypedResults.Ok(DepthAnswer.For(brief, wish, LeaderOn, request.TippetM));
                }
            )
            .WithSummary("The fly's way through the water on every density: count-down, depth held, bottom, how far upstream to pitch.");
    }
}
