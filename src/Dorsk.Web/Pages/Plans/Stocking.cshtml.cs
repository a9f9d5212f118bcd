using Dorsk.Core.Harvest;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Plans;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;
using Microsoft.AspNetCore.Mvc;

namespace Dorsk.Web.Pages;

/// <summary>A stocking plan: what is typed stands in the address; it is entered only when it is kept.</summary>
[Needs(Permission.Look)]
public sealed class StockingModel(Questions questions, Door door, Here here) : TypedPage
{
    public PondStory? Pond { get; private set; }

    public IReadOnlyList<Pond> Ponds => questions.Ponds();

    public StockingAsked? Asked { get; private set; }

    public StockingAnswer? Answer { get; private set; }

    /// <summary>The kept plan that is shown, or null.</summary>
    public StockingPlanKept? Kept { get; private set; }

    /// <summary>What stands in the pond's calendar against the plan.</summary>
    public IReadOnlyList<Judgement> Conflicts { get; private set; } = [];

    /// <summary>Fingerlings on hand parted over the farm's empty ponds, by the limit of each.</summary>
    public IReadOnlyList<(Pond Pond, StockingAnswer Answer, int Share)> Parted { get; private set; } = [];

    /// <summary>The farm's own closed cycles of this fish, the newest first: what conversion and survival were here.</summary>
    public IReadOnlyList<CycleFigures> Own { get; private set; } = [];

    private const int OwnShown = 3;

    private List<CycleFigures> OwnCycles(FishSpecies species) =>
        [
            .. CycleTable
                .All(questions, here, b => b.EmptiedAt is not null && b.Species.Key == species.Key)
                .Where(f => f is { Closed: true, Fcr: > 0 })
                .OrderByDescending(f => f.From),
        ];

    /// <summary>What all closed cycles of this fish teach.</summary>
    public Learned? Learned { get; private set; }

    /// <summary>What advisers said of fish of this pond, the newest first.</summary>
    public IReadOnlyList<(string Who, string Text)> Advice { get; private set; } = [];

    /// <summary>What the farm has itself carried in this kind of water.</summary>
    public OwnExperience Experience { get; private set; } = new(0, null);

    /// <summary>What the plan still lacks beside pond, seed and feed.</summary>
    public IReadOnlyList<PlanGap> Gaps { get; private set; } = [];

    /// <summary>Where something that a plan lacks is entered; empty where it is a line of the plan itself.</summary>
    /// <param name="need">What it lacks.</param>
    public string WhereFor(PlanNeed need) =>
        need switch
        {
            PlanNeed.Permit or PlanNeed.Adviser => "/slip/adviser",
            PlanNeed.OxygenMeter => "/slip/instrument",
            PlanNeed.Air when Pond is not null => $"/ponds/{Pond.Pond.Code}/slip/aerators",
            PlanNeed.CallList => "/alarms",
            PlanNeed.SecondPerson => "/setup/people",
            PlanNeed.Buyer => "/slip/buyer",
            PlanNeed.Preparation when Pond is not null => $"/ponds/{Pond.Pond.Code}/slip/prepare",
            _ => "",
        };

    private OwnExperience ExperienceOf(bool byVolume)
    {
        var closed = CycleTable
            .All(questions, here, b => b.EmptiedAt is not null)
            .Where(f => f.Closed && f.ByVolume == byVolume)
            .ToList();
        return new(closed.Count, closed.Count == 0 ? null : closed.Max(f => f.YieldPer));
    }

    private PlanMeans MeansOf()
    {
        var advisers = questions.Advisers().Select(a => a.Adviser).Where(a => !a.Dropped).ToList();
        return new(
            advisers.Exists(a => a.Kind == AdviserKind.Authority),
            questions.Instruments().Any(i => i.Kept.Measures.Contains(Dorsk.Core.Water.Parameter.Oxygen)),
            questions.CallList()?.Steps.Select(s => s.Name).Distinct().Count() ?? 0,
            questions.People().Count(p => Permissions.May(p.Role, Permission.Write)),
            questions.Buyers().Count(b => !b.Dropped),
            advisers.Count(a => a.Kind is AdviserKind.FishDoctor or AdviserKind.Adviser),
            Pond is null ? null : Prepared is not null || Pond.Standing.Any()
        );
    }

    /// <summary>What was said of earlier cycles of this pond, the newest first.</summary>
    public IReadOnlyList<CycleReviewed> Reviews { get; private set; } = [];

    /// <summary>The same plan with own figures in place of the table's.</summary>
    public string With(CycleFigures own) => With(own.Fcr!.Value, Math.Min(1, own.SurvivalShare));

    /// <summary>The same plan with a conversion and a survival in place of the table's.</summary>
    public string With(double fcr, double survival) =>
        Changed(("fcr", here.Typed(fcr, 2)), ("survival", here.Typed(100 * survival, 1)));

    /// <summary>The same plan with another number of fish.</summary>
    public string WithOwn(int fish) => Changed(("own", here.Typed(fish, 0)));

