using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Units;

namespace Dorsk.Core.Season;

// Jobs about feed.
public static partial class JobRules
{
    private static IEnumerable<Job> FeedToOrder(FarmDay d) =>
        d
            .Feeds.Where(f =>
                f.Order is { } o
                    ? o.OrderBy <= d.Today
                    : f.PerDayKg > 0 && f.LeftKg / f.PerDayKg < OrderProposal.UsualLeadDays + OrderProposal.SafeDays
            )
            .Select(f => new Job(
                OrderKey(f, d),
                null,
                "",
                d.Zone.At(d.Today, new(8, 0)),
                d.Zone.At(d.Today, new(20, 0)),
                f.Order is { Kg: > 0 } o ? $"Order {f.Name}, about {d.Say(o.Kg, Measures.Mass)}" : $"Order {f.Name}",
                $"{d.Say(f.LeftKg, Measures.Mass)} left, "
                    + (
                        f.Order?.RunsOut is { } end
                            ? $"lasts to {FarmDay.Day(end)} as the fish grow"
                            : $"{d.Say(f.PerDayKg, Measures.Mass)} a day: lasts to {FarmDay.Day(d.Today.AddDays((int)(f.LeftKg / f.PerDayKg)))}"
                    ),
                Role.Manager,
                "",
                JobState.Open
            ));

    internal static string OrderKey(FeedDay f, FarmDay d) =>
        Key("order", "feed" + f.FeedId.ToString(System.Globalization.CultureInfo.InvariantCulture), d.Today);

    internal static Grounds WhyOrder(FeedDay f) =>
        Grounds.Of(
            FormattableString.Invariant(
                $"What is left lasts until the feed that is wanted has used it up. It is ordered {OrderProposal.UsualLeadDays + OrderProposal.SafeDays:0} days before: {OrderProposal.UsualLeadDays:0} for the load where the kind says nothing else, {OrderProposal.SafeDays:0} to be safe."
            ),
            "Deliveries and feedings recorded; growth forecast by FCR; days are starting values of the trade",
            new Input("left: received less given", f.LeftKg, Measures.Mass, "estimated"),
            new Input("given a day, mean of seven days", f.PerDayKg, Measures.Mass, "feedings written down")
        );

    private static IEnumerable<Job> UseFirst(FarmDay d) =>
        d
            .Feeds.Where(f => f.LeftKg > 0 && f.NextExpiry is { } e && e.DayNumber - d.Today.DayNumber <= UseFirstDays)
            .Select(f => new Job(
                Key(
                    "use-first",
                    "feed" + f.FeedId.ToString(System.Globalization.CultureInfo.InvariantCulture),
                    d.Today
                ),
                null,
                "",
                d.Zone.At(d.Today, new(7, 0)),
                d.Zone.At(d.Today, new(19, 0)),
                $"{f.Name}: use the oldest lot first",
                $"it expires {FarmDay.Day(f.NextExpiry!.Value)}",
                Role.PondHand,
                "",
                JobState.Open
            ));

    private static IEnumerable<Job> FeedChanges(FarmDay d) =>
        d.Stocked.SelectMany(p =>
            p.Changes.Where(c => c.On == d.Today).Select(c => OfToday(d, p, "change", (6, 9), c.What, c.Reason, ""))
        );

    // A machine's dose drifts, and it sees no appetite.
    private static IEnumerable<Job> Feeders(FarmDay d)
    {
        foreach (var p in d.Stocked.Where(p => p.Feeder is not null))
        {
            if (p.Feeder!.WeighAgain <= d.Today)
                yield return OfToday(
                    d,
                    p,
                    "feeder",
                    (7, 17),
                    $"weigh what {p.Feeder.Name} gives",
                    $"last weighed {FarmDay.Day(p.Feeder.WeighedOn)}; a dose drifts with pellet and damp",
                    "feeder"
                );
            if (!(p.WatchedOn > d.Today.AddDays(-FeederKept.WatchDays)))
                yield return WatchMeal(d, p);
        }
    }

    private static Job WatchMeal(FarmDay d, PondDay p) =>
        OfToday(
            d,
            p,
            "watch-meal",
            (MorningMeal, 17),
            $"watch a meal of {p.Feeder!.Name}",
            p.WatchedOn is { } last
                ? $"last watched {FarmDay.Day(last)}; a machine sees no appetite"
                : "nobody has watched one yet; a machine sees no appetite",
            "feeding"
        );
}
