using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Measures;

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

/// <summary>
/// Searches over what a caster can choose: line held in the air, angle, line shot. One answer for one setup, whoever asks and whatever was
/// asked before.
/// </summary>
public static class CastSearch
{
    // Carries looked at first. Less than a share of the longest is no cast.
    private const int Carries = 15,
        Flats = 4;
    private const double LeastShare = .06;

    private const double LittleShotM = .5;

    // Neighbours of a short carry are nearer than those of a long one: no farther than this share of it.
    private const double NearShare = .3;

    // Carries that look this much alike in rough steps, as a share, are thrown with care; no more of them than this.
    private const double AlikeShare = .97;
    private const int MaxTries = 3;

    // Who gets no farther than this share of what could be held in the air has a hard day.
    private const double HardShare = .5;

    // Steps of the casts thrown to see about where the farthest lies, against the engine's own.
    private const double Rough = .5;

    /// <summary>The farthest cast that fishes; where none does, or a lob gets farther, how far the fly is lobbed.</summary>
    [SuppressMessage("Maintainability", "CA1502", Justification = "One search, whose parts share what they have found.")]
    public static CastResult Farthest(CastSetup setup)
    {
        var most = setup.MostCarryM;
        var least = LeastCarryM(most);
        var gap = (most - least) / (Carries - 1);
        Span<CastAttempt> rough = stackalloc CastAttempt[2 * Carries],
            tries = stackalloc CastAttempt[Flats * Carries];
        // With all the line let go; where it comes down before it is straight, line held back may carry farther than line let go.
        for (var i = 0; i < Carries; i++)
            (rough[i], rough[Carries + i]) = (new(most - i * gap, 1, CastAttempt.All), new(most - i * gap, 1, 0, 0));
        var about = Best(setup, rough, default, Rough);
        CastAttempt best = default;
        if (!about.Best.Fishes || about.Best.ReachM < HardShare * (most + setup.Line.LeaderM))
        {
            // A slow arm, a gale in the face or one from behind may want it short, and flat.
            for (var i = 0; i < Carries; i++)
            {
                var carry = least * Math.Pow(most / least, i / (Carries - 1.0));
                for (var flat = 0; flat < Flats; flat++)
                    tries[flat * Carries + i] = new(carry, 1 - flat / (Flats - 1.0), 0);
            }
            best = Best(setup, tries, default, 1);
            best = Best(setup, About(tries, best, gap, least, most), best, 1);
        }
        // What looked best in rough steps, and whatever looked as good as it turned out to be.
        for (var i = 0; i < MaxTries && (i == 0 || about.Worth > AlikeShare * best.Worth); i++)
        {
            best = Best(setup, About(tries, about, gap, least, most), best, 1);
            about = Rival(rough, about, gap);
        }
        // A cast that goes farthest flat is a matter of carry and angle together: it is closed in on.
        gap = Math.Min(gap, NearShare * best.CarryM);
        for (var near = gap / 4; near > (best.Steep < 1 ? gap / 80 : gap / 5); near /= 2)
            best = Best(setup, Beside(tries, best, near, least, most), best, 1);
        var cast = best.Best;
        if (!cast.Fishes || cast.ReachM < NearlyLobbed * LobM(setup))
        {
            var lobbed = Lobbed(setup, least, most);
            if (!cast.Fishes || lobbed.ReachM > cast.ReachM)
                return lobbed;
        }
        return cast.Limit == CastLimit.None && cast.CarryM > most - .01 ? cast with { Limit = CastLimit.Carry } : cast;
    }

    // The best carry well away from one that was looked at; all near it are done with.
    private static CastAttempt Rival(Span<CastAttempt> rough, in CastAttempt seen, double gapM)
    {
        CastAttempt rival = default;
        foreach (ref var tried in rough)
            if (Math.Abs(tried.CarryM - seen.CarryM) <= 1.5 * gapM)
                tried = default;
            else if (tried.Best.Fishes && tried.Worth > rival.Worth)
                rival = tried;
        return rival;
    }

    // What was found roughly, thrown with care: its neighbours up to a gap away, line held back where that may pay, flatter and steeper.
    private static Span<CastAttempt> About(Span<CastAttempt> tries, in CastAttempt about, double gapM, double leastM, double mostM)
    {
        var n = 0;
        gapM = Math.Min(gapM, NearShare * about.CarryM);
        foreach (var beside in (ReadOnlySpan<double>)[0, -.5, .5, -1, 1])
            if (about.CarryM + beside * gapM is var carry && carry >= leastM && carry <= mostM)
                tries[n++] = new(carry, about.Steep, about.AgainM);
        if (about.Best.Outcome == CastOutcome.Piled || about.Best.ShotM < 2)
            foreach (var beside in (ReadOnlySpan<double>)[0, -.7, .7, 1.5])
                tries[n++] = new(
                    Math.Clamp(about.CarryM + beside * gapM, leastM, mostM),
                    about.Steep,
                    .45 * about.Best.ShotM,
                    .85 * about.Best.ShotM
                );
        foreach (var share in (ReadOnlySpan<double>)[.8, .4, 0])
            tries[n++] = new(about.CarryM, about.Steep * share, about.AgainM);
        if (about.Steep < 1)
            tries[n++] = new(about.CarryM, Math.Min(1, about.Steep * 1.2), about.AgainM);
        return tries[..n];
    }

