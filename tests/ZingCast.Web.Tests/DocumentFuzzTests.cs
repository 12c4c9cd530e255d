using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;

namespace ZingCast.Web.Tests;

/// <summary>
/// Things of a whole house, bent one by one and read in: whatever was taken, every page still answers and goes on answering, nothing is set
/// aside, and what the house then saves it reads. The same dice every time.
/// </summary>
[Trait(Suite.Name, Suite.Faults)]
public sealed class DocumentFuzzTests : IDisposable
{
    private const int Documents = 1200;

    private readonly TestApp app = new();
    private readonly HttpClient client;
    private readonly Random dice = new(27);

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public DocumentFuzzTests() => client = app.CreateClient();

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    private JsonNode? Odd(JsonNode? was) =>
        dice.Next(15) switch
        {
            0 => null,
            1 => dice.Next(12),
            2 => dice.Next(12).ToString(CultureInfo.InvariantCulture),
            3 => new JsonArray(),
            4 => new JsonObject(),
            5 => JsonNode.Parse("5e-324"),
            6 => JsonNode.Parse("1.7976931348623157e308"),
            7 => JsonNode.Parse("-5e-324"),
            8 => was is JsonValue number && number.TryGetValue<double>(out var value) ? JsonValue.Create(-value) : -1,
            9 => was is JsonValue some && some.TryGetValue<double>(out var it) ? JsonValue.Create(it * Math.Pow(10, dice.Next(-6, 7))) : 0,
            10 => new JsonArray((JsonNode?)null),
            11 => "worn, mend",
            12 => true,
            13 => "",
            _ => "a\nb",
        };

    // One value somewhere in it becomes an odd one, is taken out, or an item of a list stands there twice.
    private void Bend(JsonNode node)
    {
        var down = dice.Next(4) > 0;
        if (node is JsonObject fields && fields.Count > 0)
        {
            var (name, value) = fields.ElementAt(dice.Next(fields.Count));
            if (down && value is JsonObject or JsonArray { Count: > 0 })
                Bend(value!);
            else if (name is "key" or "tag")
                return;
            else if (dice.Next(6) == 0)
                fields.Remove(name);
            else
                fields[name] = Odd(value);
        }
        else if (node is JsonArray { Count: > 0 } items)
        {
            var at = dice.Next(items.Count);
            if (down && items[at] is JsonObject or JsonArray { Count: > 0 })
                Bend(items[at]!);
            else if (dice.Next(3) == 0)
                items.Add(items[at]?.DeepClone());
            else
                items[at] = Odd(items[at]);
        }
    }

    [Fact]
    public async Task Whatever_of_a_bent_document_is_taken_every_page_still_answers()
    {
        var whole = (JsonObject)JsonNode.Parse(await client.GetStringAsync("/api/backup/file", Now))!;
        var lists = whole.Where(l => l.Value is JsonArray { Count: > 0 }).Select(l => (l.Key, Entries: (JsonArray)l.Value!)).ToList();
        var pages = (JsonNode.Parse(await client.GetStringAsync("/openapi/v1.json", Now))!["paths"]!)
            .AsObject()
            .Where(p => p.Value!["get"] is not null && !p.Key.Contains('{') && !p.Key.Contains("/data/"))
            .Select(p => p.Key)
            .Concat(["/api/briefs/1", "/api/trips/1", "/api/trips/1/packing", "/api/log/new", "/api/reels/tickets/1"])
            .ToList();
        var (taken, refused) = (0, 0);
        List<string> since = [];
        for (var n = 0; n < Documents; n++)
        {
            var (list, entries) = lists[dice.Next(lists.Count)];
            var entry = entries[dice.Next(entries.Count)]!.DeepClone();
            for (var bends = dice.Next(1, 3); bends > 0; bends--)
                Bend(entry);
            var text = new JsonObject
            {
                ["format"] = "zing-cast",
                ["version"] = 1,
                [list] = new JsonArray(entry),
            }.ToJsonString();
            using var answer = await client.Post("/api/backup/read", new { text, merge = "theirs" });
            Assert.True((int)answer.StatusCode < 500, $"{(int)answer.StatusCode}: {text}");
            if (
                answer.StatusCode != HttpStatusCode.OK
                || (await answer.Json()).GetProperty("read").GetProperty("faults").GetArrayLength() > 0
            )
            {
                refused++;
                continue;
            }
            taken++;
            since.Add(text);
            foreach (var copy in Directory.GetFiles(app.Data, "replaced-*"))
                File.Delete(copy);
            if (since.Count < 12)
                continue;
            foreach (var page in pages)
                Assert.True((int)(await client.GetAsync(page, Now)).StatusCode < 500, $"{page} after\n{string.Join("\n", since)}");
            since.Clear();
        }
        Assert.True(taken > 200 && refused > 400, $"{taken} taken, {refused} refused");
        var data = await client.GetJson("/api/data");
        Assert.Empty(data.GetProperty("setAside").EnumerateArray());
        var saved = await client.GetStringAsync("/api/backup/file", Now);
        var again = await (await client.Post("/api/backup/look", new { text = saved, merge = "replace" })).Json();
        Assert.Empty(again.GetProperty("read").GetProperty("faults").EnumerateArray());
    }
}
