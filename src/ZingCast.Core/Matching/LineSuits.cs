using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>How a line would sit on a rod, before any fly or water is named.</summary>
/// <param name="RodId">The rod.</param>
/// <param name="Tag">Its tag.</param>
/// <param name="Name">Its name.</param>
/// <param name="Load">What hangs out against the rod's window.</param>
/// <param name="Verdict">How well.</param>
/// <param name="Why">Why.</param>
public sealed record RodSuits(int RodId, string Tag, string Name, LineLoad Load, Verdict Verdict, Sentence Why);

/// <summary>Questions of the line bench that need rods: which rods a line suits, and how heavy a head should be for a rod.</summary>
public static class LineSuits
{
    // An ordinary day: a light fly, and a cast long enough that long heads are judged at what a club caster carries.
    private static readonly Brief Ordinary = Brief.Complete(
        new()
        {
            FlyKind = "dry",
            HookSize = 14,
            DistanceM = 22,
            WindMps = 0,
            Caster = "club",
        }
    );

    /// <summary>Rods of known class, best first. Empty when the line's mass is unknown.</summary>
    public static IReadOnlyList<RodSuits> Rods(FlyLine line, IReadOnlyList<Rod> rods) =>
        line.MassKg is null
            ? []
            :
            [
                .. rods.Where(r => r.Class is not null)
                    .Select(r => (r, load: Choosing.Load(r, line, Ordinary)))
                    .OrderBy(x => x.load.Verdict)
                    .ThenBy(x => Math.Abs(x.load.LineRatio - x.load.Ideal))
                    .ThenBy(x => x.r.Id)
                    .Select(x => Describe(x.r, x.load)),
            ];

    /// <summary>How a line suits one rod; null when the rod's class or the line's mass is unknown.</summary>
    public static RodSuits? On(FlyLine line, Rod rod) =>
        line.MassKg is null || rod.Class is null ? null : Describe(rod, Choosing.Load(rod, line, Ordinary));

    private static RodSuits Describe(Rod rod, LineLoad load) => new(rod.Id, rod.Tag, rod.Name, load, load.Verdict, Why(rod, load));

    /// <summary>How a line of known mass suits rods of known class; the mass outside the tip is computed once.</summary>
    internal static Func<Rod, LineLoad> Hangs(FlyLine line)
    {
        var hangs = Choosing.Hangs(line, Ordinary);
        return rod => Choosing.Load(rod, line, hangs, Ordinary);
    }

    // Resolution, in classes, of the search for the class that a line loads ideally.
    private const double ClassStep = .1;

    /// <summary>Class of an ordinary rod that a line of known mass loads ideally.</summary>
    public static double LoadsClass(FlyLine line)
    {
        var (judgedM, kg) = Choosing.Hangs(line, Ordinary);
        var steps = (int)Math.Round(LineWeights.Highest / ClassStep);
        return Enumerable
            .Range(0, steps + 1)
            .Select(i => Math.Round(i * ClassStep, 1))
            .MinBy(c => Math.Abs(kg / LineWeights.MassKg(c) - Choosing.IdealOf(c, line.HeadM, judgedM)));
    }

    private static Sentence Why(Rod rod, LineLoad load)
    {
        Sentence known =
            rod.VeryFast ? $"a very fast {Quantity.Class(rod.MeasuredClass!.Value)}, lined as a {Quantity.Class(load.WindowClass)}"
            : rod.MeasuredClass is { } measured ? (Sentence)$"measured {Quantity.Class(measured)}"
            : $"a {Quantity.Class(load.WindowClass)} by its label only";
        Sentence judged =
            $"{Quantity.LineMass(load.LineKg)} in {Quantity.Carry(load.JudgedM)} is {Quantity.Ratio(load.LineRatio)} of the class";
        return load.LineRatio > load.MostRatio ? (Sentence)$"{known}: {judged} and overloads it"
            : load.LineRatio < LineLoad.Low ? (Sentence)$"{known}: {judged} and never loads it"
            : load.Verdict == Verdict.Look
                ? (Sentence)$"{known}: {judged}, {(load.LineRatio > load.Ideal ? "deep in the rod" : "light on the rod")}; "
                    + $"{Quantity.Ratio(load.Ideal)} feels best"
            : $"{known}: {judged}, where {Quantity.Ratio(load.Ideal)} feels best";
    }

    /// <summary>Mass of a head of this length that loads a rod ideally, kilograms. Needs a rod of known class.</summary>
    public static double HeadKg(Rod rod, double headM)
    {
        var draft = new FlyLine
        {
            Tag = "—",
            Name = "head",
            LengthM = headM + 20,
            HeadM = headM,
            HeadKg = .01,
            FrontTaperM = Math.Min(2, headM / 3),
            RearTaperM = 0,
        };
        var load = Choosing.Load(rod, draft, Ordinary);
        return .01 * load.Ideal * LineWeights.MassKg(load.WindowClass) / load.LineKg;
    }
}

/// <summary>Pull of a line on the rod in the middle of a stroke.</summary>
public static class CastingPull
{
    /// <summary>Path of the rod tip in a stroke, metres. Common practice, rough.</summary>
    public const double StrokeM = 3;

    /// <summary>Where the pull comes from and how far to trust it.</summary>
    public static Sentence Describe(Caster caster) =>
        $"Estimate: launch speed of the caster ({caster.Name}) reached over {Quantity.Length(StrokeM)} of tip travel, the pull "
        + $"at its height twice its mean; good to about a third. The rod’s own mass adds to the bend and is left out";

    /// <summary>
    /// Pull in newtons with this much line out, metres. The line reaches its launch speed over the stroke, and the peak pull is twice the
    /// mean, as in any smooth stroke. Our assumption; the rod's own mass, which adds to the bend, is left out.
    /// </summary>
    public static double Newtons(Rod rod, FlyLine line, Caster caster, double carryM)
    {
        var kg = line.MassWithinKg(carryM);
        return kg * caster.FreeMps * caster.FreeMps / (1 + (kg + CastSetup.TipOf(rod, rod.WindowClass ?? 6)) / caster.ArmKg) / StrokeM;
    }
}
