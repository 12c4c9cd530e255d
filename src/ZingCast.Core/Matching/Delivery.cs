using ZingCast.Core.Briefs;
using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What it takes to deliver the fly, and how far this person gets it.</summary>
/// <param name="Class">Smallest class that delivers.</param>
/// <param name="Comfortable">Class that delivers with ease.</param>
/// <param name="ReachM">Estimated reach, rod tip to fly, with its tolerance in metres.</param>
public sealed record DeliveryAnswer(double Class, double Comfortable, Quantity ReachM);

/// <summary>
/// The seam between matching and casting: anything that can say which class delivers this fly on this day.
/// It writes its own steps into the ledger.
/// </summary>
public interface IDeliveryModel
{
    /// <summary>Answers for a brief. Always gives an answer for a complete brief.</summary>
    DeliveryAnswer Answer(Brief brief, LedgerBook book);
}

/// <summary>One rung of the hook-and-bulk ladder.</summary>
/// <param name="Name">How people say it.</param>
/// <param name="Small">Smallest hook on this rung; hooks only.</param>
/// <param name="FromBodyM">Shortest body on this rung for flies measured by length, metres; 0 for hooks.</param>
/// <param name="Low">Lowest class.</param>
/// <param name="High">Highest class.</param>
public sealed record LadderRung(string Name, HookSize Small, double FromBodyM, double Low, double High);

/// <summary>What people say by hook and bulk alone. Common practice.</summary>
public sealed class LadderDelivery : IDeliveryModel
{
    /// <summary>Small to large; a fly stands on the last rung it reaches.</summary>
    public static readonly IReadOnlyList<LadderRung> Rungs =
    [
        new("#18–24", new(HookSize.Smallest), 0, 2, 4), new("#12–16", new(17), 0, 3, 5), new("#8–10", new(11), 0, 4, 6),
        new("#4–6", new(7), 0, 6, 7), new("#2–1/0", new(3), 0, 7, 8), new("2/0–4/0", new(-1), 0, 8, 9),
        new("15–20 cm, bulky", new(-3), .13, 9, 10), new("25 cm and more, soaked", new(-5), .225, 10, 12),
    ];

    /// <summary>The rung a fly stands on.</summary>
    public static LadderRung RungOf(Fly fly) => Rungs.Last(r =>
        r.FromBodyM > 0 ? fly.BodyM >= r.FromBodyM && fly.Kind.Bushy : fly.Size.Number <= r.Small.Number);

    /// <summary>Fly mass over line mass that casts comfortably, and the most that casts at all.</summary>
    public const double ComfortableRatio = .20, MostRatio = .45;

    /// <inheritdoc/>
    public DeliveryAnswer Answer(Brief brief, LedgerBook book)
    {
        var fly = brief.Fly;
        var rung = RungOf(fly);
        book.Move(Rules.Delivery, rung.Low, rung.Low,
            $"A {fly.SizeName} {fly.Kind.Name} stands on the rung {rung.Name}: class {Quantity.Class(rung.Low)} to {Quantity.Class(rung.High)}",
            [new("rung", rung.Name), new("from class", Quantity.Class(rung.Low)), new("to class", Quantity.Class(rung.High))]);

        // A heavy fly may need more line than its hook suggests; the ladder still says where good sense ends.
        var atMost = SmallestClass(brief, MostRatio);
        var atEase = SmallestClass(brief, ComfortableRatio);
        var delivery = Math.Max(rung.Low, atMost);
        var comfortable = Math.Clamp(atEase, Math.Max(delivery, (rung.Low + rung.High) / 2), Math.Max(delivery, rung.High + (fly.Kind.Weighted ? 1 : 0)));
        book.Move(Rules.FlyRatio, rung.Low, delivery,
            $"{Quantity.LineMass(fly.WetKg)} of soaked fly is {Quantity.Ratio(fly.WetKg / CarriedKg(brief, comfortable))} of the line a class {Quantity.Class(comfortable)} puts in the air",
            [new("soaked fly", Quantity.LineMass(fly.WetKg)), new("line in the air", Quantity.LineMass(CarriedKg(brief, comfortable))),
                new("castable from class", Quantity.Class(atMost)), new("comfortable from class", Quantity.Class(atEase))],
            doubt: atEase > comfortable + .25);
        return new(delivery, comfortable, Reach(brief));
    }

    /// <summary>
    /// Usual reach: the caster's calm figure, cut in proportion to headwind (to the share known at 10 m/s) and by bulk beyond a
    /// slim fly. Good to ±20 %. Following wind is not credited.
    /// </summary>
    public static Quantity Reach(Brief brief)
    {
        var calm = (brief.Caster.CalmFromM + brief.Caster.CalmToM) / 2;
        var wind = Blend.Between(1, brief.Caster.HeadwindShare, Math.Max(0, brief.HeadwindMps) / 10);
        var bulk = 1 - .03 * Math.Min(10, Math.Max(0, brief.Fly.AreaM2 * 1e4 - 1));
        var reach = Math.Max(2, calm * Math.Max(.1, wind) * bulk);
        return Quantity.Length(reach, .2 * reach);
    }

    /// <summary>Smallest class, in quarter steps, whose carried line holds the fly's share at or below a ratio; 15 when none does.</summary>
    private static double SmallestClass(Brief brief, double ratio)
    {
        for (var c = 0.0; c < LineWeights.Highest; c += .25)
            if (brief.Fly.WetKg <= ratio * CarriedKg(brief, c))
                return c;
        return LineWeights.Highest;
    }

    // Bulky and weighted flies go on short heads that are built about 1¾ classes heavy and hang wholly outside the tip;
    // others are carried at their length.
    private static double CarriedKg(Brief brief, double lineClass)
    {
        // Whatever hangs there, line and fly together stay under the top of the class's window.
        var standard = LineWeights.MassKg(lineClass);
        var carry = Math.Clamp(brief.DistanceM - 2.7, 6, brief.Caster.CarryM);
        var line = brief.Fly.Kind.Bushy || brief.Fly.Kind.Weighted ? LineWeights.MassKg(lineClass + 1.75) : standard * carry / Exact.ThirtyFeetM;
        return Math.Max(.2 * standard, Math.Min(line, LineLoad.Top * standard - brief.Fly.WetKg));
    }
}
