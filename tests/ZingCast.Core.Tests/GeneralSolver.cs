using System.Diagnostics.CodeAnalysis;
using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.OdeSolvers;
using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>
/// The equations of the cast written down plainly and handed to a general-purpose solver, Math.NET Numerics' fourth-order Runge–Kutta.
/// Used by the tests to check the engine and by the benchmark to be measured against.
/// </summary>
public static class GeneralSolver
{
    /// <summary>Reach over the water of one cast, metres.</summary>
    public static double ReachM(CastSetup setup, double carryM, double angleRad, double wantedM, double dt, bool locate = true) =>
        Cast(setup, new(carryM, angleRad, wantedM), dt, locate).ReachM;

    /// <summary>
    /// Reach over the water of one cast, metres, with steps of <paramref name="dt"/> seconds, and the speed of its fly leg when it
    /// straightens, m/s. The solver knows no events: letting go, stopping the line and touching the water happen on its grid, unless
    /// <paramref name="locate"/> has them looked for by hand within the step.
    /// </summary>
    [SuppressMessage("Maintainability", "CA1502", Justification = "The equations one below the other, to be read beside the engine.")]
    public static (double ReachM, double TurnoverMps) Cast(CastSetup setup, CastPlan plan, double dt, bool locate = true)
    {
        var (carryM, angleRad, wantedM) = (plan.CarryM, plan.AngleRad, plan.ShotM);
        wantedM = Math.Min(wantedM, Math.Max(0, setup.Line.LengthM - carryM - setup.Line.LeaderM - .01));
        var (line, day, outM) = (setup.Line, setup.Day, carryM + setup.Line.LeaderM);
        var (launch, loop) = CastEngine.Launch(setup, carryM);
        double rho = day.AirKgM3,
            cf = SkinFriction.Coefficient(
                outM,
                line.WidthM2(outM) / outM / 2,
                Math.Max(1, launch + Math.Max(0, day.HeadwindMps) / 2),
                SkinFriction.AirM2ps
            );
        var terminal = Math.Sqrt(
            2 * (line.MassKg(outM) + setup.FlyKg) * Exact.GravityMps2 / (rho * CastEngine.CrossDrag * line.WidthM2(outM))
        );
        double Height(double x, double t) =>
            day.TipHeightM
            + x * Math.Sin(angleRad)
            - terminal * terminal / Exact.GravityMps2 * Math.Log(Math.Cosh(Exact.GravityMps2 * t / terminal));
        var shooting = false;

        // State: fly leg, speeds of fly leg and rod leg, bend from the tip.
        Vector<double> Rates(double t, Vector<double> y)
        {
            double l = Math.Max(0, y[0]),
                v = y[1],
                u = y[2],
                x = y[3];
            var w = day.HeadwindMps * Math.Cos(angleRad) * day.WindShare(Math.Max(0, Height(x, t)));
            double c = (v - u) / 2,
                at = (v + u) / 2 + w;
            var bend = .5 * rho * CastEngine.CrossDrag * line.ThickM(l) * 2 / 3 * loop * at * Math.Abs(at);
            var pull = Math.Max(0, line.KgPerM(l) * c * c - bend / 2);
            var upKg = line.MassKg(l) + setup.FlyKg;
            var dv = (pull - .5 * rho * (cf * Math.PI * line.WidthM2(l) + setup.FlyAreaM2) * (v + w) * Math.Abs(v + w)) / upKg;
            double du = 0;
            if (shooting)
            {
                var s = x + l;
                var lowKg = line.MassKg(s) - line.MassKg(l);
                du =
                    (
                        pull
                        - .5 * rho * cf * Math.PI * (line.WidthM2(s) - line.WidthM2(l)) * (u + w) * Math.Abs(u + w)
                        - CastSetup.GuidesN(line.ThickM(s))
                        - line.KgPerM(s) * u * u
                    ) / lowKg;
                if (u <= 0 && du < 0)
                    du = 0;
                if (v <= u && dv < du)
                    dv = du = (upKg * dv + lowKg * du) / (upKg + lowKg);
            }
            return Vector<double>.Build.Dense([-c, dv, du, (v + u) / 2]);
        }

        Vector<double> Step(Vector<double> y, double t, double step) => RungeKutta.FourthOrder(y, t, t + step, 2, Rates)[^1];

        var (state, time) = (Vector<double>.Build.Dense([outM, launch, 0, 0]), 0.0);
        var over = wantedM <= 0;
        while (state[0] > CastEngine.StraightM && Height(state[3], time) > 0 && time < 12)
        {
            // Even steps; only the fly leg must not run through its end within one.
            var step = Math.Min(dt, .5 * state[0] / Math.Max(1e-6, (state[1] - state[2]) / 2));
            var next = Step(state, time, step);
            // An event inside a step is met by taking the part of the step that leads to it.
            double part = 1;
            if (!over && !shooting && next[3] >= loop)
                part = (loop - state[3]) / (next[3] - state[3]);
            else if (shooting && next[3] + next[0] - outM >= wantedM)
                part = (wantedM + outM - state[3] - state[0]) / (next[3] + next[0] - state[3] - state[0]);
            var met = part < 1 || (!over && !shooting && next[3] >= loop);
            if (met && locate)
                next = Step(state, time, step *= Math.Max(1e-6, part));
            double before = Height(state[3], time),
                after = Height(next[3], time + step);
            if (after <= 0 && locate)
                next = state + (next - state) * (before / (before - after));
            (state, time) = (next, time + step);
            if (after <= 0)
                break;
            if (!met)
                continue;
            if (shooting)
                (shooting, over, state[2]) = (false, true, 0);
            else
                shooting = true;
        }
        if (state[0] > CastEngine.StraightM)
            return (state[3] * Math.Cos(angleRad), 0);
        // A straight line still moving pulls on, all of it at one speed.
        double far = state[3] + state[0],
            all = line.MassKg(far) + setup.FlyKg,
            up = line.MassKg(state[0]) + setup.FlyKg,
            speed = shooting ? (up * state[1] + (all - up) * state[2]) / all : 0;
        while (shooting && speed > .2 && Height(far, time) > 0 && far - outM < wantedM && time < 12)
        {
            var flow = speed + day.HeadwindMps * Math.Cos(angleRad) * day.WindShare(Math.Max(0, Height(far, time)));
            var drag = .5 * rho * (cf * Math.PI * line.WidthM2(far) + setup.FlyAreaM2) * flow * Math.Abs(flow);
            var slower = (drag + CastSetup.GuidesN(line.ThickM(far)) + line.KgPerM(far) * speed * speed) / (line.MassKg(far) + setup.FlyKg);
            var before = speed;
            speed = Math.Max(0, speed - dt * slower);
            far = Math.Min(outM + wantedM, far + dt * (before + speed) / 2);
            time += dt;
        }
        return (far * Math.Cos(angleRad), state[1]);
    }
}
