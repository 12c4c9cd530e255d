using System.Text.Json;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Logbook;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>An outing in the list, with its outfit in words.</summary>
public sealed record LogRow(Outing Outing, string Outfit);

/// <summary>A page of the log, latest first.</summary>
/// <param name="Total">How many fit what was asked for.</param>
/// <param name="Rows">Those of this page.</param>
/// <param name="Places">Every place there is in the log.</param>
/// <param name="Outings">How many outings there are at all.</param>
public sealed record LogPage(int Total, IReadOnlyList<LogRow> Rows, IReadOnlyList<string> Places, int Outings);

/// <summary>A cast as a point over the wind.</summary>
public sealed record WindPoint(DateOnly On, double HeadwindMps, double DistanceM, bool AllOut, DistanceBy By, TurnedOver Turned);

/// <summary>Logged casts of a rod and line over the wind, with the engine's curve.</summary>
/// <param name="Points">Casts.</param>
/// <param name="WindsMps">Winds in the face, m/s.</param>
/// <param name="ReachM">What the engine says, metres; empty where nobody knows rod or line well enough.</param>
/// <param name="Tolerance">How far that may be off, as a share.</param>
/// <param name="Caster">Whose hand it is worked out with.</param>
public sealed record LogWind(
    IReadOnlyList<WindPoint> Points,
    IReadOnlyList<double> WindsMps,
    IReadOnlyList<double> ReachM,
    double Tolerance,
    string? Caster
);

/// <summary>A sheet of outings to read, and whether its rows replace differing stored ones.</summary>
public sealed record SheetRequest(string Text, bool Theirs = false);

/// <summary>Result of reading a sheet.</summary>
/// <param name="Changes">What is new, otherwise, the same.</param>
/// <param name="Faults">Every fault by row and column; with any, nothing is kept.</param>
/// <param name="Notes">What was left out, and why.</param>
/// <param name="Columns">The columns there are.</param>
public sealed record SheetAnswer(
    IReadOnlyList<BackupChange> Changes,
    IReadOnlyList<CsvFault> Faults,
    IReadOnlyList<string> Notes,
    IReadOnlyList<string> Columns
);

public static class LogbookRoom
{
    private const string One = "an outing";

    private const int PageRows = 50,
        MostRows = 500;

    private static readonly IReadOnlyList<double> Winds = CastMaps.Steps(-6, 14, 21);

