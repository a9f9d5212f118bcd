using Dorsk.Core.Units;

namespace Dorsk.Core.Plans;

/// <summary>Extensive, semi-intensive or intensive: how a plan is placed, and the yield that level usually gives.</summary>
/// <param name="Name">The level.</param>
/// <param name="Yield">Usual yield of a cycle: kg/ha in ponds, kg/m³ by volume; low and high.</param>
/// <param name="Because">What places it there.</param>
public sealed record PlanClass(string Name, (double Low, double High) Yield, string Because)
{
    /// <summary>Where the bands come from.</summary>
    public const string Source =
        "Usual bands of the trade: extensive without feed to 1,500 kg/ha, semi-intensive with feed or fertiliser to 6,000, intensive with air or new water above; crustaceans a fifth of it to 500 and 2,500; tanks 20 to 60 kg/m³, cages 15 to 50; judged";

    private static readonly (string Name, double Low, double High)[] Fish =
        [("extensive", 100, 1500), ("semi-intensive", 1500, 6000), ("intensive", 6000, 20_000)],
        Crustaceans = [("extensive", 50, 500), ("semi-intensive", 500, 2500), ("intensive", 2500, 10_000)];

    /// <summary>Places a plan by its yield, and says what its feed, air and water exchange are.</summary>
    /// <param name="answer">The plan worked out.</param>
    public static PlanClass Of(StockingAnswer answer)
    {
        var (q, water) = (answer.Question, answer.Question.Water);
        if (water.System.ByVolume())
            return new(
                "intensive",
                water.System == RearingSystem.Cage ? (15, 50) : (20, 60),
                "fish by volume, on feed alone"
            );
        var bands = Species.SpeciesTable.Text(q.Species, "group") == "crustacean" ? Crustaceans : Fish;
        var yield = answer.HarvestKg / (water.AreaM2 / 10_000);
        var placed = bands.LastOrDefault(b => yield >= b.Low, bands[0]);
        return new(placed.Name, (placed.Low, placed.High), Inputs(answer));
    }

    private static string Inputs(StockingAnswer a)
    {
        var w = a.Question.Water;
        string[] words =
        [
            $"{QuantityText.Write(a.Harvested / w.AreaM2, Measures.FishPerArea, a.Question.Hand)} at harvest",
            a.FeedKg > 0 ? "fed" : "not fed",
            w.ShaftKW > 0 ? "with aerators" : "no aerators",
            w.FlowM3H > 0 ? "new water runs through" : "still water",
        ];
        return string.Join(", ", words);
    }
}
