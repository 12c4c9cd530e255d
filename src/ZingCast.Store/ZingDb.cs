using System.Text.Json;
using System.Text.Json.Serialization;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using ZingCast.Core.Care;
using ZingCast.Core.Cutting;
using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Logbook;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rigging;
using ZingCast.Core.Rods;
using ZingCast.Core.Shed;
using ZingCast.Core.Standards;
using ZingCast.Core.Trips;

namespace ZingCast.Store;

/// <summary>All data in SQLite. Tables of gear are the Core's own records; deleting only hides, so it can be undone.</summary>
public sealed class ZingDb(DbContextOptions<ZingDb> options) : DbContext(options)
{
    /// <summary>Shadow column that hides a row.</summary>
    public const string DeletedAt = "DeletedAt";

    /// <summary>Shadow columns of a winding ticket: the program that is winding for it, and the time of its last report.</summary>
    public const string WoundBy = "WoundBy",
        WoundAt = "WoundAt";

    private const string Version = nameof(Kept.Version);

    // An archived row does not block another.
    private const string IsThere = $"\"{DeletedAt}\" IS NULL";

    /// <summary>Serialization of drafts and pins: enums as words, nulls omitted.</summary>
    public static readonly JsonSerializerOptions Documents = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase, allowIntegerValues: false) },
        DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull,
    };

    public DbSet<Rod> Rods => Set<Rod>();

    public DbSet<FlyLine> Lines => Set<FlyLine>();

    public DbSet<Reel> Reels => Set<Reel>();

    public DbSet<Spool> Spools => Set<Spool>();

    public DbSet<WindingTicket> WindingTickets => Set<WindingTicket>();

    public DbSet<LeaderSpool> LeaderSpools => Set<LeaderSpool>();

    public DbSet<TiedLeader> TiedLeaders => Set<TiedLeader>();

    public DbSet<RigTicket> RigTickets => Set<RigTicket>();

    public DbSet<Trip> Trips => Set<Trip>();

    public DbSet<Outing> Outings => Set<Outing>();

    public DbSet<OwnCaster> People => Set<OwnCaster>();

    public DbSet<FitDecision> Lessons => Set<FitDecision>();

    public DbSet<Service> Services => Set<Service>();

    public DbSet<Scrap> Scraps => Set<Scrap>();

    public DbSet<Calibration> Calibrations => Set<Calibration>();

    public DbSet<CutJob> CutJobs => Set<CutJob>();

    public DbSet<ScrapInJob> ScrapsInJobs => Set<ScrapInJob>();

    public DbSet<SavedBrief> Briefs => Set<SavedBrief>();

    /// <summary>Invalid rows, moved out of their tables.</summary>
    public DbSet<SetAside> SetAside => Set<SetAside>();

    /// <summary>Everything in the shed, in order of creation; rods with their accepted feel.</summary>
    public Task<GearShed> ShedAsync(CancellationToken cancel = default) => ShedAsync(away: false, cancel);

    /// <summary>The same including archived pieces, for looking back.</summary>
    public Task<GearShed> EverShedAsync(CancellationToken cancel = default) => ShedAsync(away: true, cancel);

    private async Task<GearShed> ShedAsync(bool away, CancellationToken cancel)
    {
        IQueryable<T> All<T>()
            where T : Kept => (away ? Set<T>().IgnoreQueryFilters() : Set<T>()).AsNoTracking().OrderBy(x => x.Id);
        var rods = await All<Rod>().ToListAsync(cancel);
        var felt = (await Lessons.AsNoTracking().Where(l => l.Accepted && l.RodId != null).ToListAsync(cancel))
            .GroupBy(l => l.RodId!.Value)
            .ToDictionary(g => g.Key, g => g.MaxBy(l => l.At)!.Feel);
        return new(
            felt.Count == 0 ? rods : [.. rods.Select(r => felt.TryGetValue(r.Id, out var feel) ? r with { Felt = feel } : r)],
            await All<FlyLine>().ToListAsync(cancel),
            await All<Reel>().ToListAsync(cancel)
        )
        {
            Spools = await All<Spool>().ToListAsync(cancel),
            LeaderSpools = await All<LeaderSpool>().ToListAsync(cancel),
            Leaders = await All<TiedLeader>().ToListAsync(cancel),
        };
    }

    /// <summary>The log, latest first.</summary>
    public Task<List<Outing>> LogAsync(CancellationToken cancel = default) =>
        Outings.AsNoTracking().OrderByDescending(o => o.On).ThenByDescending(o => o.Id).ToListAsync(cancel);

    /// <summary>
    /// Every caster: the presets, then named persons with their accepted values. An archived person still casts in the briefs that name
    /// them.
    /// </summary>
    public async Task<IReadOnlyList<Caster>> CastersAsync(CancellationToken cancel = default)
    {
        var people = await People.IgnoreQueryFilters().AsNoTracking().OrderBy(p => p.Id).ToListAsync(cancel);
        if (people.Count == 0)
            return Casters.Rows;
        var taught = await Lessons.AsNoTracking().Where(l => l.Accepted && l.CasterId != null).ToListAsync(cancel);
        return [.. Casters.Rows, .. people.Select(p => p.As(taught.Where(l => l.CasterId == p.Id).MaxBy(l => l.At)))];
    }

    /// <summary>
    /// Pins to unknown pieces. An archived piece is known: that is reported when the brief is solved, and the pin survives other changes.
    /// </summary>
    public async Task<IReadOnlyList<FieldProblem>> CheckAsync(Pins pins, CancellationToken cancel)
    {
        var rod = pins.Rod is null || await Rods.IgnoreQueryFilters().AnyAsync(r => r.Id == pins.Rod, cancel);
        var line = pins.Line is null || await Lines.IgnoreQueryFilters().AnyAsync(l => l.Id == pins.Line, cancel);
        var reel = pins.Reel is null || await Reels.IgnoreQueryFilters().AnyAsync(r => r.Id == pins.Reel, cancel);
        var leader = pins.Leader is null || await TiedLeaders.IgnoreQueryFilters().AnyAsync(l => l.Id == pins.Leader, cancel);
        return pins.Check(_ => rod, _ => line, _ => reel, _ => leader);
    }

    /// <summary>
    /// A consistent view of the data until disposed: concurrent writes go on and are not seen. Within a transaction it is that transaction.
    /// </summary>
    public async Task<IAsyncDisposable?> SnapshotAsync(CancellationToken cancel = default)
    {
        if (Database.CurrentTransaction is not null)
            return null;
        await Database.OpenConnectionAsync(cancel);
        // Deferred: unlike other transactions begun here, it takes no write lock.
        var transaction = ((SqliteConnection)Database.GetDbConnection()).BeginTransaction(deferred: true);
        await Database.UseTransactionAsync(transaction, cancel);
        return new Snapshot(this, transaction);
    }

    /// <summary>A number that changes when somebody else wrote; comparable only while the connection is open.</summary>
    public Task<long> WritesSeenAsync(CancellationToken cancel = default) =>
        Database.SqlQueryRaw<long>("select data_version as \"Value\" from pragma_data_version").SingleAsync(cancel);

    private sealed class Snapshot(ZingDb db, SqliteTransaction transaction) : IAsyncDisposable
    {
        public async ValueTask DisposeAsync()
        {
            await db.Database.UseTransactionAsync(null);
            await transaction.DisposeAsync();
            await db.Database.CloseConnectionAsync();
        }
    }

    /// <summary>Access to one kind of thing.</summary>
    public KeptSet<T> KeptSet<T>(TimeProvider clock)
        where T : Kept => new(this, clock);

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        Gear(modelBuilder.Entity<Rod>(), r => r.Tag);
        Gear(modelBuilder.Entity<FlyLine>(), l => l.Tag);
        Gear(modelBuilder.Entity<Reel>(), r => r.Tag);
        Gear(modelBuilder.Entity<Scrap>(), s => s.Tag);
        Gear(modelBuilder.Entity<LeaderSpool>(), s => s.Tag);
        Gear(modelBuilder.Entity<TiedLeader>(), l => l.Tag);
        Gear(modelBuilder.Entity<Calibration>(), c => c.Name);
        modelBuilder.Entity<Rod>(rod =>
        {
            rod.Property(r => r.PrintedAction).HasConversion<string>();
            rod.Ignore(r => r.Felt);
            Json(rod.Property(r => r.Test));
            Json(rod.Property(r => r.Bend));
            Json(rod.Property(r => r.Balance));
            Json(rod.Property(r => r.Inspections)).HasDefaultValueSql("'[]'");
        });
        modelBuilder.Entity<FlyLine>(line =>
        {
            line.Property(l => l.Build).HasConversion<string>();
            Json(line.Property(l => l.Measured));
        });
        Json(modelBuilder.Entity<Reel>().Property(r => r.KnownFill));
        modelBuilder.Entity<Spool>(spool =>
        {
            CanBeArchived(spool);
            spool.Property(s => s.Version).IsConcurrencyToken();
            // Names of spools are unique per reel, and a line is on one spool.
            spool.HasIndex(s => new { s.ReelId, s.Name }).IsUnique().HasFilter(IsThere);
            spool.HasIndex(s => s.LineId).IsUnique().HasFilter(IsThere);
        });
        modelBuilder.Entity<WindingTicket>(ticket =>
        {
            CanBeArchived(ticket);
            ticket.Property(t => t.Version).IsConcurrencyToken();
            Json(ticket.Property(t => t.Plan));
            Json(ticket.Property(t => t.Done));
            Json(ticket.Property(t => t.Before));
            ticket.Ignore(t => t.Steps).Ignore(t => t.Now).Ignore(t => t.Order);
            // The program whose winder works for it, and the time of its last report.
            ticket.Property<string?>(WoundBy);
            ticket.Property<DateTime?>(WoundAt);
        });
        modelBuilder.Entity<LeaderSpool>(spool =>
        {
            spool.Property(s => s.Material).HasConversion<string>();
            Json(spool.Property(s => s.Breaks));
        });
        Json(modelBuilder.Entity<TiedLeader>().Property(l => l.Leader));
        modelBuilder.Entity<RigTicket>(ticket =>
        {
            CanBeArchived(ticket);
            ticket.Property(t => t.Version).IsConcurrencyToken();
            Json(ticket.Property(t => t.Plan));
            Json(ticket.Property(t => t.Done));
            ticket.Ignore(t => t.Steps).Ignore(t => t.Now);
        });
        modelBuilder.Entity<Trip>(trip =>
        {
            CanBeArchived(trip);
            trip.Property(t => t.Version).IsConcurrencyToken();
            Json(trip.Property(t => t.Days));
            Json(trip.Property(t => t.Limits));
            Json(trip.Property(t => t.Held));
            Json(trip.Property(t => t.Packed));
            Json(trip.Property(t => t.Back));
        });
        modelBuilder.Entity<Outing>(outing =>
        {
            CanBeArchived(outing);
            outing.Property(o => o.Version).IsConcurrencyToken();
            // An archived outing keeps its key, so that the same entry is not imported again.
            outing.HasIndex(o => o.Key).IsUnique();
            outing.Property(o => o.Kind).HasConversion<string>();
            outing.Property(o => o.Water).HasConversion<string>();
            outing.Property(o => o.Cover).HasConversion<string>();
            outing.Property(o => o.Stance).HasConversion<string>();
            outing.Property(o => o.Feel).HasConversion<string>();
            outing.Property(o => o.Drill).HasConversion<string>();
            Json(outing.Property(o => o.Casts));
            Json(outing.Property(o => o.Fish));
            Json(outing.Property(o => o.Losses));
            Json(outing.Property(o => o.Dropped));
            Json(outing.Property(o => o.Rings));
        });
        modelBuilder.Entity<OwnCaster>(person =>
        {
            CanBeArchived(person);
            person.Property(p => p.Version).IsConcurrencyToken();
            person.HasIndex(p => p.Name).IsUnique().HasFilter(IsThere);
        });
        modelBuilder.Entity<FitDecision>(lesson =>
        {
            CanBeArchived(lesson);
            lesson.Property(l => l.Version).IsConcurrencyToken();
            Json(lesson.Property(l => l.Hand));
            Json(lesson.Property(l => l.Feel));
        });
        modelBuilder.Entity<Service>(service =>
        {
            CanBeArchived(service);
            service.Property(s => s.Version).IsConcurrencyToken();
            Json(service.Property(s => s.Before));
        });
        Json(modelBuilder.Entity<Scrap>().Property(s => s.Measured));
        Json(modelBuilder.Entity<Calibration>().Property(c => c.Points));
        modelBuilder.Entity<CutJob>(job =>
        {
            CanBeArchived(job);
            job.Property(j => j.Version).IsConcurrencyToken();
            Json(job.Property(j => j.Target));
            Json(job.Property(j => j.Pieces));
            Json(job.Property(j => j.Steps));
            Json(job.Property(j => j.TakenApart)).HasDefaultValueSql("'[]'");
        });
        modelBuilder.Entity<ScrapInJob>(one =>
        {
            one.HasKey(s => s.ScrapId);
            one.Property(s => s.ScrapId).ValueGeneratedNever();
            one.HasIndex(s => s.JobId);
        });
        modelBuilder.Entity<SavedBrief>(brief =>
        {
            CanBeArchived(brief);
            brief.Property(b => b.Version).IsConcurrencyToken();
            Json(brief.Property(b => b.Draft));
            Json(brief.Property(b => b.Pins));
            Json(brief.Property(b => b.Off));
        });
    }

    public override Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        Count();
        return base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
    }

    public override int SaveChanges(bool acceptAllChangesOnSuccess)
    {
        Count();
        return base.SaveChanges(acceptAllChangesOnSuccess);
    }

    // Every stored thing carries the version it was read with; a row that was changed since refuses the update.
    private void Count()
    {
        foreach (var entry in ChangeTracker.Entries())
            if (entry.State is EntityState.Added or EntityState.Modified && entry.Metadata.FindProperty(Version) is not null)
            {
                var version = entry.Property(Version);
                version.CurrentValue = entry.State == EntityState.Added ? 1 : (int)version.OriginalValue! + 1;
            }
    }

    private static void Gear<T>(EntityTypeBuilder<T> gear, System.Linq.Expressions.Expression<Func<T, object?>> tag)
        where T : Kept
    {
        gear.Property(g => g.Version).IsConcurrencyToken().HasDefaultValue(1);
        if (typeof(T).IsAssignableTo(typeof(Gear)))
            gear.Property(nameof(Core.Measures.Gear.Condition)).HasConversion<string>().HasDefaultValue(Condition.Good);
        CanBeArchived(gear);
        // A tag is unique in the shed, archived pieces excepted.
        gear.HasIndex(tag).IsUnique().HasFilter(IsThere);
    }

    private static void CanBeArchived<T>(EntityTypeBuilder<T> kept)
        where T : Kept
    {
        kept.Property<DateTime?>(DeletedAt);
        kept.HasQueryFilter(x => EF.Property<DateTime?>(x, DeletedAt) == null);
    }

    // Times are UTC in the file, in memory and on the wire; SQLite itself does not say.
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder) =>
        configurationBuilder.Properties<DateTime>().HaveConversion<UtcConverter>();

    private sealed class UtcConverter()
        : ValueConverter<DateTime, DateTime>(at => at.ToUniversalTime(), at => DateTime.SpecifyKind(at, DateTimeKind.Utc));

    private static PropertyBuilder<T> Json<T>(PropertyBuilder<T> property) =>
        property.HasConversion(
            value => JsonSerializer.Serialize(value, Documents),
            text => JsonSerializer.Deserialize<T>(text, Documents)!,
            new ValueComparer<T>(
                (a, b) => JsonSerializer.Serialize(a, Documents) == JsonSerializer.Serialize(b, Documents),
                value => JsonSerializer.Serialize(value, Documents).GetHashCode(StringComparison.Ordinal),
                // A copy, so that changes inside a list are detected.
                value => JsonSerializer.Deserialize<T>(JsonSerializer.Serialize(value, Documents), Documents)!
            )
        );
}
