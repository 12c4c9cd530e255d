using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

using static FieldsOf<LeaderSpool>;

/// <summary>Fields of leaders and of leader spools, each described once.</summary>
public static class LeaderFields
{
    /// <summary>Fields of a kept leader, without its pieces.</summary>
    public static readonly IReadOnlyList<Field> Tied = GearFields.With([]);

    /// <summary>Fields of a spool, in the order of the form.</summary>
    public static readonly IReadOnlyList<Field> Spool = GearFields.With([
        Choice(
            "material",
            "Of",
            [.. LeaderMaterials.OnSpools.Select(m => new FieldChoice(FieldChoice.IdOf(m.Material), m.Name))],
            s => FieldChoice.IdOf(s.Material),
            (s, id) => s with { Material = LeaderMaterials.OnSpools.First(m => FieldChoice.IdOf(m.Material) == id).Material }
        ),
        Measure("diameterM", "Thick", Kind.Tippet, s => s.DiameterM, (s, v) => s with { DiameterM = v }, Tippets.Limits, true),
        Measure(
            "leftM",
            "Left on it",
            Kind.LeftOnSpool,
            s => s.LeftM,
            (s, v) => s with { LeftM = v },
            new(0, 2000, "A spool holds up to 2000 m."),
            true
        ),
        Measure(
            "statedN",
            "Label, stands",
            Kind.Force,
            s => s.StatedN,
            (s, v) => s with { StatedN = v },
            new(1, 1000, "Its strength is between 0.1 and 100 kg (0.2 and 220 lb).")
        ),
    ]);
}
