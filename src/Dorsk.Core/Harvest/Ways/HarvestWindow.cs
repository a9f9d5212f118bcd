using Dorsk.Core.Species;

namespace Dorsk.Core.Harvest;

/// <summary>What fish are taken out for.</summary>
public enum HarvestPurpose
{
    /// <summary>Killed and put on ice.</summary>
    Ice,

    /// <summary>Sold alive.</summary>
    Live,

    /// <summary>Stocked again: fingerlings.</summary>
    Fingerlings,
}

/// <summary>Water temperatures at which fish are taken out for a purpose.</summary>
/// <param name="LowC">Colder, they are stiff, bruise and get fungus, °C.</param>
/// <param name="HighC">Warmer, they lack air in the net and do not travel, °C.</param>
public readonly record struct HarvestWindow(double LowC, double HighC)
{
    /// <summary>Where the rule comes from.</summary>
    public const string Source =
        "Handled in the cooler part of what the species bears, alive cooler than for ice, fingerlings never cold; shares of the way from no growth to best growth are starting values (confidence low)";

    /// <summary>The window of a species.</summary>
    /// <param name="species">The species.</param>
    /// <param name="purpose">What they are taken out for.</param>
    public static HarvestWindow Of(FishSpecies species, HarvestPurpose purpose)
    {
        var (none, best) = (species.GrowthMinC, species.GrowthOptC);
        var rise = best - none;
        return purpose switch
        {
            HarvestPurpose.Live => new(none, best - (rise / 4)),
            HarvestPurpose.Fingerlings => new(none + (rise / 3), best),
            _ => new(Math.Max(2, none - (rise / 2)), (best + species.GrowthMaxC) / 2),
        };
    }

    /// <summary>Whether a temperature lies inside.</summary>
    /// <param name="tempC">Water, °C.</param>
    public bool Holds(double tempC) => tempC >= LowC && tempC <= HighC;

    /// <summary>Spans of days on which the water lies inside, in order.</summary>
    /// <param name="days">Days with their expected water temperature, °C, in order.</param>
    public IReadOnlyList<(DateOnly From, DateOnly To)> Spans(IEnumerable<(DateOnly Day, double TempC)> days)
    {
        var spans = new List<(DateOnly From, DateOnly To)>();
        foreach (var (day, tempC) in days)
            if (Holds(tempC))
            {
                if (spans.Count > 0 && spans[^1].To.AddDays(1) == day)
                    spans[^1] = (spans[^1].From, day);
                else
                    spans.Add((day, day));
            }
        return spans;
    }
}
