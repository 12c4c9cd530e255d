namespace ZingCast.Core.Measures;

/// <summary>Exact conversion factors to SI. Source: NIST SP 811, appendix B.</summary>
public static class Exact
{
    /// <summary>One grain in kilograms (1/7000 lb).</summary>
    public const double GrainKg = 64.79891e-6;

    /// <summary>One avoirdupois ounce in kilograms.</summary>
    public const double OunceKg = 0.028349523125;

    /// <summary>One avoirdupois pound in kilograms.</summary>
    public const double PoundKg = 0.45359237;

    /// <summary>One inch in metres.</summary>
    public const double InchM = 0.0254;

    /// <summary>One foot in metres.</summary>
    public const double FootM = 0.3048;

    /// <summary>One yard in metres.</summary>
    public const double YardM = 0.9144;

    /// <summary>One pound-force in newtons.</summary>
    public const double PoundForceN = 4.4482216152605;

    /// <summary>Standard gravity in metres per second squared; also newtons per kilogram-force.</summary>
    public const double GravityMps2 = 9.80665;

    /// <summary>One mile per hour in metres per second.</summary>
    public const double MphMps = 0.44704;

    /// <summary>One knot in metres per second (1852 m per hour).</summary>
    public const double KnotMps = 1852.0 / 3600.0;

    /// <summary>One kilometre per hour in metres per second.</summary>
    public const double KphMps = 1.0 / 3.6;

    /// <summary>The measuring length of a fly line, 30 ft, in metres.</summary>
    public const double ThirtyFeetM = 30 * FootM;
}
