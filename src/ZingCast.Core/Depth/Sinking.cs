using ZingCast.Core.Briefs;
using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Depth;

/// <summary>Sink rates of a line and of what hangs below its tip.</summary>
/// <param name="LineMps">The line's end, m/s.</param>
/// <param name="FlyMps">The fly below it, m/s.</param>
/// <param name="HeldM">How far below the line's end the fly can get, metres.</param>
public readonly record struct SinkRates(double LineMps, double FlyMps, double HeldM)
{
    /// <summary>Depth of the fly after sinking freely for this many seconds, metres.</summary>
    public double DepthM(double seconds) => LineMps * seconds + Math.Min(HeldM, FlyMps * seconds);

    /// <summary>Seconds until the fly is this deep, metres; infinite when it never gets there.</summary>
    public double TimeTo(double depthM)
    {
        var together = depthM / (LineMps + FlyMps);
        return FlyMps * together <= HeldM ? together
            : LineMps > 0 ? (depthM - HeldM) / LineMps
            : double.PositiveInfinity;
    }
}

/// <summary>
/// How deep a fly fishes: line, leader and fly sink for as long as the drift or patience allows; then retrieve, swing or drift holds the
/// fly somewhere below the line. Metres, seconds.
/// </summary>
public static class Sinking
{
    /// <summary>Longest time people count down, seconds; used everywhere. Common practice: a little under a minute.</summary>
    public const double PatienceS = 55;

    // The fly sinks during this share of a drift; a mend or a reach cast adds some seconds. Common practice.
    private const double DriftShare = .6,
        MendS = 3;

    // How far below the line's tip a fly is held, as a share of the leader, by density rank: the faster the line sinks, the more closely
    // the fly follows it. A fly that sinks by its own weight hangs half as low again. Common practice: a floating line fishes an ordinary
    // fly down to about a metre and a half, an intermediate one to about three.
    private static readonly double[] Shares = [.5, .35, .3, .25, .2];
    private const double HeavyHangs = 1.6;

    // Densities count as different only if they fish at least this much deeper, metres. Our assumption: makers' sink rates overlap.
    private const double ApartM = .1;

    // Down to this depth waves carry the fly whatever the line, metres.
    private const double InTheWavesM = .3;

    // Current that halves the share of the leader by which a fly on the swing hangs lower, m/s. Common practice, rough.
    private const double LiftsMps = .8;

    // Density of soaked flies, kg/m³: with metal, sparse, bulky. From memory, rough.
    private const double MetalKgM3 = 3000,
        SparseKgM3 = 1500,
        BulkyKgM3 = 1100;

    private const double CrossDrag = 1.1,
        WaterKgM3 = 1000;

    /// <summary>Time the fly has to sink, seconds.</summary>
    public static double TimeS(Brief brief) => Math.Min(PatienceS, MendS + DriftShare * brief.DistanceM / Math.Max(1e-3, brief.CurrentMps));

    // Whether it sinks by its own weight.
    private static bool Heavy(Fly fly) => fly.Kind.Weighted || fly.Kind.Nymph;

    /// <summary>
    /// Speed at which a fly sinks with its leader behind it, m/s: its weight under water against its own drag and that of the leader
    /// broadside, whose far end hardly moves.
    /// </summary>
    public static double FlyMps(Fly fly, double leaderM, double tippetM, double flyKg)
    {
        var kgM3 =
            Heavy(fly) ? MetalKgM3
            : fly.Kind.Bushy ? BulkyKgM3
            : SparseKgM3;
        var weight = flyKg * Exact.GravityMps2 * (1 - WaterKgM3 / kgM3);
        return Math.Sqrt(2 * weight / (WaterKgM3 * (fly.AreaM2 + CrossDrag * tippetM * leaderM / 3)));
    }

    /// <summary>
    /// Sink rates of line and fly with the leader usual for each density, metres, for a fly of this mass, kilograms. A faster line never
    /// fishes the fly shallower.
    /// </summary>
    public static SinkRates Rates(Brief brief, Density line, Func<string, double> leaderM, double tippetM, double flyKg)
    {
        var rank = Densities.Rank(line.Id);
        var share = Shares[Math.Min(rank, Shares.Length - 1)] * (Heavy(brief.Fly) ? HeavyHangs : 1);
        // A nymph drifts with the water; any other fly is pulled across it.
        var held = share * leaderM(line.Id) / (brief.Fly.Kind.Nymph ? 1 : 1 + brief.CurrentMps / LiftsMps);
        var rates = new SinkRates(line.SinkMps, FlyMps(brief.Fly, leaderM(line.Id), tippetM, flyKg), held);
        if (rank == 0)
            return rates;
        var time = TimeS(brief);
        var least = Rates(brief, Densities.Rows[rank - 1], leaderM, tippetM, flyKg).DepthM(time) + ApartM;
        return rates with { LineMps = rates.LineMps + Math.Max(0, least - rates.DepthM(time)) / time };
    }

    /// <summary>Depth at which a fly of this mass fishes under a line in the time available, metres, see <see cref="Rates"/>.</summary>
    public static double DepthM(Brief brief, Density line, Func<string, double> leaderM, double tippetM, double flyKg) =>
        Rates(brief, line, leaderM, tippetM, flyKg).DepthM(TimeS(brief));

    /// <summary>Whether the fly drifts with the current, so that weight in the fly is preferred to a sinking line.</summary>
    public static bool Drifts(Brief brief) => brief.Fly.Kind.Nymph && brief.CurrentMps > Brief.StillMps;

    /// <summary>Rank of the lightest line considered: in waves a floating line lifts every fly that is not meant to float.</summary>
    public static int Least(Brief brief) =>
        brief.Water != Water.Shore || brief is { DepthM: <= 0 } or { Fly.Kind.OnTop: true } ? 0
        : brief.DepthM <= InTheWavesM ? 1
        : Densities.Intermediate;

    /// <summary>The lightest density that fishes the fly at the brief's depth, or the heaviest there is.</summary>
    public static Density Lightest(Brief brief, Func<string, double> leaderM, double tippetM) =>
        brief.DepthM <= 0 || Drifts(brief)
            ? Densities.Floating
            : Densities.Rows.Skip(Least(brief)).FirstOrDefault(d => DepthM(brief, d, leaderM, tippetM, brief.Fly.WetKg) >= brief.DepthM)
                ?? Densities.Rows[^1];

    /// <summary>
    /// Mass of a fly of this kind that fishes the depth on a floating line, kilograms; null when even ten times its mass does not: the
    /// leader is too short.
    /// </summary>
    public static double? FlyForKg(Brief brief, double leaderM, double tippetM)
    {
        var own = Math.Max(1e-6, brief.Fly.WetKg);
        for (var kg = own; kg <= 10 * own; kg *= 1.1)
            if (DepthM(brief, Densities.Floating, _ => leaderM, tippetM, kg) >= brief.DepthM)
                return kg;
        return null;
    }
}
