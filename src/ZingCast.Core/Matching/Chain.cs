using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>The chain as shown: each link with its name, what was chosen, its main number and its verdict.</summary>
internal static class Chain
{
    public static IReadOnlyList<Link> Links(Brief brief, Choice choice) =>
        [
            .. choice.Judged.Select(judged => new Link(
                judged.Link,
                NameOf(judged.Link),
                TitleOf(judged.Link, choice.Outfit, brief),
                FigureOf(judged.Link, choice.Outfit, brief),
                judged.Verdict,
                judged.Why(),
                choice.Pins.Holds(judged.Link),
                judged.Mend?.Invoke()
            )),
        ];

    public static string NameOf(LinkId link) => link == LinkId.Running ? "Running line" : link.ToString();

    public static Sentence TitleOf(LinkId link, Outfit outfit, Brief brief)
    {
        var (rod, line, reel, leader, tippet) = (outfit.Rod, outfit.Line, outfit.Reel, outfit.Leader, outfit.Tippet);
        return link switch
        {
            LinkId.Fly => $"{brief.Fly.SizeName} {brief.Fly.Kind.Name}",
            LinkId.Tippet => $"{OnTheSpool(outfit)}{(tippet.GuardM > 0 ? ", bite guard last" : "")}",
            LinkId.Leader => $"{Quantity.RodLength(leader.LengthM)}, butt {Quantity.Diameter(leader.Pieces[0].StartM)}",
            LinkId.Head when !line.IsThere => $"Look for {Quantity.LineMass(line.MassKg ?? 0)}, {Densities.Get(line.Density).Name}",
            LinkId.Head => $"{line.Tag} {line.Name}",
            LinkId.Running => $"{Quantity.Length(Math.Max(0, line.LengthM - line.HeadM))} of {Quantity.Diameter(line.RunningDiameterM)}",
            LinkId.Backing => $"{Quantity.Spooled(outfit.BackingM)} of {outfit.Backing.Name}",
            LinkId.Reel when !reel.IsThere => $"Look for a rim of {Quantity.SpoolSize(reel.RimM ?? 0)}",
            LinkId.Reel => $"{reel.Tag} {reel.Name}",
            LinkId.Rod when !rod.IsThere => $"Look for class {Quantity.Class(rod.PrintedClass ?? 0)}, {Quantity.RodLength(rod.LengthM)}",
            LinkId.Rod => $"{rod.Tag} {rod.Name}",
            _ => (Sentence)$"{brief.Caster.Name}, {BriefWords.For(brief.Hand)} hand",
        };
    }

    /// <summary>The tippet as its spool is labelled, and the length that is tied on.</summary>
    public static Sentence OnTheSpool(Outfit outfit) =>
        $"about {Quantity.Force(Tippets.StrengthN(outfit.Tippet.DiameterM))} on the spool, "
        + $"{Quantity.RodLength(outfit.Leader.TippetLengthM)} of it";

    private static Figure FigureOf(LinkId link, Outfit outfit, Brief brief) =>
        link switch
        {
            LinkId.Fly => Quantity.LineMass(brief.Fly.WetKg),
            LinkId.Tippet => Quantity.Tippet(outfit.Tippet.DiameterM),
            LinkId.Leader => Quantity.RodLength(outfit.Leader.LengthM),
            LinkId.Head => Quantity.LineMass(outfit.Line.MassKg ?? 0),
            LinkId.Running => Quantity.Distance(outfit.ShootM),
            LinkId.Backing => Quantity.Spooled(outfit.BackingM),
            LinkId.Reel => Figure.Fill(outfit.Fill),
            LinkId.Rod => outfit.Rod.Class is { } c ? Quantity.Class(c, outfit.Rod.MeasuredPlusMinus) : "no class",
            _ => outfit.ReachM,
        };
}
