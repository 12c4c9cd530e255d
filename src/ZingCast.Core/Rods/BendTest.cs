using ZingCast.Core.Measures;

namespace ZingCast.Core.Rods;

/// <summary>One weight hung on the tip, with its readings.</summary>
/// <param name="MassKg">Weight with its bag and hook, kilograms.</param>
/// <param name="DropM">How far the tip went down from where it rested unloaded, metres.</param>
/// <param name="AngleDeg">Angle of the tip below level, degrees, when it was read.</param>
/// <param name="OutM">Level distance from the clamp to the tip, metres, when it was read.</param>
public sealed record BendReading(double MassKg, double DropM, double? AngleDeg = null, double? OutM = null);

/// <summary>A bend test: handle clamped level, weights on the tip.</summary>
public sealed record BendTest
{
    /// <summary>Day it was done.</summary>
    public DateOnly? On { get; init; }

    /// <summary>Readings, one or more; the one nearest a third of the length counts most.</summary>
    public required IReadOnlyList<BendReading> Readings { get; init; }

    /// <summary>How much of the handle the clamp holds, metres. That part does not bend.</summary>
    public double HeldM { get; init; } = .25;

    /// <summary>Name of the calibration used.</summary>
    public string? Calibration
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>Tolerance of the tape, metres.</summary>
    public double TapePlusMinusM { get; init; } = .005;

    /// <summary>Tolerance of the scale, kilograms.</summary>
    public double ScalePlusMinusKg { get; init; } = .001;

    /// <summary>Tolerance of the angle, degrees.</summary>
    public double AnglePlusMinusDeg { get; init; } = 1;

    /// <summary>Most readings one test holds.</summary>
    public const int MaxReadings = 20;

    /// <summary>Deflection to aim for on a rod of this length, metres: one third.</summary>
    public static double ThirdM(double rodLengthM) => rodLengthM / 3;

    /// <summary>What is wrong, field by field, with what to measure again; empty when the readings can be used.</summary>
    public IReadOnlyList<FieldProblem> Check(double rodLengthM)
    {
        var check = new FieldCheck()
            .Range("heldM", HeldM, 0, .6, "The clamp holds between 0 and 60 cm of the handle.")
            .Range("tapePlusMinusM", TapePlusMinusM, .0005, .1, "A tape is good to between 0.5 mm and 10 cm.")
            .Range("scalePlusMinusKg", ScalePlusMinusKg, .00001, .1, "A scale is good to between 0.01 and 100 g.")
            .Range("anglePlusMinusDeg", AnglePlusMinusDeg, .1, 10, "An angle is good to between 0.1 and 10°.")
            .Text("calibration", Calibration, 60, optional: true)
            .Must("readings", Readings.Count is >= 1 and <= MaxReadings, $"Give between 1 and {MaxReadings} readings.");
        if (Readings.Count > MaxReadings)
            return check.Problems;
        for (var i = 0; i < Readings.Count; i++)
        {
            var (mass, drop, angle, outM) = Readings[i];
            string at = $"readings[{i}].",
                free = $"{rodLengthM - HeldM:0.00} m";
            check
                .Must(at + "massKg", mass > 0, "No weight bends no rod. Zero the scale, then weigh bag, hook and coins together.")
                .Must(
                    at + "massKg",
                    !(mass is > 0 and < .002),
                    "Two grams at least; less does not bend a rod that could be measured. Was it read in the wrong unit?"
                )
                .Must(at + "massKg", !(mass > 2), "Two kilograms is no bend test but a breakage. Was it read in the wrong unit?")
                .Must(at + "dropM", drop > 0, "The tip must have gone down. Mark where it rests unloaded and measure from there.")
                .Must(at + "dropM", !(drop is > 0 and < .005), "Half a centimetre at least; less than that no tape can tell.")
                .Must(
                    at + "dropM",
                    !(drop > rodLengthM),
                    "The tape reads more than the rod is long. Measure the drop again, straight down from the unloaded tip."
                )
                .Must(
                    at + "dropM",
                    !(drop <= rodLengthM && drop > .85 * (rodLengthM - HeldM)),
                    $"Only {free} is free to bend: that is more drop than a rod stands. Stop at a third of its length."
                )
                .Must(at + "angleDeg", angle is not (<= 0 or >= 90), "The tip stands between level (0°) and straight down (90°).")
                .Must(
                    at + "outM",
                    outM is not <= 0 && !(outM > rodLengthM),
                    "The tip stands between the clamp and the rod's length away from it."
                )
                .Must(
                    at + "outM",
                    !(outM <= rodLengthM && Math.Sqrt(outM.Value * outM.Value + drop * drop) > rodLengthM - HeldM + .02),
                    $"Drop and distance put the tip farther from the clamp than the {free} that is free. Measure both again."
                );
        }
        var byMass = Readings.Select((r, i) => (r, i)).OrderBy(x => x.r.MassKg).ToList();
        foreach (var (less, more) in byMass.Zip(byMass.Skip(1)))
            check.Must(
                $"readings[{more.i}].dropM",
                more.r.DropM > less.r.DropM,
                $"More weight drops a tip farther, yet reading {more.i + 1} is no deeper than reading {less.i + 1}. Measure both again."
            );
        return check.Problems;
    }
}

