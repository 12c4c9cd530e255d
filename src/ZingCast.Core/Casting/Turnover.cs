namespace ZingCast.Core.Casting;

/// <summary>How one leader turns over, for leaders to be compared by.</summary>
/// <param name="ReachM">Farthest that it gets, metres.</param>
/// <param name="InHandM">Beyond the wanted distance, metres; negative when short.</param>
/// <param name="Fishes">It lies straight, or nearly, at the wanted distance.</param>
/// <param name="FlyMps">Speed of the fly when the leader straightens there, m/s; 0 when it does not.</param>
/// <param name="PileM">What does not straighten, metres.</param>
/// <param name="DriftM">How far wind across carries the fly to the left, metres; negative to the right.</param>
/// <param name="SameMps">Speed of the fly when it is thrown just as the first of those compared, m/s.</param>
/// <param name="SameShare">That speed as a share of the first one's; null when either does not straighten.</param>
/// <param name="SamePileM">What does not straighten then, metres.</param>
public sealed record Turnover(
    double ReachM,
    double InHandM,
    bool Fishes,
    double FlyMps,
    double PileM,
    double DriftM,
    double SameMps,
    double? SameShare,
    double SamePileM
)
{
    /// <summary>
    /// Simulates the same fly, line and rod with several leaders: each at its best, and each cast exactly as the first. At least one.
    /// </summary>
    public static IReadOnlyList<Turnover> For(IReadOnlyList<CastSetup> setups, double wantedM)
    {
        var answers = setups.Select(s => CastSearch.Reach(s, wantedM)).ToList();
        var first = answers[0].Cast;
        return
        [
            .. answers.Select(
                (a, i) =>
                {
                    var same = CastEngine.Throw(setups[i], first.CarryM, first.AngleRad, first.ShotM);
                    return new Turnover(
                        a.Farthest.ReachM,
                        a.InHandM,
                        a.Can,
                        a.Cast.TurnoverMps,
                        a.Cast.PileM,
                        a.Cast.FlyDriftM,
                        same.TurnoverMps,
                        first.TurnoverMps > 0 && same.TurnoverMps > 0 ? same.TurnoverMps / first.TurnoverMps : null,
                        same.PileM
                    );
                }
            ),
        ];
    }
}
