using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Measures;

namespace ZingCast.Store;

/// <summary>What to do with an entry that differs between the file and the stored data.</summary>
public enum BackupMerge
{
    /// <summary>Keep the stored one.</summary>
    Mine,

    /// <summary>Take the one in the file.</summary>
    Theirs,

    /// <summary>Replace all stored data by the file.</summary>
    Replace,
}

/// <summary>A fault in a backup: list, entry and field.</summary>
public sealed record BackupFault(string List, int Row, string Field, string Problem);

/// <summary>Changes that reading a file would make, or made, for one kind of thing.</summary>
/// <param name="List">Its list in the file.</param>
/// <param name="One">One of them in words.</param>
/// <param name="New">What comes new.</param>
/// <param name="Other">What is here too, but otherwise.</param>
/// <param name="Same">How many are the same.</param>
/// <param name="Gone">What is here and not in the file.</param>
public sealed record BackupChange(
    string List,
    string One,
    IReadOnlyList<string> New,
    IReadOnlyList<string> Other,
    int Same,
    IReadOnlyList<string> Gone
);

/// <summary>Result of reading a file.</summary>
/// <param name="Changes">By kind; kinds that neither has are left out.</param>
/// <param name="Faults">What cannot be; with any, nothing is kept.</param>
/// <param name="Notes">What was left out, and why.</param>
public sealed record BackupReading(IReadOnlyList<BackupChange> Changes, IReadOnlyList<BackupFault> Faults, IReadOnlyList<string> Notes);

/// <summary>
/// All stored data, or parts of it, as one JSON file. Things are identified by tag and name, never by row, so that a file can be read on
/// another server. Reading is all or nothing. The schema is published beside it.
/// </summary>
public static class BackupFile
{
    /// <summary>Format name and version in the file.</summary>
    public const string Format = "zing-cast";

    public const int Version = 1;

    /// <summary>Longest file that is read, bytes.</summary>
    public const int Longest = 64 << 20;

    /// <summary>The list of outings.</summary>
    public const string Log = BackupKind.Outings;

    // Most faults reported.
    private const int MostFaults = 100;

    internal const string Key = "key",
        Away = "away";

    internal static readonly JsonSerializerOptions Records = new(ZingDb.Documents)
    {
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
        RespectNullableAnnotations = true,
        RespectRequiredConstructorParameters = true,
        NumberHandling = JsonNumberHandling.Strict,
        TypeInfoResolver = new DefaultJsonTypeInfoResolver { Modifiers = { OnlyWhatIsKept, CompleteValues.RejectNullItems } },
    };

    // Derived values are not written, nor are row ids and versions. Null values are omitted, so they may be missing when read.
    private static void OnlyWhatIsKept(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        foreach (var optional in type.Properties.Where(p => p.IsRequired && p.IsSetNullable))
            optional.IsRequired = false;
        for (var i = type.Properties.Count - 1; i >= 0; i--)
            if (
                type.Properties[i] is var p
                && (
                    p.Set is null
                    || (typeof(Kept).IsAssignableFrom(type.Type) && p.Name == "version")
                    // How a rod feels is stored with the decisions of the log.
                    || (type.Type == typeof(Core.Rods.Rod) && p.Name == "felt")
                )
            )
                type.Properties.RemoveAt(i);
    }

