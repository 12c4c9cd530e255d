using ZingCast.Core.Briefs;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Density, head and coating from the water and the fly; the line that was chosen, and how it loads the rod.</summary>
internal static class LineRules
{
    // Water that stands, m/s. Depths a floating line fishes in still water and in current, and an intermediate one in still water, metres:
    // common practice.
    private const double StillMps = .05,
        FloatingStillM = 1.5,
        FloatingCurrentM = .5,
        IntermediateM = 3,
        NymphM = 1.5;

    public static string Density(Brief brief, Pins pins, LedgerBook book)
    {
        if (pins.Density is { } pin)
        {
            book.Note(
                Rules.Density,
                () =>
                    new(
                        Densities.Of(pin).Name,
                        $"You pinned this density: {Densities.Of(pin).Name}",
                        [new("depth", Quantity.Length(brief.DepthM))],
                        Source.Yours,
                        Pin: new() { Density = pin }
                    )
            );
            return pin;
        }
        // Sinking time: what the drift allows in current, half a minute of patience without.
        var still = brief.CurrentMps <= StillMps;
        var seconds = still ? 30 : Math.Min(60, .6 * brief.DistanceM / brief.CurrentMps);
        var rate = brief.DepthM / seconds;
        var heavyNymph = brief.Fly.Kind.Nymph && brief.DepthM <= NymphM;
        var density =
            brief.DepthM <= (still ? FloatingStillM : FloatingCurrentM) || heavyNymph ? Densities.Floating
            : still && brief.DepthM <= IntermediateM ? Densities.Rows[Densities.Intermediate]
            : Densities.Rows.Skip(Densities.Intermediate).FirstOrDefault(d => d.SinkMps >= rate) ?? Densities.Rows[^1];
        var tooDeep = density.SinkMps < rate && density == Densities.Rows[^1];
        var time = new Quantity(seconds, Kind.Time);
        book.Note(
            Rules.Density,
            () =>
                new(
                    density.Name,
                    heavyNymph ? $"A weighted nymph reaches {Quantity.Length(brief.DepthM)} on a floating line and its own weight"
                        : tooDeep
                            ? $"No sinking line reaches {Quantity.Length(brief.DepthM)} in {time}; cast farther upstream or weight the fly"
                        : density.SinkMps == 0 ? (Sentence)$"A floating line fishes the fly at {Quantity.Length(brief.DepthM)}"
                        : $"The lightest line that reaches {Quantity.Length(brief.DepthM)} in {time}",
                    [
                        new("depth", Quantity.Length(brief.DepthM)),
                        new("current", new Quantity(brief.CurrentMps, Kind.WaterSpeed)),
                        new("time to sink", time),
                        new("needed", new Quantity(rate, Kind.SinkRate)),
                        new("this sinks", new Quantity(density.SinkMps, Kind.SinkRate)),
                    ],
                    Doubt: tooDeep,
                    Pin: new() { Density = density.Id }
                )
        );
        return book.IsOff(Rules.Density) ? Densities.Floating.Id : density.Id;
    }

    /// <summary>Head length wanted, metres. Common practice, in feet.</summary>
    public static Spread Head(Brief brief, string density, LedgerBook book)
    {
        var bulky = brief.Fly.Kind.Bushy || brief.Fly.Kind.Weighted;
        var (low, high, why) =
            brief.DistanceM > Choosing.FarM ? (26, 32, "most distance of all: a separate head on thin running line")
            : brief.Water == Water.Shore && brief.HeadwindMps > 4 || brief.Stance == Stance.Boat
                ? (23, 32, "one false cast and shoot: a short head")
            : bulky ? (28, 35, "bulk or weight: mass towards the front")
            : brief.Wariness == Wariness.Spooky || brief.Fly.Kind.Delicate
                ? (40, 60, "delicate, mending: a long belly and a fine front taper")
            : (33, 45, "an all-round head");
        var (from, to) =
            book.IsOff(Rules.Taper) ? (23, 60)
            : Densities.Rank(density) >= Densities.Type3 ? (23, 36)
            : brief.Caster.Learning && high > 40 ? (Math.Min(low, 30), 40)
            : (low, high);
        var head = new Spread(from * Exact.FootM, to * Exact.FootM);
        book.Note(
            Rules.Taper,
            () =>
                new(
                    Quantity.Length((from + to) / 2.0 * Exact.FootM),
                    $"{PlainText.Capital(why)}, {Quantity.Length(head.Low)} to {Quantity.Length(head.High)}",
                    [
                        new("fly", brief.Fly.Kind.Name),
                        new("distance", Quantity.Length(brief.DistanceM)),
                        new("caster carries", Quantity.Length(brief.Caster.CarryM)),
                    ]
                )
        );
        return head;
    }

