using CsCheck;
using ZingCast.Core.Briefs;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

public class ReelTests
{
    private static readonly Reel Eight = new()
    {
        Tag = "S5",
        Name = "wide-arbor eight",
        LabelLow = 7,
        LabelHigh = 9,
        ArborM = .055,
        RimM = .095,
        WidthM = .026,
        MassKg = .172,
    };

    private static readonly FlyLine Line = Reel.TypicalLine(8);

    private static readonly Leader Leader = Leader.Build(2.7, .001, .00033, 0);

    private static Backing B(string id) => Backings.Find(id)!;

    private static readonly Gen<Reel> AnySpool = Gen.Select(
        Gen.Double[.02, .06],
        Gen.Double[.015, .05],
        Gen.Double[.012, .045],
        (arbor, deep, width) => Eight with { ArborM = arbor, RimM = arbor + deep + 2 * Reel.RimGapM, WidthM = width }
    );

    [Fact]
    public void What_is_wound_on_takes_its_own_volume_over_how_tightly_it_packs_and_never_packs_tighter_than_hexagons() =>
        Gen.Select(AnySpool, Gen.Double[0, 400], Gen.Int[0, Backings.Rows.Count - 1])
            .Sample(
                (reel, metres, kind) =>
                {
                    var fill = SpoolFill.For(reel, Line, Backings.Rows[kind], metres, Leader);
                    foreach (var layer in fill.Layers)
                    {
                        double Wound(double toM) => Math.PI * reel.WidthM!.Value * (toM * toM - reel.ArborM!.Value * reel.ArborM.Value / 4);
                        var own = fill.Layers.TakeWhile(l => l.Kind != layer.Kind).Append(layer).Sum(l => l.LineM3);
                        Assert.Equal(own / Backings.OrdinaryPacking, Wound(layer.ToM), 1e-12);
                        Assert.True(own / Wound(layer.BandM.Low) < Backings.HexagonalPacking);
                        Assert.True(layer.BandM.Low <= layer.ToM && layer.ToM <= layer.BandM.High);
                    }
                    Assert.Equal(metres + Line.LengthM + Leader.LengthM, fill.Layers.Sum(l => l.LengthM), 1e-5);
                }
            );

    // Common practice, no source: loose hand winding packs .70, an ordinary wind .74 and a tight one .78.
    [Fact]
    public void What_fits_at_least_is_what_a_loose_wind_takes_on_the_least_room_and_at_most_a_tight_one_on_the_most()
    {
        var fits = SpoolFill.For(Eight, Line, B("poly20"), 0).FitsBandM;
        var (room, band) = (Eight.Spool().RoomM3, Eight.Spool().RoomBandM3);
        Assert.Equal(band.Low / room, SpoolFill.For(Eight, Line, B("poly20"), fits.Low).ShareLoose, 9);
        Assert.Equal(band.High / room * .78 / .74, SpoolFill.For(Eight, Line, B("poly20"), fits.High).Share, 9);
    }

    // Common practice, no source: what fits only when it is wound well is wound with care.
    [Theory]
    [InlineData(.93, false)]
    [InlineData(.96, true)]
    [InlineData(.99, true)]
    public void A_reel_that_a_loose_wind_would_overfill_is_looked_at(double share, bool look)
    {
        var brief = Brief.Complete(new() { Species = "sea-bass", DistanceM = 17 });
        Solution With(double? metres) =>
            Matcher.Solve(brief, AnyBrief.Loan, new() { Reel = 5, BackingM = metres }, cancel: TestContext.Current.CancellationToken);
        var free = With(null).Outfit;
        // A metre of backing takes so much of the room.
        var (none, full) = (With(0).Outfit.Fill.Share, With(100).Outfit.Fill.Share);
        var outfit = With(100 * (share - none) / (full - none));
        Assert.Equal(share, outfit.Outfit.Fill.Share, 6);
        Assert.Equal(free.Line.Id, outfit.Outfit.Line.Id);
        Assert.Equal(look, outfit.Chain[(int)LinkId.Reel - 1].Why.ToString().Contains("just holds it", StringComparison.Ordinal));
    }

    // Winding turn by turn, as the reel does it: a reference that knows nothing of volumes.
    [Theory]
    [InlineData("poly20", 150)]
    [InlineData("gel50", 250)]
    [InlineData("poly30", 60)]
    public void Turns_and_radius_agree_with_winding_wrap_by_wrap(string kind, double metres)
    {
        var backing = B(kind);
        var layer = SpoolFill.For(Eight, Line, backing, metres).Layer(SpoolLayerKind.Backing);
        double radius = Eight.ArborM!.Value / 2,
            wound = 0,
            turns = 0;
        var rise = backing.AreaM2 / Backings.OrdinaryPacking / Eight.WidthM!.Value;
        while (wound < metres)
        {
            wound += 2 * Math.PI * (radius + rise / 2);
            radius += rise;
            turns++;
        }
        Assert.Equal(radius, layer.ToM, 4);
        Assert.InRange(layer.Turns / turns, .995, 1.005);
    }

