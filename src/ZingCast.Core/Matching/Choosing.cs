using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>
/// Costs of pieces of the shed against a specification. A cost of 1 is roughly one line class off; a piece that costs more than <see
/// cref="Impossible"/> cannot do the job and is never chosen unless pinned.
/// </summary>
public static class Choosing
{
    /// <summary>Cost from which a piece cannot do the job.</summary>
    public const double Impossible = 100;

    /// <summary>
    /// Heads of this length and longer count as long: they are judged at the length carried in the air. Metres (38 ft, common practice).
    /// </summary>
    public const double LongHeadM = 38 * Exact.FootM;

    /// <summary>Casting distance beyond which a separate shooting head on thin running line is wanted, metres. Common practice.</summary>
    public const double FarM = 28;

    /// <summary>A line whose density is this many steps of the sink-rate ladder off the wanted one is unsuitable.</summary>
    public const int FarDensity = 2;

    /// <summary>
    /// A rod at most this far below the class that carries the fly is not charged for being too light, classes. Common practice.
    /// </summary>
    public const double NearlyCarries = .5;

    // A rod this much longer than the place allows cannot be used under branches, metres. Common practice.
    private const double CanopySpareM = .45;

    /// <summary>Whether a rod this much longer than wanted, metres, is too long for the place of the brief.</summary>
    public static bool TooLongForCanopy(Brief brief, double longerM) => brief.Cover == Cover.Canopy && longerM > CanopySpareM;

    /// <summary>How the line loads this rod for this brief. Needs a line of known mass and a rod of known class.</summary>
    public static LineLoad Load(Rod rod, FlyLine line, Brief brief) => Load(rod, line, Hangs(line, brief), brief);

    // Length, metres, and mass, kilograms, of the line outside the tip on this day, whatever the rod. A short head hangs out whole; a long
    // one is judged at the carry, but at no less than the measuring length of the line standard.
    internal static (double JudgedM, double Kg) Hangs(FlyLine line, Brief brief)
    {
        var judged = line.HeadM < LongHeadM ? line.HeadM : Math.Clamp(CarryM(line, brief), Exact.ThirtyFeetM, line.HeadM);
        return (judged, line.MassWithinKg(judged));
    }

    internal static LineLoad Load(Rod rod, FlyLine line, (double JudgedM, double Kg) hangs, Brief brief)
    {
        var window = rod.WindowClass ?? 0;
        var standard = LineWeights.MassKg(window);
        var (judged, mass) = hangs;
        var ideal = IdealOf(window, line.HeadM, judged);
        ideal += (rod.Action == RodAction.Fast && !rod.VeryFast ? .05 : 0) + (brief.Caster.Learning ? .05 : 0);
        // What its owner noted about this rod in the hand outweighs the rule.
        ideal += rod.Felt?.Shift ?? 0;
        // In this order: the line carries the fly, it loads the rod as the rod likes best, it stays below the top of the window.
        var fly = brief.Fly.WetKg / standard;
        var most = LineLoad.MaxFor(window, line.HeadM, fly / LineLoad.Top);
        return new(
            judged,
            mass,
            mass / standard + brief.Fly.FlownKg / standard,
            mass / standard,
            Math.Max(Math.Min(ideal, LineLoad.Top - UnderTop), Math.Min(fly / CastEngine.HeavyHeadFlyRatio, most)),
            window,
            most
        );
    }

    // The ideal load stays this far below the top of the rod's window, as a share of the standard mass.
    private const double UnderTop = .05;

    /// <summary>
    /// Ideal mass outside the tip, as a share of the standard mass of a class. Short heads are built 1½ to 2 classes heavy on purpose, long
    /// ones are judged at the carry, and the rule blends smoothly between the two. Lengths in metres.
    /// </summary>
    public static double IdealOf(double lineClass, double headM, double carriedM) =>
        Interpolation.Between(
            LineWeights.MassKg(lineClass + Tackle.ShortHeadHeavier) / LineWeights.MassKg(lineClass),
            Math.Min(1.35, Math.Max(carriedM, Exact.ThirtyFeetM) / Exact.ThirtyFeetM),
            Interpolation.Fraction(Exact.ThirtyFeetM, LongHeadM, headM)
        );

    /// <summary>
    /// Length of line in the air before release, metres: the least of head plus overhang, the caster's carry, and what the cast needs.
    /// </summary>
    public static double CarryM(FlyLine line, Brief brief) =>
        Math.Max(
            1,
            Math.Min(Math.Min(line.HeadM + brief.Caster.OverhangM, brief.Caster.CarryM), Math.Min(line.LengthM, brief.DistanceM - 2))
        );

    /// <summary>Cost of a rod against the specification.</summary>
    public static double Cost(Rod rod, Specification spec, Brief brief)
    {
        if (rod.Class is not { } c)
            return 100 * Impossible;
        var miss = c - spec.Class.Target;
        var cost = Math.Abs(miss) + Costs.TooLightAClass * Math.Max(0, spec.Class.Carries - NearlyCarries - c);
        var longer = rod.LengthM - spec.RodLengthM;
        cost += Costs.AFootOfRod * Math.Abs(longer) / Exact.FootM + Costs.AStepOfAction * Math.Abs((int)rod.Action - (int)spec.Action);
        if (Math.Abs(miss) > ClassTarget.Far || TooLongForCanopy(brief, longer))
            cost += Impossible;
        return cost;
    }

