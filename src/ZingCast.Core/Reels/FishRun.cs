using System.Diagnostics.CodeAnalysis;

namespace ZingCast.Core.Reels;

/// <summary>How a run ends.</summary>
public enum RunEnd
{
    /// <summary>The fish stops.</summary>
    Stops,

    /// <summary>The pull exceeds the strength of the weakest knotted link. The rest of the run is shown as if it had held.</summary>
    Breaks,

    /// <summary>The spool is empty and the fish still runs.</summary>
    Spools,
}

/// <summary>A moment of a run.</summary>
/// <param name="TimeS">Seconds since it took.</param>
/// <param name="SpeedMps">Speed of the fish, m/s.</param>
/// <param name="RunM">How far it has run, metres.</param>
/// <param name="OutM">Line, leader and backing out, metres.</param>
/// <param name="RadiusM">Radius of what is left on the spool, metres.</param>
/// <param name="DragN">What drag and rings hold, newtons.</param>
/// <param name="WaterN">What the water holds of what is out, newtons.</param>
public readonly record struct RunMoment(
    double TimeS,
    double SpeedMps,
    double RunM,
    double OutM,
    double RadiusM,
    double DragN,
    double WaterN
)
{
    /// <summary>All of it, newtons.</summary>
    public double PullN => DragN + WaterN;
}

/// <summary>What happens at a moment of a run.</summary>
public enum RunMark
{
    /// <summary>The slack is gone; the spool turns.</summary>
    OnTheReel,

    /// <summary>The line is out; backing shows.</summary>
    BackingShows,

    /// <summary>Half of the backing is out.</summary>
    HalfGone,

    /// <summary>The pull is at its maximum.</summary>
    Hardest,

    /// <summary>The pull exceeds the strength of the weakest knotted link.</summary>
    TippetLimit,

    /// <summary>The spool is empty.</summary>
    Spooled,
}

/// <summary>A mark and its time, seconds.</summary>
public readonly record struct RunMarked(RunMark Mark, double TimeS);

/// <summary>Where the fish's work went, joules. Fish is the sum of the others.</summary>
/// <param name="FishJ">What its muscle has done.</param>
/// <param name="BodyJ">Into the water by its own body.</param>
/// <param name="DragJ">Into drag and rings.</param>
/// <param name="WaterJ">Into the water along the line.</param>
/// <param name="MotionJ">What still moves at the end.</param>
public readonly record struct RunEnergy(double FishJ, double BodyJ, double DragJ, double WaterJ, double MotionJ);

