using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>
/// From the class that delivers the fly to the class aimed for. Each rule changes the running class or leaves it as it is.
/// </summary>
public static class ClassRules
{
    // Current from which the fish counts as half a class stronger, m/s. Common practice.
    private const double StrongCurrentMps = .8;

    // Wind whose ripple on still water hides the line, m/s. Common practice.
    private const double RippleMps = 2;

    // From 6X on a tippet needs a soft rod: no more than this class. Common practice.
    private const double FineTippetX = 5.75,
        FineTippetClass = 5;

    /// <summary>
    /// Class below which a fish of this size is over-played: the species' floor, half a class more per doubling of size, and half a class
    /// more in strong current.
    /// </summary>
    public static double FloorOf(Brief brief)
    {
        var group = brief.Species.Group;
        // Pike-like fish are given the class of the big flies they are fished with; with a small fly only the fish counts.
        var byFly = group.FlyDriven && brief.Fly.AreaM2 < 3e-4 ? 1.5 : 0;
        var bySize = .5 * Math.Log2(brief.FishKg / Math.Sqrt(group.UsualKg * group.BigKg));
        var floor = Math.Clamp((group.FloorLow + group.FloorHigh) / 2 + bySize, group.FloorLow - 1, group.FloorHigh + 1.5);
        return Quarter(Math.Clamp(floor - byFly + (brief.CurrentMps > StrongCurrentMps ? .5 : 0), 0, LineWeights.Highest));
    }

    /// <summary>
    /// Class that anglers name for a fish of this size whatever the fly: the species' usual number, adjusted for size as the floor is.
    /// </summary>
    public static double NumberOf(Brief brief)
    {
        var species = Fishes.Find(brief.Species.Id)!;
        var usual = FloorOf(
            brief with
            {
                Species = species with { Group = species.Group.At(species.TypicalKg) },
                FishKg = species.TypicalKg,
            }
        );
        return Quarter(Math.Clamp(species.Number + FloorOf(brief) - usual, 1, LineWeights.Highest));
    }

    internal static double FishFirst(Brief brief, double number, DeliveryAnswer delivery, LedgerBook book)
    {
        var byFly = Math.Max(delivery.Class, delivery.DayInHand);
        return book.Move(
            Rules.FishFirst,
            delivery.Class,
            Math.Max(number, delivery.Class),
            () =>
            {
                Sentence people = $"People say class {Quantity.Class(number)} for {brief.Species.Name} of {Quantity.Fish(brief.FishKg)}";
                return new(
                    default,
                    (delivery.Class > number, byFly - number) switch
                    {
                        (true, _) => $"{people}; this fly asks for {Quantity.Class(delivery.Class)}, and the fly wins",
                        (_, > -.25 and < .25) => $"{people}; fly-first says the same",
                        (_, < 0) => $"{people}; fly-first says {Quantity.Class(byFly)}, for the fly is easier than the fish is strong",
                        _ => (Sentence)$"{people}; fly-first says {Quantity.Class(byFly)}, for it keeps a windier day in hand",
                    },
                    [
                        new("species", brief.Species.Name),
                        new("expected", Quantity.Fish(brief.FishKg)),
                        new("the fly delivers from", Quantity.Class(delivery.Class)),
                        new("fly-first", Quantity.Class(byFly)),
                    ],
                    Fishes.Source
                );
            }
        );
    }

    // Leaning to finesse lowers the species' number by this much, leaning to power raises it, classes. Common practice.
    private const double LeanOnNumber = 1;

    internal static double LeanOnFish(Brief brief, DeliveryAnswer delivery, double number, LedgerBook book)
    {
        (double, Sentence) leans = brief.Lean switch
        {
            Briefs.Lean.Finesse => (
                Math.Max(delivery.Class, number - LeanOnNumber),
                $"a class under the species’ number, if that delivers"
            ),
            Briefs.Lean.Power => (number + LeanOnNumber, $"a class over it, for wind and for turning fish"),
            _ => (number, $"the species’ number as it is said"),
        };
        var (to, word) = leans;
        var name = PlainText.Capital(BriefWords.For(brief.Lean));
        return book.Move(
            Rules.Lean,
            number,
            Quarter(Math.Min(to, LineWeights.Highest)),
            () => new(default, $"{name}: {word}", [new("lean", name), new("delivers today from", Quantity.Class(delivery.Class))])
        );
    }

    internal static double Lean(Brief brief, DeliveryAnswer delivery, LedgerBook book)
    {
        var from = delivery.Class;
        var allRound = Math.Max(from, delivery.DayInHand);
        (double, Sentence) leans = brief.Lean switch
        {
            Briefs.Lean.Finesse => (from, $"the lightest class that delivers"),
            Briefs.Lean.Power => (
                Math.Max(allRound, Math.Min(allRound + 1, delivery.Most)),
                $"a class in hand for wind and for turning fish"
            ),
            _ => (
                allRound,
                $"a day in hand: {Quantity.Distance(Delivery.FartherShare * brief.DistanceM)} with "
                    + $"{Quantity.Wind(Delivery.WindierMps)} more in the face, and not far below what people take for the hook"
            ),
        };
        var (to, word) = leans;
        var name = PlainText.Capital(BriefWords.For(brief.Lean));
        return book.Move(
            Rules.Lean,
            from,
            Quarter(to),
            () =>
                new(
                    default,
                    $"{name}: {word}",
                    [
                        new("lean", name),
                        new("delivers today from", Quantity.Class(delivery.Class)),
                        new("with a day in hand from", Quantity.Class(delivery.DayInHand)),
                        new("no higher than", Quantity.Class(delivery.Most)),
                    ]
                )
        );
    }

