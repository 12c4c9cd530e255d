using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.EntityFrameworkCore;
using Microsoft.Net.Http.Headers;
using ZingCast.Store;
using ZingCast.Web.Devices;
using ZingCast.Web.Hosting;
using ZingCast.Web.Rooms;

namespace ZingCast.Web;

/// <summary>Puts the host together: store, core, rooms, and the guard at the door.</summary>
public static class ZingApp
{
    // Computations still running when the server stops are cancelled; writes take milliseconds.
    private static readonly TimeSpan ClosingTime = TimeSpan.FromSeconds(1);

    /// <summary>The host on a data folder that has been opened.</summary>
    public static WebApplication Build(Settings settings, TimeProvider? clock = null)
    {
        // Maps and searches keep every core busy; a request that comes in meanwhile gets a thread at once and shares the cores.
        ThreadPool.SetMinThreads(4 * Environment.ProcessorCount, 4);
        // Empty: no settings files, and no variables but those that Settings knows.
        var builder = WebApplication.CreateEmptyBuilder(
            new()
            {
                ApplicationName = typeof(ZingApp).Assembly.GetName().Name,
                ContentRootPath = settings.ContentRoot,
                WebRootPath = "wwwroot",
                EnvironmentName = Environments.Production,
            }
        );
        builder.Logging.AddSimpleConsole().SetMinimumLevel(LogLevel.Warning);
        // Program reports a failed start in one line.
        builder.Logging.AddFilter("Microsoft.Extensions.Hosting.Internal.Host", LogLevel.None);
        // Refusals of the store are answered in words; FriendlyFailures logs our own faults.
        builder
            .Logging.AddFilter("Microsoft.EntityFrameworkCore.Database.Command", LogLevel.None)
            .AddFilter("Microsoft.EntityFrameworkCore.Update", LogLevel.None);
        // A caller who disconnects in the middle of a body is not logged.
        builder.Logging.AddFilter("Microsoft.AspNetCore.Server.Kestrel", LogLevel.Error);
        builder.Services.AddRouting();
        builder.Services.AddSingleton(clock ?? TimeProvider.System);
        builder.Services.AddSingleton(settings);
        builder.Services.AddZingStore(settings.Data);
        builder.Services.AddSingleton<Upkeep>();
        builder.Services.AddHostedService(at => at.GetRequiredService<Upkeep>());
        builder.Services.AddSingleton<LogCache>();
        // Stopped before the upkeep, which completes the file.
        builder.Services.AddHostedService(at => at.GetRequiredService<LogCache>());
        builder.Services.Configure<HostOptions>(options => options.ShutdownTimeout = ClosingTime);
        builder.Services.AddSingleton<IWindMeter, SimulatedWindMeter>();
        builder.Services.AddSingleton<IBenchScale, SimulatedBenchScale>();
        builder.Services.AddSingleton<ISpringScale, SimulatedSpringScale>();
        builder.Services.AddSingleton<IWinder>(at => new SimulatedWinder(at.GetRequiredService<TimeProvider>(), settings.WinderTurnsPerS));
        builder.Services.AddSingleton<WindingService>();
        builder.Services.AddHostedService(at => at.GetRequiredService<WindingService>());
        builder.Services.AddProblemDetails(options => options.CustomizeProblemDetails = FriendlyFailures.PutInWords);
        builder.Services.AddExceptionHandler<FriendlyFailures>();
        builder.Services.AddSingleton<HeavyWork.Turns>();
        builder.Services.AddSingleton<Sessions>();
        builder.Services.AddSingleton<QuietThreads>();
        builder.Services.AddSingleton<TripSearches>();
        builder.Services.AddResponseCompression(options =>
            options.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, "application/problem+json", "image/svg+xml"]
        );
        builder.Services.ConfigureHttpJsonOptions(options =>
        {
            options.SerializerOptions.Converters.Add(new SentenceConverter());
            options.SerializerOptions.Converters.Add(
                new JsonStringEnumConverter(System.Text.Json.JsonNamingPolicy.CamelCase, allowIntegerValues: false)
            );
            options.SerializerOptions.NumberHandling = JsonNumberHandling.Strict;
            // Missing members are refused where they are read, in words, and never reach a rule as null.
            options.SerializerOptions.RespectNullableAnnotations = true;
            options.SerializerOptions.RespectRequiredConstructorParameters = true;
            options.SerializerOptions.TypeInfoResolver = options.SerializerOptions.TypeInfoResolver?.WithAddedModifier(
                CompleteValues.RejectNullItems
            );
        });
        // Outside development an unreadable body would get a bare status; FriendlyFailures has words for it.
        builder.Services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
        builder.Services.AddOpenApi(Description.Configure);
        builder
            .WebHost.UseKestrelCore()
            .UseUrls(settings.Url)
            .ConfigureKestrel(server =>
            {
                server.AddServerHeader = false;
                server.Limits.MaxRequestBodySize = 1 << 20;
            });

