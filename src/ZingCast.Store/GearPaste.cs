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
/// "7/8") or by its kind. Measures are read as everywhere, in any unit: that of the cell, or that of the heading ("length m").
/// </summary>
public static class GearPaste
{
    /// <summary>Longest text that is looked at, characters.</summary>
    public const int Longest = 300_000;

    /// <summary>Most rows that are kept together.</summary>
    public const int MostRows = 2000;

    private sealed record Column(
        string Name,
        string Field,
        Func<Gear, string, bool, (Gear? Piece, string? Problem)> Read,
        Func<Gear, string?> Write,
        string[] Also,
        Kind? Kind = null
    )
    {
        /// <summary>The unit its numbers are written in; empty where they have none.</summary>
        public string Unit => Kind is { } kind ? Metric(kind).Unit : "";

        /// <summary>What stands over it in a sheet: a spreadsheet sorts and sums numbers only where the unit is not among them.</summary>
        public string Heading => Unit.Length == 0 ? Name : $"{Name} {Unit}";
    }

    /// <summary>A column of a sheet that was brought, and the unit its heading names for plain numbers.</summary>
    private sealed record Brought(Column Column, string? Unit)
    {
        public string Cell(string cell) =>
            Unit is null || !double.TryParse(cell.Replace(',', '.'), NumberStyles.Float, CultureInfo.InvariantCulture, out _)
                ? cell
                : $"{cell} {Unit}";
    }

