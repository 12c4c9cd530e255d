using CsCheck;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Flies;
using ZingCast.Core.Leaders;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

// Leaders piece by piece: what they stand, how they turn over, what is cut for them.
public class LeaderTests
{
    private static readonly LeaderUse Use = new(.001, 90);

    private static readonly IReadOnlyList<LeaderSpool> Pocket = DemoGear.Shed().LeaderSpools;

    private static LeaderPiece P(LeaderPart part, double lengthM, double mm, string? knot = null, double? toMm = null) =>
        new(part, lengthM, mm / 1000, (toMm ?? mm) / 1000) { Knot = knot };

    private static Leader Tied(params LeaderPiece[] pieces) => Leader.From(pieces, 0);

    private static readonly Leader Knotted = Tied(
        P(LeaderPart.Butt, 1.2, .53),
        P(LeaderPart.Taper, .3, .45, "blood"),
        P(LeaderPart.Taper, .3, .40, "blood"),
        P(LeaderPart.Tippet, .5, .33, "surgeons")
    );

    private static LeaderFinding Seen(Leader leader, string id, LeaderUse? use = null) =>
        LeaderCheck.For(leader, use ?? Use).Findings.First(f => f.Id.StartsWith(id, StringComparison.Ordinal));

    // Trade bands of straight pull: 4X ≈ 2.3–3 kg, 0.33 mm ≈ 16 lb, 0.66 mm ≈ 50 lb; shares 0.85 and 0.80. All from memory.
    [Theory]
    [InlineData(.178, "clinch", .85 * 2.3, .85 * 3.0)]
    [InlineData(.33, "clinch", .85 * 6.6, .85 * 7.9)]
    [InlineData(.66, "non-slip", .90 * 20.4, .90 * 25)]
    public void A_level_leader_stands_what_its_thickness_and_its_knot_let_it(double mm, string knot, double fromKg, double toKg)
    {
        var fly = LeaderStrength.Joints(Tied(P(LeaderPart.Tippet, 2, mm)) with { FlyKnot = knot }, 1000)[^1];
        Assert.InRange(fly.StandsN / Exact.GravityMps2, fromKg, toKg);
        Assert.InRange(fly.PlusMinusN / fly.StandsN, .15, .25);
    }

    [Fact]
    public void The_thinner_strand_goes_at_a_joint_and_the_weakest_joint_of_all_is_named_once()
    {
        var joints = LeaderStrength.Joints(Knotted, 90);
        Assert.Equal(["loop-to-loop", "blood", "blood", "surgeons", "clinch"], joints.Select(j => j.Knot));
        Assert.Equal(Tippets.StrengthN(.00045) * .825, joints[1].StandsN, 6);
        Assert.Equal(joints.Min(j => j.StandsN), Assert.Single(joints, j => j.Weakest).StandsN);
    }

    [Fact]
    public void What_somebody_broke_it_at_goes_before_the_table_knot_by_knot()
    {
        // Two clinches and a blood knot of one spool: each over the share its knot keeps tells the strand.
        var spool = Pocket.First(s => s.Tag == "T4");
        spool = spool.Broke(new(default, "clinch", 40)).Broke(new(default, "clinch", 50)).Broke(new(default, "blood", 33));
        Assert.Equal(41, spool.BrokeN!.Value, 9);
        Assert.Equal((40 / .85 + 50 / .85 + 33 / .825) / 3, spool.OwnN!.Value, 9);
        var piece = P(LeaderPart.Tippet, .6, .33, "blood") with { OwnN = spool.OwnN };
        var joints = LeaderStrength.Joints(Tied(P(LeaderPart.Butt, 1.5, .40), piece), 1000);
        Assert.Equal(.825 * spool.OwnN.Value, joints[1].StandsN, 9);
        Assert.Equal(.85 * spool.OwnN.Value, joints[2].StandsN, 9);
        Assert.Equal([false, true, true], joints.Select(j => j.Tried));
        // A core that gives before the butt was not tried, however often the butt was.
        var butt = P(LeaderPart.Butt, 1.5, .40) with
        {
            OwnN = 90,
        };
        Assert.False(LeaderStrength.Joints(Tied(butt, piece), 30)[0].Tried);
        Assert.True(LeaderStrength.Joints(Tied(butt, piece), 1000)[0].Tried);
        // What was tried is surer than the table.
        var table = LeaderStrength.Joints(Tied(P(LeaderPart.Tippet, .6, .33)), 1000)[^1];
        Assert.True(joints[2].PlusMinusN / joints[2].StandsN < table.PlusMinusN / table.StandsN);
    }

