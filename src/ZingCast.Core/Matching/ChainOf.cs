using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Judges each link of a finished outfit: fits, look or fails, with the reason.</summary>
internal static class ChainOf
{
    public static IReadOnlyList<Link> Links(Brief brief, Specification spec, Outfit outfit, Pins pins, TippetChoice tippet)
    {
        var (rod, line, reel) = (outfit.Rod, outfit.Line, outfit.Reel);
        var rodJudged = JudgeRod(rod, spec, brief);
        var lineJudged = JudgeLine(line, outfit.Load, spec, brief);
        var reelJudged = JudgeReel(reel, outfit.Fill, outfit, brief);
        Link Make(LinkId id, string name, Sentence title, Figure figure, (Verdict Verdict, Sentence Why) judged, bool missing = false) =>
            new(id, name, title, figure, judged.Verdict, judged.Why, pins.Holds(id), missing);
        return
        [
            Make(
                LinkId.Fly,
                "Fly",
                $"{brief.Fly.SizeName} {brief.Fly.Kind.Name}",
                Quantity.LineMass(brief.Fly.WetKg),
                JudgeFly(brief, outfit)
            ),
            Make(
                LinkId.Tippet,
                "Tippet",
                $"{Quantity.Length(outfit.Leader.TippetLengthM)} of "
                    + $"{Quantity.Diameter(tippet.DiameterM)}{(tippet.GuardM > 0 ? ", bite guard last" : "")}",
                Quantity.Diameter(tippet.DiameterM),
                JudgeTippet(brief, tippet)
            ),
            Make(
                LinkId.Leader,
                "Leader",
                $"{Quantity.Length(outfit.Leader.LengthM)}, butt {Quantity.Diameter(outfit.Leader.Pieces[0].StartM)}",
                Quantity.Length(outfit.Leader.LengthM),
                JudgeLeader(outfit.Leader, rod)
            ),
            Make(
                LinkId.Head,
                "Head",
                line.Id == 0
                    ? $"Look for {Quantity.LineMass(line.MassKg ?? 0)}, {Densities.Of(line.Density).Name}"
                    : (Sentence)$"{line.Tag} {line.Name}",
                Quantity.LineMass(line.MassKg ?? 0),
                lineJudged,
                line.Id == 0
            ),
            Make(
                LinkId.Running,
                "Running line",
                $"{Quantity.Length(Math.Max(0, line.LengthM - line.HeadM))} of {Quantity.Diameter(line.RunningDiameterM)}",
                Quantity.Length(outfit.ShootM),
                JudgeRunning(brief, outfit)
            ),
            Make(
                LinkId.Backing,
                "Backing",
                $"{Quantity.Length(outfit.BackingM)} of {outfit.Backing.Name}",
                Quantity.Length(outfit.BackingM),
                JudgeBacking(brief, outfit)
            ),
            Make(
                LinkId.Reel,
                "Reel",
                reel.Id == 0 ? $"Look for a rim of {Quantity.Short(reel.RimM ?? 0)}" : (Sentence)$"{reel.Tag} {reel.Name}",
                outfit.Fill is { } f ? Quantity.Ratio(f.Share) : "unknown",
                reelJudged,
                reel.Id == 0
            ),
            Make(
                LinkId.Rod,
                "Rod",
                rod.Id == 0
                    ? $"Look for class {Quantity.Class(rod.PrintedClass ?? 0)}, {Quantity.Length(rod.LengthM)}"
                    : (Sentence)$"{rod.Tag} {rod.Name}",
                rod.Class is { } c ? Quantity.Class(c, rod.MeasuredPlusMinus) : "no class",
                rodJudged,
                rod.Id == 0
            ),
            Make(
                LinkId.Hand,
                "Hand",
                $"{brief.Caster.Name}, {(brief.Hand == Hand.Right ? "right" : "left")} hand",
                outfit.ReachM,
                JudgeHand(brief, outfit)
            ),
        ];
    }

    private static (Verdict, Sentence) Fits(Sentence why) => (Verdict.Fits, why);

    private static (Verdict, Sentence) Look(Sentence why) => (Verdict.Look, why);

    private static (Verdict, Sentence) Fails(Sentence why) => (Verdict.Fails, why);

    private static (Verdict, Sentence) JudgeFly(Brief brief, Outfit outfit)
    {
        var ratio = brief.Fly.WetKg / Math.Max(1e-6, outfit.Line.MassWithinKg(Math.Max(outfit.CarryM, outfit.Load.JudgedM)));
        return ratio > CastEngine.MostFlyRatio ? Fails($"{Quantity.Ratio(ratio)} of the line in the air: that is lobbing, not casting")
            : ratio > CastEngine.ComfortableFlyRatio ? Look($"{Quantity.Ratio(ratio)} of the line in the air: slow down and open the loop")
            : Fits($"{Quantity.Ratio(ratio)} of the line in the air: carried easily");
    }

