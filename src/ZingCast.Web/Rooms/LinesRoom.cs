using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Store;

namespace ZingCast.Web.Rooms;

/// <summary>A weighing, with the line when known.</summary>
public sealed record ClassifyRequest(Weighing Weighing, FlyLine? Line = null);

/// <summary>A class, grains per foot by rule and exactly, and the rods it suits.</summary>
public sealed record ClassifyAnswer(LineClass Class, BellyWeight? Belly, IReadOnlyList<RodSuits> Rods);

/// <summary>A profile to examine. Stretches from the fly end; carry in metres; tolerance as a share of the mass.</summary>
public sealed record ProfileRequest(
    IReadOnlyList<Stretch> Stretches,
    double HeadM,
    double CarryM,
    double Share = .01,
    FlyLine? Line = null
);

/// <summary>A profile examined, the rods it suits, and the range of line diameters, metres.</summary>
public sealed record ProfileAnswer(LineReading Reading, IReadOnlyList<RodSuits> Rods, Spread ThickM);

/// <summary>Caliper readings and one weight.</summary>
public sealed record CaliperRequest(IReadOnlyList<CaliperReading> Readings, double LengthM, double MassKg);

/// <summary>A profile. Guessed: the mass is unknown, so its density is the usual one of its kind.</summary>
public sealed record StretchesAnswer(IReadOnlyList<Stretch> Stretches, double KgM3, double MassKg, double LengthM, bool Guessed);

/// <summary>A profile as CSV text.</summary>
public sealed record CsvRequest(string Text);

public static class LinesRoom
{
    public static void MapLines(this IEndpointRouteBuilder app)
    {
        var lines = app.MapGroup("/api/lines").WithTags("Lines");

        lines.MapPost("/classify", Classify).WithSummary("Class of a line from a weighing, honestly, with the rods it suits.");

        lines
            .MapPost("/profile", ReadProfile)
            .WithSummary("Reads a profile: class, sums, belly, balance, front-loading, buoyancy, rods it suits.");

        lines.MapPost("/fit", FitCalipers).WithSummary("Fits one density to caliper readings and one weight.");

        lines
            .MapPost("/csv", ReadCsv)
            .WithSummary("Reads a CSV profile for a look before it is kept; every bad row is named, nothing is kept.");

        lines
            .MapGet("/{id:int}/profile", Profile)
            .WithSummary("A line's profile, measured or as its figures describe it; guessed when nobody knows what it weighs.")
            .Refuses(404);

        lines.MapGet("/{id:int}/profile.csv", ProfileSheet).WithSummary("A line's profile as CSV.").Refuses(404, 409);

        lines.MapPost("/{id:int}/weighing", KeepWeighing).WithSummary("Keeps a weighing with the line.").Refuses(404, 412);

        lines.MapPost("/{id:int}/profile", KeepProfile).WithSummary("Keeps a measured profile with the line.").Refuses(404, 412);
    }

    private static async Task<Results<Ok<ClassifyAnswer>, ValidationProblem>> Classify(
        ClassifyRequest request,
        ZingDb db,
        CancellationToken cancel
    )
    {
        var on = request.Weighing;
        if (request.Line?.Check() is { Count: > 0 } odd)
            return Problems.Invalid(odd, "line.");
        if ((request.Line?.Check(on) ?? on.Check()) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong, "weighing.");
        var belly =
            on.FrontTaperM is > 0 and { } taper && on.RearTaperM is null or 0
                ? BellyWeight.From(on.MassKg, on.LengthM, taper, request.Line is { } l ? l.TipDiameterM / l.BellyDiameterM : .618)
                : (BellyWeight?)null;
        var line = (request.Line ?? Nameless(on.LengthM)).With(on);
        return TypedResults.Ok(new ClassifyAnswer(LineClass.From(on), belly, LineSuits.Rods(line, (await db.ShedAsync(cancel)).Rods)));
    }

