using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Exchange on days: share, volume, cost and what is left of the old water.</summary>
internal sealed class ExchangePlanCalculator : ICalculator
{
    private const int MostRows = 31;

    public string Key => "exchange-days";

    public string Title => "Exchange on days";

    public string Lead => "a share every so many days: volume, cost, and the old water that is left";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("volume", "Water volume", Measures.Volume, s.VolumeM3 ?? 1000),
            s.Quantity("share", "Share each time", Measures.Share, 20),
            s.Whole("every", "Every", "2").WithHint("days"),
            s.Whole("days", "For", "14").WithHint("days"),
            .. Pumping.Fields(s),
        ];

    public Worked? Work(BenchForm f)
    {
        var (volume, share) = (
            f.Q("volume", Measures.Volume, 0.001, 1e7),
            f.Q("share", Measures.Share, 0.5, 100) / 100
        );
        var (every, days) = (f.Whole("every", "days", 1, 60), f.Whole("days", "days", 1, 400));
        var (flow, kw, price) = (
            f.Q("flow", Measures.Flow, 0.01, 1e5),
            f.Q("power", Measures.Power, 0, 1000),
            f.Q("price", Measures.Plain, 0, 1000)
        );
        if (!f.Sound)
            return null;
        var steps = ExchangeStep.Over(volume, share, every, days);
        var last = steps[^1];
        var hours = last.TotalM3 / flow;
        var why = Grounds.Of(
            "Each time a share of mixed water is let out and new water let in; what stays of the first water is the product of what each leaves.",
            "Mass balance",
            new Input("volume", volume, Measures.Volume, "typed"),
            new Input("share each time", 100 * share, Measures.Share, "typed"),
            new Input("times", steps.Count, Measures.Plain, "worked out")
        );
        return Answer(f, share, every, steps, (hours, kw, price), why);
    }

    private static Worked Answer(
        BenchForm f,
        double share,
        int every,
        IReadOnlyList<ExchangeStep> steps,
        (double Hours, double KW, double Price) pump,
        Grounds why
    )
    {
        var (last, (hours, kw, price)) = (steps[^1], pump);
        return new(
            [
                new("Each time", f.Say(last.M3, Measures.Volume), why, Main: true),
                new("A day, on average", f.Say(last.M3 / every, Measures.Volume), why),
                new("In all", f.Say(last.TotalM3, Measures.Volume), why),
                new("Of the old water left", $"{f.Here.Figure(100 * last.OldLeft, 1)} %", why),
                new(
                    "Pumping",
                    $"{f.Here.Figure(hours, 1)} h, {f.Here.Figure(hours * kw, 0)} kWh, {f.Here.Figure(hours * kw * price, 0)} {f.Here.Farm?.Currency}",
                    why
                ),
            ],
            $"{steps.Count} times {f.Here.Figure(100 * share, 0)} % renew {f.Here.Figure(100 * (1 - last.OldLeft), 0)} %, not {f.Here.Figure(Math.Min(999, 100 * share * steps.Count), 0)} %.",
            share > 1.0 / 3
                ? new Judgement(
                    Status.Watch,
                    "Over a third at once with fish in it: match temperature, pH and salinity, and go slowly"
                )
                : null,
            Table: Days(f, steps)
        );
    }

    private static List<string[]> Days(BenchForm f, IReadOnlyList<ExchangeStep> steps) =>
        [
            ["day", "water", "so far", "old water left"],
            .. steps
                .Take(MostRows)
                .Select(s =>
                    new[]
                    {
                        f.Here.Day(f.Here.Today.AddDays(s.Day)),
                        f.Say(s.M3, Measures.Volume),
                        f.Say(s.TotalM3, Measures.Volume),
                        $"{f.Here.Figure(100 * s.OldLeft, 0)} %",
                    }
                ),
        ];
}
