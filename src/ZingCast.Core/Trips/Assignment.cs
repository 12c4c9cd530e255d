namespace ZingCast.Core.Trips;

/// <summary>
/// Maximum-sum assignment of rows to distinct columns: the Hungarian method with potentials (Kuhn 1955, in the row-by-row form of Jonker
/// and Volgenant).
/// </summary>
internal static class Assignment
{
    /// <summary>
    /// The greatest sum, and the column of each row. At least as many columns as rows; finite values only; row-major order.
    /// </summary>
    public static double Most(ReadOnlySpan<double> values, int rows, int columns, Span<int> columnOf)
    {
        Span<double> ofRow = stackalloc double[rows + 1],
            ofColumn = stackalloc double[columns + 1],
            least = stackalloc double[columns + 1];
        Span<int> rowAt = stackalloc int[columns + 1],
            way = stackalloc int[columns + 1];
        Span<bool> used = stackalloc bool[columns + 1];
        ofRow.Clear();
        ofColumn.Clear();
        rowAt.Clear();
        for (var row = 1; row <= rows; row++)
        {
            rowAt[0] = row;
            var column = 0;
            least.Fill(double.PositiveInfinity);
            used.Clear();
            do
            {
                used[column] = true;
                var (at, delta, next) = (rowAt[column], double.PositiveInfinity, 0);
                for (var c = 1; c <= columns; c++)
                {
                    if (used[c])
                        continue;
                    var cost = -values[(at - 1) * columns + c - 1] - ofRow[at] - ofColumn[c];
                    if (cost < least[c])
                        (least[c], way[c]) = (cost, column);
                    if (least[c] < delta)
                        (delta, next) = (least[c], c);
                }
                for (var c = 0; c <= columns; c++)
                    if (used[c])
                    {
                        ofRow[rowAt[c]] += delta;
                        ofColumn[c] -= delta;
                    }
                    else
                        least[c] -= delta;
                column = next;
            } while (rowAt[column] != 0);
            do
            {
                var before = way[column];
                rowAt[column] = rowAt[before];
                column = before;
            } while (column != 0);
        }
        var sum = 0.0;
        for (var c = 1; c <= columns; c++)
            if (rowAt[c] > 0)
            {
                columnOf[rowAt[c] - 1] = c - 1;
                sum += values[(rowAt[c] - 1) * columns + c - 1];
            }
        return sum;
    }
}
