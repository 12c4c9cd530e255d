using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

// What stands on tubes, boxes and reel feet: common practice, no source.
public class GearLabelTests
{
    private static T Read<T>(string typed)
        where T : Gear
    {
        var piece = Assert.IsType<T>(GearLabel.Read(typed)?.Piece).WithTagAndName("X1");
        Assert.Empty(piece.Check());
        return (T)piece;
    }

    [Theory]
    [InlineData("9ft 6", 108, 6, 4, "9 ft #6")]
    [InlineData("9' #6", 108, 6, 4, "9 ft #6")]
    [InlineData("9'6\" 7wt 2pc fast", 114, 7, 2, "9'6\" #7")]
    [InlineData("9'6 #7", 114, 7, 4, "9'6\" #7")]
    [InlineData("8½ ft, 4 wt, 4 piece, medium-fast", 102, 4, 4, "8'6\" #4")]
    [InlineData("6 ft 9 in 3", 81, 3, 4, "6'9\" #3")]
    [InlineData("2.75 m #8", 108.27, 8, 4, "9 ft #8")]
    public void A_rod_is_known_by_length_and_class(string typed, double inches, double number, int pieces, string name)
    {
        var rod = Read<Rod>(typed);
        Assert.Equal(inches, rod.LengthM / Exact.InchM, 1);
        Assert.Equal((number, pieces, name), (rod.PrintedClass, rod.Pieces, rod.Name));
    }

    [Theory]
    [InlineData("7/8", 7, 8)]
    [InlineData("5-6 reel", 5, 6)]
    [InlineData("reel 4", 4, 4)]
    public void A_reel_is_known_by_its_classes(string typed, double low, double high)
    {
        var reel = Read<Reel>(typed);
        Assert.Equal((low, high), (reel.LabelLow, reel.LabelHigh));
    }

    [Theory]
    [InlineData("8/7")]
    [InlineData("9ft")]
    [InlineData("40ft 6")]
    [InlineData("a good rod")]
    [InlineData("")]
    public void What_is_no_label_is_none(string typed) => Assert.Null(GearLabel.Read(typed));

    // The head of a line known by its box weighs what its class says, and every box that can be printed is a line that can be.
    [Fact]
    public void A_line_known_by_its_box_is_a_line()
    {
        foreach (var build in Enum.GetValues<Build>())
        foreach (var density in Densities.Rows)
            for (var number = 0.0; number <= 15; number += .5)
            {
                var line = FlyLine.From(new(build, number, density.Id)) with { Tag = "L1", Name = "box" };
                Assert.Empty(line.Check());
                Assert.Equal(LineWeights.MassKg(number), line.MassKg!.Value * Exact.ThirtyFeetM / line.HeadM, 9);
            }
    }

    [Fact]
    public void A_tag_is_suggested_one_above_the_highest()
    {
        Assert.Equal("R13", Gear.NextTag('R', ["R1", "R12", "r7", "Rx", "L40", ""]));
        Assert.Equal("L1", Gear.NextTag('L', []));
    }

    [Fact]
    public void The_card_says_in_shop_words_what_is_there_and_what_to_buy()
    {
        GearShed mine = new([Read<Rod>("9ft 8 fast") with { Id = 1 }], [], [Read<Reel>("7/8") with { Id = 1 }]);
        var card = Matcher
            .Solve(Briefs.Brief.Complete(new() { Species = "sea-bass" }), mine, cancel: TestContext.Current.CancellationToken)
            .Card;
        CardLine Of(LinkId link) => card.Lines.Single(l => l.Link == link);
        Assert.Equal((false, true), (Of(LinkId.Rod).ToBuy, Of(LinkId.Head).ToBuy));
        Assert.Contains("X1 9 ft #8", Of(LinkId.Rod).Says.ToString(), StringComparison.Ordinal);
        Assert.StartsWith("WF8I, ", Of(LinkId.Head).Says.ToString(), StringComparison.Ordinal);
        Assert.StartsWith("head about ", Of(LinkId.Head).Small.ToString(), StringComparison.Ordinal);
        Assert.Contains("wanted", card.Reach.ToString(), StringComparison.Ordinal);
    }
}
