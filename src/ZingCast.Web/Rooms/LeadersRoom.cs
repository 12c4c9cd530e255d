using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A leader to examine, on this line and rod and for the day of this brief, as far as they are known.</summary>
public sealed record LeaderCheckRequest(Leader Leader, FlyLine? Line = null, Rod? Rod = null, BriefDraft? Brief = null);

/// <summary>A leader to build by a school. Lengths and thicknesses in metres.</summary>
public sealed record LeaderDesignRequest(
    LeaderSchool School,
    double LengthM,
    double LineTipM,
    double TippetM,
    double GuardM = 0,
    LeaderMaterial Guard = LeaderMaterial.Fluorocarbon,
    double? SinkMps = null,
    BriefDraft? Brief = null
);

/// <summary>Leaders to compare on one cast, the current one first.</summary>
public sealed record LeaderTurnoverRequest(BriefDraft Brief, Rod Rod, FlyLine Line, IReadOnlyList<Leader> Leaders);

/// <summary>How each leader turns over.</summary>
public sealed record LeaderTurnoverAnswer(IReadOnlyList<Turnover> Leaders, double Doubt);

/// <summary>Leaders of the shed to tie.</summary>
public sealed record TyingRequest(IReadOnlyList<int> Leaders);

/// <summary>A break test, newtons, with its knot.</summary>
public sealed record BreakRequest(string Knot, double BrokeN) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

public static class LeadersRoom
{
    private const string OneSpool = "a spool of leader material";

    // Usual diameter of a line tip when no line is named, metres; most leaders to compare; most to tie from one list.
    private const double UsualTipM = .001;
    private const int MostCompared = 3,
        MostTied = 40;

    public static void MapLeaders(this IEndpointRouteBuilder app)
    {
        var leaders = app.MapGroup("/api/leaders").WithTags("Leaders");
        leaders
            .MapPost(
                "/check",
                async Task<Results<Ok<LeaderCheck>, ValidationProblem>> (LeaderCheckRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var casters = await db.CastersAsync(cancel);
                    return Wrong(request, casters) is { Count: > 0 } wrong
                        ? Problems.Invalid(wrong)
                        : TypedResults.Ok(LeaderCheck.For(request.Leader, Use(request, casters)));
                }
            )
            .WithSummary("Looks a leader over: joints, weakest link, mass down its length, twist, what stays outside at the net.");
        leaders
            .MapPost(
                "/design",
                async Task<Results<Ok<Leader>, ValidationProblem>> (LeaderDesignRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var wish = new LeaderWish(
                        request.LengthM,
                        request.LineTipM,
                        request.TippetM,
                        request.GuardM,
                        request.Guard,
                        request.SinkMps
                    );
                    var casters = await db.CastersAsync(cancel);
                    IReadOnlyList<FieldProblem> wrong =
                    [
                        .. wish.Check(),
                        .. new FieldCheck().Must("school", Enum.IsDefined(request.School), "Pick one from the list.").Problems,
                        .. request.Brief is { } draft ? Brief.Check(draft, casters).Select(p => p with { Field = $"brief.{p.Field}" }) : [],
                    ];
                    if (wrong.Count > 0)
                        return Problems.Invalid(wrong);
                    var pocket = (await db.ShedAsync(cancel)).LeaderSpools;
                    if (LeaderDesign.For(request.School, wish, pocket) is not { } leader)
                        return Problems.At(
                            "school",
                            "That takes two spools at least, one of them thicker than the tippet. Put in the pocket what you have."
                        );
                    return TypedResults.Ok(request.Brief is { } said ? leader.For(Brief.Complete(said, casters).Fly) : leader);
                }
            )
            .WithSummary("Lays out a leader by a school, from the spools in the pocket where it can.");
        leaders
            .MapPost("/turnover", Compare)
            .WithSummary("Throws the brief's cast with each leader: how it turns over, and how when thrown just as the first.")
            .IsHeavy();
        leaders
            .MapPost(
                "/tying",
                async Task<Results<Ok<TyingList>, ValidationProblem>> (TyingRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var shed = await db.ShedAsync(cancel);
                    var wanted = request.Leaders.Distinct().ToList();
                    var found = wanted.Select(id => shed.Leaders.FirstOrDefault(l => l.Id == id)).OfType<TiedLeader>().ToList();
                    var wrong = new FieldCheck()
                        .Must("leaders", wanted.Count is > 0 and <= MostTied, "Choose one leader or more, up to 40.")
                        .Must("leaders", found.Count == wanted.Count, "One of these leaders is not in the shed any more.")
                        .Problems;
                    return wrong.Count > 0 ? Problems.Invalid(wrong) : TypedResults.Ok(TyingList.For(found, shed.LeaderSpools));
                }
            )
            .WithSummary("What to cut for several leaders, knots and all, and what it takes off each spool.");
        leaders
            .MapPost("/spools/{id:int}/breaks", Broke)
            .WithSummary("Keeps what a tippet broke at in the person's own hands.")
            .Refuses(404, 412);
    }

