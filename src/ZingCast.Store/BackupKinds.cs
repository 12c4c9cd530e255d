using ZingCast.Core.Care;
using ZingCast.Core.Cutting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Logbook;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rigging;
using ZingCast.Core.Rods;
using ZingCast.Core.Trips;

namespace ZingCast.Store;

/// <summary>How a record refers to another thing.</summary>
internal enum RefForm
{
    /// <summary>Its number.</summary>
    Number,

    /// <summary>A caster id, which contains a person's id.</summary>
    Caster,

    /// <summary>A word and a number: "rod-3".</summary>
    Tick,

    /// <summary>Id of the piece that was serviced; the task gives its kind.</summary>
    Cared,
}

/// <summary>A place in a record that refers to another thing.</summary>
/// <param name="Path">Names from the record down; [] for every item of a list.</param>
/// <param name="Kind">Which kind of thing.</param>
/// <param name="Form">In which form.</param>
/// <param name="Loose">Left out, and told, where the thing is not there; else that is a fault.</param>
internal sealed record Ref(string Path, string Kind, RefForm Form = RefForm.Number, bool Loose = false);

/// <summary>A kind of thing in a backup.</summary>
/// <param name="Name">Its list in the file.</param>
/// <param name="One">One of them in words.</param>
/// <param name="Type">Its record.</param>
/// <param name="KeyOf">What it is known by, given what the things it refers to are known by.</param>
/// <param name="Refs">What it refers to.</param>
internal sealed record BackupKind(
    string Name,
    string One,
    Type Type,
    Func<Kept, Func<string, int, string>, string> KeyOf,
    params Ref[] Refs
)
{
    public const string Rods = "rods",
        Lines = "lines",
        Reels = "reels",
        Spools = "spools",
        LeaderSpools = "leaderSpools",
        Leaders = "leaders",
        Scraps = "scraps",
        Casters = "casters",
        CutJobs = "cutJobs",
        Briefs = "briefs";

    /// <summary>Every kind, each after the kinds it refers to.</summary>
    public static readonly IReadOnlyList<BackupKind> All =
    [
        new(Rods, "rod", typeof(Rod), (x, _) => ((Rod)x).Tag),
        new(Lines, "line", typeof(FlyLine), (x, _) => ((FlyLine)x).Tag),
        new(Reels, "reel", typeof(Reel), (x, _) => ((Reel)x).Tag),
        new(
            Spools,
            "spool",
            typeof(Spool),
            (x, called) => $"{called(Reels, ((Spool)x).ReelId)}: {((Spool)x).Name}",
            new("reelId", Reels),
            new("lineId", Lines, Loose: true)
        ),
        new(LeaderSpools, "spool of leader material", typeof(LeaderSpool), (x, _) => ((LeaderSpool)x).Tag),
        new(
            Leaders,
            "leader",
            typeof(TiedLeader),
            (x, _) => ((TiedLeader)x).Tag,
            new Ref("leader.pieces[].spoolId", LeaderSpools, Loose: true)
        ),
        new(Scraps, "scrap", typeof(Scrap), (x, _) => ((Scrap)x).Tag),
        new("calibrations", "calibration", typeof(Calibration), (x, _) => ((Calibration)x).Name),
        new(Casters, "caster", typeof(OwnCaster), (x, _) => ((OwnCaster)x).Name),
        new(
            Briefs,
            "brief",
            typeof(SavedBrief),
            (x, _) => ((SavedBrief)x).Name,
            new("draft.caster", Casters, RefForm.Caster),
            new("pins.rod", Rods, Loose: true),
            new("pins.line", Lines, Loose: true),
            new("pins.reel", Reels, Loose: true),
            new("pins.leader", Leaders, Loose: true)
        ),
        new(
            "trips",
            "trip",
            typeof(Trip),
            (x, _) => ((Trip)x).Name,
            new("days[].briefId", Briefs),
            new("days[].draft.caster", Casters, RefForm.Caster),
            new("held.rods[]", Rods),
            new("held.lines[]", Lines),
            new("held.reels[]", Reels),
            new("packed[]", "", RefForm.Tick),
            new("back[]", "", RefForm.Tick)
        ),
        new(
            CutJobs,
            "job on the bench",
            typeof(CutJob),
            (x, called) => $"{called(Scraps, ((CutJob)x).Pieces[0].ScrapId)} {((CutJob)x).BegunAt:yyyy-MM-dd HH:mm:ss.fff}",
            new("pieces[].scrapId", Scraps),
            new("lineId", Lines),
            new("takenApart[]", Lines)
        ),
        new(
            "windingTickets",
            "winding ticket",
            typeof(WindingTicket),
            (x, called) => $"{called(Reels, ((WindingTicket)x).ReelId)} {((WindingTicket)x).BegunAt:yyyy-MM-dd HH:mm:ss.fff}",
            new("reelId", Reels),
            new("lineId", Lines),
            new("spoolId", Spools),
            new("takenFrom", Spools),
            new("before.id", Spools),
            new("before.reelId", Reels),
            new("before.lineId", Lines)
        ),
        new(
            "rigTickets",
            "rigging ticket",
            typeof(RigTicket),
            (x, _) => $"{((RigTicket)x).Name} {((RigTicket)x).BegunAt:yyyy-MM-dd HH:mm:ss.fff}",
            new Ref("plan.leader.pieces[].spoolId", LeaderSpools, Loose: true)
        ),
        new(
            Outings,
            "outing",
            typeof(Outing),
            (x, _) => ((Outing)x).Key,
            new("caster", Casters, RefForm.Caster),
            new("briefId", Briefs, Loose: true),
            new("rodId", Rods, Loose: true),
            new("lineId", Lines, Loose: true),
            new("reelId", Reels, Loose: true),
            new("leaderId", Leaders, Loose: true)
        ),
        new(
            "lessons",
            "lesson",
            typeof(FitDecision),
            (x, called) =>
                (x as FitDecision) switch
                {
                    { CasterId: { } id } l => $"{called(Casters, id)} {l.At:yyyy-MM-dd HH:mm:ss.fff}",
                    { RodId: { } id } l => $"{called(Rods, id)} {l.At:yyyy-MM-dd HH:mm:ss.fff}",
                    _ => "",
                },
            new("casterId", Casters),
            new("rodId", Rods)
        ),
        new(
            "services",
            "care that was taken",
            typeof(Service),
            (x, called) =>
                x is Service s
                    ? $"{s.TaskId} {(PieceKind(s) is { } kind ? called(kind, s.PieceId) : "")} {s.On:yyyy-MM-dd}".Replace("  ", " ")
                    : "",
            new("pieceId", "", RefForm.Cared),
            new("before.id", Lines)
        ),
    ];

    /// <summary>The list of the log, which is also what a phone brings back from the water.</summary>
    public const string Outings = "outings";

    public static BackupKind Get(string name) => All.First(k => k.Name == name);

    /// <summary>The kind of thing that was serviced; null where there is only one of it.</summary>
    public static string? PieceKind(Service service) =>
        CareTask.Find(service.TaskId)?.Piece switch
        {
            CarePiece.Rod => Rods,
            CarePiece.Line => Lines,
            CarePiece.Reel => Reels,
            CarePiece.Backing => Spools,
            CarePiece.Leader => Leaders,
            _ => null,
        };
}
