using Dorsk.Core.Hatchery;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Units;

namespace Dorsk.Web.Slips;

/// <summary>A hatchery plan, back from the fingerlings wanted.</summary>
internal sealed class HatchPlanSlip : ISlip
{
    private static readonly (string Key, string Label, double Low, double High)[] Stages =
    [
        ("Spawn", "Females that spawn", 50, 80),
        ("Hatch", "Hatch rate", 40, 80),
        ("Feed", "Survival to first feed", 50, 80),
        ("Nursery", "Survival in the nursery", 40, 70),
    ];

    public string Key => "hatch-plan";

    public Permission Needs => Permission.Manage;

    public string Title => "Hatchery plan";

    public string Button => "Keep this plan";

    public bool OfPond => false;

    public string FactKind => nameof(HatchPlanned);

    public string Section => "";

    public string After => "/hatchery/plan";

    public string Caution =>
        "Females that are starved or crowded to save money give fewer and smaller eggs; wild-caught ones spawn unreliably and bring disease.";

    public IReadOnlyList<SlipField> Fields(SlipContext c)
    {
        var f = c.Old<HatchPlanned>();
        var a = f?.Asked;
        return
        [
            c.Fish("Species", "Fish", f?.SpeciesKey ?? c.Here.AllSpecies[0].Key),
            c.Whole("Wanted", "Fingerlings wanted", a?.Fingerlings ?? 20_000),
            c.Day("On", "Wanted on", a?.On ?? c.Here.Today.AddDays(180)),
            c.Quantity("Length", "Of a length of", Measures.ShortLength, (a?.LengthMm ?? 40) / 1000),
            c.Quantity("Female", "A female weighs", Measures.Mass, a?.FemaleKg ?? 1.5),
            c.Whole("Females", "Females that stand together", a?.Sexes.Females ?? 3),
            c.Whole("Males", "With so many males", a?.Sexes.Males ?? 2),
            c.Quantity("Water", "Hatchery water", Measures.Temperature, a?.WaterC ?? 24.5),
            c.Heading("Each stage, low and high"),
            .. Stages.SelectMany(s => Range(c, s, Of(a, s.Key))),
            .. f is null ? Array.Empty<SlipField>() : [c.Yes("Dropped", "Given up", f.Dropped ? "true" : "")],
        ];
    }

    private static ShareRange? Of(HatchAsked? a, string key) =>
        key switch
        {
            "Spawn" => a?.Spawning,
            "Hatch" => a?.Hatching,
            "Feed" => a?.Feeding,
            _ => a?.Nursery,
        };

    private static SlipField[] Range(
        SlipContext c,
        (string Key, string Label, double Low, double High) s,
        ShareRange? old
    ) =>
        [
            c.Quantity(s.Key, $"{s.Label}, low", Measures.Share, old is { } o ? 100 * o.Low : s.Low),
            c.Quantity(s.Key + "High", $"{s.Label}, high", Measures.Share, old is { } h ? 100 * h.High : s.High),
        ];

    public Filled Read(SlipForm form, SlipContext c)
    {
        ShareRange Share(string key) =>
            new(form.Quantity(key, Measures.Share) / 100, form.Quantity(key + "High", Measures.Share) / 100);
        var species = form.Fish("Species");
        var asked = new HatchAsked(
            form.Whole("Wanted", "fingerlings"),
            form.Day("On"),
            1000 * form.Quantity("Length", Measures.ShortLength),
            form.Quantity("Female", Measures.Mass),
            (form.Whole("Females", "females"), form.Whole("Males", "males")),
            Share("Spawn"),
            Share("Hatch"),
            Share("Feed"),
            Share("Nursery"),
            form.Quantity("Water", Measures.Temperature)
        );
        var fact = new HatchPlanned(c.Old<HatchPlanned>()?.PlanId ?? 0, species.Key, asked, form.Yes("Dropped"));
        var table = EggTable.For(species);
        var sound =
            form.Remarks.Count == 0
            && table is not null
            && !fact.Check(table, c.Here.Hand).Any(r => r.Kind == Objection.Refuse);
        return new(
            c.Corrects?.Row.Happened ?? c.Here.Now,
            [fact],
            $"hatchery plan {c.Here.Count(asked.Fingerlings)} {species.Name}",
            sound ? Told(c, asked, table!, BackPlan.Of(asked, table!, NurseryDensity.For(species))) : []
        );
    }

    private static List<Computed> Told(SlipContext c, HatchAsked asked, EggTable table, BackPlan plan)
    {
        var way = BroodWay.Of(table);
        List<Computed> told =
        [
            new(
                "Breeders",
                $"{c.Here.Count(plan.Females)} females, {c.Here.Say(plan.FemalesKg(asked), Measures.Mass)}, and {c.Here.Count(plan.Males)} males"
            ),
            new(
                "Eggs, larvae, fry",
                $"{c.Here.Count(plan.Eggs)}, {c.Here.Count(plan.Larvae)}, {c.Here.Count(plan.Fry)}"
            ),
            new("Eggs by", c.Here.Day(plan.Days.First(d => d.What.StartsWith("eggs", StringComparison.Ordinal)).On)),
        ];
        if (way.VesselsFor(plan.Eggs) is > 0 and var vessels)
            told.Add(new("To hatch them", way.Say(vessels, c.Here.Hand)));
        if (way.NestsFor(plan.Females) is > 0 and var nests)
            told.Add(new("Nests", c.Here.Count(nests)));
        return told;
    }
}
