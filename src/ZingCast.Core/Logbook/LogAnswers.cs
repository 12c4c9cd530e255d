using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Logbook;

/// <summary>How often something was lost for one reason.</summary>
/// <param name="Cause">Why.</param>
/// <param name="Count">How often.</param>
/// <param name="Helps">What helps against it.</param>
public sealed record LossRow(LossCause Cause, int Count, string Helps);

/// <summary>Bands of wind in the log.</summary>
/// <param name="Name">In words.</param>
/// <param name="FromMps">From, m/s.</param>
/// <param name="ToMps">Up to, m/s.</param>
public sealed record WindBand(string Name, double FromMps, double ToMps);

/// <summary>Results of a line in a band of wind.</summary>
/// <param name="Outings">Outings with it there.</param>
/// <param name="Casts">Casts measured there.</param>
/// <param name="MiddleM">The middle of those casts, metres; null with none.</param>
/// <param name="Right">Share of casts and outings that felt right; null when nobody said.</param>
/// <param name="Straight">Share of casts that came down straight; null with none.</param>
public sealed record LineInBand(int Outings, int Casts, double? MiddleM, double? Right, double? Straight);

/// <summary>A line over the bands of wind.</summary>
public sealed record LineInWind(int LineId, string Tag, string Name, IReadOnlyList<LineInBand> Bands);

/// <summary>A rod and line with measured casts.</summary>
public sealed record CastPair(int RodId, int LineId, string Called, int Casts);

/// <summary>A piece and its last outing.</summary>
/// <param name="Kind">rod, line or reel.</param>
/// <param name="Id">Identity.</param>
/// <param name="Tag">Tag.</param>
/// <param name="Name">Name.</param>
/// <param name="LastOn">When it was out last; null for never.</param>
/// <param name="Outings">How often in all.</param>
public sealed record PieceOut(string Kind, int Id, string Tag, string Name, DateOnly? LastOn, int Outings);

/// <summary>Catch and losses at a water.</summary>
/// <param name="Place">As it is written.</param>
/// <param name="Outings">How often.</param>
/// <param name="Hours">Hours noted.</param>
/// <param name="Landed">Fish landed.</param>
/// <param name="FishLost">Fish lost.</param>
/// <param name="FliesLost">Flies and leaders that stayed there.</param>
/// <param name="Dropped">Pieces dropped.</param>
public sealed record WaterRow(string Place, int Outings, double Hours, int Landed, int FishLost, int FliesLost, int Dropped);

/// <summary>A day in the calendar of a season.</summary>
/// <param name="On">The day.</param>
/// <param name="Fishing">Outings on the water.</param>
/// <param name="Practice">Sessions on grass.</param>
/// <param name="Landed">Fish landed.</param>
/// <param name="Lost">Losses.</param>
public sealed record SeasonDay(DateOnly On, int Fishing, int Practice, int Landed, int Lost);

