using Microsoft.AspNetCore.Http.HttpResults;
using ZingCast.Core.Measures;

namespace ZingCast.Web.Rooms;

/// <summary>Refusals as problem details.</summary>
public static class Problems
{
    public static ValidationProblem At(string field, string words) => Invalid([new(field, words)]);

    public static ValidationProblem Invalid(IEnumerable<FieldProblem> problems, string prefix = "") =>
        TypedResults.ValidationProblem(
            problems.GroupBy(p => prefix + p.Field).ToDictionary(g => g.Key, g => g.Select(p => p.Problem).ToArray()),
            title: "Something needs another look."
        );

    /// <summary>Something archived or never stored; in words, such as “a rod”.</summary>
    public static ProblemHttpResult Gone(string one) =>
        TypedResults.Problem(statusCode: 404, title: $"That {one.Split(' ')[^1]} is not here any more.");
}
