using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Logbook;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Tests;

/// <summary>What logged casts teach about a caster, and votes about a rod.</summary>
public class LearningTests
{
    private static readonly (int Rod, int Line)[] Pairs = [(3, 5), (4, 4), (6, 8), (3, 7)];

    // Casts as somebody with this hand makes them on a lawn, scattered as people scatter.
    private static List<Seen> Casts(Caster who, int count, int seed, double scatter = .06)
    {
        var dice = new Random(seed);
        double Normal() => Math.Sqrt(-2 * Math.Log(1 - dice.NextDouble())) * Math.Cos(2 * Math.PI * dice.NextDouble());
        return
        [
            .. Enumerable
                .Range(0, count)
                .Select(i =>
                {
                    var (rod, line) = Pairs[i % Pairs.Length];
                    var draft = new BriefDraft
                    {
                        FlyKind = "dry",
                        HookSize = 14,
                        Stance = Stance.Bank,
                        WindMps = 4 * dice.NextDouble(),
                    };
                    var (r, l) = (AnyBrief.Loan.Rods.First(x => x.Tag == $"R{rod}"), AnyBrief.Loan.Lines.First(x => x.Tag == $"L{line}"));
                    var brief = Brief.Complete(draft);
                    var leader = Leaders.Leader.Build(2.7, l.TipDiameterM, .0002, 0);
                    var setup = CastSetup.Of(brief, r, l, leader).By(who);
                    var carry = setup.MostCarryM * (.75 + .25 * dice.NextDouble());
                    var launch = CastEngine.Launch(setup, carry).LaunchMps;
                    var reach = CastSearch.FarthestAt(setup, carry, launch).ReachM;
                    return new Seen(setup, carry, reach * Math.Exp(scatter * Normal()), DistanceBy.Taped, true);
                }),
        ];
    }

    [Fact]
    public void Explore()
    {
        var dice = new Random(3);
        var inside = new int[4];
        var n = 40;
        for (var i = 0; i < n; i++)
        {
            var preset = Casters.Rows[1 + i % 3];
            double N() => Math.Sqrt(-2 * Math.Log(1 - dice.NextDouble())) * Math.Cos(2 * Math.PI * dice.NextDouble());
            var who = preset with
            {
                FreeMps = preset.FreeMps * Math.Exp(.15 * N()),
                ArmKg = preset.ArmKg * Math.Exp(.25 * N()),
                LoopM = preset.LoopM * Math.Exp(.25 * N()),
            };
            var casts = Casts(who, 24, i);
            var clock = System.Diagnostics.Stopwatch.StartNew();
            var fit = CasterFit.Of(casts, preset, null, TestContext.Current.CancellationToken)!;
            var ms = clock.ElapsedMilliseconds;
            if (Math.Abs(fit.FreeMps.Value - who.FreeMps) < fit.FreeMps.PlusMinus)
                inside[0]++;
            if (Math.Abs(fit.ArmKg.Value - who.ArmKg) < fit.ArmKg.PlusMinus)
                inside[1]++;
            if (Math.Abs(fit.LoopM.Value - who.LoopM) < fit.LoopM.PlusMinus)
                inside[2]++;
            var far = CastSearch.Farthest(casts[0].Setup.By(who)).ReachM;
            var said = CastSearch.Farthest(casts[0].Setup.By(fit.After with { CarryM = who.CarryM })).ReachM;
            var miss = said / far - 1;
            if (Math.Abs(miss) < fit.After.ReachTolerance)
                inside[3]++;
            TestContext.Current.TestOutputHelper!.WriteLine(
                $"{who.FreeMps:0.0} {fit.FreeMps.Value:0.0}±{fit.FreeMps.PlusMinus:0.0}  arm {who.ArmKg:0.000} {fit.ArmKg.Value:0.000}±{fit.ArmKg.PlusMinus:0.000} loop {who.LoopM:0.00} {fit.LoopM.Value:0.00}±{fit.LoopM.PlusMinus:0.00} reach {miss:P1} ±{fit.After.ReachTolerance:P1} before {fit.BeforeM:0.0} after {fit.AfterM:0.0} {ms} ms"
            );
        }
        Assert.Fail(string.Join(' ', inside));
    }
}
