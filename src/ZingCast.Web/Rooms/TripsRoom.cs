using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Briefs;
using ZingCast.Core.Care;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;
using ZingCast.Core.Trips;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>Days to choose a kit for.</summary>
/// <param name="Days">Kept briefs, or days said here.</param>
/// <param name="Limits">What may come along.</param>
/// <param name="Held">Pieces that come along whatever the days say.</param>
/// <param name="Further">Also the next best kits, what each rod adds and what each limit costs.</param>
public sealed record TripRequest(IReadOnlyList<PlannedDay> Days, TripLimits? Limits = null, Pieces? Held = null, bool Further = true);

/// <summary>A trip with its kit, and what to pack, wind and tie for it.</summary>
public sealed record PackingAnswer(Trip Trip, TripPlan Plan, PackingList List);

/// <summary>An item to tick or untick, when packing or when leaving the water.</summary>
public sealed record PackRequest(string Key, bool On, bool Leaving = false);

public static class TripsRoom
{
    private const string One = "a trip";

    public static void MapTrips(this IEndpointRouteBuilder app)
    {
        var trips = app.MapGroup("/api/trips").WithTags("Trips");
        trips
            .MapGet(
                "",
                async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    TypedResults.Ok<IReadOnlyList<Trip>>(await db.KeptSet<Trip>(clock).ListAsync(cancel))
            )
            .WithSummary("Every trip kept.");
        trips
            .MapGet(
                "/{id:int}",
                async Task<Results<Ok<Trip>, ProblemHttpResult>> (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    await db.KeptSet<Trip>(clock).FindAsync(id, cancel) is { } trip ? TypedResults.Ok(trip) : Problems.Gone(One)
            )
            .WithSummary("One trip.")
            .Refuses(404);
        trips
            .MapPost(
                "",
                (Trip trip, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Keep(trip with { Id = 0, Version = 0 }, db, clock, cancel)
            )
            .WithSummary("Keeps a new trip.");
        trips
            .MapPut(
                "/{id:int}",
                (int id, Trip trip, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Keep(trip with { Id = id }, db, clock, cancel)
            )
            .WithSummary("Changes a trip; refused when it has moved on since the version it carries.")
            .Refuses(404, 412);
        trips
            .MapPost("/solve", Solve)
            .WithSummary("The kit that serves the days best within limits; after two seconds the best so far. Ask again to have it go on.")
            .EndsAtClosing();
        trips
            .MapGet("/{id:int}/packing", Pack)
            .WithSummary("What to take, wind and tie for a trip, and when.")
            .Refuses(404)
            .EndsAtClosing();
        trips.MapPost("/{id:int}/packed", Tick).WithSummary("Ticks a thing off the packing list, or takes the tick back.").Refuses(404);
        trips
            .MapGet("/{id:int}/calendar.ics", Calendar)
            .WithSummary("The timetable of a trip as iCalendar.")
            .Refuses(404, 409)
            .EndsAtClosing();
        trips
            .MapPost("/first", First)
            .WithSummary("The one rod, line and reel for somebody who owns nothing, from the fish they hope for.")
            .IsHeavy();
        trips.MapKept<Trip>(One);
    }

    private static async Task<Results<Ok<Trip>, ValidationProblem, ProblemHttpResult>> Keep(
        Trip trip,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var shelf = db.KeptSet<Trip>(clock);
        if (trip.Id != 0 && await shelf.FindAsync(trip.Id, cancel) is null)
            return Problems.Gone(One);
        IReadOnlyList<FieldProblem> problems = [.. trip.Check(), .. await Unknown(trip.Days, db, cancel)];
        return problems.Count > 0 ? Problems.Invalid(problems) : TypedResults.Ok(await shelf.KeepAsync(trip, "This trip", cancel));
    }

    // An archived brief still counts as a day; one that never existed does not. Likewise casters.
    private static async Task<IReadOnlyList<FieldProblem>> Unknown(IReadOnlyList<PlannedDay> days, ZingDb db, CancellationToken cancel)
    {
        var known = await db.Briefs.IgnoreQueryFilters().Select(b => b.Id).ToListAsync(cancel);
        var casters = await db.CastersAsync(cancel);
        return
        [
            .. days.Index()
                .Where(d => d.Item.Draft?.Caster is { } id && Casters.CouldBe(id) && casters.All(c => c.Id != id))
                .Select(d => new FieldProblem($"days[{d.Index}].draft.caster", "That caster is not here any more.")),
            .. days.Index()
                .Where(d => d.Item.BriefId is { } id && !known.Contains(id))
                .Select(d => new FieldProblem($"days[{d.Index}].briefId", "That brief is not here any more.")),
        ];
    }

    private static async Task<IReadOnlyList<TripDay>> DaysOf(IReadOnlyList<PlannedDay> days, ZingDb db, CancellationToken cancel)
    {
        var ids = days.Select(d => d.BriefId).OfType<int>().ToList();
        var casters = await db.CastersAsync(cancel);
        var briefs = await db
            .Briefs.IgnoreQueryFilters()
            .AsNoTracking()
            .Where(b => ids.Contains(b.Id))
            .ToDictionaryAsync(b => b.Id, cancel);
        return
        [
            // A brief that was set aside is dropped.
            .. days.Where(d => d.BriefId is not { } of || briefs.ContainsKey(of))
                .Select(d =>
                    d.BriefId is { } id
                        ? new TripDay(briefs[id].Name, Brief.Complete(briefs[id].Draft, casters), d.Times, d.Regret)
                        : new TripDay(d.Name!, Brief.Complete(d.Draft!, casters), d.Times, d.Regret)
                ),
        ];
    }

    private static Trip Asked(TripRequest request) =>
        new()
        {
            Name = "asked",
            Days = request.Days,
            Limits = request.Limits ?? new(),
            Held = request.Held ?? Pieces.None,
        };

    private static async Task<Results<Ok<TripPlan>, ValidationProblem>> Solve(
        TripRequest request,
        ZingDb db,
        TripSearches searches,
        CancellationToken cancel
    )
    {
        var trip = Asked(request);
        IReadOnlyList<FieldProblem> problems = [.. trip.Check(), .. await Unknown(trip.Days, db, cancel)];
        return problems.Count > 0
            ? Problems.Invalid(problems)
            : TypedResults.Ok(await PlanOf(trip, request.Further, null, db, searches, (_, plan) => plan, cancel));
    }

    // Archived pieces cannot be packed.
    private static async Task<T> PlanOf<T>(
        Trip trip,
        bool further,
        object? more,
        ZingDb db,
        TripSearches searches,
        Func<TripScores, TripPlan, T> answer,
        CancellationToken cancel
    )
        where T : class
    {
        var shed = await db.ShedAsync(cancel);
        var held = new Pieces(
            [.. trip.Held.Rods.Where(id => shed.Rods.Any(r => r.Id == id))],
            [.. trip.Held.Lines.Where(id => shed.Lines.Any(l => l.Id == id))],
            [.. trip.Held.Reels.Where(id => shed.Reels.Any(r => r.Id == id))]
        );
        return await searches.AskAsync<T>(
            await DaysOf(trip.Days, db, cancel),
            shed,
            trip.Limits.Budget > 0,
            new
            {
                trip.Limits,
                held,
                further,
                more,
            },
            (scores, soFar) => answer(scores, TripPlan.For(scores, trip.Limits, held, further, plan => soFar(answer(scores, plan)))),
            cancel
        );
    }

    private static async Task<Results<Ok<PackingAnswer>, ProblemHttpResult>> Pack(
        int id,
        ZingDb db,
        TripSearches searches,
        LogCache log,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await db.KeptSet<Trip>(clock).FindAsync(id, cancel) is not { } trip)
            return Problems.Gone(One);
        return TypedResults.Ok(await PackingOf(trip, await CareRoom.ListAsync(db, log, clock, cancel), db, searches, cancel));
    }

    private static Task<PackingAnswer> PackingOf(Trip trip, CareList care, ZingDb db, TripSearches searches, CancellationToken cancel) =>
        PlanOf(
            trip,
            false,
            new { trip, care },
            db,
            searches,
            (scores, plan) => new PackingAnswer(trip, plan, PackingList.For(scores, plan, trip.LeavesOn, care)),
            cancel
        );

    private static async Task<Results<Ok<Trip>, ValidationProblem, ProblemHttpResult>> Tick(
        int id,
        PackRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var shelf = db.KeptSet<Trip>(clock);
        // A tick is independent of others: when two come at once, the later is applied to the new version.
        for (var tries = 1; ; tries++)
        {
            if (await shelf.FindAsync(id, cancel) is not { } trip)
                return Problems.Gone(One);
            var ticked = request.Leaving
                ? trip with
                {
                    Back = Trip.With(trip.Back, request.Key, request.On),
                }
                : trip.Pack(request.Key, request.On);
            if (ticked.Check() is { Count: > 0 } problems)
                return Problems.Invalid(problems);
            try
            {
                return TypedResults.Ok(await shelf.KeepAsync(ticked, "This trip", cancel));
            }
            catch (StaleException) when (tries < MaxTries)
            {
                db.ChangeTracker.Clear();
            }
        }
    }

    private const int MaxTries = 8;

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> Calendar(
        int id,
        ZingDb db,
        TripSearches searches,
        LogCache log,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (await db.KeptSet<Trip>(clock).FindAsync(id, cancel) is not { } trip)
            return Problems.Gone(One);
        if (trip.LeavesOn is null)
            return TypedResults.Problem(statusCode: 409, title: "Say first on which day you leave.");
        var care = await CareRoom.ListAsync(db, log, clock, cancel);
        // A page polls while the search goes on; a file is read once, so it waits for the end.
        PackingAnswer packing;
        do packing = await PackingOf(trip, care, db, searches, cancel);
        while (packing.Plan.Searching is not null);
        var text = DayCalendar.Write(
            $"trip-{trip.Id}",
            [.. packing.List.Tasks.Select(t => (t.Key, t.On!.Value, $"{trip.Name}: {t.Says}"))],
            clock.GetUtcNow().UtcDateTime
        );
        return TypedResults.File(System.Text.Encoding.UTF8.GetBytes(text), "text/calendar; charset=utf-8", "trip.ics");
    }

    private static Results<Ok<FirstOutfit>, ValidationProblem> First(FirstWish wish, CancellationToken cancel) =>
        wish.Check() is { Count: > 0 } problems ? Problems.Invalid(problems) : TypedResults.Ok(FirstOutfit.For(wish, cancel));
}
