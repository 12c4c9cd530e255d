using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;

namespace ZingCast.Core.Casting;

/// <summary>
/// Leader and line sampled once for casting. Positions run from the fly along the leader and line to the reel, metres. Between
/// samples mass and diameter are constant, so what leaves one leg arrives in the other to the last microgram.
/// </summary>
public sealed class LineInAir
{
    /// <summary>Sample spacing, metres.</summary>
    public const double StepM = .05;

    /// <summary>Density of leader materials, kg/m³: nylon and fluorocarbon, from memory.</summary>
    private const double NylonKgM3 = 1140, FluorocarbonKgM3 = 1780;

    // Sums from the fly to sample i: mass in kilograms, and diameter along length in square metres.
    private readonly double[] massKg, widthM2;

    private LineInAir(double[] massKg, double[] widthM2, double leaderM, double lengthM) =>
        (this.massKg, this.widthM2, LeaderM, LengthM) = (massKg, widthM2, leaderM, lengthM);

    /// <summary>Length of the leader, metres.</summary>
    public double LeaderM { get; }

    /// <summary>Leader and line together, metres.</summary>
    public double LengthM { get; }

    /// <summary>Samples a line of known mass with its leader. Throws <see cref="ArgumentException"/> when nobody knows what the line weighs.</summary>
    public static LineInAir Of(FlyLine line, Leader leader)
    {
        if (line.MassKg is not { } headKg) throw new ArgumentException($"Nobody knows what {line.Tag} weighs.", nameof(line));
        var lineDensity = headKg / line.Volume(line.HeadM);
        var leaderStretches = leader.Pieces.Reverse().Select(p => (p.LengthM, p.EndM, p.StartM, p.Name == "bite guard" ? FluorocarbonKgM3 : NylonKgM3));
        return Of([.. leaderStretches, .. line.Profile().Select(p => (p.LengthM, p.StartM, p.EndM, lineDensity))], leader.LengthM);
    }

    /// <summary>
    /// Samples any stretches in order from the fly: length, diameters at both ends, all in metres, and density in kg/m³.
    /// <paramref name="leaderM"/> metres of them are leader.
    /// </summary>
    public static LineInAir Of(IReadOnlyList<(double LengthM, double StartM, double EndM, double KgM3)> stretches, double leaderM)
    {
        var length = stretches.Sum(s => s.LengthM);
        // One sample more than the length, so that a look-up at the very end stays inside.
        var count = (int)Math.Ceiling(length / StepM) + 2;
        double[] mass = new double[count], width = new double[count];
        var (stretch, from) = (0, 0.0);
        double sumKg = 0, sumM2 = 0;
        for (var i = 1; i < count; i++)
        {
            var (at, to) = ((i - 1) * StepM, i * StepM);
            while (stretch < stretches.Count && at < to)
            {
                var (long_, start, end, density) = stretches[stretch];
                var until = Math.Min(to, from + long_);
                if (until > at)
                {
                    double a = At(at), b = At(until);
                    sumM2 += (until - at) * (a + b) / 2;
                    sumKg += (until - at) * density * Math.PI / 4 * (a * a + a * b + b * b) / 3;
                    at = until;
                }
                if (from + long_ > to) break;
                from += long_;
                stretch++;

                double At(double s) => start + (end - start) * Math.Clamp((s - from) / long_, 0, 1);
            }
            (mass[i], width[i]) = (sumKg, sumM2);
        }
        return new(mass, width, leaderM, length);
    }

    /// <summary>Mass and diameter integral from the fly to <paramref name="s"/> metres, with both per metre at that place. s is clamped to the line.</summary>
    internal void Look(double s, out double kg, out double kgPerM, out double m2, out double thickM)
    {
        var at = Math.Max(0, s / StepM);
        var i = Math.Min((int)at, massKg.Length - 2);
        var part = Math.Min(1, at - i);
        double kgStep = massKg[i + 1] - massKg[i], m2Step = widthM2[i + 1] - widthM2[i];
        kg = massKg[i] + part * kgStep;
        m2 = widthM2[i] + part * m2Step;
        kgPerM = kgStep / StepM;
        thickM = m2Step / StepM;
    }

    /// <summary>Mass from the fly to <paramref name="s"/> metres, kilograms, without the fly.</summary>
    public double MassKg(double s)
    {
        Look(s, out var kg, out _, out _, out _);
        return kg;
    }

    /// <summary>Diameter summed along the length from the fly to <paramref name="s"/> metres, square metres.</summary>
    public double WidthM2(double s)
    {
        Look(s, out _, out _, out var m2, out _);
        return m2;
    }

    /// <summary>Mass per metre at <paramref name="s"/> metres from the fly, kg/m.</summary>
    public double KgPerM(double s)
    {
        Look(s, out _, out var kgPerM, out _, out _);
        return kgPerM;
    }
}