    private static (Verdict, Sentence) JudgeTippet(Brief brief, TippetChoice tippet)
    {
        // Half again outside the comfortable band is where it spins or drags for certain.
        if (tippet.DiameterM < tippet.BandFromM * .6)
            return Fails($"wire-thin for a {brief.Fly.SizeName}: it will spin into a spring");
        if (tippet.DiameterM > tippet.BandToM * 1.6)
            return Fails($"so thick for a {brief.Fly.SizeName} that the fly hangs dead");
        if (tippet.DiameterM < tippet.BandFromM * .9)
            return Look($"thin for a {brief.Fly.SizeName}: watch for twist");
        if (tippet.DiameterM > tippet.BandToM * 1.15)
            return Look($"thick for a {brief.Fly.SizeName}: it may drag");
        if (tippet.KnottedN < tippet.WantedN)
            return Look($"holds {Quantity.Force(tippet.KnottedN)} knotted: play the fish off the reel");
        return Fits($"holds {Quantity.Force(tippet.KnottedN)} knotted; check each knot");
    }

    private static (Verdict, Sentence) JudgeLeader(Leader leader, Rod rod)
    {
        var outside = leader.LengthM - rod.LengthM;
        return outside > 1.3 ? Fails($"{Quantity.Length(outside)} longer than the rod: the joint jams in the rings at the net")
            : outside > .85 ? Look($"{Quantity.Length(outside)} longer than the rod: the joint comes inside the rings")
            : Fits($"short enough to net a fish with the joint outside");
    }

    public static (Verdict, Sentence) JudgeLine(FlyLine line, LineLoad load, Specification spec, Brief brief)
    {
        if (load.Verdict == Verdict.Fails)
            return Fails(
                load.Ratio > LineLoad.Top
                    ? $"{Quantity.Ratio(load.Ratio)} of the class: overloads this rod"
                    : (Sentence)$"{Quantity.Ratio(load.Ratio)} of the class: never loads this rod"
            );
        if (Choosing.CoatingFails(line, brief))
            return Fails(
                $"a {Coatings.Of(line.Coating).Name} coating in water of {new Quantity(brief.WaterC, Kind.Temperature)}: "
                    + $"{(line.Coating == "cold" ? "limp and sticky" : "stiff as wire")}"
            );
        var heavier = Densities.Rank(line.Density) - Densities.Rank(spec.Density);
        if (Math.Abs(heavier) > 2)
            return Fails($"{Densities.Of(line.Density).Name}, where the depth asks for {Densities.Of(spec.Density).Name}");
        if (heavier != 0)
            return Look($"{Densities.Of(line.Density).Name}, where the depth asks for {Densities.Of(spec.Density).Name}");
        if (load.Verdict == Verdict.Look)
            return Look(
                load.LineRatio > load.Ideal
                    ? $"{Quantity.Ratio(load.Ratio)} of the class: deep in the rod"
                    : (Sentence)$"{Quantity.Ratio(load.Ratio)} of the class: light on the rod"
            );
        if (spec.Coatings.Count > 0 && !spec.Coatings.Contains(line.Coating))
            return Look(
                $"loads well, but a {Coatings.Of(line.Coating).Name} coating in water of {new Quantity(brief.WaterC, Kind.Temperature)}"
            );
        if (brief.Salt && !line.SaltRated)
            return Look($"loads well; rinse it, the coating is not made for salt");
        var off = Math.Max(spec.HeadM.From - line.HeadM, line.HeadM - spec.HeadM.To);
        if (off > 1.5)
            return Look(
                $"loads well; the head is {Quantity.Length(off)} {(line.HeadM < spec.HeadM.From ? "shorter" : "longer")} than wanted"
            );
        if (brief.Caster.Id == "learner" && line.HeadM > 12.5 && line.Build == Build.WeightForward && brief.DistanceM > 13)
            return Look($"loads well, but the head is long for a learner to carry");
        return Fits(
            $"{Quantity.Ratio(load.Ratio)} of the class: line alone {Quantity.Ratio(load.LineRatio)}, ideal {Quantity.Ratio(load.Ideal)}"
        );
    }

