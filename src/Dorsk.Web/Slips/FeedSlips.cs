using System.Globalization;
using Dorsk.Core.Feeding;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>Feed given.</summary>
internal sealed class FeedingSlip : ISlip
{
    // Fry feed is dear and given in grams.
    private const double FineScaleKg = 1;

    public string Key => "feeding";

    public string Title => "Feeding";

    public string Button => "Save this feeding";

    public bool OfPond => true;

    public string FactKind => nameof(FeedingGiven);

    public string Section => "feed";

    public string? CannotStart(SlipContext c) =>
        c.Questions.Feeds().Count == 0 ? "No feed is named yet: name one first, then feed." : null;

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FeedingGiven>();
        var feeds = c.Questions.Feeds();
        var usual = c.Story!.Ration.FeedFor(c.Here.Now, feeds);
        var ration = c.Corrects is null ? c.Story.NowAt(c.Here.Now) : null;
        return
        [
            .. Lines.When(c),
            c.Choice(
                "Feed",
                "Feed",
                (f?.FeedId ?? usual)?.ToString(CultureInfo.InvariantCulture) ?? "",
                feeds.Select(k => (k.Id.ToString(CultureInfo.InvariantCulture), k.Name)).ToList()
            ),
            c.Quantity("Mass", "Given", Measures.Mass, f?.MassKg)
                .WithHint(
                    ration is { Batches.Count: > 0 }
                        ? $"ration today {c.Here.Say(ration.RationKg, Measures.Mass)}, given so far {c.Here.Say(c.Story.FedOn(c.Here.Today), Measures.Mass)}{(ration.RationKg is > 0 and < FineScaleKg ? "; so little is weighed on a fine scale" : "")}"
                        : ""
                ),
            c.Choice(
                "Score",
                "Feeding response",
                f?.Score?.ToString(CultureInfo.InvariantCulture) ?? "",
                [
                    ("", "nobody watched"),
                    .. FeedResponse.Scores.Select(s =>
                        (s.Score.ToString(CultureInfo.InvariantCulture), $"{s.Score}: {s.Words}")
                    ),
                ]
            ),
            c.Fold("More of this meal"),
            c.Whole("Minutes", "They ate for", f?.Minutes?.ToString("0", CultureInfo.InvariantCulture) ?? "")
                .WithHint("minutes"),
            c.Quantity(
                "Left",
                "Left over and taken out",
                Measures.Mass,
                f is { LeftKg: > 0 } ? Lines.Plain(c, f.LeftKg, Measures.Mass) : ""
            ),
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
    public static (FeedingGiven Fact, string Typed) Read(
        SlipForm form,
        Dorsk.Core.Ponds.Pond pond,
        IReadOnlyList<Dorsk.Farm.Feed.FeedKind> feeds
    )
    {
        var feed = form.Choice(
            "Feed",
            [.. feeds.Select(k => (k.Id.ToString(CultureInfo.InvariantCulture), k))],
            "feed",
            new Dorsk.Farm.Feed.FeedKind(0, "", 0, 0)
        );
        return (
            new(
                pond.Id,
                feed.Id,
                form.Quantity("Mass", Measures.Mass),
                Score(form),
                form.Empty("Minutes") ? null : form.Whole("Minutes", "minutes"),
                form.MaybeQuantity("Left", Measures.Mass) ?? 0
            ),
            $"{pond.Code} fed {form.Text("Mass")} {feed.Name}"
        );
    }

    // Null when nobody watched.
    private static int? Score(SlipForm form) =>
        form.Choice(
            "Score",
            [
                ("", (int?)null),
                .. FeedResponse.Scores.Select(s => (s.Score.ToString(CultureInfo.InvariantCulture), (int?)s.Score)),
            ],
            "response",
            null
        );
}

/// <summary>A pond's feeder: what a minute or a turn gives, as weighed.</summary>
internal sealed class FeederSlip : ISlip
{
    private static readonly (FeederDose Dose, string Word)[] Doses =
    [
        (FeederDose.Minute, "a minute: belt, blower, auger"),
        (FeederDose.Turn, "a turn or cup: drum, screw"),
    ];

    public string Key => "feeder";

    public string Title => "Feeder";

    public string Button => "Save this feeder";

    public bool OfPond => true;

    public string FactKind => nameof(FeederKept);

    public string Section => "feed";

    public string Caution =>
        "Current off and out of the socket before a hand goes into a feeder. A machine feeds on when fish do not: somebody watches.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<FeederKept>() ?? c.Story!.Feeder?.Kept;
        return
        [
            .. Lines.When(c),
            c.Words("Name", "Name", f?.Name ?? "").WithHint("such as belt at the jetty"),
            c.Choice(
                "Dose",
                "It doses by",
                f?.Dose ?? FeederDose.Minute,
                [.. Doses.Select(d => (d.Dose.ToString(), d.Word))]
            ),
            c.Quantity("Each", "One gives", Measures.FishWeight, f?.GramsEach)
                .WithHint("catch what ten give, weigh, divide by ten"),
            c.Day("WeighedOn", "Weighed on", SeasonLines.Day(c.Corrects is null ? c.Here.Today : f?.WeighedOn)),
            c.Whole("Meals", "Meals a day", f?.Meals ?? 4),
            .. c.Story!.Feeder is null
                ? Array.Empty<SlipField>()
                : [c.Yes("Gone", "Taken away: fed by hand again", f?.Gone == true ? "true" : "")],
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var fact = new FeederKept(
            c.PondId,
            form.Text("Name"),
            form.Choice("Dose", [.. Doses.Select(d => (d.Dose.ToString(), d.Dose))], "way", FeederDose.Minute),
            form.Quantity("Each", Measures.FishWeight),
            form.Day("WeighedOn"),
            form.Whole("Meals", "meals"),
            form.Yes("Gone")
        );
        return new(
            form.When(),
            [fact],
            $"{c.Story!.Pond.Code} feeder {fact.Name}: {form.Text("Each")} {(fact.Dose == FeederDose.Minute ? "a minute" : "a turn")}{(fact.Gone ? ", taken away" : "")}",
            Programme(form, c, fact)
        );
    }

    private static List<Computed> Programme(SlipForm form, SlipContext c, FeederKept fact)
    {
        if (
            form.Remarks.Count > 0
            || fact.Check(c.Here.Today).Any()
            || c.Questions.Now(c.Story!, c.Here.Now).Batches is not [var batch, ..]
        )
            return [];
        return
        [
            new(
                "Today’s programme",
                string.Join(
                    ", ",
                    fact.Programme(batch.Ration)
                        .Select(m =>
                            string.Create(
                                CultureInfo.InvariantCulture,
                                $"{m.At:HH\\:mm} {m.Times:0.#} {(fact.Dose == FeederDose.Minute ? "min" : "turns")}"
                            )
                        )
                )
                    is { Length: > 0 } text
                    ? text
                    : "off"
            ),
        ];
    }
}