    // The same closer by.
    private static Span<CastAttempt> Beside(Span<CastAttempt> tries, in CastAttempt best, double gapM, double leastM, double mostM)
    {
        var n = 0;
        // Where next to nothing is let go, none at all is tried first.
        var again = best.Best.ShotM < LittleShotM ? 0 : best.AgainM;
        foreach (var beside in (ReadOnlySpan<double>)[-.9, -.45, .45, .9])
            if (best.CarryM + beside * gapM is var carry && carry >= leastM && carry <= mostM)
                tries[n++] = new(carry, best.Steep, again);
        if (best.Steep < 1)
            foreach (var tilt in (ReadOnlySpan<double>)[-.6, -.3, .3, .6])
            foreach (var beside in (ReadOnlySpan<double>)[-.5, 0, .5])
                tries[n++] = new(
                    Math.Clamp(best.CarryM + beside * gapM, leastM, mostM),
                    Math.Clamp(best.Steep + tilt * gapM / (mostM - leastM) * Carries, 0, 1),
                    again
                );
        return tries[..n];
    }

    // Throws for all of them side by side, as long as one may still beat the best. Their best, or the best so far.
    private static CastAttempt Best(CastSetup setup, Span<CastAttempt> tries, CastAttempt best, double refine)
    {
        var source = new Attempts(setup, tries, best, refine < 1);
        new CastLanes(setup, refine, null).Fly(ref source);
        return source.Best;
    }

    private ref struct Attempts(CastSetup setup, Span<CastAttempt> tries, CastAttempt best, bool rough) : ICastSource
    {
        private readonly Span<CastAttempt> tries = tries;
        private int begun,
            again = -1;

        public CastAttempt Best { get; private set; } = best;

        // What has just landed goes on while it may still beat the best, then the next one begins.
        public bool Next(out CastPlan plan, out int ticket)
        {
            ticket = again;
            again = -1;
            if (ticket < 0 || tries[ticket].Done || Hopeless(ticket))
                ticket = Begin();
            plan = ticket < 0 ? default : tries[ticket].Plan(setup);
            return ticket >= 0;
        }

        private int Begin()
        {
            while (begun < tries.Length)
                if (!Hopeless(begun++))
                    return begun - 1;
            return -1;
        }

        private readonly bool Hopeless(int ticket) => tries[ticket].UpperBoundM(setup) <= Best.Worth;

        public void Landed(int ticket, in CastResult result)
        {
            ref var tried = ref tries[ticket];
            tried.Learn(result, rough);
            if (Best.CarryM == 0 || tried.Worth > Best.Worth)
                Best = tried;
            again = ticket;
        }
    }

    /// <summary>
    /// Can <paramref name="wantedM"/> metres be had, and with which cast? Among casts that get there the flattest is taken that straightens
    /// with half a metre of height to spare; else the cast that fishes nearest to it, never a farther one for want of a nearer.
    /// </summary>
    public static ReachAnswer Reach(CastSetup setup, double wantedM)
    {
        var farthest = Farthest(setup);
        if (farthest.ReachM < wantedM)
            return new(wantedM, false, farthest, farthest);
        var at = At(setup, wantedM, farthest);
        return new(wantedM, true, Math.Abs(at.ReachM - wantedM) <= NearEnoughM ? at : Poked(setup, wantedM, at), farthest);
    }

    // A fly that lands farther off than this was not cast to the fish, metres; common practice.
    private const double NearEnoughM = 1;

    // Leader and what line there is to the distance, held out over it.
    private static CastResult Poked(CastSetup setup, double wantedM, in CastResult cast) =>
        cast with
        {
            Poked = true,
            ReachM = wantedM,
            CarryM = Math.Max(0, wantedM - setup.Line.LeaderM),
            ShotM = 0,
        };

    // A fly this near to the distance is there; this much height left when straight is enough, metres.
    private const double ThereM = .1,
        EnoughM = .5;

