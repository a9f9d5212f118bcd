using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Source water, value by value, and whether it lasts through the driest month.</summary>
internal sealed class SourceCalculator : ICalculator
{
    private static readonly Parameter[] Tested =
    [
        Parameter.Oxygen,
        Parameter.Temperature,
        Parameter.Ph,
        Parameter.Alkalinity,
        Parameter.Salinity,
        Parameter.Nitrite,
        Parameter.CarbonDioxide,
        Parameter.Turbidity,
    ];

    public string Key => "source";

    public string Title => "Source water";

    public string Lead =>
        "fit or unfit for a species value by value, and its flow in the driest month against the need";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Fish("species", "For", s.Pond?.LikelySpecies.Key ?? "silver_perch"),
            s.Heading("As tested; what was not tested stays empty"),
            .. Tested.Select(p =>
                s.Quantity(
                    p.Key,
                    Pages.Words.Sentence(p.Name),
                    p.Measure,
                    p == Parameter.Ph ? "7.2"
                        : p == Parameter.Oxygen ? "5"
                        : ""
                )
            ),
            s.Quantity("iron", "Iron", Measures.Concentration, ""),
            s.Quantity("chlorine", "Free chlorine", Measures.Concentration, ""),
            s.Quantity("gas", "Total gas pressure", Measures.Share, ""),
            s.Heading("In the driest month"),
            s.Quantity("flow", "Flow", Measures.Flow, 10),
            s.Quantity("volume", "Water of the ponds", Measures.Volume, s.Pond?.Pond.Shape.FullVolumeM3 ?? 5000),
            s.Quantity("area", "Their surface", Measures.Area, s.Pond?.Pond.Shape.FullAreaM2 ?? 4000),
            s.Quantity("days", "To be filled in, days", Measures.Plain, 14),
            s.Quantity("lost", "Evaporation and seepage a day", Measures.Rain, 0.010),
            s.Quantity("changed", "Changed a day", Measures.Share, "0"),
        ];

    public Worked? Work(BenchForm f)
    {
        var species = f.Form.Fish("species");
        var read = Tested
            .Select(p => (Parameter: p, Si: f.MaybeQ(p.Key, p.Measure, p.HardLow, p.HardHigh)))
            .Where(x => x.Si is not null)
            .Select(x => (x.Parameter, x.Si!.Value))
            .ToList();
        var (iron, chlorine, gas) = (
            f.MaybeQ("iron", Measures.Concentration, 0, 100),
            f.MaybeQ("chlorine", Measures.Concentration, 0, 20),
            f.MaybeQ("gas", Measures.Share, 50, 200)
        );
        var lasts = Lasts(f);
        if (!f.Sound || lasts is not { } water)
            return null;
        List<SourceValue> values =
        [
            .. SourceWater.Judge(read, species, f.Here.Hand),
            .. iron is { } fe ? [SourceWater.Iron(fe, f.Here.Hand)] : Array.Empty<SourceValue>(),
            .. chlorine is { } cl ? [SourceWater.Chlorine(cl, f.Here.Hand)] : Array.Empty<SourceValue>(),
            .. gas is { } tgp ? [SourceWater.Gas(tgp, f.Here.Hand)] : Array.Empty<SourceValue>(),
        ];
        return Answer(f, species, values, water);
    }

    private static (double FillM3Day, double KeepM3Day, Judgement Judgement)? Lasts(BenchForm f)
    {
        var (flow, volume, area) = (
            f.Q("flow", Measures.Flow, 0, 1e6),
            f.Q("volume", Measures.Volume, 1, 1e8),
            f.Q("area", Measures.Area, 1, 1e8)
        );
        var (days, lost, changed) = (
            f.Q("days", Measures.Plain, 0.5, 365),
            f.Q("lost", Measures.Rain, 0, 0.1),
            f.Q("changed", Measures.Share, 0, 1000)
        );
        return f.Sound ? SourceWater.Lasts(24 * flow, volume, area, days, 1000 * lost, changed) : null;
    }

    private static Worked Answer(
        BenchForm f,
        FishSpecies species,
        List<SourceValue> values,
        (double FillM3Day, double KeepM3Day, Judgement Judgement) water
    )
    {
        var why = Grounds.Of(
            "Each value against the limits of fry of the species; none makes up for another. The flow is held against filling and keeping full.",
            SourceWater.Source,
            Input.Said("species", species.Name, "chosen")
        );
        var worst = values.Select(v => v.Judgement.Status).Append(Status.Steady).Max();
        var unfit = values.Where(v => v.Judgement.Status == Status.ActNow).Select(v => v.Name).ToList();
        return new(
            [
                new(
                    "The water",
                    worst == Status.ActNow ? "unfit as it comes"
                        : worst == Status.Watch ? "fit when treated"
                        : "fit",
                    why,
                    Main: true
                ),
                new("To fill, a day", f.Say(water.FillM3Day, Measures.Volume), why),
                new("To keep full, a day", f.Say(water.KeepM3Day, Measures.Volume), why),
            ],
            Pages.Words.Sentence(water.Judgement.Reason) + ".",
            unfit.Count > 0 ? new(Status.ActNow, "unfit: " + string.Join(", ", unfit)) : water.Judgement,
            [
                "Ask what neighbours spray and where the water ran before; a laboratory tests for metals and pesticides once, before anything is built.",
            ],
            [
                ["tested", "value", "judged", "what to do"],
                .. values.Select(v => new[] { v.Name, v.Text, v.Judgement.Reason, v.Do }),
            ]
        );
    }
}
