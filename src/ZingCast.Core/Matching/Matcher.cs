using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Turns a brief, a shed and pins into an outfit with its reasons. Pure and deterministic.</summary>
public static class Matcher
{
    /// <summary>Most candidates reported for a link.</summary>
    public const int MostCandidates = 30;

    /// <summary>
    /// Solves a brief. Pins hold; when they cannot work together the answer says so and names the nearest change that does.
    /// <paramref name="off"/> holds ids of rules to leave out. Check pins first: a pin on a piece not in the shed is ignored.
    /// </summary>
    public static Solution Solve(
        Brief brief,
        GearShed shed,
        Pins? pins = null,
        IReadOnlySet<string>? off = null,
        IProgress<double>? progress = null,
        CancellationToken cancel = default
    )
    {
        var held = pins ?? Pins.None;
        off ??= new HashSet<string>();
        var work = new Work(brief, shed, off, new(brief), cancel);
        var solution = Once(work, held, progress);
        return solution with { Contradiction = Contradict(solution, work, held) };
    }

    // One question: what stays the same while pins are tried.
    private sealed record Work(Brief Brief, GearShed Shed, IReadOnlySet<string> Off, Casts Casts, CancellationToken Cancel);

    private static Solution Once(Work work, Pins pins, IProgress<double>? progress = null)
    {
        var (brief, shed, off, casts, cancel) = work;
        cancel.ThrowIfCancellationRequested();
        var book = new LedgerBook(off);
        var fly = brief.Fly;
        book.Note(
            Rules.FlyBulk,
            Quantity.LineMass(fly.WetKg),
            fly.InUsualSizes
                ? (Sentence)$"A {fly.SizeName} {fly.Kind.Name}, soaked"
                : $"A {fly.SizeName} {fly.Kind.Name}, soaked; outside its usual sizes, so stretched from the nearest",
            [
                new("soaked", Quantity.LineMass(fly.WetKg)),
                new("drag area", new Quantity(fly.AreaM2, Kind.Area)),
                new("hook wire", Quantity.Diameter(fly.Hook.WireM)),
            ],
            fly.Weighed ? Source.Yours : null,
            doubt: !fly.InUsualSizes
        );
        var tippet = TippetRules.Decide(brief, pins, book);
        var spec = Specification.Decide(brief, shed, pins, tippet.DiameterM, casts, book);
        var (rod, line) = Choosing.Pair(brief, shed, pins, spec, progress, cancel);
        (line, var heads) = HeadThatGetsThere(work, pins, spec, rod, line, tippet);
        WriteRodAndLine(brief, spec, rod, line, book);
        heads?.Invoke(book);
        var load = Choosing.Load(rod, line, brief);
        var leader = LeaderRules.Decide(brief, pins, spec.Density, rod, line, tippet, book);

        var answer = casts.Of(rod, line, leader);
        var reach = Casts.Estimate(answer?.Farthest.ReachM ?? 0);
        var cast = answer?.Cast;
        var carry = cast is { CarryM: > 0 } c ? c.CarryM : Choosing.CarryM(line, brief);
        var shoot = cast is { CarryM: > 0 } ? Math.Max(0, cast.Value.ShotM) : Math.Max(0, brief.DistanceM - carry - leader.LengthM);
        book.Note(
            Rules.Load,
            Quantity.Ratio(load.Ratio),
            $"{Quantity.LineMass(load.LineKg)} of line in {Quantity.Length(load.JudgedM)} and the fly; the rod's window is "
                + $"{Quantity.LineMass(LineLoad.Low * LineWeights.MassKg(load.WindowClass))} to "
                + $"{Quantity.LineMass(LineLoad.Top * LineWeights.MassKg(load.WindowClass))}",
            [
                new("line judged", Quantity.Length(load.JudgedM)),
                new("its mass", Quantity.LineMass(load.LineKg)),
                new("soaked fly", Quantity.LineMass(fly.WetKg)),
                new("standard mass of the class", Quantity.LineMass(LineWeights.MassKg(load.WindowClass))),
                new("ideal", Quantity.Ratio(load.Ideal)),
            ],
            line.HeadKg is null ? new(SourceMark.Label, "Mass taken from the label: weigh the line") : null,
            doubt: load.Verdict != Verdict.Fits
        );
        book.Note(
            Rules.Carry,
            Quantity.Length(carry),
            shoot > 0
                ? (Sentence)$"Hold {Quantity.Length(carry)} in the air and shoot {Quantity.Length(shoot)}"
                : $"Hold {Quantity.Length(carry)} in the air; nothing to shoot",
            [
                new("head", Quantity.Length(line.HeadM)),
                new("overhang", Quantity.Length(brief.Caster.OverhangM)),
                new("caster carries", Quantity.Length(brief.Caster.CarryM)),
                new("leader", Quantity.Length(leader.LengthM)),
            ]
        );
        if (answer is { Farthest: var far })
            book.Note(
                Rules.Distance,
                reach,
                far.ReachM > 0
                    ? (Sentence)$"is the farthest {brief.Caster.Article} {brief.Caster.Name} gets this fly "
                        + $"today, against {Quantity.Length(brief.DistanceM)} wanted"
                    : $"this fly does not turn over in this wind with this outfit",
                [
                    new("in the air", Quantity.Length(far.CarryM)),
                    new("shot", Quantity.Length(far.ShotM)),
                    new("line speed", new Quantity(far.LaunchMps, Kind.LineSpeed)),
                    new("angle", new Quantity(far.AngleRad * 180 / Math.PI, Kind.Angle)),
                    new("in the face", Quantity.Wind(brief.HeadwindMps)),
                    new("drag area", new Quantity(fly.AreaM2, Kind.Area)),
                    new(
                        rod.TipKg is null ? "rod tip swings like, usual for its class" : "rod tip swings like, timed",
                        new Quantity(CastSetup.TipOf(rod, load.WindowClass), Kind.BenchMass)
                    ),
                    new("usual in calm, from", Quantity.Length(brief.Caster.CalmFromM)),
                    new("usual in calm, to", Quantity.Length(brief.Caster.CalmToM)),
                ],
                doubt: brief.DistanceM > .9 * far.ReachM
            );
        if (Math.Abs(brief.FromRightMps) > 1)
            book.Note(
                Rules.Shoulder,
                Quantity.Wind(Math.Abs(brief.FromRightMps)),
                ShoulderWind(brief) > 0
                    ? (Sentence)$"blows onto your casting shoulder: cast over the other one or turn round"
                    : $"blows off your casting shoulder",
                [
                    new("from", new Quantity(brief.WindFromDeg, Kind.Angle)),
                    new("casting hand", brief.Hand == Hand.Right ? "right" : "left"),
                ],
                doubt: ShoulderWind(brief) > 2
            );

        var (reel, backing, backingM) = ReelRules.Decide(brief, shed, pins, rod, line, leader, book);
        var fill = SpoolFill.Of(reel, line, backing, backingM);
        var outfit = new Outfit(rod, line, reel, backing, backingM, leader, tippet, load, fill, carry, shoot, reach, cast);
        var chain = ChainOf.Links(brief, spec, outfit, pins, tippet);
        return new(
            brief,
            spec.Class,
            outfit,
            chain,
            book.Steps,
            Cautions.For(brief, spec, outfit),
            null,
            Candidates(shed.Rods, r => RodCandidate(r, spec, brief, r.Id == rod.Id), r => Choosing.Cost(r, spec, brief)),
            Candidates(shed.Lines, l => LineCandidate(l, rod, spec, brief, l.Id == line.Id), l => Choosing.Cost(l, rod, spec, brief)),
            Candidates(
                shed.Reels,
                r => ReelCandidate(r, outfit, brief, r.Id == reel.Id),
                r => Choosing.Cost(r, rod, line, backing, backingM, brief)
            )
        );
    }

