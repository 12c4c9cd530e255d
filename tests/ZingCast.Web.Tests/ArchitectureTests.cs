using NetArchTest.Rules;
using ZingCast.Core.Matching;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

public class ArchitectureTests
{
    [Fact]
    public void The_core_knows_no_web_no_database_and_no_files()
    {
        var result = Types
            .InAssembly(typeof(Matcher).Assembly)
            .ShouldNot()
            .HaveDependencyOnAny(
                "Microsoft.AspNetCore",
                "Microsoft.EntityFrameworkCore",
                "Microsoft.Data",
                "Microsoft.Extensions",
                "System.IO",
                "System.Net",
                "System.Data",
                "ZingCast.Store",
                "ZingCast.Web"
            )
            .GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
        Assert.DoesNotContain(
            typeof(Matcher).Assembly.GetReferencedAssemblies(),
            a => a.Name!.StartsWith("Microsoft.", StringComparison.Ordinal)
        );
    }

    [Fact]
    public void The_store_knows_no_web() =>
        Assert.True(
            Types
                .InAssembly(typeof(ZingDb).Assembly)
                .ShouldNot()
                .HaveDependencyOnAny("Microsoft.AspNetCore", "ZingCast.Web")
                .GetResult()
                .IsSuccessful
        );

    // From the ground up: a room knows only those below it.
    [Fact]
    public void Inside_the_core_there_are_no_circles()
    {
        string[][] floors =
        [
            ["Measures"],
            ["Standards"],
            ["Flies", "Leaders", "Lines", "Rods"],
            ["Reels", "Briefs"],
            ["Casting", "Shed"],
            ["Matching"],
            ["Reference"],
        ];
        for (var floor = 0; floor < floors.Length; floor++)
        {
            var above = floors.Skip(floor + 1).SelectMany(f => f).Select(room => $"ZingCast.Core.{room}").ToArray();
            foreach (var room in floors[floor].Where(_ => above.Length > 0))
            {
                var result = Types
                    .InAssembly(typeof(Matcher).Assembly)
                    .That()
                    .ResideInNamespace($"ZingCast.Core.{room}")
                    .ShouldNot()
                    .HaveDependencyOnAny(above)
                    .GetResult();
                Assert.True(result.IsSuccessful, $"{room}: {string.Join(", ", result.FailingTypeNames ?? [])}");
            }
        }
    }
}
