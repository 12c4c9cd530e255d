using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>How well an outfit would do, without any wording.</summary>
/// <param name="Cost">What it gives up against what the brief asks for; 1 is roughly a class off. Lower is better.</param>
/// <param name="Verdicts">How each link does its part, in the order of the chain.</param>
public sealed record Score(double Cost, IReadOnlyList<Verdict> Verdicts)
{
    /// <summary>Whether no link fails.</summary>
    public bool Works => !Verdicts.Contains(Verdict.Fails);
}

/// <summary>An outfit that was decided on, with what the rules went by; <see cref="MatchSession.Explain"/> puts it into words.</summary>
public sealed record Choice
{
    internal Choice(Outfit outfit, Specification spec, Pins pins, LedgerBook book, IReadOnlyList<Judgement> judged, double cost)
    {
        (Outfit, Spec, Pins, Book, Judged) = (outfit, spec, pins, book, judged);
        Score = new(cost, [.. judged.Select(j => j.Verdict)]);
    }

    /// <summary>The outfit.</summary>
    public Outfit Outfit { get; }

    /// <summary>The class decision.</summary>
    public ClassTarget Class => Spec.Class;

    /// <summary>How it would do.</summary>
    public Score Score { get; }

    internal Specification Spec { get; }

    internal Pins Pins { get; }

    internal LedgerBook Book { get; }

    internal IReadOnlyList<Judgement> Judged { get; }

    /// <summary>The best outfit of own gear, when this one asks for something to be bought.</summary>
    public Choice? Own { get; init; }

    internal int ToBuy => Judged.Count(j => Outfit.ToBuy(j.Link));

    internal IEnumerable<LinkId> Failing => Judged.Where(j => j.Verdict == Verdict.Fails).Select(j => j.Link);
}

/// <summary>
/// Matches one brief against one shed, and caches the simulated casts of that brief. <see cref="Choose"/> and <see cref="Score"/> only
/// decide; <see cref="Explain"/> writes the sentences. Deterministic. Not safe for use by several threads at once.
/// </summary>
public sealed class MatchSession
{
    // At most MaxThrown heads whose cost is within NearBestCost of the best fit are simulated.
    private const double NearBestCost = 1.5;
    private const int MaxThrown = 4;

    // Largest difference, in line classes, between a rod and the class the day asks for at which the rod is still offered. Common
    // practice.
    private const double MaxClassesOff = 2;

    private readonly Brief brief;
    private readonly GearShed shed;
    private readonly IReadOnlySet<string> off;
    private CancellationToken cancel;
    private readonly CastCache casts;
    private readonly Dictionary<(FlyLine, Leader), double> drawn = [];
    private Specification? plain;

    internal MatchSession(Brief brief, GearShed shed, IReadOnlySet<string> off, CancellationToken cancel)
    {
        (this.brief, this.shed, this.off, this.cancel) = (brief, shed, off, cancel);
        casts = new(brief);
    }

    /// <summary>The brief.</summary>
    public Brief Brief => brief;

    /// <summary>From here on work stops with this token: a session may outlive the request that opened it.</summary>
    internal void EndsWith(CancellationToken with) => cancel = with;

    /// <summary>
    /// The best outfit that keeps to the pins, from the gear that the brief allows. What the shed lacks is described as a specification.
    /// Check the pins first: a pin on a piece that is not in the shed is ignored.
    /// </summary>
    public Choice Choose(Pins? pins = null, IProgress<double>? progress = null)
    {
        var held = (pins ?? Pins.None).In(shed);
        if (brief.Owned == Owned.Any)
            return ChooseFrom(Without(held, rods: true, lines: true, reels: true), held, false, progress);
        var own = ChooseFrom(shed, held, true, progress);
        if (brief.Owned == Owned.Only || (own.Score.Works && own.ToBuy == 0))
            return own;
        // Buy as little as makes everything work; when nothing does, keep to own gear.
        Choice[] bought =
        [
            ChooseFrom(shed, held, false, null),
            ChooseFrom(Without(held, lines: true), held, false, null),
            ChooseFrom(Without(held, rods: true, lines: true), held, false, null),
        ];
        static Choice Best(IEnumerable<Choice> among) =>
            among.OrderBy(c => c.Failing.Count()).ThenBy(c => c.ToBuy).ThenBy(c => c.Score.Cost).First();
        // An angler with rod and line but no reel keeps both if they do.
        if (own.ToBuy > 0)
            return Best([own, .. bought]);
        var best = Best(bought);
        return best.Score.Works ? best with { Own = own } : own;
    }

