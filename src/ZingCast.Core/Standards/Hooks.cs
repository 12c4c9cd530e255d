using System.Globalization;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>
/// A hook size on one scale: #24 is 24, #1 is 1, 1/0 is 0, 2/0 is −1 and so on, so that larger hooks have smaller numbers.
/// </summary>
/// <param name="Number">24 (smallest) to −9 (10/0).</param>
public readonly record struct HookSize(int Number)
{
    /// <summary>Range of hook numbers.</summary>
    public const int Smallest = 32,
        Largest = -9;

    /// <summary>The next smaller hook; from #4 on hooks are made in even numbers. Null where there is none.</summary>
    public HookSize? Down() => Number + (Number >= EvenFrom ? 2 : 1) is var n && n <= Smallest ? new(n) : null;

    /// <summary>The next larger hook; null where there is none.</summary>
    public HookSize? Up() => Number - (Number > EvenFrom ? 2 : 1) is var n && n >= Largest ? new(n) : null;

    private const int EvenFrom = 4;

    /// <summary>As written on the packet: "#12" or "2/0".</summary>
    public override string ToString() =>
        Number >= 1 ? $"#{Number.ToString(CultureInfo.InvariantCulture)}" : $"{(1 - Number).ToString(CultureInfo.InvariantCulture)}/0";
}

/// <summary>Outer dimensions of a hook, metres.</summary>
/// <param name="LengthM">Overall length.</param>
/// <param name="GapeM">Point to shank.</param>
/// <param name="WireM">Wire diameter.</param>
public readonly record struct Hook(double LengthM, double GapeM, double WireM);

/// <summary>Typical hook dimensions by size. From memory; patterns differ by a size and more.</summary>
public static class Hooks
{
    /// <summary>Source mark of the table.</summary>
    public static readonly Source Source = new(SourceMark.Memory, "Typical hooks, recalled; patterns differ by a size and more");

    /// <summary>Rows from small to large: size number, then length, gape and wire in millimetres.</summary>
    public static readonly IReadOnlyList<(HookSize Size, double LengthMm, double GapeMm, double WireMm)> Rows =
    [
        (new(24), 3.8, 1.8, .25),
        (new(22), 4.5, 2.0, .27),
        (new(20), 5.3, 2.4, .30),
        (new(18), 6.2, 2.8, .33),
        (new(16), 7.3, 3.3, .37),
        (new(14), 8.8, 3.9, .42),
        (new(12), 10.5, 4.6, .46),
        (new(10), 12.5, 5.3, .51),
        (new(8), 15, 6.2, .58),
        (new(6), 18, 7.3, .65),
        (new(4), 21, 8.6, .73),
        (new(2), 25, 10.2, .82),
        (new(0), 30, 12.8, .95),
        (new(-1), 33, 14.2, 1.05),
        (new(-2), 37, 16, 1.15),
        (new(-3), 41, 18, 1.25),
        (new(-5), 49, 23, 1.5),
        (new(-7), 58, 28, 1.75),
    ];

    private static readonly double[] Steps = [.. Rows.Select(r => -(double)r.Size.Number)];
    private static readonly double[] Lengths = [.. Rows.Select(r => r.LengthMm)];
    private static readonly double[] Gapes = [.. Rows.Select(r => r.GapeMm)];
    private static readonly double[] Wires = [.. Rows.Select(r => r.WireMm)];

    /// <summary>Dimensions of a hook size, interpolated for sizes not in the table; sizes beyond the ends use the end row.</summary>
    public static Hook Get(HookSize size)
    {
        var step = Math.Clamp(-(double)size.Number, Steps[0], Steps[^1]);
        return new(
            Interpolation.Interpolate(Steps, Lengths, step) / 1000,
            Interpolation.Interpolate(Steps, Gapes, step) / 1000,
            Interpolation.Interpolate(Steps, Wires, step) / 1000
        );
    }
}
