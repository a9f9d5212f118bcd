using Dorsk.Core.Species;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>The farm's own feeding tables of a species with when and by whom, the newest first; a table without rows went back to the starting values.</summary>
    public IReadOnlyList<(DateTimeOffset At, string Author, FeedTableSet Table)> FeedTables(string species)
    {
        using var c = file.Open();
        return
        [
            .. SettingsQuestions
                .Tables(c, Log.AsOf.Now(DateTimeOffset.MaxValue))
                .Where(t => t.Fact.SpeciesKey == species)
                .Select(t => (t.At, t.Author, t.Fact))
                .Reverse(),
        ];
    }

    /// <summary>Last movements of the store, feedings apart, newest first.</summary>
    public IReadOnlyList<LogRow> StoreLog(int most)
    {
        using var c = file.Open();
        return LogLines.OfStore(c, Log.AsOf.Now(DateTimeOffset.MaxValue), most);
    }
}
