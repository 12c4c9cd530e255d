using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>
/// Weights of the cost function by which pieces are chosen. No unit: 1 is about as bad as one line class off. Lower is better.
/// </summary>
public static class Costs
{
    /// <summary>Source mark of all of them.</summary>
    public static readonly Source Source = Source.Assumption(
        "Weights of ours, so that the choices of experienced people come out; one is about a class off"
    );

    /// <summary>
    /// Per class by which the rod is too light to carry the fly, beyond the first half class. Added to the cost of the class.
    /// </summary>
    public const double TooLightAClass = 2;

    /// <summary>Per foot of rod length off what the place asks for.</summary>
    public const double AFootOfRod = .6;

    /// <summary>Per step of action off, such as medium against medium-fast.</summary>
    public const double AStepOfAction = .35;

    /// <summary>Per standard mass of the rod's class between the line's load and the rod's ideal load.</summary>
    public const double OffItsLoad = 4;

    /// <summary>Per step of density that the line is lighter, or heavier, than asked for.</summary>
    public const double LighterDensity = 1.5,
        HeavierDensity = 1.2;

    /// <summary>Per metre of head length off what is wanted.</summary>
    public const double AMetreOfHead = .25;

    /// <summary>A coating made for another temperature; a coating that is not rated for salt.</summary>
    public const double OtherCoating = .6,
        LineNotForSalt = .3;

    /// <summary>The whole line is more than 2 m shorter than the distance to the fish.</summary>
    public const double LineTooShort = 1.5;

    /// <summary>Times the share of the wanted distance, with a tenth in reserve, that the cast falls short by.</summary>
    public const double ShortOfTheFish = 6;

    /// <summary>
    /// A spool that cannot hold the line over the wanted backing; on top, times the share of the backing that does not fit.
    /// </summary>
    public const double Overfull = 3,
        NoBacking = 4;

    /// <summary>Per capacity of the spool by which it is filled less than <see cref="Choosing.LeastFull"/>.</summary>
    public const double Empty = 2;

    /// <summary>The spool's size is unknown.</summary>
    public const double NobodyMeasured = 2;

    /// <summary>Per unit of loaded reel over rod mass off <see cref="Reels.ReelBalance.Ideal"/>.</summary>
    public const double OutOfBalance = 1.5;

    /// <summary>A reel that is not made for salt, on a day in salt.</summary>
    public const double ReelNotForSalt = 1.2;

    /// <summary>Per class outside the range on the reel's label.</summary>
    public const double OffTheLabel = .4;

    /// <summary>Added, and negative, when the line is on the reel already.</summary>
    public const double WoundAlready = -.25;

    /// <summary>All of them by what they are for.</summary>
    public static readonly IReadOnlyList<(string Of, double Cost)> All =
    [
        ("a class off", 1),
        ("a class too light to carry the fly, beyond half of one", TooLightAClass),
        ("a foot of rod", AFootOfRod),
        ("a step of action", AStepOfAction),
        ("the standard mass off the load the rod likes", OffItsLoad),
        ("a step of density lighter", LighterDensity),
        ("a step of density heavier", HeavierDensity),
        ("a metre of head", AMetreOfHead),
        ("a coating for other water", OtherCoating),
        ("a coating that salt wears", LineNotForSalt),
        ("a line that ends before the fish", LineTooShort),
        ("the whole distance and a tenth missing", ShortOfTheFish),
        ("a spool too full", Overfull),
        ("all of its backing missing", NoBacking),
        ("an empty spool", Empty),
        ("a reel nobody measured", NobodyMeasured),
        ("the rod’s mass out of balance", OutOfBalance),
        ("a reel that salt eats", ReelNotForSalt),
        ("a class off a reel’s label", OffTheLabel),
        ("the line on the reel already", WoundAlready),
    ];
}
