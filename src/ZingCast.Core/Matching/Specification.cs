using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What to look for before any gear is looked at: class, rod, head, density and coating.</summary>
/// <param name="Class">The class decision.</param>
/// <param name="Need">What the cast says about classes.</param>
/// <param name="RodLengthM">Rod length, metres.</param>
/// <param name="Action">Rod action.</param>
/// <param name="HeadM">Head length wanted, metres.</param>
/// <param name="Density">Density id.</param>
/// <param name="Coatings">Coating ids that suit the water; empty when the rule is off.</param>
public sealed record Specification(
    ClassTarget Class,
    ClassNeed Need,
    double RodLengthM,
    RodAction Action,
    Spread HeadM,
    string Density,
    IReadOnlyList<string> Coatings
)
{
    /// <summary>Decides the specification of a brief, in the order of the work; each rule adds its step.</summary>
    internal static Specification Decide(Brief brief, GearShed shed, Pins pins, double tippetM, CastCache casts, LedgerBook book)
    {
        var floor = ClassRules.FloorOf(brief);
        if (brief.School == School.FishFirst)
            ClassRules.FishFirst(brief, floor, book);
        var delivery = Delivery.Decide(brief, casts, tippetM, book);
        var leaned = ClassRules.Lean(brief, delivery, floor, book);
        var adjusted = ClassRules.Adjust(brief, delivery.Class, tippetM, leaned, floor, book);
        var density = LineRules.Density(brief, pins, book);
        var bumped = ClassRules.DensityBump(shed, pins, density, adjusted, book);
        var target = pins.RodClass is { } pinned ? ClassRules.Pinned(pinned, bumped, book) : bumped;
        return new(
            new(delivery.Class, target, floor),
            delivery.Need,
            RodRules.Length(brief, pins, book),
            RodRules.Action(brief, tippetM, density, book),
            LineRules.Head(brief, density, book),
            density,
            LineRules.Coatings(brief, book)
        );
    }
}
