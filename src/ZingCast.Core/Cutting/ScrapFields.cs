using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Cutting;

using static FieldsOf<Scrap>;

/// <summary>Fields of a scrap, each described once.</summary>
public static class ScrapFields
{
    /// <summary>In the order of the form.</summary>
    public static readonly IReadOnlyList<Field> All = GearFields.With([
        Measure(
            "lengthM",
            "Length",
            Kind.Length,
            s => s.LengthM,
            (s, v) => s with { LengthM = v },
            new(Scrap.ShortestM, 60, "A piece is between 30 cm and 60 m long."),
            true
        ),
        // Mass and taper depend on the length, so the piece's own check covers them.
        Measure("massKg", "Weighed", Kind.LineMass, s => s.MassKg, (s, v) => s with { MassKg = v }, must: true),
        Measure("taperM", "Taper at its thin end", Kind.Length, s => s.TaperM, (s, v) => s with { TaperM = v }, must: true),
        Measure(
            "tipShare",
            "Tip to belly, thick",
            Kind.Ratio,
            s => s.TipShare,
            (s, v) => s with { TipShare = v },
            new(.3, 1, "A tip is between 0.3 and 1 times as thick as the belly."),
            true
        ),
        Choice(
            "density",
            "Density",
            [.. Densities.Rows.Select(d => new FieldChoice(d.Id, d.Name))],
            s => s.Density,
            (s, v) => s with { Density = v }
        ),
    ]);
}
