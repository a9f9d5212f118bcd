using Dorsk.Core.Species;

namespace Dorsk.Practice;

/// <summary>The people of a wide batch: how they feed, weigh and count, as nobody writes it down.</summary>
internal sealed class WidePeople
{
    private readonly FishSpecies species;
    private readonly Chance chance;
    private readonly int way;
    private readonly double hunger,
        table;
    private readonly bool restsOnSunday;
    private double habitKg = double.NaN,
        bookG;

    public WidePeople(FishSpecies species, double bookG, bool isShrimp, Chance chance)
    {
        double Between(double low, double high) => low + ((high - low) * chance.Uniform());
        (this.species, this.bookG, this.chance) = (species, bookG, chance);
        way = (int)(3 * chance.Uniform());
        hunger = Between(0.7, 1.05);
        table = Between(0.7, 1.3);
        restsOnSunday = chance.Uniform() < 0.4;
        SampleEvery = (int)Between(7, 43);
        Casts = 1 + (int)(4 * chance.Uniform());
        FishPerCast = (int)Between(15, isShrimp ? 120 : 60);
        CastBias = 0.03 * chance.Normal();
        // 2 to 12 % out, 95 times in a hundred.
        CountSd = Between(0.02, 0.12) / 1.96;
        FoundShare = Between(0.2, 0.95);
        ReadsOxygen = chance.Uniform() < 0.7;
        TempEvery = chance.Uniform() < 0.6 ? 1 : 4;
    }

    public int SampleEvery { get; }

    public int Casts { get; }

    public int FishPerCast { get; }

    public double CastBias { get; }

    public double CountSd { get; }

    public double FoundShare { get; }

    public bool ReadsOxygen { get; }

    public int TempEvery { get; }

    /// <summary>A new sample: what they go on feeding by.</summary>
    public void Weighed(double meanG)
    {
        bookG = meanG;
        habitKg = double.NaN;
    }

    /// <summary>Feed of a day, kg.</summary>
    /// <param name="day">The day.</param>
    /// <param name="appetiteKg">What the fish would eat.</param>
    /// <param name="bookCount">Fish on the books.</param>
    /// <param name="tempC">Water, °C.</param>
    public double FeedKg(DateOnly day, double appetiteKg, double bookCount, double tempC)
    {
        if (tempC < species.FeedMinC || chance.Uniform() < 0.03 || (restsOnSunday && day.DayOfWeek == DayOfWeek.Sunday))
            return 0;
        var eye = appetiteKg * hunger;
        var kg = way switch
        {
            0 => eye,
            1 => table * bookCount / 1000 * TableGainG(tempC) * species.FcrGrowOut,
            _ => habitKg = double.IsNaN(habitKg) ? eye : habitKg,
        };
        if (way == 1)
            bookG += 0.8 * TableGainG(tempC);
        return Math.Max(0, kg * (1 + (0.1 * chance.Normal())));
    }

    // Their table: gain by weight, straight up to the best water and straight down from it.
    private double TableGainG(double tempC)
    {
        var rise = (tempC - species.GrowthMinC) / (species.GrowthOptC - species.GrowthMinC);
        var fall = (species.GrowthMaxC - tempC) / (species.GrowthMaxC - species.GrowthOptC);
        return species.GrowthG13PerDay * Math.Pow(bookG, 2 / 3.0) * Math.Clamp(Math.Min(rise, fall), 0, 1);
    }
}
