using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The pond book: the summary always on top, one section below it at an address of its own.</summary>
[Needs(Permission.Look)]
public sealed class BookModel(Questions questions, Door door, Here here) : PageModel
{
    internal static readonly string[] Sections =
    [
        "water",
        "prepare",
        "stock",
        "feed",
        "growth",
        "health",
        "harvest",
        "log",
    ];

    public PondNow Now { get; private set; } = null!;

    public string Section { get; private set; } = "";

    public long? Line { get; private set; }

    public bool Again { get; private set; }

    public Questions Questions => questions;

    public BatchNow? Main => Now.Batches.Count > 0 ? Now.Batches[^1] : null;

    public WaterLimits? Limits => Now.Story.Stock.LimitsOn(here.Today);

    /// <summary>Where the net is landed, as marked on the plan; null where it is not.</summary>
    public string? LandingCorner => Marks.FirstOrDefault(m => m.Kind == MarkKind.Landing)?.Corner;

    /// <summary>Slots for screens as marked on the plan, and when a screen was last fitted here.</summary>
    public IEnumerable<(string Code, string Corner, DateOnly? LastFitted)> Slots =>
        Marks
            .Where(m => m.Kind == MarkKind.Screen)
            .Select(m => (m.Code, m.Corner, Now.Story.LastWorked(PondWork.ScreensFitted, here.Now)));

    private IReadOnlyList<PlanMark> Marks => marks ??= questions.MarksOf(Now.Story.Pond.Id);

    private IReadOnlyList<PlanMark>? marks;

    /// <summary>Whether the feed that this pond usually gets floats; null where nobody wrote it down.</summary>
    public bool? UsualFeedFloats =>
        Now.Story.Ration.FeedFor(here.Now, here.Feeds) is { } id
            ? here.Feeds.FirstOrDefault(f => f.Id == id)?.Floats
            : null;

    public IActionResult OnGet(string code, string? section, long? line, int? again)
    {
        if (questions.Story(code) is not { } story)
            return NotFound();
        Now = questions.Now(story, here.Now);
        // Without a section the book opens on what matters now.
        Section = section?.ToLowerInvariant() ?? WhatMatters(Now);
        (Line, Again) = (line, again == 1);
        return Sections.Contains(Section) ? Page() : NotFound();
    }

    private string WhatMatters(PondNow now)
    {
        if (now.Judgement.Status == Status.ActNow)
            return "water";
        if (now.Batches.Count > 0)
            return "growth";
        if (now.Story.Readiness.PreparationAt(here.Now) is not null)
            return "prepare";
        return now.Story.Batches.Count > 0 ? "harvest" : "stock";
    }

    /// <summary>What was wrong with leaving a step out, and which step.</summary>
    public (string Key, string Text, string Typed)? Problem { get; private set; }

    /// <summary>Leaves a step of the preparation out, with a reason; what waited for it need not wait any more.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostLeave(string code, string? step, string? reason)
    {
        if (
            questions.Story(code) is not { } story
            || story.Readiness.PreparationAt(here.Now) is not { } prep
            || prep.Plan.Open.FirstOrDefault(s => s.Step.Key == step) is not { } open
        )
            return NotFound();
        var closed = new JobClosed(
            open.Step.JobKey(story.Pond.Code, prep.Line.Line),
            story.Pond.Id,
            JobOutcome.Skipped,
            reason ?? ""
        );
        var receipt = Leave(reason, story, open, closed);
        if (receipt.Accepted)
            return LocalRedirect($"/ponds/{story.Pond.Code}/prepare?line={receipt.Lines[0]}");
        Problem = (open.Step.Key, string.Join(" ", receipt.Remarks.Select(r => r.Text)), reason ?? "");
        Now = questions.Now(story, here.Now);
        Section = "prepare";
        return Page();
    }