    // Heads within a whisker of the best fit are thrown; one that falls short of the distance gives way to one that does not.
    private static (FlyLine Line, Action<LedgerBook>? Write) HeadThatGetsThere(
        Work work,
        Pins pins,
        Specification spec,
        Rod rod,
        FlyLine line,
        TippetChoice tippet
    )
    {
        if (pins.Line is not null || line.Id == 0 || rod.Id == 0)
            return (line, null);
        var (brief, shed, off, casts, _) = work;
        var bestCost = Choosing.Cost(line, rod, spec, brief);
        var thrown = shed
            .Lines.Select(l => (Line: l, Cost: Choosing.Cost(l, rod, spec, brief)))
            .Where(l => l.Cost <= bestCost + 1.5 && l.Cost < Choosing.Impossible)
            .OrderBy(l => l.Cost)
            .Take(4)
            .Select(l =>
            {
                var leader = LeaderRules.Decide(brief, pins, spec.Density, rod, l.Line, tippet, new LedgerBook(off));
                var reach = casts.Of(rod, l.Line, leader)?.Farthest.ReachM ?? 0;
                return (l.Line, l.Cost, ReachM: reach, Short: Math.Max(0, 1 + ClassSearch.InHand - reach / brief.DistanceM));
            })
            .ToList();
        if (thrown.Count < 2)
            return (line, null);
        var best = off.Contains(Rules.HeadReach.Id) ? thrown[0] : thrown.MinBy(t => t.Cost + 6 * t.Short);
        var farthest = thrown.MaxBy(t => t.ReachM);
        return (
            best.Line,
            book =>
                book.Note(
                    Rules.HeadReach,
                    Casts.Estimate(best.ReachM),
                    best.Line.Id != thrown[0].Line.Id
                            ? $"{best.Line.Tag} gets there, where {thrown[0].Line.Tag}, nearer in "
                                + $"load, stops at {Quantity.Length(thrown[0].ReachM)}"
                        : farthest.Line.Id != best.Line.Id
                            ? (Sentence)$"{best.Line.Tag}; {farthest.Line.Tag} would go to "
                                + $"{Quantity.Length(farthest.ReachM)} but fits the rest less well"
                        : $"{best.Line.Tag} goes farthest of those that load this rod",
                    [.. thrown.Select(t => new Input(t.Line.Tag, Quantity.Length(t.ReachM)))]
                )
        );
    }