    // Mass a metre from the X rule and the density: 4X is 7 thousandths of an inch, nylon 1140 kg/m³ (memory).
    [Fact]
    public void A_metre_of_4X_nylon_weighs_28_milligrams_and_fluorocarbon_half_as_much_again()
    {
        var d = Tippets.DiameterOfX(4);
        Assert.Equal(7 * .0254e-3, d, 9);
        var nylon = new LeaderPiece(LeaderPart.Tippet, 1, d, d);
        Assert.Equal(1140 * Math.PI * Math.Pow(.0889e-3, 2), nylon.KgPerM(d), 9);
        Assert.InRange(nylon.KgPerM(d), 27e-6, 30e-6);
        Assert.Equal(1.78 / 1.14, (nylon with { Material = LeaderMaterial.Fluorocarbon }).KgPerM(d) / nylon.KgPerM(d), 6);
    }

    // A cone's volume by hand: πL(a² + ab + b²)/12.
    [Fact]
    public void A_taper_weighs_what_a_cone_does()
    {
        var taper = LeaderCheck.For(Tied(P(LeaderPart.Butt, 2, .6, toMm: .2)), Use);
        Assert.Equal(1140 * Math.PI * 2 * (.36 + .12 + .04) / 12 * 1e-6, taper.MassKg, 9);
    }

    [Fact]
    public void Mass_a_metre_falls_smoothly_or_the_leader_hinges_or_folds()
    {
        Assert.Equal(Verdict.Fits, Seen(Knotted, "smooth").Verdict);
        var hinged = Tied(P(LeaderPart.Butt, 1.5, .55), P(LeaderPart.Tippet, .6, .2, "surgeons"));
        Assert.Equal(Verdict.Look, Seen(hinged, "smooth").Verdict);
        Assert.Equal(Verdict.Look, Seen(hinged, "step").Verdict);
        var folded = Tied(P(LeaderPart.Butt, 1.5, .3), P(LeaderPart.Tippet, .6, .5, "surgeons"));
        Assert.Equal(Verdict.Fails, Seen(folded, "smooth").Verdict);
    }

    // Common practice, no source: 0.6 to 0.7 of the line's tip.
    [Theory]
    [InlineData(.62, Verdict.Fits)]
    [InlineData(.40, Verdict.Look)]
    [InlineData(1.1, Verdict.Look)]
    public void A_butt_is_near_two_thirds_of_the_line_tip(double mm, Verdict verdict) =>
        Assert.Equal(verdict, Seen(Tied(P(LeaderPart.Butt, 2, mm), P(LeaderPart.Tippet, .5, mm * .8, "blood")), "butt").Verdict);

    // Common practice, no source: 35 to 50 % of the hook wire; hook wires from memory.
    [Theory]
    [InlineData(12, 4, Verdict.Fits)]
    [InlineData(18, 6, Verdict.Fits)]
    [InlineData(-1, 6, Verdict.Fails)]
    [InlineData(4, 4, Verdict.Look)]
    [InlineData(22, 1, Verdict.Fails)]
    public void Tippet_too_thin_spins_and_too_thick_drags(int hook, double x, Verdict verdict)
    {
        var fly = Fly.For(FlyKinds.Find(hook < 1 ? "baitfish" : "dry")!, new(hook));
        var leader = Tied(P(LeaderPart.Tippet, 2, Tippets.DiameterOfX(x) * 1000));
        Assert.Equal(verdict, Seen(leader, "twist", Use with { Fly = fly }).Verdict);
    }

