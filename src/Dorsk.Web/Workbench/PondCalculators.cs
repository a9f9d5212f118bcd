using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>Lines that describe a sloped rectangle, shared by three calculators.</summary>
internal static class Body
{
    public static IEnumerable<SlipField> Fields(BenchStart s)
    {
        var r = s.Pond?.Pond.Shape as SlopedRectangle;
        if (s.Pond is { } pond && r is null)
        {
            yield return new("", $"{pond.Pond.Code}, its body as described", FieldKind.Heading);
            yield break;
        }
        yield return new(
            "length",
            "Length of the full water",
            FieldKind.Quantity,
            s.Of(r?.LengthM, 40, Measures.Length),
            Measures.Length
        );
        yield return new(
            "width",
            "Width of the full water",
            FieldKind.Quantity,
            s.Of(r?.WidthM, 25, Measures.Length),
            Measures.Length
        );
        yield return new(
            "slope",
            "Bank slope",
            FieldKind.Quantity,
            s.Of(r?.Slope, 2, Measures.Plain with { Decimals = 1, UsDecimals = 1 }),
            Measures.Plain,
            "across for 1 down; 0 for walls"
        );
        yield return new(
            "depth",
            "Depth when full",
            FieldKind.Quantity,
            s.Of(r?.DepthM, 1.4, Measures.Length),
            Measures.Length
        );
    }

    public static PondShape? Read(BenchForm f)
    {
        if (f.AsBuilt is { } shape)
            return shape;
        var (length, width, slope, depth) = (
            f.Form.Quantity("length", Measures.Length),
            f.Form.Quantity("width", Measures.Length),
            f.Form.Quantity("slope", Measures.Plain),
            f.Form.Quantity("depth", Measures.Length)
        );
        if (!f.Sound)
            return null;
        foreach (var remark in SlopedRectangle.Check(length, width, depth, slope))
            f.Form.Refuse(remark.Field.ToLowerInvariant(), remark.Text);
        return f.Sound ? new SlopedRectangle(length, width, depth, slope) : null;
    }

    public static double Level(BenchForm f, string field, PondShape body) =>
        f.Q(field, Measures.Length, 0, body.FullDepthM);
}

/// <summary>Area and volume at a gauge level.</summary>
internal sealed class VolumeCalculator : ICalculator
{
    public string Key => "volume";

    public string Title => "Pond volume";

    public string Lead => "area and volume at any level of the staff gauge";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. Body.Fields(s),
            new(
                "level",
                "Gauge level",
                FieldKind.Quantity,
                s.Of(s.Pond?.LevelAt(s.Here.Now).LevelM, 1.2, Measures.Length),
                Measures.Length
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        if (Body.Read(f) is not { } body)
            return null;
        var level = Body.Level(f, "level", body);
        if (!f.Sound)
            return null;
        var (area, volume) = (body.AreaM2(level), body.VolumeM3(level));
        var why = Grounds.Of(
            body switch
            {
                SlopedRectangle => "Prismoidal rule, exact for a body with banks of one slope.",
                OutlinePond =>
                    "The outline drawn in by the bank slope: area − bank × run + corners × run², summed over the depth; exact while no side vanishes.",
                MeanDepthPond =>
                    "Outline × mean depth when full; below, the area is taken to grow as a power of the level.",
                TablePond => "Monotone cubic through the volumes of the table.",
                _ => "Circle × level.",
            },
            "Geometry",
            new Input("gauge level", level, Measures.Length, "typed"),
            new Input("full depth", body.FullDepthM, Measures.Length, f.AsBuilt is null ? "typed" : "pond register")
        );
        var cut = body.FullAreaM2 * body.FullDepthM;
        return new(
            [
                new("Volume", f.Say(volume, Measures.Volume), why, Main: true),
                new("Water surface", f.Say(area, Measures.Area with { Decimals = 3 }), why),
                new("Mean depth", f.Say(area > 0 ? volume / area : 0, Measures.Length), why),
                new("Full", f.Say(body.FullVolumeM3, Measures.Volume), why),
            ],
            $"The short cut area × depth would say {f.Say(cut, Measures.Volume)} when full: {f.Here.Figure(100 * ((cut / body.FullVolumeM3) - 1), 0)} % too much, and every dose with it.",
            Table:
            [
                ["gauge level", "surface", "volume"],
                .. Enumerable
                    .Range(0, 6)
                    .Select(i => body.FullDepthM * i / 5)
                    .Select(h =>
                        new[]
                        {
                            f.Say(h, Measures.Length),
                            f.Say(body.AreaM2(h), Measures.Area with { Decimals = 3 }),
                            f.Say(body.VolumeM3(h), Measures.Volume),
                        }
                    ),
            ],
            Section: Cut(body, level)
        );
    }

