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

/// <summary>The outfit a class is judged by before any gear is looked at. Common practice.</summary>
public static class MatchedOutfit
{
    /// <summary>Short heads are built this much heavier than the rod's class on purpose, classes: 1½ to 2 in practice.</summary>
    public const double ShortHeadHeavier = 1.75;

    private const double RodM = 9 * Exact.FootM,
        LineM = 36,
        HeadM = 12,
        ShortHeadM = 9.3;

    /// <summary>Bulky and weighted flies go on short heads built heavy.</summary>
    public static bool ShortHead(Fly fly) => fly.Kind.Bushy || fly.Kind.Weighted;

    /// <summary>
    /// The matched outfit of a class for this brief: nine feet of rod and an ordinary floating line, or a short head built heavy.
    /// </summary>
    public static CastSetup OfClass(Brief brief, double lineClass, double tippetM)
    {
        var line = ShortHead(brief.Fly)
            // A short head weighs what its class weighs in thirty feet, whatever its length.
            ? Reel.TypicalLine(Math.Min(LineWeights.Highest, lineClass + ShortHeadHeavier)) with
            {
                HeadM = ShortHeadM,
                LengthM = LineM,
                HeadKg = LineWeights.MassKg(lineClass + ShortHeadHeavier),
            }
            : Reel.TypicalLine(lineClass) with
            {
                HeadM = HeadM,
                LengthM = LineM,
            };
        var rod = new Rod
        {
            Tag = "—",
            Name = "matched",
            LengthM = RodM,
            PrintedClass = lineClass,
        };
        return CastSetup.Of(brief, rod, line, Leader.Build(LeaderRules.UsualLengthM(brief), line.TipDiameterM, tippetM, 0));
    }
}

/// <summary>
/// The casts of one brief, each worked out once however often the chain is solved again. A cast is known by what is really thrown: rod,
/// line and every piece of the leader.
/// </summary>
/// <param name="brief">The brief.</param>
public sealed class CastCache(Brief brief)
{
    private readonly Dictionary<double, ClassNeed> needs = [];
    private readonly Dictionary<(Rod, FlyLine, Leader), ReachAnswer> answers = [];

    /// <summary>The class this brief needs with this tippet, metres.</summary>
    public ClassNeed Need(double tippetM) =>
        needs.TryGetValue(tippetM, out var known)
            ? known
            : needs[tippetM] = ClassSearch.Solve(c => MatchedOutfit.OfClass(brief, c, tippetM), brief.DistanceM);

    /// <summary>What this rod, line and leader reach for the brief. Null when nobody knows what the line weighs.</summary>
    public ReachAnswer? Of(Rod rod, FlyLine line, Leader leader) =>
        line.MassKg is null ? null
        : answers.TryGetValue((rod, line, leader), out var known) ? known
        : answers[(rod, line, leader)] = Throw(rod, line, leader);

    /// <summary>Works out casts that will be asked for, side by side.</summary>
    public void Prepare(Rod rod, IReadOnlyList<(FlyLine Line, Leader Leader)> throws)
    {
        var open = throws.Where(t => t.Line.MassKg is not null && !answers.ContainsKey((rod, t.Line, t.Leader))).ToList();
        var found = new ReachAnswer[open.Count];
        Parallel.For(
            0,
            open.Count,
            new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
            i => found[i] = Throw(rod, open[i].Line, open[i].Leader)
        );
        for (var i = 0; i < open.Count; i++)
            answers[(rod, open[i].Line, open[i].Leader)] = found[i];
    }

    private ReachAnswer Throw(Rod rod, FlyLine line, Leader leader) =>
        CastSearch.Reach(CastSetup.Of(brief, rod, line, leader), brief.DistanceM);
}
