using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Cutting;
using ZingCast.Core.Logbook;
using ZingCast.Core.Measures;

namespace ZingCast.Store;

/// <summary>What to do with what a file has and the house has too, but otherwise.</summary>
public enum HouseMerge
{
    /// <summary>What is here stays.</summary>
    Mine,

    /// <summary>What the file has takes its place.</summary>
    Theirs,

    /// <summary>Nothing of what is here is kept: the house is as the file says.</summary>
    Replace,
}

/// <summary>A fault in a file of a house: the list and entry, and the field of it.</summary>
public sealed record HouseFault(string List, int Row, string Field, string Problem);

/// <summary>What a file would change, or changed, in one kind of thing.</summary>
/// <param name="List">Its list in the file.</param>
/// <param name="One">One of them in words.</param>
/// <param name="New">What comes new.</param>
/// <param name="Other">What is here too, but otherwise.</param>
/// <param name="Same">How many are the same.</param>
/// <param name="Gone">What is here and not in the file.</param>
public sealed record HouseChange(
    string List,
    string One,
    IReadOnlyList<string> New,
    IReadOnlyList<string> Other,
    int Same,
    IReadOnlyList<string> Gone
);

/// <summary>What reading a file comes to.</summary>
/// <param name="Changes">By kind; kinds that neither has are left out.</param>
/// <param name="Faults">What cannot be; with any, nothing is kept.</param>
/// <param name="Notes">What was left out, and why.</param>
public sealed record HouseRead(IReadOnlyList<HouseChange> Changes, IReadOnlyList<HouseFault> Faults, IReadOnlyList<string> Notes);

/// <summary>
/// Everything kept as one JSON file, or a part of it. Things are known by tag and name, never by row, so that a file can be read into
/// another house. Reading is all or nothing. The schema is published beside it.
/// </summary>
public static class HouseFile
{
    /// <summary>What a file says it is, and which version of it this is.</summary>
    public const string Format = "zing-cast";

    public const int Version = 1;

    /// <summary>Longest file that is read, bytes.</summary>
    public const int Longest = 64 << 20;

    /// <summary>The list of outings.</summary>
    public const string Log = HouseKind.Outings;

    // More faults are not told.
    private const int MostFaults = 100;

    internal const string Key = "key",
        Away = "away";