    // A cast that lands the fly at a distance no farther than the farthest reach.
    private static CastResult At(CastSetup setup, double wantedM, in CastResult farthest)
    {
        ReadOnlySpan<double> steeps = [.1, .25, .4, .6, .8, 1];
        var least = LeastCarryM(setup.MostCarryM);
        Span<CastPlan> plans = stackalloc CastPlan[60];
        var n = 0;
        for (var share = 1.0; share > .25; share -= .1)
        {
            foreach (var steep in steeps)
                plans[n++] = To(share, steep, wantedM);
        }
        // What reaches farthest, with less let go.
        plans[n++] = new(farthest.CarryM, farthest.AngleRad, wantedM / Math.Cos(farthest.AngleRad) - farthest.CarryM - setup.Line.LeaderM);
        var best = Nearest(setup, plans[..n], farthest, wantedM);
        if (best.Outcome == CastOutcome.TurnedOver && Math.Abs(best.ReachM - wantedM) <= ThereM)
            return best;
        // A leader that lands in a heap lands short of what was let go.
        n = 0;
        foreach (var share in (ReadOnlySpan<double>)[1, .8, .6, .4, .2])
        foreach (var steep in (ReadOnlySpan<double>)[0, .4, 1])
        foreach (var heap in (ReadOnlySpan<double>)[.1, .2, .35, .5])
            plans[n++] = To(share, steep, wantedM + heap * setup.Line.LeaderM);
        return Nearest(setup, plans[..n], best, wantedM);

        CastPlan To(double share, double steep, double reachM)
        {
            var carry = Math.Max(least, share * Math.Min(setup.MostCarryM, wantedM - setup.Line.LeaderM));
            var angle = steep * setup.SteepestRad(carry);
            return new(carry, angle, reachM / Math.Cos(angle) - carry - setup.Line.LeaderM);
        }
    }

    private static CastResult Nearest(CastSetup setup, ReadOnlySpan<CastPlan> plans, CastResult best, double wantedM)
    {
        Span<CastResult> casts = stackalloc CastResult[plans.Length];
        CastEngine.Throw(setup, plans, casts);
        var worth = Worth(best);
        foreach (ref readonly var cast in casts)
        {
            if (!cast.Fishes || Worth(cast) <= worth)
                continue;
            (best, worth) = (cast, Worth(cast));
        }
        return best;

        // There and straight with height to spare, longest carry and flattest first; there and straight; else the nearest.
        double Worth(in CastResult cast)
        {
            var off = Math.Abs(cast.ReachM - wantedM);
            return off > ThereM || cast.Outcome != CastOutcome.TurnedOver
                ? -off
                : Math.Min(1, (cast.SpareM - setup.Line.LeaderM / 2) / EnoughM);
        }
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
        Span<CastAttempt> tries = [new(carryM, 1, CastAttempt.All), new(carryM, .7, CastAttempt.All), new(carryM, .4, CastAttempt.All)];
        var best = Best(asked, tries, default, 1).Best;
        return best.Fishes ? best : best with { ReachM = 0 };
    }

    // So many casts are looked at for a lob, and only where what fishes gets no farther than so many times what a lob gets at the least.
    private const int Lobs = 60;
    private const double NearlyLobbed = 2;

    // Of casts that do not fish the one that is worth most: the more of the leader lies in a heap beyond what may, the less, down to what a
    // lob gets.
    private static CastResult Lobbed(CastSetup setup, double leastM, double mostM)
    {
        Span<CastPlan> plans = stackalloc CastPlan[Lobs];
        Span<CastResult> casts = stackalloc CastResult[Lobs];
        for (var i = 0; i < plans.Length; i++)
        {
            var carry = leastM + (mostM - leastM) * (i / Flats) / (Lobs / Flats - 1);
            plans[i] = new(carry, i % Flats / (Flats - 1.0) * setup.SteepestRad(carry), 0);
        }
        CastEngine.Throw(setup, plans, casts);
        var best = casts[0];
        foreach (ref readonly var cast in casts)
            if (Faded(cast) > Faded(best))
                best = cast;
        return best with { ReachM = Math.Max(Faded(best), LobM(setup)), Lobbed = true, Fishes = false };

        double Faded(in CastResult cast) => cast.ReachM * Math.Clamp(1 + cast.SpareM / setup.Line.LeaderM, 0, 1);
    }

    // A lob swings the leader and somewhat more than a rod's length of line at this share of the arm's speed; common practice, rough.
    private const double LobLineM = 3.5,
        LobShare = .36;

    /// <summary>
    /// How far a fly is lobbed, metres: thrown level from the rod's tip with a rod's length of line, against the air, for as long as it
    /// falls. An estimate of ours.
    /// </summary>
    public static double LobM(CastSetup setup)
    {
        var day = setup.Day;
        var speed = LobShare * setup.Caster.FreeMps;
        var kg = setup.FlyKg + CastEngine.LineKg(setup, LobLineM);
        var against = Math.Max(0, speed + day.HeadwindMps * day.WindShare(day.TipHeightM));
        var slows = .5 * day.AirKgM3 * setup.FlyAreaM2 / kg * against * against;
        var time = Math.Min(Math.Sqrt(2 * day.TipHeightM / Exact.GravityMps2), slows > 0 ? speed / slows : double.PositiveInfinity);
        return Math.Min(setup.Line.LeaderM + LobLineM, speed * time - slows * time * time / 2);
    }

    // Shortest carry that is a cast, metres.
    private static double LeastCarryM(double mostM) => Math.Min(mostM, Math.Max(.5, LeastShare * mostM));
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
