using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Matching;

/// <summary>
/// Simulated casts of one brief, each computed once however often the chain is solved again. The key is what is thrown: rod, line and every
/// piece of the leader.
/// </summary>
/// <param name="brief">The brief.</param>
public sealed class CastCache(Brief brief)
{
    private readonly Dictionary<(Tackle, double, double), ClassCurve> curves = [];
    private readonly Dictionary<(Rod, FlyLine, Leader), ReachAnswer> answers = [];

    /// <summary>
    /// Reach over class with this tackle, up to class <paramref name="most"/>, in the brief's wind plus <paramref name="windierMps"/> more
    /// head wind.
    /// </summary>
    public ClassCurve Curve(Tackle tackle, double most, double windierMps = 0) =>
        curves.TryGetValue((tackle, most, windierMps), out var known)
            ? known
            : curves[(tackle, most, windierMps)] = new ClassCurve(
                c =>
                {
                    var setup = tackle.Setup(brief, c);
                    return windierMps == 0 ? setup : setup.In(setup.Day.HeadwindMps + windierMps, setup.Day.CrosswindMps);
                },
                most
            );

    /// <summary>Reach of this rod, line and leader for the brief. Null when the line's mass is unknown.</summary>
    public ReachAnswer? Reach(Rod rod, FlyLine line, Leader leader) =>
        line.MassKg is null ? null
        : answers.TryGetValue((rod, line, leader), out var known) ? known
        : answers[(rod, line, leader)] = Throw(rod, line, leader);

    /// <summary>Computes casts that will be asked for, in parallel.</summary>
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
        CastSearch.Reach(CastSetup.For(brief, rod, line, leader), brief.DistanceM);
}
