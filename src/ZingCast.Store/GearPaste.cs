using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using CsvHelper;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Store;

/// <summary>Result of reading rows of a spreadsheet: pieces to store, or every fault by row and column.</summary>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines.</param>
/// <param name="Reels">Reels.</param>
/// <param name="Faults">What cannot be; with any, nothing is kept.</param>
public sealed record PastedGear(
    IReadOnlyList<Rod> Rods,
    IReadOnlyList<FlyLine> Lines,
    IReadOnlyList<Reel> Reels,
    IReadOnlyList<CsvFault> Faults
);

/// <summary>
/// Gear pasted from a spreadsheet. The first row names the columns, in any order; every other row is a piece, by its label ("9ft 6",
/// "WF6F", "7/8") or by its kind. Measures are read as everywhere, in the unit of the cell or of the heading ("length m").
/// </summary>
public static class GearPaste
{
    /// <summary>Longest text that is read, characters.</summary>
    public const int Longest = 300_000;

    /// <summary>Most rows stored together.</summary>
    public const int MostRows = 2000;

    /// <summary>A column of a sheet: one field, or the same field of several kinds of gear.</summary>
    private sealed record Column(string Name, IReadOnlyList<Field> Fields)
    {
        /// <summary>One of them, for its kind and limits.</summary>
        public Field Field => Fields[0];

        /// <summary>The unit its numbers are written in; empty where they have none.</summary>
        public string Unit => Field.Kind is { } kind ? Metric(kind).Unit : "";

        /// <summary>Its heading: a spreadsheet sorts and sums numbers only when the unit is not in the cells.</summary>
        public string Heading => Unit.Length == 0 ? Name : $"{Name} {Unit}";

        /// <summary>The field of this column for a piece, if it has one.</summary>
        public Field? On(Gear piece) => ShedFields.For(piece.GetType()).FirstOrDefault(f => f.Column == Name);

        /// <summary>The cell for a piece; null when empty. Written so that reading it gives the same value.</summary>
        public string? Write(Gear piece) =>
            On(piece) is not { } field || field.ValueIn(piece) is not { } value
                ? null
                : field.Shape switch
                {
                    FieldShape.Measure => Plain((double)value * Metric(field.Kind!.Value).Scale),
                    FieldShape.Money => Plain((double)value),
                    FieldShape.Choice => field.Choices.FirstOrDefault(c => c.Id == (string)value)?.Name,
                    FieldShape.Yes => (bool)value ? "yes" : null,
                    FieldShape.Day => ((DateOnly)value).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture),
                    _ => Convert.ToString(value, CultureInfo.InvariantCulture),
                };

        private static string Plain(double number) => Math.Round(number, 9).ToString("R", CultureInfo.InvariantCulture);

        /// <summary>A piece with the value of a cell, or the problem with it.</summary>
        public (Gear? Piece, string? Problem) Read(Gear piece, string cell, bool metric)
        {
            if (On(piece) is not { } field)
                return (null, $"{OneOf(piece)} has none. Leave this empty.");
            var (value, problem) = Value(field, cell, metric);
            return value is null ? (null, problem) : (field.With(piece, value), null);
        }

