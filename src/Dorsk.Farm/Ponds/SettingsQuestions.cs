using Dorsk.Core.Species;
using Dorsk.Farm.Log;
using Microsoft.Data.Sqlite;

namespace Dorsk.Farm.Ponds;

/// <summary>The farm's own values and limits.</summary>
internal static class SettingsQuestions
{
    public static List<SpeciesValueSet> Values(SqliteConnection c, AsOf asOf) =>
        SettingsFacts.SpeciesValue.All(c, asOf).ConvertAll(v => v.Fact);

    public static List<LimitSet> Limits(SqliteConnection c, AsOf asOf) =>
        SettingsFacts.Limit.All(c, asOf).ConvertAll(l => l.Fact);

    public static List<(long Line, DateTimeOffset At, string Author, FeedTableSet Fact)> Tables(
        SqliteConnection c,
        AsOf asOf
    ) => SettingsFacts.FeedTable.All(c, asOf).ConvertAll(t => (t.Line, t.At, t.Author, t.Fact));

    /// <summary>The farm's own species, in the order in which they were added.</summary>
    public static List<OwnSpecies> Own(SqliteConnection c, AsOf asOf) =>
        SettingsFacts.Own.Sound(c, asOf).ConvertAll(s => s.Fact);

    /// <summary>Whether a key is of the tables or of the farm's own species.</summary>
    public static bool Knows(SqliteConnection c, AsOf asOf, string key) =>
        FishSpecies.Find(key) is not null && (OwnSpecies.NameOf(key) is null || Own(c, asOf).Exists(s => s.Key == key));

    /// <summary>A species as this farm and pond know it.</summary>
    public static FishSpecies Species(SqliteConnection c, AsOf asOf, string key, long? pond) => For(c, asOf, pond)(key);

    /// <summary>Any species by key as this farm and pond know it; the settings are read once.</summary>
    public static Func<string, FishSpecies> For(SqliteConnection c, AsOf asOf, long? pond)
    {
        var (values, limits, tables) = (
            Values(c, asOf),
            Limits(c, asOf).Where(l => l.PondId is null || l.PondId == pond).ToList(),
            Tables(c, asOf).ConvertAll(t => t.Fact)
        );
        return key => FarmSpecies.Of(FishSpecies.Of(key), values, limits, tables);
    }
}
