using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Lines;

/// <summary>How a line is built.</summary>
public enum Build
{
    /// <summary>Weight forward: head and running line in one.</summary>
    WeightForward,

    /// <summary>Double taper: the same from both ends; the whole line is head.</summary>
    DoubleTaper,

    /// <summary>Separate shooting head looped to a thin running line.</summary>
    ShootingHead,
}

/// <summary>A fly line on a spool or in a drawer.</summary>
public sealed record FlyLine
{
    /// <summary>Identity in the shed; 0 for a line that is only a specification.</summary>
    public int Id { get; init; }

    /// <summary>Shed tag, such as "L11".</summary>
    public required string Tag { get; init; }

    /// <summary>How people know it.</summary>
    public required string Name { get; init; }

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

    /// <summary>Anything worth knowing.</summary>
    public string? Note { get; init; }

    /// <summary>
    /// Mass of the head in kilograms: weighed, or worked out from the label as if the head were uniform. Null for an
    /// unlabelled line that nobody weighed.
    /// </summary>
    public double? MassKg => HeadKg ?? (PrintedClass is { } c ? LineWeights.MassKg(c) * HeadM / Exact.ThirtyFeetM : null);

    /// <summary>
    /// Mass of the part from the tip to <paramref name="lengthM"/> metres, kilograms. Mass follows the square of the diameter
    /// along the profile tip–front taper–belly–rear taper and is scaled so that the head comes to <see cref="MassKg"/>;
    /// running line beyond the head is taken at the same density. 0 when the mass is unknown.
    /// </summary>
    public double MassWithinKg(double lengthM) =>
        MassKg is { } head && Volume(HeadM) is > 0 and var whole ? head * Volume(Math.Clamp(lengthM, 0, LengthM)) / whole : 0;

    /// <summary>Volume of the part from the tip to <paramref name="lengthM"/> metres, cubic metres.</summary>
    public double Volume(double lengthM)
    {
        double sum = 0, from = 0;
        foreach (var (length, start, end) in Profile())
        {
            var used = Math.Clamp(lengthM - from, 0, length);
            if (used <= 0) break;
            var stop = Blend.Between(start, end, used / length);
            sum += Math.PI / 4 * used * (start * start + start * stop + stop * stop) / 3;
            from += length;
        }
        return sum;
    }

    /// <summary>Length and end diameters of each stretch from the tip, metres.</summary>
    public IEnumerable<(double LengthM, double StartM, double EndM)> Profile()
    {
        var front = Math.Min(FrontTaperM, HeadM);
        var rear = Math.Min(Build == Build.DoubleTaper ? FrontTaperM : RearTaperM, HeadM - front);
        var (back, running) = (Build == Build.DoubleTaper ? TipDiameterM : RunningDiameterM, LengthM - HeadM);
        if (front > 0) yield return (front, TipDiameterM, BellyDiameterM);
        if (HeadM - front - rear > 0) yield return (HeadM - front - rear, BellyDiameterM, BellyDiameterM);
        if (rear > 0) yield return (rear, BellyDiameterM, back);
        if (running > 0) yield return (running, RunningDiameterM, RunningDiameterM);
    }

    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() => new FieldCheck()
        .Text("tag", Tag, 12).Text("name", Name, 80).Text("note", Note, 400, optional: true)
        .Range("printedClass", PrintedClass, 0, 15, "Classes run from 0 to 15.")
        .Range("lengthM", LengthM, 3, 60, "A line is between 3 and 60 m (10 and 197 ft).")
        .Range("headM", HeadM, 3, 40, "A head is between 3 and 40 m (10 and 131 ft).")
        .Must("headM", HeadM <= LengthM, "The head cannot be longer than the line.")
        .Range("headKg", HeadKg, .001, .08, "A head weighs between 1 and 80 g (15 and 1235 gr).")
        .Range("frontTaperM", FrontTaperM, 0, 20, "A front taper is between 0 and 20 m.")
        .Range("rearTaperM", RearTaperM, 0, 20, "A rear taper is between 0 and 20 m.")
        .Range("tipDiameterM", TipDiameterM, .0002, .004, "A line tip is between 0.2 and 4 mm thick.")
        .Range("bellyDiameterM", BellyDiameterM, .0002, .004, "A belly is between 0.2 and 4 mm thick.")
        .Range("runningDiameterM", RunningDiameterM, .0002, .004, "A running line is between 0.2 and 4 mm thick.")
        .Must("density", Densities.Rank(Density) >= 0, "Pick a density from the list.")
        .Must("coating", Coatings.Rows.Any(c => c.Id == Coating), "Pick a coating from the list.")
        .Problems;
}
