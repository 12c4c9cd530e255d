using System.Runtime.CompilerServices;

namespace ZingCast.Core.Casting;

/// <summary>How a cast ended.</summary>
public enum CastOutcome
{
    /// <summary>Line and leader straight before they touch the water.</summary>
    TurnedOver,

    /// <summary>Came down before it was straight.</summary>
    Piled,

    /// <summary>Straight, but pulled out less line than was wanted.</summary>
    FellShort,

    /// <summary>More line in the air than head, overhang or caster allow, or a fly too heavy for it.</summary>
    CannotCarry,
}

/// <summary>What stops a cast from going further.</summary>
public enum CastLimit
{
    /// <summary>Nothing: it did what was asked.</summary>
    None,

    /// <summary>The loop: wind, bulk and drag eat it before it is straight.</summary>
    Turnover,

    /// <summary>Time in the air: it reaches the water first.</summary>
    Height,

    /// <summary>Running line: the head does not pull more through the rings.</summary>
    Shoot,

    /// <summary>Line held in the air.</summary>
    Carry,

    /// <summary>A fly too heavy for the line in the air.</summary>
    FlyRatio,

    /// <summary>There is no more line.</summary>
    LineEnd,
}

/// <summary>Where the joules of a cast went. All in joules, 0 or more; together they come to <paramref name="Launch"/>.</summary>
/// <param name="Launch">In line, leader and fly when the rod stops.</param>
/// <param name="Skin">Rubbed off along both legs.</param>
/// <param name="Bend">Drag of the loop's bend.</param>
/// <param name="Fly">Drag of the fly.</param>
/// <param name="Guides">Friction in the rings.</param>
/// <param name="PickUp">Lost in jerking running line from rest.</param>
/// <param name="Check">Taken by the hand when the line is stopped, and lost when the legs lock.</param>
/// <param name="Left">Still in line and fly at the end.</param>
public readonly record struct EnergyBudget(
    double Launch,
    double Skin,
    double Bend,
    double Fly,
    double Guides,
    double PickUp,
    double Check,
    double Left
);

/// <summary>One moment of a cast.</summary>
/// <param name="TimeS">Since the rod stopped, seconds.</param>
/// <param name="UpperM">Length still in the fly leg, metres.</param>
/// <param name="BendM">Bend from the rod tip along the cast, metres.</param>
/// <param name="HeightM">Bend above the water, metres.</param>
/// <param name="FlyLegMps">Speed of the fly leg, m/s.</param>
/// <param name="RodLegMps">Speed of the rod leg, m/s.</param>
/// <param name="TensionN">Pull at the bend, newtons.</param>
/// <param name="ShotM">Line shot so far, metres.</param>
public readonly record struct CastMoment(
    double TimeS,
    double UpperM,
    double BendM,
    double HeightM,
    double FlyLegMps,
    double RodLegMps,
    double TensionN,
    double ShotM
);

/// <summary>One cast as it went.</summary>
/// <param name="Outcome">How it ended.</param>
/// <param name="Limit">What binds.</param>
/// <param name="ReachM">Rod tip to fly over the water, metres.</param>
/// <param name="CarryM">Line held in the air before release, metres.</param>
/// <param name="ShotM">Line shot, metres.</param>
/// <param name="AngleRad">Angle of the cast above the level, radians.</param>
/// <param name="LaunchMps">Line speed when the rod stops, m/s.</param>
/// <param name="FlightS">Time in the air, seconds.</param>
/// <param name="TurnoverMps">Speed of the fly when the leader straightens, m/s; 0 when it does not.</param>
/// <param name="PileM">Length not straightened at the end, metres.</param>
/// <param name="LoadRatio">Line in the air and wet fly over the rod's standard mass.</param>
/// <param name="FlyRatio">Wet fly over line in the air.</param>
/// <param name="LineDriftM">Drift of the line to the left by wind from the right, metres; negative to the right.</param>
/// <param name="FlyDriftM">The same for fly and leader.</param>
public readonly record struct CastResult(
    CastOutcome Outcome,
    CastLimit Limit,
    double ReachM,
    double CarryM,
    double ShotM,
    double AngleRad,
    double LaunchMps,
    double FlightS,
    double TurnoverMps,
    double PileM,
    double LoadRatio,
    double FlyRatio,
    double LineDriftM,
    double FlyDriftM
)
{
    /// <summary>Turned over, or piled no more than half the leader: the fly fishes.</summary>
    public bool Fishes { get; init; }

    /// <summary>Height left when it was straight, or the pile it may still have, metres; below 0 it does not fish.</summary>
    public double SpareM { get; init; }
}

