using System.Globalization;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>A fly reel. Spool measures in metres; all null when nobody took a ruler to it.</summary>
public sealed record Reel : Gear
{
    /// <summary>Lowest class on the label.</summary>
    public double? LabelLow { get; init; }

    /// <summary>Highest class on the label.</summary>
    public double? LabelHigh { get; init; }

    /// <summary>Arbor diameter, metres.</summary>
    public double? ArborM { get; init; }

    /// <summary>Rim diameter, metres.</summary>
    public double? RimM { get; init; }

    /// <summary>Width between the flanges, metres.</summary>
    public double? WidthM { get; init; }

    /// <summary>Backing the label says it holds behind a line of its class, metres.</summary>
    public double? StatedBackingM { get; init; }

    /// <summary>Kind of that backing, see <see cref="Backings"/>.</summary>
    public string? StatedBacking { get; init; }

    /// <summary>Mass empty, kilograms.</summary>
    public double MassKg { get; init; }

    /// <summary>Sealed or anodised against salt.</summary>
    public bool SaltProof { get; init; }

    /// <summary>Most drag, newtons, null when unknown.</summary>
    public double? DragN { get; init; }

    /// <summary>A reel to start filling in.</summary>
    public static readonly Reel Blank = new()
    {
        Tag = "",
        Name = "",
        MassKg = .14,
    };

    /// <summary>Room left between line and rim, metres; 3 mm is common practice.</summary>
    public const double RimGapM = .003;

    /// <summary>Winding room up to the safe rim gap and how it is known; null when neither ruler nor label tells.</summary>
    public (double M3, Source Source)? Room()
    {
        if (ArborM is { } arbor && RimM is { } rim && WidthM is { } width)
        {
            var full = rim - 2 * RimGapM;
            return (Math.PI / 4 * width * (full * full - arbor * arbor), new(SourceMark.Measured, "Spool measured with a ruler"));
        }
        if (StatedBackingM is { } metres && LabelHigh is { } high && Backings.Find(StatedBacking ?? "poly20") is { } backing)
        {
            var line = TypicalLine((high + (LabelLow ?? high)) / 2);
            var room =
                (metres * Math.PI / 4 * backing.DiameterM * backing.DiameterM + line.Volume(line.LengthM)) / Backings.OrdinaryPacking;
            return (room, new(SourceMark.Label, "Worked back from what the label says it holds"));
        }
        return null;
    }

    /// <summary>An ordinary floating weight-forward line of a class; stands in where no line is known. Assumed build.</summary>
    public static FlyLine TypicalLine(double lineClass) =>
        new()
        {
            Tag = "—",
            Name = "ordinary line",
            PrintedClass = lineClass,
            LengthM = 27,
            HeadM = 12,
            BellyDiameterM = FlyLine.UsualBellyM(LineWeights.MassKg(lineClass) / Exact.ThirtyFeetM, Densities.Floating.Id),
        };

    /// <inheritdoc />
    public override Spread? Classes => LabelLow is { } low ? new(low, LabelHigh ?? low) : null;

    /// <inheritdoc />
    public override bool IsMeasured => this is { ArborM: not null, RimM: not null, WidthM: not null };

    /// <inheritdoc />
    public override string UsualName() =>
        (LabelLow, LabelHigh) switch
        {
            ({ } low, { } high) when high > low => string.Create(CultureInfo.InvariantCulture, $"{low:0.#}/{high:0.#} reel"),
            ({ } one, _) => string.Create(CultureInfo.InvariantCulture, $"#{one:0.#} reel"),
            _ => "reel without a label",
        };

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() =>
        Named()
            .Within("labelLow", LabelLow, LineWeights.Classes)
            .Within("labelHigh", LabelHigh, LineWeights.Classes)
            .Must("labelHigh", !(LabelHigh < LabelLow), "The label's upper class cannot be below its lower one.")
            .Range("arborM", ArborM, .005, .15, "An arbor is between 5 and 150 mm across.")
            .Range("rimM", RimM, .03, .2, "A rim is between 30 and 200 mm across.")
            .Range("widthM", WidthM, .005, .08, "A spool is between 5 and 80 mm wide.")
            .Must("rimM", !(RimM - 2 * RimGapM <= ArborM), "The rim must stand at least 3 mm clear of the arbor all round.")
            .Within("statedBackingM", StatedBackingM, Backings.Lengths)
            .Must("statedBacking", StatedBacking is null || Backings.Find(StatedBacking) is not null, "Pick a backing from the list.")
            .Range("massKg", MassKg, .03, 1, "A reel weighs between 30 g and 1 kg.")
            .Range("dragN", DragN, 0, 200, "Drag is between 0 and 200 N.")
            .Problems;
}

/// <summary>How a spool is filled, from the arbor outwards.</summary>
/// <param name="BackingM">Backing wound on, metres.</param>
/// <param name="Share">Wound volume over the room there is; above 1 it does not fit.</param>
/// <param name="ShareLoose">The same with a loose hand wind.</param>
/// <param name="FitsBackingM">Most backing of this kind that fits under this line, metres, zero or more.</param>
/// <param name="BackingRadiusM">Radius after the backing, metres; null when the spool was not measured.</param>
/// <param name="LineRadiusM">Radius after the line, metres; null when the spool was not measured.</param>
/// <param name="RimGapM">Gap left to the rim, metres; null when the spool was not measured.</param>
/// <param name="Source">How the room is known.</param>
public sealed record SpoolFill(
    double BackingM,
    double Share,
    double ShareLoose,
    double FitsBackingM,
    double? BackingRadiusM,
    double? LineRadiusM,
    double? RimGapM,
    Source Source
)
{
    /// <summary>A spool this full still takes the last wraps, share of its room. Common practice.</summary>
    public const double MostShare = 1.02;

    /// <summary>Whether it takes line and backing.</summary>
    public bool Holds => Share <= MostShare;

    /// <summary>
    /// Fills a spool with backing and then a line. Wound volume is the line's own volume divided by the packing; the outer
    /// radius follows from R² = r² + V/(π·width). Null when the reel's room is unknown.
    /// </summary>
    public static SpoolFill? Of(Reel reel, FlyLine line, Backing backing, double backingM)
    {
        if (reel.Room() is not { } room)
            return null;
        var perMetre = Math.PI / 4 * backing.DiameterM * backing.DiameterM;
        var lineVolume = line.Volume(line.LengthM);
        var bare = backingM * perMetre + lineVolume;
        double? Radius(double volume) =>
            reel is { ArborM: { } arbor, WidthM: { } width }
                ? Math.Sqrt(arbor * arbor / 4 + volume / Backings.OrdinaryPacking / (Math.PI * width))
                : null;
        var outer = Radius(bare);
        return new(
            backingM,
            bare / Backings.OrdinaryPacking / room.M3,
            bare / Backings.LoosePacking / room.M3,
            Math.Max(0, (room.M3 * Backings.OrdinaryPacking - lineVolume) / perMetre),
            Radius(backingM * perMetre),
            outer,
            reel.RimM / 2 - outer,
            room.Source
        );
    }
}
