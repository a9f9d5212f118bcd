using Dorsk.Core.Judging;
using Dorsk.Core.Verdict.Rules;
using Dorsk.Core.Water;

namespace Dorsk.Core.Verdict;

/// <summary>
/// The one verdict on a pond. Pages, alarms, feeding restrictions, gates and plans ask it: none of them judges a limit itself, so that what
/// rings on one page is not forgotten on the next.
/// </summary>
/// <param name="Findings">What the rules found, the gravest first, else in the order of the rules.</param>
public sealed record PondVerdict(IReadOnlyList<Finding> Findings)
{
    /// <summary>Name of the rule that says that nobody read the pond.</summary>
    public const string NotRead = "not read";

    /// <summary>Name of the rule of the water's temperature.</summary>
    public const string Temperature = "temperature";

    /// <summary>Name of the rule of its pH.</summary>
    public const string Ph = "pH";

    /// <summary>Name of the rule of un-ionised ammonia.</summary>
    public const string Nh3 = "un-ionised ammonia";

    /// <summary>Name of the rule that says that fish are held apart.</summary>
    public const string Quarantine = "quarantine";

    /// <summary>Name of the rule of the bloom.</summary>
    public const string AlgalBloom = "bloom";

    /// <summary>Name of what is found when a bloom died.</summary>
    public const string DeadBloom = "dead bloom";

    /// <summary>Name of the rule of how much stands.</summary>
    public const string Biomass = "biomass";

    /// <summary>Name of the rule of salt that was given and not read since it mixed.</summary>
    public const string SaltUnread = "salt to mix";

    /// <summary>What is done first where oxygen is under a level.</summary>
    public const string LowOxygenFirst = "Start idle aerators, hold feed, read again in 30 min.";

    /// <summary>Salt that is strewn needs so long to dissolve and mix.</summary>
    public static readonly TimeSpan SaltMixes = TimeSpan.FromHours(2);

    /// <summary>All rules, in the order in which they are asked and, of one gravity, shown.</summary>
    public static IReadOnlyList<Rule> Rules { get; } =
    [
        Unread.Rule,
        GaspingFish.Rule,
        NetCrowd.Rule,
        OxygenNow.Rule,
        CrowdedWater.Rule,
        OxygenFall.Rule,
        OxygenAtFloor.Rule,
        OxygenTonight.Rule,
        FallingDawns.Rule,
        Saturation.Rule,
        WaterTemperature.Rule,
        TemperatureChange.Rule,
        Acidity.Rule,
        Ammonia.Rule,
        Nitrite.Rule,
        SaltContent.Rule,
        SaltToMix.Rule,
        CarbonDioxide.Rule,
        Bloom.Rule,
        ColourAndFilm.Rule,
        WeedCover.Rule,
        SettledFloc.Rule,
        BodySigns.Rule,
        HuntersSeen.Rule,
        Minerals.Rule,
        Deaths.Rule,
        Load.Rule,
        ScreenMesh.Rule,
        HeldApart.Rule,
        OnHold.Rule,
        UnderWithdrawal.Rule,
    ];

    /// <summary>Asks every rule. An empty pond is not judged.</summary>
    public static PondVerdict Of(PondState state) =>
        state.Fish.Count == 0
            ? new([])
            : new([.. Rules.SelectMany(r => r.Judge(state)).OrderByDescending(f => f.Status)]);

    /// <summary>Asks what in this water stands against fish that are to come into it.</summary>
    /// <param name="state">The pond, with the fish that are to come in place of those that stand.</param>
    public static IReadOnlyList<Finding> AgainstArrivals(PondState state) =>
        [.. Of(state).Findings.Where(f => f.ShutsGate)];

    /// <summary>The gravest finding as the pond's status.</summary>
    public Judgement Judgement =>
        Findings.Count == 0 ? new(Status.Unknown, "No fish stand here") : Findings[0].Judgement;

    /// <summary>Findings for which the watch rings, gravest first.</summary>
    public IEnumerable<Finding> Ringing => Findings.Where(f => f.Rings && f.Status >= Status.Watch);

    /// <summary>What helps, each once with the finding it is for: air first, water before powders.</summary>
    public IEnumerable<(Remedy Remedy, Finding For)> Remedies =>
        Findings
            .Where(f => f.Status >= Status.Watch)
            .SelectMany(f => f.Helps.Select(h => (h, f)))
            .GroupBy(x => x.h)
            .OrderBy(g => g.Key)
            .Select(g => g.First());

    /// <summary>Findings that hold the feed.</summary>
    public IEnumerable<Finding> Holding => Findings.Where(f => f.FeedFactor < 1);
}
