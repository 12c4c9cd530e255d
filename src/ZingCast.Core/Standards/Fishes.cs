using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>What cuts or wears the end of the leader.</summary>
public enum Mouth
{
    /// <summary>Nothing special.</summary>
    Soft,

    /// <summary>Wears tippet: sandpaper mouths.</summary>
    Abrasive,

    /// <summary>Gill plates that cut.</summary>
    GillPlates,

    /// <summary>Teeth that cut.</summary>
    Teeth,
}

/// <summary>A group of fish that are planned for in the same way.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Shown name.</param>
/// <param name="UsualKg">Usual mass.</param>
/// <param name="BigKg">Mass of a big one.</param>
/// <param name="FloorLow">Lowest sensible rod class.</param>
/// <param name="FloorHigh">The class for the big ones.</param>
/// <param name="FlyDriven">True when the class comes from its flies rather than its strength.</param>
/// <param name="RunM">Planned longest run.</param>
/// <param name="RunMps">Planned burst speed.</param>
/// <param name="BackingLowM">Usual least backing.</param>
/// <param name="BackingHighM">Usual most backing.</param>
/// <param name="Mouth">What the last link must stand.</param>
/// <param name="Larger">Id of the group that outsized fish of this one are planned with; null for none.</param>
/// <param name="LeastTippetM">Thinnest tippet of any use where they are held hard, metres; 0 for none.</param>
public sealed record FishGroup(
    string Id,
    string Name,
    double UsualKg,
    double BigKg,
    double FloorLow,
    double FloorHigh,
    bool FlyDriven,
    double RunM,
    double RunMps,
    double BackingLowM,
    double BackingHighM,
    Mouth Mouth = Mouth.Soft,
    string? Larger = null,
    double LeastTippetM = 0
)
{
    // An outsized fish blends into the next larger group of its kind, between a big one and this multiple of it; a small one likewise into
    // the smaller group. Our assumption.
    private const double PassesOver = 1.5;

    /// <summary>
    /// The group as it applies to a fish of this mass: beyond a big one, or below a usual one, it blends into its larger or smaller kind.
    /// </summary>
    public FishGroup At(double fishKg)
    {
        if (fishKg > BigKg && Fishes.Group(Larger) is { } larger)
            return Toward(fishKg > larger.BigKg ? larger.At(fishKg) : larger, Math.Log(fishKg / BigKg) / Math.Log(PassesOver));
        if (fishKg < UsualKg && Fishes.Groups.FirstOrDefault(g => g.Larger == Id) is { } smaller)
            return Toward(fishKg < smaller.UsualKg ? smaller.At(fishKg) : smaller, Math.Log(UsualKg / fishKg) / Math.Log(PassesOver));
        return this;
    }

    private FishGroup Toward(FishGroup other, double t) =>
        t >= 1 ? other with { Mouth = Mouth }
        : t <= 0 ? this
        : (t < .5 ? this : other) with
        {
            UsualKg = Interpolation.Between(UsualKg, other.UsualKg, t),
            BigKg = Interpolation.Between(BigKg, other.BigKg, t),
            FloorLow = Interpolation.Between(FloorLow, other.FloorLow, t),
            FloorHigh = Interpolation.Between(FloorHigh, other.FloorHigh, t),
            RunM = Interpolation.Between(RunM, other.RunM, t),
            RunMps = Interpolation.Between(RunMps, other.RunMps, t),
            BackingLowM = Interpolation.Between(BackingLowM, other.BackingLowM, t),
            BackingHighM = Interpolation.Between(BackingHighM, other.BackingHighM, t),
            Mouth = Mouth,
        };

    /// <summary>Backing to plan for with a fish of this mass, metres.</summary>
    public double BackingM(double fishKg) =>
        Interpolation.Between(BackingLowM, BackingHighM, Interpolation.Fraction(UsualKg, BigKg, fishKg));
}

/// <summary>A fish somebody names, with where it is usually met.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Common name.</param>
/// <param name="Group">The group it is planned with.</param>
/// <param name="TypicalKg">What to expect when nothing else is said.</param>
/// <param name="Number">The class people name for it at that mass, whatever the fly.</param>
/// <param name="Salt">True for fish met in salt water.</param>
/// <param name="Salmonid">True for trout, char, grayling and salmon: warm water kills them.</param>
public sealed record Species(string Id, string Name, FishGroup Group, double TypicalKg, double Number, bool Salt, bool Salmonid = false);

/// <summary>Fish to plan for. Masses, runs and speeds are common planning values, not records.</summary>
public static class Fishes
{
    /// <summary>Source mark of both tables.</summary>
    public static readonly Source Source = new(SourceMark.Practice, "Planning values of the trade; fish do as they like");

