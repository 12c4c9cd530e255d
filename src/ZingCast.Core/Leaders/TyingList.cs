using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

/// <summary>A length to cut.</summary>
/// <param name="Piece">The piece, from 0 at the line.</param>
/// <param name="Name">What it is: "butt", "tippet".</param>
/// <param name="Material">What it is of.</param>
/// <param name="DiameterM">Diameter, metres; of a shop taper at its thin end.</param>
/// <param name="LengthM">Length when all is tied, metres.</param>
/// <param name="KnotsM">What the knots at its ends eat, metres.</param>
/// <param name="DropperM">What is left standing for a second fly, metres.</param>
/// <param name="Spool">Tag of the spool it comes from; null when none is as thick.</param>
/// <param name="Bought">A taper or coated leader from a packet: it is not cut from a spool.</param>
/// <param name="Joined">How its line end is joined, in words.</param>
public sealed record TyingCut(
    int Piece,
    string Name,
    LeaderMaterial Material,
    double DiameterM,
    double LengthM,
    double KnotsM,
    double DropperM,
    string? Spool,
    bool Bought,
    string Joined
)
{
    /// <summary>Length to cut, metres.</summary>
    public double CutM => LengthM + KnotsM + DropperM;
}

/// <summary>A leader to tie.</summary>
/// <param name="Tag">Its tag.</param>
/// <param name="Name">Its name.</param>
/// <param name="Formula">It in words.</param>
/// <param name="Cuts">Lengths to cut, from the line to the fly.</param>
/// <param name="LengthM">Length when tied, metres.</param>
/// <param name="FlyKnot">Knot at the fly, in words.</param>
public sealed record TyingLeader(string Tag, string Name, Sentence Formula, IReadOnlyList<TyingCut> Cuts, double LengthM, string FlyKnot);

/// <summary>What one spool supplies for all of them.</summary>
/// <param name="Tag">Its tag.</param>
/// <param name="Name">Its name.</param>
/// <param name="Material">What it is of.</param>
/// <param name="DiameterM">Diameter, metres.</param>
/// <param name="UsedM">Taken off it, metres.</param>
/// <param name="LeftM">Left after that, metres; less than nothing when it does not do.</param>
public sealed record TyingSpool(string Tag, string Name, LeaderMaterial Material, double DiameterM, double UsedM, double LeftM)
{
    /// <summary>There is enough on it.</summary>
    public bool Enough => LeftM >= 0;
}

/// <summary>Something to buy before it can be tied.</summary>
public sealed record TyingMissing(Sentence Says);

/// <summary>What to cut from which spools, for one or several leaders.</summary>
/// <param name="Leaders">Each with its cuts.</param>
/// <param name="Spools">What each spool gives.</param>
/// <param name="Missing">What no spool in the pocket gives.</param>
/// <param name="Source">How sure the allowances are.</param>
public sealed record TyingList(
    IReadOnlyList<TyingLeader> Leaders,
    IReadOnlyList<TyingSpool> Spools,
    IReadOnlyList<TyingMissing> Missing,
    Source Source
)
{
    // Spools this close in thickness count as the same, metres: printed figures are rounded that much.
    private const double SameM = .000006;

    /// <summary>The spool of the same thickness and material as a piece, the fullest first; null when there is none.</summary>
    public static LeaderSpool? Like(LeaderPiece piece, IReadOnlyList<LeaderSpool> spools) =>
        spools.FirstOrDefault(s => s.Id != 0 && s.Id == piece.SpoolId)
        ?? spools
            .Where(s => Math.Abs(s.DiameterM - piece.EndM) < SameM)
            .OrderBy(s => s.Material == piece.Material ? 0 : 1)
            .ThenByDescending(s => s.LeftM)
            .FirstOrDefault(s =>
                s.Material == piece.Material || piece.Material == LeaderMaterial.Nylon && s.Material != LeaderMaterial.Wire
            );

    /// <summary>Computes the list. Length used up by knots: turns by arithmetic, allowance for fingers by common practice.</summary>
    public static TyingList For(IReadOnlyList<TiedLeader> leaders, IReadOnlyList<LeaderSpool> spools)
    {
        var used = new Dictionary<string, double>();
        List<TyingMissing> missing = [];
        List<TyingLeader> all = [];
        foreach (var tied in leaders)
        {
            var cuts = Cuts(tied.Leader, spools);
            foreach (var cut in cuts)
                if (cut.Spool is { } tag)
                    used[tag] = used.GetValueOrDefault(tag) + cut.CutM;
                else
                    missing.Add(
                        new(
                            cut.Bought
                                ? (Sentence)$"{tied.Tag}: a {(cut.Material == LeaderMaterial.Coated ? "coated" : "knotless")} taper of "
                                    + $"{Quantity.RodLength(cut.LengthM)} down to {Quantity.Tippet(cut.DiameterM)}"
                                : $"{tied.Tag}: {Quantity.RodLength(cut.CutM)} of {Quantity.Diameter(cut.DiameterM)} "
                                    + $"{LeaderMaterials.Get(cut.Material).Name}"
                        )
                    );
            all.Add(new(tied.Tag, tied.Name, tied.Leader.Formula(), cuts, tied.Leader.LengthM, Knots.Get(tied.Leader.FlyKnot).Name));
        }
        var taken = spools
            .Where(s => used.ContainsKey(s.Tag))
            .Select(s => new TyingSpool(s.Tag, s.Name, s.Material, s.DiameterM, used[s.Tag], s.LeftM - used[s.Tag]));
        return new(all, [.. taken], missing, Knots.EatsSource);
    }

    /// <summary>
    /// Lengths to cut for one leader, from the line to the fly: its length, what each knot uses up on both sides, and its droppers.
    /// </summary>
    public static IReadOnlyList<TyingCut> Cuts(Leader leader, IReadOnlyList<LeaderSpool> spools)
    {
        var pieces = leader.Pieces;
        List<TyingCut> cuts = [];
        for (var i = 0; i < pieces.Count; )
        {
            // Pieces joined without a knot are cut as one.
            var to = i + 1;
            while (to < pieces.Count && pieces[to].Knot is null)
                to++;
            LeaderPiece first = pieces[i],
                last = pieces[to - 1];
            var above = i == 0 ? LineEnd(leader) : leader.KnotOf(i)!;
            var below = to == pieces.Count ? Knots.Get(leader.FlyKnot) : leader.KnotOf(to)!;
            var bought = first.StartM != last.EndM || first.Material == LeaderMaterial.Coated;
            cuts.Add(
                new(
                    i,
                    first.Name,
                    first.Material,
                    last.EndM,
                    pieces.Skip(i).Take(to - i).Sum(p => p.LengthM),
                    // A bought taper comes with its loop or long butt: only the knot at its thin end uses up length.
                    (bought && i == 0 ? 0 : above.EatsM(first.StartM)) + below.EatsM(last.EndM),
                    leader.Droppers.Where(d => d.Piece == to).Sum(d => d.LengthM),
                    bought ? null : Like(first, spools)?.Tag,
                    bought,
                    i == 0 ? (leader.LineKnot == Knots.Nail.Id ? Knots.Nail.Name : Knots.Perfection.Name)
                        : leader.OnRing(i) ? "clinch to the ring"
                        : above.Name
                )
            );
            i = to;
        }
        return cuts;
    }

    // A loop-to-loop joint uses up what its loop does.
    private static Knot LineEnd(Leader leader) => leader.LineKnot == Knots.Loops.Id ? Knots.Perfection : Knots.Nail;
}