    // A cut is drawn where the banks have one slope; an outline is cut across its narrower way.
    private static CrossSection? Cut(PondShape body, double level) =>
        body switch
        {
            SlopedRectangle r => new(r.WidthM, r.WidthM - (2 * r.Slope * r.DepthM), r.DepthM, level),
            RoundTank t => new(t.DiameterM, t.DiameterM, t.DepthM, level),
            OutlinePond o => new(Narrow(o), Math.Max(0.5, Narrow(o) - (2 * o.Slope * o.DepthM)), o.DepthM, level),
            _ => null,
        };

    private static double Narrow(OutlinePond o) =>
        Math.Min(
            o.CornersM.Max(c => c.EastM) - o.CornersM.Min(c => c.EastM),
            o.CornersM.Max(c => c.NorthM) - o.CornersM.Min(c => c.NorthM)
        );
}

/// <summary>How large a pond is that nobody measured with a tape.</summary>
internal sealed class SizeCalculator : ICalculator
{
    private static readonly (string, string)[] Means =
    [
        ("tape", $"tape, good to {100 * FourSides.TapeShare:0} %"),
        ("paces", $"paces, good to {100 * FourSides.PaceShare:0} %"),
    ];

    public string Key => "size";

    public string Title => "Size of a pond";

    public string Lead => "by tape or paces round the bank, with how far it may be out";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            new("means", "Measured by", FieldKind.Choice, "paces", Options: Means),
            new(
                "pace",
                "One pace",
                FieldKind.Quantity,
                s.Plain(0.75, Measures.Length),
                Measures.Length,
                "walk 20 m and divide; for paces only"
            ),
            .. Enumerable
                .Range(1, 4)
                .Select(i => new SlipField(
                    "s" + i,
                    $"Side {i}",
                    FieldKind.Quantity,
                    i % 2 == 1 ? "53" : "33",
                    Measures.Plain,
                    i == 1 ? "in paces, or in the farm's length with a tape; round the bank in order" : ""
                )),
            new(
                "diagonal",
                "Corner 1 to corner 3",
                FieldKind.Quantity,
                "",
                Measures.Plain,
                "across the pond, if it can be had: it makes the figure much surer"
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var tape = f.Form.Choice("means", [("tape", true), ("paces", false)], "means", false);
        var step = tape
            ? f.Here.Hand.System == UnitSystem.Metric
                ? 1
                : Measures.Length.Us.ToSi(1)
            : f.Q("pace", Measures.Length, 0.3, 1.5);
        var sides = Enumerable.Range(1, 4).Select(i => f.Q("s" + i, Measures.Plain, 1, 5000) * step).ToArray();
        var diagonal = f.MaybeQ("diagonal", Measures.Plain, 1, 8000) * step;
        if (!f.Sound)
            return null;
        if (FourSides.Of(sides, diagonal, tape ? FourSides.TapeShare : FourSides.PaceShare) is not { } area)
        {
            f.Form.Refuse(
                diagonal is null ? "s1" : "diagonal",
                diagonal is null
                    ? "No four-sided pond has such sides: the longest is longer than the other three together. Walk it again."
                    : "The corners cannot be that far apart with these sides. Walk it again."
            );
            return null;
        }
        var why = Grounds.Of(
            diagonal is null
                ? "Four sides alone do not fix the corners: the largest area they can hold (Brahmagupta) is taken less 1.7 %, which fits corners within 15° of square; the range says the rest."
                : "Two triangles on the diagonal (Heron). The share that a side may be out counts as if no two sides made good for each other.",
            FourSides.Source,
            [
                .. sides.Select((s, i) => new Input($"side {i + 1}", s, Measures.Length, "walked")),
                .. diagonal is { } d ? new[] { new Input("diagonal", d, Measures.Length, "walked") } : [],
            ]
        );
        return new(
            [
                new("Water surface", f.Say(area.Value, Measures.Area with { Decimals = 3 }), why, Main: true),
                new(
                    "19 in 20 between",
                    $"{f.Say(area.Low, Measures.Area with { Decimals = 3 })} and {f.Say(area.High, Measures.Area with { Decimals = 3 })}",
                    why
                ),
                new("Bank", f.Say(sides.Sum(), Measures.Length with { Decimals = 0 }), why),
            ],
            $"Plan fish and doses with the lower figure until it is taped: {f.Say(area.Low, Measures.Area with { Decimals = 3 })}."
        );
    }
}

