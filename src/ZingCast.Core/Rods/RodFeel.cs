namespace ZingCast.Core.Rods;

/// <summary>How a rod felt on outings, compared with the rule.</summary>
/// <param name="Shift">How much more load feels best than the rule says, as a share of the rod's standard mass; below 0 for less.</param>
/// <param name="PlusMinus">How far that may be off.</param>
/// <param name="Votes">How many outings said so.</param>
public sealed record RodFeel(double Shift, double PlusMinus, int Votes);
