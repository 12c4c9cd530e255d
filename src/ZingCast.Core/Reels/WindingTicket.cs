using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>
/// A spool being wound, from the bare arbor to the leader loop. Every step gives a new ticket; completed steps are recorded, and the
/// remaining ones are computed from them.
/// </summary>
public sealed record WindingTicket : Kept
{
    /// <summary>Ids of the choices of the two questions.</summary>
    public const string Clockwise = "clockwise",
        Anticlockwise = "anticlockwise",
        ThinEnd = "thin-end",
        FlyEnd = "fly-end";

    // Counters that differ by more than this share have slipped or missed turns; a length within this share of the plan is as planned; a
    // ruler on the winding is read to a millimetre. Common practice.
    private const double CountersShare = .04,
        PlanShare = .03,
        PlanLeastM = 1,
        RulerM = .001;

    // A smaller gap at the rim rubs when line is wound unevenly with a fish on, metres. Common practice.
    private const double LeastGapM = .001;

    /// <summary>The reel.</summary>
    public required int ReelId { get; init; }

    /// <summary>Name of the spool.</summary>
    public required string SpoolName
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>The line.</summary>
    public required int LineId { get; init; }

    /// <summary>Tag and name of the reel, such as "S5 wide-arbor eight".</summary>
    public required string ReelWords { get; init; }

    /// <summary>The same for the line.</summary>
    public required string LineWords { get; init; }

    /// <summary>What is wound.</summary>
    public required WindingPlan Plan { get; init; }

    /// <summary>Wound for right-hand retrieve.</summary>
    public bool RightHand { get; init; }

    /// <summary>Completed steps, in order.</summary>
    public IReadOnlyList<WindingDone> Done { get; init; } = [];

    /// <summary>When it was begun, UTC.</summary>
    public DateTime BegunAt { get; init; }

    /// <summary>Turns and metres counted so far in the current step; a winder updates them while it runs.</summary>
    public double LegTurns { get; init; }

    /// <inheritdoc cref="LegTurns"/>
    public double LegM { get; init; }

    /// <summary>The spool that was wound; null while in work.</summary>
    public int? SpoolId { get; init; }

    /// <summary>What was on that spool before, to undo the ticket; null while in work or when it was bare.</summary>
    public Spool? Before { get; init; }

    /// <summary>The spool that the line was on before, if another one.</summary>
    public int? TakenFrom { get; init; }

    internal Backing Backing => Backings.Find(Plan.Backing)!;

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() => [.. Checked(), .. (Before?.Check() ?? []).Under("before")];

    private IReadOnlyList<FieldProblem> Checked() =>
        new FieldCheck()
            .Text("spoolName", SpoolName, 40)
            .Must("backing", Backings.Find(Plan.Backing) is not null, "Pick a backing from the list.")
            .Within("backingM", Plan.BackingM, Backings.Lengths)
            .Text("reelWords", ReelWords, 200)
            .Text("lineWords", LineWords, 200)
            .Range("plan.runningM", Plan.RunningM, 0, 60, "A line is up to 60 m long.")
            .Range("plan.headM", Plan.HeadM, .01, 60, "A line is up to 60 m long.")
            .Range("plan.runningM3", Plan.RunningM3, 0, LargestM3, "No fly line is as big as that.")
            .Range("plan.headM3", Plan.HeadM3, 1e-9, LargestM3, "No fly line is as big as that.")
            .Must(
                "plan.spool",
                Plan.Spool is { ArborM: >= .005 and <= .5, RimM: <= .5, WidthM: >= .001 and <= .2, GapM: >= 0, PlusMinus: >= 0 and <= 1 }
                    && Plan.Spool.RimM - 2 * Plan.Spool.GapM > Plan.Spool.ArborM,
                "That is no spool: its rim stands clear of its arbor."
            )
            .Must("done", Done.Count <= Order.Count, "More was done than there is to do.")
            .All(
                Done,
                "done",
                d =>
                    new FieldCheck()
                        .Range("lengthM", d.LengthM, 0, 1200, "Up to 1200 m go on a spool.")
                        .Range("turns", d.Turns, 0, 20000, "Up to 20 000 turns are counted.")
                        .Range("measuredM", d.MeasuredM, 0, .25, "A ruler across a spool says up to 250 mm.")
            )
            .Range("legTurns", LegTurns, 0, 20000, "Up to 20 000 turns are counted.")
            .Range("legM", LegM, 0, 1200, "Up to 1200 m go on a spool.")
            .Problems;

