using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Rods;

/// <summary>A single-hand rod as it stands in the shed: what is printed on it beside what was measured.</summary>
public sealed record Rod
{
    /// <summary>Identity in the shed; 0 for a rod that is only a specification.</summary>
    public int Id { get; init; }

    /// <summary>Shed tag, such as "R3".</summary>
    public required string Tag { get; init; }

    /// <summary>How people know it.</summary>
    public required string Name { get; init; }

    /// <summary>Length, metres.</summary>
    public required double LengthM { get; init; }

    /// <summary>Class on the label, null when there is none.</summary>
    public double? PrintedClass { get; init; }

    /// <summary>Class found by the one-third bend test, null when it was never tested.</summary>
    public double? MeasuredClass { get; init; }

    /// <summary>Tolerance of the measured class.</summary>
    public double? MeasuredPlusMinus { get; init; }

    /// <summary>Tip angle in the bend test, degrees, null when it was never read.</summary>
    public double? ActionAngleDeg { get; init; }

    /// <summary>Action on the label, null when there is none.</summary>
    public RodAction? PrintedAction { get; init; }

    /// <summary>Mass, kilograms.</summary>
    public double MassKg { get; init; }

    /// <summary>Number of pieces.</summary>
    public int Pieces { get; init; } = 4;

    /// <summary>Anything worth knowing.</summary>
    public string? Note { get; init; }

    /// <summary>The class to work with: measured before printed; null when nobody knows.</summary>
    public double? Class => MeasuredClass ?? PrintedClass;

    /// <summary>Action from the angle when there is one, else the label, else medium.</summary>
    public RodAction Action => ActionAngleDeg is { } angle ? Actions.Of(angle) : PrintedAction ?? RodAction.Medium;

    /// <summary>Above this tip angle a rod counts as very fast and is lined one class below its measured number.</summary>
    public const double VeryFastDeg = 70;

    /// <summary>Whether the published caution for very fast rods applies.</summary>
    public bool VeryFast => MeasuredClass is not null && ActionAngleDeg > VeryFastDeg;

    /// <summary>True when label and bend test differ by three quarters of a class or more.</summary>
    public bool LabelDisagrees => PrintedClass is { } printed && MeasuredClass is { } measured && Math.Abs(printed - measured) >= .75;

    /// <summary>The class its grain window is built on; null when nobody knows.</summary>
    public double? WindowClass => VeryFast ? MeasuredClass - 1 : Class;

    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() => new FieldCheck()
        .Text("tag", Tag, 12).Text("name", Name, 80).Text("note", Note, 400, optional: true)
        .Range("lengthM", LengthM, 1.5, 4.6, "A single-hand rod is between 1.5 and 4.6 m (5 and 15 ft).")
        .Range("printedClass", PrintedClass, 0, 15, "Classes run from 0 to 15.")
        .Range("measuredClass", MeasuredClass, 0, 17, "Measured classes run from 0 to 17.")
        .Range("measuredPlusMinus", MeasuredPlusMinus, 0, 3, "A tolerance wider than 3 classes measures nothing.")
        .Range("actionAngleDeg", ActionAngleDeg, 40, 85, "The tip's angle is between 40 and 85°.")
        .Range("massKg", MassKg, .03, .4, "A rod weighs between 30 and 400 g.")
        .Range("pieces", Pieces, 1, 9, "A rod has 1 to 9 pieces.")
        .Must("printedClass", Class is not null, "Give the printed class or a measured one.")
        .Problems;
}
