namespace Dorsk.Core.Stock;

/// <summary>What is counted on the fish of a sample while they are in the hand; no picture is needed.</summary>
public enum HealthMark
{
    /// <summary>Sores or reddened skin.</summary>
    Sores,

    /// <summary>Torn or eaten fins.</summary>
    Fins,

    /// <summary>Lice, worms or white spots seen by eye.</summary>
    Parasites,

    /// <summary>Pale or slimy gills.</summary>
    Gills,

    /// <summary>Bent backs, short jaws or gill covers.</summary>
    Bent,

    /// <summary>Empty gut after feeding time, or a hollow belly.</summary>
    Empty,
}

/// <summary>A mark with the number of fish that bear it.</summary>
/// <param name="Mark">Which.</param>
/// <param name="Fish">How many fish of the sample.</param>
public readonly record struct MarkCount(HealthMark Mark, int Fish)
{
    /// <summary>The mark in plain words.</summary>
    public static string Word(HealthMark mark) =>
        mark switch
        {
            HealthMark.Sores => "sores",
            HealthMark.Fins => "torn fins",
            HealthMark.Parasites => "parasites seen",
            HealthMark.Gills => "pale or slimy gills",
            HealthMark.Bent => "bent",
            _ => "empty gut",
        };
}
