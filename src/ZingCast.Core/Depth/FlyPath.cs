namespace ZingCast.Core.Depth;

/// <summary>How a fly is fished once it is down.</summary>
public enum FishedBy
{
    /// <summary>Drawn in by strips with a pause between.</summary>
    Retrieve,

    /// <summary>Left to drift with the current.</summary>
    Drift,

    /// <summary>Held on a tight line while the current swings it round.</summary>
    Swing,
}

/// <summary>A fly to let sink and fish. Metres, seconds.</summary>
/// <param name="Rates">How line and fly go down.</param>
/// <param name="By">How it is fished.</param>
/// <param name="CastM">From the rod's tip to the fly.</param>
/// <param name="LeaderM">Leader.</param>
/// <param name="CurrentMps">Current, m/s.</param>
/// <param name="CountS">How long it is left to sink.</param>
/// <param name="StripM">Length of a strip; 0 for a fly that is left to hang.</param>
/// <param name="PauseS">Pause between strips.</param>
/// <param name="WaterM">Depth of the water.</param>
/// <param name="TargetM">Depth at which the fish are.</param>
public sealed record FlyCase(
    SinkRates Rates,
    FishedBy By,
    double CastM,
    double LeaderM,
    double CurrentMps,
    double CountS,
    double StripM,
    double PauseS,
    double WaterM,
    double TargetM
);

/// <summary>One moment of a fly's path.</summary>
/// <param name="TimeS">Since it touched the water, seconds.</param>
/// <param name="AwayM">From under the rod's tip to the fly along the cast, metres.</param>
/// <param name="DriftM">Carried down by the current, metres.</param>
/// <param name="DepthM">Depth of the fly, metres.</param>
/// <param name="LineM">Depth of the line's end, metres.</param>
public readonly record struct FlyMoment(double TimeS, double AwayM, double DriftM, double DepthM, double LineM);

