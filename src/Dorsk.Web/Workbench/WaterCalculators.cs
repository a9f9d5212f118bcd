using Dorsk.Core.Judging;
using Dorsk.Core.Species;
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
            new(
                "temp",
                "Water temperature",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Temperature), 25, Measures.Temperature),
                Measures.Temperature,
                "0 to 40 °C"
            ),
            new(
                "salinity",
                "Salinity",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Salinity), 0, Measures.Salinity),
                Measures.Salinity,
                "fresh water 0"
            ),
            new(
                "altitude",
                "Height above the sea",
                FieldKind.Quantity,
                s.Plain(s.Here.Farm?.AltitudeM ?? 0, Measures.Altitude),
                Measures.Altitude
            ),
            new(
                "do",
                "A reading to compare, if any",
                FieldKind.Quantity,
                s.Last(Parameter.Oxygen) is { } o ? s.Plain(o, Measures.Oxygen) : "",
                Measures.Oxygen
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
        List<Figure> figures =
        [
            new(
                "Oxygen at saturation",
                f.Say(full, Measures.Oxygen with { Decimals = 2, UsDecimals = 2 }),
                why,
                Main: true
            ),
        ];
        if (reading is { } mgL)
            figures.Add(new("The reading is", f.Here.Figure(100 * mgL / full, 0) + " % of it", why));
        return new(figures, reading is { } r ? OxygenSaturation.Words(r / full) : "Warm water holds less.");
    }
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
            new(
                "tan",
                "Total ammonia",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Tan), 1, Measures.Concentration),
                Measures.Concentration
            ),
            new(
                "basis",
                "The kit reports it as",
                FieldKind.Choice,
                "N",
                Options: KitBasis.Ammonia.Select(b => (b.Key, b.Name)).ToList()
            ),
            new(
                "ph",
                "pH",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Ph), 8, Measures.Ph),
                Measures.Ph,
                "the day's highest, mid afternoon"
            ),
            new(
                "temp",
                "Water temperature",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Temperature), 25, Measures.Temperature),
                Measures.Temperature
            ),
            new(
                "salinity",
                "Salinity",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Salinity), 0, Measures.Salinity),
                Measures.Salinity
            ),
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
        var limits = WaterLimits.WarmWaterFish;
        var (judgement, nh3, why) = WaterJudge.JudgeAmmonia(tan, temp, ph, salinity, limits);
        double At(double p, double t) => UnionisedAmmonia.MgNL(tan, t, p, salinity);
        var (_, dawn, whyDawn) = WaterJudge.JudgeAmmonia(tan, temp - CoolerC, DawnPh, salinity, limits);
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
            "For warm-water fish in grow-out; fry bear much less. The same total is worst in the afternoon, when pH is highest.",
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
            new("", "First water", FieldKind.Heading),
            new("v1", "Volume", FieldKind.Quantity, s.Of(s.VolumeM3, 1000, Measures.Volume), Measures.Volume),
            new(
                "t1",
                "Temperature",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Temperature), 28, Measures.Temperature),
                Measures.Temperature
            ),
            new(
                "s1",
                "Salinity",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Salinity), 0, Measures.Salinity),
                Measures.Salinity
            ),
            new(
                "a1",
                "Alkalinity",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Alkalinity), 80, Measures.CoarseConcentration),
                Measures.CoarseConcentration
            ),
            new(
                "n1",
                "Total ammonia, as N",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Tan), 0.5, Measures.Concentration),
                Measures.Concentration
            ),
            new(
                "p1",
                "pH",
                FieldKind.Quantity,
                s.Last(Parameter.Ph) is { } ph ? s.Plain(ph, Measures.Ph) : "",
                Measures.Ph,
                "empty: not worked out"
            ),
            new("", "Second water", FieldKind.Heading),
            new("v2", "Volume", FieldKind.Quantity, s.Plain(200, Measures.Volume), Measures.Volume),
            new("t2", "Temperature", FieldKind.Quantity, s.Plain(22, Measures.Temperature), Measures.Temperature),
            new("s2", "Salinity", FieldKind.Quantity, "0", Measures.Salinity),
            new("a2", "Alkalinity", FieldKind.Quantity, "120", Measures.CoarseConcentration),
            new("n2", "Total ammonia, as N", FieldKind.Quantity, "0", Measures.Concentration),
            new("p2", "pH", FieldKind.Quantity, "", Measures.Ph),
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
        var parts = kinds
            .Select(k =>
                (
                    k.Name,
                    k.Measure,
                    A: f.Q(k.Key + "1", k.Measure, 0, k.High),
                    B: f.Q(k.Key + "2", k.Measure, 0, k.High)
                )
            )
            .ToList();
        var (p1, p2) = (f.MaybeQ("p1", Measures.Ph, 4, 11), f.MaybeQ("p2", Measures.Ph, 4, 11));
        if (!f.Sound)
            return null;
        var figures = parts
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
}
