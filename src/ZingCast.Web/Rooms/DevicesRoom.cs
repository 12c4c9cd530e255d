using ZingCast.Core.Casting;
using ZingCast.Web.Devices;

namespace ZingCast.Web.Rooms;

/// <summary>What the wind meter says, turned to the 10 m of a forecast. Speeds in m/s.</summary>
public sealed record WindReading(string Name, double NowMps, double MeanMps, double LullMps, double GustMps, double HeightM, int Seconds, IReadOnlyList<double> LastMps);

public static class DevicesRoom
{
    private const int Seconds = 60;

    public static void MapDevices(this WebApplication app) =>
        app.MapGet("/api/devices/wind", async (IWindMeter meter, CancellationToken cancel) =>
        {
            var samples = await meter.ReadAsync(TimeSpan.FromSeconds(Seconds), cancel);
            // Held low, it reads less than a forecast does; briefs speak of the wind at 10 m.
            var toTen = 1 / new CastDay(0, 0, meter.HeightM).WindShare(meter.HeightM);
            var last = samples.Select(s => s.Mps * toTen).ToList();
            return TypedResults.Ok(new WindReading(meter.Name, last[^1], last.Average(), last.Min(), last.Max(), meter.HeightM, Seconds, last));
        }).WithTags("Devices").WithSummary("The wind meter: now, and the spread of the last minute.");
}
