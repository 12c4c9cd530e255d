using static ZingCast.Core.Rigging.StrandRole;

namespace ZingCast.Core.Rigging;

/// <summary>
/// Every knot step by step. Strands are placed in space; which passes over which follows from that, so a drawing cannot contradict itself.
/// Ways of tying: common practice, no source.
/// </summary>
public static partial class KnotLessons
{
    // Height of the line that most knots are tied along, and the eye that hooks and rings have.
    private const double Mid = 150,
        EyeX = 500,
        EyeR = 24;

    /// <summary>All, in the order of <see cref="Standards.Knots.Rows"/>.</summary>
    public static readonly IReadOnlyList<KnotLesson> Rows =
    [
        Arbor(),
        Nail(),
        LoopToLoop(),
        Perfection(),
        Blood(),
        Surgeons(),
        Dropper(),
        Clinch(),
        NonSlip(),
        FigureEight(),
        HalfHitch(),
    ];

    /// <summary>How a knot is tied. Throws <see cref="InvalidOperationException"/> for a knot without a drawing.</summary>
    public static KnotLesson Get(string id) => Rows.First(r => r.Id == id);

    private static StrandPath Path() => new();

    // A hook with its eye at the left: the ring of the eye, and the shank that goes on into the bend.
    private static KnotStrand[] Hook(double x = EyeX, double y = Mid)
    {
        var eye = Path();
        for (var i = 0; i <= 24; i++)
            eye.To(x + EyeR * Math.Cos(2 * Math.PI * i / 24), y + EyeR * Math.Sin(2 * Math.PI * i / 24));
        return
        [
            eye.As(Metal),
            Path().To(x + EyeR, y).To(x + 70, y).To(x + 110, y + 8).To(x + 126, y + 40).To(x + 112, y + 70).To(x + 84, y + 70).As(Metal),
        ];
    }

    // The long end comes along the middle and goes down into the eye over its near rim.
    private static StrandPath IntoEye(StrandPath path) => path.To(EyeX - EyeR - 16, Mid, 8).To(EyeX - EyeR, Mid, 12).To(EyeX - 4, Mid);

    // The working end comes out of the eye below, under the rim.
    private static StrandPath OutOfEye() => Path().To(EyeX - 4, Mid).To(EyeX - EyeR + 4, Mid + 12, -12).To(EyeX - EyeR - 18, Mid + 28, -8);

    // An overhand knot round a middle, its loop above: in from the left, out to the right. With two turns it is a surgeon's.
    private static StrandPath Overhand(
        double x,
        double y,
        int turns,
        StrandPath? from = null,
        double loopH = 78,
        double r = 20,
        double size = 1,
        double pitch = 38
    )
    {
        var path = from ?? Path().To(0, y).To(50, y).To(100, y);
        var right = Math.Max(92, pitch * turns + 16);
        StrandPath At(double dx, double dy, double z = 0) => path.To(x + size * dx, y + size * dy, z);
        At(-120, 0);
        At(right - 52, 0);
        At(right - 10, -12);
        At(right, -44);
        At(right - 32, -loopH);
        At(0, -loopH - 8);
        At(-68, -loopH + 6);
        At(-94, -r - 26, 6);
        // Already falling at the start and still rising at the end, so that there is no kink at either.
        path.Turns(x - 74 * size, x + (pitch * turns - 74) * size, y, turns - .2, r * size, .85, up: false);
        At(pitch * turns - 48, -r - 18, 10);
        return At(right - 8, -r - 22, 16);
    }

    // Two strands laid side by side along one path: the first from the left, the second from the right.
    private static KnotStrand[] Pair(StrandPath path, double gap, int firstUntil = 0, int secondFrom = 0)
    {
        var middle = path.As(Standing).Points;
        List<KnotPoint> Beside(double by)
        {
            List<KnotPoint> side = [];
            for (var i = 0; i < middle.Count; i++)
            {
                KnotPoint a = middle[Math.Max(0, i - 1)],
                    b = middle[Math.Min(middle.Count - 1, i + 1)],
                    at = middle[i];
                var length = Math.Max(1e-6, Math.Sqrt(Math.Pow(b.X - a.X, 2) + Math.Pow(b.Y - a.Y, 2)));
                side.Add(new(at.X - by * (b.Y - a.Y) / length, at.Y + by * (b.X - a.X) / length, at.Z));
            }
            return side;
        }
        var second = Beside(gap / 2).Skip(secondFrom).ToList();
        second.Reverse();
        return [new(Standing, Beside(-gap / 2).SkipLast(firstUntil).ToList(), firstUntil > 0), new(Working, second, secondFrom > 0)];
    }

    private static KnotStrand Mirrored(KnotStrand strand) =>
        strand with
        {
            Points = [.. strand.Points.Select(p => p with { X = KnotStep.Width - p.X })],
        };
}
