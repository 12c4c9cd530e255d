using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;

namespace ZingCast.Web.Hosting;

/// <summary>
/// Searches and maps that keep every core busy: a few at a time, the rest wait their turn, and all of it ends when nobody waits for it any more or
/// the house is being closed.
/// </summary>
public static class HeavyWork
{
    private const string Heavy = "heavy";

    // Dragging asks a few times a second and leaves what it asked before; a queue longer than this is no person's doing.
    private const int Waiting = 64;

    public static void AddHeavyWork(this IServiceCollection services) => services.AddRateLimiter(limits =>
    {
        limits.AddConcurrencyLimiter(Heavy, at => (at.PermitLimit, at.QueueLimit, at.QueueProcessingOrder) = (Math.Max(2, Environment.ProcessorCount), Waiting, QueueProcessingOrder.OldestFirst));
        limits.OnRejected = async (turnedAway, _) => await Door.Refuse(turnedAway.HttpContext, StatusCodes.Status503ServiceUnavailable, "Zing Cast has its hands full. Try again in a moment.");
    });

    public static void UseHeavyWork(this WebApplication app)
    {
        var closing = app.Lifetime.ApplicationStopping;
        app.Use(async (context, next) =>
        {
            if (context.GetEndpoint()?.Metadata.GetMetadata<EnableRateLimitingAttribute>() is null)
            {
                await next(context);
                return;
            }
            using var either = CancellationTokenSource.CreateLinkedTokenSource(context.RequestAborted, closing);
            context.RequestAborted = either.Token;
            await next(context);
        });
        app.UseRateLimiter();
    }

    /// <summary>Marks an endpoint whose work is heavy.</summary>
    public static RouteHandlerBuilder IsHeavy(this RouteHandlerBuilder endpoint) => endpoint.RequireRateLimiting(Heavy);
}
