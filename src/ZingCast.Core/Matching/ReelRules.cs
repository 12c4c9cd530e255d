using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What a reel is chosen for.</summary>
/// <param name="Brief">The day.</param>
/// <param name="Pins">What is pinned.</param>
/// <param name="Rod">Rod to balance.</param>
/// <param name="Line">Line to hold.</param>
/// <param name="Leader">Leader, whose tippet the backing has to outlast.</param>
/// <param name="DrawnM">Backing that the fish draws, metres; 0 when it does not matter.</param>
internal readonly record struct ForReel(Brief Brief, Pins Pins, Rod Rod, FlyLine Line, Leader Leader, double DrawnM);

/// <summary>Backing, reel, fill, balance, and what to spend money on.</summary>
internal static class ReelRules
{
    // A run this long, metres, or this fast, m/s, asks for thin strong backing. Common practice.
    private const double LongRunM = 100,
        FastRunMps = 6;

    // Least strength of backing, pounds, and how much stronger than the tippet it is at least. Common practice.
    private const double LeastLb = 18,
        LeastForRunsLb = 48,
        OverTippet = 1.2;

    /// <summary>
    /// Chooses backing and reel for a rod, line and leader; with <paramref name="strictly"/> a reel of the shed at any cost.
    /// </summary>
    public static (Reel Reel, Backing Backing, double BackingM) Decide(ForReel on, GearShed shed, bool strictly, LedgerBook book)
    {
        var (brief, pins, rod, line, leader, drawnM) = on;
        var metres = BackingLength(brief, pins, drawnM, book);
        var (fitting, backing) = BackingKind(on, shed, metres, book);
        var pinned = pins.Reel is { } id ? shed.Reels.FirstOrDefault(r => r.Id == id) : null;
        var nearest = strictly ? shed.Reels.MinBy(r => Choosing.Cost(r, rod, line, backing, metres, brief, shed)) : null;
        var reel = pinned ?? fitting ?? nearest ?? Choosing.WantedReel(rod, line, backing, metres, brief);
        Chosen(brief, reel, backing, metres, book);
        OnSpool(shed, reel, line, backing, metres, book);
        var fill = SpoolFill.For(reel, line, backing, metres, leader);
        Filled(fill, metres, book);
        Balance(rod, reel, fill, book);
        return (reel, backing, metres);
    }

    private static (double Usual, double Planned) Metres(Brief brief, Pins pins, double drawnM)
    {
        var usual = Math.Max(brief.Species.Group.BackingM(brief.FishKg), SpoolBench.OverRun * drawnM);
        return (usual, pins.BackingM ?? Math.Round(usual / 5) * 5);
    }

    // If a run of this many times the planned length would not empty the line, the fish is taken not to reach the backing. Our assumption.
    private const double MaxRuns = 2;

    /// <summary>Whether a fish of the brief may take the whole line off the reel.</summary>
    public static bool TakesLine(Brief brief, FlyLine line) => MaxRuns * brief.Species.Group.RunM + brief.DistanceM > line.LengthM;

    // More backing than any run needs, metres.
    private const double AmpleM = 600;

    /// <summary>
    /// Backing that a fish of the brief draws with this line and leader from an ample reel, metres. 0 for a fish that does not take the
    /// line, and for one that cannot draw more than is planned anyway, unless <paramref name="always"/> is set.
    /// </summary>
    public static double DrawnM(Brief brief, FlyLine line, Leader leader, bool always = false)
    {
        // Nor does it matter for a fish for which more than that is planned.
        var atMost = SpoolBench.OverRun * (MaxRuns * brief.Species.Group.RunM + brief.DistanceM - line.LengthM);
        if (atMost <= 0 || (!always && atMost <= brief.Species.Group.BackingM(brief.FishKg)))
            return 0;
        var backing = Kinds(brief, Pins.None, leader, true).Wanted;
        var reel = Choosing.WantedReel(Rods.Rod.Blank, line, backing, AmpleM, brief);
        var drag = DragSetting.For(leader, line, backing, reel).SetN;
        RunHold hold = new(drag, OutM: brief.DistanceM);
        return new RunCase(reel, line, backing, AmpleM, leader, brief.Species.Group, brief.FishKg, hold).Run(watched: false).BackingOutM;
    }

    /// <summary>
    /// The backing that <see cref="Decide"/> would put on this reel if it were the only one; nothing is written to the ledger.
    /// </summary>
    public static (Backing Backing, double BackingM, SpoolFill Fill) BackingOn(
        Brief brief,
        Pins pins,
        bool free,
        Reel reel,
        FlyLine line,
        Leader leader,
        double drawnM
    )
    {
        var metres = Metres(brief, pins, drawnM).Planned;
        var (wanted, thin) = Kinds(brief, pins, leader, free);
        var fill = SpoolFill.For(reel, line, wanted, metres);
        return thin is not null && !Takes(fill) && SpoolFill.For(reel, line, thin, metres) is var less && Takes(less)
            ? (thin, metres, less)
            : (wanted, metres, fill);
    }

