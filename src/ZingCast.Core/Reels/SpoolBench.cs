using ZingCast.Core.Leaders;
using ZingCast.Core.Lines;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>One kind of backing on a spool, to compare with others.</summary>
/// <param name="Backing">The backing.</param>
/// <param name="FitsM">How much fits under the line, metres.</param>
/// <param name="FitsBandM">From the least room wound loosely to the most wound tight, metres.</param>
/// <param name="Holds">Whether the wanted length fits.</param>
/// <param name="RimGapM">What the wanted length leaves at the rim, metres.</param>
public sealed record BackingRow(Backing Backing, double FitsM, Spread FitsBandM, bool Holds, double RimGapM);

/// <summary>A step of a check by hand.</summary>
public sealed record FillStep(Sentence Says);

/// <summary>Ways to fill a spool.</summary>
public enum FillSchool
{
    /// <summary>As much as fits.</summary>
    Full,

    /// <summary>The longest run of the fish and three tenths more.</summary>
    Run,

    /// <summary>Half the spool, whatever the fish.</summary>
    Half,

    /// <summary>Very little, to keep the outfit light.</summary>
    Light,
}

/// <summary>A way to fill the spool, and its result here.</summary>
/// <param name="School">Which.</param>
/// <param name="Name">What it is called.</param>
/// <param name="BackingM">Backing, metres.</param>
/// <param name="Fits">Whether that fits under the line.</param>
/// <param name="Why">Why people do it.</param>
public sealed record FillPreset(FillSchool School, string Name, double BackingM, bool Fits, Sentence Why);

/// <summary>Retrieve per turn with this much line out.</summary>
/// <param name="OutM">Line, leader and backing out, metres.</param>
/// <param name="RadiusM">Radius of what is left, metres.</param>
/// <param name="PerTurnM">Line a turn, metres.</param>
/// <param name="SlackM">Slack to pick up, or all that is out, metres.</param>
/// <param name="SlackTurns">Turns that pick it up.</param>
public readonly record struct TurnPoint(double OutM, double RadiusM, double PerTurnM, double SlackM, double SlackTurns);

/// <summary>Retrieve per turn of a spool, from full to the last turns.</summary>
/// <param name="Name">Which spool.</param>
/// <param name="ArborM">Its arbor, metres.</param>
/// <param name="Points">From full to bare.</param>
public sealed record TurnCurve(string Name, double ArborM, IReadOnlyList<TurnPoint> Points);

/// <summary>Answers of the spool bench beside the fill itself.</summary>
public static class SpoolBench
{
    /// <summary>Length of slack to pick up when a fish swims in, metres. Common practice.</summary>
    public const double SlackM = 10;

    /// <summary>Backing of a light outfit, metres. Common practice.</summary>
    public const double LightM = 30;

    /// <summary>Backing planned for a fish, as a multiple of its run. Common practice.</summary>
    public const double OverRun = 1.3;

    // Arbors to compare with, as a share of their rim: small and large. Common practice.
    private const double SmallArbor = .3,
        LargeArbor = .65;

    private const int Points = 48;

    /// <summary>Every backing on this spool under this line, from thick to thin.</summary>
    public static IReadOnlyList<BackingRow> Backings(SpoolShape spool, FlyLine line, double wantedM, Leader? leader) =>
        [
            .. Standards
                .Backings.Rows.OrderByDescending(b => b.DiameterM)
                .Select(b => (Backing: b, Fill: SpoolFill.For(spool, line, b, wantedM, leader)))
                .Select(x => new BackingRow(x.Backing, x.Fill.FitsBackingM, x.Fill.FitsBandM, x.Fill.Holds, x.Fill.RimGapM)),
        ];

