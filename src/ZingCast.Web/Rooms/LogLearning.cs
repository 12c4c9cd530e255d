using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Logbook;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>Proposals from the log, and what can be practised.</summary>
public sealed record LearningAnswer(
    IReadOnlyList<CasterLearning> Casters,
    IReadOnlyList<RodLearning> Rods,
    IReadOnlyList<PracticeDrill> Drills,
    IReadOnlyList<string> Mind
);

/// <summary>A proposal about a caster, accepted or refused.</summary>
/// <param name="CasterId">The caster.</param>
/// <param name="Accept">Accepted; else refused.</param>
/// <param name="Evidence">How many casts it stood on when it was read.</param>
/// <param name="Name">The person's name, where the casts were logged under a preset.</param>
/// <param name="Briefs">Kept briefs that name the preset name the person from now on.</param>
public sealed record CasterDecision(string CasterId, bool Accept, int Evidence, string? Name = null, bool Briefs = false);

/// <summary>A proposal about a rod, accepted or refused.</summary>
/// <param name="RodId">The rod.</param>
/// <param name="Accept">Accepted; else refused.</param>
/// <param name="Evidence">How many votes it stood on when it was read.</param>
public sealed record RodDecision(int RodId, bool Accept, int Evidence);

/// <summary>A decision, and who it is about.</summary>
public sealed record DecisionAnswer(FitDecision Lesson, string? CasterId);

/// <summary>The part of the logbook that is about casters, and proposals about them and about rods.</summary>
public static class LogLearning
{
    private const string OnePerson = "a caster",
        OneLesson = "a lesson";

