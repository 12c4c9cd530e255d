using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>Tippet thickness and strength: the X rule and typical nylon.</summary>
public static class Tippets
{
    /// <summary>The X rule: diameter in thousandths of an inch = 11 − X. A definition of the trade, marked common practice.</summary>
    public static readonly Source XSource = new(SourceMark.Practice, "The X rule: thousandths of an inch = 11 − X");

    /// <summary>Strength curve of nylon, ±15 %.</summary>
    public static readonly Source StrengthSource = new(SourceMark.Memory, "Typical nylon, recalled, ±15 %; makers differ");

    /// <summary>Limits of a tippet's diameter, metres.</summary>
    public static readonly Limit Limits = new(.00005, .0015, "Tippet is between 0.05 and 1.5 mm thick.");

    /// <summary>Knotted strength of nylon in newtons; diameter in metres.</summary>
    public static double KnottedN(double diameterM) => StrengthN(diameterM) * KnotShare;

    /// <summary>Share of its straight-pull strength that a usual knot keeps.</summary>
    public const double KnotShare = 0.85;

    // Straight-pull strength per area falls with thickness. Points fitted to remembered pairs such as 0.33 mm = 16 lb.
    private static readonly double[] DiametersMm = [.10, .18, .25, .33, .39, .66, .98];
    private static readonly double[] StrengthsGpa = [1.05, 1.03, .95, .83, .75, .66, .62];

    /// <summary>Diameter in metres of an X number; X from −10 to 10.</summary>
    public static double DiameterOfX(double x) => (11 - x) / 1000 * Exact.InchM;

    /// <summary>X number of a diameter in metres; below about −1 people say pounds or millimetres instead.</summary>
    public static double XOf(double diameterM) => 11 - diameterM / Exact.InchM * 1000;

    /// <summary>Straight-pull strength of nylon in newtons; diameter in metres, 0.05–1.5 mm.</summary>
    public static double StrengthN(double diameterM)
    {
        var mm = Math.Clamp(diameterM * 1000, DiametersMm[0], DiametersMm[^1]);
        return Interpolation.Interpolate(DiametersMm, StrengthsGpa, mm) * 1e9 * Math.PI / 4 * diameterM * diameterM;
    }

    /// <summary>Diameter in metres of nylon with this straight-pull strength in newtons.</summary>
    public static double DiameterOfStrength(double newtons)
    {
        double low = .02e-3,
            high = 2.5e-3;
        for (var i = 0; i < 50; i++)
        {
            var middle = (low + high) / 2;
            if (StrengthN(middle) < newtons)
                low = middle;
            else
                high = middle;
        }
        return (low + high) / 2;
    }
}
