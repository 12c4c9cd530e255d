using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Lines;

/// <summary>A fly line on a spool or in a drawer.</summary>
public sealed record FlyLine : Gear
{
    /// <summary>Class on the label, null when there is none.</summary>
    public double? PrintedClass { get; init; }

    /// <summary>Build.</summary>
    public Build Build { get; init; }

    /// <summary>Whole length, metres.</summary>
    public required double LengthM { get; init; }

    /// <summary>Length of the head with both tapers, metres; for a double taper the whole line.</summary>
    public required double HeadM { get; init; }

    /// <summary>Mass of the head when it was weighed, kilograms.</summary>
    public double? HeadKg { get; init; }

    /// <summary>Front taper, metres.</summary>
    public double FrontTaperM { get; init; } = 2;

    /// <summary>Rear taper, metres.</summary>
    public double RearTaperM { get; init; } = 1.5;

    /// <summary>Diameter at the tip, metres.</summary>
    public double TipDiameterM { get; init; } = .0009;

    /// <summary>Diameter of the belly, metres.</summary>
    public double BellyDiameterM { get; init; } = .0014;

    /// <summary>Diameter of the running line, metres.</summary>
    public double RunningDiameterM { get; init; } = .0009;

    /// <summary>Density id, see <see cref="Densities"/>.</summary>
    public string Density { get; init; } = "floating";

    /// <summary>Coating id, see <see cref="Coatings"/>.</summary>
    public string Coating { get; init; } = "temperate";

    /// <summary>Coating rated for salt.</summary>
    public bool SaltRated { get; init; }

    /// <summary>The whole line as measured on the line bench, from the fly end; null when only the figures above are known.</summary>
    public IReadOnlyList<Stretch>? Measured { get; init; }

    /// <summary>Tolerance of the head's mass, kilograms, when it was weighed on the bench.</summary>
    public double? HeadPlusMinusKg { get; init; }

    /// <summary>A line to start the form with: an ordinary weight-forward one.</summary>
    public static readonly FlyLine Blank = new()
    {
        Tag = "",
        Name = "",
        LengthM = 90 * Exact.FootM,
        HeadM = 36 * Exact.FootM,
        FrontTaperM = 6.5 * Exact.FootM,
        RearTaperM = 5 * Exact.FootM,
    };

    /// <inheritdoc />
    public override string UsualName() =>
        PrintedClass is { } c && Densities.Rank(Density) >= 0
            ? new BoxCode(Build, c, Density).ToString()
            : $"{BuildWords.For(Build)} without a label";

    /// <summary>
    /// An ordinary line of the class, build and density on its box, when nothing more is known: usual lengths, and the thickness that
    /// follows from mass and density. Common practice.
    /// </summary>
    public static FlyLine From(BoxCode box)
    {
        var separate = box.Build == Build.ShootingHead;
        var wholeM =
            (
                separate ? 130
                : box.Class < 7 ? 90
                : 100
            ) * Exact.FootM;
        var bellyM = Math.Round(UsualBellyM(LineWeights.MassKg(box.Class) / Exact.ThirtyFeetM, box.Density), 5);
        var thinM = Math.Round(.65 * bellyM, 5);
        return Blank with
        {
            PrintedClass = box.Class,
            Build = box.Build,
            Density = box.Density,
            LengthM = wholeM,
            HeadM = box.Build switch
            {
                Build.DoubleTaper => wholeM,
                Build.ShootingHead => Exact.ThirtyFeetM,
                _ => Blank.HeadM,
            },
            RearTaperM = separate ? 0 : Blank.RearTaperM,
            BellyDiameterM = bellyM,
            TipDiameterM = thinM,
            RunningDiameterM = separate ? .0006 : thinM,
        };
    }

    /// <summary>
    /// Usual diameter of the belly of a head of this mean mass per metre, tapers included, kg/m; the belly itself weighs about 8 % more per
    /// metre. Metres. Common practice.
    /// </summary>
    public static double UsualBellyM(double headKgPerM, string density) =>
        Math.Sqrt(1.08 * headKgPerM / Densities.OrdinaryKgM3(density) * 4 / Math.PI);

    /// <summary>Class by the mass of its first 30 ft; null when it was not weighed, or its head is shorter.</summary>
    public double? WeighedClass =>
        HeadKg is not null && HeadM >= Exact.ThirtyFeetM - LineClass.NearlyM ? LineWeights.ClassOf(MassWithinKg(Exact.ThirtyFeetM)) : null;

    /// <inheritdoc />
    public override Spread? Classes => (WeighedClass ?? PrintedClass) is { } c ? new(c, c) : null;

    /// <inheritdoc />
    public override bool IsMeasured => HeadKg is not null;

    /// <inheritdoc />
    public override bool LabelDisagrees => Math.Abs(PrintedClass - WeighedClass ?? 0) >= LabelOff;

