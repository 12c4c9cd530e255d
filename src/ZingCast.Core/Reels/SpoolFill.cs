using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>Layers of a spool, from the arbor outwards.</summary>
public enum SpoolLayerKind
{
    /// <summary>Backing.</summary>
    Backing,

    /// <summary>Running line.</summary>
    Running,

    /// <summary>Head.</summary>
    Head,

    /// <summary>Leader, wound loosely on top.</summary>
    Leader,
}

/// <summary>One layer of a filled spool.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="LengthM">Its length, metres.</param>
/// <param name="LineM3">Volume of the line itself, cubic metres.</param>
/// <param name="FromM">Radius it begins at, metres.</param>
/// <param name="ToM">Radius it ends at in an ordinary wind, metres.</param>
/// <param name="BandM">The same from a tight to a loose wind, metres.</param>
/// <param name="Turns">Turns of the spool that lay it.</param>
public readonly record struct SpoolLayer(
    SpoolLayerKind Kind,
    double LengthM,
    double LineM3,
    double FromM,
    double ToM,
    Spread BandM,
    double Turns
);

/// <summary>How a spool is filled. Wound volume is the volume of the line itself divided by the packing.</summary>
/// <param name="Spool">The spool.</param>
/// <param name="BackingM">Backing wound on, metres.</param>
/// <param name="Share">Wound volume over the room there is; above 1 it does not fit.</param>
/// <param name="ShareLoose">The same with a loose hand wind.</param>
/// <param name="FitsBackingM">Most backing of this kind that fits under this line, metres, zero or more.</param>
/// <param name="FitsBandM">The same, from the least room wound loosely to the most wound tight, metres.</param>
/// <param name="Layers">What lies on it, from the arbor outwards.</param>
/// <param name="RimGapM">Gap left to the rim, metres; below 0 it stands over.</param>
/// <param name="RimGapBandM">The same, from a loose to a tight wind, metres.</param>
/// <param name="LoadKg">Mass of all that lies on it, kilograms.</param>
public sealed record SpoolFill(
    SpoolShape Spool,
    double BackingM,
    double Share,
    double ShareLoose,
    double FitsBackingM,
    Spread FitsBandM,
    IReadOnlyList<SpoolLayer> Layers,
    double RimGapM,
    Spread RimGapBandM,
    double LoadKg
)
{
    /// <summary>Up to this share of its capacity a spool still takes the last turns. Common practice.</summary>
    public const double MaxShare = 1.02;

    /// <summary>Whether line and backing fit.</summary>
    public bool Holds => Share <= MaxShare;

    /// <summary>Fills a spool with backing, then the line with its running line first, then the leader.</summary>
    public static SpoolFill For(Reel reel, FlyLine line, Backing backing, double backingM, Leader? leader = null) =>
        For(reel.Spool(), line, backing, backingM, leader);

    /// <summary>The same for a spool.</summary>
    public static SpoolFill For(SpoolShape spool, FlyLine line, Backing backing, double backingM, Leader? leader = null)
    {
        double whole = line.Volume(line.LengthM),
            head = line.Volume(line.HeadM),
            leaderM3 = leader?.Pieces.Sum(p => new Stretch(p.LengthM, p.StartM, p.EndM, 0).Volume(p.LengthM)) ?? 0;
        ReadOnlySpan<(SpoolLayerKind Kind, double LengthM, double M3)> parts =
        [
            (SpoolLayerKind.Backing, backingM, backingM * backing.AreaM2),
            (SpoolLayerKind.Running, line.LengthM - line.HeadM, whole - head),
            (SpoolLayerKind.Head, line.HeadM, head),
            (SpoolLayerKind.Leader, leader?.LengthM ?? 0, leaderM3),
        ];
        var layers = new List<SpoolLayer>(parts.Length);
        double Radius(double lineM3, double packing) => spool.RadiusM(lineM3 / packing);
        var (sum, from) = (0.0, spool.ArborM / 2);
        foreach (var (kind, lengthM, m3) in parts)
        {
            if (lengthM <= LineProfile.ShortestM)
                continue;
            sum += m3;
            var to = Radius(sum, Backings.OrdinaryPacking);
            layers.Add(
                new(
                    kind,
                    lengthM,
                    m3,
                    from,
                    to,
                    new(Radius(sum, Backings.TightPacking), Radius(sum, Backings.LoosePacking)),
                    spool.Turns(from, to, m3 / lengthM, Backings.OrdinaryPacking)
                )
            );
            from = to;
        }
        double room = spool.RoomM3,
            over = whole + leaderM3;
        var band = spool.RoomBandM3;
        double Fits(double roomM3, double packing) => Math.Max(0, (roomM3 * packing - over) / backing.AreaM2);
        return new(
            spool,
            backingM,
            sum / Backings.OrdinaryPacking / room,
            sum / Backings.LoosePacking / room,
            Fits(room, Backings.OrdinaryPacking),
            new(Fits(band.Low, Backings.LoosePacking), Fits(band.High, Backings.TightPacking)),
            layers,
            spool.RimM / 2 - from,
            new(spool.RimM / 2 - Radius(sum, Backings.LoosePacking), spool.RimM / 2 - Radius(sum, Backings.TightPacking)),
            backingM * backing.KgPerM + line.MassWithinKg(line.LengthM)
        );
    }

    /// <summary>A sentence for it.</summary>
    public Sentence Says =>
        FitsBandM.High <= 0 ? (Sentence)$"This line alone is more than it takes"
        : Spool.IsGuess
            ? (Sentence)$"A guess: such reels take {Quantity.Spooled(FitsBandM.Low)} to {Quantity.Spooled(FitsBandM.High)} of this backing "
                + $"under this line. Measure it"
        : !Holds
            ? (Sentence)
                $"Too full: {Quantity.Spooled(FitsBackingM)} of this backing fits under this line, {Quantity.Spooled(FitsBandM.Low)} to "
                + $"{Quantity.Spooled(FitsBandM.High)} by the wind and by how well the spool is known"
        : RimGapBandM.Low < 0 ? (Sentence)$"It goes on, wound tight and even; wound loosely it would stand over the rim"
        : (Sentence)$"It goes on, with {Quantity.SpoolSize(Math.Max(0, RimGapM))} to the rim; up to {Quantity.Spooled(FitsBackingM)} of "
            + $"this backing would";

    /// <summary>The layer of a kind; of length 0 when there is none.</summary>
    public SpoolLayer Layer(SpoolLayerKind kind) => Layers.FirstOrDefault(l => l.Kind == kind);
}
