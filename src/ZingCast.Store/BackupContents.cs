using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Text.Json.Nodes;
using ZingCast.Core.Care;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Store;

/// <summary>A stored thing, when it was archived, and its key.</summary>
internal sealed record BackupRow(Kept Thing, DateTime? Away, string Key);

/// <summary>Everything stored, by key. Every lookup takes constant time.</summary>
internal sealed class BackupContents
{
    private readonly Dictionary<string, List<BackupRow>> rows = [];
    private readonly Dictionary<(string Kind, int Id), string> keys = [];
    private readonly Dictionary<(string Kind, string Key), int> places = [];

    // Holders of what must be unique: a tag or name, and the line on a spool.
    private readonly Dictionary<(string Kind, string What), int> holders = [];
    private readonly Dictionary<string, int> highest = [];

    /// <summary>The things of a kind in order of creation.</summary>
    public IReadOnlyList<BackupRow> Rows(BackupKind kind) => rows.GetValueOrDefault(kind.Name, []);

    public string Called(string kind, int id) => keys.GetValueOrDefault((kind, id), "");

    public string? KeyOf(string kind, int id) => keys.GetValueOrDefault((kind, id));

    public BackupRow? Find(string kind, string key) => places.TryGetValue((kind, key), out var at) ? rows[kind][at] : null;

    /// <summary>Id of the one thing with this tag, name or line; 0 for none.</summary>
    public int Holder(BackupKind kind, Kept thing) => Sole(thing) is { } what ? holders.GetValueOrDefault((kind.Name, what)) : 0;

    /// <summary>An id that nothing of this kind has or ever had.</summary>
    public int NextId(BackupKind kind) => highest.GetValueOrDefault(kind.Name) + 1;

    public void Add(BackupKind kind, Kept thing, DateTime? away, string? key = null)
    {
        var plain = key ?? kind.KeyOf(thing, Called);
        // Things with the same key are distinguished by number.
        var own = plain;
        for (var n = 2; places.ContainsKey((kind.Name, own)); n++)
            own = string.Create(CultureInfo.InvariantCulture, $"{plain} ~{n}");
        var row = new BackupRow(thing, away, own);
        var list = rows.TryGetValue(kind.Name, out var its) ? its : rows[kind.Name] = [];
        places[(kind.Name, own)] = list.Count;
        list.Add(row);
        keys[(kind.Name, thing.Id)] = own;
        highest[kind.Name] = Math.Max(highest.GetValueOrDefault(kind.Name), thing.Id);
        Hold(kind, row);
    }

    // The same thing under the same key, with its present value.
    public void Change(BackupKind kind, BackupRow row, Kept thing, DateTime? away)
    {
        if (row.Away is null && Sole(row.Thing) is { } had && holders.GetValueOrDefault((kind.Name, had)) == row.Thing.Id)
            holders.Remove((kind.Name, had));
        var now = row with { Thing = thing, Away = away };
        rows[kind.Name][places[(kind.Name, row.Key)]] = now;
        Hold(kind, now);
    }

    // Ids stay reserved when everything is replaced, so that none is used twice.
    public BackupContents Emptied()
    {
        var empty = new BackupContents();
        foreach (var (kind, id) in highest)
            empty.highest[kind] = id;
        return empty;
    }

    private void Hold(BackupKind kind, BackupRow row)
    {
        if (row.Away is null && Sole(row.Thing) is { } what)
            holders.TryAdd((kind.Name, what), row.Thing.Id);
    }

    private static string? Sole(Kept thing) =>
        thing switch
        {
            Gear gear => gear.Tag,
            Core.Rods.Calibration one => one.Name,
            Core.Logbook.OwnCaster person => person.Name,
            Core.Reels.Spool { LineId: { } line } => $"{line}",
            _ => null,
        };
}