    /// <summary>
    /// Breaking strength of its core, newtons: about 20 lb, 30 from class 7.5 or when the class is unknown, 60 in big-game lines from class
    /// 10.5. For a short head, the class of the rod counts. Common practice.
    /// </summary>
    public double CoreN() =>
        (Classes?.High ?? (MassKg is { } kg ? LineWeights.ClassOf(kg) - Matching.Tackle.ShortHeadHeavier : null)) switch
        {
            < ThickCoreFrom => ThinCoreLb,
            >= HeavyCoreFrom => HeavyCoreLb,
            _ => ThickCoreLb,
        } * Exact.PoundForceN;

    private const double ThinCoreLb = 20,
        ThickCoreLb = 30,
        ThickCoreFrom = 7.5,
        HeavyCoreLb = 60,
        HeavyCoreFrom = 10.5;

    /// <summary>
    /// Mass of the head, kilograms: weighed, or derived from the label as if the head were uniform. Null for an unlabelled line that was
    /// not weighed.
    /// </summary>
    public double? MassKg => HeadKg ?? (PrintedClass is { } c ? LineWeights.MassKg(c) * HeadM / Exact.ThirtyFeetM : null);

    /// <summary>
    /// The whole line from its tip: as measured, otherwise as the figures above describe it (tip, front taper, belly, rear taper, running
    /// line), with the one density that gives the head its <see cref="MassKg"/>, or the usual one when the mass is unknown.
    /// </summary>
    public IReadOnlyList<Stretch> Stretches =>
        Measured ?? Described(MassKg is { } head ? head / Volume(HeadM) : Densities.OrdinaryKgM3(Density));

    /// <summary>The same, for summing and reading along its length.</summary>
    public LineProfile Profile() => new(Stretches);

    /// <summary>Mass of the part from the tip to <paramref name="lengthM"/> metres, kilograms; 0 when the mass is unknown.</summary>
    public double MassWithinKg(double lengthM) =>
        MassKg is null ? 0 : StretchesWithin(Stretches, lengthM).Sum(x => x.Of.KgM3 * x.Of.Volume(x.UpToM));

    /// <summary>Volume of the part from the tip to <paramref name="lengthM"/> metres, cubic metres.</summary>
    public double Volume(double lengthM) => StretchesWithin(Measured ?? Described(1), lengthM).Sum(x => x.Of.Volume(x.UpToM));

    private static IEnumerable<(Stretch Of, double UpToM)> StretchesWithin(IReadOnlyList<Stretch> stretches, double lengthM)
    {
        var from = 0.0;
        foreach (var stretch in stretches)
        {
            yield return (stretch, Math.Clamp(lengthM - from, 0, stretch.LengthM));
            from += stretch.LengthM;
        }
    }

    private List<Stretch> Described(double kgM3)
    {
        var doubled = Build == Build.DoubleTaper;
        var front = Math.Min(FrontTaperM, HeadM);
        var rear = Math.Min(doubled ? FrontTaperM : RearTaperM, HeadM - front);
        Stretch[] parts =
        [
            new(front, TipDiameterM, BellyDiameterM, kgM3),
            new(HeadM - front - rear, BellyDiameterM, BellyDiameterM, kgM3),
            new(rear, BellyDiameterM, doubled ? TipDiameterM : RunningDiameterM, kgM3),
            new(LengthM - HeadM, RunningDiameterM, RunningDiameterM, kgM3),
        ];
        return [.. parts.Where(p => p.LengthM >= LineProfile.ShortestM)];
    }

    /// <summary>
    /// This line with a measured profile whose head ends at <paramref name="headM"/>. The plain figures are taken from it; a profile of the
    /// head alone leaves the running line as it was. <paramref name="share"/> is the tolerance of the mass.
    /// </summary>
    public FlyLine With(LineProfile profile, double headM, double share)
    {
        var rest = LengthM - profile.LengthM;
        var density = profile.Kg / profile.Volume(profile.LengthM);
        var whole =
            rest > .05 && Build != Build.DoubleTaper
                ? new LineProfile([.. profile.Stretches, new(rest, RunningDiameterM, RunningDiameterM, density)])
                : profile;
        var belly = whole.Points(.05).Where(p => p.PositionM <= headM).ToList();
        var thick = belly.Max(p => p.DiameterM);
        return this with
        {
            Measured = whole.Stretches,
            LengthM = whole.LengthM,
            HeadM = headM,
            HeadKg = whole.MassKg(headM),
            HeadPlusMinusKg = share * whole.MassKg(headM),
            TipDiameterM = belly[0].DiameterM,
            BellyDiameterM = thick,
            RunningDiameterM = whole.ThickM(whole.LengthM),
            FrontTaperM = belly.First(p => p.DiameterM > .995 * thick).PositionM,
            RearTaperM = headM - belly.Last(p => p.DiameterM > .995 * thick).PositionM,
        };
    }

