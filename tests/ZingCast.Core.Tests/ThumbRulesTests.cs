using ZingCast.Core.Flies;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>
/// Where a rule of thumb turns: just short of its figure and just past it. Common practice, no source, where nothing else is said.
/// </summary>
public class ThumbRulesTests
{
    private static readonly Fly Six = Fly.For(FlyKinds.Rows[0], new(6));

    // A leader of level pieces, each so thick, metres; the first is butt, the last tippet.
    private static Leader Level(params double[] thick) =>
        new([
            .. thick.Select(
                (m, i) =>
                    new LeaderPiece(
                        i == 0 ? LeaderPart.Butt
                            : i == thick.Length - 1 ? LeaderPart.Tippet
                            : LeaderPart.Taper,
                        .7,
                        m,
                        m
                    )
                    {
                        Knot = i == 0 ? null : Knots.Surgeons.Id,
                    }
            ),
        ]);

    private static Verdict? Seen(Leader leader, string id, LeaderUse? use = null) =>
        LeaderCheck.For(leader, use ?? new(.001, 100)).Findings.FirstOrDefault(f => f.Id == id)?.Verdict;

    // Tippet is 0.35 to 0.5 of the hook's wire; a tenth thinner or a seventh thicker nobody feels, far outside it spins or hangs dead.
    [Theory]
    [InlineData(.1194, Verdict.Fails)]
    [InlineData(.1206, Verdict.Look)]
    [InlineData(.1791, Verdict.Look)]
    [InlineData(.1809, null)]
    [InlineData(.3432, null)]
    [InlineData(.3468, Verdict.Look)]
    [InlineData(.4776, Verdict.Look)]
    [InlineData(.4824, Verdict.Fails)]
    public void Tippet_is_judged_against_the_wire_of_the_hook(double mm, Verdict? verdict)
    {
        Assert.Equal(verdict, TippetBand.Judge(mm / 1000, new(.0002, .0003), Six)?.Verdict);
        var band = TippetBand.For(Six.Hook);
        Assert.Equal((.35, .5), (Math.Round(band.Low / Six.Hook.WireM, 6), Math.Round(band.High / Six.Hook.WireM, 6)));
    }

    // A butt is 0.6 to 0.7 of the line's tip, here 1 mm; a tenth thinner and two tenths thicker still take the loop on.
    [Theory]
    [InlineData(.4985, Verdict.Look)]
    [InlineData(.5015, Verdict.Fits)]
    [InlineData(.895, Verdict.Fits)]
    [InlineData(.905, Verdict.Look)]
    public void A_butt_is_as_stiff_as_the_tip_can_move(double mm, Verdict verdict) =>
        Assert.Equal(verdict, Seen(Level(mm / 1000, .0003), "butt"));

    // Mass a metre goes with the square of the thickness: it may fall to 1 in 2.3, rise a twentieth, and folds beyond 1.4.
    [Theory]
    [InlineData(.5, .3305, Verdict.Fits)]
    [InlineData(.5, .3285, Verdict.Look)]
    [InlineData(.3, .3065, Verdict.Fits)]
    [InlineData(.3, .3085, Verdict.Look)]
    [InlineData(.3, .3535, Verdict.Look)]
    [InlineData(.3, .3565, Verdict.Fails)]
    public void A_leader_gets_lighter_smoothly(double aboveMm, double belowMm, Verdict verdict) =>
        Assert.Equal(verdict, Seen(Level(aboveMm / 1000, belowMm / 1000), "smooth"));

    // A leader 0.8 m longer than the rod brings its joint inside the rings, nobody minds a hand's breadth more; 1.3 m longer it jams.
    [Theory]
    [InlineData(.849, Verdict.Fits)]
    [InlineData(.851, Verdict.Look)]
    [InlineData(1.295, Verdict.Look)]
    [InlineData(1.305, Verdict.Fails)]
    public void A_long_leader_is_minded_at_the_net(double longerM, Verdict verdict) =>
        Assert.Equal(verdict, Seen(Level(.0005, .0004), "net", new(.001, 100, RodM: 1.4 - longerM)));