/// <summary>References between things: ids in the database, keys in a file.</summary>
internal static class BackupRefs
{
    // The key for an id; null when the thing no longer exists.
    public static JsonNode? Named(Ref at, Kept thing, JsonNode value, BackupContents contents)
    {
        switch (at.Form)
        {
            case RefForm.Caster:
                return Casters.NumberOf(value.GetValue<string>()) is { } person
                    ? contents.KeyOf(BackupKind.Casters, person) is { } name
                        ? new JsonObject { ["person"] = name }
                        : null
                    : value.DeepClone();
            case RefForm.Tick:
                return
                    TickOf(value.GetValue<string>()) is var (word, kind, number)
                    && int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var ticked)
                    ? contents.KeyOf(kind, ticked) is { } its
                        ? $"{word}-{its}"
                        : null
                    : value.DeepClone();
            case RefForm.Cared:
                return BackupKind.PieceKind((Service)thing) is { } cared && contents.KeyOf(cared, value.GetValue<int>()) is { } piece
                    ? piece
                    : null;
            default:
                return contents.KeyOf(at.Kind, value.GetValue<int>());
        }
    }

    private static (string Word, string Kind, string Tail)? TickOf(string tick)
    {
        foreach (var (word, kind) in ((string, string)[])[("rod", BackupKind.Rods), ("line", BackupKind.Lines), ("reel", BackupKind.Reels)])
            if (tick.StartsWith(word + "-", StringComparison.Ordinal))
                return (word, kind, tick[(word.Length + 1)..]);
        return null;
    }

    // Replaces each value at a path; null removes it. Missing parts are skipped. Returns whether anything was removed.
    public static bool ChangeAt(JsonNode? node, string path, Func<JsonNode, JsonNode?> change)
    {
        var lost = false;
        var (name, rest) = path.Split('.', 2) is [var first, .. var others] ? (first, others.FirstOrDefault()) : (path, null);
        var list = name.EndsWith("[]", StringComparison.Ordinal);
        name = list ? name[..^2] : name;
        if (node is not JsonObject inside || inside[name] is not { } value)
            return false;
        if (!list)
        {
            if (rest is null)
                Put(change(value), v => inside[name] = v, () => inside.Remove(name));
            else
                lost |= ChangeAt(value, rest, change);
            return lost;
        }
        if (value is not JsonArray items)
            return false;
        for (var i = items.Count - 1; i >= 0; i--)
            if (rest is not null)
                lost |= ChangeAt(items[i], rest, change);
            else if (items[i] is { } item)
                Put(change(item), v => items[i] = v, () => items.RemoveAt(i));
        return lost;

        void Put(JsonNode? value, Action<JsonNode> put, Action remove)
        {
            if (value is null)
            {
                remove();
                lost = true;
            }
            else
                put(value);
        }
    }

    /// <summary>
    /// Whether a thing is meaningless without this reference, as a spool is without its reel. Optional references, such as a ticket's
    /// finished spool, and items of a list, such as a packed piece, are not needed.
    /// </summary>
    public static bool IsNeeded(BackupKind kind, Ref at, Kept thing) =>
        !at.Loose
        && (at.Form == RefForm.Number || (thing is Service service && BackupKind.PieceKind(service) is not null))
        && (at.Path == "pieces[].scrapId" || kind.Type.GetProperty(PlainText.Capital(at.Path))?.PropertyType == typeof(int));

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static (JsonNode? Found, string? Problem) Numbered(Ref at, JsonObject record, JsonNode value, BackupContents contents)
    {
        static string? Word(JsonNode node) => node is JsonValue v && v.TryGetValue<string>(out var text) ? text : null;
        (JsonNode?, string?) Find(string kind, string? key) =>
            key is null ? (null, "it is known by its key")
            : contents.Find(kind, key) is { } row ? (row.Thing.Id, null)
            : (null, $"there is no {BackupKind.Get(kind).One} “{Sheets.Quoted(key)}”");
        switch (at.Form)
        {
            case RefForm.Caster when value is JsonObject person:
                var (number, problem) = Find(BackupKind.Casters, person["person"] is { } who ? Word(who) : null);
                return (number is null ? null : Casters.OwnId(number.GetValue<int>()), problem);
            case RefForm.Caster:
                return Word(value) is { } id && Casters.Find(id) is not null ? (id, null) : (null, "no caster is called that");
            case RefForm.Tick:
                if (Word(value) is not { } tick)
                    return (null, "a tick is a word");
                if (TickOf(tick) is not var (word, kind, key))
                    return (tick, null);
                // A tick for something that no longer exists is dropped.
                return (contents.Find(kind, key) is { } ticked ? $"{word}-{ticked.Thing.Id}" : null, null);
            case RefForm.Cared:
                var task = CareTask.Find(record["taskId"] is { } t ? Word(t) : null);
                return task is null ? (null, "there is no such task")
                    : BackupKind.PieceKind(new() { TaskId = task.Id, On = default }) is { } cared ? Find(cared, Word(value))
                    : (0, null);
            default:
                return Find(at.Kind, Word(value));
        }
    }
}