    // "length m", "length (m)", "length, m": the name, then a unit that such a measure has.
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
            Named(name[..end].TrimEnd(' ', ',', '(')) is { Kind: { } kind } column
            && Reader.Read(kind, $"1 {unit}", metric: true).Value is not null
            ? new(column, unit)
            : null;
    }

    private static Column? Named(string name) => Columns.FirstOrDefault(c => c.Name == name || c.Also.Contains(name));

    private static Column Any(string name, string field, Func<Gear, string, Gear> set, Func<Gear, string?> get, params string[] also) =>
        new(name, field, (piece, cell, _) => (set(piece, cell), null), get, also);

    // Written so that it is read again as it was.
    private static string? Said(double? si, double scale) =>
        si is { } value ? Math.Round(value * scale, 9).ToString("R", CultureInfo.InvariantCulture) : null;

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

    private static Column Measure(
        string name,
        string field,
        Kind kind,
        Func<Gear, double, Gear?> set,
        Func<Gear, double?> get,
        params string[] also
    ) =>
        new(
            name,
            field,
            (piece, cell, metric) =>
                Reader.Read(kind, cell, metric) is { Value: { } si }
                    ? set(piece, si) is { } with
                        ? (with, null)
                        : (null, $"{OneOf(piece)} has none. Leave this empty.")
                    : (null, Reader.Read(kind, cell, metric).Problem),
            piece => Said(get(piece), Metric(kind).Scale),
            also,
            kind
        );

    private static Column Choice(
        string name,
        string field,
        string words,
        Func<Gear, string, Gear?> set,
        Func<Gear, string?> get,
        params string[] also
    ) => new(name, field, (piece, cell, _) => set(piece, cell.ToLowerInvariant()) is { } with ? (with, null) : (null, words), get, also);

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
        Any("tag", "tag", (p, c) => p with { Tag = c }, p => p.Tag),
        Any("name", "name", (p, c) => p with { Name = c }, p => p.Name),
        Any("note", "note", (p, c) => p with { Note = c }, p => p.Note, "notes"),
        Any("owner", "owner", (p, c) => p with { Owner = c }, p => p.Owner),
        Choice(
            "condition",
            "condition",
            Names<Condition>(ConditionWords.Of),
            (p, c) => Named<Condition>(c, ConditionWords.Of) is { } condition ? p with { Condition = condition } : null,
            p => ConditionWords.Of(p.Condition)
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
                    : null,
            p => Said(p.Price, 1)
        ),
        Choice("bought", "boughtOn", NoDay, (p, c) => Day(c) is { } day ? p with { BoughtOn = day } : null, p => Said(p.BoughtOn)),
        Choice("serviced", "servicedOn", NoDay, (p, c) => Day(c) is { } day ? p with { ServicedOn = day } : null, p => Said(p.ServicedOn)),
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
            p => (p as Rod)?.PrintedClass ?? (p as FlyLine)?.PrintedClass ?? (p as Reel)?.LabelLow,
            "weight class",
            "#"
        ),
        Measure(
            "class to",
            "labelHigh",
            Kind.LineClass,
            (p, v) => p is Reel reel ? reel with { LabelHigh = v } : null,
            p => (p as Reel)?.LabelHigh
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
                },
            p => (p as Rod)?.LengthM ?? (p as FlyLine)?.LengthM
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
            p => (p as Rod)?.MassKg ?? (p as Reel)?.MassKg,
            "weight"
        ),
        Measure(
            "measured",
            "measuredClass",
            Kind.LineClass,
            (p, v) => p is Rod rod ? rod with { MeasuredClass = v } : null,
            p => (p as Rod)?.MeasuredClass,
            "measured class"
        ),
        Measure(
            "measured to within",
            "measuredPlusMinus",
            Kind.LineClass,
            (p, v) => p is Rod rod ? rod with { MeasuredPlusMinus = v } : null,
            p => (p as Rod)?.MeasuredPlusMinus
        ),
        Measure(
            "tip angle",
            "tipAngleDeg",
            Kind.Angle,
            (p, v) => p is Rod rod ? rod with { TipAngleDeg = v } : null,
            p => (p as Rod)?.TipAngleDeg
        ),
        Choice(
            "pieces",
            "pieces",
            "A rod has 1 to 9 pieces.",
            (p, c) =>
                p is Rod rod && int.TryParse(c, NumberStyles.None, CultureInfo.InvariantCulture, out var n)
                    ? rod with
                    {
                        Pieces = n,
                    }
                    : null,
            p => (p as Rod)?.Pieces.ToString(CultureInfo.InvariantCulture)
        ),
        Choice(
            "action",
            "printedAction",
            Names<RodAction>(Actions.Word),
            (p, c) => p is Rod rod && Named<RodAction>(c, Actions.Word) is { } action ? rod with { PrintedAction = action } : null,
            p => p is Rod { PrintedAction: { } action } ? Actions.Word(action) : null
        ),
        Choice(
            "build",
            "build",
            Names<Build>(BuildWords.Of),
            (p, c) => p is FlyLine line && Named<Build>(c, BuildWords.Of) is { } build ? line with { Build = build } : null,
            p => p is FlyLine line ? BuildWords.Of(line.Build) : null
        ),
        Measure(
            "head",
            "headM",
            Kind.Length,
            (p, v) => p is FlyLine line ? line with { HeadM = v } : null,
            p => (p as FlyLine)?.HeadM,
            "head length"
        ),
        Measure(
            "weighs",
            "headKg",
            Kind.LineMass,
            (p, v) => p is FlyLine line ? line with { HeadKg = v } : null,
            p => (p as FlyLine)?.HeadKg,
            "grains",
            "head mass"
        ),
        Measure(
            "front taper",
            "frontTaperM",
            Kind.Length,
            (p, v) => p is FlyLine line ? line with { FrontTaperM = v } : null,
            p => (p as FlyLine)?.FrontTaperM
        ),
        Measure(
            "rear taper",
            "rearTaperM",
            Kind.Length,
            (p, v) => p is FlyLine line ? line with { RearTaperM = v } : null,
            p => (p as FlyLine)?.RearTaperM
        ),
        Measure(
            "tip thick",
            "tipDiameterM",
            Kind.Diameter,
            (p, v) => p is FlyLine line ? line with { TipDiameterM = v } : null,
            p => (p as FlyLine)?.TipDiameterM
        ),
        Measure(
            "belly thick",
            "bellyDiameterM",
            Kind.Diameter,
            (p, v) => p is FlyLine line ? line with { BellyDiameterM = v } : null,
            p => (p as FlyLine)?.BellyDiameterM
        ),
        Measure(
            "running thick",
            "runningDiameterM",
            Kind.Diameter,
            (p, v) => p is FlyLine line ? line with { RunningDiameterM = v } : null,
            p => (p as FlyLine)?.RunningDiameterM
        ),
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
                    : null,
            p => p is FlyLine line ? Densities.Of(line.Density).Name : null
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
                    : null,
            p => p is FlyLine line ? Coatings.Of(line.Coating).Name : null
        ),
        Choice(
            "salt",
            "saltRated",
            "Write yes or no.",
            (p, c) =>
                c is not ("yes" or "y" or "x" or "no" or "n") ? null
                : p is FlyLine line ? line with { SaltRated = c[0] != 'n' }
                : p is Reel reel ? reel with { SaltProof = c[0] != 'n' }
                : null,
            p => p is FlyLine { SaltRated: true } or Reel { SaltProof: true } ? "yes" : null
        ),
        Measure("arbor", "arborM", Kind.SpoolSize, (p, v) => p is Reel reel ? reel with { ArborM = v } : null, p => (p as Reel)?.ArborM),
        Measure("rim", "rimM", Kind.SpoolSize, (p, v) => p is Reel reel ? reel with { RimM = v } : null, p => (p as Reel)?.RimM),
        Measure("width", "widthM", Kind.SpoolSize, (p, v) => p is Reel reel ? reel with { WidthM = v } : null, p => (p as Reel)?.WidthM),
        Measure("drag", "dragN", Kind.Force, (p, v) => p is Reel reel ? reel with { DragN = v } : null, p => (p as Reel)?.DragN),
        Measure(
            "holds",
            "statedBackingM",
            Kind.Spooled,
            (p, v) => p is Reel reel ? reel with { StatedBackingM = v } : null,
            p => (p as Reel)?.StatedBackingM
        ),
        Choice(
            "of backing",
            "statedBacking",
            Words(Backings.Rows.Select(b => b.Name)),
            (p, c) =>
                p is Reel reel && Backings.Rows.FirstOrDefault(b => b.Name.Equals(c, StringComparison.OrdinalIgnoreCase)) is { } backing
                    ? reel with
                    {
                        StatedBacking = backing.Id,
                    }
                    : null,
            p => p is Reel { StatedBacking: { } id } ? Backings.Find(id)?.Name : null
        ),
        Any("behind line", "statedLine", (p, c) => p is Reel reel ? reel with { StatedLine = c } : p, p => (p as Reel)?.StatedLine),
    ];

    private static string? Said(DateOnly? day) => day?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    /// <summary>
    /// Pieces of one kind as a sheet that <see cref="Read"/> takes: every column that such a piece has. What was measured along a
    /// line, bend tests and inspections are not in it; they are in the file of the whole house.
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
        var columns = new Brought?[header.Length];
        for (var i = 0; i < header.Length; i++)
        {
            var name = header[i].Trim().ToLowerInvariant();
            columns[i] = Find(name);
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
                if (columns[i] is { Column: var column } brought && csv.GetField(i) is { Length: > 0 } cell)
                {
                    var (with, problem) = column.Read(piece, brought.Cell(Sheets.Plain(cell)), metric);
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
