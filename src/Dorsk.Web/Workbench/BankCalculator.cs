using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Side slopes, bottom and crest of a pond to be dug.</summary>
internal sealed class BankCalculator : ICalculator
{
    public string Key => "bank";

    public string Title => "Banks of a pond";

    public string Lead => "side slope by soil: run, bottom, earth to move, and a crest over floods";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("length", "Length of the full water", Measures.Length, 60),
            s.Quantity("width", "Width of the full water", Measures.Length, 30),
            s.Quantity("depth", "Depth", Measures.Length, 1.5),
            s.Choice(
                "soil",
                "Soil",
                BankShape.Soils[1].Soil,
                [
                    .. BankShape.Soils.Select(x =>
                        (x.Soil, $"{x.Soil}, {x.Slope.ToString("0.#", CultureInfo.InvariantCulture)}:1")
                    ),
                ]
            ),
            s.Quantity("flood", "Highest flood over the full water", Measures.Length, 0)
                .WithHint("0: it never came so high"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (length, width, depth) = (
            f.Q("length", Measures.Length, 1, 2000),
            f.Q("width", Measures.Length, 1, 2000),
            f.Q("depth", Measures.Length, 0.2, 10)
        );
        var slope = f.Form.Choice(
            "soil",
            [.. BankShape.Soils.Select(x => (x.Soil, x.Slope))],
            "soil",
            BankShape.Soils[1].Slope
        );
        var flood = f.Q("flood", Measures.Length, 0, 10);
        if (!f.Sound)
            return null;
        if (BankShape.Of(length, width, depth, slope, flood) is not { } bank)
        {
            f.Form.Refuse(
                "depth",
                $"The banks meet before the bottom: at most {f.Say(Math.Min(length, width) / 2 / slope, Measures.Length)} deep with this soil and width."
            );
            return null;
        }
        return Answer(f, bank, new SlopedRectangle(length, width, depth, slope).FullVolumeM3);
    }

    private static Worked Answer(BenchForm f, BankShape bank, double earthM3)
    {
        var why = Grounds.Of(
            "Each bank runs in by slope times depth; earth by the prismoidal rule between the full water and the bottom. The crest stands over the water by a freeboard, or over the highest flood by a margin.",
            BankShape.Source,
            new Input("run of a bank", bank.RunM, Measures.Length, "worked out")
        );
        return new(
            [
                new(
                    "The bottom",
                    $"{f.Say(bank.BottomLengthM, Measures.Length)} by {f.Say(bank.BottomWidthM, Measures.Length)}",
                    why,
                    Main: true
                ),
                new("Each bank runs in", f.Say(bank.RunM, Measures.Length), why),
                new("Earth to move", f.Say(earthM3, Measures.Volume), why),
                new("Crest over the full water", f.Say(bank.CrestM, Measures.Length), why),
            ],
            "Grass on earth banks from the first day; no trees: roots leak.",
            bank.Judgement,
            ["A licensed engineer looks at any dam; leave a way to climb out."]
        );
    }
}

/// <summary>Clay in the water on purpose.</summary>
internal sealed class ClayCalculator : ICalculator
{
    public string Key => "clay";

    public string Title => "Clay for turbidity";

    public string Lead => "clay to add, or water to change, to keep turbidity in a band";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("volume", "Water", Measures.Volume, s.VolumeM3 ?? 20),
            s.Quantity("now", "Turbidity now", Measures.Turbidity, s.Last(Parameter.Turbidity) ?? 10),
            s.Quantity("low", "Band, from", Measures.Turbidity, 30),
            s.Quantity("high", "to", Measures.Turbidity, 60),
            s.Quantity(
                    "jar",
                    s.Here.Hand.System == UnitSystem.Us
                        ? "A tenth of an ounce of clay in 75 gallons adds"
                        : "One gram of clay in 100 litres adds",
                    Measures.Turbidity,
                    8
                )
                .WithHint("stir it into a jar, wait ten minutes, read"),
            s.Quantity("new", "Turbidity of new water", Measures.Turbidity, 2),
        ];

    public Worked? Work(BenchForm f)
    {
        var (volume, now, jar) = (
            f.Q("volume", Measures.Volume, 0.01, 1e6),
            f.Q("now", Measures.Turbidity, 0, 2000),
            f.Q("jar", Measures.Turbidity, 0.01, 1000)
        );
        var (low, high, fresh) = (
            f.Q("low", Measures.Turbidity, 0, 1000),
            f.Q("high", Measures.Turbidity, 1, 2000),
            f.Q("new", Measures.Turbidity, 0, 1000)
        );
        if (f.Sound && low >= high)
            f.Form.Refuse("high", "The band ends where it begins: a larger figure, or a smaller one before it.");
        return f.Sound ? Answer(f, (volume, now, jar / JarGM3), (low, high), fresh) : null;
    }

    // One gram in 100 litres is ten grams in a cubic metre; a tenth of an ounce in 75 gallons is 9.99.
    private const double JarGM3 = 10;

    private static Worked Answer(
        BenchForm f,
        (double M3, double Now, double PerGM3) x,
        (double Low, double High) band,
        double fresh
    )
    {
        var middle = (band.Low + band.High) / 2;
        var why = Grounds.Of(
            "To the middle of the band: clay by the trial in the jar; down by changing a part for clear water.",
            ClayDose.Source,
            new Input("middle of the band", middle, Measures.Turbidity, "worked out")
        );
        return new(
            [Needed(f, x, band, fresh, why)],
            "Stir the clay in a bucket first, pour it over the whole surface, read again in an hour.",
            Judged(x.Now, band),
            ["Clay from clean ground only: no fields, roads or mines."]
        );
    }

    private static Figure Needed(
        BenchForm f,
        (double M3, double Now, double PerGM3) x,
        (double Low, double High) band,
        double fresh,
        Grounds why
    )
    {
        var middle = (band.Low + band.High) / 2;
        if (x.Now > band.High)
            return new(
                "Change of the water",
                $"{f.Here.Figure(100 * ClayDose.ShareToChange(x.Now, middle, fresh), 0)} %",
                why,
                Main: true
            );
        var clay =
            x.Now >= band.Low ? "none" : f.Say(1000 * ClayDose.Kg(x.M3, x.Now, middle, x.PerGM3), Measures.FishWeight);
        return new("Clay to add", clay, why, Main: true);
    }

    private static Judgement Judged(double nowNtu, (double Low, double High) band)
    {
        if (nowNtu < band.Low)
            return new(Status.Watch, "under the band: animals see each other and the light");
        return nowNtu > band.High ? new(Status.Watch, "over the band: gills clog") : new(Status.Steady, "in the band");
    }
}
