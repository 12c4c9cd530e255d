using System.Security.Cryptography;
using ZingCast.Store;

namespace ZingCast.Web.Hosting;

/// <summary>Headers of every answer, whatever it is. A page adds what it needs beyond that.</summary>
public static class Protection
{
    private const string Nothing = "default-src 'none'; frame-ancestors 'none'; base-uri 'none'; form-action 'none'",
        Policy = "zing.policy";

    public static void Protect(this WebApplication app) =>
        app.Use(
            (context, next) =>
            {
                // At the last moment, because an error clears headers set before it.
                context.Response.OnStarting(() =>
                {
                    var headers = context.Response.Headers;
                    headers.ContentSecurityPolicy = context.Items[Policy] as string ?? Nothing;
                    headers.XFrameOptions = "DENY";
                    headers.XContentTypeOptions = "nosniff";
                    // Every answer carries the version of the data, so that a page learns when it is outdated.
                    if (context.Request.Path.StartsWithSegments("/api") && context.Response.StatusCode != StatusCodes.Status401Unauthorized)
                        headers["Zing-House"] = app.Services.GetRequiredService<DataVersion>().ToString();
                    // Data are read anew each time, and must not be in the cache of a shared browser.
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
    /// Lets a page use its own scripts, styles, pictures and fonts, and style elements with the returned nonce. Forms go only to this
    /// server.
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
