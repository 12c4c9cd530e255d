using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>Joints between the fly and the arbor.</summary>
public enum KnotAt
{
    /// <summary>The weakest knot from the leader's butt to the fly.</summary>
    Tippet,

    /// <summary>Leader to line.</summary>
    LeaderToLine,

    /// <summary>Line to backing.</summary>
    LineToBacking,
}

/// <summary>A joint and its knotted strength.</summary>
/// <param name="At">Where.</param>
/// <param name="Name">What people call it.</param>
/// <param name="StandsN">Newtons.</param>
/// <param name="Weakest">The first to go.</param>
public sealed record KnottedJoint(KnotAt At, string Name, double StandsN, bool Weakest);

/// <summary>A measured drag setting.</summary>
/// <param name="Right">It is where it should be.</param>
/// <param name="Says">That, or what to do.</param>
public sealed record DragReading(bool Right, Sentence Says);

/// <summary>Drag setting, from the weakest knotted link.</summary>
/// <param name="Joints">From the fly to the arbor.</param>
/// <param name="WeakestN">What the weakest stands, newtons.</param>
/// <param name="RangeN">A quarter to three tenths of it, newtons.</param>
/// <param name="SetN">Between the two, or the most the reel gives, newtons.</param>
/// <param name="Says">It in a sentence.</param>
public sealed record DragSetting(IReadOnlyList<KnottedJoint> Joints, double WeakestN, Spread RangeN, double SetN, Sentence Says)
{
    /// <summary>Shares of the weakest knotted link: a quarter to three tenths. Common practice, "a quarter to a third".</summary>
    public static readonly Spread Share = new(.25, .30);

    /// <summary>
    /// Judges a spring scale reading: right when within the range, or within the tolerance of the scale around the middle.
    /// </summary>
    public static DragReading Judge(Spread rangeN, double setN, double readN, double plusMinusN)
    {
        var off = readN - setN;
        return (readN >= rangeN.Low && readN <= rangeN.High) || Math.Abs(off) <= plusMinusN
            ? new(true, $"There it is")
            : new(false, $"{Quantity.Force(Math.Abs(off))} too {(off > 0 ? "hard: ease" : "light: tighten")} the knob");
    }

    /// <summary>Computes it for a leader, a line and a backing on a reel.</summary>
    public static DragSetting For(Leader leader, FlyLine line, Backing backing, Reel reel)
    {
        var core = line.CoreN();
        var joints = LeaderStrength.Joints(leader, core);
        // The part nearest the fly: tippet and guard with their knots.
        var below = joints.Where(j => j.At != LeaderJointAt.Line).MinBy(j => j.StandsN)!;
        (KnotAt At, string Name, double N)[] stands =
        [
            (KnotAt.Tippet, below.At == LeaderJointAt.Fly ? leader.Pieces[^1].Name : below.Name, below.StandsN),
            (KnotAt.LeaderToLine, "leader to line", joints[0].StandsN),
            (KnotAt.LineToBacking, "line to backing", Knots.Nail.UsualShare * Math.Min(core, backing.StrengthN)),
        ];
        var weakest = stands.MinBy(s => s.N);
        var range = new Spread(Share.Low * weakest.N, Share.High * weakest.N);
        var middle = (range.Low + range.High) / 2;
        var set = Math.Min(middle, reel.DragN ?? middle);
        return new(
            [.. stands.Select(s => new KnottedJoint(s.At, s.Name, s.N, s.At == weakest.At))],
            weakest.N,
            range,
            set,
            set < range.Low
                ? $"{Quantity.Force(set)} is all this reel gives: less than a quarter of the {weakest.Name}"
                : (Sentence)$"A quarter to three tenths of the {weakest.Name}, {Quantity.Force(weakest.N)} knotted; pulled straight off "
                    + $"the full spool"
        );
    }
}
