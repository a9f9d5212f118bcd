namespace Dorsk.Core.Species;

/// <summary>A species as this farm knows it: its starting values with the farm's own figures over them, its limits with those of the farm, then of the pond.</summary>
public static class FarmSpecies
{
    /// <summary>Lays the farm's figures over a species.</summary>
    /// <param name="species">The species with its starting values.</param>
    /// <param name="values">The farm's values in order of time.</param>
    /// <param name="limits">The farm's and the pond's limits in order of time; those of other ponds are left out by the caller.</param>
    /// <param name="tables">The farm's own feeding tables in order of time, or null: none.</param>
    public static FishSpecies Of(
        FishSpecies species,
        IEnumerable<SpeciesValueSet> values,
        IEnumerable<LimitSet> limits,
        IEnumerable<FeedTableSet>? tables = null
    )
    {
        if (tables?.LastOrDefault(t => t.SpeciesKey == species.Key) is { Rows.Count: > 0 } table)
            species = species with { OwnFeeds = table.Rows };
        foreach (var set in values.Where(v => v.SpeciesKey == species.Key).GroupBy(v => v.Field).Select(g => g.Last()))
            if (set.Value is { } value && SpeciesValue.Find(set.Field) is { } field)
                species = field.With(species, value);
        var own = limits
            .Where(l => l.SpeciesKey == species.Key)
            .GroupBy(l => l.Stage)
            .ToDictionary(g => g.Key, g => Laid(WaterLimits.For(species, g.Key), g));
        return own.Count == 0 ? species : species with { OwnLimits = own };
    }

    // First what holds for the farm, then what holds for the pond alone.
    private static WaterLimits Laid(WaterLimits limits, IEnumerable<LimitSet> sets)
    {
        var source = limits.Source;
        foreach (
            var set in sets.GroupBy(s => (s.PondId is not null, s.Limit))
                .Select(g => g.Last())
                .OrderBy(s => s.PondId is not null)
        )
            if (set.Value is { } value && WaterLimit.Find(set.Limit) is { } limit)
                limits = limit.With(limits, value) with
                {
                    Source =
                        $"{source}; {limit.Name} set by {(set.PondId is null ? "the farm" : "the farm for this pond")}",
                };
        return limits;
    }
}
