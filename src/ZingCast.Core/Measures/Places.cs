namespace ZingCast.Core.Measures;

/// <summary>How many decimals people use when they say a quantity. Common practice.</summary>
/// <param name="Trade">Decimals in the trade unit.</param>
/// <param name="Metric">Decimals in the metric unit.</param>
/// <param name="AsKnown">True where it is said no finer than it is known; a reach keeps its tenths, for casts are compared by them.</param>
public sealed record Places(int Trade, int Metric, bool AsKnown = false)
{
    /// <summary>The decimals of a kind.</summary>
    public static Places Of(Kind kind) =>
        kind switch
        {
            Kind.Length => new(1, 1),
            Kind.ShortLength => new(1, 1),
            Kind.Diameter => new(3, 2),
            Kind.LineMass => new(0, 1),
            Kind.GearMass => new(1, 0),
            Kind.FishMass => new(1, 2),
            Kind.WindSpeed => new(0, 1),
            Kind.WaterSpeed => new(1, 2),
            Kind.SinkRate => new(1, 1),
            Kind.Temperature => new(0, 0),
            Kind.Angle => new(0, 0, AsKnown: true),
            Kind.Force => new(0, 1),
            Kind.Area => new(1, 1),
            Kind.LineClass => new(2, 2, AsKnown: true),
            Kind.Ratio => new(2, 2, AsKnown: true),
            Kind.Time => new(0, 0),
            Kind.LineSpeed => new(0, 1),
            Kind.Energy => new(2, 2),
            Kind.Pull => new(1, 0),
            Kind.BenchMass => new(1, 1, AsKnown: true),
            Kind.Moment => new(1, 1),
            _ => new(2, 2),
        };
}