    [Fact]
    public void Thicker_backing_never_holds_more_and_what_fits_fills_the_spool()
    {
        Gen.Select(AnySpool, Gen.Double[0, 12])
            .Sample(
                (reel, c) =>
                {
                    var line = Reel.TypicalLine(c);
                    var fits = Backings.Rows.OrderBy(b => b.DiameterM).Select(b => SpoolFill.For(reel, line, b, 0).FitsBackingM).ToList();
                    Assert.True(fits.Zip(fits.Skip(1)).All(p => p.First >= p.Second));
                }
            );
        var metres = SpoolFill.For(Eight, Line, B("poly30"), 0).FitsBackingM;
        Assert.Equal(1, SpoolFill.For(Eight, Line, B("poly30"), metres).Share, 6);
        // Common practice, no source: gel-spun takes about half the room of thirty-pound polyester.
        Assert.InRange(SpoolFill.For(Eight, Line, B("gel65"), 0).FitsBackingM / metres, 1.8, 2.4);
    }

    // Common practice, no source: an eight-nine ends up with some 180 m of twenty-pound backing.
    [Fact]
    public void A_reel_known_only_by_its_classes_holds_what_people_get_on_one() => Assert.InRange(UsualHoldings.BackingM(8.5), 170, 190);

    [Fact]
    public void A_reel_is_known_by_what_it_held_by_a_ruler_by_its_label_by_its_classes_or_by_its_mass_and_each_is_less_sure()
    {
        var bare = Eight with { ArborM = null, RimM = null, WidthM = null };
        var held = new KnownFill("poly20", 150, "L7", Line.Volume(Line.LengthM), Reel.RimGapM);
        Reel[] known =
        [
            bare with
            {
                KnownFill = held,
            },
            bare with
            {
                StatedBackingM = 150,
                StatedBacking = "poly20",
                StatedLine = "WF8F",
            },
            bare,
            bare with
            {
                LabelLow = null,
                LabelHigh = null,
            },
        ];
        Assert.Equal([SpoolKnown.KnownFill, SpoolKnown.Label, SpoolKnown.Classes, SpoolKnown.Mass], known.Select(r => r.Spool().Known));
        Assert.True(known.Zip(known.Skip(1)).All(p => p.First.Spool().PlusMinus < p.Second.Spool().PlusMinus));
        Assert.Equal([false, false, true, true], known.Select(r => r.Spool().IsGuess));
        // What is guessed is never said to go on.
        string Says(Reel reel) => SpoolFill.For(reel, Line, B("poly20"), 60).Says.ToString();
        Assert.All(known.Where(r => r.Spool().IsGuess), r => Assert.StartsWith("A guess", Says(r), StringComparison.Ordinal));
        // Each takes back what it was known by.
        Assert.Equal(150, SpoolFill.For(known[0], Line, B("poly20"), 150).FitsBackingM, 6);
        Assert.Equal(150, SpoolFill.For(known[1], FlyLine.From(BoxCode.Read("WF8F")!), B("poly20"), 150).FitsBackingM, 6);
        Assert.All(known, r => Assert.Empty(r.Check()));
    }

    // Half a millimetre on arbor, rim and width each, added as squares: the room's slopes by finite differences.
    [Fact]
    public void A_ruler_is_as_good_as_half_a_millimetre()
    {
        double Room(double arbor, double rim, double width) =>
            (Eight with { ArborM = Eight.ArborM + arbor, RimM = Eight.RimM + rim, WidthM = Eight.WidthM + width }).Spool().RoomM3;
        double Off(double arbor, double rim, double width) =>
            (Room(.0005 * arbor, .0005 * rim, .0005 * width) - Room(-.0005 * arbor, -.0005 * rim, -.0005 * width)) / 2 / Room(0, 0, 0);
        var share = Math.Sqrt(Math.Pow(Off(1, 0, 0), 2) + Math.Pow(Off(0, 1, 0), 2) + Math.Pow(Off(0, 0, 1), 2));
        Assert.Equal(share, Eight.Spool().PlusMinus, 6);
        Assert.Equal([.04, .12, .25, .4], SpoolShape.Trust.Select(t => t.PlusMinus));
        Assert.Equal([false, true], new[] { .198, .202 }.Select(off => (Eight.Spool() with { PlusMinus = off }).IsGuess));
        // Half the rim where nobody measured the arbor, and always a little of it free.
        Assert.Equal(.0475, (Eight with { ArborM = null }).Spool().ArborM, 9);
        Assert.Equal(.022, (Eight with { ArborM = .028, RimM = .03 }).Spool().ArborM, 9);
    }

