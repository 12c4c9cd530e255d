using System.Net.Http.Json;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace ZingCast.Web.Tests;

/// <summary>
/// Ten thousand files that began as good ones and were bent: none breaks anything on our side, and what is refused changes nothing. The
/// same dice every time.
/// </summary>
[Trait(Suite.Name, Suite.Faults)]
public sealed class ImportFuzzTests : IDisposable
{
    private const int Files = 10_000;

    private readonly TestApp app = new(demo: false);
    private readonly HttpClient client;
    private readonly Random dice = new(16);

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    public ImportFuzzTests() => client = app.CreateClient();

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }

    private const string Document = """
        {"format":"zing-cast","version":1,
         "rods":[{"key":"R1","tag":"R1","name":"a rod","lengthM":2.7,"printedClass":6,"massKg":0.09,
           "inspections":[{"on":"2026-03-01","points":{"rings":"sound"}}]}],
         "lines":[{"key":"L1","tag":"L1","name":"a line","lengthM":27,"headM":11,"headKg":0.013,"printedClass":6}],
         "reels":[{"key":"S1","tag":"S1","name":"a reel","massKg":0.14}],
         "spools":[{"key":"S1: its own","reelId":"S1","name":"its own","lineId":"L1","backing":"poly20","backingM":80}],
         "casters":[{"key":"Ina","name":"Ina","from":"club"}],
         "briefs":[{"key":"day","name":"day","draft":{"species":"perch","caster":{"person":"Ina"}},"pins":{"rod":"R1"},"off":[],
           "changedAt":"2026-03-01T00:00:00Z"}],
         "trips":[{"key":"week","name":"week","days":[{"times":2,"regret":"great","briefId":"day"}],"packed":["rod-R1"]}],
         "outings":[{"key":"abcdefgh","on":"2026-05-01","rodId":"R1","lineId":"L1","caster":{"person":"Ina"},
           "casts":[{"distanceM":20,"carryM":10,"allOut":true}],"losses":[{"cause":"knot","count":1}],"fish":[{"count":2}]}],
         "lessons":[{"key":"R1 x","rodId":"R1","accepted":true,"at":"2026-05-01T00:00:00Z","evidence":5,
           "feel":{"shift":0.1,"plusMinus":0.05,"votes":5}}],
         "services":[{"key":"reel-rinse S1 2026-05-01","taskId":"reel-rinse","pieceId":"S1","on":"2026-05-01"}]}
        """;

    private const string Log =
        "key,on,place,rod,casts,fish,losses,rings,salt\n"
        + "abcdefgh,2026-05-01,ledge,R1,24.5 taped carry 12 wind 4 from 45 out right; 22,2 pike 3 kg kept,knot 2,9 m 7 of 10,yes\n";

    private const string Gear = "kind,tag,name,class,length,head,weighs\nrod,R7,blue,6,9 ft,,\nline,L7,sand,6,90 ft,36 ft,200 gr\n";

    private const string Profile = "position_m,diameter_mm,linear_density_g_per_m\n0,0.9,0.6\n2,1.4,1.4\n12,1.4,1.4\n";

    [Fact]
    public async Task None_of_ten_thousand_bent_files_breaks_anything_and_what_is_refused_changes_nothing()
    {
        (string Path, string Text, Func<string, object> Body)[] kinds =
        [
            ("/api/backup/read", Document, t => new { text = t, merge = "mine" }),
            ("/api/backup/read", Document, t => new { text = t, merge = "theirs" }),
            ("/api/log/csv", Log, t => new { text = t, theirs = true }),
            ("/api/shed/paste", Gear, t => new { text = t, metric = true }),
            ("/api/lines/csv", Profile, t => new { text = t }),
        ];
        (await client.PostAsJsonAsync("/api/backup/read", new { text = Document, merge = "mine" }, Now)).EnsureSuccessStatusCode();
        using var watch = new SqliteConnection($"Data Source={Path.Combine(app.Data, "zingcast.db")};Pooling=False");
        watch.Open();
        var seen = Version(watch);
        var content = Content(watch);
        List<string> wrong = [];
        var refused = 0;
        for (var i = 0; i < Files && wrong.Count < 8; i++)
        {
            var (path, text, body) = kinds[i % kinds.Length];
            var bent = Bent(text);
            using var answer = await client.PostAsJsonAsync(path, body(bent), Now);
            var said = await answer.Content.ReadAsStringAsync(Now);
            var now = Version(watch);
            var isRefused = !answer.IsSuccessStatusCode || Faults(said) > 0;
            refused += isRefused ? 1 : 0;
            if ((int)answer.StatusCode >= 500)
                wrong.Add($"broke: {path} {bent} → {said}");
            // Settling what was written ahead into the file moves the version as well; what is in it stays as it was.
            var held = now == seen ? content : Content(watch);
            if (isRefused && held != content)
                wrong.Add($"refused, and yet changed: {path} {bent} → {said}");
            (seen, content) = (now, held);
            // What was taken in is forgotten, so that the next file meets the same app.
            if (!isRefused && i % 50 == 0)
            {
                await client.PostAsJsonAsync("/api/backup/read", new { text = Document, merge = "replace" }, Now);
                foreach (var copy in Directory.GetFiles(app.Data, "replaced-*"))
                    File.Delete(copy);
                (seen, content) = (Version(watch), Content(watch));
            }
        }
        Assert.True(wrong.Count == 0, string.Join("\n\n", wrong));
        Assert.InRange(refused, Files / 4, Files);
        foreach (
            var path in new[]
            {
                "/api/shed",
                "/api/log",
                "/api/log/answers",
                "/api/log/learning",
                "/api/care",
                "/api/backup/file",
                "/api/trips",
            }
        )
            Assert.True((await client.GetAsync(path, Now)).IsSuccessStatusCode, path);
        Assert.Equal("ok", Single(watch, "pragma integrity_check"));
    }

    private static int Faults(string said)
    {
        if (said.Length == 0 || said[0] != '{')
            return 0;
        var answer = JsonDocument.Parse(said).RootElement;
        if (answer.TryGetProperty("read", out var read))
            answer = read;
        return answer.TryGetProperty("faults", out var faults) ? faults.GetArrayLength() : 0;
    }

    // A few signs are taken out, doubled, swapped, or become others; or a word becomes an odd one.
    private string Bent(string text)
    {
        string[] odd =
        [
            "null",
            "-1",
            "1e308",
            "\"\"",
            "[]",
            "{}",
            "true",
            "\"own-1\"",
            "\u0000",
            "é",
            "=1+1",
            "R1",
            "2026-13-01",
            "\\u202e",
        ];
        for (var n = dice.Next(1, 4); n > 0; n--)
        {
            var at = dice.Next(text.Length);
            var run = Math.Min(dice.Next(1, 12), text.Length - at);
            text = dice.Next(5) switch
            {
                0 => text.Remove(at, run),
                1 => text.Insert(at, text.Substring(at, run)),
                2 => text[..at] + (char)dice.Next(32, 127) + text[(at + 1)..],
                3 => text.Insert(at, odd[dice.Next(odd.Length)]),
                _ => Replaced(text, at, odd[dice.Next(odd.Length)]),
            };
            if (text.Length == 0)
                return text;
        }
        return text;
    }

    // The value that stands there, as a whole.
    private static string Replaced(string text, int at, string by)
    {
        var (from, to) = (text.LastIndexOfAny([':', ',', '\n'], at) + 1, text.IndexOfAny([',', '}', ']', '\n'], at));
        return to > from ? text[..from] + by + text[to..] : text;
    }

    private static string Version(SqliteConnection watch) => Single(watch, "pragma data_version");

    // Every row of every table.
    private static string Content(SqliteConnection watch)
    {
        var text = new System.Text.StringBuilder();
        List<string> tables = [];
        using (var command = watch.CreateCommand())
        {
            command.CommandText = "select name from sqlite_master where type = 'table' order by name";
            using var names = command.ExecuteReader();
            while (names.Read())
                tables.Add(names.GetString(0));
        }
        foreach (var table in tables)
        {
            using var command = watch.CreateCommand();
            command.CommandText = $"select * from \"{table}\" order by 1";
            using var rows = command.ExecuteReader();
            while (rows.Read())
                for (var i = 0; i < rows.FieldCount; i++)
                    text.Append(rows.GetValue(i)).Append('|');
        }
        return text.ToString();
    }

    private static string Single(SqliteConnection watch, string sql)
    {
        using var command = watch.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar()!.ToString()!;
    }
}