    /// <summary>The groups.</summary>
    public static readonly IReadOnlyList<FishGroup> Groups =
    [
        new("stream-trout", "small-stream trout, char, grayling", .1, .7, 2, 2, false, 10, 1.5, 20, 40, Larger: "trout"),
        new("trout", "river and lake trout", .5, 3, 3, 4, false, 40, 3, 50, 75, Larger: "salmon"),
        new("panfish", "perch, panfish", .1, 1, 2, 2, false, 5, 1, 20, 40),
        new("bass", "black bass", .5, 3, 6, 6, false, 10, 2, 50, 50),
        new("chub", "chub, ide", .5, 3, 4, 5, false, 10, 2, 50, 50),
        new("sea-trout", "sea trout", 1, 6, 6, 7, false, 60, 4, 100, 100),
        new("carp", "carp, barbel", 2, 10, 7, 7, false, 80, 3, 100, 100),
        new("pike", "pike, zander", 1, 12, 8, 8, true, 20, 3, 75, 75, Mouth.Teeth),
        new("giant-esox", "giant esox", 5, 20, 10, 10, true, 15, 4, 75, 75, Mouth.Teeth),
        new("salmon", "coho-size salmon, steelhead", 2, 7, 7, 8, false, 100, 5, 150, 150, Larger: "big-salmon"),
        new("big-salmon", "big salmon", 7, 18, 9, 10, false, 150, 5, 200, 200),
        new("bonefish", "bonefish", 1, 4, 7, 8, false, 120, 8, 180, 200),
        new("mullet", "mullet", .5, 3, 5, 6, false, 60, 4, 100, 140),
        new("redfish", "redfish, drum, barramundi", 1, 12, 8, 8, false, 50, 4, 180, 180),
        new("school-bass", "school striped and sea bass", .5, 4.5, 7, 7, false, 30, 3, 150, 150, Larger: "big-bass"),
        new("big-bass", "big sea bass", 9, 18, 9, 10, false, 80, 4, 200, 200),
        new("tunny", "little tunny, bonito", 2, 7, 8, 9, false, 150, 10, 250, 250),
        new("permit", "permit-like", 3, 15, 9, 9, false, 150, 8, 230, 230),
        new("small-tarpon", "small tarpon, snook", 2, 15, 8, 9, false, 60, 6, 200, 200, Mouth.Abrasive, "big-tarpon"),
        new("big-tarpon", "big tarpon", 20, 60, 11, 12, false, 200, 8, 275, 275, Mouth.Abrasive),
        new("small-trevally", "small trevally", 2, 8, 8, 9, false, 120, 7, 200, 200, Mouth.Abrasive, "big-trevally"),
        new("big-trevally", "giant trevally", 10, 40, 11, 12, false, 200, 7, 275, 275, Mouth.Abrasive, LeastTippetM: .55e-3),
        new("cutting-teeth", "bluefish, barracuda and the like", 1, 10, 8, 9, false, 60, 7, 180, 180, Mouth.Teeth),
        new("bluewater", "bluewater", 15, 100, 13, 15, false, 350, 12, 400, 400, Mouth.Abrasive, LeastTippetM: .6e-3),
    ];

    private static FishGroup G(string id) => Group(id)!;

    /// <summary>The group with this id, or null.</summary>
    public static FishGroup? Group(string? id) => Groups.FirstOrDefault(g => g.Id == id);

    /// <summary>The species that can be named in a brief.</summary>
    public static readonly IReadOnlyList<Species> All =
    [
        new("grayling", "grayling", G("stream-trout"), .35, 4, false, true),
        new("brook-trout", "small-stream trout", G("stream-trout"), .25, 3, false, true),
        new("char", "char", G("stream-trout"), .4, 3, false, true),
        new("river-trout", "river trout", G("trout"), .8, 5, false, true),
        new("lake-trout", "stillwater trout", G("trout"), 1.2, 6, false, true),
        new("perch", "perch", G("panfish"), .5, 5, false),
        new("panfish", "panfish", G("panfish"), .25, 4, false),
        new("chub", "chub, ide", G("chub"), 1.2, 5, false),
        new("black-bass", "black bass", G("bass"), 1.2, 7, false),
        new("sea-trout", "sea trout", G("sea-trout"), 2, 7, false, true),
        new("carp", "carp", G("carp"), 4.5, 7.5, false),
        new("barbel", "barbel", G("carp"), 3, 7, false),
        new("pike", "pike", G("pike"), 3.5, 9, false),
        new("zander", "zander", G("pike"), 2, 8, false),
        new("giant-esox", "giant esox", G("giant-esox"), 9, 11, false),
        new("steelhead", "steelhead", G("salmon"), 4, 8, false, true),
        new("coho", "coho salmon", G("salmon"), 4, 8, false, true),
        new("salmon", "big salmon", G("big-salmon"), 9, 9, false, true),
        new("bonefish", "bonefish", G("bonefish"), 2, 8, true),
        new("mullet", "mullet", G("mullet"), 1.4, 6, true),
        new("redfish", "redfish, drum", G("redfish"), 3.5, 8, true),
        new("barramundi", "barramundi", G("redfish") with { Mouth = Mouth.GillPlates }, 4, 9, true),
        new("sea-bass", "sea bass", G("school-bass"), 1.8, 8, true),
        new("striped-bass", "striped bass", G("school-bass"), 2.5, 8, true),
        new("big-bass", "big sea bass", G("big-bass"), 10, 9.5, true),
        new("pollack", "pollack", G("school-bass"), 1.5, 8, true),
        new("garfish", "garfish", G("trout"), .5, 6, true),
        new("bonito", "bonito, little tunny", G("tunny"), 3.5, 9, true),
        new("permit", "permit", G("permit"), 6, 9.5, true),
        new("snook", "snook", G("small-tarpon"), 4, 8.5, true),
        new("small-tarpon", "small tarpon", G("small-tarpon"), 7, 9, true),
        new("big-tarpon", "big tarpon", G("big-tarpon"), 35, 12, true),
        new("small-trevally", "small trevally", G("small-trevally"), 4, 9, true),
        new("trevally", "giant trevally", G("big-trevally"), 22, 12, true),
        new("bluefish", "bluefish, barracuda", G("cutting-teeth"), 3.5, 9, true),
        new("bluewater", "bluewater fish", G("bluewater"), 30, 13, true),
    ];

    /// <summary>The species with this id, or null.</summary>
    public static Species? Find(string? id) => All.FirstOrDefault(s => s.Id == id);
}