    // The shed without what is to be bought. Pinned pieces stay, and no piece has the id 0.
    private GearShed Without(Pins pins, bool rods = false, bool lines = false, bool reels = false) =>
        shed with
        {
            Rods = rods ? Choosing.Only(shed.Rods, pins.Rod ?? 0, r => r.Id) : shed.Rods,
            Lines = lines ? Choosing.Only(shed.Lines, pins.Line ?? 0, l => l.Id) : shed.Lines,
            Reels = reels ? Choosing.Only(shed.Reels, pins.Reel ?? 0, r => r.Id) : shed.Reels,
        };

    /// <summary>How well this rod, line and reel would do together. Each needs an id; they need not be in the shed.</summary>
    public Score Score(Rod rod, FlyLine line, Reel reel) => Together(rod, line, reel).Score;

    /// <summary>The outfit of this rod, line and reel, ready for <see cref="Explain"/>. Each needs an id.</summary>
    public Choice Together(Rod rod, FlyLine line, Reel reel)
    {
        var (laid, pair, pins) = PairingOf(rod, line);
        return WithReel(laid, pair with { Reels = [reel] }, pins with { Reel = reel.Id }, true, laid.Book);
    }

    /// <summary>
    /// How well this rod and line would do with each of several reels, in their order; the cast is simulated once. Null when the two cannot
    /// be used together on this day, whatever the reel.
    /// </summary>
    public IReadOnlyList<Score>? Scores(Rod rod, FlyLine line, IReadOnlyList<Reel> reels)
    {
        if (!IsCompatible(rod, line))
            return null;
        if (reels.Count == 0)
            return [];
        var (laid, pair, pins) = PairingOf(rod, line);
        // Judged with the first reel; for the others only what a reel changes is judged again.
        var first = WithReel(laid, pair with { Reels = [reels[0]] }, pins with { Reel = reels[0].Id }, true, new LedgerBook(off));
        var free = !laid.Book.IsOff(Rules.BackingKind);
        var run = first.Outfit.Run(brief);
        Score On(Reel reel)
        {
            var (backing, metres, fill) = ReelRules.BackingOn(brief, pins, free, reel, line, laid.Leader, Drawn(line, laid.Leader));
            var outfit = first.Outfit with
            {
                Reel = reel,
                Backing = backing,
                BackingM = metres,
                Fill = SpoolFill.For(reel, line, backing, metres, laid.Leader),
            };
            var cost = laid.Cost + Choosing.Cost(reel, fill, rod, line, metres, brief, pair);
            return new(cost, LinkVerdicts.OnReel(first.Judged, brief, outfit, run));
        }
        return [.. reels.Select(On)];
    }

    // Specification before any piece is pinned.
    private Specification Plain => plain ??= Specification.Decide(brief, Pins.None, casts, new LedgerBook(off));

    // Whether a rod and a line can be used together on this day at all; a rod may be up to MaxClassesOff off.
    private bool IsCompatible(Rod rod, FlyLine line) => IsCompatible(rod) && Choosing.Cost(line, rod, Plain, brief) < Choosing.Impossible;

    private bool IsCompatible(Rod rod) =>
        rod.Class is { } c
        && Math.Abs(c - Plain.Class.Target) <= MaxClassesOff
        && !Choosing.TooLongForCanopy(brief, rod.LengthM - Plain.RodLengthM);

    /// <summary>
    /// A lower bound of the cost of every compatible rod and line, by their indices, whatever the reel and the reach; and whether the pair
    /// can pass. No cast is simulated.
    /// </summary>
    internal void CostAtLeast(IReadOnlyList<Rod> rods, IReadOnlyList<FlyLine> lines, Action<int, int, double, bool> say)
    {
        var costs = Choosing.CostsOf(lines, Plain, brief);
        for (var r = 0; r < rods.Count; r++)
        {
            cancel.ThrowIfCancellationRequested();
            if (!IsCompatible(rods[r]))
                continue;
            var rod = Choosing.Cost(rods[r], Plain, brief) + Costs.WoundAlready;
            var works = LinkVerdicts.Rod(rods[r], Plain, brief).Verdict != Verdict.Fails;
            for (var l = 0; l < lines.Count; l++)
                if (costs(l, rods[r]) is var line && line < Choosing.Impossible)
                    say(r, l, rod + line, works);
        }
    }

    private (Pairing Laid, GearShed Pair, Pins Pins) PairingOf(Rod rod, FlyLine line)
    {
        var pair = shed with { Rods = [rod], Lines = [line] };
        var pins = new Pins { Rod = rod.Id, Line = line.Id };
        return (ChoosePairing(pair, pins, true, null), pair, pins);
    }

