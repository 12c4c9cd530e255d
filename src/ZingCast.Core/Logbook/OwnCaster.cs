using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Logbook;

/// <summary>A named person: begins as one of the presets, and gets values of their own from accepted proposals of the log.</summary>
public sealed record OwnCaster : Kept
{
    /// <summary>Name of the person.</summary>
    public required string Name
    {
        get;
        init => field = PlainText.Clean(value);
    }

    /// <summary>The preset most like them, used until they have logged casts.</summary>
    public required string From { get; init; }

    /// <summary>The id under which briefs and outings name them.</summary>
    public string CasterId => Casters.OwnId(Id);

    /// <summary>
    /// This person as a caster: the preset's values, or those of the decision accepted last. <paramref name="lesson"/> may be null.
    /// </summary>
    public Caster As(FitDecision? lesson)
    {
        var preset = (Casters.Find(From) ?? Casters.Usual) with { Id = CasterId, Name = Name };
        return lesson?.Hand is { } hand ? hand.On(preset) : preset with { About = $"{Name} as a {preset.Name}, until casts are logged" };
    }

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Text("name", Name, 40)
            .Must("name", Name is null || Casters.Rows.All(c => c.Name != Name), "That is a preset's name; take the person's own.")
            .Must("from", Casters.Find(From) is not null, "Pick whom they cast like from the list.")
            .Problems;
}

/// <summary>Casting values fitted to a person's casts.</summary>
/// <param name="FreeMps">Line speed with nothing on the rod, m/s.</param>
/// <param name="ArmKg">Line mass that halves the energy given per gram, kilograms.</param>
/// <param name="LoopM">Height of the loop, metres.</param>
/// <param name="CarryM">Most line held in the air, metres.</param>
/// <param name="ReachTolerance">How far a reach worked out from these may be off, as a share.</param>
public sealed record LearnedHand(double FreeMps, double ArmKg, double LoopM, double CarryM, double ReachTolerance)
{
    /// <summary>The values of a caster.</summary>
    public static LearnedHand From(Caster caster) => new(caster.FreeMps, caster.ArmKg, caster.LoopM, caster.CarryM, caster.ReachTolerance);

    /// <summary>A caster with these values.</summary>
    public Caster On(Caster caster) =>
        caster with
        {
            FreeMps = FreeMps,
            ArmKg = ArmKg,
            LoopM = LoopM,
            CarryM = CarryM,
            ReachTolerance = ReachTolerance,
            Source = Measured,
            About = $"{caster.Name}, as logged casts showed",
        };

    private static readonly Source Measured = new(SourceMark.Measured, "Fitted to logged casts, with the preset as prior");
}

/// <summary>
/// A proposal from the log that a person accepted or refused. An accepted one changes a caster or a rod while it is stored; when it is
/// archived, the previous values apply again.
/// </summary>
public sealed record FitDecision : Kept
{
    /// <summary>The person it is about; null when it is about a rod.</summary>
    public int? CasterId { get; init; }

    /// <summary>The rod it is about; null when it is about a person.</summary>
    public int? RodId { get; init; }

    /// <summary>Accepted, or else refused.</summary>
    public bool Accepted { get; init; }

    /// <summary>When, UTC.</summary>
    public DateTime At { get; init; }

    /// <summary>Number of casts or votes behind it.</summary>
    public int Evidence { get; init; }

    /// <summary>A person's hand.</summary>
    public LearnedHand? Hand { get; init; }

    /// <summary>A rod's feel.</summary>
    public RodFeel? Feel { get; init; }

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Must("casterId", CasterId is null != RodId is null, "A lesson is about one person or one rod.")
            .Must("hand", CasterId is null || Hand is not null, "A person's lesson says how they cast.")
            .Must("feel", RodId is null || Feel is not null, "A rod's lesson says how it feels.")
            .Range("hand.freeMps", Hand?.FreeMps, 8, 60, "Free line speed is between 8 and 60 m/s.")
            .Range("hand.armKg", Hand?.ArmKg, .005, .2, "An arm is between 5 and 200 g.")
            .Range("hand.loopM", Hand?.LoopM, .2, 4, "A loop is between 0.2 and 4 m high.")
            .Range("hand.carryM", Hand?.CarryM, 2, 40, "Line held in the air is between 2 and 40 m.")
            .Range("hand.reachTolerance", Hand?.ReachTolerance, 0, .5, "A tolerance wider than half measures nothing.")
            .Range("feel.shift", Feel?.Shift, -.6, .6, "No rod feels best so far from the rule.")
            .Problems;
}
