using Dorsk.Core.Judging;
using Dorsk.Farm.Air;
using Dorsk.Farm.Alarms;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.People;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Prepare;
using Dorsk.Farm.Season;
using Dorsk.Farm.Water;

namespace Dorsk.Farm.Facts;

/// <summary>Every kind of fact of the farm. What walks the facts, walks this list.</summary>
public static class FactKinds
{
    /// <summary>All kinds, by subject.</summary>
    public static IReadOnlyList<FactKind> All { get; } =
    [
        .. FarmFacts.Kinds,
        .. PlanFacts.Kinds,
        .. PeopleFacts.Kinds,
        .. RosterBook.Kinds,
        .. AdviserBook.Kinds,
        .. SettingsFacts.Kinds,
        .. WaterFacts.Kinds,
        .. ProbeFacts.Kinds,
        .. AirFacts.Kinds,
        .. FeedFacts.Kinds,
        .. FishFacts.Kinds,
        Fish.KillBook.Written,
        .. Fish.SaleBook.Kinds,
        .. Fish.NetBook.Kinds,
        .. Fish.LotBook.Kinds,
        .. Fish.BroodBook.Kinds,
        .. ReceivingFacts.Kinds,
        .. PrepareFacts.Kinds,
        .. SeasonFacts.Kinds,
        .. JobFacts.Kinds,
        .. Machines.VitalBook.Kinds,
        .. AlarmFacts.Kinds,
        .. Health.HealthBook.Kinds,
        .. Notes.NoteBook.Kinds,
    ];

    private static readonly Dictionary<string, FactKind> ByName = All.ToDictionary(k => k.Name);

    /// <summary>Tables that stand beside those of the facts: both sides of every move of fish.</summary>
    public const string Postings = "posting";

    /// <summary>The kind of that name in the log; null for a line that takes another back, and for a name that this build does not know.</summary>
    public static FactKind? Find(string name) => ByName.GetValueOrDefault(name);

    /// <summary>The kind of a fact.</summary>
    /// <exception cref="NotSupportedException">No room keeps facts of this type.</exception>
    public static FactKind Of(Fact fact) =>
        Find(fact.GetType().Name) ?? throw new NotSupportedException($"No room keeps {fact.GetType().Name}.");

    /// <summary>What the log calls a line of that kind.</summary>
    public static string Word(string name) => name == LogRow.TakenBack ? "taken back" : Find(name)?.Word ?? name;

    /// <summary>All tables of facts, each once.</summary>
    public static IReadOnlyList<string> Tables { get; } =
    [.. All.SelectMany(k => k.Tables).Append(Postings).Distinct()];
}