    /// <summary>Puts a choice into words: ledger, chain, cautions and what else the shed holds.</summary>
    public Solution Explain(Choice choice)
    {
        var (outfit, spec) = (choice.Outfit, choice.Spec);
        return new(
            brief,
            spec.Class,
            outfit,
            Chain.Links(brief, choice),
            choice.Book.Write(),
            Cautions.For(brief, spec, outfit),
            null,
            OutfitCard.For(brief, choice),
            choice.Own is { } own ? DescribeOwn(own, outfit) : null,
            choice.Score.Cost
        );
    }

    /// <summary>
    /// Everything in the shed that could take a link's place in a choice, best first; nothing for links that no piece fills.
    /// </summary>
    public IReadOnlyList<Candidate> Candidates(Choice choice, LinkId link) =>
        link switch
        {
            LinkId.Rod => Matching.Candidates.Rods(shed, brief, choice.Spec, choice.Outfit),
            LinkId.Head => Matching.Candidates.Lines(shed, brief, choice.Spec, choice.Outfit),
            LinkId.Reel => Matching.Candidates.Reels(shed, brief, choice.Outfit),
            _ => [],
        };

    private OwnOutfit DescribeOwn(Choice own, Outfit instead)
    {
        var (rod, line, reel, reach) = (own.Outfit.Rod, own.Outfit.Line, own.Outfit.Reel, own.Outfit.ReachM.Value);
        Sentence says =
            $"{rod.Tag} with {line.Tag} on {reel.Tag} gets {Quantity.Distance(reach)} of the {Quantity.Distance(brief.DistanceM)} wanted";
        foreach (var judged in own.Judged.Where(j => j.Verdict == Verdict.Fails && j.Link != LinkId.Hand))
            says.AppendFormatted($"; {Chain.NameOf(judged.Link).ToLowerInvariant()}: {judged.Why()}");
        if (instead.ReachM.Value > reach + ReachGain.Little)
            says.AppendFormatted($"; what is to buy gets {Quantity.Distance(instead.ReachM.Value)}");
        var pins = own.Pins with { Rod = rod.Id, Line = line.Id, Reel = reel.Id };
        return new(rod.Tag, line.Tag, reel.Tag, brief.Reach(reach), says, pins);
    }

    // Rod, line and leader with their simulated cast and their cost, before a reel is chosen.
    private sealed record Pairing(
        LedgerBook Book,
        Specification Spec,
        TippetChoice Tippet,
        Rod Rod,
        FlyLine Line,
        Leader Leader,
        LineLoad Load,
        double CarryM,
        double ShootM,
        ReachAnswer? Answer,
        double Cost
    );

    // With <paramref name="strict"/>, a piece of the shed is preferred to a specification at any cost.
    private Choice ChooseFrom(GearShed from, Pins pins, bool strictly, IProgress<double>? progress)
    {
        var laid = ChoosePairing(from, pins, strictly, progress);
        return WithReel(laid, from, pins, strictly, laid.Book);
    }

    private Pairing ChoosePairing(GearShed from, Pins pins, bool strictly, IProgress<double>? progress)
    {
        cancel.ThrowIfCancellationRequested();
        var book = new LedgerBook(off);
        FlyRules.Bulk(brief.Fly, book);
        var spec = Specification.Decide(brief, pins, casts, book);
        var tippet = spec.Tackle.Tippet;
        var (rod, fitting) = Choosing.Pair(brief, from, pins, spec, strictly, progress, cancel);
        var heads = Thrown(from, pins, spec, rod, fitting, tippet);
        var line = heads?.Best.Line ?? fitting;
        RodRules.Chosen(spec, rod, book);
        LineRules.Chosen(spec, rod.WindowClass, line, book);
        heads?.Write(brief, book);
        var load = Choosing.Load(rod, line, brief);
        var leader = LeaderRules.Decide(brief, pins, rod, line, tippet, book);

        var answer = casts.Reach(rod, line, leader);
        var (carry, shoot) = HandRules.CarryAndShoot(brief, leader.LengthM, Choosing.CarryM(line, brief), answer?.Cast);
        LineRules.Loaded(brief, rod, line, load, book);
        HandRules.Held(brief, line.HeadM, leader.LengthM, carry, shoot, book);
        if (answer is not null)
            HandRules.Reached(brief, rod, load.WindowClass, answer.Farthest, book);
        HandRules.Shoulder(brief, answer?.Cast, book);
        var cost =
            Choosing.Cost(rod, spec, brief)
            + Choosing.Cost(line, rod, spec, brief)
            + Costs.ShortOfTheFish * Short(answer?.Farthest.ReachM ?? 0);
        // A pinned leader has the bite guard that was tied to it, or none.
        tippet = pins.Tied is null ? tippet : tippet with { GuardM = leader.GuardM };
        return new(book, spec, tippet, rod, line, leader, load, carry, shoot, answer, cost);
    }

