using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The cast net for the fish of a pond.</summary>
/// <param name="Code">The pond.</param>
/// <param name="Fish">What stands in it, in words.</param>
/// <param name="Net">The net.</param>
/// <param name="Why">Its grounds.</param>
public readonly record struct PondNet(string Code, string Fish, CastNet Net, Grounds Why);

/// <summary>The card of a task: few words and drawings, to print; that of the cast net says which net, and who throws well enough.</summary>
[Needs(Permission.Look)]
public sealed class TaskCardModel(Questions questions, Here here) : PageModel
{
    /// <summary>Fish that a sample usually wants.</summary>
    public const int Wanted = 30;

    /// <summary>The task.</summary>
    public FarmTask Of { get; private set; } = null!;

    /// <summary>Nets by pond; on the card of the cast net.</summary>
    public IReadOnlyList<PondNet> Nets { get; private set; } = [];

    /// <summary>How well each throws who has practised.</summary>
    public IReadOnlyList<(string Name, CastSkill Skill)> Skills { get; private set; } = [];

    /// <summary>Share of the throws that open whole.</summary>
    public double OpenShare => CastSkill.ShareOf([.. Skills.Select(s => s.Skill)]);

    /// <summary>The page.</summary>
    public IActionResult OnGet(string key)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        if (FarmTask.Find(key) is not { } task)
            return NotFound();
        Of = task;
        if (key == "cast")
            Casting();
        return Page();
    }

    private void Casting()
    {
        var people = questions.People().ToDictionary(p => p.PersonId, p => p.Name);
        Skills =
        [
            .. questions
                .CastsPractised()
                .GroupBy(c => c.Fact.PersonId)
                .Select(g => (people.GetValueOrDefault(g.Key, ""), CastSkill.Of(g.Select(c => c.Fact)))),
        ];
        Nets =
        [
            .. (questions.Today(here.Now)?.Ponds ?? [])
                .Where(p => p.Batches.Count > 0 && !p.Story.Pond.ByVolume)
                .Select(NetOf),
        ];
    }

    private PondNet NetOf(PondNow p)
    {
        var fish = p.Batches.MinBy(b => b.Stands.MeanG.Value)!;
        var count = p.Batches.Sum(b => b.Stands.Count.Value);
        var level = p.Story.LevelAt(here.Now).LevelM;
        var area = p.Story.Pond.Shape.AreaM2(level);
        return new(
            p.Story.Pond.Code,
            $"{here.Count(Math.Floor(count))} × {here.Say(fish.Stands.MeanG.Value, Measures.FishWeight)}",
            CastNet.Of(fish.Batch.Species, fish.Stands.MeanG.Value, count, area, level),
            Grounds.Of(
                "The widest mesh through which no fish of half the mean weight of the smallest batch slips.",
                CastNet.Source,
                new Input("mean weight", fish.Stands.MeanG.Value, Measures.FishWeight, "standing estimate"),
                new Input("fish", count, Measures.Plain, "standing estimate"),
                new Input("water surface", area, Measures.Area, "shape and level"),
                new Input("depth", level, Measures.Length, "level")
            )
        );
    }
}
