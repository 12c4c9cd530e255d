using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>What is done on a winding ticket, in the order of the work.</summary>
public enum WindingStepKind
{
    /// <summary>The arbor is made ready.</summary>
    Arbor,

    /// <summary>Which way the spool turns is looked at.</summary>
    Direction,

    /// <summary>The first knot, so that nothing slips on the arbor.</summary>
    ArborKnot,

    /// <summary>Backing is wound on.</summary>
    Backing,

    /// <summary>The wound backing is measured.</summary>
    Over,

    /// <summary>Which end of the line goes on first is looked at.</summary>
    LineEnd,

    /// <summary>Line and backing are joined.</summary>
    Joint,

    /// <summary>The joint is sealed.</summary>
    Seal,

    /// <summary>Running line is wound on.</summary>
    Running,

    /// <summary>The head is wound on.</summary>
    Head,

    /// <summary>What is left to the rim is measured.</summary>
    Rim,

    /// <summary>The leader is joined.</summary>
    Leader,
}

/// <summary>How a step is answered.</summary>
public enum WindingWay
{
    /// <summary>It is done, and that is all.</summary>
    Do,

    /// <summary>One of two answers is the right one.</summary>
    Choose,

    /// <summary>So much is wound on.</summary>
    Wind,

    /// <summary>Something is held against a ruler.</summary>
    Measure,
}

/// <summary>A choice of a step.</summary>
public sealed record WindingChoice(string Id, string Name);

/// <summary>A step written down as it was done.</summary>
/// <param name="Kind">What was done.</param>
/// <param name="At">When, UTC.</param>
/// <param name="LengthM">What was wound on, metres, as it is believed; null where nothing was.</param>
/// <param name="Turns">Turns counted; null where nobody counted.</param>
/// <param name="MeasuredM">What the ruler said, metres.</param>
public sealed record WindingDone(WindingStepKind Kind, DateTime At, double? LengthM = null, double? Turns = null, double? MeasuredM = null);

/// <summary>The two counters of a winder.</summary>
public enum WindingCounter
{
    /// <summary>The wheel that line runs over.</summary>
    Length,

    /// <summary>Turns of the spool.</summary>
    Turns,
}

/// <summary>An answer to the step at hand.</summary>
/// <param name="Choice">Id of the choice taken.</param>
/// <param name="LengthM">What was wound on, metres.</param>
/// <param name="Turns">Turns counted.</param>
/// <param name="MeasuredM">What the ruler says, metres.</param>
/// <param name="Believe">Which counter to believe when they disagree.</param>
/// <param name="GoOn">Overrules what is only a warning.</param>
public sealed record WindingReply(
    string? Choice = null,
    double? LengthM = null,
    double? Turns = null,
    double? MeasuredM = null,
    WindingCounter? Believe = null,
    bool GoOn = false
);

/// <summary>A step of a ticket, as it stands now.</summary>
/// <param name="Kind">What is done.</param>
/// <param name="Way">How it is answered.</param>
/// <param name="Title">In a word or two.</param>
/// <param name="Says">What to do.</param>
/// <param name="Caution">What can hurt; null where nothing does.</param>
/// <param name="Choices">Answers to choose from.</param>
/// <param name="LengthM">What to wind on, metres; 0 where nothing is.</param>
/// <param name="Turns">Turns of the spool that do it.</param>
/// <param name="FromM">Diameter it begins at, metres.</param>
/// <param name="ToM">Diameter it ends at, metres.</param>
/// <param name="ExpectM">What a ruler should say, metres; null where none is asked.</param>
/// <param name="ExpectBandM">From a tight to a loose wind, or a loose to a tight one, metres.</param>
/// <param name="Done">As it was done; null while it is to come.</param>
public sealed record WindingStep(
    WindingStepKind Kind,
    WindingWay Way,
    string Title,
    Sentence Says,
    Sentence? Caution,
    IReadOnlyList<WindingChoice> Choices,
    double LengthM,
    double Turns,
    double FromM,
    double ToM,
    double? ExpectM,
    Spread? ExpectBandM,
    WindingDone? Done
);

