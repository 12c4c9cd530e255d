using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Briefs;

/// <summary>The kind of water fished.</summary>
public enum Water
{
    /// <summary>A stream that can be cast across from the bank.</summary>
    SmallStream,

    /// <summary>A river.</summary>
    River,

    /// <summary>A lake, mere or reservoir.</summary>
    Stillwater,

    /// <summary>Shallow open flats.</summary>
    Flat,

    /// <summary>Open rock, beach or surf.</summary>
    Shore,
}

/// <summary>What stands in the way of the back cast.</summary>
public enum Cover
{
    /// <summary>Nothing.</summary>
    Open,

    /// <summary>Bushes or a high bank behind.</summary>
    Behind,

    /// <summary>Branches overhead and behind.</summary>
    Canopy,
}

/// <summary>Where the person stands.</summary>
public enum Stance
{
    /// <summary>On the bank or rocks.</summary>
    Bank,

    /// <summary>Wading to the knee or thigh.</summary>
    Wading,

    /// <summary>Wading to the waist or in a float tube.</summary>
    DeepWading,

    /// <summary>In a boat.</summary>
    Boat,
}

/// <summary>How easily the fish spook.</summary>
public enum Wariness
{
    /// <summary>Hungry or in broken water.</summary>
    Bold,

    /// <summary>Ordinary.</summary>
    Usual,

    /// <summary>Wary, or flat calm and clear.</summary>
    Spooky,
}

/// <summary>Hand that holds the rod.</summary>
public enum Hand
{
    /// <summary>Right.</summary>
    Right,

    /// <summary>Left.</summary>
    Left,
}

/// <summary>Which end of the chain the class starts from.</summary>
public enum School
{
    /// <summary>What the fly needs, with the fish last, as a floor.</summary>
    FlyFirst,

    /// <summary>The species' own number, then checked against the fly.</summary>
    FishFirst,
}

/// <summary>What the outfit is leaned towards.</summary>
public enum Lean
{
    /// <summary>Nine feet and the middle of the road unless something forbids it.</summary>
    AllRound,

    /// <summary>Lightest class that delivers, longest rod that fits.</summary>
    Finesse,

    /// <summary>A class up, for wind and for turning fish.</summary>
    Power,
}

/// <summary>
/// What a person said about the day. Everything may be left out; <see cref="Brief.Complete"/> fills the rest. SI units.
/// </summary>
public sealed record BriefDraft
{
    /// <summary>Fly family id.</summary>
    public string? FlyKind { get; init; }

    /// <summary>Hook size number on the scale of <see cref="HookSize"/> (12 is #12, 0 is 1/0, −1 is 2/0).</summary>
    public int? HookSize { get; init; }

    /// <summary>Soaked mass of the fly when weighed, kilograms.</summary>
    public double? FlyWetKg { get; init; }

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
}

/// <summary>
/// How far what can be dragged on a drawing may go; what is typed is held to the same ends. SI: metres, m/s, degrees of the cast.
/// </summary>
public sealed record BriefLimits(Spread DepthM, Spread WindMps, Spread WindFromDeg, Spread DistanceM)
{
    /// <summary>The ends themselves.</summary>
    public static readonly BriefLimits Handled = new(new(0, 30), new(0, 40), new(0, 360), new(2, 60));
}

/// <summary>A complete day: every field known, with the assumed ones named. SI units, see <see cref="BriefDraft"/>.</summary>
public sealed record Brief
{
    /// <summary>The fly.</summary>
    public required Fly Fly { get; init; }

    /// <summary>The fish.</summary>
    public required Species Species { get; init; }

    /// <summary>Mass expected, kilograms.</summary>
    public required double FishKg { get; init; }

    /// <summary>Kind of water.</summary>
    public required Water Water { get; init; }

    /// <summary>Cover.</summary>
    public required Cover Cover { get; init; }

    /// <summary>Stance.</summary>
    public required Stance Stance { get; init; }

    /// <summary>Depth of the fly, metres.</summary>
    public required double DepthM { get; init; }

    /// <summary>Current, m/s.</summary>
    public required double CurrentMps { get; init; }

    /// <summary>Water temperature, °C.</summary>
    public required double WaterC { get; init; }

    /// <summary>Salt water.</summary>
    public required bool Salt { get; init; }

    /// <summary>Wind at 10 m, m/s.</summary>
    public required double WindMps { get; init; }

    /// <summary>Wind direction against the cast, degrees, 0–360.</summary>
    public required double WindFromDeg { get; init; }

