namespace ZingCast.Store;

/// <summary>
/// A scrap that is in a job, on the bench or made into a line. The scrap is the key: whatever is asked for at the same moment, it is in
/// one job only.
/// </summary>
public sealed class ScrapInJob
{
    public int ScrapId { get; set; }

    public int JobId { get; set; }
}