/// <summary>Answers to questions people ask of a log.</summary>
/// <param name="Outings">Outings on the water.</param>
/// <param name="Sessions">Sessions on grass.</param>
/// <param name="Hours">Hours noted.</param>
/// <param name="Landed">Fish landed.</param>
/// <param name="Hooked">Fish landed or lost.</param>
/// <param name="Losses">What was lost to what, most first.</param>
/// <param name="Bands">The winds.</param>
/// <param name="InWind">Lines over the winds, most used first.</param>
/// <param name="Pairs">Rods with lines of which casts were measured, most casts first.</param>
/// <param name="StayHome">Pieces by when they were out last, longest ago first; those never out lead.</param>
/// <param name="Waters">Waters, most taken first.</param>
/// <param name="Years">Years that have something, latest first.</param>
/// <param name="Year">The year that is told day by day.</param>
/// <param name="Days">Its days that have something.</param>
public sealed record LogAnswers(
    int Outings,
    int Sessions,
    double Hours,
    int Landed,
    int Hooked,
    IReadOnlyList<LossRow> Losses,
    IReadOnlyList<WindBand> Bands,
    IReadOnlyList<LineInWind> InWind,
    IReadOnlyList<CastPair> Pairs,
    IReadOnlyList<PieceOut> StayHome,
    IReadOnlyList<WaterRow> Waters,
    IReadOnlyList<int> Years,
    int Year,
    IReadOnlyList<SeasonDay> Days
)
{
    // Bands of Beaufort forces: up to F2, F3 and F4, F5 and above.
    private static readonly IReadOnlyList<WindBand> Winds =
    [
        new("light", 0, Beaufort.Rows[2].ToMps),
        new("breeze", Beaufort.Rows[2].ToMps, Beaufort.Rows[4].ToMps),
        new("strong", Beaufort.Rows[4].ToMps, Beaufort.Rows[^1].ToMps),
    ];

    /// <summary>Advice against each cause of loss. Common practice.</summary>
    public static string HelpsAgainst(LossCause cause) =>
        cause switch
        {
            LossCause.Knot =>
                "Wet and seat every knot slowly, test it before the first cast, retie after a wind knot and after every good fish.",
            LossCause.Abrasion => "Run the last metre through your fingers every half hour; a heavier or harder tippet, or a guard.",
            LossCause.Bitten => "A bite guard: knottable wire, or fluorocarbon thick enough.",
            LossCause.StraightenedHook => "A stronger hook, or less drag: set it from the weakest link.",
            LossCause.Drag =>
                "Set the drag with a scale to a quarter or a third of the weakest knot, and slack it off at home so it stays smooth.",
            LossCause.CameOff => "A sharp point: it should catch on a thumbnail. Set with the line, keep the rod bent.",
            _ => "A lighter line or fly for that depth, or a weed guard.",
        };

    /// <summary>
    /// Answers from outings and the shed; the calendar is for one year, the latest when none is named. Outings in any order.
    /// </summary>
    public static LogAnswers From(IReadOnlyList<Outing> outings, GearShed shed, int? year = null)
    {
        List<int> years = [.. outings.Select(o => o.On.Year).Distinct().OrderDescending()];
        var told = year ?? (years.Count > 0 ? years[0] : 0);
        var water = outings.Where(o => o.Kind == OutingKind.Water).ToList();
        var losses = water.SelectMany(o => o.Losses).GroupBy(l => l.Cause).Select(g => (Cause: g.Key, Count: g.Sum(l => l.Count))).ToList();
        var landed = water.Sum(o => o.Landed);
        return new(
            water.Count,
            outings.Count - water.Count,
            water.Sum(o => o.Hours ?? 0),
            landed,
            landed + losses.Where(l => l.Cause != LossCause.Snag).Sum(l => l.Count),
            [
                .. losses
                    .OrderByDescending(l => l.Count)
                    .ThenBy(l => l.Cause)
                    .Select(l => new LossRow(l.Cause, l.Count, HelpsAgainst(l.Cause))),
            ],
            Winds,
            InTheWind(outings, shed),
            PairsOf(outings, shed),
            [
                .. Home("rod", shed.Rods, outings, o => o.RodId)
                    .Concat(Home("line", shed.Lines, outings, o => o.LineId))
                    .Concat(Home("reel", shed.Reels, outings, o => o.ReelId))
                    .OrderBy(p => p.LastOn ?? DateOnly.MinValue)
                    .ThenBy(p => p.Kind, StringComparer.Ordinal)
                    .ThenBy(p => p.Id),
            ],
            [
                .. water
                    .Where(o => o.Place.Length > 0)
                    .GroupBy(o => o.Place, StringComparer.OrdinalIgnoreCase)
                    .Select(g => new WaterRow(
                        g.First().Place,
                        g.Count(),
                        g.Sum(o => o.Hours ?? 0),
                        g.Sum(o => o.Landed),
                        Lost(g, IsFish),
                        Lost(g, TakesTheFly),
                        g.Sum(o => o.Dropped.Count)
                    ))
                    .OrderByDescending(w => w.FliesLost + w.FishLost)
                    .ThenByDescending(w => w.Outings),
            ],
            years,
            told,
            [
                .. outings
                    .Where(o => o.On.Year == told)
                    .GroupBy(o => o.On)
                    .OrderBy(g => g.Key)
                    .Select(g => new SeasonDay(
                        g.Key,
                        g.Count(o => o.Kind == OutingKind.Water),
                        g.Count(o => o.Kind == OutingKind.Grass),
                        g.Sum(o => o.Landed),
                        g.Sum(o => o.Lost)
                    )),
            ]
        );
    }

    private static bool IsFish(LossCause cause) => cause != LossCause.Snag;

    // Whether the fly is lost as well.
    private static bool TakesTheFly(LossCause cause) =>
        cause is LossCause.Knot or LossCause.Abrasion or LossCause.Bitten or LossCause.Snag or LossCause.StraightenedHook;

    private static int Lost(IEnumerable<Outing> outings, Func<LossCause, bool> which) =>
        outings.SelectMany(o => o.Losses).Where(l => which(l.Cause)).Sum(l => l.Count);

    private static IEnumerable<PieceOut> Home(string kind, IEnumerable<Gear> pieces, IReadOnlyList<Outing> outings, Func<Outing, int?> idOf)
    {
        var outs = outings.Where(o => idOf(o) is not null).GroupBy(o => idOf(o)!.Value).ToDictionary(g => g.Key, g => g);
        return pieces.Select(p =>
            outs.TryGetValue(p.Id, out var its)
                ? new PieceOut(kind, p.Id, p.Tag, p.Name, its.Max(o => o.On), its.Count())
                : new PieceOut(kind, p.Id, p.Tag, p.Name, null, 0)
        );
    }

    private static IReadOnlyList<CastPair> PairsOf(IReadOnlyList<Outing> outings, GearShed shed)
    {
        var (rods, lines) = (shed.Rods.ToDictionary(r => r.Id), shed.Lines.ToDictionary(l => l.Id));
        return
        [
            .. outings
                .Where(o => o.Casts.Count > 0 && rods.ContainsKey(o.RodId ?? 0) && lines.ContainsKey(o.LineId ?? 0))
                .GroupBy(o => (Rod: o.RodId!.Value, Line: o.LineId!.Value))
                .Select(g => new CastPair(
                    g.Key.Rod,
                    g.Key.Line,
                    $"{rods[g.Key.Rod].Tag} {rods[g.Key.Rod].Name}, {lines[g.Key.Line].Tag} {lines[g.Key.Line].Name}",
                    g.Sum(o => o.Casts.Count)
                ))
                .OrderByDescending(p => p.Casts)
                .ThenBy(p => p.Called, StringComparer.Ordinal),
        ];
    }

    private static IReadOnlyList<LineInWind> InTheWind(IReadOnlyList<Outing> outings, GearShed shed)
    {
        var byLine = outings.Where(o => o.LineId is not null).GroupBy(o => o.LineId!.Value).ToDictionary(g => g.Key, g => g.ToList());
        return
        [
            .. shed
                .Lines.Where(l => byLine.ContainsKey(l.Id))
                .OrderByDescending(l => byLine[l.Id].Count)
                .ThenBy(l => l.Id)
                .Select(l => new LineInWind(l.Id, l.Tag, l.Name, [.. Winds.Select(band => InBand(byLine[l.Id], band))])),
        ];
    }

    private static LineInBand InBand(IReadOnlyList<Outing> outings, WindBand band)
    {
        bool In(double? mps) => mps is { } w && w >= band.FromMps && w < band.ToMps;
        var here = outings.Where(o => In(o.WindMps)).ToList();
        var casts = outings.SelectMany(o => o.Casts.Where(c => In(c.WindMps ?? o.WindMps))).ToList();
        var feels = casts.Select(c => c.Feel).Concat(here.Select(o => o.Feel)).OfType<Feel>().ToList();
        static double? Share<T>(IReadOnlyList<T> all, Func<T, bool> which) => all.Count == 0 ? null : (double)all.Count(which) / all.Count;
        return new(
            here.Count,
            casts.Count,
            casts.Count == 0 ? null : casts.Select(c => c.DistanceM).Order().ElementAt(casts.Count / 2),
            Share(feels, f => f == Feel.Right),
            Share(casts, c => c.Turned == TurnedOver.Straight)
        );
    }
}