    /// <summary>Cost of a line on a rod.</summary>
    public static double Cost(FlyLine line, Rod rod, Specification spec, Brief brief)
    {
        var hangs = Hangs(line, brief);
        return Loading(line, hangs, rod, brief) + Suiting(line, hangs.Kg, spec, brief);
    }

    /// <summary>
    /// The same for many lines on one rod after another, by index of the line. What does not depend on the rod is computed once.
    /// </summary>
    internal static Func<int, Rod, double> CostsOf(IReadOnlyList<FlyLine> lines, Specification spec, Brief brief)
    {
        var hung = Hung(lines, spec, brief);
        return (l, rod) =>
            hung[l].Cost is var suits && suits >= Impossible ? suits : suits + Loading(hung[l].Line, hung[l].Hangs, rod, brief);
    }

    private static (FlyLine Line, (double JudgedM, double Kg) Hangs, double Cost)[] Hung(
        IReadOnlyList<FlyLine> lines,
        Specification spec,
        Brief brief
    ) =>
        [
            .. lines
                .Select(l => (Line: l, Hangs: Hangs(l, brief)))
                .Select(l => (l.Line, l.Hangs, Cost: Suiting(l.Line, l.Hangs.Kg, spec, brief))),
        ];

    // The part of a line's cost that depends on the rod.
    private static double Loading(FlyLine line, (double JudgedM, double Kg) hangs, Rod rod, Brief brief)
    {
        if (rod.Class is null)
            return 100 * Impossible;
        var load = Load(rod, line, hangs, brief);
        return Costs.OffItsLoad * Math.Abs(load.LineRatio - load.Ideal) + (load.Verdict == Verdict.Fails ? Impossible : 0);
    }

    // The part that depends on the day alone.
    private static double Suiting(FlyLine line, double kg, Specification spec, Brief brief)
    {
        if (line.MassKg is null)
            return 100 * Impossible;
        var cost = 0.0;
        // A fly too heavy for the line can only be lobbed; the lighter the line, the higher the cost.
        var flyRatio = brief.Fly.WetKg / Math.Max(1e-6, kg);
        if (flyRatio > CastEngine.MaxFlyRatio)
            cost += Impossible * flyRatio / CastEngine.MaxFlyRatio;
        var heavier = Densities.Rank(line.Density) - Densities.Rank(spec.Density);
        cost += heavier < 0 ? -Costs.LighterDensity * heavier : Costs.HeavierDensity * heavier;
        if (Math.Abs(heavier) > FarDensity)
            cost += Impossible;
        cost += Costs.AMetreOfHead * HeadOff(line, spec, brief);
        if (spec.Coatings.Count > 0 && !spec.Coatings.Contains(line.Coating))
            cost += Costs.OtherCoating;
        if (Coatings.Get(line.Coating).FailsIn(brief.WaterC) is not null)
            cost += Impossible;
        if (brief.Salt && !line.SaltRated)
            cost += Costs.LineNotForSalt;
        if (line.LengthM + 2 < brief.DistanceM)
            cost += Costs.LineTooShort;
        return cost;
    }

    /// <summary>
    /// How far the head is outside the wanted lengths, metres, zero or more. For a double taper, the carried length counts as its head.
    /// </summary>
    public static double HeadOff(FlyLine line, Specification spec, Brief brief)
    {
        var (low, high) = (spec.HeadM.Low, spec.HeadM.High);
        return line.Build == Build.DoubleTaper
            ? Math.Max(0, Math.Min(Exact.ThirtyFeetM, CarryM(line, brief)) - high)
            : Math.Max(0, Math.Max(low - line.HeadM, line.HeadM - high));
    }

    // A spool filled less than this share of its capacity retrieves slowly. Common practice.
    private const double LeastFull = .6;

    /// <summary>Cost of a reel for a rod and line with this much backing.</summary>
    public static double Cost(Reel reel, Rod rod, FlyLine line, Backing backing, double backingM, Brief brief, GearShed shed) =>
        Cost(reel, SpoolFill.For(reel, line, backing, backingM), rod, line, backingM, brief, shed);

    internal static double Cost(Reel reel, SpoolFill fill, Rod rod, FlyLine line, double backingM, Brief brief, GearShed shed)
    {
        var cost = fill switch
        {
            { FitsBackingM: 0 } => Impossible,
            { Share: > 1 } => Costs.Overfull + Costs.NoBacking * (1 - fill.FitsBackingM / Math.Max(1, backingM)),
            { Share: < LeastFull } => Costs.Empty * (LeastFull - fill.Share),
            _ => 0,
        };
        if (fill.Spool.IsGuess)
            cost += Costs.NobodyMeasured;
        if (SpoolWork.Holding(shed, reel, line) is not null)
            cost += Costs.WoundAlready;
        cost += Costs.OutOfBalance * Math.Abs(ReelBalance.Ratio(reel, fill, rod.MassKg) - ReelBalance.Ideal);
        if (brief.Salt && !reel.SaltProof)
            cost += Costs.ReelNotForSalt;
        if (rod.Class is { } c && reel is { LabelLow: { } low, LabelHigh: { } high })
            cost += Costs.OffTheLabel * Math.Max(0, Math.Max(low - c, c - high));
        return cost;
    }

