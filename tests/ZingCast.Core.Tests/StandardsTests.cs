using ZingCast.Core.Measures;
using ZingCast.Core.Reference;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

public class StandardsTests
{
    // AFFTA fly line weight specification: target grains of the first 30 ft, classes 1–15, from memory.
    [Fact]
    public void Line_weights_are_those_of_the_AFFTA_specification()
    {
        double[] targets = [60, 80, 100, 120, 140, 160, 185, 210, 240, 280, 330, 380, 450, 500, 550];
        for (var c = 1; c <= 15; c++)
        {
            Assert.Equal(targets[c - 1] * Exact.GrainKg, LineWeights.MassKg(c), 9);
            Assert.Equal(c, LineWeights.ClassOf(targets[c - 1] * Exact.GrainKg), 6);
        }
    }

    [Theory]
    [InlineData(160, 6)]
    [InlineData(152, 6)]
    [InlineData(168, 6)]
    [InlineData(174, null)]
    [InlineData(210, 8)]
    public void A_line_between_the_ranges_is_nobodys(double grains, int? lineClass) =>
        Assert.Equal(lineClass, LineWeights.RowOf(grains * Exact.GrainKg)?.Class);

    [Fact]
    public void Between_whole_classes_a_line_has_a_fraction() => Assert.Equal(5.4, LineWeights.ClassOf(148 * Exact.GrainKg), 6);

    // The X rule as printed on spools, millimetres; common practice, no source.
    [Theory]
    [InlineData(0, .279)]
    [InlineData(3, .203)]
    [InlineData(4, .178)]
    [InlineData(5, .152)]
    [InlineData(8, .076)]
    public void X_numbers_mean_the_usual_diameters(int x, double mm)
    {
        Assert.Equal(mm, Tippets.DiameterOfX(x) * 1000, 3);
        Assert.Equal(x, Tippets.XOf(Tippets.DiameterOfX(x)), 9);
    }

    // Nylon strengths recalled from spools: 4X is 2.3–3 kg, 16 lb is about 0.33 mm, 20 lb 0.38–0.40, 50 lb 0.66, 100 lb 0.98 (from
    // memory, ±15 %).
    [Theory]
    [InlineData(.178, 5.1, 6.6)]
    [InlineData(.33, 14, 18)]
    [InlineData(.39, 18, 23)]
    [InlineData(.66, 45, 58)]
    [InlineData(.98, 90, 115)]
    public void Nylon_breaks_near_what_the_spool_says(double mm, double fromLb, double toLb)
    {
        Assert.InRange(Tippets.StrengthN(mm / 1000) / Exact.PoundForceN, fromLb, toLb);
        Assert.Equal(mm / 1000, Tippets.DiameterOfStrength(Tippets.StrengthN(mm / 1000)), 6);
    }

    // WMO Beaufort: lower limits in knots of forces 1, 4, 5, 8, 12 are 1, 11, 17, 34, 64.
    [Theory]
    [InlineData(1.2, 1)]
    [InlineData(11.4, 4)]
    [InlineData(17.5, 5)]
    [InlineData(34.5, 8)]
    [InlineData(64.5, 12)]
    [InlineData(120, 12)]
    public void Knots_fall_in_their_Beaufort_force(double knots, int force) =>
        Assert.Equal(force, Beaufort.FromSpeed(knots * Exact.KnotMps).Force);

    [Fact]
    public void Bigger_hooks_are_longer_wider_and_thicker()
    {
        var hooks = Enumerable.Range(-9, 33).Reverse().Select(n => Hooks.Get(new(n))).ToList();
        Assert.All(
            hooks.Zip(hooks.Skip(1)),
            pair =>
                Assert.True(
                    pair.First.LengthM <= pair.Second.LengthM
                        && pair.First.GapeM <= pair.Second.GapeM
                        && pair.First.WireM <= pair.Second.WireM
                )
        );
        Assert.Equal(.03, Hooks.Get(new(0)).LengthM, 6);
    }

    [Fact]
    public void Heavier_sink_types_sink_faster() =>
        Assert.All(Densities.Rows.Zip(Densities.Rows.Skip(1)), pair => Assert.True(pair.First.SinkMps < pair.Second.SinkMps));

    [Fact]
    public void Every_temperature_of_water_has_a_coating()
    {
        for (var c = -2.0; c <= 40; c += .5)
            Assert.NotEmpty(Coatings.For(c));
    }

    [Fact]
    public void Every_table_on_the_shelf_is_whole_and_says_how_far_to_trust_it()
    {
        Assert.Equal(ReferenceShelf.All.Count, ReferenceShelf.All.Select(t => t.Id).Distinct().Count());
        foreach (var table in ReferenceShelf.All)
        {
            Assert.NotEmpty(table.Source.Note);
            Assert.NotEmpty(table.Rows);
            Assert.All(table.Rows, row => Assert.Equal(table.Columns.Count, row.Count));
        }
    }
}
