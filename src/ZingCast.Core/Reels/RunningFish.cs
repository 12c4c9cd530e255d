using System.Collections.Concurrent;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Reels;

/// <summary>
/// A running fish. Its muscle pulls less the faster it swims and the more work it has done; the drag of its body grows with the square of
/// speed. Our assumption, set so that a medium fish of its group on ordinary tackle makes the planned run at the planned speed.
/// </summary>
/// <param name="MassKg">Mass, kilograms.</param>
/// <param name="StrongN">What it pulls with from a stand while fresh, newtons.</param>
/// <param name="FastMps">Speed at which its muscle has no pull left, m/s.</param>
/// <param name="DragNs2">Its body's drag over its speed squared, N·s²/m².</param>
/// <param name="ReserveJ">Work it can do before it is spent, joules.</param>
public sealed record RunningFish(double MassKg, double StrongN, double FastMps, double DragNs2, double ReserveJ)
{
    // Skin friction of a swimming body including form drag, over its wetted area; wetted area over length squared; mass at a length of one
    // metre; its mass with the water that moves along, as a multiple. From memory, rough.
    private const double BodyFriction = .005,
        AreaPerLength2 = .4,
        KgAtOneMetre = 11,
        Added = 1.25;

    // Muscle has no pull left at this multiple of the speed of a run (Hill 1938, force falling with speed; the number is our assumption).
    private const double FastOverRun = 2;

    // Pull used against a fish of one kilogram, newtons, and the exponent of its growth with mass: 1 lb on a trout, 2 lb on a bonefish, 4
    // lb on a salmon, 10 lb on a tarpon. Common practice.
    private const double OneKiloN = 5,
        PullGrows = .6;

    /// <summary>Density of water for drag, kg/m³.</summary>
    public const double WaterKgM3 = 1000;

    /// <summary>
    /// Uncertainty of the length of a run and of the pull in it, as a share, see <see cref="Measures.Doubt"/>. Our assumption.
    /// </summary>
    public const double UnsureShare = .5;

    /// <summary>Source of these figures.</summary>
    public static readonly Source Source = Source.Assumption(
        "A fish that tires with the work it does, set to the planned run and speed of its group; real fish do as they like, ± half"
    );

    /// <summary>Mass to be accelerated, water included, kilograms.</summary>
    public double MovedKg => Added * MassKg;

    /// <summary>Usual pull against a fish of a mass, newtons.</summary>
    public static double UsualPullN(double massKg) => OneKiloN * Math.Pow(massKg, PullGrows);

    private static readonly ConcurrentDictionary<string, RunningFish> Middling = new();

    /// <summary>
    /// A fish of a group. Strength and body drag grow with the two-thirds power of mass, as areas do, its work capacity with mass.
    /// </summary>
    public static RunningFish From(FishGroup group, double massKg)
    {
        var middle = Middling.GetOrAdd(group.Id, id => Planned(Fishes.Group(id) ?? group));
        var share = massKg / middle.MassKg;
        var areas = Math.Cbrt(share * share);
        return new(massKg, areas * middle.StrongN, middle.FastMps, areas * middle.DragNs2, share * middle.ReserveJ);
    }

    // The medium fish of a group: geometric mean of a big and a usual one. Simulated on ordinary tackle until its strength gives the
    // planned speed and its reserve the planned run.
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
            // Its pull grows with the square of speed, as drag does.
            var missed = group.RunMps / Run(fish).FastestMps;
            if (Math.Abs(missed - 1) < .005)
                break;
            fish = fish with { StrongN = fish.StrongN * missed };
        }
        return fish;

        FishRun Run(RunningFish one) => FishRun.Simulate(one, tackle, watched: false);
    }
}
