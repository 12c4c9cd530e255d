using System.Numerics;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Matching;

/// <summary>For pins that cannot work together: finds the smallest sets of links to let go of.</summary>
internal static class Contradictions
{
    public static Contradiction? In(MatchSession session, Choice choice)
    {
        var pins = choice.Pins;
        var held = Enum.GetValues<LinkId>().Where(pins.Holds).ToList();
        if (held.Count == 0 || !choice.Failing.Any())
            return null;
        // Links that fail without any pin are not the pins' fault.
        var anyway = session.Choose().Failing.ToHashSet();
        var caused = choice.Failing.Where(l => !anyway.Contains(l)).ToList();
        if (caused.Count == 0)
            return null;

        Sentence why = $"{Chain.NameOf(caused[0])}: {choice.Judged[(int)caused[0] - 1].Why()}";
        foreach (var size in Subsets(held).GroupBy(s => s.Count))
        {
            Remedy[] remedies = [.. size.Select(release => Try(session, pins, release, anyway)).OfType<Remedy>()];
            if (remedies.Length > 0)
                return new(caused, why, remedies);
        }
        return new(caused, why, []);
    }

    private static Remedy? Try(MatchSession session, Pins pins, List<LinkId> release, HashSet<LinkId> anyway)
    {
        var looser = release.Aggregate(pins, (p, link) => p.Without(link));
        var found = session.Choose(looser);
        if (found.Failing.Any(l => !anyway.Contains(l)))
            return null;
        var names = string.Join(" and the ", release.Select(l => Chain.NameOf(l).ToLowerInvariant()));
        Sentence becomes = $"";
        foreach (var link in release)
            becomes.AppendFormatted($"{(becomes.Parts.Count > 0 ? ", " : "")}{Chain.TitleOf(link, found.Outfit, session.Brief)}");
        // Links that fail with and without the pins still fail.
        Sentence would = found.Failing.Any() ? $"does what can be done today" : (Sentence)$"would work";
        return new(release, $"Let go of the {names}: {becomes} {would}", looser);
    }

    private static IEnumerable<List<LinkId>> Subsets(List<LinkId> held) =>
        Enumerable
            .Range(1, (1 << held.Count) - 1)
            .OrderBy(mask => BitOperations.PopCount((uint)mask))
            .Select(mask => held.Where((_, i) => (mask >> i & 1) == 1).ToList());
}