    [Fact]
    public void A_dropper_stands_off_only_from_something_thicker_than_the_point()
    {
        // 0.40 against 0.28: common practice, no source.
        var thick = Tied(P(LeaderPart.Butt, 1.5, .40), P(LeaderPart.Tippet, .8, .28, "dropper")) with
        {
            Droppers = [new(1, .15)],
        };
        Assert.Empty(thick.Check());
        Assert.Equal(Verdict.Fits, Seen(thick, "dropper").Verdict);
        Assert.Contains("local rules", Seen(thick, "rules").Says.ToString(), StringComparison.Ordinal);
        var level = Tied(P(LeaderPart.Butt, 1.5, .28), P(LeaderPart.Tippet, .8, .28, "dropper")) with { Droppers = [new(1, .15)] };
        Assert.Equal(Verdict.Look, Seen(level, "dropper").Verdict);
    }

    [Fact]
    public void Teeth_want_a_guard_and_both_schools_are_told_what_they_give_up()
    {
        var teeth = Use with { Mouth = Mouth.Teeth };
        Assert.Equal(Verdict.Fails, Seen(Knotted, "guard", teeth).Verdict);
        var wire = Leader.From(Knotted.Pieces, .25, LeaderMaterial.Wire);
        Assert.Equal(("figure-eight", Verdict.Fits), (wire.FlyKnot, Seen(wire, "guard", teeth).Verdict));
        Assert.Contains("cut", Seen(Leader.From(Knotted.Pieces, .25), "guard", teeth).Says.ToString(), StringComparison.Ordinal);
    }

    // Teeth: six inches of wire, or of fluorocarbon of some 80 lb. Rough mouths: a foot of some 30 lb. Common practice, no source.
    [Theory]
    [InlineData(Mouth.Teeth, LeaderMaterial.Wire, .05, .30, Verdict.Fails)]
    [InlineData(Mouth.Teeth, LeaderMaterial.Wire, .074, .30, Verdict.Fails)]
    [InlineData(Mouth.Teeth, LeaderMaterial.Wire, .076, .30, Verdict.Look)]
    [InlineData(Mouth.Teeth, LeaderMaterial.Wire, .147, .30, Verdict.Look)]
    [InlineData(Mouth.Teeth, LeaderMaterial.Wire, .15, .30, Verdict.Fits)]
    [InlineData(Mouth.Teeth, LeaderMaterial.Fluorocarbon, .25, .30, Verdict.Fails)]
    [InlineData(Mouth.Teeth, LeaderMaterial.Fluorocarbon, .25, .74, Verdict.Fails)]
    [InlineData(Mouth.Teeth, LeaderMaterial.Fluorocarbon, .25, .75, Verdict.Look)]
    [InlineData(Mouth.Abrasive, LeaderMaterial.Fluorocarbon, .14, .60, Verdict.Fails)]
    [InlineData(Mouth.Abrasive, LeaderMaterial.Fluorocarbon, .295, .60, Verdict.Look)]
    [InlineData(Mouth.Abrasive, LeaderMaterial.Fluorocarbon, .30, .60, Verdict.Fits)]
    [InlineData(Mouth.Abrasive, LeaderMaterial.Fluorocarbon, .45, .47, Verdict.Look)]
    [InlineData(Mouth.Abrasive, LeaderMaterial.Fluorocarbon, .45, .48, Verdict.Fits)]
    public void A_guard_is_long_and_thick_enough_for_what_it_stands(
        Mouth mouth,
        LeaderMaterial material,
        double lengthM,
        double thickMm,
        Verdict verdict
    )
    {
        LeaderPiece guard = new(LeaderPart.Guard, lengthM, thickMm / 1000, thickMm / 1000) { Material = material };
        var leader = Knotted with { Pieces = [.. Knotted.Pieces, guard] };
        Assert.Equal(verdict, Seen(leader, "guard", Use with { Mouth = mouth }).Verdict);
    }

    // What stays outside at the net: common practice, no source, 0.6 to 1 m.
    [Theory]
    [InlineData(3, Verdict.Fits)]
    [InlineData(3.7, Verdict.Look)]
    [InlineData(4.2, Verdict.Fails)]
    public void A_leader_longer_than_the_rod_runs_its_joint_into_the_rings(double lengthM, Verdict verdict)
    {
        var check = LeaderCheck.For(Tied(P(LeaderPart.Butt, lengthM, .5)), Use with { RodM = 2.74 });
        Assert.Equal(verdict, check.Findings.First(f => f.Id == "net").Verdict);
        Assert.Equal(lengthM - 2.74, check.OutsideM!.Value, 9);
    }

