namespace ZingCast.Web.Devices;

/// <summary>What a winder's counters show since it was last zeroed.</summary>
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

    /// <summary>Zeroes the counters and turns until so many turns are counted, or until it is stopped.</summary>
    void Start(double stopAfterTurns);

    /// <summary>Stops it where it is; the counters keep what they show.</summary>
    void Stop();
}

/// <summary>
/// A winder that is not there. It cannot know how thick the spool is, so that has to be said; its wheel slips by some thousandths and its
/// turn counter misses one now and then, as they do.
/// </summary>
public sealed class SimulatedWinder(TimeProvider clock, double turnsPerS = SimulatedWinder.UsualTurnsPerS) : IWinder
{
    /// <summary>A bench winder with a motor does about this many turns a second.</summary>
    public const double UsualTurnsPerS = 12;

    /// <summary>How much the counting wheel slips, share, and one turn in how many is missed.</summary>
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

    /// <summary>Says what is mounted: the length, metres, that so many turns lay on from where it stands.</summary>
    public void Mount(Func<double, double> lengthOf)
    {
        lock (turn)
            lengthOfTurns = lengthOf;
    }

    /// <summary>Pretends that the wheel slips this much, share: for seeing a mistake told.</summary>
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

    // It counts with the same counter that misses: what it stops at is a little more than was asked for.
    private (double Turns, bool Running) Really()
    {
        if (!running)
            return (doneTurns, false);
        var stop = stopAfter * (1 + 1 / MissedOneIn);
        var turns = (clock.GetUtcNow() - startedAt).TotalSeconds * turnsPerS;
        return turns >= stop ? (stop, false) : (turns, true);
    }
}
