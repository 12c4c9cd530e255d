using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Care;
using ZingCast.Core.Casting;
using ZingCast.Core.Logbook;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Store;

/// <summary>
/// Two seasons of Ina's log at Marram Quay, made up: always the same days and casts, counted back from the day it is made.
/// </summary>
public static class DemoLog
{
    /// <summary>Whose log it is.</summary>
    public static OwnCaster Person => new() { Name = "Ina", From = "club" };

    // How Ina really casts, which the log has to find out: a little faster than a club caster, with a wider loop.
    private static readonly Caster True = Casters.Find("club")! with { FreeMps = 29.5, LoopM = 1.15, CarryM = 44 * Exact.FootM };

    private sealed record Water(
        string Place,
        int Brief,
        string Rod,
        string Line,
        string Reel,
        OutingKind Kind,
        LossCause[] Losses,
        string[] Notes
    );

    private static readonly Water[] Waters =
    [
        new(
            "The Skerries, Seal Ledge",
            0,
            "R6",
            "L11",
            "S5",
            OutingKind.Water,
            [LossCause.Abrasion, LossCause.Snag, LossCause.CameOff],
            ["Weed on every third cast after high water.", "Garfish in the way until dusk.", "Swell up; left early."]
        ),
        new(
            "The Fennet, alder pool",
            1,
            "R1",
            "L1",
            "S1",
            OutingKind.Water,
            [LossCause.CameOff, LossCause.Knot],
            ["Rising under the far bank until the sun was on it.", "Two wind knots under the branches."]
        ),
        new(
            "Oss Mere, boathouse",
            2,
            "R8",
            "L10",
            "S10",
            OutingKind.Water,
            [LossCause.Bitten, LossCause.CameOff, LossCause.StraightenedHook],
            ["Perch on the drop-off, zander only after dark.", "Pike took the lot."]
        ),
        new("The green behind the quay", 0, "R6", "L8", "S5", OutingKind.Grass, [], ["Taped, ten casts.", "Back cast drops when tired."]),
    ];

    private const int Outings = 64;

