using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>A split pond laid out.</summary>
internal sealed class SplitCalculator : ICalculator
{
    public string Key => "split";

    public string Title => "Split pond";

    public string Lead => "area of both parts, flow, channels and screens";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("area", "Whole water surface", Measures.Area, s.Pond?.Pond.Shape.FullAreaM2 ?? 20_000),
            s.Quantity("depth", "Mean depth", Measures.Length, s.Pond?.Pond.Shape.MeanDepthM ?? 1.3),
            s.Quantity("share", "Share for the fish", Measures.Share, "18").WithHint("15 to 20 is usual"),
            s.Quantity("hours", "Their water is renewed in, hours", Measures.Factor, s.Here.Typed(1.0, 1)),
        ];

    public Worked? Work(BenchForm f)
    {
        var (area, depth, share, hours) = (
            f.Q("area", Measures.Area, 100, 1e7),
            f.Q("depth", Measures.Length, 0.3, 5),
            f.Q("share", Measures.Share, 5, 50),
            f.Q("hours", Measures.Factor, 0.2, 24)
        );
        if (!f.Sound)
            return null;
        return Answer(f, SplitLayout.Of(area, depth, share / 100, hours));
    }

    private static Worked Answer(BenchForm f, SplitLayout x)
    {
        var why = Grounds.Of(
            SplitLayout.Source + ".",
            "Area by share; flow by the water of the fish part; channel and screen by the speed of the water in them",
            new Input("flow", x.FlowM3H, Measures.Flow, "worked out")
        );
        return new(
            [
                new("Part for the fish", f.Say(x.FishM2, Measures.Area), why, Main: true),
                new("Open water", f.Say(x.OpenM2, Measures.Area), why),
                new("Mover", f.Say(x.FlowM3H, Measures.Flow), why),
                new("Each channel, wide", f.Say(x.ChannelWidthM, Measures.Length), why),
                new("Screen in each channel", f.Say(x.ScreenM2, Measures.Area.BySquare! with { Decimals = 1 }), why),
            ],
            "Two channels as far apart as the bank allows; feeding, aerators and power on the side of the fish, where a truck comes; the mover rests at night, when the open water has less oxygen.",
            x.Judgement,
            [
                "Aerators of the fish part have a second supply: the fish stand close. Guards over the mover; a licensed electrician for the power.",
            ]
        );
    }
}

/// <summary>A slow paddle through two gearboxes.</summary>
internal sealed class MoverCalculator : ICalculator
{
    public string Key => "mover";

    public string Title => "Slow paddle mover";

    public string Lead => "shaft speed through two gearboxes, and hours to move the pond once round";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Whole("rpm", "Speed of the motor, turns a minute", "1450"),
            s.Quantity("first", "Ratio of the first gearbox", Measures.Factor, s.Here.Typed(20.0, 1)),
            s.Quantity("second", "Ratio of the second", Measures.Factor, s.Here.Typed(30.0, 1)).WithHint("1: none"),
            s.Quantity("radius", "Radius of the paddle", Measures.Length, 1.5),
            s.Quantity("width", "Width of the paddle", Measures.Length, 3),
            s.Quantity("dip", "It dips", Measures.Length, 0.8),
            s.Quantity("volume", "Water of the pond", Measures.Volume, s.VolumeM3 ?? 26_000),
        ];

    public Worked? Work(BenchForm f)
    {
        var rpm = f.Whole("rpm", "turns", 10, 6000);
        var (first, second, radius) = (
            f.Q("first", Measures.Factor, 1, 500),
            f.Q("second", Measures.Factor, 1, 500),
            f.Q("radius", Measures.Length, 0.2, 5)
        );
        var (width, dip, volume) = (
            f.Q("width", Measures.Length, 0.1, 20),
            f.Q("dip", Measures.Length, 0.05, 5),
            f.Q("volume", Measures.Volume, 1, 1e7)
        );
        if (f.Sound && dip > radius)
            f.Form.Refuse("dip", $"A paddle dips no deeper than its radius, {f.Say(radius, Measures.Length)}.");
        if (!f.Sound)
            return null;
        return Answer(f, PaddleMover.Of(rpm, first, second, radius, width, dip, volume), first * second);
    }

    private static Worked Answer(BenchForm f, PaddleMover x, double ratio)
    {
        var why = Grounds.Of(
            PaddleMover.Source + ".",
            "Arithmetic; slip judged",
            new Input("both ratios", ratio, Measures.Factor, "typed")
        );
        return new(
            [
                new("Speed of the shaft", $"{f.Here.Figure(x.ShaftRpm, 2)} turns a minute", why, Main: true),
                new("Moves", f.Say(x.FlowM3H, Measures.Flow), why),
                new("The pond once round", $"{f.Here.Figure(x.HoursRound, 1)} h", why),
            ],
            "Half the gears, twice the water, eight times the load: look at the current of the motor after every change.",
            x.Judge(f.Here.Hand),
            ["Off, locked and guarded before anybody touches a shaft, a chain or a paddle."]
        );
    }
}

