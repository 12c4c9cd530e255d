using MathNet.Numerics.RootFinding;

namespace ZingCast.Core.Rods;

/// <summary>A place on a bent rod.</summary>
/// <param name="AlongM">Distance along the rod from the hand, metres.</param>
/// <param name="OutM">Distance out along the butt's direction, metres.</param>
/// <param name="DownM">Distance to the side the rod bends to, metres.</param>
public readonly record struct BendPoint(double AlongM, double OutM, double DownM);

/// <summary>Share of the bending energy in each third of the rod; the three come to 1.</summary>
public readonly record struct BendThirds(double Butt, double Middle, double Tip);

/// <summary>A rod bent by a pull at its tip, at rest.</summary>
/// <param name="PullN">Pull, newtons.</param>
/// <param name="AngleRad">Angle from the butt's direction to the pull, radians.</param>
/// <param name="OutM">Tip, out along the butt, metres.</param>
/// <param name="DownM">Tip, to the side, metres.</param>
/// <param name="TipRad">Angle of the tip from the butt's direction, radians.</param>
/// <param name="ButtNm">Moment at the hand: pull times its lever arm, newton metres.</param>
/// <param name="EnergyJ">Energy held by the bend, joules.</param>
/// <param name="Thirds">Where it bends.</param>
/// <param name="Shape">The rod from hand to tip.</param>
public sealed record Bend(
    double PullN,
    double AngleRad,
    double OutM,
    double DownM,
    double TipRad,
    double ButtNm,
    double EnergyJ,
    BendThirds Thirds,
    IReadOnlyList<BendPoint> Shape
)
{
    /// <summary>Position of the tip measured along the pull, metres: differences of it are how far the rod gave way.</summary>
    public double AlongPullM => OutM * Math.Cos(AngleRad) + DownM * Math.Sin(AngleRad);
}

/// <summary>
/// A rod as a tapered tube held at the butt: stiffness EI(s) = EI0·(1 − (1 − τ)s/L)⁴. Bends are those of a large-deflection beam
/// (elastica) without weight of its own.
/// </summary>
/// <param name="LengthM">Length that is free to bend, metres, above 0.</param>
/// <param name="ButtNm2">Bending stiffness EI at the butt, N·m², above 0.</param>
/// <param name="Taper">Thickness at the tip over thickness at the butt, from 0.04 (a whip) to 1 (a level stick).</param>
public sealed record BendModel(double LengthM, double ButtNm2, double Taper)
{
    // The mesh is finest at the tip, where a rod is softest: the distance from the tip grows with the square of the step index.
    private const int Steps = 32;

    // Strongest pull of any tackle, newtons.
    private const double HardestN = 400;

    /// <summary>Whether these values describe a rod; otherwise it cannot be bent.</summary>
    public bool Sound => LengthM is >= .1 and < 10 && ButtNm2 is >= SoftestNm2 and < 1e5 && Taper is >= .04 and <= 1;

    /// <summary>
    /// Least stiffness at the butt, N·m²: a tenth of the softest rod that the bend test accepts. Softer values only break the arithmetic.
    /// </summary>
    public const double SoftestNm2 = .03;

    /// <summary>
    /// The rod under a pull in newtons at an angle in radians from the butt's direction, above 0 and below π. No pull leaves it
    /// straight. Throws <see cref="ArgumentOutOfRangeException"/> otherwise, and when the model is not <see cref="Sound"/>.
    /// </summary>
    public Bend Under(double pullN, double angleRad)
    {
        if (!Sound)
            throw new ArgumentOutOfRangeException(nameof(pullN), "This is no rod.");
        if (!(pullN >= 0) || !double.IsFinite(pullN))
            throw new ArgumentOutOfRangeException(nameof(pullN));
        if (!(angleRad is > 0 and < Math.PI))
            throw new ArgumentOutOfRangeException(nameof(angleRad));
        var mesh = new Mesh(this);
        return Draw(mesh, pullN, angleRad, pullN == 0 ? angleRad : TipToPull(mesh, pullN, angleRad));
    }

    // Distance from the tip per step and flexibility 1/EI, at the ends and the middle of every step.
    private sealed class Mesh
    {
        public readonly double[] PerStep = new double[2 * Steps + 1],
            PerNm2 = new double[2 * Steps + 1];

        public Mesh(BendModel rod)
        {
            for (var i = 0; i < PerStep.Length; i++)
            {
                var t = i / (2.0 * Steps);
                var r = rod.Taper + (1 - rod.Taper) * t * t;
                PerStep[i] = 2 * rod.LengthM * t;
                PerNm2[i] = 1 / (rod.ButtNm2 * r * r * r * r);
            }
        }
    }