/// <summary>
/// The cast as two legs joined by a travelling bend: the fly leg of length L at speed v, the rod leg at speed u, the bend at their mean.
/// Bend tension μ((v−u)/2)² after Spolek (1986) and Lingard (1988), Am. J. Phys., recalled; skin friction after White (1972), recalled.
/// Steps without allocating; the same input gives the same bits.
/// </summary>
public static class CastEngine
{
    /// <summary>Drag coefficient of a cylinder across the stream at these speeds. Range in use 1.0–1.1; common practice.</summary>
    public const double CrossDrag = 1.05;

    /// <summary>Kinematic viscosity of air near 15–20 °C, m²/s.</summary>
    public const double ViscosityM2ps = 1.5e-5;

    /// <summary>
    /// A fly heavier than this share of the line in the air is lobbed, not cast; up to the lower one it casts comfortably. Common
    /// practice.
    /// </summary>
    public const double MostFlyRatio = .45,
        ComfortableFlyRatio = .20;

    /// <summary>Ends of the grain window, shares of the rod's standard mass. Common practice.</summary>
    public const double WindowLow = Standards.LineWeights.WindowLow,
        WindowTop = Standards.LineWeights.WindowTop;

    /// <summary>The last of the leader is counted as straight at this length, metres.</summary>
    public const double StraightM = .05;

    private const double Gravity = Measures.Exact.GravityMps2,
        LongestS = 12,
        LongestStepS = .025,
        StepShare = .12;

    /// <summary>
    /// Line speed when the rod stops, m/s, and height of the loop, metres. The arm gives a heavier line more energy and less speed; outside
    /// the grain window speed falls and the loop opens with the square of the excess (an assumption of ours).
    /// </summary>
    public static (double LaunchMps, double LoopM) Launch(CastSetup setup, double carryM)
    {
        var (line, leader) = (setup.Line, setup.Line.LeaderM);
        var moved = line.MassKg(carryM + leader) + setup.FlyKg + setup.RodTipKg;
        var load = LoadRatio(setup, carryM);
        double over = Math.Max(0, load / WindowTop - 1),
            under = Math.Max(0, 1 - load / WindowLow);
        var penalty = 1 + 3 * over * over + under * under;
        return (setup.Caster.FreeMps / Math.Sqrt(1 + moved / setup.Caster.ArmKg) / penalty, setup.LoopM * penalty);
    }

    /// <summary>Line in the air and wet fly over the rod's standard mass.</summary>
    public static double LoadRatio(CastSetup setup, double carryM) => (LineKg(setup, carryM) + setup.FlyKg) / setup.StandardKg;

    /// <summary>Mass of the line held in the air, leader left out, kilograms.</summary>
    public static double LineKg(CastSetup setup, double carryM) =>
        setup.Line.MassKg(carryM + setup.Line.LeaderM) - setup.Line.MassKg(setup.Line.LeaderM);

    /// <summary>
    /// Throws one cast: <paramref name="carryM"/> metres of line in the air (clamped to what is there), <paramref name="angleRad"/> above
    /// the level, and lets up to <paramref name="shotM"/> metres be pulled out. <paramref name="refine"/> divides the step, 1 or more.
    /// Any legal setup gives finite numbers.
    /// </summary>
    public static CastResult Throw(CastSetup setup, double carryM, double angleRad, double shotM, double refine = 1) =>
        Throw(setup, carryM, angleRad, shotM, refine, null, out _);

    /// <summary>As the other, and keeps every moment in <paramref name="trace"/> when given, with where the energy went.</summary>
    public static CastResult Throw(
        CastSetup setup,
        double carryM,
        double angleRad,
        double shotM,
        double refine,
        List<CastMoment>? trace,
        out EnergyBudget budget
    )
    {
        var line = setup.Line;
        carryM = Math.Clamp(carryM, .5, line.LengthM - line.LeaderM);
        var outM = carryM + line.LeaderM;
        shotM = Math.Clamp(shotM, 0, Math.Max(0, line.LengthM - outM - .01));
        var (launch, loop) = Launch(setup, carryM);
        var air = new Air(setup, carryM, launch, loop, angleRad);
        var flight = new Flight
        {
            At = new() { L = outM, V = launch },
            Z = setup.Day.TipHeightM,
            Phase = shotM > .001 ? Phase.Forming : Phase.Checked,
        };
        trace?.Add(air.Moment(0, flight.At));
        Unroll(ref flight, air, line.LeaderM, outM, shotM, loop, refine, trace);
        budget = default;
        var straight = flight.At.L <= StraightM;
        var turnover = straight ? flight.At.V : 0;
        // A straight line still moving pulls on.
        if (straight && flight.Phase == Phase.Shooting)
            air.FlyOn(ref flight, shotM, trace);
        if (trace is not null)
            budget = air.Budget(flight, .5 * air.Up(outM) * launch * launch);
        return Judge(setup, air, flight, carryM, angleRad, shotM, launch, turnover, straight);
    }

