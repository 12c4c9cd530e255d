using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What to look for, decided before any gear is considered: class and tackle.</summary>
/// <param name="Class">The class decision.</param>
/// <param name="Tackle">Rod length and action, head, density, leader, tippet.</param>
/// <param name="Coatings">Coating ids that suit the water; empty when the rule is off.</param>
public sealed record Specification(ClassTarget Class, Tackle Tackle, IReadOnlyList<string> Coatings)
{
    /// <summary>Rod length, metres.</summary>
    public double RodLengthM => Tackle.RodLengthM;

    /// <summary>Rod action.</summary>
    public RodAction Action => Tackle.Action;

    /// <summary>Head length wanted, metres.</summary>
    public Spread HeadM => Tackle.HeadM;

    /// <summary>Density id.</summary>
    public string Density => Tackle.Density;

    /// <summary>Decides the specification of a brief in the order of the work; each rule adds its step to the ledger.</summary>
    internal static Specification Decide(Brief brief, Pins pins, CastCache casts, LedgerBook book)
    {
        var (tackle, coatings) = Tackle.Decide(brief, pins, book);
        var floor = ClassRules.FloorOf(brief);
        var delivery = Delivery.Decide(brief, casts, tackle, book);
        var leaned =
            brief.School == School.FishFirst
                ? ClassRules.LeanOnFish(brief, delivery, ClassRules.FishFirst(brief, ClassRules.NumberOf(brief), delivery, book), book)
                : ClassRules.Lean(brief, delivery, book);
        var adjusted = ClassRules.Adjust(brief, delivery, tackle.Tippet.DiameterM, leaned, floor, book);
        var bumped = ClassRules.DensityBump(tackle.Density, adjusted, book);
        var target = pins.RodClass is { } pinned ? ClassRules.Pinned(pinned, bumped, book) : bumped;
        return new(new(delivery.Class, delivery.Carries, target, floor), tackle, coatings);
    }
}
