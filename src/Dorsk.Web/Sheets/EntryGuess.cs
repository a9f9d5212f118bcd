using System.Text.RegularExpressions;
using Dorsk.Core.Sheets;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Sheets;

/// <summary>A first guess of which column fills which field, from the headings. People see it and change it.</summary>
public static partial class EntryGuess
{
    // Words a heading says a field with, beside those of the field's own label.
    private static readonly Dictionary<string, string[]> Said = new()
    {
        [EntryMap.Pond] = ["pond", "tank", "unit", "code"],
        ["Day"] = ["date", "day", "datum", "when", "happened"],
        ["Hour"] = ["time", "hour"],
        ["Mass"] = ["mass", "kg", "lb", "given", "amount", "quantity", "feed_kg"],
        ["Feed"] = ["feed", "kind", "product"],
        ["Score"] = ["response", "score", "appetite"],
        ["Count"] = ["count", "number", "fish", "dead"],
        ["MeanWeight"] = ["mean", "average", "weight", "avg", "size"],
        ["Species"] = ["species", "kind"],
        ["Origin"] = ["origin", "source", "hatchery", "supplier", "from"],
        ["Seller"] = ["seller", "hatchery", "supplier", "from", "origin"],
        ["N1"] = ["count", "number", "fish"],
        ["M1"] = ["mass", "weight", "kg", "lb"],
        ["To"] = ["cause", "account"],
        ["Price"] = ["price", "paid", "cost"],
        ["Lot"] = ["lot", "batch"],
        ["Expiry"] = ["expiry", "expires", "before"],
    };

    /// <summary>The guess for every field; each column is given to one field at most.</summary>
    /// <param name="fields">The fields.</param>
    /// <param name="headings">The headings of the sheet.</param>
    /// <param name="hand">The farm's units, where a heading names none.</param>
    public static IReadOnlyList<EntryField> Of(
        IReadOnlyList<SlipField> fields,
        IReadOnlyList<string> headings,
        Hand hand
    )
    {
        var words = headings.Select(h => Words().Matches(h.ToLowerInvariant()).Select(m => m.Value).ToList()).ToList();
        var pairs =
            from f in fields
            from column in Enumerable.Range(0, headings.Count)
            let fit = Fit(f, words[column])
            where fit > 0
            orderby fit descending
            select (f.Name, column);
        var given = new Dictionary<string, int>();
        foreach (var (name, column) in pairs)
            if (!given.ContainsKey(name) && !given.ContainsValue(column))
                given[name] = column;
        return
        [
            .. fields.Select(f =>
            {
                int? column = given.TryGetValue(f.Name, out var c) ? c : null;
                return new EntryField(f, column, UnitOf(f, column is { } n ? headings[n] : "", hand), "");
            }),
        ];
    }

    /// <summary>The unit of a field's plain figures under a heading.</summary>
    public static Unit? UnitOf(SlipField field, string heading, Hand hand) =>
        field.Measure is { } m ? SheetGuess.UnitIn(heading, m) ?? m.In(hand) : null;

    // The share of the heading's words that speak of the field; its first word counts most.
    private static double Fit(SlipField field, List<string> heading)
    {
        if (heading.Count == 0)
            return 0;
        var said = Said.GetValueOrDefault(field.Name, []);
        var own = Words()
            .Matches(field.Label.ToLowerInvariant())
            .Select(m => m.Value)
            .Where(w => w.Length > 2)
            .ToList();
        if (own.Count > 0 && own.All(heading.Contains))
            return 2 + ((double)own.Count / heading.Count);
        var hits = heading.Count(w => said.Contains(w));
        return hits == 0 ? 0 : ((double)hits / heading.Count) + (said.Contains(heading[0]) ? 0.5 : 0);
    }

    [GeneratedRegex("[a-z]+", RegexOptions.None, 200)]
    private static partial Regex Words();
}
