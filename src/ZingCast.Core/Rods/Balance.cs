using ZingCast.Core.Measures;
using ZingCast.Core.Reels;

namespace ZingCast.Core.Rods;

/// <summary>Where a rod balances and how it swings, as measured. Distances from the butt end, metres.</summary>
public sealed record RodBalance
{
    /// <summary>Balance point of the bare rod.</summary>
    public required double BalanceM { get; init; }

    /// <summary>Middle of the reel seat.</summary>
    public double SeatM { get; init; } = .06;

    /// <summary>Where the forefinger lies: usually the front of the grip.</summary>
    public double FulcrumM { get; init; } = .28;

    /// <summary>Period of a full swing, hung as a pendulum, seconds; null when it was not timed.</summary>
    public double? SwingS { get; init; }

    /// <summary>Point from which it was hung.</summary>
    public double PivotM { get; init; } = .02;

    /// <summary>What is wrong, field by field.</summary>
    public IReadOnlyList<FieldProblem> Check(Rod rod)
    {
        var check = new FieldCheck()
            .Range(
                "balanceM",
                BalanceM,
                .1,
                .55 * rod.LengthM,
                $"A rod of {rod.LengthM:0.00} m balances between 0.10 m and {.55 * rod.LengthM:0.00} "
                    + $"m from the butt. Take the reel off and try again."
            )
            .Range("seatM", SeatM, 0, .3, "A reel sits within 30 cm of the butt.")
            .Range("fulcrumM", FulcrumM, .05, .6, "The hand holds between 5 and 60 cm from the butt.")
            .Must("fulcrumM", FulcrumM > SeatM + .02, "The hand lies in front of the reel.")
            .Range("pivotM", PivotM, 0, rod.LengthM, "It hangs from somewhere on the rod.")
            .Range("swingS", SwingS, .5, 6, "A rod swings there and back in half a second to six. Time ten swings and divide by ten.")
            .Must(
                "pivotM",
                SwingS is null || BalanceM - PivotM > .1,
                "Hang it at least 10 cm from where it balances, or the timing tells nothing."
            );
        if (check.Problems.Count > 0 || SwingS is not { } swing)
            return check.Problems;
        // Radius of gyration: no rod is more concentrated than this at its balance point, nor more spread out than to both ends.
        var hung = BalanceM - PivotM;
        double Period(double spreadM) => 2 * Math.PI * Math.Sqrt((spreadM * spreadM + hung * hung) / (Exact.GravityMps2 * hung));
        double low = Period(.12 * rod.LengthM),
            high = Period(.5 * rod.LengthM);
        return check
            .Range(
                "swingS",
                swing,
                low,
                high,
                $"Hung {hung * 100:0} cm from its balance point such a rod swings in {low:0.0} to "
                    + $"{high:0.0} s. Time ten full swings, there and back, and divide by ten."
            )
            .Problems;
    }
}

/// <summary>What hangs on the rod while it is held.</summary>
/// <param name="ReelKg">Reel with line and backing on it, kilograms.</param>
/// <param name="OutsideKg">Line outside the tip, kilograms.</param>
/// <param name="CastsADay">Casts in a day.</param>
/// <param name="StrokesACast">Strokes in a cast, back and forward.</param>
public sealed record RodLoad(double ReelKg, double OutsideKg, double CastsADay = 400, double StrokesACast = 4)
{
    /// <summary>What is wrong, field by field.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Range("reelKg", ReelKg, 0, 1.5, "A loaded reel weighs up to 1.5 kg.")
            .Range("outsideKg", OutsideKg, 0, .1, "Up to 100 g of line hangs outside.")
            .Range("castsADay", CastsADay, 1, 5000, "Between 1 and 5000 casts.")
            .Range("strokesACast", StrokesACast, 1, 20, "Between 1 and 20 strokes.")
            .Problems;
}

