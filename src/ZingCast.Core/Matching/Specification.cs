using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What to look for before any gear is looked at: class, rod, head, density and coating. Each rule writes its step.</summary>
/// <param name="Class">The class decision.</param>
/// <param name="Need">What the cast says about classes.</param>
/// <param name="RodLengthM">Rod length, metres.</param>
/// <param name="Action">Rod action.</param>
/// <param name="HeadM">Head length wanted, shortest and longest, metres.</param>
/// <param name="Density">Density id.</param>
/// <param name="Coatings">Coating ids that suit the water; empty when the rule is off.</param>
public sealed record Specification(
    ClassTarget Class,
    ClassNeed Need,
    double RodLengthM,
    RodAction Action,
    (double From, double To) HeadM,
    string Density,
    IReadOnlyList<string> Coatings
)
{
    private const double Ft = Exact.FootM;

    /// <summary>Decides the specification of a brief.</summary>
    public static Specification Decide(Brief brief, GearShed shed, Pins pins, double tippetM, Casts casts, LedgerBook book)
    {
        var fishFirst = brief.School == School.FishFirst;
        var floor = FloorOf(brief);
        if (fishFirst)
            book.Move(
                Rules.FishFirst,
                floor,
                floor,
                $"People say class {Quantity.Class(floor)} for {brief.Species.Name} of "
                    + $"{Quantity.Fish(brief.FishKg)}; the fly is checked next",
                [new("species", brief.Species.Name), new("expected", Quantity.Fish(brief.FishKg))],
                Fishes.Source
            );
        var answer = Delivery.Decide(brief, casts, tippetM, book);
        var c = Lean(brief, answer, fishFirst ? Math.Max(floor, answer.Class) : answer.Class, fishFirst, book);
        c = Adjust(brief, answer.Class, tippetM, c, floor, book);

        var density = DensityOf(brief, pins, book);
        c = DensityBump(shed, pins, density, c, book);
        if (pins.RodClass is { } pinned)
            c = book.Move(
                Rules.ClassPin,
                c,
                pinned,
                $"You pinned class {Quantity.Class(pinned)}; the work came to {Quantity.Class(c)}",
                [new("pinned", Quantity.Class(pinned)), new("worked out", Quantity.Class(c))],
                doubt: Math.Abs(pinned - c) > 1.5
            );
        var target = new ClassTarget(answer.Class, c, floor);
        return new(
            target,
            answer.Need,
            RodLength(brief, pins, book),
            ActionOf(brief, tippetM, density, book),
            Head(brief, density, book),
            density,
            CoatingsOf(brief, book)
        );
    }

    /// <summary>
    /// Class below which a fish of this size is over-played: the species' floor, half a class per doubling of size, half more in strong
    /// current.
    /// </summary>
    public static double FloorOf(Brief brief)
    {
        var group = brief.Species.Group;
        // Pike-like fish carry the number of their big flies; with a small fly only the fish counts.
        var byFly = group.FlyDriven && brief.Fly.AreaM2 < 3e-4 ? 1.5 : 0;
        var bySize = .5 * Math.Log2(brief.FishKg / Math.Sqrt(group.UsualKg * group.BigKg));
        var floor = Math.Clamp((group.FloorLow + group.FloorHigh) / 2 + bySize, group.FloorLow - 1, group.FloorHigh + 1.5);
        return Quarter(Math.Clamp(floor - byFly + (brief.CurrentMps > .8 ? .5 : 0), 0, LineWeights.Highest));
    }

    private static double Quarter(double c) => Math.Round(c * 4) / 4;

    private static double Lean(Brief brief, DeliveryAnswer answer, double from, bool fishFirst, LedgerBook book)
    {
        var (to, word) = brief.Lean switch
        {
            Briefs.Lean.Finesse => (from, "the lightest class that delivers"),
            Briefs.Lean.Power => ((fishFirst ? from : answer.Comfortable) + 1, "a class in hand for wind and for turning fish"),
            _ => (Math.Max(from, answer.Comfortable), "the class that delivers with ease"),
        };
        return book.Move(
            Rules.Lean,
            from,
            Quarter(to),
            $"{LeanWord(brief.Lean)}: {word}",
            [new("lean", LeanWord(brief.Lean)), new("with ease", Quantity.Class(answer.Comfortable))]
        );
    }

    private static string LeanWord(Lean lean) =>
        lean switch
        {
            Briefs.Lean.Finesse => "Finesse",
            Briefs.Lean.Power => "Power",
            _ => "All-round",
        };

    private static double Adjust(Brief brief, double delivery, double tippetM, double c, double floor, LedgerBook book)
    {
        if (brief.Caster.Id == "learner")
            c = book.Move(
                Rules.Caster,
                c,
                c + .5,
                $"Of two equal answers a learner takes the heavier: mass to feel",
                [new("caster", brief.Caster.Name)]
            );

        var flatCalm = brief.WindMps < .5 && (brief.Water is Water.Stillwater or Water.Flat);
        if (brief.Wariness == Wariness.Spooky || flatCalm)
            c = book.Move(
                Rules.Presentation,
                c,
                Math.Max(Math.Min(c, delivery), c - 1),
                brief.Wariness == Wariness.Spooky
                    ? (Sentence)$"Spooky fish: land it softly, but never below {Quantity.Class(delivery)}"
                    : $"Flat calm: land it softly, but never below {Quantity.Class(delivery)}",
                [new("delivers from class", Quantity.Class(delivery))]
            );

        var fine = tippetM <= Tippets.DiameterOfX(5.75);
        if (fine && c > 5)
            c = book.Move(
                Rules.TippetGuard,
                c,
                Math.Max(5, delivery),
                $"Tippet of {Quantity.Diameter(tippetM)} breaks on a stiff rod",
                [new("tippet", Quantity.Diameter(tippetM)), new("delivers from class", Quantity.Class(delivery))],
                doubt: delivery > 5
            );

        // Last, as a floor: even when it does not bind the person should see it was asked.
        var raised = Math.Max(c, floor);
        return book.Move(
            Rules.FishFloor,
            c,
            raised,
            raised > c
                ? (Sentence)$"{Quantity.Fish(brief.FishKg)} of {brief.Species.Name} wants class {Quantity.Class(floor)} at least"
                : $"{Quantity.Fish(brief.FishKg)} of {brief.Species.Name} asks for class {Quantity.Class(floor)}: nothing to add",
            [
                new("species", brief.Species.Name),
                new("expected", Quantity.Fish(brief.FishKg)),
                new("current", new Quantity(brief.CurrentMps, Kind.WaterSpeed)),
                new("floor", Quantity.Class(floor)),
            ]
        );
    }

    private static string DensityOf(Brief brief, Pins pins, LedgerBook book)
    {
        if (pins.Density is { } pin)
        {
            book.Note(
                Rules.Density,
                Densities.Of(pin).Name,
                $"You pinned a {Densities.Of(pin).Name} line",
                [new("depth", Quantity.Length(brief.DepthM))],
                Source.Yours
            );
            return pin;
        }
        // Sinking time: what the drift allows in current, half a minute of patience without.
        var seconds = brief.CurrentMps > .05 ? Math.Min(60, .6 * brief.DistanceM / brief.CurrentMps) : 30;
        var rate = brief.DepthM / seconds;
        var still = brief.CurrentMps <= .05;
        var heavyNymph = brief.Fly.Kind.Id is "nymph-rig" or "beaded-nymph" && brief.DepthM <= 1.5;
        var density =
            brief.DepthM <= (still ? 1.5 : .5) || heavyNymph ? Densities.Rows[0]
            : still && brief.DepthM <= 3 ? Densities.Of("intermediate")
            : Densities.Rows.Skip(2).FirstOrDefault(d => d.SinkMps >= rate) ?? Densities.Rows[^1];
        var tooDeep = density.SinkMps < rate && density == Densities.Rows[^1];
        Sentence says =
            heavyNymph ? $"A weighted nymph reaches {Quantity.Length(brief.DepthM)} on a floating line and its own weight"
            : tooDeep
                ? $"No sinking line reaches {Quantity.Length(brief.DepthM)} in "
                    + $"{new Quantity(seconds, Kind.Time)}; cast farther upstream or weight the fly"
            : density.SinkMps == 0 ? (Sentence)$"A floating line fishes the fly at {Quantity.Length(brief.DepthM)}"
            : $"The lightest line that reaches {Quantity.Length(brief.DepthM)} in {new Quantity(seconds, Kind.Time)}";
        book.Note(
            Rules.Density,
            density.Name,
            says,
            [
                new("depth", Quantity.Length(brief.DepthM)),
                new("current", new Quantity(brief.CurrentMps, Kind.WaterSpeed)),
                new("time to sink", new Quantity(seconds, Kind.Time)),
                new("needed", new Quantity(rate, Kind.SinkRate)),
                new("this sinks", new Quantity(density.SinkMps, Kind.SinkRate)),
            ],
            doubt: tooDeep
        );
        return book.IsOff(Rules.Density) ? Densities.Rows[0].Id : density.Id;
    }

    private static double DensityBump(GearShed shed, Pins pins, string density, double c, LedgerBook book)
    {
        if (Densities.Rank(density) < Densities.Rank("type3") || pins.Line is not null)
            return c;
        var lightest = shed
            .Lines.Where(l => Math.Abs(Densities.Rank(l.Density) - Densities.Rank(density)) <= 1 && l.MassKg is not null)
            .MinBy(l => l.MassKg);
        if (lightest?.MassKg is not { } mass || mass <= LineLoad.Top * LineWeights.MassKg(c))
            return c;
        var up = c;
        while (up < LineWeights.Highest && mass > LineLoad.Top * LineWeights.MassKg(up))
            up += .25;
        return book.Move(
            Rules.DensityBump,
            c,
            up,
            $"The lightest line that sinks so fast, {lightest.Tag}, weighs "
                + $"{Quantity.LineMass(mass)}: too much for class {Quantity.Class(c)}",
            [new("head", Quantity.LineMass(mass)), new("top of the window", Quantity.LineMass(LineLoad.Top * LineWeights.MassKg(c)))]
        );
    }

    private static double RodLength(Brief brief, Pins pins, LedgerBook book)
    {
        if (pins.RodLengthM is { } pin)
        {
            book.Note(Rules.RodLength, Quantity.Length(pin), $"You pinned this length", [], Source.Yours);
            return pin;
        }
        var nymph = brief.Fly.Kind.Id is "nymph-rig" or "beaded-nymph";
        var (feet, why) = (brief.Water, brief.Cover, brief.Stance) switch
        {
            (_, Cover.Canopy, _) => (6.75, "branches overhead: the rod must be short"),
            (Water.SmallStream, _, _) => (8.25, "a small stream, with room to lift"),
            (_, _, Stance.DeepWading) => (10.0, "wading deep the back cast needs height"),
            (Water.River, _, _) when nymph => (10.0, "nymphs are led and mended at arm's length"),
            (_, _, Stance.Boat) => (8.75, "many casts from a boat: less to swing"),
            (Water.Shore, _, _) => (9.5, "over waves and rocks, every inch of height helps"),
            _ => (9.0, "nothing asks for anything else"),
        };
        if (brief.Lean == Briefs.Lean.Finesse && brief.Cover != Cover.Canopy)
            feet += .5;
        if (book.IsOff(Rules.RodLength))
            feet = 9;
        book.Note(
            Rules.RodLength,
            Quantity.Length(feet * Ft),
            $"{Words.Capital(why)}{(brief.Lean == Briefs.Lean.Finesse && brief.Cover != Cover.Canopy ? "; finesse adds half a foot" : "")}",
            [new("water", Words.Of(brief.Water)), new("cover", Words.Of(brief.Cover)), new("stance", Words.Of(brief.Stance))]
        );
        return feet * Ft;
    }

    private static RodAction ActionOf(Brief brief, double tippetM, string density, LedgerBook book)
    {
        var (action, why) =
            brief.Caster.Id == "learner" ? (RodAction.Medium, "a learner needs to feel the rod load")
            : Densities.Rank(density) >= Densities.Rank("type5")
                ? (RodAction.Medium, "a heavy sinking head all day: bend into the butt forgives")
            : tippetM <= Tippets.DiameterOfX(4.75) || brief.DistanceM < 9 ? (RodAction.Medium, "close and fine: the rod must give")
            : brief.HeadwindMps > 5 || brief.DistanceM > 20 ? (RodAction.Fast, "wind or distance: drive it")
            : (RodAction.MediumFast, "does everything fairly well");
        if (book.IsOff(Rules.RodActionRule))
            action = RodAction.MediumFast;
        book.Note(
            Rules.RodActionRule,
            Actions.Word(action),
            $"{Words.Capital(why)}",
            [
                new("tippet", Quantity.Diameter(tippetM)),
                new("distance", Quantity.Length(brief.DistanceM)),
                new("in the face", Quantity.Wind(brief.HeadwindMps)),
            ]
        );
        return action;
    }

    private static (double, double) Head(Brief brief, string density, LedgerBook book)
    {
        var bulky = brief.Fly.Kind.Bushy || brief.Fly.Kind.Weighted;
        var (from, to, why) =
            brief.DistanceM > 28 ? (26, 32, "most distance of all: a separate head on thin running line")
            : brief.Water == Water.Shore && brief.HeadwindMps > 4 || brief.Stance == Stance.Boat
                ? (23, 32, "one false cast and shoot: a short head")
            : bulky ? (28, 35, "bulk or weight: mass towards the front")
            : brief.Wariness == Wariness.Spooky || brief.Fly.Kind.Id is "midge" or "dry"
                ? (40, 60, "delicate, mending: a long belly and a fine front taper")
            : (33, 45, "an all-round head");
        if (brief.Caster.Id == "learner" && to > 40)
            (from, to) = (Math.Min(from, 30), 40);
        if (Densities.Rank(density) >= Densities.Rank("type3"))
            (from, to) = (23, 36);
        if (book.IsOff(Rules.Taper))
            (from, to) = (23, 60);
        book.Note(
            Rules.Taper,
            Quantity.Length((from + to) / 2.0 * Ft),
            $"{Words.Capital(why)}, {Quantity.Length(from * Ft)} to {Quantity.Length(to * Ft)}",
            [
                new("fly", brief.Fly.Kind.Name),
                new("distance", Quantity.Length(brief.DistanceM)),
                new("caster carries", Quantity.Length(brief.Caster.CarryM)),
            ]
        );
        return (from * Ft, to * Ft);
    }

    private static IReadOnlyList<string> CoatingsOf(Brief brief, LedgerBook book)
    {
        var suits = Standards.Coatings.For(brief.WaterC).ToList();
        var names = string.Join(" or ", suits.Select(c => c.Name));
        book.Note(
            Rules.Coating,
            suits[0].Name,
            $"Water of {new Quantity(brief.WaterC, Kind.Temperature)} suits a {names} coating{(brief.Salt ? ", rated for salt" : "")}",
            [new("water", new Quantity(brief.WaterC, Kind.Temperature)), new("salt", brief.Salt ? "yes" : "no")]
        );
        return book.IsOff(Rules.Coating) ? [] : [.. suits.Select(c => c.Id)];
    }
}

/// <summary>Plain words for the brief's choices.</summary>
public static class Words
{
    /// <summary>The same words with a capital first letter; at least one character.</summary>
    public static string Capital(string words) => char.ToUpperInvariant(words[0]) + words[1..];

    /// <summary>Water.</summary>
    public static string Of(Water water) =>
        water switch
        {
            Water.SmallStream => "small stream",
            Water.River => "river",
            Water.Stillwater => "stillwater",
            Water.Flat => "flat",
            _ => "open shore",
        };

    /// <summary>Cover.</summary>
    public static string Of(Cover cover) =>
        cover switch
        {
            Cover.Behind => "bushes behind",
            Cover.Canopy => "branches overhead",
            _ => "open",
        };

    /// <summary>Stance.</summary>
    public static string Of(Stance stance) =>
        stance switch
        {
            Stance.Wading => "wading",
            Stance.DeepWading => "wading deep",
            Stance.Boat => "in a boat",
            _ => "on the bank",
        };
}