    /// <summary>Rod tip to fly, metres.</summary>
    public required double DistanceM { get; init; }

    /// <summary>Wariness.</summary>
    public required Wariness Wariness { get; init; }

    /// <summary>Caster.</summary>
    public required Caster Caster { get; init; }

    /// <summary>Casting hand.</summary>
    public required Hand Hand { get; init; }

    /// <summary>School.</summary>
    public required School School { get; init; }

    /// <summary>Lean.</summary>
    public required Lean Lean { get; init; }

    /// <summary>Names of the fields nobody set, camel case.</summary>
    public required IReadOnlyList<string> Assumed { get; init; }

    /// <summary>Part of the wind blowing in the caster's face, m/s; negative from behind.</summary>
    public double HeadwindMps => WindMps * Math.Cos(WindFromDeg * Math.PI / 180);

    /// <summary>Part of the wind from the caster's right, m/s; negative from the left.</summary>
    public double FromRightMps => WindMps * Math.Sin(WindFromDeg * Math.PI / 180);

    /// <summary>
    /// Fills in what was left out, from the species and the water, and says which fields were assumed.
    /// Call <see cref="Check"/> first: unknown ids throw <see cref="ArgumentException"/>.
    /// </summary>
    public static Brief Complete(BriefDraft draft)
    {
        if (Check(draft) is [var first, ..])
            throw new ArgumentException($"{first.Field}: {first.Problem}", nameof(draft));
        List<string> assumed = [];
        T Or<T>(T? said, T otherwise, string field)
            where T : struct
        {
            if (said is null)
                assumed.Add(field);
            return said ?? otherwise;
        }

        if (draft.Species is null)
            assumed.Add("species");
        var species = Fishes.Find(draft.Species ?? "river-trout")!;
        if (draft.FlyKind is null)
            assumed.Add("flyKind");
        var kind = FlyKinds.Find(draft.FlyKind ?? UsualFly(species))!;
        var middle = new HookSize((int)Math.Round((kind.Small.Number + kind.Large.Number) / 2.0));
        // Between #24 and #4 hooks are made in even numbers only.
        if (middle.Number > 4 && middle.Number % 2 != 0)
            middle = new(middle.Number - 1);
        var size = new HookSize(Or(draft.HookSize, middle.Number, "hookSize"));
        if (draft.Caster is null)
            assumed.Add("caster");
        var caster = Casters.Find(draft.Caster ?? "club")!;
        var salt = Or(draft.Salt, species.Salt, "salt");
        var water = Or(draft.Water, UsualWater(species, salt), "water");
        return new()
        {
            Fly = Fly.Of(kind, size, draft.FlyWetKg),
            Species = species,
            FishKg = Or(draft.FishKg, species.TypicalKg, "fishKg"),
            Water = water,
            Cover = Or(draft.Cover, Briefs.Cover.Open, "cover"),
            Stance = Or(
                draft.Stance,
                water is Briefs.Water.SmallStream or Briefs.Water.River ? Briefs.Stance.Wading : Briefs.Stance.Bank,
                "stance"
            ),
            DepthM = Or(draft.DepthM, kind.Id is "dry" or "terrestrial" or "hair-bug" ? 0 : .5, "depthM"),
            CurrentMps = Or(
                draft.CurrentMps,
                water switch
                {
                    Briefs.Water.SmallStream => .4,
                    Briefs.Water.River => .6,
                    Briefs.Water.Shore => .3,
                    _ => 0,
                },
                "currentMps"
            ),
            WaterC = Or(draft.WaterC, 13, "waterC"),
            Salt = salt,
            WindMps = Or(draft.WindMps, 2.5, "windMps"),
            WindFromDeg = Or(draft.WindFromDeg, 0, "windFromDeg"),
            DistanceM = Or(
                draft.DistanceM,
                water switch
                {
                    Briefs.Water.SmallStream => 8,
                    Briefs.Water.River => 12,
                    Briefs.Water.Stillwater => 15,
                    _ => 17,
                },
                "distanceM"
            ),
            Wariness = Or(draft.Wariness, Briefs.Wariness.Usual, "wariness"),
            Caster = caster with
            {
                FreeMps = draft.CasterFreeMps ?? caster.FreeMps,
                LoopM = draft.CasterLoopM ?? caster.LoopM,
                CarryM = draft.CasterCarryM ?? caster.CarryM,
            },
            Hand = Or(draft.Hand, Briefs.Hand.Right, "hand"),
            School = Or(draft.School, Briefs.School.FlyFirst, "school"),
            Lean = Or(draft.Lean, Briefs.Lean.AllRound, "lean"),
            Assumed = assumed,
        };
    }