    // Angle between tip and pull, by the shooting method from the tip. Seen from its tip, a beam is a pendulum falling from that angle:
    // after the rod's length it must reach the butt's own angle. The solution for a linear pendulum starts the search short of the answer;
    // from there Newton steps in logarithms, where the function is nearly straight and only flattens, never overshoot.
    private static double TipToPull(Mesh mesh, double pullN, double angleRad)
    {
        double grown = 1,
            pace = 0;
        for (var i = 0; i < Steps; i++)
            Sway(mesh, pullN, i, 1, 0, ref grown, ref pace);
        var start = angleRad / grown;
        for (var i = 0; i < 60; i++)
        {
            double psi = start,
                moment = 0,
                slope = 1,
                slopePace = 0;
            for (var k = 0; k < Steps; k++)
            {
                var (psi0, moment0) = (psi, moment);
                Swing(mesh, pullN, k, ref psi, ref moment);
                var (sin, cos) = Math.SinCos((psi0 + psi) / 2);
                Sway(mesh, pullN, k, cos, sin * (psi - psi0) / 2, ref slope, ref slopePace);
            }
            var miss = Math.Log(psi / angleRad);
            if (Math.Abs(miss) < 1e-10)
                break;
            start *= Math.Exp(Math.Clamp(-miss * psi / (start * slope), -1, 1));
        }
        return start;
    }

    // The same step for a small change of the initial angle, whose equation has the cosine: half-way and end values.
    private static void Sway(Mesh mesh, double pullN, int step, double cosMid, double cosOff, ref double psi, ref double moment)
    {
        const double h = 1.0 / Steps;
        double d0 = mesh.PerStep[2 * step],
            d1 = mesh.PerStep[2 * step + 1],
            d2 = mesh.PerStep[2 * step + 2];
        double c0 = d0 * mesh.PerNm2[2 * step],
            c1 = d1 * mesh.PerNm2[2 * step + 1],
            c2 = d2 * mesh.PerNm2[2 * step + 2];
        double f0 = d0 * pullN * (cosMid + cosOff),
            f1 = d1 * pullN * cosMid,
            f2 = d2 * pullN * (cosMid - cosOff);
        double a = c0 * moment,
            p = f0 * psi;
        double b = c1 * (moment + h / 2 * p),
            q = f1 * (psi + h / 2 * a);
        double c = c1 * (moment + h / 2 * q),
            r = f1 * (psi + h / 2 * b);
        double d = c2 * (moment + h * r),
            s = f2 * (psi + h * c);
        psi += h / 6 * (a + 2 * b + 2 * c + d);
        moment += h / 6 * (p + 2 * q + 2 * r + s);
    }

    // One Runge–Kutta step of dψ = M/EI, dM = F·sin ψ, from the tip inwards.
    private static void Swing(Mesh mesh, double pullN, int step, ref double psi, ref double moment)
    {
        const double h = 1.0 / Steps;
        double d0 = mesh.PerStep[2 * step],
            d1 = mesh.PerStep[2 * step + 1],
            d2 = mesh.PerStep[2 * step + 2];
        double c0 = d0 * mesh.PerNm2[2 * step],
            c1 = d1 * mesh.PerNm2[2 * step + 1],
            c2 = d2 * mesh.PerNm2[2 * step + 2];
        double a = c0 * moment,
            p = d0 * pullN * Math.Sin(psi);
        double b = c1 * (moment + h / 2 * p),
            q = d1 * pullN * Math.Sin(psi + h / 2 * a);
        double c = c1 * (moment + h / 2 * q),
            r = d1 * pullN * Math.Sin(psi + h / 2 * b);
        double d = c2 * (moment + h * r),
            s = d2 * pullN * Math.Sin(psi + h * c);
        psi += h / 6 * (a + 2 * b + 2 * c + d);
        moment += h / 6 * (p + 2 * q + 2 * r + s);
    }

