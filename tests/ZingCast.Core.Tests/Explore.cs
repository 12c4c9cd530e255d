namespace ZingCast.Core.Tests;

/// <summary>How many random cases a test looks at: few in everyday runs, twenty times as many with ZING_EXPLORE=1.</summary>
internal static class Explore
{
    public static readonly bool On = Environment.GetEnvironmentVariable("ZING_EXPLORE") is not null;

    public static int Times(int everyday) => On ? 20 * everyday : everyday;
}