/// <summary>How long a pond drains.</summary>
internal sealed class DrainCalculator : ICalculator
{
    public string Key => "drain";

    public string Title => "Draining";

    public string Lead => "hours through a pipe with a falling head";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. Body.Fields(s),
            new(
                "from",
                "Gauge level now",
                FieldKind.Quantity,
                s.Of(s.Pond?.LevelAt(s.Here.Now).LevelM, 1.4, Measures.Length),
                Measures.Length
            ),
            new("to", "Down to", FieldKind.Quantity, "0", Measures.Length),
            new(
                "pipe",
                "Inner width of the pipe",
                FieldKind.Quantity,
                s.Plain(0.2, Measures.ShortLength),
                Measures.ShortLength
            ),
            new("pipes", "Pipes", FieldKind.Whole, "1"),
            new("drop", "Outlet below the floor", FieldKind.Quantity, s.Plain(0.3, Measures.Length), Measures.Length),
            new(
                "cd",
                "Discharge coefficient",
                FieldKind.Quantity,
                s.Plain(0.6, Measures.Plain with { Decimals = 2, UsDecimals = 2 }),
                Measures.Plain,
                "sharp edge 0.6, short smooth pipe 0.8"
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        if (Body.Read(f) is not { } body)
            return null;
        var (from, to) = (Body.Level(f, "from", body), Body.Level(f, "to", body));
        var (pipe, pipes, drop, cd) = (
            f.Q("pipe", Measures.ShortLength, 0.01, 3),
            f.Whole("pipes", "pipes", 1, 50),
            f.Q("drop", Measures.Length, 0, 5),
            f.Q("cd", Measures.Plain, 0.2, 1)
        );
        if (f.Sound && from <= to)
            f.Form.Refuse("to", "That is not below the level now.");
        if (!f.Sound)
            return null;
        var d = Draining.Through(body, from, to, drop, pipe, pipes, cd);
        var why = Grounds.Of(
            "The flow falls with the level; the hours are its sum over the pond's own area at each level.",
            Draining.Source,
            new Input("from", from, Measures.Length, "typed"),
            new Input("to", to, Measures.Length, "typed"),
            new Input("pipe", pipe, Measures.ShortLength, "typed"),
            new Input("flow at the start", d.FlowStartM3H, Measures.Flow, "worked out"),
            new Input("flow at the end", d.FlowEndM3H, Measures.Flow, "worked out")
        );
        return new(
            [
                new("Time", $"{f.Here.Figure(d.Hours, 1)} h", why, Main: true),
                new("Water drained", f.Say(d.VolumeM3, Measures.Volume), why),
                new("Flow at first", f.Say(d.FlowStartM3H, Measures.Flow), why),
                new("Flow at last", f.Say(d.FlowEndM3H, Measures.Flow), why),
            ],
            "Friction in a long pipe and a clogged screen make it longer.",
            Cautions:
            [
                "Keep the screen clear while draining: a blocked one bursts. Nobody in front of an open culvert or in deep mud alone. Mind where the water goes: local rules on effluent.",
            ]
        );
    }
}

/// <summary>Changing water for a wanted concentration.</summary>
internal sealed class ExchangeCalculator : ICalculator
{
    public string Key => "exchange";

    public string Title => "Change water";

