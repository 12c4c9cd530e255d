using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Rods;

using static FieldsOf<Rod>;

/// <summary>Fields of a rod, each described once.</summary>
public static class RodFields
{
    /// <summary>In the order of the form.</summary>
    public static readonly IReadOnlyList<Field> All = GearFields.With([
        Measure("lengthM", "Length", Kind.RodLength, r => r.LengthM, (r, v) => r with { LengthM = v }, Rod.Lengths, true, "length"),
        Measure(
            "massKg",
            "Mass",
            Kind.GearMass,
            r => r.MassKg,
            (r, v) => r with { MassKg = v },
            new(.03, .4, "A rod weighs between 30 and 400 g."),
            true,
            "mass",
            ["weight"]
        ),
        Measure(
            "printedClass",
            "Class on the label",
            Kind.LineClass,
            r => r.PrintedClass,
            (r, v) => r with { PrintedClass = v },
            LineWeights.Classes,
            column: "class",
            also: ["weight class", "#"]
        ),
        Measure(
            "measuredClass",
            "Class measured",
            Kind.LineClass,
            r => r.MeasuredClass,
            (r, v) => r with { MeasuredClass = v },
            new(0, 17, "Measured classes run from 0 to 17."),
            column: "measured",
            also: ["measured class"]
        ),
        Measure(
            "measuredPlusMinus",
            "Measured, ±",
            Kind.LineClass,
            r => r.MeasuredPlusMinus,
            (r, v) => r with { MeasuredPlusMinus = v },
            new(0, 3, "A tolerance wider than 3 classes measures nothing."),
            column: "measured to within"
        ),
        Measure(
            "tipAngleDeg",
            "Tip angle, bend test",
            Kind.Angle,
            r => r.TipAngleDeg,
            (r, v) => r with { TipAngleDeg = v },
            new(40, 85, "The tip's angle is between 40 and 85°."),
            column: "tip angle"
        ),
        Choice(
            "printedAction",
            "Action on the label",
            Actions.Word,
            r => r.PrintedAction,
            (r, v) => r with { PrintedAction = v },
            "none",
            "action"
        ),
        Count("pieces", "Pieces", r => r.Pieces, (r, v) => r with { Pieces = v }, new(1, 9, "A rod has 1 to 9 pieces."), "pieces"),
    ]);
}
