namespace ZingCast.Core.Trips;

/// <summary>
/// Worth of every outfit on every day, 0 to 1: exact, or an upper bound until it is computed. Equal pieces share a row. Most rods and lines
/// are incompatible; such pairs take no space. Different days may be written in parallel, each by one thread.
/// </summary>
public sealed class WorthTable
{
    private readonly int[] rodRows,
        lineRows,
        reelRows;
    private readonly int rows,
        columns;

    // By day: the worth of rod and line on their best reel, or its upper bound; and their worth on each reel where computed.
    private readonly double[][] most;
    private readonly Dictionary<int, double[]>[] exact;

    // By day, once asked for: pairs by falling upper bound, and how many of the first ones are known by now.
    private readonly int[]?[] promising;
    private readonly int[] passed;

    /// <summary>A table in which no two pieces are equal.</summary>
    /// <param name="days">How many days.</param>
    /// <param name="rods">How many rods.</param>
    /// <param name="lines">How many lines.</param>
    /// <param name="reels">How many reels.</param>
    public WorthTable(int days, int rods, int lines, int reels)
        : this(days, [.. Enumerable.Range(0, rods)], [.. Enumerable.Range(0, lines)], [.. Enumerable.Range(0, reels)]) { }

    /// <summary>A table of pieces some of which are equal: each is given its row, numbered from 0 without gaps.</summary>
    public WorthTable(int days, int[] rodRows, int[] lineRows, int[] reelRows)
    {
        (this.rodRows, this.lineRows, this.reelRows) = (rodRows, lineRows, reelRows);
        (rows, columns) = (Count(rodRows), Count(lineRows));
        most = [.. Enumerable.Range(0, days).Select(_ => new double[rows * columns])];
        exact = [.. Enumerable.Range(0, days).Select(_ => new Dictionary<int, double[]>())];
        (promising, passed) = (new int[days][], new int[days]);
    }

    private static int Count(int[] rows) => rows.Length == 0 ? 0 : rows.Max() + 1;

    /// <summary>Days.</summary>
    public int Days => most.Length;

    /// <summary>Rods.</summary>
    public int Rods => rodRows.Length;

    /// <summary>Lines.</summary>
    public int Lines => lineRows.Length;

    /// <summary>Reels.</summary>
    public int Reels => reelRows.Length;

    /// <summary>Number of rod, line and day combinations computed exactly.</summary>
    public int Known => exact.Sum(day => day.Count);

    private int At(int rod, int line) => rodRows[rod] * columns + lineRows[line];

    /// <summary>The row of a rod: equal rods have the same.</summary>
    public int RodRow(int rod) => rodRows[rod];

    /// <summary>The row of a line.</summary>
    public int LineRow(int line) => lineRows[line];

    /// <summary>The row of a reel.</summary>
    public int ReelRow(int reel) => reelRows[reel];

    /// <summary>Stores the upper bound of a rod and line on a day, whatever the reel.</summary>
    public void Expect(int day, int rod, int line, double atMost) => most[day][At(rod, line)] = atMost;

    /// <summary>Stores the worth of a rod and line on a day, by the row of the reel.</summary>
    public void Set(int day, int rod, int line, double[] onReels)
    {
        var at = At(rod, line);
        exact[day][at] = onReels;
        most[day][at] = onReels.Length == 0 ? 0 : onReels.Max();
    }

    /// <summary>Whether it is known exactly, as it is for an incompatible pair.</summary>
    public bool Knows(int day, int rod, int line) => most[day][At(rod, line)] <= 0 || exact[day].ContainsKey(At(rod, line));

    /// <summary>Worth on the most suitable reel, or its upper bound.</summary>
    public double Best(int day, int rod, int line) => most[day][At(rod, line)];

    /// <summary>Worth on a reel, or its upper bound; 0 for a pair that is incompatible that day.</summary>
    public double On(int day, int rod, int line, int reel) =>
        exact[day].TryGetValue(At(rod, line), out var its) ? its[reelRows[reel]] : most[day][At(rod, line)];

    /// <summary>
    /// Pairs of rod and line rows not yet computed on a day, by falling upper bound. All bounds must be stored before this is called.
    /// </summary>
    public IEnumerable<(int RodRow, int LineRow, double AtMost)> Promising(int day)
    {
        var all = most[day];
        var order = promising[day] ??= [.. Enumerable.Range(0, all.Length).Where(at => all[at] > 0).OrderByDescending(at => all[at])];
        while (passed[day] < order.Length && exact[day].ContainsKey(order[passed[day]]))
            passed[day]++;
        for (var i = passed[day]; i < order.Length; i++)
            if (!exact[day].ContainsKey(order[i]))
                yield return (order[i] / columns, order[i] % columns, all[order[i]]);
    }

    /// <summary>Raises the worth on each reel to that of this rod and line where it is less.</summary>
    internal void Raise(int day, int rod, int line, Span<double> onReels)
    {
        var at = At(rod, line);
        if (most[day][at] <= 0)
            return;
        var its = exact[day].GetValueOrDefault(at);
        for (var e = 0; e < onReels.Length; e++)
            onReels[e] = Math.Max(onReels[e], its is null ? most[day][at] : its[reelRows[e]]);
    }
}
