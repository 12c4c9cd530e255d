using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
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
        double Share(string caster)
        {
            var reach = Matcher.For(Brief.Complete(new() { Caster = caster }, Known), AnyBrief.Loan).Choose().Outfit.ReachM;
            return reach.PlusMinus!.Value / reach.Value;
        }
        Assert.Equal(.11, Share("club"), 9);
        Assert.Equal(.05, Share("own"), 9);
    }

    // Common practice, no source: half the width of what such casters usually reach in calm.
    [Fact]
    public void The_presets_tolerance_is_half_the_width_of_their_usual_reaches()
    {
        var halves = Casters.Rows.Select(c => (c.CalmToM - c.CalmFromM) / (c.CalmToM + c.CalmFromM)).ToList();
        Assert.InRange(Casters.ReachTolerance, halves.Min() - .01, halves.Max() + .01);
        Assert.All(Casters.Rows, c => Assert.Equal(Casters.ReachTolerance, c.ReachTolerance));
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
