namespace ZingCast.Core.Rigging;

/// <summary>What a strand of a knot drawing stands for.</summary>
public enum StrandRole
{
    /// <summary>The long, standing end: it does not move in this step. Drawn solid.</summary>
    Standing,

    /// <summary>The working end, that the fingers lead. Drawn hollow, with an arrow at its end.</summary>
    Working,

    /// <summary>Fly line: thick.</summary>
    Line,

    /// <summary>Hook or ring.</summary>
    Metal,

    /// <summary>The drum of a reel.</summary>
    Drum,

    /// <summary>A tube or needle that is laid alongside and drawn out again.</summary>
    Tube,
}

/// <summary>A point of a strand: x and y on the sheet, and height towards the viewer.</summary>
public readonly record struct KnotPoint(double X, double Y, double Z);

/// <summary>A strand, as a line through closely spaced points.</summary>
/// <param name="Role">What it stands for.</param>
/// <param name="Points">From its begin to its end; a working strand ends where the fingers hold it.</param>
/// <param name="Ends">Its last point is a free end to be seen: an arrow, or a cut tag.</param>
public sealed record KnotStrand(StrandRole Role, IReadOnlyList<KnotPoint> Points, bool Ends);

/// <summary>A place where one strand passes over another.</summary>
/// <param name="X">Across.</param>
/// <param name="Y">Down.</param>
/// <param name="Over">Number of the strand on top.</param>
/// <param name="OverAt">Where on it, as a point number with a fraction.</param>
/// <param name="Under">Number of the strand below; may be the same.</param>
/// <param name="UnderAt">Where on that.</param>
/// <param name="Z">How near to the eye the one on top is.</param>
/// <param name="Gap">How far apart they are there.</param>
public readonly record struct KnotCrossing(double X, double Y, int Over, double OverAt, int Under, double UnderAt, double Z, double Gap);

/// <summary>Words set on a drawing.</summary>
public sealed record KnotLabel(double X, double Y, string Text);

/// <summary>One step of tying a knot.</summary>
/// <param name="Says">What the fingers do.</param>
/// <param name="Strands">What is drawn, from behind to before where nothing crosses.</param>
/// <param name="Crossings">Who passes over whom, the nearest to the eye last: drawn so, none hides another that is above it.</param>
/// <param name="Labels">Words on the drawing.</param>
public sealed record KnotStep(
    string Says,
    IReadOnlyList<KnotStrand> Strands,
    IReadOnlyList<KnotCrossing> Crossings,
    IReadOnlyList<KnotLabel> Labels
)
{
    /// <summary>The sheet, across and down.</summary>
    public const double Width = 640,
        Height = 300;

    /// <summary>A step of these strands; which passes over which follows from their heights.</summary>
    public static KnotStep From(string says, IReadOnlyList<KnotStrand> strands, params IReadOnlyList<KnotLabel> labels) =>
        new(says, strands, Cross(strands), labels);

    /// <summary>
    /// Along a strand, in order, whether it passes over or under at each crossing with others or itself: "OUO". Metal and drums count too.
    /// </summary>
    public string Weave(int strand) =>
        string.Concat(
            Crossings
                .SelectMany(c => (IEnumerable<(int Strand, double At, char Way)>)[(c.Over, c.OverAt, 'O'), (c.Under, c.UnderAt, 'U')])
                .Where(c => c.Strand == strand)
                .OrderBy(c => c.At)
                .Select(c => c.Way)
        );

    private static List<KnotCrossing> Cross(IReadOnlyList<KnotStrand> strands)
    {
        List<KnotCrossing> crossings = [];
        for (var a = 0; a < strands.Count; a++)
        for (var b = a; b < strands.Count; b++)
        {
            // Eye and shank are one piece.
            if (strands[a].Role == StrandRole.Metal && strands[b].Role == StrandRole.Metal)
                continue;
            IReadOnlyList<KnotPoint> p = strands[a].Points,
                q = strands[b].Points;
            for (var i = 1; i < p.Count; i++)
            for (var j = a == b ? i + 2 : 1; j < q.Count; j++)
                if (Meet(p[i - 1], p[i], q[j - 1], q[j]) is var (t, u))
                {
                    // Two that meet end to end are one strand in two colours.
                    if (IsEnd(i - 1 + t, p.Count) && IsEnd(j - 1 + u, q.Count))
                        continue;
                    double pz = p[i - 1].Z + t * (p[i].Z - p[i - 1].Z),
                        qz = q[j - 1].Z + u * (q[j].Z - q[j - 1].Z);
                    double x = p[i - 1].X + t * (p[i].X - p[i - 1].X),
                        y = p[i - 1].Y + t * (p[i].Y - p[i - 1].Y);
                    var gap = Math.Abs(pz - qz);
                    crossings.Add(
                        pz > qz ? new(x, y, a, i - 1 + t, b, j - 1 + u, pz, gap) : new(x, y, b, j - 1 + u, a, i - 1 + t, qz, gap)
                    );
                }
        }
        return [.. crossings.OrderBy(c => c.Z)];
    }

    private static bool IsEnd(double at, int count) => at < 1 || at > count - 2;

    // Where two straight bits cross, as shares of each; null when they do not.
    private static (double T, double U)? Meet(KnotPoint a, KnotPoint b, KnotPoint c, KnotPoint d)
    {
        double rx = b.X - a.X,
            ry = b.Y - a.Y,
            sx = d.X - c.X,
            sy = d.Y - c.Y;
        var cross = rx * sy - ry * sx;
        if (Math.Abs(cross) < 1e-9)
            return null;
        double t = ((c.X - a.X) * sy - (c.Y - a.Y) * sx) / cross,
            u = ((c.X - a.X) * ry - (c.Y - a.Y) * rx) / cross;
        return t is >= 0 and < 1 && u is >= 0 and < 1 ? (t, u) : null;
    }
}

