using System.Collections.Concurrent;
using System.Security.Cryptography;
using System.Text.Json;
using ZingCast.Core.Shed;
using ZingCast.Core.Trips;
using ZingCast.Store;

namespace ZingCast.Web.Rooms;

/// <summary>
/// Keeps the scores of the last few trips, so that dragging a limit asks for no cast; and says how far a search is for whoever waits.
/// </summary>
public sealed class ScoreDesk
{
    private const int Most = 4;

    private sealed class Place
    {
        public SemaphoreSlim Turn { get; } = new(1);

        public TripScores? Scores { get; set; }
    }

    private readonly Lock door = new();
    private readonly List<(string Key, Place Place)> places = [];
    private readonly ConcurrentDictionary<string, double> progress = [];

    /// <summary>
    /// Answers from the scores of days on a shed, worked out when nobody has asked before; one at a time for the same scores.
    /// <paramref name="buying"/> looks at what might be bought as well.
    /// </summary>
    public async Task<T> AskAsync<T>(
        IReadOnlyList<TripDay> days,
        GearShed shed,
        bool buying,
        string? ask,
        Func<TripScores, T> answer,
        CancellationToken cancel
    )
    {
        var place = PlaceOf(KeyOf(days, shed, buying));
        await place.Turn.WaitAsync(cancel);
        try
        {
            if (place.Scores is null)
            {
                var pool = TripPool.Of(shed);
                var all = buying ? pool.AndToBuy(days, shed, cancel) : pool;
                place.Scores = TripScores.Of(days, all, shed, ask is null ? null : new Report(this, ask), cancel);
            }
            return answer(place.Scores.With(days, cancel));
        }
        finally
        {
            place.Turn.Release();
            if (ask is not null)
                progress.TryRemove(ask, out _);
        }
    }

    /// <summary>How far the search is, 0 to 1; null when it is not under way.</summary>
    public double? ProgressOf(string ask) => progress.TryGetValue(ask, out var share) ? share : null;

    private Place PlaceOf(string key)
    {
        lock (door)
        {
            var at = places.FindIndex(p => p.Key == key);
            var found = at < 0 ? (key, new Place()) : places[at];
            if (at >= 0)
                places.RemoveAt(at);
            places.Insert(0, found);
            if (places.Count > Most)
                places.RemoveAt(Most);
            return found.Item2;
        }
    }

    // What the scores follow from, and nothing else: neither names nor how often a day comes.
    private static string KeyOf(IReadOnlyList<TripDay> days, GearShed shed, bool buying) =>
        Convert.ToHexString(
            SHA256.HashData(
                JsonSerializer.SerializeToUtf8Bytes(
                    new
                    {
                        Days = days.Select(d => d.Brief),
                        shed.Rods,
                        shed.Lines,
                        shed.Reels,
                        shed.Spools,
                        buying,
                    },
                    ZingDb.Documents
                )
            )
        );

    private sealed class Report(ScoreDesk desk, string ask) : IProgress<double>
    {
        void IProgress<double>.Report(double share) => desk.progress[ask] = share;
    }
}
