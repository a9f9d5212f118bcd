using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Lines about the fish in the water, shared by calculators: those of the pond, where there is one.</summary>
internal static class BenchFish
{
    public static IEnumerable<SlipField> Fields(BenchStart s, string example, double exampleG) =>
        [
            s.Fish("species", "Fish in it", s.Pond?.LikelySpecies.Key ?? example),
            s.Quantity("weight", "Average weight", Measures.FishWeight, WeightG(s) ?? exampleG),
        ];

    public static (FishSpecies Species, double MeanG) Read(BenchForm f) =>
        (f.Form.Fish("species"), f.Q("weight", Measures.FishWeight, 0.0001, 20_000));

    private static double? WeightG(BenchStart s) =>
        s.Pond?.Standing.Select(b => s.Pond.Stock.Near(b, s.Here.Today)?.MeanG.Value).LastOrDefault() is { } g
            ? Math.Round(g, g >= 10 ? 0 : 3)
            : null;
}