/// <summary>What a bend test says about a rod.</summary>
/// <param name="Power">Weight that drops the tip by a third of the length: the rod's intrinsic power.</param>
/// <param name="Class">Measured class, comparable with line classes; tolerance of measurement and table together.</param>
/// <param name="MeasuredPlusMinus">What the measurement alone adds to that tolerance, in classes.</param>
/// <param name="TablePlusMinus">What the table adds, in classes.</param>
/// <param name="BeyondTable">The weight lies outside the table and was extended in proportion to line weights.</param>
/// <param name="TipAngle">Tip angle: the tip below level at a third, degrees.</param>
/// <param name="AngleRead">True when an angle or a tip position was read; else the angle is only that of a usual taper.</param>
/// <param name="Model">The fitted bend model.</param>
/// <param name="StiffnessPlusMinus">Tolerance of the stiffness at the butt, as a share of it.</param>
/// <param name="TaperPlusMinus">Tolerance of the taper.</param>
/// <param name="Misses">For each reading what the model makes of it.</param>
/// <param name="AtThird">The rod bent by a third.</param>
public sealed record BendFit(
    Quantity Power,
    Quantity Class,
    double MeasuredPlusMinus,
    double TablePlusMinus,
    bool BeyondTable,
    Quantity TipAngle,
    bool AngleRead,
    BendModel Model,
    double StiffnessPlusMinus,
    double TaperPlusMinus,
    IReadOnlyList<BendMiss> Misses,
    Bend AtThird
)
{
    /// <summary>Usual range of tapers. Common practice.</summary>
    public const double ThinnestTaper = .08,
        FullestTaper = .6;

    private static readonly FieldProblem Unsettled = new(
        "readings",
        "These readings do not settle what rod this is. Hang one weight that drops the "
            + "tip by about a third of its length, and read the tip’s angle."
    );

    // Without an angle the taper is assumed to be usual, with a tolerance so wide that it says little.
    private const double UsualTaper = .14,
        UsualTaperPlusMinus = .04;

    /// <summary>
    /// Fits stiffness and taper to the readings by least squares, each weighted by its tolerance, and propagates the tolerances to the
    /// class (as squares). <paramref name="problems"/> names unusable readings; then there is no fit.
    /// </summary>
    public static BendFit? From(double rodLengthM, BendTest test, Calibration calibration, out IReadOnlyList<FieldProblem> problems)
    {
        problems = test.Check(rodLengthM);
        if (problems.Count > 0)
            return null;
        var work = new Fitting(rodLengthM, test);
        var (logStiffness, taper) = work.Solve();
        problems = work.Contradictions(logStiffness, taper);
        if (problems.Count > 0)
            return null;

        var model = work.Model(logStiffness, taper);
        var third = BendTest.ThirdM(rodLengthM);
        var newtons = model.WeightForDropN(third);
        var atThird = model.Under(newtons, Math.PI / 2);
        var (number, beyond) = calibration.NumberOf(newtons / Exact.GravityMps2);

        // Each tolerance in turn shifts stiffness and taper, and with them the weight for a drop of a third and the tip angle there.
        const double nudge = 1e-4;
        Bend Nudged(double logEi, double tau, double heldM) =>
            work.Model(logStiffness + logEi, taper + tau, test.HeldM + heldM).Under(newtons, Math.PI / 2);
        var heavier = model.Under(newtons * (1 + nudge), Math.PI / 2);
        double perNewton = (heavier.DownM - atThird.DownM) / (nudge * newtons),
            turnPerNewton = (heavier.TipRad - atThird.TipRad) / (nudge * newtons);
        (double Power, double Angle) Per(Bend nudged) =>
            (atThird.DownM - nudged.DownM) / nudge / perNewton is var power
                ? (power, (nudged.TipRad - atThird.TipRad) / nudge + turnPerNewton * power)
                : default;
        var (perTau, angleTau) = Per(Nudged(0, nudge, 0));
        var (perHeld, angleHeld) = Per(Nudged(0, 0, nudge));
        var (perThird, angleThird) = (1 / perNewton, turnPerNewton / perNewton);
        double varEi = 0,
            varTau = 0,
            varPower = 0,
            varAngle = 0;
        foreach (var (dEi, dTau, dHeld, dThird) in work.Tolerances(logStiffness, taper))
        {
            varEi += dEi * dEi;
            varTau += dTau * dTau;
            varPower += Math.Pow(newtons * dEi + perTau * dTau + perHeld * dHeld + perThird * dThird, 2);
            varAngle += Math.Pow(angleTau * dTau + angleHeld * dHeld + angleThird * dThird, 2);
        }
        var kg = newtons / Exact.GravityMps2;
        // Readings on which stiffness and taper act alike, or not at all, do not determine the rod.
        if (!double.IsFinite(varPower + varAngle + varEi + varTau + number))
        {
            problems = [Unsettled];
            return null;
        }
        var perKg = (calibration.NumberOf(kg * 1.001).Number - calibration.NumberOf(kg * .999).Number) / (.002 * kg);
        var (powerKg, measured) = (Math.Sqrt(varPower) / Exact.GravityMps2, Math.Sqrt(varPower) / Exact.GravityMps2 * Math.Abs(perKg));
        return new(
            new(kg, Kind.BenchMass, powerKg),
            Quantity.Class(number, Math.Sqrt(measured * measured + calibration.PlusMinus * calibration.PlusMinus)),
            measured,
            calibration.PlusMinus,
            beyond,
            new(atThird.TipRad * 180 / Math.PI, Kind.Angle, Math.Sqrt(varAngle) * 180 / Math.PI),
            work.TaperRead,
            model,
            Math.Sqrt(varEi),
            Math.Sqrt(varTau),
            [
                .. test
                    .Readings.Select(r => (r, Bend: model.Under(r.MassKg * Exact.GravityMps2, Math.PI / 2)))
                    .Select(x => new BendMiss(
                        x.Bend.DownM - x.r.DropM,
                        x.Bend.TipRad * 180 / Math.PI - x.r.AngleDeg,
                        x.Bend.OutM - x.r.OutM
                    )),
            ],
            atThird
        );
    }

    /// <summary>The least-squares fit, in the logarithm of the butt stiffness and the taper.</summary>
    private sealed class Fitting(double rodLengthM, BendTest test)
    {
        private enum What
        {
            Drop,
            Angle,
            Out,
        }

        private readonly record struct Datum(int Reading, What What, double Value, double PlusMinus);

        private readonly List<Datum> data = [.. test.Readings.SelectMany((r, i) => Read(r, i, test))];

        private static IEnumerable<Datum> Read(BendReading r, int i, BendTest test)
        {
            yield return new(i, What.Drop, r.DropM, test.TapePlusMinusM);
            if (r.AngleDeg is { } angle)
                yield return new(i, What.Angle, angle * Math.PI / 180, test.AnglePlusMinusDeg * Math.PI / 180);
            if (r.OutM is { } away)
                yield return new(i, What.Out, away, test.TapePlusMinusM);
        }

        /// <summary>More than a single drop was read, so the taper can be determined.</summary>
        public bool TaperRead => data.Count > 1;

        // The search may overshoot any real rod; a fit that ends at this limit is reported as a contradiction.
        private const double StiffestNm2 = 9e4;

        public BendModel Model(double logStiffness, double taper, double? heldM = null) =>
            new(rodLengthM - (heldM ?? test.HeldM), Math.Clamp(Math.Exp(logStiffness), BendModel.SoftestNm2, StiffestNm2), taper);

        // Model value of each reading; each weight is computed once.
        private double[] Foresee(BendModel model, double nudgeKg = 0)
        {
            var bends = test.Readings.Select(r => model.Under((r.MassKg + nudgeKg) * Exact.GravityMps2, Math.PI / 2)).ToArray();
            return
            [
                .. data.Select(d =>
                    d.What switch
                    {
                        What.Drop => bends[d.Reading].DownM,
                        What.Angle => bends[d.Reading].TipRad,
                        _ => bends[d.Reading].OutM,
                    }
                ),
            ];
        }

        private double Cost(double[] foreseen, double taper) =>
            data.Select((d, i) => Math.Pow((foreseen[i] - d.Value) / d.PlusMinus, 2)).Sum()
            + (TaperRead ? 0 : Math.Pow((taper - UsualTaper) / UsualTaperPlusMinus, 2));

        // Derivatives of all model values; stiffness acts like the weight, with opposite sign.
        private (double[] Ei, double[] Tau) Slopes(double logStiffness, double taper, double[] here)
        {
            const double nudge = 1e-4;
            var (ei, tau) = (Foresee(Model(logStiffness + nudge, taper)), Foresee(Model(logStiffness, taper + nudge)));
            return ([.. ei.Select((f, i) => (f - here[i]) / nudge)], [.. tau.Select((f, i) => (f - here[i]) / nudge)]);
        }

        // Damped normal equations: turn a change of every reading into the best change of stiffness and taper.
        private (double Ei, double Tau) Follow(
            (double[] Ei, double[] Tau) slopes,
            double[] change,
            double priorChange = 0,
            double damping = 0
        )
        {
            double a = 0,
                b = 0,
                c = 0,
                p = 0,
                q = 0;
            for (var i = 0; i < data.Count; i++)
            {
                var w = 1 / (data[i].PlusMinus * data[i].PlusMinus);
                a += w * slopes.Ei[i] * slopes.Ei[i];
                b += w * slopes.Ei[i] * slopes.Tau[i];
                c += w * slopes.Tau[i] * slopes.Tau[i];
                p += w * slopes.Ei[i] * change[i];
                q += w * slopes.Tau[i] * change[i];
            }
            if (!TaperRead)
            {
                const double w = 1 / (UsualTaperPlusMinus * UsualTaperPlusMinus);
                c += w;
                q += w * priorChange;
            }
            (a, c) = (a * (1 + damping), c * (1 + damping));
            var det = a * c - b * b;
            var (ei, tau) = ((c * p - b * q) / det, (a * q - b * p) / det);
            // Readings that depend on neither stiffness nor taper change nothing during the fit, and leave both undetermined afterwards.
            return damping > 0 && !double.IsFinite(ei + tau) ? (0, 0) : (ei, tau);
        }

        public (double LogStiffness, double Taper) Solve()
        {
            var first = test.Readings.MinBy(r => Math.Abs(r.DropM - BendTest.ThirdM(rodLengthM)))!;
            double taper = UsualTaper,
                damping = 1e-3;
            // A uniform rod of the usual taper with the same drop under this weight.
            var unit = Model(0, taper);
            var logStiffness = Math.Log(first.MassKg * Exact.GravityMps2 / unit.WeightForDropN(Math.Min(first.DropM, .9 * unit.LengthM)));
            var here = Foresee(Model(logStiffness, taper));
            var cost = Cost(here, taper);
            for (var round = 0; round < 40; round++)
            {
                var slopes = Slopes(logStiffness, taper, here);
                var step = Follow(slopes, [.. data.Select((d, i) => d.Value - here[i])], UsualTaper - taper, damping);
                var (nextEi, nextTau) = (
                    logStiffness + Math.Clamp(step.Ei, -1, 1),
                    Math.Clamp(taper + Math.Clamp(step.Tau, -.08, .08), ThinnestTaper, FullestTaper)
                );
                var next = Foresee(Model(nextEi, nextTau));
                var nextCost = Cost(next, nextTau);
                var moved = Math.Max(Math.Abs(nextEi - logStiffness), Math.Abs(nextTau - taper));
                if (nextCost <= cost)
                {
                    (logStiffness, taper, here, cost) = (nextEi, nextTau, next, nextCost);
                    damping /= 30;
                    if (moved < 1e-7)
                        break;
                }
                else if ((damping *= 10) > 1e6 || moved < 1e-7)
                    break;
            }
            return (logStiffness, taper);
        }

        /// <summary>Readings that no rod could give together, with what to measure again.</summary>
        public IReadOnlyList<FieldProblem> Contradictions(double logStiffness, double taper)
        {
            var check = new FieldCheck();
            var here = Foresee(Model(logStiffness, taper));
            if (here.Any(f => !double.IsFinite(f)))
                return [Unsettled];
            // More than four tolerances from anything a rod can do is a mistake.
            bool Off(int i) => !(Math.Abs(here[i] - data[i].Value) <= 4 * data[i].PlusMinus);
            for (var i = 0; i < data.Count; i++)
            {
                var (reading, what, value, _) = data[i];
                // Any drop alone fits some rod; the reading beside it is what contradicts.
                if (
                    !Off(i)
                    || (
                        what == What.Drop
                        && Enumerable.Range(0, data.Count).Any(k => data[k].Reading == reading && data[k].What != What.Drop && Off(k))
                    )
                )
                    continue;
                var at = $"readings[{reading}].";
                if (what == What.Angle)
                {
                    var drop = test.Readings[reading].DropM;
                    double Steep(double tau) =>
                        Model(0, tau) is var m ? m.Under(m.WeightForDropN(drop), Math.PI / 2).TipRad * 180 / Math.PI : 0;
                    var (least, most, read) = (Steep(FullestTaper), Steep(ThinnestTaper), value * 180 / Math.PI);
                    check.Must(
                        at + "angleDeg",
                        false,
                        read < least || read > most
                            ? $"No rod does that: with this drop a tip stands between {least:0}° and {most:0}° below "
                                + $"level. Read the angle again, along the last hand's breadth of the tip."
                            : $"The readings do not belong to one rod: going by the rest this tip should stand near "
                                + $"{here[i] * 180 / Math.PI:0}°. Read the angle again, and weigh and measure the rest again."
                    );
                }
                else if (what == What.Out)
                    check.Must(
                        at + "outM",
                        false,
                        $"A rod that drops this far stands near {here[i]:0.00} m from the clamp. Measure distance and drop again."
                    );
                else
                    check.Must(
                        at + "dropM",
                        false,
                        $"The readings do not belong to one rod: this weight should drop the "
                            + $"tip {here[i]:0.00} m. Weigh and measure this one again."
                    );
            }
            var kg = Model(logStiffness, taper).WeightForDropN(BendTest.ThirdM(rodLengthM)) / Exact.GravityMps2;
            return check
                .Must(
                    "readings[0].massKg",
                    kg is >= .03 and <= 1,
                    $"This makes a rod that {kg * 1000:0} g bends by a third; single-hand "
                        + $"rods take between 30 g and 1 kg. Check weight and drop."
                )
                .Problems;
        }

        /// <summary>How far each tolerance by itself shifts stiffness, taper, the clamped length and the drop of a third.</summary>
        public IEnumerable<(double Ei, double Tau, double HeldM, double ThirdM)> Tolerances(double logStiffness, double taper)
        {
            const double nudge = 1e-4;
            var here = Foresee(Model(logStiffness, taper));
            var slopes = Slopes(logStiffness, taper, here);
            var perKg = Foresee(Model(logStiffness, taper), nudge).Select((f, i) => (f - here[i]) / nudge).ToArray();
            var perHeld = Foresee(Model(logStiffness, taper, test.HeldM + nudge)).Select((f, i) => (f - here[i]) / nudge).ToArray();
            double[] Only(Func<int, double> change) => [.. Enumerable.Range(0, data.Count).Select(change)];
            for (var k = 0; k < data.Count; k++)
            {
                var (ei, tau) = Follow(slopes, Only(i => i == k ? data[i].PlusMinus : 0));
                yield return (ei, tau, 0, 0);
            }
            for (var r = 0; r < test.Readings.Count; r++)
            {
                var (ei, tau) = Follow(slopes, Only(i => data[i].Reading == r ? -perKg[i] * test.ScalePlusMinusKg : 0));
                yield return (ei, tau, 0, 0);
            }
            // The tape along the handle, and along the rod: a longer rod has more to bend and a larger third.
            var held = Follow(slopes, Only(i => -perHeld[i] * test.TapePlusMinusM));
            yield return (held.Ei, held.Tau, test.TapePlusMinusM, 0);
            yield return (-held.Ei, -held.Tau, -test.TapePlusMinusM, test.TapePlusMinusM / 3);
            if (!TaperRead)
            {
                var (ei, tau) = Follow(slopes, Only(_ => 0), UsualTaperPlusMinus);
                yield return (ei, tau, 0, 0);
            }
        }
    }
}

/// <summary>Model minus reading: drop and distance in metres, angle in degrees; null when not read.</summary>
public readonly record struct BendMiss(double DropM, double? AngleDeg, double? OutM);
