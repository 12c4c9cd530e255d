using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>How a spool's room is known, the surest first.</summary>
public enum SpoolKnown
{
    /// <summary>Worked back from something it was seen to hold.</summary>
    KnownFill,

    /// <summary>Arbor, rim and width held against a ruler.</summary>
    Ruler,

    /// <summary>Worked back from the line and backing its label says it holds.</summary>
    Label,

    /// <summary>Only the classes on its foot: what such reels usually hold.</summary>
    Classes,

    /// <summary>No marks at all: what reels of its mass usually hold.</summary>
    Mass,
}

/// <summary>How far a room may be off, share, that is known in a way.</summary>
public readonly record struct SpoolTrust(SpoolKnown Known, double PlusMinus);

/// <summary>
/// A spool as a drum between two flanges. Where nobody measured it, the room is what counts and the shape is one that such reels have.
/// </summary>
/// <param name="ArborM">Diameter of the arbor, metres.</param>
/// <param name="RimM">Diameter of the rim, metres.</param>
/// <param name="WidthM">Width that is wound over, metres; corrected for a tapered or pierced arbor when something it held is known.</param>
/// <param name="GapM">Room to leave between line and rim, metres.</param>
/// <param name="PlusMinus">How far the room may be off, share.</param>
/// <param name="Known">How it is known.</param>
public sealed record SpoolShape(double ArborM, double RimM, double WidthM, double GapM, double PlusMinus, SpoolKnown Known)
{
    // A ruler is read to half a millimetre; a length of backing is known to a few hundredths, labels round up, classes say little and
    // mass less. Shares, common practice.
    private const double RulerM = .0005,
        KnownFillShare = .04,
        LabelShare = .12,
        ClassesShare = .25,
        MassShare = .4;

    // Where nobody measured: arbor over rim of most reels.
    private const double UsualArbor = .5;

    // A spool known less well than this is guessed at, share.
    private const double Guess = .2;

    /// <summary>How far a room may be off that is known in each of these ways; by ruler it depends on the spool.</summary>
    public static readonly IReadOnlyList<SpoolTrust> Trust =
    [
        new(SpoolKnown.KnownFill, KnownFillShare),
        new(SpoolKnown.Label, LabelShare),
        new(SpoolKnown.Classes, ClassesShare),
        new(SpoolKnown.Mass, MassShare),
    ];

    /// <summary>Nobody measured or tried what it holds; an answer from it is a guess.</summary>
    public bool IsGuess => PlusMinus >= Guess;

    /// <summary>Arbor and rim were held against a ruler, so a drawing of it is to scale.</summary>
    public bool ToScale { get; init; }

    /// <summary>How it is known, in words, with its mark.</summary>
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

    /// <summary>The room between what it may be at least and at most.</summary>
    public Spread RoomBandM3 => new((1 - PlusMinus) * RoomM3, (1 + PlusMinus) * RoomM3);

    /// <summary>Outer radius when so much wound volume, cubic metres, lies on it, metres: R² = r² + V/(π·width).</summary>
    public double RadiusM(double woundM3) => Math.Sqrt(ArborM * ArborM / 4 + woundM3 / (Math.PI * WidthM));

    /// <summary>
    /// Turns that lay line of <paramref name="areaM2"/> from one radius to another, metres: the section wound over, times the packing,
    /// holds so many lines beside and above each other, and every one of them is a turn.
    /// </summary>
    public double Turns(double fromRadiusM, double toRadiusM, double areaM2, double packing) =>
        WidthM * packing * (toRadiusM - fromRadiusM) / areaM2;

    /// <summary>The same rim and room on another arbor, metres: wider or narrower. For comparing.</summary>
    public SpoolShape OnArbor(double arborM) => this with { ArborM = arborM, WidthM = WidthFor(RoomM3, arborM, RimM, GapM) };

    private static double RoomOf(double arborM, double rimM, double widthM, double gapM)
    {
        var full = rimM - 2 * gapM;
        return Math.PI / 4 * widthM * (full * full - arborM * arborM);
    }

    private static double WidthFor(double roomM3, double arborM, double rimM, double gapM) => roomM3 / RoomOf(arborM, rimM, 1, gapM);

    /// <summary>
    /// The spool of a reel from the best that is known of it. There always is an answer; <see cref="PlusMinus"/> says how good.
    /// </summary>
    internal static SpoolShape For(Reel reel)
    {
        var gap = Reel.RimGapM;
        var (room, share, known) = Room(reel);
        var rim = reel.RimM ?? UsualHoldings.RimM(ClassOf(reel));
        var arbor = Math.Min(reel.ArborM ?? UsualArbor * rim, rim - 2 * gap - .002);
        var toScale = reel is { RimM: not null, ArborM: not null };
        if (known == SpoolKnown.KnownFill)
            // What the rim was short of then is known; the rest of the room is what it held.
            return new(arbor, rim, WidthFor(room, arbor, rim, reel.KnownFill!.GapM), gap, share, known) { ToScale = toScale };
        return reel.WidthM is { } width && toScale
            ? new(arbor, rim, width, gap, RulerShare(arbor, rim, width, gap), SpoolKnown.Ruler) { ToScale = true }
            : new(arbor, rim, WidthFor(room, arbor, rim, gap), gap, share, known) { ToScale = toScale };
    }

    // Half a millimetre on each of the three, added as squares.
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

    /// <summary>The middle of what is printed on it, else what reels of its mass usually are.</summary>
    internal static double ClassOf(Reel reel) => reel.Classes is { } c ? (c.Low + c.High) / 2 : UsualHoldings.ClassOfMass(reel.MassKg);
}

/// <summary>What reels of a class usually are and hold, for those that nobody measured. Common practice, rough.</summary>
public static class UsualHoldings
{
    private static readonly double[] Classes = [2, 4, 5, 6, 7, 8, 9, 10, 12, 14],
        Kg = [.07, .1, .118, .135, .155, .175, .205, .24, .31, .4],
        Metres = [45, 70, 80, 95, 135, 170, 190, 220, 275, 380];

    // From here on reels are sold for thirty-pound backing.
    private const double ThirtyPoundFrom = 8.75;

    /// <summary>Class of a reel that weighs so much, kilograms.</summary>
    public static double ClassOfMass(double kg) =>
        Math.Clamp(Interpolation.Interpolate(Kg, Classes, kg), LineWeights.Lowest, LineWeights.Highest);

    /// <summary>What a bare reel of a class weighs, kilograms.</summary>
    public static double Kilograms(double lineClass) => Math.Max(LightestKg, Interpolation.Interpolate(Classes, Kg, lineClass));

    // Nothing that is sold weighs less, kilograms.
    private const double LightestKg = .06;

    /// <summary>Backing behind a line of a class, metres.</summary>
    public static double BackingM(double lineClass) => Interpolation.Interpolate(Classes, Metres, lineClass);

    /// <summary>Kind of that backing.</summary>
    public static Backing Backing(double lineClass) => Backings.Find(lineClass < ThirtyPoundFrom ? "poly20" : "poly30")!;

    /// <summary>Rim of a reel of a class, metres.</summary>
    public static double RimM(double lineClass) => .062 + .0045 * lineClass;
}
