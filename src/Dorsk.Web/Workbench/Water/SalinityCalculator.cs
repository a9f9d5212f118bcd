using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Salt for a wanted salinity, or water to lower it, held against what the fish bear.</summary>
internal sealed class SalinityCalculator : ICalculator
{
    public string Key => "salinity";

    public string Title => "Raise or lower salinity";

    public string Lead => "salt, or new water, and how long the fish need for the way";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. BenchFish.Fields(s, "whiteleg_shrimp", 5),
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 1000),
            s.Quantity("now", "Salinity now", Measures.Salinity, s.Last(Parameter.Salinity) ?? 2),
            s.Quantity("wanted", "Wanted", Measures.Salinity, 10),
            s.Quantity("purity", "Salt in the product", Measures.Share, 98).WithHint("of the bag's label"),
            s.Quantity("source", "Salinity of new water", Measures.Salinity, 0).WithHint("to lower it"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (species, g) = BenchFish.Read(f);
        var volume = f.Q("volume", Measures.Volume, 0.001, 1e7);
        var (now, wanted) = (f.Q("now", Measures.Salinity, 0, 60), f.Q("wanted", Measures.Salinity, 0, 60));
        var (purity, source) = (f.Q("purity", Measures.Share, 10, 100) / 100, f.Q("source", Measures.Salinity, 0, 60));
        if (!f.Sound)
            return null;
        var rate = SalinityRate.For(species, g);
        var hours = rate.Hours(now, wanted);
        var why = Because(species, rate, volume, now, wanted);
        List<Figure> figures =
            wanted >= now
                ? [new("Salt", f.Say(SaltBalance.SaltKg(volume, now, wanted, purity), Measures.Mass), why, Main: true)]
                : [.. Lower(f, volume, now, wanted, source, why)];
        if (!f.Sound)
            return null;
        figures.Add(new("The way takes at least", $"{f.Here.Figure(hours, hours < 10 ? 1 : 0)} h", why));
        return new(
            figures,
            string.Join(" ", rate.Gates(now, wanted).Select(gate => $"First: {gate}.")),
            Verdict(f, species, wanted),
            Cautions:
            [
                "Dissolve salt before it goes in: grains on the floor burn fish and crayfish. Part it over the hours of the way. Salt water harms fields and streams: mind where it goes.",
            ]
        );
    }

    private static Judgement Verdict(BenchForm f, FishSpecies species, double wanted) =>
        wanted >= species.SalinityLowPpt && wanted <= species.SalinityHighPpt
            ? new(Status.Steady, $"{species.Name} bear {f.Say(wanted, Measures.Salinity)} for long")
            : new(
                Status.ActNow,
                $"{species.Name} do not bear {f.Say(wanted, Measures.Salinity)} for long: {f.Say(species.SalinityLowPpt, Measures.Salinity)} to {f.Say(species.SalinityHighPpt, Measures.Salinity)}"
            );

    private static Grounds Because(FishSpecies species, SalinityRate rate, double volume, double now, double wanted) =>
        Grounds.Of(
            "Salt by mass balance, ppt taken as kg a cubic metre. The way takes as long as the species bears at its weight, by where it stands and which way it goes.",
            rate.Source,
            new Input("volume", volume, Measures.Volume, "typed"),
            new Input("now", now, Measures.Salinity, "typed"),
            new Input("wanted", wanted, Measures.Salinity, "typed"),
            new Input("borne for long, least", species.SalinityLowPpt, Measures.Salinity, "species table"),
            new Input("borne for long, most", species.SalinityHighPpt, Measures.Salinity, "species table")
        );

    private static IEnumerable<Figure> Lower(
        BenchForm f,
        double volume,
        double now,
        double wanted,
        double source,
        Grounds why
    )
    {
        if (
            SaltBalance.ToAddM3(volume, now, wanted, source) is not { } add
            || WaterExchange.Left(now, source, wanted) is not { } left
        )
        {
            f.Form.Refuse("source", "This water is too salty to reach that. It must be under the wanted salinity.");
            yield break;
        }
        yield return new(
            "Exchange",
            $"{f.Here.Figure(100 * (1 - left), 0)} %, {f.Say((1 - left) * volume, Measures.Volume)}",
            why,
            Main: true
        );
        yield return new("Or add without draining", f.Say(add, Measures.Volume), why);
    }
}
