using Dorsk.Core.Hatchery;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Ask;

public sealed partial class Questions
{
    /// <summary>The hatchery as it is known now.</summary>
    /// <param name="now">Now.</param>
    /// <param name="onlyStanding">Only lots that still hold animals.</param>
    public HatchStory Hatchery(DateTimeOffset now, bool onlyStanding = false)
    {
        using var c = file.Open();
        return HatchQuestions.Story(
            c,
            AsOf.Now(now),
            SettingsQuestions.For(c, AsOf.Now(DateTimeOffset.MaxValue), null),
            now,
            onlyStanding
        );
    }

    /// <summary>The register of breeders with the line of each and its last inspection.</summary>
    public IReadOnlyList<(long Line, BroodDescribed Fish, (DateTimeOffset At, BroodInspected Look)? Seen)> Breeders()
    {
        using var c = file.Open();
        return HatchQuestions.Register(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>The farm's own target for the fry of a pond; null where it has none.</summary>
    /// <param name="pondId">The pond.</param>
    public FryTarget? FryTargetOf(long pondId)
    {
        using var c = file.Open();
        return HatchQuestions.Targets(c, AsOf.Now(DateTimeOffset.MaxValue)).GetValueOrDefault(pondId);
    }

    /// <summary>Trials for open water, the newest first.</summary>
    public IReadOnlyList<(long Line, DateTimeOffset At, ReleaseTrial Fact)> Releases()
    {
        using var c = file.Open();
        return HatchQuestions.Releases(c, AsOf.Now(DateTimeOffset.MaxValue));
    }

    /// <summary>Forage given, in order of time, and whether the farm never gives it live or raw.</summary>
    public (IReadOnlyList<(DateTimeOffset At, ForageGiven Fact)> Given, bool NeverRaw) Forage()
    {
        using var c = file.Open();
        var asOf = AsOf.Now(DateTimeOffset.MaxValue);
        return (HatchQuestions.Forage(c, asOf), HatchQuestions.NeverRaw(c, asOf));
    }
}
