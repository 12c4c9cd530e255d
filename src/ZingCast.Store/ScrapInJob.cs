namespace ZingCast.Store;

/// <summary>
/// A scrap in a job, in work or made into a line. The scrap is the key, so that it can be in one job only, even with concurrent requests.
/// </summary>
public sealed class ScrapInJob
{
    public int ScrapId { get; set; }

    public int JobId { get; set; }
}
