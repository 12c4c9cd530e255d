namespace ZingCast.Core.Measures;

/// <summary>What a number stands for: decides the units in which it is read and shown. The SI unit is given for each.</summary>
public enum Kind
{
    /// <summary>A length of line or of anything else that is taped, metres.</summary>
    Length,

    /// <summary>How far away a fish is, and how far a cast goes, metres.</summary>
    Distance,

    /// <summary>Line held in the air, metres; known to half a foot.</summary>
    Carry,

    /// <summary>Length of a rod or a leader, metres; said in feet and inches.</summary>
    RodLength,

    /// <summary>Length of backing and of a run that takes it, metres; said in yards.</summary>
    Spooled,

    /// <summary>Length left on a spool of leader material, metres; in whole yards, rounded down.</summary>
    LeftOnSpool,

    /// <summary>How deep, metres.</summary>
    Depth,

    /// <summary>A length held against a ruler, metres.</summary>
    ShortLength,

    /// <summary>A measure of a spool, metres; read in inches or millimetres.</summary>
    SpoolSize,

    /// <summary>A thickness of line or tippet, metres.</summary>
    Diameter,

    /// <summary>Thickness of tippet, metres; said as an X number where it is one.</summary>
    Tippet,

    /// <summary>Mass of line or of a fly, kilograms; read in grains or grams.</summary>
    LineMass,

    /// <summary>Mass of gear, kilograms; read in ounces or grams.</summary>
    GearMass,

    /// <summary>Mass of a fish, kilograms; read in pounds or kilograms.</summary>
    FishMass,

    /// <summary>Air speed, metres per second.</summary>
    WindSpeed,

    /// <summary>Water speed, metres per second.</summary>
    WaterSpeed,

    /// <summary>Sink rate, metres per second; read in inches per second.</summary>
    SinkRate,

    /// <summary>Temperature, degrees Celsius.</summary>
    Temperature,

    /// <summary>Angle, degrees.</summary>
    Angle,

    /// <summary>Breaking or pulling force, newtons; read in pounds or kilograms.</summary>
    Force,

    /// <summary>Frontal drag area Cd·A, square metres.</summary>
    Area,

    /// <summary>Line weight number; no unit.</summary>
    LineClass,

    /// <summary>Share or ratio; no unit.</summary>
    Ratio,

    /// <summary>Time, seconds.</summary>
    Time,

    /// <summary>Speed of the line in the air, metres per second.</summary>
    LineSpeed,

    /// <summary>Energy, joules.</summary>
    Energy,

    /// <summary>A pull too small for pounds, newtons; read in ounces or grams of weight.</summary>
    Pull,

    /// <summary>What a bench scale shows, kilograms; grams in either system.</summary>
    BenchMass,

    /// <summary>Turning moment at the hand, newton metres.</summary>
    Moment,
}

/// <summary>A number in SI, what it stands for and, when known, its uncertainty.</summary>
/// <param name="Value">SI value, finite.</param>
/// <param name="Kind">What the number stands for.</param>
/// <param name="PlusMinus">Half-width of the interval it is believed to lie in, same unit; null when exact or not stated.</param>
public readonly record struct Quantity(double Value, Kind Kind, double? PlusMinus = null)
{
    /// <summary>Length in metres.</summary>
    public static Quantity Length(double metres, double? plusMinus = null) => new(metres, Kind.Length, plusMinus);

    /// <summary>Distance of a fish or a cast in metres.</summary>
    public static Quantity Distance(double metres, double? plusMinus = null) => new(metres, Kind.Distance, plusMinus);

    /// <summary>Line held in the air in metres.</summary>
    public static Quantity Carry(double metres) => new(metres, Kind.Carry);

    /// <summary>Length of a rod or a leader in metres.</summary>
    public static Quantity RodLength(double metres) => new(metres, Kind.RodLength);

    /// <summary>Length of backing in metres.</summary>
    public static Quantity Spooled(double metres) => new(metres, Kind.Spooled);

    /// <summary>Depth in metres.</summary>
    public static Quantity Depth(double metres) => new(metres, Kind.Depth);

    /// <summary>Ruler length in metres.</summary>
    public static Quantity Short(double metres) => new(metres, Kind.ShortLength);

    /// <summary>A measure of a spool in metres.</summary>
    public static Quantity SpoolSize(double metres) => new(metres, Kind.SpoolSize);

    /// <summary>Thickness in metres.</summary>
    public static Quantity Diameter(double metres) => new(metres, Kind.Diameter);

    /// <summary>Thickness of tippet in metres.</summary>
    public static Quantity Tippet(double metres) => new(metres, Kind.Tippet);

    /// <summary>Line or fly mass in kilograms.</summary>
    public static Quantity LineMass(double kg, double? plusMinus = null) => new(kg, Kind.LineMass, plusMinus);

    /// <summary>Gear mass in kilograms.</summary>
    public static Quantity Gear(double kg) => new(kg, Kind.GearMass);

    /// <summary>Fish mass in kilograms.</summary>
    public static Quantity Fish(double kg) => new(kg, Kind.FishMass);

    /// <summary>Wind in metres per second.</summary>
    public static Quantity Wind(double mps) => new(mps, Kind.WindSpeed);

    /// <summary>Line class.</summary>
    public static Quantity Class(double number, double? plusMinus = null) => new(number, Kind.LineClass, plusMinus);

    /// <summary>Ratio.</summary>
    public static Quantity Ratio(double ratio, double? plusMinus = null) => new(ratio, Kind.Ratio, plusMinus);

    /// <summary>Force in newtons.</summary>
    public static Quantity Force(double newtons) => new(newtons, Kind.Force);
}

/// <summary>Both ends of a range, in the unit of its name.</summary>
/// <param name="Low">Lower end.</param>
/// <param name="High">Upper end, not below the lower.</param>
public readonly record struct Spread(double Low, double High)
{
    /// <summary>The range between two values in either order.</summary>
    public static Spread Between(double a, double b) => new(Math.Min(a, b), Math.Max(a, b));
}
