using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

public class MeasuresTests
{
    // NIST SP 811, appendix B; checked against UnitsNet, a general-purpose units library.
    [Fact]
    public void Conversions_are_those_of_NIST_and_of_a_general_units_library()
    {
        Assert.Equal(64.79891e-6, Exact.GrainKg, 15);
        Assert.Equal(Exact.PoundKg, 7000 * Exact.GrainKg, 12);
        Assert.Equal(Exact.OunceKg * 16, Exact.PoundKg, 12);
        Assert.Equal(9.144, Exact.ThirtyFeetM, 12);
        Assert.Equal(240 * Exact.GrainKg, UnitsNet.Mass.FromGrains(240).Kilograms, 10);
        Assert.Equal(3.4 * Exact.OunceKg, UnitsNet.Mass.FromOunces(3.4).Kilograms, 10);
        Assert.Equal(100 * Exact.YardM, UnitsNet.Length.FromYards(100).Meters, 10);
        Assert.Equal(18 * Exact.KnotMps, UnitsNet.Speed.FromKnots(18).MetersPerSecond, 10);
        Assert.Equal(18 * Exact.MphMps, UnitsNet.Speed.FromMilesPerHour(18).MetersPerSecond, 10);
        Assert.Equal(20 * Exact.PoundForceN, UnitsNet.Force.FromPoundsForce(20).Newtons, 8);
    }

    [Theory]
    [InlineData(Kind.Length, "60ft", 18.288)]
    [InlineData(Kind.Length, "9'6\"", 2.8956)]
    [InlineData(Kind.Length, "9 ft 6 in", 2.8956)]
    [InlineData(Kind.Length, "9½ ft", 2.8956)]
    [InlineData(Kind.Length, "17 m", 17)]
    [InlineData(Kind.Length, "30 yds", 27.432)]
    [InlineData(Kind.ShortLength, "15cm", .15)]
    [InlineData(Kind.Diameter, "4X", 1.778e-4)]
    [InlineData(Kind.Diameter, "0,20 mm", 2e-4)]
    [InlineData(Kind.LineMass, "240gr", .0155517384)]
    [InlineData(Kind.LineMass, "15.55 g", .01555)]
    [InlineData(Kind.FishMass, "4 lb", 1.81436948)]
    [InlineData(Kind.WindSpeed, "18 kn", 9.26)]
    [InlineData(Kind.WindSpeed, "F5", 9.35)]
    [InlineData(Kind.LineSpeed, "100 ft/s", 30.48)]
    [InlineData(Kind.Pull, "2 oz", .55602777)]
    [InlineData(Kind.Energy, "3.5 J", 3.5)]
    [InlineData(Kind.WindSpeed, "force 0", .125)]
    [InlineData(Kind.WindSpeed, "calm", 0)]
    [InlineData(Kind.WindSpeed, "F3", 4.4)]
    [InlineData(Kind.WindSpeed, "12 mph", 5.36448)]
    [InlineData(Kind.WindSpeed, "gentle breeze", 4.4)]
    [InlineData(Kind.LineClass, "WF6F", 6)]
    [InlineData(Kind.LineClass, "6wt", 6)]
    [InlineData(Kind.Spooled, "150 yd", 137.16)]
    [InlineData(Kind.RodLength, "9'6", 2.8956)]
    [InlineData(Kind.RodLength, "8 1/2 ft", 2.5908)]
    [InlineData(Kind.Depth, "surface", 0)]
    [InlineData(Kind.Temperature, "57 °F", 13.8889)]
    [InlineData(Kind.Temperature, "14c", 14)]
    [InlineData(Kind.LineClass, "#6", 6)]
    [InlineData(Kind.LineClass, "7.5", 7.5)]
    [InlineData(Kind.Angle, "315°", 315)]
    public void What_people_type_is_understood(Kind kind, string typed, double si) =>
        Assert.Equal(si, Assert.NotNull(Reader.Read(kind, typed, metric: true).Value), 4);

    [Fact]
    public void A_bare_number_is_taken_in_the_readers_own_units()
    {
        Assert.Equal(18.288, Reader.Read(Kind.Length, "60", metric: false).Value!.Value, 6);
        Assert.Equal(60, Reader.Read(Kind.Length, "60", metric: true).Value!.Value, 6);
        Assert.Equal(10, Reader.Read(Kind.Temperature, "50", metric: false).Value!.Value, 6);
    }

