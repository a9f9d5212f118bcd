using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One batch on the ration board.</summary>
/// <param name="Now">Its pond.</param>
/// <param name="Batch">The batch with today's ration.</param>
/// <param name="Meals">Today's meals by hour.</param>
/// <param name="Tomorrow">The morrow's ration, before the night's brakes; null where it will not stand.</param>
/// <param name="Kind">The kind in the store that suits their size, or null.</param>
/// <param name="Wanted">Feed their size wants, or null where the table has none.</param>
/// <param name="GivenKg">Given today in this pond, kg.</param>
/// <param name="Fits">Whether the kind is of the wanted size.</param>
public sealed record RationRow(
    PondNow Now,
    BatchNow Batch,
    IReadOnlyList<MealAt> Meals,
    RationPlan? Tomorrow,
    FeedKind? Kind,
    FeedSize? Wanted,
    double GivenKg,
    bool Fits
)
{
    /// <summary>The change of feed they are in: the new kind and its share today, percent; null outside a change.</summary>
    public (string New, int Pct)? Mixed { get; init; }

    /// <summary>Feed it wants in the next seven days, today included, as the fish grow, kg.</summary>
    public double WeekKg { get; init; }

    /// <summary>Code of the pond.</summary>
    public string Code => Now.Story.Pond.Code;
}

/// <summary>All ponds' rations of today and tomorrow in walking order: by the school of each pond, the others beside it, meals, kinds, brakes, what somebody wants instead; given in two taps.</summary>
[Needs(Permission.Look)]
public sealed class FeedBoardModel(Questions questions, Door door, Here here) : PageModel
{
    public IReadOnlyList<RationRow> Rows { get; private set; } = [];

    public IReadOnlyList<FeedKind> Feeds { get; private set; } = [];

    /// <summary>What is left of each kind, against what will be wanted.</summary>
    public IReadOnlyList<StoreRow> Store { get; private set; } = [];

    /// <summary>What a feeder's cup holds, kg; null when nobody said.</summary>
    public double? CupKg { get; private set; }

    /// <summary>What stands in the form of one pond, and what was wrong with it.</summary>
    public (string Pond, IReadOnlyDictionary<string, string> Typed, IReadOnlyList<Remark> Remarks) Sent
    {
        get;
        private set;
    } = ("", new Dictionary<string, string>(), []);

