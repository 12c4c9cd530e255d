using System.Text.Json;
using ZingCast.Core.Measures;

namespace ZingCast.Store;

/// <summary>Whether a thing holds together: its own check says so, and everything that follows from it can be worked out.</summary>
public static class Soundness
{
    // As the pages ask for it, with all that is worked out; a number without end cannot be written.
    private static readonly JsonSerializerOptions Shown = new(ZingDb.Documents) { MaxDepth = 256 };

    /// <summary>What is wrong with it, field by field; empty when all is well. Never throws, whatever is in it.</summary>
    public static IReadOnlyList<FieldProblem> Problems(Kept thing, DateOnly today)
    {
        try
        {
            if (thing.Check(today) is { Count: > 0 } wrong)
                return wrong;
            JsonSerializer.SerializeToUtf8Bytes(thing, thing.GetType(), Shown);
            return [];
        }
        // Whatever kind of fault it is that odd figures lead to, it is theirs.
        catch (Exception odd) when (odd is not OutOfMemoryException)
        {
            return [new("entry", "Something in this entry is empty, or too large or small for what follows from it.")];
        }
    }
}
