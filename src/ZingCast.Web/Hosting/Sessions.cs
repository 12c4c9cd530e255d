using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.WebUtilities;

namespace ZingCast.Web.Hosting;

/// <summary>A browser that came in with the key.</summary>
/// <param name="Id">Its number of this start.</param>
/// <param name="Browser">What it says it is, in words.</param>
/// <param name="Began">When it came in, UTC.</param>
/// <param name="Seen">When it asked for something last, UTC.</param>
/// <param name="Own">It is the one that asks.</param>
public sealed record SessionAnswer(int Id, string Browser, DateTime Began, DateTime Seen, bool Own);

/// <summary>
/// The sessions since the start, one per browser, none of them the key. Each can be ended separately; all end with the program.
/// </summary>
public sealed class Sessions(TimeProvider clock)
{
    // Most sessions; beyond that the one unused longest has to enter the key again.
    private const int Most = 200;

    private const string Item = "zing.session";

    private sealed class Session(int id, string browser, DateTime began)
    {
        public int Id { get; } = id;

        public string Browser { get; } = browser;

        public DateTime Began { get; } = began;

        public DateTime Seen { get; set; } = began;
    }

    // By the digest of the browser's cookie.
    private readonly Dictionary<string, Session> sessions = [];
    private readonly Lock door = new();
    private int last;

    /// <summary>Begins one and returns the value of its cookie.</summary>
    public string Begin(string? agent)
    {
        var token = WebEncoders.Base64UrlEncode(RandomNumberGenerator.GetBytes(32));
        lock (door)
        {
            if (sessions.Count >= Most)
                sessions.Remove(sessions.MinBy(s => s.Value.Seen).Key);
            sessions[Digest(token)] = new(++last, Words(agent ?? ""), clock.GetUtcNow().UtcDateTime);
        }
        return token;
    }

    /// <summary>Whether a cookie belongs to a session, which is then the current one.</summary>
    public bool Admits(HttpContext context, string carried)
    {
        lock (door)
        {
            if (!sessions.TryGetValue(Digest(carried), out var session))
                return false;
            session.Seen = clock.GetUtcNow().UtcDateTime;
            context.Items[Item] = session.Id;
            return true;
        }
    }

    /// <summary>Ends one; false when there is none with that number.</summary>
    public bool End(int id)
    {
        lock (door)
            return sessions.Where(s => s.Value.Id == id).Select(s => s.Key).FirstOrDefault() is { } key && sessions.Remove(key);
    }

    /// <summary>All of them, the current one first, then the most recently used.</summary>
    public IReadOnlyList<SessionAnswer> List(HttpContext asks)
    {
        lock (door)
            return
            [
                .. sessions
                    .Values.Select(s => new SessionAnswer(s.Id, s.Browser, s.Began, s.Seen, asks.Items[Item] is int own && own == s.Id))
                    .OrderByDescending(s => s.Own)
                    .ThenByDescending(s => s.Seen),
            ];
    }

    private static string Digest(string token) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(token)));

    // Enough of the user agent to tell one's own browsers apart.
    private static string Words(string agent)
    {
        static string? First(string agent, (string Sign, string Name)[] names) =>
            names.FirstOrDefault(n => agent.Contains(n.Sign, StringComparison.Ordinal)).Name;
        var browser = First(
            agent,
            [("Firefox/", "Firefox"), ("Edg/", "Edge"), ("OPR/", "Opera"), ("Chrome/", "Chrome"), ("Safari/", "Safari")]
        );
        var machine = First(
            agent,
            [("iPhone", "iPhone"), ("iPad", "iPad"), ("Android", "Android"), ("Windows", "Windows"), ("Mac OS", "Mac"), ("Linux", "Linux")]
        );
        return (browser, machine) switch
        {
            (null, null) => "a browser",
            (null, _) => $"a browser on {machine}",
            (_, null) => browser,
            _ => $"{browser} on {machine}",
        };
    }
}
