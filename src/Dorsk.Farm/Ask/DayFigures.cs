using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;

namespace Dorsk.Farm.Ask;

/// <summary>What the sheet of a day tells of one pond in figures.</summary>
/// <param name="DawnMgL">Lowest oxygen of the morning, mg/L.</param>
/// <param name="DawnC">Lowest temperature of the morning, °C.</param>
/// <param name="Dead">Fish found dead; null for none.</param>
/// <param name="AfternoonMgL">Highest oxygen of the afternoon, mg/L.</param>
/// <param name="AfternoonPh">Highest pH of the afternoon.</param>
/// <param name="FedKg">Feed given, kg; null for none.</param>
public readonly record struct DayFigures(
    double? DawnMgL,
    double? DawnC,
    double? Dead,
    double? AfternoonMgL,
    double? AfternoonPh,
    double? FedKg
)
{
    /// <summary>Of a pond on a day.</summary>
    /// <param name="s">The pond.</param>
    /// <param name="day">The farm's day.</param>
    public static DayFigures Of(PondStory s, DateOnly day)
    {
        double? On(Parameter p, bool morning) => s.DaysOf(p, morning, day, day) is [.., var last] ? last.Si : null;
        var dead = s
            .Batches.SelectMany(b => b.Losses)
            .Where(l => l.Fact.To == Account.Dead && s.Zone.DayOf(l.At) == day)
            .Sum(l => l.Fact.Count);
        return new(
            On(Parameter.Oxygen, true),
            On(Parameter.Temperature, true),
            dead > 0 ? dead : null,
            On(Parameter.Oxygen, false),
            On(Parameter.Ph, false),
            s.FedOn(day) is > 0 and var kg ? kg : null
        );
    }
}