    [Theory]
    [InlineData(Kind.WindSpeed, "12 ft", "does not measure this")]
    [InlineData(Kind.Length, "far", "is not a measure")]
    [InlineData(Kind.Length, "12 cubits", "not a unit known here")]
    [InlineData(Kind.Length, "", "Type a length")]
    [InlineData(Kind.WindSpeed, "F13", "from force 0 to 12")]
    public void What_cannot_be_read_is_answered_with_what_would_do(Kind kind, string typed, string words)
    {
        var reading = Reader.Read(kind, typed, metric: true);
        Assert.Null(reading.Value);
        Assert.Contains(words, reading.Problem);
    }

    [Theory]
    [InlineData("18 m", false, "18 m")]
    [InlineData(" 60ft ", true, "60ft")]
    [InlineData("60", false, "60 ft")]
    [InlineData("60", true, "60 m")]
    public void What_was_typed_is_kept_with_its_unit(string typed, bool metric, string said)
    {
        var reading = Reader.Read(Kind.Distance, typed, metric);
        Assert.Equal(said, reading.Said);
        Assert.True(TypedText.Matches(said, Kind.Distance, reading.Value!.Value));
        Assert.False(TypedText.Matches(said, Kind.Distance, reading.Value!.Value + .1));
    }

    // The reader and the forms each hold the units; one of every form reads as its scale.
    [Fact]
    public void Every_form_is_read_back_as_it_is_shown()
    {
        foreach (var kind in Enum.GetValues<Kind>())
        foreach (var form in new[] { Customary.For(kind).Trade, Customary.For(kind).Metric }.Concat(Customary.For(kind).ByChoice))
        {
            var one = form.Shape == Shape.Beaufort ? "F4" : $"1 {form.Unit}".TrimEnd();
            var si = form.Shape == Shape.Beaufort ? Beaufort.Rows[4].MiddleMps : form.Scale + form.Offset;
            Assert.Equal(si, Assert.NotNull(Reader.Read(kind, one, form).Value), 9);
            Assert.True(form.Steps[0].From == 0 && form.Steps.All(s => s.Of > 0), $"{kind} {form.Unit}");
            if (form.Nought is { } nought)
                Assert.Equal(0, Reader.Read(kind, nought, form).Value);
        }
    }

    // Common practice: what stands on the boxes of fly lines.
    [Theory]
    [InlineData("WF6F", Build.WeightForward, 6, "floating")]
    [InlineData("dt5f", Build.DoubleTaper, 5, "floating")]
    [InlineData("WF8I", Build.WeightForward, 8, "intermediate")]
    [InlineData("WF-7-S", Build.WeightForward, 7, "type3")]
    [InlineData("wf 7 s6", Build.WeightForward, 7, "type6")]
    [InlineData("ST10S5", Build.ShootingHead, 10, "type5")]
    [InlineData("WF4.5F", Build.WeightForward, 4.5, "floating")]
    [InlineData("WF6", Build.WeightForward, 6, "floating")]
    public void A_line_is_known_by_its_box(string typed, Build build, double number, string density)
    {
        var code = Assert.IsType<BoxCode>(BoxCode.Read(typed));
        Assert.Equal((build, number, density), (code.Build, code.Class, code.Density));
        Assert.Equal(code, BoxCode.Read(code.ToString()));
    }

    [Theory]
    [InlineData("WF")]
    [InlineData("WF16F")]
    [InlineData("6F")]
    [InlineData("WF6F/S3")]
    [InlineData(null)]
    public void What_is_no_box_code_is_none(string? typed) => Assert.Null(BoxCode.Read(typed));

    [Theory]
    [InlineData("2/0", -1, "2/0")]
    [InlineData("#12", 12, "#12")]
    [InlineData("size 14", 14, "#14")]
    [InlineData("1/0", 0, "1/0")]
    public void Hook_sizes_are_read_as_on_the_packet(string typed, int number, string written)
    {
        Assert.Equal(number, Reader.ReadHook(typed)!.Value.Number);
        Assert.Equal(written, Reader.ReadHook(typed)!.Value.ToString());
    }

