using ZingCast.Core.Cutting;
using ZingCast.Core.Depth;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Logbook;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Core.Trips;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

/// <summary>
/// What a field takes: the ends themselves, and nothing beyond them. Common practice, no source: nobody owns or measures what lies outside.
/// </summary>
public class LimitsTests
{
    private static readonly GearShed Loan = AnyBrief.Loan;
    private static readonly Rod Rod = Loan.Rods[0];
    private static readonly FlyLine Line = Loan.Lines.First(l => l.HeadKg is not null);
    private static readonly Reel Reel = Loan.Reels[0];
    private static readonly Scrap Scrap = DemoGear.Scraps[0];
    private static readonly Leader Leader = Loan.Leaders[0].Leader;
    private static readonly LeaderSpool Spool = LeaderSpool.Blank with { Tag = "T9", Name = "a spool" };
    private static readonly SpoolShape Drum = new(.04, .066, .02, .003, .1, SpoolKnown.Ruler);
    private static readonly WindingTicket Ticket = new()
    {
        ReelId = 1,
        SpoolName = "own",
        LineId = 1,
        ReelWords = "S1",
        LineWords = "L1",
        Plan = WindingPlan.For(Reel, Line, Backings.Rows[0], 100) with { Spool = Drum },
    };

    private static IReadOnlyList<FieldProblem> Replied(WindingReply reply)
    {
        Ticket.Reply(reply, default, out var problems);
        return problems;
    }

    private static readonly DepthWish Wish = new();
    private static readonly CutTarget Head = new(10, .015);
    private static readonly CutJob Job = new() { Target = Head, Pieces = [new(1, "D1", 0, 0, 1, .01, false, false, false)] };
    private static readonly RunHold Hold = new(10);
    private static readonly KnownFill Held = new("poly20", 90, "", 1e-5, .003);
    private static readonly LeaderWish Leading = new(2.7, .0009, .0002);
    private static readonly Weighing Weighed = new() { MassKg = .01 };
    private static readonly RodBalance Balance = new() { BalanceM = .8 };
    private static readonly RodLoad Load = new(.2, .01);
    private static readonly FightLoad Fish = new(9, 80, .5);
    private static readonly BendTest Bent = new() { Readings = [new(.14, 2.7 / 3)] };
    private static readonly TripLimits Kit = new();
    private static readonly LearnedHand Hand = new(30, .02, 1, 15, .1);
    private static readonly FitDecision Lesson = new()
    {
        CasterId = 1,
        Hand = Hand,
        Feel = null,
    };
    private static readonly Outing Day = new()
    {
        Key = "key000001",
        On = new(2026, 6, 1),
        Place = "the ledge",
    };

