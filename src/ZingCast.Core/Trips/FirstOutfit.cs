using ZingCast.Core.Flies;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rigging;
using ZingCast.Core.Shed;

namespace ZingCast.Core.Trips;

/// <summary>What to buy next after a first outfit.</summary>
/// <param name="Pieces">The pieces.</param>
/// <param name="Says">It in a sentence.</param>
public sealed record NextStep(IReadOnlyList<TripPiece> Pieces, Sentence Says);

/// <summary>An item of a list with its heading.</summary>
public sealed record Titled(string Title, Sentence Says);

/// <summary>How far a beginner reaches on a day.</summary>
/// <param name="Name">The day.</param>
/// <param name="Fish">Its species id.</param>
/// <param name="Wanted">How far the fish are.</param>
/// <param name="Reach">How far it goes, and how sure that is.</param>
/// <param name="Says">It in a sentence.</param>
public sealed record FirstReach(string Name, string Fish, Quantity Wanted, Quantity Reach, Sentence Says);

/// <summary>
/// One rod, line and reel for somebody who owns nothing: the outfit that serves the given days best together. Fish that need an outfit of
/// their own are listed separately.
/// </summary>
/// <param name="Coverage">It against each day that it is for.</param>
/// <param name="Shopping">What to ask for, in shop words, everything from the rod to the flies.</param>
/// <param name="Reach">How far a learner gets with it.</param>
/// <param name="Trade">What people of the trade usually say.</param>
/// <param name="Money">What it costs.</param>
/// <param name="Flies">Leader and fly of each day.</param>
/// <param name="SetUp">How it goes together.</param>
/// <param name="Next">What a second line, and a second outfit, would add; the fish told apart first.</param>
/// <param name="Lessons">About learning.</param>
/// <param name="Says">The answer in a sentence.</param>
public sealed record FirstOutfit(
    Coverage Coverage,
    IReadOnlyList<CardLine> Shopping,
    IReadOnlyList<FirstReach> Reach,
    TradeAnswer Trade,
    FirstMoney Money,
    IReadOnlyList<Titled> Flies,
    IReadOnlyList<Titled> SetUp,
    IReadOnlyList<NextStep> Next,
    IReadOnlyList<Remark> Lessons,
    Sentence Says
)
{
    private static readonly Remark[] Teaching =
    [
        new($"An hour with a qualified instructor before the first day saves a season of habits; two more a month later"),
        new($"Learn on grass with a bit of yarn in place of the fly, glasses and a hat on, nobody behind you"),
        new($"Flatten the barb of every hook you learn with, and ask what the water’s rules are: licence, season, flies, release"),
    ];

    // Largest span of classes that one outfit serves: in fresh water; in salt water; and when only one of two days is in salt or for pike.
    // Common practice, no source.
    private const double FreshSpan = 4,
        SaltSpan = 2.75,
        OtherSpan = 2.2;

    /// <summary>A day with its class.</summary>
    private sealed record Asked(TripDay Day, double Class)
    {
        public bool IsCompatibleWith(Asked other)
        {
            var (a, b) = (Day.Brief.Species, other.Day.Brief.Species);
            return Math.Abs(Class - other.Class)
                <= (
                    a.Salt != b.Salt || a.Group.FlyDriven != b.Group.FlyDriven ? OtherSpan
                    : a.Salt ? SaltSpan
                    : FreshSpan
                );
        }
    }

    /// <summary>For a valid wish.</summary>
    public static FirstOutfit For(FirstWish wish, CancellationToken cancel = default)
    {
        var groups = Apart([.. wish.Days(cancel).Select(d => new Asked(d, Matcher.For(d.Brief, cancel: cancel).Choose().Class.Target))]);
        var first = Bought.For(groups[0], cancel);
        var others = groups.Skip(1).Select(g => Bought.For(g, cancel)).ToList();
        var (choice, brief) = (first.Choice, first.Day.Brief);
        return new(
            first.Plan.Coverage,
            [.. first.Scores.Session(first.Main).Explain(choice).Card.Lines.Select(l => Whole(first, l))],
            [.. first.Days.Select((_, d) => first.ReachOn(d))],
            TradeAnswer.For(first.Days, first.Targets, choice.Outfit.Rod),
            FirstMoney.For(wish.Budget, RunCase.WantsReel(choice.Outfit.FishOn(brief).Run(watched: false))),
            [.. first.Days.Select((d, i) => Fly(d, first.Scores.Session(i)))],
            [
                .. new RigTicket { Name = "first", Plan = choice.Outfit.ToRig(brief, GearShed.Empty) }.Steps.Select(s => new Titled(
                    s.Title,
                    s.Says
                )),
            ],
            [.. others.Select(Beside), .. first.Further(others.Count == 0)],
            [.. first.NotToBeginWith, .. others.SelectMany(o => o.NotToBeginWith), .. Teaching],
            $"{ShopWords.For(choice.Outfit.Rod)}, with {ShopWords.Code(choice.Outfit.Line, choice.Outfit.Rod)}: for {first.Served}"
        );
    }

    // Groups of days: the weightiest that go together on one rod, then those of the rest; of equal groups the lighter, which is easier to
    // learn with.
    private static List<List<Asked>> Apart(IReadOnlyList<Asked> days)
    {
        List<List<Asked>> groups = [];
        for (var rest = days.OrderBy(d => d.Class).ToList(); rest.Count > 0; )
        {
            var group = Enumerable
                .Range(0, rest.Count)
                .Select(i => rest.Skip(i).Aggregate(new List<Asked>(), (set, d) => set.All(d.IsCompatibleWith) ? [.. set, d] : set))
                .OrderByDescending(set => set.Sum(d => d.Day.Weight))
                .ThenBy(set => set[0].Class)
                .First();
            groups.Add([.. days.Where(group.Contains)]);
            rest.RemoveAll(group.Contains);
        }
        return groups;
    }

    // Leader and tippets of all days, all to be bought.
    private static CardLine Whole(Bought bought, CardLine line)
    {
        var tippets = Enumerable
            .Range(0, bought.Days.Count)
            .Select(d => bought.Scores.ChoiceFor(d, bought.Rod, bought.On).Outfit.Tippet.DiameterM)
            .DistinctBy(m => Math.Round(m / TippetStepM))
            .Order();
        static Sentence Each(IEnumerable<Sentence> all) => all.Aggregate((a, b) => $"{a}; {b}");
        var outfit = bought.Choice.Outfit;
        return line.Link switch
        {
            LinkId.Leader => line with
            {
                Says = ShopWords.Leader(outfit.Leader.LengthM, outfit.Tippet.DiameterM),
                Small = line.Says,
                ToBuy = true,
            },
            LinkId.Tippet => line with { Says = Each(tippets.Select(ShopWords.Thickness)), ToBuy = true },
            LinkId.Fly => line with
            {
                Says = Each(bought.Days.Select(d => d.Brief.Fly).DistinctBy(f => (f.Kind.Id, f.Size.Number)).Select(FlyOf)),
                ToBuy = true,
            },
            _ => line with { ToBuy = true },
        };
    }

    // Finest step in which tippet is sold, metres.
    private const double TippetStepM = 2e-5;

    private static Sentence FlyOf(Fly fly) => $"three {fly.SizeName} {fly.Kind.Name}";

    private static Titled Fly(TripDay day, MatchSession session)
    {
        var outfit = session.Choose().Outfit;
        return new(
            day.Name,
            $"{day.Brief.Fly.SizeName} {day.Brief.Fly.Kind.Name} on {Quantity.Tippet(outfit.Tippet.DiameterM)} tippet, leader of "
                + $"{Quantity.RodLength(outfit.Leader.LengthM)}"
        );
    }

    // A separate outfit for fish that the first is not for.
    private static NextStep Beside(Bought bought) =>
        new(bought.Pieces, $"{PlainText.Capital(bought.Names)}: an outfit of its own, {bought.Choice.Outfit.Rod.UsualName()}");

    /// <summary>The outfit to buy for some days, with what it was chosen from.</summary>
    private sealed record Bought(
        IReadOnlyList<TripDay> Days,
        IReadOnlyList<double> Targets,
        TripScores Scores,
        TripPlan Plan,
        int Rod,
        Wound On,
        int Main
    )
    {
        public static Bought For(IReadOnlyList<Asked> asked, CancellationToken cancel)
        {
            TripDay[] days = [.. asked.Select(a => a.Day)];
            var scores = TripScores.For(days, TripPool.ToBegin(days, cancel), GearShed.Empty, cancel);
            var (limits, none) = (Free(1, 1, 1), Trips.Pieces.None);
            var kits = scores.Kits(limits, none, MaxKits);
            // Of kits that are practically equal, the lightest: it is the easiest to learn with.
            var kit = kits.Where(k => kits[0].Value - k.Value < DayWorth.Felt).MinBy(k => scores.Pool.Rods[k.Rods[0]].Class)!;
            var plan = TripPlan.For(scores, limits, none, kit);
            var (rod, on) = (kit.Rods[0], kit.Wound[0]);
            // Described for the day it is best for, among those that count most.
            var main = Enumerable.Range(0, days.Length).MaxBy(d => days[d].Weight * scores.At(d, rod, on));
            return new(days, [.. asked.Select(a => a.Class)], scores, plan, rod, on, main);
        }

        public TripDay Day => Days[Main];

        public Choice Choice => Scores.ChoiceFor(Main, Rod, On);

        public IReadOnlyList<TripPiece> Pieces => [.. Plan.Kit!.Rods, .. Plan.Kit.Lines, .. Plan.Kit.Reels];

        public string Names => PlainText.And([.. Days.Select(d => d.Brief.Species.Name).Distinct()]);

        // Days that it serves, then days that a second line is for.
        public string Served
        {
            get
            {
                var served = Enumerable
                    .Range(0, Days.Count)
                    .ToLookup(d => DayWorth.Serves(Worth(Plan, d)), d => Days[d].Brief.Species.Name);
                string[] open = [.. served[false].Distinct()];
                return PlainText.And([.. served[true].Distinct()])
                    + (open.Length == 0 ? "" : $"; {PlainText.And(open)} {(open.Length == 1 ? "wants" : "want")} another line as well");
            }
        }

        public FirstReach ReachOn(int day)
        {
            var (brief, reach) = (Days[day].Brief, Scores.ChoiceFor(day, Rod, On).Outfit.ReachM);
            return new(
                Days[day].Name,
                brief.Species.Id,
                Quantity.Distance(brief.DistanceM),
                reach,
                $"{brief.Caster.Odds(HandRules.Chance(brief, reach))} get {Quantity.Distance(brief.DistanceM)}"
            );
        }

        // Remarks on flies that are hard for beginners.
        public IEnumerable<Remark> NotToBeginWith =>
            Scores.Session(Main).Explain(Choice).Cautions.Where(c => c.Id == "hard-fly").Select(c => new Remark(c.Says));

        /// <summary>What a second line would add and, when no fish is listed separately, a second outfit.</summary>
        public IEnumerable<NextStep> Further(bool outfitToo)
        {
            if (Step(Free(1, 2, 1), "A second line") is { } line)
                yield return line;
            if (outfitToo && Step(Free(2, 2, 2), "A second outfit") is { } outfit)
                yield return outfit;
        }

        private NextStep? Step(TripLimits limits, string what)
        {
            var held = new Pieces([Scores.Pool.Rods[Rod].Id], [Scores.Pool.Lines[On.Line].Id], [Scores.Pool.Reels[On.Reel].Id]);
            if (
                TripPlan.For(Scores, limits, held, further: false) is not { Kit: { } more } next
                || more.Value - Plan.Kit!.Value < DayWorth.Felt
            )
                return null;
            TripPiece[] pieces =
            [
                .. more.Rods.Where(p => p.Id != held.Rods[0]),
                .. more.Lines.Where(p => p.Id != held.Lines[0]),
                .. more.Reels.Distinct().Where(p => p.Id != held.Reels[0]),
            ];
            string Named(Func<int, bool> which) =>
                PlainText.And([.. Enumerable.Range(0, Days.Count).Where(which).Select(d => Days[d].Name)]);
            return new(
                pieces,
                more.Served > Plan.Kit.Served
                    ? $"{what} would serve {Named(d => DayWorth.Serves(Worth(next, d)) && !DayWorth.Serves(Worth(Plan, d)))} as well"
                    : (Sentence)$"{what} would be better for {Named(d => Worth(next, d) - Worth(Plan, d) >= DayWorth.Felt)}"
            );
        }

        private static double Worth(TripPlan plan, int day) => plan.Coverage.Days[day] is { Best: { } at } d ? d.Cells[at]!.Worth : 0;
    }

    // Number of kits to compare.
    private const int MaxKits = 6;

    // The budget is applied afterwards.
    private static TripLimits Free(int rods, int lines, int reels) =>
        new()
        {
            Rods = rods,
            Lines = lines,
            Reels = reels,
            Budget = 1,
            RodPrice = 0,
            LinePrice = 0,
            ReelPrice = 0,
        };
}
