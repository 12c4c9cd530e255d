using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Tippet and guard decided.</summary>
/// <param name="DiameterM">Tippet diameter, metres.</param>
/// <param name="BandFromM">Thinnest that does not spin, metres.</param>
/// <param name="BandToM">Thickest that does not drag, metres.</param>
/// <param name="KnottedN">Knotted strength, newtons.</param>
/// <param name="WantedN">Strength the fish asks for, newtons.</param>
/// <param name="GuardM">Bite guard, metres; 0 for none.</param>
public sealed record TippetChoice(double DiameterM, double BandFromM, double BandToM, double KnottedN, double WantedN, double GuardM);

/// <summary>Tippet: thick enough for the fly, strong enough for the fish.</summary>
internal static class TippetRules
{
    // The tippet chosen is this share of the hook wire, within TippetBand. Common practice.
    private const double UsualOfWire = .39;

    // Step in which thick material is sold, metres.
    private const double StepM = .025e-3;

    // A nymph led close is followed by eye and hand: one size finer for every this many metres nearer.
    private const double LedFinerEachM = 4;

    // Sizes thicker in the dark, where fish see less and are held harder, and under branches, which catch flies. Common practice.
    private const int InTheDark = 2,
        UnderBranches = 1;

    // Lengths of bite guards by what they protect from, metres. Common practice.
    private const double TeethM = .25,
        RoughM = .45;

    public static TippetChoice Decide(Brief brief, Pins pins, LedgerBook book)
    {
        var band = TippetBand.For(brief.Fly.Hook);
        var diameter = Size(brief, pins, band, book);
        var knotted = Tippets.KnottedN(diameter);
        var wanted = Strength(brief, diameter, knotted, book);
        return new(diameter, band.Low, band.High, knotted, wanted, Guard(brief, book));
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private static double Size(Brief brief, Pins pins, Spread band, LedgerBook book)
    {
        var fly = brief.Fly;
        var stiff = fly.Kind.Bushy || brief.HeadwindMps > 6;
        var byX = fly.Size.Number > 4;
        var finer = brief.LedClose ? Math.Round((Brief.LedFromM - brief.DistanceM) / LedFinerEachM) : 0;
        var up = (brief.Night ? InTheDark : 0) + (brief.Cover == Cover.Canopy ? UnderBranches : 0);
        // Sold in whole X sizes; thick material in metric steps.
        var byHook = byX
            ? Tippets.DiameterOfX(Math.Round(fly.Size.Number / (stiff ? 4.0 : 3.0)) + finer)
            : Math.Floor(UsualOfWire * fly.Hook.WireM / StepM + 1e-9) * StepM;
        // No thicker than lets the fly swim well.
        var byFly = Enumerable.Range(0, up).Aggregate(byHook, (m, _) => Next(m) <= band.High ? Next(m) : m);
        // Fish held hard at the edge of a reef need a stronger tippet than any fly does.
        var held = Math.Min(brief.Species.Group.LeastTippetM, band.High);
        var usual = Math.Max(held, ForFish(byFly, band.High, Wanted(brief)));
        var stronger = usual > byFly;
        var diameter = pins.HeldTippetM ?? usual;
        book.Add(
            Rules.TippetSize,
            () =>
                new(
                    Quantity.Tippet(diameter),
                    pins.HeldTippetM is not null
                            ? $"You pinned {Quantity.Tippet(diameter)}"
                                + $"{(pins.Tied is { } tied ? $" with {tied.Tag}" : "")}; the fly suggests {Quantity.Tippet(usual)}"
                        : stronger
                            ? $"{Quantity.Tippet(byFly)} by the fly; the fish asks for more, "
                                + $"and up to {Quantity.Diameter(band.High)} swims well"
                        : byX
                            ? $"Hook {fly.SizeName} over {(stiff ? "4, for stiffness" : "3")}{(finer > 0 ? ", finer to be led" : "")}"
                                + $"{(byFly > byHook ? (brief.Night ? ", thicker in the dark" : ", thicker under branches") : "")}"
                        : (Sentence)$"Between {Quantity.Diameter(band.Low)} and {Quantity.Diameter(band.High)} "
                            + $"for a hook wire of {Quantity.Diameter(fly.Hook.WireM)}",
                    [
                        new("hook", fly.SizeName),
                        new("hook wire", Quantity.Diameter(fly.Hook.WireM)),
                        new("35 % of the wire", Quantity.Diameter(band.Low)),
                        new("50 % of the wire", Quantity.Diameter(band.High)),
                    ],
                    pins.HeldTippetM is null ? null : Source.Yours,
                    Pin: pins.Tied is null ? new() { TippetM = diameter } : new() { Leader = pins.Tied.Id }
                )
        );
        return diameter;
    }

    // Knotted strength the fish asks for, newtons: half its weight, with an upper limit.
    private static double Wanted(Brief brief) => .5 * Math.Min(brief.FishKg, MaxFishKg) * Exact.GravityMps2;

    private const double MaxFishKg = 15;

    // Thicker step by step until it is strong enough for the fish, but no thicker than lets the fly swim well.
    private static double ForFish(double byFlyM, double mostM, double wantedN)
    {
        var diameter = byFlyM;
        while (Tippets.KnottedN(diameter) < wantedN && Next(diameter) <= mostM)
            diameter = Next(diameter);
        return diameter;
    }

    // The next size up.
    private static double Next(double m) =>
        m < Tippets.DiameterOfX(0) - 1e-9 ? m + .001 * Exact.InchM : (Math.Floor(m / StepM + 1e-6) + 1) * StepM;

    private static double Strength(Brief brief, double diameter, double knotted, LedgerBook book)
    {
        var wanted = Wanted(brief);
        book.Add(
            Rules.TippetStrength,
            () =>
                new(
                    Quantity.Force(knotted),
                    knotted >= wanted
                        ? (Sentence)$"knotted, where {Quantity.Fish(brief.FishKg)} of fish asks for {Quantity.Force(wanted)}"
                        : $"knotted, but {Quantity.Fish(brief.FishKg)} of fish asks for {Quantity.Force(wanted)}: "
                            + $"a hook larger carries thicker, or play it off the reel and give line early",
                    [
                        new("straight pull", Quantity.Force(Tippets.StrengthN(diameter))),
                        new("knot keeps", Figure.Share("share", Tippets.KnotShare)),
                        new("asked for", Quantity.Force(wanted)),
                    ],
                    Doubt: knotted < wanted
                )
        );
        return wanted;
    }

    private static double Guard(Brief brief, LedgerBook book)
    {
        var mouth = brief.Species.Group.Mouth;
        if (mouth == Mouth.Soft)
            return 0;
        var (guard, teeth) = (mouth == Mouth.Teeth ? TeethM : RoughM, mouth == Mouth.Teeth);
        book.Add(
            Rules.BiteGuard,
            () =>
                new(
                    Quantity.Length(guard),
                    teeth
                        ? (Sentence)$"{brief.Species.Name} have teeth: knottable wire, or heavy fluorocarbon that swims better "
                            + $"and is sometimes cut"
                        : $"{brief.Species.Name} wear through tippet: heavy fluorocarbon last",
                    [new("mouth", teeth ? "teeth" : "abrasive")]
                )
        );
        return book.IsOff(Rules.BiteGuard) ? 0 : guard;
    }
}