/// <summary>A run of a fish, from the take until the fish stops or the spool is empty.</summary>
/// <param name="End">How it ends.</param>
/// <param name="RunM">How far the fish runs, metres.</param>
/// <param name="TookS">How long it takes, seconds.</param>
/// <param name="MostOutM">Most that is out, metres.</param>
/// <param name="BackingOutM">Most backing that is out, metres.</param>
/// <param name="LeftM">Least that is left on the spool, metres.</param>
/// <param name="FastestMps">Fastest, m/s.</param>
/// <param name="HardestN">Most pull, newtons.</param>
/// <param name="TippetShare">That over what the weakest knotted link stands.</param>
/// <param name="ReserveLeft">Share of the fish's reserve that is left.</param>
/// <param name="Energy">Where its work has gone.</param>
/// <param name="Marks">What happens when.</param>
/// <param name="Moments">The run, moment by moment; empty when nobody watches.</param>
public sealed record FishRun(
    RunEnd End,
    double RunM,
    double TookS,
    double MostOutM,
    double BackingOutM,
    double LeftM,
    double FastestMps,
    double HardestN,
    double TippetShare,
    double ReserveLeft,
    RunEnergy Energy,
    IReadOnlyList<RunMarked> Marks,
    IReadOnlyList<RunMoment> Moments
)
{
    // A fish slower than this share of its top speed has stopped.
    private const double StoppedShare = .02;

    // No run lasts longer, seconds.
    private const double LongestS = 300;

    // Time steps are small against the time in which the fish gains its speed.
    private const double FinestS = .005,
        CoarsestS = .06,
        PerGain = .12;

    // Most moments kept for a drawing.
    private const int MaxMoments = 160;

    // Speed, distance, and work of muscle, body, drag and water.
    private struct State
    {
        public double V,
            X,
            Out,
            Fish,
            Body,
            Drag,
            Water;

        public static State operator +(State a, (double H, State D) step) =>
            new()
            {
                V = a.V + step.H * step.D.V,
                X = a.X + step.H * step.D.X,
                Out = a.Out + step.H * step.D.Out,
                Fish = a.Fish + step.H * step.D.Fish,
                Body = a.Body + step.H * step.D.Body,
                Drag = a.Drag + step.H * step.D.Drag,
                Water = a.Water + step.H * step.D.Water,
            };
    }

    /// <summary>
    /// Simulates a run. The same input gives the same bits; always ends. <paramref name="refine"/> divides the step, 1 or more.
    /// </summary>
    [SuppressMessage("Maintainability", "CA1502", Justification = "One step of the run, in the order in which things happen.")]
    public static FishRun Simulate(RunningFish fish, RunTackle tackle, bool watched = true, double refine = 1)
    {
        var h = Math.Clamp(PerGain * fish.MovedKg * fish.FastMps / fish.StrongN, FinestS, CoarsestS) / refine;
        var reserve = fish.ReserveJ * tackle.Hold.Rested;
        var now = new State { Out = tackle.OutM };
        var (t, fastest, hardest, mostOut) = (0.0, 0.0, 0.0, now.Out);
        List<RunMoment> moments = watched ? new(MaxMoments * 4) : [];
        List<RunMarked> marks = [];
        void Mark(RunMark mark)
        {
            if (!marks.Exists(m => m.Mark == mark))
                marks.Add(new(mark, t));
        }
        var (hardestAt, spooled) = (0.0, false);
        double backingM = tackle.TotalM - tackle.LineM;
        for (var step = 0; ; step++)
        {
            double drag = tackle.DragN(now.Out, now.X),
                water = tackle.WaterN(now.Out, now.V);
            if (drag + water > hardest)
                (hardest, hardestAt) = (drag + water, t);
            (fastest, mostOut) = (Math.Max(fastest, now.V), Math.Max(mostOut, now.Out));
            if (now.X >= tackle.Hold.SlackM)
                Mark(RunMark.OnTheReel);
            if (backingM > 1 && now.Out > tackle.LineM)
                Mark(RunMark.BackingShows);
            if (backingM > 1 && now.Out > tackle.LineM + backingM / 2)
                Mark(RunMark.HalfGone);
            if (drag + water > tackle.TippetN)
                Mark(RunMark.TippetLimit);
            if (watched)
                moments.Add(new(t, now.V, now.X, now.Out, tackle.RadiusM(now.Out), drag, water));
            if (spooled)
                break;
            var next = Step(fish, tackle, reserve, now, t, h);
            // The fish first gains speed; once it is slow and not gaining, it has stopped.
            if (t > LongestS || (now.V < StoppedShare * fish.FastMps && next.V <= now.V))
                break;
            if (now.X < tackle.Hold.SlackM && next.X > tackle.Hold.SlackM)
            {
                // The drag sets in abruptly when the slack is gone: no step may cross that point.
                var share = (tackle.Hold.SlackM - now.X) / (next.X - now.X);
                next = Step(fish, tackle, reserve, now, t, share * h) with { X = tackle.Hold.SlackM };
                (now, t) = (next, t + share * h);
                continue;
            }
            if (next.Out >= tackle.TotalM)
            {
                // The last turn leaves the spool within this step.
                var share = (tackle.TotalM - now.Out) / (next.Out - now.Out);
                next = Step(fish, tackle, reserve, now, t, share * h);
                (t, spooled) = (t + share * h, true);
                now = next with { Out = tackle.TotalM };
                Mark(RunMark.Spooled);
                continue;
            }
            (now, t) = (next, t + h);
        }
        marks.Add(new(RunMark.Hardest, hardestAt));
        marks.Sort((a, b) => a.TimeS.CompareTo(b.TimeS));
        var tippetShare = hardest / tackle.TippetN;
        return new(
            tippetShare > 1 ? RunEnd.Breaks
                : spooled ? RunEnd.Spools
                : RunEnd.Stops,
            now.X,
            t,
            mostOut,
            Math.Max(0, mostOut - tackle.LineM),
            Math.Max(0, tackle.TotalM - mostOut),
            fastest,
            hardest,
            tippetShare,
            Math.Max(0, 1 - now.Fish / reserve) * tackle.Hold.Rested,
            new(now.Fish, now.Body, now.Drag, now.Water, fish.MovedKg * now.V * now.V / 2),
            marks,
            Thinned(moments)
        );
    }

    private static State Step(RunningFish fish, RunTackle tackle, double reserve, in State now, double t, double h)
    {
        var a = Slope(fish, tackle, reserve, now, t);
        var b = Slope(fish, tackle, reserve, now + (h / 2, a), t + h / 2);
        var c = Slope(fish, tackle, reserve, now + (h / 2, b), t + h / 2);
        var d = Slope(fish, tackle, reserve, now + (h, c), t + h);
        return now + (h / 6, a) + (h / 3, b) + (h / 3, c) + (h / 6, d);
    }

    private static State Slope(RunningFish fish, RunTackle tackle, double reserve, in State at, double t)
    {
        var v = Math.Max(0, at.V);
        double drag = tackle.DragN(at.Out, at.X),
            water = tackle.WaterN(at.Out, v),
            body = fish.DragNs2 * v * v,
            muscle = MuscleN(fish, tackle.Hold.Rested, 1 - at.Fish / reserve, v);
        var followed = t >= tackle.Hold.FollowAfterS && at.Out > tackle.OutM ? Math.Min(v, tackle.Hold.FollowMps) : 0;
        return new()
        {
            V = (muscle - body - drag - water) / fish.MovedKg,
            X = v,
            Out = v - followed,
            Fish = muscle * v,
            Body = body * v,
            Drag = drag * v,
            Water = water * v,
        };
    }

    /// <summary>Pull of the muscle, newtons, at a remaining share of the reserve and a speed, m/s.</summary>
    public static double MuscleN(RunningFish fish, double rested, double leftShare, double speedMps) =>
        fish.StrongN * rested * Math.Max(0, leftShare) * Math.Max(0, 1 - speedMps / fish.FastMps);

    private static IReadOnlyList<RunMoment> Thinned(List<RunMoment> all)
    {
        if (all.Count <= MaxMoments)
            return all;
        var kept = new RunMoment[MaxMoments];
        for (var i = 0; i < MaxMoments; i++)
            kept[i] = all[(int)((long)i * (all.Count - 1) / (MaxMoments - 1))];
        return kept;
    }
}
