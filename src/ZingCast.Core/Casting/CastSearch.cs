namespace ZingCast.Core.Casting;

/// <summary>Whether a distance can be had, with the cast that does it and what is in hand.</summary>
/// <param name="WantedM">Distance asked for, rod tip to fly, metres.</param>
/// <param name="Can">The fly gets there and fishes.</param>
/// <param name="Cast">The cast made for it; the farthest one when it cannot be had.</param>
/// <param name="Farthest">The farthest cast.</param>
public sealed record ReachAnswer(double WantedM, bool Can, CastResult Cast, CastResult Farthest)
{
    /// <summary>Distance in hand, metres; negative when short.</summary>
    public double InHandM => Farthest.ReachM - WantedM;
}

/// <summary>Searches over what a caster can choose: line held in the air, angle, line shot. Deterministic.</summary>
public static class CastSearch
{
    /// <summary>Line let go to be shot is searched to this, metres.</summary>
    private const double ShotGrainM = .03;

    /// <summary>
    /// The farthest cast that fishes. When none does, a cast that shows why, with 0 reach. <paramref name="near"/> is a cast thought to
    /// be near the answer, such as that of a neighbouring wind: it saves time and changes the result by no more than the search's grain.
    /// </summary>
    public static CastResult Farthest(CastSetup setup, CastResult? near = null)
    {
        var most = setup.MostCarryM;
        var (carry, steep, shot) = near is { ReachM: > 0 } n
            ? (Math.Clamp(n.CarryM, Math.Min(1, most), most), Steepness(setup, n), n.ShotM)
            : (most, 1.0, 6.0);
        // The longest carry is the kindest to a heavy fly.
        if (setup.FlyKg > CastEngine.MostFlyRatio * CastEngine.LineKg(setup, most))
            return Nothing(setup);
        var best = At(setup, carry, steep, ref shot);
        if (near is null || best.ReachM <= 0)
        {
            // From the longest carry down while it helps; a strong wind or a slow arm wants less line in the air, or a flatter cast.
            foreach (var steepness in (ReadOnlySpan<double>)[1, .6, .3])
            {
                for (var share = .88; share > .15; share *= .88)
                {
                    var next = At(setup, most * share, steepness, ref shot);
                    if (next.ReachM > best.ReachM)
                        (best, carry, steep) = (next, most * share, steepness);
                    else if (best.ReachM > 0)
                        break;
                }
                if (best.ReachM > 0)
                    break;
            }
        }
        if (best.ReachM <= 0)
            return Nothing(setup);
        shot = best.ShotM;
        for (var (width, tilt) = near is null ? (.12, .25) : (.08, .2); width > .015; width *= .4, tilt *= .4)
        {
            Try(Math.Min(most, carry * (1 + width)), steep);
            Try(carry * (1 - width), steep);
            Try(carry, Math.Min(1, steep + tilt));
            Try(carry, Math.Max(0, steep - tilt));
        }
        return best.Limit == CastLimit.None && best.CarryM > most - .01 ? best with { Limit = CastLimit.Carry } : best;

        void Try(double toCarry, double toSteep)
        {
            if (toCarry == carry && toSteep == steep)
                return;
            var next = At(setup, toCarry, toSteep, ref shot);
            if (next.ReachM > best.ReachM)
                (best, carry, steep) = (next, toCarry, toSteep);
            shot = best.ShotM;
        }
    }

    /// <summary>
    /// Can <paramref name="wantedM"/> metres be had, and with which cast? Among casts that get there the flattest is taken that straightens
    /// with half a metre of height to spare.
    /// </summary>
    public static ReachAnswer Reach(CastSetup setup, double wantedM, CastResult? near = null)
    {
        var farthest = Farthest(setup, near);
        if (farthest.ReachM < wantedM)
            return new(wantedM, false, farthest, farthest);
        CastResult? best = null;
        foreach (var share in (ReadOnlySpan<double>)[1, .8, .6])
        {
            var carry = Math.Max(1, share * Math.Min(setup.MostCarryM, wantedM - setup.Line.LeaderM));
            foreach (var steep in (ReadOnlySpan<double>)[.1, .3, .5, .75, 1])
            {
                var angle = steep * setup.SteepestRad(carry);
                var cast = CastEngine.Throw(setup, carry, angle, wantedM / Math.Cos(angle) - carry - setup.Line.LeaderM);
                if (cast.Outcome != CastOutcome.TurnedOver || cast.ReachM < wantedM - .1)
                    continue;
                if (best is not { } b || cast.SpareM > b.SpareM + .01)
                    best = cast;
                if (cast.SpareM > setup.Line.LeaderM / 2 + .5)
                    return new(wantedM, true, cast, farthest);
            }
        }
        return new(wantedM, true, best ?? farthest, farthest);
    }

