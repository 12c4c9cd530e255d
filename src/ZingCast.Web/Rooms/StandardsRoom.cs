using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Briefs;
using ZingCast.Core.Cutting;
using ZingCast.Core.Depth;
using ZingCast.Core.Flies;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Logbook;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Reference;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Core.Trips;

namespace ZingCast.Web.Rooms;

/// <summary>How a kind of quantity is said: in either system, or as the reader chooses.</summary>
public sealed record KindForms(Kind Kind, Form Trade, Form Metric, IReadOnlyList<Form> ByChoice, bool AsKnown);

/// <summary>X numbers as a unit: metres = number × scale + offset.</summary>
public sealed record XScale(double Scale, double Offset);

/// <summary>Something to pick from a list.</summary>
public sealed record Choice(string Id, string Name, string? About = null);

/// <summary>A fish to pick, with its usual water and mass.</summary>
public sealed record FishChoice(string Id, string Name, string About, Water Water, double Kg);

/// <summary>One of a few fixed things to pick.</summary>
public sealed record Pick<T>(T Id, string Name);

/// <summary>A hook size to pick, with its dimensions.</summary>
public sealed record HookChoice(int Number, string Name, double LengthM, double GapeM, double WireM);

/// <summary>What can be picked for a brief and for gear, in the words of the trade.</summary>
public sealed record Choices(
    IReadOnlyList<Pick<Water>> Water,
    IReadOnlyList<Pick<Cover>> Cover,
    IReadOnlyList<Pick<Stance>> Stance,
    IReadOnlyList<Pick<Wariness>> Wariness,
    IReadOnlyList<Pick<Hand>> Hand,
    IReadOnlyList<Pick<School>> School,
    IReadOnlyList<Pick<Lean>> Lean,
    IReadOnlyList<Pick<Owned>> Owned,
    IReadOnlyList<WindFrom> WindFrom,
    IReadOnlyList<Pick<RodAction>> Action,
    IReadOnlyList<Pick<Build>> Build,
    IReadOnlyList<Pick<Found>> Found,
    IReadOnlyList<Pick<LeaderMaterial>> LeaderMaterial,
    IReadOnlyList<Pick<LeaderMaterial>> SpoolMaterial,
    IReadOnlyList<Pick<LeaderPart>> LeaderPart,
    IReadOnlyList<Pick<LeaderSchool>> LeaderSchool,
    IReadOnlyList<Pick<FishedBy>> FishedBy,
    IReadOnlyList<Pick<Condition>> Condition,
    IReadOnlyList<Pick<Regret>> Regret,
    IReadOnlyList<Pick<OutingKind>> Outing,
    IReadOnlyList<Pick<DistanceBy>> DistanceBy,
    IReadOnlyList<Pick<Feel>> Feel,
    IReadOnlyList<Pick<TurnedOver>> Turned,
    IReadOnlyList<Pick<LossCause>> Loss,
    IReadOnlyList<Pick<DroppedPiece>> Dropped,
    IReadOnlyList<Pick<Drill>> Drill
);

/// <summary>The pins that hold a link.</summary>
public sealed record LinkPins(LinkId Link, IReadOnlyList<Pin> Pins);

/// <summary>The range of a line class, kilograms in the first thirty feet.</summary>
public sealed record ClassRange(int Class, double LowKg, double HighKg);

/// <summary>Values that forms start with.</summary>
public sealed record Beginnings(
    Rod Rod,
    FlyLine Line,
    Reel Reel,
    Scrap Scrap,
    LeaderSpool LeaderSpool,
    Weighing Weighing,
    FightLoad Fight,
    string CasterId,
    IReadOnlyList<double> Budgets,
    RunHold Hold,
    string Spool,
    RodLoad Load,
    TripLimits Trip
);

/// <summary>Everything the pages need to know of the trade: units, choices, tables and rules.</summary>
public sealed record StandardsAnswer(
    IReadOnlyList<KindForms> Units,
    XScale XNumber,
    IReadOnlyList<double> BeaufortFromMps,
    double ThirtyFeetM,
    IReadOnlyList<Choice> FlyKinds,
    IReadOnlyList<HookChoice> Hooks,
    IReadOnlyList<FishChoice> Species,
    IReadOnlyList<Choice> Casters,
    IReadOnlyList<Choice> Densities,
    IReadOnlyList<Choice> Coatings,
    IReadOnlyList<Choice> Backings,
    IReadOnlyList<Knot> Knots,
    Choices Choices,
    BriefLimits Limits,
    IReadOnlyList<LinkPins> Pins,
    IReadOnlyList<ClassRange> LineClasses,
    Beginnings Beginnings,
    ShedFields Fields,
    IReadOnlyList<SpoolTrust> SpoolTrust,
    IReadOnlyList<ReferenceTable> Tables,
    IReadOnlyList<Rule> Rules,
    IReadOnlyList<GlossaryTerm> Glossary,
    IReadOnlyList<SafetyPoint> Safety
);

/// <summary>A typed measure to read; a bare number is taken in the unit the reader chose, otherwise in the metric or trade one.</summary>
public sealed record ReadRequest(Kind Kind, string Text, bool Metric, string? Unit = null);

/// <summary>A measure as read, and as typed with its unit.</summary>
public sealed record ReadAnswer(double Value, string Said);

