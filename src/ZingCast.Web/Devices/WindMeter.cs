namespace ZingCast.Web.Devices;

/// <summary>Wind speed at one moment, m/s.</summary>
public readonly record struct WindSample(DateTimeOffset At, double Mps);

/// <summary>A hand-held wind meter. A real one would keep its own samples and answer from them.</summary>
public interface IWindMeter
{
    /// <summary>How it is called on screen.</summary>
    string Name { get; }

    /// <summary>Height it is held at, metres.</summary>
    double HeightM { get; }

    /// <summary>Samples of the last period, oldest first, at least one.</summary>
    ValueTask<IReadOnlyList<WindSample>> ReadAsync(TimeSpan last, CancellationToken cancel);
}

/// <summary>
/// A simulated breeze: a mean that wanders over minutes, with gusts of seconds on top; for any moment the same for everybody who asks.
/// </summary>
public sealed class SimulatedWindMeter(TimeProvider clock) : IWindMeter
{
    public string Name => "simulated wind meter";

    public double HeightM => 2;

    public ValueTask<IReadOnlyList<WindSample>> ReadAsync(TimeSpan last, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var count = Math.Max(1, (int)last.TotalSeconds);
        return new([
            .. Enumerable
                .Range(0, count)
                .Select(i => now - TimeSpan.FromSeconds(count - 1 - i))
                .Select(at => new WindSample(at, Speed(at))),
        ]);
    }

    private static double Speed(DateTimeOffset at)
    {
        var t = at.ToUnixTimeMilliseconds() / 1000.0;
        var mean = 4.2 + .9 * Math.Sin(t / 97) + .5 * Math.Sin(t / 41 + 1);
        // Gusts rise faster than they fade: a sharpened wave, and two of other periods.
        var gust = Math.Pow(.5 + .5 * Math.Sin(t / 3.7 + .8 * Math.Sin(t / 11)), 3);
        return Math.Max(0, mean + 2.4 * gust - .7 + .5 * Math.Sin(t / 1.3) + .3 * Math.Sin(t * 2.1 + 2));
    }
}
