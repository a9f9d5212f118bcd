using Dorsk.Core.People;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>The last three weeks of weather, by hand and by a station: today by the hour, the days before by their last word.</summary>
[Needs(Permission.Look)]
public sealed class WeatherModel(Questions questions, Here here) : PageModel
{
    private const int Back = 21;

    public IReadOnlyList<Parameter> Shown { get; } = Parameter.All.Where(p => p.OfFarm).ToList();

    public IReadOnlyList<(DateTimeOffset At, Dictionary<Parameter, double> Values)> Days { get; private set; } = [];

    public void OnGet()
    {
        var weather = questions.Weather();
        (DateOnly, int) Row(DateTimeOffset at) =>
            here.Zone.DayOf(at) is var day && day == here.Today ? (day, here.Zone.LocalAt(at).Hour) : (day, 0);
        Days = Shown
            .SelectMany(p =>
                weather[p]
                    .Where(t => here.Today.DayNumber - here.Zone.DayOf(t.At).DayNumber < Back)
                    .Select(t => (t.At, p, t.Si))
            )
            .GroupBy(r => Row(r.At))
            .OrderByDescending(g => g.Key)
            .Select(g => (g.Max(r => r.At), g.GroupBy(r => r.p).ToDictionary(x => x.Key, x => x.MaxBy(r => r.At).Si)))
            .ToList();
    }
}
