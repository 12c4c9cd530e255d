using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using System.Text.RegularExpressions;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>Result of reading a typed measure: a value in SI, or words that say what to type instead.</summary>
/// <param name="Value">SI value, null when it could not be read.</param>
/// <param name="Problem">What is wrong and what would do, null when it was read.</param>
/// <param name="Said">What was typed, with the unit that a bare number was taken in; null when it could not be read.</param>
public sealed record Reading(double? Value, string? Problem, string? Said = null);

/// <summary>Reads what people type: "60ft", "18 kn", "9'6\"", "4X", "240gr", "F5". Understands any unit that fits the kind.</summary>
public static class Reader
{
    /// <summary>Longest text that is read, characters; no measure needs half as many.</summary>
    public const int Longest = 64;

    private sealed record UnitWord(Kind[] Kinds, double ToSi, string[] Words);

    private static readonly Kind[] Lengths =
    [
        Kind.Length,
        Kind.Distance,
        Kind.Carry,
        Kind.RodLength,
        Kind.Spooled,
        Kind.LeftOnSpool,
        Kind.Depth,
        Kind.ShortLength,
        Kind.SpoolSize,
        Kind.Diameter,
        Kind.Tippet,
    ];
    private static readonly Kind[] Masses = [Kind.LineMass, Kind.GearMass, Kind.FishMass, Kind.BenchMass];
    private static readonly Kind[] Speeds = [Kind.WindSpeed, Kind.WaterSpeed, Kind.SinkRate, Kind.LineSpeed];

    private static readonly UnitWord[] Units =
    [
        new(Lengths, 1, ["m", "metre", "metres", "meter", "meters"]),
        new(Lengths, .01, ["cm"]),
        new(Lengths, .001, ["mm"]),
        new(Lengths, Exact.FootM, ["ft", "foot", "feet", "'"]),
        new(Lengths, Exact.InchM, ["in", "inch", "inches", "\""]),
        new(Lengths, Exact.YardM, ["yd", "yds", "yard", "yards"]),
        new([Kind.Diameter, Kind.Tippet], Exact.InchM / 1000, ["thou", "mil"]),
        new(Masses, 1, ["kg", "kilo", "kilos"]),
        new(Masses, .001, ["g", "gram", "grams"]),
        new(Masses, Exact.GrainKg, ["gr", "grn", "grain", "grains"]),
        new(Masses, Exact.OunceKg, ["oz", "ounce", "ounces"]),
        new(Masses, Exact.PoundKg, ["lb", "lbs", "pound", "pounds"]),
        new(Speeds, 1, ["m/s", "mps", "ms"]),
        new(Speeds, Exact.KnotMps, ["kn", "kt", "kts", "knot", "knots"]),
        new(Speeds, Exact.MphMps, ["mph"]),
        new(Speeds, Exact.KphMps, ["km/h", "kmh", "kph"]),
        new(Speeds, Exact.InchM, ["in/s", "ips"]),
        new(Speeds, Exact.FootM, ["ft/s", "fps"]),
        new(Speeds, .01, ["cm/s"]),
        new([Kind.Force], 1, ["n"]),
        new([Kind.Force], Exact.PoundForceN, ["lb", "lbs", "lbf"]),
        new([Kind.Force], Exact.GravityMps2, ["kg", "kgf"]),
        new([Kind.Force], Exact.GravityMps2 * Exact.OunceKg, ["oz", "ounce", "ounces"]),
        new([Kind.Force], Exact.GravityMps2 / 1000, ["g", "gram", "grams"]),
        new([Kind.Angle], 1, ["°", "deg", "degrees"]),
        new([Kind.Temperature], 1, ["c", "°c"]),
        new([Kind.LineClass], 1, ["#", "wt", "weight"]),
        new([Kind.Ratio], .01, ["%"]),
        new([Kind.Area], 1e-4, ["cm2", "cm²"]),
        new([Kind.Energy], 1, ["j"]),
        new([Kind.Moment], 1, ["n·m", "nm"]),
        new([Kind.Pull], Exact.GravityMps2 * Exact.OunceKg, ["oz"]),
        new([Kind.Pull], Exact.GravityMps2 / 1000, ["g"]),
        new([Kind.Time], 1, ["s", "sec", "seconds"]),
        new([Kind.Time], 60, ["min", "minutes"]),
    ];

    /// <summary>Reads a measure; a bare number is taken in the usual trade or metric unit. Never throws on bad text.</summary>
    public static Reading Read(Kind kind, string? text, bool metric) => Read(kind, text, Customary.For(kind, metric));

