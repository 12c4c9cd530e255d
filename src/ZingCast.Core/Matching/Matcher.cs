using ZingCast.Core.Briefs;
using ZingCast.Core.Shed;

namespace ZingCast.Core.Matching;

/// <summary>Turns a brief, a shed and pins into an outfit with its reasons. Pure and deterministic.</summary>
public static class Matcher
{
    private static readonly IReadOnlySet<string> AllOn = new HashSet<string>();

    /// <summary>
    /// Opens a session on a brief and a shed, an empty one when none is given. <paramref name="off"/> holds ids of rules to leave out.
    /// </summary>
    public static MatchSession For(
        Brief brief,
        GearShed? shed = null,
        IReadOnlySet<string>? off = null,
        CancellationToken cancel = default
    ) => new(brief, shed ?? GearShed.Empty, off ?? AllOn, cancel);

    /// <summary>Usual leader length for a density on the day of a brief, metres.</summary>
    public static double UsualLeaderM(Brief brief, string density) => LeaderRules.UsualM(brief, density);

    /// <summary>
    /// Solves a brief. Pins hold; when they cannot work together, the answer says so and names the nearest change that works. <paramref
    /// name="off"/> holds ids of rules to leave out. Check the pins first: a pin on a piece that is not in the shed is ignored.
    /// </summary>
    public static Solution Solve(
        Brief brief,
        GearShed shed,
        Pins? pins = null,
        IReadOnlySet<string>? off = null,
        IProgress<double>? progress = null,
        CancellationToken cancel = default
    )
    {
        var session = For(brief, shed, off, cancel);
        var choice = session.Choose(pins, progress);
        return session.Explain(choice) with { Contradiction = Contradictions.In(session, choice) };
    }
}
