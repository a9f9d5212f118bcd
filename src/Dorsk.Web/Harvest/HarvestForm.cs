using Dorsk.Core.Feeding;
using Dorsk.Core.Harvest;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm.Estimates;
using Dorsk.Web.Slips;
using Dorsk.Web.Workbench;

namespace Dorsk.Web.Harvest;

/// <summary>What was typed about a day of fishing.</summary>
/// <param name="On">Farm day.</param>
/// <param name="LeastG">Least weight to take, g; 0 for all.</param>
/// <param name="To">Where they go.</param>
/// <param name="Day">The day as it is planned.</param>
/// <param name="DrawToM">Gauge level at which the net goes in, m.</param>
/// <param name="Down">The draw-down; null where the pond stays full.</param>
/// <param name="Spread">The fish on that day.</param>
/// <param name="Taken">Those over the least weight.</param>
/// <param name="Net">The crowd of one pull.</param>
/// <param name="MeanG">Mean weight on that day, g.</param>
public sealed record HarvestTyped(
    DateOnly On,
    double LeastG,
    Account To,
    HarvestAsked Day,
    double DrawToM,
    DrawDown? Down,
    SizeSpread Spread,
    (double Count, double Kg) Taken,
    CrowdedNet Net,
    double MeanG
);

/// <summary>Lines of a plan for a day of fishing.</summary>
public static class HarvestForm
{
    private const double UsualPullM3OfKg = 0.04,
        PlainFlowMgL = 6;

    private static readonly (string, Account)[] Forms =
    [
        (nameof(Account.Harvested), Account.Harvested),
        (nameof(Account.SoldAlive), Account.SoldAlive),
    ];

    /// <summary>The lines, with what the pond and its plan say.</summary>
    /// <param name="s">What it starts from.</param>
    /// <param name="batch">The batch.</param>
    /// <param name="planned">Day of a plan that stands, or null.</param>
    public static IReadOnlyList<SlipField> Fields(BenchStart s, BatchNow batch, DateOnly? planned)
    {
        var pond = s.Pond!;
        var level = pond.LevelAt(s.Here.Now).LevelM;
        var kg = batch.Stands.BiomassKg.Value;
        var pump = pond.Equipment.FirstOrDefault(e => e.Kind == EquipmentKind.Pump)?.FlowM3H;
        return
        [
            s.Day("on", "Day", planned ?? s.Here.Today.AddDays(3)),
            s.Hour("by", "Fish at the buyer by", "10:00"),
            s.Choice(
                "form",
                "They go",
                nameof(Account.Harvested),
                [(nameof(Account.Harvested), "on ice"), (nameof(Account.SoldAlive), "alive, in tanks")]
            ),
            s.Quantity("least", "Take fish from", Measures.FishWeight, "0")
                .WithHint("0: all of them; the rest goes back or stays"),
            s.Quantity(
                "road",
                "Hours of transport",
                Measures.Plain with
                {
                    Decimals = 1,
                    UsDecimals = 1,
                },
                s.Here.Typed(1.5, 1)
            ),
            s.Heading("Water"),
            s.Quantity("temp", "Water temperature", Measures.Temperature, s.Last(Parameter.Temperature)),
            s.Quantity("draw", "Draw down to", Measures.Length, level)
                .WithHint("gauge level at which the net goes in; as it stands: no draining"),
            s.Quantity("pipe", "Inner width of the outlet pipe", Measures.ShortLength, 0.2),
            s.Quantity("pump", "Or pumped out", Measures.Flow).WithHint("flow of the pump; empty: by the pipe"),
            .. NetAndTransport(s, kg, pump),
        ];
    }

    private static IEnumerable<SlipField> NetAndTransport(BenchStart s, double kg, double? pump) =>
        [
            s.Heading("Net and crew"),
            s.Whole("pulls", "Pulls", "2"),
            s.Whole("minutes", "Minutes of a pull", "40"),
            s.Quantity(
                "rate",
                "Weighed and carried in an hour",
                Measures.Mass,
                Math.Max(300, 100 * Math.Ceiling(kg / 300))
            ),
            s.Quantity(
                "sock",
                "Water in the bag of the net",
                Measures.Volume,
                Math.Max(5, Math.Round(kg * UsualPullM3OfKg))
            ),
            s.Quantity("through", "Pumped through it", Measures.Flow, pump ?? 0),
            s.Quantity("oxygen", "Oxygen there", Measures.Oxygen).WithHint("read on the morning; empty: not known"),
            s.Heading("Baskets and transport"),
            s.Quantity("basket", "A full basket holds", Measures.Mass, 30),
            s.Quantity("crate", "Fish in a crate", Measures.Mass, 20),
            s.Quantity("hold", "Hours on ice after transport", Measures.Plain, "4"),
            s.Yes("insulated", "Insulated crates", "true"),
            s.Quantity("tank", "A hauling tank holds", Measures.SmallVolume, 1),
        ];

