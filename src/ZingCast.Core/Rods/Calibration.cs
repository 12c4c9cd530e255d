using MathNet.Numerics.Interpolation;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Rods;

/// <summary>One point of a calibration: the weight that bends a rod by a third, grams, and the class number it stands for.</summary>
public readonly record struct CalibrationPoint(double Grams, double Number);

/// <summary>
/// A named table from the weight of the one-third bend test to a measured class, on the scale of line classes. Shops make their own with
/// rods they trust.
/// </summary>
public sealed record Calibration : Kept
{
    /// <summary>Name.</summary>
    public required string Name
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>Uncertainty of a number read from it, classes.</summary>
    public double PlusMinus { get; init; } = .3;

    /// <summary>Points with rising weight and rising number, two or more.</summary>
    public required IReadOnlyList<CalibrationPoint> Points { get; init; }

    /// <summary>Its source mark.</summary>
    public Source Source =>
        Id == 0
            ? new(SourceMark.Memory, "Common Cents System, RodMaker magazine 2003, table recalled, ±0.3")
            : new(SourceMark.Measured, $"Your own calibration “{Name}”");

    /// <summary>The published table. Source: Common Cents System, RodMaker magazine 2003, from memory, ±0.3.</summary>
    public static readonly Calibration Usual = new()
    {
        Name = "the usual table",
        Points = [new(76, 4), new(95, 5), new(115, 6), new(140, 7), new(170, 8), new(205, 9), new(252, 10), new(312, 11), new(375, 12)],
    };

    /// <summary>
    /// Class number of a weight in kilograms, above 0, and whether it is outside the table. A monotone curve between points; outside the
    /// table the weight is extended in proportion to the standard line weights.
    /// </summary>
    public (double Number, bool Beyond) NumberOf(double massKg)
    {
        var grams = massKg * 1000;
        var (first, last) = (Points[0], Points[^1]);
        if (grams >= first.Grams && grams <= last.Grams)
            return (Curve().Interpolate(grams), false);
        var end = grams < first.Grams ? first : last;
        return (LineWeights.ClassOf(LineWeights.MassKg(end.Number) * grams / end.Grams), true);
    }

    /// <summary>
    /// Weight, kilograms, of a class number, from 0 on: the inverse, linear between points. Outside the table the weight is extended in
    /// proportion to the standard line weights.
    /// </summary>
    public double MassKgOf(double number)
    {
        var (first, last) = (Points[0], Points[^1]);
        if (number >= first.Number && number <= last.Number)
            return Interpolation.Interpolate([.. Points.Select(p => p.Number)], [.. Points.Select(p => p.Grams)], number) / 1000;
        var end = number < first.Number ? first : last;
        return end.Grams / 1000 * LineWeights.MassKg(number) / LineWeights.MassKg(end.Number);
    }

    private IInterpolation Curve()
    {
        double[] grams = [.. Points.Select(p => p.Grams)],
            numbers = [.. Points.Select(p => p.Number)];
        // Two points make a line; the smooth curve needs three.
        return Points.Count < 3 ? LinearSpline.InterpolateSorted(grams, numbers) : CubicSpline.InterpolatePchipSorted(grams, numbers);
    }

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check()
    {
        // Points closer than a scale or a caster can tell apart would only put a step in the curve.
        var rising = Points.Zip(Points.Skip(1)).All(p => p.Second.Grams >= p.First.Grams + .5 && p.Second.Number >= p.First.Number + .05);
        return new FieldCheck()
            .Text("name", Name, 60)
            .Must(
                "name",
                ReferenceEquals(this, Usual) || Name.Trim() != Usual.Name,
                "That is the table that comes with the house. Give yours a name of its own."
            )
            .Must("points", Points.Count is >= 2 and <= 30, "A calibration needs between 2 and 30 rods.")
            .Must(
                "points",
                rising,
                "Each point needs more weight and a higher number than the one before, by half a gram and a twentieth of a class at least."
            )
            .Must(
                "points",
                Points.All(p => p is { Grams: >= 1 and <= 2000, Number: >= 0 and <= 17 }),
                "Weights run from 1 g to 2 kg, numbers from 0 to 17."
            )
            .Range("plusMinus", PlusMinus, 0, 3, "A tolerance is between 0 and 3 classes.")
            .Problems;
    }
}
