using System.Text.Json.Nodes;
using System.Text.Json.Schema;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Store;

/// <summary>The published schema of a backup (JSON Schema 2020-12), derived from the records.</summary>
public static class BackupSchema
{
    private const string Id = "urn:zing-cast:house:1";

    /// <summary>The schema.</summary>
    public static JsonObject Write()
    {
        var lists = new JsonObject
        {
            ["$schema"] = new JsonObject { ["type"] = "string" },
            ["format"] = new JsonObject { ["const"] = BackupFile.Format },
            ["version"] = new JsonObject { ["const"] = BackupFile.Version },
            ["savedAt"] = new JsonObject { ["type"] = "string", ["format"] = "date-time" },
        };
        foreach (var kind in BackupKind.All)
            lists[kind.Name] = new JsonObject { ["type"] = "array", ["items"] = EntrySchema(kind) };
        return new()
        {
            ["$schema"] = "https://json-schema.org/draft/2020-12/schema",
            ["$id"] = Id,
            ["title"] = "Everything a Zing Cast keeps, or a part of it",
            ["description"] =
                "SI units: metres, kilograms, seconds, newtons. Things are known by key, which is a tag, a name or what it is about.",
            ["type"] = "object",
            ["properties"] = lists,
            ["required"] = new JsonArray("format", "version"),
            ["additionalProperties"] = false,
        };
    }

    private static JsonObject EntrySchema(BackupKind kind)
    {
        var schema = (JsonObject)BackupFile.Records.GetJsonSchemaAsNode(kind.Type, new() { TreatNullObliviousAsNonNullable = true });
        schema["type"] = "object";
        var fields = (JsonObject)schema["properties"]!;
        fields.Remove("id");
        foreach (var field in ShedFields.For(kind.Type))
            if (fields[field.Name] is JsonObject told)
                Limit(told, field);
        foreach (var at in kind.Refs)
            InSchema(schema, at);
        Rebased(schema, $"#/properties/{kind.Name}/items");
        fields[BackupFile.Key] = new JsonObject { ["type"] = "string", ["minLength"] = 1 };
        fields[BackupFile.Away] = new JsonObject { ["type"] = "string", ["format"] = "date-time" };
        schema["required"] = new JsonArray([
            BackupFile.Key,
            .. (schema["required"] as JsonArray ?? []).Select(r => r!.GetValue<string>()).Where(r => r is not (BackupFile.Key or "id")),
        ]);
        schema["additionalProperties"] = false;
        return schema;
    }

    // Limits of a field, from its check.
    private static void Limit(JsonObject schema, Field field)
    {
        schema["title"] = field.Label;
        if (field.Longest is { } longest)
            schema["maxLength"] = longest;
        if (field.Limit is { } limit)
            (schema["minimum"], schema["maximum"]) = (limit.Low, limit.High);
        if (field is { Shape: FieldShape.Choice, Choices: var choices } && schema["enum"] is null)
            schema["enum"] = new JsonArray([
                .. choices.Select(c => JsonValue.Create(c.Id)),
                .. field.Must ? Array.Empty<JsonNode?>() : [null],
            ]);
    }

    // A reference is a string where the record has an id.
    private static void InSchema(JsonObject schema, Ref at)
    {
        var node = schema;
        var names = at.Path.Split('.');
        for (var i = 0; i < names.Length; i++)
        {
            var (name, list) = (names[i].TrimEnd('[', ']'), names[i].EndsWith(']'));
            var fields = (JsonObject)node["properties"]!;
            if (i == names.Length - 1)
            {
                if (list)
                    fields[name]!["items"] = RefSchema(at);
                else
                    fields[name] = RefSchema(at);
                return;
            }
            node = (JsonObject)(list ? fields[name]!["items"]! : fields[name]!);
        }
    }

    // Repeated types are defined once and referred to; the pointers start at the root of the whole schema.
    private static void Rebased(JsonNode? node, string root)
    {
        if (node is JsonArray items)
            foreach (var item in items)
                Rebased(item, root);
        if (node is not JsonObject fields)
            return;
        foreach (var (name, value) in fields.ToList())
            if (name == "$ref" && value!.GetValue<string>() is ['#', ..] pointer)
                fields[name] = root + pointer[1..];
            else
                Rebased(value, root);
    }

    private static JsonObject RefSchema(Ref at) =>
        at.Form == RefForm.Caster
            ? new JsonObject
            {
                ["anyOf"] = new JsonArray(
                    new JsonObject { ["enum"] = new JsonArray([.. Casters.Rows.Select(c => JsonValue.Create(c.Id))]) },
                    new JsonObject
                    {
                        ["type"] = "object",
                        ["properties"] = new JsonObject { ["person"] = new JsonObject { ["type"] = "string" } },
                        ["required"] = new JsonArray("person"),
                        ["additionalProperties"] = false,
                    }
                ),
            }
            : new JsonObject { ["type"] = at.Form == RefForm.Cared ? new JsonArray("string", "integer") : "string" };
}
