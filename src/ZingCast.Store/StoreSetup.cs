using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.Extensions.DependencyInjection;

namespace ZingCast.Store;

/// <summary>Registers the store of a data folder.</summary>
public static class StoreSetup
{
    public static IServiceCollection AddZingStore(this IServiceCollection services, string dataFolder)
    {
        var watch = new FileWatch(dataFolder);
        var guard = new WriteGuard(watch);
        var version = new DataVersion(watch, TimeProvider.System);
        var counter = new WriteCounter(version);
        return services
            .AddSingleton(_ => watch)
            .AddSingleton(version)
            .AddDbContextPool<ZingDb>(options =>
                options
                    .UseSqlite(
                        new SqliteConnectionStringBuilder
                        {
                            DataSource = DataFolder.FileIn(dataFolder),
                            // A file that has disappeared is not silently created anew under a running server.
                            Mode = SqliteOpenMode.ReadWrite,
                            ForeignKeys = true,
                        }.ToString()
                    )
                    .AddInterceptors(guard, counter)
            );
    }
}

/// <summary>Lets the migration tool create a context without the web host.</summary>
public sealed class DesignTimeFactory : IDesignTimeDbContextFactory<ZingDb>
{
    public ZingDb CreateDbContext(string[] args) => new(new DbContextOptionsBuilder<ZingDb>().UseSqlite("Data Source=design.db").Options);
}