    // Guards: six inches for teeth, of 0.75 mm or wire; a foot for a rough mouth, of 0.48 mm. Half of that is none.
    [Theory]
    [InlineData(Mouth.Teeth, .151, .76, Verdict.Look)]
    [InlineData(Mouth.Teeth, .151, .74, Verdict.Fails)]
    [InlineData(Mouth.Teeth, .148, .76, Verdict.Look)]
    [InlineData(Mouth.Teeth, .074, .76, Verdict.Fails)]
    [InlineData(Mouth.Abrasive, .301, .485, Verdict.Fits)]
    [InlineData(Mouth.Abrasive, .301, .475, Verdict.Look)]
    [InlineData(Mouth.Abrasive, .297, .485, Verdict.Look)]
    [InlineData(Mouth.Abrasive, .148, .485, Verdict.Fails)]
    public void A_guard_is_long_and_thick_enough_for_the_mouth(Mouth mouth, double metres, double mm, Verdict verdict)
    {
        var bare = Level(.0005, .0004);
        LeaderPiece guard = new(LeaderPart.Guard, metres, mm / 1000, mm / 1000) { Material = LeaderMaterial.Fluorocarbon };
        Assert.Equal(verdict, Seen(new([.. bare.Pieces, guard]), "guard", new(.001, 100, Mouth: mouth)));
    }

    // A dropper stands off at 10 to 20 cm, a little more does no harm, and is a tenth thicker than what goes on to the point.
    [Theory]
    [InlineData(.099, .4, Verdict.Look)]
    [InlineData(.101, .4, Verdict.Fits)]
    [InlineData(.249, .4, Verdict.Fits)]
    [InlineData(.251, .4, Verdict.Look)]
    [InlineData(.15, .4575, Verdict.Look)]
    [InlineData(.15, .4525, Verdict.Fits)]
    public void A_dropper_stands_off(double metres, double belowMm, Verdict verdict) =>
        Assert.Equal(verdict, Seen(Level(.0005, belowMm / 1000) with { Droppers = [new(1, metres)] }, "dropper"));

    // A step of more than a tenth of a millimetre hinges; a blood knot wants the thinner to be 0.7 of the thicker.
    [Theory]
    [InlineData(.5, .401, null)]
    [InlineData(.5, .398, Verdict.Look)]
    public void A_step_in_thickness_passes_the_loop_on(double aboveMm, double belowMm, Verdict? verdict)
    {
        Assert.Equal(verdict, Seen(Level(aboveMm / 1000, belowMm / 1000), "step-1"));
        Assert.Equal(Knots.Blood, Leader.JoinOf(.0005, .000355));
        Assert.Equal(Knots.Surgeons, Leader.JoinOf(.0005, .000345));
    }

    // Six tenths butt, two taper, two tippet; the butt 0.65 of the tip, and a tenth over the tippet at the least.
    [Fact]
    public void A_leader_is_laid_out_by_its_usual_shares()
    {
        var leader = Leader.Build(3, .001, .0002, 0);
        Assert.Equal([1.8, .6, .6], leader.Pieces.Select(p => Math.Round(p.LengthM, 9)));
        Assert.Equal(.00065, leader.Pieces[0].StartM, 9);
        Assert.Equal(.00066, Leader.Build(3, .0006, .0006, 0).Pieces[0].StartM, 9);
        Assert.Equal(.5, Leader.Build(.2, .001, .0002, 0).LengthM, 9);
        // Fluorocarbon of some 80 lb, and wire of some 30.
        Assert.Equal(.00081, Leader.Build(3, .001, .0003, .3).Pieces[^1].EndM, 9);
        Assert.Equal(.00045, Leader.From(leader.Pieces, .3, LeaderMaterial.Wire).Pieces[^1].EndM, 9);
        // A fly that is meant to swim hangs in a loop: from hook 4 on.
        Assert.Equal(Knots.NonSlip.Id, leader.For(Fly.For(FlyKinds.Rows[0], new(4))).FlyKnot);
        Assert.Equal(Knots.Clinch.Id, leader.For(Fly.For(FlyKinds.Rows[0], new(5))).FlyKnot);
        Assert.Equal((.10, .20), (LeaderDropper.UsualM.Low, LeaderDropper.UsualM.High));
    }

    // Handbook: a loaded reel weighs 1.8 to 2.5 times the rod, a bare one 1.3 to 1.8; below 1.4 and above 3 anybody notices.
    [Theory]
    [InlineData(1.38, true, true)]
    [InlineData(1.42, false, false)]
    [InlineData(2.95, false, false)]
    [InlineData(3.05, true, false)]
    public void A_reel_balances_a_rod_by_its_mass(double ratio, bool unbalanced, bool light)
    {
        Assert.Equal(unbalanced, ReelBalance.IsUnbalanced(ratio));
        Assert.Equal(light, ReelBalance.IsLight(ratio));
        Assert.Equal((1.8, 2.5), (ReelBalance.Usual.Low, ReelBalance.Usual.High));
        Assert.Equal((1.3, 1.8), (ReelBalance.Bare.Low, ReelBalance.Bare.High));
    }

