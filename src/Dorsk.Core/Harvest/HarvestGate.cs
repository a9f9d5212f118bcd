using Dorsk.Core.Feeding;
using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Prepare;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;

namespace Dorsk.Core.Harvest;

/// <summary>What the gate before a harvest sees of a batch.</summary>
/// <param name="Species">The species, as the farm knows it.</param>
/// <param name="MeanG">Estimated mean weight, g.</param>
/// <param name="At">When they are to be taken out, by the farm's clock.</param>
/// <param name="Came">Farm day the batch came into the pond.</param>
/// <param name="TastedOn">Farm day of the last passed taste test in this pond, or null.</param>
/// <param name="SampledOn">Farm day they were last weighed, or null.</param>
/// <param name="LastFed">When feed was last given, by the farm's clock, or null.</param>
/// <param name="TempC">Water, °C, or null.</param>
/// <param name="Held">How the batch is held apart; null when it is not.</param>
/// <param name="Findings">The verdict on the pond.</param>
public sealed record HarvestQuestion(
    FishSpecies Species,
    double MeanG,
    DateTime At,
    DateOnly Came,
    DateOnly? TastedOn,
    DateOnly? SampledOn,
    DateTime? LastFed,
    double? TempC,
    Quarantine? Held,
    IReadOnlyList<Finding> Findings
)
{
    /// <summary>The withdrawal that holds them on that day; null where none does.</summary>
    public Withdrawal? Withdrawal { get; init; }

    /// <summary>Farm day of the last failed taste test in this pond, or null.</summary>
    public DateOnly? FailedOn { get; init; }

    /// <summary>Share of the fish over the least market weight, by their own spread and what was taken out; null: by the species' spread.</summary>
    public double? ShareOverMarket { get; init; }

    /// <summary>When it is asked, by the farm's clock; null: at the hour they are taken out.</summary>
    public DateTime? AskedAt { get; init; }

    /// <summary>The hold the pond is on; null for none.</summary>
    public PondHold? Hold { get; init; }
}

/// <summary>Conditions before fish are taken out: an old crop's taste test says nothing of this one, full guts foul flesh and water, crowded fish want oxygen.</summary>
public static class HarvestGate
{
    /// <summary>Where the conditions come from.</summary>
    public const string Source =
        "Fast: Berka 1986, Boyd and Tucker 1998; taste: Tucker 2000; days and hours are starting values";

    /// <summary>A taste test speaks for so many days: off-flavour comes with a bloom within a week or two. Starting value.</summary>
    public const int TasteDays = 14;

    // Off-taste leaves the flesh within days in clean water, slower in the cold. Starting value.
    private const int RetestDays = 5;

    private const int SampleDays = 35,
        CoolUntilHour = 10;
    private const double WarmC = 24,
        EnoughShare = 0.5;

    /// <summary>Day of a taste test that speaks for a batch on a day; null where none does.</summary>
    /// <param name="tastedOn">Day of the last passed test in the pond, or null.</param>
    /// <param name="came">Day the batch came.</param>
    /// <param name="day">The day.</param>
    public static DateOnly? TasteFor(DateOnly? tastedOn, DateOnly came, DateOnly day) =>
        tastedOn is { } on && on >= came && on <= day && day.DayNumber - on.DayNumber <= TasteDays ? on : null;

    /// <summary>The conditions, in the order in which they are worked on.</summary>
    /// <param name="q">The batch.</param>
    /// <param name="to">Where the fish go.</param>
    /// <param name="hand">How figures are printed.</param>
    public static IReadOnlyList<GateLine> For(HarvestQuestion q, Account to, Hand hand)
    {
        var isForTable = to == Account.Harvested || (to == Account.SoldAlive && q.MeanG >= q.Species.MarketLowG);
        GateLine?[] lines =
        [
            Residues(q, hand),
            Shut(q),
            Apart(q, to),
            isForTable ? Size(q, hand) : null,
            isForTable ? Taste(q) : null,
            Fast(q, hand),
            Oxygen(q),
            Cool(q, hand),
        ];
        return [.. lines.OfType<GateLine>()];
    }

    private static GateLine? Residues(HarvestQuestion q, Hand hand) =>
        q.Withdrawal is { } withdrawal
            ? new(
                "withdrawal",
                Condition.NotMet,
                withdrawal.Words(hand),
                $"Nobody can pass it: wait until {Hand.Day(withdrawal.Until)}."
            )
            : null;

    private static GateLine? Shut(HarvestQuestion q) =>
        q.Hold is { } hold
            ? new(
                "hold",
                Condition.NotMet,
                $"on hold since {Hand.Day(hold.From)}: {hold.Why}",
                "No fish out or in until a hold slip ends it."
            )
            : null;

