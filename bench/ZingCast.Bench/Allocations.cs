using System.Globalization;
using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Diagnosers;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Loggers;
using BenchmarkDotNet.Running;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using ZingCast.Core.Briefs;
using ZingCast.Core.Casting;
using ZingCast.Core.Matching;

namespace ZingCast.Bench;

/// <summary>
/// What a cast allocates, by BenchmarkDotNet's memory diagnoser: the same cast with ten times the steps shows what a step costs.
/// </summary>
public class Allocations
{
    private readonly CastSetup setup = Day();

    private static CastSetup Day()
    {
        var brief = Brief.Complete(
            new()
            {
                FlyKind = "baitfish",
                HookSize = -1,
                WindMps = 5,
                WindFromDeg = 0,
            }
        );
        return Tackle.For(brief, .0004).Setup(brief, 8);
    }

    [Params(1, 10)]
    public double Refine { get; set; }

    [Benchmark]
    public double Throw() => CastEngine.Throw(setup, 10, .15, 3, Refine).ReachM;

    /// <summary>Bytes allocated by one cast with ordinary steps and with ten times as many.</summary>
    public static (long Usual, long TenfoldSteps) Measure()
    {
        var config = new ManualConfig()
            .AddJob(Job.ShortRun.WithToolchain(InProcessEmitToolchain.Instance))
            .AddDiagnoser(MemoryDiagnoser.Default)
            .AddColumnProvider(DefaultColumnProviders.Instance)
            .AddLogger(NullLogger.Instance)
            .WithOptions(ConfigOptions.DisableLogFile | ConfigOptions.DisableOptimizationsValidator)
            .WithArtifactsPath(Path.Combine(Path.GetTempPath(), "zing-bench"));
        var summary = BenchmarkRunner.Run<Allocations>(config);
        long Bytes(double refine) =>
            summary.Reports.Single(r => Convert.ToDouble(r.BenchmarkCase.Parameters["Refine"], CultureInfo.InvariantCulture) == refine)
                is { Success: true } report
                ? report.GcStats.GetBytesAllocatedPerOperation(report.BenchmarkCase) ?? -1
                : -1;
        return (Bytes(1), Bytes(10));
    }
}
