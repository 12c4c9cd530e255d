using MathNet.Numerics.LinearAlgebra;
using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Logbook;

/// <summary>A cast to learn from.</summary>
/// <param name="Setup">Line, leader, fly, rod and day; its caster does not matter.</param>
/// <param name="CarryM">Line held in the air, metres; null for the whole head, or as much of it as the caster holds.</param>
/// <param name="DistanceM">Measured, rod tip to fly, metres.</param>
/// <param name="By">How.</param>
/// <param name="AllOut">As far as the person could; else it says only that so much can be had.</param>
public sealed record Seen(CastSetup Setup, double? CarryM, double DistanceM, DistanceBy By, bool AllOut);

/// <summary>A caster fitted to logged casts, beside the values used before.</summary>
/// <param name="Before">What was believed.</param>
/// <param name="After">What the casts say, with its own tolerance.</param>
/// <param name="Casts">How many casts it stands on.</param>
/// <param name="BeforeM">How far what was believed was out over the casts made all out, root mean square, metres.</param>
/// <param name="AfterM">The same for the fit, each cast judged by the fit to the others, metres.</param>
/// <param name="FreeMps">Line speed with its tolerance, m/s.</param>
/// <param name="ArmKg">Arm with its tolerance, kilograms.</param>
/// <param name="LoopM">Loop with its tolerance, metres.</param>
/// <param name="FreeBefore">Line speed as it is believed of such casters, with how far they differ, m/s.</param>
/// <param name="LoopBefore">The same of the loop, metres.</param>
/// <param name="ReachBefore">How far such a caster gets in calm air with what was cast last, metres.</param>
/// <param name="ReachAfter">How far this one does, metres.</param>
public sealed record CasterFit(
    Caster Before,
    Caster After,
    int Casts,
    double BeforeM,
    double AfterM,
    Quantity FreeMps,
    Quantity ArmKg,
    Quantity LoopM,
    Quantity FreeBefore,
    Quantity LoopBefore,
    Quantity ReachBefore,
    Quantity ReachAfter
)
{
    /// <summary>Fewest casts at full distance to learn from. Our assumption.</summary>
    public const int FewestCasts = 5;

    /// <summary>Most casts to learn from, the latest: people change. Our assumption.</summary>
    public const int MaxCasts = 40;

    // Prior spread of the three values among beginners, as shares, one standard deviation: together they give how much beginners differ in
    // reach. Others differ less, in all three alike. Our assumption.
    private static readonly double[] LearnersShare = [.15, .25, .25];

    private static double[] Apart(Caster prior) =>
        [.. LearnersShare.Select(s => s * prior.ReachTolerance / Casters.Find("learner")!.ReachTolerance)];

    // Scatter of one person's casts, and accuracy of a paced, a taped and a guessed distance, as shares, one standard deviation. Common
    // practice.
    private const double Scatter = .06,
        PacedShare = .05,
        TapedShare = .01,
        GuessedShare = .15;

    // Uncertainty of the cast model itself, whoever casts, as a half-width share of the reach. Our assumption, half the spread of the
    // presets.
    private const double ModelShare = .03;

    /// <summary>Prior knowledge used by the fit.</summary>
    public static readonly Source Source = Source.Assumption(
        "Our estimate of how people and their measures scatter; your own casts outweigh it"
    );

    /// <summary>Those estimates by name, shares.</summary>
    public static readonly IReadOnlyList<(string Name, double Share)> Weights =
    [
        ("line speed among learners; others differ less", LearnersShare[0]),
        ("arm among them", LearnersShare[1]),
        ("loop among them", LearnersShare[2]),
        ("one person's casts", Scatter),
        ("a paced distance", PacedShare),
        ("a taped one", TapedShare),
        ("one by eye", GuessedShare),
        ("each m/s of wind", Caster.WindShare),
        ("what the cast model leaves out, half-width", ModelShare),
    ];

    // A cast further off than this many standard deviations is an outlier and has no more weight than one at that limit.
    private const double Slip = 2;

    /// <summary>
    /// Fits line speed, arm and loop to casts, latest last, by least squares with the caster as prior; <paramref name="believed"/> are the
    /// values used until now, and the prior when there is no other. Null with fewer than <see cref="FewestCasts"/> casts at full distance.
    /// Deterministic.
    /// </summary>
    public static CasterFit? From(IReadOnlyList<Seen> casts, Caster prior, Caster? believed = null, CancellationToken cancel = default)
    {
        believed ??= prior;
        var seen = casts.TakeLast(MaxCasts).ToList();
        if (seen.Count(s => s.AllOut) < FewestCasts)
            return null;
        var foreseen = new Foreseen[seen.Count];
        Parallel.For(0, foreseen.Length, new ParallelOptions { CancellationToken = cancel }, i => foreseen[i] = new(seen[i], prior));
        // A cast that no such caster can make fish is a clerical error.
        var usable = foreseen.Where(f => f.Sound).ToArray();
        if (usable.Count(f => f.Seen.AllOut) < FewestCasts)
            return null;
        var apart = Apart(prior);
        var fit = new Fit(usable, apart);
        var (at, spread) = fit.Solve();
        double Share(int i) => Math.Sqrt(spread[i, i]) * Doubt.Wide;
        Quantity From(double before, int i, Kind kind) => new(before * Math.Exp(at[i]), kind, before * Math.Exp(at[i]) * Share(i));
        var (free, arm, loop) = (
            From(prior.FreeMps, 0, Kind.LineSpeed),
            From(prior.ArmKg, 1, Kind.LineMass),
            From(prior.LoopM, 2, Kind.Length)
        );
        // The carry is at least what was seen to turn over.
        var carry = Math.Max(prior.CarryM, seen.Max(s => Math.Min(s.CarryM ?? 0, s.DistanceM)));
        var hand = new LearnedHand(free.Value, arm.Value, loop.Value, carry, Math.Round(fit.ReachShare(at, spread), 3));
        double[] was =
        [
            Math.Log(believed.FreeMps / prior.FreeMps),
            Math.Log(believed.ArmKg / prior.ArmKg),
            Math.Log(believed.LoopM / prior.LoopM),
        ];
        var after = hand.On(believed);
        var calm = usable[^1].Seen.Setup.In(0, 0);
        Quantity Reach(Caster caster) => caster.Reach(CastSearch.Farthest(calm.By(caster)).ReachM);
        return new(
            believed,
            after,
            usable.Length,
            fit.Missed(was),
            fit.LeftOut(at, spread),
            free,
            arm,
            loop,
            new(prior.FreeMps, Kind.LineSpeed, Doubt.Wide * apart[0] * prior.FreeMps),
            new(prior.LoopM, Kind.Length, Doubt.Wide * apart[2] * prior.LoopM),
            Reach(believed),
            Reach(after)
        );
    }

    /// <summary>
    /// Distance of one cast as a function of speed and loop: simulated at a few values of each and interpolated, so that a fit needs no
    /// more simulations. Both as logarithms relative to the prior.
    /// </summary>
    private sealed class Foreseen
    {
        private static readonly double[] Speeds = [-.45, -.25, -.08, .08, .25, .45],
            Loops = [-.5, 0, .5];

        private readonly double[,] logM = new double[Speeds.Length, Loops.Length];
        private readonly double movedKg;
        private readonly double armKg;
        private readonly double freest;

        public Foreseen(Seen seen, Caster prior)
        {
            Seen = seen;
            var wide = seen.Setup.By(prior with { CarryM = 60, OverhangM = 60 });
            var carry = Math.Min(seen.CarryM ?? seen.Setup.By(prior).MostCarryM, Math.Min(wide.MostCarryM, .98 * seen.DistanceM));
            (movedKg, armKg) = (CastEngine.MovedKg(wide, CastEngine.LineKg(wide, carry)), prior.ArmKg);
            freest = Math.Log(1 + movedKg / armKg) / 2;
            for (var l = 0; l < Loops.Length; l++)
            {
                var setup = wide.By(wide.Caster with { LoopM = prior.LoopM * Math.Exp(Loops[l]) });
                var launch = CastEngine.Launch(setup, carry).LaunchMps;
                for (var v = 0; v < Speeds.Length; v++)
                    logM[v, l] = Math.Log(Math.Max(.5, CastSearch.FarthestAt(setup, carry, launch * Math.Exp(Speeds[v])).ReachM));
            }
            // Where nothing fishes the curve would drop steeply, and one cast at that edge would decide the loop.
            var most = logM.Cast<double>().Max();
            for (var v = 0; v < Speeds.Length; v++)
            for (var l = 0; l < Loops.Length; l++)
                logM[v, l] = Math.Max(logM[v, l], most - 1.2);
            var wind = Caster.UnsureMps(seen.Setup.Day.HeadwindMps, seen.Setup.Day.CrosswindMps);
            var by = seen.By switch
            {
                DistanceBy.Taped => TapedShare,
                DistanceBy.Guessed => GuessedShare,
                _ => PacedShare,
            };
            PlusMinus = Math.Sqrt(Scatter * Scatter + by * by + Math.Pow(Caster.WindShare * wind, 2));
        }

        public Seen Seen { get; }

        /// <summary>Standard deviation of the logarithm of its distance.</summary>
        public double PlusMinus { get; }

        /// <summary>Whether a caster like the prior makes it fish.</summary>
        public bool Sound => At([0, 0, 0]) > Math.Log(2);

        /// <summary>Logarithm of the distance for changes of speed, arm and loop.</summary>
        public double At(double[] x)
        {
            var speed = x[0] + freest - Math.Log(1 + movedKg / (armKg * Math.Exp(x[1]))) / 2;
            return Interpolate(Speeds, speed, v => Interpolate(Loops, x[2], l => logM[v, l]));
        }

        // Linear between the nodes, and extended beyond the last.
        private static double Interpolate(double[] nodes, double x, Func<int, double> at)
        {
            var i = Math.Clamp(Array.FindLastIndex(nodes, n => n <= x), 0, nodes.Length - 2);
            return Interpolation.Between(at(i), at(i + 1), (x - nodes[i]) / (nodes[i + 1] - nodes[i]));
        }

        /// <summary>Deviation in standard deviations, and its weight: a cast not at full distance can only raise the fit.</summary>
        public (double Out, double Weight) Off(double[] x)
        {
            var off = (Math.Log(Seen.DistanceM) - At(x)) / PlusMinus;
            if (!Seen.AllOut && off <= 0)
                return (0, 0);
            return (off, Math.Abs(off) <= Slip ? 1 : Slip / Math.Abs(off));
        }

        /// <summary>Derivatives of its logarithm by each of the three.</summary>
        public Vector<double> Slope(double[] x)
        {
            const double nudge = .01;
            double Nudged(int k, double by) => At([.. x.Select((v, i) => i == k ? v + by : v)]);
            return Vector<double>.Build.Dense(3, k => (Nudged(k, nudge) - Nudged(k, -nudge)) / (2 * nudge));
        }
    }

    private sealed class Fit(Foreseen[] casts, double[] apart)
    {
        /// <summary>The best changes and their covariance: the inverse of the normal equations.</summary>
        public (double[] At, Matrix<double> Spread) Solve()
        {
            double[] at = [0, 0, 0];
            for (var round = 0; round < 12; round++)
            {
                var (normal, right) = Equations(at);
                var step = normal.Solve(right);
                for (var k = 0; k < 3; k++)
                    at[k] += Math.Clamp(step[k], -.2, .2);
                if (step.AbsoluteMaximum() < 1e-5)
                    break;
            }
            // Casts that scatter more than usual count for less.
            var all = casts.Where(c => c.Seen.AllOut).Select(c => Math.Min(Math.Abs(c.Off(at).Out), 3)).ToList();
            var loose = Math.Max(1, all.Sum(o => o * o) / Math.Max(1, all.Count - 1));
            return (at, loose * Equations(at).Normal.Inverse());
        }

        // The prior keeps them from being singular.
        private (Matrix<double> Normal, Vector<double> Right) Equations(double[] at)
        {
            var weights = apart.Select(s => 1 / (s * s)).ToArray();
            var normal = Matrix<double>.Build.DenseOfDiagonalArray(weights);
            var right = Vector<double>.Build.Dense(3, k => -weights[k] * at[k]);
            foreach (var cast in casts)
            {
                var (off, weight) = cast.Off(at);
                if (weight == 0)
                    continue;
                var slope = cast.Slope(at);
                right += weight * off / cast.PlusMinus * slope;
                normal += weight / (cast.PlusMinus * cast.PlusMinus) * slope.OuterProduct(slope);
            }
            return (normal, right);
        }

        /// <summary>Root mean square error over casts at full distance, metres.</summary>
        public double Missed(double[] at) => Missed(c => Miss(c, at));

        /// <summary>The same, with each cast left out of the fit that judges it, by removing its own leverage.</summary>
        public double LeftOut(double[] at, Matrix<double> spread) =>
            Missed(c =>
            {
                var pull = c.Off(at).Weight * Across(spread, c.Slope(at)) / (c.PlusMinus * c.PlusMinus);
                return Miss(c, at) / Math.Max(.2, 1 - pull);
            });

        private static double Miss(Foreseen cast, double[] at) => Math.Exp(cast.At(at)) - cast.Seen.DistanceM;

        private double Missed(Func<Foreseen, double> miss) => Math.Sqrt(casts.Where(c => c.Seen.AllOut).Select(miss).Average(m => m * m));

        /// <summary>Half-width of a reach computed from the fit, as a share, over such casts.</summary>
        public double ReachShare(double[] at, Matrix<double> spread) =>
            Math.Sqrt(
                ModelShare * ModelShare
                    + Doubt.Wide * Doubt.Wide * casts.Where(c => c.Seen.AllOut).Average(c => Across(spread, c.Slope(at)))
            );

        private static double Across(Matrix<double> spread, Vector<double> slope) => slope * spread * slope;
    }
}
