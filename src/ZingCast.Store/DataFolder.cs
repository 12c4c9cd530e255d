using System.Buffers.Binary;
using System.Globalization;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace ZingCast.Store;

/// <summary>A problem with a data folder or a file in it, in one line for the terminal.</summary>
public sealed class DataFolderException(string message) : Exception(message);

/// <summary>Why a copy was made.</summary>
public enum CopyKind
{
    /// <summary>A day had passed.</summary>
    Daily,

    /// <summary>Before a new version migrated the file.</summary>
    Before,

    /// <summary>Before something replaced the data.</summary>
    Replaced,
}

/// <summary>A copy of the database beside it.</summary>
public sealed record DataCopy(string Name, CopyKind Kind, DateTime At, long Bytes);

/// <summary>
/// The folder with all data: opening, migrating, copying, restoring. Safe against power loss at any moment: a new file is made under
/// another name and renamed, an old one is migrated in one transaction, and the only lock is SQLite's own, which ends with its process.
/// </summary>
public static partial class DataFolder
{
    public const string FileName = "zingcast.db";

    private const int SqliteBusy = 5,
        SqliteReadOnly = 8,
        SqliteUnreadable = 10,
        SqliteBroken = 11,
        SqliteFull = 13,
        SqliteCannotOpen = 14,
        SqliteNoDatabase = 26;

    // How long a start waits for another program that is writing. Migrating a large shed takes a second or two.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    public static string FileIn(string folder) => Path.Combine(folder, FileName);

    /// <summary>
    /// Creates the file, or migrates it; a file with data is copied first. Waiting is reported through <paramref name="say"/>. Throws <see
    /// cref="DataFolderException"/>.
    /// </summary>
    public static void Open(string folder, TimeProvider clock, Action<string>? say = null) =>
        InWords(
            folder,
            () =>
            {
                MustBeWritable(folder);
                Sweep(folder, clock);
                var file = FileIn(folder);
                if (!File.Exists(file))
                    Make(file);
                Inspect(file);
                MustTakeWrites(file);
                Update(file, clock, say ?? (_ => { }));
            }
        );

    /// <summary>Writes all data to a new, consistent file, whether or not Zing Cast is running on the folder.</summary>
    public static void Backup(string folder, string to) =>
        InWords(
            folder,
            () =>
            {
                var file = FileIn(folder);
                if (!File.Exists(file))
                    throw new DataFolderException($"There is nothing to save: {folder} holds no {FileName}.");
                Inspect(file);
                if (Directory.Exists(to))
                    throw new DataFolderException($"{to} is a folder; name a file in it, such as {Path.Combine(to, "zing-backup.db")}.");
                if (!Directory.Exists(Path.GetDirectoryName(to)))
                    throw new DataFolderException($"There is no folder {Path.GetDirectoryName(to)} to save in.");
                if (File.Exists(to))
                    throw new DataFolderException($"{to} is there already and stays as it is; name another file.");
                InWords(Path.GetDirectoryName(to)!, () => CopyWhole(file, to));
            }
        );

    /// <summary>
    /// Restores a saved file, migrated to the current model. The previous data are kept beside it under the returned name; null when there
    /// were none. A running Zing Cast continues with the restored data.
    /// </summary>
    public static string? Restore(string folder, string from, TimeProvider clock)
    {
        string? kept = null;
        InWords(
            folder,
            () =>
            {
                if (!File.Exists(from))
                    throw new DataFolderException($"There is no file {from}.");
                MustBeWritable(folder);
                var (file, incoming) = (FileIn(folder), Path.Combine(folder, $"restoring-{Guid.NewGuid():N}.db"));
                try
                {
                    // Checked and migrated as a copy: neither the saved file nor the one in use is touched until all is well.
                    File.Copy(from, incoming);
                    if (File.Exists(from + "-wal"))
                        File.Copy(from + "-wal", incoming + "-wal");
                    InspectSaved(incoming, from);
                    Update(incoming, clock, _ => { }, copyFirst: false);
                    SetInvalidAside(incoming, clock);
                    kept = File.Exists(file) ? Free(folder, "replaced", clock) : null;
                    if (kept is not null && Look(file) == State.Whole)
                    {
                        Update(file, clock, _ => { });
                        Replace(file, incoming, keepAs: kept);
                    }
                    else
                    {
                        foreach (var end in Endings.Where(end => File.Exists(file + end)))
                            File.Move(file + end, kept + end);
                        Make(file);
                        Replace(file, incoming, keepAs: null);
                    }
                }
                finally
                {
                    Remove(incoming);
                }
            }
        );
        return kept;
    }

