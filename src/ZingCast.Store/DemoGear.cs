using ZingCast.Core.Briefs;
using ZingCast.Core.Cutting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Core.Trips;

namespace ZingCast.Store;

/// <summary>
/// What the demo is made of: Marram Quay, a tackle-loan shed that does not exist, and its three waters: the Fennet, Oss
/// Mere and the Skerries.
/// Labels and measurements disagree as they do in life.
/// </summary>
public static class DemoGear
{
    private const double Ft = Exact.FootM;

    public static readonly IReadOnlyList<Rod> Rods =
    [
        Rod("R1", "honey glass, short", 6.75, 3, 3.2, 55, 82, 3, "tip ring replaced"),
        Rod("R2", "little green", 7.5, 4, 3.8, 60, 78, 4),
        Rod("R3", "9 ft, marked 6", 9, 6, 7.3, 67, 96, 4, "comes back with “feels wrong” on the slip; it is a seven", swing: 2.26),
        Rod("R4", "the straight five", 9, 5, 5.1, 64, 88, 4),
        Rod("R5", "long nymph rod", 10, 4, 4.5, 61, 92, 4),
        Rod("R6", "blue eight", 9, 8, 8.2, 66, 108, 4),
        Rod("R7", "9½ ft, stiff as a gate", 9.5, 8, 9.3, 72, 118, 4, "very fast: line it a class down"),
        Rod("R8", "loan seven", 9, 7, null, null, 102, 4, "never bend-tested", RodAction.MediumFast),
        Rod("R9", "shore seven, soft", 9.5, 7, 6.6, 60, 110, 2) with
        {
            Owner = "Maud",
        },
        Rod("R10", "heavy grey", 9, 10, 10.3, 65, 132, 4) with
        {
            Condition = Condition.Worn,
            Price = 85,
            BoughtOn = new(2024, 9, 14),
        },
        Rod("R11", "no label, brown wraps", 8.5, null, 5.7, 58, 90, 2, "found behind the stove"),
        Rod("R12", "salt nine", 9, 9, null, null, 120, 4, null, RodAction.Fast),
    ];

    public static readonly IReadOnlyList<FlyLine> Lines =
    [
        Line("L1", "olive double taper", 3, Build.DoubleTaper, 90, 90, null, "floating", "temperate", 10, .8, 1.0),
        Line("L2", "straw long belly", 4, Build.WeightForward, 95, 49, 196, "floating", "temperate", 10, .85, 1.15),
        Line("L3", "mint double taper", 5, Build.DoubleTaper, 90, 90, 418, "floating", "cold", 10, .85, 1.25),
        Line("L4", "box says 5", 5, Build.WeightForward, 90, 38, 204, "floating", "temperate", 7, .9, 1.3, note: "weighs like a six"),
        Line("L5", "sand all-round", 6, Build.WeightForward, 90, 40, 214, "floating", "temperate", 7, .9, 1.35),
        Line("L6", "box says 6, weighs more", 6, Build.WeightForward, 90, 39, 244, "floating", "temperate", 6.5, .95, 1.45),
        Line("L7", "coral short head", 7, Build.WeightForward, 100, 31.5, 246, "floating", "temperate", 5, 1.0, 1.65),
        Line("L8", "ivory all-round", 8, Build.WeightForward, 100, 41, 282, "floating", "temperate", 6.5, 1.0, 1.6, salt: true),
        Line("L9", "bulk eight, stubby", 8, Build.WeightForward, 100, 29, 290, "floating", "warm", 3.5, 1.1, 1.85),
        Line("L10", "clear intermediate", 7, Build.WeightForward, 100, 36, 228, "intermediate", "cold", 6, .85, 1.2, salt: true),
        Line(
            "L11",
            "grey intermediate, no box",
            null,
            Build.WeightForward,
            100,
            37.5,
            262,
            "intermediate",
            "temperate",
            6,
            .9,
            1.25,
            salt: true,
            note: "label lost; weighed on the bench"
        ),
        Line("L12", "slate intermediate", 9, Build.WeightForward, 100, 39, 322, "intermediate", "temperate", 5, .95, 1.35, salt: true),
        Line("L13", "rust sinker", 8, Build.WeightForward, 100, 33, 268, "type3", "temperate", 4.5, .8, 1.1, salt: true),
        Line("L14", "brown sinker", 6, Build.WeightForward, 90, 32, 198, "type3", "cold", 4.5, .7, .95),
        Line("L15", "black fast sinker", 7, Build.WeightForward, 100, 30, 242, "type5", "temperate", 4, .7, 1.0),
        Line(
            "L16",
            "loop-on shooting head",
            9,
            Build.ShootingHead,
            130,
            31,
            318,
            "type2",
            "temperate",
            4,
            .85,
            1.2,
            running: .6,
            salt: true
        ),
        Line("L17", "bark predator line", 10, Build.WeightForward, 100, 29.5, 392, "floating", "temperate", 3, 1.2, 2.1),
        Line("L18", "tropical nine", 9, Build.WeightForward, 100, 39.5, 318, "floating", "tropical", 6.5, 1.0, 1.6, salt: true),
        Line(
            "L19",
            "brown, from the drawer",
            null,
            Build.WeightForward,
            80,
            34.5,
            null,
            "floating",
            "temperate",
            6.5,
            .9,
            1.3,
            note: "no label, never weighed"
        ),
        Line("L20", "fast sinker, cold coating", 8, Build.WeightForward, 100, 30, 276, "type6", "cold", 4, .7, 1.0),
    ];

