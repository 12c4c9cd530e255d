using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A cast to simulate: day and fly from the brief, with this rod, line and leader. Gusts are wind speeds at 10 m, m/s.</summary>
public sealed record CastRequest(BriefDraft Brief, Rod Rod, FlyLine Line, Leader Leader, Spread? Gusts = null);

/// <summary>The cast with everything a drawing of it needs.</summary>
/// <param name="Reach">Farthest reach, metres, with how far it may be off.</param>
/// <param name="Doubt">How far any computed reach may be off, as a share of it.</param>
/// <param name="WithInHandM">The wanted distance and a tenth, metres: what a class should reach.</param>
/// <param name="InHandM">Distance in hand, metres; negative when short.</param>
/// <param name="Can">The wanted distance is reached.</param>
/// <param name="Cast">The cast made for the wanted distance, or the farthest.</param>
/// <param name="Farthest">The farthest cast.</param>
/// <param name="Says">What binds the farthest cast.</param>
/// <param name="Moments">The cast moment by moment.</param>
/// <param name="Joules">Where the energy went.</param>
/// <param name="LoopM">Height of the loop, metres.</param>
/// <param name="TipHeightM">Rod tip above the water, metres.</param>
/// <param name="LeaderM">Leader, metres.</param>
/// <param name="HeadM">Head, metres.</param>
/// <param name="MostCarryM">Most line that can be held in the air, metres.</param>
/// <param name="HeadwindMps">Wind in the face, m/s.</param>
/// <param name="Gusts">What the gusts do, when they were given.</param>
public sealed record CastAnswer(
    Quantity Reach,
    double Doubt,
    double WithInHandM,
    double InHandM,
    bool Can,
    CastResult Cast,
    CastResult Farthest,
    string Says,
    IReadOnlyList<CastMoment> Moments,
    EnergyBudget Joules,
    double LoopM,
    double TipHeightM,
    double LeaderM,
    double HeadM,
    double MostCarryM,
    double HeadwindMps,
    GustAnswer? Gusts
);

/// <summary>Effect of gusts on a cast.</summary>
/// <param name="HeadwindMps">Wind in the face between lull and gust, m/s; negative from behind.</param>
/// <param name="ReachM">Farthest reach in the worse and in the better of the two, metres.</param>
public sealed record GustAnswer(Spread HeadwindMps, Spread ReachM);

/// <summary>Axes of a map.</summary>
public enum MapKind
{
    /// <summary>This outfit over wind in the face: one row.</summary>
    Wind,

    /// <summary>Matched outfits: class down, wind in the face across.</summary>
    ClassByWind,

    /// <summary>This outfit: line held in the air down, line speed across.</summary>
    CarryBySpeed,
}

/// <summary>A map to compute.</summary>
public sealed record MapRequest(MapKind Kind, BriefDraft Brief, Rod Rod, FlyLine Line, Leader Leader);

/// <summary>What would help, best first, and advice without a number.</summary>
public sealed record GainsAnswer(Quantity Reach, IReadOnlyList<ReachGain> Gains, IReadOnlyList<string> Always);

public static class CastingRoom
{
    // The axes of the maps: whole classes, metres a second.
    private static readonly IReadOnlyList<double> Classes = CastMaps.Steps(1, 15, 15),
        Winds = CastMaps.Steps(-5, 14, 20),
        FineWinds = CastMaps.Steps(-8, 16, 25);

