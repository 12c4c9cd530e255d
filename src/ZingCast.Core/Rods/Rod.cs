using System.Globalization;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Rods;

/// <summary>A single-hand rod as it stands in the shed: what is printed on it beside what was measured.</summary>
public sealed record Rod : Gear
{
    /// <summary>Length, metres.</summary>
    public required double LengthM { get; init; }

    /// <summary>Class on the label, null when there is none.</summary>
    public double? PrintedClass { get; init; }

    /// <summary>Class found by the one-third bend test, null when it was never tested.</summary>
    public double? MeasuredClass { get; init; }

    /// <summary>Tolerance of the measured class.</summary>
    public double? MeasuredPlusMinus { get; init; }

    /// <summary>Tip angle in the bend test, degrees, null when it was never read.</summary>
    public double? TipAngleDeg { get; init; }

    /// <summary>Action on the label, null when there is none.</summary>
    public RodAction? PrintedAction { get; init; }

    /// <summary>Mass, kilograms.</summary>
    public double MassKg { get; init; }

    /// <summary>Number of pieces.</summary>
    public int Pieces { get; init; } = 4;

    /// <summary>The bend test its measured class came from, when it was done here.</summary>
    public BendTest? Test { get; init; }

    /// <summary>Length free to bend in that test, stiffness at the butt and taper as fitted.</summary>
    public BendModel? Bend { get; init; }

    /// <summary>Balance and swing as measured.</summary>
    public RodBalance? Balance { get; init; }

    /// <summary>Inspections, latest first.</summary>
    public IReadOnlyList<Inspection> Inspections { get; init; } = [];

    /// <summary>What outings showed of its feel and a person accepted; comes from the log, and is not kept with the rod.</summary>
    public RodFeel? Felt { get; init; }

    /// <summary>
    /// Effective mass of its tip in a cast, kilograms: its swing weight over the square of its reach; null when nobody timed it as a
    /// pendulum.
    /// </summary>
    public double? TipKg =>
        Balance is { SwingS: not null } at && LengthM > at.FulcrumM
            ? Balanced.SwingOf(this, at) / Math.Pow(LengthM - at.FulcrumM, 2)
            : null;

    /// <summary>A rod to start filling in: nine feet, as most are.</summary>
    public static readonly Rod Blank = new()
    {
        Tag = "",
        Name = "",
        LengthM = 9 * Exact.FootM,
        MassKg = .095,
    };

    // A ferrule laps over so much, metres. Common practice.
    private const double LapM = .03;

    /// <summary>How long it is taken apart, metres.</summary>
    public double PackedM => LengthM / Pieces + LapM;

    /// <summary>How far its tip goes down in the bend test, metres.</summary>
    public double ThirdM => BendTest.ThirdM(LengthM);

    /// <summary>Where a bare rod of this length is apt to balance: a place to start looking. Common practice, rough.</summary>
    public RodBalance UsualBalance => new() { BalanceM = Math.Round(.235 * LengthM, 2) };

    /// <summary>A bend test to start from: the drop is the third, the weight an example that nobody measured.</summary>
    public BendTest UsualTest => new() { Readings = [new(.14, ThirdM)], Calibration = Calibration.Usual.Name };

    /// <summary>This rod with what a bend test found.</summary>
    public Rod Tested(BendTest test, BendFit fit) =>
        this with
        {
            Test = test,
            Bend = fit.Model,
            // No finer than it is known.
            MeasuredClass = Math.Round(fit.Class.Value, 1),
            MeasuredPlusMinus = Math.Round(fit.Class.PlusMinus!.Value, 1),
            // An angle nobody read is no reading.
            TipAngleDeg = fit.AngleRead ? Math.Round(fit.TipAngle.Value, 1) : null,
        };

    /// <summary>The class to work with: measured before printed; null when nobody knows.</summary>
    public double? Class => MeasuredClass ?? PrintedClass;

    /// <summary>Action from the angle when there is one, else the label, else medium.</summary>
    public RodAction Action => TipAngleDeg is { } angle ? Actions.FromTipAngle(angle) : PrintedAction ?? RodAction.Medium;

    /// <summary>Above this tip angle a rod counts as very fast and is lined one class below its measured number.</summary>
    public const double VeryFastDeg = 70;

    /// <summary>Whether the published caution for very fast rods applies.</summary>
    public bool VeryFast => MeasuredClass is not null && TipAngleDeg > VeryFastDeg;

    /// <inheritdoc />
    public override Spread? Classes => Class is { } c ? new(c, c) : null;

    /// <inheritdoc />
    public override bool IsMeasured => MeasuredClass is not null;

    /// <inheritdoc />
    public override bool LabelDisagrees => Math.Abs(PrintedClass - MeasuredClass ?? 0) >= LabelOff;

    /// <inheritdoc />
    public override bool ToSeeTo => base.ToSeeTo || Inspections is [{ Worst: Found.Watch or Found.Mend }, ..];

    /// <summary>The class its grain window is built on; null when nobody knows.</summary>
    public double? WindowClass => VeryFast ? MeasuredClass - 1 : Class;

    /// <inheritdoc />
    public override Kept InPlaceOf(Kept before)
    {
        if (before is not Rod was)
            return this;
        var rod = Bend is not null && Bend == was.Bend && LengthM != was.LengthM ? this with { Test = null, Bend = null } : this;
        // A length that makes the balance impossible was read anew; the balance was not.
        return rod.Balance is { } at && at == was.Balance && at.Check(rod).Count > 0 ? rod with { Balance = null } : rod;
    }

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() => Check(DateOnly.MaxValue.AddDays(-1));

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check(DateOnly today)
    {
        static IEnumerable<FieldProblem> Under(string name, IEnumerable<FieldProblem>? problems) =>
            (problems ?? []).Select(p => p with { Field = $"{name}.{p.Field}" });
        var figures = Figures();
        // What was measured on a rod of no length there is cannot be judged.
        if (figures.Any(p => p.Field == "lengthM"))
            return figures;
        return
        [
            .. figures,
            .. Dates(today),
            .. Under("balance", Balance?.Check(this)),
            .. Under("test", Test?.Check(LengthM)),
            .. Under("test", new FieldCheck().Day("on", Test?.On, today).Problems),
            .. Inspections.Take(MaxInspections).SelectMany((inspection, i) => Under($"inspections[{i}]", inspection.Check(today))),
        ];
    }

    /// <inheritdoc />
    public override string UsualName()
    {
        var inches = (int)Math.Round(LengthM / Exact.InchM);
        var length = inches % 12 == 0 ? $"{inches / 12} ft" : $"{inches / 12}'{inches % 12}\"";
        return Class is { } c ? string.Create(CultureInfo.InvariantCulture, $"{length} #{c:0.#}") : length;
    }

    /// <summary>What the length of a single-hand rod may be, metres.</summary>
    public static readonly Limit Lengths = new(1.5, 4.6, "A single-hand rod is between 1.5 and 4.6 m (5 and 15 ft).");

    /// <summary>Most inspections kept with one rod: one a week for ten years.</summary>
    public const int MaxInspections = 520;

    private IReadOnlyList<FieldProblem> Figures() =>
        CheckFields(RodFields.All)
            .Must("bend", Bend is null or { Sound: true }, "That bend model is no rod's.")
            .Must("inspections", Inspections.Count <= MaxInspections, $"A rod keeps {MaxInspections} inspections at most.")
            .Must("printedClass", Class is not null, "Give the printed class or a measured one.")
            .Problems;
}
