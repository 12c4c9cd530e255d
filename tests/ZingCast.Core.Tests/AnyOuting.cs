using ZingCast.Core.Logbook;

namespace ZingCast.Core.Tests;

/// <summary>An outing to vary, so many days before a day that stands still.</summary>
internal static class AnyOuting
{
    public static readonly DateOnly Today = new(2026, 11, 26);

    public static Outing Day(int ago, int rod = 6, int line = 11, int reel = 5, bool salt = true) =>
        new()
        {
            Key = $"key{ago:00000}{rod}{line}",
            On = Today.AddDays(-ago),
            Place = "the ledge",
            RodId = rod,
            LineId = line,
            ReelId = reel,
            Salt = salt,
            WindMps = 4,
        };
}
