using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>The steps of a winding ticket in the words of the trade. Common practice.</summary>
internal static class WindingWords
{
    /// <summary>
    /// A step in words. Radii in metres before and after it; <paramref name="lineM3"/> is the volume of all line on the spool after it,
    /// cubic metres.
    /// </summary>
    public static WindingStep For(
        WindingTicket ticket,
        WindingStepKind kind,
        WindingDone? done,
        double lengthM,
        double turns,
        (double FromM, double ToM) radius,
        double lineM3
    )
    {
        var (plan, backing, spool) = (ticket.Plan, ticket.Backing, ticket.Plan.Spool);
        var gel = backing.GelSpun;
        double Wound(double packing) => spool.RadiusM(lineM3 / packing);
        double across = 2 * Wound(Backings.OrdinaryPacking),
            left = spool.RimM / 2 - radius.ToM;
        WindingStep Step(
            WindingWay way,
            string title,
            Sentence says,
            Sentence? caution = null,
            IReadOnlyList<WindingChoice>? choices = null,
            double? expectM = null,
            Spread? band = null
        ) => new(kind, way, title, says, caution, choices ?? [], lengthM, turns, 2 * radius.FromM, 2 * radius.ToM, expectM, band, done);

        return kind switch
        {
            WindingStepKind.Arbor => Step(
                WindingWay.Do,
                "Bare arbor",
                gel
                    ? $"Clean and dry the spool. Lay two turns of tape, or {Quantity.Length(5)} of polyester, on the arbor first: gel-spun "
                        + $"slips on a bare one"
                    : (Sentence)$"Clean and dry the spool. A slick arbor takes two turns of tape, so that nothing slips on it"
            ),
            WindingStepKind.Direction => Step(
                WindingWay.Choose,
                "Which way it turns",
                $"It is to be wound in by the {ticket.Hand}. Turn the handle as if a fish came in: seen from it, say which way "
                    + $"the spool turns. The line comes in at the bottom, from the front",
                choices: [new(WindingTicket.Clockwise, "with the clock"), new(WindingTicket.Anticlockwise, "against the clock")]
            ),
            WindingStepKind.ArborKnot => Step(
                WindingWay.Do,
                "Arbor knot",
                $"{(plan.BackingM > 0 ? "Backing" : "Thin end of the line")} twice round the arbor, arbor knot, pull it down hard "
                    + $"and trim. A half hitch over the first wraps keeps it from slipping"
            ),
            WindingStepKind.Backing => Step(
                WindingWay.Wind,
                "Wind the backing",
                $"{Quantity.Spooled(lengthM)} of {backing.Name}: {(int)Math.Round(turns)} turns to the stop mark, "
                    + $"under {(gel ? "hard" : "firm")} tension, "
                    + $"{(gel ? "laid crosswise so that it does not cut in" : "laid evenly from side to side")}",
                gel
                    ? $"Gel-spun under tension cuts to the bone: wear gloves, hold it in a cloth, never round a finger"
                    : (Sentence)$"Let it run through a cloth, not bare fingers, and keep them off the turning handle"
            ),
            WindingStepKind.Over => Step(
                WindingWay.Measure,
                "Measure over the backing",
                $"Hold a ruler across the wound backing: " + $"{Quantity.SpoolSize(across)} is expected",
                expectM: across,
                band: new(2 * Wound(Backings.TightPacking), 2 * Wound(Backings.LoosePacking))
            ),
            WindingStepKind.LineEnd => Step(
                WindingWay.Choose,
                "Which end of the line",
                plan.EitherEnd
                    ? $"{ticket.LineWords}: both ends are alike. The one that was fished less goes to the leader"
                    : (Sentence)
                        $"{ticket.LineWords}: the end with the tag “this end to reel”, the thin running end, is joined to the backing. "
                        + $"Say which end is in your hand",
                choices:
                [
                    new(WindingTicket.ThinEnd, "the thin end, for the reel"),
                    new(WindingTicket.FlyEnd, "the thick end, for the leader"),
                ]
            ),
            WindingStepKind.Joint => Step(
                WindingWay.Do,
                "Join line and backing",
                gel
                    ? $"Loop to loop: a long double loop in the backing, large enough to pass the reel or the coil through. Seat "
                        + $"it and pull hard"
                    : (Sentence)$"Nail knot, or loop to loop where the line has a welded loop. Seat it wet, pull hard, trim short"
            ),
            WindingStepKind.Seal => Step(
                WindingWay.Do,
                "Seal the joint",
                $"A thin coat of flexible resin or knot glue, so that it slips through the rings. Let it set, then pull it "
                    + $"through the top ring both ways",
                $"Glue and UV lamp: open window, eyes covered, follow the maker’s sheet"
            ),
            WindingStepKind.Running => Step(
                WindingWay.Wind,
                "Wind the running line",
                $"{Quantity.Length(lengthM)}, {(int)Math.Round(turns)} turns, evenly and without twist: let the line’s own spool turn"
            ),
            WindingStepKind.Head => Step(
                WindingWay.Wind,
                plan.RunningM > 0 ? "Wind the head" : "Wind the line",
                $"{Quantity.Length(lengthM)}, {(int)Math.Round(turns)} turns, lighter in the hand: a head is not pulled tight"
            ),
            WindingStepKind.Rim => Step(
                WindingWay.Measure,
                "Room at the rim",
                $"Measure from the line to the rim: {Quantity.SpoolSize(left)} is expected. " + $"Spin it: nothing may touch the frame",
                expectM: left,
                band: new(spool.RimM / 2 - Wound(ticket.PackingBand.Loose), spool.RimM / 2 - Wound(ticket.PackingBand.Tight))
            ),
            _ => Step(
                WindingWay.Do,
                "Leader loop",
                $"Join the leader to the fly end, leave an arm’s length out and clip it, so that no end dives under the turns. "
                    + $"Stick the label on"
            ),
        };
    }
}