    public static void MapLearning(this RouteGroupBuilder log)
    {
        log.MapGet("/learning", Learn).WithSummary("What the log teaches about casters and rods, as proposals.").IsHeavy();
        log.MapPost("/learning/caster", DecideCaster)
            .WithSummary("Accepts or refuses what casts say of a caster.")
            .Refuses(404, 409)
            .IsHeavy();
        log.MapPost("/learning/rod", DecideRod).WithSummary("Accepts or refuses what feeling says of a rod.").Refuses(404, 409).IsHeavy();
        var lessons = log.MapGroup("/lessons");
        lessons
            .MapGet(
                "",
                async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    TypedResults.Ok<IReadOnlyList<FitDecision>>(await db.KeptSet<FitDecision>(clock).ListAsync(cancel))
            )
            .WithSummary("Every lesson that stands: accepted or refused.");
        lessons.MapKept<FitDecision>(OneLesson);

        var people = log.MapGroup("/casters");
        people
            .MapGet(
                "",
                async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    TypedResults.Ok<IReadOnlyList<OwnCaster>>(await db.KeptSet<OwnCaster>(clock).ListAsync(cancel))
            )
            .WithSummary("The people of the house.");
        people
            .MapPost(
                "",
                (OwnCaster person, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Keep(person with { Id = 0, Version = 0 }, db, clock, cancel)
            )
            .WithSummary("Keeps a person who casts.")
            .Refuses(409);
        people
            .MapPut(
                "/{id:int}",
                (int id, OwnCaster person, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Keep(person with { Id = id }, db, clock, cancel)
            )
            .WithSummary("Changes a person who casts.")
            .Refuses(404, 409, 412);
        people.MapKept<OwnCaster>(OnePerson);
    }

    private static async Task<Results<Ok<OwnCaster>, ValidationProblem, ProblemHttpResult>> Keep(
        OwnCaster person,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var shelf = db.KeptSet<OwnCaster>(clock);
        if (person.Id != 0 && await shelf.FindAsync(person.Id, cancel) is null)
            return Problems.Gone(OnePerson);
        if (person.Check() is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        if (await db.People.AnyAsync(p => p.Name == person.Name && p.Id != person.Id, cancel))
            return Problems.At("name", $"There is a {person.Name} already.");
        return TypedResults.Ok(await shelf.KeepAsync(person, person.Name, cancel));
    }

    private static async Task<Learning> LearningAsync(ZingDb db, LogCache desk, CancellationToken cancel) =>
        Learning.From(
            await desk.OutingsAsync(db, cancel),
            await db.EverShedAsync(cancel),
            await db.CastersAsync(cancel),
            await db.People.AsNoTracking().ToListAsync(cancel),
            await db.Lessons.AsNoTracking().ToListAsync(cancel),
            cancel
        );

    private static async Task<Ok<LearningAnswer>> Learn(ZingDb db, LogCache desk, CancellationToken cancel)
    {
        var learning = await LearningAsync(db, desk, cancel);
        return TypedResults.Ok(new LearningAnswer(learning.Casters, learning.Rods, PracticePlan.Drills, PracticePlan.Mind));
    }

    private const string Moved = "More was logged since this was read. Look at it again.";

    private static async Task<Results<Ok<DecisionAnswer>, ValidationProblem, ProblemHttpResult>> DecideCaster(
        CasterDecision decision,
        ZingDb db,
        LogCache desk,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if (
            (await LearningAsync(db, desk, cancel)).Casters.FirstOrDefault(c => c.CasterId == decision.CasterId)
            is not { Fit: { } fit } about
        )
            return TypedResults.Problem(statusCode: 404, title: "Nothing is proposed about that caster.");
        if (about.Casts != decision.Evidence)
            return TypedResults.Problem(statusCode: 409, title: Moved);
        var number = Casters.NumberOf(decision.CasterId);
        if (number is null)
        {
            // Casts logged under a preset belong to somebody: they are moved to the new person, who begins as that preset.
            var kept = await Keep(new OwnCaster { Name = decision.Name ?? "", From = decision.CasterId }, db, clock, cancel);
            if (kept.Result is not Ok<OwnCaster> { Value: { } person })
                return kept.Result is ValidationProblem wrong ? wrong : (ProblemHttpResult)kept.Result;
            number = person.Id;
            await db
                .Outings.Where(o => o.Caster == decision.CasterId)
                .ExecuteUpdateAsync(
                    set => set.SetProperty(o => o.Caster, person.CasterId).SetProperty(o => o.Version, o => o.Version + 1),
                    cancel
                );
            if (decision.Briefs)
                foreach (var brief in await db.Briefs.AsNoTracking().ToListAsync(cancel))
                    if ((brief.Draft.Caster ?? Casters.Usual.Id) == decision.CasterId)
                        await db.KeptSet<SavedBrief>(clock)
                            .KeepAsync(brief with { Draft = brief.Draft with { Caster = person.CasterId } }, "A brief", cancel);
        }
        var lesson = await db.KeptSet<FitDecision>(clock)
            .KeepAsync(
                new()
                {
                    CasterId = number,
                    Accepted = decision.Accept,
                    At = clock.GetUtcNow().UtcDateTime,
                    Evidence = about.Casts,
                    Hand = LearnedHand.From(fit.After),
                },
                "This lesson",
                cancel
            );
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(new DecisionAnswer(lesson, Casters.OwnId(number.Value)));
    }

    private static async Task<Results<Ok<DecisionAnswer>, ValidationProblem, ProblemHttpResult>> DecideRod(
        RodDecision decision,
        ZingDb db,
        LogCache desk,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        if ((await LearningAsync(db, desk, cancel)).Rods.FirstOrDefault(r => r.RodId == decision.RodId) is not { Feel: { } feel } about)
            return TypedResults.Problem(statusCode: 404, title: "Nothing is proposed about that rod.");
        if (about.Votes != decision.Evidence)
            return TypedResults.Problem(statusCode: 409, title: Moved);
        var lesson = await db.KeptSet<FitDecision>(clock)
            .KeepAsync(
                new()
                {
                    RodId = decision.RodId,
                    Accepted = decision.Accept,
                    At = clock.GetUtcNow().UtcDateTime,
                    Evidence = about.Votes,
                    Feel = feel,
                },
                "This lesson",
                cancel
            );
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(new DecisionAnswer(lesson, null));
    }
}
