using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Casting;

/// <summary>Air, water surface and room about the caster.</summary>
/// <param name="HeadwindMps">Wind in the face at 10 m height, m/s; negative from behind.</param>
/// <param name="CrosswindMps">Wind across the cast at 10 m height, m/s; positive from the right.</param>
/// <param name="TipHeightM">Rod tip above the water when the rod stops, metres, more than 0.</param>
/// <param name="ClearanceM">Least height of the fly above the water on the back cast, metres; more with bushes behind.</param>
/// <param name="RoughnessM">Roughness length of the surface, metres: 0.0002 open water, 0.03 grass.</param>
/// <param name="AirC">Air temperature, °C.</param>
public sealed record CastDay(
    double HeadwindMps,
    double CrosswindMps,
    double TipHeightM,
    double ClearanceM = CastDay.OpenClearanceM,
    double RoughnessM = CastDay.OpenWaterM,
    double AirC = 20
)
{
    /// <summary>Roughness length of open water, metres. Source: usual log-law value.</summary>
    public const double OpenWaterM = .0002;

    /// <summary>Height kept over water or ground on an open back cast, metres. Common practice.</summary>
    public const double OpenClearanceM = .4;

    /// <summary>The day of a brief with a rod of this length, metres.</summary>
    public static CastDay From(Brief brief, double rodLengthM)
    {
        var (tip, clearance) = (TipHeight(brief, rodLengthM), brief.Cover == Cover.Behind ? 1.5 : OpenClearanceM);
        return new(Felt(brief.HeadwindMps), brief.FromRightMps, tip, clearance);
    }

    // Share of a light tail wind that remains as a net help; and the wind at which it takes as much as it gives, m/s.
    private const double TailShare = .35,
        TailEndsMps = 8;

    /// <summary>
    /// Effective wind along the cast, m/s, negative when it helps. A head wind counts in full. A tail wind hinders the back cast as it
    /// helps the forward cast: a little help remains of a light one, none at 8 m/s, and beyond that it costs distance. Common practice; the
    /// shares are ours.
    /// </summary>
    public static double Felt(double headwindMps) =>
        headwindMps >= 0 ? headwindMps : TailShare * headwindMps * (1 + headwindMps / TailEndsMps);

    // Hand at 1.6 m and rod stopped at about half past ten, less how deep the caster stands. Under branches the rod stays low.
    private static double TipHeight(Brief brief, double rodLengthM)
    {
        var standing = brief.Stance switch
        {
            Stance.Wading => 1.1,
            Stance.DeepWading => .6,
            Stance.Boat => 2,
            _ => 1.6,
        };
        var tip = standing + .45 * rodLengthM;
        return brief.Cover == Cover.Canopy ? Math.Min(tip, 1.6) : tip;
    }

    /// <summary>Density of dry air at sea level, kg/m³: ideal gas, 101 325 Pa.</summary>
    public double AirKgM3 => 101325 / (287.05 * (273.15 + AirC));

    /// <summary>Share of the 10 m wind at a height in metres: logarithmic profile, 0 at the surface.</summary>
    public double WindShare(double heightM) => heightM <= RoughnessM ? 0 : Math.Log(heightM / RoughnessM) / Math.Log(10 / RoughnessM);
}

/// <summary>
/// Everything about a cast that does not depend on how it is made: line and leader, fly, rod, caster, day. Immutable; made once and
/// simulated many times.
/// </summary>
public sealed class CastSetup
{
    /// <summary>Loop a heavy, paired or split-shot rig needs, metres. Common practice.</summary>
    public const double OpenLoopM = 1.2;

    // Friction in the guides by thickness of the line in them: bare mono, thin coated, ordinary running line, thick body.
    private static readonly double[] GuideThickM = [.0006, .0008, .0010, .0014],
        GuideN = [.01, .0225, .03, .05];

