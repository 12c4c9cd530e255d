using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Core.Standards;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>A spool to fill.</summary>
/// <param name="Reel">The reel.</param>
/// <param name="Line">The line over the backing.</param>
/// <param name="Backing">Kind of backing.</param>
/// <param name="BackingM">Length of it, metres.</param>
/// <param name="Leader">Leader wound over it, if any.</param>
/// <param name="SpeciesId">The fish it is for, if any.</param>
public sealed record FillRequest(Reel Reel, FlyLine Line, string Backing, double BackingM, Leader? Leader = null, string? SpeciesId = null);

/// <summary>A filled spool with everything about it.</summary>
/// <param name="Fill">The fill.</param>
/// <param name="Backings">Every backing beside the others.</param>
/// <param name="Presets">Schools of filling.</param>
/// <param name="BiggestLine">Heaviest ordinary line, by class, that fits over this backing; null when none does.</param>
/// <param name="Turns">Line a turn over line out.</param>
/// <param name="ReverseFill">The check without arithmetic, step by step.</param>
/// <param name="Says">The fill in a sentence.</param>
/// <param name="LimitsM">What a length of backing may be, metres.</param>
public sealed record FillAnswer(
    SpoolFill Fill,
    IReadOnlyList<BackingRow> Backings,
    IReadOnlyList<FillPreset> Presets,
    double? BiggestLine,
    IReadOnlyList<TurnCurve> Turns,
    IReadOnlyList<FillStep> ReverseFill,
    Sentence Says,
    Spread LimitsM
);

/// <summary>What a spool is known to hold: backing, a line of the shed or none, and the gap to the rim, metres.</summary>
public sealed record HeldRequest(string Backing, double BackingM, int? LineId, double GapM) : IChange
{
    /// <inheritdoc />
    public int Version { get; init; }

    /// <inheritdoc />
    public object From(int version) => this with { Version = version };
}

/// <summary>The label of a reel, as typed.</summary>
public sealed record SpoolLabelRequest(string Text);

/// <summary>A fish to simulate.</summary>
/// <param name="Reel">Reel.</param>
/// <param name="Line">Line.</param>
/// <param name="Backing">Kind of backing.</param>
/// <param name="BackingM">Length of it, metres.</param>
/// <param name="Leader">Leader.</param>
/// <param name="SpeciesId">Fish.</param>
/// <param name="FishKg">Its mass, kilograms.</param>
/// <param name="Hold">How it is held; as most people do when nothing is said.</param>
/// <param name="Rod">The rod, for how long it takes.</param>
/// <param name="Floor">Class below which such a fish is over-played.</param>
public sealed record RunRequest(
    Reel Reel,
    FlyLine Line,
    string Backing,
    double BackingM,
    Leader Leader,
    string SpeciesId,
    double FishKg,
    RunHold? Hold = null,
    Rod? Rod = null,
    double? Floor = null
);

/// <summary>A change against the run, and its effect.</summary>
public sealed record RunChangeAnswer(
    RunChangeKind Kind,
    Sentence Says,
    RunHold Hold,
    string Backing,
    double RunM,
    double LeftM,
    double TippetShare,
    double Gain,
    bool Helps
);

/// <summary>Result of a simulated run.</summary>
/// <param name="Drag">What to set the drag to.</param>
/// <param name="Hold">How it was held.</param>
/// <param name="Run">The run.</param>
/// <param name="TippetN">What the weakest knotted link stands, newtons.</param>
/// <param name="LineM">Line and leader, metres; what is out beyond is backing.</param>
/// <param name="TotalM">All there is to run off, metres.</param>
/// <param name="RepeatsM">The first run and those after it, metres.</param>
/// <param name="Fight">How long it takes, when a rod was given.</param>
/// <param name="Changes">What can be changed, what helps most first.</param>
/// <param name="WantsReel">The money belongs to the reel rather than to the rod.</param>
/// <param name="Source">How far to trust it.</param>
public sealed record RunAnswer(
    DragSetting Drag,
    RunHold Hold,
    FishRun Run,
    double TippetN,
    double LineM,
    double TotalM,
    IReadOnlyList<double> RepeatsM,
    FishFight? Fight,
    IReadOnlyList<RunChangeAnswer> Changes,
    bool WantsReel,
    Source Source
);

public static partial class ReelsRoom
{
    private const string OneReel = "a reel",
        OneTicket = "a winding ticket",
        OneSpool = "a spool";

    public static void MapReels(this IEndpointRouteBuilder app)
    {
        var reels = app.MapGroup("/api/reels").WithTags("Reels");

        reels.MapPost("/fill", Fill).WithSummary("Fills a spool: what fits, what is left at the rim, every backing, line a turn.");
        reels.MapPost("/run", Run).WithSummary("Lets a fish run against a reel: force, line out, what would change it most.");
        reels
            .MapPost(
                "/label",
                Results<Ok<SpoolLabel>, ValidationProblem> (SpoolLabelRequest typed) =>
                    SpoolLabel.Read(typed.Text) is { } label ? TypedResults.Ok(label) : Problems.At("text", SpoolLabel.Example)
            )
            .WithSummary("Reads what stands on a reel about what it holds.");
        reels
            .MapPost("/{id:int}/held", Held)
            .WithSummary("Keeps what a spool was seen to hold; from now on its room is known by it.")
            .Refuses(404, 412);
        reels.MapGroup("/spools").MapKept<Spool>(OneSpool, LineStays);
        reels.MapPost("/spools", KeepSpool).WithSummary("Keeps a spool of a reel and what lies on it.").Refuses(404, 409, 412);
        MapTickets(reels.MapGroup("/tickets"));
    }

