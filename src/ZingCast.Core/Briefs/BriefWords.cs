namespace ZingCast.Core.Briefs;

/// <summary>A direction of the wind against the cast.</summary>
/// <param name="Deg">Where it comes from, degrees: 0 in the face, 90 from the right.</param>
/// <param name="Name">How one says it of somebody.</param>
/// <param name="OfMe">How one says it of oneself.</param>
public sealed record WindFrom(double Deg, string Name, string OfMe);

/// <summary>Plain words for the brief's choices, the same on every screen and in every reason.</summary>
public static class BriefWords
{
    /// <summary>Water.</summary>
    public static string For(Water water) =>
        water switch
        {
            Water.SmallStream => "small stream",
            Water.River => "river",
            Water.Stillwater => "stillwater",
            Water.Flat => "flat",
            _ => "open shore",
        };

    /// <summary>Cover.</summary>
    public static string For(Cover cover) =>
        cover switch
        {
            Cover.Behind => "bushes behind",
            Cover.Canopy => "branches overhead",
            _ => "open",
        };

    /// <summary>Stance.</summary>
    public static string For(Stance stance) =>
        stance switch
        {
            Stance.Wading => "wading",
            Stance.DeepWading => "wading deep",
            Stance.Boat => "in a boat",
            _ => "on the bank",
        };

    /// <summary>Wariness.</summary>
    public static string For(Wariness wariness) =>
        wariness switch
        {
            Wariness.Bold => "bold",
            Wariness.Spooky => "spooky",
            _ => "as usual",
        };

    /// <summary>Hand.</summary>
    public static string For(Hand hand) => hand == Hand.Right ? "right" : "left";

    /// <summary>School: what the work starts from.</summary>
    public static string For(School school) => school == School.FlyFirst ? "the fly" : "the fish";

    /// <summary>Lean.</summary>
    public static string For(Lean lean) =>
        lean switch
        {
            Lean.Finesse => "finesse",
            Lean.Power => "power",
            _ => "all-round",
        };

    /// <summary>Whose gear.</summary>
    public static string For(Owned owned) =>
        owned switch
        {
            Owned.Only => "what I have",
            Owned.Any => "anything",
            _ => "mine first",
        };

    /// <summary>Where the wind comes from, by eighths of the circle, against the cast: 0 in the face, then round by the right.</summary>
    public static readonly IReadOnlyList<WindFrom> WindFrom =
    [
        new(0, "in the face", "in my face"),
        .. new[] { "front right", "right", "behind right", "behind", "behind left", "left", "front left" }.Select(
            (side, i) =>
            {
                var from = side.StartsWith("behind", StringComparison.Ordinal) ? $"from {side}" : $"from the {side}";
                return new WindFrom(45 * (i + 1), from, from);
            }
        ),
    ];
}
