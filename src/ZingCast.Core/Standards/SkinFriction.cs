namespace ZingCast.Core.Standards;

/// <summary>
/// Skin friction of a long cylinder along the stream, turbulent: a line in the air, or drawn through the water. Source: White (1972),
/// recalled.
/// </summary>
public static class SkinFriction
{
    /// <summary>Kinematic viscosity of air at 15 °C and of water at 12 °C, m²/s. From memory.</summary>
    public const double AirM2ps = 1.5e-5,
        WaterM2ps = 1.24e-6;

    /// <summary>The part that does not depend on speed.</summary>
    public const double Least = .0015;

    /// <summary>Coefficient, on the wetted area. Lengths in metres, speed in m/s, viscosity in m²/s, all above 0.</summary>
    public static double Coefficient(double lengthM, double radiusM, double speedMps, double viscosityM2ps) =>
        Least + Slender(lengthM, radiusM) / Math.Cbrt(speedMps * lengthM / viscosityM2ps);

    /// <summary>The other part of the coefficient, to be divided by the cube root of the speed, m/s.</summary>
    public static double PerCubeRoot(double lengthM, double radiusM, double viscosityM2ps) =>
        Slender(lengthM, radiusM) / Math.Cbrt(lengthM / viscosityM2ps);

    private static double Slender(double lengthM, double radiusM) => .30 + .015 * Math.Pow(lengthM / radiusM, .4);
}
