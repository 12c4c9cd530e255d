using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Every rule of matching in the order of the work.</summary>
public static class Rules
{
    private static readonly Source Practice = Source.Practice;

    /// <summary>Bulk and mass of the fly.</summary>
    public static readonly Rule FlyBulk = new(
        "fly.bulk",
        LinkId.Fly,
        "What must be carried",
        "The fly's soaked mass and its drag in the air come from its family and hook size, unless it was weighed.",
        FlyKinds.Source
    );

    /// <summary>Tippet thickness.</summary>
    public static readonly Rule TippetSize = new(
        "tippet.size",
        LinkId.Tippet,
        "Tippet for the fly",
        "X is near hook size ÷ 3, or ÷ 4 for big or bushy flies and wind. From #4 up the tippet is 35–50 % of the hook wire. "
            + "Where the fish asks for more it goes up to half the wire; two sizes up in the dark, one under branches.",
        Practice
    );

    /// <summary>Tippet against the fish.</summary>
    public static readonly Rule TippetStrength = new(
        "tippet.strength",
        LinkId.Tippet,
        "Tippet against the fish",
        "A knotted tippet should stand about half the fish's weight with a yielding rod; below that, give line early.",
        Source.Assumption("A planning share of ours; practice ranges widely")
    );

    /// <summary>Bite guard.</summary>
    public static readonly Rule BiteGuard = new(
        "tippet.guard",
        LinkId.Tippet,
        "Bite guard",
        "Teeth want knottable wire or heavy fluorocarbon of 15–30 cm; gill plates and rough mouths 30–60 cm of fluorocarbon.",
        Practice,
        true
    );

    /// <summary>Delivery class.</summary>
    public static readonly Rule Delivery = new(
        "class.delivery",
        LinkId.Rod,
        "Class to deliver the fly",
        "The smallest class whose cast, fly wet and wind as given, reaches the distance with a tenth in "
            + "hand and turns over, with the very rod, line and leader that are looked for.",
        new(
            SourceMark.Computed,
            "Two-leg loop model after Spolek and Lingard; caster values are common practice; people of one kind differ by ±20 to 31 %"
        )
    );

    /// <summary>Where climbing stops.</summary>
    public static readonly Rule Flattens = new(
        "class.flattens",
        LinkId.Rod,
        "Where climbing stops paying",
        "Reach flattens with class. Where a class more adds under 2 %, looked at over two classes, the class is not what is missing.",
        Source.Computed
    );

    /// <summary>The ladder.</summary>
    public static readonly Rule Ladder = new(
        "class.ladder",
        LinkId.Rod,
        "What people say by hook",
        "The hook-and-bulk ladder: the class people reach for by size and bulk of the fly alone. More than a class and a half apart "
            + "it is said; no class more than one above it is named, and all-round goes no more than one below it.",
        Practice
    );

    /// <summary>Fly against line.</summary>
    public static readonly Rule FlyRatio = new(
        "class.fly-ratio",
        LinkId.Rod,
        "Fly against line",
        "A soaked fly up to 0.20 of the line in the air casts comfortably, up to 0.40 with a short heavy head; above 0.45 it is lobbing, "
            + "not casting. A heavier fly asks for a heavier line, never a lighter one.",
        Practice
    );

    /// <summary>The caster.</summary>
    public static readonly Rule Caster = new(
        "class.caster",
        LinkId.Rod,
        "The caster's share",
        "Speed, loop and carry are already in the cast. Of two answers that reach alike a learner takes the heavier, half a class up.",
        Practice,
        true
    );

    /// <summary>Lean.</summary>
    public static readonly Rule Lean = new(
        "class.lean",
        LinkId.Rod,
        "Which way you lean",
        "Finesse takes the lightest class that delivers today; all-round keeps a day in hand, a quarter farther with 2 m/s more in the "
            + "face; power goes a class above that.",
        Practice,
        true
    );

