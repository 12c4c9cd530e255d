using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Logbook;

/// <summary>A measured cast.</summary>
/// <param name="DistanceM">Rod tip to fly, metres.</param>
/// <param name="By">How that was found.</param>
/// <param name="CarryM">Line held in the air before it was let go, metres; null when nobody looked: taken as the whole head.</param>
/// <param name="WindMps">Wind of that cast, m/s; null for the wind of the day.</param>
/// <param name="WindFromDeg">Where it came from, degrees of the cast; null as on the day.</param>
/// <param name="AllOut">As far as the person could; else it was as far as the fish, and says only that it can be had.</param>
/// <param name="Turned">How it came down.</param>
/// <param name="Feel">How the rod felt; null when nobody said.</param>
public sealed record LoggedCast(
    double DistanceM,
    DistanceBy By = DistanceBy.Paced,
    double? CarryM = null,
    double? WindMps = null,
    double? WindFromDeg = null,
    bool AllOut = false,
    TurnedOver Turned = TurnedOver.Straight,
    Feel? Feel = null
);

/// <summary>Fish landed.</summary>
/// <param name="Count">How many alike.</param>
/// <param name="Species">Species id; null for the fish of the day.</param>
/// <param name="Kg">What one weighed, kilograms.</param>
/// <param name="LengthM">How long it was, metres.</param>
/// <param name="FightS">How long it took to land, seconds.</param>
/// <param name="Released">It went back.</param>
public sealed record LoggedFish(
    int Count = 1,
    string? Species = null,
    double? Kg = null,
    double? LengthM = null,
    double? FightS = null,
    bool Released = true
);

/// <summary>A loss and its cause.</summary>
/// <param name="Cause">Why.</param>
/// <param name="Count">How often.</param>
/// <param name="What">What went, in the person's own words.</param>
public sealed record Loss(LossCause Cause, int Count = 1, string? What = null);

/// <summary>Throws at a ring.</summary>
/// <param name="DistanceM">To the middle of the ring, metres.</param>
/// <param name="Throws">How many.</param>
/// <param name="Hits">How many came down in it.</param>
public sealed record RingRound(double DistanceM, int Throws, int Hits);

/// <summary>A day or an hour with one outfit, on the water or on grass.</summary>
public sealed record Outing : Kept
{
    /// <summary>A unique key, so that an entry made on another device is stored only once.</summary>
    public required string Key { get; init; }

    /// <summary>The day.</summary>
    public required DateOnly On { get; init; }

    /// <summary>Fishing or practice.</summary>
    public OutingKind Kind { get; init; }

    /// <summary>Name of the place, in the person's own words.</summary>
    public string Place
    {
        get;
        init => field = PlainText.Clean(value) ?? "";
    } = "";

    /// <summary>Duration, hours; null when unknown.</summary>
    public double? Hours { get; init; }

    /// <summary>The brief it followed.</summary>
    public int? BriefId { get; init; }

    /// <summary>Who cast: the id of a caster.</summary>
    public string Caster { get; init; } = Casters.Usual.Id;

    /// <summary>The rod.</summary>
    public int? RodId { get; init; }

    /// <summary>The line.</summary>
    public int? LineId { get; init; }

    /// <summary>The reel.</summary>
    public int? ReelId { get; init; }

    /// <summary>The kept leader it was on.</summary>
    public int? LeaderId { get; init; }

    /// <summary>Length of the leader, metres; null for what the day asks for.</summary>
    public double? LeaderM { get; init; }

    /// <summary>Tippet, metres thick; null for what the day asks for.</summary>
    public double? TippetM
    {
        get;
        // Rounded to the precision at which it is written in files.
        init => field = value is { } v ? Math.Round(v, 7) : null;
    }

    /// <summary>Fly family.</summary>
    public string? FlyKind { get; init; }

    /// <summary>Hook number on the scale of <see cref="HookSize"/>.</summary>
    public int? HookSize { get; init; }

    /// <summary>Fish that was meant.</summary>
    public string? Species { get; init; }

    /// <summary>Kind of water.</summary>
    public Water? Water { get; init; }

    /// <summary>What stood behind.</summary>
    public Cover? Cover { get; init; }

    /// <summary>Where the person stood.</summary>
    public Stance? Stance { get; init; }

    /// <summary>Salt water.</summary>
    public bool Salt { get; init; }

    /// <summary>Water temperature, °C.</summary>
    public double? WaterC { get; init; }

    /// <summary>Wind of the day at 10 m, m/s.</summary>
    public double? WindMps { get; init; }

    /// <summary>Where it came from against the cast, degrees.</summary>
    public double? WindFromDeg { get; init; }

    /// <summary>Casts that were measured.</summary>
    public IReadOnlyList<LoggedCast> Casts { get; init; } = [];

    /// <summary>How the rod felt over the day.</summary>
    public Feel? Feel { get; init; }

    /// <summary>Fish landed.</summary>
    public IReadOnlyList<LoggedFish> Fish { get; init; } = [];

    /// <summary>What was lost.</summary>
    public IReadOnlyList<Loss> Losses { get; init; } = [];

    /// <summary>Knots that the wind, or the loop, tied into the leader.</summary>
    public int WindKnots { get; init; }

    /// <summary>What hit the ground.</summary>
    public IReadOnlyList<DroppedPiece> Dropped { get; init; } = [];

    /// <summary>What was practised.</summary>
    public Drill? Drill { get; init; }

    /// <summary>Throws at rings.</summary>
    public IReadOnlyList<RingRound> Rings { get; init; } = [];

    /// <summary>Anything worth knowing.</summary>
    public string? Note
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>Most entries in each list of an outing.</summary>
    public const int Most = 60;

