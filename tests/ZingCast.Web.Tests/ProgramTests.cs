using System.Collections.Concurrent;
using System.Diagnostics;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;

namespace ZingCast.Web.Tests;

/// <summary>The program itself, as a process that can be killed, asked to stop, and run out of room.</summary>
[Trait(Suite.Name, Suite.Faults)]
public abstract partial class ProgramTests : IDisposable
{
    protected string Folder { get; } = Directory.CreateTempSubdirectory("zing-process-").FullName;
    private readonly List<Running> running = [];

    protected static CancellationToken Now => TestContext.Current.CancellationToken;

    protected static string Program { get; } =
        Path.Combine(
            TestApp.Root,
            "src",
            "ZingCast.Web",
            "bin",
            Path.GetFileName(Path.GetDirectoryName(AppContext.BaseDirectory.TrimEnd('/'))!),
            "net10.0",
            "ZingCast.Web.dll"
        );

    protected static string ContentRoot => Path.Combine(TestApp.Root, "src", "ZingCast.Web");

    /// <summary>A process and all it has said.</summary>
    protected sealed partial class Running : IDisposable
    {
        private readonly ConcurrentQueue<string> said = new();

        public Running(string file, params string[] args)
        {
            Process = new()
            {
                StartInfo = new(file, args) { RedirectStandardOutput = true, RedirectStandardError = true },
            };
            Process.OutputDataReceived += (_, line) => said.Enqueue(line.Data ?? "");
            Process.ErrorDataReceived += (_, line) => said.Enqueue(line.Data ?? "");
            Process.Start();
            Process.BeginOutputReadLine();
            Process.BeginErrorReadLine();
        }

        public Process Process { get; }

        public string[] Said => [.. said.Where(line => line.Length > 0)];

        [GeneratedRegex(@"http://[\d.]+:\d+")]
        private static partial Regex Address();

        public async Task<HttpClient> Ready()
        {
            string? At() => Said.Select(line => Address().Match(line)).FirstOrDefault(m => m.Success)?.Value;
            await Eventually.Holds(() => At() is not null || Process.HasExited);
            return At() is { } at
                ? new() { BaseAddress = new(at), Timeout = TimeSpan.FromSeconds(30) }
                : throw new Xunit.Sdk.XunitException($"It did not start: {string.Join(" / ", Said)}");
        }

        public async Task<int> Ended(double withinS)
        {
            using var limit = CancellationTokenSource.CreateLinkedTokenSource(Now);
            limit.CancelAfter(TimeSpan.FromSeconds(withinS));
            await Process.WaitForExitAsync(limit.Token);
            Process.WaitForExit();
            return Process.ExitCode;
        }

        public void Dispose()
        {
            if (!Process.HasExited)
                Process.Kill(entireProcessTree: true);
            Process.WaitForExit();
            Process.Dispose();
        }
    }

    protected Running Run(string file, params string[] args)
    {
        var started = new Running(file, args);
        lock (running)
            running.Add(started);
        return started;
    }

    protected Running Start(string data, params string[] more) =>
        Run("dotnet", [Program, "--contentRoot", ContentRoot, "--data", data, "--port", "0", .. more]);

    protected string New(string name) => Path.Combine(Folder, name);

    public void Dispose()
    {
        foreach (var one in running)
            one.Process.Dispose();
        SqliteConnection.ClearAllPools();
        Directory.Delete(Folder, recursive: true);
        GC.SuppressFinalize(this);
    }
}