    internal static readonly JsonSerializerOptions Records = new(ZingDb.Documents)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        NumberHandling = JsonNumberHandling.Strict,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { OnlyWhatIsKept } },
    };

    // What follows from the rest is not kept, and rows and versions are this house's own.
    private static void OnlyWhatIsKept(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        for (var i = type.Properties.Count - 1; i >= 0; i--)
            if (type.Properties[i] is var p && (p.Set is null || (typeof(Kept).IsAssignableFrom(type.Type) && p.Name == "version")))
                type.Properties.RemoveAt(i);
    }

    private static readonly JsonSerializerOptions Text = new()
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    private static async Task<House> LoadAsync(ZingDb db, CancellationToken cancel)
    {
        var house = new House();
        foreach (var kind in HouseKind.All)
        // What is there comes first, so that it keeps the plain key.
        foreach (var (thing, away) in (await AllAsync(db, kind, cancel)).OrderBy(r => r.Away is not null).ThenBy(r => r.Thing.Id))
            house.Add(kind, thing, away);
        return house;
    }

    private static Task<List<(Kept Thing, DateTime? Away)>> AllAsync(ZingDb db, HouseKind kind, CancellationToken cancel) =>
        (Task<List<(Kept, DateTime?)>>)
            typeof(HouseFile)
                .GetMethod(nameof(AllOfAsync), System.Reflection.BindingFlags.NonPublic | System.Reflection.BindingFlags.Static)!
                .MakeGenericMethod(kind.Type)
                .Invoke(null, [db, cancel])!;

    private static async Task<List<(Kept Thing, DateTime? Away)>> AllOfAsync<T>(ZingDb db, CancellationToken cancel)
        where T : Kept =>
        [
            .. (
                await db.Set<T>()
                    .IgnoreQueryFilters()
                    .AsNoTracking()
                    .Select(x => new { Thing = x, Away = EF.Property<DateTime?>(x, ZingDb.DeletedAt) })
                    .ToListAsync(cancel)
            ).Select(x => ((Kept)x.Thing, x.Away)),
        ];

    /// <summary>Everything kept, or these lists of it, as a document.</summary>
    public static async Task<JsonObject> DocumentAsync(
        ZingDb db,
        DateTime savedAt,
        IReadOnlyList<string>? lists = null,
        CancellationToken cancel = default
    )
    {
        await using var transaction = db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync(cancel) : null;
        var house = await LoadAsync(db, cancel);
        var document = new JsonObject
        {
            ["format"] = Format,
            ["version"] = Version,
            ["savedAt"] = savedAt,
        };
        foreach (var kind in HouseKind.All.Where(k => lists is null || lists.Contains(k.Name)))
            document[kind.Name] = new JsonArray([.. house.Rows.GetValueOrDefault(kind.Name, []).Select(r => Entry(kind, r, house))]);
        return document;
    }

    /// <summary>The same as text.</summary>
    public static async Task<string> WriteAsync(
        ZingDb db,
        DateTime savedAt,
        IReadOnlyList<string>? lists = null,
        CancellationToken cancel = default
    ) => (await DocumentAsync(db, savedAt, lists, cancel)).ToJsonString(Text);

    private static JsonObject Entry(HouseKind kind, HouseRow row, House house)
    {
        var record = (JsonObject)JsonSerializer.SerializeToNode(row.Thing, kind.Type, Records)!;
        record.Remove("id");
        foreach (var at in kind.Refs)
            HouseRefs.Along(record, at.Path, value => HouseRefs.Named(at, row.Thing, value, house));
        var entry = new JsonObject { [Key] = row.Key };
        if (row.Away is { } away)
            entry[Away] = away;
        foreach (var (name, value) in record.ToList())
        {
            record.Remove(name);
            // An outing's key is a field of its own.
            if (!entry.ContainsKey(name))
                entry[name] = value;
        }
        return entry;
    }

    /// <summary>
    /// Reads a file into the house within one transaction, which the caller commits, or does not: then nothing was changed. Faults are
    /// named by list, entry (from 1) and field; with any, what was done must not be committed.
    /// </summary>
    public static async Task<HouseRead> ReadAsync(
        ZingDb db,
        string text,
        HouseMerge merge,
        DateOnly today,
        CancellationToken cancel = default
    )
    {
        List<HouseFault> faults = [];
        List<string> notes = [];
        if (Parsed(text, faults) is not { } document)
            return new([], faults, []);
        if (db.Database.CurrentTransaction is null)
            throw new InvalidOperationException("A file is read within a transaction.");
        // Kinds that the file does not speak of stay as they are, unless all is replaced.
        var spoken = HouseKind.All.Where(k => document.ContainsKey(k.Name)).ToList();
        var before = await LoadAsync(db, cancel);
        if (merge == HouseMerge.Replace)
            await EmptyAsync(db, cancel);
        var house = merge == HouseMerge.Replace ? new House() : before;
        List<HouseChange> changes = [];
        foreach (var kind in HouseKind.All)
        {
            var entries = document[kind.Name] as JsonArray ?? [];
            var (fresh, other, same) = (new List<string>(), new List<string>(), 0);
            HashSet<string> seen = [];
            // Spools whose line lies on another one: it may give it up further down.
            List<(string Key, Core.Reels.Spool Wanted)> late = [];
            for (var i = 0; i < entries.Count && faults.Count < MostFaults; i++)
            {
                void Fault(string field, string problem) => faults.Add(new(kind.Name, i + 1, field, problem));
                if (entries[i] is not JsonObject entry || entry[Key] is not JsonValue named || !named.TryGetValue<string>(out var key))
                {
                    Fault(Key, "Every entry has a key: what it is known by.");
                    continue;
                }
                if (!seen.Add(key))
                {
                    Fault(Key, $"Two entries have the key “{Sheets.Quoted(key)}”.");
                    continue;
                }
                var mine = before.Find(kind.Name, key);
                if (Read(kind, entry, house, today, Fault, notes) is not var (thing, away))
                    continue;
                var row = merge == HouseMerge.Replace ? null : mine;
                if (row is not null)
                {
                    if (JsonNode.DeepEquals(Entry(kind, row, house), Entry(kind, new(thing, away, row.Key), house)))
                    {
                        same++;
                        continue;
                    }
                    other.Add(key);
                    if (merge == HouseMerge.Mine)
                        continue;
                    thing = thing with { Id = row.Thing.Id, Version = row.Thing.Version };
                }
                else if (mine is null)
                    fresh.Add(key);
                else if (JsonNode.DeepEquals(Entry(kind, mine, before), Entry(kind, new(thing, away, mine.Key), house)))
                    same++;
                else
                    other.Add(key);
                if (Clash(kind, thing, away, house) is { } clash)
                {
                    if (thing is Core.Reels.Spool spool)
                    {
                        late.Add((key, spool));
                        thing = spool with { LineId = null };
                    }
                    else
                    {
                        Fault(Key, clash);
                        continue;
                    }
                }
                await KeepAsync(db, thing, away, cancel);
                if (row is null)
                    house.Add(kind, thing, away, key);
                else
                    house.Change(kind, row, thing, away);
            }
            foreach (var (key, wanted) in late)
            {
                var bare = house.Find(kind.Name, key)!;
                var full = (Core.Reels.Spool)bare.Thing with { LineId = wanted.LineId };
                if (Clash(kind, full, bare.Away, house) is { } clash)
                {
                    notes.Add(clash);
                    continue;
                }
                await KeepAsync(db, full, bare.Away, cancel);
                house.Change(kind, bare, full, bare.Away);
            }
            if (faults.Count == 0 && kind.Type == typeof(CutJob))
                await HoldAsync(db, (field, problem) => faults.Add(new(kind.Name, 1, field, problem)), cancel);
            var gone =
                spoken.Contains(kind) || merge == HouseMerge.Replace
                    ? before.Rows.GetValueOrDefault(kind.Name, []).Select(r => r.Key).Where(k => !seen.Contains(k)).ToList()
                    : [];
            if (fresh.Count + other.Count + same + gone.Count > 0)
                changes.Add(new(kind.Name, kind.One, fresh, other, same, gone));
        }
        return new(changes, faults, [.. notes.Distinct()]);
    }

    private static JsonObject? Parsed(string text, List<HouseFault> faults)
    {
        void Fault(int line, string field, string problem) => faults.Add(new("file", line, field, problem));
        JsonNode? node;
        try
        {
            node = JsonNode.Parse(text.TrimStart('\uFEFF'), documentOptions: new() { MaxDepth = 32, AllowDuplicateProperties = false });
        }
        catch (JsonException odd)
        {
            Fault(
                (int)(odd.LineNumber ?? 0) + 1,
                "text",
                $"This is no JSON: something is wrong at sign {(odd.BytePositionInLine ?? 0) + 1}."
            );
            return null;
        }
        if (node is not JsonObject document || (document["format"] as JsonValue)?.ToString() != Format)
        {
            Fault(1, "format", "This is no file of Zing Cast: its first field says format: zing-cast.");
            return null;
        }
        if (document["version"] is not JsonValue version || !version.TryGetValue<int>(out var number) || number < 1)
            Fault(1, "version", "The file does not say which version of the format it is.");
        else if (number > Version)
            Fault(1, "version", $"The file is of version {number}; this Zing Cast reads up to {Version}. Take a newer one.");
        foreach (var (name, value) in document)
            if (name is not ("format" or "version" or "savedAt" or "$schema"))
                if (HouseKind.All.All(k => k.Name != name))
                    Fault(1, name, "There is no such list.");
                else if (value is not JsonArray)
                    Fault(1, name, "This is a list.");
        return faults.Count == 0 ? document : null;
    }

    // An entry as the record it is, with this house's numbers; null when it has a fault.
    private static (Kept Thing, DateTime? Away)? Read(
        HouseKind kind,
        JsonObject entry,
        House house,
        DateOnly today,
        Action<string, string> fault,
        List<string> notes
    )
    {
        var record = (JsonObject)entry.DeepClone();
        DateTime? away = null;
        if (record[Away] is { } put)
        {
            if (put is not JsonValue at || !at.TryGetValue<DateTime>(out var day))
            {
                fault(Away, "Say when it was put away, as 2026-05-30T18:00:00Z.");
                return null;
            }
            away = day.ToUniversalTime();
        }
        record.Remove(Away);
        var name = entry[Key]!.GetValue<string>();
        if (kind.Type != typeof(Outing))
            record.Remove(Key);
        if (record.ContainsKey("id") || record.ContainsKey("version"))
        {
            fault("id", "Rows have no numbers in a file; they are known by their key.");
            return null;
        }
        var sound = true;
        // The task says what kind of piece it is about, so it is looked at before the piece.
        foreach (var at in kind.Refs)
            HouseRefs.Along(
                record,
                at.Path,
                value =>
                {
                    var (found, said) = HouseRefs.Numbered(at, record, value, house);
                    if (said is not null)
                    {
                        if (at.Loose)
                            notes.Add($"{Article(kind.One)} {Sheets.Quoted(name)}: {said}; it is read without it.");
                        else
                        {
                            fault(at.Path, said + ".");
                            sound = false;
                        }
                    }
                    return found;
                }
            );
        if (!sound)
            return null;
        Kept thing;
        try
        {
            thing = (Kept)record.Deserialize(kind.Type, Records)!;
        }
        catch (Exception odd) when (odd is JsonException or InvalidOperationException or FormatException)
        {
            var path = (odd as JsonException)?.Path?.TrimStart('$').TrimStart('.');
            fault(
                path is { Length: > 0 } ? path : Missing(odd.Message) ?? "entry",
                Missing(odd.Message) is not null
                    ? "This is missing."
                    : "This could not be read: check the value and its type, and that there is such a field."
            );
            return null;
        }
        IReadOnlyList<FieldProblem> wrong;
        try
        {
            wrong = thing.Check(today);
        }
        catch (Exception odd) when (odd is NullReferenceException or ArgumentException)
        {
            // A list with a hole in it.
            fault("entry", "Something in this entry is empty that cannot be.");
            return null;
        }
        foreach (var problem in wrong)
            fault(problem.Field, problem.Problem);
        return wrong.Count > 0 ? null : (thing, away);
    }

    private static string Article(string words) => PlainText.Capital($"{PlainText.Article(words)} {words}");

    private static string? Missing(string message) =>
        message.Split("missing required properties including: '") is [_, var rest] ? rest.Split('\'')[0] : null;

    // What the house cannot have twice: a tag or a name, and a line on two spools.
    private static string? Clash(HouseKind kind, Kept thing, DateTime? away, House house)
    {
        if (away is not null)
            return null;
        var others = house.Rows.GetValueOrDefault(kind.Name, []).Where(r => r.Away is null && r.Thing.Id != thing.Id).Select(r => r.Thing);
        return thing switch
        {
            Gear gear when others.OfType<Gear>().Any(g => g.Tag == gear.Tag) => $"Another piece already carries the tag {gear.Tag}.",
            Core.Rods.Calibration one when others.OfType<Core.Rods.Calibration>().Any(c => c.Name == one.Name) =>
                $"Another calibration has the name {one.Name}.",
            OwnCaster person when others.OfType<OwnCaster>().Any(p => p.Name == person.Name) => $"There is a {person.Name} already.",
            Core.Reels.Spool { LineId: { } line } when others.OfType<Core.Reels.Spool>().Any(s => s.LineId == line) =>
                $"{house.Called(HouseKind.Lines, line)} lies on another spool here already; it is noted without it.",
            _ => null,
        };
    }

    private static async Task KeepAsync(ZingDb db, Kept thing, DateTime? away, CancellationToken cancel)
    {
        var entry = db.Update(thing);
        entry.Property(ZingDb.DeletedAt).CurrentValue = away;
        await db.SaveChangesAsync(cancel);
        // A number that was given is known from now on; nothing is tracked from one entry to the next.
        entry.State = EntityState.Detached;
    }

    // Scraps of jobs that are on the bench, or in a head that was made of them, belong to those jobs.
    private static async Task HoldAsync(ZingDb db, Action<string, string> fault, CancellationToken cancel)
    {
        var held = await db.ScrapsInJobs.AsNoTracking().ToListAsync(cancel);
        foreach (var job in await db.CutJobs.AsNoTracking().ToListAsync(cancel))
        {
            if (held.Any(h => h.JobId == job.Id))
                continue;
            foreach (var piece in job.Pieces)
            {
                if (held.Any(h => h.ScrapId == piece.ScrapId))
                {
                    fault("pieces", $"The scrap {piece.Tag} is in another job here.");
                    return;
                }
                var one = new ScrapInJob { ScrapId = piece.ScrapId, JobId = job.Id };
                db.ScrapsInJobs.Add(one);
                held.Add(one);
            }
        }
        await db.SaveChangesAsync(cancel);
        db.ChangeTracker.Clear();
    }

    private static async Task EmptyAsync(ZingDb db, CancellationToken cancel)
    {
        await db.ScrapsInJobs.ExecuteDeleteAsync(cancel);
        foreach (var kind in HouseKind.All.Reverse())
            await (Task<int>)
                typeof(HouseFile)
                    .GetMethod(nameof(EmptyOfAsync), System.Reflection.BindingFlags.NonPublic | System.Reflection.BindingFlags.Static)!
                    .MakeGenericMethod(kind.Type)
                    .Invoke(null, [db, cancel])!;
        db.ChangeTracker.Clear();
    }

    private static Task<int> EmptyOfAsync<T>(ZingDb db, CancellationToken cancel)
        where T : Kept => db.Set<T>().IgnoreQueryFilters().ExecuteDeleteAsync(cancel);

    /// <summary>What another look at a house has that this one has not, and the other way round; both as documents.</summary>
    public static IReadOnlyList<HouseChange> Differences(JsonObject then, JsonObject now)
    {
        static Dictionary<string, JsonNode?> Of(JsonObject document, HouseKind kind) =>
            (document[kind.Name] as JsonArray ?? []).ToDictionary(e => e![Key]!.GetValue<string>(), e => e);
        List<HouseChange> changes = [];
        foreach (var kind in HouseKind.All)
        {
            var (was, there) = (Of(then, kind), Of(now, kind));
            var change = new HouseChange(
                kind.Name,
                kind.One,
                [.. was.Keys.Where(k => !there.ContainsKey(k))],
                [.. was.Keys.Where(k => there.TryGetValue(k, out var n) && !JsonNode.DeepEquals(was[k], n))],
                was.Keys.Count(k => there.TryGetValue(k, out var n) && JsonNode.DeepEquals(was[k], n)),
                [.. there.Keys.Where(k => !was.ContainsKey(k))]
            );
            if (change.New.Count + change.Other.Count + change.Gone.Count > 0)
                changes.Add(change);
        }
        return changes;
    }
}