/// <summary>Path of a fly in the water.</summary>
/// <param name="Moments">Moment by moment; none where nobody draws it.</param>
/// <param name="CountM">How deep it is when it begins to be fished, metres.</param>
/// <param name="DeepestM">How deep it ever is, metres.</param>
/// <param name="HeldM">How deep it is on average while it is fished, metres.</param>
/// <param name="CountToS">Seconds to the fish's depth; null when it never gets there.</param>
/// <param name="InZone">Share of the fishing in which it is near the fish's depth.</param>
/// <param name="BottomAtS">When it touches the bottom, seconds; null when it stays clear.</param>
/// <param name="PitchM">How far upstream to pitch it, to be so deep when it comes to the fish, metres; null when it never is.</param>
public sealed record FlyPath(
    IReadOnlyList<FlyMoment> Moments,
    double CountM,
    double DeepestM,
    double HeldM,
    double? CountToS,
    double InZone,
    double? BottomAtS,
    double? PitchM
)
{
    /// <summary>The fish sees a fly within this distance of its depth, metres. Common practice: a foot.</summary>
    public const double ZoneM = .3;

    // Speed at which a hand retrieves line, m/s. Common practice.
    private const double PullMps = .5;

    // Time step and longest time of a simulation, seconds, and number of moments drawn.
    private const double StepS = .1,
        LongestS = 300;
    private const int MaxMoments = 160;

    // A retrieve ends where the leader reaches the rod tip, a swing where the line hangs straight downstream, after a quarter circle.
    private const double LeastOutM = .5;

    // Depth of the line's end, of the fly below it, and length of line out.
    private readonly record struct State(double Line, double Hang, double Out)
    {
        public static State operator +(State a, (double H, State D) by) =>
            new(a.Line + by.H * by.D.Line, a.Hang + by.H * by.D.Hang, a.Out + by.H * by.D.Out);
    }

    /// <summary>
    /// Follows a fly. When left alone, line and fly sink at their own speeds; when pulled, each climbs along its own slope, the line's end
    /// towards the rod tip and the fly towards the line's end. The same input gives the same bits. <paramref name="refine"/> divides the
    /// step, 1 or more.
    /// </summary>
    public static FlyPath Simulate(FlyCase at, int refine = 1)
    {
        var state = new State(0, 0, at.CastM);
        var (time, drift, step) = (0.0, 0.0, StepS / refine);
        var end = EndS(at);
        var moments = new List<FlyMoment>(1024);
        double? bottom = null;
        while (true)
        {
            var depth = state.Line + state.Hang;
            if (depth >= at.WaterM)
            {
                bottom ??= time;
                depth = at.WaterM;
            }
            moments.Add(
                new(time, Math.Sqrt(Math.Max(0, state.Out * state.Out - depth * depth)), drift, depth, Math.Min(state.Line, at.WaterM))
            );
            if (time >= end || time >= LongestS || (at.By == FishedBy.Retrieve && state.Out <= at.LeaderM + LeastOutM + 1e-6))
                break;
            // A step ends where a pull begins or ends, and where the countdown ends.
            var (pull, until) = Pull(at, time);
            var h = Math.Min(step, Math.Min(until, end) - time);
            h = h > 1e-9 ? h : step;
            var a = Slope(at, state, pull);
            var b = Slope(at, state + (h / 2, a), pull);
            var c = Slope(at, state + (h / 2, b), pull);
            var d = Slope(at, state + (h, c), pull);
            state = state + (h / 6, a) + (h / 3, b) + (h / 3, c) + (h / 6, d);
            state = state with { Line = Math.Max(0, state.Line), Hang = Math.Clamp(state.Hang, 0, at.Rates.HeldM) };
            if (at.By == FishedBy.Drift || time < at.CountS)
                drift += h * at.CurrentMps;
            time += h;
        }
        return FromMoments(at, moments, bottom);
    }

    // Speed of retrieve, m/s, and until when it stays the same.
    private static (double Mps, double UntilS) Pull(FlyCase at, double time)
    {
        if (time < at.CountS - 1e-9)
            return (0, at.CountS);
        if (at.By == FishedBy.Drift)
            return (0, double.MaxValue);
        if (at.By == FishedBy.Swing)
            return (at.CurrentMps, double.MaxValue);
        if (at.StripM <= 0)
            return (0, double.MaxValue);
        var (strip, since) = (at.StripM / PullMps, time - at.CountS);
        var every = strip + at.PauseS;
        // Twitches closer together than a step are treated as one steady pull.
        if (every < StepS)
            return (PullMps * strip / every, double.MaxValue);
        var whole = Math.Floor(since / every + 1e-9);
        var into = since - whole * every;
        return into < strip - 1e-9 ? (PullMps, at.CountS + whole * every + strip) : (0, at.CountS + (whole + 1) * every);
    }

    private static State Slope(FlyCase at, State s, double pull) =>
        new(
            at.Rates.LineMps - pull * s.Line / s.Out,
            (s.Hang < at.Rates.HeldM ? at.Rates.FlyMps : 0) - pull * s.Hang / at.LeaderM,
            at.By == FishedBy.Swing ? 0 : -pull
        );

    private static double EndS(FlyCase at) =>
        at.By switch
        {
            FishedBy.Drift => Math.Max(at.CountS, Math.Min(LongestS, 2 * at.CastM / Math.Max(.05, at.CurrentMps))),
            FishedBy.Swing => at.CountS + Math.Min(60, Math.PI / 2 * at.CastM / Math.Max(.1, at.CurrentMps)),
            _ => at.StripM > 0 ? LongestS : at.CountS + 60,
        };

    private static FlyPath FromMoments(FlyCase at, List<FlyMoment> moments, double? bottom)
    {
        double deepest = 0,
            held = 0,
            fished = 0,
            zone = 0;
        double? at0 = null;
        for (var i = 0; i < moments.Count; i++)
        {
            deepest = Math.Max(deepest, moments[i].DepthM);
            if (i == 0 || moments[i].TimeS <= at.CountS)
                continue;
            at0 ??= moments[i - 1].DepthM;
            var s = moments[i].TimeS - moments[i - 1].TimeS;
            fished += s;
            held += s * (moments[i - 1].DepthM + moments[i].DepthM) / 2;
            zone += Math.Abs(moments[i].DepthM - at.TargetM) <= ZoneM ? s : 0;
        }
        var count = at0 ?? moments[^1].DepthM;
        var to = at.Rates.TimeTo(at.TargetM) is var s0 && double.IsFinite(s0) ? s0 : (double?)null;
        return new(
            Thinned(moments),
            count,
            deepest,
            fished > 0 ? held / fished : count,
            to,
            fished > 0 ? zone / fished : 0,
            bottom,
            to * at.CurrentMps
        );
    }

    private static List<FlyMoment> Thinned(List<FlyMoment> moments)
    {
        if (moments.Count <= MaxMoments)
            return moments;
        var every = (moments.Count - 1) / (double)(MaxMoments - 1);
        return [.. Enumerable.Range(0, MaxMoments).Select(i => moments[(int)Math.Round(i * every)])];
    }
}

/// <summary>What people call the ways of fishing a fly.</summary>
public static class FishedWords
{
    /// <summary>In words.</summary>
    public static string For(FishedBy by) =>
        by switch
        {
            FishedBy.Drift => "left to drift",
            FishedBy.Swing => "swung on a tight line",
            _ => "drawn in strips",
        };
}