    private static GateLine? Apart(HarvestQuestion q, Account to) =>
        q.Held is not { } held
            ? null
            : new(
                "quarantine",
                Condition.NotMet,
                $"held apart until {Hand.Day(held.Until)}",
                to == Account.Harvested
                    ? "Only for the plate, and not while a medicine's waiting time runs."
                    : "Let them pass first (quarantine slip)."
            );

    private static GateLine Size(HarvestQuestion q, Hand hand)
    {
        string G(double g) => QuantityText.Write(g, Measures.FishWeight, hand);
        var share = q.ShareOverMarket
            ?? BarShare.Number(q.MeanG, Math.Max(1, q.Species.WeightCvPct), q.Species.MarketLowG);
        var reason = $"{G(q.MeanG)} on average, about {hand.Count(100 * share)} % over {G(q.Species.MarketLowG)}";
        var day = DateOnly.FromDateTime(q.At);
        if (q.SampledOn is not { } sampled || day.DayNumber - sampled.DayNumber > SampleDays)
            return new(
                "size",
                Condition.Unknown,
                $"{reason}; {(q.SampledOn is { } old ? $"last weighed {Hand.Day(old)}" : "never weighed")}",
                "Take a sample before the net is wet."
            );
        return share >= EnoughShare
            ? new("size", Condition.Met, reason, "")
            : new(
                "size",
                Condition.NotMet,
                reason,
                "Let them grow, or take out the largest with a mesh for their size."
            );
    }

    private static GateLine Taste(HarvestQuestion q)
    {
        var day = DateOnly.FromDateTime(q.At);
        if (q.FailedOn is { } failed && failed >= q.Came && failed <= day && !(q.TastedOn > failed))
            return new(
                "taste",
                Condition.NotMet,
                $"failed on {Hand.Day(failed)}",
                $"Clean water, no fertiliser; if it tastes of earth the bloom or the mud is the cause. Taste again from {Hand.Day(failed.AddDays(RetestDays))}."
            );
        if (TasteFor(q.TastedOn, q.Came, day) is { } on)
            return new("taste", Condition.Met, $"passed on {Hand.Day(on)}", "");
        var reason =
            q.TastedOn is not { } old ? "no test is written down for this pond"
            : old < q.Came ? $"the test of {Hand.Day(old)} was of an earlier crop"
            : $"the test of {Hand.Day(old)} is over {TasteDays} days old";
        return new(
            "taste",
            Condition.Unknown,
            reason,
            "Taste cooked fish from three places before the net is wet; off-taste wants clean water for days."
        );
    }

    private static GateLine Fast(HarvestQuestion q, Hand hand)
    {
        var (hours, _) = FastBefore.Of(q.Species, q.MeanG, q.TempC ?? WarmC);
        if (q.LastFed is not { } fed)
            return new("fast", Condition.Met, "no feed is written down in the last days", "");
        // A day ahead: meals are still to come, and the fast begins then.
        if (q.AskedAt is { } asked && q.At.AddHours(-hours) is var last && last > asked)
            return new(
                "fast",
                Condition.Unknown,
                $"to come: {hand.Count(hours)} h are wanted",
                $"No feed after {Hand.Day(DateOnly.FromDateTime(last))}, {last:HH:mm}."
            );
        var passed = (q.At - fed).TotalHours;
        var reason = $"fed {hand.Count(passed)} h ago, {hand.Count(hours)} h are wanted";
        return passed >= hours
            ? new("fast", Condition.Met, reason, "")
            : new(
                "fast",
                Condition.NotMet,
                reason,
                $"Wait until {Hand.Day(DateOnly.FromDateTime(fed.AddHours(hours)))}, {fed.AddHours(hours):HH:mm}: full guts foul flesh and water."
            );
    }

    private static GateLine Oxygen(HarvestQuestion q)
    {
        var against = q.Findings.Where(f => f is { Status: Status.ActNow, ShutsGate: true }).ToList();
        return against.Count == 0
            ? new("water", Condition.Met, "nothing in the verdict stands against crowding them", "")
            : new(
                "water",
                Condition.NotMet,
                string.Join("; ", against.Select(f => f.Reason)),
                "Put it right first: crowded in a net they use up what is left within minutes."
            );
    }

    private static GateLine? Cool(HarvestQuestion q, Hand hand) =>
        q.TempC is not { } temp || temp < WarmC
            ? null
            : new(
                "cool hour",
                q.At.Hour < CoolUntilHour ? Condition.Met : Condition.NotMet,
                $"water {QuantityText.Write(temp, Measures.Temperature, hand)} at {q.At:HH:mm}",
                q.At.Hour < CoolUntilHour
                    ? ""
                    : "Begin at first light: warm water holds less oxygen, and the catch spoils."
            );
}
