using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Verdict.Rules;

/// <summary>Biomass against the carrying capacity of the pond: a figure of planning, so it never says Act now by itself; the nights do.</summary>
internal static class Load
{
    public static readonly Rule Rule = new(PondVerdict.Biomass, Judge);

    private static IEnumerable<Finding> Judge(PondState s)
    {
        if (s.CapacityKg is not (> 0 and var capacity))
            yield break;
        var kg = s.Fish.Sum(f => f.BiomassKg);
        var pct = 100 * kg / capacity;
        if (pct <= 100)
            yield break;
        yield return new(
            Rule.Name,
            Status.Watch,
            $"{QuantityText.Write(kg, Measures.Mass, s.Hand)} is {s.Hand.Count(pct - 100)} % over the carrying capacity {QuantityText.Write(capacity, Measures.Mass, s.Hand)}"
        )
        {
            Do = "Harvest or move a part of the fish; more air every night until then.",
            Why = Grounds.Of(
                "Estimated biomass by what such a pond carries of the species with the aeration it has.",
                "Species table, starting values",
                new Input("biomass", kg, Measures.Mass, "standing estimate"),
                new Input("carrying capacity", capacity, Measures.Mass, "species table and area")
            ),
            ShutsGate = true,
        };
    }
}
