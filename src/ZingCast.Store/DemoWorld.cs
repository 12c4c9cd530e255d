using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Shed;

namespace ZingCast.Store;

/// <summary>Puts the demo world into a store.</summary>
public static class DemoWorld
{
    /// <summary>Adds the demo gear and briefs to the existing data, in one transaction. Taken tags are left alone.</summary>
    public static async Task AddAsync(ZingDb db, TimeProvider clock, CancellationToken cancel = default)
    {
        await using var transaction = await db.Database.BeginTransactionAsync(cancel);
        var there = await db.ShedAsync(cancel);
        db.Rods.AddRange(DemoGear.Rods.Where(r => there.Rods.All(t => t.Tag != r.Tag)).Select(r => r with { }));
        db.Lines.AddRange(DemoGear.Lines.Where(l => there.Lines.All(t => t.Tag != l.Tag)).Select(l => l with { }));
        var drawer = await db.Scraps.Select(x => x.Tag).ToListAsync(cancel);
        db.Scraps.AddRange(DemoGear.Scraps.Where(x => !drawer.Contains(x.Tag)).Select(x => x with { }));
        if (!await db.Calibrations.AnyAsync(c => c.Name == DemoGear.Counter.Name, cancel))
            db.Calibrations.Add(DemoGear.Counter with { });
        db.Reels.AddRange(DemoGear.Reels.Where(r => there.Reels.All(t => t.Tag != r.Tag)).Select(r => r with { }));
        var names = await db.Briefs.Select(b => b.Name).ToListAsync(cancel);
        var now = clock.GetUtcNow().UtcDateTime;
        db.Briefs.AddRange(
            DemoGear
                .Briefs.Where(b => !names.Contains(b.Name))
                .Select(b => new SavedBrief
                {
                    Name = b.Name,
                    Draft = b.Draft,
                    ChangedAt = now,
                })
        );
        await db.SaveChangesAsync(cancel);
        // Spools of reels and lines that were just added.
        var shed = await db.ShedAsync(cancel);
        foreach (var wound in DemoGear.Wound.Where(w => there.Reels.All(r => r.Tag != w.Reel) && there.Lines.All(l => l.Tag != w.Line)))
            db.Spools.Add(
                DemoGear.Laid(wound, shed.Reels.First(r => r.Tag == wound.Reel).Id, shed.Lines.First(l => l.Tag == wound.Line).Id)
            );
        await db.SaveChangesAsync(cancel);
        await AddPocketAsync(db, there, cancel);
        var trips = await db.Trips.Select(t => t.Name).ToListAsync(cancel);
        var days = await db.Briefs.OrderBy(b => b.Id).Select(b => new { b.Id, b.Name }).ToListAsync(cancel);
        var week = DemoGear.Week(at => days.First(d => d.Name == DemoGear.Briefs[at].Name).Id);
        if (!trips.Contains(week.Name))
            db.Trips.Add(week);
        await db.SaveChangesAsync(cancel);
        if (!await db.Outings.IgnoreQueryFilters().AnyAsync(cancel))
            await AddLogAsync(db, clock, cancel);
        await transaction.CommitAsync(cancel);
    }

    private static async Task AddLogAsync(ZingDb db, TimeProvider clock, CancellationToken cancel)
    {
        var person =
            await db.People.FirstOrDefaultAsync(p => p.Name == DemoLog.Person.Name, cancel) ?? db.People.Add(DemoLog.Person).Entity;
        await db.SaveChangesAsync(cancel);
        var briefs = await db.Briefs.Select(b => new { b.Id, b.Name }).ToListAsync(cancel);
        var (outings, services) = DemoLog.For(
            await db.ShedAsync(cancel),
            name => briefs.First(b => b.Name == name).Id,
            person.CasterId,
            DateOnly.FromDateTime(clock.GetLocalNow().Date)
        );
        db.Outings.AddRange(outings);
        db.Services.AddRange(services);
        await db.SaveChangesAsync(cancel);
    }

    private static async Task AddPocketAsync(ZingDb db, GearShed there, CancellationToken cancel)
    {
        db.LeaderSpools.AddRange(DemoGear.LeaderSpools.Where(s => there.LeaderSpools.All(t => t.Tag != s.Tag)).Select(s => s with { }));
        await db.SaveChangesAsync(cancel);
        // Leaders say which spools they were tied from.
        var pocket = await db.LeaderSpools.AsNoTracking().ToListAsync(cancel);
        db.TiedLeaders.AddRange(DemoGear.Leaders(pocket).Where(l => there.Leaders.All(t => t.Tag != l.Tag)));
        await db.SaveChangesAsync(cancel);
    }
}
