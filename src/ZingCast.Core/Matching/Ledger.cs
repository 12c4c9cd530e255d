using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>The links of the chain, from the fly to the hand.</summary>
public enum LinkId
{
    /// <summary>The fly.</summary>
    Fly = 1,

    /// <summary>The tippet.</summary>
    Tippet,

    /// <summary>The leader.</summary>
    Leader,

    /// <summary>The line's head.</summary>
    Head,

    /// <summary>The running line.</summary>
    Running,

    /// <summary>The backing.</summary>
    Backing,

    /// <summary>The reel.</summary>
    Reel,

    /// <summary>The rod.</summary>
    Rod,

    /// <summary>The person casting.</summary>
    Hand,
}

/// <summary>A rule of the trade that decides something.</summary>
/// <param name="Id">Stable id, room first.</param>
/// <param name="Link">The link it speaks of.</param>
/// <param name="Title">A few words.</param>
/// <param name="Explains">The rule in a sentence or two.</param>
/// <param name="Source">How far to trust it.</param>
/// <param name="CanSwitchOff">Whether a person may leave it out.</param>
public sealed record Rule(string Id, LinkId Link, string Title, string Explains, Source Source, bool CanSwitchOff = false);

/// <summary>A number, or a word where there is no number, that stands first on a line of the ledger.</summary>
/// <param name="Quantity">Number, or null.</param>
/// <param name="Word">Word, or null; with a number behind it where both are given.</param>
/// <param name="Name">What the number is, said before it where its unit does not say so: "fill 0.91", "class 7.3".</param>
/// <param name="OfClass">The class the number is a share of: "load 1.44 of class 7.3".</param>
public readonly record struct Figure(Quantity? Quantity, string? Word, string? Name = null, Quantity? OfClass = null)
{
    /// <summary>A number as a figure. A class says that it is one; a share has to be named, see <see cref="Share"/>.</summary>
    public static implicit operator Figure(Quantity quantity) =>
        quantity.Kind != Kind.LineClass ? new(quantity, null)
        // Small enough that any line would do.
        : quantity is { Value: < LeastClass, PlusMinus: null } ? new(null, "any class")
        : new(quantity, null, "class");

    /// <summary>Below this class nothing in particular is asked for.</summary>
    public const double LeastClass = .5;

    /// <summary>A share with its name.</summary>
    public static Figure Share(string name, double share) => new(Measures.Quantity.Ratio(share), null, name);

    /// <summary>How full a spool is; with its uncertainty when the spool was not measured.</summary>
    public static Figure Fill(SpoolFill fill) =>
        new(Measures.Quantity.Ratio(fill.Share, fill.Spool.IsGuess ? fill.Share * fill.Spool.PlusMinus : null), null, "fill");

    /// <summary>Line mass outside the tip as a share of the standard mass of the rod's class.</summary>
    public static Figure Load(LineLoad load) =>
        new(Measures.Quantity.Ratio(load.Ratio), null, "load", Measures.Quantity.Class(load.WindowClass));

    /// <summary>The air resistance of a fly: a word, followed by the figure.</summary>
    public static Figure Bulk(Fly fly) => new(new Quantity(fly.AreaM2, Kind.Area), fly.Bulk);

    /// <summary>A word as a figure.</summary>
    public static implicit operator Figure(string word) => new(null, word);
}

/// <summary>Something that went into a step.</summary>
/// <param name="Name">What it is.</param>
/// <param name="Figure">Its value.</param>
public readonly record struct Factor(string Name, Figure Figure);

/// <summary>One reason, written by the rule as it decided.</summary>
/// <param name="Rule">The rule.</param>
/// <param name="Figure">What it came to.</param>
/// <param name="Says">The reason in one line.</param>
/// <param name="From">Running class before, for steps that move it.</param>
/// <param name="To">Running class after, for steps that move it.</param>
/// <param name="Inputs">What went in.</param>
/// <param name="Source">How far to trust it here.</param>
/// <param name="Off">True when the person switched it off: it is shown but changed nothing.</param>
/// <param name="Doubt">True when the step reports a disagreement somebody should look at.</param>
/// <param name="Pin">What would hold on to what it came to; null where there is nothing to hold on to.</param>
public sealed record LedgerStep(
    Rule Rule,
    Figure Figure,
    Sentence Says,
    double? From,
    double? To,
    IReadOnlyList<Factor> Inputs,
    Source Source,
    bool Off,
    bool Doubt,
    Pins? Pin
)
{
    /// <summary>The running class before, if this step changed it.</summary>
    public Figure? Before => From is { } from && from != To ? Quantity.Class(from) : null;
}

/// <summary>What a rule says of what it decided.</summary>
/// <param name="Figure">What it came to.</param>
/// <param name="Says">The reason in one line.</param>
/// <param name="Inputs">What went in.</param>
/// <param name="Source">How far to trust it here; the rule's own mark when null.</param>
/// <param name="Doubt">True when somebody should look at it.</param>
/// <param name="Pin">What would hold on to it; null where there is nothing to hold on to.</param>
public readonly record struct Explanation(
    Figure Figure,
    Sentence Says,
    IReadOnlyList<Factor> Inputs,
    Source? Source = null,
    bool Doubt = false,
    Pins? Pin = null
);

/// <summary>
/// The ledger while it is written. Rules add a step as they decide, in the order of the work. A step is put into words only when the ledger
/// is shown, never for outfits that were merely compared.
/// </summary>
/// <param name="off">Ids of the rules the person switched off.</param>
public sealed class LedgerBook(IReadOnlySet<string> off)
{
    private readonly List<(Rule Rule, double? From, double? To, Func<Explanation> Tell)> steps = [];

    /// <summary>Whether the person left this rule out.</summary>
    public bool IsOff(Rule rule) => rule.CanSwitchOff && off.Contains(rule.Id);

    /// <summary>Adds a step that states or chooses something.</summary>
    public void Add(Rule rule, Func<Explanation> tell) => steps.Add((rule, null, null, tell));

    /// <summary>
    /// Adds a step that changes the running class, and returns the class to continue with: the new one, or the old one when the rule is
    /// switched off. That class is the step's figure and its pin.
    /// </summary>
    public double Move(Rule rule, double from, double to, Func<Explanation> tell)
    {
        var after = IsOff(rule) ? from : to;
        steps.Add((rule, from, after, tell));
        return after;
    }

    /// <summary>Puts every step into words.</summary>
    public IReadOnlyList<LedgerStep> Write() => [.. steps.Select(WriteStep)];

    private LedgerStep WriteStep((Rule Rule, double? From, double? To, Func<Explanation> Tell) step)
    {
        var (rule, from, to, tell) = step;
        var told = tell();
        var isOff = IsOff(rule);
        var pin = to is { } c && !isOff ? new Pins { RodClass = c } : told.Pin;
        return new(
            rule,
            to is { } moved ? Quantity.Class(moved) : told.Figure,
            told.Says,
            from,
            to,
            told.Inputs,
            told.Source ?? rule.Source,
            isOff,
            told.Doubt,
            pin
        );
    }
}
