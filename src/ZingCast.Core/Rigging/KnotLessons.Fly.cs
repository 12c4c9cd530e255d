using static ZingCast.Core.Rigging.StrandRole;

namespace ZingCast.Core.Rigging;

// What is tied to the fly or ring, and the hitch that locks it.
public static partial class KnotLessons
{
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
                KnotStep.From(
                    "Through the eye, and pull a hand's length through.",
                    [.. hook, line, OutOfEye().To(420, Mid + 40).To(330, Mid + 50).To(230, Mid + 54).As(Working, true)],
                    new KnotLabel(20, Mid - 18, "to the leader"),
                    new KnotLabel(180, Mid + 90, "working end")
                ),
                KnotStep.From(
                    "Wind it five times round the line, away from the eye. Leave a small gap beside the eye.",
                    [.. hook, line, Coils(5).To(205, Mid + 36).To(150, Mid + 70).As(Working, true)],
                    new KnotLabel(EyeX - 78, Mid + 74, "gap")
                ),
                KnotStep.From(
                    "Bring it back, over the line and down through the gap.",
                    [.. hook, line, Back().To(424, Mid + 92, -8).As(Working, true)]
                ),
                KnotStep.From(
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
                KnotStep.From(
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
                KnotStep.From(
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
                KnotStep.From(
                    "Back through the overhand knot on the side where the line came out.",
                    [.. hook, Line(), Through().To(X - 190, Y - 50, 4).As(Working, true)]
                ),
                KnotStep.From(
                    "Wind it four times round the long line.",
                    [.. hook, Line(), Coils(4).To(X - 268, Y - 40, 4).To(X - 262, Y - 86, 4).As(Working, true)]
                ),
                KnotStep.From(
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
                KnotStep.From(
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
                KnotStep.From(
                    "Through the eye and back over the wire.",
                    [.. hook, Wire(), Across().To(220, Mid - 70, 4).As(Working, true)],
                    new KnotLabel(14, Mid - 16, "wire")
                ),
                KnotStep.From(
                    "Round behind the wire: the shape of an 8 begins.",
                    [.. hook, Wire(), Behind().To(240, Mid + 70, 0).As(Working, true)]
                ),
                KnotStep.From(
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
                KnotStep.From(
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
                KnotStep.From("Lead the end over the line and back behind it.", [Core(), First().To(320, Mid + 110, 0).As(Working, true)]),
                KnotStep.From(
                    "Tuck it under its own leg, between the leg and the line.",
                    [
                        Core(),
                        First().To(296, Mid + 58, -4).To(236, Mid + 36, -4).To(190, Mid + 20, 6).To(166, Mid + 36, 6).As(Working, true),
                    ]
                ),
                KnotStep.From(
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
