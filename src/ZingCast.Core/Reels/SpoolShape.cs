using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>How the capacity of a spool is known, the most certain first.</summary>
public enum SpoolKnown
{
    /// <summary>Derived from what it is known to hold.</summary>
    KnownFill,

    /// <summary>Arbor, rim and width measured with a ruler.</summary>
    Ruler,

    /// <summary>Derived from the line and backing on its label.</summary>
    Label,

    /// <summary>Only the classes on its foot: what such reels usually hold.</summary>
    Classes,

    /// <summary>No label: what reels of its mass usually hold.</summary>
    Mass,
}

/// <summary>Uncertainty of a capacity known in this way, as a share.</summary>
public readonly record struct SpoolTrust(SpoolKnown Known, double PlusMinus);

/// <summary>A spool as a drum between two flanges. When it was not measured, its capacity counts, and its shape is a usual one.</summary>
/// <param name="ArborM">Diameter of the arbor, metres.</param>
/// <param name="RimM">Diameter of the rim, metres.</param>
/// <param name="WidthM">Width that is wound over, metres; corrected for a tapered or pierced arbor when something it held is known.</param>
/// <param name="GapM">Room to leave between line and rim, metres.</param>
/// <param name="PlusMinus">How far the room may be off, share.</param>
/// <param name="Known">How it is known.</param>
public sealed record SpoolShape(double ArborM, double RimM, double WidthM, double GapM, double PlusMinus, SpoolKnown Known)
{
    // Uncertainties: a ruler is read to half a millimetre (metres); the others are shares: a length of backing is known to a few
    // hundredths, labels round up, classes say little and mass less. Common practice.
    private const double RulerM = .0005,
        KnownFillShare = .04,
        LabelShare = .12,
        ClassesShare = .25,
        MassShare = .4;

    // Usual ratio of arbor to rim, for spools not measured.
    private const double UsualArbor = .5;

    // From this uncertainty on a capacity counts as a guess, as a share.
    private const double Guess = .2;

    /// <summary>Uncertainty by how the capacity is known; with a ruler it depends on the spool.</summary>
    public static readonly IReadOnlyList<SpoolTrust> Trust =
    [
        new(SpoolKnown.KnownFill, KnownFillShare),
        new(SpoolKnown.Label, LabelShare),
        new(SpoolKnown.Classes, ClassesShare),
        new(SpoolKnown.Mass, MassShare),
    ];

    /// <summary>Neither measured nor tried; an answer from it is a guess.</summary>
    public bool IsGuess => PlusMinus >= Guess;

    /// <summary>Arbor and rim were measured, so a drawing of it is to scale.</summary>
    public bool ToScale { get; init; }

    /// <summary>How it is known, in words, with its source mark.</summary>
    public Source Source =>
        Known switch
        {
            SpoolKnown.Ruler => new(SourceMark.Measured, "Spool measured with a ruler"),
            SpoolKnown.KnownFill => new(SourceMark.Measured, "Worked back from what it was seen to hold"),
            SpoolKnown.Label => new(SourceMark.Label, "Worked back from what the label says it holds"),
            SpoolKnown.Classes => new(SourceMark.Practice, "What reels of its classes usually hold; nobody measured this one"),
            _ => new(SourceMark.Practice, "No marks: what reels of its mass usually hold; nobody measured this one"),
        };

    /// <summary>Winding room up to the gap, cubic metres.</summary>
    public double RoomM3 => RoomOf(ArborM, RimM, WidthM, GapM);

    /// <summary>Capacity between its least and greatest possible value.</summary>
    public Spread RoomBandM3 => new((1 - PlusMinus) * RoomM3, (1 + PlusMinus) * RoomM3);

    /// <summary>Outer radius with this wound volume on it, cubic metres, in metres: R² = r² + V/(π·width).</summary>
    public double RadiusM(double woundM3) => Math.Sqrt(ArborM * ArborM / 4 + woundM3 / (Math.PI * WidthM));

    /// <summary>
    /// Turns that line of cross-section <paramref name="areaM2"/> makes from one radius to another, metres: the wound section times the
    /// packing, divided by the section of one line.
    /// </summary>
    public double Turns(double fromRadiusM, double toRadiusM, double areaM2, double packing) =>
        WidthM * packing * (toRadiusM - fromRadiusM) / areaM2;

    /// <summary>The same rim and capacity on another arbor, metres; the width changes. For comparison.</summary>
    public SpoolShape OnArbor(double arborM) => this with { ArborM = arborM, WidthM = WidthFor(RoomM3, arborM, RimM, GapM) };

    private static double RoomOf(double arborM, double rimM, double widthM, double gapM)
    {
        var full = rimM - 2 * gapM;
        return Math.PI / 4 * widthM * (full * full - arborM * arborM);
    }

