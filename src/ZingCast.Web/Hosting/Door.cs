using System.Net;
using System.Security.Cryptography;
using System.Text;

namespace ZingCast.Web.Hosting;

/// <summary>Something that keeps the program from starting, in words for the person at the terminal.</summary>
public sealed class StartupException(string message) : Exception(message);

/// <summary>
/// Who may come in: loopback only, unless an access key is set. Answers only to its own host names, so that a page elsewhere
/// cannot reach it by pointing a name here; refuses writes that a browser sends from another origin.
/// </summary>
public sealed class Door
{
    private const string KeyCookie = "zing-key";

    private readonly string host;
    private readonly string? key;

    private Door(string host, int port, string? key)
    {
        this.host = host;
        this.key = key;
        Url = $"http://{(host.Contains(':') ? $"[{host}]" : host)}:{port}";
    }

    public string Url { get; }

    public static Door From(IConfiguration config)
    {
        var host = config["host"] ?? "127.0.0.1";
        var portText = config["port"] ?? ZingApp.UsualPort.ToString();
        if (!int.TryParse(portText, out var port) || port is < 0 or > 65535)
            throw new StartupException($"--port {portText} is not a port: choose a number from 1 to 65535.");
        var key = config["ZING_ACCESS_KEY"] ?? config["access-key"];
        if (!IsLoopback(host) && (key is null || key.Length < 12))
            throw new StartupException("Beyond this machine Zing Cast asks everyone for a key. Set ZING_ACCESS_KEY to at least 12 characters, or leave --host away.");
        return new(host, port, key);
    }

    public void Guard(WebApplication app)
    {
        app.Use(async (context, next) =>
        {
            var request = context.Request;
            var headers = context.Response.Headers;
            headers.XContentTypeOptions = "nosniff";
            headers["Referrer-Policy"] = "no-referrer";
            headers["Cross-Origin-Resource-Policy"] = "same-origin";
            if (IsLoopback(host) && !IsLoopback(request.Host.Host))
                await Refuse(context, StatusCodes.Status421MisdirectedRequest, "This is not a name Zing Cast answers to.");
            else if (!HasKey(context))
                await Refuse(context, StatusCodes.Status401Unauthorized, "This needs the access key: open the address with ?key=… once.");
            else if (IsForeignWrite(request))
                await Refuse(context, StatusCodes.Status403Forbidden, "Writes are taken only from Zing Cast's own pages.");
            else
                await next(context);
        });
    }

    private static bool IsLoopback(string name) =>
        name.Equals("localhost", StringComparison.OrdinalIgnoreCase) || (IPAddress.TryParse(name.Trim('[', ']'), out var ip) && IPAddress.IsLoopback(ip));

    private bool HasKey(HttpContext context)
    {
        if (key is null) return true;
        if (context.Request.Query["key"].FirstOrDefault() is { } offered && Same(offered, key))
        {
            context.Response.Cookies.Append(KeyCookie, key, new() { HttpOnly = true, SameSite = SameSiteMode.Strict });
            return true;
        }
        return (context.Request.Cookies[KeyCookie] is { } cookie && Same(cookie, key))
            || (context.Request.Headers["X-Zing-Key"].FirstOrDefault() is { } header && Same(header, key));
    }

    private static bool Same(string a, string b) => CryptographicOperations.FixedTimeEquals(Encoding.UTF8.GetBytes(a), Encoding.UTF8.GetBytes(b));

    // Browsers always say where a write comes from; programs that are not browsers say nothing and are no danger here.
    private static bool IsForeignWrite(HttpRequest request)
    {
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method)) return false;
        if (request.Headers["Sec-Fetch-Site"].FirstOrDefault() is { } site && site is not ("same-origin" or "none")) return true;
        return request.Headers.Origin.FirstOrDefault() is { } origin && origin != $"{request.Scheme}://{request.Host}";
    }

    private static Task Refuse(HttpContext context, int status, string words) =>
        Results.Problem(statusCode: status, title: words).ExecuteAsync(context);
}
