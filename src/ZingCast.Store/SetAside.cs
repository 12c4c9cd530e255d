using System.Globalization;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Measures;

namespace ZingCast.Store;

/// <summary>
/// An invalid row, moved out of its table unchanged: it is shown nowhere and nothing is lost. Rows are checked when written; such a row
/// comes from an older version or another program.
/// </summary>
public sealed class SetAside
{
    public int Id { get; set; }

    /// <summary>Kind of thing, by its list in a document.</summary>
    public required string List { get; set; }

    /// <summary>Its id there.</summary>
    public int Row { get; set; }

    /// <summary>Its name, as far as it can be read.</summary>
    public required string Named { get; set; }

    /// <summary>What is wrong with it.</summary>
    public required string Why { get; set; }

    /// <summary>When it was set aside, UTC.</summary>
    public DateTime At { get; set; }

    /// <summary>Its columns as they were, as JSON.</summary>
    public required string Columns { get; set; }

    // A day in the future is no reason: the clock may be wrong.
    private static readonly DateOnly AnyDay = DateOnly.MaxValue.AddDays(-1);

    /// <summary>
    /// Checks all rows, archived ones too, and sets aside what cannot be read or shown; with <paramref name="strictly"/>, after a page
    /// failed, also what would be refused today. In one transaction, or in the open one. Returns how many there were.
    /// </summary>
    public static async Task<int> SweepAsync(ZingDb db, DateTime at, bool strictly, CancellationToken cancel = default)
    {
        List<SetAside> found = [];
        foreach (var kind in BackupKind.All)
            found.AddRange(await (Task<List<SetAside>>)InvokeFor(kind, nameof(OfAsync), db, kind, at, strictly, cancel));
        if (found.Count == 0)
            return 0;
        await using var transaction = db.Database.CurrentTransaction is null ? await db.Database.BeginTransactionAsync(cancel) : null;
        foreach (var one in found)
        {
            await (Task)InvokeFor(BackupKind.Get(one.List), nameof(DeleteAsync), db, one.Row, cancel);
            if (one.List == BackupKind.CutJobs)
                await db.ScrapsInJobs.Where(s => s.JobId == one.Row).ExecuteDeleteAsync(cancel);
        }
        db.SetAside.AddRange(found);
        await db.SaveChangesAsync(cancel);
        db.ChangeTracker.Clear();
        if (transaction is not null)
            await transaction.CommitAsync(cancel);
        return found.Count;
    }

    private static object InvokeFor(BackupKind kind, string method, params object[] with) =>
        typeof(SetAside)
            .GetMethod(method, System.Reflection.BindingFlags.NonPublic | System.Reflection.BindingFlags.Static)!
            .MakeGenericMethod(kind.Type)
            .Invoke(null, with)!;

    private static Task<int> DeleteAsync<T>(ZingDb db, int id, CancellationToken cancel)
        where T : Kept => db.Set<T>().IgnoreQueryFilters().Where(x => x.Id == id).ExecuteDeleteAsync(cancel);

    private static async Task<List<SetAside>> OfAsync<T>(ZingDb db, BackupKind kind, DateTime at, bool strictly, CancellationToken cancel)
        where T : Kept
    {
        IQueryable<T> All() => db.Set<T>().IgnoreQueryFilters().AsNoTracking();
        List<(int Id, string Why)> odd = [];
        try
        {
            foreach (var thing in await All().ToListAsync(cancel))
                if (Soundness.Problems(thing, AnyDay, strictly) is [var first, ..])
                    odd.Add((thing.Id, Words(first)));
        }
        catch (Exception one) when (one is not (OperationCanceledException or SqliteException))
        {
            // One of them cannot even be read, so each is tried separately.
            odd.Clear();
            foreach (var id in await All().Select(x => x.Id).ToListAsync(cancel))
                try
                {
                    if (Soundness.Problems(await All().SingleAsync(x => x.Id == id, cancel), AnyDay, strictly) is [var first, ..])
                        odd.Add((id, Words(first)));
                }
                catch (Exception unreadable) when (unreadable is not (OperationCanceledException or SqliteException))
                {
                    odd.Add((id, "It cannot be read."));
                }
        }
        List<SetAside> found = [];
        foreach (var (id, why) in odd)
        {
            var columns = await ColumnsAsync(db, db.Model.FindEntityType(kind.Type)!.GetTableName()!, id, cancel);
            found.Add(
                new()
                {
                    List = kind.Name,
                    Row = id,
                    Named = (columns["Tag"] ?? columns["Name"] ?? columns["SpoolName"])?.ToString() ?? $"number {id}",
                    Why = why,
                    At = at,
                    Columns = columns.ToJsonString(),
                }
            );
        }
        return found;
    }

    private static string Words(FieldProblem problem) => problem.Field == "entry" ? problem.Problem : $"{problem.Field}: {problem.Problem}";

    private static async Task<JsonObject> ColumnsAsync(ZingDb db, string table, int id, CancellationToken cancel)
    {
        await db.Database.OpenConnectionAsync(cancel);
        try
        {
            await using var command = ((SqliteConnection)db.Database.GetDbConnection()).CreateCommand();
            command.CommandText = $"select * from \"{table}\" where \"Id\" = $id";
            command.Parameters.AddWithValue("$id", id);
            await using var reader = await command.ExecuteReaderAsync(cancel);
            await reader.ReadAsync(cancel);
            JsonObject columns = [];
            for (var i = 0; i < reader.FieldCount; i++)
                columns[reader.GetName(i)] = reader.GetValue(i) switch
                {
                    DBNull => null,
                    long number => number,
                    double number when double.IsFinite(number) => number,
                    var other => Convert.ToString(other, CultureInfo.InvariantCulture),
                };
            return columns;
        }
        finally
        {
            await db.Database.CloseConnectionAsync();
        }
    }
}
