using Dorsk.Core.Feeding;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Feeding;

/// <summary>When fish are fed and when not: days of the week in cold water, hours of the day, what the last meal says of the next, the fast, and what suits their size.</summary>
public class FeedDaysTests
{
    private static readonly DateOnly Today = new(2027, 7, 15);

    private static RationQuestion Q(string species, double g, double tempC, params int[] fedDaysAgo)
    {
        var fish = FishSpecies.Of(species);
        return new(
            fish,
            g,
            1000,
            1,
            1.7,
            tempC,
            "measured",
            7,
            7,
            WaterLimits.For(fish, WaterLimits.StageOf(fish, g)),
            0.5,
            8,
            false,
            1,
            Hand.Metric
        )
        {
            Day = Today,
            FedDays = [.. fedDaysAgo.Select(d => Today.AddDays(-d))],
        };
    }

    [Theory]
    [InlineData(7, false, 1, 2, 3, 4, 5, 6)]
    [InlineData(0, true)]
    [InlineData(1, false)]
    [InlineData(1, true, 6)]
    [InlineData(1, false, 7)]
    [InlineData(2, true, 2)]
    [InlineData(2, false, 3)]
    [InlineData(3, true, 1)]
    [InlineData(3, false, 2)]
    [InlineData(3, true, 2, 4, 6)]
    [InlineData(5, false, 1, 2, 3, 4)]
    [InlineData(5, true, 1, 2, 3, 4, 5)]
    public void A_day_is_one_of_feed_by_the_days_before_it(int perWeek, bool rests, params int[] fedDaysAgo) =>
        Assert.Equal(rests, FeedDays.IsRest(perWeek, Today, fedDaysAgo.Select(d => Today.AddDays(-d))));

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    [InlineData(5)]
    public void Over_many_weeks_as_many_days_are_fed_as_the_table_says(int perWeek)
    {
        var fed = new List<DateOnly>();
        for (var i = 0; i < 70; i++)
            if (!FeedDays.IsRest(perWeek, Today.AddDays(i), fed))
                fed.Add(Today.AddDays(i));
        Assert.InRange(fed.Count, (10 * perWeek) - 1, (10 * perWeek) + 1);
        Assert.All(Enumerable.Range(0, 63), i =>
            Assert.InRange(fed.Count(d => d >= Today.AddDays(i) && d < Today.AddDays(i + 7)), 0, perWeek)
        );
    }

    [Fact]
    public void In_cold_water_the_days_of_the_table_are_kept()
    {
        // Catfish at 11 °C: once a week. Fed two days ago: none today, and it says so.
        var held = Ration.For(Q("channel_catfish", 400, 11, 2));
        Assert.Equal(0, held.PlannedKg);
        Assert.Contains(
            "fed 1 day a week, last on Tue 13 Jul",
            held.Hits.Single(h => h.Name == "day without feed").Reason,
            StringComparison.Ordinal
        );
        Assert.True(Ration.For(Q("channel_catfish", 400, 11, 7)).PlannedKg > 0);
        Assert.True(Ration.For(Q("channel_catfish", 400, 25, 1, 2, 3, 4, 5, 6)).PlannedKg > 0);
        // Trout at 21 °C are not fed on any day.
        Assert.Equal(0, Ration.For(Q("rainbow_trout", 200, 21)).PlannedKg);
    }

    [Theory]
    [InlineData(3, null, 0, 3)]
    [InlineData(4, 45.0, 0, 2)]
    [InlineData(4, 12.0, 0.1, 2)]
    [InlineData(4, 12.0, 0.4, 1)]
    [InlineData(null, null, 0.4, 1)]
    [InlineData(null, null, 0, null)]
    [InlineData(0, 45.0, 0.1, 0)]
    public void A_meal_that_was_slow_or_left_changes_the_next(int? score, double? minutes, double left, int? shown)
    {
        Assert.Equal(shown, FeedResponse.Shown(score, minutes, left));
        if (shown is not { } seen)
            return;
        double Meal(int daysAgo, Meal meal) =>
            Ration
                .For(Q("silver_perch", 300, 26) with { LastScore = (Today.AddDays(-daysAgo), seen) })
                .Meals.First(m => m.Meal == meal)
                .Kg;
        var whole = Ration.For(Q("silver_perch", 300, 26)).FullKg / 2;
        double[] today = [0, 0.5, 0.85, 1, 1],
            after = [0.5, 0.5, 0.85, 1, 1];
        Assert.Equal(today[seen] * whole, Meal(0, Dorsk.Core.Feeding.Meal.Afternoon), 9);
        Assert.Equal(whole, Meal(0, Dorsk.Core.Feeding.Meal.Morning), 9);
        Assert.Equal(after[seen] * whole, Meal(1, Dorsk.Core.Feeding.Meal.Morning), 9);
        Assert.Equal(whole, Meal(2, Dorsk.Core.Feeding.Meal.Morning), 9);
    }