    private sealed record Lines(
        DateOnly On,
        TimeOnly By,
        Account To,
        double LeastG,
        double RoadH,
        double TempC,
        double DrawM,
        double? PipeM,
        double? PumpM3H
    );

    /// <summary>Reads them; null with remarks when they cannot be.</summary>
    /// <param name="f">The form.</param>
    /// <param name="batch">The batch.</param>
    public static HarvestTyped? Read(BenchForm f, BatchNow batch)
    {
        var pond = f.Pond!;
        var lines = LinesOf(f, pond.LevelAt(f.Here.Now).LevelM);
        var meanG = MeanOn(batch, lines.On);
        var spread = f.Sound ? pond.Sizes.Of(batch.Batch, f.Here.Today)?.GrownTo(meanG) : null;
        if (f.Sound && spread is null)
            f.Form.Refuse("on", "No fish stand here on that day.");
        var net = NetOf(f, batch, spread, lines.TempC);
        var taken = spread is null ? default : Taken(f, spread, lines.LeastG);
        var tempC = lines.TempC;
        var haul = Haul(f, lines, batch.Batch.Species, meanG, tempC);
        var down = Down(f, batch, meanG, tempC, lines);
        var day = DayOf(f, lines, taken, down?.Hours ?? 0);
        if (!f.Sound || spread is null || net is null)
            return null;
        return new(
            lines.On,
            lines.LeastG,
            lines.To,
            day with
            {
                FastH = FastBefore.Of(batch.Batch.Species, meanG, tempC).Hours,
                HaulKgL = haul?.Load ?? 0,
                SaltGL = haul?.Row.SaltGL?.Low ?? 0,
                WaterC = tempC,
                ByVehicle = !Seine.ByHand(PondWidth.Of(pond.Pond.Shape), pond.Pond.Shape.FullAreaM2),
            },
            lines.DrawM,
            down,
            spread,
            taken,
            net,
            meanG
        );
    }

    private static (double Load, HaulLoad Row)? Haul(
        BenchForm f,
        Lines lines,
        FishSpecies species,
        double meanG,
        double tempC
    )
    {
        var haul = HaulLoad.Tank(species, meanG, Math.Max(1, lines.RoadH), tempC);
        if (f.Sound && lines.To == Account.SoldAlive && haul is null)
            f.Form.Refuse(
                "form",
                $"The tables have no tank load for {species.Name.ToLowerInvariant()}: carry a trial load first."
            );
        return haul;
    }

    private static Lines LinesOf(BenchForm f, double levelM)
    {
        var on = f.Form.Day("on");
        if (!SlipForm.TryHour(f.Form.Text("by"), out var by))
            f.Form.Refuse("by", "An hour as 06:30, from 00:00 to 23:59.");
        if (on < f.Here.Today || on > f.Here.Today.AddDays(Core.Plans.HarvestPlanned.FurthestDays))
            f.Form.Refuse("on", "A day from today on, a year and a half ahead at most.");
        var lines = new Lines(
            on,
            by,
            f.Form.Choice("form", Forms, "way of transport", Account.Harvested),
            f.Q("least", Measures.FishWeight, 0, 50_000),
            f.Q("road", Measures.Plain, 0, 48),
            f.Q("temp", Measures.Temperature, 0, 40),
            f.Q("draw", Measures.Length, 0, 20),
            f.MaybeQ("pipe", Measures.ShortLength, 0.02, 3),
            f.MaybeQ("pump", Measures.Flow, 0.1, 100_000)
        );
        if (lines.DrawM > levelM + GaugeM)
            f.Form.Refuse("draw", $"The water stands at {f.Say(levelM, Measures.Length)}: not above it.");
        if (f.Sound && lines.DrawM < levelM - GaugeM && lines is { PipeM: null, PumpM3H: null })
            f.Form.Refuse(
                "pipe",
                "The width of the pipe, or the flow of a pump: else nobody knows how long it drains."
            );
        return lines;
    }

