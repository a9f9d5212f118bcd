using Dorsk.Core.Harvest;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>Days of fishing of a pond, the newest first.</summary>
    /// <param name="pond">The pond.</param>
    public IReadOnlyList<NetTally> NetDays(PondStory pond)
    {
        using var c = file.Open();
        var days = NetQuestions.Tallies(c, AsOf.Now(DateTimeOffset.MaxValue), pond.Pond.Id);
        days.Reverse();
        return days;
    }

    /// <summary>A day of fishing; null when there is none of that number.</summary>
    /// <param name="net">Its number.</param>
    public NetTally? NetDay(long net)
    {
        using var c = file.Open();
        return NetQuestions.Tally(c, AsOf.Now(DateTimeOffset.MaxValue), net);
    }

    /// <summary>Orders as last described, with the line of each and what was delivered of it, as sold, kg.</summary>
    public IReadOnlyList<(long Line, FishOrdered Order, double DeliveredKg)> Orders()
    {
        using var c = file.Open();
        return SaleQuestions.Orders(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>What was said of closed cycles, the newest first; the latest of a batch in a pond counts.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, string By, CycleReviewed Fact)> Reviews()
    {
        using var c = file.Open();
        return
        [
            .. NetBook
                .Reviewed.Newest(c, AsOf.Now(DateTimeOffset.MaxValue), r => (r.PondId, r.BatchId))
                .OrderByDescending(r => r.At)
                .Select(r => (r.Line, r.At, r.Author, r.Fact)),
        ];
    }
}