    // Field, lowest, highest, and what is said of a value. A whole number goes up by one.
    private static readonly (string Field, double Low, double High, Func<double, IEnumerable<FieldProblem>> Of)[] Fields =
    [
        ("countS", 0, 240, v => (Wish with { CountS = v }).Check()),
        ("stripM", 0, 2, v => (Wish with { StripM = v }).Check()),
        ("pauseS", 0, 30, v => (Wish with { PauseS = v }).Check()),
        ("waterM", .1, 60, v => (Wish with { WaterM = v }).Check()),
        ("flyKg", 0, .05, v => (Wish with { FlyKg = v }).Check()),
        ("lengthM", 1, 30, v => (Head with { LengthM = v }).Check()),
        ("massKg", .001, .08, v => (Head with { MassKg = v }).Check()),
        ("lengthM", .3, 60, v => (Scrap with { LengthM = v, Measured = null, TaperM = 0, MassKg = v * .001 }).Check()),
        ("massKg", 7 * .0002001, 7 * .01199, v => (Scrap.Blank with { MassKg = v }).Check()),
        ("measured", 6.9901, 7.0099, v => (Scrap.Blank with { Measured = [new(v, .001, .001, 900)] }).Check()),
        ("pieces[0].frontM", 0, 60, v => (Job with { Pieces = [Job.Pieces[0] with { FrontM = v }] }).Check()),
        ("pieces[0].backM", 0, 60, v => (Job with { Pieces = [Job.Pieces[0] with { BackM = v }] }).Check()),
        ("pieces[0].plannedM", .005, 60, v => (Job with { Pieces = [Job.Pieces[0] with { PlannedM = v }] }).Check()),
        ("pieces[0].plannedKg", 1e-6, .2, v => (Job with { Pieces = [Job.Pieces[0] with { PlannedKg = v }] }).Check()),
        ("steps[0].takenM", 0, 60, v => (Job with { Steps = [new(default, "D1", v, 1)] }).Check()),
        ("steps[0].leftM", 0, 60, v => (Job with { Steps = [new(default, "D1", 1, v)] }).Check()),
        ("steps[0].massKg", 0, .2, v => (Job with { Steps = [new(default, "D1", 1, 1, v)] }).Check()),
        ("steps[0].plusMinusKg", 0, .005, v => (Job with { Steps = [new(default, "D1", 1, 1, .01, null, v)] }).Check()),
        ("tipShare", .3, 1, v => (Scrap with { TipShare = v }).Check()),
        ("dragN", .2, 150, v => (Hold with { DragN = v }).Check()),
        ("rodAngleDeg", 0, 150, v => (Hold with { RodAngleDeg = v }).Check()),
        ("outM", 1, 60, v => (Hold with { OutM = v }).Check()),
        ("slackM", 0, 30, v => (Hold with { SlackM = v }).Check()),
        ("followMps", 0, 8, v => (Hold with { FollowMps = v }).Check()),
        ("followAfterS", 0, 120, v => (Hold with { FollowAfterS = v }).Check()),
        ("rested", .05, 1, v => (Hold with { Rested = v }).Check()),
        ("backingM", 0, 1000, v => (Held with { BackingM = v }).Check()),
        ("lineM3", 0, 5e-4, v => (Held with { LineM3 = v }).Check()),
        ("gapM", 0, .03, v => (Held with { GapM = v }).Check()),
        ("massKg", .03, 1, v => (Reel with { MassKg = v }).Check()),
        ("arborM", .005, .15, v => (Reel with { ArborM = v, RimM = .2, KnownFill = null }).Check()),
        ("rimM", .03, .2, v => (Reel with { ArborM = .01, RimM = v, KnownFill = null }).Check()),
        ("widthM", .005, .08, v => (Reel with { WidthM = v }).Check()),
        ("dragN", 0, 200, v => (Reel with { DragN = v }).Check()),
        ("lengthM", .5, 12, v => (Leading with { LengthM = v }).Check()),
        ("lineTipM", .0003, .003, v => (Leading with { LineTipM = v }).Check()),
        ("tippetM", .00005, .0015, v => (Leading with { TippetM = v }).Check()),
        ("guardM", 0, 2, v => (Leading with { GuardM = v }).Check()),
        ("sinkMps", 0, .3, v => (Leading with { SinkMps = v }).Check()),
        ("lengthM", 0, 1200, v => (Ticket with { Done = [new(WindingStepKind.Arbor, default, v)] }).Check()),
        ("turns", 0, 20000, v => (Ticket with { Done = [new(WindingStepKind.Arbor, default, Turns: v)] }).Check()),
        ("measuredM", 0, .25, v => (Ticket with { Done = [new(WindingStepKind.Arbor, default, MeasuredM: v)] }).Check()),
        ("legTurns", 0, 20000, v => (Ticket with { LegTurns = v }).Check()),
        ("legM", 0, 1200, v => (Ticket with { LegM = v }).Check()),
        ("plan.runningM", 0, 60, v => (Ticket with { Plan = Ticket.Plan with { RunningM = v } }).Check()),
        ("plan.headM", .01, 60, v => (Ticket with { Plan = Ticket.Plan with { HeadM = v } }).Check()),
        ("plan.runningM3", 0, 5e-4, v => (Ticket with { Plan = Ticket.Plan with { RunningM3 = v } }).Check()),
        ("plan.headM3", 1e-9, 5e-4, v => (Ticket with { Plan = Ticket.Plan with { HeadM3 = v } }).Check()),
        ("plan.spool", .005, .0599, v => (Ticket with { Plan = Ticket.Plan with { Spool = Drum with { ArborM = v } } }).Check()),
        ("plan.spool", .031, .5, v => (Ticket with { Plan = Ticket.Plan with { Spool = Drum with { ArborM = .0249, RimM = v } } }).Check()),
        ("plan.spool", .001, .2, v => (Ticket with { Plan = Ticket.Plan with { Spool = Drum with { WidthM = v } } }).Check()),
        ("plan.spool", 0, 1, v => (Ticket with { Plan = Ticket.Plan with { Spool = Drum with { PlusMinus = v } } }).Check()),
        ("lengthM", 0, 1200, v => Replied(new(LengthM: v))),
        ("turns", 0, 20000, v => Replied(new(Turns: v))),
        ("measuredM", 0, .25, v => Replied(new(MeasuredM: v))),
        ("leftM", 0, 2000, v => (Spool with { LeftM = v }).Check()),
        ("statedN", 1, 1000, v => (Spool with { StatedN = v }).Check()),
        ("indicatorM", .1, 12, v => (Leader with { IndicatorM = v }).Check()),
        ("shotM", .05, 3, v => (Leader with { ShotM = v }).Check()),
        ("sinkMps", 0, .3, v => (Leader with { SinkMps = v }).Check()),
        ("ownN", .05, 1000, v => (Leader with { Pieces = [Leader.Pieces[0] with { OwnN = v }, .. Leader.Pieces.Skip(1)] }).Check()),
        ("leaderM", .5, 9, v => new Pins { LeaderM = v }.Check(Loan)),
        ("lengthM", 1, 40, v => (Weighed with { LengthM = v, MassKg = v * .001 }).Check()),
        ("massKg", .00401, .15, v => (Weighed with { LengthM = 20, MassKg = v }).Check()),
        ("massKg", .000401, .02399, v => (Weighed with { LengthM = 2, MassKg = v }).Check()),
        ("scalePlusMinusKg", 0, .02, v => (Weighed with { ScalePlusMinusKg = v }).Check()),
        ("tapeShare", 0, .1, v => (Weighed with { TapeShare = v }).Check()),
        ("headPlusMinusKg", 0, .02, v => (Line with { HeadPlusMinusKg = v }).Check()),
        ("massKg", .03, .4, v => (Rod with { MassKg = v }).Check()),
        ("lengthM", 1.5, 4.6, v => (Rod with { LengthM = v, Balance = null, Test = null }).Check()),
        ("printedClass", 0, 15, v => (Rod with { PrintedClass = v }).Check()),
        ("measuredClass", 0, 17, v => (Rod with { MeasuredClass = v }).Check()),
        ("measuredPlusMinus", 0, 3, v => (Rod with { MeasuredPlusMinus = v }).Check()),
        ("tipAngleDeg", 40, 85, v => (Rod with { TipAngleDeg = v }).Check()),
        ("balanceM", .1, .55 * Rod.LengthM, v => (Balance with { BalanceM = v }).Check(Rod)),
        ("seatM", 0, .3, v => (Balance with { SeatM = v, FulcrumM = .4 }).Check(Rod)),
        ("fulcrumM", .05, .6, v => (Balance with { SeatM = 0, FulcrumM = v }).Check(Rod)),
        ("reelKg", 0, 1.5, v => (Load with { ReelKg = v }).Check()),
        ("outsideKg", 0, .1, v => (Load with { OutsideKg = v }).Check()),
        ("castsADay", 1, 5000, v => (Load with { CastsADay = v }).Check()),
        ("strokesACast", 1, 20, v => (Load with { StrokesACast = v }).Check()),
        ("pullN", 0, 150, v => (Fish with { PullN = v }).Check()),
        ("angleDeg", 5, 170, v => (Fish with { AngleDeg = v }).Check()),
        ("surgeM", 0, 5, v => (Fish with { SurgeM = v }).Check()),
        ("heldM", 0, .6, v => (Bent with { HeldM = v }).Check(2.74)),
        ("tapePlusMinusM", .0005, .1, v => (Bent with { TapePlusMinusM = v }).Check(2.74)),
        ("scalePlusMinusKg", .00001, .1, v => (Bent with { ScalePlusMinusKg = v }).Check(2.74)),
        ("anglePlusMinusDeg", .1, 10, v => (Bent with { AnglePlusMinusDeg = v }).Check(2.74)),
        ("swingS", .5, 6, v => (Balance with { SwingS = v }).Check(Rod).Where(_ => v is < .5 or > 6)),
        ("plusMinus", 0, 3, v => (Calibration.Usual with { PlusMinus = v }).Check()),
        ("rods", 1, 12, v => (Kit with { Rods = (int)v }).Check()),
        ("massKg", .1, 30, v => (Kit with { MassKg = v }).Check()),
        ("tubeM", .2, 4.6, v => (Kit with { TubeM = v }).Check()),
        ("rodPrice", 0, 1_000_000, v => (Kit with { RodPrice = v }).Check()),
        ("hand.freeMps", 8, 60, v => (Lesson with { Hand = Hand with { FreeMps = v } }).Check()),
        ("hand.armKg", .005, .2, v => (Lesson with { Hand = Hand with { ArmKg = v } }).Check()),
        ("hand.loopM", .2, 4, v => (Lesson with { Hand = Hand with { LoopM = v } }).Check()),
        ("hand.carryM", 2, 40, v => (Lesson with { Hand = Hand with { CarryM = v } }).Check()),
        ("hand.reachTolerance", 0, .5, v => (Lesson with { Hand = Hand with { ReachTolerance = v } }).Check()),
        ("feel.shift", -.6, .6, v => (Lesson with { CasterId = null, RodId = 1, Feel = new(v, .1, 9) }).Check()),
        ("hours", 0, 24, v => (Day with { Hours = v }).Check()),
        ("leaderM", .3, 12, v => (Day with { LeaderM = v }).Check()),
        ("windKnots", 0, 99, v => (Day with { WindKnots = (int)v }).Check()),
        ("losses[0].count", 1, 99, v => (Day with { Losses = [new(LossCause.Knot, (int)v)] }).Check()),
        ("casts[0].distanceM", 1, 60, v => (Day with { Casts = [new(v, DistanceBy.Taped)] }).Check()),
        ("casts[0].carryM", 1, 40, v => (Day with { Casts = [new(50, DistanceBy.Taped, CarryM: v)] }).Check()),
        ("fish[0].count", 1, 999, v => (Day with { Fish = [new((int)v)] }).Check()),
        ("fish[0].kg", .005, 400, v => (Day with { Fish = [new(1, Kg: v)] }).Check()),
        ("fish[0].lengthM", .02, 4, v => (Day with { Fish = [new(1, LengthM: v)] }).Check()),
        ("fish[0].fightS", 0, 6 * 3600, v => (Day with { Fish = [new(1, FightS: v)] }).Check()),
        ("rings[0].throws", 1, 500, v => (Day with { Rings = [new(10, (int)v, 0)] }).Check()),
        ("rings[0].distanceM", 1, 60, v => (Day with { Rings = [new(v, 10, 0)] }).Check()),
    ];

