using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What it takes to deliver the fly.</summary>
/// <param name="Class">Smallest class that delivers.</param>
/// <param name="Comfortable">Class that delivers with ease.</param>
/// <param name="Need">What the cast says about classes.</param>
internal sealed record DeliveryAnswer(double Class, double Comfortable, ClassNeed Need);

/// <summary>
/// Which class delivers the fly: the cast decides, the fly's share of the line limits it, and the ladder (the advisory cross-check) is said
/// beside it.
/// </summary>
internal static class Delivery
{
    public static DeliveryAnswer Decide(Brief brief, CastCache casts, double tippetM, LedgerBook book)
    {
        var need = casts.Need(tippetM);
        var rung = Ladder.RungOf(brief.Fly);
        // In a wind that nothing survives no class is the answer; the hook's own stands until the wind drops.
        var byCast = need.ReachM > 0 ? need.Class : rung.Low;
        ByCast(brief, need, byCast, book);
        if (!need.Gets && need.ReachM > 0)
            Flattens(need, book);

        var atMost = SmallestClass(brief, CastEngine.MostFlyRatio);
        var atEase = SmallestClass(brief, CastEngine.ComfortableFlyRatio);
        var delivery = Math.Max(byCast, atMost);
        var comfortable = Math.Clamp(atEase, delivery, Math.Max(delivery, rung.High + (brief.Fly.Kind.Weighted ? 1 : 0)));
        ByFlyRatio(brief, byCast, delivery, comfortable, (atMost, atEase), book);
        ByLadder(rung, delivery, need.Gets, book);
        return new(delivery, comfortable, need);
    }

    private static void ByCast(Brief brief, ClassNeed need, double byCast, LedgerBook book) =>
        book.Move(
            Rules.Delivery,
            byCast,
            byCast,
            () =>
                new(
                    default,
                    need.Gets
                            ? $"From this class {brief.Caster.Article} {brief.Caster.Name} casts "
                                + $"{Quantity.Length(brief.DistanceM)} with a tenth in hand and the fly turned over"
                        : need.ReachM > 0
                            ? (Sentence)$"No class gives this caster {Quantity.Length(brief.DistanceM)} with a tenth "
                                + $"in hand today; this one gets {Quantity.Length(need.ReachM)}"
                        : $"No class turns this fly over in this wind: wait, turn or go smaller. By hook alone it is this one",
                    [
                        new("distance", Quantity.Length(brief.DistanceM)),
                        new("farthest with this class", brief.Caster.Reach(need.ReachM)),
                        new("a class more adds", Quantity.Length(need.NextAddsM)),
                        new("in the face", Quantity.Wind(brief.HeadwindMps)),
                        new("drag area", new Quantity(brief.Fly.AreaM2, Kind.Area)),
                        new("caster", brief.Caster.Name),
                    ],
                    Doubt: !need.Gets
                )
        );

    private static void Flattens(ClassNeed need, LedgerBook book) =>
        book.Note(
            Rules.Flattens,
            () =>
                new(
                    Quantity.Class(need.Flattens),
                    $"Climbing stops paying here: a class above {Quantity.Class(need.Class)} adds "
                        + $"{Quantity.Length(need.NextAddsM)}. The class is not the problem; see what would help",
                    [
                        new("reach here", Quantity.Length(need.ReachByClass(need.Flattens))),
                        new("two classes up", Quantity.Length(need.ReachByClass(need.Flattens + 2))),
                    ],
                    Doubt: true
                )
        );

    private static void ByFlyRatio(
        Brief brief,
        double byCast,
        double delivery,
        double comfortable,
        (double AtMost, double AtEase) from,
        LedgerBook book
    ) =>
        book.Move(
            Rules.FlyRatio,
            byCast,
            delivery,
            () =>
            {
                var (fly, carriedKg) = (brief.Fly, CarriedKg(brief, comfortable));
                return new(
                    default,
                    $"{Quantity.LineMass(fly.WetKg)} of soaked fly is {Quantity.Ratio(fly.WetKg / carriedKg)} of the line a class "
                        + $"{Quantity.Class(comfortable)} puts in the air",
                    [
                        new("soaked fly", Quantity.LineMass(fly.WetKg)),
                        new("line in the air", Quantity.LineMass(carriedKg)),
                        new("castable from class", Quantity.Class(from.AtMost)),
                        new("comfortable from class", Quantity.Class(from.AtEase)),
                    ],
                    Doubt: from.AtEase > comfortable + .25
                );
            }
        );

    private static void ByLadder(LadderRung rung, double delivery, bool gets, LedgerBook book) =>
        book.Note(
            Rules.Ladder,
            () =>
            {
                var apart = rung.Outside(delivery);
                var why =
                    delivery > rung.High ? "Wind and distance ask for more"
                    : gets ? "This distance is easy with less"
                    : "More would add little distance";
                Sentence people = $"By hook alone people reach for class {Quantity.Class(rung.Low)} to {Quantity.Class(rung.High)}";
                return new(
                    $"{rung.Low:0}–{rung.High:0}",
                    apart > LadderRung.Disagrees
                        ? (Sentence)$"{people}; the cast asks for {Quantity.Class(delivery)}. {why}; fish and wind still have their say"
                        : $"{people}: near enough to {Quantity.Class(delivery)}",
                    [new("rung", rung.Name), new("apart", Quantity.Class(apart))],
                    Doubt: apart > LadderRung.Disagrees
                );
            }
        );

    /// <summary>
    /// Smallest class, in quarter steps, whose carried line holds the fly's share at or below a ratio; 15 when none does.
    /// </summary>
    private static double SmallestClass(Brief brief, double ratio)
    {
        for (var c = 0.0; c < LineWeights.Highest; c += .25)
            if (brief.Fly.WetKg <= ratio * CarriedKg(brief, c))
                return c;
        return LineWeights.Highest;
    }

    private static double CarriedKg(Brief brief, double lineClass)
    {
        // Whatever hangs there, line and fly together stay under the top of the class's window.
        var standard = LineWeights.MassKg(lineClass);
        var carry = Math.Min(brief.Caster.CarryM, Math.Max(6, brief.DistanceM - 2.7));
        var line = MatchedOutfit.ShortHead(brief.Fly)
            ? LineWeights.MassKg(lineClass + MatchedOutfit.ShortHeadHeavier)
            : standard * carry / Exact.ThirtyFeetM;
        return Math.Max(.2 * standard, Math.Min(line, LineLoad.Top * standard - brief.Fly.WetKg));
    }
}
