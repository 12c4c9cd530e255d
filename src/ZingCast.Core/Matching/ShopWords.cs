using System.Globalization;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>
/// A piece that nobody here has, as one asks for it over a counter, and in small print what the shop may be asked to weigh or measure.
/// Common practice, no source.
/// </summary>
public static class ShopWords
{
    // Below the first a head is sold as short, by its grains; from the second on as long. Feet.
    private const double ShortBelowFt = 30,
        LongFromFt = 40;

    // A line that is so much heavier than its rod's number is sold by that number all the same, and asked for by its grains, classes.
    private const double SoldHeavy = 1;

    // Tapered leaders as they hang in a shop, feet; what is shorter is tied from level nylon.
    private static readonly double[] LeadersFt = [6, 7.5, 9, 12, 15];
    private const double LevelBelowFt = 5.5;

    /// <summary>A rod: length, number, action, pieces.</summary>
    public static Sentence For(Rod rod) =>
        $"{Quantity.RodLength(rod.LengthM)} {Number(rod)}, {Actions.Word(rod.Action)}, {rod.Pieces} piece";

    /// <summary>Its number; what nobody knows is said to be so.</summary>
    public static Sentence Number(Rod rod) =>
        rod.Class is { } c ? (Sentence)$"#{Quantity.Class(Math.Round(c))}" : (Sentence)$"no class known";

    /// <summary>
    /// A line for a rod: its code, what head, what the water asks of its coating. Where the number says little of it, a short head or one
    /// that is built heavy, its grains are said.
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

    /// <summary>The code on its box, such as WF5F: sold by the number of the rod it is made for.</summary>
    public static string Code(FlyLine line, Rod rod) => new BoxCode(line.Build, Number(line, rod), line.Density).ToString();

    private static double Number(FlyLine line, Rod rod) =>
        Math.Round(rod.Class ?? LineWeights.ClassOf(line.MassWithinKg(Exact.ThirtyFeetM)));

    /// <summary>How long its head is, and what it weighs where that is not said before.</summary>
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

    /// <summary>A leader that comes to this length with its tippet, metres.</summary>
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

    /// <summary>Thickness of a tippet: its X where it has one, else its pounds.</summary>
    public static Sentence Thickness(double tippetM) =>
        tippetM <= Tippets.DiameterOfX(0) ? $"{Quantity.Tippet(tippetM)}" : (Sentence)$"{Quantity.Force(Tippets.StrengthN(tippetM))}";
}