/// <summary>What is wound: the plan, written down when the ticket is begun so that nothing changes under the winding.</summary>
/// <param name="Spool">The spool.</param>
/// <param name="Backing">Kind of backing.</param>
/// <param name="BackingM">Its length, metres.</param>
/// <param name="RunningM">Running line, metres; 0 for none.</param>
/// <param name="RunningM3">Its volume, cubic metres.</param>
/// <param name="HeadM">Head, metres; of a double taper the whole line.</param>
/// <param name="HeadM3">Its volume, cubic metres.</param>
/// <param name="EitherEnd">Both ends of the line are alike.</param>
public sealed record WindingPlan(
    SpoolShape Spool,
    string Backing,
    double BackingM,
    double RunningM,
    double RunningM3,
    double HeadM,
    double HeadM3,
    bool EitherEnd
)
{
    /// <summary>A plan for a line over a backing on a reel.</summary>
    public static WindingPlan Of(Reel reel, FlyLine line, Backing backing, double backingM)
    {
        var fill = SpoolFill.Of(reel, line, backing, backingM);
        SpoolLayer running = fill.Layer(SpoolLayerKind.Running),
            head = fill.Layer(SpoolLayerKind.Head);
        return new(
            fill.Spool,
            backing.Id,
            backingM,
            running.LengthM,
            running.LineM3,
            head.LengthM,
            head.LineM3,
            line.Build == Build.DoubleTaper
        );
    }
}

/// <summary>
/// A spool being wound, from the bare arbor to the leader loop. Every step gives a new ticket; what was wound is written down, and what is
/// still to come follows from it.
/// </summary>
public sealed record WindingTicket : Kept
{
    /// <summary>Choices of the two questions.</summary>
    public const string Clockwise = "clockwise",
        Anticlockwise = "anticlockwise",
        ThinEnd = "thin-end",
        FlyEnd = "fly-end";

    // Counters that disagree by more than this share have slipped or missed turns; a length is wound to this share of the plan or told;
    // a ruler across the winding is good to a millimetre. Common practice.
    private const double CountersShare = .04,
        PlanShare = .03,
        PlanLeastM = 1,
        RulerM = .001;

    // Less than this at the rim rubs when it is wound uneven with a fish on, metres. Common practice.
    private const double LeastGapM = .001;

    /// <summary>The reel.</summary>
    public required int ReelId { get; init; }

    /// <summary>The spool of it, by name.</summary>
    public required string SpoolName
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>The line.</summary>
    public required int LineId { get; init; }

    /// <summary>Reel and line as they are known: "S5 wide-arbor eight".</summary>
    public required string ReelWords { get; init; }

    /// <summary>The same of the line.</summary>
    public required string LineWords { get; init; }

    /// <summary>What is wound.</summary>
    public required WindingPlan Plan { get; init; }

    /// <summary>Wound in by the right hand.</summary>
    public bool RightHand { get; init; }

    /// <summary>What was done, in order.</summary>
    public IReadOnlyList<WindingDone> Done { get; init; } = [];

    /// <summary>When it was begun, UTC.</summary>
    public DateTime BegunAt { get; init; }

    /// <summary>Turns and metres counted so far in the step at hand; a winder writes them while it runs.</summary>
    public double LegTurns { get; init; }

    /// <inheritdoc cref="LegTurns"/>
    public double LegM { get; init; }

    /// <summary>The spool that was wound; null while in work.</summary>
    public int? SpoolId { get; init; }

    /// <summary>What lay on that spool before, for whoever takes the ticket back; null while in work or when it was bare.</summary>
    public Spool? Before { get; init; }

    /// <summary>The spool the line lay on before, when that was another one.</summary>
    public int? TakenFrom { get; init; }

    private Backing Backing => Backings.Find(Plan.Backing)!;

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Text("spoolName", SpoolName, 40)
            .Must("backing", Backings.Find(Plan.Backing) is not null, "Pick a backing from the list.")
            .Within("backingM", Plan.BackingM, Backings.Lengths)
            .Problems;

    /// <summary>What is done on this ticket, in order.</summary>
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

    /// <summary>What is done now; null when all is.</summary>
    public WindingStep? Now => IsWound ? null : Steps[Done.Count];

