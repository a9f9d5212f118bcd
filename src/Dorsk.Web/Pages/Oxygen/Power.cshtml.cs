using Dorsk.Core.Machines;
using Dorsk.Core.Oxygen;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace Dorsk.Web.Pages;

/// <summary>Power is out: minutes left in each water, who first, what the generator carries, what to do.</summary>
[Needs(Permission.Look)]
public sealed class PowerModel(Questions questions, Here here) : PageModel
{
    private static readonly string[] Standby =
    [
        "generator",
        "generator-fuel",
        "oxygen-on-power-failure",
        "oxygen-cylinder-or-tank",
        "alarm-dialler-text",
    ];

    /// <summary>Waters with fish, the fewest minutes first; those that cannot be told stand first, as nobody knows.</summary>
    public IReadOnlyList<(PondNow Now, WithoutAir? Left)> Rows { get; private set; } = [];

    /// <summary>What must start or open by itself when power goes, and how its last test went.</summary>
    public IReadOnlyList<VitalState> Power { get; private set; } = [];

    /// <summary>What a generator of the typed power carries, or null when none was typed.</summary>
    public GeneratorLoad? Generator { get; private set; }

    public string Typed { get; private set; } = "";

    public string? Problem { get; private set; }

    public IActionResult OnGet([FromQuery] string? kw)
    {
        if (here.Farm is null)
            return Redirect("/slip/farm");
        Rows =
        [
            .. questions
                .PondsNow(here.Now)
                .Where(p => p.Batches.Count > 0)
                .Select(p => (p, p.Story.Night.WithoutAirAt(here.Now)))
                .OrderBy(r => r.Item2 is null ? -1 : r.Item2.MinutesToAct ?? double.MaxValue),
        ];
        Power = [.. questions.Vitals().Where(v => Standby.Contains(v.Kept.Kind))];
        var owned = Rows.SelectMany(r => r.Now.Story.Equipment)
            .Where(e => e is { Kind: EquipmentKind.Generator, PowerKW: not null })
            .Select(e => e.PowerKW!.Value)
            .DefaultIfEmpty(0)
            .Max();
        Typed = kw ?? (owned > 0 ? here.Typed(owned, Measures.Power) : "");
        var form = new SlipForm(new Dictionary<string, string> { ["kw"] = Typed }, here);
        if (form.MaybeQuantity("kw", Measures.Power) is { } rated)
        {
            if (rated is >= 0.1 and <= 100_000)
                Generator = LoadOf(rated);
            else
                Problem = $"{here.Say(rated, Measures.Power)} is no generator. Takes 0.1 kW to 100 MW.";
        }
        Problem ??= form.Remarks.Count > 0 ? form.Remarks[0].Text : null;
        return Page();
    }

    private GeneratorLoad LoadOf(double rated) =>
        GeneratorLoad.Of(
            rated,
            [
                .. Rows.Select(r => new AirLoad(
                    r.Now.Story.Pond.Code,
                    r.Left?.MinutesToAct ?? (r.Left is null ? 0 : null),
                    [.. r.Now.Story.AeratorsAt(here.Now).Select(a => a.ShaftKW / a.Kind.MotorEfficiency)]
                )),
            ]
        );

    /// <summary>Minutes in words.</summary>
    public string Say(double? minutes) =>
        minutes switch
        {
            null => "holds",
            <= 0 => "now",
            < 100 => $"{here.Figure(Math.Floor(minutes.Value), 0)} min",
            _ => $"{here.Figure(minutes.Value / 60, 1)} h",
        };
}
