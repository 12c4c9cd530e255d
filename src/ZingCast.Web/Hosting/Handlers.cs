namespace ZingCast.Web.Hosting;

/// <summary>
/// Endpoints are bound to their handlers by code that the build generates, so that a start compiles none. The generator cannot name an
/// open type parameter or a nullable reference among [AsParameters]; such handlers go through here, out of its sight.
/// </summary>
internal static class Handlers
{
    /// <summary>A handler that is bound when the program starts.</summary>
    public static Delegate AtRuntime(Delegate handler) => handler;
}
