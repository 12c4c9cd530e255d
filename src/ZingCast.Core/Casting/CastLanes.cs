using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using ZingCast.Core.Standards;
using static System.Runtime.Intrinsics.Vector256;
using Lane4 = System.Runtime.Intrinsics.Vector256<double>;

namespace ZingCast.Core.Casting;

/// <summary>Supplies casts to simulate and takes their results.</summary>
internal interface ICastSource
{
    /// <summary>The next cast, with a ticket of 0 or more to identify it; false when there is none at present.</summary>
    bool Next(out CastPlan plan, out int ticket);

    /// <summary>The result of the cast with this ticket.</summary>
    void Landed(int ticket, in CastResult result);
}

/// <summary>A list of casts whose results are stored in the same order.</summary>
internal ref struct CastList(ReadOnlySpan<CastPlan> plans, Span<CastResult> results) : ICastSource
{
    private readonly ReadOnlySpan<CastPlan> plans = plans;
    private readonly Span<CastResult> results = results;
    private int next;

    public bool Next(out CastPlan plan, out int ticket)
    {
        ticket = next++;
        plan = ticket < plans.Length ? plans[ticket] : default;
        return ticket < plans.Length;
    }

    public readonly void Landed(int ticket, in CastResult result) => results[ticket] = result;
}

