using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Logbook;

/// <summary>Qualities a cast can lack.</summary>
public enum CastQuality
{
    /// <summary>A tighter loop.</summary>
    Loop,

    /// <summary>More line speed.</summary>
    Speed,

    /// <summary>More line held in the air.</summary>
    Carry,
}

/// <summary>An exercise on grass.</summary>
/// <param name="Drill">What.</param>
/// <param name="HowTo">How it is done and how one knows it is right.</param>
/// <param name="Note">What to note down.</param>
public sealed record PracticeDrill(Drill Drill, string HowTo, string Note)
{
    /// <summary>Its name.</summary>
    public string Name => LogWords.For(Drill);
}

/// <summary>Distance that one quality costs a person compared with the next better caster.</summary>
/// <param name="Quality">Which.</param>
/// <param name="Name">In words.</param>
/// <param name="Costs">What it costs, metres.</param>
/// <param name="Has">What the person has.</param>
/// <param name="Next">What the next better caster has.</param>
/// <param name="Drill">What helps.</param>
public sealed record PracticeCost(CastQuality Quality, string Name, Quantity Costs, Quantity Has, Quantity Next, Drill Drill);

/// <summary>What to practise.</summary>
/// <param name="Against">The caster it is measured against.</param>
/// <param name="Costs">What costs most first; what costs nothing is left out.</param>
/// <param name="Says">The gist.</param>
public sealed record PracticePlan(string Against, IReadOnlyList<PracticeCost> Costs, Sentence Says)
{
    // A smaller cost is not worth an evening, metres.
    private const double LeastM = .3;

    /// <summary>Drills, in the order they are learned. Common practice.</summary>
    public static readonly IReadOnlyList<PracticeDrill> Drills =
    [
        new(
            Drill.Carry,
            "Hold as much line in the air as stays straight at both ends, then a hand's breadth more. Stop the rod higher and more "
                + "abruptly than feels right: a loop as high as a door is tight. A short length carried well beats a long one in waves.",
            "the longest carry that stayed straight"
        ),
        new(
            Drill.Haul,
            "Lay the cast out on the grass, turn sideways, and pull as the rod stops, no earlier; let the line take the hand back up. "
                + "Back cast only, lay it down; front cast only, lay it down; then both.",
            "distance with and without, same carry"
        ),
        new(
            Drill.Distance,
            "Carry what stays tight, three false casts at most, let go as the loop forms. Ten casts, with a tape along the ground; note "
                + "all of them, not the best.",
            "each distance, taped"
        ),
        new(
            Drill.Rings,
            "Rings of a hand's breadth under a metre across at three distances you fish at. Ten throws at each before the next one; "
                + "the fly counts where it comes down first.",
            "throws and hits at each ring"
        ),
        new(
            Drill.IntoWind,
            "Wind in the face: high back cast, low front cast, a tighter loop and a shorter leader rather than more force. Stop when it "
                + "blows onto the casting shoulder.",
            "distance and wind"
        ),
    ];

    /// <summary>Precautions on grass. Common practice.</summary>
    public static readonly IReadOnlyList<string> Mind =
    [
        "Practise with a tuft of yarn, never a hook.",
        "Eye protection and a brim; look behind for people, dogs and wires before every session. Carbon conducts.",
        "An hour is enough: an elbow that aches is a stop, not a stage. An instructor sees in a minute what an evening alone does not.",
    ];

    /// <summary>
    /// What each quality costs this caster with this outfit, compared with the next better preset; null when there is none.
    /// </summary>
    public static PracticePlan? For(Caster caster, CastSetup setup)
    {
        // The next better one: the first preset that casts farther in calm air.
        var calm = setup.In(0, 0);
        var reach = CastSearch.Farthest(calm.By(caster)).ReachM;
        if (Casters.Rows.FirstOrDefault(c => CastSearch.Farthest(calm.By(c)).ReachM > reach + LeastM) is not { } next)
            return null;
        PracticeCost Cost(CastQuality quality, string name, Caster with, Quantity has, Quantity better, Drill drill) =>
            new(quality, name, Quantity.Distance(Math.Max(0, CastSearch.Farthest(calm.By(with)).ReachM - reach)), has, better, drill);
        var loop = Math.Min(caster.LoopM, next.LoopM);
        var (free, arm) = (Math.Max(caster.FreeMps, next.FreeMps), Math.Max(caster.ArmKg, next.ArmKg));
        var (carry, overhang) = (Math.Max(caster.CarryM, next.CarryM), Math.Max(caster.OverhangM, next.OverhangM));
        PracticeCost[] costs =
        [
            Cost(CastQuality.Loop, "loop", caster with { LoopM = loop }, Quantity.Length(caster.LoopM), Quantity.Length(loop), Drill.Carry),
            Cost(
                CastQuality.Speed,
                "line speed",
                caster with
                {
                    FreeMps = free,
                    ArmKg = arm,
                },
                new(caster.FreeMps, Kind.LineSpeed),
                new(free, Kind.LineSpeed),
                Drill.Haul
            ),
            Cost(
                CastQuality.Carry,
                "carry",
                caster with
                {
                    CarryM = carry,
                    OverhangM = overhang,
                },
                Quantity.Carry(caster.CarryM),
                Quantity.Carry(carry),
                Drill.Carry
            ),
        ];
        var worth = costs.Where(c => c.Costs.Value >= LeastM).OrderByDescending(c => c.Costs.Value).ToList();
        Sentence says = worth switch
        {
            [] => $"No one thing holds you back: a {next.Name} is a little better in all of them.",
            [var one] => $"Against a {next.Name} your {one.Name} costs you {one.Costs}.",
            [var one, var two, ..] => $"Against a {next.Name} your {one.Name} costs you {one.Costs}, your {two.Name} {two.Costs}.",
        };
        return new(next.Name, worth, says);
    }
}

/// <summary>A day with measured casts.</summary>
/// <param name="On">The day.</param>
/// <param name="Kind">Fishing or practice.</param>
/// <param name="Drill">What was practised.</param>
/// <param name="MiddleM">Middle of the casts made all out, metres; null with none.</param>
/// <param name="FarthestM">The farthest, metres; null with none.</param>
/// <param name="CarryM">Longest carry, metres; null when nobody looked.</param>
/// <param name="Hits">Share of throws at rings that hit; null with none.</param>
public sealed record ProgressDay(
    DateOnly On,
    OutingKind Kind,
    Drill? Drill,
    double? MiddleM,
    double? FarthestM,
    double? CarryM,
    double? Hits
)
{
    /// <summary>Days with something measured, in order.</summary>
    public static IReadOnlyList<ProgressDay> From(IEnumerable<Outing> outings) =>
        [.. outings.OrderBy(o => o.On).Select(Day).Where(d => (d.FarthestM ?? d.CarryM ?? d.Hits) is not null)];

    private static ProgressDay Day(Outing outing)
    {
        var far = outing.Casts.Where(c => c.AllOut).Select(c => c.DistanceM).Order().ToList();
        var throws = outing.Rings.Sum(r => r.Throws);
        return new(
            outing.On,
            outing.Kind,
            outing.Drill,
            far.Count == 0 ? null : far[far.Count / 2],
            far.Count == 0 ? null : far[^1],
            outing.Casts.Max(c => c.CarryM),
            throws == 0 ? null : (double)outing.Rings.Sum(r => r.Hits) / throws
        );
    }
}
