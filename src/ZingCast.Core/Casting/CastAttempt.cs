using System.Diagnostics.CodeAnalysis;

namespace ZingCast.Core.Casting;

/// <summary>One carry and angle, for which the longest shot that still fishes is sought.</summary>
/// <param name="carryM">Carry, metres.</param>
/// <param name="steep">Share of the steepest angle there is room for.</param>
/// <param name="firstM">Line to let go first, metres; <see cref="All"/> for all there is.</param>
/// <param name="mostM">Most to let go, metres.</param>
internal struct CastAttempt(double carryM, double steep, double firstM, double mostM = CastAttempt.All)
{
    /// <summary>As much line as there is.</summary>
    public const double All = double.MaxValue;

    // Resolution of the shot, metres; and how much spare height or pile a metre of shot costs, roughly.
    private const double GrainM = .03,
        RoughGrainM = .4,
        SpareAMetre = 1.3,
        BetweenShare = 1.03;

    // A bound only: the secant converges long before.
    private const int MaxThrown = 10;

    // A shot that fishes and one that does not, with their spares, metres: the secant method keeps its root between them (Illinois
    // variant).
    private double atM,
        angleRad,
        roomM = -1,
        lowM = -1,
        lowSpareM,
        highM = All,
        highSpareM,
        failsAtM;
    private int failed,
        thrown;

    /// <summary>Carry, metres.</summary>
    public readonly double CarryM => carryM;

    /// <summary>Share of the steepest angle.</summary>
    public readonly double Steep => steep;

    /// <summary>The best cast so far; the one nearest to fishing while none does.</summary>
    public CastResult Best { get; private set; }

    /// <summary>Shot to try first for a neighbouring attempt, metres.</summary>
    public double AgainM { get; private set; }

    /// <summary>Nothing more can be learned.</summary>
    public bool Done { get; private set; }

    /// <summary>Value of the best cast: its reach in metres, or, below 0, by how much it fails to fish.</summary>
    public readonly double Worth => Best.Fishes ? Best.ReachM : Math.Min(0, Best.SpareM) - 1000;

    /// <summary>The next cast to throw.</summary>
    public CastPlan Plan(CastSetup setup)
    {
        Ready(setup);
        return new(carryM, angleRad, atM);
    }

    /// <summary>
    /// Upper bound of the reach of casts still to be simulated, metres: all line out; and between a shot that fishes and one that does not,
    /// hardly more than either reached.
    /// </summary>
    public double UpperBoundM(CastSetup setup)
    {
        Ready(setup);
        var bracket = lowM >= 0 && highM < All ? BetweenShare * Math.Max(Best.ReachM, failsAtM) : All;
        return Math.Min(bracket, (carryM + setup.Line.LeaderM + Math.Min(highM, roomM)) * Math.Cos(angleRad));
    }

    private void Ready(CastSetup setup)
    {
        if (roomM >= 0)
            return;
        angleRad = steep * setup.SteepestRad(carryM);
        roomM = Math.Clamp(setup.Line.LengthM - setup.Line.LeaderM - carryM - .02, 0, mostM);
        atM = Math.Min(firstM, roomM);
    }

    /// <summary>Takes in the result of the last plan.</summary>
    [SuppressMessage("Maintainability", "CA1502", Justification = "One search, whose parts share what they have found.")]
    public void Learn(in CastResult cast, bool rough)
    {
        var grain = rough ? RoughGrainM : GrainM;
        thrown++;
        if (cast.Fishes ? !Best.Fishes || cast.ReachM > Best.ReachM : !Best.Fishes && (Best.CarryM == 0 || cast.SpareM > Best.SpareM))
            Best = cast;
        if (cast.Fishes)
        {
            // If not all of the shot was pulled out, letting go of more changes nothing.
            var all = cast.ShotM < atM - .02 || atM >= roomM;
            AgainM = all ? All : atM;
            Done = all || cast.SpareM < grain;
            (lowM, lowSpareM, highSpareM) = (atM, cast.SpareM, highSpareM / 2);
        }
        else
        {
            Done = atM <= 0;
            // A longer shot than was pulled out is the same cast.
            (highM, highSpareM, lowSpareM) = (Math.Min(atM, cast.ShotM), Math.Min(-.01, cast.SpareM), lowSpareM / 2);
            failsAtM = cast.ReachM;
        }
        if (lowM >= 0 && highM < All)
        {
            Done |= highM - lowM < grain || thrown >= MaxThrown;
            // Kept a little inside both ends, so that the bracket always shrinks.
            atM = lowM + (highM - lowM) * Math.Clamp(lowSpareM / (lowSpareM - highSpareM) - .01, .05, .95);
        }
        else if (cast.Fishes)
            atM = Math.Min(roomM, atM + cast.SpareM / SpareAMetre + .05);
        else
            // First step back by the usual slope, then to no shot at all.
            atM = failed++ == 0 ? Math.Max(0, highM + cast.SpareM / SpareAMetre - .05) : 0;
    }
}
