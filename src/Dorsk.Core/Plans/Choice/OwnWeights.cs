namespace Dorsk.Core.Plans;

/// <summary>How much each point counts to this farmer, 0 to 3; 0: not at all.</summary>
/// <param name="Growth">Soon at market.</param>
/// <param name="Margin">What it leaves in the middle of the band.</param>
/// <param name="Safety">What it leaves in the worst pairing.</param>
/// <param name="Area">Little water for the same fish.</param>
/// <param name="Work">Little handwork.</param>
/// <param name="Sure">Fingerlings, feed, buyers and permit are sure.</param>
public sealed record OwnWeights(int Growth, int Margin, int Safety, int Area, int Work, int Sure)
{
    /// <summary>Points of each candidate by these weights, 0 to 100, in their order; and by each point alone, 0 to 1: the best of those compared has 1, the worst 0. Money counts only where the price of every fish was said.</summary>
    public IReadOnlyList<(double Points, IReadOnlyList<(string Name, double Share, int Weight)> Parts)> Of(
        IReadOnlyList<SpeciesWeighed> all
    )
    {
        (string Name, int Weight, Func<SpeciesWeighed, double> Better)[] points = Criteria(
            all.All(s => s.Candidate.IsPriceSaid)
        );
        var shares = points
            .Select(p =>
            {
                var values = all.Select(p.Better).ToList();
                var (low, high) = (values.Min(), values.Max());
                // All alike: the point decides nothing.
                return values.Select(v => high - low < 1e-9 ? 1 : (v - low) / (high - low)).ToList();
            })
            .ToList();
        var sum = points.Sum(p => p.Weight);
        return
        [
            .. all.Select(
                (_, i) =>
                    (
                        sum == 0 ? 0 : 100 * points.Select((p, k) => p.Weight * shares[k][i]).Sum() / sum,
                        (IReadOnlyList<(string, double, int)>)
                            [.. points.Select((p, k) => (p.Name, shares[k][i], p.Weight))]
                    )
            ),
        ];
    }

    private (string Name, int Weight, Func<SpeciesWeighed, double> Better)[] Criteria(bool isMoneyKnown) =>
        [
            ("soon at market", Growth, s => -(s.MonthsToMarket ?? PlanSeason.Horizon)),
            ("margin", isMoneyKnown ? Margin : 0, s => (s.MarginYear.Worst + s.MarginYear.Best) / 2),
            ("the worst pairing", isMoneyKnown ? Safety : 0, s => s.MarginYear.Worst),
            ("little water", Area, s => s.KgYear),
            ("little handwork", Work, s => -s.HoursYear),
            ("sure supply and market", Sure, s => new[]
                {
                    s.Candidate.Seed,
                    s.Candidate.Feed,
                    s.Candidate.Buyers,
                    s.Candidate.Permit,
                }.Sum(h =>
                    h == Had.Yes ? 1
                    : h == Had.No ? -1
                    : 0
                )),
        ];
}
