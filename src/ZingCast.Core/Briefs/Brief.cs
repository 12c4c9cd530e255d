using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Briefs;

/// <summary>A complete day: every field has a value, and the assumed ones are named. SI units, see <see cref="BriefDraft"/>.</summary>
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

    /// <summary>In the dark.</summary>
    public bool Night { get; init; }

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

    /// <summary>Whose gear.</summary>
    public required Owned Owned { get; init; }

    /// <summary>Names of the fields nobody set, camel case.</summary>
    public required IReadOnlyList<string> Assumed { get; init; }

    /// <summary>Part of the wind blowing in the caster's face, m/s; negative from behind.</summary>
    public double HeadwindMps => WindMps * Math.Cos(WindFromDeg * Math.PI / 180);

    /// <summary>Part of the wind from the caster's right, m/s; negative from the left.</summary>
    public double FromRightMps => WindMps * Math.Sin(WindFromDeg * Math.PI / 180);

    /// <summary>Wind onto the casting shoulder, m/s; negative when it blows off it.</summary>
    public double ShoulderMps => Hand == Hand.Right ? FromRightMps : -FromRightMps;

    /// <summary>A computed reach, metres, with its uncertainty on this day.</summary>
    public Quantity Reach(double metres) => Caster.Reach(metres, Caster.UnsureMps(HeadwindMps, FromRightMps));

    /// <summary>Uncertainty of a reach on this day, as a share of it.</summary>
    public double ReachShare => Reach(1).PlusMinus!.Value;

    /// <summary>Up to this wind, m/s, people stand and cast, whatever its direction: 27 kn. Common practice: 25 to 30 kn.</summary>
    public const double MaxWindMps = 14;

    /// <summary>Whether the wind is too strong to stand and cast.</summary>
    public bool Gale => WindMps > MaxWindMps;

    /// <summary>Wind onto the casting shoulder from which the hook comes dangerously near, m/s. Common practice.</summary>
    public const double ShoulderWarnsMps = 2;

    /// <summary>Current up to which water counts as still, m/s.</summary>
    public const double StillMps = .05;

    /// <summary>A single nymph in current nearer than this is led rather than cast, metres. Common practice.</summary>
    public const double LedFromM = 11;

    /// <summary>Whether a single weighted nymph is led close through current on its leader.</summary>
    public bool LedClose => Fly.Kind is { Nymph: true, Weighted: false } && CurrentMps > StillMps && DistanceM < LedFromM;

    /// <summary>
    /// Fills in what was left out, from the species and the water, and says which fields were assumed. The caster is one of
    /// <paramref name="casters"/>, the presets when none are given.
    /// Call <see cref="Check"/> first: unknown ids throw <see cref="ArgumentException"/>.
    /// </summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static Brief Complete(BriefDraft draft, IReadOnlyList<Caster>? casters = null)
    {
        casters ??= Casters.Rows;
        if (Check(draft, casters) is [var first, ..])
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
        var day = UsualDays.For(species);
        var kind = FlyKinds.Find(draft.FlyKind ?? day.Fly)!;
        var size = new HookSize(Or(draft.HookSize, UsualHook(kind, draft.FlyLengthM, day), "hookSize"));
        if (draft.Caster is null)
            assumed.Add("caster");
        var caster = casters.FirstOrDefault(c => c.Id == (draft.Caster ?? Casters.Usual.Id)) ?? casters[0];
        var salt = Or(draft.Salt, species.Salt, "salt");
        // A river fish in salt water is taken to be met on the shore.
        var water = Or(draft.Water, salt && !species.Salt ? Briefs.Water.Shore : day.Water, "water");
        var fly = Fly.For(kind, size, draft.FlyWetKg, draft.FlyLengthM);
        var fishKg = Or(draft.FishKg, species.TypicalKg, "fishKg");
        return new()
        {
            Fly = fly,
            Species = species with { Group = species.Group.At(fishKg) },
            FishKg = fishKg,
            Water = water,
            Cover = Or(draft.Cover, Briefs.Cover.Open, "cover"),
            Stance = Or(draft.Stance, UsualStance(water, day), "stance"),
            DepthM = Or(draft.DepthM, UsualDepthM(kind, day), "depthM"),
            CurrentMps = Or(draft.CurrentMps, UsualCurrentMps(water), "currentMps"),
            WaterC = Or(draft.WaterC, day.WaterC, "waterC"),
            Salt = salt,
            Night = Or(draft.Night, false, "night"),
            WindMps = Or(draft.WindMps, 2.5, "windMps"),
            WindFromDeg = Or(draft.WindFromDeg, 0, "windFromDeg"),
            // Assume no more distance than such casters reach.
            DistanceM = Or(draft.DistanceM, Math.Min(UsualDays.ReachedBy(caster, fly), UsualDistanceM(water, day)), "distanceM"),
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
            Owned = Or(draft.Owned, Briefs.Owned.First, "owned"),
            Assumed = assumed,
        };
    }

    // The species' usual hook goes with its usual fly; any other family starts with its middle size.
    private static int UsualHook(FlyKind kind, double? lengthM, UsualDay day)
    {
        if (lengthM is { } length && kind.HookOf(length) is { } hook)
            return hook;
        if (kind.Id == day.Fly)
            return day.Hook;
        var middle = (int)Math.Round((kind.Small.Number + kind.Large.Number) / 2.0);
        // Between #24 and #4 hooks are made in even numbers only.
        return middle - (middle > 4 ? middle % 2 : 0);
    }

    private static Stance UsualStance(Water water, UsualDay day) =>
        water == day.Water && day.Stance is { } its ? its
        : water is Briefs.Water.SmallStream or Briefs.Water.River ? Briefs.Stance.Wading
        : Briefs.Stance.Bank;

    private static double UsualDepthM(FlyKind kind, UsualDay day) =>
        kind.OnTop ? 0
        : kind.Delicate ? UsualDays.MidgeDepthM
        : day.DepthM;

    private static double UsualCurrentMps(Water water) =>
        water switch
        {
            Briefs.Water.SmallStream => .45,
            Briefs.Water.River => .6,
            Briefs.Water.Shore => .3,
            _ => 0,
        };

    // Distances on a small stream are short.
    private static double UsualDistanceM(Water water, UsualDay day) =>
        water == Briefs.Water.SmallStream ? Math.Min(UsualDays.SmallStreamM, day.DistanceM) : day.DistanceM;

    /// <summary>
    /// Every field of the draft that cannot be used; empty when all is well. The caster must be one of <paramref name="casters"/>; when
    /// none are given, a preset or an id of a stored caster.
    /// </summary>
    public static IReadOnlyList<FieldProblem> Check(BriefDraft draft, IReadOnlyList<Caster>? casters = null)
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
        if (draft.Caster is not null && (casters is null ? !Casters.CouldBe(draft.Caster) : casters.All(c => c.Id != draft.Caster)))
            problems.Add(new("caster", $"No caster is called “{draft.Caster}”. Pick one from the list."));
        Range("hookSize", draft.HookSize, Standards.HookSize.Largest, Standards.HookSize.Smallest, "Hooks run from #32 to 10/0.");
        Range("flyWetKg", draft.FlyWetKg, 0, .05, "A fly weighs between 0 and 50 g, soaked.");
        Range("flyLengthM", draft.FlyLengthM, .004, .5, "A fly is between 4 mm and 50 cm long (up to 20 in).");
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
        Known("owned", draft.Owned);
        return problems;
    }
}