    private static (Verdict, Sentence) JudgeRunning(Brief brief, Outfit outfit)
    {
        var needed = brief.DistanceM - outfit.Leader.LengthM;
        if (needed > outfit.Line.LengthM)
            return Look($"backing goes through the rings at {Quantity.Length(brief.DistanceM)}");
        var share = outfit.ShootM / Math.Max(1, brief.DistanceM);
        return share > .5 ? Look($"shoot {Quantity.Length(outfit.ShootM)}: over half the cast")
            : outfit.ShootM > 0 ? Fits($"shoot {Quantity.Length(outfit.ShootM)} behind {Quantity.Length(outfit.CarryM)} of carry")
            : Fits($"nothing to shoot: {Quantity.Length(outfit.CarryM)} of carry does it");
    }

    private static (Verdict, Sentence) JudgeBacking(Brief brief, Outfit outfit)
    {
        var run = brief.Species.Group.RunM;
        if (outfit.BackingM < run - outfit.Line.LengthM)
            return Fails($"a run of {Quantity.Length(run)} would spool you");
        if (outfit.BackingM < run)
            return Look($"less than a run of {Quantity.Length(run)}");
        return outfit.Backing.StrengthN < Tippets.StrengthN(outfit.Leader.TippetM)
            ? Look($"weaker than the tippet: a break would cost the line")
            : Fits($"outlasts a run of {Quantity.Length(run)}");
    }

    public static (Verdict, Sentence) JudgeReel(Reel reel, SpoolFill? fill, Outfit outfit, Brief brief)
    {
        if (fill is null)
            return Look($"what it holds is unknown: measure arbor, rim and width");
        if (fill.FitsBackingM <= 0)
            return Fails($"does not even hold the line");
        if (fill.Share > 1.02)
            return Fails($"holds only {Quantity.Length(fill.FitsBackingM)} of this backing");
        if (brief.Salt && !reel.SaltProof)
            return Look($"holds it, but is not made for salt: rinse and dry it each day");
        if (fill.ShareLoose > 1)
            return Look($"just holds it: wind it tight and even");
        var ratio = Choosing.Balance(reel, outfit.Rod, outfit.Line);
        if (ratio is < 1.1 or > 2.1)
            return Look($"holds it; {(ratio < 1.1 ? "light" : "heavy")} for the rod at {Quantity.Ratio(ratio)} of its mass");
        return Fits($"holds {Quantity.Length(outfit.BackingM)} of backing with room at the rim");
    }

    public static (Verdict, Sentence) JudgeRod(Rod rod, Specification spec, Brief brief)
    {
        if (rod.Class is not { } c)
            return Fails($"no label and never bent: nobody knows its class");
        if (c < spec.Class.Delivery - 1)
            return Fails($"class {Quantity.Class(c)} is too light to carry this fly");
        var longer = rod.LengthM - spec.RodLengthM;
        if (brief.Cover == Cover.Canopy && longer > .45)
            return Fails($"{Quantity.Length(longer)} too long to swing under the branches");
        if (c < spec.Class.Floor - ClassTarget.Near)
            return Look($"under the floor of {Quantity.Class(spec.Class.Floor)} for this fish: a long fight");
        var miss = c - spec.Class.Target;
        if (Math.Abs(miss) > ClassTarget.Near)
            return Look(
                $"{Quantity.Class(Math.Abs(miss))} {(miss < 0 ? "lighter" : "heavier")} "
                    + $"than the {Quantity.Class(spec.Class.Target)} aimed for"
            );
        if (Math.Abs(longer) > .35)
            return Look($"right class; {Quantity.Length(Math.Abs(longer))} {(longer < 0 ? "shorter" : "longer")} than wanted");
        return Fits($"class {Quantity.Class(c)} for the {Quantity.Class(spec.Class.Target)} aimed for");
    }

    private static (Verdict, Sentence) JudgeHand(Brief brief, Outfit outfit)
    {
        var reach = outfit.ReachM.Value;
        if (reach <= 0)
            return Fails($"this fly does not turn over in this wind: go smaller, turn, or wait");
        if (brief.DistanceM > 1.2 * reach)
            return Fails(
                $"{Quantity.Length(brief.DistanceM)} is beyond {brief.Caster.Article} "
                    + $"{brief.Caster.Name} in this wind: get closer, go smaller, or wait"
            );
        if (Matcher.ShoulderWind(brief) > 2)
            return Look($"wind onto the casting shoulder: cast over the other one");
        if (brief.DistanceM > .9 * reach)
            return Look($"{Quantity.Length(brief.DistanceM)} leaves no tenth in hand");
        return Fits($"{Quantity.Length(reach - brief.DistanceM)} in hand at {Quantity.Length(brief.DistanceM)}");
    }
}
