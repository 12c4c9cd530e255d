using Microsoft.AspNetCore.StaticFiles;
using Microsoft.Net.Http.Headers;

namespace ZingCast.Web.Hosting;

/// <summary>Serves the built client: hashed files for ever, the page itself fresh with a strict content-security policy.</summary>
public static class Pages
{
    private static readonly string[] Reading = [HttpMethods.Get, HttpMethods.Head];

    public static void Serve(WebApplication app)
    {
        // The page is never served as a file: only written below, with its policy and nonce.
        var types = new FileExtensionContentTypeProvider();
        types.Mappings.Remove(".html");
        types.Mappings[".txt"] = "text/plain; charset=utf-8";
        app.UseStaticFiles(
            new StaticFileOptions
            {
                ContentTypeProvider = types,
                OnPrepareResponse = file =>
                {
                    if (file.Context.Request.Path.StartsWithSegments("/assets"))
                        file.Context.Response.Headers[HeaderNames.CacheControl] = "public, max-age=31536000, immutable";
                },
            }
        );
        // With generated binding a fallback would lose its pattern.
        app.MapFallback(
            "/api/{**rest}",
            Handlers.AtRuntime(() => TypedResults.Problem(statusCode: 404, title: "There is nothing at this address."))
        );
        app.MapMethods("/index.html", Reading, () => TypedResults.Redirect("/")).ExcludeFromDescription();
        app.MapFallback(Page).WithMetadata(new HttpMethodMetadata(Reading));

        async Task Page(HttpContext context)
        {
            var file = app.Environment.WebRootFileProvider.GetFileInfo("index.html");
            if (!file.Exists)
            {
                context.Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
                await context.Response.WriteAsync("The pages are not built yet: run ./zing demo.", context.RequestAborted);
                return;
            }
            using var reader = new StreamReader(file.CreateReadStream());
            // Dialogs lock scrolling with their own style element; the nonce admits that one and no other.
            var nonce = Protection.AllowPage(context);
            context.Response.Headers.CacheControl = "no-store";
            context.Response.ContentType = "text/html; charset=utf-8";
            await context.Response.WriteAsync(
                (await reader.ReadToEndAsync(context.RequestAborted)).Replace("__NONCE__", nonce),
                context.RequestAborted
            );
        }
    }
}
