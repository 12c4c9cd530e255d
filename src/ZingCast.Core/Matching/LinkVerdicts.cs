using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Flies;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>How a link does its part; the reason is put into words when somebody asks.</summary>
/// <param name="Link">The link.</param>
/// <param name="Verdict">How well.</param>
/// <param name="Why">The reason in a sentence.</param>
/// <param name="Mend">The press that mends it.</param>
internal readonly record struct Judgement(LinkId Link, Verdict Verdict, Func<Sentence> Why, Func<Mend>? Mend = null);

/// <summary>Judges each link of a finished outfit: fits, look or fails.</summary>
internal static class LinkVerdicts
{
    /// <summary>All nine, from the fly to the hand.</summary>
    public static IReadOnlyList<Judgement> For(Brief brief, Specification spec, Outfit outfit, FishRun? run) =>
        [
            .. All(brief, spec, outfit, run)
                .Select(j =>
                    j.Verdict != Verdict.Fails && outfit.ToBuy(j.Link) ? j with { Verdict = Verdict.ToBuy, Mend = null }
                    : j is { Verdict: Verdict.Look or Verdict.Fails, Mend: null } ? j with { Mend = Usual(j.Link, brief, outfit) }
                    : j
                ),
        ];

    /// <summary>
    /// Verdicts of an outfit that differs from an already judged one in its reel and backing alone; <paramref name="run"/> is how the fish
    /// ran on that one.
    /// </summary>
    public static IReadOnlyList<Verdict> OnReel(IReadOnlyList<Judgement> judged, Brief brief, Outfit outfit, FishRun? run)
    {
        Verdict For(Judgement j)
        {
            var verdict = j.Link switch
            {
                LinkId.Reel => Reel(outfit.Reel, outfit.Fill, outfit, brief).Verdict,
                LinkId.Backing => Backing(brief, outfit, run).Verdict,
                _ => j.Verdict,
            };
            return j.Link == LinkId.Reel && verdict != Verdict.Fails && outfit.ToBuy(j.Link) ? Verdict.ToBuy : verdict;
        }
        return [.. judged.Select(For)];
    }

    private static IReadOnlyList<Judgement> All(Brief brief, Specification spec, Outfit outfit, FishRun? run) =>
        [
            Fly(brief, outfit),
            Tippet(brief, outfit, run),
            Leader(brief, outfit),
            Line(outfit.Line, outfit.Load, spec, brief),
            Running(brief, outfit),
            Backing(brief, outfit, run),
            Reel(outfit.Reel, outfit.Fill, outfit, brief),
            Rod(outfit.Rod, spec, brief),
            Hand(brief, outfit),
        ];

    // The remedy for a link whose own judgement names none.
    private static Func<Mend>? Usual(LinkId link, Brief brief, Outfit outfit) =>
        link switch
        {
            LinkId.Fly => CarriedEasily(brief.Fly, outfit),
            LinkId.Leader when outfit.Tied is not null => () => new($"Lay one out that suits", Anew: true),
            LinkId.Leader => () => new($"A leader as long as the rod", LeaderM: outfit.Rod.LengthM),
            LinkId.Head => () => new($"See the line to ask for", Anew: true),
            LinkId.Reel => () => new($"See the reel to ask for", Anew: true),
            LinkId.Rod => () => new($"See the rod to ask for", Anew: true),
            _ => null,
        };

    // The largest fly of the family that the line carries without losing speed, or else the smallest of the family.
    private static Func<Mend>? CarriedEasily(Fly fly, Outfit outfit)
    {
        var most = CastEngine.ComfortableFlyRatio * LineInTheAirKg(outfit);
        HookSize? found = null;
        for (var size = fly.Size.Down(); size is { } s && s.Number <= fly.Kind.Small.Number; size = s.Down())
        {
            found = s;
            if (Flies.Fly.For(fly.Kind, s).WetKg <= most)
                break;
        }
        return found is { } hook ? () => new($"Take a {hook.ToString()}", HookSize: hook.Number) : null;
    }

