using System.Globalization;
using Dorsk.Core.People;
using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Feed given.</summary>
internal sealed class FeedingSlip : ISlip
{
    public string Key => "feeding";

    public string Title => "Feeding";

    public string Button => "Keep this feeding";

    public bool OfPond => true;

    public string FactKind => nameof(FeedingGiven);

    public string Section => "feed";

    public string? CannotStart(SlipContext c) => c.Questions.Feeds().Count == 0 ? "No feed is named yet: name one first, then feed." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FeedingGiven>();
        var feeds = c.Questions.Feeds();
        var last = c.Story!.Feedings.Count > 0 ? feeds.FirstOrDefault(k => k.Name == c.Story.Feedings[^1].Feed)?.Id : null;
        var ration = c.Corrects is null ? c.Story.NowAt(c.Here.Now) : null;
        return
        [
            .. Lines.When(c),
            new("Feed", "Feed", FieldKind.Choice, (f?.FeedId ?? last ?? feeds[0].Id).ToString(CultureInfo.InvariantCulture), Options: feeds.Select(k => (k.Id.ToString(CultureInfo.InvariantCulture), k.Name)).ToList()),
            new("Mass", "Given", FieldKind.Quantity, Lines.Plain(c, f?.MassKg, Measures.Mass), Measures.Mass,
                ration is { Batches.Count: > 0 } ? $"ration today {c.Here.Say(ration.RationKg, Measures.Mass)}, given so far {c.Here.Say(c.Story.FedOn(c.Here.Today), Measures.Mass)}" : ""),
            new("Score", "How they came to it", FieldKind.Choice, f?.Score?.ToString(CultureInfo.InvariantCulture) ?? "", Options: [("", "nobody watched"), .. FeedResponse.Scores.Select(s => (s.Score.ToString(CultureInfo.InvariantCulture), $"{s.Score}: {s.Words}"))]),
            new("", "More of this meal", FieldKind.Fold),
            new("Minutes", "They ate for", FieldKind.Whole, f?.Minutes?.ToString("0", CultureInfo.InvariantCulture) ?? "", Hint: "minutes"),
            new("Left", "Left over and taken out", FieldKind.Quantity, f is { LeftKg: > 0 } ? Lines.Plain(c, f.LeftKg, Measures.Mass) : "", Measures.Mass),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var (fact, typed) = FeedForm.Read(form, c.Story!.Pond, c.Questions.Feeds());
        return new(form.When(), [fact], typed, []);
    }
}

/// <summary>A meal, read from a form: the slip and the ration board ask the same.</summary>
internal static class FeedForm
{
    /// <summary>The feeding and its line for the log.</summary>
    public static (FeedingGiven Fact, string Typed) Read(SlipForm form, Dorsk.Core.Ponds.Pond pond, IReadOnlyList<Dorsk.Farm.Ask.FeedKind> feeds)
    {
        var feed = form.Choice("Feed", [.. feeds.Select(k => (k.Id.ToString(CultureInfo.InvariantCulture), k))], "feed", new Dorsk.Farm.Ask.FeedKind(0, "", 0, 0));
        return (new(pond.Id, feed.Id, form.Quantity("Mass", Measures.Mass), Score(form), form.Empty("Minutes") ? null : form.Whole("Minutes", "minutes"), form.MaybeQuantity("Left", Measures.Mass) ?? 0), $"{pond.Code} fed {form.Text("Mass")} {feed.Name}");
    }

    // Null when nobody watched.
    private static int? Score(SlipForm form) => form.Choice("Score", [("", (int?)null), .. FeedResponse.Scores.Select(s => (s.Score.ToString(CultureInfo.InvariantCulture), (int?)s.Score))], "response", null);
}