    /// <summary>Her outings with these pieces and briefs, by name, and the services done to the gear.</summary>
    [SuppressMessage("Maintainability", "CA1502", Justification = "A made-up season, day by day.")]
    public static (IReadOnlyList<Outing> Outings, IReadOnlyList<Service> Services) For(
        GearShed shed,
        Func<string, int> briefOf,
        string casterId,
        DateOnly today
    )
    {
        var dice = new Random(1871);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - dice.NextDouble())) * Math.Cos(2 * Math.PI * dice.NextDouble());
        List<Outing> outings = [];
        for (var i = 0; i < Outings; i++)
        {
            var water = Waters[i % 9 is 8 ? 3 : i % 3];
            var on = today.AddDays(-10 * (Outings - i) + dice.Next(7));
            var (rod, line) = (shed.Rods.First(r => r.Tag == water.Rod), shed.Lines.First(l => l.Tag == water.Line));
            var brief = Brief.Complete(DemoGear.Briefs[water.Brief].Draft);
            var grass = water.Kind == OutingKind.Grass;
            var wind = Math.Round(
                dice.NextDouble()
                    * (
                        grass ? 5
                        : water.Brief == 1 ? 3
                        : 9
                    ),
                1
            );
            var outing = new Outing
            {
                Key = $"demo{i:0000}quay",
                On = on,
                Kind = water.Kind,
                Place = water.Place,
                Hours = grass ? 1 : 2 + dice.Next(7) / 2.0,
                BriefId = grass ? null : briefOf(DemoGear.Briefs[water.Brief].Name),
                Caster = casterId,
                RodId = rod.Id,
                LineId = line.Id,
                ReelId = shed.Reels.First(r => r.Tag == water.Reel).Id,
                LeaderM = grass ? 9 * Exact.FootM : Math.Round(water.Brief == 1 ? 2.3 : 2.1, 2),
                TippetM =
                    grass ? .0003
                    : water.Brief == 1 ? .000145
                    : .00033,
                FlyKind = grass ? "dry" : brief.Fly.Kind.Id,
                HookSize = grass ? 14 : brief.Fly.Size.Number,
                Species = grass ? null : brief.Species.Id,
                Water = brief.Water,
                Cover = grass ? Cover.Open : brief.Cover,
                Stance = grass ? Stance.Bank : brief.Stance,
                Salt = !grass && brief.Salt,
                WindMps = wind,
                WindFromDeg = dice.Next(8) * 45,
                Feel =
                    dice.Next(3) == 0 ? null
                    : water.Rod == "R6" ? (Feel)dice.Next(2, 4)
                    : (Feel)dice.Next(1, 4),
                Drill = grass
                    ? i % 2 == 0
                        ? Drill.Distance
                        : Drill.IntoWind
                    : null,
                Note = dice.Next(2) == 0 ? water.Notes[dice.Next(water.Notes.Length)] : null,
                WindKnots = dice.Next(4) == 0 ? 1 : 0,
                Dropped = i == 41 ? [DroppedPiece.Reel] : [],
            };
            if (!grass)
            {
                var landed = dice.Next(4);
                outing = outing with
                {
                    Fish =
                        landed == 0
                            ? []
                            : [new(landed, Kg: Math.Round(brief.FishKg * (.6 + .8 * dice.NextDouble()), 1), FightS: 40 + dice.Next(120))],
                    Losses = dice.Next(3) == 0 ? [new(water.Losses[dice.Next(water.Losses.Length)])] : [],
                };
            }
            else
                outing = outing with { Rings = [new(9, 10, 4 + dice.Next(5)), new(14, 10, 2 + dice.Next(5))] };
            if (grass || (water.Brief == 0 && i % 2 == 0))
                outing = outing with
                {
                    Casts =
                    [
                        .. Enumerable
                            .Range(0, grass ? 4 : 1)
                            .Select(_ =>
                            {
                                var setup = outing.Setup(null, rod, line, null, Casters.Rows.Append(True with { Id = casterId }).ToList())!;
                                var carry = Math.Round(setup.MostCarryM * (.8 + .2 * dice.NextDouble()), 1);
                                var reach = CastSearch.FarthestAt(setup, carry, CastEngine.Launch(setup, carry).LaunchMps).ReachM;
                                return new LoggedCast(
                                    Math.Round(Math.Max(5, reach * Math.Exp(.06 * Normal())), grass ? 1 : 0),
                                    grass ? DistanceBy.Taped : DistanceBy.Paced,
                                    carry,
                                    AllOut: true
                                );
                            }),
                    ],
                };
            outings.Add(outing);
        }
        int Line(string tag) => shed.Lines.First(l => l.Tag == tag).Id;
        int Reel(string tag) => shed.Reels.First(r => r.Tag == tag).Id;
        int Rod(string tag) => shed.Rods.First(r => r.Tag == tag).Id;
        Service Done(string task, int piece, int daysAgo, string? note = null) =>
            new()
            {
                TaskId = task,
                PieceId = piece,
                On = today.AddDays(-daysAgo),
                Note = note,
            };
        return (
            outings,
            [
                Done("line-clean", Line("L11"), 40),
                Done("line-clean", Line("L1"), 200),
                Done("line-clean", Line("L8"), 120),
                Done("line-look", Line("L11"), 160),
                Done("line-look", Line("L1"), 200, "cracks behind the loop, sealed"),
                Done("line-look", Line("L8"), 160),
                Done("line-look", Line("L10"), 260),
                Done("reel-rinse", Reel("S5"), 40),
                Done("reel-drag", Reel("S5"), 300),
                Done("reel-drag", Reel("S1"), 150),
                Done("reel-drag", Reel("S10"), 150),
                Done("rod-inspect", Rod("R6"), 310),
                Done("rod-inspect", Rod("R1"), 220),
                Done("hooks-sort", 0, 60),
            ]
        );
    }
}
