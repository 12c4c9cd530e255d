using System.Globalization;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Time.Testing;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>Copies that are made by themselves: which there are after a year, whatever the clock said.</summary>
[Trait(Suite.Name, Suite.Faults)]
public sealed class CopyTests : IDisposable
{
    private static readonly DateTimeOffset NewYear = new(2027, 1, 1, 9, 0, 0, TimeSpan.Zero);

    private readonly string folder = Directory.CreateTempSubdirectory("zing-copies-").FullName;
    private readonly FakeTimeProvider clock = new(NewYear);

    public CopyTests() => DataFolder.Open(folder, clock);

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private static object? Sql(string file, string sql)
    {
        using var connection = new SqliteConnection($"Data Source={file};Pooling=False");
        connection.Open();
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar();
    }

    // Something is kept on a day, and the house looks whether it is time for a copy. The files' own times are the clock's.
    private bool Day(int day, TimeSpan off = default)
    {
        var now = NewYear.AddDays(day) + off;
        clock.AdjustTime(now);
        Sql(
            DataFolder.FileIn(folder),
            $"delete from Calibrations; insert into Calibrations (Name, PlusMinus, Points, Version) values ('{day}', 0, '[]', 1)"
        );
        foreach (var file in Directory.GetFiles(folder, DataFolder.FileName + "*"))
            File.SetLastWriteTimeUtc(file, now.UtcDateTime.AddMinutes(-1));
        if (day == 0)
            File.SetCreationTimeUtc(DataFolder.FileIn(folder), now.UtcDateTime.AddDays(-2));
        return DataFolder.Daily(folder, clock);
    }

    // The days that the copies hold, by what is in them.
    private List<int> Held() =>
        [
            .. DataFolder
                .Copies(folder)
                .Where(c => c.Kind == CopyKind.Daily)
                .Select(c =>
                    int.Parse((string)Sql(Path.Combine(folder, c.Name), "select Name from Calibrations")!, CultureInfo.InvariantCulture)
                ),
        ];

    // The last ten days, and the last day of each of eight weeks.
    private static IEnumerable<int> Wanted(int today) =>
        Enumerable
            .Range(0, today + 1)
            .Reverse()
            .Take(DataFolder.DaysKept)
            .Concat(
                Enumerable
                    .Range(0, today + 1)
                    .Reverse()
                    .GroupBy(d =>
                        ISOWeek.GetWeekOfYear(NewYear.AddDays(d).UtcDateTime) + 100 * ISOWeek.GetYear(NewYear.AddDays(d).UtcDateTime)
                    )
                    .Take(DataFolder.WeeksKept)
                    .Select(g => g.First())
            )
            .Distinct()
            .OrderDescending();

    [Theory]
    [InlineData(0)]
    [InlineData(400)]
    [InlineData(-400)]
    [InlineData(3)]
    [InlineData(-3)]
    public void After_a_year_with_a_week_of_a_wrong_clock_the_right_copies_are_there(int daysOff)
    {
        const int year = 365,
            wrong = 200;
        for (var day = 0; day < year; day++)
        {
            var off = day is >= wrong and < wrong + 7 ? TimeSpan.FromDays(daysOff) : default;
            Assert.True(Day(day, off) || Math.Abs(daysOff) == 3, $"{day}");
            // Right after the week that was wrong the last days are there, however they are dated.
            if (day == wrong + 12 && Math.Abs(daysOff) != 3)
                Assert.Equal(Enumerable.Range(day - 9, 10).Reverse(), Held().Take(10));
        }
        Assert.Equal(Wanted(year - 1), Held());
    }

    [Fact]
    public void Nothing_is_copied_twice_in_a_day_nor_when_nothing_was_written()
    {
        Assert.True(Day(0));
        clock.Advance(TimeSpan.FromHours(23.9));
        Assert.False(DataFolder.Daily(folder, clock));
        clock.Advance(TimeSpan.FromHours(24));
        // Older than the copy: nobody wrote since.
        foreach (var file in Directory.GetFiles(folder, DataFolder.FileName + "*"))
            File.SetLastWriteTimeUtc(file, NewYear.UtcDateTime.AddMinutes(-1));
        Assert.False(DataFolder.Daily(folder, clock));
        Assert.True(Day(2));
    }

    [Theory]
    [InlineData("daily-20260231120000.db")]
    [InlineData("daily-20261301120000.db")]
    [InlineData("replaced-20260229000000.db")]
    [InlineData("before-X-20260101250000.db")]
    public void A_file_called_after_a_day_that_there_is_not_is_left_alone(string name)
    {
        File.Copy(DataFolder.FileIn(folder), Path.Combine(folder, name));
        Assert.Empty(DataFolder.Copies(folder));
        Assert.True(Day(0));
        Assert.Single(DataFolder.Copies(folder));
        Assert.True(File.Exists(Path.Combine(folder, name)));
    }

    [Fact]
    public void Many_small_changes_in_a_row_leave_the_copy_of_before_the_first_of_them()
    {
        for (var day = 0; day < 12; day++)
            Day(day);
        var days = Held();
        var first = "";
        for (var import = 0; import < 25; import++)
        {
            clock.Advance(TimeSpan.FromMinutes(1));
            var kept = DataFolder.KeepCopy(folder, clock);
            first = import == 0 ? kept : first;
        }
        var replaced = DataFolder.Copies(folder).Where(c => c.Kind == CopyKind.Replaced).Select(c => c.Name).ToList();
        Assert.Equal(DataFolder.ReplacedKept + 1, replaced.Count);
        Assert.Equal(first, replaced[^1]);
        // Days are kept by themselves, whatever comes in.
        Assert.Equal(days, Held());
    }
}
