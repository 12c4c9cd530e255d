namespace ZingCast.Core.Reference;

/// <summary>A trade word and its meaning, for newcomers.</summary>
/// <param name="Id">Stable id.</param>
/// <param name="Words">The word as it is written, then other forms of it, in lower case.</param>
/// <param name="Means">What it means, in a sentence or two.</param>
public sealed record GlossaryTerm(string Id, IReadOnlyList<string> Words, string Means);

/// <summary>The words of the trade, each explained once; on screen each can be looked up where it stands.</summary>
public static class Glossary
{
    /// <summary>Every term, in the order of the chain and of the work.</summary>
    public static readonly IReadOnlyList<GlossaryTerm> All =
    [
        new(
            "fly",
            ["soaked", "wet fly"],
            "What the line has to carry. A soaked fly weighs several times what it weighs dry, so it is judged wet."
        ),
        new(
            "tippet",
            ["tippet"],
            "The thin last part of the leader, tied to the fly. As thick as the fly needs to turn over and the fish needs to be held."
        ),
        new("plus-minus", ["±"], Measures.Doubt.Meaning),
        new("outing", ["outing", "outings"], "A day or an hour with one outfit, on the water or on grass, as it was noted."),
        new(
            "under-loaded",
            ["under-loaded", "overloaded"],
            "How a rod feels with too little line outside to bend it, or with more than it carries."
        ),
        new("x", ["x number", "x rule"], "How thin tippet is named: thousandths of an inch are 11 less the X, so 4X is 0.007 in."),
        new("guard", ["bite guard", "bite guards", "guard"], "A last link that stands teeth or a rough mouth: wire or thick fluorocarbon."),
        new(
            "leader",
            ["leader", "leaders"],
            "The tapered nylon between line and fly. It passes the cast on and keeps the line away from the fish."
        ),
        new("butt", ["butt"], "The thick end: of a leader where it meets the line, of a rod where the hand is."),
        new(
            "dropper",
            ["dropper", "droppers"],
            "A short side branch of the leader for a second fly. How many flies are allowed differs by place."
        ),
        new("tag", ["tag"], "The short end that stands off a knot; it is trimmed, or left long for a dropper."),
        new("count-down", ["count down", "count to the fish"], "Seconds a fly is left to sink before it is fished, counted aloud."),
        new("head", ["head", "heads"], "The thick, heavy part of the line that is cast; what comes after it is pulled out behind it."),
        new("belly", ["belly"], "The thick, even middle of a head, where most of its weight is."),
        new(
            "front-taper",
            ["front taper", "rear taper", "taper", "tapers"],
            "Where a line or leader grows thinner. A long one lands softly, a short one drives a big fly."
        ),
        new("weight-forward", ["weight forward", "wf"], "A line with its weight in a head in front and thin running line behind."),
        new("double-taper", ["double taper", "dt"], "A line that is the same from both ends: it can be turned round when one end is worn."),
        new("shooting-head", ["shooting head"], "A head by itself, looped to a very thin running line: flies farthest, lands hardest."),
        new("running-line", ["running line"], "The thin rest of the line behind the head. It is not cast but pulled out."),
        new("grain", ["grain", "grains", "gr"], "What lines are weighed in: 15.4 grains make a gram, 7000 a pound."),
        new(
            "class",
            ["line class", "class", "classes"],
            "The number of a line or rod, 0 to 15, also called its weight. It "
                + "stands for the mass of the first 30 feet of line. A six is 160 grains."
        ),
        new(
            "density",
            ["density", "intermediate", "floating", "sinker"],
            "Whether a line floats, and if not how fast it sinks: hover, intermediate, then types 2 to 8 by inches a second."
        ),
        new(
            "coating",
            ["coating"],
            "The plastic of a line. Made for cold water it goes limp in heat; made for the tropics it is stiff as wire in the cold."
        ),
        new(
            "load",
            ["load", "loads", "loading"],
            "How far a line bends a rod. A load of 1 is what the rod's class stands for; much more overloads it, much less never bends it."
        ),
        new("carry", ["carry", "held in the air", "carries"], "The line held in the air outside the tip before it is let go."),
        new("shoot", ["shoot", "shot"], "The line pulled out after the rod has stopped and the hand lets go."),
        new("overhang", ["overhang"], "How much running line is outside the tip before letting go. Too much and the loop falls apart."),
        new(
            "loop",
            ["loop"],
            "The bend that travels along the line as it unrolls. A tight one cuts the wind, an open one carries a heavy rig."
        ),
        new(
            "turnover",
            ["turnover", "turns over", "turn over", "turned over"],
            "The end of the cast, when leader and fly straighten out. Without it the fly lands in a heap."
        ),
        new("haul", ["haul"], "A pull with the line hand during the stroke, for line speed. A double haul pulls on both strokes."),
        new("reach", ["reach"], "The farthest this caster gets with this outfit today. An estimate, with its doubt beside it."),
        new("backing", ["backing"], "Strong thin line behind the fly line, for the fish that runs farther than the line is long."),
        new("gel-spun", ["gel-spun"], "A very thin, very strong backing. Twice as much fits; under load it cuts to the bone."),
        new("arbor", ["arbor"], "The drum in the middle of a spool. A large one takes up more line with each turn."),
        new("fill", ["fill"], "How much of a spool's room is used. At 1 the line would reach the safe gap under the rim."),
        new(
            "spool",
            ["spool", "spools", "cassette"],
            "What line is wound on. A spare one, or a cassette, is changed for another " + "line in two minutes."
        ),
        new(
            "packing",
            ["packing", "wind"],
            "How much of the wound room is line: 0.70 loose by hand to 0.78 tight by machine; the " + "rest is air."
        ),
        new(
            "reverse-fill",
            ["reverse fill"],
            "Line on first and backing over it to the rim, then turned round: shows what fits without any arithmetic."
        ),
        new("run", ["run", "runs"], "Line that a fish takes in one go. What is beyond the fly line is backing."),
        new("drag", ["drag"], "The brake of a reel; also what air and water take from whatever moves through them."),
        new("action", ["action"], "Where a rod bends: slow into the butt, fast near the tip. It says nothing of how strong the rod is."),
        new("power", ["power"], "How strong a rod is: the weight that draws its tip down by a third of its length."),
        new(
            "measured-class",
            ["measured class"],
            "The class found by bending the rod, comparable with the number on a line. The number printed on a rod is a label."
        ),
        new("tip-angle", ["tip angle"], "How steeply the tip points down in the bend test: it tells slow from fast."),
        new("swing-weight", ["swing weight"], "How heavy a rod is to swing, which is not what it weighs: what an arm feels by evening."),
        new(
            "presentation",
            ["spooky", "wary"],
            "Fish that flee from a shadow or a splash. They want a lighter outfit, a longer leader and a softer landing."
        ),
        new("rung", ["rung", "ladder"], "What people reach for by hook and bulk of the fly alone, as a check on what is worked out."),
        new("floor", ["floor"], "The lightest class that lands such a fish quickly enough to be let go alive."),
        new(
            "caster",
            ["caster"],
            "How you cast: a learner without hauling, a club caster with a single haul, a skilled one with a double "
                + "haul, an expert. It sets line speed, loop and how much line you hold up."
        ),
        new(
            "pin",
            ["pin", "pins", "pinned"],
            "Something you fixed yourself. It is never changed; the rest of the chain is worked out around it."
        ),
        new("brief", ["brief", "briefs"], "One day on the water: a fly, a fish, a distance and a wind, and everything else that matters."),
        new("ledger", ["ledger"], "The reasons for the answer, in the order they were decided. Each can be opened, doubted and left out."),
    ];
}
