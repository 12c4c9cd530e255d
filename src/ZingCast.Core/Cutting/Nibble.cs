using ZingCast.Core.Lines;
using ZingCast.Core.Measures;

namespace ZingCast.Core.Cutting;

/// <summary>What to do next with a weighed piece.</summary>
/// <param name="TakeM">How much more to take off, metres; 0 for nothing.</param>
/// <param name="OverKg">Mass over what was planned, kilograms; negative when too light.</param>
/// <param name="Done">True when it is as near as scale and blade allow.</param>
/// <param name="Says">In words.</param>
public sealed record Nibble(double TakeM, double OverKg, bool Done, Sentence Says)
{
    /// <summary>Length left over the planned cut before the first weighing, metres. Common practice: 0.3–0.5 m.</summary>
    public const double AllowanceM = .4;

    /// <summary>Least length that a blade cuts off cleanly, metres.</summary>
    public const double LeastM = .005;

    /// <summary>
    /// After a weighing: how much to take off the front or the back of the piece. Shape from the profile, mass from the scale. The
    /// tolerance of the scale is left on, so that no cut goes too far.
    /// </summary>
    public static Nibble After(LineProfile piece, bool fromFront, double plannedKg, double weighedKg, double scalePlusMinusKg)
    {
        var over = weighedKg - plannedKg;
        var now = piece.Weighing(weighedKg);
        if (fromFront)
            now = now.Part(0, now.LengthM, turned: true);
        var safe = Math.Max(0, over - scalePlusMinusKg);
        var take = Math.Floor((now.LengthM - now.LengthOf(now.Kg - safe)) / LeastM + 1e-9) * LeastM;
        if (over < -scalePlusMinusKg)
            return new(
                0,
                over,
                true,
                -over <= Cutter.UnfeltKg
                    ? (Sentence)$"{Quantity.LineMass(-over)} under: too light by less than anybody feels. Leave it"
                    : $"{Quantity.LineMass(-over)} under what was planned, and nothing can be put back. It "
                        + $"was lighter than its label; choose another piece or live with it"
            );
        // Within twice the tolerance of the scale it may be done already.
        return take < LeastM || over <= 2 * scalePlusMinusKg
            ? new(0, over, true, $"There, as near as this scale can tell. Stop cutting")
            : new(take, over, false, $"{Quantity.LineMass(over)} over. Take off {new Quantity(take, Kind.ShortLength)} and weigh again");
    }
}
