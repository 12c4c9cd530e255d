using ZingCast.Core.Standards;

namespace ZingCast.Core.Briefs;

/// <summary>What people mean when they say no more than the name of a fish.</summary>
/// <param name="Fly">Fly family id.</param>
/// <param name="Water">Where it is usually met; null for river or, in salt, open shore.</param>
public sealed record UsualDay(string Fly, Water? Water = null)
{
    /// <summary>Where it is usually met in fresh or in salt water.</summary>
    public Water WaterIn(bool salt) => Water ?? (salt ? Briefs.Water.Shore : Briefs.Water.River);
}

/// <summary>Usual days by species, else by the group it is planned with. Common practice.</summary>
public static class UsualDays
{
    private static readonly Dictionary<string, UsualDay> BySpecies = new()
    {
        ["zander"] = new("slim-streamer", Water.Stillwater),
        ["garfish"] = new("slim-streamer"),
        ["lake-trout"] = new("beaded-nymph", Water.Stillwater),
    };

    private static readonly Dictionary<string, UsualDay> ByGroup = new()
    {
        ["stream-trout"] = new("dry", Water.SmallStream),
        ["trout"] = new("beaded-nymph"),
        ["panfish"] = new("slim-streamer", Water.Stillwater),
        ["bass"] = new("hair-bug"),
        ["sea-trout"] = new("slim-streamer"),
        ["carp"] = new("shrimp-crab", Water.Stillwater),
        ["pike"] = new("predator", Water.Stillwater),
        ["giant-esox"] = new("giant", Water.Stillwater),
        ["salmon"] = new("slim-streamer"),
        ["big-salmon"] = new("slim-streamer"),
        ["bonefish"] = new("shrimp-crab", Water.Flat),
        ["redfish"] = new("baitfish", Water.Flat),
        ["permit"] = new("shrimp-crab", Water.Flat),
        ["big-tarpon"] = new("weighted-baitfish"),
        ["bluewater"] = new("weighted-baitfish"),
    };

    private static readonly UsualDay Else = new("baitfish");

    /// <summary>The usual day of a species.</summary>
    public static UsualDay Of(Species species) =>
        BySpecies.GetValueOrDefault(species.Id) ?? ByGroup.GetValueOrDefault(species.Group.Id) ?? Else;
}