    /// <summary>Wind from the casting-hand side, m/s; negative when it blows off the shoulder.</summary>
    public static double ShoulderWind(Brief brief) => brief.Hand == Hand.Right ? brief.FromRightMps : -brief.FromRightMps;

    private static void WriteRodAndLine(Brief brief, Specification spec, Rod rod, FlyLine line, LedgerBook book)
    {
        if (rod.Id == 0)
            book.Note(
                Rules.RodChoice,
                "look for",
                $"No rod in the shed is within a class and a half of {Quantity.Class(spec.Class.Target)} and fits the place. "
                    + $"Look for class {Quantity.Class(rod.PrintedClass!.Value)}, "
                    + $"{Quantity.Length(rod.LengthM)}, {Actions.Word(rod.Action)}",
                [new("class aimed for", Quantity.Class(spec.Class.Target))],
                doubt: true
            );
        else
            book.Note(
                Rules.RodChoice,
                rod.Tag,
                $"{rod.Name}: class {Quantity.Class(rod.Class ?? 0, rod.MeasuredPlusMinus)} "
                    + $"against {Quantity.Class(spec.Class.Target)} aimed for",
                [
                    new("class aimed for", Quantity.Class(spec.Class.Target)),
                    new("length aimed for", Quantity.Length(spec.RodLengthM)),
                    new("its length", Quantity.Length(rod.LengthM)),
                    new("its action", Actions.Word(rod.Action)),
                ]
            );
        if (rod.MeasuredClass is { } measured)
            book.Note(
                Rules.RodMeasured,
                Quantity.Class(measured, rod.MeasuredPlusMinus),
                rod.VeryFast ? (Sentence)$"Measured; a very fast rod, so its window is built on {Quantity.Class(measured - 1)}"
                    : rod.PrintedClass is { } printed ? (Sentence)$"Measured, where the label says {Quantity.Class(printed)}"
                    : $"Measured; there is no label",
                [
                    new("bend test", Quantity.Class(measured, rod.MeasuredPlusMinus)),
                    new("label", rod.PrintedClass is { } p ? Quantity.Class(p) : "none"),
                    new("tip angle", rod.ActionAngleDeg is { } a ? new Quantity(a, Kind.Angle) : "not read"),
                ],
                doubt: rod.LabelDisagrees
            );
        if (line.Id == 0)
            book.Note(
                Rules.LineChoice,
                "look for",
                $"No line in the shed suits this rod and water. Look for {Quantity.LineMass(line.MassKg ?? 0)} in a head of "
                    + $"{Quantity.Length(line.HeadM)}, {Densities.Of(line.Density).Name}, {Coatings.Of(line.Coating).Name} coating",
                [new("rod class", Quantity.Class(rod.WindowClass ?? 0)), new("density", Densities.Of(spec.Density).Name)],
                doubt: true
            );
        else
            book.Note(
                Rules.LineChoice,
                line.Tag,
                $"{line.Name}: {Quantity.LineMass(line.MassKg ?? 0)} in {Quantity.Length(line.HeadM)}",
                [
                    new("density", Densities.Of(line.Density).Name),
                    new("asked for", Densities.Of(spec.Density).Name),
                    new("coating", Coatings.Of(line.Coating).Name),
                ],
                line.HeadKg is null ? new(SourceMark.Label, "Mass taken from the label: weigh the line") : Source.Computed
            );
    }

