using System.Globalization;
using System.Text;

namespace ZingCast.Core.Measures;

/// <summary>
/// Normalizes text that people type and that is stored: names, tags, notes. Two tags that look alike are equal, and nothing invisible is
/// stored.
/// </summary>
public static class PlainText
{
    // Letters that combine with a following mark, each before the letter they become. This program does without the machine's Unicode
    // tables; other scripts write their marks in one way only.
    private static readonly (char Mark, string Pairs)[] Marks =
    [
        ('\u0300', "AÀEÈIÌNǸOÒUÙWẀYỲaàeèiìnǹoòuùwẁyỳ"),
        ('\u0301', "AÁCĆEÉIÍLĹNŃOÓRŔSŚUÚYÝZŹaácćeéiílĺnńoórŕsśuúyýzź"),
        ('\u0302', "AÂCĈEÊGĜHĤIÎJĴOÔSŜUÛWŴYŶaâcĉeêgĝhĥiîjĵoôsŝuûwŵyŷ"),
        ('\u0303', "AÃEẼIĨNÑOÕUŨYỸaãeẽiĩnñoõuũyỹ"),
        ('\u0304', "AĀEĒIĪOŌUŪaāeēiīoōuū"),
        ('\u0306', "AĂEĔGĞIĬOŎUŬaăeĕgğiĭoŏuŭ"),
        ('\u0307', "CĊEĖGĠIİZŻcċeėgġzż"),
        ('\u0308', "AÄEËIÏOÖUÜYŸaäeëiïoöuüyÿ"),
        ('\u030A', "AÅUŮaåuů"),
        ('\u030B', "OŐUŰoőuű"),
        ('\u030C', "CČDĎEĚNŇRŘSŠTŤZŽcčdďeěnňrřsštťzž"),
        ('\u0327', "CÇGĢKĶLĻNŅSŞTŢcçgģkķlļnņsştţ"),
        ('\u0328', "AĄEĘIĮUŲaąeęiįuų"),
    ];

    /// <summary>The same words with a capital first letter; at least one character.</summary>
    public static string Capital(string words) => char.ToUpperInvariant(words[0]) + words[1..];

    /// <summary>What goes before words: "a" or "an".</summary>
    public static string Article(string words) => "aeiou".Contains(words[0], StringComparison.Ordinal) ? "an" : "a";

    /// <summary>A list in words: "a, b and c".</summary>
    public static string And(IReadOnlyList<string> words) =>
        words.Count < 2 ? string.Concat(words) : $"{string.Join(", ", words.Take(words.Count - 1))} and {words[^1]}";

    /// <summary>The text as stored: trimmed, single spaces within a line, letters and accents composed. Null stays null.</summary>
    [return: System.Diagnostics.CodeAnalysis.NotNullIfNotNull(nameof(text))]
    public static string? Clean(string? text)
    {
        if (text is null)
            return null;
        var clean = new StringBuilder(text.Length);
        foreach (var c in text)
        {
            var space = c is not ('\n' or '\t') && char.IsWhiteSpace(c) && c != '\r';
            if (space && clean.Length > 0 && clean[^1] == ' ')
                continue;
            if (clean.Length > 0 && Composed(clean[^1], c) is { } one)
                clean[^1] = one;
            else
                clean.Append(space ? ' ' : c);
        }
        return clean.ToString().Trim();
    }

    /// <summary>The text with decimal digits of every script converted to 0 to 9.</summary>
    public static string WithPlainDigits(string text) =>
        string.Create(
            text.Length,
            text,
            (plain, typed) =>
            {
                for (var i = 0; i < plain.Length; i++)
                    plain[i] = char.IsDigit(typed[i]) ? (char)('0' + CharUnicodeInfo.GetDecimalDigitValue(typed[i])) : typed[i];
            }
        );

    private static char? Composed(char letter, char mark)
    {
        if (mark is < '\u0300' or > '\u0328')
            return null;
        foreach (var (m, pairs) in Marks)
            if (m == mark)
                for (var i = 0; i < pairs.Length; i += 2)
                    if (pairs[i] == letter)
                        return pairs[i + 1];
        return null;
    }

    /// <summary>
    /// Whether every character is visible or a line break: no control characters, zero-width or direction marks, or lone surrogates.
    /// </summary>
    public static bool IsVisible(string text)
    {
        for (var i = 0; i < text.Length; i++)
        {
            var kind = CharUnicodeInfo.GetUnicodeCategory(text, i);
            if (kind is UnicodeCategory.Format or UnicodeCategory.Surrogate)
                return false;
            if (kind is UnicodeCategory.Control && text[i] is not ('\n' or '\r' or '\t'))
                return false;
            if (kind is UnicodeCategory.LineSeparator or UnicodeCategory.ParagraphSeparator || text[i] is >= '\uFFFE')
                return false;
            if (char.IsHighSurrogate(text[i]))
                i++;
        }
        return true;
    }
}