    public IActionResult OnGet([FromQuery] string? cup)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (!string.IsNullOrWhiteSpace(cup))
        {
            var form = new SlipForm(new Dictionary<string, string> { ["cup"] = cup }, here);
            CupKg = form.MaybeQuantity("cup", Measures.FishWeight) is > 0 and <= 50_000 and var g ? g / 1000 : null;
            if (CupKg is null)
                Sent = (
                    "cup",
                    new Dictionary<string, string> { ["cup"] = cup },
                    form.Remarks.Count > 0
                        ? form.Remarks
                        : [Remark.Refuse("cup", $"More than 0, up to {here.Say(50, Measures.Mass)}.")]
                );
        }
        Load();
        return Page();
    }

    /// <summary>A meal was given.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostFed([FromForm] string? pond)
    {
        if (Story(pond) is not { } story)
            return NotFound();
        var form = Form();
        var (fact, typed) = FeedForm.Read(form, story.Pond, questions.Feeds());
        return Keep(form, pond!, fact, typed);
    }

    /// <summary>Somebody wants another ration today, or goes back to the plan.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostOverrule([FromForm] string? pond, [FromForm] long batch)
    {
        if (Story(pond) is not { } story)
            return NotFound();
        var form = Form();
        var kg = form.MaybeQuantity("kg", Measures.Mass);
        return Keep(
            form,
            pond!,
            new RationOverruled(
                story.Pond.Id,
                batch,
                here.Today,
                form.Yes("back") ? null : kg ?? double.NaN,
                form.Text("reason")
            ),
            $"{pond} ration today {(form.Yes("back") ? "as planned" : form.Text("kg"))}: {form.Text("reason")}"
        );
    }

    /// <summary>The pond's school.</summary>
    [Needs(Permission.Manage)]
    public IActionResult OnPostSchool([FromForm] string? pond)
    {
        if (Story(pond) is not { } story)
            return NotFound();
        var form = Form();
        var school = form.Choice(
            "school",
            [.. Enum.GetValues<RationSchool>().Select(s => (s.ToString(), s))],
            "school",
            RationSchool.ExpectedGain
        );
        return Keep(form, pond!, new RationSchoolSet(story.Pond.Id, school), $"{pond} ration by {Word(school)}");
    }

    /// <summary>A school in words.</summary>
    public static string Word(RationSchool s) =>
        s switch
        {
            RationSchool.Table => "table",
            RationSchool.Satiation => "satiation",
            _ => "expected gain",
        };

    private PondStory? Story(string? pond) =>
        here.Farm is not null && questions.Ponds().Any(p => p.Code == pond) ? questions.Story(pond!) : null;

    private SlipForm Form() =>
        new(
            Request
                .Form.Where(f => f.Key is not ("__RequestVerificationToken" or "pond"))
                .ToDictionary(f => f.Key, f => f.Value.ToString()),
            here
        );

    private IActionResult Keep(SlipForm form, string pond, Fact fact, string typed)
    {
        var entry = Guid.TryParse(form.Text("EntryId"), out var id) && id != Guid.Empty ? id : Guid.NewGuid();
        var meant = Request.Form["Meant"].OfType<string>().ToList();
        var remarks =
            form.Remarks.Count > 0
                ? form.Remarks
                : door.Enter(new Entry(entry, here.Author, [new(here.Now, fact, typed, null)], meant)).Remarks;
        if (remarks.Count == 0)
            return LocalRedirect($"/feed#feed-{Uri.EscapeDataString(pond)}");
        Sent = (pond, Request.Form.ToDictionary(f => f.Key, f => f.Value.ToString()), remarks);
        Load();
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    private void Load()
    {
        var ponds = questions.PondsNow(here.Now);
        if (questions.Season(here.Now)?.Planned is not { } season)
            return;
        (Feeds, Store) = (questions.Feeds(), StoreRow.Of(questions.FeedStore(here.Now), season));
        var kinds = Feeds.Select(f => (f.Id, f.PelletMm)).ToList();
        Rows =
        [
            .. ponds.SelectMany(p =>
                p.Batches.Select(b =>
                {
                    var wanted = FeedSize.At(b.Batch.Species, b.Stands.MeanG.Value);
                    // The kind in the store nearest to what their size wants; without a table the one they ate last.
                    var kind = wanted is null
                        ? Feeds.FirstOrDefault(f => p.Story.Feedings.Count > 0 && f.Id == p.Story.Feedings[^1].FeedId)
                            ?? (Feeds.Count > 0 ? Feeds[0] : null)
                        : Feeds.FirstOrDefault(f =>
                            f.Id == FeedAhead.KindFor(b.Batch.Species, b.Stands.MeanG.Value, kinds)
                        );
                    var change = FeedChange
                        .Ahead(b.Batch.Species, season.FeedOf(b.Batch.Id, p.Story.Pond.Id), kinds)
                        .FirstOrDefault(c => c.NewPctOn(here.Today) is not null);
                    return new RationRow(
                        p,
                        b,
                        MealTimes.Of(b.Ration, b.Ration.Rhythm?.Usual ?? 2),
                        p.Story.Ration.Tomorrow(b.Batch, here.Now),
                        kind,
                        wanted,
                        p.Story.FedOn(here.Today),
                        kind is null || wanted is null || wanted.Misses(kind.PelletMm) <= 0
                    )
                    {
                        WeekKg = season
                            .FeedOf(b.Batch.Id, p.Story.Pond.Id)
                            .Where(f => f.Day >= here.Today && f.Day < here.Today.AddDays(7))
                            .Sum(f => f.Kg),
                        Mixed = change is null
                            ? null
                            : (Feeds.First(f => f.Id == change.New).Name, change.NewPctOn(here.Today)!.Value),
                    };
                })
            ),
        ];
    }
}
