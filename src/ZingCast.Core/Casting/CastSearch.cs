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

/// <summary>Searches over what a caster can choose: carry, angle and shot. The result depends on the setup alone.</summary>
public static class CastSearch
{
    // Number of carries looked at first, and of angles for each where flat casts are tried; share of the longest carry below which none is
    // tried.
    private const int Carries = 15,
        Flats = 4;
    private const double LeastShare = .06;

    private const double LittleShotM = .5;

    // Neighbours of a short carry lie closer than those of a long one: within this share of it.
    private const double NearShare = .3;

    // Carries whose rough reach is within this share of the best are simulated precisely; at most this many.
    private const double AlikeShare = .97;
    private const int MaxTries = 3;

    // A reach below this share of the longest carry marks a hard day, when short and flat casts are searched too.
    private const double HardShare = .5;

    // Step refinement of the casts that only show where the farthest lies; 1 is the engine's own.
    private const double Rough = .5;

    /// <summary>The farthest cast that fishes; when none does, or a lob gets farther, the lob.</summary>
    [SuppressMessage("Maintainability", "CA1502", Justification = "One search, whose parts share what they have found.")]
    public static CastResult Farthest(CastSetup setup)
    {
        var most = setup.MostCarryM;
        var least = LeastCarryM(most);
        var gap = (most - least) / (Carries - 1);
        Span<CastAttempt> rough = stackalloc CastAttempt[2 * Carries],
            tries = stackalloc CastAttempt[Flats * Carries];
        // First with all line let go. Where that comes down before it is straight, holding line back may reach farther.
        for (var i = 0; i < Carries; i++)
            (rough[i], rough[Carries + i]) = (new(most - i * gap, 1, CastAttempt.All), new(most - i * gap, 1, 0, 0));
        var about = Best(setup, rough, default, Rough);
        CastAttempt best = default;
        if (!about.Best.Fishes || about.Best.ReachM < HardShare * (most + setup.Line.LeaderM))
        {
            // With a slow arm, a gale in the face or one from behind, a short and flat cast may be best.
            for (var i = 0; i < Carries; i++)
            {
                var carry = least * Math.Pow(most / least, i / (Carries - 1.0));
                for (var flat = 0; flat < Flats; flat++)
                    tries[flat * Carries + i] = new(carry, 1 - flat / (Flats - 1.0), 0);
            }
            best = Best(setup, tries, default, 1);
            best = Best(setup, About(tries, best, gap, least, most), best, 1);
        }
        // Simulate precisely what looked best in rough steps, and whatever looked as good as that turned out to be.
        for (var i = 0; i < MaxTries && (i == 0 || about.Worth > AlikeShare * best.Worth); i++)
        {
            best = Best(setup, About(tries, about, gap, least, most), best, 1);
            about = Rival(rough, about, gap);
        }
        // When a flat cast goes farthest, carry and angle depend on each other: narrow the search step by step.
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

    // The best carry not near any that was already simulated precisely.
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

    // The neighbourhood of a rough result: carries up to a gap away, line held back where it may pay, flatter and steeper angles.
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

    // The same in a closer neighbourhood.
    private static Span<CastAttempt> Beside(Span<CastAttempt> tries, in CastAttempt best, double gapM, double leastM, double mostM)
    {
        var n = 0;
        // When hardly any line is shot, try no shot first.
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

    // Simulates all of them side by side, as long as each may still beat the best. Returns the best of them, or the best so far.
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

        // Continue the attempt that has just landed while it may still beat the best; then start the next.
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
    /// Whether <paramref name="wantedM"/> metres can be reached, and with which cast. Of the casts that get there, the flattest that
    /// straightens with half a metre of height to spare is chosen; otherwise the one that fishes nearest to the distance, never a farther
    /// one for want of a nearer.
    /// </summary>
    public static ReachAnswer Reach(CastSetup setup, double wantedM)
    {
        var farthest = Farthest(setup);
        if (farthest.ReachM < wantedM)
            return new(wantedM, false, farthest, farthest);
        var at = At(setup, wantedM, farthest);
        return new(wantedM, true, Math.Abs(at.ReachM - wantedM) <= NearEnoughM ? at : Poked(setup, wantedM, at), farthest);
    }

    // A cast that lands this much beyond the fish was not cast to it, metres. Common practice.
    private const double NearEnoughM = 1;

    // Leader, and the line that the distance needs, held out over the water.
    private static CastResult Poked(CastSetup setup, double wantedM, in CastResult cast) =>
        cast with
        {
            Poked = true,
            ReachM = wantedM,
            CarryM = Math.Max(0, wantedM - setup.Line.LeaderM),
            ShotM = 0,
        };

    // Tolerance of the distance, and height that suffices when the line is straight, metres.
    private const double ThereM = .1,
        EnoughM = .5;

    // A cast that lands the fly at a distance within the farthest reach.
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
        // The farthest cast with less line let go.
        plans[n++] = new(farthest.CarryM, farthest.AngleRad, wantedM / Math.Cos(farthest.AngleRad) - farthest.CarryM - setup.Line.LeaderM);
        var best = Nearest(setup, plans[..n], farthest, wantedM);
        if (best.Outcome == CastOutcome.TurnedOver && Math.Abs(best.ReachM - wantedM) <= ThereM)
            return best;
        // A leader that lands in a heap lands short of the line that was let go.
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

        // First casts that get there straight with height to spare, the longest carry and then the flattest; then straight ones; then the
        // nearest.
        double Worth(in CastResult cast)
        {
            var off = Math.Abs(cast.ReachM - wantedM);
            return off > ThereM || cast.Outcome != CastOutcome.TurnedOver
                ? -off
                : Math.Min(1, (cast.SpareM - setup.Line.LeaderM / 2) / EnoughM);
        }
    }

    /// <summary>The farthest cast with this carry and this line speed when the rod stops, m/s, whatever the arm.</summary>
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

    // Number of casts looked at for a lob; only when what fishes gets less than the given multiple of the least lob.
    private const int Lobs = 60;
    private const double NearlyLobbed = 2;

    // Of casts that do not fish, the most useful: the more of the leader lies in a heap beyond what is allowed, the less it reaches, down
    // to a lob.
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

    // A lob swings the leader and this much line, metres, at this share of the arm's speed. Common practice, rough.
    private const double LobLineM = 3.5,
        LobShare = .36;

    /// <summary>
    /// How far a fly is lobbed, metres: thrown horizontally from the rod tip with a rod's length of line, against drag, for as long as it
    /// falls. Our estimate.
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

    // Shortest carry that counts as a cast, metres.
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
