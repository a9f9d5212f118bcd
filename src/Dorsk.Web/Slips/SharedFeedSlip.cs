using System.Globalization;
using Dorsk.Core.Feeding;
using Dorsk.Core.Units;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Feed;

namespace Dorsk.Web.Slips;

/// <summary>One load of feed, weighed at the truck or bin and shared among ponds by their rations of the day.</summary>
internal sealed class SharedFeedSlip : ISlip
{
    public string Key => "shared-feed";

    public string Title => "One load for several ponds";

    public string Button => "Save these feedings";

    public bool OfPond => false;

    // Each pond's share stands in the log as a feeding of its own and is corrected there.
    public string FactKind => "";

    public string Section => "";

    public string After => "/feed";

    public string? CannotStart(SlipContext c) =>
        c.Questions.Feeds().Count == 0 ? "No feed is named yet: name one first, then feed."
        : Stocked(c).Count == 0 ? "No pond has fish. Stock one first."
        : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c) =>
        [
            .. Lines.When(c),
            c.Choice(
                "Feed",
                "Feed",
                c.Questions.Feeds()[0].Id.ToString(CultureInfo.InvariantCulture),
                [.. c.Questions.Feeds().Select(k => (k.Id.ToString(CultureInfo.InvariantCulture), k.Name))]
            ),
            c.Quantity("Mass", "Weighed, for all of them", Measures.Mass)
                .WithHint("shared by today’s rations after their feeding restrictions"),
            c.Heading("Given to"),
            .. Stocked(c)
                .Select(p =>
                    c.Yes("P" + p.Story.Pond.Id.ToString(CultureInfo.InvariantCulture), p.Story.Pond.Code)
                        .WithHint(p.RationKg > 0 ? $"ration {c.Here.Say(p.RationKg, Measures.Mass)}" : "held today")
                ),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        var happened = form.When();
        var feed = ReadFeed(form, c);
        var kg = form.Quantity("Mass", Measures.Mass);
        var ponds = Stocked(c)
            .Where(p => form.Yes("P" + p.Story.Pond.Id.ToString(CultureInfo.InvariantCulture)))
            .ToList();
        if (ponds.Count < 2)
            form.Refuse("Mass", "Tick two ponds at least; what one pond got is written on its own slip.");
        else if (ponds.All(p => p.RationKg <= 0))
            form.Refuse(
                "Mass",
                "All of these are held today: there is no ration to share by. Write each pond's feed on its own slip, if it was given."
            );
        if (form.Remarks.Count > 0)
            return new(happened, [], "", []);
        var fed = ponds.Where(p => p.RationKg > 0).ToList();
        var shares = fed.Zip(LoadShare.Of(kg, [.. fed.Select(p => p.RationKg)]), (p, part) => (p.Story.Pond, Kg: part))
            .ToList();
        return new(
            happened,
            [.. shares.Select(s => new FeedingGiven(s.Pond.Id, feed.Id, s.Kg))],
            $"{form.Text("Mass")} {feed.Name} shared among {string.Join(", ", shares.Select(s => s.Pond.Code))}",
            [.. shares.Select(s => new Computed(s.Pond.Code, c.Here.Say(s.Kg, Measures.Mass)))]
        );
    }

    private static FeedKind ReadFeed(SlipForm form, SlipContext c) =>
        form.Choice(
            "Feed",
            [.. c.Questions.Feeds().Select(k => (k.Id.ToString(CultureInfo.InvariantCulture), k))],
            "feed",
            new FeedKind(0, "", 0, 0)
        );

    private static List<PondNow> Stocked(SlipContext c) =>
        [.. c.Questions.PondsNow(c.Here.Now).Where(p => p.Batches.Count > 0)];
}
