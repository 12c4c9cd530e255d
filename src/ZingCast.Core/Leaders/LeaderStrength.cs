using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

/// <summary>Where a joint of a leader is.</summary>
public enum LeaderJointAt
{
    /// <summary>Line to leader.</summary>
    Line,

    /// <summary>One piece to the next.</summary>
    Piece,

    /// <summary>The fly.</summary>
    Fly,
}

/// <summary>A joint of a leader and what it stands.</summary>
/// <param name="At">Where.</param>
/// <param name="Piece">The piece whose line end it is, from 0 at the line; the number of pieces for the fly's.</param>
/// <param name="Knot">Knot, see <see cref="Knots"/>.</param>
/// <param name="Name">What people call the place: "tippet", "fly".</param>
/// <param name="KnotName">What they call the knot.</param>
/// <param name="StandsN">What it stands, newtons.</param>
/// <param name="PlusMinusN">
/// How far that may be off, see <see cref="Measures.Doubt"/>: the knot's spread, which holds two thirds of what people tie, and the
/// material's 15 %, a tenth where it was tried.
/// </param>
/// <param name="Tried">True when the strand's strength comes from the person's own breaks.</param>
/// <param name="Weakest">The first to go.</param>
public sealed record LeaderJoint(
    LeaderJointAt At,
    int Piece,
    string Knot,
    string Name,
    string KnotName,
    double StandsN,
    double PlusMinusN,
    bool Tried,
    bool Weakest
);

/// <summary>Strength of a leader, joint by joint.</summary>
public static class LeaderStrength
{
    private const double MaterialShare = .15,
        TriedShare = .1;

    /// <summary>
    /// Joints from the line to the fly; the weakest is marked. <paramref name="lineCoreN"/> is what the line's own core stands, newtons.
    /// Knot shares from memory.
    /// </summary>
    public static IReadOnlyList<LeaderJoint> Joints(Leader leader, double lineCoreN)
    {
        var pieces = leader.Pieces;
        List<LeaderJoint> joints = [Line(leader, lineCoreN)];
        for (var i = 1; i < pieces.Count; i++)
            if (leader.KnotOf(i) is { } knot)
                joints.Add(Between(knot, i, pieces[i - 1], pieces[i]));
        joints.Add(Joint(LeaderJointAt.Fly, pieces.Count, Knots.Get(leader.FlyKnot), "fly", pieces[^1]));
        var weakest = joints.MinBy(j => j.StandsN);
        return [.. joints.Select(j => ReferenceEquals(j, weakest) ? j with { Weakest = true } : j)];
    }

    // A loop in the butt, or turns of a nail knot on the line's coating: the weaker strand breaks.
    private static LeaderJoint Line(Leader leader, double lineCoreN)
    {
        var (knot, butt) = (Knots.Get(leader.LineKnot), leader.Pieces[0]);
        var joint = Joint(LeaderJointAt.Line, 0, knot, "line to leader", butt);
        var core = knot.UsualShare * lineCoreN;
        return core < joint.StandsN ? joint with { StandsN = core, PlusMinusN = Off(knot, MaterialShare) * core, Tried = false } : joint;
    }

    private static LeaderJoint Between(Knot knot, int piece, LeaderPiece above, LeaderPiece below) =>
        Joint(LeaderJointAt.Piece, piece, knot, below.Name, above.StrengthN() < below.StrengthN() ? above : below);

    private static LeaderJoint Joint(LeaderJointAt at, int piece, Knot knot, string name, LeaderPiece strand)
    {
        var stands = knot.UsualShare * strand.StrengthN();
        var off = Off(knot, strand.OwnN is null ? MaterialShare : TriedShare);
        return new(at, piece, knot.Id, name, knot.Name, stands, off * stands, strand.OwnN is not null, false);
    }

    private static double Off(Knot knot, double material) =>
        Math.Sqrt(Math.Pow(Doubt.Wide * (knot.Share.High - knot.Share.Low) / 2 / knot.UsualShare, 2) + material * material);
}
