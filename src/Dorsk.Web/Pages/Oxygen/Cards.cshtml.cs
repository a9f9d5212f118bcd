using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Cards for the wall: what to do, in order, when there is no time to think.</summary>
[Needs(Permission.Look)]
public sealed class CardsModel(Questions questions, Here here) : PageModel
{
    /// <summary>Who is called, in order.</summary>
    public IReadOnlyList<string> Calls { get; private set; } = [];

    /// <summary>What can fail, in words.</summary>
    public static readonly (Fault Key, string Word)[] Words =
    [
        (Fault.Power, "power"),
        (Fault.Well, "well or its pump"),
        (Fault.Aerator, "an aerator or blower"),
        (Fault.Oxygen, "bottled oxygen"),
        (Fault.Generator, "the generator does not start"),
    ];

    /// <summary>What failed.</summary>
    public IReadOnlySet<Fault> Failed { get; private set; } = new HashSet<Fault>();

    /// <summary>Fish doctors of the farm's book, with their telephones.</summary>
    public IReadOnlyList<string> Vets { get; private set; } = [];

    /// <summary>What comes first, when something was ticked.</summary>
    public IReadOnlyList<FaultStep> Order { get; private set; } = [];

    public IActionResult OnGet(string[]? f = null)
    {
        Failed = (f ?? [])
            .Select(k => Enum.TryParse<Fault>(k, out var one) && Enum.IsDefined(one) ? one : (Fault?)null)
            .OfType<Fault>()
            .ToHashSet();
        Order = FaultStep.For(Failed);
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Calls =
        [
            .. (questions.CallList()?.Steps ?? []).Select(s => s.Phone.Length > 0 ? $"{s.Name} {s.Phone}" : s.Name),
        ];
        Vets =
        [
            .. questions
                .Advisers()
                .Where(a => a.Adviser is { Dropped: false, Kind: AdviserKind.FishDoctor })
                .Select(a => $"{a.Adviser.Name} {a.Adviser.Phone}"),
        ];
        return Page();
    }
}
