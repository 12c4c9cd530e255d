using CsCheck;
using ZingCast.Core.Lines;
using ZingCast.Core.Reels;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

// A spool wound from the bare arbor to the leader loop: common practice, no source.
public class WindingTests
{
    private static readonly DateTime At = new(2026, 4, 18, 9, 0, 0, DateTimeKind.Utc);

    private static readonly Reel Reel = new()
    {
        Id = 5,
        Tag = "S5",
        Name = "wide-arbor eight",
        ArborM = .055,
        RimM = .095,
        WidthM = .026,
        MassKg = .172,
    };

    private static readonly FlyLine Line = Reel.TypicalLine(8) with { Id = 8, Tag = "L8", Name = "ivory all-round" };

    private static WindingTicket Ticket(double backingM = 150, bool rightHand = false, FlyLine? line = null, string backing = "poly20") =>
        new()
        {
            ReelId = 5,
            SpoolName = Spool.Own,
            LineId = 8,
            ReelWords = "S5 wide-arbor eight",
            LineWords = "L8 ivory all-round",
            Plan = WindingPlan.For(Reel, line ?? Line, Backings.Find(backing)!, backingM),
            RightHand = rightHand,
            BegunAt = At,
        };

    private static WindingTicket Done(WindingTicket ticket, WindingReply reply)
    {
        var next = ticket.Reply(reply, At, out var problems);
        Assert.Empty(problems);
        return next!;
    }

    private static string Refused(WindingTicket ticket, WindingReply reply)
    {
        Assert.Null(ticket.Reply(reply, At, out var problems));
        return Assert.Single(problems).Problem;
    }

    // Whatever a step asks, answered as somebody does who makes no mistake.
    private static WindingReply Right(WindingTicket ticket) =>
        ticket.Now! switch
        {
            { Kind: WindingStepKind.Direction } => new(ticket.RightHand ? WindingTicket.Clockwise : WindingTicket.Anticlockwise),
            { Kind: WindingStepKind.LineEnd } => new(WindingTicket.ThinEnd),
            { Way: WindingWay.Wind } now => new(LengthM: now.LengthM, Turns: Math.Round(now.Turns)),
            { Way: WindingWay.Measure } now => new(MeasuredM: now.ExpectM),
            _ => new(),
        };

    private static WindingTicket Until(WindingTicket ticket, WindingStepKind kind)
    {
        while (ticket.Now!.Kind != kind)
            ticket = Done(ticket, Right(ticket));
        return ticket;
    }

    [Fact]
    public void The_order_is_that_of_the_work_and_what_is_wound_is_what_was_planned()
    {
        var ticket = Ticket();
        Assert.Equal(
            [
                WindingStepKind.Arbor,
                WindingStepKind.Direction,
                WindingStepKind.ArborKnot,
                WindingStepKind.Backing,
                WindingStepKind.Over,
                WindingStepKind.LineEnd,
                WindingStepKind.Joint,
                WindingStepKind.Seal,
                WindingStepKind.Running,
                WindingStepKind.Head,
                WindingStepKind.Rim,
                WindingStepKind.Leader,
            ],
            ticket.Order
        );
        var fill = SpoolFill.For(Reel, Line, Backings.Find("poly20")!, 150);
        var backing = ticket.Steps.Single(s => s.Kind == WindingStepKind.Backing);
        Assert.Equal(fill.Layer(SpoolLayerKind.Backing).Turns, backing.Turns, 6);
        Assert.Equal(fill.RimGapM, ticket.Steps.Single(s => s.Kind == WindingStepKind.Rim).ExpectM!.Value, 9);
        while (!ticket.IsWound)
            ticket = Done(ticket, Right(ticket));
        var spool = ticket.Wound(null, new(2026, 4, 18));
        Assert.Equal((8, "poly20", new DateOnly(2026, 4, 18)), (spool.LineId!.Value, spool.Backing, spool.WoundOn));
        Assert.Equal(150, spool.BackingM, 6);
        Assert.Empty(spool.Check());
    }

