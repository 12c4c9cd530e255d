using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Casting;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Web.Devices;

namespace ZingCast.Web.Rooms;

/// <summary>Reading of the wind meter, converted to the 10 m of a forecast. Speeds in m/s.</summary>
public sealed record WindReading(
    string Name,
    double NowMps,
    double MeanMps,
    double LullMps,
    double GustMps,
    double HeightM,
    int Seconds,
    IReadOnlyList<double> LastMps
);

/// <summary>Reading of the bench scale, kilograms.</summary>
/// <param name="Name">How it is called.</param>
/// <param name="Kg">What it shows.</param>
/// <param name="Settled">True when it has stopped moving.</param>
/// <param name="ResolutionKg">Smallest step.</param>
/// <param name="PlusMinusKg">How far it may be off.</param>
/// <param name="Simulated">True when it is not there.</param>
/// <param name="OnPan">What lies on it; null when nothing does or it cannot know.</param>
/// <param name="Refused">Why this reading says nothing, in words; null when it can be taken.</param>
public sealed record ScaleAnswer(
    string Name,
    double Kg,
    bool Settled,
    double ResolutionKg,
    double PlusMinusKg,
    bool Simulated,
    string? OnPan,
    string? Refused
);

/// <summary>
/// Something to put on the simulated scale: a mass, kilograms, and the name of the piece when the mass is only stated. The words say what
/// it is.
/// </summary>
public sealed record LayRequest(double Kg, string? Piece = null, string? Words = null);

/// <summary>Reading of the spring scale, newtons.</summary>
/// <param name="Name">How it is called.</param>
/// <param name="NowN">The needle now.</param>
/// <param name="StartN">What it took to start the spool.</param>
/// <param name="SteadyN">The mean while it is pulled steadily.</param>
/// <param name="PlusMinusN">How far it may be off.</param>
/// <param name="Simulated">True when it is not there.</param>
/// <param name="Refused">Why this reading says nothing; null when it can be taken.</param>
/// <param name="Drag">It against what it should be, when that was said and the reading can be taken.</param>
public sealed record SpringAnswer(
    string Name,
    double NowN,
    double StartN,
    double SteadyN,
    double PlusMinusN,
    bool Simulated,
    string? Refused,
    DragReading? Drag
);

/// <summary>A drag knob turned to a share of its range, on a reel with this maximum drag, newtons.</summary>
public sealed record PullRequest(double Knob, double? MostN = null);

/// <summary>A tippet to hang on the spring scale, with about this strength, newtons.</summary>
public sealed record HangRequest(double AboutN);

/// <summary>Force to pull with, newtons.</summary>
public sealed record LoadRequest(double PullN);

/// <summary>Result of a break test, newtons.</summary>
/// <param name="Name">How it is called.</param>
/// <param name="NowN">The needle now.</param>
/// <param name="PeakN">The most it showed.</param>
/// <param name="Broke">The tippet has broken.</param>
/// <param name="PlusMinusN">How far it may be off.</param>
/// <param name="Simulated">True when it is not there.</param>
public sealed record PeakAnswer(string Name, double NowN, double PeakN, bool Broke, double PlusMinusN, bool Simulated);

public static class DevicesRoom
{
    private const int Seconds = 60;

    public static void MapDevices(this IEndpointRouteBuilder app)
    {
        app.MapGet(
                "/api/devices/wind",
                async (IWindMeter meter, CancellationToken cancel) =>
                {
                    var samples = await meter.ReadAsync(TimeSpan.FromSeconds(Seconds), cancel);
                    // Near the ground the wind is weaker than in a forecast; briefs use the wind at 10 m.
                    var toTen = 1 / new CastDay(0, 0, meter.HeightM).WindShare(meter.HeightM);
                    var last = samples.Select(s => s.Mps * toTen).ToList();
                    return TypedResults.Ok(
                        new WindReading(meter.Name, last[^1], last.Average(), last.Min(), last.Max(), meter.HeightM, Seconds, last)
                    );
                }
            )
            .WithTags("Devices")
            .WithSummary("The wind meter: now, and the spread of the last minute.");

        MapReelDevices(app);
        app.MapGet("/api/devices/scale", async (IBenchScale scale, CancellationToken cancel) => TypedResults.Ok(await Said(scale, cancel)))
            .WithTags("Devices")
            .WithSummary("The bench scale now.");
        app.MapPost(
                "/api/devices/scale/tare",
                async (IBenchScale scale, CancellationToken cancel) =>
                {
                    await scale.TareAsync(cancel);
                    return TypedResults.Ok(await Said(scale, cancel));
                }
            )
            .WithTags("Devices")
            .WithSummary("Tares the bench scale.");
        app.MapPost(
                "/api/devices/scale/lay",
                async Task<Results<Ok<ScaleAnswer>, ValidationProblem, ProblemHttpResult>> (
                    LayRequest request,
                    IBenchScale scale,
                    CancellationToken cancel
                ) =>
                {
                    if (scale is not SimulatedBenchScale simulated)
                        return TypedResults.Problem(statusCode: 409, title: "This scale is real: lay the piece on it.");
                    if (
                        new FieldCheck()
                            .Text("piece", request.Piece, 80, optional: true)
                            .Text("words", request.Words, 80, optional: true)
                            .Problems is
                        { Count: > 0 } odd
                    )
                        return Problems.Invalid(odd);
                    if (request.Kg is not (>= 0 and <= 5))
                        return Problems.At("kg", "The pan holds up to 5 kg.");
                    simulated.Lay(
                        request.Piece is { } piece ? SimulatedBenchScale.Really(request.Kg, piece) : request.Kg,
                        request.Words ?? request.Piece
                    );
                    return TypedResults.Ok(await Said(scale, cancel));
                }
            )
            .WithTags("Devices")
            .WithSummary("Pretends to lay something on the simulated scale.");
    }

