using Dorsk.Core.Judging;

namespace Dorsk.Core.Species;

/// <summary>
/// A species of the farm's own: copied from the nearest one of the tables, its figures then changed one by one. Its key holds the key it was
/// copied from and its name, so that whoever meets the key knows both.
/// </summary>
/// <param name="Name">Common name; it cannot be changed later, for it is part of the key.</param>
/// <param name="BaseKey">Key of the species of the tables whose figures hold until the farm sets its own.</param>
/// <param name="Scientific">Scientific name; may be empty.</param>
/// <param name="Source">Where the figures that the farm sets come from: an extension leaflet, a hatchery, own records.</param>
public sealed record OwnSpecies(string Name, string BaseKey, string Scientific, string Source) : Fact
{
    private const char Between = '~';
    private const int LongestName = 40;

    /// <summary>Its key.</summary>
    public string Key => BaseKey + Between + Name.Trim();

    /// <summary>The key of the tables within a key.</summary>
    public static string BaseOf(string key) =>
        key.IndexOf(Between, StringComparison.Ordinal) is > 0 and var at ? key[..at] : key;

    /// <summary>The farm's name within a key; null for a species of the tables.</summary>
    public static string? NameOf(string key) =>
        key.IndexOf(Between, StringComparison.Ordinal) is >= 0 and var at ? key[(at + 1)..] : null;

    /// <summary>Objections, named by the field of the slip.</summary>
    /// <param name="others">Names of the other species, those of the tables too.</param>
    public IEnumerable<Remark> Check(IEnumerable<string> others)
    {
        var name = Name.Trim();
        if (name.Length is < 2 or > LongestName || !name.All(x => char.IsLetterOrDigit(x) || " -'()".Contains(x)))
            yield return Remark.Refuse(
                "Name",
                $"A name of 2 to {LongestName} letters, digits, spaces, hyphens or brackets."
            );
        else if (others.Any(o => string.Equals(o, name, StringComparison.OrdinalIgnoreCase)))
            yield return Remark.Refuse(
                "Name",
                "There is a species of this name. Give it another one, such as a strain."
            );
        if (FishSpecies.All.All(s => s.Key != BaseKey))
            yield return Remark.Refuse("BaseKey", "Choose the nearest species of the list.");
        if (Scientific.Length > 80)
            yield return Remark.Refuse("Scientific", "At most 80 letters.");
        if (Source.Trim().Length is 0 or > 200)
            yield return Remark.Refuse("Source", "Say where its figures come from, in 1 to 200 letters.");
    }
}
