using ZingCast.Core.Briefs;
using ZingCast.Core.Flies;
using ZingCast.Core.Matching;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;

namespace ZingCast.Core.Tests;

/// <summary>Days, pins and rules left out, thrown with dice that always fall alike.</summary>
internal static class AnyBrief
{
    public static readonly GearShed Loan = DemoGear.Shed();

    public static IEnumerable<(BriefDraft Draft, Pins Pins, HashSet<string> Off)> Many(int count, int seed = 7)
    {
        var dice = new Random(seed);
        bool Falls(double chance) => dice.NextDouble() < chance;
        T Any<T>(IReadOnlyList<T> all) => all[dice.Next(all.Count)];
        T? Maybe<T>(double chance)
            where T : struct, Enum => Falls(chance) ? Any(Enum.GetValues<T>()) : null;
        double? Within(double low, double high, double chance = .6) => Falls(chance) ? low + (high - low) * dice.NextDouble() : null;
        for (var i = 0; i < count; i++)
            yield return (
                new()
                {
                    FlyKind = Falls(.7) ? Any(FlyKinds.Rows).Id : null,
                    HookSize = Falls(.3) ? dice.Next(-5, 22) : null,
                    Species = Falls(.7) ? Any(Fishes.All).Id : null,
                    FishKg = Within(.2, 20, .3),
                    Water = Maybe<Water>(.5),
                    Cover = Maybe<Cover>(.5),
                    Stance = Maybe<Stance>(.5),
                    DepthM = Within(0, 8),
                    CurrentMps = Within(0, 1.5, .3),
                    WaterC = Within(2, 29),
                    WindMps = Within(0, 16),
                    WindFromDeg = Within(0, 360),
                    DistanceM = Within(5, 32),
                    Wariness = Maybe<Wariness>(.5),
                    Caster = Falls(.7) ? Any(Casters.Rows).Id : null,
                    School = Maybe<School>(.3),
                    Lean = Maybe<Lean>(.5),
                },
                new()
                {
                    Rod = Falls(.15) ? Any(Loan.Rods).Id : null,
                    Line = Falls(.15) ? Any(Loan.Lines).Id : null,
                    Reel = Falls(.15) ? Any(Loan.Reels).Id : null,
                    RodClass = Within(2, 11, .1),
                    RodLengthM = Within(2, 3.2, .1),
                    Density = Falls(.1) ? Any(Densities.Rows).Id : null,
                    TippetM = Within(.00012, .0006, .1),
                    LeaderM = Within(1, 4.5, .1),
                    Backing = Falls(.1) ? Any(Backings.Rows).Id : null,
                    BackingM = Within(20, 300, .1),
                },
                [.. Rules.All.Where(r => r.CanSwitchOff && Falls(.05)).Select(r => r.Id)]
            );
    }
}
