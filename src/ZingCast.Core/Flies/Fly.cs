using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Flies;

/// <summary>A family of flies that cast alike.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Trade name.</param>
/// <param name="Small">Smallest usual hook.</param>
/// <param name="Large">Largest usual hook.</param>
/// <param name="AreaCm2">Frontal drag area Cd·A in the air, small to large, cm².</param>
/// <param name="WetG">Soaked mass, small to large, grams.</param>
/// <param name="SmallBodyM">Body length of the smallest, metres; null when the hook gives it.</param>
/// <param name="LargeBodyM">Body length of the largest, metres; null when the hook gives it.</param>
/// <param name="Bushy">True when stiff tippet is needed to turn it over.</param>
/// <param name="Weighted">True when it flies on an open loop because of its weight.</param>
/// <param name="Nymph">True when it is led or drifted under a long rod and sinks by its own weight.</param>
/// <param name="Delicate">True when it wants a soft landing: a long belly and a fine front taper.</param>
/// <param name="OnTop">True when it is fished on the surface.</param>
/// <param name="Sparser">Id of the next sparser family to change to; null when there is none.</param>
public sealed record FlyKind(
    string Id,
    string Name,
    HookSize Small,
    HookSize Large,
    Spread AreaCm2,
    Spread WetG,
    double? SmallBodyM = null,
    double? LargeBodyM = null,
    bool Bushy = false,
    bool Weighted = false,
    bool Nymph = false,
    bool Delicate = false,
    bool OnTop = false,
    string? Sparser = null
)
{
    /// <summary>Whether such flies are measured by length rather than by hook.</summary>
    public bool ByLength => SmallBodyM is not null;

    /// <summary>The hook usual for a fly of this length, metres; null for families named by their hook.</summary>
    public int? HookOf(double lengthM) =>
        SmallBodyM is { } small && LargeBodyM is { } large
            ? Math.Clamp(
                (int)Math.Round(Small.Number + (lengthM - small) / (large - small) * (Large.Number - Small.Number)),
                HookSize.Largest,
                4
            )
            : null;
}

/// <summary>Bulk and soaked mass of flies by family. Common practice.</summary>
public static class FlyKinds
{
    /// <summary>Source mark of the table.</summary>
    public static readonly Source Source = new(SourceMark.Practice, "Bulk and soaked mass by family; weigh a wet one to be sure");

    /// <summary>Small to large.</summary>
    public static readonly IReadOnlyList<FlyKind> Rows =
    [
        new("midge", "midge or small nymph", new(24), new(18), new(.05, .15), new(.01, .05), Delicate: true),
        new("dry", "hackled dry", new(16), new(12), new(.3, .5), new(.04, .08), Delicate: true, OnTop: true),
        new("terrestrial", "big terrestrial", new(8), new(6), new(.8, 1.2), new(.2, .35), Bushy: true, OnTop: true, Sparser: "dry"),
        new("beaded-nymph", "beaded nymph", new(14), new(10), new(.2, .3), new(.2, .6), Nymph: true),
        new(
            "nymph-rig",
            "two-nymph rig, indicator and shot",
            new(16),
            new(10),
            new(1, 2),
            new(1.5, 3),
            Weighted: true,
            Nymph: true,
            Sparser: "beaded-nymph"
        ),
        new("slim-streamer", "slim streamer", new(8), new(4), new(.6, .9), new(.4, .8), .045, .07),
        new("hair-bug", "hair bug or popper", new(4), new(2), new(2, 3), new(.8, 1.5), Bushy: true, OnTop: true, Sparser: "slim-streamer"),
        new("shrimp-crab", "weighted shrimp or crab", new(2), new(-1), new(.8, 2), new(.6, 2), Weighted: true, Sparser: "slim-streamer"),
        new("baitfish", "sparse baitfish", new(0), new(-2), new(1.2, 2), new(1, 2), .08, .12, Sparser: "slim-streamer"),
        new(
            "weighted-baitfish",
            "weighted-eye baitfish",
            new(0),
            new(-2),
            new(1.2, 2),
            new(1.5, 3),
            .08,
            .12,
            Weighted: true,
            Sparser: "baitfish"
        ),
        new("predator", "bulky predator fly", new(-3), new(-5), new(4, 6), new(4, 7), .15, .20, Bushy: true, Sparser: "baitfish"),
        new("giant", "articulated giant", new(-5), new(-7), new(8, 12), new(9, 16), .25, .35, Bushy: true, Sparser: "predator"),
    ];

