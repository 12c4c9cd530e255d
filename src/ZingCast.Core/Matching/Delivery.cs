using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>The class that delivers the fly, and its limits. Classes throughout.</summary>
/// <param name="Class">Smallest class that delivers today; where none does, the most that may be named.</param>
/// <param name="Carries">Class from which the fly can be carried at all.</param>
/// <param name="DayInHand">Class that also delivers a windier day farther off, and carries the fly with ease.</param>
/// <param name="Holds">Class that delivers some metres farther too: nothing goes below it for a soft landing.</param>
/// <param name="Most">No class above this is named.</param>
internal sealed record DeliveryAnswer(double Class, double Carries, double DayInHand, double Holds, double Most);

/// <summary>
/// Class that delivers the fly: the simulated cast decides, the fly's share of the line limits it, and the hook-and-bulk ladder bounds both
/// ends.
/// </summary>
internal static class Delivery
{
    /// <summary>Reserve asked of a good answer: this much farther, and this much more head wind, m/s. Common practice.</summary>
    public const double FartherShare = 1.25,
        WindierMps = 2;

    // Fish whose floor is at most this class count as small. On small water, and for small fish, the class stays at or below the second
    // figure; under branches, at or below the third. Common practice: 1 to 4, and 2 to 3.
    private const double SmallFishClass = 2.5,
        SmallClass = 4.25,
        UnderBranchesClass = 3;

    // Head wind beyond this, m/s, and a fly usually fished above this class each argue the class up by the given amount. Our assumption.
    private const double EasyWindMps = 2.5,
        ClassAMps = .25,
        SmallFlyClass = 6.2,
        ClassARung = 2;

    // The reserve for a windier, farther day asks for at most this far below the top of the usual range, classes. Our assumption.
    private const double WithinRung = .5;

    public static DeliveryAnswer Decide(Brief brief, CastCache casts, Tackle tackle, LedgerBook book)
    {
        var (rung, band) = (Ladder.RungOf(brief.Fly), Ladder.BandOf(brief.Fly));
        var atMost = SmallestClass(brief, tackle, CastEngine.MaxFlyRatio);
        var atEase = SmallestClass(brief, tackle, CastEngine.ComfortableFlyRatio);
        var most = ClassRules.Quarter(Math.Min(band.High + LadderRung.MaxAbove, SmallMost(brief, band)));
        var today = casts.Curve(tackle, most);
        var smallest = today.Smallest((1 + ClassCurve.InHand) * brief.DistanceM);
        // An all-round answer goes no lower than the least, whatever the cast says; the reserve asks for no more than enough.
        var (least, enough) = (Math.Max(0, band.Low - LadderRung.MaxBelow), band.High - WithinRung);
        var byCast = smallest ?? most;
        ByCast(brief, today, byCast, smallest is not null, book);
        if (smallest is null && today.TurnsOver(most))
            Flattens(today, book);
        var delivery = Math.Min(Math.Max(byCast, atMost), most);
        ByFlyRatio(brief, tackle, byCast, delivery, (atMost, atEase), book);
        ByLadder(rung, delivery, smallest is not null, book);
        var smooth = today.Smooth(brief.DistanceM, ClassCurve.InHand, Math.Floor(least));
        var inHand = Math.Max(Math.Max(least, smooth), Math.Min(atEase, band.High));
        // On small water there is no reserve beyond the day itself; for small fish it covers wind, not distance.
        var farther = Small(brief) ? ClassCurve.InHand : FartherShare - 1;
        if (inHand < enough && !SmallWater(brief))
            inHand = Math.Max(
                inHand,
                Math.Min(enough, casts.Curve(tackle, most, WindierMps).Smooth(brief.DistanceM, farther, Math.Floor(least)))
            );
        return new(
            delivery,
            Math.Min(atMost, most),
            Math.Clamp(ClassRules.Quarter(inHand), delivery, Math.Max(delivery, most)),
            Math.Max(delivery, Math.Min(most, ClassRules.Quarter(smooth))),
            most
        );
    }

    private static bool SmallWater(Brief brief) => brief.Water == Water.SmallStream || brief.Cover == Cover.Canopy;

    private static bool Small(Brief brief) => SmallWater(brief) || brief.Species.Group.FloorHigh <= SmallFishClass;

    // On small water and for small fish nobody names more, except into a wind or with a fly that is not small.
    private static double SmallMost(Brief brief, Spread band) =>
        !Small(brief)
            ? LineWeights.Highest
            : (brief.Cover == Cover.Canopy ? UnderBranchesClass : SmallClass)
                + ClassAMps * Math.Max(0, brief.HeadwindMps - EasyWindMps)
                + ClassARung * Math.Max(0, band.High - SmallFlyClass);

