using Dorsk.Core.People;
using Dorsk.Core.Species;

namespace Dorsk.Web.Slips;

/// <summary>A species that the tables do not hold is added: copied from the nearest one, its figures then changed on its page.</summary>
internal sealed class OwnSpeciesSlip : ISlip
{
    public string Key => "own-species";

    public string Title => "Species of the farm's own";

    public string Button => "Save";

    public bool OfPond => false;

    public string FactKind => nameof(OwnSpecies);

    public string Section => "";

    public string After => "/setup/species";

    public Permission Needs => Permission.Setup;

    public string Caution =>
        "A copied figure is a guess for another animal. Change oxygen, temperature, ammonia and salinity limits to those of a leaflet or the hatchery before fish come, and ask whether the species may be kept here.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var old = c.Old<OwnSpecies>();
        return
        [
            c.Words("Name", "Common name", old?.Name ?? "").WithHint("as it stands in lists, such as golden perch"),
            c.Choice(
                "BaseKey",
                "Copy from the nearest",
                old?.BaseKey ?? c.Here.AllSpecies[0].BaseKey,
                [.. FishSpecies.All.Select(s => (s.Key, s.Name))]
            ),
            c.Words("Scientific", "Scientific name", old?.Scientific ?? "").WithHint("may stay empty"),
            c.Words("Source", "Figures come from", old?.Source ?? "").WithHint("a leaflet, the hatchery, own records"),
        ];
    }

    public Filled Read(SlipForm form, SlipContext c)
    {
        var from = form.Choice("BaseKey", [.. FishSpecies.All.Select(s => (s.Key, s))], "species", FishSpecies.All[0]);
        var fact = new OwnSpecies(form.Text("Name"), from.Key, form.Text("Scientific"), form.Text("Source"));
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            $"{fact.Name}, from {from.Name.ToLowerInvariant()}",
            []
        );
    }
}
