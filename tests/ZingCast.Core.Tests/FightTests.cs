using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>A fish on the rod: what the hand, the tip and the tippet have to say.</summary>
public class FightTests
{
    private static readonly BendModel Rod = AnyBrief.Loan.Rods.Single(r => r.Tag == "R3").Bend!;

    private static Fight Under(double pullN, double angleDeg = 80, double surgeM = .5, double? tippetM = .00033) =>
        Fight.For(Rod, new(pullN, angleDeg, surgeM, tippetM));

    [Fact]
    public void Nothing_pulls_nothing_bends()
    {
        var rest = Under(0, surgeM: 0);
        Assert.Equal("At rest", rest.Says.ToString());
        Assert.Equal(0, rest.ReachLostM, 9);
    }

    [Fact]
    public void The_harder_the_pull_the_farther_the_tip_comes_in()
    {
        var lost = new[] { 2.0, 5, 10, 20 }.Select(n => Under(n).ReachLostM).ToList();
        Assert.Equal(lost.Order(), lost);
        Assert.True(lost[^1] > lost[0]);
    }

    // Common practice, no source: the heavier the fish, the further down the rod works.
    [Fact]
    public void The_heavier_the_fish_the_further_down_the_rod_bends()
    {
        var butt = new[] { 1.0, 5, 20, 60 }.Select(n => Under(n).Fish.Thirds.Butt).ToList();
        Assert.Equal(butt.Order(), butt);
        Assert.Contains("into the butt", Under(60).Says.ToString(), StringComparison.Ordinal);
        Assert.DoesNotContain("into the butt", Under(1).Says.ToString(), StringComparison.Ordinal);
    }

    // Common practice, no source: a hand holds 10 to 12 N·m for minutes, so the lower the rod to the line the harder it can pull.
    [Fact]
    public void A_low_rod_pulls_harder_than_a_high_one()
    {
        Assert.Equal((10, 12), (Fight.HandNm.Low, Fight.HandNm.High));
        var (low, high) = (Under(9, 30).HandMostN, Under(9, 90).HandMostN);
        Assert.True(low.Low > high.Low && low.High > high.High && high.Low < high.High);
        // Moment is pull times lever: at the most a hand keeps up the bent rod has that moment at its butt.
        Assert.Equal(12, Under(high.High, 90).Fish.ButtNm, .05);
    }

    // Common practice, no source: from two fifths of the energy on the butt works, from nine twentieths on only the tip.
    [Fact]
    public void The_butt_works_from_two_fifths_of_the_bend_on_and_only_the_tip_from_nine_twentieths()
    {
        // A slim rod and a full one.
        BendModel slim = new(2.5, 40, .09);
        Fight On(BendModel rod, double pullN) => Fight.For(rod, new(pullN, 80, .5));
        double PullAt(BendModel rod, Func<BendThirds, double> share, double wanted)
        {
            double low = .1,
                high = 100;
            var rises = share(On(rod, high).Fish.Thirds) > wanted;
            for (var i = 0; i < 50; i++)
                (low, high) =
                    share(On(rod, (low + high) / 2).Fish.Thirds) > wanted == rises ? (low, (low + high) / 2) : ((low + high) / 2, high);
            return low;
        }
        string Says(BendModel rod, Func<BendThirds, double> share, double wanted) => On(rod, PullAt(rod, share, wanted)).Says.ToString();
        Assert.Contains("into the butt", Says(Rod, t => t.Butt, .405), StringComparison.Ordinal);
        Assert.DoesNotContain("into the butt", Says(Rod, t => t.Butt, .395), StringComparison.Ordinal);
        Assert.Contains("Only the top third", Says(slim, t => t.Tip, .455), StringComparison.Ordinal);
        Assert.DoesNotContain("Only the top third", Says(slim, t => t.Tip, .445), StringComparison.Ordinal);
    }

    [Fact]
    public void Pulls_are_shown_as_people_name_them_and_tackle_ends_at_forty_kilograms()
    {
        Assert.Equal([1, 2, 4], Under(9).Usual.Select(b => Math.Round(b.PullN / Exact.PoundForceN, 9)));
        Assert.Equal(new FightLoad(8.9, 80, .5, .00033), FightLoad.Usual);
        // A rod that points at the fish tires nobody: the tackle is the limit.
        Assert.Equal(new Spread(400, 400), Under(9, 5).HandMostN);
        var hardest = Rod.Under(400, 1.2).ButtNm;
        Assert.NotNull(Rod.PullForMomentN(.999 * hardest, 1.2));
        Assert.Null(Rod.PullForMomentN(1.001 * hardest, 1.2));
    }

    [Fact]
    public void A_surge_on_a_locked_line_pulls_harder_and_breaks_a_thin_tippet_first()
    {
        var (thin, thick) = (Under(3, surgeM: .2, tippetM: .00008), Under(3, surgeM: .2, tippetM: .0006));
        Assert.True(thick.SurgeN > 3);
        Assert.Equal(thin.SurgeN, thick.SurgeN);
        Assert.True(thin.Breaks && !thick.Breaks);
        Assert.Equal(Tippets.StrengthN(.00008) * Tippets.KnotShare, thin.KnottedN!.Value, 9);
        Assert.Contains("more than the", thin.SurgeSays.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Beyond_what_the_rod_has_to_give_everything_comes_on_the_tippet()
    {
        var spent = Under(9, surgeM: 5);
        Assert.Null(spent.SurgeN);
        Assert.True(spent.Breaks);
    }

    [Fact]
    public void The_usual_load_is_two_pounds_on_a_plain_tippet() => Assert.Equal(2, FightLoad.Usual.PullN / Exact.PoundForceN, .01);

    [Theory]
    [InlineData(-1, 80, .5, "pullN")]
    [InlineData(9, 2, .5, "angleDeg")]
    [InlineData(9, 80, 6, "surgeM")]
    [InlineData(double.NaN, 80, .5, "pullN")]
    public void Loads_that_cannot_be_are_named(double pull, double angle, double surge, string field) =>
        Assert.Equal(field, Assert.Single(new FightLoad(pull, angle, surge).Check()).Field);
}