    /// <summary>
    /// Number of copies kept: of the last days; one for each of the last weeks; of those made before data were replaced; of those made
    /// before a migration.
    /// </summary>
    public const int DaysKept = 10,
        WeeksKept = 8,
        ReplacedKept = 10,
        VersionsKept = 10;

    private static readonly TimeSpan Day = TimeSpan.FromHours(24);

    /// <summary>
    /// Copies the file when the last such copy is a day old, or the file is and was never copied, and something was written since. Deletes
    /// expired copies. Returns whether it made a copy.
    /// </summary>
    public static bool Daily(string folder, TimeProvider clock)
    {
        var file = FileIn(folder);
        if (!File.Exists(file))
            return false;
        var last = Copies(folder).FirstOrDefault(c => c.Kind == CopyKind.Daily);
        var since = last?.At ?? File.GetCreationTimeUtc(file);
        var written = Endings.Select(end => file + end).Where(File.Exists).Max(File.GetLastWriteTimeUtc);
        // A copy dated in the future was made with a wrong clock, and does not count.
        var ahead = since - clock.GetUtcNow().UtcDateTime;
        if (ahead.Duration() < Day || (last is not null && ahead < TimeSpan.Zero && written <= last.At))
            return false;
        InWords(folder, () => CopyBeside(folder, "daily", clock));
        Prune(folder);
        return true;
    }

    // Each copy stores how many were made before it, so that their order does not depend on the clock. Returns its path.
    private static string CopyBeside(string folder, string name, TimeProvider clock)
    {
        var to = Free(folder, name, clock);
        CopyWhole(FileIn(folder), to, NextMade(folder));
        return to;
    }

    private static int NextMade(string folder) =>
        Copies(folder).Select(c => MadeAs(new(Path.Combine(folder, c.Name)))).DefaultIfEmpty().Max() + 1;

    private static void Prune(string folder)
    {
        foreach (var alike in Copies(folder).GroupBy(c => c.Kind))
        foreach (var old in alike.Except(Kept([.. alike])))
            File.Delete(Path.Combine(folder, old.Name));
    }

    /// <summary>Which of the copies of one kind to keep; given the latest first.</summary>
    internal static IEnumerable<DataCopy> Kept(IReadOnlyList<DataCopy> copies) =>
        copies switch
        {
            [{ Kind: CopyKind.Daily }, ..] =>
            [
                .. copies.DistinctBy(c => c.At.Date).Take(DaysKept),
                // The latest of each week is the first one met.
                .. copies.DistinctBy(c => (ISOWeek.GetYear(c.At), ISOWeek.GetWeekOfYear(c.At))).Take(WeeksKept),
            ],
            [{ Kind: CopyKind.Before }, ..] => copies.Take(VersionsKept),
            // Many small changes in a row must not displace the copy from before the first of that day.
            _ => [.. copies.Take(ReplacedKept), .. copies.Reverse().DistinctBy(c => c.At.Date).Reverse().Take(ReplacedKept)],
        };

    /// <summary>Copies beside the file, the latest first.</summary>
    public static IReadOnlyList<DataCopy> Copies(string folder) =>
        Directory.Exists(folder)
            ?
            [
                .. new DirectoryInfo(folder)
                    .EnumerateFiles("*.db")
                    .Select(f => (File: f, Copy: CopyOf(f)))
                    .Where(x => x.Copy is not null)
                    .Select(x => (Copy: x.Copy!, Made: MadeAs(x.File)))
                    .OrderByDescending(x => x.Made)
                    .ThenByDescending(x => x.Copy.At)
                    .ThenByDescending(x => x.Copy.Name, StringComparer.Ordinal)
                    .Select(x => x.Copy),
            ]
            : [];

