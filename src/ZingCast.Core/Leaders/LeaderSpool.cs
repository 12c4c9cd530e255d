using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

/// <summary>A break test: a steady pull on an anchored line until it breaks, with eyes protected.</summary>
/// <param name="At">When, UTC.</param>
/// <param name="Knot">The knot that was pulled, see <see cref="Knots"/>.</param>
/// <param name="BrokeN">What the scale said last, newtons.</param>
public sealed record TippetBreak(DateTime At, string Knot, double BrokeN);

/// <summary>A spool of leader material or tippet.</summary>
public sealed record LeaderSpool : Gear
{
    /// <summary>What it is.</summary>
    public LeaderMaterial Material { get; init; }

    /// <summary>Diameter, metres.</summary>
    public required double DiameterM { get; init; }

    /// <summary>Length left on it, metres, as far as known.</summary>
    public double LeftM { get; init; } = 25;

    /// <summary>What its label says it stands, newtons.</summary>
    public double? StatedN { get; init; }

    /// <summary>Break tests of it.</summary>
    public IReadOnlyList<TippetBreak> Breaks { get; init; } = [];

    /// <summary>A spool to start filling in.</summary>
    public static readonly LeaderSpool Blank = new()
    {
        Tag = "",
        Name = "",
        DiameterM = .0002,
    };

    /// <inheritdoc />
    public override Spread? Classes => null;

    /// <inheritdoc />
    public override bool IsMeasured => Breaks.Count > 0;

    /// <summary>Mean of the break tests, knots included, newtons; null when never tested.</summary>
    public double? BrokeN => Breaks.Count > 0 ? Breaks.Average(b => b.BrokeN) : null;

    /// <summary>
    /// Straight-pull strength by the break tests, newtons: each divided by the share that its knot keeps; null when never tested.
    /// </summary>
    public double? OwnN => Breaks.Count > 0 ? Breaks.Average(b => b.BrokeN / Knots.Get(b.Knot).UsualShare) : null;

    /// <summary>Strength by the table, with a clinch, newtons.</summary>
    public double KnottedN => Knots.Clinch.UsualShare * LeaderMaterials.StrengthN(Material, DiameterM);

    /// <summary>What a metre of it weighs, kilograms.</summary>
    internal double KgPerM => LeaderMaterials.KgPerM(Material, DiameterM);

    /// <summary>Number of break tests kept; the oldest are dropped.</summary>
    public const int MaxBreaks = 20;

    /// <summary>This with another break noted.</summary>
    public LeaderSpool Broke(TippetBreak one) => this with { Breaks = [.. Breaks.TakeLast(MaxBreaks - 1), one] };

    /// <inheritdoc />
    public override string UsualName() => LeaderMaterials.Get(Material).Name;

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() =>
        CheckFields(LeaderFields.Spool)
            .Must(
                "breaks",
                Breaks is { Count: <= MaxBreaks }
                    && Breaks.All(b => b is { BrokeN: >= .05 and < 1000 } && Knots.Find(b.Knot) is { Use: KnotUse.Fly or KnotUse.Join }),
                "A break has a knot and a pull of up to 1000 N."
            )
            .Problems;
}

/// <summary>A leader that was designed or tied and is kept.</summary>
public sealed record TiedLeader : Gear
{
    /// <summary>What it is.</summary>
    public required Leader Leader { get; init; }

    /// <inheritdoc />
    public override Spread? Classes => null;

    /// <inheritdoc />
    public override bool IsMeasured => false;

    /// <inheritdoc />
    public override string UsualName() => Leader.Pieces.Count(p => p.Knot is not null) > 1 ? "tied leader" : "leader";

    /// <inheritdoc />
    public override IReadOnlyList<FieldProblem> Check() =>
        [
            .. CheckFields(LeaderFields.Tied).Problems,
            .. Leader is null ? [new FieldProblem("leader", "A leader has pieces.")] : Leader.Check(),
        ];
}
