using System.Collections.Concurrent;
using System.Data.Common;
using System.Runtime.CompilerServices;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore.Diagnostics;

namespace ZingCast.Store;

/// <summary>
/// Number of writes to each table since the start, so that a page knows when its data are outdated. A write by another program counts for
/// all tables.
/// </summary>
public sealed class DataVersion(FileWatch watch, TimeProvider clock)
{
    private readonly ConcurrentDictionary<string, long> tables = new();
    private readonly Lock door = new();
    private readonly string run = Guid.NewGuid().ToString("N")[..8];
    private long written,
        writtenThen,
        seenThen,
        others;
    private long? wonderingSince;

    // SQLite reports a write a moment before it is counted here.
    private static readonly TimeSpan Moment = TimeSpan.FromMilliseconds(500);

    /// <summary>
    /// The version in one line: the run of the program, writes by others, then each table with its count, as <c>5fd0c1aa 0 Rods=3
    /// Trips=1</c>.
    /// </summary>
    public override string ToString() =>
        string.Join(' ', [run, $"{Others()}", .. tables.OrderBy(t => t.Key, StringComparer.Ordinal).Select(t => $"{t.Key}={t.Value}")]);

    internal void Wrote(string table)
    {
        tables.AddOrUpdate(table, 1, (_, n) => n + 1);
        Interlocked.Increment(ref written);
    }

    // SQLite reports that something was written, not by whom: if nothing was written here meanwhile, it was another program.
    private long Others()
    {
        lock (door)
        {
            var (now, mine) = (watch.WritesSeen(), Interlocked.Read(ref written));
            if (seenThen == 0 || mine != writtenThen)
                (seenThen, writtenThen, wonderingSince) = (now, mine, null);
            else if (now != seenThen && wonderingSince is null)
                wonderingSince = clock.GetTimestamp();
            else if (wonderingSince is { } since && clock.GetElapsedTime(since) > Moment)
            {
                others++;
                (seenThen, wonderingSince) = (now, null);
            }
            return others;
        }
    }
}

/// <summary>Counts writes once they are committed: with their transaction, or with SaveChanges.</summary>
internal sealed partial class WriteCounter(DataVersion version) : ISaveChangesInterceptor, IDbCommandInterceptor, IDbTransactionInterceptor
{
    private readonly ConditionalWeakTable<object, HashSet<string>> unkept = [];

    [GeneratedRegex("\\b(?:INSERT INTO|UPDATE|DELETE FROM) \"(\\w+)\"")]
    private static partial Regex Write();

    // Null: already committed.
    private void Note(DbCommand command, object? keptWith)
    {
        foreach (var match in Write().EnumerateMatches(command.CommandText))
        {
            var said = command.CommandText.AsSpan(match.Index, match.Length);
            var table = said[(said.IndexOf('"') + 1)..^1].ToString();
            if (keptWith is null)
                version.Wrote(table);
            else
                unkept.GetOrCreateValue(keptWith).Add(table);
        }
    }

    private void Keep(object? with)
    {
        if (with is null || !unkept.TryGetValue(with, out var tables))
            return;
        unkept.Remove(with);
        foreach (var table in tables)
            version.Wrote(table);
    }

    public ValueTask<int> NonQueryExecutedAsync(
        DbCommand command,
        CommandExecutedEventData eventData,
        int result,
        CancellationToken cancellationToken = default
    )
    {
        Note(command, command.Transaction);
        return new(result);
    }

    public ValueTask<DbDataReader> ReaderExecutedAsync(
        DbCommand command,
        CommandExecutedEventData eventData,
        DbDataReader result,
        CancellationToken cancellationToken = default
    )
    {
        Note(command, (object?)command.Transaction ?? eventData.Context);
        return new(result);
    }

    public ValueTask<int> SavedChangesAsync(
        SaveChangesCompletedEventData eventData,
        int result,
        CancellationToken cancellationToken = default
    )
    {
        Keep(eventData.Context);
        return new(result);
    }

    public Task TransactionCommittedAsync(
        DbTransaction transaction,
        TransactionEndEventData eventData,
        CancellationToken cancellationToken = default
    )
    {
        Keep(transaction);
        return Task.CompletedTask;
    }
}
