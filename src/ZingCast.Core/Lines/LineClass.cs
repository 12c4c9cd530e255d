using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Lines;

/// <summary>How a line was weighed.</summary>
public sealed record Weighing
{
    /// <summary>A weighing to start the form with: an ordinary five-weight head.</summary>
    public static readonly Weighing Usual = new() { MassKg = 160 * Exact.GrainKg };

    /// <summary>What the scale said, kilograms.</summary>
    public required double MassKg { get; init; }

    /// <summary>Length of line on the scale, metres, without the level tip.</summary>
    public double LengthM { get; init; } = Exact.ThirtyFeetM;

    /// <summary>True for a whole head, false for the first part of something longer.</summary>
    public bool WholeHead { get; init; }

    /// <summary>Front taper, metres, when known.</summary>
    public double? FrontTaperM { get; init; }

    /// <summary>Rear taper, metres, when known; only a whole head has one.</summary>
    public double? RearTaperM { get; init; }

    /// <summary>Tolerance of the scale, kilograms.</summary>
    public double ScalePlusMinusKg { get; init; } = .0001;

    /// <summary>Tolerance of the tape as a share of the length: 1 cm in 3 m.</summary>
    public double TapeShare { get; init; } = .01 / 3;

    /// <summary>What is wrong, field by field.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Must("massKg", MassKg > 0, "A line that weighs nothing was not on the scale. Tare it empty and weigh again.")
            .Must("massKg", !(MassKg > .15), "No head weighs more than 150 g; was it read in the wrong unit?")
            .Range("lengthM", LengthM, 1, 40, "Weigh between 1 and 40 m of line.")
            .Must(
                "massKg",
                !(MassKg > 0 && LengthM > 0) || MassKg / LengthM is > .0002 and < .012,
                "So much line cannot weigh that. Check the unit, and that all of it lay on the scale."
            )
            .Range("frontTaperM", FrontTaperM, 0, LengthM, "The taper is part of the length.")
            .Range("rearTaperM", RearTaperM, 0, LengthM, "The taper is part of the length.")
            .Must("rearTaperM", !((FrontTaperM ?? 0) + (RearTaperM ?? 0) > LengthM), "The two tapers are longer than the head.")
            .Range("scalePlusMinusKg", ScalePlusMinusKg, 0, .02, "A scale is good to 20 g or better.")
            .Range("tapeShare", TapeShare, 0, .1, "A tape is good to a tenth or better.")
            .Problems;
}