    [Theory]
    [InlineData("0")]
    [InlineData("50")]
    [InlineData("large")]
    [InlineData(null)]
    public void What_is_no_hook_size_is_refused(string? typed) => Assert.Null(Reader.ReadHook(typed));

    [Fact]
    public void No_text_at_all_makes_the_reader_throw()
    {
        var random = new Random(7);
        const string letters = "0123456789.,-+'\"/#xXfFtmgknbc°% ½e";
        for (var i = 0; i < 20_000; i++)
        {
            var text = new string([
                .. Enumerable
                    .Range(0, random.Next(0, 9))
                    .Select(_ => i % 7 == 0 ? (char)random.Next(0x2fff) : letters[random.Next(letters.Length)]),
            ]);
            var reading = Reader.Read((Kind)random.Next(Enum.GetValues<Kind>().Length), text, i % 2 == 0);
            Assert.True(reading.Value is null != reading.Problem is null, text);
            Assert.True(reading.Value is not { } v || double.IsFinite(v), text);
        }
    }

    // A pattern that goes back over what it has read takes the square of the length; a millionfold text shows which it is without a clock.
    [Fact]
    public void Text_without_end_is_refused_unread()
    {
        foreach (
            var text in new[] { new string('9', 4_000_000), new string('1', 4_000_000) + "x", "5" + new string(' ', 4_000_000) + "ft ft" }
        )
        {
            Assert.Contains("too long", Reader.Read(Kind.Length, text, true).Problem);
            Assert.Null(Reader.ReadHook(text));
        }
        Assert.Equal(12, Reader.Read(Kind.Length, new string('0', Reader.Longest - 3) + "12m", true).Value);
    }

    [Theory]
    [InlineData("٦٠ft", 18.288)]
    [InlineData("१७ m", 17.0)]
    [InlineData("１２．５m", null)]
    [InlineData("９'６\"", 2.8956)]
    public void Digits_of_any_script_are_read_or_refused_in_words(string typed, double? metres)
    {
        var reading = Reader.Read(Kind.Length, typed, true);
        Assert.Equal(metres, reading.Value is { } v ? Math.Round(v, 9) : null);
        Assert.Equal(metres is null, reading.Problem is { Length: > 0 });
        Assert.Equal(12, Reader.ReadHook("#١٢")!.Value.Number);
    }

    [Theory]
    [InlineData(" R1 ", "R1")]
    [InlineData("grey\u00a0  intermediate", "grey intermediate")]
    [InlineData("re\u0301el", "réel")]
    [InlineData("two\nlines", "two\nlines")]
    public void What_looks_alike_is_kept_alike(string typed, string kept) => Assert.Equal(kept, PlainText.Clean(typed));

    // Composed letters of Latin scripts, against the Unicode decompositions recalled: each pair differs only in how it was typed.
    [Fact]
    public void Accents_become_one_sign_with_their_letter() =>
        Assert.Equal(
            "ÅåÄöñçŠžĞıŁøÉłőŐ",
            PlainText.Clean("A\u030aa\u030aA\u0308o\u0308n\u0303c\u0327S\u030cz\u030cG\u0306ıŁøE\u0301ło\u030bO\u030b")
        );

    [Theory]
    [InlineData("R\u00001")]
    [InlineData("R\u200b1")]
    [InlineData("\u202eR1")]
    [InlineData("R\ufeff1")]
    [InlineData("bell\u0007")]
    public void Signs_nobody_can_see_are_refused(string typed)
    {
        Assert.Contains("nobody can see", Assert.Single(new FieldCheck().Text("tag", typed, 12).Problems).Problem);
        Assert.False(PlainText.IsVisible("half a sign: " + (char)0xD83C));
        Assert.Empty(new FieldCheck().Text("tag", "R1 — grün, 緑 🎣", 20).Problems);
    }

    [Fact]
    public void A_sentence_keeps_its_numbers_as_numbers()
    {
        Sentence says = $"Hold {Quantity.Length(12.2)} in the air";
        Assert.Equal([null, 12.2, null], says.Parts.Select(p => p.Quantity?.Value));
        Assert.Equal("Hold 12.2 in the air", says.ToString());
    }
}