    /// <summary>Presentation.</summary>
    public static readonly Rule Presentation = new(
        "class.presentation",
        LinkId.Rod,
        "Soft landing",
        "Spooky fish: a class down; flat calm the same, less of it up to a ripple of 2 m/s. Never below what delivers the fly.",
        Practice,
        true
    );

    /// <summary>Fine tippet.</summary>
    public static readonly Rule TippetGuard = new(
        "class.tippet-guard",
        LinkId.Rod,
        "Fine tippet wants give",
        "With 6X and finer the rod should give: class 5 at most, unless delivery forbids it.",
        Practice,
        true
    );

    /// <summary>The fish as a floor.</summary>
    public static readonly Rule FishFloor = new(
        "class.fish-floor",
        LinkId.Rod,
        "The fish, as a floor",
        "Enough rod to land the fish quickly and release it alive; scaled by the "
            + "size you expect and raised half a class in strong current.",
        new(SourceMark.Practice, "Species floors are practice; scaling by size is our estimate, ±0.5 class"),
        true
    );

    /// <summary>The species' own number.</summary>
    public static readonly Rule FishFirst = new(
        "class.fish-first",
        LinkId.Rod,
        "The species' number",
        "Fish-first: begin with the class people name for the species and size, then see whether it delivers the fly; where fly-first "
            + "says otherwise, it is said why.",
        Practice
    );

    /// <summary>Density bump.</summary>
    public static readonly Rule DensityBump = new(
        "class.density-bump",
        LinkId.Rod,
        "Heavy sinking head",
        "Heads of type 3 and 4 ask for a six at least, faster ones for a six and a half: they are heavy and come up hard.",
        Practice,
        true
    );

    /// <summary>Class asked for.</summary>
    public static readonly Rule ClassPin = new(
        "class.pin",
        LinkId.Rod,
        "Class you pinned",
        "A pinned class stands; the steps above say what it stands against.",
        Source.Yours
    );

    /// <summary>Rod length.</summary>
    public static readonly Rule RodLength = new(
        "rod.length",
        LinkId.Rod,
        "Rod length",
        "Nine feet unless the place says otherwise: short under branches, long for reach, waves, deep wading and nymphs.",
        Practice,
        true
    );

    /// <summary>Rod action.</summary>
    public static readonly Rule RodActionRule = new(
        "rod.action",
        LinkId.Rod,
        "Rod action",
        "Soft for close, fine and delicate work and for learners; fast for wind, distance and driving weight; medium-fast between.",
        Practice,
        true
    );

    /// <summary>Rod chosen.</summary>
    public static readonly Rule RodChoice = new(
        "rod.choice",
        LinkId.Rod,
        "The rod",
        "Nearest in class (measured before printed), then length, then action. A rod over a class and a half away is not offered.",
        Source.Computed
    );

    /// <summary>Printed against measured.</summary>
    public static readonly Rule RodMeasured = new(
        "rod.measured",
        LinkId.Rod,
        "Label against bend test",
        "The printed number is a label; the measured one builds the grain window. A "
            + "very fast rod is lined one class below its measured number.",
        new(SourceMark.Memory, "One-third bend test, Common Cents System, RodMaker magazine 2003, recalled")
    );

    /// <summary>Taper.</summary>
    public static readonly Rule Taper = new(
        "line.taper",
        LinkId.Head,
        "Head and taper",
        "Long belly for delicate work and mending, short and front-loaded for bulk and quick shots, a separate head for most distance.",
        Practice,
        true
    );

    /// <summary>Density.</summary>
    public static readonly Rule Density = new(
        "line.density",
        LinkId.Head,
        "Density",
        "The lightest line that fishes the depth: line, leader and fly sink for as long as the drift or "
            + $"a patience of {Depth.Sinking.PatienceS:0} s allows, and the "
            + "fly is held a share of the leader below the line. On a drift weight in the fly comes first; over waves nothing floats.",
        new(SourceMark.Computed, "Trade sink rates, terminal speed of fly and leader; the shares are common practice, ±1 sink type"),
        true
    );

