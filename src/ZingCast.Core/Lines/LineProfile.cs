using ZingCast.Core.Measures;

namespace ZingCast.Core.Lines;

/// <summary>One stretch of a line. Its diameter changes linearly from start to end; its density is constant.</summary>
/// <param name="LengthM">Length, metres.</param>
/// <param name="StartM">Diameter at the end nearer the fly, metres.</param>
/// <param name="EndM">Diameter at the other end, metres.</param>
/// <param name="KgM3">Density, kg/m³.</param>
public readonly record struct Stretch(double LengthM, double StartM, double EndM, double KgM3)
{
    /// <summary>Volume of the first <paramref name="upToM"/> metres, cubic metres.</summary>
    public double Volume(double upToM)
    {
        var stop = ThickM(upToM);
        return Math.PI / 4 * upToM * (StartM * StartM + StartM * stop + stop * stop) / 3;
    }

    /// <summary>Mass, kilograms.</summary>
    public double Kg() => KgM3 * Volume(LengthM);

    /// <summary>Diameter at a distance into it, metres.</summary>
    public double ThickM(double atM) => LengthM <= 0 ? StartM : Interpolation.Between(StartM, EndM, atM / LengthM);

    /// <summary>Mass per metre at a distance into it, kg/m.</summary>
    public double KgPerM(double atM) => Math.PI / 4 * KgM3 * ThickM(atM) * ThickM(atM);

    /// <summary>The same stretch reversed.</summary>
    public Stretch Turned() => this with { StartM = EndM, EndM = StartM };
}

/// <summary>A caliper reading along a line.</summary>
/// <param name="PositionM">Distance from the fly end, metres.</param>
/// <param name="DiameterM">Diameter there, metres.</param>
public readonly record struct CaliperReading(double PositionM, double DiameterM);

/// <summary>A place on a line, and the mass before it.</summary>
/// <param name="PositionM">Distance from the fly end, metres.</param>
/// <param name="DiameterM">Diameter, metres.</param>
/// <param name="KgPerM">Mass per metre, kg/m.</param>
/// <param name="SumKg">Mass from the fly end, kilograms.</param>
public readonly record struct ProfilePoint(double PositionM, double DiameterM, double KgPerM, double SumKg);

/// <summary>A line as stretches from the fly end. Immutable.</summary>
public sealed class LineProfile
{
    /// <summary>Range of diameters that a line can have, metres.</summary>
    public const double ThinnestM = .0001,
        ThickestM = .006;

    /// <summary>Shortest stretch, metres: anything shorter is lost when profiles are cut and joined.</summary>
    public const double ShortestM = 1e-6;

    /// <summary>Most stretches of a profile, and most caliper readings.</summary>
    public const int MaxStretches = 400,
        MaxReadings = 200;

    private readonly double[] from,
        sumKg;

    /// <summary>Throws <see cref="ArgumentException"/> when there is no stretch, or one without length, thickness or density.</summary>
    public LineProfile(IReadOnlyList<Stretch> stretches)
    {
        if (Check(stretches) is [var first, ..])
            throw new ArgumentException(first.Problem, nameof(stretches));
        Stretches = stretches;
        (from, sumKg) = (new double[stretches.Count + 1], new double[stretches.Count + 1]);
        for (var i = 0; i < stretches.Count; i++)
            (from[i + 1], sumKg[i + 1]) = (from[i] + stretches[i].LengthM, sumKg[i] + stretches[i].Kg());
    }

    /// <summary>Stretches from the fly end.</summary>
    public IReadOnlyList<Stretch> Stretches { get; }

    /// <summary>Whole length, metres.</summary>
    public double LengthM => from[^1];

    /// <summary>Whole mass, kilograms.</summary>
    public double Kg => sumKg[^1];

    private int At(double s)
    {
        var i = 0;
        while (i < Stretches.Count - 1 && s >= from[i + 1])
            i++;
        return i;
    }

    /// <summary>Mass of the first <paramref name="s"/> metres, kilograms; s is clamped to the line.</summary>
    public double MassKg(double s)
    {
        s = Math.Clamp(s, 0, LengthM);
        var i = At(s);
        return sumKg[i] + Stretches[i].KgM3 * Stretches[i].Volume(s - from[i]);
    }

    /// <summary>Mass per metre at <paramref name="s"/> metres, kg/m; at a joint that of the stretch behind it.</summary>
    public double KgPerM(double s) => Math.Clamp(s, 0, LengthM) is var c && At(c) is var i ? Stretches[i].KgPerM(c - from[i]) : 0;

    /// <summary>Diameter at <paramref name="s"/> metres, metres.</summary>
    public double ThickM(double s) => Math.Clamp(s, 0, LengthM) is var c && At(c) is var i ? Stretches[i].ThickM(c - from[i]) : 0;

    /// <summary>Volume of water displaced by the first <paramref name="s"/> metres, cubic metres.</summary>
    public double Volume(double s) => Stretches.Select((x, i) => x.Volume(Math.Clamp(s - from[i], 0, x.LengthM))).Sum();