    public static readonly IReadOnlyList<Reel> Reels =
    [
        Reel("S1", "brass click-pawl", 3, 4, 22, 68, 19, 88, false, null),
        Reel("S2", "small black", 4, 5, 38, 78, 20, 112, false, 18),
        Reel("S3", "silver five-six", 5, 6, 42, 84, 22, 132, false, 22),
        Reel("S4", "label says 7/8", 7, 8, null, null, null, 158, true, 30, 140, "poly20"),
        Reel("S5", "wide-arbor eight", 7, 9, 55, 95, 26, 172, true, 35),
        Reel("S6", "deep spool nine", 8, 10, 42, 100, 28, 196, true, 40),
        Reel("S7", "grey six, sand in the drag", 5, 7, 45, 86, 23, 140, false, 15),
        Reel("S8", "heavy salt ten", 9, 11, 60, 110, 32, 248, true, 55),
        Reel("S9", "no marks, capacity unknown", null, null, null, null, null, 150, false, null),
        Reel("S10", "cassette seven", 6, 8, 50, 92, 27, 168, false, 20),
    ];

    /// <summary>What is on which spool, by tags, and the day of the demo's year it was wound.</summary>
    public static readonly IReadOnlyList<(string Reel, string Name, string Line, string? Backing, double BackingM, DateOnly On)> Wound =
    [
        ("S2", Spool.Own, "L4", "poly20", 45, new(2026, 3, 7)),
        ("S3", Spool.Own, "L5", "poly20", 70, new(2026, 3, 7)),
        ("S5", Spool.Own, "L8", "poly20", 150, new(2026, 4, 18)),
        ("S5", "spare", "L11", "poly20", 110, new(2026, 4, 18)),
        ("S6", Spool.Own, "L12", "gel50", 180, new(2026, 5, 2)),
        ("S10", "cassette 1", "L7", "poly20", 60, new(2026, 5, 30)),
        ("S10", "cassette 2", "L10", "poly20", 60, new(2026, 5, 30)),
    ];

