namespace ZingCast.Core.Measures;

/// <summary>How the number of a form is written.</summary>
public enum Shape
{
    /// <summary>A number and its unit: "55 ft".</summary>
    Plain,

    /// <summary>Feet, and inches where there are any: "9 ft", "8'6\"".</summary>
    FeetInches,

    /// <summary>An X number where the thickness is one, else inches: "4X", "0.016 in".</summary>
    XNumber,

    /// <summary>The force of the wind whose band the number lies in: "F4".</summary>
    Beaufort,
}

/// <summary>Resolution of a number: from this value on, in the form's unit, it is rounded to whole steps of this size.</summary>
public readonly record struct Step(double From, double Of);

/// <summary>One way in which people write a quantity. SI = number × scale + offset.</summary>
/// <param name="Unit">The unit as it is written; empty where there is none.</param>
/// <param name="Scale">One of the unit in SI.</param>
/// <param name="Steps">How finely it is said, from zero up; never empty. A drag moves by the same steps.</param>
/// <param name="Offset">SI value of zero in this unit.</param>
/// <param name="Shape">How it is written.</param>
/// <param name="Nought">The word for none of it, where there is one.</param>
/// <param name="Down">Said as the step below, so that nobody counts on what is not there.</param>
public sealed record Form(
    string Unit,
    double Scale,
    IReadOnlyList<Step> Steps,
    double Offset = 0,
    Shape Shape = Shape.Plain,
    string? Nought = null,
    bool Down = false
);

/// <summary>How anglers express one kind of quantity.</summary>
/// <param name="Trade">Where people count in feet and grains.</param>
/// <param name="Metric">Where they count in metres and grams.</param>
/// <param name="ByChoice">What a reader may choose instead; empty for most.</param>
/// <param name="AsKnown">True where it is said no finer than it is known.</param>
public sealed record Custom(Form Trade, Form Metric, IReadOnlyList<Form> ByChoice, bool AsKnown = false);

/// <summary>
/// The customary form of each kind of quantity: rods in feet and inches, backing in yards, fishing distance in whole feet or half metres,
/// wind in whole knots. Common practice, no source.
/// </summary>
public static class Customary
{
    private static readonly Form Feet = new("ft", Exact.FootM, [new(0, .05), new(1, .1), new(100, 1)]),
        Metres = new("m", 1, [new(0, .01), new(1, .1), new(100, 1)]),
        Knots = new("kn", Exact.KnotMps, [new(0, 1)], Nought: "calm"),
        MetresPerSecond = new("m/s", 1, [new(0, .5)], Nought: "calm"),
        Thousandths = new("in", Exact.InchM, [new(0, .001)]),
        Hundredths = new("mm", .001, [new(0, .01)]),
        Grams = new("g", .001, [new(0, .1)]);

    private static readonly Form[] Winds =
    [
        Knots,
        new("mph", Exact.MphMps, [new(0, 1)], Nought: "calm"),
        MetresPerSecond,
        new("Beaufort", 1, [new(0, 1)], Shape: Shape.Beaufort, Nought: "calm"),
    ];

    private static readonly Form[] BenchWeights = [Grams, new("gr", Exact.GrainKg, [new(0, 1)]), new("oz", Exact.OunceKg, [new(0, .01)])];

    private static readonly Dictionary<Kind, Custom> Table = Enum.GetValues<Kind>().ToDictionary(kind => kind, Describe);

    /// <summary>How a kind is expressed.</summary>
    public static Custom For(Kind kind) => Table[kind];