    /// <summary>Reads a measure; a bare number is taken in the form in which the reader sees this kind. Never throws on bad text.</summary>
    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static Reading Read(Kind kind, string? text, Form form)
    {
        if (text?.Length > Longest)
            return Bad($"That is too long for a measure. Type {Example(kind, form)}.");
        var asTyped = PlainText.Clean(text ?? "");
        var typed = Plain(asTyped);
        if (typed.Length == 0)
            return Bad($"Type {Example(kind, form)}.");
        Reading Good(double value, string unit = "") =>
            double.IsFinite(value) ? new(value, null, asTyped + unit) : Bad("That number is too large.");

        if ((InWords(kind, typed) ?? InTradeForm(kind, typed)) is { } meant)
            return Good(meant);
        if (kind == Kind.WindSpeed && Force.Match(typed) is { Success: true } force)
            return OfForce(force.Groups[1].Success ? force.Groups[1].Value : force.Groups[2].Value);

        var match = NumberAndUnit.Match(typed);
        if (!match.Success)
            return Bad($"“{asTyped}” is not a measure. Type {Example(kind, form)}.");
        var number = Number(match.Groups[1].Value);
        var unit = match.Groups[2].Value;
        if (unit.Length == 0 && form.Shape == Shape.Beaufort)
            return OfForce(match.Groups[1].Value) with { Said = $"F{asTyped}" };
        if (unit.Length == 0 && kind == Kind.LineClass)
            return Good(number);
        if (unit.Length == 0)
            return Good(number * form.Scale + form.Offset, form.Unit.StartsWith('°') ? form.Unit : $" {form.Unit}".TrimEnd());
        if (FindUnit(kind, unit) is { } found)
            return Good(number * found.ToSi);
        return Bad(
            Units.Any(u => u.Words.Contains(unit))
                ? $"“{unit}” does not measure this. Type {Example(kind, form)}."
                : $"“{unit}” is not a unit known here. Type {Example(kind, form)}."
        );

        Reading OfForce(string digits) =>
            double.TryParse(digits, NumberStyles.Float, CultureInfo.InvariantCulture, out var f) && f is >= 0 and <= 12
                ? Good(Beaufort.Rows[(int)Math.Round(f)].MiddleMps)
                : Bad("Beaufort runs from force 0 to 12.");
    }

    // As typed, with plain digits, quotes and decimal points, and a fraction worked out.
    private static string Plain(string asTyped)
    {
        var typed = PlainText
            .WithPlainDigits(asTyped)
            .ToLowerInvariant()
            .Replace('’', '\'')
            .Replace('′', '\'')
            .Replace('”', '"')
            .Replace('″', '"')
            .Replace("''", "\"");
        // A comma is a decimal mark: nobody types grouped thousands for tackle.
        typed = typed.Replace(',', '.').Replace('−', '-').Replace("½", ".5").Replace("¼", ".25").Replace("¾", ".75");
        return Fraction.Match(typed) is { Success: true } part && Number(part.Groups[3].Value) > 0
            ? FormattableString.Invariant(
                $"{Number(part.Groups[1].Value) + Number(part.Groups[2].Value) / Number(part.Groups[3].Value)}{part.Groups[4].Value}"
            )
            : typed;
    }

    // Trade forms that no unit follows: 4X, 16 lb of tippet, 60 °F, 9'6"; null for everything else.
    private static double? InTradeForm(Kind kind, string typed) =>
        kind is Kind.Diameter or Kind.Tippet && XNumber.Match(typed) is { Success: true } x ? Tippets.DiameterOfX(Number(x.Groups[1].Value))
        : kind is Kind.Diameter or Kind.Tippet && Pounds.Match(typed) is { Success: true } pounds
            ? Tippets.DiameterOfStrength(Number(pounds.Groups[1].Value) * Exact.PoundForceN)
        : kind == Kind.Temperature && Fahrenheit.Match(typed) is { Success: true } hot ? (Number(hot.Groups[1].Value) - 32) / 1.8
        : Lengths.Contains(kind) && FeetAndInches.Match(typed) is { Success: true } feet
            ? Number(feet.Groups[1].Value) * Exact.FootM + Number(feet.Groups[2].Value) * Exact.InchM
        : null;

    // Words used instead of a number; null for everything else.
    private static double? InWords(Kind kind, string typed) =>
        kind switch
        {
            Kind.WindSpeed when typed is "none" or "no wind" or "still" => 0,
            Kind.WindSpeed when Beaufort.Rows.FirstOrDefault(r => r.Name == typed) is { } named => named.Force == 0 ? 0 : named.MiddleMps,
            Kind.WaterSpeed when typed is "still" or "none" or "slack" => 0,
            Kind.Depth when typed is "surface" or "on top" or "top" => 0,
            Kind.LineClass => BoxCode.Read(typed)?.Class,
            _ => null,
        };

