namespace ZingCast.Web.Devices;

/// <summary>What a spring scale shows while line is pulled off a reel, newtons.</summary>
/// <param name="NowN">The needle now.</param>
/// <param name="StartN">What it took to start the spool.</param>
/// <param name="SteadyN">The mean of the last seconds of steady pulling.</param>
/// <param name="Steady">True when it has been pulled long enough to say.</param>
public readonly record struct SpringReading(double NowN, double StartN, double SteadyN, bool Steady);

/// <summary>A spring scale hooked into the line's end. A real one would read its port.</summary>
public interface ISpringScale
{
    /// <summary>How it is called on screen.</summary>
    string Name { get; }

    /// <summary>How far it may be off, newtons.</summary>
    double PlusMinusN { get; }

    /// <summary>What it shows now.</summary>
    SpringReading Read();

    /// <summary>The most it showed since something was hung on it, and whether that has let go.</summary>
    PeakReading Peak();
}

/// <summary>A pull to break, newtons.</summary>
/// <param name="NowN">The needle now.</param>
/// <param name="PeakN">The most it showed.</param>
/// <param name="Broke">What hung on it has let go.</param>
public readonly record struct PeakReading(double NowN, double PeakN, bool Broke);

/// <summary>
/// A spring scale that is not there, and a drag knob to go with it. Like a real drag it takes more to start than to keep going, and the
/// needle trembles as the discs stick and slip.
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

    /// <summary>Turns the knob to a share of its way on a reel that gives so much at most, newtons, and pulls.</summary>
    public void Pull(double knobShare, double mostN)
    {
        lock (turn)
            (dragN, pulledAt) = (mostN * Math.Pow(knobShare, KnobPower), clock.GetUtcNow());
    }

    private double holdsN,
        loadN,
        peakN;
    private bool broke = true;

    /// <summary>Hangs a knotted tippet on it that should stand about so much, newtons; no two knots stand the same.</summary>
    public void Hang(double aboutN)
    {
        lock (turn)
            (holdsN, loadN, peakN, broke) = (aboutN * (1 + KnotShare * (2 * Random.Shared.NextDouble() - 1)), 0, 0, false);
    }

    /// <summary>Pulls so hard on what hangs there, newtons.</summary>
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
