using System.Diagnostics.CodeAnalysis;
using System.Text;
using System.Text.Json;
using System.Text.Json.Nodes;
using ZingCast.Core.Cutting;
using ZingCast.Core.Logbook;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;

namespace ZingCast.Store;

/// <summary>Result of reading a file, ready to be stored.</summary>
/// <param name="Read">What changes, or why nothing does.</param>
/// <param name="Merge">What was to be done with what both have.</param>
/// <param name="Steps">Things to write, in order; one that takes the place of another has its number.</param>
/// <param name="Held">Scraps that belong to the jobs that come.</param>
public sealed record BackupPlan(BackupReading Read, BackupMerge Merge, IReadOnlyList<BackupStep> Steps, IReadOnlyList<ScrapInJob> Held);

/// <summary>A thing to write, and when it was archived.</summary>
public readonly record struct BackupStep(Kept Thing, DateTime? Away, bool IsNew);

/// <summary>
/// Compares a document with the stored data, in time linear in their size. Writes nothing: new things get their ids here, so that
/// references to them can be resolved.
/// </summary>
internal sealed class BackupReader(BackupContents before, IReadOnlyDictionary<int, int> jobOfScrap, BackupMerge merge, DateOnly today)
{
    // Most faults reported.
    private const int MostFaults = 100;

    private readonly BackupContents contents = merge == BackupMerge.Replace ? before.Emptied() : before;
    private readonly List<BackupFault> faults = [];
    private readonly List<string> notes = [];
    private readonly List<BackupChange> changes = [];
    private readonly List<BackupStep> steps = [];

