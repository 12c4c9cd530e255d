using ZingCast.Core.Flies;
using ZingCast.Core.Measures;
using ZingCast.Core.Standards;

namespace ZingCast.Core.Matching;

/// <summary>What the line has to carry.</summary>
internal static class FlyRules
{
    public static void Bulk(Fly fly, LedgerBook book) =>
        book.Add(
            Rules.FlyBulk,
            () =>
                new(
                    Quantity.LineMass(fly.WetKg),
                    fly.InUsualSizes
                        ? (Sentence)$"A {fly.SizeName} {fly.Kind.Name}, soaked"
                        : $"A {fly.SizeName} {fly.Kind.Name}, soaked; outside its usual sizes, so stretched from the nearest",
                    [
                        new("soaked", Quantity.LineMass(fly.WetKg)),
                        new("fly against the air", Figure.Bulk(fly)),
                        new("hook wire", Quantity.Diameter(fly.Hook.WireM)),
                    ],
                    fly.Weighed ? Source.Yours : null,
                    Doubt: !fly.InUsualSizes
                )
        );
}