    private static Custom Describe(Kind kind) =>
        kind switch
        {
            Kind.Length => new(Feet, Metres, []),
            Kind.Distance => new(Feet with { Steps = [new(0, .5), new(10, 1)] }, Metres with { Steps = [new(0, .1), new(2, .5)] }, []),
            Kind.Carry => new(Feet with { Steps = [new(0, .5)] }, Metres with { Steps = [new(0, .1)] }, []),
            Kind.RodLength => new(
                Feet with
                {
                    Steps = [new(0, 1 / 12.0)],
                    Shape = Shape.FeetInches,
                },
                Metres with
                {
                    Steps = [new(0, .05)],
                },
                []
            ),
            Kind.Spooled => new(
                new("yd", Exact.YardM, [new(0, 1), new(20, 5), new(100, 10)]),
                Metres with
                {
                    Steps = [new(0, 1), new(20, 5), new(100, 10)],
                },
                []
            ),
            Kind.LeftOnSpool => new(new("yd", Exact.YardM, [new(0, 1)], Down: true), Metres with { Steps = [new(0, 1)], Down = true }, []),
            Kind.Depth => new(
                Feet with
                {
                    Steps = [new(0, .5)],
                    Nought = "surface",
                },
                Metres with
                {
                    Steps = [new(0, .1)],
                    Nought = "surface",
                },
                []
            ),
            Kind.ShortLength => new(new("in", Exact.InchM, [new(0, .1), new(9, .5)]), new("cm", .01, [new(0, .1), new(20, .5)]), []),
            Kind.SpoolSize => new(new("in", Exact.InchM, [new(0, .01), new(1, .05)]), new("mm", .001, [new(0, .1), new(4, .5)]), []),
            Kind.Diameter => new(Thousandths, Hundredths, []),
            Kind.Tippet => new(Thousandths with { Shape = Shape.XNumber }, Hundredths, []),
            Kind.LineMass => new(
                new("gr", Exact.GrainKg, [new(0, .01), new(1, .1), new(10, 1)]),
                Grams with
                {
                    Steps = [new(0, .01), new(1, .1)],
                },
                []
            ),
            Kind.GearMass => new(new("oz", Exact.OunceKg, [new(0, .1)]), Grams with { Steps = [new(0, 1)] }, []),
            Kind.FishMass => new(
                new("lb", Exact.PoundKg, [new(0, .05), new(1, .1), new(2, .5), new(20, 1), new(60, 5)]),
                new("kg", 1, [new(0, .05), new(1, .1), new(5, .5), new(20, 1)]),
                []
            ),
            Kind.WindSpeed => new(Knots, MetresPerSecond, Winds),
            Kind.WaterSpeed => new(
                new("ft/s", Exact.FootM, [new(0, .1), new(1, .5)], Nought: "still"),
                MetresPerSecond with
                {
                    Steps = [new(0, .05), new(1, .1)],
                    Nought = "still",
                },
                []
            ),
            Kind.SinkRate => new(new("in/s", Exact.InchM, [new(0, .1)]), new("cm/s", .01, [new(0, .1), new(10, 1)]), []),
            Kind.Temperature => new(new("°F", 1 / 1.8, [new(0, 1)], -32 / 1.8), new("°C", 1, [new(0, 1)]), []),
            Kind.Angle => Both(new("°", 1, [new(0, 1)]), asKnown: true),
            Kind.Force => new(
                new("lb", Exact.PoundForceN, [new(0, .01), new(.1, .1), new(5, .5), new(10, 1)]),
                new("kg", Exact.GravityMps2, [new(0, .01), new(1, .1)]),
                [
                    new("oz", Exact.GravityMps2 * Exact.OunceKg, [new(0, .5), new(20, 1)]),
                    new("g", Exact.GravityMps2 / 1000, [new(0, 5), new(200, 10)]),
                ]
            ),
            Kind.Area => Both(new("cm²", 1e-4, [new(0, .01), new(1, .1)])),
            Kind.LineClass => Both(new("#", 1, [new(0, .1)]), asKnown: true),
            Kind.Ratio => Both(new("", 1, [new(0, .01)]), asKnown: true),
            Kind.Time => Both(new("s", 1, [new(0, .01), new(10, 1)])),
            Kind.LineSpeed => new(new("ft/s", Exact.FootM, [new(0, 1)]), new("m/s", 1, [new(0, .1)]), []),
            Kind.Energy => Both(new("J", 1, [new(0, .01)])),
            Kind.Pull => new(
                new("oz", Exact.GravityMps2 * Exact.OunceKg, [new(0, .1)]),
                new("g", Exact.GravityMps2 / 1000, [new(0, 1)]),
                []
            ),
            Kind.BenchMass => new(Grams, Grams, BenchWeights, AsKnown: true),
            Kind.Moment => Both(new("N·m", 1, [new(0, .1)])),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "No such kind."),
        };

    /// <summary>
    /// The form in which a reader sees a kind: the one chosen by its unit where there is a choice, otherwise the one of the unit system.
    /// </summary>
    public static Form For(Kind kind, bool metric, string? chosen = null)
    {
        var custom = For(kind);
        return custom.ByChoice.FirstOrDefault(f => f.Unit == chosen) ?? (metric ? custom.Metric : custom.Trade);
    }

    private static Custom Both(Form form, bool asKnown = false) => new(form, form, [], asKnown);
}
