using Dorsk.Core.Judging;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Readings of water and weather.</summary>
internal sealed class WaterBook : IBook
{
    public bool Keeps(Fact fact) => fact is ReadingTaken;

    public long? PondOf(Fact fact) => ((ReadingTaken)fact).PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        var reading = (ReadingTaken)fact;
        if (reading.Values.Count == 0)
            return [Remark.Refuse("", "Nothing was read yet. Type at least one value.")];
        var farm = desk.Farm;
        var hand = desk.Hand;
        var brim = reading.PondId is { } pond && reading.Values.Any(v => v.Parameter == Parameter.GaugeLevel) ? FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, pond)?.Shape.FullDepthM : null;
        var temp = reading.Values.FirstOrDefault(v => v.Parameter == Parameter.Temperature)?.Si
            ?? Readings.Last(desk.Connection, desk.AsOf, reading.PondId, Parameter.Temperature)?.Si;
        double? saturation = temp is { } t and >= 0 and <= 40 ? OxygenSaturation.MgL(t, 0, OxygenSaturation.PressureKPa(farm?.AltitudeM ?? 0)) : null;
        return reading.Values.SelectMany(v => ReadingRule.Check(v, new(LastBefore(desk, reading.PondId, v.Parameter), desk.Happened, saturation, brim), hand)).ToList();
    }

    public void Write(Desk desk, Fact fact)
    {
        var reading = (ReadingTaken)fact;
        foreach (var (v, n) in reading.Values.Select((v, n) => (v, n)))
            Sqlite.Run(desk.Connection, "INSERT INTO reading VALUES ($line, $n, $pond, $parameter, $value, $depth, $instrument)",
                ("line", desk.Line), ("n", n), ("pond", reading.PondId), ("parameter", v.Parameter.Key), ("value", v.Si), ("depth", v.DepthM), ("instrument", v.Instrument));
    }

    private static Timed? LastBefore(Desk desk, long? pond, Parameter parameter) =>
        parameter.JumpPerDay is null ? null : Readings.Last(desk.Connection, desk.AsOf, pond, parameter);
}
