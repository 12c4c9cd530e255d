using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Lines;

using static FieldsOf<FlyLine>;

/// <summary>Fields of a line, each described once.</summary>
public static class LineFields
{
    // Limits of tapers and of thickness.
    private static readonly Limit Front = new(0, 20, "A front taper is between 0 and 20 m."),
        Rear = new(0, 20, "A rear taper is between 0 and 20 m.");

    private static Limit Thick(string what) => new(.0002, .004, $"{what} is between 0.2 and 4 mm thick.");

    /// <summary>In the order of the form.</summary>
    public static readonly IReadOnlyList<Field> All = GearFields.With([
        Choice<Build>("build", "Build", BuildWords.For, l => l.Build, (l, v) => l with { Build = v }, column: "build"),
        Measure(
            "printedClass",
            "Class on the label",
            Kind.LineClass,
            l => l.PrintedClass,
            (l, v) => l with { PrintedClass = v },
            LineWeights.Classes,
            column: "class",
            also: ["weight class", "#"]
        ),
        Measure(
            "lengthM",
            "Whole length",
            Kind.Length,
            l => l.LengthM,
            (l, v) => l with { LengthM = v },
            new(3, 60, "A line is between 3 and 60 m (10 and 197 ft)."),
            true,
            "length"
        ),
        Measure(
            "headM",
            "Head length",
            Kind.Length,
            l => l.HeadM,
            (l, v) => l with { HeadM = v },
            new(3, 40, "A head is between 3 and 40 m (10 and 131 ft)."),
            true,
            "head",
            ["head length"]
        ),
        Measure(
            "headKg",
            "Head, weighed",
            Kind.LineMass,
            l => l.HeadKg,
            (l, v) => l with { HeadKg = v },
            new(.001, .08, "A head weighs between 1 and 80 g (15 and 1235 gr)."),
            column: "weighs",
            also: ["grains", "head mass"]
        ),
        Choice(
            "density",
            "Density",
            [.. Densities.Rows.Select(d => new FieldChoice(d.Id, d.Name))],
            l => l.Density,
            (l, v) => l with { Density = v },
            column: "density"
        ),
        Choice(
            "coating",
            "Coating",
            [.. Coatings.Rows.Select(c => new FieldChoice(c.Id, c.Name))],
            l => l.Coating,
            (l, v) => l with { Coating = v },
            column: "coating"
        ),
        Yes("saltRated", "rated for salt", l => l.SaltRated, (l, v) => l with { SaltRated = v }, "salt"),
        Measure(
            "frontTaperM",
            "Front taper",
            Kind.Length,
            l => l.FrontTaperM,
            (l, v) => l with { FrontTaperM = v },
            Front,
            true,
            "front taper"
        ),
        Measure("rearTaperM", "Rear taper", Kind.Length, l => l.RearTaperM, (l, v) => l with { RearTaperM = v }, Rear, true, "rear taper"),
        Measure(
            "tipDiameterM",
            "Tip, thick",
            Kind.Diameter,
            l => l.TipDiameterM,
            (l, v) => l with { TipDiameterM = v },
            Thick("A line tip"),
            true,
            "tip thick"
        ),
        Measure(
            "bellyDiameterM",
            "Belly, thick",
            Kind.Diameter,
            l => l.BellyDiameterM,
            (l, v) => l with { BellyDiameterM = v },
            Thick("A belly"),
            true,
            "belly thick"
        ),
        Measure(
            "runningDiameterM",
            "Running line, thick",
            Kind.Diameter,
            l => l.RunningDiameterM,
            (l, v) => l with { RunningDiameterM = v },
            Thick("A running line"),
            true,
            "running thick"
        ),
    ]);
}