    private static async Task<Results<Ok<ProfileAnswer>, ValidationProblem>> ReadProfile(
        ProfileRequest request,
        ZingDb db,
        CancellationToken cancel
    )
    {
        if (ProfileProblems(request) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        var profile = new LineProfile(request.Stretches);
        var line = (request.Line ?? Nameless(profile.LengthM)).With(profile, request.HeadM, request.Share);
        return TypedResults.Ok(
            new ProfileAnswer(
                LineReading.From(profile, request.HeadM, request.CarryM, request.Share),
                LineSuits.Rods(line, (await db.ShedAsync(cancel)).Rods),
                new(LineProfile.ThinnestM, LineProfile.ThickestM)
            )
        );
    }

    private static Results<Ok<StretchesAnswer>, ValidationProblem> FitCalipers(CaliperRequest request) =>
        LineProfile.Check(request.Readings, request.LengthM, request.MassKg) is { Count: > 0 } wrong
            ? Problems.Invalid(wrong)
            : TypedResults.Ok(Answer(LineProfile.Fit(request.Readings, request.LengthM, request.MassKg)));

    private static Results<Ok<StretchesAnswer>, ValidationProblem> ReadCsv(CsvRequest request) =>
        ProfileCsv.Read(request.Text) is var (profile, faults) && profile is not null
            ? TypedResults.Ok(Answer(profile))
            : Problems.Invalid(faults.Select(f => new FieldProblem($"line {f.Line}, {f.Column}", f.Problem)));

    private static async Task<Results<Ok<StretchesAnswer>, ProblemHttpResult>> Profile(
        int id,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) => await Find(id, db, clock, cancel) is not { } line ? Gone() : TypedResults.Ok(Answer(line.Profile(), guessed: line.MassKg is null));

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> ProfileSheet(
        int id,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        await Find(id, db, clock, cancel) is not { } line ? Gone()
        : line.MassKg is null ? Unweighed()
        : TypedResults.File(
            System.Text.Encoding.UTF8.GetBytes(ProfileCsv.Write(line.Profile())),
            "text/csv; charset=utf-8",
            $"{SafeName(line.Tag)}-profile.csv"
        );

    private static async Task<Results<Ok<FlyLine>, ValidationProblem, ProblemHttpResult>> KeepWeighing(
        int id,
        Weighing weighing,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        await Find(id, db, clock, cancel) is not { } line ? Gone()
        : line.Check(weighing) is { Count: > 0 } wrong ? Problems.Invalid(wrong, "weighing.")
        : await Keep(line.With(weighing), db, clock, cancel);

    private static async Task<Results<Ok<FlyLine>, ValidationProblem, ProblemHttpResult>> KeepProfile(
        int id,
        ProfileRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        await Find(id, db, clock, cancel) is not { } line ? Gone()
        : ProfileProblems(request) is { Count: > 0 } wrong ? Problems.Invalid(wrong)
        : await Keep(line.With(new LineProfile(request.Stretches), request.HeadM, request.Share), db, clock, cancel);

    private static IReadOnlyList<FieldProblem> ProfileProblems(ProfileRequest request)
    {
        var stretches = LineProfile.Check(request.Stretches);
        if (stretches.Count > 0)
            return stretches;
        if (request.Line?.Check() is { Count: > 0 } odd)
            return [.. odd.Select(p => p with { Field = $"line.{p.Field}" })];
        var length = request.Stretches.Sum(s => s.LengthM);
        return new FieldCheck()
            .Range("headM", request.HeadM, .3, length + 1e-9, $"The head is part of the {length:0.00} m of line.")
            .Range("carryM", request.CarryM, .1, 60, "Between 0.1 and 60 m are held in the air.")
            .Range("share", request.Share, 0, .2, "A tolerance is a fifth at most.")
            .Problems;
    }

    // Stands in for a line that is only on the bench.
    private static FlyLine Nameless(double lengthM) =>
        new()
        {
            Tag = "—",
            Name = "on the bench",
            LengthM = Math.Max(lengthM, 3),
            HeadM = Math.Clamp(lengthM, 3, 40),
        };

    private static StretchesAnswer Answer(LineProfile profile, bool guessed = false) =>
        new(profile.Stretches, profile.Kg / profile.Volume(profile.LengthM), profile.Kg, profile.LengthM, guessed);

    private static string SafeName(string tag) => new([.. tag.Select(c => char.IsAsciiLetterOrDigit(c) ? c : '-')]);

    private static Task<FlyLine?> Find(int id, ZingDb db, TimeProvider clock, CancellationToken cancel) =>
        db.KeptSet<FlyLine>(clock).FindAsync(id, cancel);

    private static async Task<Results<Ok<FlyLine>, ValidationProblem, ProblemHttpResult>> Keep(
        FlyLine line,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    ) =>
        line.Check() is { Count: > 0 } wrong
            ? Problems.Invalid(wrong)
            : TypedResults.Ok(await db.KeptSet<FlyLine>(clock).KeepAsync(line, line.Tag, cancel));

    private static ProblemHttpResult Gone() => TypedResults.Problem(statusCode: 404, title: "That line is not in the shed any more.");

    private static ProblemHttpResult Unweighed() =>
        TypedResults.Problem(statusCode: 409, title: "Nobody knows what this line weighs. Weigh it first.");
}
