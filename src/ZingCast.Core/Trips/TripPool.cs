using ZingCast.Core.Briefs;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Trips;

/// <summary>
/// Every piece that may be packed: gear of the shed, and pieces that might be bought, with ids below 0. Pieces to repair, or of unknown
/// class or mass, are left out.
/// </summary>
/// <param name="Rods">Rods.</param>
/// <param name="Lines">Lines.</param>
/// <param name="Reels">Reels.</param>
/// <param name="Asked">What to ask for in a shop, by kind and identity, of pieces that might be bought.</param>
/// <param name="LeftOut">Pieces of the shed that are left at home, and why.</param>
public sealed record TripPool(
    IReadOnlyList<Rod> Rods,
    IReadOnlyList<FlyLine> Lines,
    IReadOnlyList<Reel> Reels,
    IReadOnlyDictionary<Gear, Sentence> Asked,
    IReadOnlyList<Remark> LeftOut
)
{
    /// <summary>Gear of the shed.</summary>
    public static TripPool From(GearShed shed)
    {
        List<Remark> left = [];
        bool Comes(Gear piece)
        {
            Sentence? why =
                piece.Condition == Condition.Mend ? (Sentence)$"{piece.Tag} {piece.Name}: to be mended first"
                : piece is Rod { Class: null } ? (Sentence)$"{piece.Tag} {piece.Name}: nobody knows its class"
                : piece is FlyLine { MassKg: null } ? (Sentence)$"{piece.Tag} {piece.Name}: nobody knows what it weighs"
                : null;
            if (why is not null)
                left.Add(new(why));
            return why is null;
        }
        return new(
            [.. shed.Rods.Where(Comes)],
            [.. shed.Lines.Where(Comes)],
            [.. shed.Reels.Where(Comes)],
            new Dictionary<Gear, Sentence>(),
            left
        );
    }

    /// <summary>The same with what each day would need bought: its rod, line and reel, and a line for the best rod of the shed.</summary>
    public TripPool AndToBuy(IReadOnlyList<TripDay> days, GearShed shed, CancellationToken cancel = default)
    {
        var wall = new Wall();
        foreach (var day in days)
        {
            cancel.ThrowIfCancellationRequested();
            var session = Matcher.For(day.Brief with { Owned = Owned.Any }, shed, cancel: cancel);
            wall.Hang(session, session.Choose());
            if (Rods.Count == 0)
                continue;
            var own = Matcher.For(day.Brief with { Owned = Owned.Only }, shed with { Rods = Rods, Lines = [] }, cancel: cancel);
            wall.Hang(own, own.Choose());
        }
        return this with
        {
            Rods = [.. Rods, .. wall.Rods],
            Lines = [.. Lines, .. wall.Lines],
            Reels = [.. Reels, .. wall.Reels],
            Asked = wall.Asked,
        };
    }

    /// <summary>
    /// What a beginner might buy: for each day its line, and one in every whole class that any of the days needs, on a rod of nine feet
    /// and, where shorter, of the day's own length. Only lengths and densities that every shop stocks.
    /// </summary>
    public static TripPool ToBegin(IReadOnlyList<TripDay> days, CancellationToken cancel = default)
    {
        var sessions = days.Select(d => Matcher.For(d.Brief with { Owned = Owned.Any }, cancel: cancel)).ToList();
        var asked = sessions.Select(s => s.Choose()).ToList();
        var targets = asked.Select(c => c.Class.Target).ToList();
        var wall = new Wall();
        for (var d = 0; d < days.Count; d++)
        for (var c = Math.Floor(targets.Min()); c <= Math.Ceiling(targets.Max()); c++)
        {
            if (Math.Abs(c - targets[d]) > FarOff)
                continue;
            // To half feet; half-way between two, to the whole foot.
            var ownM = Math.Round(asked[d].Outfit.Rod.LengthM / HalfFootM) * HalfFootM;
            foreach (var lengthM in new[] { Math.Min(ownM, Rod.Blank.LengthM), Rod.Blank.LengthM }.Distinct())
            foreach (var density in InEveryShop(asked[d].Spec.Density))
                wall.Hang(
                    sessions[d],
                    sessions[d]
                        .Choose(
                            new()
                            {
                                RodClass = c,
                                RodLengthM = lengthM,
                                Density = density,
                            }
                        )
                );
        }
        return new(wall.Rods, wall.Lines, wall.Reels, wall.Asked, []);
    }

    private const double HalfFootM = Exact.FootM / 2;

    // Few shops stock what lies between floating and intermediate.
    private static IEnumerable<string> InEveryShop(string density) =>
        Densities.Rank(density) is var rank && rank > Densities.Rank(Densities.Floating.Id) && rank < Densities.Rank(Intermediate)
            ? [Densities.Floating.Id, Intermediate]
            : [density];

    private const string Intermediate = "intermediate";

    // A class farther off than this is no compromise for that day.
    private const double FarOff = 2;

    // Stock of a shop: each kind of piece once.
    private sealed class Wall
    {
        public List<Rod> Rods { get; } = [];

        public List<FlyLine> Lines { get; } = [];

        public List<Reel> Reels { get; } = [];

        public Dictionary<Gear, Sentence> Asked { get; } = new(ReferenceEqualityComparer.Instance);

        public void Hang(MatchSession session, Choice choice)
        {
            var card = session.Explain(choice).Card;
            var outfit = choice.Outfit;
            T Named<T>(T piece, LinkId link)
                where T : Gear
            {
                Asked[piece] = card.Lines.First(l => l.Link == link).Says;
                return piece;
            }
            if (!outfit.Rod.IsThere && !Rods.Any(r => Alike(r, outfit.Rod)))
                Rods.Add(Named(outfit.Rod with { Id = -1 - Rods.Count, Tag = outfit.Rod.UsualName() }, LinkId.Rod));
            if (!outfit.Line.IsThere && !Lines.Any(l => Alike(l, outfit.Line)))
                Lines.Add(Named(outfit.Line with { Id = -1 - Lines.Count, Tag = Called(outfit) }, LinkId.Head));
            if (!outfit.Reel.IsThere && !Reels.Any(r => Alike(r, outfit.Reel)))
                Reels.Add(Named(outfit.Reel with { Id = -1 - Reels.Count, Tag = outfit.Reel.UsualName() }, LinkId.Reel));
        }
    }

    private static string Called(Outfit outfit) => $"#{Math.Round(outfit.Rod.Class ?? 0):0} {Densities.Get(outfit.Line.Density).Name}";

    // Whether a shop would not distinguish them.
    private static bool Alike(Rod a, Rod b) =>
        a.PrintedClass == b.PrintedClass && a.PrintedAction == b.PrintedAction && Math.Abs(a.LengthM - b.LengthM) < NearlyM;

    private static bool Alike(FlyLine a, FlyLine b) =>
        (a.Build, a.Density, a.Coating, a.SaltRated) == (b.Build, b.Density, b.Coating, b.SaltRated)
        && Math.Abs(a.HeadM - b.HeadM) < 1
        && Math.Abs(a.MassKg!.Value / b.MassKg!.Value - 1) < .05;

    private static bool Alike(Reel a, Reel b) =>
        a.SaltProof == b.SaltProof && a.LabelLow == b.LabelLow && Math.Abs(a.RimM!.Value / b.RimM!.Value - 1) < .06;

    private const double NearlyM = .08;
}

/// <summary>A remark in one sentence.</summary>
public sealed record Remark(Sentence Says);
