namespace ZingCast.Core.Trips;

/// <summary>
/// What every outfit is worth on every day, 0 to 1. Most rods and lines do not go together, so a pair that is nothing takes no room.
/// </summary>
/// <param name="days">How many days.</param>
/// <param name="rods">How many rods.</param>
/// <param name="lines">How many lines.</param>
/// <param name="reels">How many reels.</param>
public sealed class WorthTable(int days, int rods, int lines, int reels)
{
    private readonly double[]?[] worths = new double[]?[days * rods * lines];
    private readonly double[] best = new double[days * rods * lines];

    /// <summary>Days.</summary>
    public int Days => days;

    /// <summary>Rods.</summary>
    public int Rods => rods;

    /// <summary>Lines.</summary>
    public int Lines => lines;

    /// <summary>Reels.</summary>
    public int Reels => reels;

    private int At(int day, int rod, int line) => (day * rods + rod) * lines + line;

    /// <summary>Notes what a rod and line are worth on a day, reel by reel.</summary>
    public void Set(int day, int rod, int line, double[] onReels)
    {
        var at = At(day, rod, line);
        worths[at] = onReels;
        best[at] = onReels.Length == 0 ? 0 : onReels.Max();
    }

    /// <summary>Worth on each reel; empty for a pair that does not go together that day.</summary>
    public ReadOnlySpan<double> On(int day, int rod, int line) => worths[At(day, rod, line)];

    /// <summary>Worth on the reel that suits it best.</summary>
    public double Best(int day, int rod, int line) => best[At(day, rod, line)];
}
