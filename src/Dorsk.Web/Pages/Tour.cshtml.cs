using Dorsk.Core.People;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>One thing that goes on at the demo farm.</summary>
/// <param name="Title">What it is.</param>
/// <param name="Says">What to look at, and why.</param>
/// <param name="Links">Pages that show it: word and address.</param>
public sealed record TourStop(string Title, string Says, IReadOnlyList<(string Word, string Address)> Links);

/// <summary>A walk through the demo farm; a farm of its own has none.</summary>
[Needs(Permission.Look)]
public sealed class TourModel(DemoFarmOpen demo) : PageModel
{
    /// <summary>The stops.</summary>
    public static readonly IReadOnlyList<TourStop> Stops =
    [
        new(
            "P4 will pass the act level before dawn",
            "A heavy bloom, four falling dawns. Today names the aerators to run, from when, and what that does to the low. Run them, look at the night board, then take it back.",
            [("Today", "/"), ("Night board", "/oxygen"), ("P4, water", "/ponds/P4/water")]
        ),
        new(
            "P1 is near its market weight",
            "The harvest window, the taste test it passed, the fast before the net.",
            [("P1, harvest", "/ponds/P1/harvest"), ("Season", "/season")]
        ),
        new(
            "P2 wants a sample",
            "Sample day is tomorrow at 06:30. Growth shows how wide the estimate has become, and how many fish narrow it.",
            [("P2, growth", "/ponds/P2/growth"), ("Sample sheet", "/ponds/P2/sheet")]
        ),
        new(
            "P3 grows behind its plan",
            "Growth says why: cool weeks and short rations.",
            [("P3, growth", "/ponds/P3/growth"), ("Cycles compared", "/compare")]
        ),
        new(
            "The fry of N2 were weighed nine days ago",
            "The estimate carries them on day by day; the sample slip corrects it.",
            [("N2, growth", "/ponds/N2/growth"), ("Record a sample", "/ponds/N2/slip/sample")]
        ),
        new(
            "P6 is being filled",
            "Steps that move when one slips, and the gate that fish must pass.",
            [("P6, prepare", "/ponds/P6/prepare"), ("Stocking plan", "/plans/stocking?pond=P6")]
        ),
        new(
            "The grower feed runs out next week",
            "How long it lasts as fish grow, and what to order by when.",
            [("Feed store", "/feed/store"), ("Rations", "/feed")]
        ),
        new(
            "A buoy can fail, a fuse can blow",
            "The stand-ins' page (the demo's port + 10) switches faults on: a dead buoy, a tripped aerator, a power cut. Watch the band at the top, Alarms, and the mailbox on the stand-ins' page.",
            [("Alarms", "/alarms"), ("Power is out", "/oxygen/power")]
        ),
    ];

    public IActionResult OnGet() => demo.On ? Page() : NotFound();
}
