using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.Extensions.DependencyInjection;

namespace ZingCast.Store;

/// <summary>Opens the store in a data folder.</summary>
public static class StoreSetup
{
    private const string FileName = "zingcast.db";

    public static IServiceCollection AddZingStore(this IServiceCollection services, string dataFolder) =>
        services.AddDbContextPool<ZingDb>(options => options.UseSqlite(new SqliteConnectionStringBuilder
        {
            DataSource = Path.Combine(dataFolder, FileName),
            ForeignKeys = true,
        }.ToString()));

    /// <summary>
    /// Brings the file up to the current model. A file that already holds data is copied beside itself first, whole and
    /// consistent, so that a migration can always be taken back. EF Core opens SQLite in WAL mode.
    /// </summary>
    public static void Migrate(ZingDb db, string dataFolder, TimeProvider clock)
    {
        Directory.CreateDirectory(dataFolder);
        var pending = db.Database.GetPendingMigrations().ToList();
        if (pending.Count > 0 && db.Database.GetAppliedMigrations().Any())
        {
            var copy = Path.Combine(dataFolder, $"before-{pending[0]}-{clock.GetUtcNow():yyyyMMddHHmmss}.db");
            db.Database.ExecuteSql($"VACUUM INTO {copy}");
        }
        db.Database.Migrate();
    }
}

/// <summary>Lets the migration tool make a context without the web host.</summary>
public sealed class DesignTimeFactory : IDesignTimeDbContextFactory<ZingDb>
{
    public ZingDb CreateDbContext(string[] args) => new(new DbContextOptionsBuilder<ZingDb>().UseSqlite("Data Source=design.db").Options);
}
