using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Fish;
using Dorsk.Web.Parts;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One lot: its clock, its water, its care, its books and the chain of survival.</summary>
[Needs(Permission.Look)]
public sealed class HatchLotModel(Questions questions, Here here) : PageModel
{
    private const double Left = 40,
        Right = 700,
        Top = 10,
        Bottom = 150;

    public LotState Lot { get; private set; } = null!;

    public HatchStory Story { get; private set; } = null!;

    public IReadOnlyList<ChainLink> Chain { get; private set; } = [];

    public ChainLink? Whole { get; private set; }

    /// <summary>Meals of the bell of the last day and the next six hours.</summary>
    public IReadOnlyList<BellMeal> Meals { get; private set; } = [];

    /// <summary>Cannibals taken out, day by day.</summary>
    public Judgement? Cannibals { get; private set; }

    public Grounds ClockWhy { get; private set; } = null!;

    /// <summary>Why the care is so.</summary>
    public static Grounds CareWhy { get; } =
        Grounds.Of("By the age since the hatch and what was last seen.", $"{FryTank.Source}; {FeedBell.Source}");

    /// <summary>Why survival is so.</summary>
    public static Grounds LinkWhy { get; } = Grounds.Of("One count over the other.", SurvivalChain.Source);

    public IActionResult OnGet(long id)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Story = questions.Hatchery(here.Now);
        if (Story.Lots.FirstOrDefault(l => l.Lot.LotId == id) is not { } lot)
            return NotFound();
        Lot = lot;
        var points = SurvivalChain.PointsOf(Story.Ledger, id);
        Chain = [.. SurvivalChain.Of(points), .. InPonds()];
        Whole = SurvivalChain.Whole(Chain);
        // The shift of a meal is that of its job.
        if (questions.Today(here.Now)?.Day is { } day)
            Meals = lot.Meals((here.Now.AddHours(-24), here.Now.AddHours(6)), day.IsNight);
        var eaten = Movements
            .Where(m => m.Fact is LotLeft { To: LotExit.Cannibals })
            .GroupBy(m => here.Zone.DayOf(m.At))
            .Select(g => (g.Key, g.Sum(m => ((LotLeft)m.Fact).Count)))
            .ToList();
        Cannibals = eaten.Count == 0 ? null : FryTank.Cannibals(eaten, here.Hand);
        ClockWhy = Grounds.Of(
            "Degree-days above the base, added up from this lot's own readings; the hours ahead as its last day. Eyes that were seen, and that it has not hatched yet, narrow the range. Four of five lots lie inside.",
            $"{EggClock.Source}; {lot.Table.Source}",
            new Input("degree-days so far", lot.Clock.DegreeDays, Measures.DegreeDays, "readings of the lot"),
            new Input("degree-days to hatch", lot.Clock.WantedDegreeDays, Measures.DegreeDays, "table of eggs"),
            new Input("base", lot.Table.BaseC, Measures.Temperature, "table of eggs")
        );
        return Page();
    }

    // Fry that were stocked, against what was harvested or counted of them, or stands by the estimate.
    private IEnumerable<ChainLink> InPonds()
    {
        var stocked = Movements.Where(m => m.Fact is FishStocked).ToList();
        if (stocked.Count == 0)
            yield break;
        var now = (questions.Today(here.Now)?.Ponds ?? []).SelectMany(p => p.Batches).ToDictionary(b => b.Batch.Id);
        double From(LotMovement m) => ((FishStocked)m.Fact).Count;
        var known = stocked.Where(m => now.ContainsKey(m.Line) || Taken(m) > 0).ToList();
        if (known.Count == 0)
            yield break;
        var to = known.Sum(m => Taken(m) + (now.TryGetValue(m.Line, out var b) ? b.Stands.Count.Value : 0));
        var doubt = known
            .Where(m => now.ContainsKey(m.Line))
            .Select(m => now[m.Line].Stands.Count)
            .Select(c => 100 * (c.High - c.Low) / 2 / Math.Max(1, c.Value))
            .DefaultIfEmpty(SurvivalChain.DoubtPct(CountBasis.ByWeight))
            .Max();
        yield return SurvivalChain.Link(
            new("stocked", known[0].At, 0, SurvivalChain.DoubtPct(CountBasis.ByVolume), known.Sum(From)),
            new(known.Any(m => now.ContainsKey(m.Line)) ? "in the pond now" : "harvested", here.Now, to, doubt, 0)
        );
    }

    // What was taken out alive or harvested of a batch.
    private double Taken(LotMovement stocked) =>
        questions
            .Story(here.Ponds.FirstOrDefault(p => p.Id == ((FishStocked)stocked.Fact).PondId)?.Code ?? "")
            ?.Batches.Where(b => b.Id == stocked.Line)
            .Sum(b => b.Harvests.Sum(h => h.Fact.Count))
        ?? 0;

    /// <summary>Movements of the lot, the newest first.</summary>
    public IReadOnlyList<LotMovement> Movements =>
        [.. Story.Ledger.Movements.Where(m => m.Postings.Any(p => p.LotId == Lot.Lot.LotId)).Reverse()];

    /// <summary>Hours to hatch by both schools at the last temperature.</summary>
    public (double ByDegreeDays, double ByHours) Schools =>
        (Lot.Table.HoursAt(Lot.Record[^1].TempC), Lot.Table.HoursByHours(Lot.Record[^1].TempC));

    /// <summary>The record of the water as a line, and the band behind it.</summary>
    public (string Points, double BandTop, double BandHeight, double HotY) Chart
    {
        get
        {
            var record = Lot.Record.Append((At: here.Now, Lot.Record[^1].TempC)).ToList();
            var (low, high) = (
                Math.Min(record.Min(r => r.TempC), Lot.Table.Band.LowC) - 1,
                Math.Max(record.Max(r => r.TempC), Lot.Table.DeformedAboveC) + 1
            );
            var span = Math.Max(1, (record[^1].At - record[0].At).TotalHours);
            double X(DateTimeOffset at) => Left + ((at - record[0].At).TotalHours / span * (Right - Left));
            double Y(double c) => Bottom - ((c - low) / (high - low) * (Bottom - Top));
            return (
                string.Join(" ", record.Select(r => $"{HatchStrip.N(X(r.At))},{HatchStrip.N(Y(r.TempC))}")),
                Y(Lot.Table.Band.HighC),
                Y(Lot.Table.Band.LowC) - Y(Lot.Table.Band.HighC),
                Y(Lot.Table.DeformedAboveC)
            );
        }
    }
}
