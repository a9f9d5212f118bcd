using Dorsk.Core.Verdict;

namespace Dorsk.Core.Health;

/// <summary>What was done at a pond, and what the sky did, in the days before fish fell ill, as the log has it.</summary>
/// <param name="Netted">When they were last netted, sampled, graded or moved within three days, in words; empty for never.</param>
/// <param name="Stocked">When fish came in within two days; empty for never.</param>
/// <param name="FedUp">By how much feed went up within a week; empty when it did not.</param>
/// <param name="Treated">What this water was treated with in the last week; empty for nothing.</param>
/// <param name="Storm">Storm or heavy rain of the last three days; empty for none.</param>
public sealed record LastWeek(string Netted, string Stocked, string FedUp, string Treated, string Storm)
{
    /// <summary>Feed that went up by so much within a week counts, as a share of what was fed before.</summary>
    public const double FeedUpShare = 1.0 / 3;

    /// <summary>Rain within three days that counts as heavy, m.</summary>
    public const double HeavyRainM = 0.03;

    /// <summary>Its signs: the log knows each, seen or not seen.</summary>
    /// <param name="now">Now.</param>
    public IReadOnlyList<ReadSign> Signs(DateTimeOffset now) =>
        [
            new("netted", Netted.Length > 0, Netted, now),
            new("stocked", Stocked.Length > 0, Stocked, now),
            new("feed_up", FedUp.Length > 0, FedUp, now),
            new("treated", Treated.Length > 0, Treated, now),
            new("storm", Storm.Length > 0, Storm, now),
        ];
}
