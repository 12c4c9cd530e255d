using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using CsvHelper;
using CsvHelper.Configuration;
using ZingCast.Core.Lines;

namespace ZingCast.Store;

/// <summary>A fault in a file: which line and column, and what would do.</summary>
public sealed record CsvFault(int Line, string Column, string Problem);

/// <summary>How tables are read and written.</summary>
public static class Sheets
{
    /// <summary>Files and clipboards come with any line ending, and with commas, semicolons or tabs.</summary>
    public static CsvConfiguration AsTheyCome =>
        new(CultureInfo.InvariantCulture)
        {
            TrimOptions = TrimOptions.Trim,
            BadDataFound = null,
            MissingFieldFound = null,
            DetectDelimiter = true,
            DetectDelimiterValues = ["\t", ";", ","],
            PrepareHeaderForMatch = args => args.Header.Trim().ToLowerInvariant(),
        };

    /// <summary>Format of the sheets written here.</summary>
    public static CsvConfiguration AsWeWrite => new(CultureInfo.InvariantCulture) { NewLine = "\n" };

    // Characters that make a spreadsheet take a cell for a formula, full-width ones included.
    private const string Formula = "=+-@\t\r\n\uFF1D\uFF0B\uFF0D\uFF20";

    /// <summary>Byte-order mark, so that a spreadsheet reads the text as Unicode.</summary>
    public const char Mark = '\uFEFF';

    /// <summary>A cell that no spreadsheet executes: an apostrophe before anything it would take for a formula.</summary>
    public static string Safe(string cell) => cell is [var first, ..] && (Formula.Contains(first) || first == '\'') ? $"'{cell}" : cell;

    /// <summary>The cell as it was before <see cref="Safe"/>.</summary>
    public static string Plain(string cell) =>
        cell is ['\'', var second, ..] && (Formula.Contains(second) || second == '\'') ? cell[1..] : cell;

    /// <summary>The start of an unreadable cell, quoted in the error.</summary>
    public static string Quoted(string? cell) => cell is { Length: > 30 } ? $"{cell[..30]}…" : cell ?? "";
}

/// <summary>Line profiles as CSV: position_m, diameter_mm, linear_density_g_per_m. All or nothing.</summary>
public static class ProfileCsv
{
    /// <summary>Longest text that is read, characters: twice what the most rows need.</summary>
    public const int Longest = 300_000;

    private static readonly string[] Columns = ["position_m", "diameter_mm", "linear_density_g_per_m"];

    /// <summary>The profile as text, tapers every 10 cm: read back, the mass agrees to a thousandth.</summary>
    public static string Write(LineProfile profile)
    {
        using var text = new StringWriter();
        using var csv = new CsvWriter(text, Sheets.AsWeWrite);
        foreach (var column in Columns)
            csv.WriteField(column);
        csv.NextRecord();
        foreach (var p in profile.Points(.1))
        {
            csv.WriteField(Math.Round(p.PositionM, 4));
            csv.WriteField(Math.Round(p.DiameterM * 1000, 4));
            csv.WriteField(Math.Round(p.KgPerM * 1000, 5));
            csv.NextRecord();
        }
        return text.ToString();
    }

    /// <summary>Reads a profile, or names every fault.</summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static (LineProfile? Profile, IReadOnlyList<CsvFault> Faults) Read(string text)
    {
        if (text.Length > Longest)
            return (null, [new(1, Columns[0], $"The file is larger than {Longest / 1000} kB; a profile needs a few hundred rows.")]);
        List<CsvFault> faults = [];
        List<(double PositionM, double DiameterM, double KgPerM)> points = [];
        using var csv = new CsvReader(new StringReader(text.TrimStart('\uFEFF')), Sheets.AsTheyCome);
        if (!csv.Read() || !csv.ReadHeader())
            return (null, [new(1, Columns[0], "The file is empty. Its first line names the columns.")]);
        foreach (var column in Columns.Where(c => csv.HeaderRecord?.Contains(c) != true))
            faults.Add(new(1, column, $"This column is missing. The first line reads {string.Join(',', Columns)}."));
        if (faults.Count > 0)
            return (null, faults);
        while (csv.Read())
        {
            double Number(string column, double low, double high, string range)
            {
                var field = csv.GetField(column);
                if (!double.TryParse(field, NumberStyles.Float, CultureInfo.InvariantCulture, out var value))
                    faults.Add(
                        new(
                            csv.Parser.RawRow,
                            column,
                            string.IsNullOrWhiteSpace(field)
                                ? "Nothing stands here."
                                : $"“{Sheets.Quoted(field)}” is not a number. Use a point for decimals."
                        )
                    );
                else if (!(value >= low && value <= high))
                    faults.Add(new(csv.Parser.RawRow, column, $"{Sheets.Quoted(field)} is out of range: {range}."));
                return value;
            }
            var point = (
                Number(Columns[0], 0, 100, "0 to 100 m"),
                Number(Columns[1], .1, 6, "0.1 to 6 mm") / 1000,
                Number(Columns[2], .01, 50, "0.01 to 50 g/m") / 1000
            );
            if (points.Count > 0 && point.Item1 < points[^1].PositionM)
                faults.Add(new(csv.Parser.RawRow, Columns[0], "Positions run from the fly end and never go back."));
            points.Add(point);
            if (points.Count > 5000)
                return (null, [new(csv.Parser.RawRow, Columns[0], "More than 5000 rows; a profile needs a few hundred.")]);
        }
        if (points.Count > 0 && points[0].PositionM > 0)
            faults.Add(new(2, Columns[0], "The first row stands at the fly end, position 0."));
        if (points.Count < 2 || points[^1].PositionM - points[0].PositionM < .3)
            faults.Add(new(2, Columns[0], "A profile needs two rows or more over at least 30 cm."));
        if (faults.Count > 0)
            return (null, faults);
        var stretches = points.Zip(points.Skip(1)).Where(p => p.Second.PositionM > p.First.PositionM).Count();
        if (stretches > LineProfile.MaxStretches)
            return (null, [new(2, Columns[0], $"More than {LineProfile.MaxStretches} stretches; leave out rows where nothing changes.")]);
        try
        {
            return (LineProfile.Through(points), []);
        }
        catch (ArgumentException odd)
        {
            return (null, [new(2, Columns[2], odd.Message.Split(" (Parameter")[0])]);
        }
    }
}
