using Dorsk.Core.Species;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ask;

/// <summary>The farm's own values and limits.</summary>
internal static class SettingsQuestions
{
    public static List<SpeciesValueSet> Values(SqliteConnection c, AsOf asOf) => Sqlite.Rows(c,
        $"SELECT v.species, v.field, v.value FROM species_value v CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line",
        r => new SpeciesValueSet(r.GetString(0), r.GetString(1), r.MaybeReal(2)), Lines.With(asOf));

    public static List<LimitSet> Limits(SqliteConnection c, AsOf asOf) => Sqlite.Rows(c,
        $"SELECT m.pond, m.species, m.stage, m.name, m.value FROM limit_set m CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line",
        r => new LimitSet(r.MaybeLong(0), r.GetString(1), r.Word<LifeStage>(2), r.GetString(3), r.MaybeReal(4)), Lines.With(asOf));

    public static List<(long Line, DateTimeOffset At, string Author, FeedTableSet Fact)> Tables(SqliteConnection c, AsOf asOf) => Sqlite.Rows(c,
        $"SELECT f.line, l.happened, l.author, f.species FROM feed_table f CROSS JOIN log l USING (line) WHERE {Lines.Count} ORDER BY l.happened, l.line",
        r => (r.GetInt64(0), r.Instant(1), r.GetString(2), Table(c, r.GetInt64(0), r.GetString(3))), Lines.With(asOf));

    private static FeedTableSet Table(SqliteConnection c, long line, string species) => new(species, Sqlite.Rows(c, "SELECT from_g, pellet_low_mm, pellet_high_mm, protein_pct, ration_pct, temp_c FROM feed_table_row WHERE line = $line ORDER BY n",
        r => new FeedTableRow(r.GetDouble(0), r.GetDouble(1), r.GetDouble(2), r.GetDouble(3), r.GetDouble(4), r.GetDouble(5)), ("line", line)));

    /// <summary>A species as this farm and pond know it.</summary>
    public static FishSpecies Species(SqliteConnection c, AsOf asOf, string key, long? pond) => For(c, asOf, pond)(key);

    /// <summary>Any species by key as this farm and pond know it; the settings are read once.</summary>
    public static Func<string, FishSpecies> For(SqliteConnection c, AsOf asOf, long? pond)
    {
        var (values, limits, tables) = (Values(c, asOf), Limits(c, asOf).Where(l => l.PondId is null || l.PondId == pond).ToList(), Tables(c, asOf).ConvertAll(t => t.Fact));
        return key => FarmSpecies.Of(FishSpecies.Of(key), values, limits, tables);
    }
}
