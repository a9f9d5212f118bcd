using Dorsk.Core.Season;

namespace Dorsk.Core.Tests.Season;

/// <summary>A month's column: its days, and what stands at its foot.</summary>
public class MonthColumnTests
{
    [Fact]
    public void A_month_counts_the_days_on_which_something_was_written_only()
    {
        var leap = MonthColumn.Of(new(2028, 2, 17), d => d.Day % 2 == 0 ? null : d.Day);
        Assert.Equal(29, leap.Days.Count);
        Assert.Equal((15, 225.0, 15.0, 1.0, 29.0), (leap.Written, leap.Sum, leap.Mean, leap.Lowest, leap.Highest));
        var empty = MonthColumn.Of(new(2027, 2, 1), _ => null);
        Assert.Equal((28, 0, 0.0), (empty.Days.Count, empty.Written, empty.Sum));
        Assert.Null(empty.Mean ?? empty.Lowest ?? empty.Highest);
    }
}
