using System.Globalization;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Ponds;

/// <summary>A country, with what a farm there usually writes in.</summary>
/// <param name="Code">Two letters, ISO 3166.</param>
/// <param name="Name">Its name.</param>
/// <param name="Currency">Three letters, or empty where none is known.</param>
/// <param name="Hand">Units and decimal sign.</param>
/// <param name="Zones">Its time zones, each with the town that it is named after.</param>
public sealed record Country(
    string Code,
    string Name,
    string Currency,
    Hand Hand,
    IReadOnlyList<(string Zone, Place Town)> Zones
)
{
    private static readonly Lazy<ILookup<string, IReadOnlyDictionary<string, string>>> Rows = new(() =>
        Csv.Embedded("countries.csv").ToLookup(r => r["country_code"])
    );

    private static readonly Lazy<IReadOnlyList<Country>> List = new(() =>
        [.. Rows.Value.Select(Read).OrderBy(c => c.Name, StringComparer.Ordinal)]
    );

    /// <summary>All of them by name (time zone database 2025, Unicode locale data).</summary>
    public static IReadOnlyList<Country> All => List.Value;

    /// <summary>A country by its two letters, or null.</summary>
    /// <param name="code">Two letters.</param>
    public static Country? Find(string code) =>
        All.FirstOrDefault(c => c.Code.Equals(code, StringComparison.OrdinalIgnoreCase));

    /// <summary>The country of a time zone and the town it is named after; null for zones of no country. Old names are known too.</summary>
    /// <param name="zone">IANA name.</param>
    public static (Country Country, Place Town)? OfZone(string zone)
    {
        var row = Rows
            .Value.SelectMany(g => g)
            .FirstOrDefault(r => r["zone"] == zone || r["old_names"].Split(' ').Contains(zone));
        return row is null ? null : (Find(row["country_code"])!, Town(row));
    }

    /// <summary>Names of zones that were given up; browsers and old files still say them.</summary>
    public static IReadOnlyList<string> OldNames =>
        [
            .. Rows
                .Value.SelectMany(g => g)
                .SelectMany(r => r["old_names"].Split(' ', StringSplitOptions.RemoveEmptyEntries))
                .Distinct(),
        ];

    private static Country Read(IGrouping<string, IReadOnlyDictionary<string, string>> rows)
    {
        var first = rows.First();
        return new(
            rows.Key,
            first["country"],
            first["currency"],
            new(Enum.Parse<UnitSystem>(first["units"]), Enum.Parse<DecimalSign>(first["decimal_sign"])),
            [.. rows.Select(r => (r["zone"], Town(r)))]
        );
    }

    private static Place Town(IReadOnlyDictionary<string, string> row) =>
        new(N(row["latitude_deg"]), N(row["longitude_deg"]));

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