        var app = builder.Build();
        app.Protect();
        app.LookOverAfterBrokenAnswers();
        // Refusals need no log; FriendlyFailures logs our own faults.
        app.UseExceptionHandler(new ExceptionHandlerOptions { SuppressDiagnosticsCallback = _ => true });
        app.UseStatusCodePages();
        RequestGuard.Guard(app, settings);
        app.UseResponseCompression();
        app.RefuseOtherBodies();
        app.EndHeavyWorkAtClosing();
        app.MapOpenApi();
        var rooms = app.MapGroup("").WithEntityTags();
        rooms.MapStandards();
        rooms.MapBriefs();
        rooms.MapMatching();
        rooms.MapCasting();
        rooms.MapDevices();
        rooms.MapShed();
        rooms.MapShedLooks();
        rooms.MapTrips();
        rooms.MapRods();
        rooms.MapLines();
        rooms.MapCutting();
        rooms.MapReels();
        rooms.MapLeaders();
        rooms.MapDepth();
        rooms.MapRigging();
        rooms.MapLogbook();
        rooms.MapCare();
        rooms.MapData();
        Pages.Serve(app);
        return app;
    }

    /// <summary>Watches the file from now on, and fills an empty folder with the demo when asked for.</summary>
    public static async Task FillAsync(WebApplication app, Settings settings)
    {
        app.Services.GetRequiredService<FileWatch>().Begin();
        if (!settings.Demo)
            return;
        await using var scope = app.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<ZingDb>();
        if (!await db.Briefs.IgnoreQueryFilters().AnyAsync() && !await db.Rods.IgnoreQueryFilters().AnyAsync())
            await DemoWorld.AddAsync(db, TimeProvider.System);
    }

    // A response that breaks off has already sent its status: all that can be done is to look for the row that broke it.
    private static void LookOverAfterBrokenAnswers(this WebApplication app) =>
        app.Use(
            async (context, next) =>
            {
                try
                {
                    await next(context);
                }
                catch (Exception broken) when (context.Response.HasStarted && broken is not OperationCanceledException)
                {
                    await app.Services.GetRequiredService<Upkeep>().SweepAsync(CancellationToken.None);
                    throw;
                }
            }
        );

    // Bodies are JSON in UTF-8. Other types are refused before anything tries to interpret them.
    private static void RefuseOtherBodies(this WebApplication app) =>
        app.Use(
            (context, next) =>
            {
                var request = context.Request;
                if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type) || !request.Path.StartsWithSegments("/api"))
                    return next(context);
                if (!request.HasJsonContentType())
                    return RequestGuard.Refuse(
                        context,
                        StatusCodes.Status415UnsupportedMediaType,
                        "This could not be read: send it as JSON, with Content-Type application/json."
                    );
                if (
                    type.Charset.HasValue && !HeaderUtilities.RemoveQuotes(type.Charset).Equals("utf-8", StringComparison.OrdinalIgnoreCase)
                )
                    return RequestGuard.Refuse(context, StatusCodes.Status400BadRequest, "This could not be read: send it as UTF-8.");
                // Repeated without the quotes that some clients put around it, which the body reader does not accept.
                if (type.Charset.HasValue)
                    request.ContentType = type.MediaType.Value;
                return next(context);
            }
        );
}
