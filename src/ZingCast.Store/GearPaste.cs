using System.Globalization;
using CsvHelper;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Store;

/// <summary>What rows of a spreadsheet come to: pieces to keep, or every fault by its row and column.</summary>
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
/// Gear pasted from a spreadsheet. The first row names the columns, in any order; every row is a piece, by its label ("9ft 6", "WF6F",
/// "7/8") or by its kind. Measures are read as everywhere, in any unit.
/// </summary>
public static class GearPaste
{
    /// <summary>Longest text that is looked at, characters.</summary>
    public const int Longest = 300_000;

    /// <summary>Most rows that are kept together.</summary>
    public const int MostRows = 2000;

    private sealed record Column(string Name, string Field, Func<Gear, string, bool, (Gear? Piece, string? Problem)> Read, string[] Also);

    private static Column Any(string name, string field, Func<Gear, string, Gear> set, params string[] also) =>
        new(name, field, (piece, cell, _) => (set(piece, cell), null), also);

    private static Column Measure(string name, string field, Kind kind, Func<Gear, double, Gear?> set, params string[] also) =>
        new(
            name,
            field,
            (piece, cell, metric) =>
                Reader.Read(kind, cell, metric) is { Value: { } si }
                    ? set(piece, si) is { } with
                        ? (with, null)
                        : (null, $"{OneOf(piece)} has none. Leave this empty.")
                    : (null, Reader.Read(kind, cell, metric).Problem),
            also
        );

    private static Column Choice(string name, string field, string words, Func<Gear, string, Gear?> set, params string[] also) =>
        new(name, field, (piece, cell, _) => set(piece, cell.ToLowerInvariant()) is { } with ? (with, null) : (null, words), also);

    private static string OneOf(Gear piece) =>
        piece switch
        {
            Rod => "A rod",
            FlyLine => "A line",
            _ => "A reel",
        };