    /// <summary>The drawer: remains of old lines, some weighed with care and some on the kitchen scale.</summary>
    public static readonly IReadOnlyList<Scrap> Scraps =
    [
        Scrap("D1", "olive, belly of an eight", 23.5, 186, 0),
        Scrap("D2", "straw, front of a six", 21, 116, 8),
        Scrap("D3", "grey sinking tip stuff", 15, 78, 0, "type3"),
        Scrap("D4", "pale green, thin, from a four", 16.5, 58, 6),
        Scrap("D5", "ivory, whole front end", 34, 254, 6.5, note: "cut out of a line that cracked behind the head"),
        Scrap("D6", "bark, short and fat", 11, 118, 0),
        Scrap("D7", "mint level", 26, 144, 0),
        Scrap("D8", "clear intermediate end", 13, 70, 4, "intermediate"),
        Scrap("D9", "coral, rear half", 18.5, 150, 3.5),
        Scrap("D10", "black, last of a fast sinker", 8.5, 62, 0, "type5", "weighed on the kitchen scale"),
        Scrap("D11", "sand, belly and back taper", 30, 210, 5),
        Scrap("D12", "white, nobody knows of what", 11, 44, 0),
    ];

    /// <summary>The counter's own calibration, made on rods it trusts.</summary>
    public static readonly Calibration Counter = new()
    {
        Name = "counter rods, 2026",
        PlusMinus = .2,
        Points = [new(92, 5), new(117, 6), new(138, 7), new(172, 8), new(210, 9)],
    };

    /// <summary>What hangs on the peg beside the counter: tippet and leader material.</summary>
    public static readonly IReadOnlyList<LeaderSpool> LeaderSpools =
    [
        Pocket("T1", "butt stuff, stiff", .53, 22),
        Pocket("T2", "butt stuff", .45, 30),
        Pocket("T3", "all-purpose", .40, 48),
        Pocket("T4", "all-purpose", .33, 40, note: "half the estuary leaders are tied of it"),
        Pocket("T5", "1X", .254, 27),
        Pocket("T6", "3X", .203, 18),
        Pocket("T7", "4X", .178, 25),
        Pocket("T8", "5X", .152, 9, note: "nearly empty"),
        Pocket("T9", "clear hard stuff, thick", .81, 12, LeaderMaterial.Fluorocarbon),
        Pocket("T10", "fluoro, estuary", .35, 33, LeaderMaterial.Fluorocarbon),
        Pocket("T11", "knottable wire", .45, 3, LeaderMaterial.Wire),
    ];

    /// <summary>Two leaders that are kept tied on a card.</summary>
    public static IReadOnlyList<TiedLeader> Leaders(IReadOnlyList<LeaderSpool> pocket)
    {
        LeaderPiece Piece(LeaderPart part, double ft, string tag, string? knot) =>
            pocket.FirstOrDefault(s => s.Tag == tag) is { } spool
                ? new(part, ft * Ft, spool.DiameterM, spool.DiameterM)
                {
                    Material = spool.Material,
                    Knot = knot,
                    SpoolId = spool.Id,
                }
                : new(part, ft * Ft, .0003, .0003) { Knot = knot };
        return
        [
            new()
            {
                Tag = "K1",
                Name = "estuary seven-footer",
                Leader = Leader.From(
                    [
                        Piece(LeaderPart.Butt, 3.5, "T1", null),
                        Piece(LeaderPart.Taper, 1, "T2", "blood"),
                        Piece(LeaderPart.Taper, .8, "T3", "blood"),
                        Piece(LeaderPart.Tippet, 1.8, "T4", "blood"),
                    ],
                    0
                ),
            },
            new()
            {
                Tag = "K2",
                Name = "pike leader, wire last",
                Leader = Leader.From(
                    [Piece(LeaderPart.Butt, 3, "T1", null), Piece(LeaderPart.Tippet, 2, "T3", "surgeons")],
                    .25,
                    LeaderMaterial.Wire
                ),
                Note = "for perch water with pike in it",
            },
        ];
    }

    private static LeaderSpool Pocket(
        string tag,
        string name,
        double mm,
        double leftM,
        LeaderMaterial material = LeaderMaterial.Nylon,
        string? note = null
    ) =>
        new()
        {
            Tag = tag,
            Name = name,
            DiameterM = mm / 1000,
            LeftM = leftM,
            Material = material,
            Note = note,
        };

