using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>Remembers what the columns of a sheet meant, by its headings. State, not a fact.</summary>
/// <param name="file">The farm's data file.</param>
public sealed class SheetMaps(FarmFile file)
{
    /// <summary>The remembered answers as the form sent them, or null.</summary>
    /// <param name="heading">All headings of the sheet as one text.</param>
    public string? Of(string heading)
    {
        using var c = file.Open();
        return Sqlite.One(
            c,
            "SELECT map FROM sheet_map WHERE heading = $heading",
            r => r.GetString(0),
            ("heading", heading)
        );
    }

    /// <summary>Remembers the answers in place of the former ones.</summary>
    public void Keep(string heading, string map)
    {
        using var c = file.Open();
        Sqlite.Run(
            c,
            "INSERT INTO sheet_map VALUES ($heading, $map) ON CONFLICT(heading) DO UPDATE SET map = excluded.map",
            ("heading", heading),
            ("map", map)
        );
    }
}
