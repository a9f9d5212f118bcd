using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Screens and nets hold the smallest fish that stands or comes: what slips through is lost, and a native water has strangers.</summary>
internal static class ScreenMesh
{
    public static readonly Rule Rule = new("screens", Judge);

    // The small ones of a batch: two standard deviations of weight under its mean, never under a fifth of it.
    private const double Deviations = 2,
        LeastShare = 0.2;

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.Screens.Count == 0)
            yield break;
        var (fish, g) = s
            .Fish.Concat(s.Standing)
            .Where(f => f.MeanG > 0)
            .Select(f => (f, Smallest(f)))
            .OrderBy(x => BodyLength.HeldByMm(x.f.Species, x.Item2))
            .FirstOrDefault();
        if (fish is null)
            yield break;
        var holds = BodyLength.HeldByMm(fish.Species, g);
        foreach (var (name, mesh) in s.Screens.Where(x => x.MeshMm > holds))
            yield return Found(s, fish, g, holds, (name, mesh));
    }

    private static double Smallest(FishHere f) =>
        f.MeanG * Math.Max(LeastShare, 1 - (Deviations * f.Species.WeightCvPct / 100));

    private static Finding Found(
        PondState s,
        FishHere fish,
        double g,
        double holdsMm,
        (string Name, double MeshMm) screen
    )
    {
        string Mm(double mm) => QuantityText.Write(mm / 1000, Measures.Pellet, s.Hand);
        // Where even the mean fish slips through most of them are gone by morning.
        var most = screen.MeshMm > BodyLength.HeldByMm(fish.Species, fish.MeanG);
        return new(
            Rule.Name,
            most ? Status.ActNow : Status.Watch,
            $"the {screen.Name} of {Mm(screen.MeshMm)} lets {(most ? "most of them" : "the small ones")} through: {QuantityText.Write(g, Measures.FishWeight, s.Hand)} wants {Mm(holdsMm)} or less"
        )
        {
            Do = $"Fit a screen of {Mm(holdsMm)} or less before fish come; rake it twice a day, a fine one clogs.",
            Si = screen.MeshMm,
            Why = Grounds.Of(
                "The opening against a tenth of the length of the smallest fish that stands or comes: two deviations of weight under the mean of its batch.",
                BodyLength.Source,
                new Input("mesh", screen.MeshMm / 1000, Measures.Pellet, "equipment of the pond"),
                new Input("smallest fish", g, Measures.FishWeight, "mean and spread of the batch"),
                new Input("its length", BodyLength.Cm(fish.Species, g) / 100, Measures.ShortLength, "worked out")
            ),
            ShutsGate = true,
        };
    }
}
