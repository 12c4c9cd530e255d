using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>
/// Leader, line and backing as they leave a spool: radius of what is left and water drag of what is out, over the length out. The tables
/// are computed once.
/// </summary>
public sealed class LineOut
{
    // A place every metre or so.
    private const int Places = 400;

    private readonly double[] radiusM = new double[Places + 1],
        widthM2 = new double[Places + 1],
        perCubeRoot = new double[Places + 1];
    private readonly double perM;

    /// <summary>Builds the tables, from the fly to the arbor.</summary>
    public LineOut(SpoolShape spool, FlyLine line, Backing backing, double backingM, Leader? leader)
    {
        LineM = line.LengthM + (leader?.LengthM ?? 0);
        TotalM = LineM + backingM;
        perM = Places / TotalM;
        List<Stretch> all =
        [
            .. (leader?.Pieces ?? []).Reverse().Select(p => new Stretch(p.LengthM, p.EndM, p.StartM, 0)),
            .. line.Stretches,
            new(Math.Max(backingM, LineProfile.ShortestM), backing.DiameterM, backing.DiameterM, 0),
        ];
        var sum = all.Sum(s => s.Volume(s.LengthM));
        var (i, into, width, gone) = (0, 0.0, 0.0, 0.0);
        var step = TotalM / Places;
        for (var place = 0; place <= Places; place++)
        {
            var outM = place * step;
            radiusM[place] = spool.RadiusM(Math.Max(0, sum - gone) / Backings.OrdinaryPacking);
            widthM2[place] = width;
            perCubeRoot[place] = place == 0 ? 0 : SkinFriction.PerCubeRoot(outM, width / outM / 2, SkinFriction.WaterM2ps);
            for (var left = step; left > 1e-9 && i < all.Count; )
            {
                var piece = Math.Min(left, all[i].LengthM - into);
                var part = new Stretch(piece, all[i].ThickM(into), all[i].ThickM(into + piece), 0);
                width += (part.StartM + part.EndM) / 2 * piece;
                gone += part.Volume(piece);
                (into, left) = (into + piece, left - piece);
                if (into >= all[i].LengthM - 1e-9)
                    (i, into) = (i + 1, 0);
            }
        }
    }

    /// <summary>Line and leader, metres: beyond this, backing is out.</summary>
    public double LineM { get; }

    /// <summary>Total length, metres.</summary>
    public double TotalM { get; }

    /// <summary>Radius of what is left on the spool with this much out, metres.</summary>
    public double RadiusM(double outM) => Read(radiusM, outM);

    /// <summary>
    /// Drag of the water along everything that is out and moves at this speed, newtons: ½ρ·Cf·π·∫d ds·v².
    /// </summary>
    public double WaterN(double outM, double speedMps)
    {
        if (speedMps <= 0)
            return 0;
        var friction = SkinFriction.Least + Read(perCubeRoot, outM) / Math.Cbrt(speedMps);
        return .5 * RunningFish.WaterKgM3 * friction * Math.PI * Read(widthM2, outM) * speedMps * speedMps;
    }

    private double Read(double[] table, double outM)
    {
        var at = Math.Clamp(outM * perM, 0, Places);
        var place = Math.Min((int)at, Places - 1);
        return Interpolation.Between(table[place], table[place + 1], at - place);
    }
}
