using ZingCast.Core.Briefs;
using ZingCast.Core.Depth;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>Density, head and coating from the water and the fly; then the chosen line and how it loads the rod.</summary>
internal static class LineRules
{
    public static string Density(Brief brief, Pins pins, double tippetM, LedgerBook book)
    {
        if (pins.Density is { } pin)
        {
            book.Add(
                Rules.Density,
                () =>
                    new(
                        Densities.Get(pin).Name,
                        $"You pinned this density: {Densities.Get(pin).Name}",
                        [new("depth", Quantity.Depth(brief.DepthM))],
                        Source.Yours,
                        Pin: new() { Density = pin }
                    )
            );
            return pin;
        }
        double LeaderOn(string id) => LeaderRules.On(brief, pins, id);
        double Fishes(Density line, double flyKg) => Sinking.DepthM(brief, line, LeaderOn, tippetM, flyKg);
        var fly = brief.Fly.WetKg;
        var (drifts, least) = (Sinking.Drifts(brief), Sinking.Least(brief));
        var density = Sinking.Lightest(brief, LeaderOn, tippetM);
        var depth = Fishes(density, fly);
        var tooDeep = depth < brief.DepthM;
        var time = new Quantity(Sinking.TimeS(brief), Kind.Time);
        var rank = Densities.Rank(density.Id);
        book.Add(
            Rules.Density,
            () =>
                new(
                    density.Name,
                    tooDeep && drifts ? Heavier()
                        : tooDeep
                            ? (Sentence)
                                $"No sinking line fishes {Quantity.Depth(brief.DepthM)} here: pitch it farther upstream or weight the fly"
                        : density.SinkMps <= 0 ? (Sentence)$"A floating line fishes this fly to about {Quantity.Depth(depth)}"
                        : rank == least && least > 0 && Fishes(Densities.Floating, fly) >= brief.DepthM
                            ? (Sentence)
                                $"Waves lift a floating line: {PlainText.Article(density.Name)} {density.Name} one fishes below them"
                        : $"The lightest line that fishes {Quantity.Depth(brief.DepthM)}: it gets to about {Quantity.Depth(depth)}",
                    [
                        new("depth", Quantity.Depth(brief.DepthM)),
                        new("current", new Quantity(brief.CurrentMps, Kind.WaterSpeed)),
                        new("time to sink", time),
                        new("line sinks", new Quantity(density.SinkMps, Kind.SinkRate)),
                        new("soaked fly", Quantity.LineMass(fly)),
                        .. Beside(rank - 1, "a lighter line fishes"),
                        .. Beside(rank + 1, "a heavier one fishes"),
                    ],
                    Doubt: tooDeep,
                    Pin: new() { Density = density.Id }
                )
        );
        return book.IsOff(Rules.Density) ? Densities.Floating.Id : density.Id;

        Sentence Heavier() =>
            Sinking.FlyForKg(brief, LeaderOn(density.Id), tippetM) is { } kg
                ? (Sentence)$"Floating, and weight in the fly: about {Quantity.LineMass(kg)} of it gets to {Quantity.Depth(brief.DepthM)} "
                    + $"in this drift, yours to {Quantity.Depth(depth)}"
                : $"Floating, and weight in the fly; for {Quantity.Depth(brief.DepthM)} a longer leader too, pitched well upstream";

        IEnumerable<Factor> Beside(int other, string name) =>
            other >= 0 && other < Densities.Rows.Count
                ? [new($"{name} ({Densities.Rows[other].Name})", Quantity.Depth(Fishes(Densities.Rows[other], fly)))]
                : [];
    }

    // Wet fly mass from which heads are shorter, and mass at which they are as short as they get, kilograms; that length in feet. Common
    // practice.
    private const double HeavyFlyKg = .003,
        HeaviestFlyKg = .008;
    private static readonly Spread HeavyHeadFt = new(22, 28);

