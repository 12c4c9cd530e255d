using static ZingCast.Core.Rigging.StrandRole;

namespace ZingCast.Core.Rigging;

// Strand to strand, and leader to line.
public static partial class KnotLessons
{
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
        yield return KnotStep.From(
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
        yield return KnotStep.From(
            "Make a loop of both, and bring both right-hand ends through it from behind: an overhand knot of two strands.",
            Pair(
                Overhand(X, Y, 1, loopH: LoopH, r: R, pitch: Pitch).To(X + 300, Y - R - 24).To(X + 340, Y - R - 24).To(640, Y - R - 24),
                Gap,
                14,
                8
            )
        );
        yield return KnotStep.From(
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
            ? KnotStep.From(
                "Trim the thin end only. The thick end is the dropper: 10 to 20 cm, standing off, with a fly on it.",
                [
                    .. seated,
                    Path().To(440, Mid - 44, 16).To(460, Mid - 76, 16).To(480, Mid - 104, 16).As(Standing),
                    .. Hook(500, Mid - 112),
                ],
                new KnotLabel(380, 50, "dropper"),
                new KnotLabel(500, Mid + 44, "to the point fly")
            )
            : KnotStep.From("It seats as a short barrel. Trim both ends close.", seated, new KnotLabel(240, Mid + 62, "trim both ends"));
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
                KnotStep.From(
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
                KnotStep.From(
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
                KnotStep.From(
                    "Wind the other five times round the first, away from the middle.",
                    [
                        LeftBack().To(304, Mid + 80, -10).As(Standing),
                        Right(5).To(126, Mid, 14).To(104, Mid + 34, 6).To(80, Mid + 70, 4).As(Working, true),
                    ]
                ),
                KnotStep.From(
                    "Bring it back and through the same gap from the other side. The two ends point opposite ways.",
                    [
                        LeftBack().To(304, Mid + 84, -10).To(302, Mid + 114, -10).As(Standing, true),
                        RightBack().To(336, Mid - 84, -10).To(338, Mid - 114, -10).As(Working, true),
                    ]
                ),
                KnotStep.From(
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
                KnotStep.From(
                    "Lay a thin tube along the end of the fly line, and the leader's butt along both, its end to the left.",
                    [Line(), Tube(), Path().To(640, Mid + 46).To(420, Mid + 46).To(110, Mid + 46).As(Working, true)],
                    new KnotLabel(16, Mid - 40, "fly line"),
                    new KnotLabel(444, Mid + 28, "tube"),
                    new KnotLabel(500, Mid + 80, "leader")
                ),
                KnotStep.From(
                    "Pinch all three. Wind the leader's end six times round them, towards the end of the line.",
                    [Line(), Tube(), Long(300), Coils().To(410, Mid + 60, 4).To(430, Mid + 100, 4).As(Working, true)]
                ),
                KnotStep.From(
                    "Push the end into the tube and out at the other side, under all its own coils.",
                    [
                        Line(),
                        Long(300),
                        Coils().To(412, Mid + 64, 4).To(456, Mid + 58, 12).To(466, Mid + 30, 12).To(436, Mid + 20, 0).As(Working),
                        Tube(),
                        Path().To(168, Mid + 20).To(110, Mid + 24).To(60, Mid + 50).As(Working, true),
                    ]
                ),
                KnotStep.From(
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
                KnotStep.From(
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
}