    public string Lead => "how much, in parts or flowing through, with hours and cost";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            new(
                "now",
                "Concentration now",
                FieldKind.Quantity,
                s.Of(s.Last(Parameter.Tan), 2, Measures.Concentration),
                Measures.Concentration,
                "ammonia, nitrite, salinity: any"
            ),
            new("inflow", "Of the new water", FieldKind.Quantity, "0", Measures.Concentration),
            new(
                "wanted",
                "Wanted",
                FieldKind.Quantity,
                s.Plain((s.Last(Parameter.Tan) ?? 2) / 2, Measures.Concentration),
                Measures.Concentration
            ),
            new("volume", "Water volume", FieldKind.Quantity, s.Of(s.VolumeM3, 1000, Measures.Volume), Measures.Volume),
            new("times", "In how many parts", FieldKind.Whole, "3"),
            .. Pumping.Fields(s),
            new(
                "parts",
                "Parts as they are changed, in percent",
                FieldKind.Words,
                "",
                Hint: "such as 20 20 30; what they add up to; empty: not asked"
            ),
            new(
                "temp",
                "Water temperature now",
                FieldKind.Quantity,
                s.Last(Parameter.Temperature) is { } t ? s.Plain(t, Measures.Temperature) : "",
                Measures.Temperature,
                "empty: not asked"
            ),
            new(
                "newtemp",
                "Of the new water",
                FieldKind.Quantity,
                "",
                Measures.Temperature,
                "a bore is near the yearly mean"
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var (now, inflow, wanted) = (
            f.Q("now", Measures.Concentration, 0, 1e5),
            f.Q("inflow", Measures.Concentration, 0, 1e5),
            f.Q("wanted", Measures.Concentration, 0, 1e5)
        );
        var (volume, times, flow) = (
            f.Q("volume", Measures.Volume, 0.001, 1e7),
            f.Whole("times", "parts", 1, 60),
            f.Q("flow", Measures.Flow, 0.01, 1e5)
        );
        var (kw, price) = (f.Q("power", Measures.Power, 0, 1000), f.Q("price", Measures.Plain, 0, 1000));
        var parts = Parts(f);
        var (temp, newTemp) = (
            f.MaybeQ("temp", Measures.Temperature, -1, 45),
            f.MaybeQ("newtemp", Measures.Temperature, -1, 45)
        );
        if (!f.Sound)
            return null;
        if (WaterExchange.Left(now, inflow, wanted) is not { } left)
        {
            f.Form.Refuse(
                "wanted",
                "This inflow cannot reach that: the wanted figure must lie between the water now and the new water, and not be the new water itself."
            );
            return null;
        }
        var each = WaterExchange.EachOf(left, times);
        var (batch, through) = (each * times * volume, WaterExchange.FlowThroughVolumes(left) * volume);
        var why = Grounds.Of(
            "Fully mixed. In parts: drain, refill, mix, again. Flowing through: new water pushes out mixed water, so it takes more. Nothing is made or used up meanwhile; feed goes on making ammonia.",
            "Mass balance",
            new Input("difference that stays", 100 * left, Measures.Share, "worked out"),
            new Input("volume", volume, Measures.Volume, "typed")
        );
        Figure Cost(string what, double m3) =>
            new(
                what,
                $"{f.Here.Figure(m3 / flow, 1)} h, {f.Here.Figure(m3 / flow * kw, 0)} kWh, {f.Here.Figure(m3 / flow * kw * price, 0)} {f.Here.Farm?.Currency}",
                why
            );
        return new(
            [
                new(
                    times == 1 ? "Drain and refill" : $"Each of {times} parts",
                    $"{f.Here.Figure(100 * each, 0)} %, {f.Say(each * volume, Measures.Volume)}",
                    why,
                    Main: true
                ),
                new("Water in all, in parts", f.Say(batch, Measures.Volume), why),
                Cost("Pumping that", batch),
                new("Water in all, flowing through", f.Say(through, Measures.Volume), why),
                Cost("Pumping that", through),
                new(
                    "This flow turns it over",
                    $"{f.Here.Figure(flow / volume, flow < volume ? 2 : 1)} times an hour, once in {f.Here.Figure(volume / flow, 1)} h",
                    why
                ),
                .. Added(f, parts, now, inflow),
                .. Heat(f, left, each, temp, newTemp),
            ],
            $"In {times} {(times == 1 ? "part" : "parts")} it takes {f.Here.Figure(100 * ((through / batch) - 1), 0)} % less water than flowing through.",
            Cautions:
            [
                "Match temperature, pH and salinity of the new water; not more than a third at once with fish in it.",
            ]
        );
    }

    private static List<double> Parts(BenchForm f)
    {
        var read = new List<double>();
        foreach (
            var part in f.Form.Text("parts").Split([' ', ';', '%'], StringSplitOptions.RemoveEmptyEntries).Take(61)
        )
            if (read.Count < 60 && NumberText.Read(part, f.Here.Hand.Sign) is { Value: > 0 and <= 100 and var share })
                read.Add(share / 100);
            else
            {
                f.Form.Refuse(
                    "parts",
                    $"“{part}”: up to 60 figures over 0 and up to 100 with spaces between them, such as 20 20 30."
                );
                break;
            }
        return read;
    }