/// <summary>The class of a line and how certain it is.</summary>
/// <param name="Head">Mass that was weighed or worked out for the head, kilograms.</param>
/// <param name="Thirty">Mass of the first 30 ft, kilograms; null when there are none.</param>
/// <param name="Class">Class, null when there is no honest one.</param>
/// <param name="Row">The row of the standard whose range holds it; null in a gap.</param>
/// <param name="Spread">Classes it may be, given the measurement.</param>
/// <param name="RodClasses">Rods whose grain window holds it whole, from class to class; for heads shorter than 30 ft.</param>
/// <param name="Says">In words.</param>
/// <param name="Source">How it is known.</param>
public sealed record LineClass(
    Quantity Head,
    Quantity? Thirty,
    Quantity? Class,
    LineWeight? Row,
    Spread? Spread,
    Spread? RodClasses,
    Sentence Says,
    Source Source
)
{
    /// <summary>Heads shorter than 30 ft by no more than this count as 30 ft, metres: nobody measures a stretched line better.</summary>
    public const double NearlyM = .1;

    // Shortest and longest usual tapers, metres, and usual ratios of tip to belly. Common practice; the third rule is exact for the golden
    // ratio, which lies in the middle.
    private static readonly double[] FrontsM = [.6, 3.5],
        RearsM = [0, 3.5],
        TipShares = [.45, (Math.Sqrt(5) - 1) / 2, .85];

    /// <summary>Class from a weighing of the first 30 ft, of another length, or of a whole head.</summary>
    public static LineClass From(Weighing on)
    {
        var head = Quantity.LineMass(on.MassKg, on.ScalePlusMinusKg);
        if (on.LengthM < Exact.ThirtyFeetM - NearlyM)
            return on.WholeHead ? Short(head, on.LengthM) : TooLittle(head, on.LengthM);
        var exactly = Math.Abs(on.LengthM - Exact.ThirtyFeetM) <= NearlyM;
        // What the unknown shape leaves open: from the lightest possible front of such a head to the heaviest.
        List<double> shares = exactly ? [1] : [.. Shapes(on).Select(shape => shape.MassKg(Exact.ThirtyFeetM) / shape.Kg)];
        var (least, most) = (shares.Min() * on.MassKg, shares.Max() * on.MassKg);
        // Measured tapers are counted by the third rule, which is exact for the ordinary tip; unmeasured ones may be any usual ones.
        var thirds = on.FrontTaperM is not null && (!on.WholeHead || on.RearTaperM is not null);
        var thirty = thirds ? shares[shares.Count / 2] * on.MassKg : (least + most) / 2;
        var guess = Math.Max(most - thirty, thirty - least);
        var share = thirty / on.MassKg;
        var plusMinus = guess + Math.Sqrt(Math.Pow(on.ScalePlusMinusKg * share, 2) + Math.Pow(on.TapeShare * thirty, 2));
        return From(
            head,
            thirty,
            plusMinus,
            exactly
                ? new(SourceMark.Measured, "Weighed to the 30-ft mark")
                : new(SourceMark.Computed, "From head mass and length, with the tapers such heads are built with")
        );
    }

    // Every head it may be: tapers as measured, or else any usual ones, and a level belly between them. Only the shape matters.
    private static IEnumerable<LineProfile> Shapes(Weighing weighed) =>
        from front in weighed.FrontTaperM is { } measured
            ? [measured]
            : FrontsM.Select(m => Math.Min(m, weighed.LengthM - (weighed.RearTaperM ?? 0)))
        from rear in !weighed.WholeHead ? [0]
        : weighed.RearTaperM is { } measuredRear ? [measuredRear]
        : RearsM.Select(m => Math.Min(m, weighed.LengthM - front))
        from tip in TipShares
        select new LineProfile([
            .. new Stretch[]
            {
                new(front, tip * .001, .001, 1000),
                new(weighed.LengthM - front - rear, .001, .001, 1000),
                new(rear, .001, tip * .001, 1000),
            }.Where(s => s.LengthM >= LineProfile.ShortestM),
        ]);

    /// <summary>
    /// Class from a profile whose head ends at <paramref name="headM"/>, without the level tip. Tolerance as a share of mass.
    /// </summary>
    public static LineClass From(LineProfile profile, double headM, double share)
    {
        var tip = profile.LevelTipM;
        double Kg(double upTo) => profile.MassKg(upTo) - profile.MassKg(tip);
        var head = Quantity.LineMass(Kg(headM), share * Kg(headM));
        var thirty = Kg(tip + Exact.ThirtyFeetM);
        return headM - tip < Exact.ThirtyFeetM - NearlyM
            ? Short(head, headM - tip)
            : From(head, thirty, share * thirty, new(SourceMark.Computed, "Summed along the profile"));
    }

    private static LineClass From(Quantity head, double thirtyKg, double plusMinusKg, Source source)
    {
        var thirty = Quantity.LineMass(thirtyKg, plusMinusKg);
        var spread = new Spread(LineWeights.ClassOf(Math.Max(0, thirtyKg - plusMinusKg)), LineWeights.ClassOf(thirtyKg + plusMinusKg));
        var half = (spread.High - spread.Low) / 2;
        // A measurement that cannot tell one class from the next gives none.
        if (half > .5)
            return new(
                head,
                thirty,
                null,
                null,
                spread,
                null,
                $"Somewhere between {Quantity.Class(spread.Low)} and {Quantity.Class(spread.High)}: this "
                    + $"measurement is too coarse to name a class. Weigh it on a finer scale",
                source
            );
        var number = LineWeights.ClassOf(thirtyKg);
        var row = LineWeights.RowOf(thirtyKg);
        var whole = Math.Round(number);
        var off = (thirtyKg - LineWeights.MassKg(whole)) / (LineWeights.MassKg(whole + 1) - LineWeights.MassKg(whole));
        Sentence says = row is not null
            ? (Sentence)$"A {row.Class}: its first {Quantity.Length(Exact.ThirtyFeetM)} weigh {thirty}, inside {Grains(row.LowGr)} to "
                + $"{Grains(row.HighGr)}{(Math.Abs(off) < .08 ? "" : off > 0 ? ", on the heavy side" : ", on the light side")}"
            : $"Nobody's: {thirty} lies in the gap {Gap(thirtyKg)}. {Halves(number, whole)}";
        return new(head, thirty, Quantity.Class(number, half), row, spread, null, says, source);
    }

    private static Sentence Halves(double number, double whole) =>
        Math.Abs(number - whole) < .2
            ? (Sentence)$"Nearest is a {(int)whole}, {(number > whole ? "a little heavy" : "a little light")}"
            : $"People call it a half-heavy {(int)Math.Floor(number)}";

    private static Sentence Gap(double kg)
    {
        var grains = kg / Exact.GrainKg;
        var (below, above) = (
            LineWeights.Rows.LastOrDefault(r => r.HighGr < grains),
            LineWeights.Rows.FirstOrDefault(r => r.LowGr > grains)
        );
        return below is null ? (Sentence)$"below the lightest class"
            : above is null ? (Sentence)$"above the heaviest class"
            : (Sentence)
                $"between the {below.Class} ({Grains(below.HighGr)} at most) and the {above.Class} ({Grains(above.LowGr)} at least)";
    }

    private static LineClass Short(Quantity head, double lengthM)
    {
        Spread rods = new(LineWeights.ClassOf(head.Value / LineWeights.WindowTop), LineWeights.ClassOf(head.Value / LineWeights.WindowLow));
        return new(
            head,
            null,
            null,
            null,
            null,
            rods,
            $"No honest class: {Quantity.Length(lengthM)} of head never reach the 30-ft mark a class is weighed to. It "
                + $"is a head of {head}, for rods of {Quantity.Class(rods.Low)} to {Quantity.Class(rods.High)}",
            new(SourceMark.Measured, "Whole head weighed")
        );
    }

    private static LineClass TooLittle(Quantity piece, double lengthM) =>
        new(
            piece,
            null,
            null,
            null,
            null,
            null,
            $"{Quantity.Length(lengthM)} are too little to name a class: weigh to the 30-ft mark, or say that this was the whole head",
            new(SourceMark.Measured, "Part of a line weighed")
        );

    private static Quantity Grains(double grains) => Quantity.LineMass(grains * Exact.GrainKg);
}

