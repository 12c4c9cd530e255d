using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Store;
using ZingCast.Web.Hosting;

namespace ZingCast.Web.Rooms;

/// <summary>Where everything is kept.</summary>
/// <param name="Folder">The data folder.</param>
/// <param name="File">The file in it.</param>
/// <param name="Bytes">Its size with what was written ahead of it.</param>
/// <param name="Copies">Copies beside it, made before a migration or when something was put back, newest first.</param>
public sealed record DataAnswer(string Folder, string File, long Bytes, IReadOnlyList<string> Copies);

public static class DataRoom
{
    public static void MapData(this WebApplication app)
    {
        var data = app.MapGroup("/api/data").WithTags("Data");

        data.MapGet(
                "",
                (Settings settings) =>
                {
                    var folder = new DirectoryInfo(settings.Data);
                    return TypedResults.Ok(
                        new DataAnswer(
                            folder.FullName,
                            DataFolder.FileName,
                            folder
                                .EnumerateFiles(DataFolder.FileName + "*")
                                .Where(f => f.Name is DataFolder.FileName or DataFolder.FileName + "-wal")
                                .Sum(f => f.Length),
                            [
                                .. folder
                                    .EnumerateFiles("*.db")
                                    .Where(f =>
                                        f.Name.StartsWith("before-", StringComparison.Ordinal)
                                        || f.Name.StartsWith("replaced-", StringComparison.Ordinal)
                                    )
                                    .OrderByDescending(f => f.LastWriteTimeUtc)
                                    .Select(f => f.Name),
                            ]
                        )
                    );
                }
            )
            .WithSummary("Where everything is kept, and the copies beside it.");

        data.MapGet(
                "/copy",
                FileStreamHttpResult (Settings settings, TimeProvider clock) =>
                {
                    var part = Path.Combine(settings.Data, $"sending-{Guid.NewGuid():N}.db");
                    DataFolder.Backup(settings.Data, part);
                    var file = new FileStream(
                        part,
                        FileMode.Open,
                        FileAccess.Read,
                        FileShare.Read,
                        1 << 16,
                        FileOptions.DeleteOnClose | FileOptions.Asynchronous
                    );
                    return TypedResults.File(file, "application/vnd.sqlite3", $"zing-{clock.GetLocalNow():yyyy-MM-dd}.db");
                }
            )
            .IsHeavy()
            .WithSummary("Everything kept as one file, to be put back with ./zing restore.");
    }
}
