using ZingCast.Core.Briefs;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;
using ZingCast.Core.Trips;

namespace ZingCast.Core.Tests;

/// <summary>The commonest question of the trade: which outfit first?</summary>
public sealed class FirstOutfitTests
{
    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    private static FirstOutfit First(string fish, Cover cover = Cover.Open, double? budget = null) =>
        FirstOutfit.For(new(fish.Split(' '), cover, budget), Cancel);

    private static double Of(Sentence says, Kind kind) => says.Parts.First(p => p.Quantity?.Kind == kind).Quantity!.Value.Value;

    // What experienced people would have a beginner buy (common practice, no source): length in feet, numbers, density on the box.
    [Theory]
    [InlineData("river-trout", 8.5, 9, 4, 6, "F")]
    [InlineData("river-trout grayling", 8.5, 9, 4, 6, "F")]
    [InlineData("river-trout lake-trout", 8.5, 9, 4, 6, "F")]
    [InlineData("river-trout panfish", 9, 9, 5, 6, "F")]
    [InlineData("river-trout perch black-bass", 9, 9, 5, 6, "F")]
    [InlineData("panfish black-bass pike", 9, 9, 5, 6, "F")]
    [InlineData("panfish", 7.5, 9, 3, 5, "F")]
    [InlineData("perch", 7.5, 9, 3, 5, "F")]
    [InlineData("brook-trout", 7, 8, 3, 4, "F")]
    [InlineData("brook-trout char", 7, 8, 3, 4, "F")]
    [InlineData("lake-trout", 9, 10, 6, 7, "I")]
    [InlineData("black-bass", 9, 9, 6, 8, "F")]
    [InlineData("black-bass pike", 9, 9, 7, 9, "F")]
    [InlineData("pike", 9, 9, 8, 10, "F")]
    [InlineData("carp", 9, 9, 7, 8, "F")]
    [InlineData("bonefish redfish", 9, 9, 7, 8, "F")]
    [InlineData("sea-bass mullet garfish", 9, 9.5, 7, 8, "I")]
    [InlineData("sea-bass", 9, 9.5, 7, 8, "I")]
    [InlineData("mullet", 9, 9.5, 5, 7, "F")]
    [InlineData("sea-trout", 9, 10, 7, 8, "F")]
    [InlineData("sea-trout salmon", 9, 10, 7, 8, "F")]
    public void It_is_what_people_would_have_a_beginner_buy(
        string fish,
        double shortFt,
        double longFt,
        double low,
        double high,
        string density
    )
    {
        var first = First(fish);
        var rod = first.Shopping.Single(l => l.Link == LinkId.Rod).Says;
        Assert.InRange(Of(rod, Kind.RodLength) / Exact.FootM, shortFt - .01, longFt + .01);
        Assert.InRange(Of(rod, Kind.LineClass), low, high);
        Assert.Contains("4 piece", rod.ToString(), StringComparison.Ordinal);
        Assert.StartsWith(
            $"WF{Of(rod, Kind.LineClass):0}{density}, ",
            first.Shopping.Single(l => l.Link == LinkId.Head).Says.ToString(),
            StringComparison.Ordinal
        );
        // Nobody owns any of it, and nothing of it carries a tick.
        Assert.Equal(["rod", "line", "reel", "backing", "leader", "tippet", "fly"], first.Shopping.Select(l => l.Name));
        Assert.All(first.Shopping, l => Assert.True(l.ToBuy));
        Assert.DoesNotContain(first.Coverage.Days.SelectMany(d => d.Cells), c => c?.Verdict == Verdict.Fits);
        // It serves all it is said to be for, and a learner gets there.
        Assert.Equal(first.Coverage.Of, first.Coverage.Served);
        Assert.All(first.Reach, r => Assert.True(HandChance(r) >= Doubt.FitsFrom, $"{r.Name}: {r.Says}"));
    }

    private static double HandChance(FirstReach r) => Doubt.Chance(r.Reach.Value, r.Reach.PlusMinus!.Value, r.Wanted.Value);

    [Fact]
    public void Whatever_fish_somebody_names_there_is_an_answer_that_serves_a_day()
    {
        var covers = Enum.GetValues<Cover>();
        // Each with one cover, so that all of them come up; with time to spare each with all.
        foreach (var (i, fish) in Fishes.All.Index())
        foreach (var cover in Explore.On ? covers : [covers[i % covers.Length]])
        {
            var first = First(fish.Id, cover);
            Assert.True(first.Coverage.Served > 0, $"{fish.Id} {cover}");
            Assert.InRange(first.Reach.Max(r => r.Reach.Value), 3, 16);
        }
    }

    [Fact]
    public void Pike_and_big_fish_of_the_sea_are_outfits_of_their_own()
    {
        void Apart(string fish, string other, double low, double high)
        {
            var next = First(fish).Next[0];
            Assert.StartsWith(other, next.Says.ToString(), StringComparison.Ordinal);
            Assert.Equal(3, next.Pieces.Count);
            Assert.InRange(Of(next.Pieces[0].Says, Kind.LineClass), low, high);
        }
        // Common practice, no source.
        Apart("river-trout lake-trout pike", "Pike", 8, 9);
        Apart("panfish black-bass pike", "Pike", 8, 9);
        Apart("lake-trout pike", "Pike", 8, 9);
        Apart("bonefish redfish big-tarpon", "Big tarpon", 11, 12);
        Apart("river-trout sea-bass", "Sea bass", 7, 8);
        Apart("small-trevally trevally", "Giant trevally", 11, 12);
        // A black bass's bug is thrown with what throws the pike's fly.
        Assert.DoesNotContain(First("black-bass pike").Next, n => n.Says.ToString().Contains("of its own", StringComparison.Ordinal));
    }