    public static IReadOnlyList<string> Coatings(Brief brief, LedgerBook book)
    {
        var suits = Standards.Coatings.For(brief.WaterC).ToList();
        var water = new Quantity(brief.WaterC, Kind.Temperature);
        book.Note(
            Rules.Coating,
            () =>
                new(
                    suits[0].Name,
                    $"Water of {water} suits a {string.Join(" or ", suits.Select(c => c.Name))} coating"
                        + $"{(brief.Salt ? ", rated for salt" : "")}",
                    [new("water", water), new("salt", brief.Salt ? "yes" : "no")]
                )
        );
        return book.IsOff(Rules.Coating) ? [] : [.. suits.Select(c => c.Id)];
    }

    public static void Chosen(Specification spec, double? windowClass, FlyLine line, LedgerBook book)
    {
        if (line.Id == 0)
            book.Note(
                Rules.LineChoice,
                () =>
                    new(
                        "look for",
                        $"No line in the shed suits this rod and water. Look for {Quantity.LineMass(line.MassKg ?? 0)} in a head of "
                            + $"{Quantity.Length(line.HeadM)}, {Densities.Of(line.Density).Name}, "
                            + $"{Standards.Coatings.Of(line.Coating).Name} coating",
                        [new("rod class", Quantity.Class(windowClass ?? 0)), new("density", Densities.Of(spec.Density).Name)],
                        Doubt: true
                    )
            );
        else
            book.Note(
                Rules.LineChoice,
                () =>
                    new(
                        line.Tag,
                        $"{line.Name}: {Quantity.LineMass(line.MassKg ?? 0)} in {Quantity.Length(line.HeadM)}",
                        [
                            new("density", Densities.Of(line.Density).Name),
                            new("asked for", Densities.Of(spec.Density).Name),
                            new("coating", Standards.Coatings.Of(line.Coating).Name),
                        ],
                        OffTheLabel(line) ?? Source.Computed,
                        Pin: new() { Line = line.Id }
                    )
            );
    }

    public static void Loaded(Brief brief, FlyLine line, LineLoad load, LedgerBook book)
    {
        var standard = LineWeights.MassKg(load.WindowClass);
        book.Note(
            Rules.Load,
            () =>
                new(
                    Quantity.Ratio(load.Ratio),
                    $"{Quantity.LineMass(load.LineKg)} of line in {Quantity.Length(load.JudgedM)} and the fly; the rod's window is "
                        + $"{Quantity.LineMass(LineLoad.Low * standard)} to {Quantity.LineMass(LineLoad.Top * standard)}",
                    [
                        new("line judged", Quantity.Length(load.JudgedM)),
                        new("its mass", Quantity.LineMass(load.LineKg)),
                        new("soaked fly", Quantity.LineMass(brief.Fly.WetKg)),
                        new("standard mass of the class", Quantity.LineMass(standard)),
                        new("ideal", Quantity.Ratio(load.Ideal)),
                    ],
                    OffTheLabel(line),
                    load.Verdict != Verdict.Fits
                )
        );
    }

    private static Source? OffTheLabel(FlyLine line) =>
        line.HeadKg is null ? new(SourceMark.Label, "Mass taken from the label: weigh the line") : null;
}
