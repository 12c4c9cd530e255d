using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Casting;

/// <summary>Farthest reach over rod class with the matched outfits of one day. Not thread-safe.</summary>
public sealed class ClassCurve
{
    /// <summary>Distance in hand wanted, share. Common practice.</summary>
    public const double InHand = .10;

    /// <summary>Going up a class does not pay when each of the next two classes adds less than this share.</summary>
    public const double WorthAClass = .02;

    // Largest rise of the class with distance, classes per metre; whoever needs more soon begins earlier. Our assumption.
    private const double ClimbAMetre = .6;

    private const double Step = .25;

    private readonly Func<double, CastSetup> setupOf;
    private readonly Dictionary<double, CastResult> known = [];

    /// <summary>
    /// <paramref name="setupOf"/> gives the matched outfit of a class, 0–15; no class above <paramref name="most"/> is considered. Casts
    /// are simulated when first asked for: at whole classes, and at quarters where a class begins to turn the fly over.
    /// </summary>
    public ClassCurve(Func<double, CastSetup> setupOf, double most) =>
        (this.setupOf, Most) = (setupOf, Math.Min(most, LineWeights.Highest));

    /// <summary>No class above this is considered.</summary>
    public double Most { get; }

    /// <summary>Farthest reach of a class, metres; the lob where nothing turns over.</summary>
    public double ReachM(double c)
    {
        double below = Math.Clamp(Math.Floor(c), 0, LineWeights.Highest),
            above = Math.Min(below + 1, LineWeights.Highest);
        if (c <= below)
            return Thrown(below).ReachM;
        // Where a class begins to turn the fly over, quarters are simulated.
        return Thrown(below).Lobbed != Thrown(above).Lobbed
            ? Thrown(Math.Round(c / Step) * Step).ReachM
            : Interpolation.Between(Thrown(below).ReachM, Thrown(above).ReachM, c - below);
    }

    /// <summary>Whether the whole class at or above this turns the fly over at all.</summary>
    public bool TurnsOver(double c) => !Thrown(Math.Min(Math.Ceiling(c), LineWeights.Highest)).Lobbed;

    private CastResult Thrown(double c) => known.TryGetValue(c, out var cast) ? cast : known[c] = CastSearch.Farthest(setupOf(c));

    // Simulates whole classes that will be asked for, in parallel.
    private void Throw(double from, double to)
    {
        var open = Enumerable
            .Range((int)from, Math.Max(0, (int)to - (int)from + 1))
            .Where(c => c <= LineWeights.Highest && !known.ContainsKey(c))
            .ToArray();
        var casts = new CastResult[open.Length];
        Parallel.For(
            0,
            open.Length,
            new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
            i => casts[i] = CastSearch.Farthest(setupOf(open[i]))
        );
        for (var i = 0; i < open.Length; i++)
            known[open[i]] = casts[i];
    }

    /// <summary>Smallest class with this reach, metres, in quarter steps; null when none up to <see cref="Most"/> has it.</summary>
    public double? Smallest(double reachM)
    {
        if (ReachM(Most) < reachM)
            return null;
        // A heavier class reaches farther, or turns over what a lighter one cannot.
        var (low, high) = (-1, (int)Math.Round(Most / Step));
        while (high - low > 1)
        {
            var middle = (low + high) / 2;
            (low, high) = ReachM(middle * Step) < reachM ? (middle, high) : (low, middle);
        }
        return high * Step;
    }

    /// <summary>
    /// The class for a distance, metres, to be reached with <paramref name="share"/> of it in hand: rises with the distance and never by
    /// more than <see cref="ClimbAMetre"/>, beginning to climb before it must. No lower than <paramref name="least"/>;
    /// <see cref="Most"/> where no class has it.
    /// </summary>
    public double Smooth(double distanceM, double share, double least)
    {
        var best = least;
        // When the least class has more reserve than the whole climb could ask for, nothing above it matters.
        if (Climb(ReachM(least)) > Most - least)
            return best;
        Throw(least, Math.Ceiling(Most));
        for (var c = Math.Floor(least / Step) * Step + Step; c <= Most + 1e-9; c += Step)
            // From this distance on the class below is too light.
            best = Math.Max(best, c - Climb(ReachM(c - Step)));
        return best;

        double Climb(double reachM) => ClimbAMetre * Math.Max(0, reachM / (1 + share) - distanceM);
    }

    /// <summary>
    /// Where climbing stops paying: the whole class from which two more add less than <see cref="WorthAClass"/> each; null when it pays
    /// up to the most that is named. Smoothed over its neighbours, so that search noise does not decide.
    /// </summary>
    public double? Flattens
    {
        get
        {
            for (var c = 0.0; c + 2 <= Most + 1; c += 1)
                if (ReachM(c) > 0 && Around(c + 2) < Around(c) * (1 + 2 * WorthAClass))
                    return c;
            return null;

            double Around(double c) => (Near(c - 1) + 2 * ReachM(c) + Near(c + 1)) / 4;
            double Near(double c) => ReachM(Math.Clamp(c, 0, Most + 1));
        }
    }
}