    /// <summary>The farthest cast with this carry at this line speed when the rod stops, m/s; the arm behind it does not matter.</summary>
    public static CastResult FarthestAt(CastSetup setup, double carryM, double launchMps)
    {
        var asked = setup.By(
            setup.Caster with
            {
                FreeMps = setup.Caster.FreeMps * launchMps / CastEngine.Launch(setup, carryM).LaunchMps,
                CarryM = Math.Max(carryM, setup.Caster.CarryM),
            }
        );
        double shot = 4;
        CastResult best = default;
        foreach (var steep in (ReadOnlySpan<double>)[1, .7, .4])
        {
            var cast = At(asked, carryM, steep, ref shot);
            if (cast.ReachM > best.ReachM)
                best = cast;
        }
        return best;
    }

    // A middling cast that shows why nothing fishes.
    private static CastResult Nothing(CastSetup setup)
    {
        var carry = .6 * setup.MostCarryM;
        return CastEngine.Throw(setup, carry, setup.SteepestRad(carry) / 2, 0) with { ReachM = 0 };
    }

    // Share of the steepest angle this cast used.
    private static double Steepness(CastSetup setup, CastResult cast) =>
        setup.SteepestRad(cast.CarryM) is > 0 and var steepest ? Math.Min(1, cast.AngleRad / steepest) : 0;

    // Best cast with this carry and share of the steepest angle: lets go as much line as still turns over. Reach 0 when none fishes.
    private static CastResult At(CastSetup setup, double carry, double steep, ref double shot)
    {
        var angle = steep * setup.SteepestRad(carry);
        var most = Math.Max(0, setup.Line.LengthM - setup.Line.LeaderM - carry - .02);
        CastResult best = default;
        // A secant kept between a shot that fishes and one that does not (with the Illinois halving, so that neither end sticks); the first
        // step assumes a usual slope.
        double low = -1,
            lowSpare = 0,
            high = most + 1,
            highSpare = 0,
            at = Math.Clamp(shot, 0, most);
        for (var i = 0; i < 10; i++)
        {
            var cast = CastEngine.Throw(setup, carry, angle, at);
            if (cast.Fishes && cast.ReachM > best.ReachM)
                best = cast;
            // Line that is not pulled out is not had by letting go of more.
            if (cast.Fishes && (cast.ShotM < at - .02 || at >= most))
                break;
            if (!cast.Fishes && at <= 0)
                break;
            if (cast.Fishes && cast.SpareM < ShotGrainM)
                break;
            if (cast.Fishes)
                (low, lowSpare, highSpare) = (at, cast.SpareM, highSpare / 2);
            else
                (high, highSpare, lowSpare) = (at, Math.Min(-.01, cast.SpareM), lowSpare / 2);
            if (low >= 0 && high <= most)
            {
                if (high - low < ShotGrainM)
                    break;
                // A little inside both ends, so that the bracket always shrinks.
                at = low + (high - low) * Math.Clamp(lowSpare / (lowSpare - highSpare) - .01, .05, .95);
            }
            else
                at = Math.Clamp(at + cast.SpareM / 1.3 + (cast.Fishes ? .05 : -.05), 0, most);
        }
        if (best.ReachM > 0)
            shot = best.ShotM;
        return best;
    }
}

/// <summary>What stops a cast, in words.</summary>
public static class Limits
{
    /// <summary>The limit of a cast as a plain sentence.</summary>
    public static string Words(CastLimit limit) =>
        limit switch
        {
            CastLimit.Turnover => "The loop dies: wind and drag eat it before it is straight.",
            CastLimit.Height => "It comes down first: more height, angle or speed would carry it on.",
            CastLimit.Shoot => "The head pulls no more running line through the rings.",
            CastLimit.Carry => "No more line can be held in the air: head, overhang or your carry is used up.",
            CastLimit.FlyRatio => "The fly is too heavy for the line in the air.",
            CastLimit.LineEnd => "There is no more line on the reel.",
            _ => "It does what was asked.",
        };
}
