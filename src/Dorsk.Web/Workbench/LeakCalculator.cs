using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>What a pond loses through its bed.</summary>
internal sealed class LeakCalculator : ICalculator
{
    public string Key => "leak";

    public string Title => "Leak test";

    public string Lead => "seepage from two readings of the staff gauge";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("first", "First gauge level", Measures.Length, 0.60),
            s.Quantity("second", "Second gauge level", Measures.Length, 0.55),
            s.Quantity("days", "Days between", Measures.Plain, "4"),
            s.Quantity("rain", "Rain meanwhile", Measures.Rain, "0"),
            s.Quantity("evaporation", "Evaporation meanwhile", Measures.Rain, 0.020)
                .WithHint("all the days together, from a pan; empty: it is estimated from the next two lines"),
            s.Quantity("warm", "Warmest of a usual day", Measures.Temperature)
                .WithHint("air; only when there is no pan"),
            s.Quantity("cool", "Coolest of a usual night", Measures.Temperature)
                .WithHint("air; only when there is no pan"),
            s.Quantity("area", "Water surface", Measures.Area, s.Pond?.Pond.Shape.FullAreaM2 ?? 4000),
            s.Quantity("cost", "Price of water pumped", Measures.WaterPrice, 0.02).WithHint("the farm's own"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (first, second, days) = (
            f.Q("first", Measures.Length, 0, 10),
            f.Q("second", Measures.Length, 0, 10),
            f.Q("days", Measures.Plain, 0.5, 90)
        );
        var (rain, evaporation, area, cost) = (
            f.Q("rain", Measures.Rain, 0, 2),
            Evaporated(f, days),
            f.Q("area", Measures.Area, 1, 1e7),
            f.Q("cost", Measures.WaterPrice, 0, 1000)
        );
        if (!f.Sound)
            return null;
        var estimated = f.Form.Empty("evaporation");
        var leak = LeakTest.Of(first - second, rain, evaporation, days, area);
        var why = Grounds.Of(
            $"(Fall of the level + rain − evaporation) by days. Under {f.Say(0.005, Measures.Seepage)} is tight, over {f.Say(0.01, Measures.Seepage)} leaks, between them it is watched.",
            "Bands of the trade; starting values",
            new Input("fall", first - second, Measures.Length, "typed"),
            new Input("rain", rain, Measures.Rain, "typed"),
            new Input(
                "evaporation",
                evaporation,
                Measures.Rain,
                estimated ? "estimated: " + Evaporation.Source : "typed"
            ),
            Input.Said("days", f.Here.Figure(days, 1), "typed")
        );
        return new(
            [
                new("Seepage", f.Say(leak.SeepageMmDay / 1000, Measures.Seepage), why, Main: true),
                new("Water lost", f.Say(leak.M3Day, Measures.Volume) + " a day", why),
                new("That costs", $"{f.Here.Figure(leak.M3Day * cost * 30, 0)} {f.Here.Farm?.Currency} a month", why),
            ],
            LeakWords(f, days, evaporation, estimated, leak),
            leak.Verdict(f.Here.Hand)
        );
    }

    private static string LeakWords(BenchForm f, double days, double evaporation, bool estimated, LeakTest leak) =>
        (
            leak.SeepageMmDay < 0
                ? "More came in than rain: is an inlet open, or does ground water come in?"
                : "Test at part fill, before filling to the brim."
        )
        + (
            estimated
                ? $" The evaporation is an estimate, {f.Say(evaporation / days, Measures.Seepage)}, and may be out by a quarter: the seepage lies between {f.Say((leak.SeepageMmDay - Evaporation.SlackMmDay(evaporation, days)) / 1000, Measures.Seepage)} and {f.Say((leak.SeepageMmDay + Evaporation.SlackMmDay(evaporation, days)) / 1000, Measures.Seepage)}. A pan beside the pond says it better."
                : ""
        );

    // Without a pan: by the season here and the span between day and night.
    private static double Evaporated(BenchForm f, double days)
    {
        if (!f.Form.Empty("evaporation"))
            return f.Q("evaporation", Measures.Rain, 0, 2);
        if (f.Form.Empty("warm") && f.Form.Empty("cool"))
        {
            f.Form.Refuse("evaporation", "Type what a pan lost, or the warmest and coolest air of these days below.");
            return double.NaN;
        }
        var (warm, cool) = (f.Q("warm", Measures.Temperature, -20, 55), f.Q("cool", Measures.Temperature, -20, 55));
        if (f.Sound && cool > warm)
            f.Form.Refuse("cool", "The coolest cannot be above the warmest.");
        return f.Sound ? days * Evaporation.MDay(f.Here.Farm!.Place.LatitudeDeg, f.Here.Today, warm, cool) : double.NaN;
    }
}