    // The loop travels until the leader is straight or the line comes down.
    private static void Unroll(
        ref Flight flight,
        in Air air,
        double leaderM,
        double outM,
        double shotM,
        double loopM,
        double refine,
        List<CastMoment>? trace
    )
    {
        double falling = 0;
        while (flight.At.L > StraightM && flight.Z > 0 && flight.TimeS < LongestS)
        {
            var at = flight.At;
            var c = (at.V - at.U) / 2;
            // Steps follow the shorter leg: at the start the rod leg is short, at the end the fly leg is.
            var step = Math.Min(LongestStepS, StepShare * Math.Min(at.L, at.X + .5 * loopM) / Math.Max(c, 1e-6)) / refine;
            // The line ends and the leader begins with a jump in mass: no step runs across it.
            if (at.L > leaderM + 1e-6 && at.L - c * step < leaderM)
                step = Math.Max(1e-6, (at.L - leaderM) / c);
            var next = air.Step(at, step, flight.Z + falling * step / 2, flight.Phase == Phase.Shooting);
            var (phase, stoppedAt) = (flight.Phase, 0.0);
            if (phase == Phase.Forming && next.X >= loopM)
            {
                // The hand lets go when the loop has formed: as much rod leg as the loop is high.
                (next, step) = air.Part(at, step, flight.Z, false, (loopM - at.X) / (next.X - at.X));
                flight.Phase = Phase.Shooting;
            }
            else if (phase == Phase.Shooting && next.X + next.L - outM >= shotM)
            {
                double had = at.X + at.L - outM,
                    has = next.X + next.L - outM;
                (next, step) = air.Part(at, step, flight.Z, true, (shotM - had) / (has - had));
                (stoppedAt, next.U, flight.Phase) = (next.U, 0, Phase.Checked);
            }
            flight.TimeS += step;
            if (trace is not null)
                air.Account(ref flight, at, next, step, phase, stoppedAt);
            var z = air.Height(next.X, flight.TimeS);
            falling = (z - flight.Z) / step;
            if (z <= 0)
            {
                // Touches the water within this step.
                var part = flight.Z / (flight.Z - z);
                flight.TimeS -= step * (1 - part);
                (next, z) = (State.Between(at, next, part), 0);
            }
            (flight.At, flight.Z) = (next, z);
            trace?.Add(air.Moment(flight.TimeS, next));
        }
    }

    private static CastResult Judge(
        CastSetup setup,
        in Air air,
        in Flight flight,
        double carryM,
        double angleRad,
        double askedM,
        double launch,
        double turnover,
        bool straight
    )
    {
        var line = setup.Line;
        var outM = carryM + line.LeaderM;
        var shot = Math.Clamp(flight.At.X + flight.At.L - outM, 0, askedM);
        var pile = straight ? 0 : flight.At.L;
        var flyRatio = setup.FlyKg / Math.Max(1e-9, LineKg(setup, carryM));
        var outcome =
            carryM > setup.MostCarryM + 1e-9 || flyRatio > MostFlyRatio ? CastOutcome.CannotCarry
            : !straight ? CastOutcome.Piled
            : shot < askedM - .05 ? CastOutcome.FellShort
            : CastOutcome.TurnedOver;
        var limit = outcome switch
        {
            CastOutcome.CannotCarry => flyRatio > MostFlyRatio ? CastLimit.FlyRatio : CastLimit.Carry,
            CastOutcome.Piled => flight.Phase == Phase.Shooting ? CastLimit.Shoot
            : flight.At.V < .35 * launch ? CastLimit.Turnover
            : CastLimit.Height,
            CastOutcome.FellShort => CastLimit.Shoot,
            _ => askedM >= line.LengthM - outM - .02 ? CastLimit.LineEnd : CastLimit.None,
        };
        // A fly that lands in a heap lies where the bend came down.
        var reach = (straight ? outM + shot : flight.At.X) * air.Cos;
        var cross = setup.Day.CrosswindMps * setup.Day.WindShare(Math.Max(.5, setup.Day.TipHeightM));
        return new(
            outcome,
            limit,
            reach,
            carryM,
            shot,
            angleRad,
            launch,
            flight.TimeS,
            turnover,
            pile,
            LoadRatio(setup, carryM),
            flyRatio,
            air.Drift(cross, flight.TimeS, line.WidthM2(outM), line.MassKg(outM), 0),
            air.Drift(cross, flight.TimeS, line.WidthM2(line.LeaderM), line.MassKg(line.LeaderM) + setup.FlyKg, setup.FlyAreaM2)
        )
        {
            Fishes = (straight || pile <= line.LeaderM / 2) && flyRatio <= MostFlyRatio,
            SpareM = line.LeaderM / 2 + (straight ? flight.Z : -pile),
        };
    }

