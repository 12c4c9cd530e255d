using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using ZingCast.Core.Measures;
using ZingCast.Store;

namespace ZingCast.Web.Hosting;

/// <summary>A sentence is sent as its parts, so that the reader's own units can be filled in.</summary>
public sealed class SentenceConverter : JsonConverter<Sentence>
{
    public override Sentence Read(ref Utf8JsonReader reader, Type typeToConvert, JsonSerializerOptions options) =>
        throw new JsonException("Sentences are only written.");

    public override void Write(Utf8JsonWriter writer, Sentence value, JsonSerializerOptions options) =>
        JsonSerializer.Serialize(writer, value.Parts, options);
}

/// <summary>
/// Turns unreadable bodies, lost races and a full disk into problem details with plain words. Faults of our own say so and are logged.
/// </summary>
public sealed partial class FriendlyFailures(
    IProblemDetailsService problems,
    Upkeep upkeep,
    FileWatch watch,
    Settings settings,
    IHostApplicationLifetime lifetime,
    ILogger<FriendlyFailures> log
) : IExceptionHandler
{
    // SQLite's error codes for a row that was free when checked and is not when it is written or unarchived.
    private const int TagTaken = 2067,
        ScrapTaken = 1555;

    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var problem = exception switch
        {
            // Any failure while the server stops is because of that.
            _ when lifetime.ApplicationStopping.IsCancellationRequested
                    && exception is OperationCanceledException or ObjectDisposedException => Stopping,
            OperationCanceledException when httpContext.RequestAborted.IsCancellationRequested => Stopping,
            BadHttpRequestException bad => Unreadable(bad),
            StaleException stale => Message(412, stale.Message),
            DbUpdateConcurrencyException => Message(412, "This was changed elsewhere in the same moment. Nothing was changed; look again."),
            DbUpdateException { InnerException: SqliteException failed } => Kept(failed),
            SqliteException failed => Kept(failed),
            DataFolderException folder => Message(507, watch.IsThere ? folder.Message : watch.Gone),
            _ => null,
        };
        if (problem is null)
        {
            OurFault(log, httpContext.Request.Method, httpContext.Request.Path, exception);
            problem =
                await upkeep.SweepAsync(CancellationToken.None) > 0
                    ? Message(503, "Something kept did not hold together. It was set aside, and Your data lists it; look again.")
                    : Message(500, "Something broke on our side. Nothing was changed.");
        }
        if (problem.Status == 507)
            NoRoom(log, httpContext.Request.Method, httpContext.Request.Path, problem.Title!);
        httpContext.Response.StatusCode = problem.Status!.Value;
        return await problems.TryWriteAsync(new() { HttpContext = httpContext, ProblemDetails = problem });
    }

    /// <summary>Words for answers that would otherwise be a bare status.</summary>
    public static void PutInWords(ProblemDetailsContext bare) =>
        bare.ProblemDetails.Title = bare.ProblemDetails.Title switch
        {
            "Bad Request" => "This request could not be read: it broke off, or is not HTTP as it should be.",
            "Not Found" => "There is nothing at this address.",
            "Method Not Allowed" => "This address does not take such a request.",
            "Content Too Large" => "This could not be read: it is more than Zing Cast takes in one go (1 MB).",
            var words => words,
        };

    private static ProblemDetails Stopping => Message(503, "Zing Cast is being stopped. Nothing was changed.");

    private static ProblemDetails Message(int status, string title) => new() { Status = status, Title = title };

    private ProblemDetails? Kept(SqliteException failed) =>
        failed switch
        {
            { SqliteExtendedErrorCode: TagTaken } => Message(
                409,
                "Another piece has the same tag or name by now. Nothing was changed; give one of them another first."
            ),
            { SqliteExtendedErrorCode: ScrapTaken } => Message(
                409,
                "One of these pieces is in another job by now. Nothing was changed; look again."
            ),
            _ when DataFolder.IsFull(failed) => Message(
                507,
                "The disk is full, so nothing was kept. What was kept before is safe; make room and go on."
            ),
            _ when DataFolder.IsReadOnly(failed) => Message(
                507,
                $"{DataFolder.FileIn(settings.Data)} may not be written to, so nothing was kept. What was kept before is safe; give "
                    + "Zing Cast the right to write to it and go on."
            ),
            _ when DataFolder.IsOutOfReach(failed) => Message(
                507,
                watch.IsThere
                    ? $"{DataFolder.FileIn(settings.Data)} cannot be opened or read just now, so nothing was kept. Look at its disk."
                    : watch.Gone
            ),
            _ when DataFolder.IsBusy(failed) => Message(
                503,
                "Another program is writing to the file just now, so nothing was kept. Try again in a moment."
            ),
            _ => null,
        };

    // The serializer and the router report details only in their messages.
    [GeneratedRegex("missing required properties including: '(?<field>[^']+)'")]
    private static partial Regex MissingMember();

    [GeneratedRegex("parameter \"(?<type>[^\" ]+) (?<field>[A-Za-z]+)\"")]
    private static partial Regex InvalidParameter();

    [GeneratedRegex(@"converted to (System\.Nullable`1\[)?(?<type>[A-Za-z0-9_.+]+)")]
    private static partial Regex InvalidValue();

    // Allowed values, where the type is one of a list.
    private static string? OneOf(string type)
    {
        var name = type.TrimEnd('?').Split('.', '+')[^1];
        var choice = typeof(Sentence).Assembly.GetTypes().FirstOrDefault(t => t.IsEnum && t.Name == name);
        return choice is null
            ? null
            : $"One of these: {string.Join(", ", Enum.GetNames(choice).Select(JsonNamingPolicy.CamelCase.ConvertName))}.";
    }

    private static ProblemDetails Unreadable(BadHttpRequestException bad)
    {
        if (bad.InnerException is not JsonException json)
            return InvalidParameter().Match(bad.Message) is { Success: true } parameter
                ? At(parameter.Groups["field"].Value, "is missing or of another kind", OneOf(parameter.Groups["type"].Value))
                : Message(bad.StatusCode, "This request could not be read: there is nothing in it, or it broke off.");
        var at = json.Path?.TrimStart('$').TrimStart('.') ?? "";
        string Below(string name) => at.Length > 0 ? $"{at}.{name}" : name;
        if (json is InvalidValueException odd)
            return At(Below(odd.Field), "could not be read", odd.Problem);
        if (MissingMember().Match(json.Message) is { Success: true } missing)
            return At(Below(missing.Groups["field"].Value), "is missing");
        if (at.Length > 0)
            return At(
                at,
                "could not be read",
                OneOf(InvalidValue().Match(json.Message).Groups["type"].Value) ?? "Check the value and its type."
            );
        return Message(
            400,
            json.LineNumber is { } line
                ? $"This could not be read: something is wrong with the text at line {line + 1}, sign {json.BytePositionInLine + 1}."
                : "This could not be read as JSON."
        );
    }

    private static HttpValidationProblemDetails At(string field, string what, string? words = null) =>
        new(new Dictionary<string, string[]> { [field] = [words ?? $"This {what}."] })
        {
            Status = 400,
            Title = what == "could not be read" ? $"“{field}” could not be read." : $"This could not be read: “{field}” {what}.",
        };

    [LoggerMessage(Level = LogLevel.Warning, Message = "No room for {Method} {Path}: {Words}")]
    private static partial void NoRoom(ILogger logger, string method, string path, string words);

    [LoggerMessage(Level = LogLevel.Error, Message = "A fault of ours answering {Method} {Path}.")]
    private static partial void OurFault(ILogger logger, string method, string path, Exception fault);
}
