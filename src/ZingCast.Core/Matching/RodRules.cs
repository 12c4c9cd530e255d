using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Rod length and action from the place and the cast; then the chosen rod.</summary>
internal static class RodRules
{
    public static double Length(Brief brief, Pins pins, LedgerBook book)
    {
        if (pins.RodLengthM is { } pin)
        {
            book.Add(
                Rules.RodLength,
                () => new(Quantity.RodLength(pin), $"You pinned this length", [], Source.Yours, Pin: new() { RodLengthM = pin })
            );
            return pin;
        }
        var (feet, why) = (brief.Water, brief.Cover, brief.Stance) switch
        {
            (_, Cover.Canopy, _) => (6.75, "branches overhead: the rod must be short"),
            (Water.SmallStream, _, _) => (8.25, "a small stream, with room to lift"),
            (_, _, Stance.DeepWading) => (10.0, "wading deep the back cast needs height"),
            (Water.River, _, _) when brief.Fly.Kind.Nymph => (10.0, "nymphs are led and mended at arm's length"),
            (_, _, Stance.Boat) => (8.75, "many casts from a boat: less to swing"),
            (Water.Shore, _, _) => (9.5, "over waves and rocks, every inch of height helps"),
            _ => (9.0, "nothing asks for anything else"),
        };
        var longer = brief.Lean == Lean.Finesse && brief.Cover != Cover.Canopy;
        var length = (book.IsOff(Rules.RodLength) ? 9 : feet + (longer ? .5 : 0)) * Exact.FootM;
        book.Add(
            Rules.RodLength,
            () =>
                new(
                    Quantity.RodLength(length),
                    $"{PlainText.Capital(why)}{(longer ? "; finesse adds half a foot" : "")}",
                    [
                        new("water", BriefWords.For(brief.Water)),
                        new("cover", BriefWords.For(brief.Cover)),
                        new("stance", BriefWords.For(brief.Stance)),
                    ],
                    Pin: new() { RodLengthM = length }
                )
        );
        return length;
    }

    public static RodAction Action(Brief brief, double tippetM, string density, LedgerBook book)
    {
        var (wanted, why) =
            brief.Caster.Learning ? (RodAction.Medium, "a learner needs to feel the rod load")
            : Densities.Rank(density) >= Densities.Type5 ? (RodAction.Medium, "a heavy sinking head all day: bend into the butt forgives")
            : tippetM <= Tippets.DiameterOfX(4.75) || brief.DistanceM < 9 ? (RodAction.Medium, "close and fine: the rod must give")
            : brief.HeadwindMps > 5 || brief.DistanceM > 20 ? (RodAction.Fast, "wind or distance: drive it")
            : (RodAction.MediumFast, "does everything fairly well");
        var action = book.IsOff(Rules.RodActionRule) ? RodAction.MediumFast : wanted;
        book.Add(
            Rules.RodActionRule,
            () =>
                new(
                    Actions.Word(action),
                    $"{PlainText.Capital(why)}",
                    [
                        new("tippet", Quantity.Tippet(tippetM)),
                        new("distance", Quantity.Distance(brief.DistanceM)),
                        new("in the face", Quantity.Wind(brief.HeadwindMps)),
                    ]
                )
        );
        return action;
    }

    public static void Chosen(Specification spec, Rod rod, LedgerBook book)
    {
        if (!rod.IsThere)
            book.Add(
                Rules.RodChoice,
                () =>
                    new(
                        "look for",
                        $"No rod in the shed is within a class and a half of {Quantity.Class(spec.Class.Target)} and fits the "
                            + $"place. Look for class {Quantity.Class(rod.PrintedClass!.Value)}, {Quantity.RodLength(rod.LengthM)}, "
                            + $"{Actions.Word(rod.Action)}",
                        [new("class aimed for", Quantity.Class(spec.Class.Target))],
                        Doubt: true
                    )
            );
        else
            book.Add(
                Rules.RodChoice,
                () =>
                    new(
                        rod.Tag,
                        $"{rod.Name}: class {Quantity.Class(rod.Class ?? 0, rod.MeasuredPlusMinus)} "
                            + $"against {Quantity.Class(spec.Class.Target)} aimed for",
                        [
                            new("class aimed for", Quantity.Class(spec.Class.Target)),
                            new("length aimed for", Quantity.RodLength(spec.RodLengthM)),
                            new("its length", Quantity.RodLength(rod.LengthM)),
                            new("its action", Actions.Word(rod.Action)),
                        ],
                        Pin: new() { Rod = rod.Id }
                    )
            );
        if (rod.MeasuredClass is { } measured)
            book.Add(
                Rules.RodMeasured,
                () =>
                    new(
                        Quantity.Class(measured, rod.MeasuredPlusMinus),
                        rod.VeryFast ? (Sentence)$"Measured; a very fast rod, so its window is built on {Quantity.Class(measured - 1)}"
                            : rod.PrintedClass is { } printed ? (Sentence)$"Measured, where the label says {Quantity.Class(printed)}"
                            : $"Measured; there is no label",
                        [
                            new("bend test", Quantity.Class(measured, rod.MeasuredPlusMinus)),
                            new("label", rod.PrintedClass is { } p ? Quantity.Class(p) : "none"),
                            new("tip angle", rod.TipAngleDeg is { } a ? new Quantity(a, Kind.Angle) : "not read"),
                        ],
                        Doubt: rod.LabelDisagrees
                    )
            );
    }
}