    // A quarter to three tenths of the weakest knotted link; 3 mm of room at the rim.
    [Fact]
    public void Drag_is_set_by_the_weakest_knot()
    {
        var shed = AnyBrief.Loan;
        var drag = DragSetting.For(
            Leader.Build(2.7, .0009, .0002, 0),
            shed.Lines[0],
            Backings.Rows[0],
            shed.Reels[0] with
            {
                DragN = null,
            }
        );
        Assert.Equal(.25 * drag.WeakestN, drag.RangeN.Low, 9);
        Assert.Equal(.30 * drag.WeakestN, drag.RangeN.High, 9);
        Assert.Equal(.275 * drag.WeakestN, drag.SetN, 9);
        Assert.Equal(.003, Reel.RimGapM, 9);
    }

    // Cores: about 20 lb, 30 from class 7½ on, 60 from 10½ on.
    [Theory]
    [InlineData(7.4, 20)]
    [InlineData(7.5, 30)]
    [InlineData(10.4, 30)]
    [InlineData(10.5, 60)]
    public void A_heavier_line_has_a_stronger_core(double lineClass, double pounds)
    {
        var line = FlyLine.Blank with { PrintedClass = lineClass, BellyDiameterM = .0015 };
        Assert.Equal(pounds * Exact.PoundForceN, line.CoreN(), 6);
    }

    // Whole lines of 90 ft, 100 from a seven on, heads on 130 with their running line; 36 ft of head, tips two thirds of the belly.
    [Theory]
    [InlineData(Build.WeightForward, 6, 90, 36)]
    [InlineData(Build.WeightForward, 7, 100, 36)]
    [InlineData(Build.ShootingHead, 8, 130, 30)]
    [InlineData(Build.DoubleTaper, 5, 90, 90)]
    public void A_line_is_as_long_as_its_box_says_such_lines_are(Build build, double lineClass, double wholeFt, double headFt)
    {
        var line = FlyLine.From(new(build, lineClass, "floating"));
        Assert.Equal(wholeFt * Exact.FootM, line.LengthM, 9);
        Assert.Equal(headFt * Exact.FootM, line.HeadM, 9);
        Assert.Equal(.65 * line.BellyDiameterM, line.TipDiameterM, 1e-5);
        Assert.Equal(build == Build.ShootingHead ? .0006 : line.TipDiameterM, line.RunningDiameterM, 9);
        Assert.Equal(build == Build.ShootingHead ? 0 : 5 * Exact.FootM, line.RearTaperM, 9);
        // The belly is eight hundredths heavier a metre than the head with its tapers.
        var kgPerM = LineWeights.MassKg(lineClass) / Exact.ThirtyFeetM;
        var belly = Densities.OrdinaryKgM3("floating") * Math.PI / 4 * line.BellyDiameterM * line.BellyDiameterM;
        Assert.Equal(1.08, belly / kgPerM, .01);
    }

    // Nobody stretches a line out to 10 cm: so much short of 30 ft counts as 30 ft.
    [Theory]
    [InlineData(.098, true)]
    [InlineData(.102, false)]
    public void A_head_a_hand_short_of_thirty_feet_has_a_class(double shortM, bool has) =>
        Assert.Equal(
            has,
            LineClass
                .From(
                    new()
                    {
                        MassKg = .0104,
                        LengthM = Exact.ThirtyFeetM - shortM,
                        WholeHead = true,
                    }
                )
                .Class
                is not null
        );

    // Water at 15 °C, from memory: 999 kg/m³ fresh, 1026 in the sea.
    [Theory]
    [InlineData(998, true, true)]
    [InlineData(1000, false, true)]
    [InlineData(1025, false, true)]
    [InlineData(1027, false, false)]
    public void A_line_floats_when_it_is_lighter_than_the_water(double kgM3, bool fresh, bool salt)
    {
        var line = LineReading.From(new([new(10, .0012, .0012, kgM3)]), 10, 10, .01);
        Assert.Equal((fresh, salt), (line.FloatsFresh, line.FloatsSalt));
    }

    // A front third of more than 34½ % of the mass is front-loaded, of less than 28 % rear-loaded.
    [Theory]
    [InlineData(.350, "front-loaded")]
    [InlineData(.340, "evenly")]
    [InlineData(.284, "evenly")]
    [InlineData(.276, "rear-loaded")]
    public void A_head_is_loaded_where_its_mass_lies(double front, string word)
    {
        // Two level stretches of one thickness: the front third as dense as it takes.
        var (ahead, behind) = (front * 3000, (1 - front) * 1500);
        var line = LineReading.From(new([new(4, .0012, .0012, ahead), new(8, .0012, .0012, behind)]), 12, 12, .01);
        Assert.StartsWith(word, line.FrontWord, StringComparison.Ordinal);
    }
}