    // Largest volume of a fly line, cubic metres.
    private const double LargestM3 = 5e-4;

    /// <summary>Steps of this ticket, in order.</summary>
    public IReadOnlyList<WindingStepKind> Order =>
        [
            WindingStepKind.Arbor,
            WindingStepKind.Direction,
            .. Plan.BackingM > 0
                ? (WindingStepKind[])
                    [
                        WindingStepKind.ArborKnot,
                        WindingStepKind.Backing,
                        WindingStepKind.Over,
                        WindingStepKind.LineEnd,
                        WindingStepKind.Joint,
                        WindingStepKind.Seal,
                    ]
                : [WindingStepKind.LineEnd, WindingStepKind.ArborKnot],
            .. Plan.RunningM > 0 ? (WindingStepKind[])[WindingStepKind.Running] : [],
            WindingStepKind.Head,
            WindingStepKind.Rim,
            WindingStepKind.Leader,
        ];

    /// <summary>Whether the last step was done.</summary>
    public bool IsWound => Done.Count >= Order.Count;

    /// <summary>The current step; null when all are done.</summary>
    public WindingStep? Now => IsWound ? null : Steps[Done.Count];

    /// <summary>All steps; the remaining ones are computed from what was actually wound.</summary>
    public IReadOnlyList<WindingStep> Steps
    {
        get
        {
            var steps = new List<WindingStep>();
            var lineM3 = 0.0;
            foreach (var kind in Order)
            {
                var done = Done.ElementAtOrDefault(steps.Count);
                var (lengthM, area) = Leg(kind);
                var (from, packing) = (RadiusM(lineM3), Packing);
                lineM3 += (done?.LengthM ?? lengthM) * area;
                var to = RadiusM(lineM3);
                steps.Add(
                    WindingWords.For(
                        this,
                        kind,
                        done,
                        lengthM,
                        area > 0 ? Plan.Spool.Turns(from, to, area, packing) : 0,
                        (from, to),
                        lineM3
                    )
                );
            }
            return steps;
        }
    }

    /// <summary>Backing actually wound, metres.</summary>
    public double WoundBackingM => Done.FirstOrDefault(d => d.Kind == WindingStepKind.Backing)?.LengthM ?? 0;

    // Packing: as measured over the backing, or else ordinary.
    private double Packing =>
        Done.FirstOrDefault(d => d.Kind == WindingStepKind.Over) is { MeasuredM: { } across }
            ? PackingOf(across)
            : Backings.OrdinaryPacking;

    // From loose to tight winding; once measured over the backing, only the tolerance of a ruler.
    internal (double Loose, double Tight) PackingBand =>
        Done.FirstOrDefault(d => d.Kind == WindingStepKind.Over) is { MeasuredM: { } across }
            ? (PackingOf(across + RulerM), PackingOf(across - RulerM))
            : (Backings.LoosePacking, Backings.TightPacking);

    private double PackingOf(double acrossM)
    {
        var wound = Math.PI / 4 * Plan.Spool.WidthM * (acrossM * acrossM - Plan.Spool.ArborM * Plan.Spool.ArborM);
        return Math.Clamp(WoundBackingM * Backing.AreaM2 / Math.Max(1e-9, wound), .5, Backings.HexagonalPacking);
    }

    private double RadiusM(double lineM3) => Plan.Spool.RadiusM(lineM3 / Packing);

    // Length and cross-section of what a step winds on; zero for the others.
    private (double LengthM, double AreaM2) Leg(WindingStepKind kind) =>
        kind switch
        {
            WindingStepKind.Backing => (Plan.BackingM, Backing.AreaM2),
            WindingStepKind.Running => (Plan.RunningM, Plan.RunningM3 / Plan.RunningM),
            WindingStepKind.Head => (Plan.HeadM, Plan.HeadM3 / Plan.HeadM),
            _ => (0, 0),
        };

