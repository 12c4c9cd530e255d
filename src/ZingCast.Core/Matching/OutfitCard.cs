using ZingCast.Core.Briefs;
using ZingCast.Core.Measures;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>A link in shop words.</summary>
/// <param name="Link">The link.</param>
/// <param name="Name">Its name, as in "line".</param>
/// <param name="Says">What it is, as one asks for it over a counter.</param>
/// <param name="ToBuy">True when nobody here has it.</param>
/// <param name="Small">Small print: what a shop may be asked to weigh or measure; empty where there is nothing.</param>
public sealed record CardLine(LinkId Link, string Name, Sentence Says, bool ToBuy, Sentence Small);

/// <summary>The answer as a card to take along: one line per link, from rod to fly, in the order of rigging.</summary>
/// <param name="Lines">The links.</param>
/// <param name="Reach">How far it gets, of how far, and how sure that is.</param>
public sealed record OutfitCard(IReadOnlyList<CardLine> Lines, Sentence Reach)
{
    internal static OutfitCard For(Brief brief, Choice choice)
    {
        var outfit = choice.Outfit;
        CardLine Line(LinkId link, string name, Sentence says, Sentence? small = null) =>
            new(link, name, says, outfit.ToBuy(link), small ?? $"");
        var reach = outfit.ReachM;
        return new(
            [
                Line(LinkId.Rod, "rod", RodOf(outfit.Rod)),
                Line(LinkId.Head, "line", LineOf(outfit), outfit.Line.IsThere ? null : ShopWords.Small(outfit.Line, outfit.Rod)),
                Line(LinkId.Reel, "reel", ReelOf(outfit), outfit.Reel.IsThere ? null : ShopWords.Small(outfit.Reel)),
                Line(LinkId.Backing, "backing", ShopWords.Held(outfit.BackingM, outfit.Backing)),
                Line(LinkId.Leader, "leader", LeaderOf(outfit)),
                Line(LinkId.Tippet, "tippet", TippetOf(outfit)),
                Line(LinkId.Fly, "fly", $"{brief.Fly.SizeName} {brief.Fly.Kind.Name}, about {Quantity.LineMass(brief.Fly.WetKg)} soaked"),
            ],
            outfit.Cast is null ? $"goes nobody knows how far: the line was never weighed"
                : outfit.Cast is { Lobbed: true }
                    ? (Sentence)
                        $"hardly turns this fly over today: lobbed it gets about {reach}; {Quantity.Distance(brief.DistanceM)} wanted"
                : $"gets about {reach} today; {Quantity.Distance(brief.DistanceM)} wanted"
        );
    }

    private static Sentence Tagged(string tag, string name) => tag.Length > 0 ? $"{tag} {name}, " : (Sentence)$"";

    private static Sentence RodOf(Rod rod)
    {
        if (!rod.IsThere)
            return ShopWords.For(rod);
        Sentence measured = rod.MeasuredClass is { } m ? $", measured {Quantity.Class(m, rod.MeasuredPlusMinus)}" : (Sentence)$"";
        var called = Tagged(rod.Tag, rod.Name);
        return $"{called}{Quantity.RodLength(rod.LengthM)} {ShopWords.Number(rod)} {Actions.Word(rod.Action)}{measured}";
    }

    private static Sentence LineOf(Outfit outfit)
    {
        var line = outfit.Line;
        if (!line.IsThere)
            return ShopWords.For(line, outfit.Rod);
        var code = line.PrintedClass is { } c ? new BoxCode(line.Build, c, line.Density).ToString() : null;
        var what = code ?? $"no label, {Densities.Get(line.Density).Name}";
        var head = line.Build == Build.DoubleTaper ? (Sentence)$"" : $", head {Quantity.Length(line.HeadM)}";
        var grains = line.MassKg is { } kg ? $", {Quantity.LineMass(kg)}" : (Sentence)$", never weighed";
        return $"{Tagged(line.Tag, line.Name)}{what}{head}{grains}";
    }

    private static Sentence ReelOf(Outfit outfit)
    {
        var reel = outfit.Reel;
        if (reel.IsThere)
            return $"{reel.Tag} {reel.Name}, {Quantity.Gear(reel.MassKg)}; drag set to {Quantity.Force(outfit.Drag.SetN)}";
        return ShopWords.For(reel, outfit.BackingM, outfit.Backing);
    }

    private static Sentence LeaderOf(Outfit outfit)
    {
        var leader = outfit.Leader;
        var tied = outfit.Tied is { } kept ? Tagged(kept.Tag, kept.Name) : (Sentence)$"";
        return $"{tied}{Quantity.RodLength(leader.LengthM)} in all: {leader.Formula()}";
    }

    private static Sentence TippetOf(Outfit outfit)
    {
        var tippet = outfit.Tippet;
        var guard = tippet.GuardM > 0 ? $"; bite guard of {Quantity.Length(tippet.GuardM)} last" : (Sentence)$"";
        return $"{Quantity.Tippet(tippet.DiameterM)}, {Chain.OnTheSpool(outfit)}{guard}";
    }
}
