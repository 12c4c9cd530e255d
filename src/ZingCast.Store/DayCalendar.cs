using Ical.Net;
using Ical.Net.CalendarComponents;
using Ical.Net.DataTypes;
using Ical.Net.Serialization;

namespace ZingCast.Store;

/// <summary>Whole days as iCalendar (RFC 5545), for any calendar.</summary>
public static class DayCalendar
{
    /// <summary>
    /// One all-day event per task; <paramref name="id"/> identifies the source, so that a later export replaces an earlier one.
    /// </summary>
    public static string Write(string id, IReadOnlyList<(string Key, DateOnly On, string Says)> tasks, DateTime now)
    {
        var calendar = new Calendar { ProductId = "-//Zing Cast//EN" };
        foreach (var (key, on, says) in tasks)
            calendar.Events.Add(
                new CalendarEvent
                {
                    Uid = $"{id}-{key}@zing-cast",
                    DtStamp = new CalDateTime(DateTime.SpecifyKind(now, DateTimeKind.Utc)),
                    Start = new CalDateTime(on),
                    End = new CalDateTime(on.AddDays(1)),
                    Summary = says,
                    Transparency = TransparencyType.Transparent,
                }
            );
        return new CalendarSerializer().SerializeToString(calendar) ?? "";
    }
}
