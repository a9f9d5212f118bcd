namespace Dorsk.Web.Find;

/// <summary>A page of many things: what was used last, then all in groups.</summary>
/// <param name="Last">Used last, newest first; may be empty.</param>
/// <param name="Groups">All of them.</param>
public sealed record Shelf(
    IReadOnlyList<MapEntry> Last,
    IReadOnlyList<(string Title, IReadOnlyList<MapEntry> Of)> Groups
)
{
    /// <summary>A shelf of these groups for a browser.</summary>
    /// <param name="groups">All of them.</param>
    /// <param name="lately">Addresses used last, newest first; what is not on the shelf is left out.</param>
    public static Shelf For(
        IReadOnlyList<(string Title, IReadOnlyList<MapEntry> Of)> groups,
        IReadOnlyList<string> lately
    ) =>
        new(
            [
                .. lately
                    .Select(a => groups.SelectMany(g => g.Of).FirstOrDefault(e => e.Address == a))
                    .OfType<MapEntry>(),
            ],
            groups
        );
}
