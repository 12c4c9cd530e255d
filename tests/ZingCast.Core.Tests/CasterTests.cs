using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>A caster is values with a tolerance and a source; the presets are only the first of them.</summary>
public class CasterTests
{
    // Somebody whose own casts were measured, a little faster than the preset and known more closely.
    private static readonly Caster Own = Casters.Usual with
    {
        Id = "own",
        Name = "own arm",
        FreeMps = 29,
        ReachTolerance = .05,
        Source = new(SourceMark.Measured, "Fitted to forty casts"),
    };

    private static readonly IReadOnlyList<Caster> Known = [.. Casters.Rows, Own];

    [Fact]
    public void A_brief_takes_the_casters_it_is_told_of()
    {
        var draft = new BriefDraft { Caster = "own" };
        Assert.Contains(Brief.Check(draft), p => p.Field == "caster");
        Assert.Empty(Brief.Check(draft, Known));
        Assert.Same(Own, Known[^1]);
        Assert.Equal("Fitted to forty casts", Brief.Complete(draft, Known).Caster.Source.Note);
    }

    [Fact]
    public void Who_says_nothing_casts_like_a_club_caster() => Assert.Equal(Casters.Usual, Brief.Complete(new()).Caster);

    [Fact]
    public void A_reach_is_as_sure_as_the_caster_is_known()
    {
        double Share(string caster, double windMps = 0, double fromDeg = 0)
        {
            var day = Brief.Complete(
                new()
                {
                    Caster = caster,
                    WindMps = windMps,
                    WindFromDeg = fromDeg,
                },
                Known
            );
            var reach = Matcher.For(day, AnyBrief.Loan).Choose().Outfit.ReachM;
            return reach.PlusMinus!.Value / reach.Value;
        }
        Assert.Equal(1.96 * .12, Share("club"), 3);
        Assert.Equal(.05, Share("own"), 9);
        // Common practice, no source: 1.2 hundredths for every metre a second, half of it from the side.
        Assert.Equal(1.96 * Math.Sqrt(.12 * .12 + .06 * .06), Share("club", 5), 3);
        Assert.Equal(1.96 * Math.Sqrt(.12 * .12 + .06 * .06), Share("club", 10, 90), 3);
    }

    // Common practice, no source: what such casters usually reach in calm holds about two thirds of them; people of 16, 12, 10 and 10 %.
    [Fact]
    public void What_casters_of_a_kind_usually_reach_holds_about_two_thirds_of_them()
    {
        Assert.Equal([.16, .12, .10, .10], Casters.Rows.Select(c => Math.Round(c.ReachTolerance / 1.96, 3)));
        Assert.All(
            Casters.Rows,
            c =>
            {
                var middle = (c.CalmFromM + c.CalmToM) / 2;
                var off = c.ReachTolerance * middle;
                var within = Doubt.Chance(middle, off, c.CalmFromM) - Doubt.Chance(middle, off, c.CalmToM);
                Assert.InRange(within, .6, .72);
            }
        );
    }

    [Fact]
    public void Nineteen_of_twenty_lie_within_the_doubt_and_eight_of_ten_ask_so_much_in_hand()
    {
        Assert.Equal(.95, Doubt.Chance(10, 2, 8) - Doubt.Chance(10, 2, 12), 3);
        Assert.Equal((.5, 1, 0), (Doubt.Chance(10, 2, 10), Doubt.Chance(10, 0, 10), Doubt.Chance(10, 0, 10.01)));
        // 16, 11, 9½ and 9½ % in hand.
        double[] inHand = [.16, .11, .095, .095];
        foreach (var (caster, more) in Casters.Rows.Zip(inHand))
        {
            var reach = 20 * (1 + more);
            Assert.InRange(Doubt.Chance(reach, caster.ReachTolerance * reach, 20), .795, .81);
        }
        Assert.Equal([0, 1, 2, 7, 8, 9], new[] { .09, .19, .2, .79, .8, .999 }.Select(Doubt.OfTen));
        Assert.Equal("7 such casters of 10", Casters.Usual.Odds(.74).ToString());
        Assert.Equal("1 cast of 10", (Casters.Usual with { Source = new(SourceMark.Measured, "") }).Odds(.15).ToString());
    }

    // Common practice, no source.
    [Fact]
    public void Only_one_who_is_learning_is_given_mass_to_feel()
    {
        Solution Of(Caster caster) => Matcher.Solve(Brief.Complete(new() { Caster = caster.Id, DistanceM = 9 }, [caster]), AnyBrief.Loan);
        var learning = Casters.Find("learner")!;
        Assert.True(learning.Learning);
        Assert.Contains(Of(learning).Ledger, s => s.Rule == Rules.Caster);
        Assert.DoesNotContain(Of(learning with { Learning = false }).Ledger, s => s.Rule == Rules.Caster);
        Assert.Contains(Of(Own with { Learning = true }).Ledger, s => s.Rule == Rules.Caster);
    }

    [Fact]
    public void An_article_goes_with_the_name() =>
        Assert.Equal(("an", "a"), (Casters.Find("expert")!.Article, Casters.Find("skilled")!.Article));

    [Fact]
    public void The_wind_has_a_word_for_every_eighth_of_the_circle()
    {
        Assert.Equal(8, BriefWords.WindFrom.Count);
        Assert.Equal([0, 45, 90, 135, 180, 225, 270, 315], BriefWords.WindFrom.Select(w => w.Deg));
        Assert.Equal("from behind left", BriefWords.WindFrom.Single(w => w.Deg == 225).Name);
        Assert.Equal("from the front right", BriefWords.WindFrom.Single(w => w.Deg == 45).OfMe);
    }

    [Theory]
    [InlineData(Hand.Right, 90, 5, 5)]
    [InlineData(Hand.Right, 270, 5, -5)]
    [InlineData(Hand.Left, 270, 5, 5)]
    [InlineData(Hand.Left, 0, 5, 0)]
    public void Wind_from_the_casting_side_blows_onto_the_shoulder(Hand hand, double from, double mps, double onto) =>
        Assert.Equal(
            onto,
            Brief
                .Complete(
                    new()
                    {
                        Hand = hand,
                        WindFromDeg = from,
                        WindMps = mps,
                    }
                )
                .ShoulderMps,
            9
        );

    // Common practice: the defaults that stand for a fish's name alone.
    [Theory]
    [InlineData("zander", "weighted-baitfish", Water.Stillwater)]
    [InlineData("pike", "predator", Water.Stillwater)]
    [InlineData("garfish", "slim-streamer", Water.Shore)]
    [InlineData("grayling", "dry", Water.River)]
    [InlineData("bonefish", "shrimp-crab", Water.Flat)]
    [InlineData("sea-bass", "baitfish", Water.Shore)]
    [InlineData("steelhead", "slim-streamer", Water.River)]
    public void The_name_of_a_fish_alone_says_a_usual_day(string species, string fly, Water water)
    {
        var brief = Brief.Complete(new() { Species = species });
        Assert.Equal((fly, water), (brief.Fly.Kind.Id, brief.Water));
    }
}