    internal static double Adjust(Brief brief, DeliveryAnswer answer, double tippetM, double leaned, double floor, LedgerBook book)
    {
        var delivery = answer.Class;
        var fit = brief.Caster.Learning ? Learner(brief, leaned, answer.Most, book) : leaned;
        var landed = Presentation(brief, answer.Holds, fit, book);
        var guarded = tippetM <= Tippets.DiameterOfX(FineTippetX) ? TippetGuard(tippetM, delivery, landed, book) : landed;
        return FishFloor(brief, guarded, floor, book);
    }

    private static double Learner(Brief brief, double c, double most, LedgerBook book) =>
        book.Move(
            Rules.Caster,
            c,
            Math.Max(c, Math.Min(c + .5, most)),
            () => new(default, $"Of two equal answers a learner takes the heavier: mass to feel", [new("caster", brief.Caster.Name)])
        );

    private static double Presentation(Brief brief, double delivery, double c, LedgerBook book)
    {
        // The rule fades out between flat calm and a ripple that hides the line.
        var calm = brief.Water is Water.Stillwater or Water.Flat ? 1 - Interpolation.Fraction(0, RippleMps, brief.WindMps) : 0;
        var lighter = brief.Wariness == Wariness.Spooky ? 1 : Quarter(calm);
        if (lighter <= 0)
            return c;
        var why = brief.Wariness == Wariness.Spooky ? "Spooky fish" : "Flat calm";
        return book.Move(
            Rules.Presentation,
            c,
            Math.Max(Math.Min(c, delivery), c - lighter),
            () =>
                new(
                    default,
                    delivery < Figure.LeastClass
                        ? $"{why}: land it softly"
                        : (Sentence)$"{why}: land it softly, but never below class {Quantity.Class(delivery)}",
                    [new("delivers from class", Quantity.Class(delivery))]
                )
        );
    }

    private static double TippetGuard(double tippetM, double delivery, double c, LedgerBook book) =>
        book.Move(
            Rules.TippetGuard,
            c,
            Math.Min(c, Math.Max(FineTippetClass, delivery)),
            () =>
                new(
                    default,
                    c > FineTippetClass
                        ? (Sentence)$"Tippet of {Quantity.Tippet(tippetM)} breaks on a stiff rod"
                        : $"Tippet of {Quantity.Tippet(tippetM)} wants a rod that gives: so light a one does",
                    [new("tippet", Quantity.Tippet(tippetM)), new("delivers from class", Quantity.Class(delivery))],
                    Doubt: delivery > FineTippetClass
                )
        );

    // The fish's floor comes last. It is written to the ledger even when it changes nothing, so that people see it was applied.
    private static double FishFloor(Brief brief, double c, double floor, LedgerBook book) =>
        book.Move(
            Rules.FishFloor,
            c,
            Math.Max(c, floor),
            () =>
                new(
                    default,
                    floor > c
                        ? (Sentence)$"{Quantity.Fish(brief.FishKg)} of {brief.Species.Name} wants class {Quantity.Class(floor)} at least"
                        : $"{Quantity.Fish(brief.FishKg)} of {brief.Species.Name} asks for class {Quantity.Class(floor)}: nothing to add",
                    [
                        new("species", brief.Species.Name),
                        new("expected", Quantity.Fish(brief.FishKg)),
                        new("current", new Quantity(brief.CurrentMps, Kind.WaterSpeed)),
                        new("floor", Quantity.Class(floor)),
                    ]
                )
        );

    // Lowest rod class for fast-sinking heads, one class more for each step of density. Common practice.
    private static double FloorFor(string density) =>
        Densities.Rank(density) is var rank && rank >= Densities.Type5 ? 6.5
        : rank >= Densities.Type3 ? 6
        : 0;

    internal static double DensityBump(string density, double c, LedgerBook book)
    {
        var floor = FloorFor(density);
        return c >= floor
            ? c
            : book.Move(
                Rules.DensityBump,
                c,
                floor,
                () =>
                    new(
                        default,
                        $"A {Densities.Get(density).Name} head is heavy and comes up hard: class {Quantity.Class(floor)} at least",
                        [new("density", Densities.Get(density).Name), new("least class", Quantity.Class(floor))]
                    )
            );
    }

    internal static double Pinned(double pinned, double c, LedgerBook book) =>
        book.Move(
            Rules.ClassPin,
            c,
            pinned,
            () =>
                new(
                    default,
                    $"You pinned class {Quantity.Class(pinned)}; the work came to {Quantity.Class(c)}",
                    [new("pinned", Quantity.Class(pinned)), new("worked out", Quantity.Class(c))],
                    Doubt: Math.Abs(pinned - c) > ClassTarget.Far
                )
        );

    internal static double Quarter(double c) => Math.Round(c * 4) / 4;
}
