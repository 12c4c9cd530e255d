using static ZingCast.Core.Rigging.StrandRole;

namespace ZingCast.Core.Rigging;

// Loops, and the drum.
public static partial class KnotLessons
{
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
                KnotStep.From(
                    "Pass the end of the backing round the drum and back.",
                    [drum, Line(0, 0), Path().To(DrumX, Low).To(480, Low - 2).To(380, Low + 6).To(280, Low + 14).As(Working, true)],
                    new KnotLabel(20, Top - 16, "to the reel of backing"),
                    new KnotLabel(DrumX - 24, DrumY + 6, "drum")
                ),
                KnotStep.From(
                    "Tie an overhand knot with the end round the long line.",
                    [drum, Line(16, -16), Mirrored(Tag(310).To(440, 160, 6).To(470, 180, 4).As(Working, true))]
                ),
                KnotStep.From(
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
                KnotStep.From(
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
                KnotStep.From(
                    "Slip the leader's loop over the line's loop.",
                    [Open(), Over(), Path().To(496, Mid).To(560, Mid + 2).To(630, Mid + 10).As(Working)],
                    new KnotLabel(14, Mid - 24, "line"),
                    new KnotLabel(560, Mid - 14, "leader")
                ),
                KnotStep.From(
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
                KnotStep.From(
                    "Draw it up square, like two hands shaken: each loop lies round both legs of the other.",
                    [Thick(12, -14), Thin()]
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
                KnotStep.From(
                    "Make a loop: the end goes behind the long line.",
                    [Long(), First().To(X + 70, 226, -8).To(X + 150, 232, -4).As(Working, true)],
                    new KnotLabel(X - 120, 288, "long line")
                ),
                KnotStep.From(
                    "Bring the end round in front of it for a second, smaller loop, and behind the long line again.",
                    [Long(), Second().To(X + 90, 252, -8).To(X + 160, 254, -4).As(Working, true)]
                ),
                KnotStep.From(
                    "Lay the end across between the two loops: over the first, under the second.",
                    [Long(), Between().To(X - 150, 150, 10).As(Working, true)]
                ),
                KnotStep.From(
                    "Reach through the first loop from behind, take hold of the second and pull it through.",
                    [Long(), Pulled(18).To(X - 150, 150, 10).As(Working, true)],
                    new KnotLabel(X + 70, 30, "second loop")
                ),
                KnotStep.From(
                    "Wet it and pull the loop against the long line. The end stands off square: trim it.",
                    [Path().To(X, 300).To(X, 243).As(Standing), Small(Pulled(-100).To(X - 130, 150, 10).As(Working))],
                    new KnotLabel(X - 130, 190, "trim")
                ),
            ]
        );
    }
}
