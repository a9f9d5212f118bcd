using Dorsk.Core.Health;
using Dorsk.Farm.Alarms;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Health;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>Products as their labels were last described, with their lines; those no longer used too.</summary>
    public IReadOnlyList<(long Line, ProductDescribed Product)> Products()
    {
        using var c = file.Open();
        return HealthQuestions.Products(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>A treatment by its line; null when there is none, or it was taken back.</summary>
    public TreatmentLine? Treatment(long line)
    {
        using var c = file.Open();
        return HealthQuestions.Treatment(c, AsOf.Now(DateTimeOffset.MaxValue), line);
    }

    /// <summary>An investigation by its number; null when there is none.</summary>
    public LookLine? HealthLook(long id)
    {
        using var c = file.Open();
        return HealthQuestions.Look(c, AsOf.Now(DateTimeOffset.MaxValue), id);
    }

    /// <summary>Kills of fish written up in a pond, the newest first.</summary>
    public IReadOnlyList<KillReport> Kills(PondStory story, DateTimeOffset now)
    {
        using var c = file.Open();
        var written = KillBook.Written.All(
            c,
            AsOf.Now(DateTimeOffset.MaxValue),
            "t.pond = $pond",
            ("pond", story.Pond.Id)
        );
        if (written.Count == 0)
            return [];
        var since = written.Min(k => k.Fact.Began).AddDays(-2);
        var alarms = AlarmQuestions.All(c, AsOf.Now(DateTimeOffset.MaxValue), since).Values.ToList();
        var priceOf = FeedPrices();
        var cycles = Cycles(story, now).ToDictionary(n => n.Batch.Id, n => n.Result);
        double? CostPerKg(BatchStory batch) =>
            cycles.GetValueOrDefault(batch.Id) is { } result
                ? story.Cycles.Of(batch, result, story.Zone.DayOf(now), priceOf)?.FeedCostPerKg
                : null;
        return
        [
            .. written
                .OrderByDescending(k => k.At)
                .Select(k => KillReport.Of(story, k.Line, k.At, k.Fact, alarms).Costing(story, CostPerKg)),
        ];
    }
}
