using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.OpenApi;
using ZingCast.Core.Briefs;
using ZingCast.Core.Lines;
using ZingCast.Core.Matching;
using ZingCast.Core.Measures;
using ZingCast.Core.Reels;
using ZingCast.Core.Rods;
using ZingCast.Web.Rooms;

namespace ZingCast.Web.Hosting;

/// <summary>A sentence goes over the wire as its parts, so the reader's own units can be put in.</summary>
public sealed class SentenceConverter : JsonConverter<Sentence>
{
    public override Sentence Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) => throw new JsonException("Sentences are only written.");

    public override void Write(Utf8JsonWriter writer, Sentence value, JsonSerializerOptions options) => JsonSerializer.Serialize(writer, value.Parts, options);
}

/// <summary>Lists that people send have no holes. Nullable annotations are kept for members, not for what is in a list.</summary>
public static class WholeLists
{
    public static void Demand(JsonTypeInfo type)
    {
        if (type.Kind != JsonTypeInfoKind.Object) return;
        var lists = type.Properties.Where(p => p.Get is not null && p.PropertyType.IsAssignableTo(typeof(IEnumerable<object>))).ToList();
        if (lists.Count == 0) return;
        type.OnDeserialized = whole =>
        {
            foreach (var list in lists)
                if (list.Get!(whole) is IEnumerable<object?> items && items.Contains(null)) throw new JsonException("A list with a hole in it.", $"$.{list.Name}", null, null);
        };
    }
}

/// <summary>Turns unreadable bodies and lost races into problem details with words a person can use.</summary>
public sealed class FriendlyFailures(IProblemDetailsService problems) : IExceptionHandler
{
    // SQLITE_CONSTRAINT_UNIQUE: the tag was free when it was asked for, and is not when it is written or brought back.
    private const int Taken = 2067;

    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var (status, title) = exception switch
        {
            BadHttpRequestException bad when bad.InnerException is JsonException json => (400, $"This could not be read{(json.Path is { } path ? $" at {path.TrimStart('$', '.')}" : "")}: check the value and its type."),
            BadHttpRequestException bad => (bad.StatusCode, "This request could not be read."),
            DbUpdateConcurrencyException => (412, "This was changed elsewhere in the same moment. Nothing was changed; look again."),
            SqliteException { SqliteExtendedErrorCode: Taken } or DbUpdateException { InnerException: SqliteException { SqliteExtendedErrorCode: Taken } } =>
                (409, "Another piece has the same tag or name by now. Nothing was changed; give one of them another first."),
            _ => (500, "Something broke on our side. Nothing was changed."),
        };
        httpContext.Response.StatusCode = status;
        return await problems.TryWriteAsync(new() { HttpContext = httpContext, ProblemDetails = { Status = status, Title = title } });
    }
}

/// <summary>Shape of the API description where the serializer alone does not tell.</summary>
public static class Description
{
    private static readonly HashSet<Type> Partial = [typeof(BriefDraft), typeof(Pins), typeof(BriefEdit), typeof(SolveRequest), typeof(Rod), typeof(FlyLine), typeof(Reel), typeof(CastRequest), typeof(MapRequest),
        typeof(BendTest), typeof(BendReading), typeof(RodBalance), typeof(RodLoad), typeof(Inspection), typeof(Calibration), typeof(FitRequest), typeof(BendRequest), typeof(BalanceRequest),
        typeof(Weighing), typeof(ClassifyRequest), typeof(ProfileRequest), typeof(Scrap), typeof(CutTarget), typeof(LayRequest), typeof(PlanRequest)];

    public static void Configure(OpenApiOptions options)
    {
        options.AddDocumentTransformer((document, _, _) =>
        {
            document.Info = new() { Title = "Zing Cast", Version = "v1", Description = "SI units; the unit is in the field's name." };
            document.Servers = [];
            return Task.CompletedTask;
        });
        options.AddSchemaTransformer(async (schema, context, cancel) =>
        {
            // What we send is always whole; only what people send may leave things out.
            var type = context.JsonTypeInfo.Type;
            if (schema.Properties is { Count: > 0 } properties && !Partial.Contains(type))
                schema.Required = properties.Keys.ToHashSet();
            if (type != typeof(Sentence)) return;
            schema.Type = JsonSchemaType.Array;
            schema.Items = await context.GetOrCreateSchemaAsync(typeof(Part), null, cancel);
        });
    }
}