/// <summary>How a knot is tied, step by step.</summary>
/// <param name="Id">The knot, see <see cref="Standards.Knots"/>.</param>
/// <param name="For">Where it is used.</param>
/// <param name="Steps">From loose to seated.</param>
public sealed record KnotLesson(string Id, string For, IReadOnlyList<KnotStep> Steps);

/// <summary>Builds a strand through points: smooth curves, and turns around another strand.</summary>
internal sealed class StrandPath
{
    private readonly List<KnotPoint> through = [];

    /// <summary>Goes through a point; a greater height is nearer to the viewer.</summary>
    public StrandPath To(double x, double y, double z = 0)
    {
        through.Add(new(x, y, z));
        return this;
    }

    /// <summary>
    /// Winds around a strand that lies horizontally at <paramref name="y"/>, from one place to another. A whole turn passes over it once
    /// and under it once. <paramref name="from"/> is where on the circle it begins, in turns: 0 in front, a quarter above, half behind.
    /// </summary>
    public StrandPath Turns(double fromX, double toX, double y, double turns, double radius, double from = 0, bool up = true)
    {
        const int PerTurn = 12;
        var count = (int)Math.Round(turns * PerTurn);
        for (var i = 0; i <= count; i++)
        {
            var angle = 2 * Math.PI * (from + turns * i / count);
            To(fromX + (toX - fromX) * i / count, y + (up ? -1 : 1) * radius * Math.Sin(angle), radius * Math.Cos(angle));
        }
        return this;
    }

    /// <summary>The strand: a curve through its points (centripetal Catmull–Rom, so that it never loops by itself).</summary>
    public KnotStrand As(StrandRole role, bool ends = false) =>
        new(role, [.. Smooth(through).Select(p => new KnotPoint(Math.Round(p.X, 1), Math.Round(p.Y, 1), Math.Round(p.Z, 1)))], ends);

    private static List<KnotPoint> Smooth(List<KnotPoint> p)
    {
        const int Each = 7;
        if (p.Count < 3)
            return [.. p];
        List<KnotPoint> all = [];
        for (var i = 0; i < p.Count - 1; i++)
        {
            KnotPoint a = i == 0 ? Mirror(p[0], p[1]) : p[i - 1],
                b = p[i],
                c = p[i + 1],
                d = i + 2 == p.Count ? Mirror(p[^1], p[^2]) : p[i + 2];
            double t1 = Knot(a, b),
                t2 = t1 + Knot(b, c),
                t3 = t2 + Knot(c, d);
            for (var k = 0; k < Each; k++)
            {
                var t = t1 + (t2 - t1) * k / Each;
                KnotPoint a1 = Mix(a, b, 0, t1, t),
                    a2 = Mix(b, c, t1, t2, t),
                    a3 = Mix(c, d, t2, t3, t);
                KnotPoint b1 = Mix(a1, a2, 0, t2, t),
                    b2 = Mix(a2, a3, t1, t3, t);
                all.Add(Mix(b1, b2, t1, t2, t));
            }
        }
        all.Add(p[^1]);
        return all;
    }

    private static KnotPoint Mirror(KnotPoint a, KnotPoint b) => new(2 * a.X - b.X, 2 * a.Y - b.Y, 2 * a.Z - b.Z);

    private static double Knot(KnotPoint a, KnotPoint b) =>
        Math.Max(1e-6, Math.Sqrt(Math.Sqrt(Math.Pow(a.X - b.X, 2) + Math.Pow(a.Y - b.Y, 2))));

    private static KnotPoint Mix(KnotPoint a, KnotPoint b, double from, double to, double t)
    {
        var u = (t - from) / (to - from);
        return new(a.X + (b.X - a.X) * u, a.Y + (b.Y - a.Y) * u, a.Z + (b.Z - a.Z) * u);
    }
}
