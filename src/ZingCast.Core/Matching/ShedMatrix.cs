using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>A rod of the matrix.</summary>
/// <param name="Id">The rod.</param>
/// <param name="Tag">Its tag.</param>
/// <param name="Name">Its name.</param>
/// <param name="Class">The class its window is built on.</param>
public sealed record MatrixRod(int Id, string Tag, string Name, double Class);

/// <summary>A line of the matrix.</summary>
/// <param name="Id">The line.</param>
/// <param name="Tag">Its tag.</param>
/// <param name="Name">Its name.</param>
/// <param name="LoadsClass">The class of rod it loads as that likes best.</param>
public sealed record MatrixLine(int Id, string Tag, string Name, double LoadsClass);

/// <summary>A rod with every line, in the order of the lines. Shares of the standard mass of the rod's class, to a hundredth.</summary>
/// <param name="Loads">What hangs outside the tip, line alone.</param>
/// <param name="Ideals">What feels best.</param>
/// <param name="Verdicts">How well.</param>
public sealed record MatrixRow(IReadOnlyList<double> Loads, IReadOnlyList<double> Ideals, IReadOnlyList<Verdict> Verdicts);

/// <summary>
/// Which line goes with which rod, each judged at the carry that fits its head, as on the benches of line and rod. Rods are sorted by class
/// and lines by the class they load, so that matching pairs lie on the diagonal.
/// </summary>
/// <param name="Rods">Rods whose class is known, light to heavy.</param>
/// <param name="Lines">Lines whose mass is known, light to heavy.</param>
/// <param name="Rows">One for each rod.</param>
/// <param name="Window">Lowest and highest share that works overhead.</param>
/// <param name="Unknown">Tags of rods and lines that nobody knows enough of.</param>
public sealed record ShedMatrix(
    IReadOnlyList<MatrixRod> Rods,
    IReadOnlyList<MatrixLine> Lines,
    IReadOnlyList<MatrixRow> Rows,
    Spread Window,
    IReadOnlyList<string> Unknown
)
{
    /// <summary>Of a shed.</summary>
    public static ShedMatrix From(GearShed shed)
    {
        var rods = shed.Rods.Where(r => r.WindowClass is not null).OrderBy(r => r.WindowClass).ThenBy(r => r.Id).ToList();
        var lines = shed
            .Lines.Where(l => l.MassKg is not null)
            .Select(l => (Line: l, Loads: LineSuits.LoadsClass(l)))
            .OrderBy(l => l.Loads)
            .ThenBy(l => l.Line.Id)
            .ToList();
        var hanging = lines.Select(l => LineSuits.Hangs(l.Line)).ToArray();
        MatrixRow Row(Rod rod)
        {
            var loads = new double[lines.Count];
            var ideals = new double[lines.Count];
            var verdicts = new Verdict[lines.Count];
            for (var i = 0; i < loads.Length; i++)
            {
                var load = hanging[i](rod);
                (loads[i], ideals[i], verdicts[i]) = (Math.Round(load.LineRatio, 2), Math.Round(load.Ideal, 2), load.Verdict);
            }
            return new(loads, ideals, verdicts);
        }
        return new(
            [.. rods.Select(r => new MatrixRod(r.Id, r.Tag, r.Name, r.WindowClass!.Value))],
            [.. lines.Select(l => new MatrixLine(l.Line.Id, l.Line.Tag, l.Line.Name, l.Loads))],
            [.. rods.Select(Row)],
            new(LineLoad.Low, LineLoad.Top),
            [
                .. shed.Rods.Where(r => r.WindowClass is null).Select(r => r.Tag),
                .. shed.Lines.Where(l => l.MassKg is null).Select(l => l.Tag),
            ]
        );
    }
}