/// <summary>A building for indoor use.</summary>
internal sealed class IndoorCalculator : ICalculator
{
    private static readonly (string Key, string Name, bool? Well)[] Looks =
    [
        ("", "not looked at", null),
        ("well", "well", true),
        ("not", "not well", false),
    ];

    public string Key => "indoor";

    public string Title => "A building for fish";

    public string Lead => "structure, insulation, heat on the coldest night and its cost";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Quantity("length", "Length", Measures.Length, 20),
            s.Quantity("width", "Width", Measures.Length, 10),
            s.Quantity("height", "Mean height", Measures.Length, 3.5),
            s.Choice(
                "wall",
                "Walls and roof",
                "foam50",
                [.. RoomWall.All.Select(w => (w.Key, TableText.In(w.Name, s.Here.Hand)))]
            ),
            s.Quantity("water", "Open water surface", Measures.Area.BySquare!, 80),
            s.Quantity("new", "New water a day", Measures.Volume, 5),
            s.Quantity("newc", "its temperature", Measures.Temperature, 16),
            s.Quantity("inside", "Wanted inside, water and air", Measures.Temperature, 27),
            s.Quantity("outside", "Outside, coldest night", Measures.Temperature, 2),
            s.Quantity("mean", "Outside, mean of the heated months", Measures.Temperature, 12),
            s.Quantity("changes", "Air changed in an hour", Measures.Factor, s.Here.Typed(0.5, 1)),
            s.Quantity(
                "price",
                "Price of a kWh of heat",
                Measures.EnergyPrice,
                s.Here.Typed(s.Here.Farm?.KWhPrice ?? 0.3, Measures.EnergyPrice)
            ),
            .. IndoorRoom.Points.Select(p =>
                s.Choice(p.Key, Pages.Words.Sentence(p.Name), "", [.. Looks.Select(l => (l.Key, l.Name))])
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var body = (
            f.Q("length", Measures.Length, 1, 500),
            f.Q("width", Measures.Length, 1, 200),
            f.Q("height", Measures.Length, 1.5, 20)
        );
        var wall = f.Form.Choice("wall", [.. RoomWall.All.Select(w => (w.Key, w))], "wall", RoomWall.All[2]);
        var (water, news, newC) = (
            f.Q("water", Measures.Area.BySquare!, 0, 1e5),
            f.Q("new", Measures.Volume, 0, 1e5),
            f.Q("newc", Measures.Temperature, 0, 45)
        );
        var (inside, outside, mean) = (
            f.Q("inside", Measures.Temperature, 0, 45),
            f.Q("outside", Measures.Temperature, -50, 45),
            f.Q("mean", Measures.Temperature, -50, 45)
        );
        var (changes, price) = (f.Q("changes", Measures.Factor, 0, 20), f.Q("price", Measures.EnergyPrice, 0, 100));
        var looked = IndoorRoom.Points.ToDictionary(
            p => p.Key,
            p => f.Form.Choice(p.Key, [.. Looks.Select(l => (l.Key, l.Well))], "answer", null)
        );
        if (!f.Sound)
            return null;
        var cold = IndoorRoom.Of(body, wall, water, (news, newC), (inside, outside), changes);
        var usual = IndoorRoom.Of(body, wall, water, (news, newC), (inside, mean), changes);
        return Answer(f, cold, usual.KW * 24 * 30, price, IndoorRoom.Inspect(looked));
    }

    private static Worked Answer(
        BenchForm f,
        IndoorRoom cold,
        double kWhMonth,
        double price,
        IReadOnlyList<Judgement> inspected
    )
    {
        var why = Grounds.Of(
            IndoorRoom.Source + ".",
            "Building tables; no sun and no waste heat of pumps counted",
            new Input("through walls and roof", cold.WallsKW, Measures.Heat, "worked out"),
            new Input("with changed air", cold.AirKW, Measures.Heat, "worked out"),
            new Input("water warmed and dried", cold.WaterKW, Measures.Heat, "worked out")
        );
        return new(
            Figures(f, cold, kWhMonth, price, why),
            "Insulate before a larger heater is bought: the table says which part is the largest.",
            inspected.MaxBy(j => j.Status == Status.Unknown ? 1.5 : (double)j.Status),
            [
                "A heat pump gives three or four times its current; a burner needs its flue outside and a carbon monoxide alarm.",
            ],
            [
                ["looked at"],
                .. inspected.Select(j => new[] { Pages.Words.Sentence(j.Reason) }),
            ]
        );
    }

    private static List<Figure> Figures(BenchForm f, IndoorRoom cold, double kWhMonth, double price, Grounds why) =>
        [
            new("Heat on the coldest night", f.Say(cold.KW, Measures.Heat), why, Main: true),
            new("Through walls and roof", f.Say(cold.WallsKW, Measures.Heat), why),
            new("With changed air", f.Say(cold.AirKW, Measures.Heat), why),
            new("New water and drying", f.Say(cold.WaterKW, Measures.Heat), why),
            new(
                "A heated month",
                $"{f.Here.Count(Math.Round(kWhMonth))} kWh, {f.Here.Count(Math.Round(kWhMonth * price))} {f.Here.Farm?.Currency}",
                why
            ),
        ];
}
