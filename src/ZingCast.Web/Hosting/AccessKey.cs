using System.Net;
using System.Net.Sockets;
using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.WebUtilities;
using ZingCast.Core.Measures;

namespace ZingCast.Web.Hosting;

/// <summary>
/// The key that everybody needs beyond this machine. A browser is asked for it once on a page of its own and then carries a session that is
/// not the key and ends with the program; programs send it in X-Zing-Key. Wrong keys are answered with growing delays by address; the right
/// one is answered at once, whoever else is guessing.
/// </summary>
public sealed partial class AccessKey(string secret, Sessions sessions, TimeProvider clock, ILogger<AccessKey> log)
{
    public const string Header = "X-Zing-Key";

    private const string KeyPath = "/key";

    // Five tries are free; the answers after that take 1, 2, 4, 8 seconds. A quarter of an hour without tries resets it.
    private const int FreeTries = 5;
    private static readonly TimeSpan FirstWait = TimeSpan.FromSeconds(1),
        LongestWait = TimeSpan.FromSeconds(8),
        Forgiven = TimeSpan.FromMinutes(15);
    private const int MostAddresses = 1000;

    // Against parallel guesses: only this many wrong keys a second are checked, from all addresses together. At that rate a key of twelve
    // characters is not found in a lifetime.
    private const int MostWrong = 20;
    private static readonly TimeSpan Second = TimeSpan.FromSeconds(1);

    private readonly record struct Tries(int Wrong, DateTimeOffset Last);

    private readonly byte[] key = Digest(secret);
    private readonly Dictionary<IPAddress, Tries> tries = [];
    private readonly Queue<DateTimeOffset> wrongs = [];
    private readonly Lock turn = new();

    /// <summary>Answers the request itself, and returns true, unless the sender may come in.</summary>
    public async Task<bool> TurnsAwayAsync(HttpContext context)
    {
        var request = context.Request;
        // Cookies ignore ports, so the name contains it: two servers on one machine keep theirs apart.
        var cookie = $"zing-session-{request.Host.Port ?? 80}";
        if (request.Cookies[cookie] is { } carried && sessions.Admits(context, carried))
        {
            if (!IsKeyForm(request))
                return false;
            context.Response.Redirect("/");
            return true;
        }
        if (IsKeyForm(request))
        {
            var form = await FormAsync(request, context.RequestAborted);
            var to = LocalPath(form.GetValueOrDefault("to", "/"));
            if (await OfferAsync(form.GetValueOrDefault("key", ""), context) is { } refusal)
            {
                await AskAsync(context, to, refusal);
                return true;
            }
            context.Response.Cookies.Append(
                cookie,
                sessions.Begin(request.Headers.UserAgent),
                new()
                {
                    HttpOnly = true,
                    SameSite = SameSiteMode.Strict,
                    Path = "/",
                }
            );
            context.Response.StatusCode = StatusCodes.Status303SeeOther;
            context.Response.Headers.Location = to;
            return true;
        }
        Refusal? refused = null;
        if (request.Headers[Header].FirstOrDefault() is { } offered && (refused = await OfferAsync(offered, context)) is null)
            return false;
        if (
            request.Headers.Accept.ToString().Contains("text/html", StringComparison.OrdinalIgnoreCase) && HttpMethods.IsGet(request.Method)
        )
            await AskAsync(context, LocalPath(request.Path + WithoutKey(request.Query)), null);
        else if (refused == Refusal.Crowded)
            await RequestGuard.Refuse(context, Crowded(context), CrowdedWords);
        else
            await RequestGuard.Refuse(
                context,
                StatusCodes.Status401Unauthorized,
                "Zing Cast asks for its key: open it in a new tab, enter the key, and go on here."
            );
        return true;
    }

    // Why somebody is refused.
    private enum Refusal
    {
        Wrong,
        Crowded,
    }

    private static bool IsKeyForm(HttpRequest request) => HttpMethods.IsPost(request.Method) && request.Path == KeyPath;

    // Any characters, whichever way accents are composed. Digests have one length, so that comparing reveals nothing about the key's.
    private static byte[] Digest(string text) => SHA256.HashData(Encoding.UTF8.GetBytes(PlainText.Clean(text)));

    // Null when the key is right, at once. A wrong one is answered after a delay.
    private async Task<Refusal?> OfferAsync(string offered, HttpContext context)
    {
        var address = Neighbourhood(context.Connection.RemoteIpAddress ?? IPAddress.None);
        TimeSpan wait;
        lock (turn)
        {
            var now = clock.GetUtcNow();
            while (wrongs.TryPeek(out var oldest) && now - oldest >= Second)
                wrongs.Dequeue();
            if (wrongs.Count >= MostWrong)
                return Refusal.Crowded;
            if (CryptographicOperations.FixedTimeEquals(Digest(offered), key))
                return null;
            wrongs.Enqueue(now);
            var before = tries.GetValueOrDefault(address);
            var wrong = now - before.Last > Forgiven ? 1 : before.Wrong + 1;
            if (tries.Count >= MostAddresses)
                tries.Remove(tries.MinBy(t => t.Value.Last).Key);
            tries[address] = new(wrong, now);
            WrongKey(log, address, wrong);
            wait =
                wrong < FreeTries
                    ? TimeSpan.Zero
                    : TimeSpan.FromSeconds(
                        Math.Min(LongestWait.TotalSeconds, FirstWait.TotalSeconds * Math.Pow(2, Math.Min(10, wrong - FreeTries)))
                    );
        }
        await Task.Delay(wait, clock, context.RequestAborted);
        return Refusal.Wrong;
    }

