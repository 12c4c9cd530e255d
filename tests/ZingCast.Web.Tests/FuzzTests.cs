using System.Diagnostics;
using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;

namespace ZingCast.Web.Tests;

/// <summary>
/// Every operation of the contract is sent bodies that began as good ones and were bent: nothing may break on our side, take long, or
/// change the file when it was refused. The same dice every time; ZING_EXPLORE=N throws N bodies with fresh ones.
/// </summary>
[Trait(Suite.Name, Suite.Faults)]
public sealed class FuzzTests : IDisposable
{
    private const int Bodies = 3000;

    // Longer than this is no busy machine: something hangs. How fast it is the bench measures.
    private static readonly TimeSpan Longest = TimeSpan.FromSeconds(30);

    private static CancellationToken Now => TestContext.Current.CancellationToken;

    private readonly TestApp app = new();
    private readonly HttpClient client;
    private readonly Random dice;
    private readonly int count;

    public FuzzTests()
    {
        client = app.CreateClient();
        var explore = int.TryParse(Environment.GetEnvironmentVariable("ZING_EXPLORE"), out var n) && n > 1;
        (count, dice) = (explore ? n : Bodies, new Random(explore ? Environment.TickCount : 9));
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    [Fact]
    public async Task Whatever_is_sent_is_answered_in_words_and_in_time_and_what_is_refused_changes_nothing()
    {
        var contract = JsonNode.Parse(await client.GetStringAsync("/openapi/v1.json", Now))!;
        var operations = contract["paths"]!
            .AsObject()
            .SelectMany(p => p.Value!.AsObject().Select(o => (Path: p.Key, Method: o.Key, Operation: o.Value!)))
            .ToList();
        Assert.True(operations.Count > 50, "the contract was not read");
        var good = await Good();
        var unknown = operations
            .Where(o => o.Operation["requestBody"] is not null && !good.ContainsKey($"{o.Method} {o.Path}"))
            .Select(o => $"{o.Method} {o.Path}")
            .ToList();
        Assert.True(unknown.Count == 0, $"no good body is known for {string.Join(", ", unknown)}");

        using var watch = new SqliteConnection($"Data Source={Path.Combine(app.Data, "zingcast.db")};Pooling=False");
        watch.Open();
        var (version, content) = (Version(watch), Content(watch));
        List<string> faults = [];
        var refused = 0;
        for (var i = 0; i < count && faults.Count < 12; i++)
        {
            var (path, method, operation) = operations[i % operations.Count];
            var (address, body) = (Filled(path, operation), operation["requestBody"] is null ? null : Bent(good[$"{method} {path}"]));
            // What is larger than is taken in one go is cut off at the wire.
            if (body?.Length > 900_000)
                continue;
            using var request = new HttpRequestMessage(new(method.ToUpperInvariant()), client.BaseAddress + address.TrimStart('/'));
            if (body is not null)
                request.Content = new StringContent(body, Encoding.UTF8, "application/json");
            if (operation["parameters"]?.AsArray().Any(p => (string?)p!["name"] == "If-Match") == true)
                request.Headers.TryAddWithoutValidation(
                    "If-Match",
                    dice.Next(3) > 0 || Odd() is var odd && !odd.All(char.IsAscii) ? "\"1\"" : odd
                );
            var started = Stopwatch.GetTimestamp();
            using var answer = await client.SendAsync(request, Now);
            var text = await answer.Content.ReadAsStringAsync(Now);
            var took = Stopwatch.GetElapsedTime(started);
            string Told(string fault) =>
                $"{fault}: {method} {address} {body?[..Math.Min(body.Length, 1500)]} → "
                + $"{(int)answer.StatusCode} {text[..Math.Min(text.Length, 300)]}";
            if ((int)answer.StatusCode >= 500)
                faults.Add(Told("broke"));
            if (took > Longest)
                faults.Add(Told($"took {took.TotalSeconds:0.0} s"));
            if (text.Contains("NaN", StringComparison.Ordinal) || text.Contains("Infinity", StringComparison.Ordinal))
                faults.Add(Told("no number"));
            if ((int)answer.StatusCode is >= 400 and < 500)
            {
                refused++;
                if (answer.Content.Headers.ContentType?.MediaType != "application/problem+json" || !text.Contains("\"title\""))
                    faults.Add(Told("no words"));
            }
            if (Version(watch) is var seen && seen != version)
            {
                // A commit, or only the file being settled.
                var after = Content(watch);
                if (after != content && !answer.IsSuccessStatusCode)
                    faults.Add(Told("refused, and yet changed"));
                (version, content) = (Version(watch), after);
            }
            if (i % 250 == 249)
                await StillLives(faults);
        }
        await StillLives(faults);
        Assert.True(faults.Count == 0, string.Join("\n\n", faults));
        Assert.InRange(refused, count / 3, count);
        Assert.Equal("ok", Single(watch, "pragma integrity_check"));
    }

    // Whatever was taken in, everything can still be shown and worked with.
    private async Task StillLives(List<string> faults)
    {
        foreach (
            var path in new[]
            {
                "/api/shed",
                "/api/shed/scraps",
                "/api/briefs",
                "/api/cutting/jobs",
                "/api/rods/calibrations",
                "/api/reels/tickets",
                "/api/rigging/tickets",
                "/api/rigging/knots/blood",
                "/api/trips",
                "/api/shed/matrix",
                "/api/data",
                "/api/log",
                "/api/log/answers",
                "/api/log/learning",
                "/api/log/log.csv",
                "/api/care",
                "/api/backup/file",
            }
        )
            if (await client.GetAsync(path, Now) is { IsSuccessStatusCode: false } broken)
                faults.Add($"afterwards {path} → {(int)broken.StatusCode} {await broken.Content.ReadAsStringAsync(Now)}");
        if (await client.Post("/api/matching/solve", new { brief = new { } }) is { IsSuccessStatusCode: false } unsolved)
            faults.Add($"afterwards solve → {(int)unsolved.StatusCode} {await unsolved.Content.ReadAsStringAsync(Now)}");
        foreach (var line in (await client.GetJson("/api/shed")).GetProperty("lines").EnumerateArray().TakeLast(4))
            if (await client.GetAsync($"/api/lines/{line.GetProperty("id")}/profile", Now) is { IsSuccessStatusCode: false } shapeless)
                faults.Add($"afterwards profile of {line} → {(int)shapeless.StatusCode}");
    }

    /// <summary>A good body for every operation that takes one.</summary>
    private async Task<Dictionary<string, JsonNode>> Good()
    {
        var shed = JsonNode.Parse(await client.GetStringAsync("/api/shed", Now))!;
        JsonNode Of(string kind, int i) => shed[kind]!.AsArray()[i]!.DeepClone();
        var (rod, line, reel) = (Of("rods", 2), Of("lines", 5), Of("reels", 4));
        var scrap = JsonNode.Parse(await client.GetStringAsync("/api/shed/scraps", Now))![0]!.DeepClone();
        var brief = JsonNode.Parse(await client.GetStringAsync("/api/briefs/1", Now))!["draft"]!.DeepClone();
        static JsonNode Said(string json) => JsonNode.Parse(json)!;
        var leader = Said(
            """
            {"pieces":[{"part":"butt","lengthM":1.6,"startM":0.0006,"endM":0.0006,"material":"nylon"},
              {"part":"tippet","lengthM":1.1,"startM":0.0003,"endM":0.0003,"material":"fluorocarbon","knot":"dropper",
               "spoolId":4,"ownN":40}],
              "lineKnot":"nail","flyKnot":"non-slip","droppers":[{"piece":1,"lengthM":0.15}],"ring":false,"indicatorM":1.5,"shotM":0.2,
              "sinkMps":0.05}
            """
        );
        var stretches = Said(
            """
            [{"lengthM":2,"startM":0.0009,"endM":0.0014,"kgM3":880},{"lengthM":9,"startM":0.0014,"endM":0.0014,"kgM3":880},
              {"lengthM":15,"startM":0.0009,"endM":0.0009,"kgM3":880}]
            """
        );
        var test = Said(
            """
            {"readings":[{"massKg":0.14,"dropM":0.914,"angleDeg":66},{"massKg":0.1,"dropM":0.7,"outM":2.1}],
              "on":"2026-03-14","heldM":0.25,"calibration":null}
            """
        );
        var inspection = Said("""{"on":"2026-03-14","points":{"rings":"sound","tip":"watch"},"note":"well"}""");
        (rod["test"], rod["inspections"]) = (test.DeepClone(), new JsonArray(inspection.DeepClone()));
        var off = Said("""["class.lean"]""");
        var pins = Said("""{"rod":3,"rodClass":6,"density":"floating","tippetM":0.0002,"leaderM":2.7,"backing":"poly20","backingM":100}""");
        var target = Said("""{"lengthM":7.6,"massKg":0.0142,"tipM":3,"tipKg":0.0032}""");
        var calibration = Said(
            """{"name":"counter","plusMinus":0.2,"points":[{"grams":92,"number":5},{"grams":117,"number":6},{"grams":140,"number":7}]}"""
        );
        JsonNode With(params (string Name, JsonNode Value)[] parts) =>
            new JsonObject(parts.Select(p => KeyValuePair.Create(p.Name, (JsonNode?)p.Value.DeepClone())));
        var weighing = Said("""{"massKg":0.0137,"lengthM":9.144,"wholeHead":false,"frontTaperM":2}""");
        var saved = With(("name", Said("\"Mullet\"")), ("draft", brief), ("pins", pins), ("off", off));
        var solve = With(("brief", brief), ("pins", Said("""{"tippetM":0.0003}""")), ("off", off));
        var cast = With(("brief", brief), ("rod", rod), ("line", line), ("leader", leader), ("gusts", Said("""{"low":2,"high":6}""")));
        var profile = With(
            ("stretches", stretches),
            ("headM", Said("11")),
            ("carryM", Said("12")),
            ("share", Said("0.01")),
            ("line", line)
        );
        (string, JsonNode)[] wound =
        [
            ("reel", reel),
            ("line", line),
            ("backing", Said("\"poly20\"")),
            ("backingM", Said("150")),
            ("leader", leader),
        ];
        var trip = Said(
            """{"name":"week","leavesOn":"2027-05-08","days":[{"times":2,"regret":"great","briefId":1}],"limits":{"rods":2},"version":1}"""
        );
        var outing = Said(
            """
            {"key":"abcdefgh01","on":"2026-05-01","kind":"water","place":"ledge","hours":3,"briefId":1,
              "caster":"club","rodId":6,"lineId":11,
              "reelId":5,"leaderId":1,"leaderM":2.1,"tippetM":0.0003,"flyKind":"baitfish","hookSize":0,"species":"sea-bass","water":"shore",
              "cover":"open","stance":"bank","salt":true,"night":true,"waterC":12,"windMps":4,"windFromDeg":45,
              "casts":[{"distanceM":22,"by":"taped","carryM":11,"windMps":5,"windFromDeg":0,"allOut":true,"turned":"late","feel":"right"}],
              "feel":"heavy","fish":[{"count":2,"species":"sea-bass","kg":1.2,"lengthM":0.5,"fightS":90,"released":true}],
              "losses":[{"cause":"abrasion","count":1,"what":"ledge"}],"windKnots":1,"dropped":["reel"],"drill":null,
              "rings":[{"distanceM":9,"throws":10,"hits":4}],"note":"swell","version":1}
            """
        );
        // A text in a text: what bends it bends the document.
        var backup = new JsonObject { ["text"] = await client.GetStringAsync("/api/backup/file", Now), ["merge"] = "theirs" };
        Dictionary<string, JsonNode> good = new()
        {
            ["post /api/briefs"] = saved,
            ["put /api/briefs/{id}"] = saved,
            ["post /api/matching/solve"] = solve,
            ["post /api/matching/candidates"] = With(("link", Said("\"head\"")), ("brief", brief)),
            ["post /api/shed/label"] = Said("""{"text":"9'6 #7 4pc fast"}"""),
            ["post /api/casting/gains"] = solve,
            ["post /api/casting/reach"] = cast,
            ["post /api/casting/map"] = With(
                ("kind", Said("\"wind\"")),
                ("brief", brief),
                ("rod", rod),
                ("line", line),
                ("leader", leader)
            ),
            ["post /api/measures/read"] = Said("""{"kind":"length","text":"9'6\"","metric":true}"""),
            ["post /api/devices/scale/lay"] = Said("""{"kg":0.012,"piece":"D4","words":"D4"}"""),
            ["post /api/rods/fit"] = With(("rodLengthM", Said("2.7432")), ("test", test)),
            ["post /api/rods/{id}/test"] = test,
            ["post /api/rods/bend"] = With(
                ("rod", rod),
                ("pullN", Said("9")),
                ("angleDeg", Said("80")),
                ("surgeM", Said("0.5")),
                ("tippetM", Said("0.0003")),
                ("line", line),
                ("carryM", Said("9"))
            ),
            ["post /api/rods/balance"] = With(
                ("rod", rod),
                ("balance", Said("""{"balanceM":0.66,"fulcrumM":0.27,"swingS":2.26}""")),
                ("reel", reel),
                ("line", line),
                ("outsideM", Said("10"))
            ),
            ["post /api/rods/{id}/balance"] = Said("""{"balanceM":0.66,"fulcrumM":0.27,"swingS":2.26}"""),
            ["post /api/rods/{id}/inspections"] = inspection,
            ["post /api/lines/classify"] = With(("weighing", weighing), ("line", line)),
            ["post /api/lines/profile"] = profile,
            ["post /api/lines/{id}/profile"] = profile,
            ["post /api/lines/{id}/weighing"] = weighing,
            ["post /api/lines/fit"] = Said(
                """{"readings":[{"positionM":0,"diameterM":0.0009},{"positionM":2,"diameterM":0.0014}],"lengthM":9.144,"massKg":0.0137}"""
            ),
            ["post /api/lines/csv"] = Said(
                """{"text":"position_m,diameter_mm,linear_density_g_per_m\n0,0.9,0.6\n2,1.4,1.4\n12,1.4,1.4\n"}"""
            ),
            ["post /api/cutting/plan"] = With(("target", target), ("rodId", Said("3"))),
            ["post /api/cutting/jobs"] = With(
                ("target", target),
                ("pieces", Said("""[{"scrapId":4,"fromM":0,"toM":3,"turned":false},{"scrapId":7,"fromM":0,"toM":4.6,"turned":false}]"""))
            ),
            ["post /api/cutting/jobs/{id}/blade"] = Said("""{"piece":0,"takeM":0.5,"front":false,"version":1}"""),
            ["post /api/cutting/jobs/{id}/weigh"] = Said("""{"piece":0,"massKg":0.004,"plusMinusKg":0.0001,"version":1}"""),
            ["post /api/cutting/jobs/{id}/finish"] = Said("""{"tag":"L77","name":"made","version":1}"""),
            ["post /api/reels/fill"] = With([.. wound, ("speciesId", Said("\"bonito\""))]),
            ["post /api/reels/run"] = With([
                .. wound,
                ("rod", rod),
                ("speciesId", Said("\"bonito\"")),
                ("fishKg", Said("3.5")),
                ("floor", Said("8")),
                ("hold", Said("""{"dragN":12,"rodAngleDeg":60,"outM":16,"slackM":2,"followMps":1,"followAfterS":8,"rested":1}""")),
            ]),
            ["post /api/reels/label"] = Said("""{"text":"WF7F + 150 yd 20 lb"}"""),
            ["post /api/reels/{id}/held"] = Said("""{"backing":"poly20","backingM":140,"lineId":7,"gapM":0.003,"version":1}"""),
            ["post /api/reels/spools"] = Said(
                """
                {"reelId":5,"name":"cassette 3","lineId":9,"backing":"gel30","backingM":120,"woundOn":"2026-03-14","rightHand":true,
                  "id":0,"version":0}
                """
            ),
            ["post /api/reels/tickets"] = Said(
                """{"reelId":5,"spoolName":"spare","lineId":8,"backing":"poly20","backingM":120,"rightHand":false}"""
            ),
            ["post /api/reels/tickets/{id}/reply"] = Said(
                """
                {"reply":{"choice":"anticlockwise","lengthM":120,"turns":600,"measuredM":0.07,"believe":"turns","goOn":true},"version":1}
                """
            ),
            ["post /api/reels/tickets/{id}/wind"] = Said("""{"on":true,"version":1}"""),
            ["post /api/reels/tickets/{id}/take-off"] = Said("""{"lengthM":12,"version":1}"""),
            ["post /api/devices/spring/pull"] = Said("""{"knob":0.4,"mostN":35}"""),
            ["post /api/devices/spring/hang"] = Said("""{"aboutN":30}"""),
            ["post /api/devices/spring/load"] = Said("""{"pullN":12}"""),
            ["post /api/leaders/check"] = With(("leader", leader), ("line", line), ("rod", rod), ("brief", brief)),
            ["post /api/leaders/design"] = With(
                ("school", Said("\"knotted\"")),
                ("lengthM", Said("2.7")),
                ("lineTipM", Said("0.001")),
                ("tippetM", Said("0.0002")),
                ("guardM", Said("0.25")),
                ("guard", Said("\"wire\"")),
                ("sinkMps", Said("0.05")),
                ("brief", brief)
            ),
            ["post /api/leaders/turnover"] = With(
                ("brief", brief),
                ("rod", rod),
                ("line", line),
                ("leaders", new JsonArray(leader.DeepClone(), leader.DeepClone()))
            ),
            ["post /api/leaders/tying"] = Said("""{"leaders":[1,2]}"""),
            ["post /api/leaders/spools/{id}/breaks"] = Said("""{"knot":"clinch","brokeN":31,"version":1}"""),
            ["post /api/depth/solve"] = With(
                ("brief", brief),
                ("tippetM", Said("0.0003")),
                ("leaderM", Said("2.1")),
                ("wish", Said("""{"by":"retrieve","countS":20,"stripM":0.3,"pauseS":1,"waterM":4,"flyKg":0.001,"density":"type3"}"""))
            ),
            ["post /api/trips"] = trip,
            ["put /api/trips/{id}"] = trip,
            ["post /api/trips/solve"] = Said(
                """
                {"days":[{"times":2,"regret":"great","briefId":1},{"times":1,"regret":"some","name":"perch","draft":{"species":"perch"}}],
                "limits":{"rods":2,"lines":3,"reels":2,"tubeM":1.1,"massKg":1},"held":{"rods":[3],"lines":[],"reels":[]},"further":false}
                """
            ),
            ["post /api/trips/{id}/packed"] = Said("""{"key":"rod-3","on":true,"leaving":false}"""),
            ["post /api/trips/first"] = Said("""{"fish":["perch","pike"],"cover":"behind","budget":300}"""),
            ["post /api/shed/paste/look"] = Said("""{"text":"label\tname\n9ft 6\tblue\nWF6F\tsand","metric":false}"""),
            ["post /api/shed/paste"] = Said("""{"text":"label\tname\n9ft 6\tblue\nWF6F\tsand","metric":false}"""),
            ["post /api/shed/paste/undo"] = Said("""{"rods":[13],"lines":[],"reels":[]}"""),
            ["post /api/rigging/tickets"] = With(("name", Said("\"dawn\"")), ("solve", solve)),
            ["post /api/rigging/tickets/{id}/tick"] = Said("""{"step":"spool","version":1}"""),
            ["post /api/rigging/tickets/{id}/untick"] = Said("""{"version":1}"""),
            ["post /api/log"] = outing,
            ["put /api/log/{id}"] = outing,
            ["post /api/log/casters"] = Said("""{"name":"Tobin","from":"learner","version":1}"""),
            ["put /api/log/casters/{id}"] = Said("""{"name":"Tobin","from":"learner","version":1}"""),
            ["post /api/log/learning/caster"] = Said("""{"casterId":"own-1","accept":true,"evidence":39,"name":"Ina","briefs":true}"""),
            ["post /api/log/learning/rod"] = Said("""{"rodId":1,"accept":true,"evidence":15}"""),
            ["post /api/log/csv/look"] = Said("""{"text":"on,casts,rod\n2026-05-01,22 paced carry 11 out,R6","theirs":false}"""),
            ["post /api/log/csv"] = Said("""{"text":"on,casts,rod\n2026-05-01,22 paced carry 11 out,R6","theirs":true}"""),
            ["post /api/care/services"] = Said("""{"taskId":"line-cut","pieceId":11,"on":"2026-05-01","amountM":0.3,"note":"nick"}"""),
            ["post /api/backup/look"] = backup,
            ["post /api/backup/read"] = backup,
            ["post /api/devices/winder/slip"] = Said("""{"share":0.004}"""),
        };
        foreach (
            var (kind, piece) in new[]
            {
                ("rods", rod),
                ("lines", line),
                ("reels", reel),
                ("scraps", scrap),
                ("calibrations", calibration),
                ("leader-spools", Of("leaderSpools", 3)),
                ("leaders", Of("leaders", 0)),
            }
        )
            (good[$"post /api/shed/{kind}"], good[$"put /api/shed/{kind}/{{id}}"]) = (piece, piece);
        return good;
    }

    private string Filled(string path, JsonNode operation)
    {
        foreach (var p in operation["parameters"]?.AsArray() ?? [])
        {
            var (name, place) = ((string)p!["name"]!, (string)p["in"]!);
            var value = Uri.EscapeDataString(
                dice.Next(4) switch
                {
                    0 => Odd().Trim('"'),
                    _ => dice.Next(1, 14).ToString(CultureInfo.InvariantCulture),
                }
            );
            if (place == "path")
                path = path.Replace($"{{{name}}}", value.Length > 0 ? value : "0", StringComparison.Ordinal);
            else if (place == "query" && dice.Next(8) > 0)
                path += $"{(path.Contains('?') ? '&' : '?')}{name}={value[..Math.Min(value.Length, 400)]}";
        }
        return path[..Math.Min(path.Length, 4000)];
    }

    // One to three places are bent; then, now and then, the text itself.
    private string Bent(JsonNode good)
    {
        var whole = new JsonObject { ["it"] = good.DeepClone() };
        for (var bends = dice.Next(1, 4); bends > 0; bends--)
        {
            if (Places(whole).ToList() is not { Count: > 0 } places)
                break;
            var (parent, key) = places[dice.Next(places.Count)];
            var old = parent is JsonArray list ? list[(int)key] : parent[(string)key];
            JsonNode? next = dice.Next(10) switch
            {
                < 4 when old is JsonValue v && v.TryGetValue<double>(out var number) => number * Math.Exp(dice.NextDouble() * 4 - 2),
                < 6 when old is JsonArray { Count: > 0 } many => new JsonArray([
                    .. Enumerable.Repeat(many[0], dice.Next(5) == 0 ? 1500 : dice.Next(4)).Select(n => n?.DeepClone()),
                ]),
                _ => JsonValue.Create($"@@{Odd()}@@"),
            };
            if (parent is JsonArray at)
                at[(int)key] = next;
            else if (dice.Next(12) == 0)
                parent.AsObject().Remove((string)key);
            else
                parent[(string)key] = next;
        }
        var text = (whole["it"]?.ToJsonString() ?? "null")
            .Replace("\"@@", "", StringComparison.Ordinal)
            .Replace("@@\"", "", StringComparison.Ordinal)
            .Replace("\\u0022", "\"", StringComparison.Ordinal)
            .Replace("\\\\u", "\\u", StringComparison.Ordinal);
        return dice.Next(40) switch
        {
            0 => text[..dice.Next(text.Length + 1)],
            1 => text.Insert(dice.Next(text.Length + 1), Odd()),
            _ => text,
        };
    }

    private static IEnumerable<(JsonNode Parent, object Key)> Places(JsonNode node) =>
        node switch
        {
            JsonObject o => o.SelectMany(p => (p.Value is null ? [] : Places(p.Value)).Prepend((node, p.Key))),
            JsonArray a => a.Take(8).SelectMany((x, i) => (x is null ? [] : Places(x)).Prepend((node, i))),
            _ => [],
        };

    private string Odd() =>
        dice.Next(30) switch
        {
            // Numbers where words are, the largest there is, and lists with nothing in them.
            26 => dice.Next(12).ToString(CultureInfo.InvariantCulture),
            27 => "1.7976931348623157e308",
            28 => "[]",
            29 => "-0.0000001",
            0 => "null",
            1 => "5e-324",
            2 => "-5e-324",
            3 => "1e308",
            4 => "-1e308",
            5 => "1e999",
            6 => "0",
            7 => "-1",
            8 => "1e-9",
            9 => "2147483648",
            10 => "true",
            11 => "[]",
            12 => "{}",
            13 => "\"\"",
            14 => "\"   \"",
            15 => "\"\\u0000\"",
            16 => "\"a\\u200bb\"",
            17 => "\"\\u202eR1\"",
            18 => "\"\\ud800\"",
            19 => $"\"{new string('9', 12000)}\"",
            20 => $"\"{new string(' ', 3000)}x\"",
            21 => "\"٣٫٥\"",
            22 => "\"<script>alert(1)</script>'; drop table Rods; --\"",
            23 => "\"0001-01-01\"",
            24 => new string('[', 68) + new string(']', 68),
            _ => (dice.NextDouble() * 100 - 20).ToString(CultureInfo.InvariantCulture),
        };

    private static string Single(SqliteConnection watch, string sql)
    {
        using var command = watch.CreateCommand();
        command.CommandText = sql;
        return Convert.ToString(command.ExecuteScalar(), CultureInfo.InvariantCulture)!;
    }

    private static string Version(SqliteConnection watch) => Single(watch, "pragma data_version");

    private static string Content(SqliteConnection watch)
    {
        var all = new StringBuilder();
        foreach (var table in new[] { "Rods", "Lines", "Reels", "Scraps", "Calibrations", "CutJobs", "ScrapsInJobs", "Briefs" })
        {
            using var command = watch.CreateCommand();
            command.CommandText = $"select * from \"{table}\"";
            using var reader = command.ExecuteReader();
            while (reader.Read())
                for (var i = 0; i < reader.FieldCount; i++)
                    all.Append(reader.GetValue(i)).Append('|');
        }
        return Convert.ToHexString(System.Security.Cryptography.SHA256.HashData(Encoding.UTF8.GetBytes(all.ToString())));
    }

    public void Dispose()
    {
        client.Dispose();
        app.Dispose();
    }
}