    /// <summary>Head length wanted, metres. Common practice, in feet.</summary>
    public static Spread Head(Brief brief, string density, LedgerBook book)
    {
        var bulky = brief.Fly.Kind.Bushy || brief.Fly.Kind.Weighted;
        (double Low, double High, string Why) wanted =
            brief.DistanceM > Choosing.FarM ? (26, 32, "most distance of all: a separate head on thin running line")
            : brief.Stance == Stance.Boat ? (23, 32, "one false cast and shoot: a short head")
            : brief.Water == Water.Shore ? (25, 38, "few false casts over waves: a short to all-round head")
            : bulky ? (28, 35, "bulk or weight: mass towards the front")
            : brief.Wariness == Wariness.Spooky || brief.Fly.Kind.Delicate
                ? (40, 60, "delicate, mending: a long belly and a fine front taper")
            : (33, 45, "an all-round head");
        var (low, high, why) = wanted;
        // The heavier the fly the shorter the head.
        var heavy = Interpolation.Fraction(HeavyFlyKg, HeaviestFlyKg, brief.Fly.WetKg);
        if (heavy > 0 && high > HeavyHeadFt.High)
            (low, high, why) = (
                Math.Min(low, Interpolation.Between(low, HeavyHeadFt.Low, heavy)),
                Interpolation.Between(high, HeavyHeadFt.High, heavy),
                "a heavy fly: short and heavy, one false cast and an open loop"
            );
        var (from, to) =
            book.IsOff(Rules.Taper) ? (23, 60)
            : Densities.Rank(density) >= Densities.Type3 ? (23, Math.Min(36, high))
            : brief.Caster.Learning && high > 40 ? (Math.Min(low, 30), 40)
            : (low, high);
        var head = new Spread(from * Exact.FootM, to * Exact.FootM);
        book.Add(
            Rules.Taper,
            () =>
                new(
                    Quantity.Length((from + to) / 2 * Exact.FootM),
                    $"{PlainText.Capital(why)}, {Quantity.Length(head.Low)} to {Quantity.Length(head.High)}",
                    [
                        new("fly", brief.Fly.Kind.Name),
                        new("distance", Quantity.Distance(brief.DistanceM)),
                        new("caster carries", Quantity.Carry(brief.Caster.CarryM)),
                    ]
                )
        );
        return head;
    }

    public static IReadOnlyList<string> Coatings(Brief brief, LedgerBook book)
    {
        var suits = Standards.Coatings.For(brief.WaterC).ToList();
        var water = new Quantity(brief.WaterC, Kind.Temperature);
        book.Add(
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
        if (!line.IsThere)
        {
            var asked = LineLoad.ToAskForKg(line);
            book.Add(
                Rules.LineChoice,
                () =>
                    new(
                        "look for",
                        $"No line in the shed suits this rod and water. Look for {Quantity.LineMass(line.MassKg ?? 0)} in a head of "
                            + $"{Quantity.Length(line.HeadM)}, {Densities.Get(line.Density).Name}, "
                            + $"{Standards.Coatings.Get(line.Coating).Name} coating",
                        [
                            new("rod class", Quantity.Class(windowClass ?? 0)),
                            new("density", Densities.Get(spec.Density).Name),
                            new("ask for, from", Quantity.LineMass(asked.Low)),
                            new("to", Quantity.LineMass(asked.High)),
                        ],
                        Doubt: true
                    )
            );
        }
        else
            book.Add(
                Rules.LineChoice,
                () =>
                    new(
                        line.Tag,
                        $"{line.Name}: {Quantity.LineMass(line.MassKg ?? 0)} in {Quantity.Length(line.HeadM)}",
                        [
                            new("density", Densities.Get(line.Density).Name),
                            new("asked for", Densities.Get(spec.Density).Name),
                            new("coating", Standards.Coatings.Get(line.Coating).Name),
                        ],
                        OffTheLabel(line) ?? Source.Computed,
                        Pin: new() { Line = line.Id }
                    )
            );
    }

    public static void Loaded(Brief brief, Rod rod, FlyLine line, LineLoad load, LedgerBook book)
    {
        var standard = LineWeights.MassKg(load.WindowClass);
        book.Add(
            Rules.Load,
            () =>
                new(
                    Figure.Load(load),
                    $"{Quantity.LineMass(load.LineKg)} of line in {Quantity.Carry(load.JudgedM)} and the fly; the rod's window for "
                        + $"the line is {Quantity.LineMass(LineLoad.Low * standard)} to {Quantity.LineMass(load.MostRatio * standard)}",
                    [
                        new("line judged", Quantity.Carry(load.JudgedM)),
                        new("its mass", Quantity.LineMass(load.LineKg)),
                        new("soaked fly", Quantity.LineMass(brief.Fly.WetKg)),
                        new("standard mass of the class", Quantity.LineMass(standard)),
                        new("feels best, the line by itself", Figure.Share("load", load.Ideal)),
                        .. rod.Felt is { } felt
                            ?
                            [
                                new Factor(
                                    $"of that by how it felt, {felt.Votes} outings",
                                    new Figure(Quantity.Ratio(felt.Shift, felt.PlusMinus), null, felt.Shift > 0 ? "more" : "less")
                                ),
                            ]
                            : Array.Empty<Factor>(),
                    ],
                    OffTheLabel(line),
                    load.Verdict != Verdict.Fits
                )
        );
    }

    private static Source? OffTheLabel(FlyLine line) =>
        line.HeadKg is null ? new(SourceMark.Label, "Mass taken from the label: weigh the line") : null;
}