    // A household with IPv6 has countless addresses; their first half identifies it.
    private static IPAddress Neighbourhood(IPAddress address)
    {
        if (address.IsIPv4MappedToIPv6)
            return address.MapToIPv4();
        if (address.AddressFamily != AddressFamily.InterNetworkV6)
            return address;
        var bytes = address.GetAddressBytes();
        bytes.AsSpan(8).Clear();
        return new(bytes);
    }

    // Only a path on this server.
    private static string LocalPath(string to) =>
        to != KeyPath && to is ['/', not ('/' or '\\'), ..] or "/" && !to.Any(char.IsControl) ? to : "/";

    private static string WithoutKey(IQueryCollection query) =>
        QueryString
            .Create(
                query
                    .Where(q => !q.Key.Equals("key", StringComparison.OrdinalIgnoreCase))
                    .SelectMany(q => q.Value, (q, v) => KeyValuePair.Create(q.Key, v))
            )
            .ToString();

    private static async Task<Dictionary<string, string>> FormAsync(HttpRequest request, CancellationToken cancel)
    {
        try
        {
            var fields = await new FormPipeReader(request.BodyReader)
            {
                KeyLengthLimit = 16,
                ValueLengthLimit = 4096,
                ValueCountLimit = 4,
            }.ReadFormAsync(cancel);
            return fields.ToDictionary(f => f.Key, f => f.Value.ToString());
        }
        catch (InvalidDataException)
        {
            return [];
        }
    }

    private const string CrowdedWords = "Too many wrong keys come in just now. Try again in a second.";

    private static int Crowded(HttpContext context)
    {
        context.Response.Headers.RetryAfter = "1";
        return StatusCodes.Status429TooManyRequests;
    }

    /// <param name="context">The request.</param>
    /// <param name="to">Where to go afterwards.</param>
    /// <param name="refusal">Why the last try did not help; null when none was made.</param>
    private static async Task AskAsync(HttpContext context, string to, Refusal? refusal)
    {
        var words = refusal switch
        {
            null => "",
            Refusal.Crowded => CrowdedWords,
            _ => "That is not the key. Try again.",
        };
        context.Response.StatusCode = refusal == Refusal.Crowded ? Crowded(context) : StatusCodes.Status401Unauthorized;
        context.Response.Headers.CacheControl = "no-store";
        context.Response.ContentType = "text/html; charset=utf-8";
        var nonce = Protection.AllowPage(context, formsHere: true);
        await context.Response.WriteAsync(
            $$"""
            <!doctype html>
            <html lang="en">
            <head>
            <meta charset="utf-8">
            <meta name="viewport" content="width=device-width, initial-scale=1">
            <title>The key to Zing Cast</title>
            <style nonce="{{nonce}}">
            body { margin: 0; min-height: 100vh; display: grid; place-items: center; background: #f5efe0; color: #16232d;
              font: 1.1rem/1.5 system-ui, sans-serif }
            main { width: min(26rem, 90vw); border-top: 3px solid #b0126a; padding-top: 1rem }
            h1 { font-size: 1.5rem; margin: 0 0 .5rem }
            label { display: block; font-weight: 600; margin: 1rem 0 .4rem }
            input { box-sizing: border-box; width: 100%; min-height: 2.75rem; font: inherit; padding: .3rem .6rem;
              background: #fcf9f0; color: inherit; border: 1px solid #16232d }
            button { margin-top: 1rem; min-height: 2.75rem; padding: 0 1.4rem; font: inherit; font-weight: 600;
              background: #16232d; color: #f5efe0; border: 0 }
            :focus-visible { outline: 3px solid #b0126a; outline-offset: 2px }
            p[role=alert] { font-weight: 600; color: #a3260f }
            @media (prefers-color-scheme: dark) {
              body { background: #10171d; color: #f1e8d5 } main { border-color: #ff78b9 }
              input { background: #18212a; border-color: #f1e8d5 }
              button { background: #f1e8d5; color: #10171d } :focus-visible { outline-color: #ff78b9 } p[role=alert] { color: #ff9c86 }
            }
            </style>
            </head>
            <body>
            <main>
            <h1>Zing Cast is locked</h1>
            <p>Enter the access key that its keeper gave you. This browser is then let in until Zing Cast is started anew.</p>
            {{(words.Length > 0 ? $"<p role=\"alert\">{words}</p>" : "")}}
            <form method="post" action="{{KeyPath}}">
            <input type="hidden" name="to" value="{{WebUtility.HtmlEncode(to)}}">
            <label for="key">Access key</label>
            <input id="key" name="key" type="password" autocomplete="current-password" required autofocus>
            <button type="submit">Come in</button>
            </form>
            </main>
            </body>
            </html>
            """,
            context.RequestAborted
        );
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "A wrong access key from {Address}, number {Wrong} in a row.")]
    private static partial void WrongKey(ILogger logger, IPAddress address, int wrong);
}
