using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Cutting;

/// <summary>A scrap of line in the drawer.</summary>
public sealed record Scrap : Gear
{
    /// <summary>Shortest piece worth keeping, metres. Common practice.</summary>
    public const double ShortestM = .3;

    /// <summary>Length, metres.</summary>
    public required double LengthM { get; init; }

    /// <summary>Mass, kilograms.</summary>
    public required double MassKg { get; init; }

    /// <summary>Taper at its thin end, metres; 0 for a level piece. The thin end is its front.</summary>
    public double TaperM { get; init; }

    /// <summary>Thickness at the thin end over the thickness behind the taper; the third rule is exact for 0.618.</summary>
    public double TipShare { get; init; } = .618;

    /// <summary>Density id, see <see cref="Densities"/>.</summary>
    public string Density { get; init; } = "floating";

    /// <summary>Profile from the front when it was measured or cut from something measured.</summary>
    public IReadOnlyList<Stretch>? Measured { get; init; }

    /// <summary>A piece to start filling in.</summary>
    public static readonly Scrap Blank = new()
    {
        Tag = "",
        Name = "",
        LengthM = 7,
        MassKg = 200 * Exact.GrainKg,
    };

    /// <summary>Profile of the piece. When not measured: a taper by the third rule and a level rest of ordinary density.</summary>
    public LineProfile Profile()
    {
        if (Measured is { } measured)
            return new(measured);
        // The density matters only for drawings and displaced water.
        var density = Densities.OrdinaryKgM3(Density);
        var taper = Math.Min(TaperM, LengthM);
        var thick = Math.Sqrt(BellyWeight.From(MassKg, LengthM, taper, TipShare).ExactKgPerM / density * 4 / Math.PI);
        Stretch[] both = [new(taper, TipShare * thick, thick, density), new(LengthM - taper, thick, thick, density)];
        return new([.. both.Where(s => s.LengthM >= LineProfile.ShortestM)]);
    }

    /// <summary>The part between two positions, metres from its front.</summary>
    public Scrap Between(double a, double b)
    {
        var part = Profile().Part(a, b);
        return this with { LengthM = part.LengthM, MassKg = part.Kg, Measured = part.Stretches, TaperM = Math.Max(0, TaperM - a) };
    }

    /// <inheritdoc />
    public override Kept InPlaceOf(Kept before) =>
        before is Scrap was && Measured is { } measured && was.Measured is { } had && measured.SequenceEqual(had) && Figures != was.Figures
            ? this with
            {
                Measured = null,
            }
            : this;

    private (double, double, double, double) Figures => (LengthM, MassKg, TaperM, TipShare);

    /// <inheritdoc />
    public override Spread? Classes => null;

    /// <inheritdoc />
    public override bool IsMeasured => Measured is not null;

    /// <inheritdoc />
    public override string UsualName() => $"{Densities.Get(Density).Name} piece";

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check()
    {
        var check = CheckFields(ScrapFields.All)
            .Must("massKg", MassKg > 0, "Weigh it: a piece that weighs nothing makes no head.")
            .Must(
                "massKg",
                !(MassKg > 0 && LengthM > 0) || MassKg / LengthM is > .0002 and < .012,
                "So long a piece cannot weigh that. Check the unit of the scale."
            )
            .Range("taperM", TaperM, 0, LengthM, "The taper is part of the piece.");
        if (Measured is { } measured)
            check.Must(
                "measured",
                Math.Abs(measured.Sum(s => s.LengthM) - LengthM) < .01,
                "The measured profile does not belong to this piece."
            );
        return [.. check.Problems, .. Measured is null ? [] : LineProfile.Check(Measured, "measured")];
    }
}