    private static readonly JsonSerializerOptions Text = new()
    {
        WriteIndented = true,
        Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    internal static async Task<BackupContents> LoadAsync(ZingDb db, CancellationToken cancel)
    {
        var contents = new BackupContents();
        foreach (var kind in BackupKind.All)
        // Present things come first, so that they get the plain key.
        foreach (var (thing, away) in (await AllAsync(db, kind, cancel)).OrderBy(r => r.Away is not null).ThenBy(r => r.Thing.Id))
            contents.Add(kind, thing, away);
        return contents;
    }

    private static Task<List<(Kept Thing, DateTime? Away)>> AllAsync(ZingDb db, BackupKind kind, CancellationToken cancel) =>
        (Task<List<(Kept, DateTime?)>>)
            typeof(BackupFile)
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

    /// <summary>All stored data, or these lists, as a document.</summary>
    public static async Task<JsonObject> DocumentAsync(
        ZingDb db,
        DateTime savedAt,
        IReadOnlyList<string>? lists = null,
        CancellationToken cancel = default
    )
    {
        await using var snapshot = await db.SnapshotAsync(cancel);
        var contents = await LoadAsync(db, cancel);
        var document = new JsonObject
        {
            ["format"] = Format,
            ["version"] = Version,
            ["savedAt"] = savedAt,
        };
        foreach (var kind in BackupKind.All.Where(k => lists is null || lists.Contains(k.Name)))
            document[kind.Name] = new JsonArray([.. contents.Rows(kind).Select(r => Written(kind, r, contents)).OfType<JsonNode>()]);
        return document;
    }

    /// <summary>The same as text.</summary>
    public static async Task<string> WriteAsync(
        ZingDb db,
        DateTime savedAt,
        IReadOnlyList<string>? lists = null,
        CancellationToken cancel = default
    ) => (await DocumentAsync(db, savedAt, lists, cancel)).ToJsonString(Text);

    // Null for a thing whose reference was set aside, so that it could not be read. A trip's day without its brief is dropped from the
    // trip.
    private static JsonObject? Written(BackupKind kind, BackupRow row, BackupContents contents)
    {
        var needed = kind.Refs.Where(at => BackupRefs.IsNeeded(kind, at, row.Thing)).ToList();
        var record = (JsonObject)JsonSerializer.SerializeToNode(row.Thing, kind.Type, Records)!;
        if (needed.Any(at => BackupRefs.ChangeAt(record, at.Path, value => BackupRefs.Named(at, row.Thing, value, contents))))
            return null;
        var entry = Entry(kind, row, contents);
        if (entry["days"] is JsonArray days)
            for (var i = days.Count - 1; i >= 0; i--)
                if (days[i] is JsonObject day && !day.ContainsKey("briefId") && !day.ContainsKey("draft"))
                    days.RemoveAt(i);
        return entry;
    }

    internal static JsonObject Entry(BackupKind kind, BackupRow row, BackupContents contents)
    {
        var record = (JsonObject)JsonSerializer.SerializeToNode(row.Thing, kind.Type, Records)!;
        record.Remove("id");
        foreach (var at in kind.Refs)
            BackupRefs.ChangeAt(record, at.Path, value => BackupRefs.Named(at, row.Thing, value, contents));
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
    /// Compares a file with a snapshot of the data, or with the open transaction; nothing is written and no writer is blocked. Faults are
    /// named by list, entry (from 1) and field.
    /// </summary>
    public static async Task<BackupPlan> LookAsync(
        ZingDb db,
        string text,
        BackupMerge merge,
        DateOnly today,
        CancellationToken cancel = default
    )
    {
        List<BackupFault> faults = [];
        if (BackupReader.Parsed(text, faults) is not { } document)
            return new(new([], faults, []), merge, [], []);
        await using var snapshot = await db.SnapshotAsync(cancel);
        return new BackupReader(
            await LoadAsync(db, cancel),
            await db.ScrapsInJobs.AsNoTracking().ToDictionaryAsync(s => s.ScrapId, s => s.JobId, cancel),
            merge,
            today
        ).Read(document, cancel);
    }

    /// <summary>
    /// The same, and stores the result in the open transaction, which the caller commits. With any fault nothing is changed.
    /// </summary>
    public static async Task<BackupReading> ReadAsync(
        ZingDb db,
        string text,
        BackupMerge merge,
        DateOnly today,
        CancellationToken cancel = default
    )
    {
        var plan = await LookAsync(db, text, merge, today, cancel);
        if (plan.Read.Faults.Count == 0)
            await KeepAsync(db, plan, cancel);
        return plan.Read;
    }

    // New things are written in batches of this size; replacements one by one, in order.
    private const int AtOnce = 500;

    /// <summary>Stores the result of a comparison in the open transaction; nothing may have been written since.</summary>
    public static async Task KeepAsync(ZingDb db, BackupPlan plan, CancellationToken cancel = default)
    {
        if (db.Database.CurrentTransaction is null)
            throw new InvalidOperationException("A file is read within a transaction.");
        if (plan.Merge == BackupMerge.Replace)
            await EmptyAsync(db, cancel);
        var waiting = 0;
        async Task WriteAsync()
        {
            await db.SaveChangesAsync(cancel);
            // Nothing stays tracked between batches.
            db.ChangeTracker.Clear();
            waiting = 0;
        }
        foreach (var step in plan.Steps)
        {
            if (!step.IsNew && waiting > 0)
                await WriteAsync();
            var entry = step.IsNew ? db.Add(step.Thing) : db.Update(step.Thing);
            entry.Property(ZingDb.DeletedAt).CurrentValue = step.Away;
            if (!step.IsNew || ++waiting == AtOnce)
                await WriteAsync();
        }
        db.ScrapsInJobs.AddRange(plan.Held);
        await WriteAsync();
    }

    private static async Task EmptyAsync(ZingDb db, CancellationToken cancel)
    {
        await db.ScrapsInJobs.ExecuteDeleteAsync(cancel);
        foreach (var kind in BackupKind.All.Reverse())
            await (Task<int>)
                typeof(BackupFile)
                    .GetMethod(nameof(EmptyOfAsync), System.Reflection.BindingFlags.NonPublic | System.Reflection.BindingFlags.Static)!
                    .MakeGenericMethod(kind.Type)
                    .Invoke(null, [db, cancel])!;
        db.ChangeTracker.Clear();
    }

    private static Task<int> EmptyOfAsync<T>(ZingDb db, CancellationToken cancel)
        where T : Kept => db.Set<T>().IgnoreQueryFilters().ExecuteDeleteAsync(cancel);

    /// <summary>Differences between two documents, in both directions.</summary>
    public static IReadOnlyList<BackupChange> Differences(JsonObject then, JsonObject now)
    {
        static Dictionary<string, JsonNode?> InvokeFor(JsonObject document, BackupKind kind) =>
            (document[kind.Name] as JsonArray ?? []).ToDictionary(e => e![Key]!.GetValue<string>(), e => e);
        List<BackupChange> changes = [];
        foreach (var kind in BackupKind.All)
        {
            var (was, there) = (InvokeFor(then, kind), InvokeFor(now, kind));
            var change = new BackupChange(
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
