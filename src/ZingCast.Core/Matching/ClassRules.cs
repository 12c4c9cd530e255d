using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>From the class that delivers the fly to the class aimed for. Each rule moves the running class or leaves it.</summary>
public static class ClassRules
{
    // Strong current helps the fish; m/s, common practice.
    private const double StrongCurrentMps = .8;

    // Tippet of 6X and finer wants a rod that gives: no more than this class, common practice.
    private const double FineTippetX = 5.75,
        FineTippetClass = 5;

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
        return Quarter(Math.Clamp(floor - byFly + (brief.CurrentMps > StrongCurrentMps ? .5 : 0), 0, LineWeights.Highest));
    }

    internal static void FishFirst(Brief brief, double floor, LedgerBook book) =>
        book.Move(
            Rules.FishFirst,
            floor,
            floor,
            () =>
                new(
                    default,
                    $"People say class {Quantity.Class(floor)} for {brief.Species.Name} of "
                        + $"{Quantity.Fish(brief.FishKg)}; the fly is checked next",
                    [new("species", brief.Species.Name), new("expected", Quantity.Fish(brief.FishKg))],
                    Fishes.Source
                )
        );

    internal static double Lean(Brief brief, DeliveryAnswer delivery, double floor, LedgerBook book)
    {
        var fishFirst = brief.School == School.FishFirst;
        var from = fishFirst ? Math.Max(floor, delivery.Class) : delivery.Class;
        var (to, word) = brief.Lean switch
        {
            Briefs.Lean.Finesse => (from, "the lightest class that delivers"),
            Briefs.Lean.Power => ((fishFirst ? from : delivery.Comfortable) + 1, "a class in hand for wind and for turning fish"),
            _ => (Math.Max(from, delivery.Comfortable), "the class that delivers with ease"),
        };
        var name = PlainText.Capital(BriefWords.Of(brief.Lean));
        return book.Move(
            Rules.Lean,
            from,
            Quarter(to),
            () => new(default, $"{name}: {word}", [new("lean", name), new("with ease", Quantity.Class(delivery.Comfortable))])
        );
    }

    internal static double Adjust(Brief brief, double delivery, double tippetM, double leaned, double floor, LedgerBook book)
    {
        var fit = brief.Caster.Learning ? Learner(brief, leaned, book) : leaned;
        var landed = Presentation(brief, delivery, fit, book);
        var guarded =
            tippetM <= Tippets.DiameterOfX(FineTippetX) && landed > FineTippetClass ? TippetGuard(tippetM, delivery, landed, book) : landed;
        return FishFloor(brief, guarded, floor, book);
    }

    private static double Learner(Brief brief, double c, LedgerBook book) =>
        book.Move(
            Rules.Caster,
            c,
            c + .5,
            () => new(default, $"Of two equal answers a learner takes the heavier: mass to feel", [new("caster", brief.Caster.Name)])
        );

    private static double Presentation(Brief brief, double delivery, double c, LedgerBook book)
    {
        var flatCalm = brief.WindMps < .5 && (brief.Water is Water.Stillwater or Water.Flat);
        if (brief.Wariness != Wariness.Spooky && !flatCalm)
            return c;
        var why = brief.Wariness == Wariness.Spooky ? "Spooky fish" : "Flat calm";
        return book.Move(
            Rules.Presentation,
            c,
            Math.Max(Math.Min(c, delivery), c - 1),
            () =>
                new(
                    default,
                    $"{why}: land it softly, but never below {Quantity.Class(delivery)}",
                    [new("delivers from class", Quantity.Class(delivery))]
                )
        );
    }

    private static double TippetGuard(double tippetM, double delivery, double c, LedgerBook book) =>
        book.Move(
            Rules.TippetGuard,
            c,
            Math.Max(FineTippetClass, delivery),
            () =>
                new(
                    default,
                    $"Tippet of {Quantity.Diameter(tippetM)} breaks on a stiff rod",
                    [new("tippet", Quantity.Diameter(tippetM)), new("delivers from class", Quantity.Class(delivery))],
                    Doubt: delivery > FineTippetClass
                )
        );

    // Last, as a floor: even when it does not bind the person should see it was asked.
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

    internal static double DensityBump(GearShed shed, Pins pins, string density, double c, LedgerBook book)
    {
        var rank = Densities.Rank(density);
        if (rank < Densities.Type3 || pins.Line is not null)
            return c;
        var lightest = shed.Lines.Where(l => Math.Abs(Densities.Rank(l.Density) - rank) <= 1 && l.MassKg is not null).MinBy(l => l.MassKg);
        if (lightest?.MassKg is not { } mass || mass <= TopKg(c))
            return c;
        var up = c;
        while (up < LineWeights.Highest && mass > TopKg(up))
            up += .25;
        return book.Move(
            Rules.DensityBump,
            c,
            up,
            () =>
                new(
                    default,
                    $"The lightest line that sinks so fast, {lightest.Tag}, weighs "
                        + $"{Quantity.LineMass(mass)}: too much for class {Quantity.Class(c)}",
                    [new("head", Quantity.LineMass(mass)), new("top of the window", Quantity.LineMass(TopKg(c)))]
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

    private static double TopKg(double lineClass) => LineLoad.Top * LineWeights.MassKg(lineClass);

    private static double Quarter(double c) => Math.Round(c * 4) / 4;
}
