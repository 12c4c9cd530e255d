namespace ZingCast.Web.Hosting;

/// <summary>
/// Who may come in: this machine only, unless an access key is set. Accepts only its own host names, against DNS rebinding, and refuses
/// writes that a browser sends from another origin.
/// </summary>
public static class RequestGuard
{
    public static void Guard(WebApplication app, Settings settings)
    {
        var key = settings.AccessKey is { } secret
            ? new AccessKey(
                secret,
                app.Services.GetRequiredService<Sessions>(),
                app.Services.GetRequiredService<TimeProvider>(),
                app.Services.GetRequiredService<ILogger<AccessKey>>()
            )
            : null;
        app.Use(
            async (context, next) =>
            {
                if (settings.IsLocal && !Settings.IsLoopback(context.Request.Host.Host))
                    await Refuse(context, StatusCodes.Status421MisdirectedRequest, "This is not a name Zing Cast answers to.");
                else if (IsForeignWrite(context.Request))
                    await Refuse(context, StatusCodes.Status403Forbidden, "Writes are taken only from Zing Cast's own pages.");
                else if (key is null || !await key.TurnsAwayAsync(context))
                    await next(context);
            }
        );
    }

    public static Task Refuse(HttpContext context, int status, string words) =>
        Results.Problem(statusCode: status, title: words).ExecuteAsync(context);

    // Browsers always name the origin of a write; other programs do not, and are no danger here.
    private static bool IsForeignWrite(HttpRequest request)
    {
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method))
            return false;
        if (request.Headers["Sec-Fetch-Site"].FirstOrDefault() is { } site && site is not ("same-origin" or "none"))
            return true;
        return request.Headers.Origin.FirstOrDefault() is { } origin && origin != $"{request.Scheme}://{request.Host}";
    }
}
