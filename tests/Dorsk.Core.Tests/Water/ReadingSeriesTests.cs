using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Water;

/// <summary>A series answers as a walk over all of its readings would, in whatever order they came.</summary>
public class ReadingSeriesTests
{
    private static readonly DateTimeOffset Start = new(2027, 1, 1, 0, 0, 0, TimeSpan.Zero);

    [Fact]
    public void What_is_looked_for_is_what_a_walk_finds()
    {
        var chance = new Random(20270101);
        for (var run = 0; run < 300; run++)
        {
            var all = Readings(chance, chance.Next(0, 30));
            var inOrder = all.OrderBy(t => t.At).ToList();
            var series = ReadingSeries.Of(all);
            Assert.Equal(inOrder, series);
            for (var i = 0; i < 20; i++)
            {
                var (at, span) = (Start.AddMinutes(chance.Next(-10, 130)), TimeSpan.FromMinutes(chance.Next(0, 40)));
                Assert.Equal(Last(inOrder.Where(t => t.At <= at)), series.LastAt(at));
                Assert.Equal(Last(inOrder.Where(t => t.At <= at && t.At > at - span)), series.LastWithin(at, span));
                Assert.Equal(inOrder.Where(t => t.At >= at && t.At <= at + span), series.Between(at, at + span));
                var near = inOrder.Where(t => (t.At - at).Duration() <= span).ToList();
                Assert.Equal(
                    near.Count == 0 ? null : near.MinBy(t => (t.At - at).Duration()).At,
                    series.Nearest(at, span)?.At
                );
            }
        }
    }

    [Fact]
    public void A_book_with_more_is_the_book_of_all_and_shares_what_did_not_move()
    {
        var chance = new Random(7);
        for (var run = 0; run < 100; run++)
        {
            var oxygen = Readings(chance, 12).Select(t => (Parameter.Oxygen, t)).ToList();
            var warmth = Readings(chance, 5).Select(t => (Parameter.Temperature, t)).ToList();
            var before = ReadingBook.Of(oxygen.Concat(warmth));
            var more = Readings(chance, 4).Select(t => (Parameter.Oxygen, t)).ToList();
            var after = before.With(more);
            var whole = ReadingBook.Of(oxygen.Concat(warmth).Concat(more));
            Assert.Equal(whole[Parameter.Oxygen], after[Parameter.Oxygen]);
            Assert.Same(before[Parameter.Temperature], after[Parameter.Temperature]);
            // Nothing in a book changes.
            Assert.Equal(12, before[Parameter.Oxygen].Count);
            Assert.Same(after[Parameter.Oxygen], after.Where((_, _) => true)[Parameter.Oxygen]);
            Assert.All(after.Where((_, t) => t.Si > 5)[Parameter.Oxygen], t => Assert.True(t.Si > 5));
        }
        Assert.Empty(ReadingBook.Empty[Parameter.Ph]);
    }

    [Fact]
    public void Of_one_instant_what_came_later_is_the_last()
    {
        Timed probe = new(Start, 4) { By = "device 1" },
            hand = new(Start, 5);
        var book = ReadingBook.Of([(Parameter.Oxygen, hand)]).After([(Parameter.Oxygen, probe)]);
        Assert.Equal([probe, hand], book[Parameter.Oxygen]);
        Assert.Equal(6, book.With([(Parameter.Oxygen, new Timed(Start, 6))])[Parameter.Oxygen].LastAt(Start)!.Value.Si);
    }

    private static List<Timed> Readings(Random chance, int count) =>
        [.. Enumerable.Range(0, count).Select(i => new Timed(Start.AddMinutes(chance.Next(0, 120)), i))];

    private static Timed? Last(IEnumerable<Timed> all) => all.Select(t => (Timed?)t).LastOrDefault();
}