    private static void MapReelDevices(IEndpointRouteBuilder app)
    {
        app.MapGet(
                "/api/devices/spring",
                (double? setN, double? fromN, double? toN, ISpringScale spring) => TypedResults.Ok(Said(spring, setN, fromN, toN))
            )
            .WithTags("Devices")
            .WithSummary("The spring scale that is hooked into the line, now.");
        app.MapPost(
                "/api/devices/spring/pull",
                Results<Ok<SpringAnswer>, ValidationProblem, ProblemHttpResult> (PullRequest request, ISpringScale spring) =>
                {
                    if (spring is not SimulatedSpringScale simulated)
                        return TypedResults.Problem(statusCode: 409, title: "This scale is real: turn the knob and pull.");
                    var odd = new FieldCheck()
                        .Range("knob", request.Knob, 0, 1, "The knob goes from 0 to 1.")
                        .Range("mostN", request.MostN, 0, 200, "Drag is between 0 and 200 N.")
                        .Problems;
                    if (odd.Count > 0)
                        return Problems.Invalid(odd);
                    simulated.Pull(request.Knob, request.MostN ?? UsualMostN);
                    return TypedResults.Ok(Said(spring));
                }
            )
            .WithTags("Devices")
            .WithSummary("Pretends to turn a drag knob and to pull line off with the spring scale.")
            .Refuses(409);
        app.MapPost(
                "/api/devices/spring/hang",
                Results<Ok<PeakAnswer>, ValidationProblem, ProblemHttpResult> (HangRequest request, ISpringScale spring) =>
                    Pulled(spring, "aboutN", request.AboutN, s => s.Hang(request.AboutN))
            )
            .WithTags("Devices")
            .WithSummary("Pretends to hang a knotted tippet between an anchor and the spring scale.")
            .Refuses(409);
        app.MapPost(
                "/api/devices/spring/load",
                Results<Ok<PeakAnswer>, ValidationProblem, ProblemHttpResult> (LoadRequest request, ISpringScale spring) =>
                    Pulled(spring, "pullN", request.PullN, s => s.Load(request.PullN))
            )
            .WithTags("Devices")
            .WithSummary("Pretends to pull on it, harder and harder, until it breaks.")
            .Refuses(409);
        app.MapPost(
                "/api/devices/winder/slip",
                Results<NoContent, ValidationProblem, ProblemHttpResult> (SlipRequest request, IWinder winder) =>
                {
                    if (winder is not SimulatedWinder simulated)
                        return TypedResults.Problem(statusCode: 409, title: "This winder is real: it slips when it slips.");
                    if (request.Share is not (>= 0 and <= .5))
                        return Problems.At("share", "Up to half is slipped.");
                    simulated.Slip(request.Share);
                    return TypedResults.NoContent();
                }
            )
            .WithTags("Devices")
            .WithSummary("Pretends that the simulated winder's counting wheel slips.")
            .Refuses(409);
    }

    private static Results<Ok<PeakAnswer>, ValidationProblem, ProblemHttpResult> Pulled(
        ISpringScale spring,
        string field,
        double newtons,
        Action<SimulatedSpringScale> pull
    )
    {
        if (spring is not SimulatedSpringScale simulated)
            return TypedResults.Problem(statusCode: 409, title: "This scale is real: tie the tippet to it and pull.");
        if (newtons is not (>= 0 and <= 1000))
            return Problems.At(field, "A pull is between 0 and 1000 N.");
        pull(simulated);
        var peak = spring.Peak();
        return TypedResults.Ok(new PeakAnswer(spring.Name, peak.NowN, peak.PeakN, peak.Broke, spring.PlusMinusN, true));
    }

    // Maximum drag of a reel when unknown, newtons.
    private const double UsualMostN = 40;

    private static SpringAnswer Said(ISpringScale spring, double? setN = null, double? fromN = null, double? toN = null)
    {
        var read = spring.Read();
        return new(
            spring.Name,
            read.NowN,
            read.StartN,
            read.SteadyN,
            spring.PlusMinusN,
            spring is SimulatedSpringScale,
            read.Steady ? null : "Pull on, steadily, for a second or two.",
            read.Steady && (setN, fromN, toN) is ({ } set, { } from, { } to)
                ? DragSetting.Judge(Spread.Between(from, to), set, read.SteadyN, spring.PlusMinusN)
                : null
        );
    }

    private static async Task<ScaleAnswer> Said(IBenchScale scale, CancellationToken cancel)
    {
        var reading = await scale.ReadAsync(cancel);
        return new(
            scale.Name,
            reading.Kg,
            reading.Settled,
            scale.ResolutionKg,
            scale.PlusMinusKg,
            scale is SimulatedBenchScale,
            scale.OnPan,
            Refused(scale, reading)
        );
    }

    private static string? Refused(IBenchScale scale, ScaleReading reading)
    {
        if (!reading.Settled)
            return "It is still settling.";
        if (scale.TaredLoaded)
            return "It was tared with something on the pan, so this is not what lies there. "
                + "Clear the pan, tare it, and lay the piece on again.";
        return reading.Kg <= scale.PlusMinusKg ? "Nothing lies on the pan. Lay the piece on it first." : null;
    }
}
