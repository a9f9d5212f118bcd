using Dorsk.Core.Ponds;
using Dorsk.Core.Time;

namespace Dorsk.Practice;

/// <summary>Trouble that can be switched on in a pond that lives on.</summary>
[Flags]
public enum PondTrouble
{
    /// <summary>None.</summary>
    None = 0,

    /// <summary>Power is out: no aerator runs.</summary>
    PowerCut = 1,

    /// <summary>Thick cloud, day after day.</summary>
    CloudyWeek = 2,

    /// <summary>The bloom has died: it makes no oxygen and rots.</summary>
    BloomCrash = 4,
}

/// <summary>
/// A simulated pond that lives on from where a farm last read its water, quarter hour by quarter hour: what the stand-in buoys hang in. Its hidden
/// parameters are drawn from its code, so that the same pond is the same each time.
/// </summary>
public sealed class LivePond
{
    private const double QuarterH = 0.25,
        CloudAdded = 0.8;
    private readonly Chance chance;
    private readonly SimulatedWeather weather;
    private readonly SimulatedPond sim;
    private readonly FarmZone zone;
    private DateOnly day;

    /// <summary>Begins to live.</summary>
    /// <param name="pond">The pond as the farm knows it.</param>
    /// <param name="place">Where the farm is.</param>
    /// <param name="zone">The farm's clock.</param>
    /// <param name="at">From when.</param>
    /// <param name="tempC">Water temperature then, °C.</param>
    /// <param name="doMgL">Oxygen then, mg/L.</param>
    /// <param name="biomassKg">Fish, kg.</param>
    public LivePond(
        Pond pond,
        Place place,
        FarmZone zone,
        DateTimeOffset at,
        double tempC,
        double doMgL,
        double biomassKg
    )
    {
        this.zone = zone;
        chance = new Chance(pond.Code.Aggregate(17, (h, c) => (h * 31) + c));
        weather = new(place, chance, WeatherSwing.Mild);
        const double usualG = 300;
        sim = new(pond, HiddenPond.Draw(chance, pond.Kind), zone)
        {
            Fish = new(biomassKg * 1000 / usualG, usualG, 0.06, 27, 0.0001),
        };
        sim.Begin(tempC, doMgL);
        day = zone.DayOf(at);
        weather.NextDay(day);
    }

    /// <summary>Oxygen, mg/L.</summary>
    public double DoMgL => sim.DoMgL;

    /// <summary>Water temperature, °C.</summary>
    public double TempC => sim.TempC;

    /// <summary>Trouble that is on.</summary>
    public PondTrouble Trouble { get; set; }

    /// <summary>Lets a quarter of an hour pass.</summary>
    /// <param name="from">Its beginning.</param>
    /// <param name="aerators">Aerators with their timers, as the farm has them.</param>
    public void Quarter(DateTimeOffset from, IReadOnlyList<Aerator> aerators)
    {
        if (zone.DayOf(from) is var today && today != day)
        {
            day = today;
            weather.NextDay(today);
            weather.Nightfall();
        }
        weather.Spells.Clear();
        if (Trouble.HasFlag(PondTrouble.CloudyWeek))
            weather.Spells.Add((today.AddDays(-1), today.AddDays(1), -1, CloudAdded));
        sim.Richness = Trouble.HasFlag(PondTrouble.BloomCrash) ? 0.15 : 1;
        sim.Mood = Trouble.HasFlag(PondTrouble.BloomCrash) ? 1.8 : 1;
        sim.Aerators = Trouble.HasFlag(PondTrouble.PowerCut) ? [] : aerators;
        sim.Pass(from, weather, QuarterH);
    }
}
