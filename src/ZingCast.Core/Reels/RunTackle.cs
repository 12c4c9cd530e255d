using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>How the fish is held while it runs.</summary>
/// <param name="DragN">What the drag is set to, pulled straight off a full spool, newtons.</param>
/// <param name="RodAngleDeg">Angle between butt and line, degrees: 0 points the rod at the fish.</param>
/// <param name="OutM">Line and leader beyond the tip when it takes, metres.</param>
/// <param name="SlackM">Loose line that goes first, metres.</param>
/// <param name="FollowMps">How fast somebody follows on foot or by boat, m/s; 0 stands.</param>
/// <param name="FollowAfterS">When the following begins, seconds.</param>
/// <param name="Rested">Share of its reserve the fish begins with: less than 1 in a later run.</param>
public sealed record RunHold(
    double DragN,
    double RodAngleDeg = 60,
    double OutM = 15,
    double SlackM = 2,
    double FollowMps = 0,
    double FollowAfterS = 8,
    double Rested = 1
)
{
    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Range("dragN", DragN, .2, 150, "A drag is set between 20 g and 15 kg (33 lb).")
            .Range("rodAngleDeg", RodAngleDeg, 0, 150, "The rod stands between 0 and 150° to the line.")
            .Range("outM", OutM, 1, 60, "Between 1 and 60 m are out when the fish takes.")
            .Range("slackM", SlackM, 0, 30, "Up to 30 m lie loose.")
            .Range("followMps", FollowMps, 0, 8, "One follows at up to 8 m/s.")
            .Range("followAfterS", FollowAfterS, 0, 120, "Following begins within two minutes.")
            .Range("rested", Rested, .05, 1, "A fish begins with between a twentieth and all of its strength.")
            .Problems;
}

/// <summary>
/// What a running fish pulls against: the drag on a spool that empties, the rings, and the water along everything that is out. Tables
/// over the
/// line out are made once; the pull is read from them.
/// </summary>
public sealed class RunTackle
{
    // Friction of line in rings: 1.05 to 1.3 in all for angles people hold, e to the power of this times the angle. Common practice.
    private const double RingFriction = .18;

    // What holds a line that runs through the fingers, newtons. Common practice.
    private const double FingersN = 1;

    // Tables have a place every metre or so.
    private const int Places = 400;

    private readonly double[] radiusM,
        widthM2,
        perCubeRoot;
    private readonly double perM,
        atFull,
        rings;

    /// <summary>
    /// Sets it up. <paramref name="tippetN"/> is what the weakest knotted link stands, newtons.
    /// </summary>
    public RunTackle(SpoolFill fill, FlyLine line, Backing backing, Leader? leader, RunHold hold, double tippetN)
    {
        (Fill, Hold, TippetN) = (fill, hold, tippetN);
        LineM = line.LengthM + (leader?.LengthM ?? 0);
        TotalM = LineM + fill.BackingM;
        OutM = Math.Min(hold.OutM, TotalM - .5);
        rings = Math.Exp(RingFriction * hold.RodAngleDeg * Math.PI / 180);
        perM = Places / TotalM;
        (radiusM, widthM2, perCubeRoot) = (new double[Places + 1], new double[Places + 1], new double[Places + 1]);
        // From the fly to the arbor: the leader as one even piece, the line's stretches, the backing.
        var leaderM = leader?.LengthM ?? 0;
        List<Stretch> all =
        [
            .. (leader?.Pieces ?? []).Reverse().Select(p => new Stretch(p.LengthM, p.EndM, p.StartM, 0)),
            .. line.Stretches,
            new(Math.Max(fill.BackingM, 1e-3), backing.DiameterM, backing.DiameterM, 0),
        ];
        var sum = all.Sum(s => s.Volume(s.LengthM));
        var (i, into, width, gone) = (0, 0.0, 0.0, 0.0);
        var step = TotalM / Places;
        for (var place = 0; place <= Places; place++)
        {
            radiusM[place] = fill.Spool.RadiusM(Math.Max(0, sum - gone) / Backings.OrdinaryPacking);
            widthM2[place] = width;
            var outM = place * step;
            perCubeRoot[place] = place == 0 ? 0 : SkinFriction.PerCubeRoot(outM, width / outM / 2, SkinFriction.WaterM2ps);
            for (var left = step; left > 1e-9 && i < all.Count; )
            {
                var piece = Math.Min(left, all[i].LengthM - into);
                double d0 = all[i].ThickM(into),
                    d1 = all[i].ThickM(into + piece);
                width += (d0 + d1) / 2 * piece;
                gone += Math.PI / 4 * piece * (d0 * d0 + d0 * d1 + d1 * d1) / 3;
                (into, left) = (into + piece, left - piece);
                if (into >= all[i].LengthM - 1e-9)
                    (i, into) = (i + 1, 0);
            }
        }
        atFull = radiusM[0];
    }

    /// <summary>How the spool is filled.</summary>
    public SpoolFill Fill { get; }

    /// <summary>How it is held.</summary>
    public RunHold Hold { get; }

    /// <summary>What the weakest knotted link stands, newtons.</summary>
    public double TippetN { get; }

    /// <summary>Line and leader, metres: what is out beyond this is backing.</summary>
    public double LineM { get; }

    /// <summary>All there is to run off, metres.</summary>
    public double TotalM { get; }

    /// <summary>What is out when the fish takes, metres.</summary>
    public double OutM { get; }

    /// <summary>Radius of what is left on the spool with so much out, metres.</summary>
    public double RadiusM(double outM) => Read(radiusM, outM);

    /// <summary>What the drag and the rings hold with so much out and so much of it run, newtons. Loose line goes through the
    /// fingers.</summary>
    public double DragN(double outM, double runM) => runM < Hold.SlackM ? FingersN : Hold.DragN * atFull / RadiusM(outM) * rings;

    /// <summary>
    /// Drag of the water along everything that is out and moves at this speed, newtons: ½ρ·Cf·π·∫d ds·v².
    /// </summary>
    public double WaterN(double outM, double speedMps)
    {
        if (speedMps <= 0)
            return 0;
        var cubeRoot = Math.Cbrt(speedMps);
        var friction = SkinFriction.Least + Read(perCubeRoot, outM) / cubeRoot;
        return .5 * RunningFish.WaterKgM3 * friction * Math.PI * Read(widthM2, outM) * speedMps * speedMps;
    }

    /// <summary>All that the fish pulls against, and the tippet has to stand, newtons.</summary>
    public double PullN(double outM, double speedMps, double runM) => DragN(outM, runM) + WaterN(outM, speedMps);

    private double Read(double[] table, double outM)
    {
        var at = Math.Clamp(outM * perM, 0, Places);
        var place = Math.Min((int)at, Places - 1);
        return Blend.Between(table[place], table[place + 1], at - place);
    }

    /// <summary>What people have on for a group of fish: an ordinary line of its class on an ordinary reel, its usual backing.</summary>
    public static RunTackle Ordinary(FishGroup group, double massKg)
    {
        var line = Reel.TypicalLine(group.FloorLow);
        var backing = UsualHoldings.Backing(group.FloorLow);
        var metres = Math.Max(group.BackingM(massKg), 2 * group.RunM);
        var spool = (Reel.Blank with { LabelLow = group.FloorLow, LabelHigh = group.FloorLow, StatedBackingM = metres }).Spool();
        var pull = RunningFish.UsualPullN(massKg);
        return new(SpoolFill.Of(spool, line, backing, metres), line, backing, null, new(pull, SlackM: 0), double.PositiveInfinity);
    }
}