    /// <summary>The ways to fill. Without a fish there is no run to plan for.</summary>
    public static IReadOnlyList<FillPreset> Presets(SpoolFill fill, Backing backing, FishGroup? fish)
    {
        List<FillPreset> all =
        [
            Preset(
                FillSchool.Full,
                "as much as fits",
                fill.FitsBackingM,
                $"Big water and unknown fish; the fullest spool takes in the most line a turn. Wind it even: an overfull spool "
                    + $"rubs the frame"
            ),
        ];
        if (fish is not null)
            all.Add(
                Preset(
                    FillSchool.Run,
                    "the fish’s run and 30 %",
                    OverRun * fish.RunM,
                    $"{fish.Name}: the longest run to plan for is {Quantity.Spooled(fish.RunM)}"
                )
            );
        all.Add(
            Preset(
                FillSchool.Half,
                "half the spool",
                fill.Spool.RoomM3 / 2 * Standards.Backings.OrdinaryPacking / backing.AreaM2,
                $"Whatever swims: the backing makes a larger arbor, so slack comes in quicker and the line coils less"
            )
        );
        all.Add(Preset(FillSchool.Light, "light outfit", LightM, $"Fish that do not run: only to fill the arbor and keep the weight down"));
        return all;

        FillPreset Preset(FillSchool school, string name, double metres, Sentence why)
        {
            var whole = Math.Floor(metres);
            return new(school, name, whole, whole <= fill.FitsBackingM + 1e-9, why);
        }
    }

    /// <summary>
    /// The heaviest ordinary weight-forward line that fits over this backing, by class; null when even the lightest does not.
    /// </summary>
    public static double? BiggestLine(SpoolShape spool, Backing backing, double backingM)
    {
        for (double c = LineWeights.Highest; c >= LineWeights.Lowest; c--)
            if (SpoolFill.For(spool, Reel.TypicalLine(c), backing, backingM).Holds)
                return c;
        return null;
    }

    /// <summary>Retrieve per turn over line out: for this spool, and for the same capacity on a small and a large arbor.</summary>
    public static IReadOnlyList<TurnCurve> Turns(SpoolFill fill, FlyLine line, Backing backing, Leader? leader)
    {
        var spool = fill.Spool;
        return
        [
            Curve("this spool", spool),
            Curve("small arbor", spool.OnArbor(SmallArbor * spool.RimM)),
            Curve("large arbor", spool.OnArbor(LargeArbor * spool.RimM)),
        ];

        TurnCurve Curve(string name, SpoolShape on)
        {
            var off = new LineOut(on, line, backing, fill.BackingM, leader);
            double Turns(double outM, double take)
            {
                // Simpson's rule over the length picked up.
                double One(double at) => 1 / (2 * Math.PI * off.RadiusM(at));
                return take / 6 * (One(outM) + 4 * One(outM - take / 2) + One(outM - take));
            }
            return new(
                name,
                on.ArborM,
                [
                    .. Enumerable
                        .Range(0, Points + 1)
                        .Select(i => off.TotalM * i / Points)
                        .Select(outM => (OutM: outM, RadiusM: off.RadiusM(outM), Take: Math.Min(SlackM, outM)))
                        .Select(p => new TurnPoint(p.OutM, p.RadiusM, 2 * Math.PI * p.RadiusM, p.Take, Turns(p.OutM, p.Take))),
                ]
            );
        }
    }

    /// <summary>
    /// The check without arithmetic: line first, backing over it up to the gap, then both reversed. The turns counted calibrate the spool.
    /// </summary>
    public static IReadOnlyList<FillStep> ReverseFill(SpoolFill fill, FlyLine line, Backing backing) =>
        [
            new(
                $"Tape the leader end of the line to the bare arbor and wind the line on first, all "
                    + $"{Quantity.Spooled(line.LengthM)} of it, as tight as it will lie later"
            ),
            new(
                $"Tie the {backing.Name} to the end that came last and wind it over the line until "
                    + $"{Quantity.SpoolSize(fill.Spool.GapM)} are left to the rim; "
                    + $"count what goes on: about {Quantity.Spooled(fill.FitsBackingM)} is expected"
            ),
            new(
                $"Cut the backing there. Wind everything off onto an empty spool, and from that onto a second one: now the "
                    + $"backing’s end comes off first"
            ),
            new($"Wind it on the right way round: backing to the arbor, line over it. It ends at the gap that you saw"),
            new($"Enter under “By what it held” what went on; this spool is known by it from now on"),
        ];
}
