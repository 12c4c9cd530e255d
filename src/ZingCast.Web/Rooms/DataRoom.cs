using System.Text;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>State of the data.</summary>
/// <param name="Folder">The data folder.</param>
/// <param name="File">The file in it.</param>
/// <param name="Bytes">Its size with what was written ahead of it.</param>
/// <param name="Copies">Copies beside it, newest first.</param>
/// <param name="SetAside">Rows that did not hold together and are shown nowhere else, newest first.</param>
/// <param name="Gone">Why nothing is kept any more; null while the file is where it was.</param>
public sealed record DataAnswer(
    string Folder,
    string File,
    long Bytes,
    IReadOnlyList<DataCopy> Copies,
    IReadOnlyList<SetAsideAnswer> SetAside,
    string? Gone
);

/// <summary>An invalid row: what it was, and what is wrong with it.</summary>
public sealed record SetAsideAnswer(int Id, string List, string Named, string Why, DateTime At);

/// <summary>A backup to read, and what to do with differing entries.</summary>
public sealed record BackupRequest(string Text, BackupMerge Merge = BackupMerge.Mine);

/// <summary>Result of reading a file.</summary>
/// <param name="Read">What changes, or why nothing does.</param>
/// <param name="Kept">The copy of what was here before, where something was changed.</param>
public sealed record BackupAnswer(BackupReading Read, string? Kept);

/// <summary>Differences between a copy and the present data: new is only in the copy, gone only here.</summary>
public sealed record CopyAnswer(string Name, IReadOnlyList<BackupChange> Differs);

/// <summary>Name of the copy made before something was restored.</summary>
public sealed record PutBackAnswer(string? Kept);

/// <summary>Version of the data: the run, and the writes to each table, as in the header of every answer.</summary>
public sealed record VersionAnswer(string Version);

public static class DataRoom
{
    public static void MapData(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/version", (DataVersion version) => TypedResults.Ok(new VersionAnswer(version.ToString())))
            .WithTags("Data")
            .WithSummary("The version of the house, which changes when anything was written.");

        var data = app.MapGroup("/api/data").WithTags("Data");

        data.MapGet(
                "",
                async (Settings settings, ZingDb db, FileWatch watch, CancellationToken cancel) =>
                {
                    var folder = new DirectoryInfo(settings.Data);
                    return TypedResults.Ok(
                        new DataAnswer(
                            folder.FullName,
                            DataFolder.FileName,
                            folder.Exists
                                ? folder
                                    .EnumerateFiles(DataFolder.FileName + "*")
                                    .Where(f => f.Name is DataFolder.FileName or DataFolder.FileName + "-wal")
                                    .Sum(f => f.Length)
                                : 0,
                            DataFolder.Copies(settings.Data),
                            watch.IsThere
                                ? await db
                                    .SetAside.AsNoTracking()
                                    .OrderByDescending(s => s.Id)
                                    .Select(s => new SetAsideAnswer(s.Id, s.List, s.Named, s.Why, s.At))
                                    .ToListAsync(cancel)
                                : [],
                            watch.IsThere ? null : watch.Gone
                        )
                    );
                }
            )
            .WithSummary("Where everything is kept, the copies beside it, and what was set aside.");
        data.MapGet(
                "/set-aside/{id:int}",
                async Task<Results<FileContentHttpResult, ProblemHttpResult>> (int id, ZingDb db, CancellationToken cancel) =>
                    await db.SetAside.AsNoTracking().FirstOrDefaultAsync(s => s.Id == id, cancel) is { } row
                        ? TypedResults.File(Encoding.UTF8.GetBytes(row.Columns), "application/json", $"{row.List}-{row.Row}.json")
                        : Problems.Gone("a row")
            )
            .WithSummary("A row that was set aside, as it stood in the file.")
            .Refuses(404);
        data.MapGet(
                "/rescue",
                FileStreamHttpResult (FileWatch watch, TimeProvider clock) =>
                {
                    var part = Path.Combine(Path.GetTempPath(), $"sending-{Guid.NewGuid():N}.db");
                    watch.Rescue(part);
                    return Sent(part, $"zing-rescued-{clock.GetLocalNow():yyyy-MM-dd}.db");
                }
            )
            .IsHeavy()
            .WithSummary("Everything that the open file still holds, where the one in the folder was deleted or moved away.")
            .Refuses(507);

        var sessions = app.MapGroup("/api/sessions").WithTags("Data");
        sessions
            .MapGet("", (Sessions all, HttpContext context) => TypedResults.Ok(all.List(context)))
            .WithSummary("Browsers that came in with the key since the start; none where no key is asked for.");
        sessions
            .MapDelete(
                "/{id:int}",
                Results<NoContent, ProblemHttpResult> (int id, Sessions all) =>
                    all.End(id) ? TypedResults.NoContent() : Problems.Gone("a session")
            )
            .WithSummary("Ends a session: that browser is asked for the key again.")
            .Refuses(404);

        data.MapGet(
                "/copy",
                FileStreamHttpResult (Settings settings, TimeProvider clock) =>
                {
                    var part = Path.Combine(settings.Data, $"sending-{Guid.NewGuid():N}.db");
                    DataFolder.Backup(settings.Data, part);
                    return Sent(part, $"zing-{clock.GetLocalNow():yyyy-MM-dd}.db");
                }
            )
            .IsHeavy()
            .WithSummary("Everything kept as one file, to be put back with ./zing restore.");

        var backup = app.MapGroup("/api/backup").WithTags("Data");
        backup
            .MapGet(
                "/file",
                async (ZingDb db, TimeProvider clock, CancellationToken cancel) =>
                    TypedResults.File(
                        Encoding.UTF8.GetBytes(await BackupFile.WriteAsync(db, clock.GetUtcNow().UtcDateTime, cancel: cancel)),
                        "application/json",
                        $"zing-{clock.GetLocalNow():yyyy-MM-dd}.json"
                    )
            )
            .IsHeavy()
            .WithSummary("Everything kept as one JSON document that another house can read.");
        backup.MapGet("/schema", () => TypedResults.Ok<JsonNode>(BackupSchema.Write())).WithSummary("The JSON Schema of that document.");
        backup
            .MapPost(
                "/look",
                (BackupRequest request, ZingDb db, QuietThreads quiet, Settings settings, TimeProvider clock, CancellationToken cancel) =>
                    Read(request, false, db, quiet, settings, clock, cancel)
            )
            .WithMetadata(new RequestSizeLimitAttribute(2L * BackupFile.Longest))
            .IsHeavy()
            .WithSummary("What reading a document would change; keeps nothing.");
        backup
            .MapPost(
                "/read",
                (BackupRequest request, ZingDb db, QuietThreads quiet, Settings settings, TimeProvider clock, CancellationToken cancel) =>
                    Read(request, true, db, quiet, settings, clock, cancel)
            )
            .WithMetadata(new RequestSizeLimitAttribute(2L * BackupFile.Longest))
            .IsHeavy()
            .WithSummary("Reads a document into the house, all of it or nothing where any of it has a fault.")
            .Refuses(409, 507);
        backup
            .MapGet("/copies/{name}", Differs)
            .IsHeavy()
            .WithSummary("What a copy beside the file has otherwise than the house now.")
            .Refuses(404, 507);
        backup
            .MapPost("/copies/{name}/restore", PutBack)
            .IsHeavy()
            .WithSummary("Puts a copy back; what was here is kept beside it.")
            .Refuses(404, 507);
    }