    // One cast under way.
    private struct Flight
    {
        public State At;
        public double TimeS,
            Z;
        public Phase Phase;
        public Spent Spent;
    }

    private enum Phase
    {
        Forming,
        Shooting,
        Checked,
    }

    // L: fly leg, m; V, U: leg speeds, m/s; X: bend from the tip along the cast, m.
    private struct State
    {
        public double L,
            V,
            U,
            X;

        public static State Between(in State a, in State b, double t) =>
            new()
            {
                L = a.L + (b.L - a.L) * t,
                V = a.V + (b.V - a.V) * t,
                U = a.U + (b.U - a.U) * t,
                X = a.X + (b.X - a.X) * t,
            };
    }

    private struct Spent
    {
        public double Skin,
            Bend,
            Fly,
            Guides,
            PickUp,
            Check;
    }

    private readonly struct Air
    {
        private readonly LineInAir line;
        private readonly double outM,
            flyKg,
            kFly,
            kSkin,
            kBend,
            kCross,
            sin,
            perLog,
            z0,
            h0,
            wind,
            terminal;

        public Air(CastSetup setup, double carryM, double launch, double loop, double angle)
        {
            line = setup.Line;
            flyKg = setup.FlyKg;
            outM = carryM + line.LeaderM;
            var half = setup.Day.AirKgM3 / 2;
            kFly = half * setup.FlyAreaM2;
            // White's law for the whole carried line at launch: over a cast it changes by a few per cent.
            var radius = line.WidthM2(outM) / outM / 2;
            kSkin = half * Math.PI * SkinFriction(outM, radius, Math.Max(1, launch + Math.Max(0, setup.Day.HeadwindMps) / 2));
            kBend = half * CrossDrag * 2 / 3 * loop;
            kCross = half * CrossDrag;
            (sin, Cos) = Math.SinCos(angle);
            (z0, h0) = (setup.Day.RoughnessM, setup.Day.TipHeightM);
            wind = setup.Day.HeadwindMps * Cos;
            perLog = 1 / Math.Log(10 / z0);
            terminal = Math.Sqrt((line.MassKg(outM) + flyKg) * Gravity / (kCross * line.WidthM2(outM)));
        }

        public double Cos { get; }

        public double Up(double l) => line.MassKg(l) + flyKg;

        public double Height(double x, double time)
        {
            // Falling from rest with drag across the line: vt²/g · ln cosh(g t / vt).
            var k = Gravity * time / terminal;
            return h0 + x * sin - terminal * terminal / Gravity * (k + Math.Log((1 + Math.Exp(-2 * k)) / 2));
        }

        private double WindAt(double z) => wind == 0 || z <= z0 ? 0 : wind * Math.Log(z / z0) * perLog;

        public State Step(in State s, double dt, double z, bool shooting)
        {
            // The line's height changes little within a step: one wind serves it all.
            var w = WindAt(z);
            var end = s.X + s.L;
            var ring = line.At(end);
            Derive(s, w, shooting, end, ring, out var v1, out var u1);
            var s2 = Ahead(s, s, v1, u1, dt / 2);
            Derive(s2, w, shooting, end, ring, out var v2, out var u2);
            var s3 = Ahead(s, s2, v2, u2, dt / 2);
            Derive(s3, w, shooting, end, ring, out var v3, out var u3);
            var s4 = Ahead(s, s3, v3, u3, dt);
            Derive(s4, w, shooting, end, ring, out var v4, out var u4);
            double v = (s.V + 2 * s2.V + 2 * s3.V + s4.V) / 6,
                u = (s.U + 2 * s2.U + 2 * s3.U + s4.U) / 6;
            var next = new State
            {
                // A fly leg blown to a stop stands; it does not fly back through the bend.
                L = Math.Max(0, s.L - dt * Math.Max(0, v - u) / 2),
                V = s.V + dt / 6 * (v1 + 2 * v2 + 2 * v3 + v4),
                U = Math.Max(0, s.U + dt / 6 * (u1 + 2 * u2 + 2 * u3 + u4)),
                X = s.X + dt * Math.Max(0, v + u) / 2,
            };
            if (next.V < next.U)
                Lock(ref next);
            return next;
        }

        // A fly leg slower than the rod leg flies with it as one package, at their common momentum.
        private void Lock(ref State s)
        {
            s.V = s.U = Math.Max(0, Common(s));
        }

        public (State, double) Part(in State s, double dt, double z, bool shooting, double part)
        {
            part = part is >= 0 and <= 1 ? part : 1;
            return (Step(s, dt * part, z, shooting), dt * part);
        }

        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        private static State Ahead(in State from, in State at, double dv, double du, double dt) =>
            new()
            {
                L = Math.Max(0, from.L - dt * (at.V - at.U) / 2),
                V = from.V + dt * dv,
                U = from.U + dt * du,
                X = from.X + dt * (at.V + at.U) / 2,
            };

        // Tension that turns the line round the bend, newtons, at both ends of it.
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        private static double Turning(in State s, in LineInAir.Place at) => at.KgPerM * (s.V - s.U) * (s.V - s.U) / 4;

        // Drag of the bend that each end of it bears, newtons; below 0 in a wind from behind that is faster than the bend.
        [MethodImpl(MethodImplOptions.AggressiveInlining)]
        private double BendDrag(in State s, in LineInAir.Place at, double w)
        {
            var through = (s.V + s.U) / 2 + w;
            return kBend * at.ThickM * through * Math.Abs(through) / 2;
        }

        // end and ring are the line at the tip ring when the step began: within a step it runs on unchanged.
        private void Derive(in State s, double w, bool shooting, double end, in LineInAir.Place ring, out double dv, out double du)
        {
            var at = line.At(s.L);
            var pull = Math.Max(0, Turning(s, at) - BendDrag(s, at, w));
            var up = s.V + w;
            var upDrag = (kSkin * at.M2 + kFly) * up * Math.Abs(up);
            // A leader's last centimetres and no fly weigh next to nothing: a microgram keeps the quotient finite.
            var mass = at.Kg + flyKg + 1e-9;
            dv = (pull - upDrag) / mass;
            du = 0;
            if (!shooting)
                return;
            var run = s.X + s.L - end;
            var low = s.U + w;
            var lowKg = Math.Max(1e-9, ring.Kg + run * ring.KgPerM - at.Kg);
            var hold = kSkin * (ring.M2 + run * ring.ThickM - at.M2) * low * Math.Abs(low) + ring.GuidesN + ring.KgPerM * s.U * s.U;
            du = (pull - hold) / lowKg;
            if (s.U <= 0 && du < 0)
                du = 0;
            if (s.V <= s.U && dv < du)
                dv = du = (mass * dv + lowKg * du) / (mass + lowKg);
        }

        public void FlyOn(ref Flight flight, double shotM, List<CastMoment>? trace)
        {
            ref var s = ref flight.At;
            var u = Math.Min(s.V, Common(s));
            var x = s.X + s.L;
            if (trace is not null)
                flight.Spent.Check += Math.Max(0, Kinetic(s) - .5 * Up(x) * u * u);
            s = new()
            {
                X = x,
                U = u,
                V = u,
            };
            while (u > .2 && flight.Z > 0 && x - outM < shotM && flight.TimeS < LongestS)
            {
                const double dt = .01;
                var ring = line.At(x);
                var flow = u + WindAt(flight.Z);
                double skin = kSkin * ring.M2 * flow * Math.Abs(flow),
                    fly = kFly * flow * Math.Abs(flow),
                    guides = ring.GuidesN,
                    pick = ring.KgPerM * u * u;
                var before = u;
                u = Math.Max(0, u - dt * (skin + fly + guides + pick) / (ring.Kg + flyKg));
                var moved = dt * (before + u) / 2;
                x = Math.Min(outM + shotM, x + moved);
                flight.TimeS += dt;
                flight.Z = Math.Max(0, Height(x, flight.TimeS));
                s = new()
                {
                    X = x,
                    U = u,
                    V = u,
                };
                if (trace is null)
                    continue;
                ref var spent = ref flight.Spent;
                (spent.Skin, spent.Fly, spent.Guides, spent.PickUp) = (
                    spent.Skin + skin * moved,
                    spent.Fly + fly * moved,
                    spent.Guides + guides * moved,
                    spent.PickUp + pick * moved / 2
                );
                trace.Add(Moment(flight.TimeS, s));
            }
        }

        private double Common(in State s)
        {
            var (up, all) = (Up(s.L), line.MassKg(s.X + s.L) + flyKg);
            return (up * s.V + (all - up) * s.U) / all;
        }

        private double Kinetic(in State s)
        {
            var (up, all) = (Up(s.L), line.MassKg(s.X + s.L) + flyKg);
            return .5 * up * s.V * s.V + .5 * (all - up) * s.U * s.U;
        }

        public CastMoment Moment(double time, in State s)
        {
            var at = line.At(s.L);
            var z = Height(s.X, time);
            return new(
                time,
                s.L,
                s.X,
                Math.Max(0, z),
                s.V,
                s.U,
                Math.Max(0, Turning(s, at) - BendDrag(s, at, WindAt(z))),
                Math.Max(0, s.X + s.L - outM)
            );
        }

        // Power lost at one end of a step, by where it goes; the trapezium of both ends is what the step cost.
        private void Power(in State s, double time, Phase phase, double share, ref Spent spent)
        {
            var (at, ring) = (line.At(s.L), line.At(s.X + s.L));
            var w = WindAt(Height(s.X, time));
            double up = s.V + w,
                low = s.U + w;
            // A drag greater than the tension takes all of it and no more.
            spent.Bend += share * Math.Min(Turning(s, at), BendDrag(s, at, w)) * (s.V + s.U);
            spent.Fly += share * kFly * up * Math.Abs(up) * s.V;
            spent.Skin += share * kSkin * (at.M2 * up * Math.Abs(up) * s.V + (ring.M2 - at.M2) * low * Math.Abs(low) * s.U);
            if (phase != Phase.Shooting)
                return;
            spent.Guides += share * ring.GuidesN * s.U;
            spent.PickUp += share * .5 * ring.KgPerM * s.U * s.U * s.U;
        }

        // What a step cost; a line stopped within it gives its speed up to the hand.
        public void Account(ref Flight flight, in State from, in State to, double dt, Phase phase, double stoppedAt)
        {
            var end = to;
            if (stoppedAt > 0)
            {
                end.U = stoppedAt;
                flight.Spent.Check += .5 * (Up(to.X + to.L) - Up(to.L)) * stoppedAt * stoppedAt;
            }
            Power(from, flight.TimeS - dt, phase, dt / 2, ref flight.Spent);
            Power(end, flight.TimeS, phase, dt / 2, ref flight.Spent);
        }

        public EnergyBudget Budget(in Flight flight, double launch)
        {
            ref readonly var spent = ref flight.Spent;
            return new(launch, spent.Skin, spent.Bend, spent.Fly, spent.Guides, spent.PickUp, spent.Check, Kinetic(flight.At));
        }

        public double Drift(double cross, double time, double widthM2, double kg, double areaM2)
        {
            // A body dragged sideways from rest: relative wind r obeys dr/dt = −k r², so y = w t − ln(1 + k w t)/k.
            var k = (kCross * widthM2 + kCross / CrossDrag * areaM2) / Math.Max(1e-9, kg);
            var w = Math.Abs(cross);
            return k * w * time < 1e-6 ? 0 : Math.Sign(cross) * (w * time - Math.Log(1 + k * w * time) / k);
        }
    }

    /// <summary>
    /// Skin-friction coefficient of a long cylinder along the stream, turbulent. Lengths in metres, speed in m/s. Source: White (1972),
    /// recalled.
    /// </summary>
    public static double SkinFriction(double lengthM, double radiusM, double speedMps) =>
        .0015 + (.30 + .015 * Math.Pow(lengthM / radiusM, .4)) / Math.Cbrt(speedMps * lengthM / ViscosityM2ps);
}