    private string Changed(params (string Field, string Value)[] fields) =>
        "?"
        + string.Join(
            '&',
            Request
                .Query.Where(q => q.Key != "handler" && fields.All(f => f.Field != q.Key))
                .Select(q => (Field: q.Key, Value: q.Value.ToString()))
                .Concat(fields)
                .Select(f => $"{Uri.EscapeDataString(f.Field)}={Uri.EscapeDataString(f.Value)}")
        );

    /// <summary>Fish that share the water, or null when there are no others.</summary>
    public SharedWater? Shared { get; private set; }

    /// <summary>What the plan asks to be bought.</summary>
    public OrderSlip Order { get; private set; } = null!;

    /// <summary>The pond's preparation, or null.</summary>
    public PrepPlan? Prepared { get; private set; }

    /// <summary>Address of the order slip of this plan.</summary>
    public string OrderAddress => "/plans/order" + QueryString.Create(Request.Query.Where(q => q.Key != "handler"));

    public IActionResult OnGet([FromQuery] string? pond, [FromQuery] long? plan)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        return Open(pond, plan, Request.Query) ? Page() : NotFound();
    }

    /// <summary>The answer alone, for a page that is being typed in.</summary>
    public IActionResult OnGetPart([FromQuery] string? pond, [FromQuery] long? plan) =>
        here.Farm is not null && Open(pond, plan, Request.Query) ? Partial("_StockingPlan", this) : NotFound();

    /// <summary>Keeps the plan under a name.</summary>
    [Needs(Permission.Manage)]
    public IActionResult OnPostKeep([FromQuery] string? pond, [FromQuery] long? plan, [FromForm] string? name)
    {
        if (here.Farm is null || !Open(pond, plan, Request.Query))
            return NotFound();
        if (Answer is null)
            return Page();
        var kept = new StockingPlanKept(
            plan ?? 0,
            Pond?.Pond.Id,
            name ?? "",
            StockingForm.Keep(Fields, Typed, here),
            false
        );
        var receipt = door.Enter(
            Entry.Of(Guid.NewGuid(), here.Author, here.Now, kept, $"stocking plan {kept.Name.Trim()}")
        );
        if (receipt.Accepted)
            return LocalRedirect("/plans");
        Remarks = receipt.Remarks;
        return Page();
    }

    /// <summary>Reads and works out what an address asks; false when its pond or plan is not there.</summary>
    internal bool Open(string? code, long? plan, IQueryCollection query)
    {
        Pond = string.IsNullOrEmpty(code) ? null : questions.Story(code);
        if (Pond is null && !string.IsNullOrEmpty(code))
            return false;
        if (plan is { } id && (Kept = questions.StockingPlans().FirstOrDefault(p => p.Kept.PlanId == id).Kept) is null)
            return false;
        if (Kept?.PondId is { } kept && Pond is null)
            Pond = questions.Ponds().FirstOrDefault(p => p.Id == kept) is { } known
                ? questions.Story(known.Code)
                : null;
        var start = new BenchStart(here, Pond);
        Fields = StockingForm.Fields(start, query["species"].ToString(), query["system"].ToString());
        var sent = query.ContainsKey("species");
        Typed = !sent && Kept is not null ? StockingForm.Typed(Kept.Asked, Fields, here) : FromAddress(query, sent);
        var form = new SlipForm(Typed, here);
        Asked = StockingForm.Read(new BenchForm(form), Pond);
        (Remarks, Echoes) = (form.Remarks, form.Echoes);
        if (Asked is null)
            return true;
        Answer = StockingAnswer.Of(Asked.Plan);
        var cycles = OwnCycles(Asked.Plan.Species);
        Own = [.. cycles.Take(OwnShown)];
        Learned = Learned.Of(cycles, Asked.Plan.Species.FcrGrowOut);
        Reviews = Pond is { } of
            ? [.. questions.Reviews().Where(r => r.Fact.PondId == of.Pond.Id).Take(OwnShown).Select(r => r.Fact)]
            : [];
        Prepared = Pond?.Readiness.PreparationAt(here.Now)?.Plan;
        Advice = Pond is { } told
            ? [.. questions.Advice(told.Pond.Id).Take(OwnShown).Select(a => (a.Adviser, a.Fact.Text))]
            : [];
        Experience = ExperienceOf(Answer.Question.Water.System.ByVolume());
        Gaps = PlanGap.Of(Answer, MeansOf());
        Shared = Asked.Beside.Count > 0 ? SharedWater.Of(Asked.Plan, Asked.Beside) : null;
        Order = OrderOf();
        Conflicts = PlanCalendar.Conflicts(Answer, Pond, questions, here, plan);
        Parted = Asked.OnHand is { } onHand ? PlanCalendar.Part(Asked.Plan, onHand, questions, here) : [];
        return true;
    }

    private OrderSlip OrderOf() =>
        OrderSlip.Of(
            Answer!,
            Asked!.Road,
            Prepared is null
                ? []
                :
                [
                    .. Prepared
                        .Open.SelectMany(x => x.Step.Supplies.Select(supply => (supply, x.Day)))
                        .GroupBy(x => x.supply.Product)
                        .Select(g => (Prepared.Shopping.First(x => x.Product == g.Key), g.Min(x => x.Day))),
                ]
        );
}
