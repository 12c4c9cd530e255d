using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rigging;
using ZingCast.Core.Shed;

namespace ZingCast.Core.Trips;

/// <summary>What would come next after a first outfit.</summary>
/// <param name="Pieces">The pieces.</param>
/// <param name="Served">Days served with them.</param>
/// <param name="Gain">What is gained of all days, 0 to 1.</param>
/// <param name="Says">It in a sentence.</param>
public sealed record NextStep(IReadOnlyList<TripPiece> Pieces, int Served, double Gain, Sentence Says);

/// <summary>Something on a list, with its heading.</summary>
public sealed record Titled(string Title, Sentence Says);

/// <summary>
/// The one rod, line and reel for somebody who owns nothing: of all that the days ask for, the outfit that serves them best together.
/// </summary>
/// <param name="Coverage">It against each day.</param>
/// <param name="Shopping">What to ask for, in shop words.</param>
/// <param name="Flies">Flies and tippet for each day.</param>
/// <param name="SetUp">How it goes together.</param>
/// <param name="Next">What a second line, and a second outfit, would add.</param>
/// <param name="Lessons">About learning.</param>
/// <param name="Says">The answer in a sentence.</param>
public sealed record FirstOutfit(
    Coverage Coverage,
    IReadOnlyList<CardLine> Shopping,
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

    // Money is no object while nobody has said a price.
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

    /// <summary>For at least one day. Null when nothing that can be bought serves any of them.</summary>
    public static FirstOutfit? Of(IReadOnlyList<TripDay> days, CancellationToken cancel = default)
    {
        var scores = TripScores.Of(days, TripPool.ToBegin(days, cancel), GearShed.Empty, cancel);
        var one = TripPlan.Of(scores, Free(1, 1, 1), further: false);
        if (one is not { Kit: { Rods: [var rod, ..], Lines: [var line, ..], Reels: [var reel, ..] } kit })
            return null;
        // In the words of the day that it is best for among those that count most.
        var main = Enumerable
            .Range(0, days.Count)
            .Where(d => one.Coverage.Days[d].Best is not null)
            .MaxBy(d => days[d].Weight * (one.Coverage.Days[d].Cells[0]?.Worth ?? 0));
        var choice = scores.Told(main, one.Taken!.Rods[0], one.Taken.Wound[0]);
        var told = scores.Session(main).Explain(choice);
        var held = new Pieces([rod.Id], [line.Id], [reel.Id]);
        NextStep? Step(TripLimits limits, string what)
        {
            var next = TripPlan.Of(scores, limits, held, further: false);
            if (next.Kit is not { } more || more.Value - kit.Value < DayWorth.Felt)
                return null;
            TripPiece[] pieces =
            [
                .. more.Rods.Where(p => p.Id != rod.Id),
                .. more.Lines.Where(p => p.Id != line.Id),
                .. more.Reels.Distinct().Where(p => p.Id != reel.Id),
            ];
            Sentence says =
                more.Served > kit.Served
                    ? $"{what} would serve {more.Served} of {next.Coverage.Of} days instead of {kit.Served}"
                    : (Sentence)$"{what} would serve no more days, but serve them better";
            return new(pieces, more.Served, more.Value - kit.Value, says);
        }
        Sentence served = kit.Served == one.Coverage.Of ? $"serves every day" : (Sentence)$"serves {kit.Served} of {one.Coverage.Of} days";
        return new(
            one.Coverage,
            told.Card.Lines,
            [.. days.Select((d, i) => Fly(d.Name, d.Brief, scores.Session(i)))],
            [
                .. new RigTicket { Name = "first", Plan = choice.Outfit.ToRig(days[main].Brief, GearShed.Empty) }.Steps.Select(
                    s => new Titled(s.Title, s.Says)
                ),
            ],
            [.. new[] { Step(Free(1, 2, 1), "A second line"), Step(Free(2, 2, 2), "A second outfit") }.OfType<NextStep>()],
            Teaching,
            $"A {rod.Tag} with a {line.Tag} line {served}"
        );
    }

    private static Titled Fly(string day, Brief brief, MatchSession session)
    {
        var outfit = session.Choose().Outfit;
        return new(
            day,
            $"{brief.Fly.SizeName} {brief.Fly.Kind.Name} on {Quantity.Tippet(outfit.Tippet.DiameterM)} tippet, leader of "
                + $"{Quantity.RodLength(outfit.Leader.LengthM)}"
        );
    }
}