    /// <summary>
    /// The rod and line that go together best. Either is a specification when the shed holds none that can do the job; with <paramref
    /// name="strictly"/>, only when the shed holds none at all.
    /// </summary>
    [SuppressMessage("Maintainability", "CA1502", Justification = "One search over rods and lines, whose parts share the best so far.")]
    public static (Rod Rod, FlyLine Line) Pair(
        Brief brief,
        GearShed shed,
        Pins pins,
        Specification spec,
        bool strictly,
        IProgress<double>? progress = null,
        CancellationToken cancel = default
    )
    {
        Rod? bestRod = null;
        FlyLine? bestLine = null;
        var best = double.PositiveInfinity;
        var lines = Only(shed.Lines, pins.Line, l => l.Id);
        var hung = Hung(lines, spec, brief);
        // Rods in order of cost: one that alone costs more than the best pair ends the search.
        var rods = Only(shed.Rods, pins.Rod, r => r.Id).Select(r => (Rod: r, Cost: Cost(r, spec, brief))).OrderBy(r => r.Cost).ToList();
        for (var i = 0; i < rods.Count && rods[i].Cost < best; i++)
        {
            cancel.ThrowIfCancellationRequested();
            progress?.Report((i + 1.0) / rods.Count);
            var (rod, rodCost) = rods[i];
            if (rodCost >= Impossible && pins.Rod is null && !strictly)
                continue;
            // A rod without a suitable line is kept as a candidate, behind every pair that works.
            if (rodCost + Impossible < best)
                (best, bestRod, bestLine) = (rodCost + Impossible, rod, null);
            foreach (var (line, hangs, suits) in hung)
            {
                if (rodCost + suits >= best && pins.Line is null)
                    continue;
                var lineCost = suits + Loading(line, hangs, rod, brief);
                if (lineCost >= Impossible && pins.Line is null && !strictly)
                    continue;
                if (rodCost + lineCost < best || (bestLine is null && pins.Line is not null))
                    (best, bestRod, bestLine) = (rodCost + lineCost, rod, line);
            }
        }
        progress?.Report(1);
        var theRod = bestRod ?? Wanted(spec);
        return (theRod, bestLine ?? LineFor(theRod) ?? Wanted(spec, theRod, brief));

        FlyLine? LineFor(Rod rod) =>
            lines.MinBy(l => Cost(l, rod, spec, brief)) is { } line
            && (Cost(line, rod, spec, brief) < Impossible || pins.Line is not null || strictly)
                ? line
                : null;
    }

    /// <summary>All pieces, or only the pinned one.</summary>
    public static IReadOnlyList<T> Only<T>(IReadOnlyList<T> all, int? pin, Func<T, int> id) =>
        pin is null ? all : [.. all.Where(x => id(x) == pin)];

    /// <summary>Specification of a rod to look for: a whole class, as rods are sold, that still delivers the fly.</summary>
    public static Rod Wanted(Specification spec)
    {
        var nearest = Math.Round(spec.Class.Target, MidpointRounding.AwayFromZero);
        return spec.Tackle.RodOf(Math.Clamp(Math.Max(nearest, Math.Ceiling(spec.Class.Carries - .3)), 0, LineWeights.Highest));
    }

    /// <summary>Specification of a line to look for: ideal load on this rod, and the wanted density and coating.</summary>
    public static FlyLine Wanted(Specification spec, Rod rod, Brief brief) => spec.Tackle.LineOf(brief, rod);

    /// <summary>
    /// Specification of a reel to look for: it holds line and backing, and has the mass that is usual for the class and balances the rod.
    /// </summary>
    public static Reel WantedReel(Rod rod, FlyLine line, Backing backing, double backingM, Brief brief)
    {
        var (arbor, width) = (.045, .025);
        var volume = (line.Volume(line.LengthM) + backingM * backing.AreaM2) / Backings.LoosePacking * 1.02;
        return new()
        {
            Tag = "—",
            Name = "not in the shed",
            ArborM = arbor,
            WidthM = width,
            RimM = 2 * (Math.Sqrt(arbor * arbor / 4 + volume / (Math.PI * width)) + Reel.RimGapM),
            MassKg = Math.Max(UsualHoldings.Kilograms(rod.Class ?? 0), ReelBalance.Bare.Low * rod.MassKg),
            SaltProof = brief.Salt,
            LabelLow = Math.Floor(rod.Class ?? 0),
            LabelHigh = Math.Floor(rod.Class ?? 0) + 1,
        };
    }
}
