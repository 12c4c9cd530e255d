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
/// Every piece that may come along: what is in the shed, and what might be bought, which has an identity below 0. A piece to mend is left
/// at home, and so is one that nobody knows the class or mass of.
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
    /// <summary>What is there.</summary>
    public static TripPool Of(GearShed shed)
    {
        List<Remark> left = [];
        bool Comes(Gear piece)
        {
            Sentence? why =
                piece.Condition == Condition.Mend ? (Sentence)$"{piece.Tag} {piece.Name} is to be mended first"
                : piece is Rod { Class: null } ? (Sentence)$"nobody knows the class of {piece.Tag} {piece.Name}"
                : piece is FlyLine { MassKg: null } ? (Sentence)$"nobody knows what {piece.Tag} {piece.Name} weighs"
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

    /// <summary>
    /// The same with what each day asks for, were it bought: the rod, line and reel of that day, and a line for the best rod that is there.
    /// </summary>
    public TripPool AndToBuy(IReadOnlyList<TripDay> days, GearShed shed, CancellationToken cancel = default)
    {
        List<Rod> rods = [];
        List<FlyLine> lines = [];
        List<Reel> reels = [];
        Dictionary<Gear, Sentence> asked = new(ReferenceEqualityComparer.Instance);
        foreach (var day in days)
        {
            cancel.ThrowIfCancellationRequested();
            var session = Matcher.For(day.Brief with { Owned = Owned.Any }, shed, cancel: cancel);
            var all = session.Choose();
            Take(all, session);
            if (Rods.Count == 0)
                continue;
            var own = Matcher.For(day.Brief with { Owned = Owned.Only }, shed with { Rods = Rods, Lines = [] }, cancel: cancel);
            Take(own.Choose(), own);
        }
        return this with { Rods = [.. Rods, .. rods], Lines = [.. Lines, .. lines], Reels = [.. Reels, .. reels], Asked = asked };

        void Take(Choice choice, MatchSession session)
        {
            var card = session.Explain(choice).Card;
            Sentence Said(LinkId link) => card.Lines.First(l => l.Link == link).Says;
            var outfit = choice.Outfit;
            if (!outfit.Rod.IsThere && !rods.Any(r => Alike(r, outfit.Rod)))
                rods.Add(Named(outfit.Rod with { Id = -1 - rods.Count, Tag = outfit.Rod.UsualName() }, Said(LinkId.Rod)));
            if (!outfit.Line.IsThere && !lines.Any(l => Alike(l, outfit.Line)))
                lines.Add(Named(outfit.Line with { Id = -1 - lines.Count, Tag = Called(outfit) }, Said(LinkId.Head)));
            if (!outfit.Reel.IsThere && !reels.Any(r => Alike(r, outfit.Reel)))
                reels.Add(Named(outfit.Reel with { Id = -1 - reels.Count, Tag = outfit.Reel.UsualName() }, Said(LinkId.Reel)));
        }

        T Named<T>(T piece, Sentence says)
            where T : Gear
        {
            asked[piece] = says;
            return piece;
        }
    }

    private static string Called(Outfit outfit) => $"{Densities.Of(outfit.Line.Density).Name} for a #{Math.Round(outfit.Rod.Class ?? 0):0}";

    // Nobody in a shop would tell them apart.
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

/// <summary>Something told in a sentence.</summary>
public sealed record Remark(Sentence Says);