    // 20 and 20 and 30 percent are not 70: each part takes new water out again.
    private static IEnumerable<Figure> Added(BenchForm f, List<double> parts, double now, double inflow)
    {
        if (parts.Count == 0)
            yield break;
        var renewed = WaterExchange.Together(parts);
        var why = Grounds.Of(
            "Each part takes out some of the new water of the parts before it: what stays is the product of what each leaves.",
            "Mass balance",
            new Input("percents typed, summed", 100 * parts.Sum(), Measures.Share, "typed"),
            new Input("renewed in truth", 100 * renewed, Measures.Share, "worked out")
        );
        yield return new(
            $"{parts.Count} parts as typed",
            $"{f.Here.Figure(100 * renewed, 1)} % renewed, down to {f.Say(inflow + ((now - inflow) * (1 - renewed)), Measures.Concentration)}",
            why
        );
    }

    // Cooling or warming by the same exchange; a step that fish feel is said.
    private static IEnumerable<Figure> Heat(BenchForm f, double left, double each, double? temp, double? newTemp)
    {
        if (temp is not { } now || newTemp is not { } fresh)
            yield break;
        var after = fresh + ((now - fresh) * left);
        var first = fresh + ((now - fresh) * (1 - each));
        var why = Grounds.Of(
            "Mixed by heat: the difference to the new water shrinks by the same share as the concentration. Sun and air work on it meanwhile.",
            "Heat balance",
            new Input("now", now, Measures.Temperature, "typed"),
            new Input("new water", fresh, Measures.Temperature, "typed"),
            new Input("difference that stays", 100 * left, Measures.Share, "worked out")
        );
        yield return new("Temperature after it", f.Say(after, Measures.Temperature), why);
        yield return new(
            "After the first part",
            f.Say(first, Measures.Temperature)
                + (Mixing.Jump(now, first, f.Here.Hand) is { } jump ? ": " + jump.Reason : ""),
            why
        );
    }
}

/// <summary>How long and for what a pond is filled.</summary>
internal sealed class FillCalculator : ICalculator
{
    public string Key => "fill";

    public string Title => "Filling";

    public string Lead => "hours, kilowatt-hours and cost with the pond's own pump";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. Body.Fields(s),
            new(
                "from",
                "Gauge level now",
                FieldKind.Quantity,
                s.Pond is { } p && p.IsPartFilled(s.Here.Now)
                    ? s.Plain(p.LevelAt(s.Here.Now).LevelM, Measures.Length)
                    : "0",
                Measures.Length
            ),
            new(
                "to",
                "Up to",
                FieldKind.Quantity,
                s.Of(s.Pond?.Pond.Shape.FullDepthM, 1.4, Measures.Length),
                Measures.Length
            ),
            .. Pumping.Fields(s),
            new(
                "loss",
                "Lost meanwhile by seepage and evaporation",
                FieldKind.Quantity,
                "0",
                Measures.Rain,
                "a day; from the leak test"
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        if (Body.Read(f) is not { } body)
            return null;
        var (from, to) = (Body.Level(f, "from", body), Body.Level(f, "to", body));
        var (flow, kw, price, loss) = (
            f.Q("flow", Measures.Flow, 0.01, 1e5),
            f.Q("power", Measures.Power, 0, 1000),
            f.Q("price", Measures.Plain, 0, 1000),
            f.Q("loss", Measures.Rain, 0, 0.2)
        );
        if (f.Sound && to <= from)
            f.Form.Refuse("to", "That is not above the level now.");
        if (!f.Sound)
            return null;
        if (Filling.Hours(body, from, to, flow, loss) is not { } hours)
        {
            f.Form.Refuse(
                "flow",
                "This pump never gets there: as much is lost in an hour as it gives. Mend the leak, or take a larger pump."
            );
            return null;
        }
        var volume = body.VolumeM3(to) - body.VolumeM3(from);
        var why = Grounds.Of(
            "Volume between the two levels by the pond's body, by what the pump gives less what is lost from the surface at each level.",
            Filling.Source,
            new Input("from", from, Measures.Length, "typed"),
            new Input("to", to, Measures.Length, "typed"),
            new Input("volume between", volume, Measures.Volume, "worked out"),
            new Input("pump", flow, Measures.Flow, "typed"),
            new Input("draws", kw, Measures.Power, "typed")
        );
        return new(
            [
                new("Time", $"{f.Here.Figure(hours, 1)} h, {f.Here.Figure(hours / 24, 1)} days", why, Main: true),
                new("Water pumped", f.Say(hours * flow, Measures.Volume), why),
                new("Electricity", $"{f.Here.Figure(hours * kw, 0)} kWh", why),
                new("That costs", $"{f.Here.Figure(hours * kw * price, 0)} {f.Here.Farm?.Currency}", why),
                new("Of a cubic metre", $"{f.Here.Figure(kw * price / flow, 3)} {f.Here.Farm?.Currency}", why),
            ],
            hours > 24 * 14
                ? "Over a fortnight: look for a second source before fish are ordered."
                : "Through a screen, from the first drop."
        );
    }
}