    // What reels of a class weigh and carry, grams and metres. Common practice, rough, no source.
    [Theory]
    [InlineData(2, 70, 45)]
    [InlineData(4, 100, 70)]
    [InlineData(5, 118, 80)]
    [InlineData(6, 135, 95)]
    [InlineData(7, 155, 135)]
    [InlineData(8, 175, 170)]
    [InlineData(9, 205, 190)]
    [InlineData(10, 240, 220)]
    [InlineData(12, 310, 275)]
    [InlineData(14, 400, 380)]
    public void A_reel_of_a_class_is_like_others(double lineClass, double grams, double metres)
    {
        Assert.Equal(grams / 1000, UsualHoldings.Kilograms(lineClass), 9);
        Assert.Equal(lineClass, UsualHoldings.ClassOfMass(grams / 1000), 9);
        Assert.Equal(metres, UsualHoldings.BackingM(lineClass), 9);
        Assert.Equal(.062 + .0045 * lineClass, UsualHoldings.RimM(lineClass), 9);
    }

    [Fact]
    public void Small_reels_carry_twenty_pound_backing_and_big_ones_thirty()
    {
        Assert.Equal(["poly20", "poly30"], new[] { 8.7, 8.8 }.Select(c => UsualHoldings.Backing(c).Id));
        Assert.Equal(.06, UsualHoldings.Kilograms(0), 9);
        Assert.Equal(.14, Reel.Blank.MassKg);
        Assert.Equal((27, 12), (Line.LengthM, Line.HeadM));
        // The last wraps go on a little over the room there is.
        var fill = SpoolFill.For(Eight, Line, B("poly20"), 100);
        Assert.Equal([true, false], new[] { 1.019, 1.021 }.Select(share => (fill with { Share = share }).Holds));
        Assert.Equal(2.15, ReelBalance.Ideal);
    }

    // Slack of 10 m, 30 m on a light outfit, 30 % over the run, half the spool; arbors of 0.3 and 0.65 of the rim. Common practice.
    [Fact]
    public void A_spool_is_filled_by_school_and_compared_with_other_arbors()
    {
        var fill = SpoolFill.For(Eight, Line, B("poly20"), 100);
        var fish = Fishes.Groups.First(g => g.Id == "salmon");
        Assert.Equal(
            [
                Math.Floor(fill.FitsBackingM),
                Math.Floor(1.3 * fish.RunM),
                Math.Floor(Eight.Spool().RoomM3 / 2 * .74 / B("poly20").AreaM2),
                30,
            ],
            SpoolBench.Presets(fill, B("poly20"), fish).Select(p => p.BackingM)
        );
        var curves = SpoolBench.Turns(fill, Line, B("poly20"), Leader);
        Assert.Equal([.055, .0285, .06175], curves.Select(c => Math.Round(c.ArborM, 9)));
        Assert.All(curves, c => Assert.Equal((49, 10), (c.Points.Count, c.Points[^1].SlackM)));
        // Turns for the slack, metre by metre.
        var off = new LineOut(Eight.Spool(), Line, B("poly20"), 100, Leader);
        var end = curves[0].Points[^1];
        var turns = Enumerable.Range(0, 1000).Sum(i => .01 / (2 * Math.PI * off.RadiusM(end.OutM - .005 - i * .01)));
        Assert.Equal(turns, end.SlackTurns, 3);
        Assert.Equal(2 * Math.PI * end.RadiusM, end.PerTurnM, 9);
    }

    // No more and no less than there is: 10 to 1000 m, 8 to 150 lb; gel-spun where polyester is not made, a fifth over the strongest.
    [Theory]
    [InlineData("7/8 10 m", true)]
    [InlineData("7/8 9.8 ft", false)]
    [InlineData("7/8 1000 m", true)]
    [InlineData("7/8 1010 m", false)]
    [InlineData("7/8 100 m 8 lb", true)]
    [InlineData("7/8 100 m 7.9 lb", false)]
    [InlineData("7/8 100 m 150 lb", true)]
    [InlineData("7/8 100 m 152 lb", false)]
    public void A_label_says_no_more_than_there_is(string typed, bool label) => Assert.Equal(label, SpoolLabel.Read(typed) is not null);

