using System.Text.Json;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Round;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The walk with the phone: a card to take along, and an outbox that comes back.</summary>
[Needs(Permission.Write)]
[RequestSizeLimit(1 << 20)]
public sealed class RoundModel(Questions questions, Door door, Here here) : PageModel
{
    private const int MostStops = 200;

    public Card Card { get; private set; } = null!;

    /// <summary>What people call a round at this hour.</summary>
    public string Name =>
        here.Zone.LocalAt(here.Now).Hour switch
        {
            >= 3 and < 10 => "Dawn round",
            >= 10 and < 15 => "Midday round",
            >= 15 and < 20 => "Evening round",
            _ => "Night round",
        };

    public IActionResult OnGet()
    {
        if (questions.Today(here.Now) is not { } today)
            return Redirect("/slip/farm");
        Card = RoundCard.Of(today, here);
        return Page();
    }

    /// <summary>Enters what phones kept; answers each entry by itself, so that one mistake holds nothing else back.</summary>
    [TakesJson]
    public async Task<IActionResult> OnPostKeepAsync()
    {
        if (
            await ReadOutbox() is not { Stops: { } stops } outbox
            || stops.Count > MostStops
            || stops.Any(s => s is null)
        )
            return BadRequest();
        return new JsonResult(
            new
            {
                now = here.Now,
                by = here.Author,
                receipts = stops.Select(s => Keep(s!, outbox.PhoneNow)).ToList(),
            }
        );
    }

    // Read here and not by the framework, whose book of errors breaks on the names of odd fields.
    private async Task<Outbox?> ReadOutbox()
    {
        try
        {
            return await JsonSerializer.DeserializeAsync<Outbox>(Request.Body, JsonSerializerOptions.Web);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private RoundReceipt Keep(Stopped stop, double phoneNow)
    {
        if (stop.Id == Guid.Empty || questions.Story(stop.Pond ?? "") is not { } story)
            return new(stop.Id, false, "There is no such pond on this farm any more.", [], "");
        var when = RoundEntry.When(stop, phoneNow, here.Now);
        var (lines, misread) = stop.AtNet
            ? NetEntry.Read(stop, story, when ?? here.Now, here)
            : RoundEntry.Read(stop, story, when ?? here.Now, here, [.. questions.Instruments().Select(i => i.Kept)]);
        if (misread.Count > 0)
            return new(stop.Id, false, string.Join(" ", misread.Select(r => r.Text)), [], "");
        var entry = new Entry(stop.Id, here.Author, lines, stop.Meant ?? []);
        var receipt = door.Enter(entry);
        // What the phone has asked at once and was told yes is not asked again here.
        if (!receipt.Accepted && receipt.Remarks.All(r => r.Kind == Objection.Ask && Asked(stop, r)))
            receipt = door.Enter(entry with { Meant = [.. entry.Meant, .. receipt.Remarks.Select(r => r.Text)] });
        if (!receipt.Accepted)
            return Refused(stop, receipt);
        var now = questions.Now(questions.Story(story.Pond.Code)!, here.Now);
        return new(
            stop.Id,
            true,
            now.Judgement.Reason
                + (when is null ? ". This phone's clock was turned meanwhile: the hour of arrival was written." : ""),
            [],
            now.Judgement.Status.ToString(),
            now.Verdict.Findings.FirstOrDefault(f => f.Status >= Status.Watch && f.Do.Length > 0)?.Do ?? ""
        );
    }

    private static RoundReceipt Refused(Stopped stop, Receipt receipt) =>
        new(
            stop.Id,
            false,
            string.Join(" ", receipt.Remarks.Select(r => r.Text)),
            receipt.Remarks.All(r => r.Kind == Objection.Ask) ? receipt.Remarks.Select(r => r.Text).ToList() : [],
            ""
        );

    // The phone asks about figures that are unusual in themselves. What they are against the figures before them, or against the books,
    // only the farm knows: that question is asked with its own words.
    private static bool Asked(Stopped stop, Remark remark) =>
        remark.Field switch
        {
            _ when stop.AtNet => Sure(stop, remark.Field),
            "Mass" => Sure(stop, "fed"),
            "Count" => Sure(stop, "dead") && remark.Text.Contains(StockRules.HeavyLoss, StringComparison.Ordinal),
            _ => Sure(stop, remark.Field) && remark.Text.Contains(ReadingRule.Unusual, StringComparison.Ordinal),
        };

    private static bool Sure(Stopped stop, string field) => stop.Sure?.Contains(field) == true;
}
