using System.Globalization;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Rods;

/// <summary>A single-hand rod: what is printed on it beside what was measured.</summary>
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

    /// <summary>The bend test that its measured class comes from.</summary>
    public BendTest? Test { get; init; }

    /// <summary>Fitted free length, butt stiffness and taper of that test.</summary>
    public BendModel? Bend { get; init; }

    /// <summary>Measured balance and swing.</summary>
    public RodBalance? Balance { get; init; }

    /// <summary>Inspections, latest first.</summary>
    public IReadOnlyList<Inspection> Inspections { get; init; } = [];

    /// <summary>
    /// Correction from how it felt on outings, as accepted by its owner; comes from the log and is not stored with the rod.
    /// </summary>
    public RodFeel? Felt { get; init; }

    /// <summary>
    /// Effective mass of its tip in a cast, kilograms: swing weight over the square of its reach; null without a pendulum timing.
    /// </summary>
    public double? TipKg =>
        Balance is { SwingS: not null } at && LengthM > at.FulcrumM
            ? Balanced.SwingOf(this, at) / Math.Pow(LengthM - at.FulcrumM, 2)
            : null;

    /// <summary>A rod to start the form with: nine feet, like most.</summary>
    public static readonly Rod Blank = new()
    {
        Tag = "",
        Name = "",
        LengthM = 9 * Exact.FootM,
        MassKg = .095,
    };

    // Overlap of a ferrule, metres. Common practice.
    private const double LapM = .03;

    /// <summary>Length of the longest section, metres.</summary>
    public double PackedM => LengthM / Pieces + LapM;

    /// <summary>Deflection of its tip in the bend test, metres.</summary>
    public double ThirdM => BendTest.ThirdM(LengthM);

    /// <summary>Usual balance point of a bare rod of this length, to start from. Common practice, rough.</summary>
    public RodBalance UsualBalance => new() { BalanceM = Math.Round(.235 * LengthM, 2) };

    /// <summary>A bend test to start from: the drop of a third, with an example weight that nobody measured.</summary>
    public BendTest UsualTest => new() { Readings = [new(.14, ThirdM)], Calibration = Calibration.Usual.Name };

    /// <summary>This rod with the result of a bend test.</summary>
    public Rod Tested(BendTest test, BendFit fit) =>
        this with
        {
            Test = test,
            Bend = fit.Model,
            // Rounded to what is known.
            MeasuredClass = Math.Round(fit.Class.Value, 1),
            MeasuredPlusMinus = Math.Round(fit.Class.PlusMinus!.Value, 1),
            // An angle that was not read is not stored.
            TipAngleDeg = fit.AngleRead ? Math.Round(fit.TipAngle.Value, 1) : null,
        };

    /// <summary>The class to work with: measured, or else printed; null when unknown.</summary>
    public double? Class => MeasuredClass ?? PrintedClass;

    /// <summary>Action by the tip angle, or else the label, or else medium.</summary>
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

    /// <summary>The class its grain window is built on; null when unknown.</summary>
    public double? WindowClass => VeryFast ? MeasuredClass - 1 : Class;

    /// <inheritdoc />
    public override Kept InPlaceOf(Kept before)
    {
        if (before is not Rod was)
            return this;
        var rod = Bend is not null && Bend == was.Bend && LengthM != was.LengthM ? this with { Test = null, Bend = null } : this;
        // The length was corrected so that the balance became impossible; the balance was not edited.
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
        // Measurements cannot be judged while the length is invalid.
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

    /// <summary>Limits of the length of a single-hand rod, metres.</summary>
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
