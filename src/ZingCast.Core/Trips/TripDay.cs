using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Trips;

/// <summary>How much a day that cannot be fished is regretted.</summary>
public enum Regret
{
    /// <summary>Something else can be done that day.</summary>
    Little,

    /// <summary>As most days.</summary>
    Some,

    /// <summary>The day is what the trip is for.</summary>
    Great,
}

/// <summary>Words and weights of regret.</summary>
public static class RegretWords
{
    /// <summary>The words people use.</summary>
    public static string For(Regret regret) =>
        regret switch
        {
            Regret.Little => "little",
            Regret.Great => "very much",
            _ => "as any day",
        };

    /// <summary>Weight of such a day. Our assumption.</summary>
    public static double Weight(Regret regret) =>
        regret switch
        {
            Regret.Little => .5,
            Regret.Great => 2,
            _ => 1,
        };
}

/// <summary>A kind of day to come, how often, and how much a miss would hurt.</summary>
/// <param name="Name">What it is called.</param>
/// <param name="Brief">The day.</param>
/// <param name="Times">How many such days.</param>
/// <param name="Regret">How much it is missed when it cannot be fished.</param>
public sealed record TripDay(string Name, Brief Brief, int Times = 1, Regret Regret = Regret.Some)
{
    /// <summary>Limits of the number of such days.</summary>
    public static readonly Limit Often = new(1, 60, "A kind of day comes between 1 and 60 times.");

    /// <summary>Weight of these days among all.</summary>
    public double Weight => Times * RegretWords.Weight(Regret);
}

/// <summary>Pieces of the shed by id.</summary>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines.</param>
/// <param name="Reels">Reels.</param>
public sealed record Pieces(IReadOnlyList<int> Rods, IReadOnlyList<int> Lines, IReadOnlyList<int> Reels)
{
    /// <summary>None.</summary>
    public static readonly Pieces None = new([], [], []);
}

/// <summary>Limits of a kit and of spending. By default two rods and four lines on two reels.</summary>
public sealed record TripLimits
{
    /// <summary>Rods.</summary>
    public int Rods { get; init; } = 2;

    /// <summary>Lines, each on a spool.</summary>
    public int Lines { get; init; } = 4;

    /// <summary>Reels.</summary>
    public int Reels { get; init; } = 2;

    /// <summary>Mass of rods, reels and lines together, kilograms; null for no limit.</summary>
    public double? MassKg { get; init; }

    /// <summary>Inside length of the tube or bag, metres; null for no limit.</summary>
    public double? TubeM { get; init; }

    /// <summary>Budget, in the owner's currency; null for nothing.</summary>
    public double? Budget { get; init; }

    /// <summary>Expected price of a rod; an example until changed.</summary>
    public double RodPrice { get; init; } = 200;

    /// <summary>For a line.</summary>
    public double LinePrice { get; init; } = 60;

    /// <summary>For a reel.</summary>
    public double ReelPrice { get; init; } = 120;

    // Limits of the numbers of pieces.
    private static readonly Limit Count = new(1, 12, "Between 1 and 12.");

    private static readonly Limit Masses = new(.1, 30, "Gear for a trip weighs between 100 g and 30 kg.");

    /// <summary>Limits of the length of a rod tube, metres.</summary>
    public static readonly Limit Tubes = new(.2, 4.6, "A tube is between 20 cm and 4.6 m long (15 ft).");

    /// <summary>Every field with an unusable value; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Within("rods", Rods, Count)
            .Within("lines", Lines, Count)
            .Within("reels", Reels, Count)
            .Within("massKg", MassKg, Masses)
            .Within("tubeM", TubeM, Tubes)
            .Within("budget", Budget, Gear.Prices)
            .Within("rodPrice", RodPrice, Gear.Prices)
            .Within("linePrice", LinePrice, Gear.Prices)
            .Within("reelPrice", ReelPrice, Gear.Prices)
            .Problems;
}