    /// <summary>Every field of the draft that cannot be used; empty when all is well.</summary>
    public static IReadOnlyList<FieldProblem> Check(BriefDraft draft)
    {
        List<FieldProblem> problems = [];
        void Within(string field, double? value, Spread limits, string words)
        {
            if (value is { } v && !(v >= limits.Low && v <= limits.High))
                problems.Add(new(field, words));
        }
        void Range(string field, double? value, double low, double high, string words) => Within(field, value, new(low, high), words);

        if (draft.FlyKind is not null && FlyKinds.Find(draft.FlyKind) is null)
            problems.Add(new("flyKind", $"No fly family is called “{draft.FlyKind}”. Pick one from the list."));
        if (draft.Species is not null && Fishes.Find(draft.Species) is null)
            problems.Add(new("species", $"No fish here is called “{draft.Species}”. Pick one from the list."));
        if (draft.Caster is not null && Casters.Find(draft.Caster) is null)
            problems.Add(new("caster", $"No caster is called “{draft.Caster}”. Pick one from the list."));
        Range("hookSize", draft.HookSize, Standards.HookSize.Largest, Standards.HookSize.Smallest, "Hooks run from #32 to 10/0.");
        Range("flyWetKg", draft.FlyWetKg, 0, .05, "A fly weighs between 0 and 50 g, soaked.");
        Range("fishKg", draft.FishKg, .02, 400, "Expect a fish between 20 g and 400 kg.");
        Within("depthM", draft.DepthM, BriefLimits.Handled.DepthM, "The fly fishes between the surface and 30 m (98 ft).");
        Range("currentMps", draft.CurrentMps, 0, 4, "Current runs between 0 and 4 m/s (13 ft/s).");
        Range("waterC", draft.WaterC, -2, 40, "Water is between −2 and 40 °C (28 and 104 °F).");
        Within("windMps", draft.WindMps, BriefLimits.Handled.WindMps, "Wind is between 0 and 40 m/s (78 kn).");
        Within("windFromDeg", draft.WindFromDeg, BriefLimits.Handled.WindFromDeg, "The wind comes from 0 to 360° of the cast.");
        Within("distanceM", draft.DistanceM, BriefLimits.Handled.DistanceM, "A cast is between 2 and 60 m (6 and 197 ft), rod tip to fly.");
        Range("casterFreeMps", draft.CasterFreeMps, 8, 60, "Free line speed is between 8 and 60 m/s (26 and 197 ft/s).");
        Range("casterLoopM", draft.CasterLoopM, .2, 4, "A loop is between 0.2 and 4 m high (8 in and 13 ft).");
        Range("casterCarryM", draft.CasterCarryM, 2, 30, "Line held in the air is between 2 and 30 m (7 and 98 ft).");
        void Known<T>(string field, T? value)
            where T : struct, Enum
        {
            if (value is { } v && !Enum.IsDefined(v))
                problems.Add(new(field, "Pick one from the list."));
        }

        Known("water", draft.Water);
        Known("cover", draft.Cover);
        Known("stance", draft.Stance);
        Known("wariness", draft.Wariness);
        Known("hand", draft.Hand);
        Known("school", draft.School);
        Known("lean", draft.Lean);
        return problems;
    }

    private static string UsualFly(Species species) =>
        species.Group.Id switch
        {
            "stream-trout" => "dry",
            "trout" => species.Salt ? "slim-streamer" : "beaded-nymph",
            "panfish" or "sea-trout" => "slim-streamer",
            "bass" => "hair-bug",
            "carp" or "bonefish" or "permit" => "shrimp-crab",
            "pike" => species.Id == "zander" ? "slim-streamer" : "predator",
            "giant-esox" => "giant",
            "salmon" or "big-salmon" => "slim-streamer",
            "bluewater" or "big-tarpon" => "weighted-baitfish",
            _ => "baitfish",
        };

    private static Water UsualWater(Species species, bool salt) =>
        species.Group.Id switch
        {
            "stream-trout" => Briefs.Water.SmallStream,
            "panfish" or "carp" or "pike" or "giant-esox" => Briefs.Water.Stillwater,
            "bonefish" or "permit" or "redfish" => Briefs.Water.Flat,
            _ => salt ? Briefs.Water.Shore
            : species.Id == "lake-trout" ? Briefs.Water.Stillwater
            : Briefs.Water.River,
        };
}
