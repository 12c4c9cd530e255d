using System.Threading.RateLimiting;

namespace ZingCast.Web.Hosting;

/// <summary>
/// Searches and maps that use every core: a few at a time, the rest queue, and each ends when its caller goes away or the server stops.
/// </summary>
public static class HeavyWork
{
    // Dragging asks a few times a second and abandons earlier requests; a longer queue than this does not come from people.
    private const int Waiting = 64;

    private sealed class Ends
    {
        public static readonly Ends Mark = new();
    }

    /// <summary>The queue of one server.</summary>
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

    /// <summary>Heavy work is cancelled when the server stops as well as when its caller goes away.</summary>
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
                    // A caller who still waits gets an answer; only one who went away does not.
                    context.RequestAborted = gone;
                }
            }
        );
    }

    /// <summary>Marks an endpoint that takes long but does not queue; it is cancelled when the server stops.</summary>
    public static RouteHandlerBuilder EndsAtClosing(this RouteHandlerBuilder endpoint) => endpoint.WithMetadata(Ends.Mark);

    /// <summary>Marks an endpoint with heavy work. It queues after its body was read, so that a slow sender blocks nobody.</summary>
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
