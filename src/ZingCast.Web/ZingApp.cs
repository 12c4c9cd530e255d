using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Microsoft.EntityFrameworkCore;
using ZingCast.Store;
using ZingCast.Web.Devices;
using ZingCast.Web.Hosting;
using ZingCast.Web.Rooms;

namespace ZingCast.Web;

/// <summary>Puts the host together: store, core, rooms, and the guard at the door.</summary>
public static class ZingApp
{
    public const int UsualPort = 5187;

    public static WebApplication Build(string[] args)
    {
        // A bare switch would swallow the word behind it.
        var builder = WebApplication.CreateBuilder([.. args.Select(a => a == "--demo" ? "--demo=true" : a)]);
        var config = builder.Configuration;
        var data = Path.GetFullPath(config["data"] ?? Path.Combine(builder.Environment.ContentRootPath, "..", "..", ".zing", "data"));
        // The build tool that writes the API description runs this program without wanting a server or a file.
        var describing = System.Reflection.Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";

        builder.Logging.SetMinimumLevel(LogLevel.Warning);
        // A start that fails is told in one line by Program.
        builder.Logging.AddFilter("Microsoft.Extensions.Hosting.Internal.Host", LogLevel.None);
        builder.Services.AddSingleton(TimeProvider.System);
        builder.Services.AddZingStore(data);
        builder.Services.AddSingleton<IWindMeter, SimulatedWindMeter>();
        builder.Services.AddSingleton<IBenchScale, SimulatedBenchScale>();
        builder.Services.AddProblemDetails();
        builder.Services.AddExceptionHandler<FriendlyFailures>();
        builder.Services.ConfigureHttpJsonOptions(options =>
        {
            options.SerializerOptions.Converters.Add(new SentenceConverter());
            options.SerializerOptions.Converters.Add(new JsonStringEnumConverter(System.Text.Json.JsonNamingPolicy.CamelCase, allowIntegerValues: false));
            options.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
            // What is missing is refused where it is read, in words, and never reaches a rule as a null.
            options.SerializerOptions.RespectNullableAnnotations = true;
            options.SerializerOptions.RespectRequiredConstructorParameters = true;
            options.SerializerOptions.TypeInfoResolver = options.SerializerOptions.TypeInfoResolver?.WithAddedModifier(WholeLists.Demand);
        });
        // Outside development an unreadable body would be answered with a bare status; FriendlyFailures has words for it.
        builder.Services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
        builder.Services.AddOpenApi(Description.Configure);
        var door = Door.From(config);
        builder.WebHost.UseUrls(door.Url).ConfigureKestrel(server =>
        {
            server.AddServerHeader = false;
            server.Limits.MaxRequestBodySize = 1 << 20;
        });

        var app = builder.Build();
        if (!describing)
        {
            using var scope = app.Services.CreateScope();
            var db = scope.ServiceProvider.GetRequiredService<ZingDb>();
            StoreSetup.Migrate(db, data, TimeProvider.System);
            if (config["demo"] is not null && !db.Briefs.IgnoreQueryFilters().Any() && !db.Rods.IgnoreQueryFilters().Any())
                DemoWorld.AddAsync(db, TimeProvider.System).GetAwaiter().GetResult();
        }

        // What is refused in words needs no log; a fault of ours does.
        app.UseExceptionHandler(new ExceptionHandlerOptions { SuppressDiagnosticsCallback = failure => failure.HttpContext.Response.StatusCode < 500 });
        app.UseStatusCodePages();
        door.Guard(app);
        app.MapOpenApi();
        app.MapStandards();
        app.MapBriefs();
        app.MapMatching();
        app.MapCasting();
        app.MapDevices();
        app.MapShed();
        app.MapRods();
        app.MapLines();
        app.MapCutting();
        Pages.Serve(app);
        return app;
    }
}