    // A temporary file that is deleted after the last byte is sent.
    private static FileStreamHttpResult Sent(string part, string name) =>
        TypedResults.File(
            new FileStream(
                part,
                FileMode.Open,
                FileAccess.Read,
                FileShare.Read,
                1 << 16,
                FileOptions.DeleteOnClose | FileOptions.Asynchronous
            ),
            "application/vnd.sqlite3",
            name
        );

    private static async Task<Results<Ok<BackupAnswer>, ValidationProblem>> Read(
        BackupRequest request,
        bool keep,
        ZingDb db,
        QuietThreads quiet,
        Settings settings,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (request.Text.Length > BackupFile.Longest)
            return Problems.At("text", $"More than {BackupFile.Longest >> 20} MB cannot be read.");
        var today = DateOnly.FromDateTime(clock.GetLocalNow().Date);
        Task<BackupPlan> Look() => BackupFile.LookAsync(db, request.Text, request.Merge, today, cancel);
        // One connection from the comparison to the last write, so that it notices writes by others.
        await db.Database.OpenConnectionAsync(cancel);
        var seen = await db.WritesSeenAsync(cancel);
        var plan = await quiet.RunAsync(() => Look().GetAwaiter().GetResult(), cancel);
        if (!keep || plan.Read.Faults.Count > 0)
            return TypedResults.Ok(new BackupAnswer(plan.Read, null));
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        // Nobody can write from here on; if somebody did meanwhile, compare again.
        if (await db.WritesSeenAsync(cancel) != seen && (plan = await Look()).Read.Faults.Count > 0)
            return TypedResults.Ok(new BackupAnswer(plan.Read, null));
        // The copy shows the state before this transaction.
        var kept = DataFolder.KeepCopy(settings.Data, clock);
        await BackupFile.KeepAsync(db, plan, cancel);
        await transaction.CommitAsync(cancel);
        return TypedResults.Ok(new BackupAnswer(plan.Read, kept));
    }

    // Only listed names: no other file can be opened.
    private static string? Copy(string name, Settings settings) =>
        DataFolder.Copies(settings.Data).Any(c => c.Name == name) ? Path.Combine(settings.Data, name) : null;

    private static async Task<Results<Ok<CopyAnswer>, ProblemHttpResult>> Differs(
        string name,
        ZingDb db,
        Settings settings,
        TimeProvider clock,
        CancellationToken cancel
    )
    {
        if (Copy(name, settings) is not { } file)
            return Problems.Gone("a copy");
        var at = clock.GetUtcNow().UtcDateTime;
        var then = await DataFolder.LookIntoAsync(settings.Data, file, clock, copy => BackupFile.DocumentAsync(copy, at, cancel: cancel));
        return TypedResults.Ok(new CopyAnswer(name, BackupFile.Differences(then, await BackupFile.DocumentAsync(db, at, cancel: cancel))));
    }

    private static Results<Ok<PutBackAnswer>, ProblemHttpResult> PutBack(
        string name,
        Settings settings,
        FileWatch watch,
        TimeProvider clock
    )
    {
        if (Copy(name, settings) is not { } file)
            return Problems.Gone("a copy");
        watch.MustBeThere();
        var kept = DataFolder.Restore(settings.Data, file, clock);
        // A damaged file was replaced by another.
        watch.Begin();
        return TypedResults.Ok(new PutBackAnswer(Path.GetFileName(kept)));
    }
}
