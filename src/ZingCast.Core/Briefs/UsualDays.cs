using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Briefs;

/// <summary>What people mean when they name nothing but a fish.</summary>
/// <param name="Fly">Fly family id.</param>
/// <param name="Hook">Hook size number, see <see cref="HookSize"/>.</param>
/// <param name="Ft">How far they are, feet: whole fives, as people say it, which lie close to whole half metres.</param>
/// <param name="Water">Where it is usually met.</param>
/// <param name="WaterC">How warm it is there when people fish, whole °C.</param>
/// <param name="DepthM">Depth of a fly that is not fished on top, metres.</param>
/// <param name="Stance">Where the person stands; null for wading in running water and the bank elsewhere.</param>
public sealed record UsualDay(string Fly, int Hook, double Ft, Water Water, double WaterC, double DepthM = .5, Stance? Stance = null)
{
    /// <summary>How far they are, metres.</summary>
    public double DistanceM => Ft * Exact.FootM;
}

/// <summary>Usual days by species. Common practice, no source.</summary>
public static class UsualDays
{
    private static readonly Dictionary<string, UsualDay> BySpecies = new()
    {
        ["grayling"] = new("dry", 16, 35, Water.River, 10),
        ["brook-trout"] = new("dry", 14, 25, Water.SmallStream, 11),
        ["char"] = new("dry", 14, 25, Water.SmallStream, 10),
        ["river-trout"] = new("beaded-nymph", 14, 35, Water.River, 13),
        ["lake-trout"] = new("slim-streamer", 10, 50, Water.Stillwater, 13, 1.5),
        ["perch"] = new("slim-streamer", 8, 40, Water.Stillwater, 16, 1),
        ["panfish"] = new("slim-streamer", 8, 40, Water.Stillwater, 20, 1),
        ["chub"] = new("terrestrial", 8, 40, Water.River, 16),
        ["black-bass"] = new("hair-bug", 2, 45, Water.Stillwater, 21),
        ["sea-trout"] = new("slim-streamer", 6, 50, Water.River, 12),
        ["carp"] = new("shrimp-crab", 8, 35, Water.Stillwater, 20),
        ["barbel"] = new("beaded-nymph", 10, 25, Water.River, 17),
        ["pike"] = new("predator", -2, 50, Water.Stillwater, 12, 1),
        ["zander"] = new("weighted-baitfish", 0, 50, Water.Stillwater, 16, 4),
        ["giant-esox"] = new("giant", -6, 50, Water.Stillwater, 15, 1, Briefs.Stance.Boat),
        ["steelhead"] = new("slim-streamer", 4, 60, Water.River, 8, 1),
        ["coho"] = new("slim-streamer", 4, 60, Water.River, 10, 1),
        ["salmon"] = new("slim-streamer", 6, 65, Water.River, 11),
        ["bonefish"] = new("shrimp-crab", 6, 60, Water.Flat, 26),
        ["mullet"] = new("beaded-nymph", 14, 45, Water.Shore, 17),
        ["redfish"] = new("shrimp-crab", 2, 50, Water.Flat, 23),
        ["barramundi"] = new("weighted-baitfish", 0, 50, Water.Flat, 27, 1),
        ["sea-bass"] = new("baitfish", 0, 55, Water.Shore, 15, 1),
        ["striped-bass"] = new("baitfish", 0, 55, Water.Shore, 15, 1),
        ["big-bass"] = new("baitfish", -1, 55, Water.Shore, 15, 1),
        ["pollack"] = new("weighted-baitfish", 0, 50, Water.Shore, 13, 4),
        ["garfish"] = new("slim-streamer", 8, 40, Water.Shore, 15),
        ["bonito"] = new("baitfish", 2, 65, Water.Shore, 20, .5, Briefs.Stance.Boat),
        ["permit"] = new("shrimp-crab", 1, 70, Water.Flat, 26),
        ["snook"] = new("baitfish", 0, 55, Water.Flat, 25),
        ["small-tarpon"] = new("baitfish", 0, 55, Water.Flat, 27),
        ["big-tarpon"] = new("baitfish", -2, 60, Water.Flat, 27, 1, Briefs.Stance.Boat),
        ["small-trevally"] = new("baitfish", 0, 55, Water.Shore, 27, 1, Briefs.Stance.Boat),
        ["trevally"] = new("baitfish", -3, 60, Water.Shore, 27, 1, Briefs.Stance.Boat),
        ["bluefish"] = new("baitfish", 0, 55, Water.Shore, 20, 1),
        ["bluewater"] = new("baitfish", -3, 60, Water.Shore, 26, 1, Briefs.Stance.Boat),
    };

    /// <summary>Longest usual distance on a small stream, metres.</summary>
    public const double SmallStreamM = 25 * Exact.FootM;

    /// <summary>Midges and small nymphs fish just under the surface, metres.</summary>
    public const double MidgeDepthM = .15;

    // Drag areas of a slim, a bulky and a huge fly, square metres, and the share of a caster's least calm-air reach that is easy with each.
    private static readonly double[] AreasM2 = [.9e-4, 2.5e-4, 10e-4],
        EasyShares = [.79, .66, .53];

    /// <summary>
    /// Distance such a caster fishes such a fly at without straining, metres; rounded to five feet, as people say it. Common practice.
    /// </summary>
    public static double ReachedBy(Caster caster, Fly fly)
    {
        var share = Interpolation.Interpolate(AreasM2, EasyShares, Math.Clamp(fly.AreaM2, AreasM2[0], AreasM2[^1]));
        return Math.Floor(share * caster.CalmFromM / Exact.FootM / 5) * 5 * Exact.FootM;
    }

    /// <summary>The usual day of a species.</summary>
    public static UsualDay For(Species species) => BySpecies[species.Id];
}
