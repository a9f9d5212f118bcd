using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How fast aerators lift oxygen, and what it takes to hold it.</summary>
internal sealed class AirCalculator : ICalculator
{
    private static readonly List<(string Key, string Name)> Kinds = AeratorKind
        .All.Select(k => (k.Name, k.Name))
        .ToList();

    public string Key => "air";

    public string Title => "Aeration";

    public string Lead => "how fast aerators lift oxygen in this water, and what holds it";

    public IReadOnlyList<SlipField> Fields(BenchStart s)
    {
        var own = s.Pond?.AeratorsAt(s.Here.Now) is { Count: > 0 } fitted ? fitted : null;
        return
        [
            s.Choice("kind", "Aerators", own?[0].Kind.Name ?? Kinds[0].Key, Kinds),
            s.Quantity("kw", "Their shaft power together", Measures.Power, own?.Sum(a => a.ShaftKW) ?? 1.5),
            s.Quantity("volume", "Water", Measures.Volume, s.VolumeM3 ?? 1000),
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 27),
            s.Quantity("now", "Oxygen now", Measures.Oxygen, s.Last(Parameter.Oxygen) ?? 3),
            s.Quantity("wanted", "Oxygen wanted", Measures.Oxygen, 5),
            s.Quantity("loss", "It falls each hour without air by", Measures.Concentration, 0.4)
                .WithHint("two readings in the dark tell"),
            s.Quantity("salinity", "Salinity", Measures.Salinity, s.Last(Parameter.Salinity) ?? 0),
            s.Quantity("altitude", "Elevation", Measures.Altitude, s.Here.Farm?.AltitudeM ?? 0),
        ];
    }

    public Worked? Work(BenchForm f)
    {
        var kind = f.Form.Choice("kind", AeratorKind.All.Select(k => (k.Name, k)).ToList(), "kind", AeratorKind.All[0]);
        var (kw, volume, temp) = (
            f.Q("kw", Measures.Power, 0.01, 1000),
            f.Q("volume", Measures.Volume, 0.1, 1e7),
            f.Q("temp", Measures.Temperature, 0, 40)
        );
        var (now, wanted, loss) = (
            f.Q("now", Measures.Oxygen, 0, 40),
            f.Q("wanted", Measures.Oxygen, 0.5, 20),
            f.Q("loss", Measures.Concentration, 0, 20)
        );
        var (salinity, altitude) = (
            f.Q("salinity", Measures.Salinity, 0, 40),
            f.Q("altitude", Measures.Altitude, -400, 5000)
        );
        if (!f.Sound)
            return null;
        var full = OxygenSaturation.MgL(temp, salinity, OxygenSaturation.PressureKPa(altitude));
        var water = new AeratedWater(volume, loss, temp, full);
        if (wanted >= kind.Beta * full)
        {
            f.Form.Refuse(
                "wanted",
                $"Air cannot lift this water to {f.Say(wanted, Measures.Oxygen)}: {f.Say(kind.Beta * full, Measures.Oxygen)} is the most. Want less."
            );
            return null;
        }
        var lift = AirLift.For(kind, kw, water, now, wanted);
        var why = Because(kind, kw, now, loss, full);
        List<Figure> figures = Figures(f, wanted, lift, why);
        if (AirLift.HoldsKW(kind, water, wanted) is { } holds)
            figures.Add(
                new($"To hold {f.Say(wanted, Measures.Oxygen)}", f.Say(holds, Measures.Power) + " of shaft power", why)
            );
        if (lift.Hours is { } hours)
            figures.Add(
                new("Bought energy until then", f.Here.Figure(kw / kind.MotorEfficiency * hours, 1) + " kWh", why)
            );
        return Answer(f, kind, lift, figures);
    }

    private static List<Figure> Figures(BenchForm f, double wanted, AirLift lift, Grounds why) =>
        [
            new(
                $"To {f.Say(wanted, Measures.Oxygen)}",
                lift.Hours is { } h ? $"{f.Here.Figure(h, 1)} hours" : "never with these",
                why,
                Main: true
            ),
            new(
                "They give now",
                f.Say(lift.GivesKgH, Measures.Mass with { Decimals = 2, UsDecimals = 2 }) + " of oxygen an hour",
                why
            ),
            new("It settles at", f.Say(Math.Max(0, lift.Course.EquilibriumMgL), Measures.Oxygen), why),
        ];

    private static Grounds Because(AeratorKind kind, double kw, double now, double loss, double full) =>
        Grounds
            .Of(
                "Aerators give the more oxygen the further the water is from saturation; fish, plankton and mud take it at a steady pace. Wind is left out, as on a still night.",
                AirLift.Source,
                new Input("shaft power", kw, Measures.Power, "typed"),
                new Input("oxygen now", now, Measures.Oxygen, "typed"),
                new Input("most that air can give", kind.Beta * full, Measures.Oxygen, "saturation of pond water"),
                new Input("fall each hour", loss, Measures.Concentration, "typed"),
                Input.Said(
                    "in clean water",
                    FormattableString.Invariant($"{kind.SaeKgKWh:0.0} kg O₂ a kWh"),
                    kind.Source
                )
            )
            .Limited("Oxygen near the aerator rises first; the whole pond follows as its water comes round.");

    private static Worked Answer(BenchForm f, AeratorKind kind, AirLift lift, List<Figure> figures) =>
        new(
            figures,
            lift.Hours is null
                ? "More air, less feed, or new water: these aerators do not carry it."
                : "Start before the fish hang at the surface: power lifts oxygen slowly.",
            lift.Hours is null
                ? new Judgement(
                    Status.ActNow,
                    $"Oxygen settles at {f.Say(Math.Max(0, lift.Course.EquilibriumMgL), Measures.Oxygen)}, under what is wanted"
                )
                : null,
            [
                kind.Caution,
                "Switch off at a dry switch and lock it before touching a machine in water. Wiring is a licensed electrician's work.",
            ]
        );
}