    private static double LineInTheAirKg(Outfit outfit) =>
        Math.Max(1e-6, outfit.Line.MassWithinKg(Math.Max(outfit.CarryM, outfit.Load.JudgedM)));

    // One hook size smaller; null where there is none.
    private static Func<Mend>? Smaller(Fly fly) =>
        fly.Size.Down() is { } size && size.Number <= fly.Kind.Small.Number
            ? () => new($"Take a {size.ToString()}", HookSize: size.Number)
            : null;

    private static Judgement Fits(LinkId link, Func<Sentence> why) => new(link, Verdict.Fits, why);

    private static Judgement Look(LinkId link, Func<Sentence> why) => new(link, Verdict.Look, why);

    private static Judgement Fails(LinkId link, Func<Sentence> why) => new(link, Verdict.Fails, why);

    private static Judgement Fly(Brief brief, Outfit outfit)
    {
        var ratio = brief.Fly.WetKg / LineInTheAirKg(outfit);
        return ratio > CastEngine.MaxFlyRatio
                ? Fails(LinkId.Fly, () => $"{Quantity.Ratio(ratio)} of the line in the air: that is lobbing, not casting")
            : ratio > CastEngine.ComfortableFlyRatio
                ? Look(LinkId.Fly, () => $"{Quantity.Ratio(ratio)} of the line in the air: slow down and open the loop")
            : Fits(LinkId.Fly, () => $"{Quantity.Ratio(ratio)} of the line in the air: carried easily");
    }

    // Chance that a need of about this much, with the usual scatter of runs, stays within what there is.
    private static double ChanceWithin(double believed, double most) => Doubt.Chance(most, RunningFish.UnsureShare * believed, believed);

    private static Judgement Tippet(Brief brief, Outfit outfit, FishRun? run)
    {
        var tippet = outfit.Tippet;
        var inRun = InRun(run);
        Func<Mend> Take(double metres) => () => new($"Take {Quantity.Tippet(metres)}", TippetM: metres);
        // The thickest tippet that still swims well; when it is that already, a hook that carries more.
        Func<Mend>? Stronger() =>
            tippet.BandToM > tippet.DiameterM * 1.02 ? Take(tippet.BandToM)
            : brief.Fly.Size.Up() is { } size && size.Number >= brief.Fly.Kind.Large.Number
                ? () => new($"Take a {size.ToString()}, which carries thicker tippet", HookSize: size.Number)
            : null;
        if (
            TippetBand.Judge(tippet.DiameterM, new(tippet.BandFromM, tippet.BandToM), brief.Fly) is var (verdict, says)
            && (verdict == Verdict.Fails || inRun is not { Verdict: Verdict.Fails })
        )
            return new(LinkId.Tippet, verdict, () => $"{says}", Take(Math.Clamp(tippet.DiameterM, tippet.BandFromM, tippet.BandToM)));
        if (inRun is { } pulled)
            return pulled with { Mend = Stronger() };
        if (Weakest(outfit) is var (stands, what) && tippet.KnottedN > stands)
            return Look(
                LinkId.Tippet,
                () => $"holds {Quantity.Force(tippet.KnottedN)} knotted, and {what} {Quantity.Force(stands)}: a break would cost the line"
            ) with
            {
                Mend = Take(Tippets.DiameterOfStrength(Below * stands / Tippets.KnotShare)),
            };
        if (tippet.KnottedN < tippet.WantedN)
            return Look(LinkId.Tippet, () => $"holds {Quantity.Force(tippet.KnottedN)} knotted: play the fish off the reel") with
            {
                Mend = Stronger(),
            };
        return Fits(LinkId.Tippet, () => $"holds {Quantity.Force(tippet.KnottedN)} knotted; check each knot");
    }

    // Knot strength is only known to within this share.
    private const double Below = .95;