    // Backing that the fish draws with a line and a leader, metres; each pair is simulated once.
    private double Drawn(FlyLine line, Leader leader) =>
        drawn.TryGetValue((line, leader), out var known) ? known : drawn[(line, leader)] = ReelRules.DrawnM(brief, line, leader);

    private Choice WithReel(Pairing laid, GearShed from, Pins pins, bool strictly, LedgerBook book)
    {
        var (rod, line, leader) = (laid.Rod, laid.Line, laid.Leader);
        var drawnM = pins.BackingM is null ? Drawn(line, leader) : 0;
        var (reel, backing, backingM) = ReelRules.Decide(new(brief, pins, rod, line, leader, drawnM), from, strictly, book);
        var outfit = new Outfit(
            rod,
            line,
            reel,
            backing,
            backingM,
            leader,
            laid.Tippet,
            laid.Load,
            SpoolFill.For(reel, line, backing, backingM, leader),
            laid.CarryM,
            laid.ShootM,
            brief.Reach(laid.Answer?.Farthest.ReachM ?? 0),
            laid.Answer?.Cast
        )
        {
            Tied = pins.Tied,
        };
        var run = new Lazy<FishRun>(() => outfit.FishOn(brief).Run(watched: false));
        ReelRules.ExplainFight(brief, outfit, run, book);
        var judged = LinkVerdicts.For(brief, laid.Spec, outfit, ReelRules.TakesLine(brief, line) ? run.Value : null);
        var cost = laid.Cost + Choosing.Cost(reel, rod, line, backing, backingM, brief, from);
        return new(outfit, laid.Spec, pins, book, judged, cost);
    }

    // Share of the distance by which the reach falls short of the distance plus a tenth.
    private double Short(double reachM) => Math.Max(0, 1 + ClassCurve.InHand - reachM / brief.DistanceM);

    // Of heads that load the rod about equally well, prefer one that reaches the distance.
    private ThrownHeads? Thrown(GearShed from, Pins pins, Specification spec, Rod rod, FlyLine fitting, TippetChoice tippet)
    {
        if (pins.Line is not null || !fitting.IsThere || !rod.IsThere)
            return null;
        var scratch = new LedgerBook(off);
        var most = Choosing.Cost(fitting, rod, spec, brief) + NearBestCost;
        var near = from
            .Lines.Select(l => (Line: l, Cost: Choosing.Cost(l, rod, spec, brief)))
            .Where(l => l.Cost <= most && l.Cost < Choosing.Impossible)
            .OrderBy(l => l.Cost)
            .Take(MaxThrown)
            .Select(l => (l.Line, l.Cost, Leader: LeaderRules.Decide(brief, pins, rod, l.Line, tippet, scratch)))
            .ToList();
        if (near.Count < 2)
            return null;
        casts.Prepare(rod, [.. near.Select(l => (l.Line, l.Leader))]);
        var thrown = near.Select(l => new ThrownHead(l.Line, l.Cost, casts.Reach(rod, l.Line, l.Leader)?.Farthest.ReachM ?? 0)).ToList();
        var best = scratch.IsOff(Rules.HeadReach) ? thrown[0] : thrown.MinBy(t => t.Cost + Costs.ShortOfTheFish * Short(t.ReachM))!;
        return new(thrown, best);
    }
}

/// <summary>A head whose cast was simulated, with its reach, metres.</summary>
internal sealed record ThrownHead(FlyLine Line, double Cost, double ReachM);

/// <summary>The simulated heads, nearest in load first, and the chosen one.</summary>
internal sealed record ThrownHeads(IReadOnlyList<ThrownHead> All, ThrownHead Best)
{
    public void Write(Brief brief, LedgerBook book) =>
        book.Add(
            Rules.HeadReach,
            () =>
            {
                var (nearest, farthest) = (All[0], All.MaxBy(t => t.ReachM)!);
                return new(
                    brief.Reach(Best.ReachM),
                    Best.Line.Id != nearest.Line.Id
                            ? $"{Best.Line.Tag} gets there, where {nearest.Line.Tag}, nearer in "
                                + $"load, stops at {Quantity.Distance(nearest.ReachM)}"
                        : farthest.Line.Id != Best.Line.Id
                            ? (Sentence)$"{Best.Line.Tag}; {farthest.Line.Tag} would go to "
                                + $"{Quantity.Distance(farthest.ReachM)} but fits the rest less well"
                        : $"{Best.Line.Tag} goes farthest of those that load this rod",
                    [.. All.Select(t => new Factor(t.Line.Tag, Quantity.Distance(t.ReachM)))],
                    Pin: new() { Line = Best.Line.Id }
                );
            }
        );
}
