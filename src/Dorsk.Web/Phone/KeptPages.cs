using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Find;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Phone;

/// <summary>Which pages a phone keeps for where there is no signal: what is looked at and written on the bank, no more.</summary>
public static class KeptPages
{
    private static readonly string[] Pages =
    [
        "/",
        "/round",
        "/notes",
        "/ponds",
        "/jobs",
        "/day",
        "/alarms",
        "/oxygen",
        "/oxygen/power",
        "/oxygen/cards",
        "/oxygen/signs",
        "/feed",
        "/kept",
    ];

    private static readonly string[] OfPond = ["reading"],
        OfFish = ["feeding", "deaths", "sample"];

    /// <summary>Addresses with their titles, for a person.</summary>
    /// <param name="here">Who asks.</param>
    /// <param name="questions">The farm.</param>
    public static IReadOnlyList<MapEntry> For(Here here, Questions questions)
    {
        var known = FarmMap.For(here, here.Ponds);
        var pages = Pages.Select(a => known.FirstOrDefault(e => e.Address == a)).OfType<MapEntry>();
        var ponds = questions.Today(here.Now)?.Ponds ?? [];
        var slips = ponds.SelectMany(p =>
            SlipsOf(p).Where(s => here.May(s.Needs)).Select(s => Entry(p.Story.Pond.Code, s.Title, $"slip/{s.Key}"))
        );
        var nets = here.May(Permission.Write)
            ? ponds
                .Where(p => questions.NetDays(p.Story).Any(n => n.Close is null))
                .Select(p => new MapEntry(
                    "Net day",
                    $"{p.Story.Pond.Code}: net day",
                    $"/harvest/{p.Story.Pond.Code}/net"
                ))
            : [];
        var lone = AllSlips.Find("lone")!;
        return
        [
            .. pages,
            .. here.May(lone.Needs) ? [new MapEntry("Today", lone.Title, "/slip/lone")] : Array.Empty<MapEntry>(),
            .. nets,
            .. slips,
        ];
    }

    private static IEnumerable<ISlip> SlipsOf(PondNow pond) =>
        (pond.Batches.Count > 0 ? OfPond.Concat(OfFish) : OfPond).Select(k => AllSlips.Find(k)!);

    private static MapEntry Entry(string code, string title, string rest) =>
        new(code, $"{code}: {title.ToLowerInvariant()}", $"/ponds/{code}/{rest}");
}
