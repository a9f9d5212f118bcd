using Dorsk.Core.Oxygen;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;

namespace Dorsk.Farm;

/// <summary>Tells the dawn low of every pond after sunset, and again after each reading of the night, through the door like anybody else.</summary>
/// <param name="door">The way in.</param>
/// <param name="questions">The answers.</param>
/// <param name="clock">The farm clock.</param>
public sealed class NightlyForecasts(Door door, Questions questions, TimeProvider clock)
{
    /// <summary>Who writes them.</summary>
    public const string Author = "Dorsk";

    /// <summary>Enters the forecasts that are due now; how many.</summary>
    public int IssueDue()
    {
        var now = clock.GetUtcNow();
        var told = 0;
        foreach (var story in questions.Stories(_ => true))
            try
            {
                told += Issue(story, now);
            }
            catch (Exception problem)
            {
                Failed(problem, $"The forecast of {story.Pond.Code} could not be told; it is tried again.");
            }
        return told;
    }

    /// <summary>Told of failures that are not of people's making, for the program's log.</summary>
    public Action<Exception, string> Failed { get; set; } = (_, _) => { };

    private int Issue(PondStory story, DateTimeOffset now)
    {
        var due = Due(story, now).ToList();
        if (due.Count == 0)
            return 0;
        var lines = due.ConvertAll(f => new NewLine(
            now,
            f,
            FormattableString.Invariant($"dawn low {f.Low.Value:0.0}, {f.Low.Low:0.0} to {f.Low.High:0.0}"),
            null
        ));
        var receipt = door.Enter(new Entry(Guid.NewGuid(), Author, lines, []));
        return receipt.Accepted
            ? due.Count(f => f.Shown)
            : throw new InvalidOperationException(
                "A forecast was refused at the door: " + string.Join(" | ", receipt.Remarks.Select(r => r.Text))
            );
    }

    private IEnumerable<ForecastIssued> Due(PondStory story, DateTimeOffset now)
    {
        if (!story.Standing.Any())
            yield break;
        var night = Core.Time.Night.Of(now, story.Zone);
        var (sunset, sunrise) = story.SunOf(night);
        if (now < sunset || now > sunrise)
            yield break;
        var told = questions.LastForecast(story.Pond.Id, night);
        var start = story.ReadingsOf[Core.Water.Parameter.Oxygen].LastAt(now) ?? default;
        if ((told is not null && start.At <= told.StartAt) || story.Night.At(now).Forecast is not { } shown)
            yield break;
        yield return Of(shown, true);
        // At dusk each method speaks once; two readings in the dark speak as soon as there are two.
        foreach (var method in OtherMethods(story, told, shown))
            if (story.Night.At(now, method).Forecast is { } other)
                yield return Of(other, false);

        ForecastIssued Of(DawnLowForecast f, bool isShown) =>
            new(story.Pond.Id, night, f.Method, f.Low, f.LowAt, f.ChanceUnderAct, f.Curve[0].At, isShown);
    }

    private static IEnumerable<DeclineMethod> OtherMethods(
        PondStory story,
        ForecastIssued? told,
        DawnLowForecast shown
    ) =>
        Enum.GetValues<DeclineMethod>()
            .Where(m =>
                m != shown.Method
                && (told is null ? m != DeclineMethod.Balance || !story.Pond.ByVolume : m == DeclineMethod.TwoReadings)
            );
}
