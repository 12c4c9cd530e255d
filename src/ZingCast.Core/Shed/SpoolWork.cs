using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Shed;

/// <summary>What has to be done to get a line onto a reel with its backing, as far as the shed knows what is on which spool.</summary>
/// <param name="Minutes">How long it takes, minutes; 0 when it is ready.</param>
/// <param name="Says">It in a sentence.</param>
/// <param name="SpoolId">The spool it is about; null when none is known.</param>
public sealed record SpoolWork(int Minutes, Sentence Says, int? SpoolId)
{
    // Time to change a spool; to wind on a line; to wind on line and fresh backing, minutes. Common practice.
    internal const int SwapMinutes = 2;

    private const int LineMinutes = 15,
        AllMinutes = 30;

    // Backing within this many metres of the wanted length is as good. Common practice.
    private const double NearlyM = 5;

    /// <summary>The spool of this reel that has the line on it, if any.</summary>
    public static Spool? Holding(GearShed shed, Reel reel, FlyLine line) =>
        !line.IsThere ? null : shed.Spools.FirstOrDefault(s => s.LineId == line.Id && s.ReelId == reel.Id);

    /// <summary>Null when nothing is known about either.</summary>
    public static SpoolWork? For(GearShed shed, Reel reel, FlyLine line, Backing backing, double backingM)
    {
        if (!reel.IsThere || !line.IsThere)
            return null;
        return Holding(shed, reel, line) is { } on ? Ready(reel, line, on, backing, backingM) : ToWind(shed, reel, line, backing);
    }

    // The line is on a spool of the reel.
    private static SpoolWork Ready(Reel reel, FlyLine line, Spool on, Backing backing, double backingM)
    {
        var which = on.IsSpare ? $"{reel.Tag}’s {on.Name}" : $"{reel.Tag}";
        var minutes = on.IsSpare ? SwapMinutes : 0;
        Sentence ready = on.IsSpare
            ? $"{line.Tag} is on {which}; swapping takes {SwapMinutes} minutes"
            : (Sentence)$"{line.Tag} is on {which}";
        if (Backings.Find(on.Backing) is { } its)
        {
            var missing = backingM - on.BackingM;
            if (missing > NearlyM && its.Id == backing.Id)
                ready.AppendFormatted($". Its backing is {Quantity.Spooled(missing)} short of what is planned");
            else if (its.Id != backing.Id)
                ready.AppendFormatted($", over {Quantity.Spooled(on.BackingM)} of {its.Name}");
        }
        else
            ready.AppendLiteral(", over no backing that anybody noted");
        return new(minutes, ready, on.Id);
    }

    private static SpoolWork? ToWind(GearShed shed, Reel reel, FlyLine line, Backing backing)
    {
        var own = shed.Spools.FirstOrDefault(s => s.ReelId == reel.Id && !s.IsSpare && s.IsWound);
        var elsewhere = shed.Spools.FirstOrDefault(s => s.LineId == line.Id);
        var from = elsewhere is null ? null : shed.Reels.FirstOrDefault(r => r.Id == elsewhere.ReelId);
        if (own is null && from is null)
            return null;
        Sentence says = from is null
            ? $"{line.Tag} has to be wound on {reel.Tag}"
            : (Sentence)$"{line.Tag} is on {from.Tag}: wind it over to {reel.Tag}";
        if (own is null || Backings.Find(own.Backing) is not { } there)
            return new(AllMinutes, says, elsewhere?.Id);
        var carries = shed.Lines.FirstOrDefault(l => l.Id == own.LineId);
        if (carries is not null)
            says.AppendLiteral($", in place of {carries.Tag}");
        var fits = SpoolFill.For(reel, line, there, own.BackingM).FitsBackingM;
        if (fits < own.BackingM - NearlyM)
            says.AppendFormatted($"; the backing there needs {Quantity.Spooled(own.BackingM - fits)} off");
        return new(there.Id == backing.Id ? LineMinutes : AllMinutes, says, own.Id);
    }
}
