using System.Diagnostics.CodeAnalysis;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A bend test to evaluate. Calibration by name; the usual table when none is named.</summary>
public sealed record FitRequest(double RodLengthM, BendTest Test);

/// <summary>A rod to bend.</summary>
/// <param name="Rod">A bend-tested rod.</param>
/// <param name="PullN">A fish's pull, newtons.</param>
/// <param name="AngleDeg">Angle between butt and pull, degrees.</param>
/// <param name="SurgeM">What the fish takes on a locked line, metres.</param>
/// <param name="TippetM">Tippet diameter, metres.</param>
/// <param name="Line">Line whose casting load is shown, when there is one.</param>
/// <param name="CarryM">Line held in the air, metres.</param>
/// <param name="CasterId">Who casts.</param>
public sealed record BendRequest(
    Rod Rod,
    double PullN,
    double AngleDeg,
    double SurgeM = .5,
    double? TippetM = null,
    FlyLine? Line = null,
    double CarryM = Exact.ThirtyFeetM,
    string CasterId = "club"
)
{
    internal FightLoad Fight => new(PullN, AngleDeg, SurgeM, TippetM);
}

/// <summary>A rod bent.</summary>
/// <param name="Straight">At rest: the length free to bend, metres.</param>
/// <param name="HeldM">What the hand or clamp holds, metres.</param>
/// <param name="Fish">Under the fish.</param>
/// <param name="Usual">Under one, two and four pounds at the same angle.</param>
/// <param name="Cast">In the middle of a stroke, when a line was given.</param>
/// <param name="ReachLostM">How far the tip has come in, metres.</param>
/// <param name="HandNm">What a hand holds for minutes, N·m, least and most.</param>
/// <param name="HandMostN">Pull a hand can keep up for minutes at this angle, newtons, least and most.</param>
/// <param name="SurgeN">Pull after the surge, newtons; null when the rod has not that much to give.</param>
/// <param name="KnottedN">What the knotted tippet stands, newtons, when a tippet was given.</param>
/// <param name="Breaks">The surge is more than the tippet stands, or than the rod can give way to.</param>
/// <param name="Says">What it feels like.</param>
/// <param name="SurgeSays">What the surge does to the tippet.</param>
/// <param name="CastSays">Where the pull in the stroke comes from.</param>
public sealed record BendAnswer(
    double Straight,
    double HeldM,
    Bend Fish,
    IReadOnlyList<Bend> Usual,
    Bend? Cast,
    double ReachLostM,
    Spread HandNm,
    Spread HandMostN,
    double? SurgeN,
    double? KnottedN,
    bool Breaks,
    Sentence Says,
    Sentence SurgeSays,
    Sentence CastSays
);

/// <summary>
/// A rod to balance with a reel, its backing and a line, this many metres of which hang outside the tip. Backing by kind and length,
/// metres.
/// </summary>
public sealed record BalanceRequest(
    Rod Rod,
    RodBalance Balance,
    Reel? Reel = null,
    FlyLine? Line = null,
    double OutsideM = 10,
    double CastsADay = 400,
    double StrokesACast = 4,
    string? Backing = null,
    double BackingM = 0
);

/// <summary>How it balances, and what hangs on it.</summary>
public sealed record BalanceAnswer(Balanced Balance, RodLoad Load);

public static class RodsRoom
{
    public static void MapRods(this IEndpointRouteBuilder app)
    {
        var rods = app.MapGroup("/api/rods").WithTags("Rods");

        rods.MapGet(
                "/calibrations",
                async (ZingDb db, CancellationToken cancel) =>
                    TypedResults.Ok<IReadOnlyList<Calibration>>([
                        Calibration.Usual,
                        .. await db.Calibrations.AsNoTracking().OrderBy(c => c.Id).ToListAsync(cancel),
                    ])
            )
            .WithSummary("Tables from bend-test weight to measured class; the first ships with Zing Cast.");

        rods.MapGet("/checklist", () => TypedResults.Ok(Inspection.Checklist)).WithSummary("What to look at on a rod.");

        rods.MapPost("/fit", FitTest).WithSummary("Works out a bend test: class with tolerance, tip angle, bend model.").IsHeavy();

        rods.MapPost("/{id:int}/test", KeepTest)
            .WithSummary("Keeps a bend test with the rod; its measured class and action follow.")
            .Refuses(404, 412)
            .IsHeavy();

        rods.MapPost("/bend", Bend).WithSummary("Bends a tested rod under a fish and under a line's casting load.");

        rods.MapPost("/balance", Weigh).WithSummary("Balance, swing weight, the reel that balances, a day's arm work.");

        rods.MapPost("/{id:int}/balance", KeepBalance).WithSummary("Keeps balance and swing with the rod.").Refuses(404, 412);

        rods.MapPost("/{id:int}/inspections", KeepInspection).WithSummary("Keeps a dated inspection with the rod.").Refuses(404, 412);
    }