    /// <summary>Reads a hook size: "2/0", "#12", "size 12", "12". Null when it is none.</summary>
    public static HookSize? ReadHook(string? text)
    {
        if (
            text is null or { Length: > Longest }
            || HookText.Match(PlainText.WithPlainDigits(text).Trim().ToLowerInvariant()) is not { Success: true } match
        )
            return null;
        var n = int.Parse(match.Groups[1].Value, CultureInfo.InvariantCulture);
        if (match.Groups[2].Success)
            return n is >= 1 and <= 1 - HookSize.Largest ? new(1 - n) : null;
        return n is >= 1 and <= HookSize.Smallest ? new(n) : null;
    }

    private static UnitWord? FindUnit(Kind kind, string word) => Array.Find(Units, u => u.Kinds.Contains(kind) && u.Words.Contains(word));

    private static double Number(string text) => double.Parse(text, NumberStyles.Float, CultureInfo.InvariantCulture);

    private static Reading Bad(string problem) => new(null, problem);

    private static string Example(Kind kind, Form form)
    {
        var metric = form == Customary.For(kind).Metric;
        return kind switch
        {
            Kind.Length or Kind.Distance => metric ? "a length such as 17 m or 55 ft" : "a length such as 55 ft or 17 m",
            Kind.RodLength => metric ? "a length such as 2.75 m or 9'6\"" : "a length such as 9 ft, 9'6\" or 2.75 m",
            Kind.LeftOnSpool => metric ? "a length such as 25 m or 27 yd" : "a length such as 27 yd or 25 m",
            Kind.Spooled => metric ? "a length such as 150 m or 165 yd" : "a length such as 150 yd or 140 m",
            Kind.Depth => metric ? "a depth such as 1.5 m or 5 ft" : "a depth such as 5 ft or 1.5 m",
            Kind.ShortLength => "a length such as 15 cm or 6 in",
            Kind.SpoolSize => "a measure such as 26 mm or 3.75 in",
            Kind.Tippet or Kind.Diameter => "a thickness such as 4X, 0.20 mm or 16 lb",
            Kind.LineMass => "a mass such as 240 gr or 15.5 g",
            Kind.GearMass => "a mass such as 95 g or 3.4 oz",
            Kind.FishMass => "a mass such as 2 kg or 4 lb",
            Kind.BenchMass => "a mass such as 140 g or 5 oz",
            Kind.Time => "a time such as 2.3 s",
            Kind.Pull or Kind.Force => "a pull such as 2 lb or 1 kg",
            Kind.WindSpeed => "a wind such as 18 kn, 12 mph, F5 or calm",
            Kind.WaterSpeed => "a speed such as 0.5 m/s or 2 ft/s",
            Kind.Temperature => metric ? "a temperature such as 14 °C or 57 °F" : "a temperature such as 57 °F or 14 °C",
            Kind.LineClass => "a line class such as 6, 7.5 or WF6F",
            Kind.Angle => "an angle such as 45°",
            _ => "a number",
        };
    }

    private const string Num = @"([-+]?(?:[0-9]+\.?[0-9]*|\.[0-9]+)(?:e[-+]?[0-9]+)?)";

    // Without backtracking: time grows with the text and not with its square.
    private static Regex Pattern(string pattern) => new(pattern, RegexOptions.NonBacktracking | RegexOptions.CultureInvariant);

    private static readonly Regex XNumber = Pattern("^" + Num + @"\s*x$"),
        Pounds = Pattern("^" + Num + @"\s*(?:lb|lbs|pounds?)$"),
        Force = Pattern(@"^(?:(?:f|force|bft|beaufort)\s*([0-9]{1,2})|([0-9]{1,2})\s*(?:bft|bf|beaufort))$"),
        Fahrenheit = Pattern("^" + Num + @"\s*°?\s*f$"),
        FeetAndInches = Pattern("^" + Num + @"\s*(?:'|ft|feet|foot)\s*" + Num + @"\s*(?:""|in|inch|inches)?$"),
        Fraction = Pattern(@"^([0-9]{1,3})\s+([0-9])/([0-9]{1,2})((?:[^0-9].*)?)$"),
        NumberAndUnit = Pattern("^#?" + Num + @"\s*(\S*)$"),
        HookText = Pattern(@"^(?:#|size|no\.?)?\s*([0-9]{1,2})\s*(/\s*0)?$");
}