    private static void ByCast(Brief brief, ClassCurve today, double byCast, bool gets, LedgerBook book)
    {
        var reach = today.ReachM(byCast);
        book.Move(
            Rules.Delivery,
            byCast,
            byCast,
            () =>
                new(
                    default,
                    gets
                            ? $"From this class {brief.Caster.Article} {brief.Caster.Name} casts "
                                + $"{Quantity.Distance(brief.DistanceM)} with a tenth in hand and the fly turned over"
                        : today.TurnsOver(byCast)
                            ? (Sentence)$"No class gives this caster {Quantity.Distance(brief.DistanceM)} with a tenth "
                                + $"in hand today; this one, the most people take for such a fly, gets {Quantity.Distance(reach)}"
                        : $"No class up to this one turns this fly over today; what would help is worked out beside the cast. "
                            + $"By hook alone it is this one",
                    [
                        new("distance", Quantity.Distance(brief.DistanceM)),
                        new("farthest with this class", brief.Reach(reach)),
                        new("a class more adds", Quantity.Length(today.ReachM(byCast + 1) - reach)),
                        new("in the face", Quantity.Wind(brief.HeadwindMps)),
                        new("fly against the air", Figure.Bulk(brief.Fly)),
                        new("caster", brief.Caster.Name),
                    ],
                    Doubt: !gets
                )
        );
    }

    private static void Flattens(ClassCurve today, LedgerBook book)
    {
        book.Add(
            Rules.Flattens,
            () =>
            {
                var (at, adds) = (today.Flattens ?? today.Most, today.ReachM(today.Most + 1) - today.ReachM(today.Most));
                return new(
                    Quantity.Class(at),
                    at >= today.Most
                        ? $"Climbing pays as far as people go for such a fly, and no farther is gone: "
                            + $"a class more adds {Quantity.Length(adds)}"
                        : (Sentence)$"From here on climbing does not pay: the class is not the problem; see what would help",
                    [
                        new("reach here", Quantity.Distance(today.ReachM(at))),
                        new("with the most that is named", Quantity.Distance(today.ReachM(today.Most))),
                        new("a class more adds", Quantity.Length(adds)),
                    ],
                    Doubt: true
                );
            }
        );
    }

    private static void ByFlyRatio(
        Brief brief,
        Tackle tackle,
        double byCast,
        double delivery,
        (double AtMost, double AtEase) from,
        LedgerBook book
    ) =>
        book.Move(
            Rules.FlyRatio,
            byCast,
            delivery,
            () =>
            {
                var (fly, carriedKg) = (brief.Fly, CarriedKg(brief, tackle, delivery));
                Sentence line = delivery < Figure.LeastClass ? $"the lightest line" : (Sentence)$"a class {Quantity.Class(delivery)}";
                return new(
                    default,
                    $"{Quantity.LineMass(fly.WetKg)} of soaked fly is {Quantity.Ratio(fly.WetKg / carriedKg)} of the line "
                        + $"{line} puts in the air",
                    [
                        new("soaked fly", Quantity.LineMass(fly.WetKg)),
                        new("line in the air", Quantity.LineMass(carriedKg)),
                        new("castable from class", Quantity.Class(from.AtMost)),
                        new("comfortable from class", Quantity.Class(from.AtEase)),
                    ],
                    Doubt: from.AtEase > delivery + .25
                );
            }
        );

    private static void ByLadder(LadderRung rung, double delivery, bool gets, LedgerBook book) =>
        book.Add(
            Rules.Ladder,
            () =>
            {
                var apart = rung.Outside(delivery);
                var why =
                    delivery > rung.High ? "Wind and distance ask for more"
                    : gets ? "This distance is easy with less"
                    : "More would add little distance";
                Sentence people = $"By hook alone people reach for class {Quantity.Class(rung.Low)} to {Quantity.Class(rung.High)}";
                Sentence asks = delivery < Figure.LeastClass ? $"any class" : (Sentence)$"class {Quantity.Class(delivery)}";
                return new(
                    $"class {rung.Low:0}–{rung.High:0}",
                    apart > LadderRung.Disagrees
                        ? (Sentence)$"{people}; the cast is content with {asks}. {why}; fish and wind still have their say"
                        : $"{people}: near enough to {asks}",
                    [new("rung", rung.Name), new("apart", Quantity.Class(apart))],
                    Doubt: apart > LadderRung.Disagrees
                );
            }
        );

    /// <summary>
    /// Smallest class, in quarter steps, whose carried line keeps the fly's share at or below the ratio; 15 when none does.
    /// </summary>
    private static double SmallestClass(Brief brief, Tackle tackle, double ratio)
    {
        // Heavier classes carry more.
        var (low, high) = (-1, 4 * LineWeights.Highest);
        while (high - low > 1)
        {
            var middle = (low + high) / 2;
            (low, high) = brief.Fly.WetKg <= ratio * CarriedKg(brief, tackle, middle / 4.0) ? (low, middle) : (middle, high);
        }
        return high / 4.0;
    }

    private static double CarriedKg(Brief brief, Tackle tackle, double lineClass)
    {
        // Judged with the line that would be looked for.
        var rod = tackle.RodOf(lineClass);
        return Choosing.Hangs(tackle.LineOf(brief, rod), brief).Kg;
    }
}
