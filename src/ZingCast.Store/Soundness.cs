using System.Text.Json;
using ZingCast.Core.Measures;

namespace ZingCast.Store;

/// <summary>Whether a thing is valid: by its own check, and because everything derived from it can be computed.</summary>
public static class Soundness
{
    // As a page would get it, with all derived values: infinite numbers, undefined words and missing things cannot be written.
    private static readonly JsonSerializerOptions Shown = new(ZingDb.Documents) { MaxDepth = 256, RespectNullableAnnotations = true };

    /// <summary>
    /// What is wrong, field by field; empty when all is well. Never throws, whatever it contains. With <paramref name="strictly"/>, also
    /// fields that can be shown but would be refused today.
    /// </summary>
    public static IReadOnlyList<FieldProblem> Problems(Kept thing, DateOnly today, bool strictly = true)
    {
        try
        {
            if (thing.Check(today) is { Count: > 0 } wrong && strictly)
                return wrong;
            JsonSerializer.SerializeToUtf8Bytes(thing, thing.GetType(), Shown);
            // Also as stored, read back by the rules of a document: no nulls in lists, nothing missing.
            var kept = JsonSerializer.SerializeToUtf8Bytes(thing, thing.GetType(), BackupFile.Records);
            JsonSerializer.Deserialize(kept, thing.GetType(), BackupFile.Records);
            return [];
        }
        // Whatever exception bad values lead to, they are the cause.
        catch (Exception odd) when (odd is not OutOfMemoryException)
        {
            return [new("entry", "Something in it is missing, no word that is known here, or out of all bounds.")];
        }
    }
}