    /// <summary>The three days the demo opens with.</summary>
    public static readonly IReadOnlyList<(string Name, BriefDraft Draft)> Briefs =
    [
        (
            "Sea bass on the Skerries",
            new BriefDraft()
            {
                FlyKind = "baitfish",
                HookSize = 0,
                Species = "sea-bass",
                DistanceM = 55 * Ft,
                WindMps = 8 * Exact.KnotMps,
                WindFromDeg = 315,
                Water = Water.Shore,
                DepthM = 1,
                CurrentMps = .3,
                WaterC = 13,
                Caster = "club",
            }
        ),
        (
            "Grayling on the Fennet",
            new BriefDraft()
            {
                FlyKind = "dry",
                HookSize = 16,
                Species = "grayling",
                DistanceM = 25 * Ft,
                WindMps = 2 * Exact.KnotMps,
                WindFromDeg = 200,
                Water = Water.SmallStream,
                Cover = Cover.Canopy,
                Stance = Stance.Wading,
                Wariness = Wariness.Spooky,
                WaterC = 10,
                Caster = "skilled",
            }
        ),
        (
            "Zander from Oss Mere",
            new BriefDraft()
            {
                FlyKind = "slim-streamer",
                HookSize = 4,
                Species = "zander",
                FishKg = 2.5,
                DistanceM = 50 * Ft,
                WindMps = 8 * Exact.KnotMps,
                WindFromDeg = 60,
                Water = Water.Stillwater,
                Stance = Stance.Boat,
                DepthM = 4,
                CurrentMps = 0,
                WaterC = 14,
                Caster = "club",
            }
        ),
    ];

    /// <summary>The week of Marram Quay: its three stored days, by position, and two entered with the trip.</summary>
    public static Trip Week(Func<int, int> briefId) =>
        new()
        {
            Name = "A week on the estuary",
            LeavesOn = new(2027, 5, 8),
            Days =
            [
                new(3, Regret.Great, briefId(0)),
                new(1, Regret.Some, briefId(1)),
                new(1, Regret.Some, briefId(2)),
                new(
                    1,
                    Regret.Little,
                    Name: "Mullet on the sand",
                    Draft: new()
                    {
                        Species = "mullet",
                        DistanceM = 45 * Ft,
                        WindMps = 6 * Exact.KnotMps,
                        WindFromDeg = 90,
                        Wariness = Wariness.Spooky,
                        Caster = "club",
                    }
                ),
                new(
                    1,
                    Regret.Little,
                    Name: "Perch along the reeds",
                    Draft: new()
                    {
                        Species = "perch",
                        DistanceM = 40 * Ft,
                        WindMps = 4 * Exact.KnotMps,
                        Caster = "club",
                    }
                ),
            ],
        };

    /// <summary>The demo shed in memory, with ids, for tests and benchmarks.</summary>
    public static GearShed Shed()
    {
        LeaderSpool[] pocket = [.. LeaderSpools.Select((s, i) => s with { Id = i + 1 })];
        return new(
            [.. Rods.Select((r, i) => r with { Id = i + 1 })],
            [.. Lines.Select((l, i) => l with { Id = i + 1 })],
            [.. Reels.Select((r, i) => r with { Id = i + 1 })]
        )
        {
            Spools =
            [
                .. Wound.Select(
                    (w, i) =>
                        Laid(
                            w,
                            Reels.Index().First(r => r.Item.Tag == w.Reel).Index + 1,
                            Lines.Index().First(l => l.Item.Tag == w.Line).Index + 1
                        ) with
                        {
                            Id = i + 1,
                        }
                ),
            ],
            LeaderSpools = pocket,
            Leaders = [.. Leaders(pocket).Select((l, i) => l with { Id = i + 1 })],
        };
    }

