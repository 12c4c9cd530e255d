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
    // Runs that ask for thin strong backing, and runs that are worth money: metres and m/s, common practice.
    private const double LongRunM = 100,
        FastRunMps = 6,
        DearRunM = 80,
        DearRunMps = 5;

    // Least strength of backing, pounds, and over the tippet's; common practice.
    private const double LeastLb = 18,
        LeastForRunsLb = 48,
        OverTippet = 1.2;

    public static (Reel Reel, Backing Backing, double BackingM) Decide(
        Brief brief,
        GearShed shed,
        Pins pins,
        bool strictly,
        Rod rod,
        FlyLine line,
        Leader leader,
        LedgerBook book
    )
    {
        var metres = BackingLength(brief, pins, book);
        var (fitting, backing) = BackingKind(brief, shed, pins, (rod, line, leader), metres, book);
        var pinned = pins.Reel is { } id ? shed.Reels.FirstOrDefault(r => r.Id == id) : null;
        var nearest = strictly ? shed.Reels.MinBy(r => Choosing.Cost(r, rod, line, backing, metres, brief)) : null;
        var reel = pinned ?? fitting ?? nearest ?? Choosing.WantedReel(rod, line, backing, metres, brief);
        Chosen(brief, reel, backing, metres, book);
        Filled(reel, line, backing, metres, book);
        Balance(rod, line, reel, book);
        Money(brief, book);
        return (reel, backing, metres);
    }

    private static double BackingLength(Brief brief, Pins pins, LedgerBook book)
    {
        var group = brief.Species.Group;
        var run = 1.3 * group.RunM;
        var usual = Math.Max(group.BackingM(brief.FishKg), run);
        var metres = pins.BackingM ?? Math.Round(usual / 5) * 5;
        book.Note(
            Rules.BackingLength,
            () =>
                new(
                    Quantity.Spooled(metres),
                    pins.BackingM is null
                        ? (Sentence)$"Planned for {brief.Species.Name}; the longest run to expect is {Quantity.Spooled(group.RunM)}"
                        : $"You pinned this length; {Quantity.Spooled(usual)} is planned for {brief.Species.Name}",
                    [
                        new("usual", Quantity.Spooled(group.BackingM(brief.FishKg))),
                        new("run", Quantity.Spooled(group.RunM)),
                        new("run + 30 %", Quantity.Spooled(run)),
                    ],
                    pins.BackingM is null ? Fishes.Source : Source.Yours,
                    metres < group.RunM,
                    new() { BackingM = metres }
                )
        );
        return metres;
    }

    private static (Reel? Fitting, Backing Backing) BackingKind(
        Brief brief,
        GearShed shed,
        Pins pins,
        (Rod Rod, FlyLine Line, Leader Leader) on,
        double metres,
        LedgerBook book
    )
    {
        var group = brief.Species.Group;
        var fast = group.RunM >= LongRunM || group.RunMps >= FastRunMps;
        var free = !book.IsOff(Rules.BackingKind);
        var tippetN = Tippets.KnottedN(on.Leader.TippetM);
        var least = Math.Max(OverTippet * tippetN, (fast ? LeastForRunsLb : LeastLb) * Exact.PoundForceN);
        // Polyester while it is strong enough and the fish does not run; else the lightest gel-spun that is.
        var first =
            Backings.Rows.FirstOrDefault(b => b.GelSpun == (fast && free) && b.StrengthN >= least)
            ?? Backings.Rows.FirstOrDefault(b => b.GelSpun && b.StrengthN >= least)
            ?? Backings.Rows[^1];
        var wanted = Backings.Find(pins.Backing) ?? first;
        var reel = Best(brief, shed, pins, on.Rod, on.Line, wanted, metres);
        // When no reel takes it in polyester, gel-spun of the same strength needs about half the room.
        var thin =
            pins.Backing is null && reel is null && !wanted.GelSpun && free
                ? Backings.Rows.First(b => b.GelSpun && b.StrengthN >= wanted.StrengthN)
                : null;
        var thinReel = thin is null ? null : Best(brief, shed, pins, on.Rod, on.Line, thin, metres);
        var backing = thinReel is null ? wanted : thin!;
        book.Note(
            Rules.BackingKind,
            () =>
            {
                var whyThin =
                    fast ? "Long fast runs"
                    : tippetN * OverTippet > Backings.StrongestPolyester.StrengthN ? "The tippet is stronger than polyester"
                    : "Short of room";
                return new(
                    backing.Name,
                    pins.Backing is not null ? (Sentence)$"You pinned this kind"
                        : backing.GelSpun ? (Sentence)$"{whyThin}: thin and strong; wind it tight, it cuts into itself and into fingers"
                        : $"Cheap, kind to fingers and it fits",
                    [
                        new("strength", Quantity.Force(backing.StrengthN)),
                        new("tippet", Quantity.Force(tippetN)),
                        new("thickness", Quantity.Diameter(backing.DiameterM)),
                    ],
                    pins.Backing is null ? null : Source.Yours,
                    Pin: new() { Backing = backing.Id }
                );
            }
        );
        return (thinReel ?? reel, backing);
    }

    private static Reel? Best(Brief brief, GearShed shed, Pins pins, Rod rod, FlyLine line, Backing backing, double metres)
    {
        var candidates = Choosing.Only(shed.Reels, pins.Reel, r => r.Id);
        var best = candidates.MinBy(r => Choosing.Cost(r, rod, line, backing, metres, brief));
        return best is not null && SpoolFill.Of(best, line, backing, metres) is null or { Holds: true } ? best : null;
    }

    private static void Chosen(Brief brief, Reel reel, Backing backing, double metres, LedgerBook book)
    {
        if (reel.Id == 0)
            book.Note(
                Rules.ReelChoice,
                () =>
                    new(
                        "look for",
                        $"No reel in the shed holds this line with {Quantity.Spooled(metres)} of backing. Look for a rim of "
                            + $"{Quantity.Short(reel.RimM!.Value)} by {Quantity.Short(reel.WidthM!.Value)} wide on an arbor "
                            + $"of {Quantity.Short(reel.ArborM!.Value)}, near {Quantity.Gear(reel.MassKg)}",
                        [new("backing", backing.Name)],
                        Doubt: true
                    )
            );
        else
            book.Note(
                Rules.ReelChoice,
                () =>
                    new(
                        reel.Tag,
                        $"{reel.Name}, {Quantity.Gear(reel.MassKg)}",
                        [new("mass", Quantity.Gear(reel.MassKg)), new("salt-proof", reel.SaltProof ? "yes" : "no")],
                        Doubt: brief.Salt && !reel.SaltProof,
                        Pin: new() { Reel = reel.Id }
                    )
            );
    }

    private static void Filled(Reel reel, FlyLine line, Backing backing, double metres, LedgerBook book)
    {
        if (SpoolFill.Of(reel, line, backing, metres) is not { } fill)
            book.Note(
                Rules.Fill,
                () =>
                    new(
                        "unknown",
                        $"Neither measured nor labelled: nobody knows what it holds. Measure arbor, rim and width",
                        [],
                        Source.Assumption("No spool measures"),
                        Doubt: true
                    )
            );
        else
            book.Note(
                Rules.Fill,
                () =>
                    new(
                        Figure.Share("fill", fill.Share),
                        fill.Share <= 1
                            ? (Sentence)$"of the room used; {Quantity.Spooled(fill.FitsBackingM)} of this backing would fit"
                            : $"of the room: only {Quantity.Spooled(fill.FitsBackingM)} of this backing fits",
                        [
                            new("ordinary wind", Figure.Share("fill", fill.Share)),
                            new("loose wind", Figure.Share("fill", fill.ShareLoose)),
                            new("backing", Quantity.Spooled(metres)),
                            new("rim gap left", fill.RimGapM is { } gap ? Quantity.Short(gap) : "spool not measured"),
                        ],
                        fill.Source,
                        Doubt: fill.ShareLoose > 1
                    )
            );
    }

    private static void Balance(Rod rod, FlyLine line, Reel reel, LedgerBook book)
    {
        var ratio = Choosing.Balance(reel, rod, line);
        book.Note(
            Rules.Balance,
            () =>
                new(
                    Figure.Share("ratio", ratio),
                    ratio < ReelBalance.Usual.Low ? (Sentence)$"loaded reel to rod: tip-heavy"
                        : ratio > ReelBalance.Usual.High ? (Sentence)$"loaded reel to rod: heavy in the hand, but it balances low"
                        : $"loaded reel to rod: balances at the grip",
                    [
                        new("reel", Quantity.Gear(reel.MassKg)),
                        new("line", Quantity.Gear(line.MassWithinKg(line.LengthM))),
                        new("rod", Quantity.Gear(rod.MassKg)),
                    ],
                    Doubt: ReelBalance.IsOdd(ratio)
                )
        );
    }

    private static void Money(Brief brief, LedgerBook book)
    {
        var group = brief.Species.Group;
        var runs = group.RunM >= DearRunM || group.RunMps >= DearRunMps;
        var speed = new Quantity(group.RunMps, Kind.WaterSpeed);
        book.Note(
            Rules.Money,
            () =>
                new(
                    runs ? "reel" : "rod",
                    runs
                        ? (Sentence)$"{brief.Species.Name} can run {Quantity.Spooled(group.RunM)} at {speed}: spend on reel and backing"
                        : $"{brief.Species.Name} run {Quantity.Spooled(group.RunM)} at most: spend on the rod, "
                            + $"the reel mostly stores line",
                    [new("run", Quantity.Spooled(group.RunM)), new("speed", speed)]
                )
        );
    }
}
