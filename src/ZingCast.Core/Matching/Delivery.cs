using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Flies;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What it takes to deliver the fly.</summary>
/// <param name="Class">Smallest class that delivers.</param>
/// <param name="Comfortable">Class that delivers with ease.</param>
/// <param name="Need">What the cast says about classes.</param>
public sealed record DeliveryAnswer(double Class, double Comfortable, ClassNeed Need);

/// <summary>One rung of the hook-and-bulk ladder.</summary>
/// <param name="Name">How people say it.</param>
/// <param name="Small">Smallest hook on this rung; hooks only.</param>
/// <param name="FromBodyM">Shortest body on this rung for flies measured by length, metres; 0 for hooks.</param>
/// <param name="Low">Lowest class.</param>
/// <param name="High">Highest class.</param>
public sealed record LadderRung(string Name, HookSize Small, double FromBodyM, double Low, double High)
{
    /// <summary>A class this far outside the rung is a disagreement worth saying, classes.</summary>
    public const double Disagrees = 1.5;

    /// <summary>How far a class lies outside the rung, classes; 0 on it.</summary>
    public double Outside(double lineClass) => Math.Max(0, Math.Max(Low - lineClass, lineClass - High));
}

/// <summary>What people say by hook and bulk alone: the visible cross-check on the computed cast. Common practice.</summary>
public static class Ladder
{
    /// <summary>Small to large; a fly stands on the last rung it reaches.</summary>
    public static readonly IReadOnlyList<LadderRung> Rungs =
    [
        new("#18–24", new(HookSize.Smallest), 0, 2, 4),
        new("#12–16", new(17), 0, 3, 5),
        new("#8–10", new(11), 0, 4, 6),
        new("#4–6", new(7), 0, 6, 7),
        new("#2–1/0", new(3), 0, 7, 8),
        new("2/0–4/0", new(-1), 0, 8, 9),
        new("15–20 cm, bulky", new(-3), .13, 9, 10),
        new("25 cm and more, soaked", new(-5), .225, 10, 12),
    ];

    /// <summary>The rung a fly stands on.</summary>
    public static LadderRung RungOf(Fly fly) =>
        Rungs.Last(r => r.FromBodyM > 0 ? fly.BodyM >= r.FromBodyM && fly.Kind.Bushy : fly.Size.Number <= r.Small.Number);
}

/// <summary>
/// Which class delivers the fly: the cast decides, the fly's share of the line limits it, the ladder looks over its shoulder.
/// </summary>
internal static class Delivery
{
    public static DeliveryAnswer Decide(Brief brief, Casts casts, double tippetM, LedgerBook book)
    {
        var fly = brief.Fly;
        var need = casts.Need(tippetM);
        var rung = Ladder.RungOf(fly);
        // In a wind that nothing survives no class is the answer; the hook's own stands until the wind drops.
        var cast = need.ReachM > 0 ? need.Class : rung.Low;
        book.Move(
            Rules.Delivery,
            cast,
            cast,
            need.Gets
                    ? $"From this class {brief.Caster.Article} {brief.Caster.Name} casts "
                        + $"{Quantity.Length(brief.DistanceM)} with a tenth in hand and the fly turned over"
                : need.ReachM > 0
                    ? (Sentence)$"No class gives this caster {Quantity.Length(brief.DistanceM)} with a tenth "
                        + $"in hand today; this one gets {Quantity.Length(need.ReachM)}"
                : $"No class turns this fly over in this wind: wait, turn or go smaller. By hook alone it is this one",
            [
                new("distance", Quantity.Length(brief.DistanceM)),
                new("farthest with this class", Casts.Estimate(need.ReachM)),
                new("a class more adds", Quantity.Length(need.NextAddsM)),
                new("in the face", Quantity.Wind(brief.HeadwindMps)),
                new("drag area", new Quantity(fly.AreaM2, Kind.Area)),
                new("caster", brief.Caster.Name),
            ],
            doubt: !need.Gets
        );
        if (!need.Gets && need.ReachM > 0)
            book.Note(
                Rules.Flattens,
                Quantity.Class(need.Flattens),
                $"Climbing stops paying here: a class above {Quantity.Class(need.Class)} adds "
                    + $"{Quantity.Length(need.NextAddsM)}. The class is not the problem; see what would help",
                [
                    new("reach here", Quantity.Length(need.ByClass[(int)need.Flattens])),
                    new("two classes up", Quantity.Length(need.ByClass[Math.Min(15, (int)need.Flattens + 2)])),
                ],
                doubt: true
            );

        var atMost = SmallestClass(brief, CastEngine.MostFlyRatio);
        var atEase = SmallestClass(brief, CastEngine.ComfortableFlyRatio);
        var delivery = Math.Max(cast, atMost);
        var comfortable = Math.Clamp(atEase, delivery, Math.Max(delivery, rung.High + (fly.Kind.Weighted ? 1 : 0)));
        book.Move(
            Rules.FlyRatio,
            cast,
            delivery,
            $"{Quantity.LineMass(fly.WetKg)} of soaked fly is {Quantity.Ratio(fly.WetKg / CarriedKg(brief, comfortable))} "
                + $"of the line a class {Quantity.Class(comfortable)} puts in the air",
            [
                new("soaked fly", Quantity.LineMass(fly.WetKg)),
                new("line in the air", Quantity.LineMass(CarriedKg(brief, comfortable))),
                new("castable from class", Quantity.Class(atMost)),
                new("comfortable from class", Quantity.Class(atEase)),
            ],
            doubt: atEase > comfortable + .25
        );

        var apart = rung.Outside(delivery);
        var why =
            delivery > rung.High ? "Wind and distance ask for more"
            : need.Gets ? "This distance is easy with less"
            : "More would add little distance";
        book.Note(
            Rules.Ladder,
            $"{rung.Low:0}–{rung.High:0}",
            apart > LadderRung.Disagrees
                ? (Sentence)$"By hook alone people reach for class {Quantity.Class(rung.Low)} to {Quantity.Class(rung.High)}; the "
                    + $"cast asks for {Quantity.Class(delivery)}. {why}; fish and wind still have their say"
                : $"By hook alone people reach for class {Quantity.Class(rung.Low)} to "
                    + $"{Quantity.Class(rung.High)}: near enough to {Quantity.Class(delivery)}",
            [new("rung", rung.Name), new("apart", Quantity.Class(apart))],
            doubt: apart > LadderRung.Disagrees
        );
        return new(delivery, comfortable, need);
    }

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
        var line = Casts.ShortHead(brief.Fly) ? LineWeights.MassKg(lineClass + 1.75) : standard * carry / Exact.ThirtyFeetM;
        return Math.Max(.2 * standard, Math.Min(line, LineLoad.Top * standard - brief.Fly.WetKg));
    }
}