    /// <summary>A spool of the demo, with the ids given to its reel and line.</summary>
    public static Spool Laid(
        (string Reel, string Name, string Line, string? Backing, double BackingM, DateOnly On) wound,
        int reelId,
        int lineId
    ) =>
        new()
        {
            ReelId = reelId,
            Name = wound.Name,
            LineId = lineId,
            Backing = wound.Backing,
            BackingM = wound.BackingM,
            WoundOn = wound.On,
        };

    private static Rod Rod(
        string tag,
        string name,
        double ft,
        double? printed,
        double? measured,
        double? angle,
        double grams,
        int pieces,
        string? note = null,
        RodAction? action = null,
        double? swing = null
    )
    {
        var rod = new Rod
        {
            Tag = tag,
            Name = name,
            LengthM = ft * Ft,
            PrintedClass = printed,
            PrintedAction = action,
            MassKg = grams / 1000,
            Pieces = pieces,
            Note = note,
            Balance = measured is null
                ? null
                : new()
                {
                    BalanceM = Math.Round(.235 * ft * Ft, 2),
                    FulcrumM = .27,
                    SwingS = swing,
                },
        };
        if (measured is not { } number || angle is not { } tip)
            return rod;
        // The test that was done on the counter: whole grams in the bag.
        var test = new BendTest
        {
            On = new(2026, 3, 14),
            Calibration = Calibration.Usual.Name,
            Readings = [new(GramsFor(number) / 1000, Math.Round(BendTest.ThirdM(rod.LengthM), 3), tip)],
        };
        return rod.Tested(test, BendFit.From(rod.LengthM, test, Calibration.Usual, out _)!);
    }

    // Beyond the table's ends in proportion to the line weights, as in the table itself.
    private static double GramsFor(double number)
    {
        for (var grams = 20.0; ; grams++)
            if (Calibration.Usual.NumberOf(grams / 1000).Number >= number - .02)
                return grams;
    }

    private static Scrap Scrap(
        string tag,
        string name,
        double lengthFt,
        double grains,
        double taperFt,
        string density = "floating",
        string? note = null
    ) =>
        new()
        {
            Tag = tag,
            Name = name,
            LengthM = lengthFt * Ft,
            MassKg = grains * Exact.GrainKg,
            TaperM = taperFt * Ft,
            Density = density,
            Note = note,
        };

    private static FlyLine Line(
        string tag,
        string name,
        double? printed,
        Build build,
        double lengthFt,
        double headFt,
        double? grains,
        string density,
        string coating,
        double frontFt,
        double tipMm,
        double bellyMm,
        double running = .9,
        bool salt = false,
        string? note = null
    ) =>
        new()
        {
            Tag = tag,
            Name = name,
            PrintedClass = printed,
            Build = build,
            LengthM = lengthFt * Ft,
            HeadM = headFt * Ft,
            HeadKg = grains * Exact.GrainKg,
            Density = density,
            Coating = coating,
            FrontTaperM = frontFt * Ft,
            RearTaperM = build == Build.ShootingHead ? 0 : 5 * Ft,
            TipDiameterM = tipMm / 1000,
            BellyDiameterM = bellyMm / 1000,
            RunningDiameterM = running / 1000,
            SaltRated = salt,
            Note = note,
        };

    private static Reel Reel(
        string tag,
        string name,
        double? low,
        double? high,
        double? arborMm,
        double? rimMm,
        double? widthMm,
        double grams,
        bool salt,
        double? drag,
        double? statedM = null,
        string? stated = null
    ) =>
        new()
        {
            Tag = tag,
            Name = name,
            LabelLow = low,
            LabelHigh = high,
            ArborM = arborMm / 1000,
            RimM = rimMm / 1000,
            WidthM = widthMm / 1000,
            MassKg = grams / 1000,
            SaltProof = salt,
            DragN = drag,
            StatedBackingM = statedM,
            StatedBacking = stated,
        };
}
