using ZingCast.Core.Measures;
using ZingCast.Store;

namespace ZingCast.Web.Hosting;

/// <summary>An answer about a stored thing in one version.</summary>
public interface IVersioned
{
    /// <summary>The version.</summary>
    int Version { get; }
}

/// <summary>A change of a stored thing, based on a version.</summary>
public interface IChange
{
    /// <summary>The version it is based on, where no entity tag says so.</summary>
    int Version { get; }

    /// <summary>The same change based on another version.</summary>
    object From(int version);
}

/// <summary>
/// Optimistic concurrency for everything stored: an answer carries its version as entity tag, and a change names the version it is based on
/// in If-Match, or else in its body. A change of an outdated version is refused with 412.
/// </summary>
public static class EntityTags
{
    /// <summary>The entity tag of a version.</summary>
    public static string For(int version) => $"\"{version}\"";

    /// <summary>Whether such a body changes something stored.</summary>
    public static bool IsChange(Type? body) =>
        body is not null && (typeof(Kept).IsAssignableFrom(body) || typeof(IChange).IsAssignableFrom(body));

    /// <summary>Reads and writes the tags for all endpoints of the group.</summary>
    public static RouteGroupBuilder WithEntityTags(this RouteGroupBuilder rooms)
    {
        rooms.AddEndpointFilterFactory(
            (of, next) =>
            {
                var body = Array.FindIndex(of.MethodInfo.GetParameters(), p => IsChange(p.ParameterType));
                return async context =>
                {
                    if (body >= 0 && context.HttpContext.Request.Headers.IfMatch is [{ Length: > 0 } tag])
                        context.Arguments[body] = context.Arguments[body] switch
                        {
                            Kept kept => kept with { Version = VersionOf(tag) },
                            IChange change => change.From(VersionOf(tag)),
                            var other => other,
                        };
                    var answer = await next(context);
                    if (VersionIn(answer) is { } version)
                        context.HttpContext.Response.Headers.ETag = For(version);
                    return answer;
                };
            }
        );
        return rooms;
    }

    private static int VersionOf(string tag) =>
        tag is ['"', .. var number, '"'] && int.TryParse(number, out var version) ? version : throw new StaleException("This");

    private static int? VersionIn(object? answer) =>
        answer switch
        {
            INestedHttpResult { Result: var inner } => VersionIn(inner),
            IValueHttpResult { Value: Kept kept } => kept.Version,
            IValueHttpResult { Value: IVersioned versioned } => versioned.Version,
            _ => null,
        };
}
