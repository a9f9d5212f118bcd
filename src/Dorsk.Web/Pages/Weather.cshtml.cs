using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The last three weeks of hand-typed weather.</summary>
[Needs(Permission.Look)]
public sealed class WeatherModel(Questions questions) : PageModel
{
    public IReadOnlyList<Parameter> Shown { get; } = Parameter.All.Where(p => p.OfFarm).ToList();

    public IReadOnlyList<(DateTimeOffset At, Dictionary<Parameter, double> Values)> Days { get; private set; } = [];

    public void OnGet()
    {
        var weather = questions.Weather();
        Days = Shown.SelectMany(p => weather[p].TakeLast(21).Select(t => (t.At, p, t.Si))).GroupBy(r => r.At).OrderByDescending(g => g.Key).Take(21)
            .Select(g => (g.Key, g.GroupBy(r => r.p).ToDictionary(x => x.Key, x => x.Last().Si))).ToList();
    }
}
