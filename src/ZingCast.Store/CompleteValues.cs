using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace ZingCast.Store;

/// <summary>A value that was read but cannot be meant. The serializer adds where it stands.</summary>
public sealed class OddValueException(string field, string problem) : JsonException
{
    public string Field { get; } = field;

    public string Problem { get; } = problem;
}

/// <summary>
/// Lists that people send have no holes and numbers have an end. Nullable annotations are kept for members, not for what is in a list; a
/// number too large for a double would be read as infinite.
/// </summary>
public static class CompleteValues
{
    public static void RejectNullItems(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        var lists = type.Properties.Where(p => p.Get is not null && p.PropertyType.IsAssignableTo(typeof(IEnumerable<object>))).ToList();
        var numbers = type
            .Properties.Where(p => p.Get is not null && (p.PropertyType == typeof(double) || p.PropertyType == typeof(double?)))
            .ToList();
        if (lists.Count + numbers.Count == 0)
            return;
        type.OnDeserialized = whole =>
        {
            foreach (var list in lists)
                if (list.Get!(whole) is IEnumerable<object?> items && items.Contains(null))
                    throw new OddValueException(list.Name, "The list has a hole in it.");
            foreach (var number in numbers)
                if (number.Get!(whole) is double value && !double.IsFinite(value))
                    throw new OddValueException(number.Name, "That number is too large.");
        };
    }
}