    private static readonly Gen<(LeaderSchool School, LeaderWish Wish)> AnyWish = Gen.Select(
        Gen.Enum<LeaderSchool>(),
        Gen.Double[.6, 7],
        Gen.Double[.6, 1.6],
        Gen.Double[.1, .6],
        Gen.Int[0, 2].Select(i => new[] { 0, .25, .45 }[i]),
        (school, length, tip, tippet, guard) => (school, new LeaderWish(length, tip / 1000, tippet / 1000, guard))
    );

    [Fact]
    public void Every_school_lays_out_a_leader_of_the_wanted_length_that_can_be_kept() =>
        AnyWish.Sample(w =>
        {
            var leader = LeaderDesign.For(w.School, w.Wish, Pocket)!;
            Assert.Empty(leader.Check());
            Assert.Equal(Math.Max(.3, w.Wish.LengthM - w.Wish.GuardM) + w.Wish.GuardM, leader.LengthM, 6);
            Assert.Equal(w.Wish.GuardM, leader.GuardM, 9);
        });

    // Only four spools on hand, and every piece is of one of them.
    [Fact]
    public void Four_spools_make_a_leader_that_steps_down_from_thick_to_thin()
    {
        LeaderSpool[] four = [.. Pocket.Where(s => s.Tag is "T1" or "T3" or "T4" or "T6")];
        var leader = LeaderDesign.For(LeaderSchool.Knotted, new(2.74, .001, .0002), four)!;
        Assert.Equal([.53, .40, .33, .203], leader.Pieces.Select(p => p.StartM * 1000), (a, b) => Math.Abs(a - b) < 1e-9);
        Assert.All(leader.Pieces, p => Assert.Contains(four, s => s.Id == p.SpoolId));
        // A blood knot holds like thicknesses; .33 to .203 is too far apart for one.
        Assert.Equal([null, "blood", "blood", "surgeons"], leader.Pieces.Select(p => p.Knot));
        Assert.Equal(.2 * 2.74, leader.Pieces[^1].LengthM, 3);
        Assert.Null(LeaderDesign.For(LeaderSchool.Knotted, new(2.74, .001, .0002), four[..1]));
    }

    [Fact]
    public void Cut_lengths_come_to_the_leader_and_what_its_knots_eat() =>
        AnyWish.Sample(w =>
        {
            var leader = LeaderDesign.For(w.School, w.Wish, Pocket)!;
            var cuts = TyingList.Cuts(leader, Pocket);
            Assert.Equal(leader.LengthM, cuts.Sum(c => c.LengthM), 6);
            var bought = cuts[0].Bought;
            var eaten = Knots.Get(leader.FlyKnot).EatsM(leader.Pieces[^1].EndM);
            if (!bought)
                eaten += Knots.Get(leader.LineKnot == "nail" ? "nail" : "perfection").EatsM(leader.Pieces[0].StartM);
            for (var i = 1; i < leader.Pieces.Count; i++)
                if (leader.KnotOf(i) is { } knot)
                    eaten += knot.EatsM(leader.Pieces[i - 1].EndM) + knot.EatsM(leader.Pieces[i].StartM);
            Assert.Equal(leader.LengthM + eaten, cuts.Sum(c => c.CutM), 6);
        });

    [Fact]
    public void A_tying_list_takes_from_the_spools_what_it_cuts_and_says_what_is_short()
    {
        TiedLeader[] six =
        [
            .. Enumerable
                .Range(1, 6)
                .Select(i => new TiedLeader
                {
                    Id = i,
                    Tag = $"K{i}",
                    Name = "",
                    Leader = Knotted,
                }),
        ];
        LeaderSpool[] pocket = [.. Pocket.Select(s => s.Tag == "T3" ? s with { LeftM = 1 } : s)];
        var list = TyingList.For(six, pocket);
        Assert.Equal(6, list.Leaders.Count);
        Assert.All(list.Spools, s => Assert.Equal(list.Leaders.Sum(l => l.Cuts.Where(c => c.Spool == s.Tag).Sum(c => c.CutM)), s.UsedM, 6));
        Assert.False(list.Spools.First(s => s.Tag == "T3").Enough);
        Assert.True(list.Spools.First(s => s.Tag == "T1").Enough);
        var missing = TyingList.For([six[0] with { Leader = Leader.Build(2.7, .001, .0002, 0) }], []).Missing;
        Assert.Contains(missing, m => m.Says.ToString().Contains("knotless taper", StringComparison.Ordinal));
    }

