using System.Globalization;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>A fly reel. Spool dimensions in metres; null when not measured.</summary>
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

    /// <summary>The line behind which that backing fits, as its box names it: "WF7F"; null for an ordinary one of its class.</summary>
    public string? StatedLine
    {
        get;
        init => field = string.IsNullOrWhiteSpace(value) ? null : PlainText.Clean(value);
    }

    /// <summary>A line and backing it is known to hold; null when never tried.</summary>
    public KnownFill? KnownFill { get; init; }

    /// <summary>Mass empty, kilograms.</summary>
    public double MassKg { get; init; }

    /// <summary>Sealed or anodised against salt.</summary>
    public bool SaltProof { get; init; }

    /// <summary>Most drag, newtons, null when unknown.</summary>
    public double? DragN { get; init; }

    /// <summary>A reel to start the form with.</summary>
    public static readonly Reel Blank = new()
    {
        Tag = "",
        Name = "",
        MassKg = .14,
    };

    /// <summary>Gap to leave between line and rim, metres; 3 mm is common practice.</summary>
    public const double RimGapM = .003;

    /// <summary>The spool as far as it is known. There is always an answer, with its reliability.</summary>
    public SpoolShape Spool() => SpoolShape.For(this);

    /// <summary>Backing that such reels usually carry: kind and length, metres.</summary>
    public string UsualBacking => UsualHoldings.Backing(SpoolShape.ClassOf(this)).Id;

    /// <inheritdoc cref="UsualBacking"/>
    public double UsualBackingM => UsualHoldings.BackingM(SpoolShape.ClassOf(this));

    /// <summary>An ordinary floating weight-forward line of a class, used where no line is known. Its build is assumed.</summary>
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
    public override Spread? Classes =>
        LabelLow is { } low ? new(low, LabelHigh ?? low)
        : (LabelHigh ?? BoxCode.Read(StatedLine)?.Class) is { } one ? new(one, one)
        : null;

    /// <inheritdoc />
    public override bool IsMeasured => this is { ArborM: not null, RimM: not null, WidthM: not null } or { KnownFill: not null };

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
        CheckFields(ReelFields.All)
            .Must("labelHigh", !(LabelHigh < LabelLow), "The label's upper class cannot be below its lower one.")
            .Must("rimM", !(RimM - 2 * RimGapM <= ArborM), "The rim must stand at least 3 mm clear of the arbor all round.")
            .Must("statedLine", StatedLine is null || BoxCode.Read(StatedLine) is not null, "Type the line as on its box, such as WF7F.")
            .Must("knownFill", KnownFill is null || KnownFill.Check().Count == 0, "What it held needs another look.")
            .Problems;
}

/// <summary>A line and backing that a spool is known to hold, wound normally.</summary>
/// <param name="Backing">Kind of backing, see <see cref="Backings"/>.</param>
/// <param name="BackingM">How much of it, metres.</param>
/// <param name="Line">The line over it, in words; empty for none.</param>
/// <param name="LineM3">Volume of that line itself, cubic metres.</param>
/// <param name="GapM">What was left to the rim, metres.</param>
public sealed record KnownFill(string Backing, double BackingM, string Line, double LineM3, double GapM)
{
    /// <summary>What is wrong, field by field.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Must("backing", Backings.Find(Backing) is not null, "Pick a backing from the list.")
            .Within("backingM", BackingM, Backings.Lengths)
            .Text("line", Line, 100, optional: true)
            .Range("lineM3", LineM3, 0, 5e-4, "No fly line is as big as that.")
            .Must("backingM", BackingM > 0 || LineM3 > 0, "It has to have held something.")
            .Range("gapM", GapM, 0, .03, "The gap at the rim is between 0 and 30 mm.")
            .Problems;
}
