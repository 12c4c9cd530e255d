using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
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
    public static TippetChoice Decide(Brief brief, Pins pins, LedgerBook book)
    {
        var fly = brief.Fly;
        var (from, to) = (.35 * fly.Hook.WireM, .50 * fly.Hook.WireM);
        var stiff = fly.Kind.Bushy || brief.HeadwindMps > 6;
        var byX = fly.Size.Number > 4;
        // Whole X numbers are what hangs on the peg; thick material is sold by the half-tenth of a millimetre.
        var usual = byX
            ? Tippets.DiameterOfX(Math.Round(fly.Size.Number / (stiff ? 4.0 : 3.0)))
            : Math.Round(.425 * fly.Hook.WireM * 20000) / 20000;
        var diameter = pins.TippetM ?? usual;
        Sentence says =
            pins.TippetM is not null ? $"You pinned {Quantity.Diameter(diameter)}; the fly suggests {Quantity.Diameter(usual)}"
            : byX ? $"Hook {fly.SizeName} over {(stiff ? "4, for stiffness" : "3")}"
            : (Sentence)
                $"Between {Quantity.Diameter(from)} and {Quantity.Diameter(to)} for a hook wire of {Quantity.Diameter(fly.Hook.WireM)}";
        book.Note(
            Rules.TippetSize,
            Quantity.Diameter(diameter),
            says,
            [
                new("hook", fly.SizeName),
                new("hook wire", Quantity.Diameter(fly.Hook.WireM)),
                new("35 % of the wire", Quantity.Diameter(from)),
                new("50 % of the wire", Quantity.Diameter(to)),
            ],
            pins.TippetM is null ? null : Source.Yours
        );

        var knotted = Tippets.StrengthN(diameter) * Tippets.KnotShare;
        var wanted = .5 * Math.Min(brief.FishKg, 20) * Exact.GravityMps2;
        book.Note(
            Rules.TippetStrength,
            Quantity.Force(knotted),
            knotted >= wanted
                ? (Sentence)$"knotted, where {Quantity.Fish(brief.FishKg)} of fish asks for {Quantity.Force(wanted)}"
                : $"knotted, but {Quantity.Fish(brief.FishKg)} of fish asks for "
                    + $"{Quantity.Force(wanted)}: play it off the reel, give line early",
            [
                new("straight pull", Quantity.Force(Tippets.StrengthN(diameter))),
                new("knot keeps", Quantity.Ratio(Tippets.KnotShare)),
                new("asked for", Quantity.Force(wanted)),
            ],
            doubt: knotted < wanted
        );

        var guard = brief.Species.Group.Mouth switch
        {
            Mouth.Teeth => .25,
            Mouth.Abrasive or Mouth.GillPlates => .45,
            _ => 0,
        };
        if (guard > 0)
        {
            book.Note(
                Rules.BiteGuard,
                Quantity.Length(guard),
                brief.Species.Group.Mouth == Mouth.Teeth
                    ? (Sentence)
                        $"{brief.Species.Name} have teeth: knottable wire, or heavy fluorocarbon that swims better and is sometimes cut"
                    : $"{brief.Species.Name} wear through tippet: heavy fluorocarbon last",
                [new("mouth", brief.Species.Group.Mouth == Mouth.Teeth ? "teeth" : "abrasive")]
            );
            if (book.IsOff(Rules.BiteGuard))
                guard = 0;
        }
        return new(diameter, from, to, knotted, wanted, guard);
    }
}

/// <summary>Leader length and build.</summary>
internal static class LeaderRules
{
    private const double Ft = Exact.FootM;

    public static Leader Decide(Brief brief, Pins pins, string density, Rod rod, FlyLine line, TippetChoice tippet, LedgerBook book)
    {
        var (length, why) = UsualLength(brief, density);
        if (brief.WindMps > BigWindMps)
            (length, why) = (InBigWind(length), why + "; two feet shorter in big wind");
        if (book.IsOff(Rules.LeaderLength))
            length = 9 * Ft;
        if (pins.LeaderM is { } pin)
            (length, why) = (pin, "you pinned this length");
        book.Note(
            Rules.LeaderLength,
            Quantity.Length(length),
            $"{Words.Capital(why)}",
            [
                new("density", Densities.Of(density).Name),
                new("wind", Quantity.Wind(brief.WindMps)),
                new("wariness", brief.Wariness.ToString().ToLowerInvariant()),
            ],
            pins.LeaderM is null ? null : Source.Yours
        );

        var longest = rod.LengthM + .8;
        if (length > longest)
        {
            var shorten = pins.LeaderM is null && !book.IsOff(Rules.LeaderRod);
            book.Note(
                Rules.LeaderRod,
                Quantity.Length(longest),
                $"{Quantity.Length(length)} would run its joint into the rings at the net",
                [new("rod", Quantity.Length(rod.LengthM)), new("leader", Quantity.Length(length))],
                doubt: !shorten
            );
            if (shorten)
                length = longest;
        }
        var leader = Leader.Build(length, line.TipDiameterM, tippet.DiameterM, tippet.GuardM);
        book.Note(
            Rules.LeaderButt,
            Quantity.Diameter(leader.Pieces[0].StartM),
            $"A butt of {Quantity.Length(leader.Pieces[0].LengthM)}, {Quantity.Length(leader.Pieces[1].LengthM)} "
                + $"of steps, {Quantity.Length(leader.Pieces[2].LengthM)} of tippet",
            [new("line tip", Quantity.Diameter(line.TipDiameterM))]
        );
        return leader;
    }

    private const double BigWindMps = 8;

    /// <summary>Usual length on a floating line, metres; what a class is judged with before the line is known.</summary>
    public static double UsualLengthM(Brief brief)
    {
        var length = UsualLength(brief, Densities.Rows[0].Id).LengthM;
        return brief.WindMps > BigWindMps ? InBigWind(length) : length;
    }

    private static double InBigWind(double lengthM) => Math.Max(4 * Ft, lengthM - 2 * Ft);

    private static (double LengthM, string Why) UsualLength(Brief brief, string density)
    {
        var rank = Densities.Rank(density);
        if (rank >= Densities.Rank("type4"))
            return (4 * Ft, "a fast sinking line takes the fly down; a long leader would let it ride up");
        if (rank > Densities.Rank("intermediate"))
            return (5 * Ft, "a sinking line takes the fly down; a long leader would let it ride up");
        if (rank > 0)
            return (7 * Ft, "an intermediate line needs a middling leader");
        if (brief.Fly.Kind.Bushy && brief.Fly.AreaM2 > 1.5e-4)
            return (7 * Ft, "bulky flies turn over on a short stiff leader");
        if (brief.Water == Water.SmallStream)
            return (7 * Ft, "a small stream leaves room for a short leader only");
        if (brief.Wariness == Wariness.Spooky)
            return (13 * Ft, "wary fish want the line kept well away");
        return brief.Wariness == Wariness.Bold ? (9 * Ft, "floating line, bold fish") : (10 * Ft, "floating line and clear water");
    }
}