    public static void MapLogbook(this IEndpointRouteBuilder app)
    {
        var log = app.MapGroup("/api/log").WithTags("Logbook");
        log.MapGet("", Handlers.AtRuntime(List)).WithSummary("Outings, latest first, as many as fit what is asked for.");
        log.MapGet("/answers", Handlers.AtRuntime(Answers))
            .WithSummary("What the log says: losses, lines in the wind, what stays at home, what waters took.");
        log.MapGet("/wind", InWind).WithSummary("Casts of a rod and line over the wind, with the engine's own curve.").IsHeavy();
        log.MapGet("/new", New).WithSummary("An outing to fill in, from a brief and its outfit.").Refuses(404).IsHeavy();
        log.MapGet(
                "/{id:int}",
                async Task<Results<Ok<Outing>, ProblemHttpResult>> (int id, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    await db.KeptSet<Outing>(clock).FindAsync(id, cancel) is { } outing ? TypedResults.Ok(outing) : Problems.Gone(One)
            )
            .WithSummary("One outing.")
            .Refuses(404);
        log.MapPost(
                "",
                (Outing outing, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Keep(outing with { Id = 0, Version = 0 }, db, clock, cancel)
            )
            .WithSummary("Keeps a new outing.");
        log.MapPut(
                "/{id:int}",
                (int id, Outing outing, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Keep(outing with { Id = id }, db, clock, cancel)
            )
            .WithSummary("Changes an outing; refused when it has moved on since the version it carries.")
            .Refuses(404, 412);
        log.MapKept<Outing>(One);
        log.MapGet(
                "/log.csv",
                async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    Sheet(LogCsv.Write(await BackupFile.DocumentAsync(db, clock.GetUtcNow().UtcDateTime, [BackupFile.Log], cancel)), "log")
            )
            .IsHeavy()
            .WithSummary("The log as CSV.");
        log.MapPost(
                "/csv/look",
                (SheetRequest request, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    ReadSheet(request, false, db, clock, cancel)
            )
            .WithMetadata(new RequestSizeLimitAttribute(2L * LogCsv.Longest))
            .IsHeavy()
            .WithSummary("What a sheet of outings would change; keeps nothing.");
        log.MapPost(
                "/csv",
                (SheetRequest request, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    ReadSheet(request, true, db, clock, cancel)
            )
            .WithMetadata(new RequestSizeLimitAttribute(2L * LogCsv.Longest))
            .IsHeavy()
            .WithSummary("Reads a sheet of outings into the log, all of it or nothing where any row has a fault.")
            .Refuses(409);

        log.MapLearning();
    }

    /// <summary>A sheet to download.</summary>
    internal static FileContentHttpResult Sheet(string csv, string name) =>
        TypedResults.File(System.Text.Encoding.UTF8.GetBytes(Sheets.Mark + csv), "text/csv; charset=utf-8", $"{name}.csv");

    private static async Task<Results<Ok<SheetAnswer>, ValidationProblem>> ReadSheet(
        SheetRequest request,
        bool keep,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (request.Text.Length > LogCsv.Longest)
            return Problems.At("text", $"More than {LogCsv.Longest / 1_000_000} MB; bring a part of it.");
        var (document, rows, faults) = LogCsv.Read(request.Text);
        if (document is null)
            return TypedResults.Ok(new SheetAnswer([], faults, [], LogCsv.ColumnNames));
        var today = DateOnly.FromDateTime(clock.GetLocalNow().Date);
        var merge = request.Theirs ? BackupMerge.Theirs : BackupMerge.Mine;
        // A comparison takes no lock; storing compares and writes in one transaction.
        await using var transaction = keep ? await db.Database.BeginTransactionAsync(cancel) : null;
        var plan = await BackupFile.LookAsync(db, document.ToJsonString(), merge, today, cancel);
        var read = plan.Read;
        if (transaction is not null && read.Faults.Count == 0)
        {
            await BackupFile.KeepAsync(db, plan, cancel);
            await transaction.CommitAsync(cancel);
        }
        return TypedResults.Ok(
            new SheetAnswer(
                read.Changes,
                [.. read.Faults.Select(f => new CsvFault(rows.ElementAtOrDefault(f.Row - 1), LogCsv.ColumnOf(f.Field), f.Problem))],
                read.Notes,
                LogCsv.ColumnNames
            )
        );
    }

    private static async Task<Results<Ok<LogPage>, ValidationProblem>> List(
        [AsParameters] LogAsked asked,
        ZingDb db,
        LogCache desk,
        CancellationToken cancel,
        int skip = 0,
        int take = PageRows
    )
    {
        if (asked.Check() is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        var outings = await desk.OutingsAsync(db, cancel);
        var outfitOf = Outfits(await db.EverShedAsync(cancel));
        var found = asked.Filter.Apply(outings, outfitOf).ToList();
        return TypedResults.Ok(
            new LogPage(
                found.Count,
                [.. found.Skip(Math.Max(0, skip)).Take(Math.Clamp(take, 1, MostRows)).Select(o => new LogRow(o, outfitOf(o)))],
                [
                    .. outings
                        .Select(o => o.Place)
                        .Where(p => p.Length > 0)
                        .Distinct(StringComparer.OrdinalIgnoreCase)
                        .Order(StringComparer.Ordinal),
                ],
                outings.Count
            )
        );
    }

    // Outfit of an outing in words; archived pieces keep their names.
    private static Func<Outing, string> Outfits(GearShed ever)
    {
        static Dictionary<int, string> Called(IEnumerable<Gear> pieces) => pieces.ToDictionary(p => p.Id, p => $"{p.Tag} {p.Name}");
        var (rods, lines, reels) = (Called(ever.Rods), Called(ever.Lines), Called(ever.Reels));
        return o =>
            string.Join(
                ", ",
                new[]
                {
                    rods.GetValueOrDefault(o.RodId ?? 0),
                    lines.GetValueOrDefault(o.LineId ?? 0),
                    reels.GetValueOrDefault(o.ReelId ?? 0),
                }.OfType<string>()
            );
    }

    private static async Task<Results<Ok<LogAnswers>, ValidationProblem>> Answers(
        [AsParameters] LogAsked asked,
        ZingDb db,
        LogCache desk,
        CancellationToken cancel,
        int? year = null
    )
    {
        if (asked.Check() is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        var shed = await db.ShedAsync(cancel);
        return TypedResults.Ok(
            LogAnswers.From(
                [.. asked.Filter.Apply(await desk.OutingsAsync(db, cancel), Outfits(await db.EverShedAsync(cancel)))],
                shed,
                year
            )
        );
    }

    private static async Task<Ok<LogWind>> InWind(int rod, int line, ZingDb db, LogCache desk, CancellationToken cancel)
    {
        var (shed, casters) = (await db.EverShedAsync(cancel), await db.CastersAsync(cancel));
        var its = (await desk.OutingsAsync(db, cancel)).Where(o => o.RodId == rod && o.LineId == line && o.Casts.Count > 0).ToList();
        var points = its.SelectMany(o =>
            o.Casts.Select(c =>
            {
                var day = o.Day(c);
                var face = (day.WindMps ?? 0) * Math.Cos((day.WindFromDeg ?? 0) * Math.PI / 180);
                return new WindPoint(o.On, face, c.DistanceM, c.AllOut, c.By, c.Turned);
            })
        );
        // With the caster and the rigging of the latest outing.
        var last = its.FirstOrDefault(o => casters.Any(c => c.Id == o.Caster));
        var setup = last?.Setup(
            null,
            shed.Rods.FirstOrDefault(r => r.Id == rod),
            shed.Lines.FirstOrDefault(l => l.Id == line),
            shed.Leaders.FirstOrDefault(l => l.Id == last.LeaderId),
            casters
        );
        return TypedResults.Ok(
            new LogWind(
                [.. points],
                Winds,
                setup is null ? [] : CastMaps.ByWind(setup, Winds, cancel),
                setup?.Caster.ReachTolerance ?? 0,
                setup?.Caster.Name
            )
        );
    }

    private static async Task<Results<Ok<Outing>, ProblemHttpResult>> New(
        int? brief,
        bool? grass,
        ZingDb db,
        LogCache desk,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var on = DateOnly.FromDateTime(clock.GetLocalNow().Date);
        // Starts with the last caster and place.
        var log = await desk.OutingsAsync(db, cancel);
        var before = log is [var latest, ..] ? latest : null;
        var blank = new Outing
        {
            Key = Outing.NewKey(),
            On = on,
            Kind = LogAsked.KindOf(grass == true),
            Caster = before?.Caster ?? Casters.Usual.Id,
        };
        if (brief is null)
        {
            // Practice starts with the outfit practised with last.
            before = log.FirstOrDefault(o => o.Kind == OutingKind.Grass) ?? before;
            return TypedResults.Ok(
                grass == true && before is not null
                    ? blank with
                    {
                        Place = before.Place,
                        RodId = before.RodId,
                        LineId = before.LineId,
                        ReelId = before.ReelId,
                        LeaderId = before.LeaderId,
                        LeaderM = before.LeaderM,
                        TippetM = before.TippetM,
                        FlyKind = before.FlyKind,
                        HookSize = before.HookSize,
                    }
                    : blank
            );
        }
        if (await db.KeptSet<SavedBrief>(clock).FindAsync(brief.Value, cancel) is not { } kept)
            return Problems.Gone("a brief");
        var (shed, casters) = (await db.ShedAsync(cancel), await db.CastersAsync(cancel));
        var day = Brief.Complete(kept.Draft, casters);
        var outfit = Matcher.For(day, shed, kept.Off.ToHashSet(), cancel).Choose(kept.Pins).Outfit;
        static int? There(Kept piece) => piece.Id > 0 ? piece.Id : null;
        return TypedResults.Ok(
            blank with
            {
                BriefId = kept.Id,
                Place = log.FirstOrDefault(o => o.BriefId == kept.Id)?.Place ?? kept.Name,
                Caster = day.Caster.Id,
                RodId = There(outfit.Rod),
                LineId = There(outfit.Line),
                ReelId = There(outfit.Reel),
                LeaderId = outfit.Tied?.Id,
                LeaderM = outfit.Leader.LengthM,
                TippetM = outfit.Tippet.DiameterM,
                FlyKind = day.Fly.Kind.Id,
                HookSize = day.Fly.Size.Number,
                Species = day.Species.Id,
                Water = day.Water,
                Cover = day.Cover,
                Stance = day.Stance,
                Salt = day.Salt,
                WaterC = kept.Draft.WaterC,
                WindMps = day.WindMps,
                WindFromDeg = day.WindFromDeg,
            }
        );
    }

    private static async Task<Results<Ok<Outing>, ValidationProblem, ProblemHttpResult>> Keep(
        Outing outing,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var shelf = db.KeptSet<Outing>(clock);
        if (outing.Id != 0 && await shelf.FindAsync(outing.Id, cancel) is null)
            return Problems.Gone(One);
        // A repeated request whose first answer was lost: it is stored already.
        if (
            outing.Id == 0
            && await db.Outings.AsNoTracking().FirstOrDefaultAsync(o => o.Key == outing.Key, cancel) is { } kept
            && Same(kept with { Id = 0, Version = 0 }, outing)
        )
            return TypedResults.Ok(kept);
        IReadOnlyList<FieldProblem> wrong =
        [
            .. outing.Check(DateOnly.FromDateTime(clock.GetLocalNow().Date)),
            .. await Unknown(outing, db, cancel),
        ];
        return wrong.Count > 0 ? Problems.Invalid(wrong.Distinct()) : TypedResults.Ok(await shelf.KeepAsync(outing, "This outing", cancel));
    }

    // Lists are compared by their contents.
    private static bool Same(Outing a, Outing b) => JsonSerializer.Serialize(a) == JsonSerializer.Serialize(b);

    // Archived pieces are known; ones that never existed are not.
    private static async Task<IReadOnlyList<FieldProblem>> Unknown(Outing outing, ZingDb db, CancellationToken cancel)
    {
        var shed = await db.EverShedAsync(cancel);
        var check = new FieldCheck()
            .Must("rodId", outing.RodId is null || shed.Rods.Any(r => r.Id == outing.RodId), "That rod is not in the shed.")
            .Must("lineId", outing.LineId is null || shed.Lines.Any(l => l.Id == outing.LineId), "That line is not in the shed.")
            .Must("reelId", outing.ReelId is null || shed.Reels.Any(r => r.Id == outing.ReelId), "That reel is not in the shed.")
            .Must("leaderId", outing.LeaderId is null || shed.Leaders.Any(l => l.Id == outing.LeaderId), "That leader is not in the shed.")
            .Must(
                "caster",
                (await db.CastersAsync(cancel)).Any(c => c.Id == outing.Caster),
                "That caster is not here any more. Pick another."
            )
            .Must(
                "briefId",
                outing.BriefId is null || await db.Briefs.IgnoreQueryFilters().AnyAsync(b => b.Id == outing.BriefId, cancel),
                "That brief is not here any more."
            )
            .Must(
                "key",
                !await db.Outings.IgnoreQueryFilters().AnyAsync(o => o.Key == outing.Key && o.Id != outing.Id, cancel),
                "This entry is in the log already."
            );
        return check.Problems;
    }
}

/// <summary>Query of the log, from the address.</summary>
public sealed record LogAsked(
    [FromQuery(Name = "text")] string? Text = null,
    [FromQuery(Name = "grass")] bool? Grass = null,
    [FromQuery(Name = "rod")] int? Rod = null,
    [FromQuery(Name = "line")] int? Line = null,
    [FromQuery(Name = "place")] string? Place = null,
    [FromQuery(Name = "since")] DateOnly? Since = null,
    [FromQuery(Name = "until")] DateOnly? Until = null,
    [FromQuery(Name = "withLoss")] bool WithLoss = false,
    [FromQuery(Name = "withFish")] bool WithFish = false
)
{
    internal LogFilter Filter => new(Text, Grass is { } g ? KindOf(g) : null, Rod, Line, Place, Since, Until, WithLoss, WithFish);

    internal static OutingKind KindOf(bool grass) => grass ? OutingKind.Grass : OutingKind.Water;

    internal IReadOnlyList<FieldProblem> Check() =>
        new FieldCheck()
            .Text("text", Text, 200, optional: true)
            .Text("place", Place, 80, optional: true)
            .Must("until", Since is null || Until is null || Since <= Until, "The last day is not before the first.")
            .Problems;
}