/// <summary>
/// Four casts of one setup stepped side by side, a lane each; a lane that is done takes the next cast. Runge–Kutta of the fourth order.
/// </summary>
/// <remarks>
/// Speeds are carried as what the bend leaves alone: the momentum M = m·v + n·u of fly leg m and rod leg n, and R = (v−u)·√(mn/(m+n)),
/// whose square is twice the energy of the legs against each other. Line going round the bend changes neither, whatever its taper; only
/// drag, guides and picking up running line do. A held rod leg is one of endless mass.
/// </remarks>
internal readonly struct CastLanes
{
    private const int Lanes = 4;
    private const double Gravity = Measures.Exact.GravityMps2,
        LongestS = 12,
        // Limits of a time step: this long; this share of the time that the shorter leg lasts; this much line through the guides.
        LongestStepS = .04,
        StepShare = .35,
        LongestPullM = .15,
        StopsMps = .2,
        // The last centimetres of a leader without a fly weigh next to nothing: a microgram keeps quotients finite.
        LeastKg = 1e-9,
        // Stands for the mass of a rod leg that is held.
        EndlessKg = 1e30;

    private readonly CastSetup setup;
    private readonly LineInAir line;
    private readonly CastTrace? trace;
    private readonly double refine,
        kFly,
        kSkin,
        kBend,
        kCross,
        perLog,
        leaderKg,
        headKg;

    public CastLanes(CastSetup setup, double refine, CastTrace? trace)
    {
        (this.setup, this.refine, this.trace, line) = (setup, refine, trace, setup.Line);
        var half = setup.Day.AirKgM3 / 2;
        (kFly, kSkin, kBend, kCross) = (
            half * setup.FlyAreaM2,
            half * Math.PI,
            half * CastEngine.CrossDrag * 2 / 3 / 2,
            half * CastEngine.CrossDrag
        );
        perLog = 1 / Math.Log(10 / setup.Day.RoughnessM);
        (leaderKg, headKg) = (line.MassKg(line.LeaderM), CastEngine.LineKg(setup, setup.HeadM));
    }

    private enum Phase
    {
        /// <summary>The loop forms while the hand holds the line.</summary>
        Forming,

        /// <summary>The hand has let go; the guides may still hold the line.</summary>
        Released,

        /// <summary>Straight, and still pulling line out.</summary>
        FlyingOn,

        /// <summary>All the line asked for is out.</summary>
        Checked,
    }

    [InlineArray(Lanes)]
    private struct Four<T>
    {
        private T first;
    }

    // L: fly leg, m; X: bend from the tip along the cast, m; M and R: see above; Z: height of the bend, m; T: time, s.
    private struct State
    {
        public Four<double> L,
            X,
            M,
            R,
            Z,
            T;
    }

    // The plan of each lane's cast, and how far it is.
    private struct Casts
    {
        public Four<double> OutM,
            ShotM,
            LoopM,
            Skin,
            Bend,
            Sin,
            WindMps,
            FallMps,
            LaunchMps,
            TurnoverMps,
            Falling;

        // Where the next event happens: loop length at which line is released, line out at which it is stopped, fly leg at which it is
        // straight, metres; infinite when none will.
        public Four<double> FormsAtM,
            EndsAtM,
            StraightAtM;

        // 1 while the rod leg moves; 1 when it may move but the guides hold it.
        public Four<double> Moving,
            Resting;
        public Four<CastPlan> Plans;
        public Four<Phase> Phases;

        // Ticket of the cast in each lane; below 0 when the lane is idle.
        public Four<int> Ticket;
    }

    /// <summary>Simulates what the source supplies until it supplies no more.</summary>
    public void Fly<TSource>(ref TSource source)
        where TSource : ICastSource, allows ref struct
    {
        Casts casts = default;
        State now = default;
        var flying = 0;
        for (var lane = 0; lane < Lanes; lane++)
            flying += Begin(ref casts, ref now, lane, ref source) ? 1 : 0;
        trace?.Begin(Look(casts, now, 0));
        while (flying > 0)
        {
            var events = Step(ref casts, ref now, out var then);
            if (trace is not null)
                events |= 1;
            for (var lane = 0; events != 0; lane++, events >>= 1)
            {
                if ((events & 1) == 0 || casts.Ticket[lane] < 0)
                    continue;
                var ended = Meet(casts, now, ref then, lane, out var met);
                var at = trace is null ? default : Look(casts, then, lane);
                if (!ended)
                    ended = Turn(ref casts, ref then, lane, met);
                if (lane == 0)
                    trace?.Add(Look(casts, now, lane), at, Look(casts, then, lane));
                if (!ended)
                    continue;
                source.Landed(casts.Ticket[lane], Judge(casts, then, lane));
                flying -= Begin(ref casts, ref then, lane, ref source) ? 0 : 1;
            }
            now = then;
        }
    }

    // Puts the next cast into a lane; false when there is none and the lane idles.
    private bool Begin<TSource>(ref Casts c, ref State s, int i, ref TSource source)
        where TSource : ICastSource, allows ref struct
    {
        if (!source.Next(out var asked, out c.Ticket[i]))
        {
            c.Ticket[i] = -1;
            return false;
        }
        var carry = Math.Clamp(asked.CarryM, .5, line.LengthM - line.LeaderM);
        var outM = carry + line.LeaderM;
        var shot = Math.Clamp(asked.ShotM, 0, Math.Max(0, line.LengthM - outM - .01));
        var all = line.At(outM);
        var outKg = all.Kg - leaderKg;
        var (launch, loop) = CastEngine.Launch(setup, outKg, carry < setup.HeadM ? headKg : outKg);
        var (sin, cos) = Math.SinCos(asked.AngleRad);
        c.Plans[i] = new(carry, asked.AngleRad, shot);
        (c.OutM[i], c.ShotM[i], c.LoopM[i], c.LaunchMps[i], c.TurnoverMps[i], c.Falling[i]) = (
            outM,
            shot,
            loop,
            launch,
            0,
            launch * sin / 2
        );
        // White's law for the whole carried line at launch: over a cast it changes by a few per cent.
        var friction = SkinFriction.Coefficient(
            outM,
            all.M2 / outM / 2,
            Math.Max(1, launch + Math.Max(0, setup.Day.HeadwindMps) / 2),
            SkinFriction.AirM2ps
        );
        (c.Skin[i], c.Bend[i], c.Sin[i], c.WindMps[i]) = (kSkin * friction, kBend * loop, sin, setup.Day.HeadwindMps * cos);
        c.FallMps[i] = Math.Sqrt((all.Kg + setup.FlyKg) * Gravity / (kCross * all.M2));
        (c.Moving[i], c.Resting[i]) = (0, 0);
        c.Phases[i] = shot > .001 ? Phase.Forming : Phase.Checked;
        (c.FormsAtM[i], c.EndsAtM[i], c.StraightAtM[i]) = (
            shot > .001 ? loop : double.PositiveInfinity,
            double.PositiveInfinity,
            CastEngine.StraightM
        );
        (s.L[i], s.X[i], s.M[i], s.Z[i], s.T[i]) = (outM, 0, 0, setup.Day.TipHeightM, 0);
        s.R[i] = launch * Math.Sqrt(all.Kg + setup.FlyKg + LeastKg);
        return true;
    }

    // Advances all lanes by one step. Returns a bit for each lane in which an event happens within it.
    private uint Step(ref Casts c, ref State s, out State then)
    {
        Unsafe.SkipInit(out then);
        Lane4 l = Load(ref s.L),
            x = Load(ref s.X),
            m = Load(ref s.M),
            r = Load(ref s.R),
            z = Load(ref s.Z),
            t = Load(ref s.T);
        var one = Lane4.One;
        Lane4 moving = Vector256.Equals(Load(ref c.Moving), one),
            resting = Vector256.Equals(Load(ref c.Resting), one);
        var end = x + l;
        line.At(end, out var endKg, out var endM2, out var runKg, out var runM2, out var rings);
        line.At(l, out var kg, out var m2, out var perM, out var thick, out _);

        Lane4 fly = Create(setup.FlyKg + LeastKg),
            least = Create(LeastKg),
            upKg = kg + fly,
            lowKg = MaxNative(least, endKg - kg);
        Apart(upKg, ConditionalSelect(moving, lowKg, Create(EndlessKg)), out var over, out var root);
        var g = r * root;
        var raw = (m - upKg * g) / (upKg + lowKg) & moving;
        // A rod leg that would run backwards is stopped by the guides.
        var stalled = LessThan(raw, Lane4.Zero);
        resting |= stalled;
        var u = MaxNative(raw, Lane4.Zero);
        g = ConditionalSelect(stalled, MaxNative(raw + g, Lane4.Zero), g);

        // Steps follow the shorter leg: at first the rod leg, at the end the fly leg.
        var straight = Vector256.Equals(l, Lane4.Zero);
        var shorter = ConditionalSelect(straight, Create(1e9), MinNative(l, x + Load(ref c.LoopM)));
        var dt =
            MinNative(
                Create(LongestStepS),
                MinNative(shorter * (2 * StepShare) / MaxNative(g, Create(2e-6)), Create(LongestPullM) / MaxNative(u, Create(1e-3)))
            ) / refine;
        // Where line meets leader, mass jumps, and drag that took its share of the loop's tension now takes all of it: no step may cross
        // this point.
        var toLeader = l - Create(line.LeaderM);
        dt = ConditionalSelect(GreaterThan(toLeader, Create(.002)), MinNative(dt, toLeader * 2.0 / MaxNative(g, Create(1e-3))), dt);

        // The line's height changes little within a step, so one wind serves all stages.
        var w = WindAt(z + Load(ref c.Falling) * dt * .5, Load(ref c.WindMps));
        var flow = new Flow
        {
            Wind = w,
            Skin = Load(ref c.Skin),
            Bend = Load(ref c.Bend),
            Bulk = Create(kFly),
            Rings = rings,
        };

        Forces(
            flow,
            g,
            u,
            new()
            {
                PerM = perM,
                Thick = thick,
                UpM2 = m2,
                LowM2 = endM2 - m2,
            },
            out var drag
        );
        // The guides hold until the loop pulls harder than they do.
        var goes = resting & GreaterThan(perM * g * g * .25 - drag.Taken, drag.Low);
        moving = AndNot(moving, resting) | goes;
        lowKg = ConditionalSelect(moving, lowKg, Create(EndlessKg));
        if (resting != Lane4.Zero)
        {
            Apart(upKg, lowKg, out over, out root);
            r = ConditionalSelect(resting, g * over.Root, r);
        }
        m = ConditionalSelect(goes, upKg * g, m);
        Store(ref c.Moving, one & moving);
        Store(ref c.Resting, one & AndNot(resting, goes));
        Store(ref s.M, m);
        Store(ref s.R, r);

        Rates(g, u, r, drag, runKg, over, out var m1, out var r1);
        r1 = AndNot(r1, straight);
        Lane4 l1 = g * -.5,
            x1 = u + g * .5;
        var half = dt * .5;
        var standing = new Standing
        {
            L = l,
            X = x,
            M = m,
            R = r,
            End = end,
            EndKg = endKg,
            EndM2 = endM2,
            RunKg = runKg,
            RunM2 = runM2,
            Moving = moving,
            Straight = straight,
            Fly = fly,
            Flow = flow,
        };
        Stage(standing, line, half, l1, x1, m1, r1, out var l2, out var x2, out var m2nd, out var r2);
        Stage(standing, line, half, l2, x2, m2nd, r2, out var l3, out var x3, out var m3, out var r3);
        Stage(standing, line, dt, l3, x3, m3, r3, out var l4, out var x4, out var m4, out var r4);

        var sixth = dt * (1.0 / 6);
        var toL = MaxNative(Lane4.Zero, l + sixth * (l1 + (l2 + l3) * 2.0 + l4));
        // While the rod leg is held, the length of line beyond the guides stays the same, however hard a tail wind blows a fly of no
        // weight.
        var toX = ConditionalSelect(moving, x + sixth * (x1 + (x2 + x3) * 2.0 + x4), end - toL);
        var toT = t + dt;
        var toZ = HeightAt(toX, toT, Load(ref c.Sin), Load(ref c.FallMps));
        Store(ref then.L, toL);
        Store(ref then.X, toX);
        Store(ref then.M, m + sixth * (m1 + (m2nd + m3) * 2.0 + m4));
        // When the fly leg would become slower than the rod leg, both fly on as one.
        Store(ref then.R, MaxNative(Lane4.Zero, r + sixth * (r1 + (r2 + r3) * 2.0 + r4)));
        Store(ref then.Z, toZ);
        Store(ref then.T, toT);
        Store(ref c.Falling, (toZ - z) / dt);
        var happens =
            GreaterThanOrEqual(toX, Load(ref c.FormsAtM))
            | GreaterThanOrEqual(toX + toL, Load(ref c.EndsAtM))
            | LessThanOrEqual(toL, Load(ref c.StraightAtM))
            | LessThanOrEqual(toZ, Lane4.Zero)
            | ~LessThan(toT, Create(LongestS))
            | (straight & LessThanOrEqual(u, Create(StopsMps)));
        return happens.ExtractMostSignificantBits();
    }

    // State at the start of a step, and what is constant during it.
    private struct Standing
    {
        public Lane4 L,
            X,
            M,
            R,
            End,
            EndKg,
            EndM2,
            RunKg,
            RunM2,
            Moving,
            Straight,
            Fly;

        public Flow Flow;
    }

    // What drag goes by, constant during a step: wind, m/s; skin friction, drag of the loop and of the fly, over speed squared; and what
    // the guides hold, newtons.
    private struct Flow
    {
        public Lane4 Wind,
            Skin,
            Bend,
            Bulk,
            Rings;
    }

    // Rates of change part of the way into the step.
    private static void Stage(
        in Standing s,
        LineInAir line,
        Lane4 ahead,
        Lane4 dl,
        Lane4 dx,
        Lane4 dm,
        Lane4 dr,
        out Lane4 nl,
        out Lane4 nx,
        out Lane4 nm,
        out Lane4 nr
    )
    {
        Lane4 l = MaxNative(Lane4.Zero, s.L + ahead * dl),
            x = s.X + ahead * dx,
            m = s.M + ahead * dm,
            r = MaxNative(Lane4.Zero, s.R + ahead * dr);
        line.At(l, out var kg, out var m2, out var perM, out var thick, out _);
        var run = x + l - s.End;
        Lane4 up = kg + s.Fly,
            low = ConditionalSelect(s.Moving, MaxNative(Create(LeastKg), s.EndKg + run * s.RunKg - kg), Create(EndlessKg));
        Apart(up, low, out var over, out var root);
        Lane4 g = r * root,
            u = MaxNative(Lane4.Zero, (m - up * g) / (up + low));
        Forces(
            s.Flow,
            g,
            u,
            new()
            {
                PerM = perM,
                Thick = thick,
                UpM2 = m2,
                LowM2 = s.EndM2 + run * s.RunM2 - m2,
            },
            out var drag
        );
        Rates(g, u, r, drag, s.RunKg, over, out nm, out nr);
        // A straight line is one piece: a tail wind does not blow its fly ahead of it.
        nr = AndNot(nr, s.Straight);
        nl = g * -.5;
        nx = u + g * .5;
    }

    // 1/m and 1/n, and 1/√(1/m + 1/n).
    private struct Inverses
    {
        public Lane4 Up,
            Low,
            Root;
    }

    // The same from m and n, with √(1/m + 1/n).
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static void Apart(Lane4 up, Lane4 low, out Inverses over, out Lane4 root)
    {
        var overBoth = Lane4.One / (up * low);
        over.Up = low * overBoth;
        over.Low = up * overBoth;
        root = Sqrt(over.Up + over.Low);
        over.Root = Lane4.One / root;
    }

    // The line at the loop: mass per metre, kg/m, and thickness, metres; and thickness summed along fly leg and rod leg, square metres.
    private struct AtLoop
    {
        public Lane4 PerM,
            Thick,
            UpM2,
            LowM2;
    }

    // Drag of the loop that each of its ends bears (never more than its tension), of fly leg and fly, and of the rod leg with the guides,
    // newtons.
    private struct Drags
    {
        public Lane4 Taken,
            Up,
            Low;
    }

    // Drag at a speed of the legs against each other (g) and of the rod leg (u), m/s.
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static void Forces(in Flow flow, Lane4 g, Lane4 u, in AtLoop at, out Drags drag)
    {
        Lane4 through = u + g * .5 + flow.Wind,
            up = u + g + flow.Wind,
            low = u + flow.Wind;
        drag.Taken = MinNative(at.PerM * g * g * .25, flow.Bend * at.Thick * through * Abs(through));
        drag.Up = (flow.Skin * at.UpM2 + flow.Bulk) * up * Abs(up);
        drag.Low = flow.Skin * at.LowM2 * low * Abs(low) + flow.Rings;
    }

    // Effect of drag and picked-up running line, of this mass per metre, on M and R.
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static void Rates(Lane4 g, Lane4 u, Lane4 r, in Drags drag, Lane4 runKg, in Inverses over, out Lane4 dm, out Lane4 dr)
    {
        var picked = runKg * u;
        dm = -(drag.Taken + drag.Taken + drag.Up + drag.Low);
        dr =
            over.Root
            * (
                (drag.Taken + drag.Low + picked * u) * over.Low
                - (drag.Taken + drag.Up) * over.Up
                + g * picked * over.Low * over.Low * .5 * over.Root * over.Root
            );
        dr = ConditionalSelect(LessThanOrEqual(r, Lane4.Zero), MaxNative(Lane4.Zero, dr), dr);
    }

    private Lane4 WindAt(Lane4 z, Lane4 wind)
    {
        var rough = Create(setup.Day.RoughnessM);
        return wind * Log(MaxNative(z, rough) / rough) * perLog;
    }

    // Fall from rest with drag across the line: vt²/g · ln cosh(g t / vt).
    private Lane4 HeightAt(Lane4 x, Lane4 t, Lane4 sin, Lane4 terminal)
    {
        var k = t * Gravity / terminal;
        return Create(setup.Day.TipHeightM) + x * sin - terminal * terminal * (1 / Gravity) * (k + Log((Lane4.One + Exp(k * -2.0)) * .5));
    }

    private double Height(in Casts c, int i, double x, double t)
    {
        var k = Gravity * t / c.FallMps[i];
        return setup.Day.TipHeightM + x * c.Sin[i] - c.FallMps[i] * c.FallMps[i] / Gravity * (k + Math.Log((1 + Math.Exp(-2 * k)) / 2));
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Lane4 Load(ref Four<double> four) => LoadUnsafe(ref four[0]);

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static void Store(ref Four<double> four, Lane4 lanes) => lanes.StoreUnsafe(ref four[0]);

    private enum Event
    {
        None,
        LetGo,
        AllOut,
        Straight,
    }

    // Moves a lane back to the event within its step; true when the cast is over.
    private bool Meet(in Casts c, in State from, ref State to, int i, out Event met)
    {
        met = Event.None;
        double out0 = from.X[i] + from.L[i],
            out1 = to.X[i] + to.L[i];
        if (to.X[i] >= c.FormsAtM[i])
        {
            // The hand lets go when the loop has formed: when the rod leg is as long as the loop is high.
            met = Event.LetGo;
            Back(c, from, ref to, i, (c.FormsAtM[i] - from.X[i]) / (to.X[i] - from.X[i]));
        }
        else if (out1 >= c.EndsAtM[i])
        {
            met = Event.AllOut;
            Back(c, from, ref to, i, (c.EndsAtM[i] - out0) / (out1 - out0));
        }
        if (to.Z[i] <= 0)
        {
            var (whole, part) = (to, from.Z[i] / (from.Z[i] - to.Z[i]));
            Back(c, from, ref to, i, part);
            // The line falls ever faster, so refine once with the result.
            var off = to.Z[i];
            part = off > 0 ? part + (1 - part) * off / (off - whole.Z[i]) : part * from.Z[i] / (from.Z[i] - off);
            to = whole;
            Back(c, from, ref to, i, part);
            to.Z[i] = 0;
            return true;
        }
        if (met == Event.None && to.L[i] <= c.StraightAtM[i])
        {
            met = Event.Straight;
            Back(c, from, ref to, i, (from.L[i] - c.StraightAtM[i]) / (from.L[i] - to.L[i]));
        }
        return !(to.T[i] < LongestS) || (c.Phases[i] == Phase.FlyingOn && Speeds(c, to, i).U <= StopsMps);
    }

    private void Back(in Casts c, in State from, ref State to, int i, double part)
    {
        part = part is >= 0 and <= 1 ? part : 1;
        to.L[i] = from.L[i] + (to.L[i] - from.L[i]) * part;
        to.X[i] = from.X[i] + (to.X[i] - from.X[i]) * part;
        to.M[i] = from.M[i] + (to.M[i] - from.M[i]) * part;
        to.R[i] = from.R[i] + (to.R[i] - from.R[i]) * part;
        to.T[i] = from.T[i] + (to.T[i] - from.T[i]) * part;
        to.Z[i] = Height(c, i, to.X[i], to.T[i]);
    }

    // Applies an event to the cast; true when the cast is over.
    private bool Turn(ref Casts c, ref State s, int i, Event met)
    {
        switch (met)
        {
            case Event.LetGo:
                (c.Phases[i], c.Resting[i]) = (Phase.Released, 1);
                (c.FormsAtM[i], c.EndsAtM[i]) = (double.PositiveInfinity, c.OutM[i] + c.ShotM[i]);
                return false;
            case Event.AllOut when c.Phases[i] == Phase.FlyingOn:
                return true;
            case Event.AllOut:
                var (upKg, v) = (Speeds(c, s, i).UpKg, Speeds(c, s, i).V);
                (c.Phases[i], c.Moving[i], c.Resting[i], c.EndsAtM[i]) = (Phase.Checked, 0, 0, double.PositiveInfinity);
                s.R[i] = v * Math.Sqrt(upKg);
                return false;
            case Event.Straight:
                c.TurnoverMps[i] = Speeds(c, s, i).V;
                if (c.Phases[i] != Phase.Released || c.Moving[i] == 0)
                    return true;
                // A straight line still moving pulls on, all of it at one speed.
                (c.Phases[i], c.Bend[i], c.StraightAtM[i]) = (Phase.FlyingOn, 0, -1);
                (s.X[i], s.L[i], s.R[i]) = (s.X[i] + s.L[i], 0, 0);
                return false;
            default:
                return false;
        }
    }

    private (double U, double V, double UpKg, double LowKg) Speeds(in Casts c, in State s, int i)
    {
        var up = line.At(s.L[i]).Kg + setup.FlyKg + LeastKg;
        var low = Math.Max(LeastKg, line.At(s.X[i] + s.L[i]).Kg + setup.FlyKg + LeastKg - up);
        var moving = c.Moving[i] != 0;
        var g = s.R[i] * Math.Sqrt(1 / up + (moving ? 1 / low : 0));
        var u = moving ? Math.Max(0, (s.M[i] - up * g) / (up + low)) : 0;
        return (u, u + g, up, low);
    }

    // State of a cast at one moment, with the power lost, for a trace.
    private CastInstant Look(in Casts c, in State s, int i)
    {
        var (u, v, up, low) = Speeds(c, s, i);
        double l = s.L[i],
            x = s.X[i];
        var (at, ring) = (line.At(l), line.At(x + l));
        var w = c.WindMps[i] * setup.Day.WindShare(Math.Max(0, s.Z[i]));
        double through = (v + u) / 2 + w,
            flyFlow = v + w,
            rodFlow = u + w,
            turning = at.KgPerM * (v - u) * (v - u) / 4,
            drag = c.Bend[i] * at.ThickM * through * Math.Abs(through);
        var moving = c.Moving[i] != 0;
        return new(
            new(s.T[i], l, x, Math.Max(0, s.Z[i]), v, u, Math.Max(0, turning - drag), Math.Max(0, x + l - c.OutM[i])),
            // A drag greater than the tension takes all of it and no more.
            BendW: Math.Min(turning, drag) * (v + u),
            FlyW: kFly * flyFlow * Math.Abs(flyFlow) * v,
            SkinW: c.Skin[i] * (at.M2 * flyFlow * Math.Abs(flyFlow) * v + (ring.M2 - at.M2) * rodFlow * Math.Abs(rodFlow) * u),
            GuidesW: moving ? ring.GuidesN * u : 0,
            PickUpW: moving ? .5 * ring.KgPerM * u * u * u : 0,
            KineticJ: .5 * (up * v * v + low * u * u)
        );
    }

    private CastResult Judge(in Casts c, in State s, int i)
    {
        var plan = c.Plans[i];
        var straight = s.L[i] <= CastEngine.StraightM;
        var (outM, pile) = (c.OutM[i], straight ? 0 : s.L[i]);
        var shot = Math.Clamp(s.X[i] + s.L[i] - outM, 0, plan.ShotM);
        var (all, leader) = (line.At(outM), line.At(line.LeaderM));
        var outKg = all.Kg - leaderKg;
        var flyRatio = setup.FlyKg / Math.Max(1e-9, outKg);
        var outcome =
            plan.CarryM > setup.MostCarryM + 1e-9 ? CastOutcome.CannotCarry
            : !straight ? CastOutcome.Piled
            : shot < plan.ShotM - .05 ? CastOutcome.FellShort
            : CastOutcome.TurnedOver;
        var limit = outcome switch
        {
            CastOutcome.CannotCarry => CastLimit.Carry,
            _ when flyRatio > CastEngine.MaxFlyRatio => CastLimit.FlyRatio,
            CastOutcome.Piled => c.Phases[i] == Phase.Released ? CastLimit.Shoot
            : Speeds(c, s, i).V < .35 * c.LaunchMps[i] ? CastLimit.Turnover
            : CastLimit.Height,
            CastOutcome.FellShort => CastLimit.Shoot,
            _ => plan.ShotM >= line.LengthM - outM - .02 ? CastLimit.LineEnd : CastLimit.None,
        };
        var cross = setup.Day.CrosswindMps * setup.Day.WindShare(Math.Max(.5, setup.Day.TipHeightM));
        return new(
            outcome,
            limit,
            // A fly that lands in a heap lies where the loop came down.
            (straight ? outM + shot : Math.Min(s.X[i], outM + shot)) * Math.Cos(plan.AngleRad),
            plan.CarryM,
            shot,
            plan.AngleRad,
            c.LaunchMps[i],
            s.T[i],
            c.TurnoverMps[i],
            pile,
            (outKg + setup.FlyKg) / setup.StandardKg,
            flyRatio,
            Drift(cross, s.T[i], all.M2, all.Kg, 0),
            Drift(cross, s.T[i], leader.M2, leader.Kg + setup.FlyKg, setup.FlyAreaM2)
        )
        {
            Fishes = straight || pile <= line.LeaderM / 2,
            SpareM = line.LeaderM / 2 + (straight ? s.Z[i] : -pile),
        };
    }

    // A body dragged sideways from rest: relative wind r obeys dr/dt = −k r², so y = w t − ln(1 + k w t)/k.
    private double Drift(double cross, double time, double widthM2, double kg, double areaM2)
    {
        var k = kCross * (widthM2 + areaM2 / CastEngine.CrossDrag) / Math.Max(1e-9, kg);
        var w = Math.Abs(cross);
        return k * w * time < 1e-6 ? 0 : Math.Sign(cross) * (w * time - Math.Log(1 + k * w * time) / k);
    }
}