    public BackupPlan Read(JsonObject document, CancellationToken cancel)
    {
        foreach (var kind in BackupKind.All)
            Read(kind, document, cancel);
        var held = faults.Count == 0 ? Held() : [];
        return new(new(changes, faults, [.. notes.Distinct()]), merge, steps, held);
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private void Read(BackupKind kind, JsonObject document, CancellationToken cancel)
    {
        // Kinds missing from the file stay as they are, unless everything is replaced.
        var spoken = document.ContainsKey(kind.Name) || merge == BackupMerge.Replace;
        var entries = document[kind.Name] as JsonArray ?? [];
        var was = before.Rows(kind).Select(r => r.Key).ToList();
        var (fresh, other, same) = (new List<string>(), new List<string>(), 0);
        HashSet<string> seen = [];
        // Spools whose line is on another spool, which may release it further down the file.
        List<(string Key, Spool Wanted)> late = [];
        for (var i = 0; i < entries.Count && faults.Count < MostFaults; i++)
        {
            cancel.ThrowIfCancellationRequested();
            void Fault(string field, string problem) => faults.Add(new(kind.Name, i + 1, field, problem));
            if (
                entries[i] is not JsonObject entry
                || entry[BackupFile.Key] is not JsonValue named
                || !named.TryGetValue<string>(out var key)
            )
            {
                Fault(BackupFile.Key, "Every entry has a key: what it is known by.");
                continue;
            }
            if (!seen.Add(key))
            {
                Fault(BackupFile.Key, $"Two entries have the key “{Sheets.Quoted(key)}”.");
                continue;
            }
            if (Record(kind, entry, Fault) is not var (thing, away))
                continue;
            var mine = before.Find(kind.Name, key);
            var row = merge == BackupMerge.Replace ? null : mine;
            var isSame =
                mine is not null
                && JsonNode.DeepEquals(BackupFile.Entry(kind, mine, before), BackupFile.Entry(kind, new(thing, away, key), contents));
            if (isSame)
                same++;
            else
                (mine is null ? fresh : other).Add(key);
            if (row is not null && (isSame || merge == BackupMerge.Mine))
                continue;
            thing = row is null ? thing with { Id = contents.NextId(kind) } : thing with { Id = row.Thing.Id, Version = row.Thing.Version };
            if (Clash(kind, thing, away) is { } clash)
            {
                if (thing is not Spool spool)
                {
                    Fault(BackupFile.Key, clash);
                    continue;
                }
                late.Add((key, spool));
                thing = spool with { LineId = null };
            }
            steps.Add(new(thing, away, row is null));
            if (row is null)
                contents.Add(kind, thing, away, key);
            else
                contents.Change(kind, row, thing, away);
        }
        GiveLines(kind, late);
        List<string> gone = spoken ? [.. was.Where(k => !seen.Contains(k))] : [];
        if (fresh.Count + other.Count + same + gone.Count > 0)
            changes.Add(new(kind.Name, kind.One, fresh, other, same, gone));
    }

    // Gives lines to spools that were read without, where the lines are free by now.
    private void GiveLines(BackupKind kind, List<(string Key, Spool Wanted)> late)
    {
        foreach (var (key, wanted) in late)
        {
            var bare = contents.Find(kind.Name, key)!;
            var full = (Spool)bare.Thing with { LineId = wanted.LineId };
            if (Clash(kind, full, bare.Away) is { } clash)
            {
                notes.Add(clash);
                continue;
            }
            // Written again, over the version without a line.
            steps.Add(new(full with { Version = full.Version + 1 }, bare.Away, false));
            contents.Change(kind, bare, full, bare.Away);
        }
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    internal static JsonObject? Parsed(string text, List<BackupFault> faults)
    {
        void Fault(int line, string field, string problem) => faults.Add(new("file", line, field, problem));
        JsonNode? node;
        try
        {
            var utf8 = new UTF8Encoding(false, throwOnInvalidBytes: true).GetBytes(text.TrimStart('\uFEFF'));
            if (InvalidText(utf8) is { } odd)
            {
                Fault(odd, "text", "A text in this line has half a sign in it: one that stands for nothing by itself.");
                return null;
            }
            node = JsonNode.Parse(utf8, documentOptions: new() { MaxDepth = 32, AllowDuplicateProperties = false });
        }
        catch (EncoderFallbackException odd)
        {
            var line = text.AsSpan(0, Math.Clamp(odd.Index, 0, text.Length)).Count('\n') + 1;
            Fault(line, "text", "A text in this line has half a sign in it: one that stands for nothing by itself.");
            return null;
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
        if (node is not JsonObject document || (document["format"] as JsonValue)?.ToString() != BackupFile.Format)
        {
            Fault(1, "format", "This is no file of Zing Cast: its first field says format: zing-cast.");
            return null;
        }
        if (document["version"] is not JsonValue version || !version.TryGetValue<int>(out var number) || number < 1)
            Fault(1, "version", "The file does not say which version of the format it is.");
        else if (number > BackupFile.Version)
            Fault(1, "version", $"The file is of version {number}; this Zing Cast reads up to {BackupFile.Version}. Take a newer one.");
        foreach (var (name, value) in document)
            if (name is not ("format" or "version" or "savedAt" or "$schema"))
                if (BackupKind.All.All(k => k.Name != name))
                    Fault(1, name, "There is no such list.");
                else if (value is not JsonArray)
                    Fault(1, name, "This is a list.");
        return faults.Count == 0 ? document : null;
    }

    // Line of the first invalid text: an escape may encode a lone surrogate, which cannot become a string.
    private static int? InvalidText(byte[] utf8)
    {
        var reader = new Utf8JsonReader(utf8, new() { MaxDepth = 32 });
        while (reader.Read())
            if (reader.TokenType is JsonTokenType.String or JsonTokenType.PropertyName && reader.ValueIsEscaped)
                try
                {
                    reader.GetString();
                }
                catch (InvalidOperationException)
                {
                    return utf8.AsSpan(0, (int)reader.TokenStartIndex).Count((byte)'\n') + 1;
                }
        return null;
    }

    // An entry as a record with the ids used here; null when it has a fault.
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private (Kept Thing, DateTime? Away)? Record(BackupKind kind, JsonObject entry, Action<string, string> fault)
    {
        var record = (JsonObject)entry.DeepClone();
        DateTime? away = null;
        if (record[BackupFile.Away] is { } put)
        {
            if (put is not JsonValue at || !at.TryGetValue<DateTime>(out var day))
            {
                fault(BackupFile.Away, "Say when it was put away, as 2026-05-30T18:00:00Z.");
                return null;
            }
            away = day.ToUniversalTime();
        }
        record.Remove(BackupFile.Away);
        var name = entry[BackupFile.Key]!.GetValue<string>();
        if (kind.Type != typeof(Outing))
            record.Remove(BackupFile.Key);
        if (record.ContainsKey("id") || record.ContainsKey("version"))
        {
            fault("id", "Rows have no numbers in a file; they are known by their key.");
            return null;
        }
        var sound = true;
        // The task gives the kind of the piece, so it is resolved first.
        foreach (var at in kind.Refs)
            BackupRefs.ChangeAt(
                record,
                at.Path,
                value =>
                {
                    var (found, said) = BackupRefs.Numbered(at, record, value, contents);
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
            thing = (Kept)record.Deserialize(kind.Type, BackupFile.Records)!;
        }
        catch (InvalidValueException odd)
        {
            fault(odd.Field, odd.Problem);
            return null;
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
        var wrong = Soundness.Problems(thing, today);
        foreach (var problem in wrong)
            fault(problem.Field, problem.Problem);
        return wrong.Count > 0 ? null : (thing, away);
    }

    private static string Article(string words) => PlainText.Capital($"{PlainText.Article(words)} {words}");

    private static string? Missing(string message) =>
        message.Split("missing required properties including: '") is [_, var rest] ? rest.Split('\'')[0] : null;

    // Uniqueness: a tag or name, and a line on two spools.
    private string? Clash(BackupKind kind, Kept thing, DateTime? away)
    {
        var holder = away is null ? contents.Holder(kind, thing) : 0;
        if (holder == 0 || holder == thing.Id)
            return null;
        return thing switch
        {
            Gear gear => $"Another piece already carries the tag {gear.Tag}.",
            Core.Rods.Calibration one => $"Another calibration has the name {one.Name}.",
            OwnCaster person => $"There is a {person.Name} already.",
            Spool { LineId: { } line } =>
                $"{contents.Called(BackupKind.Lines, line)} lies on another spool here already; it is noted without it.",
            _ => null,
        };
    }

    // Scraps of jobs in work, or of finished heads, belong to those jobs.
    private List<ScrapInJob> Held()
    {
        var jobs = BackupKind.Get(BackupKind.CutJobs);
        var owner = merge == BackupMerge.Replace ? [] : new Dictionary<int, int>(jobOfScrap);
        var holding = owner.Values.ToHashSet();
        List<ScrapInJob> held = [];
        foreach (var job in contents.Rows(jobs).Where(r => r.Away is null && !holding.Contains(r.Thing.Id)).Select(r => (CutJob)r.Thing))
        foreach (var piece in job.Pieces)
        {
            if (!owner.TryAdd(piece.ScrapId, job.Id))
            {
                faults.Add(new(jobs.Name, 1, "pieces", $"The scrap {piece.Tag} is in another job here."));
                return [];
            }
            held.Add(new() { ScrapId = piece.ScrapId, JobId = job.Id });
        }
        return held;
    }
}
