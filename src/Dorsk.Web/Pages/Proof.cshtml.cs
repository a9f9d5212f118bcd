using Dorsk.Core.Growth;
using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>How the forecasts of past nights came out on this farm.</summary>
[Needs(Permission.Look)]
public sealed class ProofModel(Questions questions, Here here) : PageModel
{
    /// <summary>Nights of each pond that the sums take in.</summary>
    public const int Last = 30;

    /// <summary>The methods, in the order in which they are chosen.</summary>
    public static readonly IReadOnlyList<DeclineMethod> Methods =
    [
        DeclineMethod.OwnNights,
        DeclineMethod.TwoReadings,
        DeclineMethod.Balance,
    ];

    public IReadOnlyList<PondProof> Ponds { get; private set; } = [];

    public PondProof? Pond { get; private set; }

    public ForecastScore? All => ForecastScore.Of(Ponds.SelectMany(p => p.Nights.TakeLast(Last)));

    /// <summary>A pond as it was known at an instant: its story up to then, and the night as it would have been told.</summary>
    public (DateTimeOffset At, PondStory Story, Tonight Tonight)? Then { get; private set; }

    /// <summary>Day and hour as typed, and what was wrong with them.</summary>
    public (string Day, string Hour, string? Problem) Asked { get; private set; } = ("", "", null);

    /// <summary>Codes of all ponds in use.</summary>
    public IReadOnlyList<string> Codes { get; private set; } = [];

    public IActionResult OnGet(string? pond, string? day, string? hour, bool all)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Codes = [.. questions.Ponds().Select(p => p.Code)];
        if (!string.IsNullOrEmpty(day) || !string.IsNullOrEmpty(hour))
            LookBack(pond ?? "", day ?? "", hour ?? "");
        Ponds = questions.Proof(here.Now);
        Pond = Ponds.FirstOrDefault(p => p.Code == pond)
            ?? (
                Ponds.Count > 0 && string.IsNullOrEmpty(pond)
                    ? Ponds.MaxBy(p => ForecastScore.Of(p.Nights, Last)!.ErrorMgL)
                    : null
            );
        Stands(pond, all);
        return Page();
    }

    // Nothing that happened or was known later is used: so it can be held against what came.
    private void LookBack(string pond, string day, string hour)
    {
        var form = new SlipForm(new Dictionary<string, string> { ["Day"] = day, ["Hour"] = hour }, here);
        var at = form.When();
        var story = form.Remarks.Count == 0 && at <= here.Now ? questions.StoryAsOf(pond, new AsOf(at, at)) : null;
        Asked = (day, hour, WhyNot(form, at, story));
        if (story is not null)
            Then = (at, story, story.Night.At(at));
    }

    private string? WhyNot(SlipForm form, DateTimeOffset at, PondStory? story)
    {
        if (form.Remarks.Count > 0)
            return form.Remarks[0].Text;
        if (at > here.Now)
            return "Choose a day and hour up to now.";
        return story is null ? "No such pond was known then." : null;
    }

    /// <summary>Estimates of the fish held against samples, counts and harvests: of the chosen pond, or of all where that is asked for.</summary>
    public IReadOnlyList<BatchProof> Batches { get; private set; } = [];

    /// <summary>The pond whose fish are scored; null for all. Every estimate is made anew from what had happened by then: all ponds would keep the page waiting.</summary>
    public string? FishOf { get; private set; }

    private void Stands(string? pond, bool all)
    {
        if (!all)
            FishOf = Codes.FirstOrDefault(c => c == pond) ?? Pond?.Code ?? (Codes.Count > 0 ? Codes[0] : null);
        Batches =
        [
            .. Codes
                .Where(c => all || c == FishOf)
                .Select(questions.Story)
                .OfType<PondStory>()
                .SelectMany(questions.StandingProof),
        ];
    }

    /// <summary>Outcomes of one kind over some batches.</summary>
    public static EstimateScore? Of(IEnumerable<BatchProof> batches, EstimateOf kind) =>
        EstimateScore.Of([.. batches.SelectMany(b => b.Outcomes).Where(o => o.Of == kind)]);

    /// <summary>A size of an error: per cent, for dates days.</summary>
    public string Size(EstimateOf kind, double error) =>
        kind == EstimateOf.DateOfWeight ? $"{here.Figure(error, 0)} d" : $"{here.Figure(100 * error, 1)} %";

    /// <summary>The same with its sign.</summary>
    public string SignedSize(EstimateOf kind, double error) => (error >= 0 ? "+" : "−") + Size(kind, Math.Abs(error));

    public static string Word(EstimateOf kind) =>
        kind switch
        {
            EstimateOf.MeanWeight => "mean weight, at samples",
            EstimateOf.Number => "number, at counts and last harvests",
            _ => "date of a weight, from sample to sample",
        };

    public string Signed(double mgL) => (mgL >= 0 ? "+" : "−") + here.Figure(Math.Abs(mgL), 2);

    public string Word(DeclineMethod method) =>
        method switch
        {
            DeclineMethod.OwnNights => "own nights",
            DeclineMethod.TwoReadings => "two readings",
            _ => "fish, plankton, mud",
        };
}
