using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>What water holds in balance with the air.</summary>
internal sealed class SaturationCalculator : ICalculator
{
    public string Key => "saturation";

    public string Title => "Oxygen at saturation";

    public string Lead => "what this water holds, and how full it is";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 25)
                .WithHint("0 to 40 °C"),
            s.Quantity("salinity", "Salinity", Measures.Salinity, s.Last(Parameter.Salinity) ?? 0)
                .WithHint("fresh water 0"),
            s.Quantity("altitude", "Elevation", Measures.Altitude, s.Here.Farm?.AltitudeM ?? 0),
            s.Quantity(
                "do",
                "A reading to compare, if any",
                Measures.Oxygen,
                s.Last(Parameter.Oxygen) is { } o ? s.Plain(o, Measures.Oxygen) : ""
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var (temp, salinity, altitude) = (
            f.Q("temp", Measures.Temperature, 0, 40),
            f.Q("salinity", Measures.Salinity, 0, 40),
            f.Q("altitude", Measures.Altitude, -400, 5000)
        );
        var reading = f.MaybeQ("do", Measures.Oxygen, 0, 40);
        if (!f.Sound)
            return null;
        var kPa = OxygenSaturation.PressureKPa(altitude);
        var full = OxygenSaturation.MgL(temp, salinity, kPa);
        var why = Grounds.Of(
            "Solubility of oxygen from air by temperature, salinity and the pressure at the pond, not at the sea.",
            OxygenSaturation.Source,
            new Input("water temperature", temp, Measures.Temperature, "typed"),
            new Input("salinity", salinity, Measures.Salinity, "typed"),
            Input.Said("air pressure", FormattableString.Invariant($"{kPa:0.0} kPa"), "from the height, standard air")
        );
        List<Figure> figures = Figures(f, full, why);
        if (reading is { } mgL)
            figures.Add(new("The reading is", f.Here.Figure(100 * mgL / full, 0) + " % of it", why));
        return new(figures, reading is { } r ? OxygenSaturation.Words(r / full) : "Warm water holds less.");
    }

    private static List<Figure> Figures(BenchForm f, double full, Grounds why) =>
        [
            new(
                "Oxygen at saturation",
                f.Say(full, Measures.Oxygen with { Decimals = 2, UsDecimals = 2 }),
                why,
                Main: true
            ),
        ];
}

/// <summary>The poisonous share of ammonia.</summary>
internal sealed class AmmoniaCalculator : ICalculator
{
    // What a dawn is beside an afternoon, to show how the hour counts.
    private const double DawnPh = 7.2,
        CoolerC = 2;

    public string Key => "ammonia";

    public string Title => "Un-ionised ammonia";

