using ZingCast.Core.Briefs;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

// How anglers say figures: common practice, no source.
public class CustomaryTests
{
    private static double Said(Form form, double si)
    {
        var number = (si - form.Offset) / form.Scale;
        var step = form.Steps.Last(s => s.From <= Math.Abs(number)).Of;
        return Math.Round(Math.Round(number / step) * step, 6);
    }

    [Theory]
    [InlineData(Kind.Distance, 17.04, 56, 17)]
    [InlineData(Kind.Distance, 16.9, 55, 17)]
    [InlineData(Kind.Spooled, 137.16, 150, 140)]
    [InlineData(Kind.Spooled, 30, 35, 30)]
    [InlineData(Kind.RodLength, 2.5908, 8.5, 2.6)]
    [InlineData(Kind.RodLength, 2.7432, 9, 2.75)]
    [InlineData(Kind.RodLength, 2.0574, 6.75, 2.05)]
    [InlineData(Kind.WindSpeed, 4.2, 8, 4)]
    [InlineData(Kind.Depth, 1, 3.5, 1)]
    [InlineData(Kind.ShortLength, .25, 10, 25)]
    [InlineData(Kind.LineMass, .0155517384, 240, 15.6)]
    public void A_quantity_is_said_as_finely_as_people_say_it(Kind kind, double si, double trade, double metric)
    {
        Assert.Equal(trade, Said(Customary.For(kind).Trade, si), 4);
        Assert.Equal(metric, Said(Customary.For(kind).Metric, si), 4);
    }

    // Nobody reads 39.4 ft or 4.9 kn where nothing was said: what is assumed is round in feet and in metres alike.
    [Fact]
    public void What_is_assumed_is_round_in_either_system()
    {
        foreach (var species in Fishes.All)
        {
            var brief = Brief.Complete(new() { Species = species.Id });
            void Round(Kind kind, double si, double tradeStep, double metricStep)
            {
                var said = Customary.For(kind);
                foreach (var (form, step) in new[] { (said.Trade, tradeStep), (said.Metric, metricStep) })
                {
                    var steps = Said(form, si) / step;
                    Assert.True(Math.Abs(steps - Math.Round(steps)) < 1e-6, $"{species.Id}: {Said(form, si)} {form.Unit}");
                    Assert.InRange(Said(form, si) * form.Scale + form.Offset - si, -.1 * si, .1 * si);
                }
            }
            Round(Kind.Distance, brief.DistanceM, 5, .5);
            Round(Kind.WindSpeed, brief.WindMps, 5, .5);
            Round(Kind.Depth, brief.DepthM, .5, .5);
            Round(Kind.WaterSpeed, brief.CurrentMps, .5, .05);
        }
    }

    [Fact]
    public void The_gear_one_begins_with_and_the_loan_shed_are_round_in_feet()
    {
        var feet = Customary.For(Kind.Length).Trade;
        foreach (var line in DemoGear.Lines.Append(FlyLine.Blank with { Tag = "blank" }))
        foreach (var m in new[] { line.LengthM, line.HeadM, line.FrontTaperM, line.RearTaperM })
            Assert.True(Math.Abs(m / feet.Scale * 2 % 1 - .5) > .499, $"{line.Tag}: {m / feet.Scale} ft");
        Assert.Equal((90, 11), (Said(feet, FlyLine.Blank.LengthM), Said(Customary.For(Kind.Length).Metric, FlyLine.Blank.HeadM)));
    }
}
