using System.Text.Json;
using ZingCast.Core.Measures;

namespace ZingCast.Store;

/// <summary>Whether a thing holds together: its own check says so, and everything that follows from it can be worked out.</summary>
public static class Soundness
{
    // As the pages ask for it, with all that is worked out; a number without
    // end, a word that is none and a thing that is missing cannot be written.
    private static readonly JsonSerializerOptions Shown = new(ZingDb.Documents) { MaxDepth = 256, RespectNullableAnnotations = true };

    /// <summary>
    /// What is wrong with it, field by field; empty when all is well. Never throws, whatever is in it. What can be shown, though a field of
    /// it would be refused today, is not <paramref name="strictly"/> wrong.
    /// </summary>
    public static IReadOnlyList<FieldProblem> Problems(Kept thing, DateOnly today, bool strictly = true)
    {
        try
        {
            if (thing.Check(today) is { Count: > 0 } wrong && strictly)
                return wrong;
            JsonSerializer.SerializeToUtf8Bytes(thing, thing.GetType(), Shown);
            // And as it is kept, read back by the rules of a document: lists have no holes, and nothing is missing.
            var kept = JsonSerializer.SerializeToUtf8Bytes(thing, thing.GetType(), BackupFile.Records);
            JsonSerializer.Deserialize(kept, thing.GetType(), BackupFile.Records);
            return [];
        }
        // Whatever kind of fault it is that odd figures lead to, it is theirs.
        catch (Exception odd) when (odd is not OutOfMemoryException)
        {
            return [new("entry", "Something in it is missing, no word that is known here, or out of all bounds.")];
        }
    }
}
