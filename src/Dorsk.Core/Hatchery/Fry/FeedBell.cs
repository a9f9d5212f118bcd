using System.Globalization;
using Dorsk.Core.Feeding;
using Dorsk.Core.People;
using Dorsk.Core.Species;

namespace Dorsk.Core.Hatchery;

/// <summary>One meal of the bell.</summary>
/// <param name="LotId">The lot.</param>
/// <param name="At">When it is due.</param>
/// <param name="FedAt">When it was given; null while it was not.</param>
/// <param name="Who">Whom it falls to by the hour.</param>
public readonly record struct BellMeal(long LotId, DateTimeOffset At, DateTimeOffset? FedAt, Role Who)
{
    /// <summary>How long before and after its hour a meal is given.</summary>
    public static readonly TimeSpan Slack = TimeSpan.FromMinutes(45);

    /// <summary>Whether its hour has passed without it.</summary>
    /// <param name="now">The instant.</param>
    public bool IsMissed(DateTimeOffset now) => FedAt is null && At + Slack < now;
}

/// <summary>
/// Meals of fry round the clock, from their first feed until they take dry feed by day. Evenly over elapsed time, so that a night that is an hour
/// longer or shorter has its meals at the same distance.
/// </summary>
public static class FeedBell
{
    /// <summary>Where the rule comes from.</summary>
    public const string Source =
        "Meals a day of the feeding table for fry; evenly over the 24 hours; three weeks, or until they leave the vessel (starting values)";

    /// <summary>Days it rings.</summary>
    public const int Days = 21;

    private const int Fewest = 8,
        Most = 10;

    private const double LarvaG = 0.005;

    /// <summary>Meals in 24 hours that somebody gives by hand: 8 to 10 by the table; feeders give more.</summary>
    /// <param name="species">The fish.</param>
    /// <param name="tempC">Water, °C.</param>
    public static int MealsADay(FishSpecies species, double tempC) =>
        Math.Clamp(FeedingRhythm.For(species, LarvaG, tempC)?.Usual ?? Fewest, Fewest, Most);

    /// <summary>The meals between two instants.</summary>
    /// <param name="lotId">The lot.</param>
    /// <param name="first">Its first feed.</param>
    /// <param name="meals">Meals in 24 hours; above 0.</param>
    /// <param name="fed">When it was fed, in order.</param>
    /// <param name="window">Not before, and not after.</param>
    /// <param name="isNight">Whether an instant falls to the night watch.</param>
    public static IReadOnlyList<BellMeal> Between(
        long lotId,
        DateTimeOffset first,
        int meals,
        IReadOnlyList<DateTimeOffset> fed,
        (DateTimeOffset From, DateTimeOffset To) window,
        Func<DateTimeOffset, bool> isNight
    )
    {
        var step = TimeSpan.FromDays(1) / meals;
        var begin = Math.Max(0, (long)Math.Ceiling((window.From - first) / step));
        var end = Math.Min((long)Days * meals, (long)Math.Floor((window.To - first) / step) + 1);
        var all = new List<BellMeal>();
        for (var i = begin; i < end; i++)
        {
            var at = first + (step * i);
            // A meal counts for the bell that it lies nearest to.
            var given = fed.Where(f => f >= at - (step / 2) && f < at + (step / 2))
                .Select(f => (DateTimeOffset?)f)
                .FirstOrDefault();
            all.Add(new(lotId, at, given, isNight(at) ? Role.NightWatch : Role.PondHand));
        }
        return all;
    }

    /// <summary>Key of the job of a meal: the same however often it is worked out.</summary>
    public static string Key(BellMeal meal) =>
        string.Create(CultureInfo.InvariantCulture, $"fry-feed:lot{meal.LotId}:{meal.At.UtcDateTime:yyyy-MM-ddTHH:mm}");
}
