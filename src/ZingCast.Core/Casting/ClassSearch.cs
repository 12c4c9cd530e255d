using ZingCast.Core.Standards;

namespace ZingCast.Core.Casting;

/// <summary>Which class a distance needs.</summary>
/// <param name="Gets">Some class up to the flattening one gets the distance with the margin in hand.</param>
/// <param name="Class">Smallest class that gets it, in quarter steps; when none does, the smallest that gets nearly what can be
/// had.</param>
/// <param name="ReachM">Farthest reach with that class, metres.</param>
/// <param name="Flattens">Class past which another adds too little to be worth it.</param>
/// <param name="NextAddsM">What one class more adds to <paramref name="ReachM"/>, metres.</param>
/// <param name="ByClass">Farthest reach by whole class 0–15, metres; 0 where nothing fishes.</param>
public sealed record ClassNeed(bool Gets, double Class, double ReachM, double Flattens, double NextAddsM, IReadOnlyList<double> ByClass);

/// <summary>
/// What does a distance need? The smallest class that has it with a tenth in hand, and the class from which climbing no longer pays.
/// </summary>
public static class ClassSearch
{
    /// <summary>Distance in hand wanted, share. Common practice.</summary>
    public const double InHand = .10;

    /// <summary>Climbing stops where a class adds less than this share, looked at over two classes.</summary>
    public const double WorthAClass = .02;

    /// <summary>Solves for the class. <paramref name="setupOf"/> gives the matched outfit of a class 0–15.</summary>
    public static ClassNeed Solve(Func<double, CastSetup> setupOf, double distanceM)
    {
        var reach = new double[LineWeights.Highest + 1];
        Parallel.For(
            0,
            reach.Length,
            new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
            c => reach[c] = CastSearch.Farthest(setupOf(c)).ReachM
        );
        var flattens = Flattening(reach);
        // Where none gets there: what can be had, less the little that nobody climbs classes for.
        var wanted = (1 + InHand) * distanceM;
        var gets = reach.Take(flattens + 1).Max() >= wanted;
        if (!gets)
            wanted = .95 * reach[flattens];

        var whole = Array.FindIndex(reach, r => r >= wanted && r > 0);
        if (whole < 0)
            return new(false, LineWeights.Highest, 0, flattens, 0, reach);
        var (best, at) = ((double)whole, reach[whole]);
        for (var c = whole - .25; c > whole - 1 && c >= 0; c -= .25)
        {
            var r = CastSearch.Farthest(setupOf(c)).ReachM;
            if (r < wanted)
                break;
            (best, at) = (c, r);
        }
        var up =
            best + 1 >= reach.Length
                ? at
                : Measures.Blend.Between(reach[(int)best + 1], reach[Math.Min(reach.Length - 1, (int)best + 2)], best - (int)best);
        return new(gets, best, at, flattens, up - at, reach);
    }

    /// <summary>
    /// The class where climbing stops paying: the first that fishes and from which no class two or more above adds <see
    /// cref="WorthAClass"/> for every class climbed. Looking no nearer than two classes keeps search noise from deciding.
    /// </summary>
    public static int Flattening(IReadOnlyList<double> reachByClass)
    {
        for (var c = 0; c < reachByClass.Count; c++)
            if (
                reachByClass[c] > 0
                && !reachByClass.Skip(c + 2).Where((reach, i) => reach > reachByClass[c] * (1 + WorthAClass * (i + 2))).Any()
            )
                return c;
        return reachByClass.Count - 1;
    }
}