    private static (double Count, double Kg) Taken(BenchForm f, SizeSpread spread, double leastG)
    {
        var taken = leastG > 0 ? spread.Over(leastG) : (spread.Count, Kg: spread.MassKg);
        if (taken.Kg <= 0)
            f.Form.Refuse(
                "least",
                $"No fish are that heavy: the largest are about {f.Say(spread.WeightAtG(0.01), Measures.FishWeight)}."
            );
        return taken;
    }

    private static HarvestAsked DayOf(BenchForm f, Lines lines, (double Count, double Kg) taken, double drawH) =>
        new(
            taken.Kg,
            1000 * taken.Kg / Math.Max(1, taken.Count),
            lines.On.ToDateTime(lines.By),
            lines.RoadH,
            0,
            drawH,
            f.Whole("pulls", "pulls", 1, 10),
            f.Whole("minutes", "minutes", 5, 600),
            f.Q("rate", Measures.Mass, 5, 50_000),
            f.Q("basket", Measures.Mass, 1, 500),
            f.Q("crate", Measures.Mass, 1, 2000)
        )
        {
            Alive = lines.To == Account.SoldAlive,
            TankL = 1000 * f.Q("tank", Measures.SmallVolume, 0.05, 50),
            HoldH = f.Q("hold", Measures.Plain, 0, 240),
            Insulated = f.Form.Yes("insulated"),
        };

    /// <summary>Mean weight that the forecast tells for a day, g.</summary>
    /// <param name="batch">The batch.</param>
    /// <param name="on">Farm day.</param>
    public static double MeanOn(BatchNow batch, DateOnly on) =>
        batch.Ahead.Where(a => a.Day <= on).Select(a => (double?)a.MeanG.Value).LastOrDefault()
        ?? batch.Stands.MeanG.Value;

    private static CrowdedNet? NetOf(BenchForm f, BatchNow batch, SizeSpread? spread, double tempC)
    {
        var pulls = f.Whole("pulls", "pulls", 1, 10);
        var sock = f.Q("sock", Measures.Volume, 0.1, 100_000);
        var through = f.Q("through", Measures.Flow, 0, 100_000);
        var oxygen = f.MaybeQ("oxygen", Measures.Oxygen, 0, 30);
        if (!f.Sound || spread is null)
            return null;
        // All fish come into the net, the small ones too.
        var kg = spread.MassKg / pulls;
        var water = sock - (kg / 1000);
        if (water <= 0)
        {
            f.Form.Refuse(
                "sock",
                $"{f.Say(kg, Measures.Mass)} of fish come at once: they do not fit into {f.Say(sock, Measures.Volume)}."
            );
            return null;
        }
        var limits = f.Limits;
        return new(
            batch.Batch.Species,
            spread.MeanG,
            kg,
            water,
            tempC,
            oxygen,
            limits.DoActMgL,
            through,
            Math.Max(PlainFlowMgL, limits.DoWatchMgL)
        );
    }

    private static DrawDown? Down(BenchForm f, BatchNow batch, double meanG, double tempC, Lines lines)
    {
        var pond = f.Pond!;
        var (shape, from) = (pond.Pond.Shape, pond.LevelAt(f.Here.Now).LevelM);
        if (!f.Sound || lines.DrawM >= from - GaugeM)
            return null;
        double Hours(double high, double low) =>
            lines.PumpM3H is { } flow
                ? (shape.VolumeM3(high) - shape.VolumeM3(low)) / flow
                : Draining.Through(shape, high, low, DropM, lines.PipeM!.Value, 1, Discharge).Hours;
        return DrawDown.Of(
            shape,
            from,
            lines.DrawM,
            Hours,
            (batch.Batch.Species, meanG, batch.Stands.Count.Value * meanG / 1000),
            (tempC, f.Here.Farm!.AltitudeM, f.Limits.DoActMgL)
        );
    }

    // An outlet a little under the floor, with a sharp edge.
    private const double DropM = 0.3,
        Discharge = 0.6,
        GaugeM = 0.005;
}
