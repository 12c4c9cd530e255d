namespace ZingCast.Web.Devices;

/// <summary>Readings of a spring scale while line is pulled off a reel, newtons.</summary>
/// <param name="NowN">The needle now.</param>
/// <param name="StartN">What it took to start the spool.</param>
/// <param name="SteadyN">The mean of the last seconds of steady pulling.</param>
/// <param name="Steady">True when it has been pulled long enough to say.</param>
public readonly record struct SpringReading(double NowN, double StartN, double SteadyN, bool Steady);

/// <summary>A spring scale hooked to the end of the line. A real one would read its port.</summary>
public interface ISpringScale
{
    /// <summary>How it is called on screen.</summary>
    string Name { get; }

    /// <summary>Its uncertainty, newtons.</summary>
    double PlusMinusN { get; }

    /// <summary>Its present readings.</summary>
    SpringReading Read();

    /// <summary>The highest reading since something was hung on it, and whether that has broken.</summary>
    PeakReading Peak();
}

/// <summary>A break test, newtons.</summary>
/// <param name="NowN">The needle now.</param>
/// <param name="PeakN">The most it showed.</param>
/// <param name="Broke">What hung on it has let go.</param>
public readonly record struct PeakReading(double NowN, double PeakN, bool Broke);

/// <summary>
/// A simulated spring scale with a drag knob. Like a real drag, it takes more to start than to keep going, and the needle trembles.
/// </summary>
public sealed class SimulatedSpringScale(TimeProvider clock) : ISpringScale
{
    private const double StartShare = .18,
        TrembleShare = .05,
        SettleS = 1.2,
        KnobPower = 1.4,
        KnotShare = .12;

    private readonly Lock turn = new();
    private DateTimeOffset pulledAt = DateTimeOffset.MinValue;
    private double dragN;

    public string Name => "simulated spring scale";

    public double PlusMinusN => .25;

    /// <summary>Turns the knob to a share of its range, on a reel with this maximum drag, newtons, and pulls.</summary>
    public void Pull(double knobShare, double mostN)
    {
        lock (turn)
            (dragN, pulledAt) = (mostN * Math.Pow(knobShare, KnobPower), clock.GetUtcNow());
    }

    private double holdsN,
        loadN,
        peakN;
    private bool broke = true;

    /// <summary>Hangs a knotted tippet on it with about this strength, newtons; no two knots are equally strong.</summary>
    public void Hang(double aboutN)
    {
        lock (turn)
            (holdsN, loadN, peakN, broke) = (aboutN * (1 + KnotShare * (2 * Random.Shared.NextDouble() - 1)), 0, 0, false);
    }

    /// <summary>Pulls with this force on what hangs there, newtons.</summary>
    public void Load(double newtons)
    {
        lock (turn)
        {
            if (broke)
                return;
            loadN = newtons;
            peakN = Math.Max(peakN, Math.Min(newtons, holdsN));
            if (newtons >= holdsN)
                (broke, loadN) = (true, 0);
        }
    }

    public PeakReading Peak()
    {
        lock (turn)
            return new(loadN, peakN, broke);
    }

    public SpringReading Read()
    {
        lock (turn)
        {
            var s = Math.Min(3600, (clock.GetUtcNow() - pulledAt).TotalSeconds);
            var starting = StartShare * Math.Exp(-s / .4);
            var now = dragN * (1 + starting + TrembleShare * Math.Sin(s * 13) * Math.Sin(s * 5.1));
            return new(now, dragN * (1 + StartShare), dragN, dragN > 0 && s > SettleS);
        }
    }
}