    [Fact]
    public void What_the_trade_says_stands_beside_it_and_what_pulls_ours_away()
    {
        Assert.Equal("Most people say nine feet and a five", First("river-trout").Trade.Usual.ToString());
        Assert.Equal("So do we", First("river-trout").Trade.Why.ToString());
        Assert.Contains("big salmon", First("salmon").Trade.Why.ToString(), StringComparison.Ordinal);
        Assert.Contains("little room behind", First("river-trout", Cover.Canopy).Trade.Why.ToString(), StringComparison.Ordinal);
    }

    [Fact]
    public void Money_goes_into_the_line_first_and_into_the_reel_where_the_fish_runs()
    {
        string Grade(string fish, double budget, string thing) =>
            First(fish, budget: budget).Money.Costs.Single(c => c.Name == thing).Grade;
        // Plain ones are 90, 40 and 50, small things 45: 225 in all. A good line is 20 more, a rod 110, a reel 70. Examples.
        Assert.Equal("plain", Grade("river-trout", 244, "line"));
        Assert.Equal("good", Grade("river-trout", 245, "line"));
        Assert.Equal("plain", Grade("river-trout", 354, "rod"));
        Assert.Equal("good", Grade("river-trout", 355, "rod"));
        Assert.Equal(("plain", "good"), (Grade("bonefish", 320, "rod"), Grade("bonefish", 320, "reel")));
        Assert.Equal("fine", Grade("river-trout", 1000, "rod"));
        var (little, enough) = (First("river-trout", budget: 200).Money, First("river-trout", budget: 500).Money);
        Assert.Equal(225, little.Total);
        Assert.Contains("25 more than may be spent", little.Says.ToString(), StringComparison.Ordinal);
        Assert.True(enough.Total <= 500);
        Assert.Equal(enough.Total, enough.Costs.Sum(c => c.Price));
    }

    [Fact]
    public void Another_line_is_named_where_one_cannot_do_it_all()
    {
        var first = First("sea-trout steelhead");
        Assert.Contains("steelhead wants another line", first.Says.ToString(), StringComparison.Ordinal);
        Assert.Contains(first.Next, n => n.Says.ToString().StartsWith("A second line would serve", StringComparison.Ordinal));
    }

    // A giant fly is not one to begin with (common practice, no source).
    [Fact]
    public void Whoever_begins_with_the_biggest_fly_is_told_what_to_begin_with() =>
        Assert.Contains("not the one to begin with", First("giant-esox").Lessons[0].Says.ToString(), StringComparison.Ordinal);

    [Fact]
    public void A_wish_with_a_fault_is_refused_at_its_field()
    {
        static string[] Fields(FirstWish wish) => [.. wish.Check().Select(p => p.Field)];
        Assert.Empty(Fields(new(["pike"])));
        Assert.Equal(["fish"], Fields(new([])));
        Assert.Equal(["fish"], Fields(new(["unicorn"])));
        Assert.Equal(["fish"], Fields(new([.. Fishes.All.Take(FirstWish.MaxFish + 1).Select(f => f.Id)])));
        Assert.Equal(["budget"], Fields(new(["pike"], Budget: -1)));
        Assert.Equal(["cover"], Fields(new(["pike"], (Cover)9)));
    }

    // How a shop calls what it sells (common practice, no source): heads below 30 ft are short, from 40 ft on long; a line that is built a
    // class heavier than its number is asked for by its grains.
    [Fact]
    public void A_line_is_called_by_its_number_and_by_its_grains_where_the_number_says_little()
    {
        var rod = Rod.Blank with { PrintedClass = 6 };
        string Called(double headFt, double lineClass) =>
            ShopWords
                .For(
                    FlyLine.Blank with
                    {
                        HeadM = headFt * Exact.FootM,
                        LengthM = 30,
                        FrontTaperM = 0,
                        RearTaperM = 0,
                        HeadKg = LineWeights.MassKg(lineClass) * headFt / 30,
                    },
                    rod
                )
                .ToString();
        Assert.Contains(", all-round head, ", Called(30.5, 6), StringComparison.Ordinal);
        Assert.Contains(", short head, ", Called(29.5, 6), StringComparison.Ordinal);
        Assert.Contains(", all-round head, ", Called(39.5, 6), StringComparison.Ordinal);
        Assert.Contains(", long head, ", Called(40.5, 6), StringComparison.Ordinal);
        Assert.Contains(", all-round head, ", Called(35, 6.98), StringComparison.Ordinal);
        Assert.Contains(", front-loaded, ", Called(35, 7.02), StringComparison.Ordinal);
        Assert.StartsWith("WF6F", Called(35, 7.02), StringComparison.Ordinal);
    }

    // Leaders hang in a shop at 7½, 9, 12 and 15 ft; below about 5½ ft they are tied from level nylon (common practice, no source).
    [Theory]
    [InlineData(5.4, "tie 1.6459 from level nylon, down to 0.0002")]
    [InlineData(5.6, "1.8288 0.0002, tapered")]
    [InlineData(8.2, "2.286 0.0002, tapered")]
    [InlineData(8.3, "2.7432 0.0002, tapered")]
    [InlineData(15.9, "4.572 0.0002, tapered")]
    [InlineData(18, "4.572 0.0002, tapered, and 0.9144 of tippet")]
    public void A_leader_is_asked_for_as_it_hangs_in_a_shop(double feet, string says) =>
        Assert.Equal(says, ShopWords.Leader(feet * Exact.FootM, Tippets.DiameterOfX(4)).ToString());
}
