using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rigging;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A knot in the book.</summary>
public sealed record KnotRow(Knot Knot, string For, int Steps);

/// <summary>A knot, and how it is tied.</summary>
public sealed record KnotAnswer(Knot Knot, KnotLesson Lesson, Source Source);

/// <summary>An outfit to assemble: that of a brief, under its name.</summary>
public sealed record RigRequest(string Name, SolveRequest Solve);

/// <summary>The current step, done.</summary>
public sealed record TickRequest(string Step) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>The last step, undone.</summary>
public sealed record UntickRequest() : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>State of a rigging ticket.</summary>
/// <param name="Id">Identity.</param>
/// <param name="Version">Version.</param>
/// <param name="Name">What it is for.</param>
/// <param name="Plan">What is put together.</param>
/// <param name="Steps">All steps.</param>
/// <param name="At">The step at hand; the number of steps when all are done.</param>
/// <param name="BegunAt">When it was begun.</param>
public sealed record RigAnswer(int Id, int Version, string Name, RigPlan Plan, IReadOnlyList<RigStep> Steps, int At, DateTime BegunAt)
    : IVersioned;

public static class RiggingRoom
{
    private const string OneTicket = "a rigging ticket";

    // Most tickets listed.
    private const int MostTickets = 50;

    public static void MapRigging(this IEndpointRouteBuilder app)
    {
        var rigging = app.MapGroup("/api/rigging").WithTags("Rigging");
        rigging
            .MapGet(
                "/knots",
                () =>
                    TypedResults.Ok<IReadOnlyList<KnotRow>>([
                        .. KnotLessons.Rows.Select(l => new KnotRow(Knots.Get(l.Id), l.For, l.Steps.Count)),
                    ])
            )
            .WithSummary("The knots, from the drum to the fly.");
        rigging
            .MapGet(
                "/knots/{id}",
                Results<Ok<KnotAnswer>, ProblemHttpResult> (string id) =>
                    Knots.Find(id) is { } knot
                        ? TypedResults.Ok(new KnotAnswer(knot, KnotLessons.Get(id), Knots.Source))
                        : Problems.Gone("a knot")
            )
            .WithSummary("How a knot is tied, step by step: its strands, and who passes over whom.")
            .Refuses(404);

        var tickets = rigging.MapGroup("/tickets");
        tickets
            .MapGet(
                "",
                async (ZingDb db, CancellationToken cancel) =>
                {
                    var all = await db.RigTickets.AsNoTracking().OrderByDescending(t => t.Id).Take(MostTickets).ToListAsync(cancel);
                    return TypedResults.Ok<IReadOnlyList<RigAnswer>>([.. all.Select(Answer)]);
                }
            )
            .WithSummary("Outfits in work and rigged, the last first.");
        tickets
            .MapGet(
                "/{id:int}",
                async Task<Results<Ok<RigAnswer>, ProblemHttpResult>> (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    await db.KeptSet<RigTicket>(clock).FindAsync(id, cancel) is { } ticket
                        ? TypedResults.Ok(Answer(ticket))
                        : Problems.Gone(OneTicket)
            )
            .WithSummary("A rigging ticket as it stands.")
            .Refuses(404);
        tickets.MapPost("", Begin).WithSummary("Writes a ticket for the outfit of a brief. Nothing is tied yet.").IsHeavy();
        tickets
            .MapPost(
                "/{id:int}/tick",
                (int id, TickRequest request, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Move(
                        id,
                        request.Version,
                        t => t.Tick(request.Step, clock.GetUtcNow().UtcDateTime),
                        new("step", "Another step is at hand: one after the other, the hook last."),
                        db,
                        clock,
                        cancel
                    )
            )
            .WithSummary("Ticks the step at hand off.")
            .Refuses(404, 412);
        tickets
            .MapPost(
                "/{id:int}/untick",
                (int id, UntickRequest request, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Move(id, request.Version, t => t.Untick(), new("version", "Nothing was done on it yet."), db, clock, cancel)
            )
            .WithSummary("Takes the last tick back.")
            .Refuses(404, 412);
        tickets.MapKept<RigTicket>(OneTicket);
    }

    private static RigAnswer Answer(RigTicket ticket) =>
        new(ticket.Id, ticket.Version, ticket.Name, ticket.Plan, ticket.Steps, ticket.Done.Count, ticket.BegunAt);

    private static async Task<Results<Ok<RigAnswer>, ValidationProblem>> Begin(
        RigRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var (shed, casters) = (await db.ShedAsync(cancel), await db.CastersAsync(cancel));
        if (request.Solve.Check(shed, casters) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong.Select(p => p with { Field = $"solve.{p.Field}" }));
        var brief = Brief.Complete(request.Solve.Brief, casters);
        var choice = Matcher.For(brief, shed, request.Solve.LeftOut, cancel).Choose(request.Solve.Held);
        var ticket = new RigTicket
        {
            Name = request.Name,
            Plan = choice.Outfit.ToRig(brief, shed),
            BegunAt = clock.GetUtcNow().UtcDateTime,
        };
        return ticket.Check() is { Count: > 0 } odd
            ? Problems.Invalid(odd)
            : TypedResults.Ok(Answer(await db.KeptSet<RigTicket>(clock).KeepAsync(ticket, "This ticket", cancel)));
    }

    private static async Task<Results<Ok<RigAnswer>, ValidationProblem, ProblemHttpResult>> Move(
        int id,
        int version,
        Func<RigTicket, RigTicket?> move,
        FieldProblem otherwise,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var shelf = db.KeptSet<RigTicket>(clock);
        if (await shelf.FindAsync(id, cancel) is not { } ticket)
            return Problems.Gone(OneTicket);
        if (ticket.Version != version)
            throw new StaleException("This ticket");
        return move(ticket) is { } next
            ? TypedResults.Ok(Answer(await shelf.KeepAsync(next, "This ticket", cancel)))
            : Problems.Invalid([otherwise]);
    }
}
