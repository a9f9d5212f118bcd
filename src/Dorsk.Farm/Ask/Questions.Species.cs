using Dorsk.Core.Species;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Ask;

/// <summary>Species as the farm knows them.</summary>
public sealed partial class Questions
{
    /// <summary>All species as the farm knows them, its own too: those of its batches first.</summary>
    public IReadOnlyList<FishSpecies> AllSpecies()
    {
        using var c = file.Open();
        var now = AsOf.Now(DateTimeOffset.MaxValue);
        return
        [
            .. FishFacts
                .Stocked.Newest(c, now, s => s.SpeciesKey)
                .OrderByDescending(s => s.At)
                .Select(s => s.Fact.SpeciesKey)
                .Concat(SettingsQuestions.Own(c, now).Select(s => s.Key))
                .Concat(FishSpecies.All.Select(s => s.Key))
                .Distinct()
                .Select(SettingsQuestions.For(c, now, null)),
        ];
    }

    /// <summary>Whether any fish were stocked yet.</summary>
    public bool HasStocked()
    {
        using var c = file.Open();
        return FishFacts.Stocked.Newest(c, AsOf.Now(DateTimeOffset.MaxValue), s => s.SpeciesKey).Count > 0;
    }

    /// <summary>The farm's own species with their lines.</summary>
    public IReadOnlyList<(long Line, OwnSpecies Species)> OwnSpecies()
    {
        using var c = file.Open();
        return [.. SettingsFacts.Own.Sound(c, AsOf.Now(DateTimeOffset.MaxValue)).Select(s => (s.Line, s.Fact))];
    }

    /// <summary>A species as the farm, or one pond of it, knows it; null when there is none of that key.</summary>
    public FishSpecies? Species(string key, long? pondId)
    {
        using var c = file.Open();
        var now = AsOf.Now(DateTimeOffset.MaxValue);
        return SettingsQuestions.Knows(c, now, key) ? SettingsQuestions.Species(c, now, key, pondId) : null;
    }

    /// <summary>The farm's own rates of acclimation that were followed last; null when none were.</summary>
    public Core.Acclimate.OwnRates? OwnRates()
    {
        using var c = file.Open();
        return ReceivingFacts
            .Begun.Sound(c, AsOf.Now(DateTimeOffset.MaxValue), "t.own_note IS NOT NULL")
            .LastOrDefault()
            .Fact?.Own;
    }
}
