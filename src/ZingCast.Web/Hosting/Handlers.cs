namespace ZingCast.Web.Hosting;

/// <summary>
/// Endpoints are bound to their handlers by code generated at build time, so that a start compiles none. The generator cannot name an open
/// type parameter or a nullable reference in [AsParameters]; such handlers go through here, where it does not see them.
/// </summary>
internal static class Handlers
{
    /// <summary>A handler that is bound when the program starts.</summary>
    public static Delegate AtRuntime(Delegate handler) => handler;
}
