using System.Globalization;
using System.Text.RegularExpressions;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Shed;

/// <summary>
/// A piece of gear as read from its label, box or tube: a rod by length and class ("9ft 6", "9'6\" #7 4pc fast"), a line by its code
/// ("WF6F"), a reel by its classes ("7/8").
/// </summary>
/// <param name="Piece">The piece, without tag or name; what the label does not say is as most are.</param>
/// <param name="Assumes">What was not said and is taken to be so.</param>
public sealed partial record GearLabel(Gear Piece, Sentence Assumes)
{
    /// <summary>Examples, shown after unreadable input.</summary>
    public const string Example = "Type a label such as 9ft 6 for a rod, WF6F for a line or 7/8 for a reel.";

    /// <summary>Reads a label; null when it is not one. Never throws.</summary>
    public static GearLabel? Read(string? text)
    {
        if (text is null or { Length: > Reader.Longest })
            return null;
        var typed = PlainText
            .WithPlainDigits(PlainText.Clean(text))
            .Replace('’', '\'')
            .Replace('′', '\'')
            .Replace('”', '"')
            .Replace("½", ".5");
        if (BoxCode.Read(typed) is { } box)
            return OfLine(FlyLine.From(box));
        if (Rod().Match(typed) is { Success: true } rod && OfRod(rod) is { } found)
            return found;
        return SaysReel().IsMatch(typed) && SpoolLabel.Read(typed) is { } label ? OfReel(label) : null;
    }

    private static GearLabel OfLine(FlyLine line) =>
        new(
            line,
            $"{Quantity.Length(line.LengthM)} of line, head {Quantity.Length(line.HeadM)}, {Coatings.Get(line.Coating).Name} coating"
        );

    private static GearLabel OfReel(SpoolLabel label)
    {
        var reel = label.On(Reel.Blank);
        var mass = Quantity.Gear(reel.MassKg);
        return new(
            reel,
            label.BackingM is { } metres
                ? (Sentence)$"{mass}; what it holds is worked back from {Quantity.Spooled(metres)} of backing, "
                    + $"±{(int)Math.Round(100 * reel.Spool().PlusMinus)} %"
                : $"{mass}; what it holds is a guess until somebody measures it"
        );
    }

    private static GearLabel? OfRod(Match label)
    {
        var lengthM = label.Groups["m"].Success
            ? Number(label, "m")
            : Number(label, "ft") * Exact.FootM + (label.Groups["in"].Success ? Number(label, "in") * Exact.InchM : 0);
        var action = label.Groups["action"].Value.ToLowerInvariant().Replace('-', ' ') switch
        {
            "slow" => RodAction.Slow,
            "medium" => RodAction.Medium,
            "medium fast" => RodAction.MediumFast,
            "fast" => RodAction.Fast,
            _ => (RodAction?)null,
        };
        var rod = Rods.Rod.Blank with
        {
            LengthM = lengthM,
            PrintedClass = Number(label, "class"),
            Pieces = label.Groups["pieces"].Success ? (int)Number(label, "pieces") : Rods.Rod.Blank.Pieces,
            PrintedAction = action,
        };
        if ((rod with { Tag = "R", Name = "R" }).Check().Count > 0)
            return null;
        Sentence assumes = $"{Quantity.Gear(rod.MassKg)}, {rod.Pieces} pieces";
        return new(rod, action is null ? $"{assumes}, {Actions.Word(rod.Action)}" : assumes);
    }

    private static double Number(Match label, string group) =>
        double.Parse(label.Groups[group].Value.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture);

    private const RegexOptions Plainly = RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture;

    // Inches, class, pieces and action; what stands between them does not matter.
    [GeneratedRegex(
        @"^((?<m>[1-4][.,][0-9]{1,2})\s*m|(?<ft>[0-9]{1,2}([.,][0-9]{1,2})?)\s*('|ft|foot|feet)\s*((?<in>[0-9]{1,2})\s*(""|in|inch)?)?)"
            + @"[\s,]*(#|no\.?\s?)?(?<class>[0-9]{1,2}([.,]5)?)\s*(wt|weight|#)?"
            + @"([\s,]+(?<pieces>[1-9])\s*-?\s*(pc|pcs|piece|pieces))?([\s,]+(?<action>slow|medium[\s-]?fast|medium|fast))?$",
        Plainly
    )]
    private static partial Regex Rod();

    // A bare number is not a reel: two classes, a backing, or the word make one.
    [GeneratedRegex(@"\breel\b|([0-9]\s*(wt)?\s*([/–-]|to)\s*#?[0-9])|([0-9]\s*(y|m|lb))", Plainly)]
    private static partial Regex SaysReel();
}
