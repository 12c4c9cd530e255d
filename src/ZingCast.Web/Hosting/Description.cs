using System.Collections.Concurrent;
using System.Diagnostics.CodeAnalysis;
using System.Globalization;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;

namespace ZingCast.Web.Hosting;

/// <summary>
/// API description where the serializer alone does not suffice. Answers are always complete; requests may omit members and never contain
/// derived ones. A type used both ways is therefore described twice: as answered, and with “Input” after its name as it may be sent.
/// </summary>
public static class Description
{
    // For each described type: required members, derived members that cannot be sent, and which may be null.
    private sealed record Sent(HashSet<string> Required, HashSet<string> WorkedOut, List<string> OrNothing);

    [SuppressMessage(
        "Maintainability",
        "CA1502",
        Justification = "A list of independent conditions; in parts it would be longer and no plainer."
    )]
    public static void Configure(OpenApiOptions options)
    {
        ConcurrentDictionary<string, Sent> sent = new();
        options.AddSchemaTransformer(
            async (schema, context, cancel) =>
            {
                var type = context.JsonTypeInfo;
                if (schema.Properties is { Count: > 0 } properties && OpenApiOptions.CreateDefaultSchemaReferenceId(type) is { } id)
                {
                    var workedOut = type
                        .Properties.Where(p => p.Set is null && p.AssociatedParameter is null)
                        .Select(p => p.Name)
                        .ToHashSet();
                    sent[id] = new(
                        [.. (schema.Required ?? new HashSet<string>()).Except(workedOut)],
                        workedOut,
                        [.. type.Properties.Where(p => workedOut.Contains(p.Name) && p.IsGetNullable).Select(p => p.Name)]
                    );
                    schema.Required = properties.Keys.ToHashSet();
                    // Two members of one list type share a schema, though only one may be null.
                    foreach (var member in type.Properties.Where(p => p.Get is not null && !p.IsGetNullable))
                        if (properties.TryGetValue(member.Name, out var inner) && inner is OpenApiSchema { Type: { } kind } described)
                            properties[member.Name] = Never(JsonSchemaType.Null, kind, described);
                }
                foreach (var field in ShedFields.For(type.Type))
                    if (schema.Properties?.TryGetValue(field.Name, out var one) == true && one is OpenApiSchema { Type: not null } told)
                        schema.Properties[field.Name] = Limited(field, told);
                if (type.Type != typeof(Sentence))
                    return;
                schema.Type = JsonSchemaType.Array;
                schema.Items = await context.GetOrCreateSchemaAsync(typeof(Part), null, cancel);
            }
        );
        options.AddOperationTransformer(
            (operation, context, _) =>
            {
                operation.OperationId ??= IdOf(context.Description.HttpMethod ?? "", context.Description.RelativePath ?? "");
                operation.Description ??= operation.Summary;
                if (
                    context.Description.ParameterDescriptions.Any(p => p.Source.Id == "Body" && EntityTags.IsChange(p.Type))
                    && operation.Parameters?.Any(p => p.Name == "If-Match") != true
                )
                    (operation.Parameters ??= []).Add(
                        new OpenApiParameter
                        {
                            Name = "If-Match",
                            In = ParameterLocation.Header,
                            Description = "The entity tag of the version this goes on from; the version in the body counts without it.",
                            Schema = new OpenApiSchema { Type = JsonSchemaType.String },
                        }
                    );
                // Files are not described by a type.
                if (operation.Responses is { } responses && !responses.Keys.Any(s => s.StartsWith('2')))
                    responses["200"] = new OpenApiResponse { Description = "A file." };
                return Task.CompletedTask;
            }
        );
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info = new()
                {
                    Title = "Zing Cast",
                    Version = "v1",
                    Description = "SI units; the unit is in the field's name.",
                };
                document.Servers = [];
                new TwoWays(document, sent).Part();
                return Task.CompletedTask;
            }
        );
    }

    // POST api/shed/rods/{id}/restore is postShedRodsByIdRestore.
    private static string IdOf(string method, string path)
    {
        var words = path.Split(['/', '-', '.'], StringSplitOptions.RemoveEmptyEntries)
            .Where(word => word != "api")
            .Select(word => word.StartsWith('{') ? $"By{Capital(word.Trim('{', '}').Split(':')[0])}" : Capital(word));
        return method.ToLowerInvariant() + string.Concat(words);
    }

    private static string Capital(string word) => char.ToUpperInvariant(word[0]) + word[1..];

    // Limits of a field, from its check.
    private static OpenApiSchema Limited(Field field, OpenApiSchema schema)
    {
        var copy = (OpenApiSchema)schema.CreateShallowCopy();
        copy.Description ??= field.Label;
        copy.MaxLength = field.Longest;
        copy.Minimum = field.Limit?.Low.ToString("R", CultureInfo.InvariantCulture);
        copy.Maximum = field.Limit?.High.ToString("R", CultureInfo.InvariantCulture);
        return copy;
    }

    private static OpenApiSchema Never(JsonSchemaType what, JsonSchemaType kind, OpenApiSchema schema)
    {
        if ((kind & what) == 0)
            return schema;
        var copy = (OpenApiSchema)schema.CreateShallowCopy();
        copy.Type = kind & ~what;
        return copy;
    }

    // Separates requests from answers in a document where both still share types.
    private sealed class TwoWays(OpenApiDocument document, IReadOnlyDictionary<string, Sent> sent)
    {
        private readonly IDictionary<string, IOpenApiSchema> schemas = document.Components!.Schemas!;
        private readonly HashSet<string> asked = [],
            answered = [];

        public void Part()
        {
            foreach (var (id, of) in sent.Where(s => schemas.ContainsKey(s.Key)))
                OrNothing(schemas[id].Properties!, of.OrNothing);
            var operations = document.Paths.Values.SelectMany(p => p.Operations?.Values ?? Enumerable.Empty<OpenApiOperation>()).ToList();
            foreach (var operation in operations)
            {
                Follow(operation.RequestBody?.Content, asked);
                foreach (var answer in operation.Responses?.Values ?? Enumerable.Empty<IOpenApiResponse>())
                    Follow(answer.Content, answered);
            }
            foreach (var id in asked.Where(sent.ContainsKey).ToList())
                schemas[InputOf(id)] = AsSent(id, (OpenApiSchema)schemas[id]);
            foreach (var body in operations.SelectMany(o => o.RequestBody?.Content?.Values ?? Enumerable.Empty<OpenApiMediaType>()))
                body.Schema = body.Schema is null ? null : Input(body.Schema);
        }

        // The generated description takes nullability from what is sent, and marks derived members as always present.
        private static void OrNothing(IDictionary<string, IOpenApiSchema> properties, List<string> members)
        {
            foreach (var member in members)
                if (properties.TryGetValue(member, out var one) && one is OpenApiSchemaReference)
                    properties[member] = new OpenApiSchema { OneOf = [new OpenApiSchema { Type = JsonSchemaType.Null }, one] };
        }

        private void Follow(IDictionary<string, OpenApiMediaType>? content, HashSet<string> into)
        {
            foreach (var body in content?.Values ?? Enumerable.Empty<OpenApiMediaType>())
                Follow(body.Schema, into);
        }

        private void Follow(IOpenApiSchema? schema, HashSet<string> into)
        {
            if (schema is OpenApiSchemaReference { Reference.Id: { } id })
            {
                if (into.Add(id) && schemas.TryGetValue(id, out var named))
                    Follow(named, into);
                return;
            }
            foreach (var inner in Inside(schema))
                Follow(inner, into);
        }

        private static IEnumerable<IOpenApiSchema> Inside(IOpenApiSchema? schema) =>
            schema is null
                ? []
                : new[] { schema.Items, schema.AdditionalProperties }
                    .OfType<IOpenApiSchema>()
                    .Concat(schema.Properties?.Values ?? Enumerable.Empty<IOpenApiSchema>())
                    .Concat(schema.AnyOf ?? [])
                    .Concat(schema.OneOf ?? [])
                    .Concat(schema.AllOf ?? []);

        // A type that is only sent keeps its name.
        private string InputOf(string id) => answered.Contains(id) ? $"{id}Input" : id;

        private OpenApiSchema AsSent(string id, OpenApiSchema whole)
        {
            var copy = (OpenApiSchema)Input(whole);
            copy.Properties = copy.Properties!.Where(p => !sent[id].WorkedOut.Contains(p.Key)).ToDictionary();
            copy.Required = sent[id].Required.Count > 0 ? sent[id].Required : null;
            return copy;
        }

        // The same schema with all its types as they are sent.
        private IOpenApiSchema Input(IOpenApiSchema schema)
        {
            if (schema is OpenApiSchemaReference { Reference.Id: { } id })
                return sent.ContainsKey(id) ? new OpenApiSchemaReference(InputOf(id), document) : schema;
            var copy = (OpenApiSchema)schema.CreateShallowCopy();
            copy.Items = copy.Items is null ? null : Input(copy.Items);
            copy.AdditionalProperties = copy.AdditionalProperties is null ? null : Input(copy.AdditionalProperties);
            copy.Properties = copy.Properties?.ToDictionary(p => p.Key, p => Input(p.Value));
            copy.AnyOf = copy.AnyOf?.Select(Input).ToList();
            copy.OneOf = copy.OneOf?.Select(Input).ToList();
            copy.AllOf = copy.AllOf?.Select(Input).ToList();
            return copy;
        }
    }
}
