using Dorsk.Core.Judging;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>Readings of water and weather, and the instruments they are read with.</summary>
internal sealed class WaterBook : IBook
{
    public bool Keeps(Fact fact) => fact is ReadingTaken or InstrumentKept;

    public long? PondOf(Fact fact) => (fact as ReadingTaken)?.PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact is ReadingTaken reading ? Check(desk, reading) : Check(desk, (InstrumentKept)fact);

    public void Write(Desk desk, Fact fact)
    {
        if (fact is InstrumentKept i)
            Sqlite.Run(desk.Connection, "INSERT INTO instrument VALUES ($line, $instrument, $name, $kind, $measures, $resolution, $calibrated, $every, $who)", ("line", desk.Line), ("instrument", i.InstrumentId > 0 ? i.InstrumentId : desk.Line), ("name", i.Name.Trim()), ("kind", i.Kind),
                ("measures", string.Join(' ', i.Measures.Select(m => m.Key))), ("resolution", i.Resolution.Trim()), ("calibrated", i.CalibratedOn), ("every", i.EveryDays), ("who", i.Who.Trim()));
        if (fact is not ReadingTaken reading)
            return;
        foreach (var (v, n) in reading.Values.Select((v, n) => (v, n)))
            Sqlite.Run(desk.Connection, "INSERT INTO reading VALUES ($line, $n, $pond, $parameter, $value, $depth, $instrument, $low, $high)",
                ("line", desk.Line), ("n", n), ("pond", reading.PondId), ("parameter", v.Parameter.Key), ("value", v.Si), ("depth", v.DepthM), ("instrument", v.Instrument), ("low", v.Step?.Low), ("high", v.Step?.High));
    }

    private static List<Remark> Check(Desk desk, ReadingTaken reading)
    {
        if (reading.Values.Count == 0)
            return [Remark.Refuse("", "Nothing was read yet. Type at least one value.")];
        var farm = desk.Farm;
        var hand = desk.Hand;
        var brim = reading.PondId is { } pond && reading.Values.Any(v => v.Parameter == Parameter.GaugeLevel || v.DepthM is not null) ? FarmQuestions.Pond(desk.Connection, desk.AsOf.Known, pond)?.Shape.FullDepthM : null;
        if (reading.Values.Any(v => v.DepthM is { } d && (!double.IsFinite(d) || d < 0 || d > (brim ?? 10) * 1.1)))
            return [Remark.Refuse("Depth", "A depth from 0 down to the floor of this pond, or empty.")];
        var temp = reading.Values.FirstOrDefault(v => v.Parameter == Parameter.Temperature)?.Si
            ?? Readings.Last(desk.Connection, desk.AsOf, reading.PondId, Parameter.Temperature)?.Si;
        var saturation = OxygenSaturation.FreshMgL(temp, farm?.AltitudeM ?? 0);
        var strips = reading.Values.Any(v => v.Instrument.Length > 0) ? InstrumentQuestions.All(desk.Connection, desk.AsOf.Known).Where(i => i.Kept.Kind == InstrumentKind.Strip).Select(i => i.Kept.Name).ToHashSet() : [];
        return reading.Values.SelectMany(v => ReadingRule.Check(v, new(LastBefore(desk, reading.PondId, v.Parameter, strips.Contains(v.Instrument)), desk.Happened, saturation, brim)
        {
            IsStrip = strips.Contains(v.Instrument), Other = v.Instrument.Length == 0 || v.DepthM is not null ? null : Readings.ByAnother(desk.Connection, desk.AsOf, reading.PondId, v.Parameter, v.Instrument),
        }, hand)).ToList();
    }

    private static List<Remark> Check(Desk desk, InstrumentKept kept)
    {
        var zone = FarmZone.Find(desk.Farm?.ZoneId ?? "") ?? FarmZone.Utc;
        return kept.Check(zone.DayOf(desk.Happened), InstrumentQuestions.All(desk.Connection, desk.AsOf.Known).Where(i => i.Kept.InstrumentId != kept.InstrumentId && i.Line != desk.Line).Select(i => i.Kept.Name)).ToList();
    }

    private static Timed? LastBefore(Desk desk, long? pond, Parameter parameter, bool strip) =>
        parameter.JumpPerDay is null && !strip ? null : Readings.Last(desk.Connection, desk.AsOf, pond, parameter, strip ? 21 : 3);
}
