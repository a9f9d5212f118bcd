using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Sql;

namespace Dorsk.Farm.Books;

/// <summary>The farm's own values of species and limits of the water.</summary>
internal sealed class SettingsBook : IBook
{
    public bool Keeps(Fact fact) => fact is SpeciesValueSet or LimitSet or FeedTableSet;

    public long? PondOf(Fact fact) => (fact as LimitSet)?.PondId;

    public IEnumerable<Remark> Check(Desk desk, Fact fact)
    {
        if (fact is FeedTableSet table)
            return table.Check();
        if (fact is SpeciesValueSet value)
            return SpeciesValue.Check(value, Would(desk, value.SpeciesKey, null, [value], []), desk.Hand);
        var limit = (LimitSet)fact;
        var species = Would(desk, limit.SpeciesKey, limit.PondId, [], [limit]);
        return WaterLimit.Check(limit, species is null || !Enum.IsDefined(limit.Stage) ? null : WaterLimits.For(species, limit.Stage), desk.Hand);
    }

    public void Write(Desk desk, Fact fact)
    {
        if (fact is SpeciesValueSet v)
            Sqlite.Run(desk.Connection, "INSERT INTO species_value VALUES ($line, $species, $field, $value)", ("line", desk.Line), ("species", v.SpeciesKey), ("field", v.Field), ("value", v.Value));
        else if (fact is FeedTableSet t)
        {
            Sqlite.Run(desk.Connection, "INSERT INTO feed_table VALUES ($line, $species)", ("line", desk.Line), ("species", t.SpeciesKey));
            foreach (var (r, n) in t.Rows.Select((r, n) => (r, n)))
                Sqlite.Run(desk.Connection, "INSERT INTO feed_table_row VALUES ($line, $n, $from, $low, $high, $protein, $ration, $temp)", ("line", desk.Line), ("n", n), ("from", r.FromG), ("low", r.PelletLowMm), ("high", r.PelletHighMm), ("protein", r.ProteinPct), ("ration", r.RationPct), ("temp", r.TempC));
        }
        else if (fact is LimitSet l)
            Sqlite.Run(desk.Connection, "INSERT INTO limit_set VALUES ($line, $pond, $species, $stage, $limit, $value)", ("line", desk.Line), ("pond", l.PondId), ("species", l.SpeciesKey), ("stage", l.Stage), ("limit", l.Limit), ("value", l.Value));
    }

    private static FishSpecies? Would(Desk desk, string key, long? pond, SpeciesValueSet[] value, LimitSet[] limit) => FishSpecies.Find(key) is { } species
        ? FarmSpecies.Of(species, [.. SettingsQuestions.Values(desk.Connection, desk.AsOf.Known), .. value], [.. SettingsQuestions.Limits(desk.Connection, desk.AsOf.Known).Where(l => l.PondId is null || l.PondId == pond), .. limit]) : null;
}
