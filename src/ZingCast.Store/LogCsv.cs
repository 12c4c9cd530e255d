using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Text.Json.Nodes;
using CsvHelper;
using ZingCast.Core.Logbook;

namespace ZingCast.Store;

/// <summary>
/// The log as a sheet: one row per outing, in the units of the column names, gear by tag. Lists are in one cell, separated by semicolons:
/// "24.5 taped carry 12 out; 22 paced". Rows become entries of a backup and are read as such.
/// </summary>
public static class LogCsv
{
    /// <summary>Longest text that is read, characters.</summary>
    public const int Longest = 8_000_000;

    /// <summary>Most rows read together.</summary>
    public const int MostRows = 20_000;

    // A column, the field of an entry it stands for, and how its cells are read and written. A cell that cannot be read gives the reason.
    private sealed record Column(
        string Name,
        string Field,
        Func<string, (JsonNode? Value, string? Problem)> Read,
        Func<JsonNode, string> Write
    );

    private static Column Words(string name, string field) => new(name, field, cell => (cell, null), value => value.GetValue<string>());

    private static Column Number(string name, string field, double scale = 1) =>
        new(
            name,
            field,
            cell =>
                double.TryParse(cell, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number)
                    ? (scale == 1 ? number : Math.Round(number / scale, 9), null)
                    : (null, "is not a number. Use a point for decimals."),
            value => Names(scale == 1 ? value.GetValue<double>() : Math.Round(value.GetValue<double>() * scale, 6))
        );

    private static Column Whole(string name, string field) =>
        new(
            name,
            field,
            cell =>
                int.TryParse(cell, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var number)
                    ? (number, null)
                    : (null, "is not a whole number."),
            value => value.ToString()
        );

    private static Column YesNo(string name, string field) =>
        new(
            name,
            field,
            cell =>
                cell.ToLowerInvariant() switch
                {
                    "yes" or "y" or "x" or "true" => (true, null),
                    "no" or "n" or "false" => (false, null),
                    _ => (null, "is neither yes nor no."),
                },
            value => value.GetValue<bool>() ? "yes" : ""
        );

