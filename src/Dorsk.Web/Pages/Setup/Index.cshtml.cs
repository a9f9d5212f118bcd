using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.Find;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Where the farm is set up.</summary>
[Needs(Permission.Setup)]
public sealed class SetupModel(Questions questions, Here here) : PageModel
{
    private static readonly (string Title, string[] Of)[] Groups =
    [
        ("Farm and people", ["/slip/farm", "/setup/people", "/me"]),
        ("Ponds and water", ["/slip/pond", "/setup/plan", "/setup/sources", "/setup/builders"]),
        ("Fish and feed", ["/setup/species", "/slip/feed"]),
        ("Work and equipment", ["/setup/duties", "/setup/vital", "/setup/instruments", "/setup/devices"]),
        ("Data", ["/lists", "/import"]),
    ];

    /// <summary>All of setup in groups, what was used last first.</summary>
    public Shelf Shelf
    {
        get
        {
            var all = FarmMap.For(here, []).ToLookup(e => e.Address);
            return Shelf.For(
                [
                    .. Groups.Select(g =>
                        (g.Title, (IReadOnlyList<MapEntry>)[.. g.Of.SelectMany(a => all[a]).Select(Told)])
                    ),
                ],
                Lately.Of(Request, "/setup/")
            );
        }
    }

    public IActionResult OnGet() => here.Farm is null ? Redirect("/slip/farm") : Page();

    // What is known of it already stands beside it.
    private MapEntry Told(MapEntry e) =>
        e.Address switch
        {
            "/slip/farm" => e with
            {
                Title = "Your farm",
                Says = $"{here.Farm!.Name}, {here.Farm.PlaceName}: place, elevation, clock, units, decimal sign",
            },
            "/setup/people" => e with
            {
                Says = $"{Count(questions.People().Count(p => p.Role != Role.Gone), "person", "people")}: {e.Says}",
            },
            "/slip/pond" => e with { Says = $"{Count(questions.Ponds().Count, "pond", "ponds")} so far" },
            _ => e,
        };

    private static string Count(int n, string one, string many) => $"{n} {(n == 1 ? one : many)}";
}