    private static DateOnly? Day(string cell) =>
        DateOnly.TryParseExact(cell, ["yyyy-MM-dd", "d.M.yyyy", "d/M/yyyy"], CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
            ? day
            : null;

    private const string NoDay = "Write a day as 2026-05-30.";

    private static string Words(IEnumerable<string> words) => $"One of these: {string.Join(", ", words)}.";

    private static string Names<T>(Func<T, string> word)
        where T : struct, Enum => Words(Enum.GetValues<T>().Select(word));

    private static T? Named<T>(string cell, Func<T, string> word)
        where T : struct, Enum =>
        Enum.GetValues<T>().Cast<T?>().FirstOrDefault(v => word(v!.Value).Equals(cell, StringComparison.OrdinalIgnoreCase));

    private static readonly Column[] Columns =
    [
        Any("tag", "tag", (p, c) => p with { Tag = c }),
        Any("name", "name", (p, c) => p with { Name = c }),
        Any("note", "note", (p, c) => p with { Note = c }, "notes"),
        Any("owner", "owner", (p, c) => p with { Owner = c }),
        Choice(
            "condition",
            "condition",
            Names<Condition>(ConditionWords.Of),
            (p, c) => Named<Condition>(c, ConditionWords.Of) is { } condition ? p with { Condition = condition } : null
        ),
        Choice(
            "price",
            "price",
            "A price is a number, such as 120 or 79.50.",
            (p, c) =>
                double.TryParse(c, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var price)
                    ? p with
                    {
                        Price = price,
                    }
                    : null
        ),
        Choice("bought", "boughtOn", NoDay, (p, c) => Day(c) is { } day ? p with { BoughtOn = day } : null),
        Choice("serviced", "servicedOn", NoDay, (p, c) => Day(c) is { } day ? p with { ServicedOn = day } : null),
        Measure(
            "class",
            "printedClass",
            Kind.LineClass,
            (p, v) =>
                p switch
                {
                    Rod rod => rod with { PrintedClass = v },
                    FlyLine line => line with { PrintedClass = v },
                    Reel reel => reel with { LabelLow = v, LabelHigh = reel.LabelHigh > v ? reel.LabelHigh : v },
                    _ => null,
                },
            "weight class",
            "#"
        ),
        Measure(
            "length",
            "lengthM",
            Kind.RodLength,
            (p, v) =>
                p switch
                {
                    Rod rod => rod with { LengthM = v },
                    FlyLine line => line with { LengthM = v },
                    _ => null,
                }
        ),
        Measure(
            "mass",
            "massKg",
            Kind.GearMass,
            (p, v) =>
                p switch
                {
                    Rod rod => rod with { MassKg = v },
                    Reel reel => reel with { MassKg = v },
                    _ => null,
                },
            "weight"
        ),
        Measure(
            "measured",
            "measuredClass",
            Kind.LineClass,
            (p, v) => p is Rod rod ? rod with { MeasuredClass = v } : null,
            "measured class"
        ),
        Choice(
            "pieces",
            "pieces",
            "A rod has 1 to 9 pieces.",
            (p, c) =>
                p is Rod rod && int.TryParse(c, NumberStyles.None, CultureInfo.InvariantCulture, out var n) ? rod with { Pieces = n } : null
        ),
        Choice(
            "action",
            "printedAction",
            Names<RodAction>(Actions.Word),
            (p, c) => p is Rod rod && Named<RodAction>(c, Actions.Word) is { } action ? rod with { PrintedAction = action } : null
        ),
        Measure("head", "headM", Kind.Length, (p, v) => p is FlyLine line ? line with { HeadM = v } : null, "head length"),
        Measure("weighs", "headKg", Kind.LineMass, (p, v) => p is FlyLine line ? line with { HeadKg = v } : null, "grains", "head mass"),
        Choice(
            "density",
            "density",
            Words(Densities.Rows.Select(d => d.Name)),
            (p, c) =>
                p is FlyLine line
                && Densities.Rows.FirstOrDefault(d => d.Name.Equals(c, StringComparison.OrdinalIgnoreCase) || d.Id == c) is { } density
                    ? line with
                    {
                        Density = density.Id,
                    }
                    : null
        ),
        Choice(
            "coating",
            "coating",
            Words(Coatings.Rows.Select(d => d.Name)),
            (p, c) =>
                p is FlyLine line
                && Coatings.Rows.FirstOrDefault(d => d.Name.Equals(c, StringComparison.OrdinalIgnoreCase) || d.Id == c) is { } coating
                    ? line with
                    {
                        Coating = coating.Id,
                    }
                    : null
        ),
        Choice(
            "salt",
            "saltRated",
            "Write yes or no.",
            (p, c) =>
                c is not ("yes" or "y" or "x" or "no" or "n") ? null
                : p is FlyLine line ? line with { SaltRated = c[0] != 'n' }
                : p is Reel reel ? reel with { SaltProof = c[0] != 'n' }
                : null
        ),
        Measure("arbor", "arborM", Kind.SpoolSize, (p, v) => p is Reel reel ? reel with { ArborM = v } : null),
        Measure("rim", "rimM", Kind.SpoolSize, (p, v) => p is Reel reel ? reel with { RimM = v } : null),
        Measure("width", "widthM", Kind.SpoolSize, (p, v) => p is Reel reel ? reel with { WidthM = v } : null),
    ];

    /// <summary>The names of the columns, for whoever makes such a sheet.</summary>
    public static readonly IReadOnlyList<string> ColumnNames = ["label", "kind", .. Columns.Select(c => c.Name)];

    /// <summary>Reads rows against what is in the shed already; tags that nobody gave are the next free ones. Keeps nothing.</summary>
    public static PastedGear Read(string text, GearShed shed, bool metric, DateOnly today)
    {
        static PastedGear Wrong(params CsvFault[] faults) => new([], [], [], faults);
        using var csv = new CsvReader(new StringReader(text.TrimStart('\uFEFF').TrimEnd()), Sheets.AsTheyCome);
        if (!csv.Read() || !csv.ReadHeader() || csv.HeaderRecord is not { } header)
            return Wrong(new CsvFault(1, "label", "Nothing is here. The first row names the columns."));
        List<CsvFault> faults = [];
        var columns = new Column?[header.Length];
        for (var i = 0; i < header.Length; i++)
        {
            var name = header[i].Trim().ToLowerInvariant();
            columns[i] = Columns.FirstOrDefault(c => c.Name == name || c.Also.Contains(name));
            if (columns[i] is null && name is not ("label" or "kind" or ""))
                faults.Add(new(1, Sheets.Quoted(header[i]), $"No such column. {Words(ColumnNames)}"));
        }
        if (!header.Any(h => h.Trim().ToLowerInvariant() is "label" or "kind"))
            faults.Add(new(1, "label", "One column is called label (what stands on the piece) or kind (rod, line or reel)."));
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
            for (var i = 0; i < header.Length; i++)
                if (columns[i] is { } column && csv.GetField(i) is { Length: > 0 } cell)
                {
                    var (with, problem) = column.Read(piece, cell, metric);
                    if (with is null)
                        faults.Add(new(row, column.Name, $"“{Sheets.Quoted(cell)}”: {problem}"));
                    piece = with ?? piece;
                }
            piece = piece.Christened(Gear.NextTag(GearShed.LetterOf(piece), taken));
            if (!taken.Add(piece.Tag))
                faults.Add(new(row, "tag", $"Another piece already carries the tag {Sheets.Quoted(piece.Tag)}."));
            foreach (var wrong in piece.Check(today))
                faults.Add(new(row, Columns.FirstOrDefault(c => c.Field == wrong.Field)?.Name ?? wrong.Field, wrong.Problem));
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
