using ZingCast.Core.Briefs;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Every piece of the shed that could take a link's place, best first.</summary>
internal static class Candidates
{
    internal static IReadOnlyList<Candidate> Rods(GearShed shed, Brief brief, Specification spec, Outfit outfit) =>
        Ranked(shed.Rods, r => Choosing.Cost(r, spec, brief), r => Rod(r, spec, brief, r.Id == outfit.Rod.Id));

    internal static IReadOnlyList<Candidate> Lines(GearShed shed, Brief brief, Specification spec, Outfit outfit) =>
        Ranked(shed.Lines, l => Choosing.Cost(l, outfit.Rod, spec, brief), l => Line(l, outfit.Rod, spec, brief, l.Id == outfit.Line.Id));

    internal static IReadOnlyList<Candidate> Reels(GearShed shed, Brief brief, Outfit outfit) =>
        Ranked(
            shed.Reels,
            r => Choosing.Cost(r, outfit.Rod, outfit.Line, outfit.Backing, outfit.BackingM, brief, shed),
            r => Reel(r, outfit, brief, r.Id == outfit.Reel.Id)
        );

    private static IReadOnlyList<Candidate> Ranked<T>(IReadOnlyList<T> all, Func<T, double> cost, Func<T, Candidate> tell) =>
        [
            // The cost of a line walks its whole profile, so it is computed once per line.
            .. all.Select(x => (Piece: x, Cost: cost(x))).OrderBy(x => x.Cost).Select(x => tell(x.Piece)),
        ];

    private static Candidate Rod(Rod rod, Specification spec, Brief brief, bool chosen)
    {
        var judged = LinkVerdicts.Rod(rod, spec, brief);
        Figure figure = rod.Class is { } c ? Quantity.Class(c, rod.MeasuredPlusMinus) : "no class";
        return new(rod.Id, rod.Tag, rod.Name, figure, rod.Class, judged.Verdict, judged.Why(), chosen);
    }

    private static Candidate Line(FlyLine line, Rod rod, Specification spec, Brief brief, bool chosen)
    {
        if (line.MassKg is null)
            return new(
                line.Id,
                line.Tag,
                line.Name,
                "weigh it",
                null,
                Verdict.Fails,
                $"No label and never weighed: nobody knows what it loads",
                chosen
            );
        var load = Choosing.Load(rod, line, brief);
        var judged = LinkVerdicts.Line(line, load, spec, brief);
        return new(line.Id, line.Tag, line.Name, Figure.Load(load), load.Ratio, judged.Verdict, judged.Why(), chosen);
    }

    private static Candidate Reel(Reel reel, Outfit outfit, Brief brief, bool chosen)
    {
        var fill = SpoolFill.For(reel, outfit.Line, outfit.Backing, outfit.BackingM, outfit.Leader);
        var judged = LinkVerdicts.Reel(reel, fill, outfit, brief);
        return new(reel.Id, reel.Tag, reel.Name, Figure.Fill(fill), fill.Share, judged.Verdict, judged.Why(), chosen);
    }
}