/// <summary>What a profile says about a line.</summary>
/// <param name="Class">Its class.</param>
/// <param name="HeadM">Head, metres.</param>
/// <param name="HeadKg">Mass of the head, kilograms.</param>
/// <param name="Belly">Grains per foot of the belly by rule and exactly, for a head with a front taper before a belly; else null.</param>
/// <param name="CentreM">Where the head balances, metres from the fly end.</param>
/// <param name="FrontShare">Share of the head's mass in its front third.</param>
/// <param name="FrontWord">Front-loaded, even or rear-loaded.</param>
/// <param name="WaterM3">Water the head pushes aside, cubic metres.</param>
/// <param name="KgM3">Density of the head, kg/m³.</param>
/// <param name="FloatsFresh">Lighter than fresh water.</param>
/// <param name="FloatsSalt">Lighter than sea water.</param>
/// <param name="Outside">Mass outside the tip at the carry asked about, kilograms.</param>
/// <param name="Points">To draw: place, thickness, mass per metre, sum.</param>
public sealed record LineReading(
    LineClass Class,
    double HeadM,
    double HeadKg,
    BellyWeight? Belly,
    double CentreM,
    double FrontShare,
    string FrontWord,
    double WaterM3,
    double KgM3,
    bool FloatsFresh,
    bool FloatsSalt,
    Quantity Outside,
    IReadOnlyList<ProfilePoint> Points
)
{
    /// <summary>Density of fresh and of sea water, kg/m³, at about 15 °C. From memory.</summary>
    public const double FreshKgM3 = 999,
        SaltKgM3 = 1026;

    /// <summary>Reads a profile with its head, metres, at a carry, metres; <paramref name="share"/> is the tolerance of its mass.</summary>
    public static LineReading From(LineProfile profile, double headM, double carryM, double share)
    {
        headM = Math.Min(headM, profile.LengthM);
        var kg = profile.MassKg(headM);
        var front = profile.MassKg(headM / 3) / kg;
        var density = kg / profile.Volume(headM);
        return new(
            LineClass.From(profile, headM, share),
            headM,
            kg,
            BellyOf(profile, headM),
            profile.CentreM(headM),
            front,
                // A head of one density with ordinary tapers has 28 to 34 % of its mass in the front third.
                front > .345
                    ? "front-loaded: turns over bulk, lands hard"
                : front < .28 ? "rear-loaded: lands softly, carries far"
                : "evenly loaded",
            profile.Volume(headM),
            density,
            density < FreshKgM3,
            density < SaltKgM3,
            Quantity.LineMass(profile.MassKg(carryM), share * profile.MassKg(carryM)),
            profile.Points(.05)
        );
    }

    // The third rule is about one taper before a level belly: the piece from the fly end to the end of the belly.
    private static BellyWeight? BellyOf(LineProfile profile, double headM)
    {
        var thick = profile.Points(.05).Where(p => p.PositionM <= headM).ToList();
        var belly = thick.Max(p => p.DiameterM);
        var (from, to) = (thick.First(p => p.DiameterM > .995 * belly).PositionM, thick.Last(p => p.DiameterM > .995 * belly).PositionM);
        var tip = profile.LevelTipM;
        return from - tip < .3 || to - from < 1
            ? null
            : BellyWeight.From(profile.MassKg(to) - profile.MassKg(tip), to - tip, from - tip, profile.ThickM(tip) / belly) with
            {
                ExactKgPerM = (profile.MassKg(to) - profile.MassKg(from)) / (to - from),
            };
    }
}
