namespace Dorsk.Core.Feeding;

/// <summary>Feed of a span of days.</summary>
/// <param name="From">First day.</param>
/// <param name="To">Last day.</param>
/// <param name="Kg">Feed eaten on them, kg.</param>
public readonly record struct FeedSpan(DateOnly From, DateOnly To, double Kg);

/// <summary>Running totals of a pond's feed: since its fish came, parted wherever fish were taken out, by week and by person.</summary>
/// <param name="Spans">From the first day on, one for each time between two seinings; the last still runs.</param>
/// <param name="ThisWeekKg">Of the last seven days, kg.</param>
/// <param name="WeekBeforeKg">Of the seven days before those, kg.</param>
/// <param name="ByPerson">Who gave how much in the last seven days, kg, the most first.</param>
public sealed record FeedTotals(
    IReadOnlyList<FeedSpan> Spans,
    double ThisWeekKg,
    double WeekBeforeKg,
    IReadOnlyList<(string By, double Kg)> ByPerson
)
{
    private const int Week = 7;

    /// <summary>Since the fish came, kg.</summary>
    public double Kg => Spans.Sum(s => s.Kg);

    /// <summary>Adds up.</summary>
    /// <param name="fed">Feedings: farm day, kg eaten, who gave it.</param>
    /// <param name="from">The day the fish came.</param>
    /// <param name="seined">Days on which fish were taken out; a new total begins on the day after.</param>
    /// <param name="today">The farm day.</param>
    public static FeedTotals Of(
        IReadOnlyList<(DateOnly Day, double Kg, string By)> fed,
        DateOnly from,
        IEnumerable<DateOnly> seined,
        DateOnly today
    )
    {
        double Between(DateOnly a, DateOnly b) => fed.Where(f => f.Day >= a && f.Day <= b).Sum(f => f.Kg);
        var spans = new List<FeedSpan>();
        var first = from;
        foreach (var day in seined.Where(d => d >= from && d < today).Distinct().Order().Append(today))
        {
            spans.Add(new(first, day, Between(first, day)));
            first = day.AddDays(1);
        }
        return new(
            spans,
            Between(today.AddDays(1 - Week), today),
            Between(today.AddDays(1 - (2 * Week)), today.AddDays(-Week)),
            [
                .. fed.Where(f => f.Day > today.AddDays(-Week) && f.Day <= today)
                    .GroupBy(f => f.By)
                    .Select(g => (g.Key, g.Sum(f => f.Kg)))
                    .OrderByDescending(x => x.Item2),
            ]
        );
    }
}