    /// <summary>All steps, those to come worked out from what was really wound.</summary>
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
                steps.Add(Told(kind, done, lengthM, area > 0 ? Plan.Spool.Turns(from, to, area, packing) : 0, 2 * from, 2 * to, lineM3));
            }
            return steps;
        }
    }

    /// <summary>Backing that was really wound, metres.</summary>
    public double WoundBackingM => Done.FirstOrDefault(d => d.Kind == WindingStepKind.Backing)?.LengthM ?? 0;

    // How tight it is wound: as the ruler said over the backing, else ordinary.
    private double Packing =>
        Done.FirstOrDefault(d => d.Kind == WindingStepKind.Over) is { MeasuredM: { } across }
            ? PackingOf(across)
            : Backings.OrdinaryPacking;

    private double PackingOf(double acrossM)
    {
        var wound = Math.PI / 4 * Plan.Spool.WidthM * (acrossM * acrossM - Plan.Spool.ArborM * Plan.Spool.ArborM);
        return Math.Clamp(WoundBackingM * Backing.AreaM2 / Math.Max(1e-9, wound), .5, Backings.HexagonalPacking);
    }

    private double RadiusM(double lineM3) => Plan.Spool.RadiusM(lineM3 / Packing);

    // Length and section of what a step winds on; nothing for the others.
    private (double LengthM, double AreaM2) Leg(WindingStepKind kind) =>
        kind switch
        {
            WindingStepKind.Backing => (Plan.BackingM, Backing.AreaM2),
            WindingStepKind.Running => (Plan.RunningM, Plan.RunningM3 / Plan.RunningM),
            WindingStepKind.Head => (Plan.HeadM, Plan.HeadM3 / Plan.HeadM),
            _ => (0, 0),
        };

    /// <summary>Turns of the spool that wind on so much more in the step at hand, from what is counted already.</summary>
    public double TurnsToGo => Now is { Way: WindingWay.Wind } now ? Math.Max(0, now.Turns - LegTurns) : 0;

    /// <summary>Whether so many turns are as good as the stop mark of the step at hand.</summary>
    public bool IsAtStopMark(double turns) => Now is { Way: WindingWay.Wind } now && turns >= (1 - PlanShare) * now.Turns;

    /// <summary>Length that so many turns lay on in the step at hand, metres.</summary>
    public double LengthOfTurns(double turns)
    {
        if (Now is not { Way: WindingWay.Wind } now)
            return 0;
        var (_, area) = Leg(now.Kind);
        var to = now.FromM / 2 + turns * area / (Plan.Spool.WidthM * Packing);
        return turns * Math.PI * (now.FromM / 2 + to);
    }

    /// <summary>
    /// Answers the step at hand. Null, with what is wrong, when the answer is a mistake that would be wound over; what is only a warning
    /// can be overruled.
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
        // A line goes on whole: only a length of backing is chosen.
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
    /// Takes backing off again after it was measured and found too much, metres; the step at hand stays. Null, with what is wrong, when
    /// that is not the step.
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

    // All that will lie on it, and what of that is too much, as volume of the line itself.
    private double WholeM3 => WoundBackingM * Backing.AreaM2 + Plan.RunningM3 + Plan.HeadM3;

    private double OverM3 => Math.Max(0, WholeM3 - Packing * Plan.Spool.RoomM3);

    /// <summary>The spool as it is known once this ticket is done; <paramref name="before"/> is what lay there, if anything.</summary>
    public Spool Wound(Spool? before, DateOnly today) =>
        (before ?? new Spool { ReelId = ReelId, Name = SpoolName }) with
        {
            LineId = LineId,
            Backing = WoundBackingM > 0 ? Plan.Backing : null,
            BackingM = WoundBackingM,
            WoundOn = today,
            RightHand = RightHand,
        };

    private string Hand => RightHand ? "right hand" : "left hand";

    private WindingStep Told(WindingStepKind kind, WindingDone? done, double lengthM, double turns, double fromM, double toM, double lineM3)
    {
        var gel = Backing.GelSpun;
        WindingStep Step(
            WindingWay way,
            string title,
            Sentence says,
            Sentence? caution = null,
            IReadOnlyList<WindingChoice>? choices = null,
            double? expectM = null,
            Spread? band = null
        ) => new(kind, way, title, says, caution, choices ?? [], lengthM, turns, fromM, toM, expectM, band, done);

        Spread Across(double tight, double loose) =>
            Spread.Between(2 * Plan.Spool.RadiusM(lineM3 / tight), 2 * Plan.Spool.RadiusM(lineM3 / loose));
        return kind switch
        {
            WindingStepKind.Arbor => Step(
                WindingWay.Do,
                "Bare arbor",
                gel
                    ? $"Clean and dry the spool. Lay two turns of tape, or five metres of polyester, on the arbor first: gel-spun "
                        + $"slips on a bare one"
                    : (Sentence)$"Clean and dry the spool. A slick arbor takes two turns of tape, so that nothing slips on it"
            ),
            WindingStepKind.Direction => Step(
                WindingWay.Choose,
                "Which way it turns",
                $"It is to be wound in by the {Hand}. Turn the handle as if a fish came in: seen from the handle, say which way "
                    + $"the spool turns. "
                    + $"The line comes in at the bottom, from the front",
                choices: [new(Clockwise, "with the clock"), new(Anticlockwise, "against the clock")]
            ),
            WindingStepKind.ArborKnot => Step(
                WindingWay.Do,
                "Arbor knot",
                $"{(Plan.BackingM > 0 ? "Backing" : "Thin end of the line")} twice round the arbor, arbor knot, pull it down hard "
                    + $"and trim. "
                    + $"A half hitch over the first wraps keeps it from slipping"
            ),
            WindingStepKind.Backing => Step(
                WindingWay.Wind,
                "Wind the backing",
                $"{Quantity.Spooled(lengthM)} of {Backing.Name}: {(int)Math.Round(turns)} turns to the stop mark, "
                    + $"under {(gel ? "hard" : "firm")} tension, "
                    + $"{(gel ? "laid crosswise so that it does not cut in" : "laid evenly from side to side")}",
                gel
                    ? $"Gel-spun under tension cuts to the bone: wear gloves, hold it in a cloth, never round a finger"
                    : (Sentence)$"Let it run through a cloth, not bare fingers, and keep them off the turning handle"
            ),
            WindingStepKind.Over => Step(
                WindingWay.Measure,
                "Measure over the backing",
                $"Hold a ruler across the wound backing: "
                    + $"{Quantity.SpoolSize(Plan.Spool.RadiusM(lineM3 / Backings.OrdinaryPacking) * 2)} is expected",
                expectM: Plan.Spool.RadiusM(lineM3 / Backings.OrdinaryPacking) * 2,
                band: Across(Backings.TightPacking, Backings.LoosePacking)
            ),
            WindingStepKind.LineEnd => Step(
                WindingWay.Choose,
                "Which end of the line",
                Plan.EitherEnd
                    ? $"{LineWords}: both ends are alike. The one that was fished less goes to the leader"
                    : (Sentence)$"{LineWords}: the end with the tag “this end to reel”, the thin running end, is joined to the backing. "
                        + $"Say which end is in your hand",
                choices: [new(ThinEnd, "the thin end, for the reel"), new(FlyEnd, "the thick end, for the leader")]
            ),
            WindingStepKind.Joint => Step(
                WindingWay.Do,
                "Join line and backing",
                gel
                    ? $"Loop to loop: a long double loop in the backing, large enough to pass the reel or the coil through. Seat "
                        + $"it and pull hard"
                    : (Sentence)$"Nail knot, or loop to loop where the line has a welded loop. Seat it wet, pull hard, trim short"
            ),
            WindingStepKind.Seal => Step(
                WindingWay.Do,
                "Seal the joint",
                $"A thin coat of flexible resin or knot glue, so that it slips through the rings. Let it set, then pull it "
                    + $"through the top ring both ways",
                $"Glue and UV lamp: open window, eyes covered, follow the maker’s sheet"
            ),
            WindingStepKind.Running => Step(
                WindingWay.Wind,
                "Wind the running line",
                $"{Quantity.Spooled(lengthM)}, {(int)Math.Round(turns)} turns, evenly and without twist: let the line’s own spool turn"
            ),
            WindingStepKind.Head => Step(
                WindingWay.Wind,
                Plan.RunningM > 0 ? "Wind the head" : "Wind the line",
                $"{Quantity.Spooled(lengthM)}, {(int)Math.Round(turns)} turns, lighter in the hand: a head is not pulled tight"
            ),
            WindingStepKind.Rim => Step(
                WindingWay.Measure,
                "Room at the rim",
                $"Measure from the line to the rim: {Quantity.SpoolSize(Plan.Spool.RimM / 2 - RadiusM(lineM3))} is expected. "
                    + $"Spin it: nothing may touch the frame",
                expectM: Plan.Spool.RimM / 2 - RadiusM(lineM3),
                band: Spread.Between(
                    Plan.Spool.RimM / 2 - Plan.Spool.RadiusM(lineM3 / Backings.LoosePacking),
                    Plan.Spool.RimM / 2 - Plan.Spool.RadiusM(lineM3 / Backings.TightPacking)
                )
            ),
            _ => Step(
                WindingWay.Do,
                "Leader loop",
                $"Join the leader to the fly end, leave an arm’s length out and clip it, so that no end dives under the turns. "
                    + $"Stick the label on"
            ),
        };
    }
}
