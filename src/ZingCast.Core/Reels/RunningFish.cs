using System.Collections.Concurrent;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>
/// A fish that runs. Its muscle pulls less the faster it swims, and less the more work it has done; its own body drags with the square of
/// its speed. An assumption of ours, set so that a middling fish of its group, on ordinary tackle, takes the planned run at the planned
/// speed.
/// </summary>
/// <param name="MassKg">Mass, kilograms.</param>
/// <param name="StrongN">What it pulls with from a stand while fresh, newtons.</param>
/// <param name="FastMps">Speed at which its muscle has no pull left, m/s.</param>
/// <param name="DragNs2">Its body's drag over its speed squared, N·s²/m².</param>
/// <param name="ReserveJ">Work it can do before it is spent, joules.</param>
public sealed record RunningFish(double MassKg, double StrongN, double FastMps, double DragNs2, double ReserveJ)
{
    // Skin friction of a swimming body with its form drag, over its wetted area; wetted area 0.4 of the length squared; mass 11 kg at one
    // metre; a quarter of its mass of water goes along. From memory, rough.
    private const double BodyFriction = .005,
        AreaPerLength2 = .4,
        KgAtOneMetre = 11,
        Added = 1.25;

    // Muscle has no pull left at this many times the speed of a run (Hill 1938, the falling force of a fast muscle; the number is ours).
    private const double FastOverRun = 2;

    // Pull that people set against a fish of one kilogram, newtons, and how it grows with mass: 1 lb on a trout, 2 lb on a bonefish, 4 lb
    // on a salmon, 10 lb on a tarpon. Common practice.
    private const double OneKiloN = 5,
        PullGrows = .6;

    /// <summary>Water drags at this density, kg/m³.</summary>
    public const double WaterKgM3 = 1000;

    /// <summary>How far a run, and the pull in it, may be off: a share of it, see <see cref="Measures.Doubt"/>. Ours.</summary>
    public const double UnsureShare = .5;

    /// <summary>How it was come by.</summary>
    public static readonly Source Source = Source.Assumption(
        "A fish that tires with the work it does, set to the planned run and speed of its group; real fish do as they like, ± half"
    );

    /// <summary>Mass that has to be sped up with it, water included, kilograms.</summary>
    public double MovedKg => Added * MassKg;

    /// <summary>Pull that people usually set against a fish of a mass, newtons.</summary>
    public static double UsualPullN(double massKg) => OneKiloN * Math.Pow(massKg, PullGrows);

    private static readonly ConcurrentDictionary<string, RunningFish> Middling = new();

    /// <summary>
    /// A fish of a group. Strength and body grow with the two-thirds power of mass, as areas do, what it can do with mass itself.
    /// </summary>
    public static RunningFish From(FishGroup group, double massKg)
    {
        var middle = Middling.GetOrAdd(group.Id, id => Planned(Fishes.Group(id) ?? group));
        var share = massKg / middle.MassKg;
        var areas = Math.Cbrt(share * share);
        return new(massKg, areas * middle.StrongN, middle.FastMps, areas * middle.DragNs2, share * middle.ReserveJ);
    }

    // A big one and a usual one have this one between them. It is let run on ordinary tackle until its strength fits its planned speed and
    // its reserve its planned run.
    private static RunningFish Planned(FishGroup group)
    {
        var kg = Math.Sqrt(group.UsualKg * group.BigKg);
        var tackle = RunTackle.Ordinary(group, kg);
        var lengthM = Math.Cbrt(kg / KgAtOneMetre);
        var drag = .5 * WaterKgM3 * BodyFriction * AreaPerLength2 * lengthM * lengthM;
        var held = drag * group.RunMps * group.RunMps + tackle.PullN(tackle.OutM, group.RunMps, 0);
        var fish = new RunningFish(kg, held / (1 - 1 / FastOverRun), FastOverRun * group.RunMps, drag, 0);
        for (var round = 0; round < 6; round++)
        {
            double low = 0,
                high = 20 * fish.StrongN * group.RunM;
            for (var i = 0; i < 18; i++)
            {
                fish = fish with { ReserveJ = (low + high) / 2 };
                if (Run(fish).RunM < group.RunM)
                    low = fish.ReserveJ;
                else
                    high = fish.ReserveJ;
            }
            // Its pull goes with the square of its speed, as drag does.
            var missed = group.RunMps / Run(fish).FastestMps;
            if (Math.Abs(missed - 1) < .005)
                break;
            fish = fish with { StrongN = fish.StrongN * missed };
        }
        return fish;

        FishRun Run(RunningFish one) => FishRun.Simulate(one, tackle, watched: false);
    }
}
