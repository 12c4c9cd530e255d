using System.Globalization;
using System.Text.RegularExpressions;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>
/// The code on the box of a line: taper, class and density, such as WF6F, DT5F, WF8I or WF7S3. The letters are the trade's own, common
/// practice.
/// </summary>
/// <param name="Build">Build.</param>
/// <param name="Class">Class, 0 to 15.</param>
/// <param name="Density">Density id, see <see cref="Densities"/>; floating where the code ends with the class.</param>
public sealed partial record BoxCode(Build Build, double Class, string Density)
{
    /// <summary>A sinker of unknown speed is taken as the middle of the trade types.</summary>
    private const string SomeSinker = "type3";

    /// <summary>Reads a code in any case, with or without spaces and hyphens; null when it is not one. Never throws.</summary>
    public static BoxCode? Read(string? text)
    {
        if (text is null or { Length: > 24 } || Code().Match(PlainText.WithPlainDigits(text).Trim()) is not { Success: true } code)
            return null;
        var number = double.Parse(code.Groups["class"].Value.Replace(',', '.'), CultureInfo.InvariantCulture);
        if (number > LineWeights.Classes.High)
            return null;
        var build = code.Groups["taper"].Value.ToUpperInvariant() switch
        {
            "DT" => Build.DoubleTaper,
            "ST" or "SH" => Build.ShootingHead,
            _ => Build.WeightForward,
        };
        var density = code.Groups["density"].Value.ToUpperInvariant() switch
        {
            "" or "F" => "floating",
            "H" => "hover",
            "I" => "intermediate",
            "S" => SomeSinker,
            // The slowest sinkers are sold under both names.
            "S1" or "S-1" => "intermediate",
            var sinker => $"type{sinker[^1]}",
        };
        return Densities.Rank(density) < 0 ? null : new(build, number, density);
    }

    /// <summary>The code as it is printed.</summary>
    public override string ToString()
    {
        var letters = Build switch
        {
            Build.DoubleTaper => "DT",
            Build.ShootingHead => "ST",
            _ => "WF",
        };
        var density = Density switch
        {
            "floating" => "F",
            "hover" => "H",
            "intermediate" => "I",
            _ => $"S{Density[^1]}",
        };
        return string.Create(CultureInfo.InvariantCulture, $"{letters}{Class}{density}");
    }

    [GeneratedRegex(
        @"^(?<taper>wf|dt|st|sh)[\s-]*#?(?<class>[0-9]{1,2}(?:[.,]5)?)[\s-]*(?:(?<density>f|h|i|s|s-?[1-8]|t(?:ype)?\s?[1-8]))?$",
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex Code();
}