    /// <summary>A new unique key.</summary>
    public static string NewKey() => Guid.NewGuid().ToString("N");

    /// <summary>Fish landed, in all.</summary>
    public int Landed => Fish.Sum(f => f.Count);

    /// <summary>Times something was lost, in all.</summary>
    public int Lost => Losses.Sum(l => l.Count);

    /// <summary>The conditions of a cast as a brief; nobody wades on grass. <paramref name="cast"/> null for the day as a whole.</summary>
    public BriefDraft Day(LoggedCast? cast = null) =>
        new()
        {
            FlyKind = FlyKind,
            HookSize = HookSize,
            Species = Species,
            Water = Water,
            Cover = Cover,
            Stance = Kind == OutingKind.Grass ? Briefs.Stance.Bank : Stance,
            Salt = Salt,
            WaterC = WaterC,
            WindMps = cast?.WindMps ?? WindMps,
            WindFromDeg = cast?.WindFromDeg ?? WindFromDeg,
            Caster = Caster,
            DistanceM = cast?.DistanceM,
        };

    /// <summary>
    /// The cast, to be simulated with this rod and line; null when the rod's class or the line's mass is unknown. The leader is the kept
    /// one, or one of the noted length and tippet, or what the day asks for.
    /// </summary>
    public CastSetup? Setup(LoggedCast? cast, Rod? rod, FlyLine? line, TiedLeader? tied, IReadOnlyList<Caster> casters)
    {
        if (rod?.Class is null || line?.MassKg is null)
            return null;
        var brief = Brief.Complete(Day(cast), casters);
        var leader = tied?.Leader ?? Tackle.For(brief, Pins.None with { LeaderM = LeaderM, TippetM = TippetM }).LeaderOn(line);
        return CastSetup.For(brief, rod, line, leader);
    }

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() => Check(DateOnly.MaxValue.AddDays(-1));

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check(DateOnly today)
    {
        var check = new FieldCheck()
            .Must("key", Key is { Length: >= 8 and <= 64 } && Key.All(char.IsAsciiLetterOrDigit), "This entry has no key of its own.")
            .Day("on", On, today)
            .Text("place", Place, 80, optional: true)
            .Text("note", Note, 2000, optional: true, lines: true)
            .Range("hours", Hours, 0, 24, "A day has 24 hours.")
            .Within("leaderM", LeaderM, Leader.Lengths)
            .Within("tippetM", TippetM, Tippets.Limits)
            .Range("windKnots", WindKnots, 0, 99, "Up to 99 wind knots; then it is time for another leader.")
            .Must("caster", Casters.CouldBe(Caster), "Pick a caster from the list.")
            .Must("casts", Casts.Count <= Most, $"Note {Most} casts at most with one outing.")
            .Must("fish", Fish.Count <= Most, $"Note {Most} kinds of fish at most with one outing.")
            .Must("losses", Losses.Count <= Most, $"Note {Most} losses at most with one outing.")
            .Must("rings", Rings.Count <= Most, $"Note {Most} rounds at most with one outing.")
            .Must("dropped", Dropped.Count == Dropped.Distinct().Count(), "Each piece is named once.");
        return
        [
            .. check.Problems,
            .. Brief.Check(Day() with { Caster = null }).Where(p => p.Field != "distanceM"),
            .. Each("casts", Casts, OfCast),
            // The wind of a cast has the same limits as that of a day.
            .. Casts
                .Take(Most)
                .SelectMany(
                    (cast, i) =>
                        Brief
                            .Check(new() { WindMps = cast.WindMps, WindFromDeg = cast.WindFromDeg })
                            .Select(p => p with { Field = $"casts[{i}].{p.Field}" })
                ),
            .. Each("fish", Fish, OfFish),
            .. Each(
                "losses",
                Losses,
                l => new FieldCheck().Range("count", l.Count, 1, 99, "Between 1 and 99.").Text("what", l.What, 80, optional: true)
            ),
            .. Each(
                "rings",
                Rings,
                r =>
                    new FieldCheck()
                        .Within("distanceM", r.DistanceM, Reached)
                        .Range("throws", r.Throws, 1, 500, "Between 1 and 500 throws.")
                        .Must("hits", r.Hits >= 0 && r.Hits <= r.Throws, "No more hits than throws.")
            ),
        ];
    }

    /// <summary>Limits of a measured cast, metres.</summary>
    public static readonly Limit Reached = new(1, 60, "A cast is between 1 and 60 m (3 and 197 ft), rod tip to fly.");

    private static FieldCheck OfCast(LoggedCast cast) =>
        new FieldCheck()
            .Within("distanceM", cast.DistanceM, Reached)
            .Range("carryM", cast.CarryM, 1, 40, "Line held in the air is between 1 and 40 m (3 and 131 ft).");

    private static FieldCheck OfFish(LoggedFish fish) =>
        new FieldCheck()
            .Range("count", fish.Count, 1, 999, "Between 1 and 999 fish.")
            .Must("species", fish.Species is null || Fishes.Find(fish.Species) is not null, "Pick a fish from the list.")
            .Range("kg", fish.Kg, .005, 400, "A fish weighs between 5 g and 400 kg.")
            .Range("lengthM", fish.LengthM, .02, 4, "A fish is between 2 cm and 4 m long.")
            .Range("fightS", fish.FightS, 0, 6 * 3600, "A fight lasts up to six hours.");

    private static IEnumerable<FieldProblem> Each<T>(string field, IReadOnlyList<T> all, Func<T, FieldCheck> check) =>
        all.Take(Most).SelectMany((one, i) => check(one).Problems.Select(p => p with { Field = $"{field}[{i}].{p.Field}" }));
}
