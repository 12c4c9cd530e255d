using ZingCast.Core.Measures;

namespace ZingCast.Core.Briefs;

/// <summary>
/// The day as a person described it. Every field may be left out; <see cref="Brief.Complete"/> fills in the rest. SI units.
/// </summary>
public sealed record BriefDraft
{
    /// <summary>Fly family id.</summary>
    public string? FlyKind { get; init; }

    /// <summary>Hook size number on the scale of <see cref="HookSize"/> (12 is #12, 0 is 1/0, −1 is 2/0).</summary>
    public int? HookSize { get; init; }

    /// <summary>Soaked mass of the fly when weighed, kilograms.</summary>
    public double? FlyWetKg { get; init; }

    /// <summary>Length over all of a fly that is measured by length, metres; its hook follows from it where none is named.</summary>
    public double? FlyLengthM { get; init; }

    /// <summary>Species id.</summary>
    public string? Species { get; init; }

    /// <summary>Mass of fish expected, kilograms.</summary>
    public double? FishKg { get; init; }

    /// <summary>Kind of water.</summary>
    public Water? Water { get; init; }

    /// <summary>Cover about the caster.</summary>
    public Cover? Cover { get; init; }

    /// <summary>Stance.</summary>
    public Stance? Stance { get; init; }

    /// <summary>Depth the fly should fish at, metres.</summary>
    public double? DepthM { get; init; }

    /// <summary>Current, m/s.</summary>
    public double? CurrentMps { get; init; }

    /// <summary>Water temperature, °C.</summary>
    public double? WaterC { get; init; }

    /// <summary>Salt water.</summary>
    public bool? Salt { get; init; }

    /// <summary>In the dark.</summary>
    public bool? Night { get; init; }

    /// <summary>Wind speed at 10 m, m/s.</summary>
    public double? WindMps { get; init; }

    /// <summary>Where the wind comes from against the cast: 0 in the face, 90 from the right, 180 from behind, 270 from the left.</summary>
    public double? WindFromDeg { get; init; }

    /// <summary>Rod tip to fly, metres.</summary>
    public double? DistanceM { get; init; }

    /// <summary>Wariness.</summary>
    public Wariness? Wariness { get; init; }

    /// <summary>Caster preset id.</summary>
    public string? Caster { get; init; }

    /// <summary>The person's own line speed instead of the preset's, m/s with nothing on the rod.</summary>
    public double? CasterFreeMps { get; init; }

    /// <summary>The person's own loop instead of the preset's, metres high.</summary>
    public double? CasterLoopM { get; init; }

    /// <summary>The person's own longest carry instead of the preset's, metres.</summary>
    public double? CasterCarryM { get; init; }

    /// <summary>Casting hand.</summary>
    public Hand? Hand { get; init; }

    /// <summary>School.</summary>
    public School? School { get; init; }

    /// <summary>Lean.</summary>
    public Lean? Lean { get; init; }

    /// <summary>Whose gear.</summary>
    public Owned? Owned { get; init; }

    /// <summary>What was typed, by field, such as "18 m" for distanceM; fields that were dragged or picked are not in it.</summary>
    public IReadOnlyDictionary<string, string>? Said { get; init; }

    /// <summary>Kind and number of a field that can be typed, by its name in the contract; null when it is none.</summary>
    public (Kind Kind, double? Value)? Typed(string field) =>
        field switch
        {
            "flyWetKg" => (Kind.LineMass, FlyWetKg),
            "flyLengthM" => (Kind.ShortLength, FlyLengthM),
            "fishKg" => (Kind.FishMass, FishKg),
            "depthM" => (Kind.Depth, DepthM),
            "currentMps" => (Kind.WaterSpeed, CurrentMps),
            "waterC" => (Kind.Temperature, WaterC),
            "windMps" => (Kind.WindSpeed, WindMps),
            "windFromDeg" => (Kind.Angle, WindFromDeg),
            "distanceM" => (Kind.Distance, DistanceM),
            "casterFreeMps" => (Kind.LineSpeed, CasterFreeMps),
            "casterLoopM" => (Kind.Length, CasterLoopM),
            "casterCarryM" => (Kind.Distance, CasterCarryM),
            _ => null,
        };
}

/// <summary>
/// Ranges of the values that can be dragged in drawings; typed values have the same limits. SI: metres, m/s, degrees against the cast.
/// </summary>
public sealed record BriefLimits(Spread DepthM, Spread WindMps, Spread WindFromDeg, Spread DistanceM)
{
    /// <summary>The ends themselves.</summary>
    public static readonly BriefLimits Handled = new(new(0, 30), new(0, 40), new(0, 360), new(2, 60));
}