    // The weakest part that must not break before the tippet does, and its strength, newtons.
    private static (double StandsN, string What) Weakest(Outfit outfit) =>
        new[] { (outfit.Joints[0].StandsN, "the joint to the line"), (outfit.Backing.StrengthN, "the backing") }.MinBy(w => w.Item1);

    // What a run does to the weakest knot; null when the knot holds.
    private static Judgement? InRun(FishRun? run) =>
        run is { TippetShare: var share } && ChanceWithin(share, 1) is var holds && holds < Doubt.FitsFrom
            ? new(
                LinkId.Tippet,
                holds < Doubt.FailsBelow ? Verdict.Fails : Verdict.Look,
                () => $"this fish pulls {Quantity.Ratio(share)} times what the weakest knot stands: ease the drag, lower the rod, follow it"
            )
            : null;

    private static Judgement Leader(Brief brief, Outfit outfit)
    {
        var (leader, rod) = (outfit.Leader, outfit.Rod);
        // A leader that somebody tied is examined as it is; a computed one is sound by construction.
        if (outfit.Tied is not null)
        {
            var worst = LeaderCheck.For(leader, outfit.LeaderUse(brief)).Findings.Where(f => !f.Aside).MaxBy(f => f.Verdict)!;
            if (worst.Verdict != Verdict.Fits)
                return new(LinkId.Leader, worst.Verdict, () => worst.Says);
        }
        var (verdict, says) = LeaderCheck.AtTheNet(leader, rod.LengthM, brief.LedClose);
        return new(LinkId.Leader, verdict, says);
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    internal static Judgement Line(FlyLine line, LineLoad load, Specification spec, Brief brief)
    {
        if (load.Verdict == Verdict.Fails)
            return Fails(
                LinkId.Head,
                () =>
                    // When only the fly makes it too heavy, say that the line alone would do: the line bench, which knows no fly, says so.
                    load.LineRatio > load.MostRatio
                        ? (Sentence)$"{Quantity.Ratio(load.LineRatio)} of the class: overloads this rod"
                    : load.LineRatio < LineLoad.Low ? (Sentence)$"{Quantity.Ratio(load.LineRatio)} of the class: never loads this rod"
                    : $"{Quantity.Ratio(load.LineRatio)} of the class by itself, but "
                        + $"{Quantity.LineMass(brief.Fly.WetKg)} of soaked fly "
                        + $"make it {Quantity.Ratio(load.Ratio)}: overloads this rod"
            );
        if (Coatings.Get(line.Coating).FailsIn(brief.WaterC) is { } fault)
            return Fails(
                LinkId.Head,
                () =>
                    $"a {Coatings.Get(line.Coating).Name} coating in water of {new Quantity(brief.WaterC, Kind.Temperature)}: " + $"{fault}"
            );
        var heavier = Densities.Rank(line.Density) - Densities.Rank(spec.Density);
        if (Math.Abs(heavier) > Choosing.FarDensity)
            return Fails(
                LinkId.Head,
                () => $"{Densities.Get(line.Density).Name}, where the depth asks for {Densities.Get(spec.Density).Name}"
            );
        if (heavier != 0)
            return Look(
                LinkId.Head,
                () => $"{Densities.Get(line.Density).Name}, where the depth asks for {Densities.Get(spec.Density).Name}"
            );
        if (load.Verdict == Verdict.Look)
            return Look(
                LinkId.Head,
                () =>
                    load.LineRatio > load.Ideal
                        ? $"{Quantity.Ratio(load.LineRatio)} of the class: deep in the rod"
                        : (Sentence)$"{Quantity.Ratio(load.LineRatio)} of the class: light on the rod"
            );
        if (spec.Coatings.Count > 0 && !spec.Coatings.Contains(line.Coating))
            return Look(
                LinkId.Head,
                () =>
                    $"loads well, but a {Coatings.Get(line.Coating).Name} coating "
                    + $"in water of {new Quantity(brief.WaterC, Kind.Temperature)}"
            );
        if (brief.Salt && !line.SaltRated)
            return Look(LinkId.Head, () => $"loads well; rinse it, the coating is not made for salt");
        var off = Choosing.HeadOff(line, spec, brief);
        if (off > 1.5)
            return Look(
                LinkId.Head,
                () => $"loads well; the head is {Quantity.Length(off)} {(line.HeadM < spec.HeadM.Low ? "shorter" : "longer")} than wanted"
            );
        if (brief.Caster.Learning && line.HeadM > 12.5 && line.Build == Build.WeightForward && brief.DistanceM > 13)
            return Look(LinkId.Head, () => $"loads well, but the head is long for a learner to carry");
        return Fits(
            LinkId.Head,
            () =>
                load.OneFalseCast
                    ? $"{Quantity.Ratio(load.LineRatio)} of the rod's class, and the fly on top: one false cast, and an open loop"
                    : (Sentence)$"loads this rod well: {Quantity.Ratio(load.LineRatio)} of its class by itself, where "
                        + $"{Quantity.Ratio(load.Ideal)} feels best"
        );
    }

    private static Judgement Running(Brief brief, Outfit outfit)
    {
        var needed = brief.DistanceM - outfit.Leader.LengthM;
        if (needed > outfit.Line.LengthM)
            return Look(LinkId.Running, () => $"backing goes through the rings at {Quantity.Distance(brief.DistanceM)}") with
            {
                Mend = Nearer(outfit.Line.LengthM + outfit.Leader.LengthM),
            };
        var share = outfit.ShootM / Math.Max(1, brief.DistanceM);
        return share > .5
                ? Look(LinkId.Running, () => $"shoot {Quantity.Distance(outfit.ShootM)}: over half the cast") with
                {
                    Mend = Nearer(2 * (brief.DistanceM - outfit.ShootM)),
                }
            : outfit.ShootM > 0
                ? Fits(LinkId.Running, () => $"shoot {Quantity.Distance(outfit.ShootM)} behind {Quantity.Carry(outfit.CarryM)} of carry")
            : Fits(LinkId.Running, () => $"nothing to shoot: {Quantity.Carry(outfit.CarryM)} of carry does it");
    }

    private static Judgement Backing(Brief brief, Outfit outfit, FishRun? run)
    {
        var drawn =
            run is null ? 0
            // A spool that ran empty does not show how much more the fish would have taken.
            : run.End == RunEnd.Spools ? Math.Max(outfit.BackingM, ReelRules.DrawnM(brief, outfit.Line, outfit.Leader, always: true))
            : run.BackingOutM;
        var holds = ChanceWithin(drawn, outfit.BackingM);
        if (drawn > 0 && holds < Doubt.FailsBelow)
            return Fails(LinkId.Backing, () => $"this fish draws {Quantity.Spooled(drawn)} of it: it would spool you") with
            {
                Mend = () => More(drawn),
            };
        if (drawn > 0 && holds < Doubt.FitsFrom)
            return Look(
                LinkId.Backing,
                () => $"this fish draws {Quantity.Spooled(drawn)} of it, give or take half: follow it, or wind on more"
            ) with
            {
                Mend = () => More(drawn),
            };
        return outfit.Backing.StrengthN < Tippets.StrengthN(outfit.Leader.TippetM)
                ? Look(LinkId.Backing, () => $"weaker than the tippet: a break would cost the line") with
                {
                    Mend = StrongerThan(Tippets.StrengthN(outfit.Leader.TippetM)),
                }
            : drawn > 0 ? Fits(LinkId.Backing, () => $"this fish draws {Quantity.Spooled(drawn)} of it")
            : Fits(LinkId.Backing, () => $"this fish does not take the line off the reel");
    }

    // The weakest backing that is stronger than this, newtons; null when there is none.
    private static Func<Mend>? StrongerThan(double newtons) =>
        Backings.Rows.Where(b => b.StrengthN >= newtons).MinBy(b => b.StrengthN) is { } backing
            ? () => new($"Take {backing.Name}", Backing: backing.Id)
            : null;

    // Enough backing for eight of ten such runs, and a little more.
    private static Mend More(double drawnM)
    {
        var metres = Math.Ceiling(SpoolBench.OverRun * drawnM / 5) * 5;
        return new($"Wind on {Quantity.Spooled(metres)}", BackingM: metres);
    }

    internal static Judgement Reel(Reel reel, SpoolFill fill, Outfit outfit, Brief brief)
    {
        var fits = fill.FitsBandM;
        // An unmeasured spool fails only when no reel of its kind would hold the backing.
        if (fill.Spool.IsGuess && fits.High >= outfit.BackingM)
            return Look(
                LinkId.Reel,
                () =>
                    $"nobody measured it: such reels hold {Quantity.Spooled(fits.Low)} to {Quantity.Spooled(fits.High)} of this backing. "
                    + $"Measure arbor, rim and width"
            ) with
            {
                Mend = () => new($"Measure it", Measure: true),
            };
        if (fits.High <= 0)
            return Fails(LinkId.Reel, () => $"does not even hold the line");
        if (fits.High < outfit.BackingM)
            return Fails(LinkId.Reel, () => $"holds no more than {Quantity.Spooled(fits.High)} of this backing");
        // Within the uncertainty of spool and winding nothing can be said.
        if (!fill.Holds)
            return Look(
                LinkId.Reel,
                () =>
                    $"may not hold it: {Quantity.Spooled(fits.Low)} to {Quantity.Spooled(fits.High)} of this backing go on, by the "
                    + $"wind and by how well the spool is known. Wind less, or measure it"
            ) with
            {
                Mend = () => new($"Measure it", Measure: true),
            };
        if (brief.Salt && !reel.SaltProof)
            return Look(LinkId.Reel, () => $"holds it, but is not made for salt: rinse and dry it each day");
        if (fill.ShareLoose > 1)
            return Look(LinkId.Reel, () => $"just holds it: wind it tight and even");
        var ratio = ReelBalance.Ratio(reel, fill, outfit.Rod.MassKg);
        if (ReelBalance.IsUnbalanced(ratio))
            return Look(
                LinkId.Reel,
                () => $"holds it; {(ReelBalance.IsLight(ratio) ? "light" : "heavy")} for the rod at {Quantity.Ratio(ratio)} of its mass"
            );
        return Fits(LinkId.Reel, () => $"holds {Quantity.Spooled(outfit.BackingM)} of backing with room at the rim");
    }

    internal static Judgement Rod(Rod rod, Specification spec, Brief brief)
    {
        if (rod.Class is not { } c)
            return Fails(LinkId.Rod, () => $"no label and never bent: nobody knows its class") with
            {
                Mend = () => new($"Bend it", Measure: true),
            };
        // No verdict depends on a difference smaller than the uncertainty of the bend test.
        var doubt = rod.MeasuredPlusMinus ?? 0;
        if (c + doubt < spec.Class.Carries - Choosing.NearlyCarries)
            return Fails(LinkId.Rod, () => $"class {Quantity.Class(c)} is too light to carry this fly");
        var longer = rod.LengthM - spec.RodLengthM;
        if (Choosing.TooLongForCanopy(brief, longer))
            return Fails(LinkId.Rod, () => $"{Quantity.Length(longer)} too long to swing under the branches");
        if (c + doubt < spec.Class.Floor - ClassTarget.Near)
            return Look(LinkId.Rod, () => $"under the floor of {Quantity.Class(spec.Class.Floor)} for this fish: a long fight");
        var miss = c - spec.Class.Target;
        if (Math.Abs(miss) > ClassTarget.Near + doubt)
            return Look(
                LinkId.Rod,
                () =>
                    $"{Quantity.Class(Math.Abs(miss))} {(miss < 0 ? "lighter" : "heavier")} "
                    + $"than the {Quantity.Class(spec.Class.Target)} aimed for"
            );
        if (Math.Abs(longer) > .35)
            return Look(
                LinkId.Rod,
                () => $"right class; {Quantity.Length(Math.Abs(longer))} {(longer < 0 ? "shorter" : "longer")} than wanted"
            );
        return Fits(LinkId.Rod, () => $"class {Quantity.Class(c)}, where {Quantity.Class(spec.Class.Target)} is aimed for");
    }

    // Share of the distance. Our assumption.
    private const double StepNearer = .95;

    // Null below the shortest cast anybody makes.
    private static Func<Mend>? Nearer(double metres) =>
        metres < BriefLimits.Handled.DistanceM.Low ? null : () => new($"Come to {Quantity.Distance(metres)}", DistanceM: metres);

    // At least this much fly line should lie outside the tip, metres. Our assumption.
    private const double LineOutM = 2;

    private static Func<Mend> Farther(Brief brief, Outfit outfit)
    {
        var metres = Math.Ceiling((Math.Max(outfit.Leader.LengthM, brief.DistanceM) + LineOutM) / Exact.FootM) * Exact.FootM;
        return () => new($"Stand back to {Quantity.Distance(metres)}", DistanceM: metres);
    }

    private static Judgement Hand(Brief brief, Outfit outfit)
    {
        var reach = outfit.ReachM.Value;
        if (brief.Gale)
            return Fails(
                LinkId.Hand,
                () => $"{Quantity.Wind(brief.WindMps)} is no wind to stand and cast in, from wherever it blows: wait, turn, or find shelter"
            );
        if (outfit.Cast is null)
            return Fails(LinkId.Hand, () => $"nobody knows what this line weighs, and so how far it goes: weigh it");
        var chance = HandRules.Chance(brief, outfit.ReachM);
        var odds = brief.Caster.Odds(chance);
        // One step nearer than that, because a nearer fish may be answered with a lighter rod; in whole feet, whatever the units on screen.
        var nearer = Math.Floor(StepNearer * HandRules.LowerBoundM(outfit.ReachM) / Exact.FootM) * Exact.FootM;
        if (chance < Doubt.FailsBelow)
            return Fails(
                LinkId.Hand,
                () =>
                    $"{(outfit.Cast is { Lobbed: true } ? "hardly turns over; lobbed it gets" : "gets")} "
                    + $"{Quantity.Distance(reach)} of the {Quantity.Distance(brief.DistanceM)} wanted, "
                    + $"{Quantity.Length(brief.DistanceM - reach)} short: see what would help, or get closer"
            ) with
            {
                Mend = Nearer(nearer),
            };
        if (brief.ShoulderMps > Brief.ShoulderWarnsMps)
            return Look(LinkId.Hand, () => $"wind onto the casting shoulder: cast over the other one, or go round") with
            {
                Mend = () => new($"Stand so that it blows from the other side", WindFromDeg: 360 - brief.WindFromDeg),
            };
        if (outfit.Cast is { Poked: true })
            return Look(LinkId.Hand, () => $"too near to cast: poke it out, or let it dapple, with the leader and hardly any line") with
            {
                Mend = Farther(brief, outfit),
            };
        // A lobbed fly gets there, but this is not a cast.
        if (outfit.Cast is { Lobbed: true })
            return Look(LinkId.Hand, () => $"hardly turns over: lobbed it gets there, the leader in a heap; see what would help") with
            {
                Mend = Smaller(brief.Fly),
            };
        if (chance < Doubt.FitsFrom)
            return Look(
                LinkId.Hand,
                () =>
                    $"{odds} get {Quantity.Distance(brief.DistanceM)} today: come within {Quantity.Distance(nearer)}, or see what "
                    + $"would help"
            ) with
            {
                Mend = Nearer(nearer),
            };
        return Fits(
            LinkId.Hand,
            () => $"{Quantity.Length(reach - brief.DistanceM)} in hand at {Quantity.Distance(brief.DistanceM)}: {odds}"
        );
    }
}
