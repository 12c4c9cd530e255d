namespace ZingCast.Core.Reference;

/// <summary>A danger to a person, a fish or a water, and what to do about it.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Title">What it is about.</param>
/// <param name="Says">What to do.</param>
public sealed record SafetyPoint(string Id, string Title, string Says);

/// <summary>Every caution in one list, to read before the season; each also stands where it matters. Common practice.</summary>
public static class Safety
{
    /// <summary>The list, people first.</summary>
    public static readonly IReadOnlyList<SafetyPoint> All =
    [
        new(
            "hooks",
            "Hooks",
            "Eye protection and a brim, for you and for whoever stands near. Flatten barbs, always while learning. Look behind before "
                + "every cast. Wind onto the casting shoulder: cast over the other one, turn round, or stop."
        ),
        new(
            "power-lines",
            "Wires and lightning",
            "Carbon conducts. Keep a rod's length and more from overhead wires, carry the rod level beneath them, "
                + "and put it down at the first thunder."
        ),
        new(
            "water",
            "Wading, boats and tides",
            "Staff, belt, life jacket. Know the tide and the way back before the first cast. "
                + "What the local people do not wade you do not wade."
        ),
        new(
            "cuts",
            "Blades, wire and gel-spun",
            "Cut away from the hand. Cover wire ends. Gel-spun under load, or a running line round a finger, "
                + "cuts to the bone: never wrap it by hand."
        ),
        new(
            "glue",
            "Heat, glue and UV resin",
            "Open a window, keep skin and eyes away, look away from the lamp, and follow the sheet that came with the stuff."
        ),
        new("breaking", "Breaking and straightening tests", "Eyes covered, the weight low over soft ground, nobody in line with the pull."),
        new(
            "arm",
            "Elbow and shoulder",
            "A heavy rod all day hurts before it tires. Change hands, change rods, stop when it aches; an instructor finds the cause."
        ),
        new(
            "fish",
            "Fish",
            "A rod that is enough, a short fight, wet hands, the fish in the water. Above about 20 °C do not fish for trout, char, "
                + "grayling and salmon: they die after release."
        ),
        new(
            "law",
            "The law of the place",
            "Seasons, licences, size and bag limits, number of flies, barbs, lead, wire and bait-like flies differ from "
                + "water to water. Ask locally; licensed guides and instructors know."
        ),
        new("numbers", "These numbers", "They are planning aids with a tolerance, not promises. The weakest link is found by testing it."),
    ];
}
