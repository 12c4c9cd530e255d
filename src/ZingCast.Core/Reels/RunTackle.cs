using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>How the fish is played while it runs.</summary>
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
    /// <summary>Every field with an unusable value; empty when all is well.</summary>
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

/// <summary>Tackle that a running fish pulls against: drag of a spool that empties, guides, and water along all that is out.</summary>
public sealed class RunTackle
{
    // Friction of line in the guides: the force grows by e to the power of this times the angle, 1.05 to 1.3 in all for usual rod angles.
    // Common practice.
    private const double RingFriction = .18;

    // Force of fingers on a running line, newtons. Common practice.
    private const double FingersN = 1;

    private readonly LineOut line;
    private readonly double fullNm,
        rings;

    /// <summary><paramref name="tippetN"/> is the strength of the weakest knotted link, newtons.</summary>
    public RunTackle(LineOut line, RunHold hold, double tippetN)
    {
        (this.line, Hold, TippetN) = (line, hold, tippetN);
        OutM = Math.Min(hold.OutM, line.TotalM - .5);
        rings = Math.Exp(RingFriction * hold.RodAngleDeg * Math.PI / 180);
        // The drag was set at the full spool; the moment of the brake stays the same.
        fullNm = hold.DragN * line.RadiusM(0);
    }

    /// <summary>How the fish is played.</summary>
    public RunHold Hold { get; }

    /// <summary>Strength of the weakest knotted link, newtons.</summary>
    public double TippetN { get; }

    /// <inheritdoc cref="LineOut.LineM"/>
    public double LineM => line.LineM;

    /// <inheritdoc cref="LineOut.TotalM"/>
    public double TotalM => line.TotalM;

    /// <summary>Length out when the fish takes, metres.</summary>
    public double OutM { get; }

    /// <inheritdoc cref="LineOut.RadiusM"/>
    public double RadiusM(double outM) => line.RadiusM(outM);

    /// <summary>Force of drag and guides with this much out and this much of it run, newtons. Slack runs through the fingers.</summary>
    public double DragN(double outM, double runM) => runM < Hold.SlackM ? FingersN : fullNm / RadiusM(outM) * rings;

    /// <inheritdoc cref="LineOut.WaterN"/>
    public double WaterN(double outM, double speedMps) => line.WaterN(outM, speedMps);

    /// <summary>Total force against the fish, which the tippet has to bear, newtons.</summary>
    public double PullN(double outM, double speedMps, double runM) => DragN(outM, runM) + WaterN(outM, speedMps);

    /// <summary>Usual tackle for a group of fish: an ordinary line of its class, an ordinary reel, the usual backing.</summary>
    public static RunTackle Ordinary(FishGroup group, double massKg)
    {
        var line = Reel.TypicalLine(group.FloorLow);
        var backing = UsualHoldings.Backing(group.FloorLow);
        var metres = Math.Max(group.BackingM(massKg), 2 * group.RunM);
        var spool = (Reel.Blank with { LabelLow = group.FloorLow, LabelHigh = group.FloorLow, StatedBackingM = metres }).Spool();
        var hold = new RunHold(RunningFish.UsualPullN(massKg), SlackM: 0);
        return new(new(spool, line, backing, metres, null), hold, double.PositiveInfinity);
    }
}