    private static IReadOnlyList<Candidate> Candidates<T>(IReadOnlyList<T> all, Func<T, Candidate> describe, Func<T, double> cost)
    {
        // Decorate once: the cost of a line walks its profile.
        var ranked = all.Select(x => (x, cost: cost(x))).OrderBy(p => p.cost).Take(MostCandidates);
        return [.. ranked.Select(p => describe(p.x))];
    }

    private static Candidate RodCandidate(Rod rod, Specification spec, Brief brief, bool chosen)
    {
        var (verdict, why) = ChainOf.JudgeRod(rod, spec, brief);
        return new(
            rod.Id,
            rod.Tag,
            rod.Name,
            rod.Class is { } c ? Quantity.Class(c, rod.MeasuredPlusMinus) : "no class",
            rod.Class,
            verdict,
            why,
            chosen
        );
    }

    private static Candidate LineCandidate(FlyLine line, Rod rod, Specification spec, Brief brief, bool chosen)
    {
        if (line.MassKg is null)
            return new(
                line.Id,
                line.Tag,
                line.Name,
                "weigh it",
                null,
                Verdict.Fails,
                $"No label and never weighed: nobody knows what it loads",
                chosen
            );
        var load = Choosing.Load(rod, line, brief);
        var (verdict, why) = ChainOf.JudgeLine(line, load, spec, brief);
        return new(line.Id, line.Tag, line.Name, Quantity.Ratio(load.Ratio), load.Ratio, verdict, why, chosen);
    }

    private static Candidate ReelCandidate(Reel reel, Outfit outfit, Brief brief, bool chosen)
    {
        var fill = SpoolFill.Of(reel, outfit.Line, outfit.Backing, outfit.BackingM);
        var (verdict, why) = ChainOf.JudgeReel(reel, fill, outfit, brief);
        return new(reel.Id, reel.Tag, reel.Name, fill is null ? "unknown" : Quantity.Ratio(fill.Share), fill?.Share, verdict, why, chosen);
    }

    // Pins that fail: let go of as few links as possible, nearest first, until the chain holds.
    private static Contradiction? Contradict(Solution solution, Work work, Pins pins)
    {
        var failing = solution.Chain.Where(l => l.Verdict == Verdict.Fails).ToList();
        var held = Enum.GetValues<LinkId>().Where(pins.Holds).ToList();
        if (failing.Count == 0 || held.Count == 0)
            return null;
        var freed = Once(work, Pins.None).Chain.Where(l => l.Verdict == Verdict.Fails).Select(l => l.Id).ToHashSet();
        var caused = failing.Where(l => !freed.Contains(l.Id)).ToList();
        if (caused.Count == 0)
            return null;

        Sentence why = $"{caused[0].Name}: {caused[0].Why}";
        foreach (var release in Subsets(held))
        {
            var looser = release.Aggregate(pins, (p, link) => p.Without(link));
            var found = Once(work, looser);
            if (found.Chain.Any(l => l.Verdict == Verdict.Fails && !freed.Contains(l.Id)))
                continue;
            var names = string.Join(" and the ", release.Select(l => solution.Chain[(int)l - 1].Name.ToLowerInvariant()));
            Sentence becomes = $"";
            foreach (var link in release)
                becomes.AppendFormatted($"{(becomes.Parts.Count > 0 ? ", " : "")}{found.Chain[(int)link - 1].Title}");
            return new([.. caused.Select(l => l.Id)], why, $"Let go of the {names}: {becomes} would work", looser);
        }
        return new([.. caused.Select(l => l.Id)], why, $"No change of pins helps: the brief itself has to give", null);
    }

    private static IEnumerable<List<LinkId>> Subsets(List<LinkId> held) =>
        Enumerable
            .Range(1, (1 << held.Count) - 1)
            .OrderBy(mask => System.Numerics.BitOperations.PopCount((uint)mask))
            .Select(mask => held.Where((_, i) => (mask >> i & 1) == 1).ToList());
}
