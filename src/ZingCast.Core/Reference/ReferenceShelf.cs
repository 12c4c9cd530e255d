using System.Globalization;
using ZingCast.Core.Care;
using ZingCast.Core.Flies;
using ZingCast.Core.Logbook;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reference;

/// <summary>A table of the trade for reading, with its source mark.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Title">Title.</param>
/// <param name="About">What it settles, in a sentence.</param>
/// <param name="Source">How far to trust it.</param>
/// <param name="Columns">Column heads.</param>
/// <param name="Rows">Rows, as many cells as columns.</param>
public sealed record ReferenceTable(
    string Id,
    string Title,
    string About,
    Source Source,
    IReadOnlyList<string> Columns,
    IReadOnlyList<IReadOnlyList<Figure>> Rows
);

/// <summary>Every table that the rules use, laid out for people from the same data.</summary>
public static class ReferenceShelf
{
    private const double Mm = 1e-3;

    /// <summary>The tables, in the order of the chain.</summary>
    public static readonly IReadOnlyList<ReferenceTable> All =
    [
        new(
            "flies",
            "Flies",
            "Soaked mass and drag area by family, small to large.",
            FlyKinds.Source,
            ["family", "hooks", "soaked, small", "soaked, large", "drag area, small", "drag area, large"],
            Rows(
                FlyKinds.Rows,
                k =>
                    [
                        k.Name,
                        $"{k.Small} – {k.Large}",
                        Quantity.LineMass(k.WetG.Low * Mm),
                        Quantity.LineMass(k.WetG.High * Mm),
                        Area(k.AreaCm2.Low),
                        Area(k.AreaCm2.High),
                    ]
            )
        ),
        new(
            "hooks",
            "Hooks",
            "Outside measures by size.",
            Hooks.Source,
            ["size", "length", "gape", "wire"],
            Rows(
                Hooks.Rows,
                h =>
                    [
                        h.Size.ToString(),
                        Quantity.Diameter(h.LengthMm * Mm),
                        Quantity.Diameter(h.GapeMm * Mm),
                        Quantity.Diameter(h.WireMm * Mm),
                    ]
            )
        ),
        new(
            "tippet",
            "Tippet",
            "Thickness by the X rule and the straight pull of nylon; a usual knot keeps 85 %.",
            Tippets.StrengthSource,
            ["X", "thickness", "straight pull", "knotted"],
            Rows(
                Enumerable.Range(0, 9).Reverse(),
                x =>
                    [
                        $"{x}X",
                        Quantity.Diameter(Tippets.DiameterOfX(x)),
                        Pull(Tippets.DiameterOfX(x), 1),
                        Pull(Tippets.DiameterOfX(x), Tippets.KnotShare),
                    ]
            )
        ),
        new(
            "heavy-tippet",
            "Heavy tippet",
            "Beyond 0X people quote pounds.",
            Tippets.StrengthSource,
            ["thickness", "straight pull", "knotted"],
            Rows(
                [.30, .33, .36, .40, .45, .50, .60, .70, .80],
                mm => [Quantity.Diameter(mm * Mm), Pull(mm * Mm, 1), Pull(mm * Mm, Tippets.KnotShare)]
            )
        ),
        new(
            "line-weights",
            "Line weights",
            "Mass of the first 30 ft (9.144 m) without level tip. Between the ranges lie gaps that belong to no class.",
            LineWeights.Source,
            ["class", "target", "from", "to"],
            Rows(LineWeights.Rows, w => [Quantity.Class(w.Class), Grains(w.TargetGr), Grains(w.LowGr), Grains(w.HighGr)])
        ),
        new(
            "densities",
            "Sink types",
            "How fast a line falls through the water.",
            Densities.Source,
            ["type", "from", "to"],
            Rows(
                Densities.Rows,
                d => [d.Name, new Quantity(d.FromInps * Exact.InchM, Kind.SinkRate), new Quantity(d.ToInps * Exact.InchM, Kind.SinkRate)]
            )
        ),
        new(
            "coatings",
            "Coatings",
            "Water each coating is made for; the bands overlap.",
            Source.Practice,
            ["coating", "from", "to"],
            Rows(Coatings.Rows, c => [c.Name, new Quantity(c.FromC, Kind.Temperature), new Quantity(c.ToC, Kind.Temperature)])
        ),
        new(
            "knots",
            "Knots",
            "What each keeps of a strand's strength, and what it eats of a strand of half a millimetre.",
            Knots.Source,
            ["knot", "turns", "keeps, at least", "keeps, at most", "eats"],
            Rows(
                Knots.Rows,
                k =>
                    [
                        k.Name,
                        k.Turns.ToString(System.Globalization.CultureInfo.InvariantCulture),
                        Figure.Share("share", k.Share.Low),
                        Figure.Share("share", k.Share.High),
                        Quantity.Short(k.EatsM(.5 * Mm)),
                    ]
            )
        ),
        new(
            "leader-materials",
            "Leader materials",
            "What a metre of 0.3 mm weighs and stands, straight.",
            LeaderMaterials.Source,
            ["material", "weighs", "stands"],
            Rows(
                LeaderMaterials.Rows,
                m =>
                    [
                        m.Name,
                        Quantity.LineMass(m.KgM3 * Math.PI / 4 * .3 * Mm * .3 * Mm),
                        Quantity.Force(LeaderMaterials.StrengthN(m.Material, .3 * Mm)),
                    ]
            )
        ),
        new(
            "backings",
            "Backing",
            "Usual braids.",
            Backings.Source,
            ["kind", "thickness", "strength"],
            Rows(Backings.Rows, b => [b.Name, Quantity.Diameter(b.DiameterM), Quantity.Force(b.StrengthN)])
        ),
        new(
            "ladder",
            "The hook-and-bulk ladder",
            "The class people reach for by the fly alone.",
            Source.Practice,
            ["fly", "from class", "to class"],
            Rows(Ladder.Rungs, r => [r.Name, Quantity.Class(r.Low), Quantity.Class(r.High)])
        ),
        new(
            "bend-test",
            "Bend test",
            "Weight that drops a rod's tip by a third of its length, and the measured class "
                + "that stands for. Beyond the table in proportion to line weights.",
            Calibration.Usual.Source,
            ["weight", "number"],
            Rows(
                Calibration.Usual.Points,
                p => [new Quantity(p.Grams / 1000, Kind.BenchMass), Quantity.Class(p.Number, Calibration.Usual.PlusMinus)]
            )
        ),
        new(
            "actions",
            "Rod action",
            "Tip angle in the one-third bend test.",
            Actions.Source,
            ["action", "from"],
            [
                ["slow", "below medium"],
                ["medium", Deg(Actions.MediumDeg)],
                ["medium-fast", Deg(Actions.MediumFastDeg)],
                ["fast", Deg(Actions.FastDeg)],
            ]
        ),
        new(
            "fish",
            "Fish groups",
            "What to plan for; fish do as they like.",
            Fishes.Source,
            ["group", "usual", "big", "class floor", "run", "speed", "backing"],
            Rows(
                Fishes.Groups,
                g =>
                    [
                        g.Name,
                        Quantity.Fish(g.UsualKg),
                        Quantity.Fish(g.BigKg),
                        Quantity.Class(g.FloorLow),
                        Quantity.Spooled(g.RunM),
                        new Quantity(g.RunMps, Kind.WaterSpeed),
                        Quantity.Spooled(g.BackingHighM),
                    ]
            )
        ),
        new(
            "species",
            "Fish by name",
            "Each fish and the group it is planned with.",
            Fishes.Source,
            ["fish", "group", "expected"],
            Rows(Fishes.All, s => [s.Name, s.Group.Name, Quantity.Fish(s.TypicalKg)])
        ),
        new(
            "casters",
            "Casters",
            "Usual carry and calm reach with a small fly, and what the computed cast starts from.",
            Casters.Source,
            ["caster", "what it looks like", "carry", "reach, from", "reach, to", "free speed", "loop"],
            Rows(
                Casters.Rows,
                c =>
                    [
                        c.Name,
                        c.About,
                        Quantity.Carry(c.CarryM),
                        Quantity.Distance(c.CalmFromM),
                        Quantity.Distance(c.CalmToM),
                        new Quantity(c.FreeMps, Kind.LineSpeed),
                        Quantity.Length(c.LoopM),
                    ]
            )
        ),
        new(
            "learning",
            "What the log learns from",
            "How measured casts are weighed against what is believed of a caster; shares are one standard deviation.",
            CasterFit.Source,
            ["what", "how much"],
            [
                ["casts made all out before anything is learned", CasterFit.FewestCasts.ToString(CultureInfo.InvariantCulture)],
                ["latest casts learned from", CasterFit.MaxCasts.ToString(CultureInfo.InvariantCulture)],
                ["more casts before it is proposed again", Learning.MoreEvidence.ToString(CultureInfo.InvariantCulture)],
                .. CasterFit.Weights.Select(w => (IReadOnlyList<Figure>)[w.Name, Quantity.Ratio(w.Share)]),
                ["outings before a rod's feel is learned", FeelFit.FewestVotes.ToString(CultureInfo.InvariantCulture)],
            ]
        ),
        new(
            "costs",
            "What choosing weighs",
            "What a piece gives up against the others; the least is chosen.",
            Costs.Source,
            ["of what", "weight"],
            Rows(Costs.All, c => [c.Of, Quantity.Ratio(c.Cost)])
        ),
        new(
            "care",
            "Care",
            "What is done to which piece, after how much.",
            CareTask.Source,
            ["task", "outings", "days in salt", "months", "falls", "wind knots, fish, breaks"],
            Rows(CareTask.All, t => [t.Name, Times(t.Outings), Times(t.SaltDays), Times(t.Months), Times(t.Drops), Times(t.Mishaps)])
        ),
        new(
            "beaufort",
            "Wind",
            "Forces by what the water looks like.",
            Beaufort.Source,
            ["force", "name", "from", "on the water"],
            Rows(Beaufort.Rows, b => [$"F{b.Force}", b.Name, Quantity.Wind(b.FromMps), b.Sign])
        ),
        new(
            "units",
            "Exact conversions",
            "What one of each is in SI.",
            new(SourceMark.Published, "NIST SP 811, appendix B"),
            ["unit", "in SI"],
            [
                ["1 grain", "64.79891 mg"],
                ["1 oz", "28.349523125 g"],
                ["1 lb", "0.45359237 kg"],
                ["1 in", "25.4 mm"],
                ["1 ft", "0.3048 m"],
                ["1 yd", "0.9144 m"],
                ["1 kn", "1852 m in 3600 s"],
                ["1 mph", "0.44704 m/s"],
                ["1 lbf", "4.4482216152605 N"],
            ]
        ),
    ];

    private static IReadOnlyList<IReadOnlyList<Figure>> Rows<T>(IEnumerable<T> rows, Func<T, Figure[]> cells) => [.. rows.Select(cells)];

    private static Figure Times(int? count) => count?.ToString(CultureInfo.InvariantCulture) ?? "";

    private static Figure Area(double cm2) => new Quantity(cm2 * 1e-4, Kind.Area);

    private static Figure Grains(double grains) => Quantity.LineMass(grains * Exact.GrainKg);

    private static Figure Pull(double diameterM, double share) => Quantity.Force(Tippets.StrengthN(diameterM) * share);

    private static Figure Deg(double degrees) => new Quantity(degrees, Kind.Angle);
}
