using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Tests;

/// <summary>What Dorsk tells by itself, what it remembers between questions, and what it holds to be unread.</summary>
public sealed class ToldTests : IDisposable
{
    private static readonly DateTimeOffset Day = new(2026, 12, 20, 0, 0, 0, TimeSpan.FromHours(10));
    private readonly TestFarm farm = new();

    public ToldTests()
    {
        farm.Stock(count: 800, meanG: 120);
        Read(Day.AddHours(5.2), 5.1);
        Read(Day.AddHours(18), 9.2);
    }

    private void Read(DateTimeOffset at, double mgL)
    {
        farm.Clock.Now = farm.Clock.Now > at ? farm.Clock.Now : at;
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, mgL), new(Parameter.Temperature, 26)]), at);
    }

    private NightlyForecasts Teller(DateTimeOffset now)
    {
        farm.Clock.Now = now;
        return new(farm.Door, farm.Questions, farm.Clock);
    }

    [Fact]
    public void A_forecast_is_told_once_after_sunset_and_again_after_each_reading_of_the_night()
    {
        Assert.Equal(0, Teller(Day.AddHours(18.2)).IssueDue());
        Assert.Equal(1, Teller(Day.AddHours(19.2)).IssueDue());
        Assert.Equal(0, Teller(Day.AddHours(19.3)).IssueDue());
        Read(Day.AddHours(21.5), 7.4);
        Assert.Equal(1, Teller(Day.AddHours(21.6)).IssueDue());
        Assert.Equal(0, Teller(Day.AddHours(32)).IssueDue()); // the sun is up
        Read(Day.AddHours(29), 4.4);
        var night = Assert.Single(Assert.Single(farm.Questions.Proof(Day.AddHours(33))).Nights);
        Assert.Equal(new DateOnly(2026, 12, 20), night.Night.Evening);
        Assert.Equal(4.4, night.CameMgL);
        Assert.Equal(Day.AddHours(18), night.Issued.StartAt); // the first of the evening is scored, not the last
        Assert.Equal(night.Issued.Low.Value - 4.4, night.ErrorMgL, 9);
    }

    [Fact]
    public void A_morning_that_nobody_read_is_not_scored()
    {
        Teller(Day.AddHours(19.2)).IssueDue();
        Read(Day.AddHours(34), 8);
        Assert.Empty(farm.Questions.Proof(Day.AddHours(36)));
    }

    [Fact]
    public void A_score_adds_the_last_nights_up()
    {
        NightOutcome Night(int i, double told, double came) =>
            new(
                new(new DateOnly(2026, 1, 1).AddDays(i)),
                new(
                    1,
                    new(new DateOnly(2026, 1, 1).AddDays(i)),
                    DeclineMethod.Balance,
                    new(told, told - 0.5, told + 0.5, 0.8),
                    Day,
                    0,
                    Day
                ),
                came
            );
        var nights = new[] { Night(0, 9, 1), Night(1, 5, 4.8), Night(2, 5, 5.6), Night(3, 4, 4.1) };
        var score = ForecastScore.Of(nights, 3)!;
        Assert.Equal(3, score.Nights);
        Assert.Equal((0.2 - 0.6 - 0.1) / 3, score.BiasMgL, 9);
        Assert.Equal(0.9 / 3, score.ErrorMgL, 9);
        Assert.Equal(2, score.Inside);
        Assert.Null(ForecastScore.Of([]));
    }

    [Theory]
    [InlineData(19.0, null)] // dusk was read
    [InlineData(28.0, null)] // before dawn the dusk reading still counts
    [InlineData(29.5, null)] // within the hour after sunrise there is time
    [InlineData(31.0, "The dawn reading is missing")]
    [InlineData(44.5, "The dusk reading is missing")]
    public void A_pond_counts_as_unread_an_hour_after_the_planned_round(double hours, string? says)
    {
        var now = farm.Questions.Now(farm.Story, Day.AddHours(hours));
        Assert.Equal(says is not null, now.Unread);
        if (says is not null)
            Assert.Equal(says, now.Judgement.Reason);
    }

    [Fact]
    public void Answers_follow_every_line_at_once_and_nothing_else()
    {
        var at = Day.AddHours(19);
        var before = farm.Questions.Today(at)!;
        Assert.Same(before, farm.Questions.Today(at.AddSeconds(30)));
        var story = farm.Story;
        farm.Clock.Now = at;
        farm.Must(new JobClosed("dusk:farm:2026-12-20", null, JobOutcome.Done, ""), at);
        Assert.Same(story, farm.Story); // a ticked job moves no pond
        Assert.NotSame(before, farm.Questions.Today(at));
        var dead = farm.Must(new FishLost(farm.PondId, story.Batches[0].Id, 10, Account.Dead, ""), at);
        Assert.Equal(790, farm.Story.Batches[0].Stands);
        var taken = farm.Door.Enter(new Entry(Guid.NewGuid(), "Manager", [new NewLine(at, null, "", dead)], []));
        Assert.True(taken.Accepted);
        Assert.Equal(800, farm.Story.Batches[0].Stands);
        var feed = farm.Must(new FeedNamed(0, "Grower", 4, 35, 215), at);
        var kept = farm.Story;
        farm.Must(new FeedReceived(feed, "L1", 500, null), at);
        Assert.Same(kept, farm.Story);
        Assert.Equal(500, Assert.Single(farm.Questions.FeedStore(at)).LeftKg);
        farm.Must(new FeedingGiven(farm.PondId, feed, 3), at);
        Assert.Equal(497, Assert.Single(farm.Questions.FeedStore(at)).LeftKg);
        Assert.Equal(0, Assert.Single(farm.Questions.FeedStore(at.AddMinutes(-1))).LeftKg); // before the load came
    }

    [Fact]
    public void A_limit_of_the_farm_changes_what_stands_now()
    {
        var at = Day.AddHours(19);
        Assert.NotEqual(Status.ActNow, farm.Questions.Now(farm.Story, Day.AddHours(5.5)).Judgement.Status);
        farm.Clock.Now = at;
        farm.Must(new LimitSet(null, "silver_perch", LifeStage.Growing, "do_watch", 9.8), at);
        farm.Must(new LimitSet(farm.PondId, "silver_perch", LifeStage.Growing, "do_act", 7.9), at);
        var limits = farm.Story.Stock.LimitsOn(new(2026, 12, 20))!;
        Assert.Equal((7.9, 9.8), (limits.DoActMgL, limits.DoWatchMgL));
        Assert.Equal(Status.ActNow, farm.Questions.Now(farm.Story, at).Judgement.Status);
        Assert.NotEmpty(
            farm.Try(new LimitSet(farm.PondId, "silver_perch", LifeStage.Growing, "do_act", 7.99 + 2), at).Remarks
        );
    }

    [Fact]
    public void The_gate_forgets_what_was_before_the_pond_was_emptied()
    {
        var (batch, at) = (farm.Story.Batches[0], Day.AddHours(20));
        farm.Clock.Now = at.AddDays(3);
        farm.Must(new PondWorked(farm.PondId, PondWork.ScreensFitted, "", null), Day);
        farm.Must(
            new FishHarvested(farm.PondId, batch.Id, 800, 100, CountBasis.Counted, Account.Harvested, true, ""),
            at
        );
        var perch = FishSpecies.Of("silver_perch");
        GateLine Line(string name, DateTimeOffset when) =>
            farm.Story.Readiness.GateFor(perch, when).Single(l => l.Name == name);
        Assert.Equal(Condition.Unknown, Line("screens", at.AddHours(1)).State);
        Assert.Equal(Condition.Unknown, Line("dawn oxygen", at.AddHours(1)).State);
        farm.Must(new PondWorked(farm.PondId, PondWork.ScreensFitted, "", null), at.AddHours(2));
        farm.Must(new PondWorked(farm.PondId, PondWork.Limed, "", 200), at.AddHours(3));
        Assert.Equal(Condition.Met, Line("screens", at.AddDays(1)).State);
        Assert.Equal(Condition.NotMet, Line("lime", at.AddDays(2)).State);
        var stocking = new FishStocked(farm.PondId, "silver_perch", "x", 100, 20, CountBasis.Counted, "", null);
        var refused = farm.Try(stocking, at.AddDays(2));
        Assert.Contains("lime spread 2 days ago", Assert.Single(refused.Remarks).Text, StringComparison.Ordinal);
        Assert.True(farm.Try(stocking with { NotReadyReason = "it was limestone" }, at.AddDays(2)).Accepted);
    }

    public void Dispose() => farm.Dispose();
}