    private static double WidthFor(double roomM3, double arborM, double rimM, double gapM) => roomM3 / RoomOf(arborM, rimM, 1, gapM);

    /// <summary>
    /// The spool of a reel from the best information on it. There is always an answer; <see cref="PlusMinus"/> says how reliable.
    /// </summary>
    internal static SpoolShape For(Reel reel)
    {
        var gap = Reel.RimGapM;
        var (room, share, known) = Room(reel);
        var rim = reel.RimM ?? UsualHoldings.RimM(ClassOf(reel));
        var arbor = Math.Min(reel.ArborM ?? UsualArbor * rim, rim - 2 * gap - .002);
        var toScale = reel is { RimM: not null, ArborM: not null };
        if (known == SpoolKnown.KnownFill)
            // The gap that was left at the rim is known; the rest of the room is what it held.
            return new(arbor, rim, WidthFor(room, arbor, rim, reel.KnownFill!.GapM), gap, share, known) { ToScale = toScale };
        return reel.WidthM is { } width && toScale
            ? new(arbor, rim, width, gap, RulerShare(arbor, rim, width, gap), SpoolKnown.Ruler) { ToScale = true }
            : new(arbor, rim, WidthFor(room, arbor, rim, gap), gap, share, known) { ToScale = toScale };
    }

    // Half a millimetre on each of the three dimensions, combined as squares.
    private static double RulerShare(double arborM, double rimM, double widthM, double gapM)
    {
        var full = rimM - 2 * gapM;
        var section = full * full - arborM * arborM;
        double Squared(double share) => share * share;
        return Math.Sqrt(Squared(RulerM / widthM) + Squared(2 * full * RulerM / section) + Squared(2 * arborM * RulerM / section));
    }

    private static (double M3, double Share, SpoolKnown Known) Room(Reel reel)
    {
        if (reel.KnownFill is { } held && Backings.Find(held.Backing) is { } on)
            return ((held.BackingM * on.AreaM2 + held.LineM3) / Backings.OrdinaryPacking, KnownFillShare, SpoolKnown.KnownFill);
        var box = BoxCode.Read(reel.StatedLine);
        var c = ClassOf(reel);
        var line = box is null ? Reel.TypicalLine(c) : FlyLine.From(box);
        var backing = Backings.Find(reel.StatedBacking) ?? UsualHoldings.Backing(c);
        var metres = reel.StatedBackingM ?? UsualHoldings.BackingM(c);
        var room = (metres * backing.AreaM2 + line.Volume(line.LengthM)) / Backings.OrdinaryPacking;
        return reel.StatedBackingM is not null ? (room, LabelShare, SpoolKnown.Label)
            : reel.Classes is not null ? (room, ClassesShare, SpoolKnown.Classes)
            : (room, MassShare, SpoolKnown.Mass);
    }

    /// <summary>The middle of the classes on its label, or else usual for reels of its mass.</summary>
    internal static double ClassOf(Reel reel) => reel.Classes is { } c ? (c.Low + c.High) / 2 : UsualHoldings.ClassOfMass(reel.MassKg);
}

/// <summary>What reels of a class usually weigh and hold, for reels not measured. Common practice, rough.</summary>
public static class UsualHoldings
{
    private static readonly double[] Classes = [2, 4, 5, 6, 7, 8, 9, 10, 12, 14],
        Kg = [.07, .1, .118, .135, .155, .175, .205, .24, .31, .4],
        Metres = [45, 70, 80, 95, 135, 170, 190, 220, 275, 380];

    // From this class on reels are sold for thirty-pound backing.
    private const double ThirtyPoundFrom = 8.75;

    /// <summary>Class of a reel of this mass, kilograms.</summary>
    public static double ClassOfMass(double kg) =>
        Math.Clamp(Interpolation.Interpolate(Kg, Classes, kg), LineWeights.Lowest, LineWeights.Highest);

    /// <summary>Usual mass of a bare reel of a class, kilograms.</summary>
    public static double Kilograms(double lineClass) => Math.Max(LightestKg, Interpolation.Interpolate(Classes, Kg, lineClass));

    // The lightest reel on sale, kilograms.
    private const double LightestKg = .06;

    /// <summary>Usual backing behind a line of a class, metres.</summary>
    public static double BackingM(double lineClass) => Interpolation.Interpolate(Classes, Metres, lineClass);

    /// <summary>Kind of that backing.</summary>
    public static Backing Backing(double lineClass) => Backings.Find(lineClass < ThirtyPoundFrom ? "poly20" : "poly30")!;

    /// <summary>Rim of a reel of a class, metres.</summary>
    public static double RimM(double lineClass) => .062 + .0045 * lineClass;
}
