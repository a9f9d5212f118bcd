using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Species;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Sources of water with their newest tests, value by value, and whether there is a second.</summary>
[Needs(Permission.Look)]
public sealed class SourcesModel(Questions questions, Here here) : PageModel
{
    public IReadOnlyList<(DateOnly On, SourceTested Test, IReadOnlyList<SourceValue> Values)> Sources
    {
        get;
        private set;
    } = [];

    public Judgement Judgement { get; private set; } = new(Status.Unknown, "");

    /// <summary>The fish they are held against: the one that stands in most ponds.</summary>
    public FishSpecies Species { get; private set; } = FishSpecies.All[0];

    public IActionResult OnGet()
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        var stands = questions.Looks(here.Now).SelectMany(l => l.Now?.Batches.Select(b => b.Batch.Species) ?? []);
        Species = stands.GroupBy(s => s.Key).MaxBy(g => g.Count())?.First() ?? here.AllSpecies[0];
        var newest = SourceBook.Newest(questions.SourcesTested().Select(s => (here.Zone.DayOf(s.At), s.Test)));
        Judgement = SourceBook.Judge(newest, here.Today);
        Sources = [.. newest.Select(s => (s.On, s.Test, SourceWater.Judge(s.Test.Values, Species, here.Hand)))];
        return Page();
    }
}