/// <summary>How an outfit balances in the hand.</summary>
/// <param name="RodNm">Moment of the bare rod about the forefinger, tipwards, N·m.</param>
/// <param name="OutsideNm">Moment of the line outside, tipwards, N·m.</param>
/// <param name="ReelNm">Moment of the loaded reel, buttwards, N·m.</param>
/// <param name="ResidualKg">What is left, as a weight at the very butt: positive tip-heavy, negative reel-heavy, kilograms.</param>
/// <param name="BalancingReelKg">Loaded reel that balances, kilograms.</param>
/// <param name="ReelToRod">Loaded reel over rod mass.</param>
/// <param name="TotalKg">Everything the arm holds, kilograms.</param>
/// <param name="SwingKgM2">Moment of inertia of the bare rod about the forefinger, kg·m².</param>
/// <param name="SwingSource">How that is known.</param>
/// <param name="OutfitSwingKgM2">The same with reel, kg·m².</param>
/// <param name="TipKg">Mass at the tip that is as hard to swing as the bare rod, kilograms: swing weight over the square of its
/// reach.</param>
/// <param name="DayJ">Work of swinging it for a day, joules.</param>
/// <param name="OunceDayKg">What one ounce more comes to over the day's casts, kilograms lifted: the plain sum people do.</param>
public sealed record Balanced(
    double RodNm,
    double OutsideNm,
    double ReelNm,
    double ResidualKg,
    double BalancingReelKg,
    double ReelToRod,
    double TotalKg,
    double SwingKgM2,
    Standards.Source SwingSource,
    double OutfitSwingKgM2,
    double TipKg,
    double DayJ,
    double OunceDayKg
)
{
    /// <summary>
    /// Angular speed of a rod in a stroke, radians per second: a quarter turn in a quarter of a second. Common practice, rough.
    /// </summary>
    public const double StrokeRadps = 6.3;

    /// <summary>Ratios of loaded reel to rod mass that usually balance.</summary>
    public Spread UsualRatio { get; } = ReelBalance.Usual;

    /// <summary>In a word. Three grams at the butt cannot be felt. Common practice.</summary>
    public string Word =>
        Math.Abs(ResidualKg) < .003 ? "in balance"
        : ResidualKg > 0 ? "tip-heavy"
        : "reel-heavy";

    /// <summary>Computes the balance of a rod whose balance point was measured.</summary>
    public static Balanced For(Rod rod, RodBalance at, RodLoad load)
    {
        const double g = Exact.GravityMps2;
        double arm = at.FulcrumM - at.SeatM,
            rodNm = g * rod.MassKg * (at.BalanceM - at.FulcrumM),
            outsideNm = g * load.OutsideKg * (rod.LengthM - at.FulcrumM),
            reelNm = g * load.ReelKg * arm;
        var source = OwnKgM2(rod, at).Source;
        var swing = SwingOf(rod, at);
        var outfit = swing + load.ReelKg * arm * arm;
        return new(
            rodNm,
            outsideNm,
            reelNm,
            (rodNm + outsideNm - reelNm) / (g * at.FulcrumM),
            Math.Max(0, rodNm + outsideNm) / (g * arm),
            load.ReelKg / rod.MassKg,
            rod.MassKg + load.ReelKg + load.OutsideKg,
            swing,
            source,
            outfit,
            swing / Math.Pow(rod.LengthM - at.FulcrumM, 2),
            load.CastsADay * load.StrokesACast * outfit * StrokeRadps * StrokeRadps / 2,
            load.CastsADay * Exact.OunceKg
        );
    }

    /// <summary>Swing weight of the bare rod about the forefinger, kg·m².</summary>
    public static double SwingOf(Rod rod, RodBalance at) => OwnKgM2(rod, at).KgM2 + rod.MassKg * Math.Pow(at.BalanceM - at.FulcrumM, 2);

    // Moment of inertia about the balance point: timed as a pendulum, I = T²·m·g·d/(4π²) minus m·d²; otherwise from the taper.
    private static (double KgM2, Standards.Source Source) OwnKgM2(Rod rod, RodBalance at)
    {
        if (at.SwingS is not { } swing)
            return (
                MassAlong.For(rod, at.BalanceM).OwnKgM2(at.BalanceM),
                Standards.Source.Assumption("From the balance point, as a handle and a tube of even wall; a pendulum timing beats it")
            );
        var hung = at.BalanceM - at.PivotM;
        return (
            swing * swing * rod.MassKg * Exact.GravityMps2 * hung / (4 * Math.PI * Math.PI) - rod.MassKg * hung * hung,
            new(Standards.SourceMark.Measured, "Timed as a pendulum")
        );
    }
}

/// <summary>
/// Distribution of a rod's mass: a handle, and a tube of uniform wall whose mass per metre falls with its thickness. Both masses follow
/// from total mass and balance point. Our assumption; guides and ferrules are spread along the tube.
/// </summary>
/// <param name="HandleKg">Grip and seat, kilograms.</param>
/// <param name="TubeKg">Blank with its rings, kilograms.</param>
/// <param name="LengthM">Length of the rod, metres.</param>
/// <param name="Taper">Tip over butt thickness.</param>
public readonly record struct MassAlong(double HandleKg, double TubeKg, double LengthM, double Taper)
{
    private const double HandleM = .14,
        UsualTaper = .14;

    /// <summary>Solves for the two masses. Without a bend test the usual taper is assumed.</summary>
    public static MassAlong For(Rod rod, double balanceM)
    {
        var taper = rod.Bend?.Taper ?? UsualTaper;
        var whole = (1 + taper) / 2;
        var tubeM = (.5 - (1 - taper) / 3) / whole * rod.LengthM;
        var tube = Math.Clamp((balanceM - HandleM) / (tubeM - HandleM), 0, 1) * rod.MassKg;
        return new(rod.MassKg - tube, tube, rod.LengthM, taper);
    }

    /// <summary>Moment of inertia about a point from the butt, kg·m².</summary>
    public double OwnKgM2(double aboutM)
    {
        var (perM, sum) = (TubeKg / (LengthM * (1 + Taper) / 2), 0.0);
        const int parts = 200;
        for (var i = 0; i < parts; i++)
        {
            var s = (i + .5) / parts;
            sum += perM * (1 - (1 - Taper) * s) * Math.Pow(s * LengthM - aboutM, 2) * LengthM / parts;
        }
        return sum + HandleKg * Math.Pow(HandleM - aboutM, 2);
    }
}