    /// <summary>Length of the first <paramref name="kg"/> kilograms, metres; the whole line when it is lighter.</summary>
    public double LengthOf(double kg)
    {
        if (kg >= Kg)
            return LengthM;
        double low = 0,
            high = LengthM;
        for (var i = 0; i < 60; i++)
        {
            var middle = (low + high) / 2;
            if (MassKg(middle) < kg)
                low = middle;
            else
                high = middle;
        }
        return (low + high) / 2;
    }

    /// <summary>Centre of gravity of the first <paramref name="s"/> metres, metres from the fly end.</summary>
    public double CentreM(double s)
    {
        const int parts = 400;
        var moment = 0.0;
        for (var i = 0; i < parts; i++)
        {
            double a = s * i / parts,
                b = s * (i + 1) / parts;
            moment += (MassKg(b) - MassKg(a)) * (a + b) / 2;
        }
        return moment / MassKg(s);
    }

    /// <summary>
    /// Level tip, metres: a thin level stretch of at most half a metre before the front taper. The line standard leaves it out.
    /// </summary>
    public double LevelTipM =>
        Stretches is [var tip, var next, ..]
        && tip.LengthM <= .5
        && Math.Abs(tip.EndM / tip.StartM - 1) < .03
        && next.EndM > 1.05 * tip.EndM
            ? tip.LengthM
            : 0;

    /// <summary>
    /// From <paramref name="a"/> to <paramref name="b"/> metres as a line of its own, reversed if asked; a below b, both on the line.
    /// </summary>
    public LineProfile Part(double a, double b, bool turned = false)
    {
        List<Stretch> kept = [];
        for (var i = 0; i < Stretches.Count; i++)
        {
            double start = Math.Max(a, from[i]),
                stop = Math.Min(b, from[i + 1]);
            if (stop - start >= ShortestM)
                kept.Add(
                    Stretches[i] with
                    {
                        LengthM = stop - start,
                        StartM = Stretches[i].ThickM(start - from[i]),
                        EndM = Stretches[i].ThickM(stop - from[i]),
                    }
                );
        }
        return new(turned ? [.. kept.AsEnumerable().Reverse().Select(s => s.Turned())] : kept);
    }

    /// <summary>The same line with every density scaled, so that it has this mass.</summary>
    public LineProfile Weighing(double kg) => new([.. Stretches.Select(s => s with { KgM3 = s.KgM3 * kg / Kg })]);

    /// <summary>Points to draw or export: both sides of every joint, and points at most <paramref name="stepM"/> metres apart.</summary>
    public IReadOnlyList<ProfilePoint> Points(double stepM)
    {
        List<ProfilePoint> points = [];
        for (var i = 0; i < Stretches.Count; i++)
        {
            var s = Stretches[i];
            // A level stretch needs only its ends.
            var steps = s.StartM == s.EndM ? 1 : Math.Max(1, (int)Math.Ceiling(s.LengthM / stepM));
            for (var k = 0; k <= steps; k++)
            {
                var at = s.LengthM * k / steps;
                var point = new ProfilePoint(from[i] + at, s.ThickM(at), s.KgPerM(at), sumKg[i] + s.KgM3 * s.Volume(at));
                if (k > 0 || points.Count == 0 || points[^1].DiameterM != point.DiameterM || points[^1].KgPerM != point.KgPerM)
                    points.Add(point);
            }
        }
        return points;
    }

    /// <summary>
    /// A line through points of position, diameter and mass per metre, as in the exchange format. Two points at one place make a step.
    /// Between points the diameter is linear, and the density is such that the stretch has the mean of its two masses per metre.
    /// </summary>
    public static LineProfile Through(IReadOnlyList<(double PositionM, double DiameterM, double KgPerM)> points) =>
        new([
            .. points
                .Zip(points.Skip(1))
                .Where(p => p.Second.PositionM - p.First.PositionM >= ShortestM)
                .Select(p =>
                {
                    var bare = new Stretch(p.Second.PositionM - p.First.PositionM, p.First.DiameterM, p.Second.DiameterM, 1);
                    return bare with { KgM3 = bare.LengthM * (p.First.KgPerM + p.Second.KgPerM) / 2 / bare.Volume(bare.LengthM) };
                }),
        ]);

    /// <summary>
    /// Fits one density to caliper readings and one total mass, kilograms. Readings sorted by position, the first taken to reach to the
    /// fly end;
    /// <paramref name="lengthM"/> is the length that was weighed.
    /// </summary>
    public static LineProfile Fit(IReadOnlyList<CaliperReading> readings, double lengthM, double kg) =>
        Shape(readings, lengthM).Weighing(kg);