    // Polyester when it is strong enough and the fish does not run; otherwise the lightest gel-spun that is. The second is tried when no
    // reel holds the polyester: gel-spun of the same strength needs about half the room.
    private static (Backing Wanted, Backing? Thin) Kinds(Brief brief, Pins pins, Leader leader, bool free)
    {
        var fast = RunsFast(brief);
        var least = Math.Max(OverTippet * Tippets.KnottedN(leader.TippetM), (fast ? LeastForRunsLb : LeastLb) * Exact.PoundForceN);
        var first =
            Backings.Rows.FirstOrDefault(b => b.GelSpun == (fast && free) && b.StrengthN >= least)
            ?? Backings.Rows.FirstOrDefault(b => b.GelSpun && b.StrengthN >= least)
            ?? Backings.Rows[^1];
        var wanted = Backings.Find(pins.Backing) ?? first;
        var thin =
            pins.Backing is null && !wanted.GelSpun && free ? Backings.Rows.First(b => b.GelSpun && b.StrengthN >= wanted.StrengthN) : null;
        return (wanted, thin);
    }

    private static bool RunsFast(Brief brief) => brief.Species.Group is { RunM: >= LongRunM } or { RunMps: >= FastRunMps };

    private static bool Takes(SpoolFill fill) => fill.Holds || fill.Spool.IsGuess;

    private static double BackingLength(Brief brief, Pins pins, double drawnM, LedgerBook book)
    {
        var group = brief.Species.Group;
        var (usual, metres) = Metres(brief, pins, drawnM);
        book.Add(
            Rules.BackingLength,
            () =>
                new(
                    Quantity.Spooled(metres),
                    pins.BackingM is null
                        ? drawnM > 0
                            ? $"Planned for {brief.Species.Name}; this one draws {Quantity.Spooled(drawnM)} of backing on this tippet"
                            : (Sentence)$"Planned for {brief.Species.Name}; no run of this one asks for more"
                        : $"You pinned this length; {Quantity.Spooled(usual)} is planned for {brief.Species.Name}",
                    [
                        new("usual", Quantity.Spooled(group.BackingM(brief.FishKg))),
                        .. drawnM > 0
                            ?
                            [
                                new Factor("drawn in its run", Quantity.Spooled(drawnM)),
                                new Factor("drawn + 30 %", Quantity.Spooled(SpoolBench.OverRun * drawnM)),
                            ]
                            : Array.Empty<Factor>(),
                    ],
                    pins.BackingM is null ? Fishes.Source : Source.Yours,
                    metres < drawnM,
                    new() { BackingM = metres }
                )
        );
        return metres;
    }

