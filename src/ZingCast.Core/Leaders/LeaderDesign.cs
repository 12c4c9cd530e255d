using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

/// <summary>Ways to build leaders.</summary>
public enum LeaderSchool
{
    /// <summary>A knotless taper from a packet, tippet knotted on.</summary>
    Tapered,

    /// <summary>Knotted from the spools at hand.</summary>
    Knotted,

    /// <summary>One thickness from line to fly.</summary>
    Level,

    /// <summary>A coated taper, tippet on a small ring.</summary>
    Coated,

    /// <summary>Long and thin, to lead a nymph close with no line on the water.</summary>
    Led,
}

/// <summary>What a leader should be.</summary>
/// <param name="LengthM">Whole length, metres.</param>
/// <param name="LineTipM">Diameter of the line's tip, metres.</param>
/// <param name="TippetM">Tippet, metres.</param>
/// <param name="GuardM">Bite guard, metres; 0 for none.</param>
/// <param name="Guard">What the guard is of.</param>
/// <param name="SinkMps">How fast a coated one sinks, m/s; null for floating.</param>
public sealed record LeaderWish(
    double LengthM,
    double LineTipM,
    double TippetM,
    double GuardM = 0,
    LeaderMaterial Guard = LeaderMaterial.Fluorocarbon,
    double? SinkMps = null
)
{
    /// <summary>Every field that cannot be used; empty when all is well.</summary>
    public IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Range("lengthM", LengthM, .5, 12, "A leader is between 0.5 and 12 m (20 in and 39 ft).")
            .Range("lineTipM", LineTipM, .0003, .003, "A line tip is between 0.3 and 3 mm thick.")
            .Within("tippetM", TippetM, Tippets.Limits)
            .Range("guardM", GuardM, 0, 2, "A bite guard is up to 2 m long.")
            .Must("guard", Guard is LeaderMaterial.Wire or LeaderMaterial.Fluorocarbon, "A guard is of wire or of fluorocarbon.")
            .Range("sinkMps", SinkMps, 0, .3, "A coated leader sinks at up to 30 cm/s (12 in/s).")
            .Problems;
}

/// <summary>Builds leaders by school, as a start to edit by hand.</summary>
public static class LeaderDesign
{
    // Shortest knotted step that fingers tie well, metres, and the share of the body that steps may take. Common practice.
    private const double ShortestStepM = .12,
        MaxSteps = .35;

    // How much larger a good step may become where there is no room for as many, metres.
    private const double GrowM = .00001;

    // Coated leaders: thickness from butt to end, and the tippet behind them, metres. Led ones: the level run and its brighter end, metres.
    // Common practice.
    private const double CoatedButtM = .0011,
        CoatedEndM = .0006,
        CoatedTippetM = 1.1,
        LedRunM = .00028,
        SighterM = .00025,
        SighterLengthM = .45,
        LedTippetM = 1.5;

    /// <summary>Longest coated leader sold, metres; the rest is tippet. Common practice.</summary>
    private const double CoatedLongestM = 3;

    /// <summary>What people call a school.</summary>
    public static string NameOf(LeaderSchool school) =>
        school switch
        {
            LeaderSchool.Knotted => "knotted from the pocket",
            LeaderSchool.Level => "straight, one thickness",
            LeaderSchool.Coated => "coated taper, tippet on a ring",
            LeaderSchool.Led => "long, to lead a nymph",
            _ => "knotless taper",
        };

    /// <summary>A leader by this school; null when the spools for it are missing.</summary>
    public static Leader? For(LeaderSchool school, LeaderWish wish, IReadOnlyList<LeaderSpool> spools) =>
        school switch
        {
            LeaderSchool.Knotted => Knotted(wish, spools),
            LeaderSchool.Level => Level(wish, spools),
            LeaderSchool.Coated => Coated(wish, spools),
            LeaderSchool.Led => Led(wish, spools),
            _ => Tapered(wish, spools),
        };

    private static Leader Tapered(LeaderWish wish, IReadOnlyList<LeaderSpool> spools)
    {
        var built = Leader.Build(wish.LengthM, wish.LineTipM, wish.TippetM, 0);
        return Leader.From([.. Fit(built.Pieces, wish).Select(p => p.Knot is null ? p : From(p, spools))], wish.GuardM, wish.Guard);
    }

    // A guard shortens every piece of the body in proportion.
    private static IEnumerable<LeaderPiece> Fit(IReadOnlyList<LeaderPiece> pieces, LeaderWish wish)
    {
        var by = Body(wish) / wish.LengthM;
        return pieces.Select(p => p with { LengthM = p.LengthM * by });
    }

    private static Leader Level(LeaderWish wish, IReadOnlyList<LeaderSpool> spools)
    {
        var level = new LeaderPiece(LeaderPart.Tippet, Body(wish), wish.TippetM, wish.TippetM);
        return Leader.From([From(level, spools)], wish.GuardM, wish.Guard);
    }