    // The shape, with the density of water everywhere.
    private static LineProfile Shape(IReadOnlyList<CaliperReading> readings, double lengthM)
    {
        List<CaliperReading> all = [.. readings.OrderBy(r => r.PositionM)];
        // A reading next to an end was taken at that end.
        if (all[0].PositionM < ShortestM)
            all[0] = all[0] with { PositionM = 0 };
        else
            all.Insert(0, all[0] with { PositionM = 0 });
        if (lengthM - all[^1].PositionM < ShortestM)
            all[^1] = all[^1] with { PositionM = lengthM };
        else
            all.Add(all[^1] with { PositionM = lengthM });
        return new LineProfile([
            .. all.Zip(all.Skip(1))
                .Where(p => p.Second.PositionM - p.First.PositionM >= ShortestM)
                .Select(p => new Stretch(p.Second.PositionM - p.First.PositionM, p.First.DiameterM, p.Second.DiameterM, 1000)),
        ]);
    }

    /// <summary>What is wrong with a list of stretches, field by field.</summary>
    public static IReadOnlyList<FieldProblem> Check(IReadOnlyList<Stretch> stretches, string named = "stretches")
    {
        var check = new FieldCheck().Must(
            named,
            stretches.Count is >= 1 and <= MaxStretches,
            $"A line has between 1 and {MaxStretches} stretches."
        );
        for (var i = 0; i < Math.Min(MaxStretches, stretches.Count); i++)
        {
            var (length, start, end, density) = stretches[i];
            check
                .Must(
                    $"{named}[{i}].lengthM",
                    length is >= ShortestM and <= 60,
                    "A stretch is longer than nothing and no longer than 60 m."
                )
                .Must($"{named}[{i}].startM", start is >= ThinnestM and <= ThickestM, "Line is between 0.1 and 6 mm thick.")
                .Must($"{named}[{i}].endM", end is >= ThinnestM and <= ThickestM, "Line is between 0.1 and 6 mm thick.")
                .Must(
                    $"{named}[{i}].kgM3",
                    density is >= 100 and <= 15000,
                    "Line weighs between a tenth and fifteen times as much as water."
                );
        }
        return check.Must(named, stretches.Sum(s => s.LengthM) <= 100, "A line is no longer than 100 m.").Problems;
    }

    /// <summary>What is wrong with caliper readings and a weighing, field by field.</summary>
    public static IReadOnlyList<FieldProblem> Check(IReadOnlyList<CaliperReading> readings, double lengthM, double kg)
    {
        var check = new FieldCheck()
            .Must("readings", readings.Count is >= 1 and <= MaxReadings, $"Give between 1 and {MaxReadings} caliper readings.")
            .Must("massKg", kg > 0, "A line that weighs nothing was not on the scale. Tare it empty and weigh again.")
            .Must("massKg", !(kg > .2), "No line weighs more than 200 g.")
            .Range("lengthM", lengthM, .3, 60, "Weigh between 30 cm and 60 m of line.");
        for (var i = 0; i < Math.Min(MaxReadings, readings.Count); i++)
            check
                .Must(
                    $"readings[{i}].positionM",
                    readings[i].PositionM >= 0 && readings[i].PositionM <= lengthM + 1e-9,
                    $"That is beyond the {lengthM:0.00} m that were weighed."
                )
                .Must(
                    $"readings[{i}].diameterM",
                    readings[i].DiameterM is >= ThinnestM and <= ThickestM,
                    "Line is between 0.1 and 6 mm thick; mind the decimal point."
                )
                .Must(
                    $"readings[{i}].positionM",
                    readings.Take(i).All(r => Math.Abs(r.PositionM - readings[i].PositionM) > ShortestM),
                    "There is a reading at this place already."
                );
        if (check.Problems.Count == 0 && Shape(readings, lengthM) is var shape && kg / shape.Volume(shape.LengthM) is < 300 or > 12000)
            check.Must(
                "massKg",
                false,
                "So thick a line cannot weigh that. Check the scale's unit, and that the calipers were closed without squeezing."
            );
        return check.Problems;
    }
}

/// <summary>Belly grains per foot by the trade's third rule and exactly.</summary>
/// <param name="RuleKgPerM">Mass ÷ (length − taper/3), kg/m.</param>
/// <param name="ExactKgPerM">The same with the effective length the tip's thickness gives, kg/m.</param>
/// <param name="Ratio">Tip over belly thickness r.</param>
public readonly record struct BellyWeight(double RuleKgPerM, double ExactKgPerM, double Ratio)
{
    /// <summary>
    /// For a piece with one taper. The rule is exact at r = 0.618, the positive root of r² + r − 1 = 0; the exact effective length is
    /// L − taper·(1 − (1 + r + r²)/3). Length in metres, taper no longer than it.
    /// </summary>
    public static BellyWeight From(double kg, double lengthM, double taperM, double ratio) =>
        new(kg / (lengthM - taperM / 3), kg / (lengthM - taperM * (1 - (1 + ratio + ratio * ratio) / 3)), ratio);

    /// <summary>How far the rule is off, as a share of the exact value.</summary>
    public double Off => RuleKgPerM / ExactKgPerM - 1;
}