    [Fact]
    public void What_is_stronger_than_polyester_is_made_is_gel_spun()
    {
        var most = Math.Round(1.2 * Backings.StrongestPolyester.StrengthN / Exact.PoundForceN, 6);
        bool Gel(double pounds) => B(SpoolLabel.Read(FormattableString.Invariant($"7/8 100 m {pounds:0.0} lb"))!.Backing!).GelSpun;
        Assert.False(Gel(most - .4));
        Assert.True(Gel(most + .4));
        Assert.Equal("gel50", SpoolLabel.Read("7/8 100 m gel spun")!.Backing);
    }

    [Fact]
    public void What_it_held_puts_right_a_ruler_that_saw_a_plain_drum_where_the_arbor_is_tapered()
    {
        var tried = SpoolFill.For(Eight, Line, B("poly20"), 0).FitsBackingM * .8;
        var reel = Eight with { KnownFill = new("poly20", tried, "L7", Line.Volume(Line.LengthM), .002) };
        var fill = SpoolFill.For(reel, Line, B("poly20"), tried);
        Assert.Equal(.002, fill.RimGapM, 5);
        Assert.True(fill.Spool.ToScale && reel.Spool().WidthM < Eight.WidthM);
    }

    // The ways in which people and boxes write it: common practice, no source.
    [Theory]
    [InlineData("WF7F + 150 yd 20 lb", 7, 7, "WF7F", 150, "poly20")]
    [InlineData("WF7F+150yds/20lb", 7, 7, "WF7F", 150, "poly20")]
    [InlineData("wf-7-f 150 yards 20-lb", 7, 7, "WF7F", 150, "poly20")]
    [InlineData("WF 8 F / 200 yd 20 lbs backing", 8, 8, "WF8F", 200, "poly20")]
    [InlineData("WF8F with 200 yds of 30 lb", 8, 8, "WF8F", 200, "poly30")]
    [InlineData("WF8F w/ 200yds 30#", 8, 8, "WF8F", 200, "poly30")]
    [InlineData("250 yd 50 lb gel spun, WF9F", 9, 9, "WF9F", 250, "gel50")]
    [InlineData("WF9I & 250yd 65lb gsp", 9, 9, "WF9I", 250, "gel65")]
    [InlineData("DT5F + 50yd", 5, 5, "DT5F", 50, null)]
    [InlineData("WF6 + 75 yds.", 6, 6, "WF6F", 75, null)]
    [InlineData("WF7F/150/20", 7, 7, "WF7F", 150, "poly20")]
    [InlineData("WF10F 137.2 m 30lb", 10, 10, "WF10F", 150.04, "poly30")]
    [InlineData("WF5F, 91 m of 9 kg", 5, 5, "WF5F", 99.52, "poly20")]
    [InlineData("7/8", 7, 8, null, 0, null)]
    [InlineData("6–8", 6, 8, null, 0, null)]
    [InlineData("#5-6", 5, 6, null, 0, null)]
    [InlineData("5 to 6 wt", 5, 6, null, 0, null)]
    [InlineData("#7/#8", 7, 8, null, 0, null)]
    [InlineData("8 wt", 8, 8, null, 0, null)]
    [InlineData("line class 4", 4, 4, null, 0, null)]
    [InlineData("7/8 150yd", 7, 8, null, 150, null)]
    [InlineData("#7 150yd 20 lb", 7, 7, null, 150, "poly20")]
    [InlineData("8wt: 150 yards @ 20lb braided polyester", 8, 8, null, 150, "poly20")]
    [InlineData("holds WF11F and 300 yards of 80 lb braid", 11, 11, "WF11F", 300, "gel80")]
    [InlineData("size 9/10 capacity 230yd, 30 pounds", 9, 10, null, 230, "poly30")]
    public void A_reel_label_is_read_as_people_write_it(string typed, double low, double high, string? line, double yards, string? backing)
    {
        var label = SpoolLabel.Read(typed);
        Assert.NotNull(label);
        Assert.Equal((low, high, line, backing), (label.Low, label.High, label.Line, label.Backing));
        Assert.Equal(yards == 0, label.BackingM is null);
        Assert.Equal(yards, (label.BackingM ?? 0) / Exact.YardM, 1);
        Assert.Empty((label.On(Reel.Blank) with { Tag = "S", Name = "s" }).Check());
    }

    [Theory]
    [InlineData("")]
    [InlineData("8/7")]
    [InlineData("WF99F")]
    [InlineData("150 yd 20 lb")]
    [InlineData("a fine reel")]
    [InlineData("WF7F + 5 yd")]
    [InlineData("7/8 and then some 150")]
    public void What_says_nothing_about_a_spool_is_no_label(string typed) => Assert.Null(SpoolLabel.Read(typed));

    [Fact]
    public void No_text_breaks_the_reading_of_a_label() => Gen.String[0, 70].Sample(text => _ = SpoolLabel.Read(text));
}
