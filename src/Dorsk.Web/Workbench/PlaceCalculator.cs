using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using Dorsk.Web.Slips;

namespace Dorsk.Web.Workbench;

/// <summary>A place and its water, point by point, before anything is built or bought.</summary>
internal sealed class PlaceCalculator : ICalculator
{
    private static readonly (string Key, string Name, PondKind Kind)[] Bodies =
    [
        ("earthen", "earthen pond", PondKind.Earthen),
        ("lined", "lined pond", PondKind.Lined),
        ("split", "split pond", PondKind.Split),
        ("tank", "tank", PondKind.Tank),
        ("raceway", "raceway", PondKind.Raceway),
        ("cage", "cage in open water", PondKind.Cage),
    ];

    public string Key => "place";

    public string Title => "A place and its water";

    public string Lead => "what to look at before building or buying anything: water first";

    public IReadOnlyList<SlipField> Fields(BenchStart s) =>
        [
            s.Choice("body", "To be built", "earthen", Bodies.Select(b => (b.Key, b.Name)).ToList()),
            s.Quantity("area", "Planned area of a pond", Measures.Area, 2000).WithHint("may be empty"),
            s.Fish("fish", "Fish for it", "", "not decided"),
            s.Choice(
                "stage",
                "at the stage of",
                nameof(ShadeStage.GrowOut),
                [.. Stages.Select(x => (x.Stage.ToString(), x.Name))]
            ),
            .. PlaceCheck.Questions.Select(q =>
                s.Choice(
                    q.Key,
                    char.ToUpperInvariant(q.Name[0]) + q.Name[1..],
                    "",
                    [("", "not known"), .. q.Answers.Select(a => (a.Key, a.Words))]
                )
            ),
        ];

    public Worked? Work(BenchForm f)
    {
        var kind = f.Form.Choice("body", Bodies.Select(b => (b.Key, b.Kind)).ToList(), "body", PondKind.Earthen);
        var area = f.MaybeQ("area", Measures.Area, 1, 1e7);
        var answers = PlaceCheck
            .For(kind)
            .ToDictionary(
                q => q.Key,
                q => f.Form.Choice(q.Key, [("", ""), .. q.Answers.Select(a => (a.Key, a.Key))], "answer", "")
            );
        var shade = ReadShade(f);
        if (!f.Sound)
            return null;
        List<PlacePoint> points = [.. PlaceCheck.Weigh(kind, area / 10_000, answers)];
        if (shade is not null)
            points.Add(shade);
        var gates = PlaceCheck.Gates(points);
        var well = points.Count(p => p.Judgement.Status == Status.Steady);
        var why = Grounds.Of(
            "Each point is weighed on its own; none makes up for another. Water that lasts, tests of it, and permits are gates: without them nothing else counts.",
            PlaceCheck.Source,
            Input.Said("points", FormattableString.Invariant($"{points.Count} for this body of water"), "answered here")
        );
        return Answer(points, gates, well, why);
    }

    private static readonly (ShadeStage Stage, string Name)[] Stages =
    [
        (ShadeStage.Eggs, "eggs and sac fry"),
        (ShadeStage.Fry, "fry and fingerlings"),
        (ShadeStage.GrowOut, "grow-out"),
        (ShadeStage.Brood, "brood fish, fish that wait"),
    ];

    private static PlacePoint? ReadShade(BenchForm f)
    {
        var species = f.Form.MaybeFish("fish");
        var stage = f.Form.Choice(
            "stage",
            [("", ShadeStage.GrowOut), .. Stages.Select(x => (x.Stage.ToString(), x.Stage))],
            "stage",
            ShadeStage.GrowOut
        );
        return species is null ? null : Shade(species, stage);
    }

    private static PlacePoint Shade(FishSpecies species, ShadeStage stage)
    {
        var (status, says) = ShadeNeed.Of(species, stage);
        return new(
            "shade",
            new(status, $"{species.Name.ToLowerInvariant()}, {Stages.First(s => s.Stage == stage).Name}"),
            char.ToUpperInvariant(says[0]) + says[1..] + "."
        );
    }

    private static Worked Answer(List<PlacePoint> points, IReadOnlyList<PlacePoint> gates, int well, Grounds why) =>
        new(
            [new("Points that are well", $"{well} of {points.Count}", why, Main: true)],
            gates.Count == 0
                ? "The gates are open: water, its tests, permits. Write down who builds it and on what terms."
                : $"Not yet: {string.Join(", ", gates.Select(g => g.Name))} {(gates.Count == 1 ? "comes" : "come")} before anything is built or bought.",
            gates.Count == 0
                ? new Judgement(Status.Steady, "Nothing stands against going on")
                : new Judgement(
                    gates.Max(g => g.Judgement.Status) is Status.ActNow ? Status.ActNow : Status.Watch,
                    $"{gates[0].Name}: {gates[0].Judgement.Reason}"
                ),
            ["Local rules on water, dams and species come first; a licensed engineer looks at any dam."],
            Points: points
                .OrderByDescending(p => p.Judgement.Status == Status.Unknown ? 1.5 : (double)p.Judgement.Status)
                .ToList()
        );
}
