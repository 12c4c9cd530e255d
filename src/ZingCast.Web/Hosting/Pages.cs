using System.Security.Cryptography;
using Microsoft.Net.Http.Headers;

namespace ZingCast.Web.Hosting;

/// <summary>Serves the built client: hashed files for ever, the page itself fresh with a strict content-security policy.</summary>
public static class Pages
{
    public static void Serve(WebApplication app)
    {
        app.UseStaticFiles(new StaticFileOptions
        {
            OnPrepareResponse = file =>
            {
                if (file.Context.Request.Path.StartsWithSegments("/assets"))
                    file.Context.Response.Headers[HeaderNames.CacheControl] = "public, max-age=31536000, immutable";
            },
        });
        app.MapFallback("/api/{**rest}", () => TypedResults.Problem(statusCode: 404, title: "There is nothing at this address."));
        app.MapFallback(async (HttpContext context) =>
        {
            var file = app.Environment.WebRootFileProvider.GetFileInfo("index.html");
            if (!file.Exists)
            {
                context.Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
                await context.Response.WriteAsync("The pages are not built yet: run ./zing demo.", context.RequestAborted);
                return;
            }
            using var reader = new StreamReader(file.CreateReadStream());
            // Dialogs lock scrolling with a style element of their own; the nonce lets that one in and no other.
            var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(16));
            var headers = context.Response.Headers;
            headers.ContentSecurityPolicy =
                $"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
            headers.CacheControl = "no-store";
            context.Response.ContentType = "text/html; charset=utf-8";
            await context.Response.WriteAsync((await reader.ReadToEndAsync(context.RequestAborted)).Replace("__NONCE__", nonce), context.RequestAborted);
        });
    }
}
