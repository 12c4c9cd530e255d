using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Casting;

/// <summary>Which class a distance needs.</summary>
/// <param name="Gets">Some class up to the flattening one gets the distance with the margin in hand.</param>
/// <param name="Class">
/// Smallest class that gets it, in quarter steps; when none does, the smallest that gets nearly what can be had.
/// </param>
/// <param name="ReachM">Farthest reach with that class, metres.</param>
/// <param name="Flattens">
/// Class past which another adds too little to be worth it; when the distance is had, the class that has it, for no higher one was asked.
/// </param>
/// <param name="NextAddsM">What one class more adds to <paramref name="ReachM"/>, metres.</param>
/// <param name="ReachByClass">Farthest reach of a whole class, held to 0–15, metres; 0 where nothing fishes.</param>
public sealed record ClassNeed(bool Gets, double Class, double ReachM, int Flattens, double NextAddsM, Func<int, double> ReachByClass);

/// <summary>
/// What does a distance need? The smallest class that has it with a tenth in hand, and the class from which climbing no longer pays.
/// </summary>
public static class ClassSearch
{
    /// <summary>Distance in hand wanted, share. Common practice.</summary>
    public const double InHand = .10;

    /// <summary>Climbing stops where a class adds less than this share, looked at over two classes.</summary>
    public const double WorthAClass = .02;

    // Where no class gets there: what can be had, less the little that nobody climbs classes for.
    private const double NearlyAll = .95;

    /// <summary>Solves for the class. <paramref name="setupOf"/> gives the matched outfit of a class 0–15.</summary>
    public static ClassNeed Solve(Func<double, CastSetup> setupOf, double distanceM)
    {
        var reach = new Reaches(c => CastSearch.Farthest(setupOf(c)).ReachM);
        var wanted = (1 + InHand) * distanceM;
        var (whole, gets) = (0, true);
        while (reach[whole] < wanted || reach[whole] <= 0)
        {
            if (StopsPaying(reach[whole], whole, LineWeights.Highest, reach.Exceeds) || whole == LineWeights.Highest)
            {
                gets = false;
                break;
            }
            whole++;
        }
        var flattens = whole;
        if (!gets)
        {
            wanted = NearlyAll * reach[flattens];
            whole = Enumerable.Range(0, LineWeights.Highest + 1).FirstOrDefault(c => reach[c] >= wanted && reach[c] > 0, -1);
            if (whole < 0)
                return new(false, LineWeights.Highest, 0, flattens, 0, ByClass);
        }
        var (best, at) = ((double)whole, reach[whole]);
        foreach (var (c, r) in reach.QuartersBelow(whole))
        {
            if (r < wanted)
                break;
            (best, at) = (c, r);
        }
        var up =
            best >= LineWeights.Highest
                ? at
                : Blend.Between(reach[(int)best + 1], reach[Math.Min(LineWeights.Highest, (int)best + 2)], best - (int)best);
        return new(gets, best, at, flattens, up - at, ByClass);

        double ByClass(int c) => reach[Math.Clamp(c, 0, LineWeights.Highest)];
    }

    /// <summary>
    /// Whether climbing stops paying at a class: it fishes, and no class two or more above adds <see cref="WorthAClass"/> for every class
    /// climbed. Looking no nearer than two classes keeps search noise from deciding. Reaches by class in metres, 0 where nothing fishes.
    /// </summary>
    public static bool StopsPaying(IReadOnlyList<double> reachByClass, int c) =>
        StopsPaying(reachByClass[c], c, reachByClass.Count - 1, (up, limitM) => reachByClass[up] > limitM);

    private static bool StopsPaying(double reachM, int c, int highest, Func<int, double, bool> exceeds)
    {
        if (reachM <= 0)
            return false;
        for (var up = c + 2; up <= highest; up++)
            if (exceeds(up, reachM * (1 + WorthAClass * (up - c))))
                return false;
        return true;
    }

    // Farthest reach by class, worked out as far as it is asked for: most questions are answered in the lower half.
    private sealed class Reaches(Func<double, double> farthest)
    {
        // Reach over class is a smooth curve with one top; between two classes it rises above both by no more than this share.
        private const double OverNeighbours = .02;

        private static readonly int[] Lower = [0, 1, 2, 3, 4, 5, 6, 7],
            Upper = [8, 9, 10, 11, LineWeights.Highest];

        private readonly double?[] byClass = new double?[LineWeights.Highest + 1];

        public double this[int c]
        {
            get
            {
                if (byClass[c] is { } known)
                    return known;
                WorkOut(
                    Lower.Contains(c) ? Lower
                    : Upper.Contains(c) ? Upper
                    : [c]
                );
                return byClass[c]!.Value;
            }
        }

        /// <summary>Whether a class reaches farther than a limit, metres; worked out only when its neighbours do not tell.</summary>
        public bool Exceeds(int c, double limitM)
        {
            if (c <= Upper[^2] || byClass[c] is not null)
                return this[c] > limitM;
            var top = Math.Max(this[Upper[^2]], this[Upper[^1]]);
            return top * (1 + OverNeighbours) > limitM && this[c] > limitM;
        }

        /// <summary>The three quarter classes below a whole one, from the heaviest down, as far as they are asked for.</summary>
        public IEnumerable<(double Class, double ReachM)> QuartersBelow(int whole)
        {
            for (var c = whole - .25; c > whole - 1 && c >= 0; c -= .25)
                yield return (c, farthest(c));
        }

        private void WorkOut(int[] classes) =>
            Parallel.For(
                0,
                classes.Length,
                new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
                i => byClass[classes[i]] ??= farthest(classes[i])
            );
    }
}
