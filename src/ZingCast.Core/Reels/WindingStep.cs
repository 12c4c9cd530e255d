using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>Steps of a winding ticket, in the order of the work.</summary>
public enum WindingStepKind
{
    /// <summary>The arbor is made ready.</summary>
    Arbor,

    /// <summary>The direction in which the spool turns is checked.</summary>
    Direction,

    /// <summary>The first knot, so that the backing does not slip on the arbor.</summary>
    ArborKnot,

    /// <summary>Backing is wound on.</summary>
    Backing,

    /// <summary>The wound backing is measured.</summary>
    Over,

    /// <summary>The end of the line that goes on first is checked.</summary>
    LineEnd,

    /// <summary>Line and backing are joined.</summary>
    Joint,

    /// <summary>The joint is sealed.</summary>
    Seal,

    /// <summary>Running line is wound on.</summary>
    Running,

    /// <summary>The head is wound on.</summary>
    Head,

    /// <summary>The gap to the rim is measured.</summary>
    Rim,

    /// <summary>The leader is joined.</summary>
    Leader,
}

/// <summary>How a step is completed.</summary>
public enum WindingWay
{
    /// <summary>Done, without any input.</summary>
    Do,

    /// <summary>One of two answers is the right one.</summary>
    Choose,

    /// <summary>A length is wound on.</summary>
    Wind,

    /// <summary>A ruler is read.</summary>
    Measure,
}

/// <summary>A choice of a step.</summary>
public sealed record WindingChoice(string Id, string Name);

/// <summary>A completed step.</summary>
/// <param name="Kind">What was done.</param>
/// <param name="At">When, UTC.</param>
/// <param name="LengthM">What was wound on, metres, as it is believed; null where nothing was.</param>
/// <param name="Turns">Turns counted; null where nobody counted.</param>
/// <param name="MeasuredM">What the ruler said, metres.</param>
public sealed record WindingDone(WindingStepKind Kind, DateTime At, double? LengthM = null, double? Turns = null, double? MeasuredM = null);

/// <summary>The two counters of a winder.</summary>
public enum WindingCounter
{
    /// <summary>The wheel that line runs over.</summary>
    Length,

    /// <summary>Turns of the spool.</summary>
    Turns,
}

/// <summary>Input that completes the current step.</summary>
/// <param name="Choice">Id of the choice taken.</param>
/// <param name="LengthM">What was wound on, metres.</param>
/// <param name="Turns">Turns counted.</param>
/// <param name="MeasuredM">What the ruler says, metres.</param>
/// <param name="Believe">Which counter to believe when they disagree.</param>
/// <param name="GoOn">Overrules what is only a warning.</param>
public sealed record WindingReply(
    string? Choice = null,
    double? LengthM = null,
    double? Turns = null,
    double? MeasuredM = null,
    WindingCounter? Believe = null,
    bool GoOn = false
);

/// <summary>A step of a ticket in its present state.</summary>
/// <param name="Kind">What is done.</param>
/// <param name="Way">How it is answered.</param>
/// <param name="Title">In a word or two.</param>
/// <param name="Says">What to do.</param>
/// <param name="Caution">What can hurt; null where nothing does.</param>
/// <param name="Choices">Answers to choose from.</param>
/// <param name="LengthM">What to wind on, metres; 0 where nothing is.</param>
/// <param name="Turns">Turns of the spool that do it.</param>
/// <param name="FromM">Diameter it begins at, metres.</param>
/// <param name="ToM">Diameter it ends at, metres.</param>
/// <param name="ExpectM">What a ruler should say, metres; null where none is asked.</param>
/// <param name="ExpectBandM">From a tight to a loose wind, or a loose to a tight one, metres.</param>
/// <param name="Done">As it was done; null while it is to come.</param>
public sealed record WindingStep(
    WindingStepKind Kind,
    WindingWay Way,
    string Title,
    Sentence Says,
    Sentence? Caution,
    IReadOnlyList<WindingChoice> Choices,
    double LengthM,
    double Turns,
    double FromM,
    double ToM,
    double? ExpectM,
    Spread? ExpectBandM,
    WindingDone? Done
);

/// <summary>What is wound. Copied when the ticket is begun, so that later changes in the shed do not affect it.</summary>
/// <param name="Spool">The spool.</param>
/// <param name="Backing">Kind of backing.</param>
/// <param name="BackingM">Its length, metres.</param>
/// <param name="RunningM">Running line, metres; 0 for none.</param>
/// <param name="RunningM3">Its volume, cubic metres.</param>
/// <param name="HeadM">Head, metres; of a double taper the whole line.</param>
/// <param name="HeadM3">Its volume, cubic metres.</param>
/// <param name="EitherEnd">Both ends of the line are alike.</param>
public sealed record WindingPlan(
    SpoolShape Spool,
    string Backing,
    double BackingM,
    double RunningM,
    double RunningM3,
    double HeadM,
    double HeadM3,
    bool EitherEnd
)
{
    /// <summary>A plan for a line over a backing on a reel.</summary>
    public static WindingPlan For(Reel reel, FlyLine line, Backing backing, double backingM)
    {
        var fill = SpoolFill.For(reel, line, backing, backingM);
        SpoolLayer running = fill.Layer(SpoolLayerKind.Running),
            head = fill.Layer(SpoolLayerKind.Head);
        return new(
            fill.Spool,
            backing.Id,
            backingM,
            running.LengthM,
            running.LineM3,
            head.LengthM,
            head.LineM3,
            line.Build == Build.DoubleTaper
        );
    }
}
