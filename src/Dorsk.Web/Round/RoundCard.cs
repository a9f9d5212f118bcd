using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;

namespace Dorsk.Web.Round;

/// <summary>One field of the round at one pond, in the farm's units: what the phone may compare without asking the farm.</summary>
/// <param name="Key">Name in the entry.</param>
/// <param name="Label">What is read.</param>
/// <param name="Unit">Unit shown.</param>
/// <param name="Low">Nothing below can be entered.</param>
/// <param name="UsualLow">Below this is asked about.</param>
/// <param name="UsualHigh">Above this is asked about.</param>
/// <param name="High">Nothing above can be entered.</param>
/// <param name="Last">The last value as text, or empty.</param>
/// <param name="LastAt">When that was, in words.</param>
/// <param name="Act">Act level, or null.</param>
/// <param name="Watch">Watch level, or null.</param>
public sealed record CardField(
    string Key,
    string Label,
    string Unit,
    double Low,
    double UsualLow,
    double UsualHigh,
    double High,
    string Last,
    string LastAt,
    double? Act = null,
    double? Watch = null
)
{
    /// <summary>What is done first under one of the levels.</summary>
    public string First => Act is null ? "" : PondVerdict.LowOxygenFirst;
}

/// <summary>One stop of the walk.</summary>
/// <param name="Code">The pond.</param>
/// <param name="Status">How it stands.</param>
/// <param name="Word">That in words.</param>
/// <param name="Fish">What stands in it.</param>
/// <param name="Reason">Why it stands so.</param>
/// <param name="Stocked">Whether fish stand in it.</param>
/// <param name="Ration">Ration of the day, in words.</param>
/// <param name="Caution">What to heed before going to it; empty for nothing.</param>
/// <param name="Due">All that is due there.</param>
/// <param name="Fields">What is read there.</param>
public sealed record CardStop(
    string Code,
    string Status,
    string Word,
    string Fish,
    string Reason,
    bool Stocked,
    string Ration,
    string Caution,
    IReadOnlyList<string> Due,
    IReadOnlyList<CardField> Fields
);

/// <summary>What the phone takes along: the walk, the fields and their limits. Rules stay at the farm.</summary>
public sealed record Card(
    DateTimeOffset IssuedAt,
    string By,
    string Sign,
    IReadOnlyList<string> Behaviour,
    IReadOnlyList<CardStop> Stops
);

/// <summary>Writes the card.</summary>
public static class RoundCard
{
    /// <summary>Words for how fish behave; the last is a call for help.</summary>
    public static readonly string[] Behaviour = ["calm", "feeding", "slow", "edge", "inlet", "gasping"];

    private static readonly Parameter[] Read = [Parameter.Oxygen, Parameter.Temperature, Parameter.Secchi];

    public static Card Of(Today today, Here here) =>
        new(
            here.Now,
            here.Author,
            here.Hand.Sign == DecimalSign.Comma ? "," : ".",
            Behaviour,
            // Sick ponds last: what they have is not carried on.
            today
                .Ponds.Where(p => p.Story.Pond.Use != "settling")
                .OrderBy(p => p.Story.Health.IsSick)
                .Select(p => Stop(p, today, here))
                .ToList()
        );

    private static CardStop Stop(PondNow p, Today today, Here here)
    {
        var pond = p.Story.Pond;
        var main = p.Batches.Count > 0 ? p.Batches[^1] : null;
        var due = today
            .Jobs.Where(j =>
                j.PondCode == pond.Code && j.State is Core.Season.JobState.Open or Core.Season.JobState.Late
            )
            .Select(j => j.What.Replace(pond.Code + ": ", "", StringComparison.Ordinal))
            .ToList();
        List<CardField> fields = FieldsOf(p, here, pond, main);
        return CardOf(p, here, pond, main, due, fields);
    }

    private static CardStop CardOf(
        PondNow p,
        Here here,
        Core.Ponds.Pond pond,
        BatchNow? main,
        List<string> due,
        List<CardField> fields
    ) =>
        new(
            pond.Code,
            p.Judgement.Status.ToString(),
            p.Judgement.Status switch
            {
                Status.ActNow => "Act now",
                Status.Watch => "Watch",
                Status.Steady => "Steady",
                _ => "No fish",
            },
            main is null
                ? p.NextThing
                : $"{here.Count(Math.Floor(main.Stands.Count.Value))} × {here.Say(main.Stands.MeanG.Value, Measures.FishWeight)}, {main.Batch.Species.Name.ToLowerInvariant()}",
            p.Judgement.Reason,
            main is not null,
            main is null ? "" : here.Say(p.RationKg, Measures.Mass),
            p.Story.Health.Hold is { } hold
                ? $"On hold ({hold.Why}): last, own net and boots, nothing carried on."
                : "",
            due,
            fields
        );

    private static List<CardField> FieldsOf(PondNow p, Here here, Core.Ponds.Pond pond, BatchNow? main) =>
        main is null
            ? [Field(p, Parameter.GaugeLevel, here)]
            :
            [
                .. Read.Where(r => r != Parameter.Secchi || !pond.ByVolume).Select(r => Field(p, r, here)),
                Fed(p, here),
                new(
                    "dead",
                    "Dead fish",
                    "",
                    0,
                    0,
                    StockRules.UsualLoss(main.Batch.Stands),
                    StockRules.MostFish,
                    "",
                    ""
                ),
            ];

    private static CardField Field(PondNow p, Parameter parameter, Here here)
    {
        var unit = parameter.Measure.In(here.Hand);
        var limits = parameter == Parameter.Oxygen ? p.Story.Stock.LimitsOn(here.Today) : null;
        var last = p.Story.LastOf(parameter);
        var name = parameter == Parameter.Temperature ? "Water" : Pages.Words.Sentence(parameter.Name);
        // °F grows as °C does: the ends stay in order.
        return new(
            parameter.Key,
            name,
            unit.Symbol,
            unit.FromSi(parameter.HardLow),
            unit.FromSi(parameter.UsualLow),
            unit.FromSi(parameter.UsualHigh),
            unit.FromSi(parameter.HardHigh),
            last is { } l ? QuantityText.Figure(l.Si, parameter.Measure, here.Hand) : "",
            last is { } at ? here.Hour(at.At) : "",
            limits?.DoActMgL,
            limits?.DoWatchMgL
        );
    }

    private static CardField Fed(PondNow p, Here here)
    {
        var unit = Measures.Mass.In(here.Hand);
        var usual = FeedingRule.UsualMostKg(p.BiomassKg, p.Batches.Max(b => b.Stands.MeanG.Value));
        return new(
            "fed",
            "Feed given",
            unit.Symbol,
            0,
            0,
            unit.FromSi(usual),
            unit.FromSi(FeedingRule.MostKg),
            QuantityText.Figure(p.Story.FedOn(here.Today), Measures.Mass, here.Hand),
            $"of {here.Say(p.RationKg, Measures.Mass)}"
        );
    }
}
