using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>
/// What to look for apart from the class. The class is judged with exactly this, and exactly this is named when something has to be bought.
/// Equal for equal days.
/// </summary>
/// <param name="RodLengthM">Rod length, metres.</param>
/// <param name="Action">Rod action.</param>
/// <param name="HeadM">Head length wanted, metres.</param>
/// <param name="Density">Density id.</param>
/// <param name="Coating">Coating id.</param>
/// <param name="LeaderM">Leader, metres.</param>
/// <param name="Tippet">Tippet and guard.</param>
public sealed record Tackle(
    double RodLengthM,
    RodAction Action,
    Spread HeadM,
    string Density,
    string Coating,
    double LeaderM,
    TippetChoice Tippet
)
{
    /// <summary>Short heads are built this much heavier than the rod's class on purpose, classes; 1½ to 2 in practice.</summary>
    public const double ShortHeadHeavier = 1.75;

    // Running line of a separate head: length and thickness, metres; length of such a head, metres. Distance from which lines are made
    // for distance, metres. Least length of a weight-forward line, and how much longer than its head it is at least, metres.
    private const double ShootingLineM = 30,
        ShootingThickM = .00065,
        ShootingHeadM = 29 * Exact.FootM,
        NearM = 20,
        LeastLineM = 30,
        BehindHeadM = 20;

    /// <summary>What a brief asks for before any gear is looked at, with this tippet, metres.</summary>
    public static Tackle For(Brief brief, double tippetM) => For(brief, Pins.None with { TippetM = tippetM });

    internal static Tackle For(Brief brief, Pins pins) => Decide(brief, pins, new LedgerBook(new HashSet<string>())).Tackle;

    internal static (Tackle Tackle, IReadOnlyList<string> Coatings) Decide(Brief brief, Pins pins, LedgerBook book)
    {
        var tippet = TippetRules.Decide(brief, pins, book);
        var length = RodRules.Length(brief, pins, book);
        var density = LineRules.Density(brief, pins, tippet.DiameterM, book);
        var action = RodRules.Action(brief, tippet.DiameterM, density, book);
        var head = LineRules.Head(brief, density, book);
        var coatings = LineRules.Coatings(brief, book);
        var leader = LeaderRules.LengthM(brief, pins, density, length, book);
        return (new(length, action, head, density, coatings is [var first, ..] ? first : Coatings.Temperate.Id, leader, tippet), coatings);
    }

    /// <summary>An ordinary rod of this class: usual mass for its length and class.</summary>
    public Rod RodOf(double lineClass) =>
        new()
        {
            Tag = "—",
            Name = "not in the shed",
            LengthM = RodLengthM,
            PrintedClass = lineClass,
            PrintedAction = Action,
            MassKg = .03 * RodLengthM + .005 * lineClass,
        };

    /// <summary>The line that loads a rod ideally on this day.</summary>
    public FlyLine LineOf(Brief brief, Rod rod)
    {
        // The longer the cast, the thinner and longer the running line and the shorter the head, until the head is separate.
        var (far, thin) = (brief.DistanceM > Choosing.FarM, Interpolation.Fraction(NearM, Choosing.FarM, brief.DistanceM));
        var middle = (HeadM.Low + HeadM.High) / 2;
        var head = Interpolation.Between(middle, Math.Min(middle, ShootingHeadM), thin);
        var draft = new FlyLine
        {
            Tag = "—",
            Name = "not in the shed",
            HeadM = head,
            LengthM = Interpolation.Between(Math.Max(LeastLineM, head + BehindHeadM), head + ShootingLineM, thin),
            RunningDiameterM = Interpolation.Between(.0009, ShootingThickM, thin),
            RearTaperM = far ? 0 : 1.5,
            Density = Density,
            Coating = Coating,
            SaltRated = brief.Salt,
            Build = far ? Build.ShootingHead : Build.WeightForward,
            HeadKg = .01,
        };
        // Scale the head until the mass outside the tip is ideal; its thickness follows from the usual density of such lines.
        var load = Choosing.Load(rod, draft, brief);
        var kg = .01 * load.Ideal * LineWeights.MassKg(load.WindowClass) / load.LineKg;
        var belly = FlyLine.UsualBellyM(kg / head, Density);
        return draft with { HeadKg = kg, BellyDiameterM = Math.Clamp(belly, .0006, .0038) };
    }

    /// <summary>The leader tied to a line.</summary>
    public Leader LeaderOn(FlyLine line) => Leader.Build(LeaderM, line.TipDiameterM, Tippet.DiameterM, Tippet.GuardM);

    /// <summary>The matched outfit of a class, ready to be simulated.</summary>
    public CastSetup Setup(Brief brief, double lineClass)
    {
        var rod = RodOf(lineClass);
        var line = LineOf(brief, rod);
        return CastSetup.For(brief, rod, line, LeaderOn(line));
    }
}
