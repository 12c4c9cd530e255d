using System.Threading.RateLimiting;

namespace ZingCast.Web.Hosting;

/// <summary>
/// Searches and maps that keep every core busy: a few at a time, the rest wait their turn, and all of it ends when nobody waits for it
/// any more or the server is stopping.
/// </summary>
public static class HeavyWork
{
    // Dragging asks a few times a second and leaves what it asked before; a queue longer than this is no person's doing.
    private const int Waiting = 64;

    private sealed class Ends
    {
        public static readonly Ends Mark = new();
    }

    /// <summary>Holds the turns of one server.</summary>
    public sealed class Turns : IDisposable
    {
        private readonly ConcurrencyLimiter limiter = new(
            new()
            {
                PermitLimit = Math.Max(2, Environment.ProcessorCount),
                QueueLimit = Waiting,
                QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
            }
        );

        public ValueTask<RateLimitLease> NextAsync(CancellationToken cancel) => limiter.AcquireAsync(1, cancel);

        public void Dispose() => limiter.Dispose();
    }

    /// <summary>What is heavy is given up when the server stops as well as when its caller goes.</summary>
    public static void EndHeavyWorkAtClosing(this WebApplication app)
    {
        var closing = app.Lifetime.ApplicationStopping;
        app.Use(
            async (context, next) =>
            {
                if (context.GetEndpoint()?.Metadata.GetMetadata<Ends>() is null)
                {
                    await next(context);
                    return;
                }
                var gone = context.RequestAborted;
                using var either = CancellationTokenSource.CreateLinkedTokenSource(gone, closing);
                context.RequestAborted = either.Token;
                try
                {
                    await next(context);
                }
                finally
                {
                    // Whoever still waits is there to be told; only who went away is not.
                    context.RequestAborted = gone;
                }
            }
        );
    }

    /// <summary>Marks an endpoint that is waited for and takes no turn: it is given up when the server stops.</summary>
    public static RouteHandlerBuilder EndsAtClosing(this RouteHandlerBuilder endpoint) => endpoint.WithMetadata(Ends.Mark);

    /// <summary>
    /// Marks an endpoint whose work is heavy. It waits for its turn with its body already read, so that a slow sender holds up nobody.
    /// </summary>
    public static RouteHandlerBuilder IsHeavy(this RouteHandlerBuilder endpoint) =>
        endpoint
            .EndsAtClosing()
            .AddEndpointFilter(
                async (call, next) =>
                {
                    using var turn = await call
                        .HttpContext.RequestServices.GetRequiredService<Turns>()
                        .NextAsync(call.HttpContext.RequestAborted);
                    return turn.IsAcquired
                        ? await next(call)
                        : TypedResults.Problem(
                            statusCode: StatusCodes.Status503ServiceUnavailable,
                            title: "Zing Cast has its hands full. Try again in a moment."
                        );
                }
            );
}