    /// <summary>Turns of the spool that wind on this much more in the current step, from those already counted.</summary>
    public double TurnsToGo => Now is { Way: WindingWay.Wind } now ? Math.Max(0, now.Turns - LegTurns) : 0;

    /// <summary>Whether these turns are as good as the stop mark of the current step.</summary>
    public bool IsAtStopMark(double turns) => Now is { Way: WindingWay.Wind } now && turns >= (1 - PlanShare) * now.Turns;

    /// <summary>Length that these turns wind on in the current step, metres.</summary>
    public double LengthOfTurns(double turns)
    {
        if (Now is not { Way: WindingWay.Wind } now)
            return 0;
        var (_, area) = Leg(now.Kind);
        var to = now.FromM / 2 + turns * area / (Plan.Spool.WidthM * Packing);
        return turns * Math.PI * (now.FromM / 2 + to);
    }

    /// <summary>
    /// Completes the current step. Null, with the problem, when the input is a mistake that would be wound over; mere warnings can be
    /// overruled.
    /// </summary>
    public WindingTicket? Reply(WindingReply reply, DateTime at, out IReadOnlyList<FieldProblem> problems)
    {
        if (Now is not { } now)
        {
            problems = [new("choice", "This spool is wound.")];
            return null;
        }
        var check = new FieldCheck()
            .Range("lengthM", reply.LengthM, 0, 1200, "Up to 1200 m go on a spool.")
            .Range("turns", reply.Turns, 0, 20000, "Up to 20 000 turns are counted.")
            .Range("measuredM", reply.MeasuredM, 0, .25, "A ruler across a spool says up to 250 mm.");
        problems = check.Problems;
        if (problems.Count > 0)
            return null;
        var (done, wrong) = now.Way switch
        {
            WindingWay.Choose => Chosen(now, reply, at),
            WindingWay.Wind => Counted(now, reply, at),
            WindingWay.Measure => Measured(now, reply, at),
            _ => (this with { Done = [.. Done, new(now.Kind, at)] }, null),
        };
        problems = wrong is null ? [] : [wrong];
        return wrong is null ? done! with { LegTurns = 0, LegM = 0 } : null;
    }

    private (WindingTicket?, FieldProblem?) Chosen(WindingStep now, WindingReply reply, DateTime at)
    {
        if (now.Choices.All(c => c.Id != reply.Choice))
            return (null, new("choice", "Choose one of the two."));
        var right =
            now.Kind == WindingStepKind.Direction
                ? RightHand
                    ? Clockwise
                    : Anticlockwise
                : ThinEnd;
        if (reply.Choice != right && !(now.Kind == WindingStepKind.LineEnd && Plan.EitherEnd))
            return (
                null,
                new(
                    "choice",
                    now.Kind == WindingStepKind.Direction
                        ? $"Then this reel is set for the {(RightHand ? "left" : "right")} hand. Change its drag over to the {Hand}, or "
                            + "begin a ticket for the other hand."
                        : "Stop: that end goes to the leader. Wind the line over onto an empty spool, so that the thin end comes off first."
                )
            );
        return (this with { Done = [.. Done, new(now.Kind, at)] }, null);
    }

    private (WindingTicket?, FieldProblem?) Counted(WindingStep now, WindingReply reply, DateTime at)
    {
        var turns = reply.Turns;
        if ((reply.LengthM ?? (turns is { } n ? LengthOfTurns(n) : null)) is not { } counted)
            return (null, new("lengthM", "Say how much went on: let the winder count, or type length or turns."));
        var byTurns = turns is > 0 ? LengthOfTurns(turns.Value) : counted;
        if (Math.Abs(byTurns - counted) > CountersShare * Math.Max(PlanLeastM, counted) && reply.Believe is null)
            return (
                null,
                new(
                    "believe",
                    "The two counters disagree: the length counter slipped, or turns were missed. Look before you wind over it: tape the "
                        + "last ten turns, then say which to believe."
                )
            );
        var wound = reply.Believe == WindingCounter.Turns ? byTurns : counted;
        var off = wound - now.LengthM;
        // A line is wound on whole: only the length of backing is free.
        var nearly = Math.Max(PlanLeastM, PlanShare * now.LengthM);
        if (Math.Abs(off) > nearly && !reply.GoOn)
            return (
                null,
                new(
                    "lengthM",
                    off < 0
                        ? "That is short of the stop mark. Wind on, or go on with what is there."
                        : "That is beyond the stop mark. Take it off again, or go on with what is there."
                )
            );
        return (this with { Done = [.. Done, new(now.Kind, at, wound, turns)] }, null);
    }

