using ZingCast.Core.Lines;

namespace ZingCast.Store;

/// <summary>A cut or a weighing, written down as it happened.</summary>
/// <param name="At">When.</param>
/// <param name="Tag">The piece.</param>
/// <param name="TakenM">What the blade took, metres; 0 for a weighing.</param>
/// <param name="LeftM">What was left of the piece, metres.</param>
/// <param name="MassKg">What the scale said, kilograms; null for a cut.</param>
/// <param name="KeptAs">Tag under which the cut-off went back into the drawer.</param>
/// <param name="PlusMinusKg">How far the scale could be off, kilograms.</param>
public sealed record CutStep(
    DateTime At,
    string Tag,
    double TakenM,
    double LeftM,
    double? MassKg = null,
    string? KeptAs = null,
    double PlusMinusKg = 0
);

/// <summary>A piece of a job: a scrap on its way to what the plan wants of it.</summary>
/// <param name="ScrapId">The scrap it is cut from; its row follows every cut.</param>
/// <param name="Tag">Its tag.</param>
/// <param name="FrontM">What is still to come off the front, metres.</param>
/// <param name="BackM">What is still to come off the back, metres.</param>
/// <param name="PlannedM">Length the plan wants, metres.</param>
/// <param name="PlannedKg">Mass the plan wants, kilograms.</param>
/// <param name="Turned">Its back points to the fly.</param>
/// <param name="NibbleFront">The front is the end that is nibbled.</param>
/// <param name="Done">As near as scale and blade allow.</param>
public sealed record CutJobPiece(
    int ScrapId,
    string Tag,
    double FrontM,
    double BackM,
    double PlannedM,
    double PlannedKg,
    bool Turned,
    bool NibbleFront,
    bool Done
);

/// <summary>A head being made from scraps.</summary>
public sealed class CutJob
{
    public int Id { get; set; }

    public required CutTarget Target { get; set; }

    public required List<CutJobPiece> Pieces { get; set; }

    public List<CutStep> Steps { get; set; } = [];

    public DateTime BegunAt { get; set; }

    /// <summary>The line it became; null while in work.</summary>
    public int? LineId { get; set; }

    /// <summary>Lines it was before it was taken apart again; they cannot come back beside what is made of the pieces next.</summary>
    public List<int> TakenApart { get; set; } = [];

    /// <summary>Counts changes, so that two windows do not cut the same piece.</summary>
    public int Version { get; set; }

    public DateTime? DeletedAt { get; set; }
}

/// <summary>
/// A scrap that is in a job, on the bench or made into a line. The scrap is the key: whatever is asked for at the same moment, it is in
/// one job only.
/// </summary>
public sealed class ScrapInJob
{
    public int ScrapId { get; set; }

    public int JobId { get; set; }
}