    /// <summary>
    /// Throws <see cref="ArgumentException"/> for a negative fly, a rod tip at or under the water or a standard mass that is not
    /// positive.
    /// </summary>
    public CastSetup(
        LineInAir line,
        double headM,
        double flyKg,
        double flyAreaM2,
        bool openLoop,
        double rodTipKg,
        double standardKg,
        Caster caster,
        CastDay day
    )
    {
        if (!(flyKg >= 0) || !(flyAreaM2 >= 0))
            throw new ArgumentException("A fly has no negative mass or bulk.", nameof(flyKg));
        if (!(day.TipHeightM > 0))
            throw new ArgumentException("The rod tip must be above the water.", nameof(day));
        if (!(standardKg > 0))
            throw new ArgumentException("The rod needs a class.", nameof(standardKg));
        (Line, HeadM, FlyKg, FlyAreaM2, RodTipKg, StandardKg, Caster, Day) = (
            line,
            headM,
            flyKg,
            flyAreaM2,
            rodTipKg,
            standardKg,
            caster,
            day
        );
        this.openLoop = openLoop;
        LoopM = openLoop ? Math.Max(caster.LoopM, OpenLoopM) : caster.LoopM;
    }

    /// <summary>
    /// The cast of a brief with this rod, line and leader; the fly, the caster and the day come from the brief. Needs a line of known
    /// mass.
    /// </summary>
    public static CastSetup For(Brief brief, Rod rod, FlyLine line, Leader leader)
    {
        var window = rod.WindowClass ?? LineWeights.ClassOf((line.MassKg ?? 0) * Exact.ThirtyFeetM / line.HeadM);
        // Heavy, paired and split-shot rigs need an open loop.
        var open = brief.Fly.Kind.Weighted || brief.Fly.WetKg > .004;
        return new(
            LineInAir.From(line, leader),
            line.HeadM,
            brief.Fly.WetKg,
            brief.Fly.AreaM2,
            open,
            TipOf(rod, window),
            LineWeights.MassKg(window),
            brief.Caster,
            CastDay.From(brief, rod.LengthM)
        );
    }

    /// <summary>The same cast in another wind: m/s in the face and from the right, at 10 m.</summary>
    public CastSetup In(double headwindMps, double crosswindMps) =>
        With(Caster, Day with { HeadwindMps = headwindMps, CrosswindMps = crosswindMps });

    /// <summary>The same cast by somebody else.</summary>
    public CastSetup By(Caster caster) => With(caster, Day);

    // The loop is computed anew: an open-loop rig remains one.
    private CastSetup With(Caster caster, CastDay day) => new(Line, HeadM, FlyKg, FlyAreaM2, openLoop, RodTipKg, StandardKg, caster, day);

    private readonly bool openLoop;

    /// <summary>Leader and line.</summary>
    public LineInAir Line { get; }

    /// <summary>Length of the head, metres.</summary>
    public double HeadM { get; }

    /// <summary>Wet fly, kilograms.</summary>
    public double FlyKg { get; }

    /// <summary>Fly drag area Cd·A, square metres.</summary>
    public double FlyAreaM2 { get; }

    /// <summary>Effective mass of the rod's tip, kilograms.</summary>
    public double RodTipKg { get; }

    /// <summary>Standard mass of the class the rod's window is built on, kilograms.</summary>
    public double StandardKg { get; }

    /// <summary>The caster.</summary>
    public Caster Caster { get; }

    /// <summary>The day.</summary>
    public CastDay Day { get; }

    /// <summary>Height of the loop before any overload opens it, metres.</summary>
    public double LoopM { get; }

    /// <summary>
    /// Longest line that can be held in the air, metres: the least of head plus overhang, the caster's carry, and the line there is.
    /// </summary>
    public double MostCarryM => Math.Max(1, Math.Min(Math.Min(HeadM + Caster.OverhangM, Caster.CarryM), Line.LengthM - Line.LeaderM));

    /// <summary>Steepest angle that the back cast leaves room for with this carry, radians, 0 or more.</summary>
    public double SteepestRad(double carryM) => Math.Asin(Math.Clamp((Day.TipHeightM - Day.ClearanceM) / (carryM + Line.LeaderM), 0, .5));

    /// <summary>Effective mass of a rod tip by class: 2 g plus 0.9 g per class. Common practice; a measured one takes precedence.</summary>
    public static double TipKg(double lineClass) => .002 + .0009 * lineClass;

    /// <summary>
    /// Effective mass of this rod's tip, kilograms: measured, or else usual for its class, or for <paramref name="lineClass"/> when its
    /// class is unknown.
    /// </summary>
    public static double TipOf(Rod rod, double lineClass) => rod.TipKg ?? TipKg(rod.Class ?? lineClass);

    /// <summary>Friction in the guides of a line this thick, newtons. Common practice.</summary>
    public static double GuidesN(double thickM) => Math.Clamp(Interpolation.Interpolate(GuideThickM, GuideN, thickM), .01, .05);
}
