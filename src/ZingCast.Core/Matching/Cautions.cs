using System.Diagnostics.CodeAnalysis;
using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Matching;

/// <summary>Safety cautions, each with the link where it is shown.</summary>
internal static class Cautions
{
    // Wet fly mass above which a beginner is warned, and above which everybody is told that the cast is tiring, kilograms. Common practice.
    private const double HardFlyKg = .003,
        TiringFlyKg = .008;

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static IReadOnlyList<Caution> For(Brief brief, Specification spec, Outfit outfit)
    {
        List<Caution> all = [];
        void Say(string id, LinkId link, bool urgent, Sentence says) => all.Add(new(id, link, says, urgent));

        var shoulder = brief.ShoulderMps;
        if (shoulder > Brief.ShoulderWarnsMps)
            Say(
                "shoulder",
                LinkId.Hand,
                true,
                $"Wind of {Quantity.Wind(shoulder)} blows the hook onto your casting "
                    + $"shoulder. Cast over the other shoulder, turn round, or stop."
            );
        if (brief.Gale)
            Say(
                "gale",
                LinkId.Hand,
                true,
                $"{Quantity.Wind(brief.WindMps)} is too much wind to stand on an exposed shore or sit in a boat. Leave it for another day."
            );
        Say(
            "eyes",
            LinkId.Fly,
            false,
            $"Wear eye protection and a brim. Look behind for people before every cast; flatten the barb while learning."
        );
        if (brief.Caster.Learning && brief.Fly.WetKg > HardFlyKg)
            Say(
                "hard-fly",
                LinkId.Fly,
                true,
                $"{Quantity.LineMass(brief.Fly.WetKg)} of soaked fly is not the one to begin with: it tires, and it hurts where it "
                    + $"hits. Learn with a slim streamer of {Quantity.Short(.05)}, and come to it later."
            );
        else if (brief.Fly.WetKg > TiringFlyKg)
            Say(
                "heavy-fly",
                LinkId.Hand,
                true,
                $"{Quantity.LineMass(brief.Fly.WetKg)} of soaked fly tires the arm and hurts where it hits: "
                    + $"fewer casts, an open loop, glasses and a hat."
            );
        Say("power-lines", LinkId.Rod, brief.WindMps > 10, $"Carbon conducts: keep clear of overhead lines and stop at the first thunder.");
        if (brief.Stance is Stance.Wading or Stance.DeepWading)
            Say(
                "wading",
                LinkId.Hand,
                brief.Stance == Stance.DeepWading || brief.CurrentMps > .8,
                $"Wade with a staff, a belt and a life jacket; {Quantity.Depth(1)} of water at "
                    + $"{new Quantity(1, Kind.WaterSpeed)} takes your feet away. Ask locally."
            );
        if (brief.Stance == Stance.Boat)
            Say("boat", LinkId.Hand, false, $"Wear a life jacket, and keep the fly outside the boat at all times.");
        if (brief.Water is Water.Shore or Water.Flat && brief.Salt)
            Say("tide", LinkId.Hand, false, $"Know the tide and your way back before the first cast; swell on rock comes without warning.");
        if (outfit.Backing.GelSpun)
            Say("gel-spun", LinkId.Backing, false, $"Gel-spun under load cuts to the bone. Never wrap it or a running line round a hand.");
        if (brief.Species.Group.Mouth == Standards.Mouth.Teeth)
            Say("teeth", LinkId.Tippet, true, $"Unhook toothy fish with long pliers; trim wire ends flush and cover them.");
        if (brief.Species.Salmonid && brief.WaterC > 20)
            Say(
                "warm-water",
                LinkId.Hand,
                true,
                $"At {new Quantity(brief.WaterC, Kind.Temperature)} {brief.Species.Name} die after release. Do not fish for them."
            );
        if (outfit.Rod.Class < spec.Class.Floor - ClassTarget.Near)
            Say(
                "under-floor",
                LinkId.Rod,
                true,
                $"This rod is under the floor for such a fish. A long fight kills it: fight hard and short, or take the heavier rod."
            );
        Say("release", LinkId.Hand, false, $"Fight short, wet your hands, keep the fish in the water.");
        Say(
            "law",
            LinkId.Fly,
            false,
            $"Seasons, licences, limits, number of flies, barbless and lead rules differ by "
                + $"place. Check the local rules; guides and instructors know the water."
        );
        Say(
            "planning",
            LinkId.Tippet,
            false,
            $"These numbers are planning aids, not guarantees. The weakest link is found by testing it, eyes covered."
        );
        return [.. all.OrderByDescending(c => c.Urgent)];
    }
}
