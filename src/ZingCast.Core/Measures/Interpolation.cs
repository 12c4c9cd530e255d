namespace ZingCast.Core.Measures;

/// <summary>Straight-line interpolation helpers shared by the tables.</summary>
public static class Interpolation
{
    /// <summary>Value at fraction <paramref name="t"/> between two ends; t outside 0–1 extrapolates.</summary>
    public static double Between(double from, double to, double t) => from + (to - from) * t;

    /// <summary>Where <paramref name="x"/> lies between two ends, clamped to 0–1; 0 when the ends coincide.</summary>
    public static double Fraction(double from, double to, double x) => from == to ? 0 : Math.Clamp((x - from) / (to - from), 0, 1);

    /// <summary>
    /// Piecewise-linear lookup. <paramref name="xs"/> ascending, same length as <paramref name="ys"/>, two or more points.
    /// Beyond the ends the last slope continues.
    /// </summary>
    public static double Interpolate(ReadOnlySpan<double> xs, ReadOnlySpan<double> ys, double x)
    {
        var i = 1;
        while (i < xs.Length - 1 && x > xs[i])
            i++;
        return Between(ys[i - 1], ys[i], (x - xs[i - 1]) / (xs[i] - xs[i - 1]));
    }
}
