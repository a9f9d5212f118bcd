using Dorsk.Core.Air;
using Dorsk.Core.Feeding;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Tests.Facts;

namespace Dorsk.Farm.Tests.Estimates;

/// <summary>A pond of which only new lines are read says the same as one that is read whole, whatever came in whatever order.</summary>
public class RenewalTests
{
    private static readonly DateTimeOffset Now = new(2026, 5, 1, 7, 0, 0, TimeSpan.Zero);

    [Theory, InlineData(1), InlineData(2), InlineData(3)]
    public void Over_any_lines_late_ones_and_voids_among_them_the_answers_are_those_of_a_fresh_reader(int seed)
    {
        using var farm = new TestFarm();
        var chance = new Random(seed);
        farm.Clock.Now = Now;
        var batch = farm.Stock();
        var feed = farm.Must(new FeedNamed(0, "pellet", 3, 35, null), TestFarm.Start);
        farm.Must(new FeedReceived(feed, "", 5000, null), TestFarm.Start.AddHours(1));
        farm.Must(
            new AeratorsFitted(farm.PondId, [new("PW1", AeratorKind.All[0], 1.5, null, null)]),
            TestFarm.Start.AddHours(2)
        );
        var lines = new List<long>();
        Assert.NotNull(farm.Story);
        for (var i = 0; i < 60; i++)
        {
            var at = Now.AddMinutes(-chance.Next(1, 60 * 24 * 40));
            if (chance.Next(8) == 0 && lines.Count > 0)
            {
                var line = lines[chance.Next(lines.Count)];
                lines.Remove(line);
                farm.Try(null, Now, line);
            }
            else if (farm.Try(Any(chance, farm, batch, feed), at) is { Accepted: true } receipt)
                lines.Add(receipt.Lines[0]);
            // Not after every line, so that several are new at once.
            if (chance.Next(3) > 0)
                continue;
            var fresh = new Questions(farm.File);
            Assert.Equal(Answers(fresh), Answers(farm.Questions));
        }
        Assert.True(lines.Count > 25);
    }

    [Fact]
    public void What_did_not_move_is_not_read_again()
    {
        using var farm = new TestFarm();
        farm.Clock.Now = Now;
        farm.Stock();
        farm.Must(Read(farm, 6, 25), Now.AddHours(-3));
        var before = farm.Story;
        farm.Must(Read(farm, 5, null), Now.AddHours(-1));
        var after = farm.Story;
        Assert.Equal([6, 5], after.ReadingsOf[Parameter.Oxygen].Select(t => t.Si));
        Assert.Same(before.ReadingsOf[Parameter.Temperature], after.ReadingsOf[Parameter.Temperature]);
        Assert.Same(before.Batches, after.Batches);
        Assert.Same(before.Feedings, after.Feedings);
        // What concerns every pond makes it be read anew.
        farm.Must(
            new FarmDescribed("Other", "made up", new(-29.4, 152.6), 60, "Etc/GMT-9", before.Farm.Hand, "AUD"),
            Now
        );
        Assert.NotSame(after.Batches, farm.Story.Batches);
        Assert.Equal("Etc/GMT-9", farm.Story.Zone.Id);
    }

    private static Fact Any(Random chance, TestFarm farm, long batch, long feed) =>
        chance.Next(9) switch
        {
            0 or 1 => Read(farm, 3 + chance.Next(8), 15 + chance.Next(12)),
            2 => new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 2, 1.3)]),
            3 => new ReadingTaken(null, [new(Parameter.Wind, chance.Next(8))]),
            4 => new FeedingGiven(farm.PondId, feed, 1 + chance.Next(4), chance.Next(2) == 0 ? chance.Next(4) : null),
            5 => new FishLost(farm.PondId, batch, 1 + chance.Next(5), Account.Dead, "found"),
            6 => new FishSampled(farm.PondId, batch, false, [new(10, 600 + chance.Next(300))]),
            7 => new AeratorSwitched(farm.PondId, "PW1", chance.Next(2) == 0 ? AirOrder.On : AirOrder.Off, null),
            _ => new PondWorked(farm.PondId, PondWork.Note, "fish quiet", null),
        };

    private static ReadingTaken Read(TestFarm farm, double mgL, double? tempC) =>
        new(
            farm.PondId,
            tempC is { } t ? [new(Parameter.Oxygen, mgL), new(Parameter.Temperature, t)] : [new(Parameter.Oxygen, mgL)]
        );

    private static string Answers(Questions questions)
    {
        var story = questions.Story("P1")!;
        var now = story.NowAt(Now);
        return string.Join(
            '\n',
            Dump.Of(story),
            Dump.Of(now.Batches),
            Dump.Of(now.Verdict),
            Dump.Of(now.Tonight),
            Dump.Of(story.Trends.At(Now)),
            Dump.Of(questions.FeedStore(Now)),
            Dump.Of(questions.Weather())
        );
    }
}
