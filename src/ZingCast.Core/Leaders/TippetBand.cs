using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Leaders;

/// <summary>How thick a tippet should be against the wire of the hook, so that the fly neither spins nor hangs dead.</summary>
public static class TippetBand
{
    /// <summary>Share of the hook wire at which tippet neither spins nor drags; common practice.</summary>
    public static readonly Spread OfWire = new(.35, .50);

    // Shares of the band's lower and upper end: outside the first two the tippet spins or hangs dead, within the last two nobody notices.
    private const double Spins = .6,
        HangsDead = 1.6,
        Thin = .9,
        Thick = 1.15;

    /// <summary>The band for a hook, metres.</summary>
    public static Spread For(Hook hook) => new(OfWire.Low * hook.WireM, OfWire.High * hook.WireM);

    /// <summary>What is wrong with a tippet of this diameter for this fly's hook, metres; null when nothing is.</summary>
    public static (Verdict Verdict, string Says)? Judge(double diameterM, Spread band, Fly fly)
    {
        if (diameterM < band.Low * Spins)
            return (Verdict.Fails, $"wire-thin for a {fly.SizeName}: it will spin into a spring");
        if (diameterM > band.High * HangsDead)
            return (Verdict.Fails, $"so thick for a {fly.SizeName} that the fly hangs dead");
        if (diameterM < band.Low * Thin)
            return (Verdict.Look, $"thin for a {fly.SizeName}: watch for twist");
        if (diameterM > band.High * Thick)
            return (Verdict.Look, $"thick for a {fly.SizeName}: it may drag");
        return null;
    }
}
