using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Briefs;

/// <summary>What people mean when they say no more than the name of a fish.</summary>
/// <param name="Fly">Fly family id.</param>
/// <param name="Hook">Hook size number, see <see cref="HookSize"/>.</param>
/// <param name="Ft">How far they are, feet: whole fives, as people say it, which lie close to whole half metres.</param>
/// <param name="Water">Where it is usually met.</param>
/// <param name="DepthM">Depth of a fly that is not fished on top, metres.</param>
/// <param name="Stance">Where the person stands; null for wading in running water and the bank elsewhere.</param>
public sealed record UsualDay(string Fly, int Hook, double Ft, Water Water, double DepthM = .5, Stance? Stance = null)
{
    /// <summary>How far they are, metres.</summary>
    public double DistanceM => Ft * Exact.FootM;
}

/// <summary>Usual days by species. Common practice, no source.</summary>
public static class UsualDays
{
    private static readonly Dictionary<string, UsualDay> BySpecies = new()
    {
        ["grayling"] = new("dry", 16, 35, Water.River),
        ["brook-trout"] = new("dry", 14, 25, Water.SmallStream),
        ["char"] = new("dry", 14, 25, Water.SmallStream),
        ["river-trout"] = new("beaded-nymph", 14, 35, Water.River),
        ["lake-trout"] = new("slim-streamer", 10, 50, Water.Stillwater, 1.5),
        ["perch"] = new("slim-streamer", 8, 40, Water.Stillwater, 1),
        ["panfish"] = new("slim-streamer", 8, 40, Water.Stillwater, 1),
        ["chub"] = new("terrestrial", 8, 40, Water.River),
        ["black-bass"] = new("hair-bug", 2, 45, Water.Stillwater),
        ["sea-trout"] = new("slim-streamer", 6, 50, Water.River),
        ["carp"] = new("shrimp-crab", 8, 35, Water.Stillwater),
        ["barbel"] = new("beaded-nymph", 10, 25, Water.River),
        ["pike"] = new("predator", -2, 50, Water.Stillwater, 1),
        ["zander"] = new("weighted-baitfish", 0, 50, Water.Stillwater, 4),
        ["giant-esox"] = new("giant", -6, 50, Water.Stillwater, 1, Briefs.Stance.Boat),
        ["steelhead"] = new("slim-streamer", 4, 60, Water.River, 1),
        ["coho"] = new("slim-streamer", 4, 60, Water.River, 1),
        ["salmon"] = new("slim-streamer", 6, 65, Water.River),
        ["bonefish"] = new("shrimp-crab", 6, 60, Water.Flat),
        ["mullet"] = new("beaded-nymph", 14, 45, Water.Shore),
        ["redfish"] = new("shrimp-crab", 2, 50, Water.Flat),
        ["barramundi"] = new("weighted-baitfish", 0, 50, Water.Flat, 1),
        ["sea-bass"] = new("baitfish", 0, 55, Water.Shore, 1),
        ["striped-bass"] = new("baitfish", 0, 55, Water.Shore, 1),
        ["big-bass"] = new("baitfish", -1, 55, Water.Shore, 1),
        ["pollack"] = new("weighted-baitfish", 0, 50, Water.Shore, 4),
        ["garfish"] = new("slim-streamer", 8, 40, Water.Shore),
        ["bonito"] = new("baitfish", 2, 65, Water.Shore, .5, Briefs.Stance.Boat),
        ["permit"] = new("shrimp-crab", 1, 70, Water.Flat),
        ["snook"] = new("baitfish", 0, 55, Water.Flat),
        ["small-tarpon"] = new("baitfish", 0, 55, Water.Flat),
        ["big-tarpon"] = new("baitfish", -2, 60, Water.Flat, 1, Briefs.Stance.Boat),
        ["trevally"] = new("baitfish", -3, 60, Water.Shore, 1, Briefs.Stance.Boat),
        ["bluewater"] = new("baitfish", -3, 60, Water.Shore, 1, Briefs.Stance.Boat),
    };

    /// <summary>Nobody is farther away than this on a small stream, metres.</summary>
    public const double SmallStreamM = 25 * Exact.FootM;

    /// <summary>The usual day of a species.</summary>
    public static UsualDay Of(Species species) => BySpecies[species.Id];
}
