using Dorsk.Core.Acclimate;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How fast new water may run in over fish.</summary>
internal sealed class RefillCalculator : ICalculator
{
    public string Key => "refill";

    public string Title => "New water over fish";

    public string Lead => "the flow that keeps temperature, pH and salinity inside the steps they bear";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. BenchFish.Fields(s, "silver_perch", 50),
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 1000),
            s.Quantity("share", "To be renewed", Measures.Share, 30),
            .. Water(
                s,
                "",
                "Pond",
                s.Last(Parameter.Temperature) ?? 26,
                s.Last(Parameter.Ph) ?? 8,
                s.Last(Parameter.Salinity) ?? 0
            ),
            .. Water(s, "n", "New water", 20, 7.5, 0),
        ];

    public Worked? Work(BenchForm f)
    {
        var (species, g) = BenchFish.Read(f);
        var volume = f.Q("volume", Measures.Volume, 0.001, 1e7);
        var share = f.Q("share", Measures.Share, 1, 95) / 100;
        var (pond, fresh) = (Read(f, ""), Read(f, "n"));
        if (!f.Sound)
            return null;
        var steps = RefillSteps.For(species, g, volume, share, pond, fresh);
        var why = Grounds.Of(
            "Fully mixed: the flow by the volume times the difference is the change an hour, greatest at first. pH of mixed waters goes by their alkalinity; taken straight, the figure is on the safe side for waters alike.",
            steps.Source,
            new Input("volume", volume, Measures.Volume, "typed"),
            new Input("difference in temperature", fresh.TempC - pond.TempC, Measures.TemperatureStep, "typed"),
            new Input("borne an hour", steps.TempCPerH, Measures.TemperatureStep, "limits of the stage"),
            new Input("difference in pH", fresh.Ph - pond.Ph, Measures.Ph, "typed")
        );
        return Answer(f, volume, share, steps, why);
    }

    private static IEnumerable<SlipField> Water(
        BenchStart s,
        string suffix,
        string name,
        double t,
        double ph,
        double ppt
    ) =>
        [
            s.Heading(name),
            s.Quantity("temp" + suffix, "Temperature", Measures.Temperature, t),
            s.Quantity("ph" + suffix, "pH", Measures.Ph, ph),
            s.Quantity("sal" + suffix, "Salinity", Measures.Salinity, ppt),
        ];

    private static (double TempC, double Ph, double Ppt) Read(BenchForm f, string suffix) =>
        (
            f.Q("temp" + suffix, Measures.Temperature, -1, 45),
            f.Q("ph" + suffix, Measures.Ph, 3, 12),
            f.Q("sal" + suffix, Measures.Salinity, 0, 60)
        );

    private static Worked Answer(BenchForm f, double volume, double share, RefillSteps steps, Grounds why)
    {
        var (what, most) = steps.Binding;
        string Flow(double m3H) => double.IsInfinity(m3H) ? "any: both waters agree" : f.Say(m3H, Measures.Flow);
        string Hours(double h) => $"{f.Here.Figure(h, h < 10 ? 1 : 0)} h";
        List<Figure> figures =
        [
            new("At most", Flow(most), why, Main: true),
            .. steps.Ways.Select(w => new Figure($"For {w.What}", Flow(w.MostM3H), why)),
            new("Water it takes", f.Say(-Math.Log(1 - share) * volume, Measures.Volume), why),
        ];
        if (double.IsFinite(most))
            figures.Add(new("Hours at that flow", Hours(WaterExchange.HoursTo(volume, most, share)), why));
        return new(
            figures,
            double.IsInfinity(most)
                ? "The new water is like the pond's: the pump decides."
                : $"The {what} decides; they bear {f.Say(steps.TempCPerH, Measures.TemperatureStep)} an hour.",
            Cautions:
            [
                "Watch the fish where the water comes in; stop when they hang or dart. Well water is often without oxygen and with gas: let it fall through air first.",
            ]
        );
    }
}
