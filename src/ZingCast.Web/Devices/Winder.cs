namespace ZingCast.Web.Devices;

/// <summary>Counters of a winder since they were last zeroed.</summary>
/// <param name="Turns">Turns of the spool.</param>
/// <param name="LengthM">Line that ran over the counting wheel, metres.</param>
/// <param name="Running">True while it turns.</param>
public readonly record struct WinderReading(double Turns, double LengthM, bool Running);

/// <summary>A line winder with two counters. A real one would read its port; it stops by itself at its stop mark.</summary>
public interface IWinder
{
    /// <summary>How it is called on screen.</summary>
    string Name { get; }

    /// <summary>What the counters show.</summary>
    WinderReading Read();

    /// <summary>Zeroes the counters and turns until this many turns are counted, or until stopped.</summary>
    void Start(double stopAfterTurns);

    /// <summary>Stops it; the counters keep their values.</summary>
    void Stop();
}

/// <summary>
/// A simulated winder. It has to be told how line builds up on the spool; its wheel slips by some thousandths and its turn counter misses
/// one now and then, as real ones do.
/// </summary>
public sealed class SimulatedWinder(TimeProvider clock, double turnsPerS = SimulatedWinder.UsualTurnsPerS) : IWinder
{
    /// <summary>Turns per second of a bench winder with a motor.</summary>
    public const double UsualTurnsPerS = 12;

    /// <summary>Slip of the counting wheel, as a share; one in how many turns is missed.</summary>
    public const double UsualSlip = .004;

    private const double MissedOneIn = 400;

    private readonly Lock turn = new();
    private DateTimeOffset startedAt;
    private double stopAfter,
        doneTurns,
        slip = UsualSlip;
    private bool running;
    private Func<double, double> lengthOfTurns = turns => .2 * turns;

    public string Name => "simulated winder";

    /// <summary>Mounts a spool: the function gives the length, metres, that a number of turns winds on from the present state.</summary>
    public void Mount(Func<double, double> lengthOf)
    {
        lock (turn)
            lengthOfTurns = lengthOf;
    }

    /// <summary>Makes the wheel slip by this share, to show how a mistake is reported.</summary>
    public void Slip(double share)
    {
        lock (turn)
            slip = share;
    }

    public WinderReading Read()
    {
        lock (turn)
        {
            var (turns, still) = Really();
            return new(Math.Floor(turns - Math.Floor(turns / MissedOneIn)), lengthOfTurns(turns) * (1 - slip), still);
        }
    }

    public void Start(double stopAfterTurns)
    {
        lock (turn)
            (startedAt, stopAfter, doneTurns, running) = (clock.GetUtcNow(), Math.Max(0, stopAfterTurns), 0, true);
    }

    public void Stop()
    {
        lock (turn)
            (doneTurns, running) = (Really().Turns, false);
    }

    // It stops by the same counter that misses turns: a little later than asked for.
    private (double Turns, bool Running) Really()
    {
        if (!running)
            return (doneTurns, false);
        var stop = stopAfter * (1 + 1 / MissedOneIn);
        var turns = (clock.GetUtcNow() - startedAt).TotalSeconds * turnsPerS;
        return turns >= stop ? (stop, false) : (turns, true);
    }
}
