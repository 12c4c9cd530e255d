using System.Linq.Expressions;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Measures;

namespace ZingCast.Store;

/// <summary>A change based on an outdated version: the thing was changed since, or is gone.</summary>
public sealed class StaleException(string what) : Exception($"{what} was changed elsewhere since you opened it.");

/// <summary>
/// Storing of one kind of thing: find, store with version check, archive, unarchive, list. Archived things are hidden, never lost.
/// </summary>
public sealed class KeptSet<T>(ZingDb db, TimeProvider clock)
    where T : Kept
{
    private IQueryable<T> All => db.Set<T>().IgnoreQueryFilters().AsNoTracking();

    private static readonly Expression<Func<T, bool>> IsAway = x => EF.Property<DateTime?>(x, ZingDb.DeletedAt) != null;

    /// <summary>All that were not archived, in the order in which they were added.</summary>
    public Task<List<T>> ListAsync(CancellationToken cancel = default) => db.Set<T>().AsNoTracking().OrderBy(x => x.Id).ToListAsync(cancel);

    /// <summary>The archived ones, the latest first.</summary>
    public Task<List<T>> ListArchivedAsync(CancellationToken cancel = default) =>
        All.Where(IsAway).OrderByDescending(x => EF.Property<DateTime?>(x, ZingDb.DeletedAt)).ToListAsync(cancel);

    /// <summary>The one with this id; null when it was archived or never was.</summary>
    public Task<T?> FindAsync(int id, CancellationToken cancel = default) =>
        db.Set<T>().AsNoTracking().FirstOrDefaultAsync(x => x.Id == id, cancel);

    /// <summary>
    /// Adds it when it has no id, otherwise updates it, and returns it with its new version. Throws <see cref="StaleException"/> when it
    /// was changed since the version it carries. <paramref name="what"/> names it in words.
    /// </summary>
    public async Task<T> KeepAsync(T piece, string what, CancellationToken cancel = default)
    {
        var entry = db.Set<T>().Update(piece);
        try
        {
            await db.SaveChangesAsync(cancel);
        }
        catch (DbUpdateConcurrencyException)
        {
            throw new StaleException(what);
        }
        entry.State = EntityState.Detached;
        return piece;
    }

    /// <summary>Archives one; false when there is none. Archiving an archived one changes nothing.</summary>
    public Task<bool> ArchiveAsync(int id, CancellationToken cancel = default) => SetAsync(id, clock.GetUtcNow().UtcDateTime, cancel);

    /// <summary>Unarchives one; false when there is none. Does nothing to one that is not archived.</summary>
    public Task<bool> UnarchiveAsync(int id, CancellationToken cancel = default) => SetAsync(id, null, cancel);

    private async Task<bool> SetAsync(int id, DateTime? at, CancellationToken cancel) =>
        await db.Set<T>()
            .IgnoreQueryFilters()
            .Where(x => x.Id == id)
            .ExecuteUpdateAsync(
                // Archived ones keep the time of archiving.
                set =>
                    set.SetProperty(
                        x => EF.Property<DateTime?>(x, ZingDb.DeletedAt),
                        x => at == null ? null : EF.Property<DateTime?>(x, ZingDb.DeletedAt) ?? at
                    ),
                cancel
            ) > 0;
}