    // Every number on a form of gear, lowest and highest, and the longest of every text.
    [Theory]
    [InlineData(
        "rods",
        "lengthM 1.5–4.6, massKg 0.03–0.4, printedClass 0–15, measuredClass 0–17, measuredPlusMinus 0–3, tipAngleDeg 40–85, " + "pieces 1–9"
    )]
    [InlineData(
        "lines",
        "printedClass 0–15, lengthM 3–60, headM 3–40, headKg 0.001–0.08, frontTaperM 0–20, rearTaperM 0–20, "
            + "tipDiameterM 0.0002–0.004, bellyDiameterM 0.0002–0.004, runningDiameterM 0.0002–0.004"
    )]
    [InlineData(
        "reels",
        "massKg 0.03–1, arborM 0.005–0.15, rimM 0.03–0.2, widthM 0.005–0.08, dragN 0–200, labelLow 0–15, labelHigh 0–15, "
            + "statedBackingM 0–1000"
    )]
    [InlineData("leaders", "")]
    [InlineData("spools", "diameterM 0.00005–0.0015, leftM 0–2000, statedN 1–1000")]
    [InlineData("scraps", "lengthM 0.3–60, tipShare 0.3–1")]
    public void A_form_of_gear_takes_what_there_is(string kind, string own)
    {
        var fields = kind switch
        {
            "rods" => ShedFields.All.Rods,
            "lines" => ShedFields.All.Lines,
            "reels" => ShedFields.All.Reels,
            "leaders" => ShedFields.All.Leaders,
            "spools" => ShedFields.All.LeaderSpools,
            _ => ShedFields.All.Scraps,
        };
        var shared = string.Join(", ", new[] { "tag 12, name 80", own, "price 0–1000000, owner 80, note 400" }.Where(s => s != ""));
        Assert.Equal(
            shared,
            string.Join(
                ", ",
                fields
                    .Where(f => (f.Limit is not null || f.Longest is not null))
                    .Select(f =>
                        f.Limit is { } l
                            ? FormattableString.Invariant($"{f.Name} {(decimal)l.Low}–{(decimal)l.High}")
                            : FormattableString.Invariant($"{f.Name} {f.Longest}")
                    )
            )
        );
    }

    public static TheoryData<int, string> Rows => [.. Fields.Index().Select(f => (f.Index, $"{f.Item.Field} {f.Item.High}"))];

    [Theory]
    [MemberData(nameof(Rows))]
    public void A_field_takes_its_ends_and_nothing_beyond(int row, string called)
    {
        var (field, low, high, of) = Fields[row];
        bool Refused(double value) => of(value).Any(p => p.Field.Split('.', ']')[^1] == field.Split('.', ']')[^1]);
        var all = string.Join("; ", of((low + high) / 2).Select(p => p.Field));
        Assert.True(!Refused((low + high) / 2), $"{called}: {all}");
        Assert.False(Refused(low), $"{called}: lowest refused");
        Assert.False(Refused(high), $"{called}: highest refused");
        var whole = high == Math.Floor(high) && high > 1 && !Refused(high * 1.001);
        Assert.True(Refused(whole ? high + 1 : high * 1.01), $"{called}: beyond the highest taken");
        Assert.True(Refused(whole ? low - 1 : low - Math.Max(Math.Abs(low) * .01, 1e-9)), $"{called}: below the lowest taken");
    }
}