    private static List<FieldProblem> Wrong(LeaderCheckRequest request, IReadOnlyList<Caster> casters) =>
        [
            .. request.Leader.Check().Select(p => p with { Field = $"leader.{p.Field}" }),
            .. request.Line?.Check().Select(p => p with { Field = $"line.{p.Field}" }) ?? [],
            .. request.Rod?.Check().Select(p => p with { Field = $"rod.{p.Field}" }) ?? [],
            .. request.Brief is { } draft ? Brief.Check(draft, casters).Select(p => p with { Field = $"brief.{p.Field}" }) : [],
        ];

    private static LeaderUse Use(LeaderCheckRequest request, IReadOnlyList<Caster> casters)
    {
        var brief = request.Brief is { } draft ? Brief.Complete(draft, casters) : null;
        var line = request.Line ?? FlyLine.Blank;
        return new(
            request.Line?.TipDiameterM ?? UsualTipM,
            line.CoreN(),
            brief?.Fly,
            request.Rod?.LengthM,
            brief?.Species.Group.Mouth ?? Mouth.Soft,
            brief?.LedClose ?? false
        );
    }

    private static async Task<Results<Ok<LeaderTurnoverAnswer>, ValidationProblem>> Compare(
        LeaderTurnoverRequest request,
        ZingDb db,
        CancellationToken cancel
    )
    {
        var casters = await db.CastersAsync(cancel);
        IReadOnlyList<FieldProblem> wrong =
        [
            .. Brief.Check(request.Brief, casters).Select(p => p with { Field = $"brief.{p.Field}" }),
            .. request.Rod.Check().Select(p => p with { Field = $"rod.{p.Field}" }),
            .. request.Line.Check().Select(p => p with { Field = $"line.{p.Field}" }),
            .. new FieldCheck()
                .Must("leaders", request.Leaders.Count is > 0 and <= MostCompared, "Up to three leaders are compared.")
                .Must(
                    "line.headKg",
                    request.Line.MassKg is not null,
                    "Nobody knows what this line weighs: weigh the head, or give its class."
                )
                .Problems,
            .. request.Leaders.SelectMany(l => l.Check()).Select(p => p with { Field = $"leaders.{p.Field}" }),
        ];
        if (wrong.Count > 0)
            return Problems.Invalid(wrong);
        var brief = Brief.Complete(request.Brief, casters);
        var setups = request.Leaders.Select(l => CastSetup.For(brief, request.Rod, request.Line, l)).ToList();
        return TypedResults.Ok(new LeaderTurnoverAnswer(Turnover.For(setups, brief.DistanceM), brief.ReachShare));
    }

    private static async Task<Results<Ok<LeaderSpool>, ValidationProblem, ProblemHttpResult>> Broke(
        int id,
        BreakRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var shelf = db.KeptSet<LeaderSpool>(clock);
        if (await shelf.FindAsync(id, cancel) is not { } spool)
            return Problems.Gone(OneSpool);
        if (spool.Version != request.Version)
            throw new StaleException(spool.Tag);
        var broke = spool.Broke(new(clock.GetUtcNow().UtcDateTime, request.Knot, request.BrokeN));
        return broke.Check() is { Count: > 0 } wrong
            ? Problems.At("brokeN", wrong[0].Problem)
            : TypedResults.Ok(await shelf.KeepAsync(broke, spool.Tag, cancel));
    }
}
