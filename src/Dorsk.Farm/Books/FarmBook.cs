using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>The farm and its people.</summary>
internal sealed class FarmBook : IBook
{
    public bool Keeps(Fact fact) => fact is FarmDescribed or PersonNamed;

    public long? PondOf(Fact fact) => null;

    public IEnumerable<Remark> Check(Desk desk, Fact fact) => fact switch
    {
        FarmDescribed f => FarmRules.Check(f),
        PersonNamed p when string.IsNullOrWhiteSpace(p.Name) || p.Name.Length > 60 => [Remark.Refuse("Person", "Give a name of 1 to 60 letters.")],
        _ => [],
    };

    public void Write(Desk desk, Fact fact)
    {
        if (fact is FarmDescribed f)
            Sqlite.Run(desk.Connection, "INSERT INTO farm VALUES ($line, $name, $place, $lat, $lon, $alt, $zone, $units, $sign, $currency)",
                ("line", desk.Line), ("name", f.Name.Trim()), ("place", f.PlaceName.Trim()), ("lat", f.Place.LatitudeDeg), ("lon", f.Place.LongitudeDeg), ("alt", f.AltitudeM),
                ("zone", f.ZoneId), ("units", f.Hand.System), ("sign", f.Hand.Sign), ("currency", f.Currency));
        else if (fact is PersonNamed p)
            Sqlite.Run(desk.Connection, "INSERT INTO person VALUES ($line, $name, $role)", ("line", desk.Line), ("name", p.Name.Trim()), ("role", p.Role));
    }
}
