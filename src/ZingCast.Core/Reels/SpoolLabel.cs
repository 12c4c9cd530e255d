using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Text.RegularExpressions;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>
/// What is printed on a reel's foot or box about its capacity: "7/8", "6–8", "WF7F + 150 yd 20 lb", "200 m / 30 lb WF9". Common practice;
/// every maker writes it differently.
/// </summary>
/// <param name="Low">Lowest class.</param>
/// <param name="High">Highest class.</param>
/// <param name="Line">The line as its box names it; null when only classes are printed.</param>
/// <param name="BackingM">Backing behind it, metres; null when none is said.</param>
/// <param name="Backing">Its kind; null when none is said.</param>
public sealed partial record SpoolLabel(double Low, double High, string? Line, double? BackingM, string? Backing)
{
    /// <summary>Examples, shown after unreadable input.</summary>
    public const string Example = "Type what is printed, such as 7/8 or WF7F + 150 yd 20 lb.";

    /// <summary>Reads it; null when it cannot be read. Never throws.</summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static SpoolLabel? Read(string? text)
    {
        if (text is null or { Length: > Reader.Longest })
            return null;
        var left = PlainText.WithPlainDigits(PlainText.Clean(text)).Replace("½", ".5").ToLowerInvariant();
        // The most distinctive parts are taken first; what is left at the end may only be filler words.
        var line = Take(Code(), ref left) is { } code ? BoxCode.Read(code.Value) : null;
        var metres = Take(Length(), ref left) is { } length ? Metres(length) : null;
        // After a length, a slash or nothing still introduces pounds: "150/20".
        var pounds = Take(Strength(), ref left) is { } strength ? Pounds(strength) : null;
        if (metres is null && line is not null && Take(Plain(), ref left) is { } plain)
            (metres, pounds) = (Number(plain, "yd") * Exact.YardM, Number(plain, "lb"));
        var gelSpun = Take(GelSpun(), ref left) is not null;
        var polyester = Take(Polyester(), ref left) is not null;
        var classes = Take(Range(), ref left) ?? (line is null ? Take(Single(), ref left) : null);
        if (Filler().Replace(left, "").Length > 0 || (line is null && classes is null))
            return null;
        var low = classes is null ? line!.Class : Number(classes, "low");
        var high = classes is { } c && c.Groups["high"].Success ? Number(c, "high") : low;
        var backing =
            pounds is { } lb ? Kind(lb, gelSpun, polyester)
            : (metres, gelSpun) is (not null, true) ? Kind(50, true, false)
            : null;
        return IsSound(low, high, metres, pounds) && (metres is not null || backing is null)
            ? new(low, high, line?.ToString(), metres, backing?.Id)
            : null;
    }

    // Classes in order, and backing and strength within what exists.
    private static bool IsSound(double low, double high, double? metres, double? pounds) =>
        high >= low && high <= LineWeights.Highest && metres is null or >= 10 and <= 1000 && pounds is null or >= 8 and <= 150;

    /// <summary>A reel with this label.</summary>
    public Reel On(Reel reel) =>
        reel with
        {
            LabelLow = Low,
            LabelHigh = High,
            StatedLine = Line,
            StatedBackingM = BackingM,
            StatedBacking = Backing,
        };

    // The kind of nearest strength; polyester is not made in high strengths.
    private static Backing Kind(double pounds, bool gelSpun, bool polyester)
    {
        var gel = gelSpun || (!polyester && pounds > 1.2 * Backings.StrongestPolyester.StrengthN / Exact.PoundForceN);
        return Backings.Rows.Where(b => b.GelSpun == gel).MinBy(b => Math.Abs(b.StrengthN - pounds * Exact.PoundForceN))!;
    }

    private static Match? Take(Regex what, ref string left)
    {
        if (what.Match(left) is not { Success: true } found)
            return null;
        left = left.Remove(found.Index, found.Length).Insert(found.Index, " ");
        return found;
    }

    private static double? Metres(Match found) =>
        Number(found, "n")
        * (
            found.Groups["unit"].Value.StartsWith('m') ? 1
            : found.Groups["unit"].Value.StartsWith('f') ? Exact.FootM
            : Exact.YardM
        );

    private static double? Pounds(Match found) =>
        Number(found, "n") * (found.Groups["unit"].Value.StartsWith('k') ? Exact.GravityMps2 / Exact.PoundForceN : 1);

    private static double Number(Match found, string group) =>
        double.Parse(found.Groups[group].Value.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture);

    private const RegexOptions Plainly = RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture;

    [GeneratedRegex(@"\b(wf|dt|st|sh)[\s-]*#?[0-9]{1,2}([.,]5)?([\s-]*(f|h|i|s-?[1-8]?))?(?![a-z0-9])", Plainly)]
    private static partial Regex Code();

    [GeneratedRegex(
        @"(?<![0-9.,])(?<n>[0-9]{2,4}([.,][0-9])?)[\s-]*(?<unit>yards?|yds?\.?|y|metres?|meters?|mtrs?|m|feet|ft)(?![a-z])",
        Plainly
    )]
    private static partial Regex Length();

    [GeneratedRegex(@"(?<![0-9.,])(?<n>[0-9]{1,3}([.,][0-9])?)[\s-]*(?<unit>lbs?\.?|pounds?|kgs?|#(?![0-9]))(?![a-z])", Plainly)]
    private static partial Regex Strength();

    [GeneratedRegex(@"(?<![0-9.,])(?<yd>[0-9]{2,3})\s*/\s*(?<lb>[0-9]{2})(?![0-9.,])", Plainly)]
    private static partial Regex Plain();

    [GeneratedRegex(@"\b(gel[\s-]?spun|gsp|gel)\b", Plainly)]
    private static partial Regex GelSpun();

    [GeneratedRegex(@"\b(braided polyester|polyester|poly)\b", Plainly)]
    private static partial Regex Polyester();

    [GeneratedRegex(
        @"(?<![0-9.,])#?(?<low>[0-9]{1,2}([.,]5)?)\s*(wt|weight)?\s*([/–—-]|to)\s*#?(?<high>[0-9]{1,2}([.,]5)?)(?![0-9.,])",
        Plainly
    )]
    private static partial Regex Range();

    [GeneratedRegex(@"(?<![0-9.,])#?(?<low>[0-9]{1,2}([.,]5)?)(?![0-9.,])", Plainly)]
    private static partial Regex Single();

    [GeneratedRegex(
        @"\b(and|with|w|of|backing|line|lines|reel|capacity|holds|wt|weight|class|no|for|size|braid|braided|behind|on)\b"
            + @"|[\s+&@,.;:/()#–—-]",
        Plainly
    )]
    private static partial Regex Filler();
}