    private static Column Several(string name, string field, Func<string, JsonNode?> read, Func<JsonObject, string> write, string like) =>
        new(
            name,
            field,
            cell =>
            {
                var items = new JsonArray();
                foreach (var part in cell.Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
                {
                    if (read(part) is not { } item)
                        return (null, $"could not be read at “{Sheets.Quoted(part)}”: write it like “{like}”.");
                    items.Add(item);
                }
                return (items, null);
            },
            value => string.Join("; ", ((JsonArray)value).Select(item => item is JsonObject one ? write(one) : item!.ToString()))
        );

    private static string Names(double number) => number.ToString("R", CultureInfo.InvariantCulture);

    private static readonly Column[] Columns =
    [
        Words("key", "key"),
        Words("on", "on"),
        Words("kind", "kind"),
        Words("place", "place"),
        Number("hours", "hours"),
        new(
            "caster",
            "caster",
            cell => (Core.Standards.Casters.Find(cell) is not null ? cell : new JsonObject { ["person"] = cell }, null),
            value => value is JsonObject person ? person["person"]!.GetValue<string>() : value.GetValue<string>()
        ),
        Words("brief", "briefId"),
        Words("rod", "rodId"),
        Words("line", "lineId"),
        Words("reel", "reelId"),
        Words("leader", "leaderId"),
        Number("leader_m", "leaderM"),
        Number("tippet_mm", "tippetM", 1000),
        Words("fly", "flyKind"),
        Whole("hook", "hookSize"),
        Words("species", "species"),
        Words("water", "water"),
        Words("cover", "cover"),
        Words("stance", "stance"),
        YesNo("salt", "salt"),
        Number("water_c", "waterC"),
        Number("wind_mps", "windMps"),
        Number("wind_from_deg", "windFromDeg"),
        Words("feel", "feel"),
        Several("casts", "casts", Cast, Cast, "24.5 taped carry 12 wind 4 from 45 out right"),
        Several("fish", "fish", Fish, Fish, "2 sea-bass 1.2 kg 0.5 m 90 s kept"),
        Several("losses", "losses", Loss, Loss, "abrasion 2 on the ledge"),
        Several("rings", "rings", Ring, Ring, "9 m 7 of 10"),
        Whole("wind_knots", "windKnots"),
        Several("dropped", "dropped", part => part is "rod" or "reel" ? part : null, _ => "", "rod"),
        Words("drill", "drill"),
        Words("note", "note"),
    ];

    /// <summary>The names of the columns.</summary>
    public static readonly IReadOnlyList<string> ColumnNames = [.. Columns.Select(c => c.Name)];

    /// <summary>The outings of a document as a sheet, without archived ones.</summary>
    public static string Write(JsonObject document)
    {
        using var text = new StringWriter();
        using var csv = new CsvWriter(text, Sheets.AsWeWrite);
        foreach (var column in Columns)
            csv.WriteField(column.Name);
        csv.NextRecord();
        foreach (var entry in (JsonArray)document[BackupKind.Outings]!)
        {
            if (entry!["away"] is not null)
                continue;
            foreach (var column in Columns)
                csv.WriteField(entry[column.Field] is { } value ? Sheets.Safe(column.Write(value)) : "");
            csv.NextRecord();
        }
        return text.ToString();
    }

    /// <summary>
    /// A sheet as a document with a list of outings, with the row of each entry; or every fault by row and column. A row without a key is a
    /// new outing.
    /// </summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static (JsonObject? Document, IReadOnlyList<int> Rows, IReadOnlyList<CsvFault> Faults) Read(string text)
    {
        List<CsvFault> faults = [];
        List<int> rows = [];
        using var csv = new CsvReader(new StringReader(text.TrimStart('\uFEFF').TrimEnd()), Sheets.AsTheyCome);
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { } header)
            return (null, [], [new(1, "on", "Nothing is here. The first row names the columns.")]);
        var columns = header.Select(h => Columns.FirstOrDefault(c => c.Name.Equals(h.Trim(), StringComparison.OrdinalIgnoreCase))).ToList();
        for (var i = 0; i < header.Length; i++)
            if (columns[i] is null && header[i].Trim().Length > 0)
                faults.Add(new(1, Sheets.Quoted(header[i]), $"No such column. The columns are {string.Join(", ", ColumnNames)}."));
        if (columns.All(c => c?.Name != "on"))
            faults.Add(new(1, "on", "The day is missing: a column called on, with days such as 2026-05-30."));
        var outings = new JsonArray();
        while (faults.Count == 0 || (rows.Count > 0 && faults.Count < 100))
        {
            if (!csv.Read())
                break;
            if (rows.Count >= MostRows)
                return (null, [], [new(csv.Parser.RawRow, "on", $"More than {MostRows} rows; bring a part of them.")]);
            if (header.Select((_, i) => csv.GetField(i)).All(string.IsNullOrWhiteSpace))
                continue;
            var entry = new JsonObject { ["key"] = Outing.NewKey() };
            for (var i = 0; i < header.Length; i++)
                if (columns[i] is { } column && csv.GetField(i) is { Length: > 0 } cell)
                {
                    var (value, problem) = column.Read(Sheets.Plain(cell));
                    if (problem is not null)
                        faults.Add(new(csv.Parser.RawRow, column.Name, $"“{Sheets.Quoted(cell)}” {problem}"));
                    else
                        entry[column.Field] = value;
                }
            outings.Add(entry);
            rows.Add(csv.Parser.RawRow);
        }
        if (faults.Count == 0 && rows.Count == 0)
            faults.Add(new(2, "on", "There is no row below the names of the columns."));
        return faults.Count > 0
            ? (null, [], faults)
            : (
                new()
                {
                    ["format"] = BackupFile.Format,
                    ["version"] = BackupFile.Version,
                    [BackupKind.Outings] = outings,
                },
                rows,
                []
            );
    }

    /// <summary>Name of the sheet's column for a document's fault.</summary>
    public static string ColumnOf(string field)
    {
        var name = field.Split('[', '.')[0];
        return Columns.FirstOrDefault(c => c.Field == name)?.Name ?? name;
    }

    private static readonly (string Word, string Value)[] Feels =
    [
        .. Enum.GetValues<Feel>().Select(f => (LogWords.For(f).Replace("a little ", "", StringComparison.Ordinal), Camel(f))),
    ];

    private static string Camel<T>(T value)
        where T : struct, Enum => System.Text.Json.JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    private static bool Number(string word, out double number) =>
        double.TryParse(word, NumberStyles.Float, CultureInfo.InvariantCulture, out number) && double.IsFinite(number);

