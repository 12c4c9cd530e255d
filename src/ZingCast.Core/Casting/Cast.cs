namespace ZingCast.Core.Casting;

/// <summary>How a cast ended.</summary>
public enum CastOutcome
{
    /// <summary>Line and leader straight before they touch the water.</summary>
    TurnedOver,

    /// <summary>Came down before line and leader were straight.</summary>
    Piled,

    /// <summary>Straight, but pulled out less line than was wanted.</summary>
    FellShort,

    /// <summary>More line in the air than head, overhang or caster allow.</summary>
    CannotCarry,
}

/// <summary>What stops a cast from going further.</summary>
public enum CastLimit
{
    /// <summary>Nothing: it did what was asked.</summary>
    None,

    /// <summary>The loop: wind, bulk and drag use up its energy before line and leader are straight.</summary>
    Turnover,

    /// <summary>Time in the air: the line reaches the water first.</summary>
    Height,

    /// <summary>Running line: the head does not pull more of it through the guides.</summary>
    Shoot,

    /// <summary>Line held in the air.</summary>
    Carry,

    /// <summary>The fly is too heavy for the line in the air.</summary>
    FlyRatio,

    /// <summary>There is no more line.</summary>
    LineEnd,
}

/// <summary>Where the energy of a cast went. All in joules, 0 or more; together they add up to <paramref name="Launch"/>.</summary>
/// <param name="Launch">In line, leader and fly when the rod stops.</param>
/// <param name="Skin">Rubbed off along both legs.</param>
/// <param name="Bend">Drag of the loop's bend.</param>
/// <param name="Fly">Drag of the fly.</param>
/// <param name="Guides">Friction in the rings.</param>
/// <param name="PickUp">Lost in jerking running line from rest.</param>
/// <param name="Check">Taken by the hand when the line is stopped, and lost when the legs lock.</param>
/// <param name="Left">Still in line and fly at the end.</param>
public readonly record struct EnergyBudget(
    double Launch,
    double Skin,
    double Bend,
    double Fly,
    double Guides,
    double PickUp,
    double Check,
    double Left
);

/// <summary>One moment of a cast.</summary>
/// <param name="TimeS">Since the rod stopped, seconds.</param>
/// <param name="UpperM">Length still in the fly leg, metres.</param>
/// <param name="BendM">Bend from the rod tip along the cast, metres.</param>
/// <param name="HeightM">Bend above the water, metres.</param>
/// <param name="FlyLegMps">Speed of the fly leg, m/s.</param>
/// <param name="RodLegMps">Speed of the rod leg, m/s.</param>
/// <param name="TensionN">Pull at the bend, newtons.</param>
/// <param name="ShotM">Line shot so far, metres.</param>
public readonly record struct CastMoment(
    double TimeS,
    double UpperM,
    double BendM,
    double HeightM,
    double FlyLegMps,
    double RodLegMps,
    double TensionN,
    double ShotM
);

/// <summary>One cast as it went.</summary>
/// <param name="Outcome">How it ended.</param>
/// <param name="Limit">What binds.</param>
/// <param name="ReachM">Rod tip to fly over the water, metres.</param>
/// <param name="CarryM">Line held in the air before release, metres.</param>
/// <param name="ShotM">Line shot, metres.</param>
/// <param name="AngleRad">Angle of the cast above the level, radians.</param>
/// <param name="LaunchMps">Line speed when the rod stops, m/s.</param>
/// <param name="FlightS">Time in the air, seconds.</param>
/// <param name="TurnoverMps">Speed of the fly when the leader straightens, m/s; 0 when it does not.</param>
/// <param name="PileM">Length not straightened at the end, metres.</param>
/// <param name="LoadRatio">Line in the air and wet fly over the rod's standard mass.</param>
/// <param name="FlyRatio">Wet fly over line in the air.</param>
/// <param name="LineDriftM">Drift of the line to the left by wind from the right, metres; negative to the right.</param>
/// <param name="FlyDriftM">The same for fly and leader.</param>
public readonly record struct CastResult(
    CastOutcome Outcome,
    CastLimit Limit,
    double ReachM,
    double CarryM,
    double ShotM,
    double AngleRad,
    double LaunchMps,
    double FlightS,
    double TurnoverMps,
    double PileM,
    double LoadRatio,
    double FlyRatio,
    double LineDriftM,
    double FlyDriftM
)
{
    /// <summary>Turned over, or piled at most half the leader: the fly can be fished.</summary>
    public bool Fishes { get; init; }

    /// <summary>Nothing turns over: the reach is how far the fly can be lobbed.</summary>
    public bool Lobbed { get; init; }

    /// <summary>Too near for a cast: the fly is held out or dapped with the leader and hardly any line.</summary>
    public bool Poked { get; init; }

    /// <summary>Height left when the line was straight, or the pile still allowed, metres; below 0 the cast does not fish.</summary>
    public double SpareM { get; init; }
}
