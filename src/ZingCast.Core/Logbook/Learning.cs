using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Logbook;

/// <summary>What the log shows about one caster.</summary>
/// <param name="CasterId">Id under which they are named.</param>
/// <param name="Name">Name.</param>
/// <param name="Own">A named person; else a preset, which needs a name before it can learn.</param>
/// <param name="Casts">Casts logged and made all out, that can be used.</param>
/// <param name="Needed">How many more it takes.</param>
/// <param name="LeftOut">Casts that cannot be used, and why.</param>
/// <param name="Fit">What the casts say.</param>
/// <param name="Standing">The lesson that counts now.</param>
/// <param name="Offered">The fit is to be accepted or refused.</param>
/// <param name="Says">The gist.</param>
/// <param name="Plan">What to work on, by the outfit cast last.</param>
/// <param name="Progress">Days with something measured.</param>
public sealed record CasterLearning(
    string CasterId,
    string Name,
    bool Own,
    int Casts,
    int Needed,
    IReadOnlyList<string> LeftOut,
    CasterFit? Fit,
    FitDecision? Standing,
    bool Offered,
    Sentence Says,
    PracticePlan? Plan,
    IReadOnlyList<ProgressDay> Progress
);

/// <summary>What the log shows about one rod.</summary>
/// <param name="RodId">The rod.</param>
/// <param name="Tag">Tag.</param>
/// <param name="Name">Name.</param>
/// <param name="Votes">Outings that said how it felt, that can be used.</param>
/// <param name="Needed">How many more it takes.</param>
/// <param name="Feel">What they say.</param>
/// <param name="Standing">The lesson that counts now.</param>
/// <param name="Offered">It is to be accepted or refused.</param>
/// <param name="Says">The gist.</param>
public sealed record RodLearning(
    int RodId,
    string Tag,
    string Name,
    int Votes,
    int Needed,
    RodFeel? Feel,
    FitDecision? Standing,
    bool Offered,
    Sentence Says
);

/// <summary>Proposals from the log, for a person to accept or refuse.</summary>
/// <param name="Casters">Everybody who logged a cast.</param>
/// <param name="Rods">Every rod somebody felt.</param>
public sealed record Learning(IReadOnlyList<CasterLearning> Casters, IReadOnlyList<RodLearning> Rods)
{
    /// <summary>A refused or accepted proposal is made again when this many more casts or votes support it.</summary>
    public const int MoreEvidence = 5;

    /// <summary>From outings, all gear ever in the shed, the casters, and the decisions still in force.</summary>
    public static Learning From(
        IReadOnlyList<Outing> outings,
        GearShed shed,
        IReadOnlyList<Caster> casters,
        IReadOnlyList<OwnCaster> people,
        IReadOnlyList<FitDecision> lessons,
        CancellationToken cancel = default
    )
    {
        var ordered = outings.OrderBy(o => o.On).ThenBy(o => o.Id).ToList();
        var gear = new LoggedGear(shed, casters);
        return new(
            [
                .. ordered
                    .Where(o => o.Casts.Count > 0 || o.Rings.Count > 0)
                    .GroupBy(o => o.Caster)
                    .Where(g => casters.Any(c => c.Id == g.Key))
                    .Select(g => ForCaster(g.Key, [.. g], gear, casters, people, lessons, cancel)),
            ],
            [
                .. ordered
                    .Where(o => o.RodId is not null && Felt(o).Any())
                    .GroupBy(o => o.RodId!.Value)
                    .Where(g => gear.Rods.ContainsKey(g.Key))
                    .Select(g => ForRod(gear.Rods[g.Key], [.. g], gear, lessons)),
            ]
        );
    }

    // Gear by id, and casters, to simulate an outing's casts again.
    private sealed class LoggedGear(GearShed shed, IReadOnlyList<Caster> casters)
    {
        public Dictionary<int, Rod> Rods { get; } = shed.Rods.ToDictionary(r => r.Id);

        public Dictionary<int, FlyLine> Lines { get; } = shed.Lines.ToDictionary(l => l.Id);

        private readonly Dictionary<int, Leaders.TiedLeader> leaders = shed.Leaders.ToDictionary(l => l.Id);

        public CastSetup? Setup(Outing outing, LoggedCast? cast) =>
            outing.Setup(
                cast,
                Rods.GetValueOrDefault(outing.RodId ?? 0),
                Lines.GetValueOrDefault(outing.LineId ?? 0),
                leaders.GetValueOrDefault(outing.LeaderId ?? 0),
                casters
            );