    private static Leader Coated(LeaderWish wish, IReadOnlyList<LeaderSpool> spools)
    {
        var tippet = Math.Min(CoatedTippetM, Body(wish) / 2);
        var coated = Math.Min(CoatedLongestM, Body(wish) - tippet);
        var end = Math.Max(CoatedEndM, wish.TippetM);
        return Leader.From(
            [
                new(LeaderPart.Butt, coated, Math.Max(CoatedButtM, end), end) { Material = LeaderMaterial.Coated },
                From(new(LeaderPart.Tippet, Body(wish) - coated, wish.TippetM, wish.TippetM) { Knot = Knots.Surgeons.Id }, spools),
            ],
            wish.GuardM,
            wish.Guard
        ) with
        {
            Ring = true,
            SinkMps = wish.SinkMps,
        };
    }

    private static Leader Led(LeaderWish wish, IReadOnlyList<LeaderSpool> spools)
    {
        var body = Body(wish);
        var run = Math.Max(wish.TippetM, LedRunM);
        var sighter = Math.Max(wish.TippetM, SighterM);
        var tippet = Math.Min(LedTippetM, .4 * body);
        var bright = Math.Min(SighterLengthM, .2 * body);
        return Leader.From(
            [
                From(new(LeaderPart.Butt, body - tippet - bright, run, run), spools),
                From(new(LeaderPart.Taper, bright, sighter, sighter) { Knot = Knots.Blood.Id }, spools),
                From(new(LeaderPart.Tippet, tippet, wish.TippetM, wish.TippetM) { Knot = Knots.Surgeons.Id }, spools),
            ],
            wish.GuardM,
            wish.Guard
        ) with
        {
            // Its knots have to pass through the guides.
            LineKnot = Knots.Nail.Id,
            Ring = true,
        };
    }

    // A guard is subtracted from the leader, of which at least a foot remains.
    private static double Body(LeaderWish wish) => Math.Max(.3, wish.LengthM - wish.GuardM);

    // From the butt's spool down to the tippet's with the fewest knots that keep every step small, no piece thinner than the next.
    private static Leader? Knotted(LeaderWish wish, IReadOnlyList<LeaderSpool> spools)
    {
        var stock = spools
            .Where(s => s.Material is LeaderMaterial.Nylon or LeaderMaterial.Fluorocarbon && s.LeftM > ShortestStepM)
            .OrderByDescending(s => s.DiameterM)
            .ThenBy(s => s.Id)
            .DistinctBy(s => s.DiameterM)
            .ToList();
        if (stock.MinBy(s => Math.Abs(s.DiameterM - wish.TippetM)) is not { } tippet)
            return null;
        var thicker = stock.Where(s => s.DiameterM > tippet.DiameterM).ToList();
        var wanted = Leader.ButtM(wish.LineTipM, tippet.DiameterM);
        if (thicker.MinBy(s => Math.Abs(s.DiameterM - wanted)) is not { } butt)
            return null;
        var between = thicker.Where(s => s.DiameterM < butt.DiameterM).ToList();
        var body = Body(wish);
        var most = (int)(MaxSteps * body / ShortestStepM);
        var chosen = between;
        for (var step = Leader.StepM; (chosen = Down(butt, between, tippet, step)).Count > most && step < .001; )
            step += GrowM;
        var each = chosen.Count == 0 ? 0 : Math.Max(ShortestStepM, Leader.TaperPart * body / chosen.Count);
        var tail = Leader.TippetPart * body;
        var pieces = new List<LeaderPiece> { Piece(LeaderPart.Butt, butt, body - tail - each * chosen.Count, null) };
        foreach (var spool in chosen.Append(tippet))
        {
            var last = ReferenceEquals(spool, tippet);
            var knot = Leader.JoinOf(pieces[^1].EndM, spool.DiameterM);
            pieces.Add(Piece(last ? LeaderPart.Tippet : LeaderPart.Taper, spool, last ? tail : each, knot.Id));
        }
        return Leader.From(pieces, wish.GuardM, wish.Guard);
    }

    private static List<LeaderSpool> Down(LeaderSpool butt, List<LeaderSpool> between, LeaderSpool tippet, double step)
    {
        List<LeaderSpool> chosen = [];
        var (at, weighs) = (butt.DiameterM, butt.KgPerM);
        while (at - tippet.DiameterM > step + 1e-9)
        {
            var below = between.Where(s => s.DiameterM < at - 1e-9 && s.KgPerM < weighs && s.KgPerM > tippet.KgPerM).ToList();
            // Mass per metre falls all the way. Take the thinnest within a good step, or else the next one there is.
            if ((below.LastOrDefault(s => at - s.DiameterM <= step + 1e-9) ?? below.FirstOrDefault()) is not { } next)
                break;
            chosen.Add(next);
            (at, weighs) = (next.DiameterM, next.KgPerM);
        }
        return chosen;
    }

    private static LeaderPiece Piece(LeaderPart part, LeaderSpool spool, double lengthM, string? knot) =>
        new(part, lengthM, spool.DiameterM, spool.DiameterM)
        {
            Material = spool.Material,
            Knot = knot,
            SpoolId = spool.Id,
            OwnN = spool.OwnN,
        };

    // A level piece comes from the spool of the same thickness, when there is one.
    private static LeaderPiece From(LeaderPiece piece, IReadOnlyList<LeaderSpool> spools) =>
        TyingList.Like(piece, spools) is { } spool
            ? piece with
            {
                SpoolId = spool.Id,
                Material = spool.Material,
                OwnN = spool.OwnN,
            }
            : piece;
}
