using System.Globalization;
using System.Runtime.CompilerServices;
using System.Text;

namespace ZingCast.Core.Measures;

/// <summary>One piece of a sentence: either words or a quantity, never both.</summary>
/// <param name="Text">Words, or null.</param>
/// <param name="Quantity">A quantity for the reader's own units, or null.</param>
public readonly record struct Part(string? Text, Quantity? Quantity);

/// <summary>
/// Words with quantities in them. Rules write ordinary interpolated strings; the reader's units are applied when the sentence is shown.
/// </summary>
[InterpolatedStringHandler]
public sealed class Sentence
{
    private readonly List<Part> parts;

    /// <summary>Called by the compiler for an interpolated string.</summary>
    public Sentence(int literalLength, int formattedCount) => parts = new(formattedCount * 2 + 1);

    /// <summary>The pieces in reading order.</summary>
    public IReadOnlyList<Part> Parts => parts;

    /// <summary>Appends words.</summary>
    public void AppendLiteral(string text) => parts.Add(new(text, null));

    /// <summary>Appends words held in a variable.</summary>
    public void AppendFormatted(string? text)
    {
        if (!string.IsNullOrEmpty(text))
            parts.Add(new(text, null));
    }

    /// <summary>Appends a whole number.</summary>
    public void AppendFormatted(int number) => parts.Add(new(number.ToString(CultureInfo.InvariantCulture), null));

    /// <summary>Appends one character.</summary>
    public void AppendFormatted(char character) => parts.Add(new(character.ToString(), null));

    /// <summary>Appends a quantity.</summary>
    public void AppendFormatted(Quantity quantity) => parts.Add(new(null, quantity));

    /// <summary>Appends another sentence.</summary>
    public void AppendFormatted(Sentence sentence) => parts.AddRange(sentence.parts);

    /// <summary>One sentence after another, for those too long for a line of code.</summary>
    public static Sentence operator +(Sentence first, Sentence then) => $"{first}{then}";

    /// <summary>The sentence in SI, for logs and tests.</summary>
    public override string ToString()
    {
        var text = new StringBuilder();
        foreach (var part in parts)
            text.Append(part.Text ?? string.Create(CultureInfo.InvariantCulture, $"{part.Quantity!.Value.Value:0.####}"));
        return text.ToString();
    }
}