    public string Lead => "how much of the total is poison at this pH and temperature";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("tan", "Total ammonia", Measures.Concentration, s.Last(Parameter.Tan) ?? 1),
            s.Choice("basis", "The kit reports it as", "N", KitBasis.Ammonia.Select(b => (b.Key, b.Name)).ToList()),
            s.Quantity("ph", "pH", Measures.Ph, s.Last(Parameter.Ph) ?? 8).WithHint("the day's highest, mid afternoon"),
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 25),
            s.Quantity("salinity", "Salinity", Measures.Salinity, s.Last(Parameter.Salinity) ?? 0),
        ];

    public Worked? Work(BenchForm f)
    {
        var (typed, ph, temp, salinity) = (
            f.Q("tan", Measures.Concentration, 0, 200),
            f.Q("ph", Measures.Ph, 4, 11),
            f.Q("temp", Measures.Temperature, 0, 45),
            f.Q("salinity", Measures.Salinity, 0, 40)
        );
        var factor = f.Form.Choice(
            "basis",
            KitBasis.Ammonia.Select(b => (b.Key, b.NitrogenShare)).ToList(),
            "basis",
            1.0
        );
        if (!f.Sound)
            return null;
        var tan = typed * factor;
        var limits = f.Limits;
        var (judgement, nh3, why) = WaterJudge.JudgeAmmonia(tan, temp, ph, salinity, limits, f.Here.Hand);
        double At(double p, double t) => UnionisedAmmonia.MgNL(tan, t, p, salinity);
        var (_, dawn, whyDawn) = WaterJudge.JudgeAmmonia(tan, temp - CoolerC, DawnPh, salinity, limits, f.Here.Hand);
        return new(
            [
                new("Un-ionised ammonia, as N", f.Here.Figure(nh3, 3) + " mg/L", why, Main: true),
                new(
                    "Share of the total",
                    f.Here.Figure(100 * UnionisedAmmonia.Share(temp, ph, salinity), 1) + " %",
                    why
                ),
                new($"The same at dawn, pH {f.Here.Figure(DawnPh, 1)}", f.Here.Figure(dawn, 3) + " mg/L", whyDawn),
            ],
            $"For {f.LimitsFor}; fry bear much less. The same total is worst in the afternoon, when pH is highest.",
            judgement,
            Map: new(
                [.. Enumerable.Range(0, 13).Select(i => 6.5 + (0.25 * i))],
                [.. Enumerable.Range(0, 9).Select(i => 10 + (3.0 * i))],
                At,
                limits.Nh3ConstantMgL,
                limits.Nh3PeakMgL,
                ph,
                temp
            )
        );
    }
}

/// <summary>Two waters put together.</summary>
internal sealed class MixingCalculator : ICalculator
{
    public string Key => "mixing";

    public string Title => "Mixing two waters";

    public string Lead => "temperature, salinity, alkalinity, ammonia and pH of the mix";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Heading("First water"),
            s.Quantity("v1", "Volume", Measures.Volume, s.VolumeM3 ?? 1000),
            s.Quantity("t1", "Temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 28),
            s.Quantity("s1", "Salinity", Measures.Salinity, s.Last(Parameter.Salinity) ?? 0),
            s.Quantity("a1", "Alkalinity", Measures.CoarseConcentration, s.Last(Parameter.Alkalinity) ?? 80),
            s.Quantity("n1", "Total ammonia, as N", Measures.Concentration, s.Last(Parameter.Tan) ?? 0.5),
            s.Quantity("p1", "pH", Measures.Ph, s.Last(Parameter.Ph) is { } ph ? s.Plain(ph, Measures.Ph) : "")
                .WithHint("empty: not worked out"),
            s.Heading("Second water"),
            s.Quantity("v2", "Volume", Measures.Volume, 200),
            s.Quantity("t2", "Temperature", Measures.Temperature, 22),
            s.Quantity("s2", "Salinity", Measures.Salinity, "0"),
            s.Quantity("a2", "Alkalinity", Measures.CoarseConcentration, "120"),
            s.Quantity("n2", "Total ammonia, as N", Measures.Concentration, "0"),
            s.Quantity("p2", "pH", Measures.Ph),
        ];

