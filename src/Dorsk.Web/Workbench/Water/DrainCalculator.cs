using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>How long a pond drains.</summary>
internal sealed class DrainCalculator : ICalculator
{
    public string Key => "drain";

    public string Title => "Draining";

    public string Lead => "hours through a pipe with a falling head";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            .. Body.Fields(s),
            s.Quantity("from", "Gauge level now", Measures.Length, s.Pond?.LevelAt(s.Here.Now).LevelM ?? 1.4),
            s.Quantity("to", "Down to", Measures.Length, "0"),
            s.Quantity("pipe", "Inner width of the pipe", Measures.ShortLength, 0.2),
            s.Whole("pipes", "Pipes", "1"),
            s.Quantity("screen", "Screen before it", Measures.Area.BySquare! with { Decimals = 2, UsDecimals = 1 }, 1)
                .WithHint("its whole surface"),
            s.Yes("fouls", "Leaves, weed or fish in the water", "true"),
            s.Quantity("drop", "Outlet below the floor", Measures.Length, 0.3),
            s.Quantity(
                    "cd",
                    "Discharge coefficient",
                    Measures.Plain,
                    s.Plain(0.6, Measures.Plain with { Decimals = 2, UsDecimals = 2 })
                )
                .WithHint("sharp edge 0.6, short smooth pipe 0.8"),
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
        var screen = f.MaybeQ("screen", Measures.Area.BySquare!, 0.01, 1000) ?? 1;
        var fouls = f.Form.Yes("fouls");
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
        return Answer(f, d, why, ScreenWatch.SpeedMs(d.FlowStartM3H, screen), fouls);
    }

    private static Worked Answer(BenchForm f, Draining d, Grounds why, double speedMs, bool fouls) =>
        new(
            [
                new("Time", $"{f.Here.Figure(d.Hours, 1)} h", why, Main: true),
                new("Water drained", f.Say(d.VolumeM3, Measures.Volume), why),
                new("Flow at first", f.Say(d.FlowStartM3H, Measures.Flow), why),
                new("Flow at last", f.Say(d.FlowEndM3H, Measures.Flow), why),
                Watch(f, speedMs, fouls),
            ],
            "Friction in a long pipe and a clogged screen make it longer.",
            Cautions:
            [
                "Keep the screen clear while draining: a blocked one bursts. Nobody in front of an open culvert or in deep mud alone. Mind where the water goes: local rules on effluent.",
            ]
        );

    private static Figure Watch(BenchForm f, double speedMs, bool fouls)
    {
        var every = ScreenWatch.EveryMin(speedMs, fouls);
        return new(
            "Look at the screen",
            every == 0 ? "stay at it until the flow falls" : $"every {every} minutes",
            Grounds.Of(
                "By the speed of the water in the screen at the start, twice as often where leaves, weed or fish are in it.",
                ScreenWatch.Source,
                new Input(
                    "water in the screen",
                    speedMs,
                    Measures.Wind with
                    {
                        Name = "speed",
                        Decimals = 2,
                        UsDecimals = 1,
                    },
                    "worked out"
                )
            )
        );
    }
}
