using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

/// <summary>What a leader is examined for.</summary>
/// <param name="LineTipM">Diameter of the line's tip, metres.</param>
/// <param name="LineCoreN">What the line's core stands, newtons.</param>
/// <param name="Fly">The fly, when it is known.</param>
/// <param name="RodM">Length of the rod, metres, when it is known.</param>
/// <param name="Mouth">What the fish does to a tippet.</param>
/// <param name="Led">A nymph led close: such leaders are longer than the rod on purpose.</param>
public sealed record LeaderUse(
    double LineTipM,
    double LineCoreN,
    Fly? Fly = null,
    double? RodM = null,
    Mouth Mouth = Mouth.Soft,
    bool Led = false
);

/// <summary>One finding about a leader.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Verdict">How it does.</param>
/// <param name="Says">In a sentence.</param>
/// <param name="Aside">True for what is judged at another link, or is only to be minded.</param>
public sealed record LeaderFinding(string Id, Verdict Verdict, Sentence Says, bool Aside = false);

/// <summary>Mass per metre at one place of a leader.</summary>
/// <param name="FromLineM">Metres from the line.</param>
/// <param name="KgPerM">Kilograms a metre.</param>
public readonly record struct LeaderMass(double FromLineM, double KgPerM);

/// <summary>A leader examined.</summary>
/// <param name="LengthM">Whole length, metres.</param>
/// <param name="MassKg">Mass, kilograms.</param>
/// <param name="Masses">Mass a metre down its length, both sides of every joint.</param>
/// <param name="Joints">What each joint stands.</param>
/// <param name="Findings">What was seen, in the order of the leader.</param>
/// <param name="OutsideM">What stays outside the rod's tip when a fish is at the net, metres; null without a rod.</param>
/// <param name="Formula">In words.</param>
public sealed record LeaderCheck(
    double LengthM,
    double MassKg,
    IReadOnlyList<LeaderMass> Masses,
    IReadOnlyList<LeaderJoint> Joints,
    IReadOnlyList<LeaderFinding> Findings,
    double? OutsideM,
    Sentence Formula
)
{
    /// <summary>Sources of the strengths: of the knots and of the materials.</summary>
    public IReadOnlyList<Source> Sources { get; } = [Knots.Source, LeaderMaterials.Source];

    // Thickness step that hinges, metres; how far a butt may be below and above its usual share of the line tip; and the largest drop of
    // mass per metre at a joint, as a factor: that of a good step at the thinnest usual tippet. Common practice.
    private const double HingeM = .0001,
        ThinButt = .1,
        StiffButt = .2,
        MaxFall = 2.3;

    // Mass per metre may rise by this factor below a joint, as from nylon to fluorocarbon, without effect; when it rises by more than the
    // second, the leader folds. Common practice.
    private const double Unfelt = 1.05,
        Folds = 1.4;

    /// <summary>Examines a valid leader.</summary>
    public static LeaderCheck For(Leader leader, LeaderUse use)
    {
        var joints = LeaderStrength.Joints(leader, use.LineCoreN);
        List<LeaderFinding> seen =
        [
            Butt(leader, use),
            Smooth(leader),
            .. Steps(leader),
            .. Fly(leader, use),
            .. Guard(leader, use),
            .. Droppers(leader),
            .. Net(leader, use),
            .. Rig(leader),
            Strength(joints),
        ];
        return new(
            leader.LengthM,
            leader.Pieces.Sum(p => p.LengthM * (p.KgPerM(p.StartM) + p.KgPerM(p.EndM) + p.KgPerM(Math.Sqrt(p.StartM * p.EndM))) / 3),
            MassesOf(leader),
            joints,
            seen,
            use.RodM is { } rod ? Math.Max(0, leader.LengthM - rod) : null,
            leader.Formula()
        );
    }

    private static List<LeaderMass> MassesOf(Leader leader)
    {
        List<LeaderMass> masses = [];
        var at = 0.0;
        foreach (var piece in leader.Pieces)
        {
            // A taper's mass goes with the square of its thickness: a few points in between draw it well.
            var places = piece.StartM == piece.EndM ? 1 : 6;
            for (var i = 0; i <= places; i++)
                masses.Add(
                    new(at + piece.LengthM * i / places, piece.KgPerM(Interpolation.Between(piece.StartM, piece.EndM, i / (double)places)))
                );
            at += piece.LengthM;
        }
        return masses;
    }

    private static LeaderFinding Butt(Leader leader, LeaderUse use)
    {
        var butt = leader.Pieces[0].StartM;
        var share = butt / use.LineTipM;
        Sentence what = $"{Quantity.Diameter(butt)} of butt on a line tip of {Quantity.Diameter(use.LineTipM)}";
        var level = leader.Pieces.All(p => p.Part != LeaderPart.Butt);
        if (level)
            return new("butt", Verdict.Look, $"{what}: level, it turns over by the line's push alone; keep it short or the fly heavy");
        return share < Leader.ButtShare.Low - ThinButt ? new("butt", Verdict.Look, $"{what}: thin, the loop dies where it begins")
            : share > Leader.ButtShare.High + StiffButt && leader.Pieces[0].Material != LeaderMaterial.Coated
                ? new("butt", Verdict.Look, $"{what}: stiffer than the tip can move")
            : new("butt", Verdict.Fits, $"{what}: takes the loop on");
    }

    private static LeaderFinding Smooth(Leader leader)
    {
        var (worst, at) = (0.0, 0);
        for (var i = 1; i < leader.Pieces.Count; i++)
        {
            LeaderPiece above = leader.Pieces[i - 1],
                below = leader.Pieces[i];
            if (below.Part == LeaderPart.Guard)
                continue;
            var fall = above.KgPerM(above.EndM) / below.KgPerM(below.StartM);
            if (fall < 1 / Unfelt)
                return new(
                    "smooth",
                    fall < 1 / Folds ? Verdict.Fails : Verdict.Look,
                    $"the {below.Name} weighs more a metre than what is above it: the leader folds there"
                );
            if (fall > worst)
                (worst, at) = (fall, i);
        }
        return worst > MaxFall
            ? new(
                "smooth",
                Verdict.Look,
                $"mass a metre falls to {Quantity.Ratio(1 / worst)} at the {leader.Pieces[at].Name}: it hinges there"
            )
            : new("smooth", Verdict.Fits, $"mass a metre falls smoothly down to the tippet");
    }

    private static IEnumerable<LeaderFinding> Steps(Leader leader)
    {
        for (var i = 1; i < leader.Pieces.Count; i++)
        {
            LeaderPiece above = leader.Pieces[i - 1],
                below = leader.Pieces[i];
            if (below.Knot is not { } knot || below.Part == LeaderPart.Guard || leader.OnRing(i))
                continue;
            var step = above.EndM - below.StartM;
            if (knot == Knots.Blood.Id && Leader.JoinOf(above.EndM, below.StartM) != Knots.Blood)
                yield return new(
                    $"step-{i}",
                    Verdict.Look,
                    $"{Quantity.Diameter(above.EndM)} to {Quantity.Diameter(below.StartM)} is too far apart for a blood knot: "
                        + $"take a surgeon's knot"
                );
            else if (step > HingeM)
                yield return new(
                    $"step-{i}",
                    Verdict.Look,
                    $"{Quantity.Diameter(above.EndM)} straight to {Quantity.Diameter(below.StartM)}: steps of "
                        + $"{Quantity.Diameter(Leader.StepM)} turn over better"
                );
        }
    }

    private static IEnumerable<LeaderFinding> Fly(Leader leader, LeaderUse use)
    {
        if (use.Fly is not { } fly)
            yield break;
        var band = TippetBand.For(fly.Hook);
        yield return TippetBand.Judge(leader.TippetM, band, fly) is var (verdict, says)
            ? new("twist", verdict, $"{Quantity.Tippet(leader.TippetM)} is {says}", true)
            : new("twist", Verdict.Fits, $"{Quantity.Tippet(leader.TippetM)} neither spins nor drags on a {fly.SizeName}", true);
    }

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    private static IEnumerable<LeaderFinding> Guard(Leader leader, LeaderUse use)
    {
        var last = leader.Pieces[^1];
        if (use.Mouth == Mouth.Soft)
            yield break;
        var teeth = use.Mouth == Mouth.Teeth;
        if (last.Part != LeaderPart.Guard)
            yield return new(
                "guard",
                Verdict.Fails,
                teeth ? (Sentence)$"no guard: teeth go through any tippet" : $"no guard: a rough mouth wears it through"
            );
        else if (last.LengthM < (teeth ? TeethGuardM : RoughGuardM) - Hair)
            yield return new(
                "guard",
                last.LengthM < (teeth ? TeethGuardM : RoughGuardM) / 2 ? Verdict.Fails : Verdict.Look,
                $"{Quantity.Short(last.LengthM)} of guard: {(teeth ? "teeth" : "a rough mouth")} reach past it. "
                    + $"Take {Quantity.Short(teeth ? TeethGuardM : RoughGuardM)} at the least"
            );
        else if (last.Material == LeaderMaterial.Wire)
            yield return new("guard", Verdict.Fits, $"wire is certain, and dulls how the fly swims");
        else if (last.EndM < (teeth ? TeethGuardThickM : RoughGuardThickM) - Hair)
            yield return new(
                "guard",
                teeth ? Verdict.Fails : Verdict.Look,
                $"{Quantity.Diameter(last.EndM)} is no guard for {(teeth ? "teeth" : "a rough mouth")}: "
                    + $"{Quantity.Diameter(teeth ? TeethGuardThickM : RoughGuardThickM)} at the least{(teeth ? ", or wire" : "")}"
            );
        else
            yield return new(
                "guard",
                teeth ? Verdict.Look : Verdict.Fits,
                teeth
                    ? (Sentence)
                        $"{Quantity.Diameter(last.EndM)} fluorocarbon swims better than wire, and is sometimes cut: look after every fish"
                    : $"{Quantity.Diameter(last.EndM)} fluorocarbon stands rubbing"
            );
    }

    // Least length and thickness of guards, metres: for teeth six inches of wire, or of fluorocarbon of about 80 lb; for rough mouths a
    // foot of about 30 lb. Common practice.
    private const double TeethGuardM = .15,
        TeethGuardThickM = .75e-3,
        RoughGuardM = .30,
        RoughGuardThickM = .48e-3,
        Hair = 1e-6;

    private static IEnumerable<LeaderFinding> Droppers(Leader leader)
    {
        foreach (var dropper in leader.Droppers)
        {
            var thick = leader.Pieces[dropper.Piece - 1].EndM;
            var thin = leader.Pieces[dropper.Piece].StartM;
            Sentence what = $"dropper of {Quantity.Short(dropper.LengthM)}, {Quantity.Diameter(thick)}";
            var usual = LeaderDropper.UsualM;
            yield return thick < thin * 1.1
                ? new("dropper", Verdict.Look, $"{what}: no thicker than what goes on to the point, it wraps round it")
            : dropper.LengthM > usual.High + .05 || dropper.LengthM < usual.Low
                ? new("dropper", Verdict.Look, $"{what}: {Quantity.Short(usual.Low)} to {Quantity.Short(usual.High)} stands off best")
            : new("dropper", Verdict.Fits, $"{what}: stands off");
        }
        if (leader.Droppers.Count > 0)
            yield return new("rules", Verdict.Look, $"how many flies are allowed differs by place: check the local rules", true);
    }

    private static IEnumerable<LeaderFinding> Net(Leader leader, LeaderUse use)
    {
        if (use.RodM is not { } rod)
            yield break;
        var (verdict, says) = AtTheNet(leader, rod, use.Led);
        yield return new("net", verdict, says());
    }

    /// <summary>How a leader behaves at the net with a rod of this length, metres: whether its joint comes into the guides.</summary>
    public static (Verdict Verdict, Func<Sentence> Says) AtTheNet(Leader leader, double rodM, bool led)
    {
        var outside = leader.LengthM - rodM;
        if (led && outside > Leader.LongerThanRodM)
            return (Verdict.Look, () => $"longer than the rod: tie it level, so that its knots pass the rings at the net");
        var smooth = leader.LineKnot == Knots.Nail.Id;
        return outside > Leader.JamsM
                ? (Verdict.Fails, () => $"{Quantity.Length(outside)} longer than the rod: the joint jams in the rings at the net")
            : outside > Leader.LongerThanRodM + .05
                ? (
                    Verdict.Look,
                    () =>
                        $"{Quantity.Length(outside)} longer than the rod: the joint comes inside the rings"
                        + $"{(smooth ? (Sentence)$"; a sealed nail knot runs through" : $"")}"
                )
            : (Verdict.Fits, () => $"short enough to net a fish with the joint outside");
    }

    private static IEnumerable<LeaderFinding> Rig(Leader leader)
    {
        if (leader.IndicatorM is { } floats)
            yield return floats > leader.LengthM
                ? new(
                    "indicator",
                    Verdict.Fails,
                    $"the float would sit on the line: {Quantity.RodLength(leader.LengthM)} of leader is all there is"
                )
                : new("indicator", Verdict.Fits, $"float {Quantity.RodLength(floats)} above the fly");
        if (leader.ShotM is { } shot)
            yield return new(
                "shot",
                Verdict.Look,
                $"shot {Quantity.Short(shot)} above the fly: open the loop; lead is not allowed everywhere",
                true
            );
    }

    private static LeaderFinding Strength(IReadOnlyList<LeaderJoint> joints)
    {
        var weakest = joints.First(j => j.Weakest);
        return new(
            "weakest",
            weakest.At == LeaderJointAt.Fly || weakest.Name is "tippet" ? Verdict.Fits : Verdict.Look,
            $"goes first: {weakest.Name}, {weakest.KnotName}, at {new Quantity(weakest.StandsN, Kind.Force, weakest.PlusMinusN)}"
                + $"{(weakest.Tried ? ", by your own breaks" : "")}",
            true
        );
    }
}