    [Fact]
    public void A_double_taper_is_wound_in_one_go_either_way_round_and_a_line_without_backing_goes_to_the_arbor()
    {
        var both = Ticket(line: FlyLine.From(BoxCode.Read("DT5F")!));
        Assert.DoesNotContain(WindingStepKind.Running, both.Order);
        Done(Until(both, WindingStepKind.LineEnd), new(WindingTicket.FlyEnd));
        var bare = Ticket(0);
        Assert.DoesNotContain(WindingStepKind.Backing, bare.Order);
        Assert.Contains("Thin end", Until(bare, WindingStepKind.ArborKnot).Now!.Says.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Mistakes_are_told_before_they_are_wound_over()
    {
        // Seen from the handle, a spool that takes line in at the bottom turns with the clock for the right hand.
        var direction = Until(Ticket(), WindingStepKind.Direction);
        Assert.Contains("right hand", Refused(direction, new(WindingTicket.Clockwise)), StringComparison.Ordinal);
        var backing = Until(Ticket(), WindingStepKind.Backing);
        Assert.Contains("short", Refused(backing, new(LengthM: 120)), StringComparison.Ordinal);
        Assert.Contains("disagree", Refused(backing, new(LengthM: 150, Turns: .8 * backing.Now!.Turns)), StringComparison.Ordinal);
        Assert.Equal(120, Done(backing, new(LengthM: 120, GoOn: true)).WoundBackingM);
        // A counter that is believed may still say that it is short: that is told as well, and can be overruled.
        var slipped = new WindingReply(LengthM: 120, Turns: backing.Now!.Turns, Believe: WindingCounter.Length);
        Assert.Contains("short", Refused(backing, slipped), StringComparison.Ordinal);
        Assert.Equal(120, Done(backing, slipped with { GoOn = true }).WoundBackingM);
        Assert.Equal(150, Done(backing, slipped with { Believe = WindingCounter.Turns }).WoundBackingM, 6);
        var end = Until(Ticket(), WindingStepKind.LineEnd);
        Assert.Contains("leader", Refused(end, new(WindingTicket.FlyEnd)), StringComparison.Ordinal);
        var rim = Until(Ticket(), WindingStepKind.Rim);
        Assert.Contains("frame", Refused(rim, new(MeasuredM: .0004)), StringComparison.Ordinal);
    }

    // Counters within 4 % agree, a length within 3 % or a metre is as planned, a ruler is good to a millimetre and as much stays at the
    // rim. Common practice, no source.
    [Fact]
    public void Counters_and_rulers_are_taken_for_as_good_as_they_are()
    {
        var backing = Until(Ticket(), WindingStepKind.Backing);
        double TurnsFor(double metres)
        {
            double low = 0,
                high = 3000;
            while (high - low > 1e-6)
                (low, high) = backing.LengthOfTurns((low + high) / 2) < metres ? ((low + high) / 2, high) : (low, (low + high) / 2);
            return low;
        }
        Done(backing, new(LengthM: 150, Turns: TurnsFor(150 * 1.0395)));
        Refused(backing, new(LengthM: 150, Turns: TurnsFor(150 * 1.0405)));
        Done(backing, new(LengthM: 150 * .9705));
        Assert.Contains("short", Refused(backing, new(LengthM: 150 * .9695)), StringComparison.Ordinal);
        Assert.Contains("beyond", Refused(backing, new(LengthM: 150 * 1.0305)), StringComparison.Ordinal);
        Assert.True(backing.IsAtStopMark(.9701 * backing.Now!.Turns) && !backing.IsAtStopMark(.9699 * backing.Now.Turns));
        var little = Until(Ticket(20), WindingStepKind.Backing);
        Done(little, new(LengthM: 19.02));
        Refused(little, new(LengthM: 18.98));

        var over = Until(Ticket(), WindingStepKind.Over);
        var band = over.Now!.ExpectBandM!.Value;
        Done(over, new(MeasuredM: band.High + .00099));
        Refused(over, new(MeasuredM: band.High + .00101));
        Done(over, new(MeasuredM: band.Low - .00099));
        Refused(over, new(MeasuredM: band.Low - .00101));
        // As far out as the ruler is what is expected at the rim.
        var measured = Done(over, new(MeasuredM: over.Now.ExpectM));
        var rim = measured.Steps.Single(s => s.Kind == WindingStepKind.Rim).ExpectBandM!.Value;
        var (near, far) = (Done(over, new(MeasuredM: over.Now.ExpectM + .0009)), Done(over, new(MeasuredM: over.Now.ExpectM - .0009)));
        double Gap(WindingTicket ticket) => ticket.Steps.Single(s => s.Kind == WindingStepKind.Rim).ExpectM!.Value;
        Assert.InRange((Gap(far) - Gap(near)) / (rim.High - rim.Low), .88, .92);
        var end = Until(Ticket(), WindingStepKind.Rim);
        Done(end, new(MeasuredM: .00101));
        Refused(end, new(MeasuredM: .00099));
    }

    [Fact]
    public void Backing_that_was_wound_too_loosely_is_found_by_the_ruler_and_what_has_to_come_off_makes_room()
    {
        var fits = SpoolFill.For(Reel, Line, Backings.Find("poly20")!, 0).FitsBackingM;
        var over = Until(Ticket(fits), WindingStepKind.Over);
        var loose = 2 * Reel.Spool().RadiusM(fits * Backings.Find("poly20")!.AreaM2 / .62);
        var words = Refused(over, new(MeasuredM: loose));
        Assert.Contains("off", words, StringComparison.Ordinal);
        var less = over.TakeOff(60, out _)!;
        Assert.Equal(fits - 60, less.WoundBackingM, 6);
        var after = Done(less, new(MeasuredM: less.Now!.ExpectBandM!.Value.High));
        // A looser wind stands farther out; what is left at the rim follows from it.
        Assert.True(
            after.Steps.Single(s => s.Kind == WindingStepKind.Rim).ExpectM < less.Steps.Single(s => s.Kind == WindingStepKind.Rim).ExpectM
        );
    }

    [Theory]
    [InlineData(.55)]
    [InlineData(.66)]
    [InlineData(.72)]
    [InlineData(.82)]
    public void Once_the_ruler_has_said_how_tight_it_lies_the_room_at_the_rim_is_expected_within_a_millimetre_of_it(double packing)
    {
        var over = Until(Ticket(), WindingStepKind.Over);
        var across = 2 * Reel.Spool().RadiusM(150 * Backings.Find("poly20")!.AreaM2 / packing);
        var rim = Done(over, new(MeasuredM: across, GoOn: true)).Steps.Single(s => s.Kind == WindingStepKind.Rim);
        Assert.InRange(rim.ExpectM!.Value, rim.ExpectBandM!.Value.Low, rim.ExpectBandM.Value.High);
        // A millimetre across the backing is half of one at its rim; under the line's own turns it is at most a whole one.
        Assert.InRange(rim.ExpectBandM.Value.High - rim.ExpectBandM.Value.Low, .0005, .0025);
    }

    [Fact]
    public void Turns_and_length_of_a_leg_are_two_sides_of_the_same() =>
        Gen.Select(Gen.Double[20, 160], Gen.Double[.05, 1])
            .Sample(
                (metres, share) =>
                {
                    var ticket = Until(Ticket(metres), WindingStepKind.Backing);
                    Assert.Equal(metres, ticket.LengthOfTurns(ticket.TurnsToGo), 1e-6);
                    var part = ticket with { LegTurns = share * ticket.Now!.Turns };
                    Assert.Equal((1 - share) * ticket.Now.Turns, part.TurnsToGo, 1e-6);
                }
            );

    [Fact]
    public void The_shed_knows_what_is_on_which_spool_and_what_it_takes_to_get_a_line_onto_a_reel()
    {
        var other = new Reel
        {
            Id = 3,
            Tag = "S3",
            Name = "silver",
            MassKg = .13,
            ArborM = .042,
            RimM = .084,
            WidthM = .022,
        };
        var thick = Reel.TypicalLine(10) with { Id = 9, Tag = "L9", Name = "bulk" };
        var poly = Backings.Find("poly20")!;
        var shed = new GearShed([], [Line, thick], [Reel, other])
        {
            Spools =
            [
                new()
                {
                    Id = 1,
                    ReelId = 5,
                    Name = Spool.Own,
                    Backing = "poly20",
                    BackingM = 260,
                },
                new()
                {
                    Id = 2,
                    ReelId = 5,
                    Name = "spare",
                    LineId = 8,
                    Backing = "poly20",
                    BackingM = 110,
                },
            ],
        };
        string Says(Reel reel, FlyLine line, double metres) => SpoolWork.For(shed, reel, line, poly, metres)!.Says.ToString();
        Assert.Equal(2, SpoolWork.For(shed, Reel, Line, poly, 110)!.Minutes);
        Assert.Contains("L8 is on S5’s spare; swapping takes 2 minutes", Says(Reel, Line, 110), StringComparison.Ordinal);
        Assert.Contains("short of what is planned", Says(Reel, Line, 150), StringComparison.Ordinal);
        Assert.Contains("L8 is on S5: wind it over to S3", Says(other, Line, 50), StringComparison.Ordinal);
        Assert.Matches("needs .* off", Says(Reel, thick, 150));
        Assert.Null(SpoolWork.For(shed, other, thick, poly, 50));
    }
}
