using System.Net.Http.Json;
using System.Text.Json;
using ZingCast.Core.Measures;
using ZingCast.Core.Shed;
using ZingCast.Store;

namespace ZingCast.Web.Tests;

/// <summary>What the API description promises, and whether it is kept.</summary>
public sealed class ContractTests(LoanShed loan) : IClassFixture<LoanShed>
{
    private static readonly JsonElement Contract = JsonDocument
        .Parse(File.ReadAllText(Path.Combine(TestApp.Root, "client", "src", "api", "openapi.json")))
        .RootElement;

    private static readonly JsonElement Schemas = Contract.GetProperty("components").GetProperty("schemas");

    private static IEnumerable<(string Name, JsonElement Operation)> Operations =>
        Contract
            .GetProperty("paths")
            .EnumerateObject()
            .SelectMany(path => path.Value.EnumerateObject().Select(verb => ($"{verb.Name} {path.Name}", verb.Value)));

    [Fact]
    public void Every_operation_says_what_it_does_has_a_name_of_its_own_and_an_answer_when_it_goes_well()
    {
        Assert.Empty(
            Operations
                .Where(o =>
                    !o.Operation.TryGetProperty("summary", out _)
                    || !o.Operation.TryGetProperty("description", out _)
                    || !o.Operation.GetProperty("responses").EnumerateObject().Any(r => r.Name.StartsWith('2'))
                )
                .Select(o => o.Name)
        );
        var ids = Operations.Select(o => o.Operation.GetProperty("operationId").GetString()!).ToList();
        Assert.Equal(ids.Count, ids.Distinct().Count());
        Assert.Contains("postShedRodsByIdRestore", ids);
    }

    [Fact]
    public void A_field_that_is_described_once_is_in_the_contract_the_schema_and_the_sheets_with_its_limits()
    {
        var lists = JsonDocument
            .Parse(File.ReadAllText(Path.Combine(TestApp.Root, "docs", "backup.schema.json")))
            .RootElement.GetProperty("properties");
        (string Type, string List, IReadOnlyList<Field> Fields)[] kinds =
        [
            ("RodInput", "rods", ShedFields.All.Rods),
            ("FlyLineInput", "lines", ShedFields.All.Lines),
            ("ReelInput", "reels", ShedFields.All.Reels),
            ("LeaderSpoolInput", "leaderSpools", ShedFields.All.LeaderSpools),
            ("ScrapInput", "scraps", ShedFields.All.Scraps),
        ];
        foreach (var (type, list, fields) in kinds)
        foreach (var field in fields)
        {
            JsonElement[] told =
            [
                Schemas.GetProperty(type).GetProperty("properties").GetProperty(field.Name),
                lists.GetProperty(list).GetProperty("items").GetProperty("properties").GetProperty(field.Name),
            ];
            if (field.Limit is { } limit)
                Assert.All(
                    told,
                    t =>
                    {
                        Assert.Equal(limit.Low, t.GetProperty("minimum").GetDouble());
                        Assert.Equal(limit.High, t.GetProperty("maximum").GetDouble());
                    }
                );
        }
        var columns = GearPaste.ColumnNames;
        Assert.All(ShedFields.All.Rods.Concat(ShedFields.All.Lines).Concat(ShedFields.All.Reels), f => Assert.Contains(f.Column, columns));
    }

    [Fact]
    public async Task What_is_one_of_a_list_is_refused_with_the_list()
    {
        var refused = await loan.Client.Post("/api/matching/solve", new { brief = new { owned = "mine" } });
        var problem = await refused.Content.ReadFromJsonAsync<JsonElement>(TestContext.Current.CancellationToken);
        Assert.Equal("One of these: first, only, any.", problem.GetProperty("errors").GetProperty("brief.owned")[0].GetString());
    }

    [Fact]
    public void Every_refusal_is_described_as_problem_details()
    {
        foreach (var (name, operation) in Operations)
        foreach (var answer in operation.GetProperty("responses").EnumerateObject().Where(r => r.Name[0] == '4'))
            Assert.True(answer.Value.GetProperty("content").TryGetProperty("application/problem+json", out _), $"{name} {answer.Name}");
    }