    public static void MapCasting(this IEndpointRouteBuilder app)
    {
        var casting = app.MapGroup("/api/casting").WithTags("Casting");

        casting
            .MapPost(
                "/reach",
                async Task<Results<Ok<CastAnswer>, ValidationProblem>> (CastRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var casters = await db.CastersAsync(cancel);
                    if (Check(request.Brief, request.Rod, request.Line, request.Leader, casters) is { Count: > 0 } problems)
                        return Problems.Invalid(problems);
                    if (
                        request.Gusts is { } g
                        && !(g.Low >= BriefLimits.Handled.WindMps.Low && g.Low <= g.High && g.High <= BriefLimits.Handled.WindMps.High)
                    )
                        return Problems.At("gusts", "Gusts run from a lull to a higher speed, up to 40 m/s (78 kn).");
                    var brief = Brief.Complete(request.Brief, casters);
                    var setup = CastSetup.For(brief, request.Rod, request.Line, request.Leader);
                    var answer = CastSearch.Reach(setup, brief.DistanceM);
                    List<CastMoment> moments = [];
                    var shown = answer.Cast;
                    CastEngine.Throw(setup, shown.CarryM, shown.AngleRad, shown.ShotM, 1, moments, out var joules);
                    var gusts = request.Gusts is { } spread
                        ? Gusting(InWind(spread.Low), InWind(spread.High), answer.Farthest.ReachM)
                        : null;
                    return TypedResults.Ok(
                        new CastAnswer(
                            brief.Reach(answer.Farthest.ReachM),
                            brief.ReachShare,
                            (1 + ClassCurve.InHand) * brief.DistanceM,
                            answer.InHandM,
                            answer.Can,
                            shown,
                            answer.Farthest,
                            Limits.Words(answer.Farthest.Limit),
                            moments,
                            joules,
                            CastEngine.Launch(setup, shown.CarryM).LoopM,
                            setup.Day.TipHeightM,
                            setup.Line.LeaderM,
                            setup.HeadM,
                            setup.MostCarryM,
                            brief.HeadwindMps,
                            gusts
                        )
                    );

                    (double FaceMps, double ReachM) InWind(double mps)
                    {
                        var blown = Brief.Complete(request.Brief with { WindMps = mps }, casters);
                        return (
                            blown.HeadwindMps,
                            CastSearch.Farthest(setup.In(CastDay.Felt(blown.HeadwindMps), blown.FromRightMps)).ReachM
                        );
                    }

                    // A light tail wind helps and a strong one does not: the stated wind may be better than both lull and gust.
                    static GustAnswer Gusting((double FaceMps, double ReachM) lull, (double FaceMps, double ReachM) gust, double meanM) =>
                        new(
                            Spread.Between(lull.FaceMps, gust.FaceMps),
                            new(Math.Min(meanM, Math.Min(lull.ReachM, gust.ReachM)), Math.Max(meanM, Math.Max(lull.ReachM, gust.ReachM)))
                        );
                }
            )
            .WithSummary("Throws a brief's cast with one outfit: reach, margins, every moment, where the energy went.")
            .IsHeavy();

        casting
            .MapPost(
                "/map",
                async Task<Results<Ok<CastMap>, ValidationProblem>> (MapRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var casters = await db.CastersAsync(cancel);
                    if (Check(request.Brief, request.Rod, request.Line, request.Leader, casters) is { Count: > 0 } problems)
                        return Problems.Invalid(problems);
                    var brief = Brief.Complete(request.Brief, casters);
                    var setup = CastSetup.For(brief, request.Rod, request.Line, request.Leader);
                    return TypedResults.Ok(
                        request.Kind switch
                        {
                            MapKind.Wind => new CastMap([request.Rod.Class ?? 0], FineWinds, [CastMaps.ByWind(setup, FineWinds, cancel)]),
                            MapKind.ClassByWind => CastMaps.ClassByWind(Matched(brief, request.Leader.TippetM), Classes, Winds, cancel),
                            _ => CastMaps.CarryBySpeed(
                                setup,
                                CastMaps.Steps(4, setup.MostCarryM + 2, 12),
                                CastMaps.Steps(10, 40, 16),
                                cancel
                            ),
                        }
                    );
                }
            )
            .WithSummary("Reach over wind, over class and wind, or over carry and line speed. Stops when the caller goes away.")
            .IsHeavy();

        casting
            .MapPost(
                "/gains",
                async Task<Results<Ok<GainsAnswer>, ValidationProblem>> (SolveRequest request, ZingDb db, CancellationToken cancel) =>
                {
                    var (shed, casters) = (await db.ShedAsync(cancel), await db.CastersAsync(cancel));
                    if (request.Check(shed, casters) is { Count: > 0 } problems)
                        return Problems.Invalid(problems);
                    var (reach, gains) = ReachGains.Rank(request.Brief, shed, request.Held, request.LeftOut, casters, cancel);
                    return TypedResults.Ok(new GainsAnswer(reach, gains, ReachGains.Always));
                }
            )
            .WithSummary("What a person could change, ranked by the distance it gives; each change solved in full.")
            .IsHeavy();
    }

    private static Func<double, CastSetup> Matched(Brief brief, double tippetM)
    {
        var tackle = Tackle.For(brief, tippetM);
        return c => tackle.Setup(brief, c);
    }

    private static IReadOnlyList<FieldProblem> Check(BriefDraft brief, Rod rod, FlyLine line, Leader leader, IReadOnlyList<Caster> casters)
    {
        static IEnumerable<FieldProblem> Under(string name, IReadOnlyList<FieldProblem> problems) =>
            problems.Select(p => p with { Field = $"{name}.{p.Field}" });
        return
        [
            .. Under("brief", Brief.Check(brief, casters)),
            .. Under("rod", rod.Check()),
            .. Under("line", line.Check()),
            .. Under("leader", leader.Check()),
            .. line.MassKg is null
                ? [new FieldProblem("line.headKg", "Nobody knows what this line weighs: weigh the head, or give its class.")]
                : Array.Empty<FieldProblem>(),
        ];
    }
}