    /// <summary>What is wrong with a weighing of this line, field by field. A measured profile must be able to have that mass.</summary>
    public IReadOnlyList<FieldProblem> Check(Weighing on) =>
        on.Check() is { Count: > 0 } wrong
            ? wrong
            : new FieldCheck()
                .Must(
                    "massKg",
                    Measured is null
                        || LineProfile
                            .Check([.. Measured.Select(s => s with { KgM3 = s.KgM3 * on.MassKg / MassWithinKg(on.LengthM) })])
                            .Count == 0,
                    "With its measured profile this line cannot weigh that. Weigh it again, or measure the profile anew."
                )
                .Problems;

    /// <summary>This line after a weighing: the head's mass, scaled along the profile when only part of it lay on the scale.</summary>
    public FlyLine With(Weighing on)
    {
        var headM = on.WholeHead ? on.LengthM : Math.Max(HeadM, on.LengthM);
        var sized = this with
        {
            HeadM = headM,
            LengthM = Math.Max(LengthM, headM),
            FrontTaperM = on.FrontTaperM ?? FrontTaperM,
            RearTaperM = on.WholeHead ? on.RearTaperM ?? RearTaperM : RearTaperM,
        };
        // A measured profile keeps its shape and takes the new mass.
        var shape = sized with
        {
            Measured = Measured,
        };
        var scale = shape.Volume(headM) / shape.Volume(on.LengthM);
        var kg = Measured is null ? on.MassKg * scale : on.MassKg * shape.MassWithinKg(headM) / shape.MassWithinKg(on.LengthM);
        return sized with
        {
            Measured = Measured is null
                ? null
                : new LineProfile(Measured).Weighing(on.MassKg * new LineProfile(Measured).Kg / shape.MassWithinKg(on.LengthM)).Stretches,
            HeadKg = kg,
            HeadPlusMinusKg =
                kg * Math.Sqrt(Math.Pow(on.ScalePlusMinusKg / on.MassKg, 2) + (on.WholeHead ? 0 : on.TapeShare * on.TapeShare)),
        };
    }

    /// <summary>
    /// This line after cutting this much off its tip, metres; less than its head. Its head loses the mass cut off and keeps its tolerance.
    /// </summary>
    public FlyLine CutBack(double cutM)
    {
        var profile = Profile();
        // A double taper is described by its front taper at both ends; the other end keeps its own.
        var doubled = Build == Build.DoubleTaper;
        return this with
        {
            LengthM = LengthM - cutM,
            HeadM = HeadM - cutM,
            HeadKg = HeadKg - MassWithinKg(cutM),
            FrontTaperM = doubled ? FrontTaperM : Math.Max(0, FrontTaperM - cutM),
            TipDiameterM = doubled ? TipDiameterM : profile.ThickM(cutM),
            Measured = Measured is null ? null : profile.Part(cutM, profile.LengthM).Stretches,
        };
    }

    /// <summary>This line reversed on its spool.</summary>
    public FlyLine Reversed() => this with { Measured = Measured is null ? null : Profile().Part(0, LengthM, turned: true).Stretches };

    /// <inheritdoc />
    public override Kept InPlaceOf(Kept before)
    {
        if (before is not FlyLine was)
            return this;
        // A typed mass has no known tolerance.
        var typed = HeadKg != was.HeadKg && HeadPlusMinusKg == was.HeadPlusMinusKg ? this with { HeadPlusMinusKg = null } : this;
        return Measured is { } measured && was.Measured is { } had && measured.SequenceEqual(had) && Figures != was.Figures
            ? typed with
            {
                Measured = null,
            }
            : typed;
    }

    private (double, double, double?, double, double, double, double, double) Figures =>
        (LengthM, HeadM, HeadKg, FrontTaperM, RearTaperM, TipDiameterM, BellyDiameterM, RunningDiameterM);

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() =>
        Figured() is { Count: > 0 } wrong
            ? wrong
            : new FieldCheck()
                // Lighter than foam or denser than tungsten: one of the figures does not belong to this line.
                .Must(
                    "bellyDiameterM",
                    Measured is not null || LineProfile.Check(Stretches).Count == 0,
                    "So thin or thick a head cannot weigh that. Check thickness, length and mass against each other."
                )
                .Problems;

    private IReadOnlyList<FieldProblem> Figured() => [.. Plain(), .. Measured is null ? [] : LineProfile.Check(Measured, "measured")];

    private IReadOnlyList<FieldProblem> Plain() =>
        CheckFields(LineFields.All)
            .Must("headM", HeadM <= LengthM, "The head cannot be longer than the line.")
            .Range("headPlusMinusKg", HeadPlusMinusKg, 0, .02, "A tolerance wider than 20 g measures nothing.")
            .Must(
                "measured",
                Measured is null || Math.Abs(Measured.Sum(s => s.LengthM) - LengthM) < .1,
                "The measured profile is not as long as the line."
            )
            .Problems;
}
