using Dorsk.Farm.Sql;

namespace Dorsk.Farm.State;

/// <summary>Whether a file was made as a demo. Only such a file opens without a password or with another clock; a farm's own file never does.</summary>
/// <param name="file">The data file.</param>
public sealed class MadeAs(FarmFile file)
{
    /// <summary>True for a demo.</summary>
    public bool Demo
    {
        get
        {
            using var c = file.Open();
            return Sqlite.Number(c, "SELECT demo FROM made_as") == 1;
        }
    }

    /// <summary>Marks an empty file as a demo.</summary>
    /// <exception cref="InvalidOperationException">Facts stand in it: it is somebody's farm.</exception>
    public void MarkDemo()
    {
        using var c = file.Open();
        if (Sqlite.Run(c, "UPDATE made_as SET demo = 1 WHERE NOT EXISTS (SELECT 1 FROM log)") == 0)
            throw new InvalidOperationException($"{file.Path} holds a farm: it cannot become a demo.");
    }
}
