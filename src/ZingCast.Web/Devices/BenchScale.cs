namespace ZingCast.Web.Devices;

/// <summary>What a scale shows.</summary>
/// <param name="Kg">Reading less tare, kilograms, to its resolution.</param>
/// <param name="Settled">True when it has stopped moving.</param>
public readonly record struct ScaleReading(double Kg, bool Settled);

/// <summary>A bench scale. A real one would read its port; the drift since the last tare is its own affair.</summary>
public interface IBenchScale
{
    /// <summary>How it is called on screen.</summary>
    string Name { get; }

    /// <summary>Smallest step it shows, kilograms.</summary>
    double ResolutionKg { get; }

    /// <summary>How far a settled reading may be off shortly after taring, kilograms.</summary>
    double PlusMinusKg { get; }

    /// <summary>What lies on the pan, in words; null when nothing does, or when the scale cannot know.</summary>
    string? OnPan { get; }

    /// <summary>Whether it was tared with something on the pan, so that what it shows is not what lies there.</summary>
    bool TaredLoaded { get; }

    /// <summary>What it shows now.</summary>
    ValueTask<ScaleReading> ReadAsync(CancellationToken cancel);

    /// <summary>Calls what it shows now zero.</summary>
    ValueTask TareAsync(CancellationToken cancel);
}

/// <summary>
/// A scale that is not there: it swings for some seconds after something is laid on it, trembles by some hundredths of a gram and wanders
/// by a tenth over minutes until it is tared. What lies on it has to be said, and real pieces differ from what is written about them.
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

    /// <summary>Pretends that this lies on the pan, kilograms, instead of what lay there; nothing for a cleared pan.</summary>
    public void Lay(double kg, string? what)
    {
        lock (turn)
            (beforeKg, onKg, onPan, laidAt) = (onKg, kg, kg > 0 ? what : null, clock.GetUtcNow());
    }

    /// <summary>
    /// What a piece really weighs that is said to weigh this: up to three hundredths off, always the same for the same name.
    /// </summary>
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
            // At rest once the swing is lost in the tremble; what is heavy takes longer.
            return new(new ScaleReading(Math.Round(shown / ResolutionKg) * ResolutionKg, Math.Abs(beforeKg - onKg) * Left(now) < RestKg));
        }
    }

    public ValueTask TareAsync(CancellationToken cancel)
    {
        lock (turn)
        {
            // Like any scale it waits until it is at rest, here for no time at all; then it starts to wander anew.
            beforeKg = onKg;
            taredAt = clock.GetUtcNow();
            tareKg = Raw(taredAt);
            taredOverKg = onKg;
        }
        return default;
    }

    // How much of the swing is left, as a share of what was laid on.
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