/// <summary>Carbon dioxide from pH and alkalinity.</summary>
internal sealed class CarbonDioxideCalculator : ICalculator
{
    public string Key => "co2";

    public string Title => "Carbon dioxide";

    public string Lead => "what pH and alkalinity say about it, and the pH once it has gone";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("ph", "pH", Measures.Ph, s.Last(Parameter.Ph) ?? 7).WithHint("at dawn it is lowest"),
            s.Quantity("alkalinity", "Alkalinity", Measures.CoarseConcentration, s.Last(Parameter.Alkalinity) ?? 80),
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature) ?? 25),
            s.Quantity("salinity", "Salinity", Measures.Salinity, s.Last(Parameter.Salinity) ?? 0),
            s.Quantity("left", "Carbon dioxide after stirring", Measures.Oxygen, 1)
                .WithHint("well stirred water keeps about 1 mg/L"),
        ];

    public Worked? Work(BenchForm f)
    {
        var (ph, alkalinity, temp, salinity, left) = (
            f.Q("ph", Measures.Ph, 4, 11),
            f.Q("alkalinity", Measures.CoarseConcentration, 1, 1000),
            f.Q("temp", Measures.Temperature, 0, 45),
            f.Q("salinity", Measures.Salinity, 0, 40),
            f.Q("left", Measures.Oxygen, 0.05, 200)
        );
        if (!f.Sound)
            return null;
        var co2 = Carbonate.CarbonDioxideMgL(ph, alkalinity, temp, salinity);
        var why = Because(ph, alkalinity, temp, salinity);
        List<Figure> figures = [new("Carbon dioxide", f.Say(co2, Measures.Oxygen), why, Main: true)];
        if (left < co2)
            figures.Add(
                new(
                    $"pH once stirred down to {f.Say(left, Measures.Oxygen)}",
                    f.Here.Figure(Carbonate.PhAt(left, alkalinity, temp, salinity), 1),
                    why
                )
            );
        return new(
            figures,
            $"Judged for {f.LimitsFor}. High at dawn, low on a bright afternoon. Where pH rises as it goes, ammonia turns poisonous: read ammonia first.",
            Dorsk.Core.Water.WaterJudge.Judge(Parameter.CarbonDioxide, co2, f.Limits, f.Here.Hand)
        );
    }

    private static Grounds Because(double ph, double alkalinity, double temp, double salinity) =>
        Grounds
            .Of(
                "Alkalinity and pH fix how carbon is shared between carbon dioxide, bicarbonate and carbonate.",
                Carbonate.Source,
                new Input("pH", ph, Measures.Ph, "typed"),
                new Input("alkalinity", alkalinity, Measures.CoarseConcentration, "typed"),
                new Input("water temperature", temp, Measures.Temperature, "typed"),
                new Input("salinity", salinity, Measures.Salinity, "typed")
            )
            .Limited(
                "A tenth of pH wrong is a quarter of the carbon dioxide: use a meter, and read at the pond. Not for water under 5 mg/L alkalinity."
            );
}
