using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Builder;
using Microsoft.Data.Sqlite;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Tests;

/// <summary>The whole house as it is shipped, on a port and a data folder of its own.</summary>
public sealed class TestApp : IDisposable
{
    private readonly WebApplication app;

    // The folder is another house's too.
    private readonly bool keep;

    public TestApp(bool demo = true, Func<Settings, Settings>? with = null, bool keep = false, TimeProvider? clock = null)
    {
        this.keep = keep;
        var settings = new Settings
        {
            Port = 0,
            Demo = demo,
            ContentRoot = Path.Combine(Root, "src", "ZingCast.Web"),
            Data = Path.Combine(Path.GetTempPath(), $"zing-{Guid.NewGuid():N}"),
        };
        Data = settings.Data;
        if (with is not null)
            settings = with(settings);
        // A folder that the test names is opened and filled as a start does it.
        if (settings.Data == Data)
            File.Copy((demo ? LoanShedFile : EmptyFile).Value, Path.Combine(Directory.CreateDirectory(Data).FullName, DataFolder.FileName));
        Data = settings.Data;
        DataFolder.Open(Data, TimeProvider.System);
        app = ZingApp.Build(settings, clock);
        ZingApp.FillAsync(app, settings).GetAwaiter().GetResult();
        app.StartAsync().GetAwaiter().GetResult();
    }

    // Made once, the way a first start makes them; every house begins on a copy.
    private static readonly Lazy<string> EmptyFile = new(() => Filled(demo: false)),
        LoanShedFile = new(() => Filled(demo: true));

    private static string Filled(bool demo)
    {
        var folder = Directory.CreateTempSubdirectory("zing-first-").FullName;
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(folder, recursive: true);
        DataFolder.Open(folder, TimeProvider.System);
        var settings = new Settings
        {
            Port = 0,
            Demo = demo,
            Data = folder,
        };
        using (IDisposable app = ZingApp.Build(settings))
            ZingApp.FillAsync((WebApplication)app, settings).GetAwaiter().GetResult();
        var whole = Path.Combine(folder, "whole.db");
        DataFolder.Backup(folder, whole);
        SqliteConnection.ClearAllPools();
        return whole;
    }

    /// <summary>The checkout these tests were built in.</summary>
    public static string Root { get; } = Above(AppContext.BaseDirectory);

    public string Data { get; }

    public HttpClient CreateClient() =>
        new(new SocketsHttpHandler { AllowAutoRedirect = false, UseCookies = false })
        {
            BaseAddress = new(app.Urls.Single().Replace("0.0.0.0", "127.0.0.1", StringComparison.Ordinal)),
        };

    public void Dispose()
    {
        app.StopAsync().GetAwaiter().GetResult();
        app.DisposeAsync().AsTask().GetAwaiter().GetResult();
        SqliteConnection.ClearAllPools();
        if (!keep && Directory.Exists(Data))
            Directory.Delete(Data, recursive: true);
    }

    private static string Above(string folder) =>
        File.Exists(Path.Combine(folder, "ZingCast.slnx")) ? folder : Above(Path.GetDirectoryName(folder)!);
}

/// <summary>
/// Trait of what takes minutes: processes that are killed, thousands of broken inputs, a year of copies. <c>./zing test faults</c>.
/// </summary>
internal static class Suite
{
    public const string Name = "suite",
        Faults = "faults";
}

/// <summary>One house with the loan shed for all tests of a class: for those that change nothing the others look at.</summary>
public sealed class LoanShed : IDisposable
{
    private readonly TestApp app = new();

    public LoanShed() => Client = app.CreateClient();

    public HttpClient Client { get; }

    public void Dispose()
    {
        Client.Dispose();
        app.Dispose();
    }
}

internal static class Http
{
    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public static async Task<JsonElement> Json(this HttpResponseMessage response) =>
        await response.Content.ReadFromJsonAsync<JsonElement>(Now);

    public static async Task<JsonElement> GetJson(this HttpClient client, string path) =>
        await client.GetFromJsonAsync<JsonElement>(path, Now);

    /// <summary>A kit's answer, asked for again, as the pages do, while its search goes on.</summary>
    public static async Task<JsonElement> Searched(Func<Task<JsonElement>> ask)
    {
        JsonElement answer;
        do answer = await ask();
        while ((answer.TryGetProperty("plan", out var plan) ? plan : answer).GetProperty("searching").ValueKind != JsonValueKind.Null);
        return answer;
    }

    public static Task<JsonElement> Packing(this HttpClient client, int trip) =>
        Searched(() => client.GetJson($"/api/trips/{trip}/packing"));

    public static Task<HttpResponseMessage> Post(this HttpClient client, string path, object body) =>
        client.PostAsJsonAsync(path, body, Now);

    public static Task<HttpResponseMessage> Put(this HttpClient client, string path, object body, string? tag = null)
    {
        var request = new HttpRequestMessage(HttpMethod.Put, path) { Content = JsonContent.Create(body) };
        if (tag is not null)
            request.Headers.TryAddWithoutValidation("If-Match", tag);
        return client.SendAsync(request, Now);
    }
}
