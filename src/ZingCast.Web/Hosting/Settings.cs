using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Net;

namespace ZingCast.Web.Hosting;

/// <summary>A reason not to start, in words for the terminal.</summary>
public sealed class StartupException(string message) : Exception(message);

/// <summary>
/// How Zing Cast was started. Read from its own switches and variables beginning with ZING_, and from nothing else, so that variables or
/// settings files of other programs cannot open a door here.
/// </summary>
public sealed record Settings
{
    public const int UsualPort = 5187;

    private const string Switches = "--port, --data, --host and --demo";

    public string Host { get; init; } = "127.0.0.1";

    public int Port { get; init; } = UsualPort;

    /// <summary>Folder with all data.</summary>
    public string Data { get; init; } = "";

    /// <summary>Fill an empty folder with the made-up loan shed.</summary>
    public bool Demo { get; init; }

    /// <summary>The key everybody needs to come in; null to allow only this machine.</summary>
    public string? AccessKey { get; init; }

    /// <summary>Speed of the simulated winder, turns a second.</summary>
    public double WinderTurnsPerS { get; init; } = Devices.SimulatedWinder.UsualTurnsPerS;

    /// <summary>Folder the pages are served from, by way of its wwwroot.</summary>
    public string ContentRoot { get; init; } = Directory.GetCurrentDirectory();

    public string Url => $"http://{(Host.Contains(':') ? $"[{Host}]" : Host)}:{Port}";

    public bool IsLocal => IsLoopback(Host);

    /// <summary>Reads switches, then variables. Throws <see cref="StartupException"/> for invalid ones.</summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static Settings From(IEnumerable<string> args, Func<string, string?> variable)
    {
        var said = Switched(args);
        string? InWords(string name) => said.GetValueOrDefault("--" + name) ?? variable("ZING_" + name.ToUpperInvariant());

        var settings = new Settings { AccessKey = variable("ZING_ACCESS_KEY") is { Length: > 0 } key ? key : null };
        if (said.TryGetValue("--contentRoot", out var root))
            settings = settings with { ContentRoot = Path.GetFullPath(root) };
        if (InWords("host") is { } host)
            settings = settings with { Host = host };
        if (InWords("port") is { } port)
            settings = settings with
            {
                Port =
                    int.TryParse(port, NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number <= 65535
                        ? number
                        : throw new StartupException($"--port {port} is not a port: choose a number from 1 to 65535."),
            };
        if (InWords("demo") is { } demo)
            settings = settings with
            {
                Demo = bool.TryParse(demo, out var on) ? on : throw new StartupException("--demo is on or left away."),
            };
        if (variable("ZING_WINDER_TURNS") is { } turns)
            settings = settings with
            {
                WinderTurnsPerS =
                    double.TryParse(turns, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var perS)
                    && perS is > 0 and <= 10_000
                        ? perS
                        : throw new StartupException(
                            "ZING_WINDER_TURNS is how many turns a second the simulated winder makes, up to 10000."
                        ),
            };
        if (InWords("data") is "")
            throw new StartupException("--data needs a folder behind it.");
        settings = settings with
        {
            Data = Path.GetFullPath(InWords("data") ?? Path.Combine(settings.ContentRoot, "..", "..", ".zing", "data")),
        };
        if (!settings.IsLocal && settings.AccessKey is not { Length: >= 12 })
            throw new StartupException(
                "Beyond this machine Zing Cast asks everyone for a key. Set ZING_ACCESS_KEY "
                    + "to at least 12 characters, or leave --host away."
            );
        return settings;
    }

    private static Dictionary<string, string> Switched(IEnumerable<string> args)
    {
        Dictionary<string, string> said = [];
        using var words = args.GetEnumerator();
        while (words.MoveNext())
        {
            var (name, value) = words.Current.IndexOf('=') is > 0 and var at
                ? (words.Current[..at], words.Current[(at + 1)..])
                : (words.Current, null);
            if (name is not ("--port" or "--data" or "--host" or "--demo" or "--contentRoot"))
                throw new StartupException($"There is no switch {name}. There are {Switches}.");
            said[name] =
                value
                ?? (
                    name == "--demo" ? "true"
                    : words.MoveNext() ? words.Current
                    : throw new StartupException($"{name} needs a value behind it.")
                );
        }
        return said;
    }

    /// <summary>Whether a host name or address is this machine's own.</summary>
    public static bool IsLoopback(string name) =>
        name.Equals("localhost", StringComparison.OrdinalIgnoreCase)
        || (IPAddress.TryParse(name.Trim('[', ']'), out var ip) && IPAddress.IsLoopback(ip));
}
