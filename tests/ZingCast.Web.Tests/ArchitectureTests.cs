using NetArchTest.Rules;
using ZingCast.Core.Matching;
using ZingCast.Store;
using ZingCast.Web.Rooms;

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

    // From the ground up: a room knows only those on floors below it, and among those on its own floor there are no circles.
    private static readonly string[][] Floors =
    [
        ["Measures"],
        ["Standards"],
        ["Flies", "Leaders", "Lines", "Reels", "Rods", "Cutting", "Rigging"],
        ["Briefs", "Shed"],
        ["Casting", "Depth"],
        ["Matching"],
        ["Logbook"],
        ["Care"],
        ["Trips"],
        ["Reference"],
    ];

    private static readonly string[] Rooms =
    [
        .. typeof(Matcher).Assembly.GetTypes().Select(t => RoomOf(t.Namespace)).OfType<string>().Distinct().Order(StringComparer.Ordinal),
    ];

    private static string? RoomOf(string? name) =>
        name?.StartsWith("ZingCast.Core.", StringComparison.Ordinal) == true ? name.Split('.')[2] : null;

    private static bool Uses(string room, params string[] others) =>
        !Types
            .InAssembly(typeof(Matcher).Assembly)
            .That()
            .ResideInNamespace($"ZingCast.Core.{room}")
            .ShouldNot()
            .HaveDependencyOnAny([.. others.Select(other => $"ZingCast.Core.{other}")])
            .GetResult()
            .IsSuccessful;

    [Fact]
    public void Every_room_of_the_core_stands_on_a_floor() => Assert.Equal(Rooms, Floors.SelectMany(f => f).Order(StringComparer.Ordinal));

    [Fact]
    public void A_room_of_the_core_looks_only_downstairs_or_sideways_and_never_in_a_circle()
    {
        for (var floor = 0; floor < Floors.Length; floor++)
            Assert.All(Floors[floor], room => Assert.False(Uses(room, [.. Floors[(floor + 1)..].SelectMany(f => f)]), $"{room} looks up"));
        Assert.All(
            Floors,
            floor =>
            {
                var beside = floor.ToDictionary(room => room, room => floor.Where(other => other != room && Uses(room, other)).ToArray());
                bool Reaches(string from, string to, HashSet<string> seen) =>
                    beside[from].Any(next => next == to || (seen.Add(next) && Reaches(next, to, seen)));
                Assert.DoesNotContain(floor, room => Reaches(room, room, []));
            }
        );
    }

    // One name on every floor: what the core calls a room is what its addresses, its endpoints and its folder of pages are called.
    [Fact]
    public void A_room_has_one_name_on_every_floor()
    {
        var web = typeof(ShedRoom)
            .Assembly.GetTypes()
            .Where(t => t.Namespace == typeof(ShedRoom).Namespace && t.Name.EndsWith("Room", StringComparison.Ordinal))
            .Select(t => t.Name[..^4]);
        // What serves the house itself and not the trade.
        Assert.Empty(web.Except([.. Rooms, "Data", "Devices"]));
        var pages = Directory.GetDirectories(Path.Combine(TestApp.Root, "client", "src", "rooms")).Select(Path.GetFileName);
        Assert.Empty(pages.Except([.. Rooms.Select(r => r.ToLowerInvariant()), "bench", "chain", "home", "ledger", "shared"]));
    }
}