    private Bend Draw(Mesh mesh, double pullN, double angleRad, double tipToPull)
    {
        // Offsets from the tip, going inwards; reversed at the end. Simpson's rule on every step.
        var (psi, moment, x, y, energy) = (tipToPull, 0.0, 0.0, 0.0, 0.0);
        Span<double> thirds = stackalloc double[3];
        var inwards = new (double FromTipM, double X, double Y)[Steps + 1];
        for (var i = 0; i < Steps; i++)
        {
            var (psi0, moment0) = (psi, moment);
            Swing(mesh, pullN, i, ref psi, ref moment);
            const double dt = 1.0 / Steps;
            double d0 = mesh.PerStep[2 * i],
                d1 = mesh.PerStep[2 * i + 1],
                d2 = mesh.PerStep[2 * i + 2],
                s0 = LengthM * i * i * dt * dt,
                s2 = LengthM * (i + 1) * (i + 1) * dt * dt;
            double c0 = mesh.PerNm2[2 * i],
                c1 = mesh.PerNm2[2 * i + 1],
                c2 = mesh.PerNm2[2 * i + 2];
            // Cubic Hermite for the middle of the step: values and slopes are known at both ends.
            var mid = (psi0 + psi) / 2 + dt / 8 * (d0 * c0 * moment0 - d2 * c2 * moment);
            var midMoment = (moment0 + moment) / 2 + dt / 8 * pullN * (d0 * Math.Sin(psi0) - d2 * Math.Sin(psi));
            double w0 = d0 * dt / 6,
                w1 = 4 * d1 * dt / 6,
                w2 = d2 * dt / 6;
            x += w0 * Math.Cos(angleRad - psi0) + w1 * Math.Cos(angleRad - mid) + w2 * Math.Cos(angleRad - psi);
            y += w0 * Math.Sin(angleRad - psi0) + w1 * Math.Sin(angleRad - mid) + w2 * Math.Sin(angleRad - psi);
            var joules = (w0 * moment0 * moment0 * c0 + w1 * midMoment * midMoment * c1 + w2 * moment * moment * c2) / 2;
            energy += joules;
            // A step across the border of two thirds is divided by length.
            for (var third = 0; third < 3; third++)
                thirds[third] +=
                    joules * Math.Max(0, Math.Min(s2, (third + 1) * LengthM / 3) - Math.Max(s0, third * LengthM / 3)) / (s2 - s0);
            inwards[i + 1] = (s2, x, y);
        }
        var shape = new BendPoint[Steps + 1];
        for (var i = 0; i <= Steps; i++)
        {
            var (fromTip, atX, atY) = inwards[Steps - i];
            shape[i] = new(LengthM - fromTip, x - atX, y - atY);
        }
        var whole = energy > 0 ? energy : 1;
        return new(
            pullN,
            angleRad,
            x,
            y,
            angleRad - tipToPull,
            moment,
            energy,
            new(thirds[2] / whole, thirds[1] / whole, thirds[0] / whole),
            shape
        );
    }

    /// <summary>
    /// Weight at the tip, newtons, that drops it by <paramref name="dropM"/> metres with the butt held level; more than a millionth and
    /// less than 0.95 of the length.
    /// </summary>
    public double WeightForDropN(double dropM)
    {
        if (!(dropM > 1e-6 * LengthM && dropM < .95 * LengthM))
            throw new ArgumentOutOfRangeException(nameof(dropM));
        return Find(w => Under(w, Math.PI / 2).DownM - dropM, 3 * ButtNm2 * Taper / Math.Pow(LengthM, 3) * dropM);
    }

    /// <summary>
    /// Pull, newtons, that brings the moment at the hand to <paramref name="momentNm"/> at this angle; null when the rod straightens
    /// towards the pull first.
    /// </summary>
    public double? PullForMomentN(double momentNm, double angleRad) =>
        Under(HardestN, angleRad).ButtNm < momentNm ? null : Find(f => Under(f, angleRad).ButtNm - momentNm, momentNm / LengthM);

    /// <summary>
    /// Pull after a fish has taken <paramref name="surgeM"/> metres on a locked line, starting from a steady pull, newtons: from the rod
    /// alone, with line and leader taken as inelastic. Null when the rod cannot give that much.
    /// </summary>
    public double? PullAfterSurgeN(double pullN, double angleRad, double surgeM)
    {
        var wanted = Under(pullN, angleRad).AlongPullM + surgeM;
        return Under(HardestN, angleRad).AlongPullM < wanted
            ? null
            : Find(f => Under(f, angleRad).AlongPullM - wanted, Math.Max(pullN, .5) * 2);
    }

    // Root of a function that grows with the pull. The bracket is doubled until it contains the root.
    private static double Find(Func<double, double> miss, double near)
    {
        const int mostSteps = 200;
        double low = near,
            high = near;
        for (var i = 0; i < mostSteps && miss(low) > 0; i++)
            low /= 2;
        for (var i = 0; i < mostSteps && miss(high) < 0; i++)
            high *= 2;
        if (low == high)
            return low;
        if (Brent.TryFindRoot(miss, low, high, 1e-10 * high, mostSteps, out var root))
            return root;
        // Where Brent's method fails on rounding noise, bisection still succeeds.
        for (var i = 0; i < mostSteps && high - low > 1e-10 * high; i++)
            if (miss((low + high) / 2) < 0)
                low = (low + high) / 2;
            else
                high = (low + high) / 2;
        return (low + high) / 2;
    }
}
