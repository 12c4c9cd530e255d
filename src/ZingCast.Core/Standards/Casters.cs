using System.Globalization;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Standards;

/// <summary>A plain class of caster.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Name">Shown name.</param>
/// <param name="About">What it looks like on the bank.</param>
/// <param name="CarryM">Most line held in the air, metres.</param>
/// <param name="OverhangM">Running line handled outside the tip, metres.</param>
/// <param name="CalmFromM">Least usual reach with a small fly in calm air, metres.</param>
/// <param name="CalmToM">Most usual reach with a small fly in calm air, metres.</param>
/// <param name="FreeMps">Line speed with nothing on the rod, m/s: what the arm alone could do.</param>
/// <param name="ArmKg">Line mass that halves the energy given per gram, kilograms; heavier lines get more energy and less speed.</param>
/// <param name="LoopM">Height of the loop, metres.</param>
/// <param name="Haul">Pull with the line hand; it is already in the speed.</param>
/// <param name="ReachTolerance">How far a reach computed from these values may be off, as a share of it, see <see cref="Doubt"/>.</param>
/// <param name="Source">How far to trust these values.</param>
/// <param name="Learning">True for one who wants mass to feel: of two equal answers the heavier, a rod that loads, a short head.</param>
public sealed record Caster(
    string Id,
    string Name,
    string About,
    double CarryM,
    double OverhangM,
    double CalmFromM,
    double CalmToM,
    double FreeMps,
    double ArmKg,
    double LoopM,
    Haul Haul,
    double ReachTolerance,
    Source Source,
    bool Learning = false
)
{
    /// <summary>A length computed for this caster with its uncertainty, metres, in wind, see <see cref="UnsureMps"/>.</summary>
    public Quantity Reach(double metres, double windMps = 0) =>
        Quantity.Distance(metres, metres * Math.Sqrt(ReachTolerance * ReachTolerance + Math.Pow(Doubt.Wide * WindShare * windMps, 2)));

    /// <summary>Uncertainty of a distance per metre a second of wind, as a share, one standard deviation. Common practice.</summary>
    public const double WindShare = .012;

    /// <summary>Wind that matters for the uncertainty of a distance, m/s: along the cast in full, across it by half.</summary>
    public static double UnsureMps(double alongMps, double acrossMps) => Math.Abs(alongMps) + Math.Abs(acrossMps) / 2;

    /// <summary>
    /// Whether these are a person's own values: then the uncertainty is that between casts, otherwise that between people.
    /// </summary>
    public bool Own => Source.Mark == SourceMark.Measured;

    /// <summary>A chance, 0 to 1, in anglers' words.</summary>
    public Sentence Odds(double chance) =>
        (Doubt.OfTen(chance), Own) switch
        {
            (0, true) => $"hardly a cast of 10",
            (0, false) => $"hardly one such caster of 10",
            (1, true) => $"1 cast of 10",
            (1, false) => $"1 such caster of 10",
            (var n, true) => (Sentence)$"{n} casts of 10",
            var (n, _) => (Sentence)$"{n} such casters of 10",
        };

    /// <summary>What goes before the name: "a" or "an".</summary>
    public string Article => PlainText.Article(Name);
}

/// <summary>Pull with the line hand that adds line speed.</summary>
public enum Haul
{
    /// <summary>None.</summary>
    None,

    /// <summary>On one stroke.</summary>
    Single,

    /// <summary>On both strokes.</summary>
    Double,
}

/// <summary>Caster presets. Reaches and carries are common practice.</summary>
public static class Casters
{
    /// <summary>Source mark of the presets.</summary>
    public static readonly Source Source = new(SourceMark.Practice, "Usual reaches of casters; your own log will beat them");

    // How much people of one preset differ in reach, one standard deviation, as shares: about two thirds of such casters are within the
    // usual reach. Common practice.
    private const double LearnersDiffer = .16,
        ClubDiffers = .12,
        OthersDiffer = .10;

    private const double Ft = Exact.FootM;

    /// <summary>Learner to expert.</summary>
    public static readonly IReadOnlyList<Caster> Rows =
    [
        new(
            "learner",
            "learner",
            "no haul, open loops, happiest with a heavy line to feel",
            30 * Ft,
            0,
            38 * Ft,
            52 * Ft,
            19,
            .030,
            1.4,
            Haul.None,
            Doubt.Wide * LearnersDiffer,
            Source,
            Learning: true
        ),
        new(
            "club",
            "club caster",
            "single haul, tidy loops, fishes most weeks",
            40 * Ft,
            1.0,
            62 * Ft,
            78 * Ft,
            27,
            .035,
            1.0,
            Haul.Single,
            Doubt.Wide * ClubDiffers,
            Source
        ),
        new(
            "skilled",
            "skilled caster",
            "double haul, tight loops, shoots line at will",
            52 * Ft,
            1.5,
            82 * Ft,
            100 * Ft,
            34,
            .040,
            .75,
            Haul.Double,
            Doubt.Wide * OthersDiffer,
            Source
        ),
        new(
            "expert",
            "expert caster",
            "fast double haul, carries long heads",
            65 * Ft,
            2.0,
            103 * Ft,
            126 * Ft,
            41,
            .045,
            .6,
            Haul.Double,
            Doubt.Wide * OthersDiffer,
            Source
        ),
    ];

    /// <summary>The caster assumed when none is named.</summary>
    public static Caster Usual => Rows[1];

    // A named person's id is this and a number.
    private const string OwnPrefix = "own-";

    /// <summary>The id of a named person who has this number.</summary>
    public static string OwnId(int number) => $"{OwnPrefix}{number}";

    /// <summary>The number of a named person; null when the id is a preset's, or no caster's.</summary>
    public static int? NumberOf(string? id) =>
        id?.StartsWith(OwnPrefix, StringComparison.Ordinal) == true
        && int.TryParse(id.AsSpan(OwnPrefix.Length), NumberStyles.None, CultureInfo.InvariantCulture, out var number)
            ? number
            : null;

    /// <summary>
    /// Whether an id is a preset's or has the form of a named person's; whether that person exists is for the store to say.
    /// </summary>
    public static bool CouldBe(string? id) => Find(id) is not null || NumberOf(id) is not null;

    /// <summary>The preset with this id, or null.</summary>
    public static Caster? Find(string? id) => Rows.FirstOrDefault(c => c.Id == id);
}