/// <summary>Lines about a pump: the pond's own where it has one.</summary>
internal static class Pumping
{
    public static IEnumerable<SlipField> Fields(BenchStart s)
    {
        var pump = s.Pond?.Equipment.FirstOrDefault(e => e.Kind == EquipmentKind.Pump);
        yield return new(
            "flow",
            "The pump gives",
            FieldKind.Quantity,
            s.Of(pump?.FlowM3H, 50, Measures.Flow),
            Measures.Flow,
            pump?.FlowM3H is null
                ? s.Pond is null
                    ? ""
                    : "this pond has no pump in its equipment: an example"
                : "this pond's pump"
        );
        yield return new(
            "power",
            "and draws",
            FieldKind.Quantity,
            s.Of(pump?.PowerKW, 3, Measures.Power),
            Measures.Power
        );
        yield return new(
            "price",
            "Price of a kWh",
            FieldKind.Quantity,
            s.Plain(s.Pond?.PreparationLine?.Plan.Prices.KWh ?? 0.3, Measures.Price),
            Measures.Price,
            "the farm's own"
        );
    }
}

/// <summary>What a pond loses through its bed.</summary>
internal sealed class LeakCalculator : ICalculator
{
    public string Key => "leak";

    public string Title => "Leak test";

    public string Lead => "seepage from two readings of the staff gauge";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            new("first", "First gauge level", FieldKind.Quantity, s.Plain(0.60, Measures.Length), Measures.Length),
            new("second", "Second gauge level", FieldKind.Quantity, s.Plain(0.55, Measures.Length), Measures.Length),
            new("days", "Days between", FieldKind.Quantity, "4", Measures.Plain),
            new("rain", "Rain meanwhile", FieldKind.Quantity, "0", Measures.Rain),
            new(
                "evaporation",
                "Evaporation meanwhile",
                FieldKind.Quantity,
                s.Plain(0.020, Measures.Rain),
                Measures.Rain,
                "all the days together, from a pan; empty: it is estimated from the next two lines"
            ),
            new(
                "warm",
                "Warmest of a usual day",
                FieldKind.Quantity,
                "",
                Measures.Temperature,
                "air; only when there is no pan"
            ),
            new(
                "cool",
                "Coolest of a usual night",
                FieldKind.Quantity,
                "",
                Measures.Temperature,
                "air; only when there is no pan"
            ),
            new(
                "area",
                "Water surface",
                FieldKind.Quantity,
                s.Of(s.Pond?.Pond.Shape.FullAreaM2, 4000, Measures.Area),
                Measures.Area
            ),
            new("cost", "Cost of a cubic metre pumped", FieldKind.Quantity, "0.02", Measures.Plain, "the farm's own"),
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
            f.Q("cost", Measures.Plain, 0, 1000)
        );
        if (!f.Sound)
            return null;
        var estimated = f.Form.Empty("evaporation");
        var leak = LeakTest.Of(first - second, rain, evaporation, days, area);
        var why = Grounds.Of(
            "(Fall of the level + rain − evaporation) by days. Under 5 mm a day is tight, 5 to 10 to be watched, over 10 leaks.",
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
                new("Seepage", f.Here.Figure(leak.SeepageMmDay, 1) + " mm a day", why, Main: true),
                new("Water lost", f.Say(leak.M3Day, Measures.Volume) + " a day", why),
                new("That costs", $"{f.Here.Figure(leak.M3Day * cost * 30, 0)} {f.Here.Farm?.Currency} a month", why),
            ],
            (
                leak.SeepageMmDay < 0
                    ? "More came in than rain: is an inlet open, or does ground water come in?"
                    : "Test at part fill, before filling to the brim."
            )
                + (
                    estimated
                        ? $" The evaporation is an estimate, {f.Here.Figure(1000 * evaporation / days, 1)} mm a day, and may be out by a quarter: the seepage lies between {f.Here.Figure(leak.SeepageMmDay - Evaporation.SlackMmDay(evaporation, days), 1)} and {f.Here.Figure(leak.SeepageMmDay + Evaporation.SlackMmDay(evaporation, days), 1)} mm a day. A pan beside the pond says it better."
                        : ""
                ),
            leak.Verdict
        );
    }

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