    [Fact]
    public void What_takes_a_body_tells_that_it_may_be_refused_and_what_names_one_thing_that_it_may_be_gone()
    {
        foreach (var (name, operation) in Operations)
        {
            var answers = operation.GetProperty("responses").EnumerateObject().Select(r => r.Name).ToHashSet();
            if (operation.TryGetProperty("requestBody", out _))
                Assert.True(answers.Contains("400"), name);
            if (name.Contains("{id}", StringComparison.Ordinal))
                Assert.True(answers.Contains("404"), name);
            if (name.StartsWith("put ", StringComparison.Ordinal))
                Assert.True(answers.Contains("412"), name);
        }
    }

    [Theory]
    [InlineData("Rod")]
    [InlineData("FlyLine")]
    [InlineData("Pins")]
    [InlineData("BriefDraft")]
    public void What_is_answered_is_whole_and_what_is_sent_may_leave_things_out(string type)
    {
        var answered = Schemas.GetProperty(type);
        Assert.Equal(answered.GetProperty("properties").EnumerateObject().Count(), answered.GetProperty("required").GetArrayLength());
        var sent = Schemas.GetProperty($"{type}Input");
        var must = sent.TryGetProperty("required", out var required) ? required.GetArrayLength() : 0;
        Assert.True(must < sent.GetProperty("properties").EnumerateObject().Count());
    }

    [Fact]
    public void What_we_work_out_ourselves_is_not_asked_for()
    {
        var sent = Schemas.GetProperty("RodInput").GetProperty("properties");
        Assert.True(sent.TryGetProperty("printedClass", out _));
        Assert.False(sent.TryGetProperty("labelDisagrees", out _));
        Assert.True(Schemas.GetProperty("Rod").GetProperty("properties").TryGetProperty("labelDisagrees", out _));
    }

    // Whatever is promised is there, nothing promised as a value is null, and nothing comes that was not promised.
    [Theory]
    [InlineData("/api/standards")]
    [InlineData("/api/shed")]
    [InlineData("/api/shed/scraps")]
    [InlineData("/api/briefs/1")]
    [InlineData("/api/rods/calibrations")]
    [InlineData("/api/lines/5/profile")]
    public async Task An_answer_keeps_what_the_description_promises(string address)
    {
        var path = Contract.GetProperty("paths").EnumerateObject().Single(p => Matches(p.Name, address));
        var schema = path.Value.GetProperty("get").GetProperty("responses").GetProperty("200").GetProperty("content");
        Keeps(await loan.Client.GetJson(address), schema.GetProperty("application/json").GetProperty("schema"), address);
    }

    [Fact]
    public async Task The_answer_to_a_brief_keeps_what_the_description_promises() =>
        Keeps(
            await (await loan.Client.Post("/api/matching/solve", new { brief = new { species = "pike" } })).Json(),
            Schemas.GetProperty("Solution"),
            "solution"
        );

    private static bool Matches(string path, string address) =>
        path.Count(c => c == '/') == address.Count(c => c == '/')
        && path.Split('/').Zip(address.Split('/')).All(p => p.First == p.Second || p.First == "{id}");

    private static void Keeps(JsonElement value, JsonElement schema, string at)
    {
        if (schema.TryGetProperty("$ref", out var reference))
        {
            Keeps(value, Schemas.GetProperty(reference.GetString()!.Split('/')[^1]), at);
            return;
        }
        if (schema.TryGetProperty("oneOf", out var either))
        {
            if (value.ValueKind != JsonValueKind.Null)
                Keeps(value, either.EnumerateArray().First(s => s.TryGetProperty("$ref", out _)), at);
            return;
        }
        if (value.ValueKind == JsonValueKind.Null)
            Assert.True(
                schema.TryGetProperty("type", out var types) && types.GetRawText().Contains("null", StringComparison.Ordinal),
                $"{at} is null"
            );
        else if (value.ValueKind == JsonValueKind.Array && schema.TryGetProperty("items", out var items))
            foreach (var item in value.EnumerateArray())
                Keeps(item, items, $"{at}[]");
        else if (value.ValueKind == JsonValueKind.Object && schema.TryGetProperty("properties", out var properties))
        {
            foreach (var promised in schema.GetProperty("required").EnumerateArray())
                Assert.True(value.TryGetProperty(promised.GetString()!, out _), $"{at}.{promised} is promised");
            foreach (var member in value.EnumerateObject())
            {
                Assert.True(properties.TryGetProperty(member.Name, out var known), $"{at}.{member.Name} was not promised");
                Keeps(member.Value, known, $"{at}.{member.Name}");
            }
        }
    }
}