    [Theory]
    [InlineData("silver_perch", 300, 26, 2, "07:00 16:00")]
    [InlineData("channel_catfish", 0.05, 28, 4, "00:00 06:00 12:00 18:00")]
    [InlineData("channel_catfish", 400, 33, 1, "07:00")]
    [InlineData("nile_tilapia", 200, 18, 1, "12:30")]
    [InlineData("giant_prawn", 20, 28, 1, "18:05")]
    [InlineData("barramundi", 300, 28, 2, "07:00 18:05")]
    public void Meals_keep_the_hours_that_suit_the_fish(string species, double g, double tempC, int meals, string hours)
    {
        var plan = Ration.For(Q(species, g, tempC) with { Sun = (new(5, 10), new(18, 50)) });
        Assert.Equal(
            hours.Split(' '),
            MealTimes
                .Of(plan, meals)
                .Select(m => m.At.ToString("HH:mm", System.Globalization.CultureInfo.InvariantCulture))
        );
    }

    [Fact]
    public void In_a_short_day_the_last_meal_is_well_before_dusk_and_fry_are_not_kept_hungry_for_a_sample()
    {
        var winter = Ration.For(Q("silver_perch", 300, 26) with { Sun = (new(7, 40), new(16, 10)) });
        Assert.Equal([new(8, 40), new(14, 10)], MealTimes.Of(winter, 2).Select(m => m.At));
        Assert.Contains(Ration.For(Q("silver_perch", 300, 26) with { SampledOn = Today }).Hits, h =>
            h.Name == "sample first"
        );
        Assert.DoesNotContain(Ration.For(Q("nile_tilapia", 0.5, 28) with { SampledOn = Today }).Hits, h =>
            h.Name == "sample first"
        );
    }

    [Fact]
    public void The_last_meal_before_fishing_has_its_hour()
    {
        var plan = Ration.For(Q("silver_perch", 300, 26) with { FishedOn = Today.AddDays(3) });
        // Market fish in warm water: 36 hours before six in the morning.
        Assert.Equal(new DateTime(2027, 7, 16, 18, 0, 0), plan.LastMealBy);
        Assert.Null(Ration.For(Q("silver_perch", 300, 26) with { FishedOn = Today.AddDays(30) }).LastMealBy);
        Assert.Null(Ration.For(Q("silver_perch", 300, 26)).LastMealBy);
    }

    [Fact]
    public void A_feeder_that_runs_from_meal_to_meal_is_told()
    {
        var plan = Ration.For(Q("silver_perch", 300, 26));
        FeederKept belt = new(1, "belt", FeederDose.Minute, 20, Today, 4, false);
        Assert.Null(belt.CannotKeepUp(plan));
        Assert.Contains(
            "longer than fish eat",
            (belt with { GramsEach = 2, Meals = 2 }).CannotKeepUp(plan),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "past the next one",
            (belt with { GramsEach = 0.5, Meals = 24 }).CannotKeepUp(plan),
            StringComparison.Ordinal
        );
        Assert.Null((belt with { Dose = FeederDose.Turn, GramsEach = 0.5 }).CannotKeepUp(plan));
        Assert.Empty((belt with { Meals = 288 }).Check(Today));
    }

    [Theory]
    [InlineData("silver_perch", 300, 4, 35, null)]
    [InlineData("silver_perch", 0.05, 8, 42, "too large")]
    [InlineData("silver_perch", 300, 0, 35, "too fine")]
    [InlineData("silver_perch", 2, 1, 34, "34 % protein")]
    [InlineData("silver_perch", 2, 1, 40, null)]
    [InlineData("redclaw", 20, 8, 10, null)]
    public void Feed_that_does_not_suit_their_size_is_told(
        string species,
        double g,
        double mm,
        double protein,
        string? says
    )
    {
        var said = FeedFits.Against(FishSpecies.Of(species), g, "Feed", mm, protein, Hand.Metric);
        if (says is null)
            Assert.Null(said);
        else
            Assert.Contains(says, said, StringComparison.Ordinal);
    }

    [Fact]
    public void Totals_begin_anew_when_fish_are_taken_out()
    {
        var from = Today.AddDays(-30);
        List<(DateOnly, double, string)> fed =
        [
            .. Enumerable.Range(0, 31).Select(i => (from.AddDays(i), 2.0, i % 2 == 0 ? "Ann" : "Ben")),
        ];
        var totals = FeedTotals.Of(
            fed,
            from,
            [from.AddDays(-5), from.AddDays(10), from.AddDays(20), from.AddDays(20)],
            Today
        );
        Assert.Equal([22.0, 20, 20], totals.Spans.Select(s => s.Kg));
        Assert.Equal((62.0, 14.0, 14.0), (totals.Kg, totals.ThisWeekKg, totals.WeekBeforeKg));
        Assert.Equal([("Ann", 8.0), ("Ben", 6.0)], totals.ByPerson);
        Assert.Equal(Today, totals.Spans[^1].To);
    }
}
