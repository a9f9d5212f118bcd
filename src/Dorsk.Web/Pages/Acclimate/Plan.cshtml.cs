using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.Acclimate;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;
using Microsoft.AspNetCore.Mvc;

namespace Dorsk.Web.Pages;

/// <summary>How these fish get into this pond: school, reasons, the ammonia on the way; and the button that begins it.</summary>
[Needs(Permission.Look)]
public sealed class AcclimatePlanModel(Questions questions, Door door, Here here) : TypedPage
{
    public PondStory Pond { get; private set; } = null!;

    public FishReceived? Delivery { get; private set; }

    public AcclimationPlan? Plan { get; private set; }

    /// <summary>An acclimation into this pond that is not over, or null.</summary>
    public AccRun? Running { get; private set; }

    /// <summary>Whether anything was typed yet.</summary>
    public bool Sent { get; private set; }

    /// <summary>How letting them out now would be.</summary>
    public Judgement? Hour { get; private set; }

    /// <summary>The next good hours: evening, and dawn.</summary>
    public (DateTimeOffset EveningFrom, DateTimeOffset EveningTo, DateTimeOffset DawnFrom, DateTimeOffset DawnTo) Good
    {
        get;
        private set;
    }

    /// <summary>The tank in which salinity is brought over; null where there is none.</summary>
    public AccTank? Tank { get; private set; }

    private static readonly TimeSpan FreshWind = TimeSpan.FromHours(6);
    private const double LongMinutes = 60;
    private (AccQuestion Question, int Fish, string Origin)? read;

    public IActionResult OnGet(string code) => Open(code) ? Page() : NotFound();

    /// <summary>The answer alone, for a page that is being typed in.</summary>
    public IActionResult OnGetPart(string code) => Open(code) ? Partial("_Acclimation", this) : NotFound();

    /// <summary>Begins the acclimation with what is typed.</summary>
    [Needs(Permission.Write)]
    public IActionResult OnPostBegin(string code, [FromForm] Guid entry)
    {
        if (!Open(code))
            return NotFound();
        if (read is not { } r || Plan is null)
            return Page();
        var begun = Begun(r);
        var receipt = door.Enter(
            Entry.Of(
                entry == Guid.Empty ? Guid.NewGuid() : entry,
                here.Author,
                here.Now,
                begun,
                $"{Pond.Pond.Code} acclimation begun, {AcclimateForm.Word(Plan.School)}"
            )
        );
        if (receipt.Accepted)
            return LocalRedirect($"/acclimate/{receipt.Lines[0]}");
        Remarks = receipt.Remarks;
        Plan = null;
        return Page();
    }

    private AcclimationBegun Begun((AccQuestion Question, int Fish, string Origin) r) =>
        new AcclimationBegun(
            Pond.Pond.Id,
            r.Question.Species.Key,
            r.Question.MeanG,
            r.Fish,
            r.Origin,
            r.Question.Bag,
            r.Question.Places,
            r.Question.HoursInBag,
            Plan!.School
        )
        {
            Own = r.Question.Own,
        };

    private bool Open(string code)
    {
        if (here.Farm is null || questions.Story(code) is not { } story)
            return false;
        Pond = story;
        Running = questions
            .Acclimations(story.Pond.Id)
            .FirstOrDefault(a => !a.Ended && here.Now - a.BegunAt < TimeSpan.FromDays(4));
        Delivery = questions
            .Deliveries(story.Pond.Id)
            .LastOrDefault(d => d.At > here.Now.AddDays(-4) && d.At <= here.Now)
            is { Fact: { Verdict: not DeliveryVerdict.Refused } last }
            ? last
            : null;
        Fields = AcclimateForm.Fields(new BenchStart(here, story), Delivery, questions.OwnRates());
        Sent = Request.Query.ContainsKey("species");
        Typed = FromAddress(Request.Query, Sent);
        if (!Sent)
            return true;
        var form = new SlipForm(Typed, here);
        read = AcclimateForm.Read(new BenchForm(form));
        (Remarks, Echoes) = (form.Remarks, form.Echoes);
        Plan = read is { } r
            ? AcclimationPlan.For(
                r.Question with
                {
                    Against = Against(r.Question),
                    WindMs = questions.Weather()[Parameter.Wind].LastWithin(here.Now, FreshWind)?.Si,
                }
            )
            : null;
        if (Plan is { School: AccSchool.SalinitySteps } salt)
            Tank = AccTank.For(salt.Question, read!.Value.Fish, salt.Steps.First(s => s.Key == "over").Minutes / 60);
        if (Plan is not null)
            WeighHour(Plan.Question);
        return true;
    }

    // The pond with each place that was read; what one place has against them stands.
    private List<Finding> Against(AccQuestion q) =>
        [
            .. q
                .Places.SelectMany(place => Pond.Water.AgainstArrivals(here.Now, q.Species, q.MeanG, 0, place.Readings))
                .GroupBy(f => f.Rule)
                .Select(g => g.MaxBy(f => f.Status)!)
                .OrderByDescending(f => f.Status),
        ];

    // What is typed was read now, the poorest place counts; before it stand the readings of the books.
    private void WeighHour(AccQuestion q)
    {
        var poorest = q.Places.Min(p => p.DoMgL);
        var sun = Pond.SunOn(here.Today);
        var read = Pond.ReadingsOf[Parameter.Oxygen].Where(t => t.At <= here.Now).Select(t => (t.At, t.Si));
        var moment = new ReleaseMoment(
            here.Now,
            sun.Sunrise,
            sun.Sunset,
            q.Pond.TempC,
            [.. poorest is { } typed ? read.Append((here.Now, typed)) : read],
            q.Limits,
            here.Hand
        );
        (Hour, Good) = (ReleaseHour.Now(moment), ReleaseHour.Good(moment, Pond.SunOn(here.Today.AddDays(1)).Sunrise));
        // What takes hours is not let out now, whatever the water says now.
        var over = Plan!.Steps.TakeWhile(s => s.Key != "out").Sum(s => s.Minutes);
        if (over > LongMinutes)
            Hour = ReleaseHour.Later(
                here.Now.AddMinutes(over),
                [.. Enumerable.Range(0, 4).Select(i => Pond.SunOn(here.Today.AddDays(i)))],
                here.Zone,
                here.Hand
            );
    }
}
