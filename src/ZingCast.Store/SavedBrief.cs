using ZingCast.Core.Briefs;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Store;

/// <summary>A stored brief: what was entered, pinned and switched off.</summary>
public sealed record SavedBrief : Kept
{
    public required string Name
    {
        get;
        init => field = PlainText.Clean(value);
    }

    public required BriefDraft Draft { get; init; }

    public Pins Pins { get; init; } = Pins.None;

    public IReadOnlyList<string> Off { get; init; } = [];

    /// <summary>When it was changed last, UTC.</summary>
    public DateTime ChangedAt { get; init; }

    /// <summary>What is wrong, field by field. Whether pinned pieces exist is checked by <see cref="ZingDb.CheckAsync"/>.</summary>
    public override IReadOnlyList<FieldProblem> Check() =>
        [
            .. new FieldCheck().Text("name", Name, 80).Problems,
            .. Brief.Check(Draft).Select(p => p with { Field = $"draft.{p.Field}" }),
            .. TypedText.Check(Draft.Said, "draft.said.", Draft.Typed),
            .. Pins.Check(_ => true, _ => true, _ => true, _ => true),
            .. TypedText.Check(Pins.Said, "pins.said.", Pins.Typed),
            .. Rules.Check(Off),
        ];
}
