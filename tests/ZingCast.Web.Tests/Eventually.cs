namespace ZingCast.Web.Tests;

/// <summary>For what another thread or program does: no test says how long that takes on a busy machine.</summary>
internal static class Eventually
{
    private static CancellationToken Now => TestContext.Current.CancellationToken;

    // Only what hangs takes so long.
    private static readonly TimeSpan Limit = TimeSpan.FromMinutes(2);

    /// <summary>Looks until it is so.</summary>
    public static Task Holds(Func<bool> there) => Is(() => Task.FromResult(there()), so => so);

    /// <summary>Looks until what is seen is as it should be.</summary>
    public static async Task<T> Is<T>(Func<Task<T>> look, Func<T, bool> there)
    {
        using var limit = new CancellationTokenSource(Limit);
        while (true)
        {
            var seen = await look();
            if (there(seen))
                return seen;
            Assert.False(limit.IsCancellationRequested, $"It never came: {seen}");
            await Task.Delay(10, Now);
        }
    }

    /// <summary>Lets everything that is ready to run come to its turn: what has not happened then waits for something.</summary>
    public static async Task Settled()
    {
        for (var i = 0; i < 200; i++)
            await Task.Run(() => { }, Now);
    }
}