    private static async Task<Results<Ok<BendFit>, ValidationProblem>> FitTest(FitRequest request, ZingDb db, CancellationToken cancel)
    {
        if (new FieldCheck().Within("rodLengthM", request.RodLengthM, Rod.Lengths).Problems is { Count: > 0 } invalid)
            return Problems.Invalid(invalid);
        if (request.Test.Check(request.RodLengthM) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong, "test.");
        if (await Table(request.Test, db, cancel) is not { } table)
            return NoTable();
        return BendFit.From(request.RodLengthM, request.Test, table, out var problems) is { } fit
            ? TypedResults.Ok(fit)
            : Problems.Invalid(problems, "test.");
    }

    private static async Task<Results<Ok<Rod>, ValidationProblem, ProblemHttpResult>> KeepTest(
        int id,
        BendTest test,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await Find(id, db, clock, cancel) is not { } rod)
            return Gone();
        if (test.Check(rod.LengthM) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong, "test.");
        if (await Table(test, db, cancel) is not { } table)
            return NoTable();
        var dated = test with { On = test.On ?? Today(clock), Calibration = table.Name };
        if (new FieldCheck().Day("on", dated.On, Today(clock)).Problems is { Count: > 0 } wrongDay)
            return Problems.Invalid(wrongDay, "test.");
        return BendFit.From(rod.LengthM, dated, table, out var problems) is { } fit
            ? await Keep(rod.Tested(dated, fit), db, clock, cancel)
            : Problems.Invalid(problems, "test.");
    }

    private static async Task<Results<Ok<BendAnswer>, ValidationProblem>> Bend(BendRequest request, ZingDb db, CancellationToken cancel)
    {
        var caster = (await db.CastersAsync(cancel)).FirstOrDefault(c => c.Id == request.CasterId);
        if (request.Rod.Check() is { Count: > 0 } wrong)
            return Problems.Invalid(wrong, "rod.");
        if (request.Rod.Bend is not { } model)
            return Problems.At("rod.bend", "This rod was never bend-tested: nobody knows how it bends.");
        IReadOnlyList<FieldProblem> problems =
        [
            .. request.Fight.Check(),
            .. new FieldCheck()
                .Range("carryM", request.CarryM, 1, 40, "Between 1 and 40 m are held in the air.")
                .Must("casterId", caster is not null, "Pick a caster from the list.")
                .Problems,
        ];
        if (problems.Count > 0)
            return Problems.Invalid(problems);
        if (request.Line?.Check() is { Count: > 0 } badLine)
            return Problems.Invalid(badLine, "line.");
        return TypedResults.Ok(Bent(request, model, caster!));
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private static Results<Ok<BalanceAnswer>, ValidationProblem> Weigh(BalanceRequest request)
    {
        if (BalanceProblems(request.Rod, request.Balance) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        if (request.Reel?.Check() is { Count: > 0 } badReel)
            return Problems.Invalid(badReel, "reel.");
        if (request.Line?.Check() is { Count: > 0 } badLine)
            return Problems.Invalid(badLine, "line.");
        if (request.OutsideM is not (>= 0 and <= 40))
            return Problems.At("outsideM", "Up to 40 m hang outside.");
        var backing = Backings.Find(request.Backing);
        var backed = new FieldCheck()
            .Must("backing", request.Backing is null || backing is not null, "Pick a backing from the list.")
            .Within("backingM", request.BackingM, Backings.Lengths)
            .Problems;
        if (backed.Count > 0)
            return Problems.Invalid(backed);
        // Line outside the tip is not on the reel.
        var outside = request.Line?.MassWithinKg(request.OutsideM) ?? 0;
        var load = new RodLoad(
            (request.Reel?.MassKg ?? 0)
                + (request.Line?.MassWithinKg(request.Line.LengthM) ?? 0)
                - outside
                + (backing?.KgPerM ?? 0) * request.BackingM,
            outside,
            request.CastsADay,
            request.StrokesACast
        );
        return load.Check() is { Count: > 0 } invalid
            ? Problems.Invalid(invalid)
            : TypedResults.Ok(new BalanceAnswer(Balanced.For(request.Rod, request.Balance, load), load));
    }

    private static async Task<Results<Ok<Rod>, ValidationProblem, ProblemHttpResult>> KeepBalance(
        int id,
        RodBalance balance,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        await Find(id, db, clock, cancel) is not { } rod ? Gone()
        : BalanceProblems(rod, balance) is { Count: > 0 } wrong ? Problems.Invalid(wrong)
        : await Keep(rod with { Balance = balance }, db, clock, cancel);

    private static async Task<Results<Ok<Rod>, ValidationProblem, ProblemHttpResult>> KeepInspection(
        int id,
        Inspection inspection,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        await Find(id, db, clock, cancel) is not { } rod ? Gone()
        : inspection.Check(Today(clock)) is { Count: > 0 } wrong ? Problems.Invalid(wrong)
        : rod.Inspections.Count >= Rod.MaxInspections ? Problems.At("on", $"A rod keeps {Rod.MaxInspections} inspections at most.")
        : await Keep(rod with { Inspections = [.. rod.Inspections.Append(inspection).OrderByDescending(i => i.On)] }, db, clock, cancel);

    private static BendAnswer Bent(BendRequest request, BendModel model, Caster caster)
    {
        var fight = Fight.For(model, request.Fight);
        var cast = request.Line is { MassKg: not null } line
            ? model.Under(CastingPull.Newtons(request.Rod, line, caster, request.CarryM), Math.PI / 2)
            : null;
        return new(
            model.LengthM,
            request.Rod.LengthM - model.LengthM,
            fight.Fish,
            fight.Usual,
            cast,
            fight.ReachLostM,
            Fight.HandNm,
            fight.HandMostN,
            fight.SurgeN,
            fight.KnottedN,
            fight.Breaks,
            fight.Says,
            fight.SurgeSays,
            CastingPull.Describe(caster)
        );
    }

    // The balance in question replaces the stored one.
    private static IReadOnlyList<FieldProblem> BalanceProblems(Rod rod, RodBalance balance) =>
        (rod with { Balance = null }).Check() is { Count: > 0 } invalid
            ? [.. invalid.Select(p => p with { Field = $"rod.{p.Field}" })]
            : [.. balance.Check(rod).Select(p => p with { Field = $"balance.{p.Field}" })];

    private static DateOnly Today(TimeProvider clock) => DateOnly.FromDateTime(clock.GetLocalNow().Date);

    private static async Task<Calibration?> Table(BendTest test, ZingDb db, CancellationToken cancel) =>
        test.Calibration is null || test.Calibration == Calibration.Usual.Name
            ? Calibration.Usual
            : await db.Calibrations.AsNoTracking().FirstOrDefaultAsync(c => c.Name == test.Calibration, cancel);

    private static ValidationProblem NoTable() => Problems.At("test.calibration", "That calibration is not here any more. Pick another.");

    private static Task<Rod?> Find(int id, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
        db.KeptSet<Rod>(clock).FindAsync(id, cancel);

    private static async Task<Ok<Rod>> Keep(Rod rod, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
        TypedResults.Ok(await db.KeptSet<Rod>(clock).KeepAsync(rod, rod.Tag, cancel));

    private static ProblemHttpResult Gone() => TypedResults.Problem(statusCode: 404, title: "That rod is not in the shed any more.");
}
