using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>The farm's description.</summary>
internal sealed class FarmBook : IBook
{
    public bool Keeps(Fact fact) => fact is FarmDescribed;

    public long? PondOf(Fact fact) => null;

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact switch
    {
        FarmDescribed f => FarmRules.Check(f),
        _ => [],
    };

    public void Write(Desk desk, Fact fact)
    {
        if (fact is FarmDescribed f)
            Sqlite.Run(desk.Connection, "INSERT INTO farm VALUES ($line, $name, $place, $lat, $lon, $alt, $zone, $units, $sign, $currency, $kwh)",
                ("line", desk.Line), ("name", f.Name.Trim()), ("place", f.PlaceName.Trim()), ("lat", f.Place.LatitudeDeg), ("lon", f.Place.LongitudeDeg), ("alt", f.AltitudeM),
                ("zone", f.ZoneId), ("units", f.Hand.System), ("sign", f.Hand.Sign), ("currency", f.Currency), ("kwh", f.KWhPrice));
    }
}