public static class StandardsRoom
{
    private static readonly StandardsAnswer Answer = new(
        [.. Enum.GetValues<Kind>().Select(FormsOf)],
        new(Tippets.DiameterOfX(1) - Tippets.DiameterOfX(0), Tippets.DiameterOfX(0)),
        [.. Beaufort.Rows.Select(b => b.FromMps)],
        Exact.ThirtyFeetM,
        [.. FlyKinds.Rows.Select(k => new Choice(k.Id, k.Name, $"{k.Small} to {k.Large}"))],
        [
            .. Hooks
                .Rows.Select(h => (h.Size, Hook: Hooks.Get(h.Size)))
                .Select(h => new HookChoice(h.Size.Number, h.Size.ToString(), h.Hook.LengthM, h.Hook.GapeM, h.Hook.WireM)),
        ],
        [
            .. Fishes
                .All.OrderBy(s => s.Name, StringComparer.Ordinal)
                .Select(s => new FishChoice(s.Id, s.Name, s.Group.Name, UsualDays.For(s).Water, s.TypicalKg)),
        ],
        [.. Casters.Rows.Select(c => new Choice(c.Id, c.Name, c.About))],
        [.. Densities.Rows.Select(d => new Choice(d.Id, d.Name))],
        [.. Coatings.Rows.Select(c => new Choice(c.Id, c.Name))],
        [.. Backings.Rows.Select(b => new Choice(b.Id, b.Name))],
        Knots.Rows,
        new(
            All<Water>(BriefWords.For),
            All<Cover>(BriefWords.For),
            All<Stance>(BriefWords.For),
            All<Wariness>(BriefWords.For),
            All<Hand>(BriefWords.For),
            All<School>(BriefWords.For),
            All<Lean>(BriefWords.For),
            All<Owned>(BriefWords.For),
            BriefWords.WindFrom,
            All<RodAction>(Actions.Word),
            All<Build>(BuildWords.For),
            All<Found>(FoundWords.For),
            All<LeaderMaterial>(m => LeaderMaterials.Get(m).Name),
            [.. LeaderMaterials.OnSpools.Select(m => new Pick<LeaderMaterial>(m.Material, m.Name))],
            All<LeaderPart>(LeaderPiece.NameOf),
            All<LeaderSchool>(LeaderDesign.NameOf),
            All<FishedBy>(FishedWords.For),
            All<Condition>(ConditionWords.For),
            All<Regret>(RegretWords.For),
            All<OutingKind>(LogWords.For),
            All<DistanceBy>(LogWords.For),
            All<Feel>(LogWords.For),
            All<TurnedOver>(LogWords.For),
            All<LossCause>(LogWords.For),
            All<DroppedPiece>(LogWords.For),
            All<Drill>(LogWords.For)
        ),
        BriefLimits.Handled,
        [.. Enum.GetValues<LinkId>().Select(link => new LinkPins(link, Pins.On(link)))],
        [.. LineWeights.Rows.Select(w => new ClassRange(w.Class, w.LowGr * Exact.GrainKg, w.HighGr * Exact.GrainKg))],
        new(
            Rod.Blank,
            FlyLine.Blank,
            Reel.Blank,
            Scrap.Blank,
            LeaderSpool.Blank,
            Weighing.Usual,
            FightLoad.Usual,
            Casters.Usual.Id,
            FirstWish.Budgets,
            new(RunningFish.UsualPullN(1)),
            Spool.Own,
            new(0, 0),
            new()
        ),
        ShedFields.All,
        SpoolShape.Trust,
        ReferenceShelf.All,
        Rules.All,
        Glossary.All,
        Safety.All
    );

    private static IReadOnlyList<Pick<T>> All<T>(Func<T, string> word)
        where T : struct, Enum => [.. Enum.GetValues<T>().Select(value => new Pick<T>(value, word(value)))];

    private static KindForms FormsOf(Kind kind)
    {
        var said = Customary.For(kind);
        return new(kind, said.Trade, said.Metric, said.ByChoice, said.AsKnown);
    }

    public static void MapStandards(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/standards", () => TypedResults.Ok(Answer)).WithTags("Standards").WithSummary("Units, choices, tables and rules.");

        // A query, though posted: text and kind are in a body like everything else that is typed.
        app.MapPost(
                "/api/measures/read",
                Results<Ok<ReadAnswer>, ValidationProblem> (ReadRequest typed) =>
                {
                    var reading = Reader.Read(typed.Kind, typed.Text, Customary.For(typed.Kind, typed.Metric, typed.Unit));
                    return reading.Value is { } value
                        ? TypedResults.Ok(new ReadAnswer(value, reading.Said!))
                        : Problems.At("text", reading.Problem!);
                }
            )
            .WithTags("Standards")
            .WithSummary("Reads a typed measure such as 60ft, 18 kn or 4X into SI.");

        app.MapGet(
                "/api/measures/hook",
                Results<Ok<HookChoice>, ValidationProblem> (string text) =>
                {
                    if (Reader.ReadHook(text) is not { } size)
                        return Problems.At("text", "Type a hook size such as #12 or 2/0.");
                    var hook = Hooks.Get(size);
                    return TypedResults.Ok(new HookChoice(size.Number, size.ToString(), hook.LengthM, hook.GapeM, hook.WireM));
                }
            )
            .WithTags("Standards")
            .WithSummary("Reads a typed hook size.");
    }
}
