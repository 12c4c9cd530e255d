using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>
/// What a piece gives up when it is chosen, weighed against the other pieces: one is about a class off. Each stands here once.
/// </summary>
public static class Costs
{
    /// <summary>Source mark of all of them.</summary>
    public static readonly Source Source = Source.Assumption(
        "Weights of ours, so that the choices of experienced people come out; one is about a class off"
    );

    /// <summary>A class too light to carry the fly, beyond half of one; on top of the class itself.</summary>
    public const double TooLightAClass = 2;

    /// <summary>A foot of rod longer or shorter than the place asks for.</summary>
    public const double AFootOfRod = .6;

    /// <summary>A step of action, as from medium to medium-fast.</summary>
    public const double AStepOfAction = .35;

    /// <summary>The line so far from the load the rod likes best, per standard mass of its class.</summary>
    public const double OffItsLoad = 4;

    /// <summary>A step of density lighter than asked for, and a step heavier.</summary>
    public const double LighterDensity = 1.5,
        HeavierDensity = 1.2;

    /// <summary>A metre of head longer or shorter than wanted.</summary>
    public const double AMetreOfHead = .25;

    /// <summary>A coating for other water, and one that is not made for salt.</summary>
    public const double OtherCoating = .6,
        LineNotForSalt = .3;

    /// <summary>A line that ends before the fish.</summary>
    public const double LineTooShort = 1.5;

    /// <summary>The whole distance and a tenth missing; a tenth of that for each tenth of it.</summary>
    public const double ShortOfTheFish = 6;

    /// <summary>A spool that is too full, and all of its backing missing.</summary>
    public const double Overfull = 3,
        NoBacking = 4;

    /// <summary>A spool that is empty; less of that the nearer it is to six tenths full.</summary>
    public const double Empty = 2;

    /// <summary>A reel that nobody measured.</summary>
    public const double NobodyMeasured = 2;

    /// <summary>Once the rod's mass more or less than balances.</summary>
    public const double OutOfBalance = 1.5;

    /// <summary>A reel that salt eats.</summary>
    public const double ReelNotForSalt = 1.2;

    /// <summary>A class outside of what a reel's label says.</summary>
    public const double OffTheLabel = .4;

    /// <summary>What is saved where the line is on the reel already.</summary>
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