    /// <summary>Coating.</summary>
    public static readonly Rule Coating = new(
        "line.coating",
        LinkId.Head,
        "Coating",
        "Cold coating below 12 °C, temperate 10–24, warm above 22, tropical core above 26. "
            + "A tropical line coils in the cold; a cold line goes limp in heat.",
        Practice,
        true
    );

    /// <summary>Line chosen.</summary>
    public static readonly Rule LineChoice = new(
        "line.choice",
        LinkId.Head,
        "The line",
        "Nearest to the ideal load of this rod, then density, head length and coating. A line outside the grain window is not offered.",
        Source.Computed
    );

    /// <summary>Head against distance.</summary>
    public static readonly Rule HeadReach = new(
        "line.reach",
        LinkId.Head,
        "Which head gets there",
        "Heads that load the rod about equally well are thrown for the brief's distance; one "
            + "that falls short of a tenth in hand gives way to one that does not.",
        Source.Computed,
        true
    );

    /// <summary>Grain window.</summary>
    public static readonly Rule Load = new(
        "line.load",
        LinkId.Head,
        "Load in the grain window",
        "First the line that carries the fly, at least fly ÷ 0.40; then the load the rod likes best; then the window: line in the air "
            + "against the class's standard mass, 0.80 low, 1.45 top, short heads for big flies to 1.60, line and fly together to 2.10. "
            + "Short heads are judged whole, long ones at the carry.",
        Practice
    );

    /// <summary>Distance check.</summary>
    public static readonly Rule Distance = new(
        "cast.distance",
        LinkId.Hand,
        "Distance check",
        "The farthest cast with this rod, line, leader and fly in this wind, searched "
            + "over carry, angle and line shot; a tenth should stay in hand.",
        new(
            SourceMark.Computed,
            "Two-leg loop model after Spolek and Lingard; caster values are common practice; people of one kind differ by ±20 to 31 %"
        )
    );

    /// <summary>Carry and shoot.</summary>
    public static readonly Rule Carry = new(
        "cast.carry",
        LinkId.Running,
        "Carry and shoot",
        "Line held in the air is no more than head, overhang and the caster allow; what is missing to the "
            + "distance is shot. The flattest such cast that turns over with height to spare.",
        Source.Computed
    );

    /// <summary>Shoulder wind.</summary>
    public static readonly Rule Shoulder = new(
        "cast.shoulder",
        LinkId.Hand,
        "Wind and shoulder",
        "Wind from the rod-hand side blows line and hook onto the caster.",
        Source.Computed
    );

    /// <summary>Leader length.</summary>
    public static readonly Rule LeaderLength = new(
        "leader.length",
        LinkId.Leader,
        "Leader length",
        "By line density, wariness, water and fly; up to two feet shorter in wind in the face from 6 to 10 m/s.",
        Practice,
        true
    );

    /// <summary>Leader against rod.</summary>
    public static readonly Rule LeaderRod = new(
        "leader.rod",
        LinkId.Leader,
        "Leader against rod",
        "A leader over 0.8 m longer than the rod runs its joint into the rings at the net.",
        Practice,
        true
    );

    /// <summary>Leader butt.</summary>
    public static readonly Rule LeaderButt = new(
        "leader.butt",
        LinkId.Leader,
        "Leader butt",
        "Butt 0.65 of the line tip's diameter; near 60 % butt, 20 % steps, 20 % tippet.",
        Practice
    );

    /// <summary>Backing length.</summary>
    public static readonly Rule BackingLength = new(
        "backing.length",
        LinkId.Backing,
        "Backing length",
        "What is planned for the species, and at least what this fish draws on this tippet plus 30 %.",
        Practice
    );

    /// <summary>Backing kind.</summary>
    public static readonly Rule BackingKind = new(
        "backing.kind",
        LinkId.Backing,
        "Backing kind",
        "Strength well above the knotted tippet; polyester while it fits, the lightest gel-spun that is strong enough when room is "
            + "short or runs are long and fast.",
        Practice,
        true
    );

