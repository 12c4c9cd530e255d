using System.Diagnostics.CodeAnalysis;
using System.Text.Json;
using System.Text.Json.Serialization.Metadata;

namespace ZingCast.Store;

/// <summary>A value that can be read but cannot be meant. The serializer adds its location.</summary>
public sealed class InvalidValueException(string field, string problem) : JsonException
{
    public string Field { get; } = field;

    public string Problem { get; } = problem;
}

/// <summary>
/// Rejects nulls in lists and infinite numbers. Nullable annotations apply to members, not to list elements, and a number too large for a
/// double would be read as infinite.
/// </summary>
public static class CompleteValues
{
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static void RejectNullItems(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object)
            return;
        var lists = type.Properties.Where(p => p.Get is not null && p.PropertyType.IsAssignableTo(typeof(IEnumerable<object>))).ToList();
        var numbers = type
            .Properties.Where(p => p.Get is not null && (p.PropertyType == typeof(double) || p.PropertyType == typeof(double?)))
            .ToList();
        // Two words with a comma would be read as combined flags.
        var words = type
            .Properties.Where(p => p.Get is not null && (Nullable.GetUnderlyingType(p.PropertyType) ?? p.PropertyType).IsEnum)
            .ToList();
        var wordLists = type
            .Properties.Where(p =>
                p.Get is not null && p.PropertyType.IsGenericType && p.PropertyType.GetGenericArguments() is [{ IsEnum: true }]
            )
            .ToList();
        if (lists.Count + numbers.Count + words.Count + wordLists.Count == 0)
            return;
        type.OnDeserialized = whole =>
        {
            foreach (var list in lists)
                if (list.Get!(whole) is IEnumerable<object?> items && items.Contains(null))
                    throw new InvalidValueException(list.Name, "The list has a hole in it.");
            foreach (var number in numbers)
                if (number.Get!(whole) is double value && !double.IsFinite(value))
                    throw new InvalidValueException(number.Name, "That number is too large.");
            foreach (var word in words)
                if (word.Get!(whole) is Enum value && !Enum.IsDefined(value.GetType(), value))
                    throw new InvalidValueException(word.Name, "There is no such word here.");
            foreach (var list in wordLists)
                if (list.Get!(whole) is System.Collections.IEnumerable items)
                    foreach (var item in items)
                        if (!Enum.IsDefined(item.GetType(), item))
                            throw new InvalidValueException(list.Name, "There is no such word here.");
        };
    }
}
