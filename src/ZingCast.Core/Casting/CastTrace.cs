namespace ZingCast.Core.Casting;

/// <summary>A moment of a cast with the power lost in it, watts, and the energy still in it, joules.</summary>
internal readonly record struct CastInstant(
    CastMoment Moment,
    double BendW,
    double FlyW,
    double SkinW,
    double GuidesW,
    double PickUpW,
    double KineticJ
);

/// <summary>Records one cast: every moment, and where its energy goes.</summary>
/// <param name="moments">Takes the moments.</param>
internal sealed class CastTrace(List<CastMoment> moments)
{
    private EnergyBudget spent;

    /// <summary>Where the energy went up to the last recorded moment.</summary>
    public EnergyBudget Budget => spent;

    public void Begin(CastInstant start)
    {
        spent = new(start.KineticJ, 0, 0, 0, 0, 0, 0, start.KineticJ);
        moments.Add(start.Moment);
    }

    /// <summary>A step from one instant to another, with an event possibly between them: its losses by the trapezoidal rule.</summary>
    public void Add(in CastInstant from, in CastInstant to, in CastInstant after)
    {
        var half = (to.Moment.TimeS - from.Moment.TimeS) / 2;
        spent = spent with
        {
            Skin = spent.Skin + half * (from.SkinW + to.SkinW),
            Bend = spent.Bend + half * (from.BendW + to.BendW),
            Fly = spent.Fly + half * (from.FlyW + to.FlyW),
            Guides = spent.Guides + half * (from.GuidesW + to.GuidesW),
            PickUp = spent.PickUp + half * (from.PickUpW + to.PickUpW),
            Check = spent.Check + Math.Max(0, to.KineticJ - after.KineticJ),
            Left = after.KineticJ,
        };
        moments.Add(after.Moment);
    }
}
