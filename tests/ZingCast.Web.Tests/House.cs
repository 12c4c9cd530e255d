using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using ZingCast.Web.Rooms;

namespace ZingCast.Web.Tests;

/// <summary>The whole house on a data folder of its own.</summary>
public sealed class House : WebApplicationFactory<SolveRequest>
{
    private readonly Dictionary<string, string> settings;

    public House(bool demo = true, params (string Key, string Value)[] more)
    {
        settings = more.ToDictionary(s => s.Key, s => s.Value);
        settings.TryAdd("data", Path.Combine(Path.GetTempPath(), $"zing-{Guid.NewGuid():N}"));
        if (demo) settings.TryAdd("demo", "true");
    }

    public string Data => settings["data"];

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        // As it is shipped, not as it is developed.
        builder.UseEnvironment("Production");
        foreach (var (key, value) in settings)
            builder.UseSetting(key, value);
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        if (Directory.Exists(Data)) Directory.Delete(Data, recursive: true);
    }
}

internal static class Http
{
    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public static async Task<JsonElement> Json(this HttpResponseMessage response) => await response.Content.ReadFromJsonAsync<JsonElement>(Now);

    public static async Task<JsonElement> GetJson(this HttpClient client, string path) => await client.GetFromJsonAsync<JsonElement>(path, Now);

    public static Task<HttpResponseMessage> Post(this HttpClient client, string path, object body) => client.PostAsJsonAsync(path, body, Now);

    public static Task<HttpResponseMessage> Put(this HttpClient client, string path, object body, string? tag = null)
    {
        var request = new HttpRequestMessage(HttpMethod.Put, path) { Content = JsonContent.Create(body) };
        if (tag is not null) request.Headers.TryAddWithoutValidation("If-Match", tag);
        return client.SendAsync(request, Now);
    }
}
