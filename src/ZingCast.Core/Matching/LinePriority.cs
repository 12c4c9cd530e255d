using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>A line and the days it serves.</summary>
/// <param name="Line">Tag and name of one that is there; null for one to buy.</param>
/// <param name="Class">Class of rod it goes on.</param>
/// <param name="Density">Density id.</param>
/// <param name="Says">It in shop words.</param>
/// <param name="Days">Names of the briefs it serves that none before it does.</param>
public sealed record LineOfDays(string? Line, double Class, string Density, Sentence Says, IReadOnlyList<string> Days);

/// <summary>Which lines serve several briefs, those that are there first, then what to buy first, second, third.</summary>
/// <param name="Have">Lines of the shed.</param>
/// <param name="Buy">Lines to buy, the one that serves most days first.</param>
public sealed record LinePriority(IReadOnlyList<LineOfDays> Have, IReadOnlyList<LineOfDays> Buy)
{
    private sealed record Want(string Day, double Class, string Density, IReadOnlyList<string> Coatings, bool Salt);

    /// <summary>Works it out for briefs by name; a day is a day, nobody has said yet how often each comes.</summary>
    public static LinePriority Of(IReadOnlyList<(string Name, Brief Brief)> days, GearShed shed, CancellationToken cancel = default)
    {
        var have = new Dictionary<int, List<string>>();
        List<Want> wants = [];
        foreach (var (name, brief) in days)
        {
            cancel.ThrowIfCancellationRequested();
            var own = Matcher.For(brief with { Owned = Owned.Only }, shed, cancel: cancel).Choose();
            var head = own.Judged.First(j => j.Link == LinkId.Head);
            if (own.Outfit.Line.IsThere && head.Verdict == Verdict.Fits)
            {
                if (!have.TryGetValue(own.Outfit.Line.Id, out var served))
                    have[own.Outfit.Line.Id] = served = [];
                served.Add(name);
            }
            else
                wants.Add(new(name, own.Class.Target, own.Spec.Density, own.Spec.Coatings, brief.Salt));
        }
        List<LineOfDays> buy = [];
        while (wants.Count > 0)
        {
            // The want that, bought, serves most of the days still open; of equals the one nearest to them all.
            var best = wants
                .Select(w => (Want: w, Serves: wants.Where(o => Serves(w, o)).ToList()))
                .OrderByDescending(x => x.Serves.Count)
                .ThenBy(x => x.Serves.Sum(o => Math.Abs(o.Class - x.Want.Class)))
                .First();
            buy.Add(ToBuy(best.Want, best.Serves));
            wants.RemoveAll(best.Serves.Contains);
        }
        return new(
            [
                .. have.OrderByDescending(h => h.Value.Count)
                    .Select(h =>
                    {
                        var line = shed.Lines.First(l => l.Id == h.Key);
                        Sentence says = $"{line.Tag} {line.Name}";
                        return new LineOfDays(line.Tag, line.Classes?.Low ?? 0, line.Density, says, h.Value);
                    }),
            ],
            buy
        );
    }

    // A line serves another day when it goes on that day's rod, sinks alike and stands its water.
    private static bool Serves(Want line, Want day) =>
        line.Density == day.Density
        && Math.Abs(line.Class - day.Class) <= ClassTarget.Near
        && (line.Coatings.Count == 0 || day.Coatings.Count == 0 || line.Coatings.Intersect(day.Coatings).Any());

    private static LineOfDays ToBuy(Want want, IReadOnlyList<Want> serves)
    {
        var middle = Math.Round(want.Class);
        // The coating that stands most of these days' water.
        var best = want.Coatings.OrderByDescending(c => serves.Count(s => s.Coatings.Count == 0 || s.Coatings.Contains(c))).ToList();
        var word = best is [var id, ..] ? $", {Coatings.Of(id).Name} coating" : "";
        return new(
            null,
            middle,
            want.Density,
            $"#{Quantity.Class(middle)} {Densities.Of(want.Density).Name}{word}{(serves.Any(s => s.Salt) ? ", rated for salt" : "")}",
            [.. serves.Select(s => s.Day)]
        );
    }
}