    private static (Reel? Fitting, Backing Backing) BackingKind(ForReel on, GearShed shed, double metres, LedgerBook book)
    {
        var (brief, pins) = (on.Brief, on.Pins);
        var fast = RunsFast(brief);
        var tippetN = Tippets.KnottedN(on.Leader.TippetM);
        var (wanted, thin) = Kinds(brief, pins, on.Leader, !book.IsOff(Rules.BackingKind));
        var reel = Best(on, shed, wanted, metres);
        var thinReel = thin is null || reel is not null ? null : Best(on, shed, thin, metres);
        var backing = thinReel is null ? wanted : thin!;
        book.Add(
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

    private static Reel? Best(ForReel on, GearShed shed, Backing backing, double metres)
    {
        var candidates = Choosing.Only(shed.Reels, on.Pins.Reel, r => r.Id);
        var best = candidates.MinBy(r => Choosing.Cost(r, on.Rod, on.Line, backing, metres, on.Brief, shed));
        return best is not null && Takes(SpoolFill.For(best, on.Line, backing, metres)) ? best : null;
    }

    private static void Chosen(Brief brief, Reel reel, Backing backing, double metres, LedgerBook book)
    {
        if (!reel.IsThere)
            book.Add(
                Rules.ReelChoice,
                () =>
                    new(
                        "look for",
                        $"No reel in the shed holds this line with {Quantity.Spooled(metres)} of backing. Look for a rim of "
                            + $"{Quantity.SpoolSize(reel.RimM!.Value)} by {Quantity.SpoolSize(reel.WidthM!.Value)} wide on an arbor "
                            + $"of {Quantity.SpoolSize(reel.ArborM!.Value)}, near {Quantity.Gear(reel.MassKg)}",
                        [new("backing", backing.Name)],
                        Doubt: true
                    )
            );
        else
            book.Add(
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

    private static void OnSpool(GearShed shed, Reel reel, FlyLine line, Backing backing, double metres, LedgerBook book)
    {
        if (SpoolWork.For(shed, reel, line, backing, metres) is { } work)
            book.Add(
                Rules.OnSpool,
                () =>
                    new(
                        work.Minutes == 0 ? "ready" : $"{work.Minutes} min",
                        work.Says,
                        [new("line", line.Tag), new("reel", reel.Tag)],
                        new(SourceMark.Measured, "What somebody noted that lies on the spools of the shed")
                    )
            );
    }

    private static void Filled(SpoolFill fill, double metres, LedgerBook book)
    {
        var (fits, band) = (Quantity.Spooled(fill.FitsBackingM), fill.FitsBandM);
        Sentence between = $"{Quantity.Spooled(band.Low)} to {Quantity.Spooled(band.High)} by how tight it is wound";
        book.Add(
            Rules.Fill,
            () =>
                new(
                    Figure.Fill(fill),
                    fill.Spool.IsGuess
                            ? $"of the room such a reel usually has: {Quantity.Spooled(band.Low)} to {Quantity.Spooled(band.High)} "
                                + $"of this backing would fit. Measure arbor, rim and width"
                        : fill.Share <= 1 ? (Sentence)$"of the room used; {fits} of this backing would fit, {between}"
                        : $"of the room: only {fits} of this backing fits, {between}",
                    [
                        new("ordinary wind", Figure.Share("fill", fill.Share)),
                        new("loose wind", Figure.Share("fill", fill.ShareLoose)),
                        new("backing", Quantity.Spooled(metres)),
                        new("rim gap left", Quantity.SpoolSize(fill.RimGapM)),
                        new("room known to", Figure.Share("±", fill.Spool.PlusMinus)),
                    ],
                    fill.Spool.Source,
                    Doubt: fill.ShareLoose > 1 || fill.Spool.IsGuess
                )
        );
    }

    /// <summary>Drag setting, what a fish makes of it, and so what to spend money on.</summary>
    public static void ExplainFight(Brief brief, Outfit outfit, Lazy<FishRun> run, LedgerBook book)
    {
        var drag = outfit.Drag;
        book.Add(
            Rules.Drag,
            () =>
                new(
                    Quantity.Force(drag.SetN),
                    drag.Says,
                    [
                        .. drag.Joints.Select(j => new Factor($"{j.Name}, knotted", Quantity.Force(j.StandsN))),
                        new("from", Quantity.Force(drag.RangeN.Low)),
                        new("to", Quantity.Force(drag.RangeN.High)),
                    ],
                    Doubt: drag.SetN < drag.RangeN.Low
                )
        );
        // The run is simulated when first asked for; verdicts and reasons use the same one.
        book.Add(Rules.Run, () => ExplainRun(brief, outfit, run.Value));
        book.Add(Rules.Money, () => ExplainMoney(brief, run.Value));
    }

    private static Explanation ExplainRun(Brief brief, Outfit outfit, FishRun run)
    {
        var share = Quantity.Ratio(run.TippetShare);
        var took = new Quantity(Math.Round(run.TookS), Kind.Time);
        var fastest = new Quantity(run.FastestMps, Kind.WaterSpeed);
        return new(
            Quantity.Spooled(run.RunM),
            run.End switch
            {
                RunEnd.Breaks => $"run at up to {fastest}; the hardest pull is {share} times what the weakest knot stands. "
                    + $"Follow, lower the rod, ease the drag",
                RunEnd.Spools => $"run and the spool is empty after {took}: follow, or wind on more",
                _ => (Sentence)$"run in {took}, {Quantity.Spooled(run.LeftM)} left on the spool; "
                    + $"the hardest pull is {share} of what the weakest knot stands",
            },
            [
                new("fish", Quantity.Fish(brief.FishKg)),
                new("fastest", fastest),
                new("backing out", Quantity.Spooled(run.BackingOutM)),
                new("hardest pull", Quantity.Force(run.HardestN)),
                new("drag set to", Quantity.Force(outfit.Drag.SetN)),
            ],
            RunningFish.Source,
            Doubt: run.End != RunEnd.Stops
        );
    }

    private static Explanation ExplainMoney(Brief brief, FishRun run)
    {
        var (fastest, drawn) = (new Quantity(run.FastestMps, Kind.WaterSpeed), Quantity.Spooled(run.BackingOutM));
        var (reel, name) = (RunCase.WantsReel(run), brief.Species.Name);
        return new(
            reel ? "reel" : "rod",
            reel ? (Sentence)$"{name} draws {drawn} of backing at up to {fastest}: spend on reel and backing"
                : run.BackingOutM > 0 ? (Sentence)$"{name} draws {drawn} of backing at most: spend on the rod, the reel mostly stores line"
                : $"{name} does not run the line out: spend on the rod, the reel mostly stores line",
            [new("backing out", drawn), new("fastest", fastest)]
        );
    }

    private static void Balance(Rod rod, Reel reel, SpoolFill fill, LedgerBook book)
    {
        var ratio = ReelBalance.Ratio(reel, fill, rod.MassKg);
        book.Add(
            Rules.Balance,
            () =>
                new(
                    Figure.Share("ratio", ratio),
                    ratio < ReelBalance.Usual.Low ? (Sentence)$"loaded reel to rod: tip-heavy"
                        : ratio > ReelBalance.Usual.High ? (Sentence)$"loaded reel to rod: heavy in the hand, but it balances low"
                        : $"loaded reel to rod: balances at the grip",
                    [
                        new("reel", Quantity.Gear(reel.MassKg)),
                        new("line and backing", Quantity.Gear(fill.LoadKg)),
                        new("rod", Quantity.Gear(rod.MassKg)),
                    ],
                    Doubt: ReelBalance.IsUnbalanced(ratio)
                )
        );
    }
}
