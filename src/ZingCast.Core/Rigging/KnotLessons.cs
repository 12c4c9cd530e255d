using static ZingCast.Core.Rigging.StrandRole;

namespace ZingCast.Core.Rigging;

/// <summary>
/// Every knot step by step. Strands are laid in space; who passes over whom follows from that, so a drawing cannot contradict itself.
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

    /// <summary>How a knot is tied. Throws <see cref="InvalidOperationException"/> for one that nobody drew.</summary>
    public static KnotLesson Of(string id) => Rows.First(r => r.Id == id);

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

    private static KnotLesson Clinch()
    {
        var line = IntoEye(Path().To(0, Mid)).As(Standing);
        var hook = Hook();
        const double R = 21;
        // Coils away from the eye, a gap left beside it.
        StrandPath Coils(double turns) =>
            OutOfEye().To(EyeX - 66, Mid + 40).To(EyeX - 92, Mid + 26, 4).Turns(EyeX - 104, 225, Mid, turns, R, .75);
        StrandPath Back() =>
            Coils(4.5)
                .To(200, Mid - 30, 6)
                .To(206, Mid - 66, 8)
                .To(260, Mid - 84, 8)
                .To(350, Mid - 84, 8)
                .To(410, Mid - 74, 10)
                .To(434, Mid - 40, 14)
                .To(436, Mid, 14)
                .To(436, Mid + 24, 0)
                .To(432, Mid + 46, -14);
        return new(
            "clinch",
            "tippet to the fly",
            [
                KnotStep.Of(
                    "Through the eye, and pull a hand's length through.",
                    [.. hook, line, OutOfEye().To(420, Mid + 40).To(330, Mid + 50).To(230, Mid + 54).As(Working, true)],
                    new KnotLabel(20, Mid - 18, "to the leader"),
                    new KnotLabel(180, Mid + 90, "working end")
                ),
                KnotStep.Of(
                    "Wind it five times round the line, away from the eye. Leave a small gap beside the eye.",
                    [.. hook, line, Coils(5).To(205, Mid + 36).To(150, Mid + 70).As(Working, true)],
                    new KnotLabel(EyeX - 78, Mid + 74, "gap")
                ),
                KnotStep.Of(
                    "Bring it back, over the line and down through the gap.",
                    [.. hook, line, Back().To(424, Mid + 92, -8).As(Working, true)]
                ),
                KnotStep.Of(
                    "That has made a big loop. Go behind everything and come out through it.",
                    [
                        .. hook,
                        line,
                        Back()
                            .To(414, Mid + 84, -34)
                            .To(352, Mid + 78, -40)
                            .To(318, Mid + 30, -40)
                            .To(310, Mid - 30, -34)
                            .To(308, Mid - 60, 0)
                            .To(304, Mid - 86, 22)
                            .To(300, Mid - 122, 16)
                            .As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Wet it. Pull the long line: the coils slide down to the eye side by side. Trim the end short.",
                    [
                        .. hook,
                        line,
                        OutOfEye()
                            .Turns(EyeX - EyeR - 20, EyeX - 112, Mid, 5, 16, .75)
                            .To(EyeX - 118, Mid, 14)
                            .To(EyeX - 126, Mid - 22, 10)
                            .To(EyeX - 142, Mid - 46, 8)
                            .As(Working),
                    ],
                    new KnotLabel(EyeX - 190, Mid - 56, "trim here")
                ),
            ]
        );
    }

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
        // Coming down already, and still going up where it leaves: no kink at either end.
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

    private static KnotLesson Surgeons() =>
        new("surgeons", "tippet to leader, also where their thickness differs much", [.. SurgeonsSteps(false)]);

    private static KnotLesson Dropper() =>
        new("dropper", "a second fly: the end of the thicker strand is left long", [.. SurgeonsSteps(true)]);

    private static IEnumerable<KnotStep> SurgeonsSteps(bool dropper)
    {
        const double X = 230,
            Y = 215,
            R = 34,
            Pitch = 122,
            LoopH = 130,
            Gap = 18;
        yield return KnotStep.Of(
            dropper
                ? "Lay the thinner strand along the end of the thicker, three hands of both side by side."
                : "Lay the two ends side by side, a hand and a half of both.",
            [
                Path().To(0, Mid - 14).To(300, Mid - 14).To(520, Mid - 14).As(Standing, true),
                Path().To(640, Mid + 14).To(340, Mid + 14).To(120, Mid + 14).As(Working, true),
            ],
            new KnotLabel(14, Mid - 34, dropper ? "leader, thicker" : "leader"),
            new KnotLabel(560, Mid + 46, "tippet")
        );
        yield return KnotStep.Of(
            "Make a loop of both, and bring both right-hand ends through it from behind: an overhand knot of two strands.",
            Pair(
                Overhand(X, Y, 1, loopH: LoopH, r: R, pitch: Pitch).To(X + 300, Y - R - 24).To(X + 340, Y - R - 24).To(640, Y - R - 24),
                Gap,
                14,
                8
            )
        );
        yield return KnotStep.Of(
            dropper
                ? "Through the loop a second time with both, then wet it and pull on all four ends together."
                : "Through the loop a second time with both. Wet it, pull on all four ends together.",
            Pair(
                Overhand(X, Y, 2, loopH: LoopH, r: R, pitch: Pitch).To(X + 300, Y - R - 24).To(X + 340, Y - R - 24).To(640, Y - R - 24),
                Gap,
                14,
                8
            )
        );
        // Seated: the tippet lies in coils round the leader.
        KnotStrand[] seated =
        [
            Path()
                .To(0, Mid)
                .To(230, Mid)
                .To(350, Mid)
                .To(dropper ? 392 : 372, Mid - 8, 16)
                .To(dropper ? 440 : 392, Mid - (dropper ? 44 : 34), 16)
                .As(Standing),
            Path().To(640, Mid + 6).To(420, Mid + 8, -6).Turns(366, 262, Mid, 3.5, 18, .75).To(238, Mid - 36, 8).As(Working),
        ];
        yield return dropper
            ? KnotStep.Of(
                "Trim the thin end only. The thick end is the dropper: 10 to 20 cm, standing off, with a fly on it.",
                [
                    .. seated,
                    Path().To(440, Mid - 44, 16).To(460, Mid - 76, 16).To(480, Mid - 104, 16).As(Standing),
                    .. Hook(500, Mid - 112),
                ],
                new KnotLabel(380, 50, "dropper"),
                new KnotLabel(500, Mid + 44, "to the point fly")
            )
            : KnotStep.Of("It seats as a short barrel. Trim both ends close.", seated, new KnotLabel(240, Mid + 62, "trim both ends"));
    }

    private static KnotLesson NonSlip()
    {
        var hook = Hook();
        const double X = 300,
            Y = Mid + 40;
        KnotStrand Line() =>
            Overhand(X, Y, 1, loopH: 128, r: 24).To(X + 130, Y - 44, 8).To(EyeX - EyeR - 8, Mid + 2, 12).To(EyeX - 4, Mid).As(Standing);
        StrandPath Through() =>
            Path()
                .To(EyeX - 4, Mid)
                .To(EyeX - EyeR + 4, Mid - 12, -12)
                .To(EyeX - EyeR - 22, Mid - 40, -6)
                .To(X + 120, Y - 88, 12)
                .To(X + 86, Y - 86, 18)
                .To(X + 20, Y - 78, 2)
                .To(X - 40, Y - 76, -10)
                .To(X - 92, Y - 70, -20)
                .To(X - 124, Y - 50, -6);
        StrandPath Coils(double turns) => Through().Turns(X - 150, X - 250, Y, turns, 21, .25, up: true);
        return new(
            "non-slip",
            "a fly that is meant to swim: it hangs in a loop",
            [
                KnotStep.Of(
                    "Tie an open overhand knot a hand from the end, then go through the eye.",
                    [
                        .. hook,
                        Line(),
                        Path()
                            .To(EyeX - 4, Mid)
                            .To(EyeX - EyeR + 4, Mid - 12, -12)
                            .To(440, Mid - 50, -6)
                            .To(400, Mid - 90)
                            .As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Back through the overhand knot on the side where the line came out.",
                    [.. hook, Line(), Through().To(X - 190, Y - 50, 4).As(Working, true)]
                ),
                KnotStep.Of(
                    "Wind it four times round the long line.",
                    [.. hook, Line(), Coils(4).To(X - 268, Y - 40, 4).To(X - 262, Y - 86, 4).As(Working, true)]
                ),
                KnotStep.Of(
                    "Back through the overhand knot once more, the way it went before.",
                    [
                        .. hook,
                        Line(),
                        Coils(4)
                            .To(X - 270, Y - 42, 6)
                            .To(X - 258, Y - 110, 6)
                            .To(X - 180, Y - 126, 6)
                            .To(X - 120, Y - 112, 4)
                            .To(X - 78, Y - 102, -20)
                            .To(X - 20, Y - 104, -4)
                            .To(X + 50, Y - 108, 14)
                            .To(X + 84, Y - 114, 28)
                            .To(X + 130, Y - 140, 24)
                            .To(X + 150, Y - 168, 20)
                            .As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Wet it. Pull the end to close the knot, then line against loop. The loop stays open, a finger's breadth long.",
                    [
                        .. hook,
                        Path().To(0, Mid).To(320, Mid).To(390, Mid - 16, 6).To(EyeX - EyeR - 6, Mid - 8, 12).To(EyeX - 4, Mid).As(Standing),
                        OutOfEye()
                            .To(430, Mid + 30)
                            .To(392, Mid + 22, 6)
                            .Turns(372, 296, Mid, 4.25, 17, .75)
                            .To(290, Mid - 30, 14)
                            .To(310, Mid - 58, 14)
                            .As(Working),
                    ],
                    new KnotLabel(318, Mid - 62, "trim")
                ),
            ]
        );
    }

    private static KnotLesson Blood()
    {
        const double R = 19;
        // Each goes along the middle, gives way at the gap, and winds round the other.
        StrandPath Left(double turns) =>
            Path().To(0, Mid).To(230, Mid).To(282, Mid + 4).To(320, Mid + 26).To(352, Mid + 24, 6).Turns(368, 500, Mid, turns, R, .75);
        StrandPath Right(double turns) =>
            Path().To(640, Mid).To(410, Mid).To(358, Mid - 4).To(320, Mid - 26).To(288, Mid - 24, 6).Turns(272, 140, Mid, turns, R, .25);
        StrandPath LeftBack() =>
            Left(4.5)
                .To(522, Mid - 34, 6)
                .To(512, Mid - 74, 8)
                .To(440, Mid - 88, 8)
                .To(360, Mid - 84, 8)
                .To(318, Mid - 64, 14)
                .To(310, Mid - 26, 16)
                .To(308, Mid, 0)
                .To(308, Mid + 26, -16);
        StrandPath RightBack() =>
            Right(4.5)
                .To(118, Mid + 34, 6)
                .To(128, Mid + 74, 8)
                .To(200, Mid + 88, 8)
                .To(280, Mid + 84, 8)
                .To(322, Mid + 64, 14)
                .To(330, Mid + 26, 16)
                .To(332, Mid, 0)
                .To(332, Mid - 26, -16);
        return new(
            "blood",
            "two strands of like thickness",
            [
                KnotStep.Of(
                    "Cross the two ends and wind one five times round the other.",
                    [
                        Left(5).To(514, Mid, 14).To(536, Mid - 34, 6).To(560, Mid - 70, 4).As(Working, true),
                        Path()
                            .To(640, Mid)
                            .To(410, Mid)
                            .To(358, Mid - 4)
                            .To(320, Mid - 26)
                            .To(250, Mid - 52)
                            .To(180, Mid - 70)
                            .As(Standing, true),
                    ]
                ),
                KnotStep.Of(
                    "Bring its end back to the middle and through the gap between the two.",
                    [
                        LeftBack().To(304, Mid + 80, -10).As(Working, true),
                        Path()
                            .To(640, Mid)
                            .To(410, Mid)
                            .To(358, Mid - 4)
                            .To(320, Mid - 26)
                            .To(250, Mid - 40)
                            .To(160, Mid - 60)
                            .As(Standing, true),
                    ]
                ),
                KnotStep.Of(
                    "Wind the other five times round the first, away from the middle.",
                    [
                        LeftBack().To(304, Mid + 80, -10).As(Standing),
                        Right(5).To(126, Mid, 14).To(104, Mid + 34, 6).To(80, Mid + 70, 4).As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Bring it back and through the same gap from the other side. The two ends point opposite ways.",
                    [
                        LeftBack().To(304, Mid + 84, -10).To(302, Mid + 114, -10).As(Standing, true),
                        RightBack().To(336, Mid - 84, -10).To(338, Mid - 114, -10).As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Wet it. Pull both long lines at an even pace until the coils close. Trim both ends short.",
                    [
                        Path().To(0, Mid).To(250, Mid).To(300, Mid + 6).To(320, Mid + 16).Turns(334, 416, Mid, 5, 15, .75).As(Standing),
                        Path().To(640, Mid).To(390, Mid).To(340, Mid - 6).To(320, Mid - 16).Turns(306, 224, Mid, 5, 15, .25).As(Working),
                        Path().To(320, Mid - 6, -6).To(318, Mid + 46, -6).As(Standing),
                        Path().To(322, Mid + 6, -8).To(324, Mid - 46, -8).As(Working),
                    ]
                ),
            ]
        );
    }

    private static KnotLesson Perfection()
    {
        const double X = 320;
        StrandPath First() =>
            Path()
                .To(X, 262)
                .To(X + 4, 232)
                .To(X + 40, 192)
                .To(X + 84, 140)
                .To(X + 64, 74)
                .To(X, 46)
                .To(X - 64, 74)
                .To(X - 84, 140)
                .To(X - 46, 186, -4)
                .To(X, 214, -14);
        StrandPath Second() =>
            First()
                .To(X + 56, 224, -4)
                .To(X + 84, 206, 8)
                .To(X + 70, 176, 24)
                .To(X + 44, 132, 26)
                .To(X, 104, 26)
                .To(X - 40, 128, 26)
                .To(X - 44, 170, 24)
                .To(X - 30, 210, 12)
                .To(X - 10, 240, -12)
                .To(X + 20, 250, -16);
        StrandPath Between() =>
            Second().To(X + 70, 246, -4).To(X + 128, 210, 6).To(X + 128, 168, 12).To(X + 80, 150, 13).To(X, 148, 13).To(X - 80, 148, 13);
        KnotStrand Long() => Path().To(X, 300).To(X, 262).As(Standing);
        // Drawn up: the same way of the strand, smaller.
        static KnotStrand Small(KnotStrand strand) =>
            strand with
            {
                Points = [.. strand.Points.Select(p => p with { X = X + .6 * (p.X - X), Y = 215 + .6 * (p.Y - 215) })],
            };
        // The second loop drawn through the first, under its top, and pulled long.
        StrandPath Pulled(double up) =>
            First()
                .To(X + 56, 224, -4)
                .To(X + 84, 206, 8)
                .To(X + 66, 176, 24)
                .To(X + 36, 130, 22)
                .To(X + 34, 84, -10)
                .To(X + 44, 46, -18)
                .To(X + 34, up, -10)
                .To(X, up - 12, -10)
                .To(X - 34, up, -10)
                .To(X - 44, 46, -18)
                .To(X - 34, 84, -10)
                .To(X - 38, 130, 22)
                .To(X - 42, 170, 24)
                .To(X - 30, 210, 12)
                .To(X - 10, 240, -12)
                .To(X + 20, 250, -16)
                .To(X + 70, 246, -4)
                .To(X + 128, 210, 6)
                .To(X + 128, 168, 12)
                .To(X + 80, 150, 13)
                .To(X, 148, 13)
                .To(X - 80, 148, 13);
        return new(
            "perfection",
            "a loop in the butt of the leader, straight in line with it",
            [
                KnotStep.Of(
                    "Make a loop: the end goes behind the long line.",
                    [Long(), First().To(X + 70, 226, -8).To(X + 150, 232, -4).As(Working, true)],
                    new KnotLabel(X - 120, 288, "long line")
                ),
                KnotStep.Of(
                    "Bring the end round in front of it for a second, smaller loop, and behind the long line again.",
                    [Long(), Second().To(X + 90, 252, -8).To(X + 160, 254, -4).As(Working, true)]
                ),
                KnotStep.Of(
                    "Lay the end across between the two loops: over the first, under the second.",
                    [Long(), Between().To(X - 150, 150, 10).As(Working, true)]
                ),
                KnotStep.Of(
                    "Reach through the first loop from behind, take hold of the second and pull it through.",
                    [Long(), Pulled(18).To(X - 150, 150, 10).As(Working, true)],
                    new KnotLabel(X + 70, 30, "second loop")
                ),
                KnotStep.Of(
                    "Wet it and pull the loop against the long line. The end stands off square: trim it.",
                    [Path().To(X, 300).To(X, 243).As(Standing), Small(Pulled(-100).To(X - 130, 150, 10).As(Working))],
                    new KnotLabel(X - 130, 190, "trim")
                ),
            ]
        );
    }

    private static KnotLesson Nail()
    {
        KnotStrand Line() => Path().To(0, Mid - 14).To(440, Mid - 14).As(StrandRole.Line);
        KnotStrand Tube() => Path().To(168, Mid + 20, 8).To(436, Mid + 20, 8).As(StrandRole.Tube);
        KnotStrand Long(double until) => Path().To(640, Mid + 46).To(420, Mid + 46).To(until, Mid + 46).As(Standing);
        // Back round line, tube and itself together, towards the line's end.
        StrandPath Coils() => Path().To(300, Mid + 46).To(214, Mid + 48, 0).To(190, Mid + 66, 10).Turns(206, 386, Mid + 12, 6, 60, .75);
        KnotStrand Tight(double turns) =>
            Path()
                .To(640, Mid)
                .To(440, Mid + 6, -20)
                .To(400, Mid + 8, -40)
                .To(310, Mid + 12, -40)
                .To(286, Mid + 22, -16)
                .Turns(292, 400, Mid, turns, 24, .75)
                .As(Standing);
        return new(
            "nail",
            "leader butt, or backing, to the end of a fly line",
            [
                KnotStep.Of(
                    "Lay a thin tube along the end of the fly line, and the leader's butt along both, its end to the left.",
                    [Line(), Tube(), Path().To(640, Mid + 46).To(420, Mid + 46).To(110, Mid + 46).As(Working, true)],
                    new KnotLabel(16, Mid - 40, "fly line"),
                    new KnotLabel(444, Mid + 28, "tube"),
                    new KnotLabel(500, Mid + 80, "leader")
                ),
                KnotStep.Of(
                    "Pinch all three. Wind the leader's end six times round them, towards the end of the line.",
                    [Line(), Tube(), Long(300), Coils().To(410, Mid + 60, 4).To(430, Mid + 100, 4).As(Working, true)]
                ),
                KnotStep.Of(
                    "Push the end into the tube and out at the other side, under all its own coils.",
                    [
                        Line(),
                        Long(300),
                        Coils().To(412, Mid + 64, 4).To(456, Mid + 58, 12).To(466, Mid + 30, 12).To(436, Mid + 20, 0).As(Working),
                        Tube(),
                        Path().To(168, Mid + 20).To(110, Mid + 24).To(60, Mid + 50).As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Draw the tube out. Keep the coils side by side and pull the two leader ends, little by little.",
                    [
                        Line(),
                        Path().To(640, Mid + 34).To(420, Mid + 34).To(240, Mid + 34).As(Standing),
                        Path()
                            .To(240, Mid + 34)
                            .To(222, Mid + 36, 0)
                            .To(204, Mid + 50, 8)
                            .Turns(216, 384, Mid + 8, 6, 44, .75)
                            .To(406, Mid + 50, 10)
                            .To(422, Mid + 30, 12)
                            .To(396, Mid + 14, -2)
                            .To(300, Mid + 14, -2)
                            .To(170, Mid + 16, 0)
                            .To(90, Mid + 34)
                            .As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Wet it and pull hard until the coils bite into the coating. Trim both ends; seal it with a drop of resin.",
                    [
                        Path().To(0, Mid).To(424, Mid).As(StrandRole.Line),
                        Path().To(284, Mid + 20, -30).To(262, Mid + 30, 4).As(Standing),
                        Tight(6),
                    ],
                    new KnotLabel(228, Mid + 64, "trim"),
                    new KnotLabel(500, Mid - 22, "leader")
                ),
            ]
        );
    }

    private static KnotStrand Mirrored(KnotStrand strand) =>
        strand with
        {
            Points = [.. strand.Points.Select(p => p with { X = KnotStep.Width - p.X })],
        };

    private static KnotLesson Arbor()
    {
        const double DrumX = 560,
            DrumY = 165,
            R = 55;
        StrandPath Round(StrandPath path)
        {
            for (var i = -6; i <= 6; i++)
                path.To(DrumX + (R + 6) * Math.Cos(Math.PI * i / 12), DrumY + (R + 6) * Math.Sin(Math.PI * i / 12));
            return path;
        }
        var ring = Path();
        for (var i = 0; i <= 36; i++)
            ring.To(DrumX + (R - 6) * Math.Cos(2 * Math.PI * i / 36), DrumY + (R - 6) * Math.Sin(2 * Math.PI * i / 36));
        var drum = ring.As(Drum);
        const double Top = DrumY - R - 6,
            Low = DrumY + R + 6;
        // From the left over the first knot's one side and under its other.
        KnotStrand Line(double over, double under) =>
            Round(Path().To(0, Top, over).To(290, Top, over).To(350, Top, under).To(440, Top, under).To(DrumX - 30, Top)).As(Standing);
        StrandPath Tag(double x) =>
            Overhand(x, 200, 1, Path().To(KnotStep.Width - DrumX, Low).To(KnotStep.Width - DrumX + 40, Low - 2), 112);
        return new(
            "arbor",
            "backing to the drum of the reel",
            [
                KnotStep.Of(
                    "Pass the end of the backing round the drum and back.",
                    [drum, Line(0, 0), Path().To(DrumX, Low).To(480, Low - 2).To(380, Low + 6).To(280, Low + 14).As(Working, true)],
                    new KnotLabel(20, Top - 16, "to the reel of backing"),
                    new KnotLabel(DrumX - 24, DrumY + 6, "drum")
                ),
                KnotStep.Of(
                    "Tie an overhand knot with the end round the long line.",
                    [drum, Line(16, -16), Mirrored(Tag(310).To(440, 160, 6).To(470, 180, 4).As(Working, true))]
                ),
                KnotStep.Of(
                    "Tie another overhand knot in the end itself, a finger's breadth on.",
                    [
                        drum,
                        Line(16, -16),
                        Mirrored(
                            Overhand(516, 240, 1, Tag(286).To(404, 168, 6).To(424, 206, 0), 100, size: .62)
                                .To(622, 210, 6)
                                .As(Working, true)
                        ),
                    ]
                ),
                KnotStep.Of(
                    "Wet it and pull the long line: the first knot slides up to the drum, the second stops it. Trim.",
                    [
                        drum,
                        Round(Path().To(0, Top).To(420, Top).To(DrumX - 30, Top)).As(Standing),
                        Path()
                            .To(DrumX, Low)
                            .To(DrumX - 50, Low - 16)
                            .To(474, Top + 70)
                            .To(466, Top + 30, 4)
                            .Turns(478, 446, Top, 1.75, 18, .75)
                            .To(430, Top + 34, 6)
                            .Turns(424, 398, Top + 52, 2, 14, .25)
                            .To(376, Top + 66, 6)
                            .As(Working),
                    ],
                    new KnotLabel(330, Top + 96, "trim")
                ),
            ]
        );
    }

    private static KnotLesson LoopToLoop()
    {
        // The line's loop: over the leader's nose, under its sides, over its two legs.
        KnotStrand Thick(double nose, double side) =>
            Path()
                .To(0, Mid - 2)
                .To(70, Mid - 4)
                .To(140, Mid - 24, 4)
                .To(222, Mid - 28, nose)
                .To(312, Mid - 50, side)
                .To(366, Mid - 72, nose)
                .To(412, Mid - 60, nose)
                .To(430, Mid, nose)
                .To(412, Mid + 60, nose)
                .To(366, Mid + 72, nose)
                .To(312, Mid + 50, side)
                .To(222, Mid + 28, nose)
                .To(140, Mid + 24, 4)
                .To(84, Mid + 8)
                .As(StrandRole.Line);
        KnotStrand Thin() =>
            Path()
                .To(640, Mid - 2)
                .To(580, Mid - 4)
                .To(510, Mid - 22)
                .To(424, Mid - 26)
                .To(330, Mid - 48)
                .To(272, Mid - 70)
                .To(222, Mid - 58)
                .To(202, Mid)
                .To(222, Mid + 58)
                .To(272, Mid + 70)
                .To(330, Mid + 48)
                .To(424, Mid + 26)
                .To(510, Mid + 22)
                .To(568, Mid + 8)
                .As(Standing);
        KnotStrand Open() =>
            Path()
                .To(0, Mid - 2)
                .To(70, Mid - 4)
                .To(140, Mid - 34, 10)
                .To(240, Mid - 46, 10)
                .To(360, Mid - 42, 10)
                .To(400, Mid, 10)
                .To(360, Mid + 42, 10)
                .To(240, Mid + 46, 10)
                .To(140, Mid + 34, 10)
                .To(84, Mid + 8)
                .As(StrandRole.Line);
        KnotStrand Over() =>
            Path()
                .To(500, Mid - 4)
                .To(460, Mid - 30)
                .To(400, Mid - 78)
                .To(300, Mid - 88)
                .To(210, Mid - 84)
                .To(176, Mid)
                .To(210, Mid + 84)
                .To(300, Mid + 88)
                .To(400, Mid + 78)
                .To(460, Mid + 30)
                .To(500, Mid + 4)
                .As(Standing);
        return new(
            "loop-to-loop",
            "leader to line, changed in a moment",
            [
                KnotStep.Of(
                    "Slip the leader's loop over the line's loop.",
                    [Open(), Over(), Path().To(496, Mid).To(560, Mid + 2).To(630, Mid + 10).As(Working)],
                    new KnotLabel(14, Mid - 24, "line"),
                    new KnotLabel(560, Mid - 14, "leader")
                ),
                KnotStep.Of(
                    "Bring the fly end of the leader round and up through the line's loop. Pull all of it through.",
                    [
                        Open(),
                        Over(),
                        Path()
                            .To(496, Mid)
                            .To(560, Mid + 10)
                            .To(604, Mid + 60)
                            .To(560, Mid + 120)
                            .To(440, Mid + 132, -20)
                            .To(340, Mid + 110, -30)
                            .To(318, Mid + 60, -30)
                            .To(318, Mid, 0)
                            .To(318, Mid - 60, 36)
                            .To(320, Mid - 118, 36)
                            .As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Draw it up square, like two hands shaken: each loop lies round both legs of the other.",
                    [Thick(12, -14), Thin()]
                ),
            ]
        );
    }

    private static KnotLesson FigureEight()
    {
        var hook = Hook();
        KnotStrand Wire() =>
            Path()
                .To(0, Mid + 4, 0)
                .To(120, Mid + 2, 8)
                .To(178, Mid, 16)
                .To(250, Mid + 4, -4)
                .To(300, Mid, -16)
                .To(350, Mid - 28, -6)
                .To(420, Mid - 26, 4)
                .To(EyeX - EyeR - 4, Mid - 10, 12)
                .To(EyeX - 4, Mid)
                .As(Standing);
        StrandPath Across() => OutOfEye().To(420, Mid + 36, -2).To(350, Mid + 30, 4).To(300, Mid, 14).To(254, Mid - 38, 6);
        StrandPath Behind() => Across().To(200, Mid - 42, 0).To(172, Mid - 4, -14).To(196, Mid + 40, -4);
        return new(
            "figure-eight",
            "knottable wire to the fly",
            [
                KnotStep.Of(
                    "Through the eye and back over the wire.",
                    [.. hook, Wire(), Across().To(220, Mid - 70, 4).As(Working, true)],
                    new KnotLabel(14, Mid - 16, "wire")
                ),
                KnotStep.Of(
                    "Round behind the wire: the shape of an 8 begins.",
                    [.. hook, Wire(), Behind().To(240, Mid + 70, 0).As(Working, true)]
                ),
                KnotStep.Of(
                    "Forward, over its own leg into the loop at the eye, and out under the wire.",
                    [
                        .. hook,
                        Wire(),
                        Behind()
                            .To(260, Mid + 58, 2)
                            .To(330, Mid + 56, 16)
                            .To(366, Mid + 20, 16)
                            .To(386, Mid - 6, 0)
                            .To(398, Mid - 32, -16)
                            .To(412, Mid - 80, -10)
                            .As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Pull it down with pliers, slowly and without a kink, and leave 3 mm. Mind the cut end: it is sharp.",
                    [
                        .. hook,
                        Path()
                            .To(0, Mid)
                            .To(380, Mid, 14)
                            .To(414, Mid + 2, -10)
                            .To(446, Mid - 14, 0)
                            .To(EyeX - EyeR, Mid - 8, 12)
                            .To(EyeX - 4, Mid)
                            .As(Standing),
                        OutOfEye()
                            .To(444, Mid + 20, 0)
                            .To(412, Mid, 12)
                            .To(390, Mid - 20, 4)
                            .To(372, Mid - 2, -14)
                            .To(388, Mid + 24, 0)
                            .To(424, Mid + 24, 22)
                            .To(438, Mid - 2, 8)
                            .To(446, Mid - 40, -14)
                            .As(Working),
                    ]
                ),
            ]
        );
    }

    private static KnotLesson HalfHitch()
    {
        KnotStrand Core() => Path().To(0, Mid).To(640, Mid).As(Standing);
        StrandPath First() =>
            Path()
                .To(0, Mid + 90)
                .To(120, Mid + 84)
                .To(230, Mid + 62, 10)
                .To(272, Mid, 18)
                .To(304, Mid - 42, 4)
                .To(338, Mid, -16)
                .To(332, Mid + 52, -6);
        return new(
            "half-hitch",
            "locks what other knots hold: never alone",
            [
                KnotStep.Of("Lead the end over the line and back behind it.", [Core(), First().To(320, Mid + 110, 0).As(Working, true)]),
                KnotStep.Of(
                    "Tuck it under its own leg, between the leg and the line.",
                    [
                        Core(),
                        First().To(296, Mid + 58, -4).To(236, Mid + 36, -4).To(190, Mid + 20, 6).To(166, Mid + 36, 6).As(Working, true),
                    ]
                ),
                KnotStep.Of(
                    "Pull it down on the one before. Two or three, one beside the other, hold.",
                    [
                        Core(),
                        Path()
                            .To(0, Mid + 60)
                            .To(200, Mid + 40)
                            .To(276, Mid + 20, 10)
                            .To(290, Mid, 18)
                            .To(300, Mid - 20, 4)
                            .To(312, Mid, -16)
                            .To(306, Mid + 22, -4)
                            .To(278, Mid + 26, -4)
                            .To(262, Mid + 30, 4)
                            .As(Working),
                        Path()
                            .To(262, Mid + 30, 4)
                            .To(300, Mid + 52, 8)
                            .To(338, Mid + 24, 10)
                            .To(350, Mid, 18)
                            .To(360, Mid - 20, 4)
                            .To(374, Mid, -16)
                            .To(368, Mid + 22, -4)
                            .To(336, Mid + 28, -4)
                            .To(310, Mid + 20, 2)
                            .As(Working),
                    ]
                ),
            ]
        );
    }
}
