using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;

namespace ZingCast.Core.Matching;

/// <summary>What the caster does with the outfit: line carried and shot, reach, and wind on the casting shoulder.</summary>
internal static class HandRules
{
    /// <summary>Probability, 0 to 1, that the fly gets to the fish and turns over.</summary>
    public static double Chance(Brief brief, Quantity reach) => Doubt.Chance(reach.Value, reach.PlusMinus ?? 0, brief.DistanceM);

    /// <summary>Distance that is reached often enough to count as an answer, metres.</summary>
    public static double LowerBoundM(Quantity reach) => reach.Value - Doubt.FitsBy / Doubt.Wide * (reach.PlusMinus ?? 0);

    /// <summary>Lengths of line carried in the air and shot, metres.</summary>
    public static (double CarryM, double ShootM) CarryAndShoot(Brief brief, double leaderM, double usualCarryM, CastResult? cast)
    {
        if (cast is { CarryM: > 0 } made)
            return (made.CarryM, Math.Max(0, made.ShotM));
        return (usualCarryM, Math.Max(0, brief.DistanceM - usualCarryM - leaderM));
    }

    public static void Held(Brief brief, double headM, double leaderM, double carry, double shoot, LedgerBook book) =>
        book.Add(
            Rules.Carry,
            () =>
                new(
                    Quantity.Carry(carry),
                    shoot > 0
                        ? (Sentence)$"Hold {Quantity.Carry(carry)} in the air and shoot {Quantity.Distance(shoot)}"
                        : $"Hold {Quantity.Carry(carry)} in the air; nothing to shoot",
                    [
                        new("head", Quantity.Length(headM)),
                        new("overhang", Quantity.Length(brief.Caster.OverhangM)),
                        new("caster carries", Quantity.Carry(brief.Caster.CarryM)),
                        new("leader", Quantity.RodLength(leaderM)),
                    ]
                )
        );

    public static void Reached(Brief brief, Rod rod, double windowClass, CastResult far, LedgerBook book) =>
        book.Add(
            Rules.Distance,
            () =>
                new(
                    brief.Reach(far.ReachM),
                    far.Lobbed
                        ? (Sentence)$"is how far this fly is lobbed: it hardly turns over today with this outfit"
                        : $"is the farthest {brief.Caster.Article} {brief.Caster.Name} gets this fly "
                            + $"today, against {Quantity.Distance(brief.DistanceM)} wanted: "
                            + $"{brief.Caster.Odds(Chance(brief, brief.Reach(far.ReachM)))}",
                    [
                        new("in the air", Quantity.Carry(far.CarryM)),
                        new("shot", Quantity.Distance(far.ShotM)),
                        new("line speed", new Quantity(far.LaunchMps, Kind.LineSpeed)),
                        new("angle", new Quantity(far.AngleRad * 180 / Math.PI, Kind.Angle)),
                        new("in the face", Quantity.Wind(brief.HeadwindMps)),
                        new("fly against the air", Figure.Bulk(brief.Fly)),
                        new(
                            rod.TipKg is null ? "rod tip swings like, usual for its class" : "rod tip swings like, timed",
                            new Quantity(CastSetup.TipOf(rod, windowClass), Kind.BenchMass)
                        ),
                        new("usual in calm, from", Quantity.Distance(brief.Caster.CalmFromM)),
                        new("usual in calm, to", Quantity.Distance(brief.Caster.CalmToM)),
                    ],
                    Doubt: Chance(brief, brief.Reach(far.ReachM)) < Doubt.FitsFrom
                )
        );

    // Sideways drift below this needs no aiming off, metres. Our assumption.
    private const double AimsOffM = .5;

    public static void Shoulder(Brief brief, CastResult? cast, LedgerBook book)
    {
        if (Math.Abs(brief.FromRightMps) <= 1)
            return;
        book.Add(
            Rules.Shoulder,
            () =>
                new(
                    Quantity.Wind(Math.Abs(brief.FromRightMps)),
                    brief.ShoulderMps > 0
                        ? (Sentence)$"blows onto your casting shoulder: cast over the other one or turn round{Aside(cast)}"
                        : $"blows off your casting shoulder{Aside(cast)}",
                    [new("from", new Quantity(brief.WindFromDeg, Kind.Angle)), new("casting hand", BriefWords.For(brief.Hand))],
                    Doubt: brief.ShoulderMps > Brief.ShoulderWarnsMps
                )
        );
    }

    // How far a cross wind carries the fly, and to which side to aim.
    private static Sentence Aside(CastResult? cast)
    {
        if (cast is not { } thrown || Math.Abs(thrown.FlyDriftM) < AimsOffM)
            return $"";
        var (to, from) = thrown.FlyDriftM > 0 ? ("left", "right") : ("right", "left");
        return $". It carries the fly {Quantity.Length(Math.Abs(thrown.FlyDriftM))} to the {to}: aim that far to the {from}";
    }
}