    private (WindingTicket?, FieldProblem?) Measured(WindingStep now, WindingReply reply, DateTime at)
    {
        if (reply.MeasuredM is not { } measured)
            return reply.GoOn
                ? (this with { Done = [.. Done, new(now.Kind, at)] }, null)
                : (null, new("measuredM", "Hold a ruler against it and type what it says, or go on without."));
        if (now.Kind == WindingStepKind.Rim)
            return measured < LeastGapM && !reply.GoOn
                ? (
                    null,
                    new(
                        "measuredM",
                        "So little room rubs on the frame when a fish is wound in uneven. Take line and some backing off, or go on."
                    )
                )
                : (this with { Done = [.. Done, new(now.Kind, at, MeasuredM: measured)] }, null);
        var least = Plan.Spool.ArborM;
        if (measured <= least)
            return (null, new("measuredM", $"That is less than the bare arbor, {least * 1000:0} mm. Measure across the wound backing."));
        var after = this with { Done = [.. Done, new(now.Kind, at, MeasuredM: measured)] };
        var band = now.ExpectBandM!.Value;
        var odd = measured < band.Low - RulerM || measured > band.High + RulerM;
        var gap = Plan.Spool.RimM / 2 - after.RadiusM(after.WholeM3);
        if (reply.GoOn || (!odd && gap >= LeastGapM))
            return (after, null);
        var over = gap < LeastGapM ? Math.Ceiling(after.OverM3 / Backing.AreaM2) : 0;
        return (
            null,
            new(
                "measuredM",
                over > 0
                        ? $"Wound like this the line will not go on under the rim: take {over:0} m ({over / Exact.YardM:0} yd) of "
                            + $"backing off, or wind it anew and tighter. Then measure again, or go on."
                    : measured > band.High + RulerM
                        ? "That is more than even a loose wind makes: is it the right backing, and was all of it counted? Look, or go on."
                    : "That is less than the tightest wind makes: is all of it on? Look, or go on."
            )
        );
    }

    /// <summary>
    /// Takes backing off again that was found to be too much, metres; the current step stays. Null, with the problem, when that is not the
    /// current step.
    /// </summary>
    public WindingTicket? TakeOff(double metres, out IReadOnlyList<FieldProblem> problems)
    {
        var over = Now is { Kind: WindingStepKind.Over };
        problems = new FieldCheck()
            .Must("lengthM", over, "Backing comes off while it is the last thing that was wound on.")
            .Must("lengthM", !over || (metres > 0 && metres < WoundBackingM), "Less comes off than is on.")
            .Problems;
        return problems.Count > 0
            ? null
            : this with
            {
                Done = [.. Done.Select(d => d.Kind == WindingStepKind.Backing ? d with { LengthM = d.LengthM - metres } : d)],
            };
    }

    // Volume of everything that will be on it, and the volume of what is too much of it, both of the line itself.
    private double WholeM3 => WoundBackingM * Backing.AreaM2 + Plan.RunningM3 + Plan.HeadM3;

    private double OverM3 => Math.Max(0, WholeM3 - Packing * Plan.Spool.RoomM3);

    /// <summary>The spool as it is known once this ticket is done; <paramref name="before"/> is what was on it, if anything.</summary>
    public Spool Wound(Spool? before, DateOnly today) =>
        (before ?? new Spool { ReelId = ReelId, Name = SpoolName }) with
        {
            LineId = LineId,
            Backing = WoundBackingM > 0 ? Plan.Backing : null,
            BackingM = WoundBackingM,
            WoundOn = today,
            RightHand = RightHand,
        };

    internal string Hand => RightHand ? "right hand" : "left hand";
}