    public Worked? Work(BenchForm f)
    {
        var (v1, v2) = (f.Q("v1", Measures.Volume, 0.001, 1e7), f.Q("v2", Measures.Volume, 0.001, 1e7));
        (string Name, string Key, Measure Measure, double High)[] kinds =
        [
            ("Temperature", "t", Measures.Temperature, 45),
            ("Salinity", "s", Measures.Salinity, 60),
            ("Alkalinity", "a", Measures.CoarseConcentration, 1000),
            ("Total ammonia, as N", "n", Measures.Concentration, 200),
        ];
        var parts = ReadParts(f, kinds);
        var (p1, p2) = (f.MaybeQ("p1", Measures.Ph, 4, 11), f.MaybeQ("p2", Measures.Ph, 4, 11));
        if (!f.Sound)
            return null;
        var figures = Figures(f, v1, v2, parts);
        figures.Add(Holds(f, (v1, parts[0].A, parts[1].A), (v2, parts[0].B, parts[1].B)));
        if (p1 is { } one && p2 is { } two)
        {
            double Mix(int i) => Mixing.Of(new(v1, parts[i].A), new(v2, parts[i].B));
            var ph = Mixing.PhOf(
                (v1, one, parts[2].A, parts[0].A, parts[1].A),
                (v2, two, parts[2].B, parts[0].B, parts[1].B)
            );
            var why = Grounds.Of(
                "Alkalinity and dissolved carbon are kept; pH follows from both at the temperature and salinity of the mix. No carbon dioxide has gone off yet.",
                Carbonate.Source,
                new Input("first water", one, Measures.Ph, "typed"),
                new Input("second water", two, Measures.Ph, "typed"),
                new Input("alkalinity of the mix", Mix(2), Measures.CoarseConcentration, "by volume")
            );
            figures.Add(new("pH", f.Here.Figure(ph, 2), why));
            figures.Add(
                new(
                    "Un-ionised ammonia, as N",
                    f.Here.Figure(UnionisedAmmonia.MgNL(Mix(3), Mix(0), ph, Mix(1)), 3) + " mg/L",
                    why
                )
            );
        }
        return new(
            figures,
            p1 is null || p2 is null
                ? "pH is never averaged: type both, and it is worked out from alkalinity and carbon."
                : "pH is never averaged: it follows from alkalinity and carbon. Read it after mixing, and again once stirred.",
            Mixing.Jump(parts[0].A, Mixing.Of(new(v1, parts[0].A), new(v2, parts[0].B)), f.Here.Hand)
        );
    }

    // Cooler and fresher water holds more oxygen: what a change brings beside the oxygen in it.
    private static Figure Holds(
        BenchForm f,
        (double M3, double C, double Ppt) one,
        (double M3, double C, double Ppt) two
    )
    {
        double Mix(double a, double b) => Mixing.Of(new(one.M3, a), new(two.M3, b));
        var altitude = f.Here.Farm?.AltitudeM ?? 0;
        var kPa = OxygenSaturation.PressureKPa(altitude);
        var (before, after) = (
            OxygenSaturation.MgL(one.C, one.Ppt, kPa),
            OxygenSaturation.MgL(Mix(one.C, two.C), Mix(one.Ppt, two.Ppt), kPa)
        );
        return new(
            "Oxygen it can hold",
            $"{f.Say(before, Measures.Oxygen)} before, {f.Say(after, Measures.Oxygen)} after",
            Grounds.Of(
                "Saturation at the temperature and salinity of the first water and of the mix.",
                OxygenSaturation.Source,
                new Input("elevation", altitude, Measures.Altitude, "setting")
            )
        );
    }

    private static List<(string Name, Measure Measure, double A, double B)> ReadParts(
        BenchForm f,
        (string Name, string Key, Measure Measure, double High)[] kinds
    ) =>
        kinds
            .Select(k =>
                (
                    k.Name,
                    k.Measure,
                    A: f.Q(k.Key + "1", k.Measure, 0, k.High),
                    B: f.Q(k.Key + "2", k.Measure, 0, k.High)
                )
            )
            .ToList();

    private static List<Figure> Figures(
        BenchForm f,
        double v1,
        double v2,
        List<(string Name, Measure Measure, double A, double B)> parts
    ) =>
        parts
            .Select(
                (p, i) =>
                    new Figure(
                        p.Name,
                        f.Say(Mixing.Of(new(v1, p.A), new(v2, p.B)), p.Measure),
                        Grounds.Of(
                            "By volume: heat and dissolved matter are kept.",
                            "Mass balance",
                            new Input("first water", p.A, p.Measure, "typed"),
                            new Input("second water", p.B, p.Measure, "typed"),
                            Input.Said(
                                "shares",
                                $"{f.Here.Figure(100 * v1 / (v1 + v2), 0)} % and {f.Here.Figure(100 * v2 / (v1 + v2), 0)} %",
                                "by volume"
                            )
                        ),
                        i == 0
                    )
            )
            .ToList();
}
