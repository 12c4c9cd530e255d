using ZingCast.Core.Measures;

namespace ZingCast.Core.Casting;

/// <summary>Farthest reach over two axes.</summary>
/// <param name="Down">Values of the rows.</param>
/// <param name="Across">Values of the columns.</param>
/// <param name="ReachM">Reach by row, then column, metres; 0 where nothing fishes.</param>
public sealed record CastMap(IReadOnlyList<double> Down, IReadOnlyList<double> Across, IReadOnlyList<IReadOnlyList<double>> ReachM);

/// <summary>
/// Maps of reach over wind, class, carry and line speed. Rows are computed in parallel; cancellation takes effect within a row.
/// </summary>
public static class CastMaps
{
    /// <summary>Reach of one cast for several head winds, m/s, in the order given.</summary>
    public static IReadOnlyList<double> ByWind(CastSetup setup, IReadOnlyList<double> headwindsMps, CancellationToken cancel = default)
    {
        var reach = new double[headwindsMps.Count];
        for (var i = 0; i < reach.Length; i++)
        {
            cancel.ThrowIfCancellationRequested();
            reach[i] = CastSearch.Farthest(setup.In(CastDay.Felt(headwindsMps[i]), 0)).ReachM;
        }
        return reach;
    }

    /// <summary>
    /// Reach over rod class, down, and wind in the face, m/s, across. <paramref name="setupOf"/> gives the matched outfit of a class.
    /// </summary>
    public static CastMap ClassByWind(
        Func<double, CastSetup> setupOf,
        IReadOnlyList<double> classes,
        IReadOnlyList<double> headwindsMps,
        CancellationToken cancel = default
    ) => new(classes, headwindsMps, Rows(classes, c => ByWind(setupOf(c), headwindsMps, cancel), cancel));

    /// <summary>Reach over line held in the air, metres, down, and line speed when the rod stops, m/s, across.</summary>
    public static CastMap CarryBySpeed(
        CastSetup setup,
        IReadOnlyList<double> carriesM,
        IReadOnlyList<double> launchesMps,
        CancellationToken cancel = default
    ) =>
        new(
            carriesM,
            launchesMps,
            Rows(
                carriesM,
                carry =>
                    [
                        .. launchesMps.Select(v =>
                        {
                            cancel.ThrowIfCancellationRequested();
                            return CastSearch.FarthestAt(setup, carry, v).ReachM;
                        }),
                    ],
                cancel
            )
        );

    /// <summary>Evenly spaced values from low to high, both included; two or more.</summary>
    public static IReadOnlyList<double> Steps(double low, double high, int count) =>
        [.. Enumerable.Range(0, count).Select(i => Interpolation.Between(low, high, i / (count - 1.0)))];

    private static IReadOnlyList<double>[] Rows(
        IReadOnlyList<double> down,
        Func<double, IReadOnlyList<double>> row,
        CancellationToken cancel
    )
    {
        var rows = new IReadOnlyList<double>[down.Count];
        Parallel.For(
            0,
            rows.Length,
            new ParallelOptions { CancellationToken = cancel, MaxDegreeOfParallelism = Environment.ProcessorCount },
            i => rows[i] = row(down[i])
        );
        return rows;
    }
}
