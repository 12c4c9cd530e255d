using Microsoft.EntityFrameworkCore;

namespace ZingCast.Store;

/// <summary>Saves a data folder to a file and restores it, as a copy of the database or as a JSON document.</summary>
public static class BackupCommands
{
    /// <summary>
    /// Saves everything: as a document when the file name ends in .json, otherwise as a copy. Throws <see cref="DataFolderException"/>.
    /// </summary>
    public static async Task SaveAsync(string folder, string to, TimeProvider clock)
    {
        if (!to.EndsWith(".json", StringComparison.OrdinalIgnoreCase))
        {
            DataFolder.Backup(folder, to);
            return;
        }
        // Reads from a copy, which is a single consistent file.
        var copy = $"{to}-{Guid.NewGuid():N}.db";
        try
        {
            DataFolder.Backup(folder, copy);
            if (File.Exists(to))
                throw new DataFolderException($"{to} is there already and stays as it is; name another file.");
            var text = await DataFolder.LookIntoAsync(folder, copy, clock, db => BackupFile.WriteAsync(db, clock.GetUtcNow().UtcDateTime));
            await File.WriteAllTextAsync(to, text);
        }
        finally
        {
            File.Delete(copy);
        }
    }

    /// <summary>
    /// Restores a saved file of either kind. The previous data are kept beside it under the returned name, null when there were none.
    /// Throws <see cref="DataFolderException"/>, and then nothing was changed.
    /// </summary>
    public static async Task<string?> PutBackAsync(string folder, string from, TimeProvider clock)
    {
        if (!IsDocument(from))
            return DataFolder.Restore(folder, from, clock);
        if (new FileInfo(from).Length > BackupFile.Longest)
            throw new DataFolderException($"{from} is larger than {BackupFile.Longest >> 20} MB. Nothing was changed.");
        var there = File.Exists(DataFolder.FileIn(folder));
        DataFolder.Open(folder, clock);
        await using var db = new ZingDb(
            new DbContextOptionsBuilder<ZingDb>().UseSqlite($"Data Source={DataFolder.FileIn(folder)};Pooling=False").Options
        );
        await using var transaction = await db.Database.BeginTransactionAsync();
        var today = DateOnly.FromDateTime(clock.GetLocalNow().Date);
        var read = await BackupFile.ReadAsync(db, await File.ReadAllTextAsync(from), BackupMerge.Replace, today);
        if (read.Faults is [var first, ..])
            throw new DataFolderException(
                $"{from} cannot be put back: {first.List}, entry {first.Row}, {first.Field}: {first.Problem} Nothing was changed."
            );
        var kept = there ? Path.Combine(folder, DataFolder.KeepCopy(folder, clock)) : null;
        await transaction.CommitAsync();
        return kept;
    }

    // A document begins with a brace; a database does not.
    private static bool IsDocument(string file)
    {
        if (!File.Exists(file))
            return false;
        using var text = new StreamReader(file);
        for (var c = text.Read(); c >= 0; c = text.Read())
            if (!char.IsWhiteSpace((char)c) && c != '\uFEFF')
                return c == '{';
        return false;
    }
}
