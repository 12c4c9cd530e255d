using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

using static FieldsOf<Reel>;

/// <summary>Fields of a reel, each described once.</summary>
public static class ReelFields
{
    /// <summary>In the order of the form.</summary>
    public static readonly IReadOnlyList<Field> All = GearFields.With([
        Measure(
            "massKg",
            "Mass, empty",
            Kind.GearMass,
            r => r.MassKg,
            (r, v) => r with { MassKg = v },
            new(.03, 1, "A reel weighs between 30 g and 1 kg."),
            true,
            "mass",
            ["weight"]
        ),
        Yes("saltProof", "made for salt", r => r.SaltProof, (r, v) => r with { SaltProof = v }, "salt"),
        Measure(
            "arborM",
            "Arbor across",
            Kind.SpoolSize,
            r => r.ArborM,
            (r, v) => r with { ArborM = v },
            new(.005, .15, "An arbor is between 5 and 150 mm across."),
            column: "arbor"
        ),
        Measure(
            "rimM",
            "Rim across",
            Kind.SpoolSize,
            r => r.RimM,
            (r, v) => r with { RimM = v },
            new(.03, .2, "A rim is between 30 and 200 mm across."),
            column: "rim"
        ),
        Measure(
            "widthM",
            "Width inside",
            Kind.SpoolSize,
            r => r.WidthM,
            (r, v) => r with { WidthM = v },
            new(.005, .08, "A spool is between 5 and 80 mm wide."),
            column: "width"
        ),
        Measure(
            "dragN",
            "Most drag",
            Kind.Force,
            r => r.DragN,
            (r, v) => r with { DragN = v },
            new(0, 200, "Drag is between 0 and 200 N."),
            column: "drag"
        ),
        Measure(
            "labelLow",
            "Label, lowest class",
            Kind.LineClass,
            r => r.LabelLow,
            // A label with one class is a range from and to it.
            (r, v) => r with { LabelLow = v, LabelHigh = r.LabelHigh > v ? r.LabelHigh : v },
            LineWeights.Classes,
            column: "class",
            also: ["weight class", "#"]
        ),
        Measure(
            "labelHigh",
            "Label, highest class",
            Kind.LineClass,
            r => r.LabelHigh,
            (r, v) => r with { LabelHigh = v },
            LineWeights.Classes,
            column: "class to"
        ),
        Text(
            "statedLine",
            "Line it says it holds, as WF7F",
            null,
            r => r.StatedLine,
            (r, v) => r with { StatedLine = v },
            column: "behind line"
        ),
        Measure(
            "statedBackingM",
            "Backing it says it holds",
            Kind.Spooled,
            r => r.StatedBackingM,
            (r, v) => r with { StatedBackingM = v },
            Backings.Lengths,
            column: "holds"
        ),
        Choice(
            "statedBacking",
            "Backing of",
            [.. Backings.Rows.Select(b => new FieldChoice(b.Id, b.Name))],
            r => r.StatedBacking,
            (r, v) => r with { StatedBacking = v },
            "not said",
            "of backing"
        ),
    ]);
}
