using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Measures;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>HTTP endpoints of everything stored: archive, unarchive, list the archived.</summary>
public static class KeptEndpoints
{
    /// <summary>Why a piece cannot be archived or unarchived now; null when it can. May update related things.</summary>
    public delegate Task<string?> Stays(ZingDb db, int id, bool away, CancellationToken cancel);

    /// <param name="things">Where the kind has its addresses.</param>
    /// <param name="one">One of them in words, such as “a rod”.</param>
    /// <param name="stays">What stands in the way.</param>
    public static void MapKept<T>(this RouteGroupBuilder things, string one, Stays? stays = null)
        where T : Kept
    {
        things
            .MapGet(
                "/away",
                Handlers.AtRuntime(
                    async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                        TypedResults.Ok<IReadOnlyList<T>>(await db.KeptSet<T>(clock).ListArchivedAsync(cancel))
                )
            )
            .WithSummary($"What was put away of these, the last first.");
        things
            .MapDelete("/{id:int}", (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) => Move(id, true, db, clock, cancel))
            .WithSummary($"Puts {one} away; it can be brought back.")
            .Refuses(404, 409);
        things
            .MapPost(
                "/{id:int}/restore",
                (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) => Move(id, false, db, clock, cancel)
            )
            .WithSummary($"Brings back {one} that was put away.")
            .Refuses(404, 409);

        async Task<Results<NoContent, ProblemHttpResult>> Move(int id, bool away, ZingDb db, TimeProvider clock, CancellationToken cancel)
        {
            await using var transaction = await db.Database.BeginTransactionAsync(cancel);
            if (stays is not null && await stays(db, id, away, cancel) is { } why)
                return TypedResults.Problem(statusCode: 409, title: why);
            var shelf = db.KeptSet<T>(clock);
            if (!(away ? await shelf.ArchiveAsync(id, cancel) : await shelf.UnarchiveAsync(id, cancel)))
                return Problems.Gone(one);
            await transaction.CommitAsync(cancel);
            return TypedResults.NoContent();
        }
    }

    /// <summary>Documents the refusals of an operation in the API description.</summary>
    public static RouteHandlerBuilder Refuses(this RouteHandlerBuilder operation, params int[] statuses)
    {
        foreach (var status in statuses)
            operation.ProducesProblem(status);
        return operation;
    }
}