    private Receipt Leave(string? reason, PondStory story, Core.Prepare.DatedStep open, JobClosed closed) =>
        door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                here.Author,
                here.Now,
                closed,
                $"{story.Pond.Code} {open.Step.What}: left out, {reason}"
            )
        );

    public IEnumerable<(string Key, string Word, string Small)> Tabs
    {
        get
        {
            var s = Now.Story;
            yield return ("water", "Water", Now.Oxygen is { } o ? here.Say(o.Si, Measures.Oxygen) : "");
            if (Section == "prepare" || (Now.Batches.Count == 0 && s.Pond.Use != "settling"))
                yield return (
                    "prepare",
                    "Prepare",
                    s.Readiness.PreparationAt(here.Now) is { } prep ? "fish " + here.Day(prep.Plan.StockOn) : ""
                );
            yield return ("stock", "Stock", Main is { } m ? here.Count(m.Batch.Stands) + " booked" : "");
            yield return ("feed", "Feed", s.Feedings.Count > 0 ? here.Say(s.FedOn(here.Today), Measures.Mass) : "");
            yield return ("growth", "Growth", Main is { } g ? Plural(g.Batch.Samples.Count, "sample") : "");
            yield return ("health", "Health", HealthWords);
            yield return ("harvest", "Harvest", Main?.Target.Likely is { } d ? here.Day(d) : "");
            yield return ("log", "Log", "");
        }
    }

    /// <summary>Slips of this section that the person may write.</summary>
    public IReadOnlyList<(string Key, string Word)> SlipsHere =>
        AllSlipsHere.Where(s => here.May(AllSlips.Find(s.Key.Split('?')[0])!.Needs)).ToList();

    private IEnumerable<(string Key, string Word)> AllSlipsHere =>
        Section switch
        {
            "water" when MoreAir => [("aerators", "Set more air"), ("reading", "Write a reading")],
            "water" =>
            [
                ("reading", "Write a reading"),
                ("aerators", "Aerators and timers"),
                ("equipment", "Equipment"),
            ],
            "prepare" =>
            [
                ("work", "Work or finding"),
                (
                    "prepare",
                    Now.Story.Readiness.PreparationAt(here.Now) is null ? "Plan the preparation" : "Change the plan"
                ),
                ("stock", "Stock fish"),
            ],
            // Without fish there is nothing to move, count or sell.
            "stock" when Now.Batches.Count == 0 =>
            [
                ("stock", "Stock fish"),
                ("stock?TakenOver=true", "Fish are in it already"),
                ("receive", "Delivery"),
                ("quarantine", "Quarantine"),
            ],
            "stock" =>
            [
                ("stock", "Stock fish"),
                ("receive", "Delivery"),
                ("deaths", "Deaths and losses"),
                ("move", "Move fish"),
                ("recount", "Inventory count"),
                ("quarantine", "Quarantine"),
                ("harvest", "Harvest"),
            ],
            "feed" => [("feeding", "Write a feeding")],
            "growth" => [("sample", "Write a sample")],
            "health" =>
            [
                ("deaths", "Deaths and losses"),
                ("guessed-loss", "Loss, guessed"),
                ("treatment", "Treatment"),
                ("predator", "Predator or thief"),
                ("barrier", "Barrier"),
                ("hold", "Hold"),
                ("kill", "Write up a kill"),
            ],
            "harvest" =>
            [
                ("arrange", "Arrange a harvest"),
                ("net", "Begin a net day"),
                ("harvest", "Write a harvest"),
                ("sale", "Sale"),
                ("work", "Taste test or note"),
                ("review", "Review of a cycle"),
            ],
            _ =>
            [
                ("reading", "Reading"),
                ("feeding", "Feeding"),
                ("deaths", "Deaths"),
                ("sample", "Sample"),
                ("harvest", "Harvest"),
                ("work", "Work or finding"),
                ("equipment", "Equipment"),
                ("archive", "Lay up"),
            ],
        };

    private string HealthWords =>
        Now.Story.Health switch
        {
            { Open.Count: > 0 } => "investigation",
            { Hold: not null } => "on hold",
            var h when h.WithdrawalOn(here.Today) is { } w => "until " + here.Day(w.Until),
            _ => "",
        };

    /// <summary>The night calls for more air.</summary>
    public bool MoreAir => Section == "water" && Now.Tonight.Forecast?.Judgement.Status == Status.ActNow;

    public string FirstSlip => SlipsHere.Count > 0 ? SlipsHere[0].Key : "";

    public string AeratorWords
    {
        get
        {
            var all = Now.Story.AeratorsAt(here.Now);
            var fitted = all.Where(a => !a.Standby).ToList();
            var shed = string.Concat(all.Where(a => a.Standby).Select(a => $"; {a.Code} in the shed"));
            var timed = fitted.Where(a => a.On is not null).ToList();
            return fitted.Count == 0
                ? "no aerators" + shed
                : Plural(fitted.Count, "aerator")
                    + (
                        timed.Count == 0
                            ? ", none on a timer"
                            : string.Create(
                                CultureInfo.InvariantCulture,
                                $", {timed.Count} on {timed[0].On:HH:mm} to {timed[0].Off:HH:mm}"
                            )
                    )
                    + shed;
        }
    }

    public string LoadWords
    {
        get
        {
            var shape = Now.Story.Pond.Shape;
            return Now.Story.Pond.ByVolume
                ? here.Say(Now.BiomassKg / shape.FullVolumeM3, Measures.VolumeLoad)
                : here.Say(Now.BiomassKg / (shape.FullAreaM2 / 10_000), Measures.AreaLoad);
        }
    }

    public string CarriesWords =>
        Now.CarriesKg is > 0 and { } most ? $"{here.Figure(100 * Now.BiomassKg / most, 0)} % of carrying capacity" : "";

    public static string Plural(int n, string what) =>
        n.ToString(CultureInfo.InvariantCulture) + " " + what + (n == 1 ? "" : "s");
}