/// <summary>The casts of one brief, each worked out once however often the chain is solved again.</summary>
/// <param name="brief">The brief.</param>
public sealed class Casts(Brief brief)
{
    private readonly Dictionary<double, ClassNeed> needs = [];
    private readonly Dictionary<(Rod, FlyLine, double, double, double), ReachAnswer> answers = [];

    /// <summary>
    /// How far a computed reach may be off, as a share: half the width of what such casters usually reach. A person's own logged casts
    /// narrow it.
    /// </summary>
    public const double Doubt = .11;

    /// <summary>A computed length with how far it may be off, metres.</summary>
    public static Quantity Estimate(double metres) => Quantity.Length(metres, Doubt * metres);

    /// <summary>Bulky and weighted flies go on short heads built heavy.</summary>
    public static bool ShortHead(Fly fly) => fly.Kind.Bushy || fly.Kind.Weighted;

    /// <summary>
    /// The matched outfit of a class for this brief: nine feet of rod and an ordinary floating line, or a short head built 1¾ classes
    /// heavy.
    /// </summary>
    public static CastSetup OfClass(Brief brief, double lineClass, double tippetM)
    {
        var head = ShortHead(brief.Fly) ? 9.3 : 12;
        var line = Reel.TypicalLine(ShortHead(brief.Fly) ? Math.Min(LineWeights.Highest, lineClass + 1.75) : lineClass) with
        {
            HeadM = head,
            LengthM = 36,
        };
        // A short head weighs what its class weighs in thirty feet, whatever its length.
        if (ShortHead(brief.Fly))
            line = line with { HeadKg = LineWeights.MassKg(lineClass + 1.75) };
        var rod = new Rod
        {
            Tag = "—",
            Name = "matched",
            LengthM = 9 * Exact.FootM,
            PrintedClass = lineClass,
        };
        return CastSetup.Of(brief, rod, line, Leader.Build(LeaderRules.UsualLengthM(brief), line.TipDiameterM, tippetM, 0));
    }

    /// <summary>The class this brief needs with this tippet, metres.</summary>
    public ClassNeed Need(double tippetM) =>
        needs.TryGetValue(tippetM, out var known)
            ? known
            : needs[tippetM] = ClassSearch.Solve(c => OfClass(brief, c, tippetM), brief.DistanceM);

    /// <summary>What this rod, line and leader reach for the brief. Null when nobody knows what the line weighs.</summary>
    public ReachAnswer? Of(Rod rod, FlyLine line, Leader leader)
    {
        if (line.MassKg is null)
            return null;
        var key = (rod, line, leader.LengthM, leader.TippetM, leader.GuardM);
        return answers.TryGetValue(key, out var known)
            ? known
            : answers[key] = CastSearch.Reach(CastSetup.Of(brief, rod, line, leader), brief.DistanceM);
    }
}
