using ZingCast.Core.Lines;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Care;

/// <summary>A maintenance task done to a piece.</summary>
public sealed record Service : Kept
{
    /// <summary>What, see <see cref="CareTask"/>.</summary>
    public required string TaskId { get; init; }

    /// <summary>The piece, of the kind that the task says; 0 for flies and drawer.</summary>
    public int PieceId { get; init; }

    /// <summary>The day.</summary>
    public required DateOnly On { get; init; }

    /// <summary>How much, metres, where the task asks for it.</summary>
    public double? AmountM { get; init; }

    /// <summary>The line before it was cut or reversed, so that the service can be undone.</summary>
    public FlyLine? Before { get; init; }

    /// <summary>Anything worth knowing.</summary>
    public string? Note
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() => Check(DateOnly.MaxValue.AddDays(-1));

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check(DateOnly today)
    {
        var task = CareTask.Find(TaskId);
        var check = new FieldCheck()
            .Must("taskId", task is not null, "Pick what was done from the list.")
            .Day("on", On, today)
            .Text("note", Note, 400, optional: true, lines: true)
            .Must("amountM", task?.ByAmount != true || AmountM is not null, "Say how much came off.")
            .Range("amountM", AmountM, .01, 10, "Between 1 cm and 10 m (½ in and 33 ft).");
        return [.. check.Problems, .. (Before?.Check() ?? []).Under("before")];
    }
}
