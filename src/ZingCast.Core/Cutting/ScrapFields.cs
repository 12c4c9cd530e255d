using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Cutting;

using static FieldsOf<Scrap>;

/// <summary>What is kept of a piece in the drawer, each field described once.</summary>
public static class ScrapFields
{
    /// <summary>As on a form, in order.</summary>
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
        // So long a piece weighs so much, and its taper is part of it: its own check knows.
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