    // A turn round a strand as thick as itself is a circle of two radii: π·2d. Arithmetic.
    [Fact]
    public void A_knot_eats_its_turns_and_room_for_the_fingers()
    {
        var blood = Knots.Blood;
        Assert.Equal(blood.Turns * Math.PI * 2 * .0005, blood.EatsM(.0005) - blood.EatsM(0), 9);
        Assert.All(Knots.Rows, k => Assert.InRange(k.EatsM(.0005), 0, .25));
    }

    // Knot shares from memory, low to high.
    [Theory]
    [InlineData("clinch", .80, .90)]
    [InlineData("non-slip", .85, .95)]
    [InlineData("surgeons", .80, .90)]
    [InlineData("blood", .75, .90)]
    [InlineData("nail", .70, .90)]
    [InlineData("perfection", .65, .80)]
    [InlineData("figure-eight", .70, .80)]
    public void A_knot_keeps_the_share_that_people_count_on(string id, double low, double high)
    {
        Assert.Equal(new Spread(low, high), Knots.Get(id).Share);
        Assert.Equal(SourceMark.Memory, Knots.Source.Mark);
    }

    // Common practice, no source: so thick and so long they are sold and led.
    [Theory]
    [InlineData(LeaderSchool.Coated, 4, "2.9 1.1-0.6, 1.1 0.2-0.2")]
    [InlineData(LeaderSchool.Coated, 6, "3 1.1-0.6, 3 0.2-0.2")]
    [InlineData(LeaderSchool.Coated, 2, "1 1.1-0.6, 1 0.2-0.2")]
    [InlineData(LeaderSchool.Led, 8, "6.05 0.28-0.28, 0.45 0.25-0.25, 1.5 0.2-0.2")]
    [InlineData(LeaderSchool.Led, 2, "0.8 0.28-0.28, 0.4 0.25-0.25, 0.8 0.2-0.2")]
    [InlineData(LeaderSchool.Level, 3, "3 0.2-0.2")]
    public void A_school_has_its_usual_measures(LeaderSchool school, double lengthM, string pieces) =>
        Assert.Equal(
            pieces,
            string.Join(
                ", ",
                LeaderDesign
                    .For(school, new(lengthM, .001, .0002), [])!
                    .Pieces.Select(p => FormattableString.Invariant($"{p.LengthM:0.###} {p.StartM * 1000:0.####}-{p.EndM * 1000:0.####}"))
            )
        );

    // Common practice, no source: 12 cm is the shortest step that fingers tie well; steps take no more than 0.35 of the leader.
    [Theory]
    [InlineData(1.02, 2)]
    [InlineData(1.03, 3)]
    public void A_short_leader_has_no_more_steps_than_fingers_tie(double lengthM, int steps)
    {
        LeaderSpool[] every =
        [
            .. Enumerable.Range(0, 321).Select(i => LeaderSpool.Blank with { Id = i + 1, DiameterM = .0002 + i * 1e-6 }),
        ];
        var leader = LeaderDesign.For(LeaderSchool.Knotted, new(lengthM, .0008, .0002), every)!;
        Assert.Equal(steps, leader.Pieces.Count - 2);
        Assert.All(leader.Pieces.Skip(1).SkipLast(1), p => Assert.Equal(.12, p.LengthM, 9));
        // 0.05 mm a step, more by a hundredth at a time until they are few enough: from 0.52 down by 0.11 or by 0.08 mm.
        var each = steps == 2 ? .00011 : .00008;
        Assert.Equal(
            Enumerable.Range(0, steps + 1).Select(i => Math.Round(.00052 - i * each, 6)),
            leader.Pieces.SkipLast(1).Select(p => Math.Round(p.StartM, 6))
        );
    }

    [Fact]
    public void A_guard_leaves_a_foot_of_the_leader() =>
        Assert.Equal(.3, LeaderDesign.For(LeaderSchool.Level, new(.9, .001, .0002, .7), [])!.Pieces[0].LengthM, 9);

