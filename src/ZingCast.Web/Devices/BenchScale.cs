namespace ZingCast.Web.Devices;

/// <summary>A reading of a scale.</summary>
/// <param name="Kg">Reading less tare, kilograms, to its resolution.</param>
/// <param name="Settled">True when it has stopped moving.</param>
public readonly record struct ScaleReading(double Kg, bool Settled);

/// <summary>A bench scale. A real one would read its port; drift since the last tare is its own concern.</summary>
public interface IBenchScale
{
    /// <summary>How it is called on screen.</summary>
    string Name { get; }

    /// <summary>Smallest step it shows, kilograms.</summary>
    double ResolutionKg { get; }

    /// <summary>Uncertainty of a settled reading shortly after taring, kilograms.</summary>
    double PlusMinusKg { get; }

    /// <summary>What is on the pan, in words; null when nothing is, or the scale cannot know.</summary>
    string? OnPan { get; }

    /// <summary>Whether it was tared with something on the pan, so that its readings do not show what is there.</summary>
    bool TaredLoaded { get; }

    /// <summary>Its present reading.</summary>
    ValueTask<ScaleReading> ReadAsync(CancellationToken cancel);

    /// <summary>Sets the present reading to zero.</summary>
    ValueTask TareAsync(CancellationToken cancel);
}

/// <summary>
/// A simulated scale: it swings for some seconds after something is put on, trembles by some hundredths of a gram and drifts by a tenth
/// over minutes until it is tared. It has to be told what is on it, and real pieces differ from their stated mass.
/// </summary>
public sealed class SimulatedBenchScale(TimeProvider clock) : IBenchScale
{
    private const double SettleS = .35,
        RestKg = .00002,
        TrembleKg = .00002,
        WanderKg = .0001;

    private readonly Lock turn = new();
    private DateTimeOffset laidAt = DateTimeOffset.MinValue,
        taredAt = DateTimeOffset.MinValue;
    private double beforeKg,
        onKg,
        tareKg,
        taredOverKg;
    private string? onPan;

    public string Name => "simulated bench scale";

    public double ResolutionKg => .00001;

    public double PlusMinusKg => .0001;

    public string? OnPan
    {
        get
        {
            lock (turn)
                return onPan;
        }
    }

    public bool TaredLoaded
    {
        get
        {
            lock (turn)
                return taredOverKg > PlusMinusKg;
        }
    }

    /// <summary>Puts this on the pan instead of what was there, kilograms; 0 clears it.</summary>
    public void Lay(double kg, string? what)
    {
        lock (turn)
            (beforeKg, onKg, onPan, laidAt) = (onKg, kg, kg > 0 ? what : null, clock.GetUtcNow());
    }

    /// <summary>Real mass of a piece with this stated mass: up to three hundredths off, always the same for the same name.</summary>
    public static double Really(double saidKg, string name)
    {
        var odd = name.Aggregate(17u, (sum, c) => sum * 31 + c) % 1000 / 1000.0;
        return saidKg * (1 + .03 * (2 * odd - 1));
    }

    public ValueTask<ScaleReading> ReadAsync(CancellationToken cancel)
    {
        lock (turn)
        {
            var now = clock.GetUtcNow();
            var shown = Raw(now) - tareKg;
            // At rest once the swing is smaller than the tremble; a heavy piece takes longer.
            return new(new ScaleReading(Math.Round(shown / ResolutionKg) * ResolutionKg, Math.Abs(beforeKg - onKg) * Left(now) < RestKg));
        }
    }

    public ValueTask TareAsync(CancellationToken cancel)
    {
        lock (turn)
        {
            // Like any scale it tares at rest, here at once; then the drift starts anew.
            beforeKg = onKg;
            taredAt = clock.GetUtcNow();
            tareKg = Raw(taredAt);
            taredOverKg = onKg;
        }
        return default;
    }

    // Remaining share of the swing.
    private double Left(DateTimeOffset now) => Math.Exp(-Math.Min(60, (now - laidAt).TotalSeconds) / SettleS);

    private double Raw(DateTimeOffset now)
    {
        var swing = Left(now) * Math.Cos(Math.Min(60, (now - laidAt).TotalSeconds) * 9);
        double t = now.ToUnixTimeMilliseconds() / 1000.0,
            away = Math.Min(3600, (now - taredAt).TotalSeconds);
        return onKg
            + (beforeKg - onKg) * swing
            + TrembleKg * (Math.Sin(t * 7.3) + Math.Sin(t * 11.9 + 1)) / 2
            + WanderKg * (1 - Math.Cos(away / 90)) / 2;
    }
}
