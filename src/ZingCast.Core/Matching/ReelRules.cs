using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Backing, reel, fill and balance, and where the money goes.</summary>
internal static class ReelRules
{
    public static (Reel Reel, Backing Backing, double BackingM) Decide(
        Brief brief,
        GearShed shed,
        Pins pins,
        Rod rod,
        FlyLine line,
        Leader leader,
        LedgerBook book
    )
    {
        var group = brief.Species.Group;
        var usual = Math.Max(group.BackingM(brief.FishKg), 1.3 * group.RunM);
        var metres = pins.BackingM ?? Math.Round(usual / 5) * 5;
        book.Note(
            Rules.BackingLength,
            Quantity.Length(metres),
            pins.BackingM is null
                ? (Sentence)$"Planned for {brief.Species.Name}; the longest run to expect is {Quantity.Length(group.RunM)}"
                : $"You pinned this length; {Quantity.Length(usual)} is planned for {brief.Species.Name}",
            [
                new("usual", Quantity.Length(group.BackingM(brief.FishKg))),
                new("run", Quantity.Length(group.RunM)),
                new("run + 30 %", Quantity.Length(1.3 * group.RunM)),
            ],
            pins.BackingM is null ? Fishes.Source : Source.Yours,
            doubt: metres < group.RunM
        );

        var fast = group.RunM >= 100 || group.RunMps >= 6;
        var tippetN = Tippets.StrengthN(leader.TippetM);
        var first = Backings.Rows.First(b =>
            b.GelSpun == (fast && !book.IsOff(Rules.BackingKind))
                && b.StrengthN >= Math.Max(1.2 * tippetN, (fast ? 48 : 18) * Exact.PoundForceN)
            || b == Backings.Rows[^1]
        );
        var backing = Backings.Find(pins.Backing ?? "") ?? first;
        var reel = Best(brief, shed, pins, rod, line, backing, metres);
        // When no reel takes it in polyester, gel-spun of the same strength needs about half the room.
        if (pins.Backing is null && reel is null && !backing.GelSpun && !book.IsOff(Rules.BackingKind))
        {
            var thin = Backings.Rows.First(b => b.GelSpun && b.StrengthN >= backing.StrengthN);
            if (Best(brief, shed, pins, rod, line, thin, metres) is { } fits)
                (reel, backing) = (fits, thin);
        }
        var whyThin =
            fast ? "Long fast runs"
            : tippetN * 1.2 > Backings.Rows[1].StrengthN ? "The tippet is stronger than polyester"
            : "Short of room";
        book.Note(
            Rules.BackingKind,
            backing.Name,
            pins.Backing is not null ? (Sentence)$"You pinned this kind"
                : backing.GelSpun ? (Sentence)$"{whyThin}: thin and strong; wind it tight, it cuts into itself and into fingers"
                : $"Cheap, kind to fingers and it fits",
            [
                new("strength", Quantity.Force(backing.StrengthN)),
                new("tippet", Quantity.Force(tippetN)),
                new("thickness", Quantity.Diameter(backing.DiameterM)),
            ],
            pins.Backing is null ? null : Source.Yours
        );

        var pinned = pins.Reel is { } id ? shed.Reels.FirstOrDefault(r => r.Id == id) : null;
        var chosen = pinned ?? reel ?? Choosing.WantedReel(rod, line, backing, metres, brief);
        WriteReel(brief, rod, line, chosen, backing, metres, book);
        return (chosen, backing, metres);
    }

    private static Reel? Best(Brief brief, GearShed shed, Pins pins, Rod rod, FlyLine line, Backing backing, double metres)
    {
        var candidates = Choosing.Only(shed.Reels, pins.Reel, r => r.Id);
        var best = candidates.MinBy(r => Choosing.Cost(r, rod, line, backing, metres, brief));
        return best is not null && SpoolFill.Of(best, line, backing, metres) is null or { Share: <= 1.02 } ? best : null;
    }

    private static void WriteReel(Brief brief, Rod rod, FlyLine line, Reel reel, Backing backing, double metres, LedgerBook book)
    {
        var fill = SpoolFill.Of(reel, line, backing, metres);
        var ratio = Choosing.Balance(reel, rod, line);
        if (reel.Id == 0)
            book.Note(
                Rules.ReelChoice,
                "look for",
                $"No reel in the shed holds this line with {Quantity.Length(metres)} of backing. Look for a rim of "
                    + $"{Quantity.Short(reel.RimM!.Value)} by {Quantity.Short(reel.WidthM!.Value)} wide on an arbor "
                    + $"of {Quantity.Short(reel.ArborM!.Value)}, near {Quantity.Gear(reel.MassKg)}",
                [new("backing", backing.Name)],
                doubt: true
            );
        else
            book.Note(
                Rules.ReelChoice,
                reel.Tag,
                $"{reel.Name}, {Quantity.Gear(reel.MassKg)}",
                [new("mass", Quantity.Gear(reel.MassKg)), new("salt-proof", reel.SaltProof ? "yes" : "no")],
                doubt: brief.Salt && !reel.SaltProof
            );
        if (fill is null)
            book.Note(
                Rules.Fill,
                "unknown",
                $"Neither measured nor labelled: nobody knows what it holds. Measure arbor, rim and width",
                [],
                Source.Assumption("No spool measures"),
                doubt: true
            );
        else
            book.Note(
                Rules.Fill,
                Quantity.Ratio(fill.Share),
                fill.Share <= 1
                    ? (Sentence)$"of the room used; {Quantity.Length(fill.FitsBackingM)} of this backing would fit"
                    : $"of the room: only {Quantity.Length(fill.FitsBackingM)} of this backing fits",
                [
                    new("ordinary wind", Quantity.Ratio(fill.Share)),
                    new("loose wind", Quantity.Ratio(fill.ShareLoose)),
                    new("backing", Quantity.Length(metres)),
                    new("rim gap left", fill.RimGapM is { } gap ? Quantity.Short(gap) : "spool not measured"),
                ],
                fill.Source,
                doubt: fill.ShareLoose > 1
            );
        book.Note(
            Rules.Balance,
            Quantity.Ratio(ratio),
            ratio < 1.3 ? (Sentence)$"loaded reel to rod: tip-heavy"
                : ratio > 1.8 ? (Sentence)$"loaded reel to rod: heavy in the hand, but it balances low"
                : $"loaded reel to rod: balances at the grip",
            [
                new("reel", Quantity.Gear(reel.MassKg)),
                new("line", Quantity.Gear(line.MassWithinKg(line.LengthM))),
                new("rod", Quantity.Gear(rod.MassKg)),
            ],
            doubt: ratio is < 1.1 or > 2.1
        );

        var group = brief.Species.Group;
        var runs = group.RunM >= 80 || group.RunMps >= 5;
        book.Note(
            Rules.Money,
            runs ? "reel" : "rod",
            runs
                ? (Sentence)$"{brief.Species.Name} can run {Quantity.Length(group.RunM)} at "
                    + $"{new Quantity(group.RunMps, Kind.WaterSpeed)}: spend on reel and backing"
                : $"{brief.Species.Name} run {Quantity.Length(group.RunM)} at most: spend on the rod, the reel mostly stores line",
            [new("run", Quantity.Length(group.RunM)), new("speed", new Quantity(group.RunMps, Kind.WaterSpeed))]
        );
    }
}