        private static (object? Value, string? Problem) Value(Field field, string cell, bool metric)
        {
            switch (field.Shape)
            {
                case FieldShape.Measure:
                    var reading = Reader.Read(field.Kind!.Value, cell, metric);
                    return (reading.Value, reading.Problem);
                case FieldShape.Choice:
                    static bool Same(string a, string b) => a.Equals(b, StringComparison.OrdinalIgnoreCase);
                    return (field.Choices.FirstOrDefault(c => Same(c.Name, cell) || Same(c.Id, cell))?.Id, $"{field.OneOf()}.");
                case FieldShape.Yes:
                    return (
                        cell.ToLowerInvariant() switch
                        {
                            "yes" or "y" or "x" => true,
                            "no" or "n" => false,
                            _ => null,
                        },
                        "Write yes or no."
                    );
                case FieldShape.Count:
                    var isWhole = int.TryParse(cell, NumberStyles.None, CultureInfo.InvariantCulture, out var count);
                    return (isWhole ? count : null, field.Limit!.Words);
                case FieldShape.Money:
                    var isSum = double.TryParse(cell, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var sum);
                    return (isSum ? sum : null, "A price is a number, such as 120 or 79.50.");
                case FieldShape.Day:
                    var isDay = DateOnly.TryParseExact(cell, Days, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day);
                    return (isDay ? day : null, "Write a day as 2026-05-30.");
                default:
                    return (cell, null);
            }
        }
    }

    private static readonly string[] Days = ["yyyy-MM-dd", "d.M.yyyy", "d/M/yyyy"];

    /// <summary>A column of a pasted sheet, and the unit in its heading for plain numbers.</summary>
    private sealed record Brought(Column Column, string? Unit)
    {
        public string Cell(string cell) =>
            Unit is null || !double.TryParse(cell.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out _)
                ? cell
                : $"{cell} {Unit}";
    }

    // "length m", "length (m)", "length, m": a name and a unit of such a measure.
    private static Brought? Find(string heading)
    {
        var name = heading.Trim().ToLowerInvariant();
        if (Named(name) is { } whole)
            return new(whole, null);
        var end = name.TrimEnd(')').LastIndexOfAny([' ', '(']);
        if (end < 0)
            return null;
        var unit = name[(end + 1)..].TrimEnd(')');
        return
            Named(name[..end].TrimEnd(' ', ',', '(')) is { Field.Kind: { } kind } column
            && Reader.Read(kind, $"1 {unit}", metric: true).Value is not null
            ? new(column, unit)
            : null;
    }

    private static Column? Named(string name) => Columns.FirstOrDefault(c => c.Name == name || c.Fields.Any(f => f.Also.Contains(name)));

    private static (double Scale, string Unit) Metric(Kind kind) =>
        kind switch
        {
            Kind.GearMass or Kind.LineMass => (1000, "g"),
            Kind.SpoolSize or Kind.Diameter => (1000, "mm"),
            Kind.Length or Kind.RodLength or Kind.Spooled => (1, "m"),
            Kind.Force => (1, "N"),
            Kind.Angle => (1, "°"),
            _ => (1, ""),
        };

    private static string OneOf(Gear piece) =>
        piece switch
        {
            Rod => "A rod",
            FlyLine => "A line",
            _ => "A reel",
        };

    // Fields of all gear first, then those of rods, lines and reels.
    private static readonly Column[] Columns =
    [
        .. GearFields
            .Names.Concat(GearFields.Shared)
            .Concat(ShedFields.All.Rods)
            .Concat(ShedFields.All.Lines)
            .Concat(ShedFields.All.Reels)
            .Where(f => f.Column is not null)
            .GroupBy(f => f.Column!)
            .Select(g => new Column(g.Key, [.. g.Distinct()])),
    ];

    /// <summary>
    /// Pieces of one kind as a sheet that <see cref="Read"/> accepts. Measured profiles, bend tests and inspections are not included; they
    /// are in the backup.
    /// </summary>
    public static string Write(IReadOnlyList<Gear> pieces)
    {
        var columns = Columns.Where(c => pieces.Any(p => !string.IsNullOrEmpty(c.Write(p)))).ToList();
        using var text = new StringWriter();
        using var csv = new CsvWriter(text, Sheets.AsWeWrite);
        csv.WriteField("kind");
        foreach (var column in columns)
            csv.WriteField(column.Heading);
        csv.NextRecord();
        foreach (var piece in pieces)
        {
            csv.WriteField(
                piece switch
                {
                    Rod => "rod",
                    FlyLine => "line",
                    _ => "reel",
                }
            );
            foreach (var column in columns)
                csv.WriteField(Sheets.Safe(column.Write(piece) ?? ""));
            csv.NextRecord();
        }
        return text.ToString();
    }

    /// <summary>Names of the columns, for people who make such a sheet.</summary>
    public static readonly IReadOnlyList<string> ColumnNames = ["label", "kind", .. Columns.Select(c => c.Name)];

    /// <summary>Reads rows against the existing shed; missing tags become the next free ones. Stores nothing.</summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static PastedGear Read(string text, GearShed shed, bool metric, DateOnly today)
    {
        static PastedGear Wrong(params CsvFault[] faults) => new([], [], [], faults);
        using var csv = new CsvReader(new StringReader(text.TrimStart('\uFEFF').TrimEnd()), Sheets.AsTheyCome);
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { } header)
            return Wrong(new CsvFault(1, "label", "Nothing is here. The first row names the columns."));
        List<CsvFault> faults = [];
        var columns = ReadHeader(header, faults);
        List<Rod> rods = [];
        List<FlyLine> lines = [];
        List<Reel> reels = [];
        HashSet<string> taken =
        [
            .. shed.Rods.Select(r => r.Tag).Concat(shed.Lines.Select(l => l.Tag)).Concat(shed.Reels.Select(r => r.Tag)),
        ];
        var sound = faults.Count == 0;
        while (sound && csv.Read())
        {
            var row = csv.Parser.RawRow;
            if (rods.Count + lines.Count + reels.Count >= MostRows)
                return Wrong(new CsvFault(row, "label", $"More than {MostRows} rows; paste a part of them."));
            var (label, kind) = (csv.GetField("label") ?? "", (csv.GetField("kind") ?? "").ToLowerInvariant());
            if (header.Select((_, i) => csv.GetField(i)).All(string.IsNullOrWhiteSpace))
                continue;
            if (Begin(label, kind, row, faults) is not { } piece)
                continue;
            piece = Filled(piece, csv, columns, metric, faults).WithTagAndName(Gear.NextTag(GearShed.LetterOf(piece), taken));
            if (!taken.Add(piece.Tag))
                faults.Add(new(row, "tag", $"Another piece already carries the tag {Sheets.Quoted(piece.Tag)}."));
            foreach (var wrong in piece.Check(today))
                faults.Add(
                    new(
                        row,
                        ShedFields.For(piece.GetType()).FirstOrDefault(f => f.Name == wrong.Field)?.Column ?? wrong.Field,
                        wrong.Problem
                    )
                );
            if (piece is Rod rod)
                rods.Add(rod);
            else if (piece is FlyLine line)
                lines.Add(line);
            else if (piece is Reel reel)
                reels.Add(reel);
        }
        if (faults.Count == 0 && rods.Count + lines.Count + reels.Count == 0)
            faults.Add(new(2, "label", "There is no row below the names of the columns."));
        return faults.Count > 0 ? Wrong([.. faults]) : new(rods, lines, reels, []);
    }

    private static Brought?[] ReadHeader(string[] header, List<CsvFault> faults)
    {
        var columns = new Brought?[header.Length];
        for (var i = 0; i < header.Length; i++)
        {
            var name = header[i].Trim().ToLowerInvariant();
            columns[i] = Find(name);
            if (columns[i] is null && name is not ("label" or "kind" or ""))
                faults.Add(new(1, Sheets.Quoted(header[i]), $"No such column. One of these: {string.Join(", ", ColumnNames)}."));
        }
        if (!header.Any(h => h.Trim().ToLowerInvariant() is "label" or "kind"))
            faults.Add(new(1, "label", "One column is called label (what stands on the piece) or kind (rod, line or reel)."));
        return columns;
    }

    // The piece with the values of its row.
    private static Gear Filled(Gear piece, CsvReader csv, Brought?[] columns, bool metric, List<CsvFault> faults)
    {
        for (var i = 0; i < columns.Length; i++)
            if (columns[i] is { Column: var column } brought && csv.GetField(i) is { Length: > 0 } cell)
            {
                var (with, problem) = column.Read(piece, brought.Cell(Sheets.Plain(cell)), metric);
                if (with is null)
                    faults.Add(new(csv.Parser.RawRow, column.Name, $"“{Sheets.Quoted(cell)}”: {problem}"));
                piece = with ?? piece;
            }
        return piece;
    }

    private static Gear? Begin(string label, string kind, int row, List<CsvFault> faults)
    {
        Gear? piece = kind switch
        {
            "rod" => Rod.Blank,
            "line" => FlyLine.Blank,
            "reel" => Reel.Blank,
            _ => null,
        };
        if (kind.Length > 0 && piece is null)
        {
            faults.Add(new(row, "kind", $"“{Sheets.Quoted(kind)}” is no rod, line or reel."));
            return null;
        }
        if (label.Length > 0)
        {
            var read = GearLabel.Read(label)?.Piece;
            if (read is null || (piece is not null && read.GetType() != piece.GetType()))
            {
                var why = read is null ? $": {GearLabel.Example}" : $" is no {kind}’s label.";
                faults.Add(new(row, "label", $"“{Sheets.Quoted(label)}”{why}"));
                return null;
            }
            return read;
        }
        if (piece is null)
            faults.Add(new(row, "label", $"Nothing says what this is. {GearLabel.Example}"));
        return piece;
    }
}
