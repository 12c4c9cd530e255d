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

/// <summary>Line bench questions that need rods: which of them a line suits, and how heavy a head for a rod should be.</summary>
public static class LineSuits
{
    // An ordinary day: a light fly and a long enough cast that long heads are judged at what a club caster holds.
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

    /// <summary>Rods of known class, best first. Empty when nobody knows what the line weighs.</summary>
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
                    .Select(x => new RodSuits(x.r.Id, x.r.Tag, x.r.Name, x.load, x.load.Verdict, Why(x.r, x.load))),
            ];

    private static Sentence Why(Rod rod, LineLoad load)
    {
        Sentence known =
            rod.VeryFast ? $"a very fast {Quantity.Class(rod.MeasuredClass!.Value)}, lined as a {Quantity.Class(load.WindowClass)}"
            : rod.MeasuredClass is { } measured ? (Sentence)$"measured {Quantity.Class(measured)}"
            : $"a {Quantity.Class(load.WindowClass)} by its label only";
        Sentence judged =
            $"{Quantity.LineMass(load.LineKg)} in {Quantity.Distance(load.JudgedM)} is {Quantity.Ratio(load.LineRatio)} of the class";
        return load.Ratio > LineLoad.Top ? (Sentence)$"{known}: {judged} and overloads it"
            : load.Ratio < LineLoad.Low ? (Sentence)$"{known}: {judged} and never loads it"
            : load.Verdict == Verdict.Look
                ? (Sentence)$"{known}: {judged}, {(load.LineRatio > load.Ideal ? "deep in the rod" : "light on the rod")}; "
                    + $"{Quantity.Ratio(load.Ideal)} feels best"
            : $"{known}: {judged}, where {Quantity.Ratio(load.Ideal)} feels best";
    }

    /// <summary>Mass of a head of this length that loads a rod as it likes best, kilograms. Needs a rod of known class.</summary>
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
    /// <summary>Way of the rod tip in a stroke, metres. Common practice, rough.</summary>
    public const double StrokeM = 3;

    /// <summary>Where the pull comes from and how far to trust it.</summary>
    public static Sentence Says(Caster caster) =>
        $"Estimate: launch speed of the caster ({caster.Name}) reached over {Quantity.Length(StrokeM)} of tip travel, the pull "
        + $"at its height twice its mean; good to about a third. The rod’s own mass adds to the bend and is left out";

    /// <summary>
    /// Pull in newtons with this much line out, metres: it reaches its launch speed over the stroke, and the pull is twice the mean at
    /// its height, as in any smooth stroke. An assumption of ours; the rod's own mass adds to the bend and is left out.
    /// </summary>
    public static double Newtons(Rod rod, FlyLine line, Caster caster, double carryM)
    {
        var kg = line.MassWithinKg(carryM);
        return kg * caster.FreeMps * caster.FreeMps / (1 + (kg + CastSetup.TipOf(rod, rod.WindowClass ?? 6)) / caster.ArmKg) / StrokeM;
    }
}
