using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Trips;

/// <summary>Input of somebody who owns nothing: fish, room for the back cast, budget.</summary>
/// <param name="Fish">Species ids.</param>
/// <param name="Cover">What stands behind where one casts.</param>
/// <param name="Budget">What may be spent, in the owner's currency; null for no matter.</param>
public sealed record FirstWish(IReadOnlyList<string> Fish, Cover Cover = Cover.Open, double? Budget = null)
{
    /// <summary>Budgets to choose from, in the owner's currency. Our examples.</summary>
    public static readonly IReadOnlyList<double> Budgets = [250, 500, 1000];

    /// <summary>Most kinds of fish in one wish.</summary>
    public const int MaxFish = 12;

    // Three kinds of day of river trout, equally often: dry fly, nymph led close, and streamer. Common practice.
    private static readonly (string Name, string? Fly, int? Hook)[] River =
    [
        (" on a dry fly", "dry", 14),
        (" on a nymph", null, null),
        (" on a small streamer", "slim-streamer", 10),
    ];
    private static readonly (string Name, string? Fly, int? Hook)[] Usual = [("", null, null)];

    // A distance is shortened by this step until it is reached often enough, feet.
    private const double StepFt = 5,
        NearestFt = 15;

    /// <summary>Every field with an unusable value; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Must("fish", Fish.Count > 0, "Pick one fish at least.")
            .Must("fish", Fish.Count <= MaxFish, $"Pick {MaxFish} kinds of fish at most.")
            .Must("fish", Fish.All(id => Fishes.Find(id) is not null), "That fish is not known here.")
            .Must("cover", Enum.IsDefined(Cover), "Say how much room is behind.")
            .Within("budget", Budget, Gear.Prices)
            .Problems;

    /// <summary>Usual days of a beginner with these fish, each fish with equal weight, at distances within a beginner's reach.</summary>
    public IReadOnlyList<TripDay> Days(CancellationToken cancel = default) =>
        [
            .. Fish.Distinct()
                .Select(id => Fishes.Find(id)!)
                .SelectMany(fish =>
                {
                    var kinds = fish.Id == "river-trout" ? River : Usual;
                    return kinds.Select(k => new TripDay(
                        fish.Name + k.Name,
                        WithinReach(
                            Brief.Complete(
                                new()
                                {
                                    Species = fish.Id,
                                    FlyKind = k.Fly,
                                    HookSize = k.Hook,
                                    Caster = Casters.Rows.First(c => c.Learning).Id,
                                    // In a boat nothing is behind the caster.
                                    Cover = UsualDays.For(fish).Stance == Stance.Boat ? Cover.Open : Cover,
                                    Owned = Owned.Any,
                                }
                            ),
                            cancel
                        ),
                        River.Length / kinds.Length
                    ));
                }),
        ];

    // Shortens the distance until the day can be answered with gear of its own.
    private static Brief WithinReach(Brief brief, CancellationToken cancel)
    {
        for (var feet = Math.Floor(brief.DistanceM / Exact.FootM / StepFt + 1e-6) * StepFt; feet > NearestFt; feet -= StepFt)
        {
            var day = brief with { DistanceM = Math.Min(brief.DistanceM, feet * Exact.FootM) };
            if (HandRules.Chance(day, Matcher.For(day, cancel: cancel).Choose().Outfit.ReachM) >= Doubt.FitsFrom)
                return day;
        }
        return brief with { DistanceM = NearestFt * Exact.FootM };
    }
}