    private static Results<Ok<FillAnswer>, ValidationProblem> Fill(FillRequest request)
    {
        if (Tackle(request.Reel, request.Line, request.Backing, request.BackingM, request.Leader) is { Count: > 0 } wrong)
            return Problems.Invalid(wrong);
        var fish = Fishes.Find(request.SpeciesId)?.Group;
        if (request.SpeciesId is not null && fish is null)
            return Problems.At("speciesId", "Pick a fish from the list.");
        var (line, backing, leader) = (request.Line, Backings.Find(request.Backing)!, request.Leader);
        var fill = SpoolFill.For(request.Reel, line, backing, request.BackingM, leader);
        return TypedResults.Ok(
            new FillAnswer(
                fill,
                SpoolBench.Backings(fill.Spool, line, request.BackingM, leader),
                SpoolBench.Presets(fill, backing, fish),
                SpoolBench.BiggestLine(fill.Spool, backing, request.BackingM),
                SpoolBench.Turns(fill, line, backing, leader),
                SpoolBench.ReverseFill(fill, line, backing),
                fill.Says,
                new(Backings.Lengths.Low, Backings.Lengths.High)
            )
        );
    }

    private static Results<Ok<RunAnswer>, ValidationProblem> Run(RunRequest request)
    {
        var fish = Fishes.Find(request.SpeciesId);
        IReadOnlyList<FieldProblem> wrong =
        [
            .. Tackle(request.Reel, request.Line, request.Backing, request.BackingM, request.Leader),
            .. new FieldCheck()
                .Must("speciesId", fish is not null, "Pick a fish from the list.")
                .Range("fishKg", request.FishKg, .02, 150, "A fish weighs between 20 g and 150 kg.")
                .Range("floor", request.Floor, 0, LineWeights.Highest, "Classes run from 0 to 15.")
                .Problems,
            .. request.Hold?.Check().Select(p => p with { Field = $"hold.{p.Field}" }) ?? [],
            .. request.Rod?.Check().Select(p => p with { Field = $"rod.{p.Field}" }) ?? [],
        ];
        if (wrong.Count > 0)
            return Problems.Invalid(wrong);
        var (line, backing, leader) = (request.Line, Backings.Find(request.Backing)!, request.Leader);
        var drag = DragSetting.For(leader, line, backing, request.Reel);
        var at = new RunCase(
            request.Reel,
            line,
            backing,
            request.BackingM,
            leader,
            fish!.Group,
            request.FishKg,
            request.Hold ?? new(drag.SetN)
        );
        var runs = at.Runs();
        var tackle = at.Tackle;
        return TypedResults.Ok(
            new RunAnswer(
                drag,
                at.Hold,
                runs[0],
                tackle.TippetN,
                tackle.LineM,
                tackle.TotalM,
                [.. runs.Select(r => r.RunM)],
                request.Rod is { } rod ? Fought(at, runs, rod, request.Floor) : null,
                [
                    .. RunChange
                        .For(at, runs[0])
                        .Select(c => new RunChangeAnswer(
                            c.Kind,
                            c.Says,
                            c.Case.Hold,
                            c.Case.Backing.Id,
                            c.RunM,
                            c.LeftM,
                            c.TippetShare,
                            c.Gain,
                            c.Helps
                        )),
                ],
                RunCase.WantsReel(runs[0]),
                RunningFish.Source
            )
        );
    }

    // For a tested rod, the pull of hand and blank at this angle; for another one, estimated from its class.
    private static FishFight Fought(RunCase at, IReadOnlyList<FishRun> runs, Rod rod, double? floor)
    {
        var angle = Math.Clamp(at.Hold.RodAngleDeg, 8, 150);
        var hand = rod.Bend is { Sound: true } bend
            ? Fight.For(bend, new(10, angle, 0)).HandMostN.High
            : FishFight.HandN(Fight.HandNm.High, rod.LengthM, angle);
        var power = Calibration.Usual.MassKgOf(rod.Class ?? floor ?? LineWeights.Highest);
        return FishFight.From(at, runs, hand, FishFight.RodN(power), rod.Class < floor - Core.Matching.ClassTarget.Near);
    }

    private static async Task<Results<Ok<Reel>, ValidationProblem, ProblemHttpResult>> Held(
        int id,
        HeldRequest request,
        ZingDb db,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        var shelf = db.KeptSet<Reel>(clock);
        if (await shelf.FindAsync(id, cancel) is not { } reel)
            return Problems.Gone(OneReel);
        if (reel.Version != request.Version)
            throw new StaleException(reel.Tag);
        var line = request.LineId is { } lineId ? await db.KeptSet<FlyLine>(clock).FindAsync(lineId, cancel) : null;
        if (request.LineId is not null && line is null)
            return Problems.At("lineId", "That line is not in the shed any more.");
        var held = new KnownFill(
            request.Backing,
            request.BackingM,
            line is null ? "" : $"{line.Tag} {line.Name}",
            line?.Volume(line.LengthM) ?? 0,
            request.GapM
        );
        return held.Check() is { Count: > 0 } wrong
            ? Problems.Invalid(wrong)
            : TypedResults.Ok(await shelf.KeepAsync(reel with { KnownFill = held }, reel.Tag, cancel));
    }

    private static IReadOnlyList<FieldProblem> Tackle(Reel reel, FlyLine line, string backing, double backingM, Leader? leader) =>
        [
            .. reel.Check().Select(p => p with { Field = $"reel.{p.Field}" }),
            .. line.Check().Select(p => p with { Field = $"line.{p.Field}" }),
            .. leader?.Check().Select(p => p with { Field = $"leader.{p.Field}" }) ?? [],
            .. new FieldCheck()
                .Must("backing", Backings.Find(backing) is not null, "Pick a backing from the list.")
                .Within("backingM", backingM, Backings.Lengths)
                .Problems,
        ];
}