        public string? Lacks(Outing outing) =>
            !Rods.TryGetValue(outing.RodId ?? 0, out var rod) ? "no rod was noted"
            : !Lines.TryGetValue(outing.LineId ?? 0, out var line) ? "no line was noted"
            : rod.Class is null ? $"nobody knows the class of {rod.Tag}"
            : line.MassKg is null ? $"nobody knows what {line.Tag} weighs"
            : null;
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private static CasterLearning ForCaster(
        string id,
        IReadOnlyList<Outing> outings,
        LoggedGear gear,
        IReadOnlyList<Caster> casters,
        IReadOnlyList<OwnCaster> people,
        IReadOnlyList<FitDecision> lessons,
        CancellationToken cancel
    )
    {
        var now = casters.First(c => c.Id == id);
        var person = people.FirstOrDefault(p => p.CasterId == id);
        var preset = Standards.Casters.Find(person?.From ?? id) ?? Standards.Casters.Usual;
        var count = outings.Where(o => gear.Lacks(o) is null).Sum(o => o.Casts.Count(c => c.AllOut));
        // The latest casts, as many as are learned from.
        List<Seen> seen = [];
        foreach (var outing in outings.Reverse())
        {
            if (seen.Count >= CasterFit.MaxCasts || gear.Lacks(outing) is not null)
                continue;
            CastSetup? plain = null;
            foreach (var cast in outing.Casts.Reverse().Take(CasterFit.MaxCasts - seen.Count))
            {
                // Casts in the wind of the day share a setup.
                var setup =
                    cast.WindMps is null && cast.WindFromDeg is null ? plain ??= gear.Setup(outing, null) : gear.Setup(outing, cast);
                seen.Add(new(setup!, cast.CarryM, cast.DistanceM, cast.By, cast.AllOut));
            }
        }
        seen.Reverse();
        var about = lessons.Where(l => person is not null && l.CasterId == person.Id).ToList();
        var (standing, earlier) = about.Where(l => l.Accepted).OrderByDescending(l => l.At).ToList() switch
        {
            [var last, var next, ..] => (last, next),
            [var last] => (last, null),
            _ => ((FitDecision?)null, (FitDecision?)null),
        };
        var undecided = MoreThanDecided(about, count);
        // An accepted fit is compared with the values used before it, not with itself.
        var believed = undecided || standing is null ? now : person!.As(earlier);
        var fit = CasterFit.From(seen, preset, believed, cancel);
        var rig = outings.Reverse().Select(o => gear.Setup(o, null)).FirstOrDefault(s => s is not null);
        return new(
            id,
            now.Name,
            person is not null,
            count,
            Math.Max(0, CasterFit.FewestCasts - count),
            [
                .. outings
                    .Where(o => o.Casts.Count > 0)
                    .Select(o => (Why: gear.Lacks(o), o.Casts.Count))
                    .Where(l => l.Why is not null)
                    .GroupBy(l => l.Why!)
                    .Select(g => $"{g.Sum(l => l.Count)} left out: {g.Key}"),
            ],
            fit,
            standing,
            fit is not null && undecided,
            Summary(fit, believed, preset),
            rig is null ? null : PracticePlan.For(fit?.After ?? now, rig),
            ProgressDay.From(outings)
        );
    }

    private static bool MoreThanDecided(IReadOnlyList<FitDecision> about, int evidence) =>
        about.MaxBy(l => l.At) is not { } last || evidence >= last.Evidence + MoreEvidence;

    private static Sentence Summary(CasterFit? fit, Caster before, Caster preset) =>
        fit is null
            ? (Sentence)$"Goes by what a {preset.Name} is until {CasterFit.FewestCasts} casts are logged that were made as far as they go."
            : $"{fit.Casts} casts say {fit.FreeMps} of line speed where {new Quantity(before.FreeMps, Kind.LineSpeed)} was taken, and a "
                + $"loop of {fit.LoopM} where {Quantity.Length(before.LoopM)} was. Worked out, those casts were "
                + $"{Quantity.Distance(fit.BeforeM)} wrong; with these values they are "
                + $"{Quantity.Distance(fit.AfterM)} wrong, and a reach is sure to {Percent(fit.After.ReachTolerance)} "
                + $"instead of {Percent(before.ReachTolerance)}.";

    private static string Percent(double share) => $"±{Math.Round(100 * share, MidpointRounding.AwayFromZero)} %";

    private static IEnumerable<Feel> Felt(Outing outing) => outing.Casts.Select(c => c.Feel).Append(outing.Feel).OfType<Feel>();

    private static RodLearning ForRod(Rod rod, IReadOnlyList<Outing> outings, LoggedGear gear, IReadOnlyList<FitDecision> lessons)
    {
        List<FeelVote> votes = [];
        foreach (var outing in outings)
        {
            if (rod.Class is null || !gear.Lines.TryGetValue(outing.LineId ?? 0, out var line) || line.MassKg is null)
                continue;
            var load = Choosing.Load(rod with { Felt = null }, line, Brief.Complete(outing.Day() with { Caster = null }));
            // An outing has one vote: the median of its entries.
            var said = Felt(outing).Order().ToList();
            votes.Add(new(load.LineRatio, load.Ideal, said[said.Count / 2]));
        }
        var feel = FeelFit.From(votes);
        var about = lessons.Where(l => l.RodId == rod.Id).ToList();
        var standing = about.Where(l => l.Accepted).MaxBy(l => l.At);
        var moved = feel is not null && FeelFit.IsFelt(feel, standing?.Feel);
        Sentence says =
            feel is null ? (Sentence)$"Loaded by the rule until {FeelFit.FewestVotes} outings say how it felt."
            : !FeelFit.IsFelt(feel, null) ? (Sentence)$"{votes.Count} outings felt as the rule says."
            : (Sentence)$"{votes.Count} outings say it likes {Quantity.Ratio(Math.Abs(feel.Shift), feel.PlusMinus)} "
                + $"{(feel.Shift > 0 ? "more" : "less")} load than the rule says.";
        return new(
            rod.Id,
            rod.Tag,
            rod.Name,
            votes.Count,
            Math.Max(0, FeelFit.FewestVotes - votes.Count),
            feel,
            standing,
            moved && (about.MaxBy(l => l.At) is not { } last || votes.Count > last.Evidence),
            says
        );
    }
}