    // Two thirds of what people tie lie within a clinch's 80 to 90 %: 0.059 of it, and 15 % for the stuff, a tenth where it was tried.
    [Fact]
    public void A_joint_is_as_doubtful_as_its_knot_and_its_stuff()
    {
        double Off(double? ownN)
        {
            var fly = LeaderStrength.Joints(Tied(P(LeaderPart.Tippet, 2, .3) with { OwnN = ownN }), 1000)[^1];
            return fly.PlusMinusN / fly.StandsN;
        }
        var knot = Doubt.Wide * .05 / .85;
        Assert.Equal(Math.Sqrt(knot * knot + .15 * .15), Off(null), 9);
        Assert.Equal(Math.Sqrt(knot * knot + .1 * .1), Off(60), 9);
    }

    // What is printed on a spool is rounded to a hundredth: 0.006 mm off is the same, more is not.
    [Theory]
    [InlineData(.2059, true)]
    [InlineData(.2061, false)]
    public void A_spool_as_thick_as_the_piece_is_taken(double mm, bool same) =>
        Assert.Equal(same, TyingList.Like(P(LeaderPart.Tippet, 1, mm), [LeaderSpool.Blank with { Id = 1 }]) is not null);

    // A new spool holds 25 m of 0.2 mm; of what was broken the last twenty are kept.
    [Fact]
    public void A_spool_begins_full_and_keeps_its_last_twenty_breaks()
    {
        Assert.Equal((25, .0002), (LeaderSpool.Blank.LeftM, LeaderSpool.Blank.DiameterM));
        var spool = Enumerable.Range(1, 25).Aggregate(LeaderSpool.Blank, (s, n) => s.Broke(new(default, "clinch", n)));
        Assert.Equal(Enumerable.Range(6, 20).Select(n => (double)n), spool.Breaks.Select(b => b.BrokeN));
        // A taper's mass is drawn at seven places, a level piece's at its ends.
        Assert.Equal(9, LeaderCheck.For(Tied(P(LeaderPart.Butt, 2, .6, toMm: .2), P(LeaderPart.Tippet, 1, .2)), Use).Masses.Count);
    }

    // Equal in length and tippet, other butts: the cast feels it.
    [Fact]
    public void A_stiff_butt_turns_over_otherwise_than_a_soft_one_of_equal_length_and_tippet()
    {
        var shed = DemoGear.Shed();
        var brief = Brief.Complete(DemoGear.Briefs[0].Draft);
        Leader Of(double mm) => Tied(P(LeaderPart.Butt, 2, mm), P(LeaderPart.Tippet, .7, .33, "surgeons"));
        var both = new[] { Of(.60), Of(.36) }.Select(l => CastSetup.For(brief, shed.Rods[5], shed.Lines[10], l)).ToList();
        var turned = Turnover.For(both, brief.DistanceM);
        Assert.Equal(1, turned[0].SameShare!.Value, 9);
        Assert.True(Math.Abs(turned[1].SameShare!.Value - 1) > .005, $"{turned[1].SameShare}");
    }

    [Fact]
    public void A_pinned_leader_brings_its_length_its_tippet_and_its_weakest_knot()
    {
        var shed = DemoGear.Shed();
        var brief = Brief.Complete(DemoGear.Briefs[0].Draft);
        var kept = shed.Leaders[0];
        var solved = Matcher.Solve(brief, shed, new() { Leader = kept.Id }, cancel: TestContext.Current.CancellationToken);
        Assert.Equal(kept.Leader, solved.Outfit.Leader);
        Assert.Equal(kept.Leader.TippetM, solved.Outfit.Tippet.DiameterM);
        var weakest = solved.Outfit.Joints.First(j => j.Weakest);
        Assert.Equal(weakest.StandsN, solved.Outfit.Drag.WeakestN, 6);
        var card = solved.Card.Lines.First(l => l.Link == LinkId.Leader).Says.ToString();
        Assert.Contains(kept.Tag, card, StringComparison.Ordinal);
        Assert.True(solved.Chain.First(l => l.Id == LinkId.Leader).Pinned);
        // One that was put away since is no more than a wish.
        Assert.NotEqual(
            kept.Leader,
            Matcher.Solve(brief, shed, new() { Leader = 999 }, cancel: TestContext.Current.CancellationToken).Outfit.Leader
        );
    }
}
