using System.Security.Cryptography;
using ZingCast.Store;

namespace ZingCast.Web.Hosting;

/// <summary>
/// What every answer carries, whatever it is: a page, a file, a figure or a fault. A page asks for what it needs beyond that.
/// </summary>
public static class Protection
{
    private const string Nothing = "default-src 'none'; frame-ancestors 'none'; base-uri 'none'; form-action 'none'",
        Policy = "zing.policy";

    public static void Protect(this WebApplication app) =>
        app.Use(
            (context, next) =>
            {
                // At the last moment: a fault clears what was set before it.
                context.Response.OnStarting(() =>
                {
                    var headers = context.Response.Headers;
                    headers.ContentSecurityPolicy = context.Items[Policy] as string ?? Nothing;
                    headers.XFrameOptions = "DENY";
                    headers.XContentTypeOptions = "nosniff";
                    // Whoever shows something learns with any answer that it is old.
                    if (context.Request.Path.StartsWithSegments("/api") && context.Response.StatusCode != StatusCodes.Status401Unauthorized)
                        headers["Zing-House"] = app.Services.GetRequiredService<DataVersion>().ToString();
                    // What is kept is read anew each time, and lies in no cache of a browser that others use too.
                    if (context.Request.Path.StartsWithSegments("/api") && headers.CacheControl.Count == 0)
                        headers.CacheControl = "no-store";
                    headers["Referrer-Policy"] = "same-origin";
                    headers["Cross-Origin-Resource-Policy"] = "same-origin";
                    headers["Cross-Origin-Opener-Policy"] = "same-origin";
                    headers["Permissions-Policy"] = "camera=(), geolocation=(), microphone=(), payment=(), usb=()";
                    return Task.CompletedTask;
                });
                return next(context);
            }
        );

    /// <summary>
    /// Lets a page use its own scripts, styles, pictures and fonts, and style elements that carry the nonce this returns. A form goes
    /// only to this server.
    /// </summary>
    public static string AllowPage(HttpContext context, bool formsHere = false)
    {
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(16));
        context.Items[Policy] =
            "default-src 'none'; script-src 'self'; img-src 'self' data:; font-src 'self'; "
            + "connect-src 'self'; base-uri 'none'; frame-ancestors 'none'; "
            + $"style-src 'self' 'nonce-{nonce}'; form-action {(formsHere ? "'self'" : "'none'")}";
        return nonce;
    }
}
