using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Briefs;
using ZingCast.Core.Flies;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reference;
using ZingCast.Core.Standards;

namespace ZingCast.Web.Rooms;

/// <summary>A unit to show a number in: SI = number × scale + offset.</summary>
public sealed record DisplayUnit(string Name, double Scale, double Offset = 0);

/// <summary>The two units a kind of quantity is shown in.</summary>
public sealed record KindUnits(Kind Kind, DisplayUnit Trade, DisplayUnit Metric);

/// <summary>Something to pick from a list.</summary>
public sealed record Choice(string Id, string Name, string? About = null);

/// <summary>A hook size to pick, with its outside measures.</summary>
public sealed record HookChoice(int Number, string Name, double LengthM, double GapeM, double WireM);

/// <summary>Everything the pages need to know of the trade: units, choices, tables and rules.</summary>
public sealed record StandardsAnswer(
    IReadOnlyList<KindUnits> Units,
    DisplayUnit XNumber,
    IReadOnlyList<Choice> FlyKinds,
    IReadOnlyList<HookChoice> Hooks,
    IReadOnlyList<Choice> Species,
    IReadOnlyList<Choice> Casters,
    IReadOnlyList<Choice> Densities,
    IReadOnlyList<Choice> Coatings,
    IReadOnlyList<Choice> Backings,
    BriefLimits Limits,
    IReadOnlyList<ReferenceTable> Tables,
    IReadOnlyList<Rule> Rules
);

/// <summary>A typed measure to read; a bare number is taken in the metric or trade unit.</summary>
public sealed record ReadRequest(Kind Kind, string Text, bool Metric);

/// <summary>A measure as read.</summary>
public sealed record ReadAnswer(double Value);

public static class StandardsRoom
{
    private static readonly StandardsAnswer Answer = new(
        [.. Reader.Usual.Select(u => new KindUnits(u.Key, Unit(u.Key, u.Value.Trade), Unit(u.Key, u.Value.Metric)))],
        new("X", Tippets.DiameterOfX(1) - Tippets.DiameterOfX(0), Tippets.DiameterOfX(0)),
        [.. FlyKinds.Rows.Select(k => new Choice(k.Id, k.Name, $"{k.Small} to {k.Large}"))],
        [
            .. Hooks
                .Rows.Select(h => (h.Size, Hook: Hooks.Of(h.Size)))
                .Select(h => new HookChoice(h.Size.Number, h.Size.ToString(), h.Hook.LengthM, h.Hook.GapeM, h.Hook.WireM)),
        ],
        [.. Fishes.All.OrderBy(s => s.Name, StringComparer.Ordinal).Select(s => new Choice(s.Id, s.Name, s.Group.Name))],
        [.. Casters.Rows.Select(c => new Choice(c.Id, c.Name, c.About))],
        [.. Densities.Rows.Select(d => new Choice(d.Id, d.Name))],
        [.. Coatings.Rows.Select(c => new Choice(c.Id, c.Name))],
        [.. Backings.Rows.Select(b => new Choice(b.Id, b.Name))],
        BriefLimits.Handled,
        ReferenceShelf.All,
        Rules.All
    );

    private static DisplayUnit Unit(Kind kind, string unit) =>
        unit == "°F" ? new(unit, 1 / 1.8, -32 / 1.8) : new(unit, Reader.ToSi(kind, unit));

    public static void MapStandards(this WebApplication app)
    {
        app.MapGet("/api/standards", () => TypedResults.Ok(Answer)).WithTags("Standards").WithSummary("Units, choices, tables and rules.");

        // A question, though it is posted: text and kind go in a body like everything else that is typed.
        app.MapPost(
                "/api/measures/read",
                Results<Ok<ReadAnswer>, ValidationProblem> (ReadRequest typed) =>
                {
                    var reading = Reader.Read(typed.Kind, typed.Text, typed.Metric);
                    return reading.Value is { } value ? TypedResults.Ok(new ReadAnswer(value)) : Problems.At("text", reading.Problem!);
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
                    var hook = Hooks.Of(size);
                    return TypedResults.Ok(new HookChoice(size.Number, size.ToString(), hook.LengthM, hook.GapeM, hook.WireM));
                }
            )
            .WithTags("Standards")
            .WithSummary("Reads a typed hook size.");
    }
}

/// <summary>Field problems as validation problem details.</summary>
public static class Problems
{
    public static ValidationProblem At(string field, string words) => Of([new(field, words)]);

    public static ValidationProblem Of(IEnumerable<FieldProblem> problems, string prefix = "") =>
        TypedResults.ValidationProblem(
            problems.GroupBy(p => prefix + p.Field).ToDictionary(g => g.Key, g => g.Select(p => p.Problem).ToArray()),
            title: "Something needs another look."
        );
}