    // Null for a file with another kind of name, or an impossible date.
    private static DataCopy? CopyOf(FileInfo file) =>
        CopyName().Match(file.Name) is { Success: true } named
        && DateTime.TryParseExact(
            named.Groups["at"].Value,
            "yyyyMMddHHmmss",
            CultureInfo.InvariantCulture,
            DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal,
            out var at
        )
            ? new(
                file.Name,
                named.Groups["kind"].Value switch
                {
                    "daily" => CopyKind.Daily,
                    "before" => CopyKind.Before,
                    _ => CopyKind.Replaced,
                },
                at,
                file.Length
            )
            : null;

    // Sequence number of a copy, from the file's header (SQLite's “user version”, at byte 60); 0 for early ones.
    private static int MadeAs(FileInfo file)
    {
        const int at = 60;
        try
        {
            using var stream = file.Open(FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
            Span<byte> header = stackalloc byte[at + sizeof(int)];
            return stream.ReadAtLeast(header, header.Length, throwOnEndOfStream: false) == header.Length
                ? BinaryPrimitives.ReadInt32BigEndian(header[at..])
                : 0;
        }
        catch (Exception odd) when (odd is IOException or UnauthorizedAccessException)
        {
            return 0;
        }
    }

    [GeneratedRegex(@"^(?<kind>daily|before|replaced)(-\w+)?-(?<at>20\d{12})(-\d+)?\.db$", RegexOptions.ECMAScript)]
    private static partial Regex CopyName();

    // An earlier version may have written invalid rows.
    private static void SetInvalidAside(string file, TimeProvider clock)
    {
        using var connection = Connect(file);
        using var db = Context(connection);
        SetAside.SweepAsync(db, clock.GetUtcNow().UtcDateTime, strictly: false).GetAwaiter().GetResult();
    }

    /// <summary>Copies the file before something replaces a part of it; returns the copy's name.</summary>
    public static string KeepCopy(string folder, TimeProvider clock)
    {
        var to = "";
        InWords(folder, () => to = CopyBeside(folder, "replaced", clock));
        Prune(folder);
        return Path.GetFileName(to);
    }

    /// <summary>
    /// Opens a saved file, migrated in a temporary copy, for looking into. Neither it nor the one in use is touched. Throws <see
    /// cref="DataFolderException"/>.
    /// </summary>
    public static async Task<T> LookIntoAsync<T>(string folder, string from, TimeProvider clock, Func<ZingDb, Task<T>> look)
    {
        var copy = Path.Combine(folder, $"restoring-{Guid.NewGuid():N}.db");
        try
        {
            InWords(
                folder,
                () =>
                {
                    File.Copy(from, copy);
                    InspectSaved(copy, from);
                    Update(copy, clock, _ => { }, copyFirst: false);
                }
            );
            using var connection = Connect(copy);
            await using var db = Context(connection);
            return await look(db);
        }
        finally
        {
            Remove(copy);
        }
    }

    /// <summary>
    /// Moves the write-ahead log into the file, so that the file alone is complete. Does nothing while others read or write.
    /// </summary>
    public static void Settle(string folder)
    {
        using var connection = Connect(FileIn(folder));
        Run(connection, "pragma wal_checkpoint(truncate)");
    }

    /// <summary>Whether a write failed because the disk is full.</summary>
    public static bool IsFull(SqliteException failure) => failure.SqliteErrorCode == SqliteFull;

    /// <summary>Whether the file, or its disk, has become read-only.</summary>
    public static bool IsReadOnly(SqliteException failure) => failure.SqliteErrorCode == SqliteReadOnly;

    /// <summary>Whether the file can no longer be opened or read.</summary>
    public static bool IsOutOfReach(SqliteException failure) => failure.SqliteErrorCode is SqliteCannotOpen or SqliteUnreadable;

    /// <summary>Whether another write blocked the file for too long.</summary>
    public static bool IsBusy(SqliteException failure) => failure.SqliteErrorCode == SqliteBusy;

    private static ZingDb Context(SqliteConnection connection) => new(new DbContextOptionsBuilder<ZingDb>().UseSqlite(connection).Options);

    // The database, and the files SQLite may put beside it.
    private static readonly string[] Endings = ["", "-wal", "-shm", "-journal"];

    private static void Remove(string file)
    {
        foreach (var end in Endings)
            File.Delete(file + end);
    }

    // Without pooling, so that files can be renamed and deleted once closed.
    private static SqliteConnection Connect(string file, bool create = false)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder
            {
                DataSource = file,
                Mode = create ? SqliteOpenMode.ReadWriteCreate : SqliteOpenMode.ReadWrite,
                Pooling = false,
                // Tables may be rebuilt on the way; foreign keys are checked afterwards.
                ForeignKeys = false,
                DefaultTimeout = 1,
            }.ToString()
        );
        connection.Open();
        return connection;
    }

    private static void Run(SqliteConnection connection, string sql, SqliteTransaction? within = null)
    {
        using var command = connection.CreateCommand();
        (command.CommandText, command.Transaction) = (sql, within);
        command.ExecuteNonQuery();
    }

    private static List<string> Read(SqliteConnection connection, string sql, SqliteTransaction? within = null)
    {
        using var command = connection.CreateCommand();
        (command.CommandText, command.Transaction) = (sql, within);
        using var reader = command.ExecuteReader();
        List<string> rows = [];
        while (reader.Read())
            rows.Add(reader.GetString(0));
        return rows;
    }

    private static void MustBeWritable(string folder)
    {
        if (File.Exists(folder))
            throw new DataFolderException($"{folder} is a file; --data needs a folder.");
        Directory.CreateDirectory(folder);
        using var probe = new FileStream(
            Path.Combine(folder, $"probe-{Guid.NewGuid():N}"),
            FileMode.CreateNew,
            FileAccess.Write,
            FileShare.None,
            1,
            FileOptions.DeleteOnClose
        );
        probe.Write(new byte[1 << 16]);
        probe.Flush(flushToDisk: true);
    }

    // Reported at the start rather than by the first write.
    private static void MustTakeWrites(string file)
    {
        using var connection = Connect(file);
        try
        {
            // BEGIN alone is not enough: on a read-only file SQLite silently begins to read.
            Run(connection, """update "__EFMigrationsHistory" set "ProductVersion" = "ProductVersion" where 0""");
        }
        catch (SqliteException busy) when (IsBusy(busy))
        {
            // Somebody else is writing to it, so it can be written.
        }
    }

    // Deletes what a killed program left unfinished. Such names end in 32 digits; nothing takes as long as an hour.
    private static void Sweep(string folder, TimeProvider clock)
    {
        foreach (var left in new DirectoryInfo(folder).EnumerateFiles("*-????????????????????????????????*"))
            if (LeftOver().IsMatch(left.Name) && clock.GetUtcNow().UtcDateTime - left.LastWriteTimeUtc > TimeSpan.FromHours(1))
                left.Delete();
    }

    [GeneratedRegex("^(probe|sending|restoring|[a-z0-9_.-]+\\.db)-[0-9a-f]{32}(\\.db)?(-wal|-shm|-journal)?$", RegexOptions.IgnoreCase)]
    private static partial Regex LeftOver();

    // Made under another name and renamed, so that an interrupted start leaves no unfinished file.
    private static void Make(string file)
    {
        // In this order, because another Zing Cast may create the file and its write-ahead log in between.
        if (new FileInfo(file + "-wal") is { Exists: true, Length: > 0 } && !File.Exists(file))
            throw new DataFolderException(
                $"{file} is missing, but {FileName}-wal beside it holds writes that belong to it. Put "
                    + $"the file back beside it, or move {FileName}-wal away to begin anew."
            );
        var made = $"{file}-{Guid.NewGuid():N}";
        try
        {
            using (var connection = Connect(made, create: true))
            {
                using var db = Context(connection);
                using var transaction = connection.BeginTransaction();
                Run(connection, Script(db, null), transaction);
                transaction.Commit();
                Run(connection, "pragma journal_mode=wal");
            }
            File.Move(made, file);
        }
        catch (IOException) when (File.Exists(file))
        {
            // Another Zing Cast was faster.
        }
        finally
        {
            Remove(made);
        }
    }

    // What has been applied, oldest first.
    private static List<string> Applied(SqliteConnection connection, SqliteTransaction? within = null) =>
        Read(connection, "select name from sqlite_master where name = '__EFMigrationsHistory'", within).Count == 0
            ? []
            : Read(connection, """select "MigrationId" from "__EFMigrationsHistory" order by "MigrationId" """, within);

    private static string Script(ZingDb db, string? from) =>
        db.GetService<IMigrator>().GenerateScript(from, options: MigrationsSqlGenerationOptions.NoTransactions);

    private enum State
    {
        Whole,
        Empty,
        Damaged,
        Foreign,
        Newer,
    }

    // Whether a file is one of ours, intact, and not from a newer version.
    private static State Look(string file)
    {
        if (new FileInfo(file).Length == 0)
            return State.Empty;
        try
        {
            using var connection = Connect(file);
            if (Read(connection, "pragma quick_check(1)") is not ["ok"])
                return State.Damaged;
            using var db = Context(connection);
            var applied = Applied(connection);
            return applied.Count == 0 ? State.Foreign
                : applied.Except(db.Database.GetMigrations()).Any() ? State.Newer
                : State.Whole;
        }
        catch (SqliteException damaged) when (damaged.SqliteErrorCode is SqliteBroken or SqliteNoDatabase)
        {
            return State.Damaged;
        }
    }

    private static void Inspect(string file) =>
        Refuse(
            Look(file) switch
            {
                State.Whole => null,
                State.Empty =>
                    $"{file} is empty: it was cut off. Put a saved copy back with ./zing restore FILE, or move it away to begin anew.",
                State.Foreign => $"{file} was not made by Zing Cast and was not touched. Choose another folder: --data FOLDER",
                State.Newer =>
                    $"{file} was written by a newer Zing Cast and was not touched. Use that version, or another folder: --data FOLDER",
                _ => Damaged(file),
            }
        );

    private static void InspectSaved(string file, string named) =>
        Refuse(
            Look(file) switch
            {
                State.Whole => null,
                State.Newer => $"{named} was saved by a newer Zing Cast. Nothing was changed; put it back with that version.",
                _ => $"{named} is no whole file of Zing Cast. Nothing was changed.",
            }
        );

    private static void Refuse(string? why)
    {
        if (why is not null)
            throw new DataFolderException(why);
    }

    private static string Damaged(string file) =>
        $"{file} is damaged and was not touched. Put a saved copy back with ./zing restore FILE; the damaged one is kept beside it.";

    // One transaction holds the write lock from the second check for pending migrations to the last change; a second program then finds
    // nothing to do.
    private static void Update(string file, TimeProvider clock, Action<string> say, bool copyFirst = true)
    {
        using var connection = Connect(file);
        using var db = Context(connection);
        var known = db.Database.GetMigrations().ToList();
        if (Read(connection, "pragma journal_mode") is not ["wal"])
            Run(connection, "pragma journal_mode=wal");
        if (Applied(connection).Count == known.Count)
            return;
        using var transaction = BeginWrite(connection, file, say);
        var applied = Applied(connection, transaction);
        if (applied.Count == known.Count)
            return;
        if (copyFirst)
        {
            CopyBeside(Path.GetDirectoryName(file)!, $"before-{known[applied.Count]}", clock);
            Prune(Path.GetDirectoryName(file)!);
        }
        Run(connection, Script(db, applied[^1]), transaction);
        // Earlier versions used a lock that survived them.
        Run(connection, """drop table if exists "__EFMigrationsLock" """, transaction);
        if (Read(connection, "select \"table\" from pragma_foreign_key_check", transaction) is [var broken, ..])
            throw new DataFolderException(
                $"{file} could not be brought up to date: {broken} points at something that is not there. It was left as it was."
            );
        transaction.Commit();
    }

    private static SqliteTransaction BeginWrite(SqliteConnection connection, string file, Action<string> say)
    {
        for (var waited = 0; ; waited++)
        {
            try
            {
                return connection.BeginTransaction();
            }
            catch (SqliteException busy) when (IsBusy(busy) && waited < Patience.TotalSeconds)
            {
                if (waited == 0)
                    say($"Waiting: another program is writing to {file}.");
            }
            catch (SqliteException busy) when (IsBusy(busy))
            {
                throw new DataFolderException(
                    $"{file} has been held by another program for {Patience.TotalSeconds:0} seconds. Stop that program and start again."
                );
            }
        }
    }

    // Row by row in one transaction: concurrent writes are either in the copy of the previous data or come afterwards.
    private static void Replace(string file, string incoming, string? keepAs)
    {
        using var connection = Connect(file);
        using (var attach = connection.CreateCommand())
        {
            attach.CommandText = "attach database $incoming as incoming";
            attach.Parameters.AddWithValue("$incoming", incoming);
            attach.ExecuteNonQuery();
        }
        using var transaction = BeginWrite(connection, file, _ => { });
        if (keepAs is not null)
            CopyWhole(file, keepAs, NextMade(Path.GetDirectoryName(file)!));
        foreach (
            var table in Read(
                connection,
                "select name from incoming.sqlite_master where type = 'table' and name in (select name from main.sqlite_master)",
                transaction
            )
        )
        {
            var columns = string.Join(
                ", ",
                Read(connection, $"select '\"' || name || '\"' from pragma_table_info('{table}', 'incoming')", transaction)
            );
            Run(
                connection,
                $"""delete from main."{table}"; insert into main."{table}" ({columns}) select {columns} from incoming."{table}";""",
                transaction
            );
        }
        transaction.Commit();
    }

    // SQLite's online backup, as a single file without a log; under its name only when complete.
    private static void CopyWhole(string from, string to, int made = 0)
    {
        var part = $"{to}-{Guid.NewGuid():N}";
        try
        {
            using (var source = Connect(from))
            using (var target = Connect(part, create: true))
            {
                Copy(source, target);
                Run(target, "pragma journal_mode=delete");
                Run(target, string.Create(CultureInfo.InvariantCulture, $"pragma user_version={made}"));
            }
            File.Move(part, to);
        }
        finally
        {
            Remove(part);
        }
    }

    private static void Copy(SqliteConnection source, SqliteConnection target)
    {
        for (var tries = 1; ; tries++)
        {
            try
            {
                source.BackupDatabase(target);
                return;
            }
            catch (SqliteException busy) when (IsBusy(busy) && tries < 100)
            {
                // A write is in progress; they take milliseconds.
                Thread.Sleep(100);
            }
        }
    }

    // An unused file name.
    private static string Free(string folder, string name, TimeProvider clock)
    {
        var stem = Path.Combine(folder, $"{name}-{clock.GetUtcNow():yyyyMMddHHmmss}");
        return Enumerable.Range(1, 1000).Select(n => n == 1 ? $"{stem}.db" : $"{stem}-{n}.db").First(free => !File.Exists(free));
    }

    // Puts every error of the file system and SQLite into one line.
    private static void InWords(string folder, Action work)
    {
        const int noSpace = 28;
        try
        {
            work();
        }
        catch (UnauthorizedAccessException)
        {
            throw new DataFolderException(
                $"Zing Cast may not write to {folder}. Give yourself the right to, or choose another folder: --data FOLDER"
            );
        }
        catch (IOException full) when (full.HResult == noSpace)
        {
            throw Full(folder);
        }
        catch (IOException odd)
        {
            throw new DataFolderException(
                $"The data folder {folder} cannot be used: {odd.Message.TrimEnd('.')}. Choose another: --data FOLDER"
            );
        }
        catch (SqliteException failed)
            when (failed.SqliteErrorCode
                    is SqliteFull
                        or SqliteReadOnly
                        or SqliteCannotOpen
                        or SqliteBusy
                        or SqliteBroken
                        or SqliteNoDatabase
                        or SqliteUnreadable
            )
        {
            throw failed.SqliteErrorCode switch
            {
                SqliteFull => Full(folder),
                SqliteReadOnly or SqliteCannotOpen => new DataFolderException(
                    $"Zing Cast may not write to {FileIn(folder)}. Give yourself the right to, or choose another folder: --data FOLDER"
                ),
                SqliteBusy => new DataFolderException($"{FileIn(folder)} is held by another program. Stop that program and try again."),
                SqliteUnreadable => new DataFolderException(
                    $"The disk would not read or write {FileIn(folder)}: {failed.Message.TrimEnd('.')}."
                ),
                _ => new DataFolderException(Damaged(FileIn(folder))),
            };
        }
    }

    private static DataFolderException Full(string folder) =>
        new($"The disk that holds {folder} is full. Nothing was changed; make room and try again.");
}
