using System.Globalization;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>
/// A piece to buy, in the words used over a counter, and in small print what the shop may be asked to weigh or measure. Common practice, no
/// source.
/// </summary>
public static class ShopWords
{
    // Heads below the first length are sold as short, by their grains; from the second on as long. Feet.
    private const double ShortBelowFt = 30,
        LongFromFt = 40;

    // A line this much heavier than its rod's number is still sold by that number, and asked for by its grains, classes.
    private const double SoldHeavy = 1;

    // Lengths of tapered leaders on sale, feet; anything shorter is cut from level nylon.
    private static readonly double[] LeadersFt = [6, 7.5, 9, 12, 15];
    private const double LevelBelowFt = 5.5;

    /// <summary>A rod: length, number, action, pieces.</summary>
    public static Sentence For(Rod rod) =>
        $"{Quantity.RodLength(rod.LengthM)} {Number(rod)}, {Actions.Word(rod.Action)}, {rod.Pieces} piece";

    /// <summary>Its line number, or that it is unknown.</summary>
    public static Sentence Number(Rod rod) =>
        rod.Class is { } c ? (Sentence)$"#{Quantity.Class(Math.Round(c))}" : (Sentence)$"no class known";

    /// <summary>
    /// A line for a rod: its code, head, and coating for the water. Grains are added where the number says little: for short heads and
    /// lines built heavy.
    /// </summary>
    public static Sentence For(FlyLine line, Rod rod)
    {
        var grains = IsUnusualHead(line, rod) ? (Sentence)$", {Grains(line)}" : (Sentence)$"";
        return $"{Code(line, rod)}, {HeadOf(line, rod)}{grains}, {Coatings.Get(line.Coating).Name} coating"
            + $"{(line.SaltRated ? ", rated for salt" : "")}";
    }

    private static bool IsShort(FlyLine line) => line.HeadM < ShortBelowFt * Exact.FootM;

    private static bool IsHeavy(FlyLine line, Rod rod) =>
        LineWeights.ClassOf(line.MassWithinKg(Exact.ThirtyFeetM)) - Number(line, rod) >= SoldHeavy;

    private static bool IsUnusualHead(FlyLine line, Rod rod) => IsShort(line) || IsHeavy(line, rod);

    private static string HeadOf(FlyLine line, Rod rod) =>
        IsShort(line) ? "short head"
        : IsHeavy(line, rod) ? "front-loaded"
        : line.HeadM < LongFromFt * Exact.FootM ? "all-round head"
        : "long head";

    private static Sentence Grains(FlyLine line)
    {
        var (low, high) = LineLoad.ToAskForKg(line);
        return $"{Quantity.LineMass(low)} to {Quantity.LineMass(high)}";
    }

    /// <summary>The code on its box, such as WF5F, with the number of the rod it is made for.</summary>
    public static string Code(FlyLine line, Rod rod) => new BoxCode(line.Build, Number(line, rod), line.Density).ToString();

    private static double Number(FlyLine line, Rod rod) =>
        Math.Round(rod.Class ?? LineWeights.ClassOf(line.MassWithinKg(Exact.ThirtyFeetM)));

    /// <summary>Head length, and its mass when that was not given before.</summary>
    public static Sentence Small(FlyLine line, Rod rod) =>
        $"head about {Quantity.Length(line.HeadM)}" + (IsUnusualHead(line, rod) ? (Sentence)$"" : (Sentence)$", {Grains(line)}");

    /// <summary>A reel: the classes on its label and what it must hold.</summary>
    public static Sentence For(Reel reel, double backingM, Backing backing)
    {
        var label = (reel.LabelLow, reel.LabelHigh) is ({ } low, { } high)
            ? high > low
                ? string.Create(CultureInfo.InvariantCulture, $"{low:0}/{high:0}, ")
                : string.Create(CultureInfo.InvariantCulture, $"#{low:0}, ")
            : "";
        return $"{label}room for the line and {Held(backingM, backing)}{(reel.SaltProof ? ", made for salt" : "")}";
    }

    /// <summary>Its rim and mass.</summary>
    public static Sentence Small(Reel reel) => $"rim about {Quantity.SpoolSize(reel.RimM!.Value)}, near {Quantity.Gear(reel.MassKg)}";

    /// <summary>Backing to be wound on.</summary>
    public static Sentence Held(double backingM, Backing backing) => $"{Quantity.Spooled(backingM)} of {backing.Name}";

    /// <summary>A leader of this length including its tippet, metres.</summary>
    public static Sentence Leader(double lengthM, double tippetM)
    {
        var feet = lengthM / Exact.FootM;
        if (feet < LevelBelowFt)
            return $"tie {Quantity.RodLength(lengthM)} from level nylon, down to {Thickness(tippetM)}";
        var sold = LeadersFt.MinBy(l => Math.Abs(l - feet));
        var rest = (feet - sold) * Exact.FootM;
        return rest < Exact.FootM
            ? (Sentence)$"{Quantity.RodLength(sold * Exact.FootM)} {Thickness(tippetM)}, tapered"
            : $"{Quantity.RodLength(sold * Exact.FootM)} {Thickness(tippetM)}, tapered, and {Quantity.RodLength(rest)} of tippet";
    }

    /// <summary>Thickness of a tippet: its X size if it has one, otherwise its strength in pounds.</summary>
    public static Sentence Thickness(double tippetM) =>
        tippetM <= Tippets.DiameterOfX(0) ? $"{Quantity.Tippet(tippetM)}" : (Sentence)$"{Quantity.Force(Tippets.StrengthN(tippetM))}";
}