    /// <summary>The family with this id, or null.</summary>
    public static FlyKind? Find(string? id) => Rows.FirstOrDefault(k => k.Id == id);
}

/// <summary>One wet fly: what the line has to carry.</summary>
/// <param name="Kind">Its family.</param>
/// <param name="Size">Hook size.</param>
/// <param name="Hook">Hook measures, metres.</param>
/// <param name="BodyM">Length over all, metres.</param>
/// <param name="WetKg">Soaked mass, kilograms.</param>
/// <param name="AreaM2">Frontal drag area Cd·A, square metres.</param>
/// <param name="InUsualSizes">False when the size lies outside the family's usual range and the numbers are stretched.</param>
/// <param name="Weighed">True when the person gave the soaked mass.</param>
public sealed record Fly(FlyKind Kind, HookSize Size, Hook Hook, double BodyM, double WetKg, double AreaM2, bool InUsualSizes, bool Weighed)
{
    // Share of a soaked fly's mass that is water, for bulky flies (three times the dry mass) and for sparse ones (a third of it); and the
    // share of that water shed in the air. Common practice, from memory.
    private const double BulkyWater = .67,
        SparseWater = .26,
        Shed = 1 / 3.0;

    /// <summary>What remains of the soaked mass in the air, kilograms.</summary>
    public double FlownKg => WetKg * (1 - Shed * (Kind.Bushy ? BulkyWater : SparseWater));

    /// <summary>Hook size as written on the packet.</summary>
    public string SizeName => Size.ToString();

    /// <summary>Air resistance in a word. The limits follow the families: a midge is next to nothing, a giant is huge.</summary>
    public string Bulk =>
        (AreaM2 * 1e4) switch
        {
            < .2 => "next to nothing",
            < .6 => "slim",
            < 1.3 => "middling",
            < 2.5 => "bulky",
            < 6 => "very bulky",
            _ => "huge",
        };

    /// <summary>
    /// Fly of a family and hook size. Inside the usual sizes, area and mass are interpolated along the hook scale; outside they scale with
    /// hook length squared and cubed from the nearer end. <paramref name="lengthM"/>, metres over all, takes precedence over the hook for
    /// flies measured by length. <paramref name="weighedKg"/> overrides the mass.
    /// </summary>
    public static Fly For(FlyKind kind, HookSize size, double? weighedKg = null, double? lengthM = null)
    {
        if (lengthM is { } said && kind is { SmallBodyM: { } from, LargeBodyM: { } to })
            return OfLength(kind, size, said, from, to, weighedKg);
        var hook = Hooks.Get(size);
        var t = Interpolation.Fraction(kind.Small.Number, kind.Large.Number, size.Number);
        var inside = size.Number <= kind.Small.Number && size.Number >= kind.Large.Number;
        var stretch = inside ? 1 : hook.LengthM / Hooks.Get(t > 0 ? kind.Large : kind.Small).LengthM;
        var area = Interpolation.Between(kind.AreaCm2.Low, kind.AreaCm2.High, t) * 1e-4 * stretch * stretch;
        var wet = Interpolation.Between(kind.WetG.Low, kind.WetG.High, t) * 1e-3 * Math.Pow(stretch, 3);
        var body = kind is { SmallBodyM: { } small, LargeBodyM: { } large }
            ? Interpolation.Between(small, large, t) * stretch
            : hook.LengthM * 1.15;
        return new(kind, size, hook, body, weighedKg ?? wet, area, inside, weighedKg is not null);
    }

    private static Fly OfLength(FlyKind kind, HookSize size, double lengthM, double from, double to, double? weighedKg)
    {
        var t = Interpolation.Fraction(from, to, lengthM);
        var stretch = lengthM / Math.Clamp(lengthM, from, to);
        var area = Interpolation.Between(kind.AreaCm2.Low, kind.AreaCm2.High, t) * 1e-4 * stretch * stretch;
        var wet = Interpolation.Between(kind.WetG.Low, kind.WetG.High, t) * 1e-3 * Math.Pow(stretch, 3);
        return new(kind, size, Hooks.Get(size), lengthM, weighedKg ?? wet, area, stretch == 1, weighedKg is not null);
    }
}
