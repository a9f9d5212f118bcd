using Dorsk.Core.Species;

namespace Dorsk.Practice;

/// <summary>How the animals of one wide batch truly grow and eat.</summary>
internal sealed class WideFish
{
    private readonly WideWorld world;
    private readonly FishSpecies species;
    private readonly double factor,
        power,
        lastG,
        bestC,
        coldC,
        hotC,
        conversion,
        conversionRise,
        upkeep,
        middleG;

    public WideFish(WideWorld world, FishSpecies species, double startG, double marketG, Chance chance)
    {
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        (this.world, this.species) = (world, species);
        middleG = Math.Sqrt(startG * marketG);
        factor = Math.Clamp(Math.Exp(0.28 * chance.Normal()), 0.5, 1.5);
        power = Between(0.5, 0.8);
        lastG = marketG * Between(1.5, 3.5);
        bestC = species.GrowthOptC + chance.Normal();
        coldC = (species.GrowthOptC - species.GrowthMinC) * Between(0.42, 0.7);
        hotC = (species.GrowthMaxC - species.GrowthOptC) * Between(0.42, 0.7);
        conversion = Between(0.5, 1.5);
        conversionRise = Between(-0.05, 0.15);
        upkeep = Between(0.1, 0.35);
    }

    /// <summary>Share of the best growth in water of a temperature.</summary>
    public double Warmth(double tempC)
    {
        if (world == WideWorld.Power)
            return Math.Exp(-Math.Pow((tempC - bestC) / (tempC < bestC ? coldC : hotC), 2));
        var middle = bestC - (0.9 * coldC);
        double Rise(double t) => 1 / (1 + Math.Exp(-(t - middle) / (0.3 * coldC)));
        var fall = tempC <= bestC ? 1 : Math.Max(0, 1 - ((tempC - bestC) / (2.2 * hotC)));
        return Rise(tempC) / Rise(bestC) * fall;
    }

    /// <summary>Gain of a day at full appetite, g.</summary>
    public double FullGainG(double g, double tempC)
    {
        var middle = factor * species.GrowthG13PerDay * Math.Pow(middleG, 2 / 3.0);
        var best =
            world == WideWorld.Power
                ? middle * Math.Pow(g / middleG, power)
                : middle / middleG / Math.Log(lastG / middleG) * g * Math.Log(Math.Max(1.0001, lastG / g));
        return best * Warmth(tempC);
    }

    /// <summary>Feed that makes that gain, g a day.</summary>
    public double AppetiteG(double g, double tempC) =>
        (FullGainG(g, tempC) * species.FcrGrowOut * conversion * Math.Pow(g / middleG, conversionRise)) + (0.0008 * g);

    /// <summary>Gain at a share of the appetite, g; below the upkeep they lose.</summary>
    public double GainG(double g, double tempC, double share, double breath) =>
        Math.Max(-0.003 * g, FullGainG(g, tempC) * ((share * (1 + upkeep)) - upkeep) * breath);
}