    private static JsonObject? Cast(string part)
    {
        var words = part.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (!Number(words[0], out var distance))
            return null;
        var cast = new JsonObject { ["distanceM"] = distance };
        for (var i = 1; i < words.Length; i++)
        {
            if (words[i] is "carry" or "wind" or "from")
            {
                if (i + 1 >= words.Length || !Number(words[i + 1], out var number))
                    return null;
                cast[
                    words[i] switch
                    {
                        "carry" => "carryM",
                        "wind" => "windMps",
                        _ => "windFromDeg",
                    }
                ] = number;
                i++;
            }
            else if (words[i] == "out")
                cast["allOut"] = true;
            else if (words[i] is "paced" or "taped" or "guessed")
                cast["by"] = words[i];
            else if (words[i] is "late" or "piled")
                cast["turned"] = words[i];
            else if (Feels.FirstOrDefault(f => f.Word == words[i]) is { Value: { } feel })
                cast["feel"] = feel;
            else if (words[i] is not ("m" or "straight"))
                return null;
        }
        return cast;
    }

    private static string Cast(JsonObject cast)
    {
        var words = new List<string> { Names(cast["distanceM"]!.GetValue<double>()), cast["by"]?.ToString() ?? "paced" };
        void Add(string word, string field)
        {
            if (cast[field] is { } value)
                words.AddRange([word, Names(value.GetValue<double>())]);
        }
        Add("carry", "carryM");
        Add("wind", "windMps");
        Add("from", "windFromDeg");
        if (cast["allOut"]?.GetValue<bool>() == true)
            words.Add("out");
        if (cast["turned"]?.ToString() is "late" or "piled")
            words.Add(cast["turned"]!.ToString());
        if (cast["feel"]?.ToString() is { } felt)
            words.Add(Feels.First(f => f.Value == felt).Word);
        return string.Join(' ', words);
    }

    private static JsonObject? Fish(string part)
    {
        var words = part.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        if (!int.TryParse(words[0], NumberStyles.None, CultureInfo.InvariantCulture, out var count))
            return null;
        var fish = new JsonObject { ["count"] = count };
        for (var i = 1; i < words.Length; i++)
            if (Number(words[i], out var number) && i + 1 < words.Length && words[i + 1] is "kg" or "m" or "s")
                fish[
                    words[++i] switch
                    {
                        "kg" => "kg",
                        "m" => "lengthM",
                        _ => "fightS",
                    }
                ] = number;
            else if (words[i] == "kept")
                fish["released"] = false;
            else if (fish["species"] is null && !Number(words[i], out _))
                fish["species"] = words[i];
            else
                return null;
        return fish;
    }

    private static string Fish(JsonObject fish)
    {
        var words = new List<string> { fish["count"]!.ToString() };
        if (fish["species"] is { } species)
            words.Add(species.ToString());
        foreach (var (field, unit) in ((string, string)[])[("kg", "kg"), ("lengthM", "m"), ("fightS", "s")])
            if (fish[field] is { } value)
                words.AddRange([Names(value.GetValue<double>()), unit]);
        if (fish["released"]?.GetValue<bool>() == false)
            words.Add("kept");
        return string.Join(' ', words);
    }

    private static JsonObject? Loss(string part)
    {
        var words = part.Split(' ', 3, StringSplitOptions.RemoveEmptyEntries);
        var cause = Enum.GetValues<LossCause>().Select(Camel).FirstOrDefault(c => c.Equals(words[0], StringComparison.OrdinalIgnoreCase));
        if (cause is null)
            return null;
        var count = 1;
        if (words.Length > 1 && !int.TryParse(words[1], NumberStyles.None, CultureInfo.InvariantCulture, out count))
            return null;
        var loss = new JsonObject { ["cause"] = cause, ["count"] = count };
        if (words.Length > 2)
            loss["what"] = words[2];
        return loss;
    }

    // Semicolons separate losses, so none may be in the words of one.
    private static string Loss(JsonObject loss) =>
        $"{loss["cause"]} {loss["count"]} {loss["what"]?.ToString().Replace(';', ',')}".TrimEnd();

    private static JsonObject? Ring(string part)
    {
        var words = part.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        return
            words is [var distance, "m", var hits, "of", var throws]
            && Number(distance, out var m)
            && int.TryParse(hits, NumberStyles.None, CultureInfo.InvariantCulture, out var h)
            && int.TryParse(throws, NumberStyles.None, CultureInfo.InvariantCulture, out var t)
            ? new JsonObject
            {
                ["distanceM"] = m,
                ["throws"] = t,
                ["hits"] = h,
            }
            : null;
    }

    private static string Ring(JsonObject ring) => $"{Names(ring["distanceM"]!.GetValue<double>())} m {ring["hits"]} of {ring["throws"]}";
}
