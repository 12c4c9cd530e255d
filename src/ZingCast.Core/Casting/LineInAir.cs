using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Casting;

/// <summary>
/// Leader and line sampled for casting. Positions run from the fly along leader and line to the reel, metres. Mass and diameter are
/// constant between samples, so what leaves one leg arrives in the other exactly.
/// </summary>
public sealed class LineInAir
{
    /// <summary>Sample spacing, metres.</summary>
    public const double StepM = .05;

    private readonly Sample[] samples;
    private readonly double lastM;

    private LineInAir(Sample[] samples, double leaderM, double lengthM) =>
        (this.samples, LeaderM, LengthM, lastM) = (samples, leaderM, lengthM, samples.Length * StepM - 1e-9);

    // One sample step: sums from the fly to its start (mass in kilograms, diameter along length in square metres), what a metre of it adds,
    // and its friction in the guides, newtons.
    private readonly record struct Sample(double Kg, double M2, double KgPerM, double ThickM, double GuidesN);

    /// <summary>Length of the leader, metres.</summary>
    public double LeaderM { get; }

    /// <summary>Leader and line together, metres.</summary>
    public double LengthM { get; }

    /// <summary>
    /// Samples a line of known mass with its leader. Throws <see cref="ArgumentException"/> when the line's mass is unknown.
    /// </summary>
    public static LineInAir From(FlyLine line, Leader leader)
    {
        if (line.MassKg is null)
            throw new ArgumentException($"Nobody knows what {line.Tag} weighs.", nameof(line));
        var leaderStretches = leader
            .Pieces.Reverse()
            .Select(p => new Stretch(p.LengthM, p.EndM, p.StartM, LeaderMaterials.Get(p.Material).KgM3));
        return From([.. leaderStretches, .. line.Stretches], leader.LengthM);
    }

    /// <summary>
    /// Samples any stretches in order from the fly: length, diameters at both ends, all in metres, and density in kg/m³.
    /// <paramref name="leaderM"/> metres of them are leader.
    /// </summary>
    public static LineInAir From(IReadOnlyList<Stretch> stretches, double leaderM)
    {
        var length = stretches.Sum(s => s.LengthM);
        // One sample more than the length, so that a look-up at the very end stays inside.
        var samples = new Sample[(int)Math.Ceiling(length / StepM) + 1];
        var (stretch, from) = (0, 0.0);
        double sumKg = 0,
            sumM2 = 0;
        for (var i = 0; i < samples.Length; i++)
        {
            var (at, to) = (i * StepM, (i + 1) * StepM);
            var (kg, m2) = (sumKg, sumM2);
            while (stretch < stretches.Count && at < to)
            {
                var (run, start, end, density) = stretches[stretch];
                var until = Math.Min(to, from + run);
                if (until > at)
                {
                    double a = Thick(at),
                        b = Thick(until);
                    sumM2 += (until - at) * (a + b) / 2;
                    sumKg += (until - at) * density * Math.PI / 4 * (a * a + a * b + b * b) / 3;
                    at = until;
                }
                if (from + run > to)
                    break;
                from += run;
                stretch++;

                double Thick(double s) => start + (end - start) * Math.Clamp((s - from) / run, 0, 1);
            }
            var thick = (sumM2 - m2) / StepM;
            samples[i] = new(kg, m2, (sumKg - kg) / StepM, thick, CastSetup.GuidesN(thick));
        }
        return new(samples, leaderM, length);
    }

    /// <summary>The place <paramref name="s"/> metres from the fly. s is clamped to the line.</summary>
    internal Place At(double s)
    {
        var i = Math.Clamp((int)(s / StepM), 0, samples.Length - 1);
        ref readonly var sample = ref samples[i];
        var into = Math.Clamp(s - i * StepM, 0, StepM);
        return new(sample.Kg + into * sample.KgPerM, sample.M2 + into * sample.ThickM, sample.KgPerM, sample.ThickM, sample.GuidesN);
    }

    /// <summary>Four positions at once: mass and diameter summed from the fly, and mass, thickness and guide friction there.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    internal void At(
        Vector256<double> s,
        out Vector256<double> kg,
        out Vector256<double> m2,
        out Vector256<double> kgPerM,
        out Vector256<double> thickM,
        out Vector256<double> guidesN
    )
    {
        var within = Vector256.MinNative(Vector256.MaxNative(s, Vector256<double>.Zero), Vector256.Create(lastM));
        var whole = Vector256.Floor(within * (1 / StepM));
        var into = within - whole * StepM;
        ref readonly var a = ref samples[double.ConvertToIntegerNative<int>(whole.GetElement(0))];
        ref readonly var b = ref samples[double.ConvertToIntegerNative<int>(whole.GetElement(1))];
        ref readonly var c = ref samples[double.ConvertToIntegerNative<int>(whole.GetElement(2))];
        ref readonly var d = ref samples[double.ConvertToIntegerNative<int>(whole.GetElement(3))];
        kgPerM = Vector256.Create(a.KgPerM, b.KgPerM, c.KgPerM, d.KgPerM);
        thickM = Vector256.Create(a.ThickM, b.ThickM, c.ThickM, d.ThickM);
        kg = Vector256.Create(a.Kg, b.Kg, c.Kg, d.Kg) + into * kgPerM;
        m2 = Vector256.Create(a.M2, b.M2, c.M2, d.M2) + into * thickM;
        guidesN = Vector256.Create(a.GuidesN, b.GuidesN, c.GuidesN, d.GuidesN);
    }

    /// <summary>A place on the line: mass and diameter summed from the fly, and mass, thickness and guide friction there.</summary>
    internal readonly record struct Place(double Kg, double M2, double KgPerM, double ThickM, double GuidesN);

    /// <summary>Mass from the fly to <paramref name="s"/> metres, kilograms, without the fly.</summary>
    public double MassKg(double s) => At(s).Kg;

    /// <summary>Diameter summed along the length from the fly to <paramref name="s"/> metres, square metres.</summary>
    public double WidthM2(double s) => At(s).M2;

    /// <summary>Mass per metre at <paramref name="s"/> metres from the fly, kg/m.</summary>
    public double KgPerM(double s) => At(s).KgPerM;

    /// <summary>Thickness at <paramref name="s"/> metres from the fly, metres.</summary>
    public double ThickM(double s) => At(s).ThickM;
}