    /// <summary>Reel chosen.</summary>
    public static readonly Rule ReelChoice = new(
        "reel.choice",
        LinkId.Reel,
        "The reel",
        "It holds line and backing with room at the rim, stands the water, and comes near to balancing the rod; one to look for weighs "
            + "what such reels usually weigh for the class.",
        Source.Computed
    );

    /// <summary>What lies on which spool.</summary>
    public static readonly Rule OnSpool = new(
        "reel.spool",
        LinkId.Reel,
        "On the spool",
        "What was noted when a spool was wound: whether the line is on this reel already, on a spare spool of it or elsewhere.",
        Practice
    );

    /// <summary>Spool fill.</summary>
    public static readonly Rule Fill = new(
        "reel.fill",
        LinkId.Reel,
        "Spool fill",
        "Wound volume is the line's own divided by how tightly it packs: 0.78 tight, 0.74 "
            + "ordinary, 0.70 loose. Three millimetres stay free at the rim.",
        new(SourceMark.Practice, "Packing shares of wound spools; nothing exceeds 0.9069, the hexagonal limit")
    );

    /// <summary>Balance.</summary>
    public static readonly Rule Balance = new(
        "reel.balance",
        LinkId.Reel,
        "Balance",
        "A bare reel of 1.3–1.8 times the rod's mass, 1.8–2.5 with line and backing, balances a nine-foot rod at the grip.",
        Practice
    );

    /// <summary>Drag.</summary>
    public static readonly Rule Drag = new(
        "reel.drag",
        LinkId.Reel,
        "Drag",
        "A quarter to three tenths of what the weakest knotted link stands, pulled straight off the full spool.",
        Practice
    );

    /// <summary>A fish runs.</summary>
    public static readonly Rule Run = new(
        "reel.run",
        LinkId.Backing,
        "The run",
        "The fish of the brief runs against the drag on a spool that empties, the rings and the water along all that is out, "
            + "until it tires, "
            + "the spool is empty or the weakest knot goes.",
        RunningFish.Source
    );

    /// <summary>Money.</summary>
    public static readonly Rule Money = new(
        "reel.money",
        LinkId.Reel,
        "Where the money goes",
        "Computed from the run: a fish that draws fifty metres of backing or runs at five metres a second asks for reel and backing, any "
            + "other for the rod.",
        Practice
    );

    /// <summary>All of them, in the order of the work.</summary>
    public static readonly IReadOnlyList<Rule> All =
    [
        FlyBulk,
        TippetSize,
        TippetStrength,
        BiteGuard,
        Delivery,
        Flattens,
        FlyRatio,
        Ladder,
        FishFirst,
        Lean,
        Caster,
        Presentation,
        TippetGuard,
        FishFloor,
        DensityBump,
        ClassPin,
        RodLength,
        RodActionRule,
        RodChoice,
        RodMeasured,
        Taper,
        Density,
        Coating,
        LineChoice,
        HeadReach,
        Load,
        Carry,
        Distance,
        Shoulder,
        LeaderLength,
        LeaderRod,
        LeaderButt,
        BackingLength,
        BackingKind,
        ReelChoice,
        OnSpool,
        Fill,
        Balance,
        Drag,
        Run,
        Money,
    ];

    /// <summary>
    /// Problems with the ids of rules to leave out: unknown ones and ones that cannot be left out, named by their index. Empty when all is
    /// well.
    /// </summary>
    public static IReadOnlyList<FieldProblem> Check(IReadOnlyList<string> off)
    {
        var check = new FieldCheck().Must(
            "off",
            off.Count <= All.Count && off.Distinct().Count() == off.Count,
            "Each reason can be left out once."
        );
        for (var i = 0; i < Math.Min(off.Count, All.Count); i++)
            check.Must($"off[{i}]", All.Any(r => r.Id == off[i] && r.CanSwitchOff), "There is no such reason, or it cannot be left out.");
        return check.Problems;
    }
}
