using Dorsk.Core.Air;
using Dorsk.Core.Feeding;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Stock;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Feed;
using Dorsk.Farm.Fish;
using Dorsk.Farm.Health;
using Dorsk.Farm.Ponds;
using Dorsk.Farm.Prepare;
using Dorsk.Farm.Season;

namespace Dorsk.Farm.Estimates;

/// <summary>What the log holds of one pond, as of two times, read in one snapshot of the file. Nothing in it changes.</summary>
public sealed record PondRows
{
    /// <summary>Newest line of the log when it was read; 0 where it stands in no file.</summary>
    public long Line { get; init; }

    /// <summary>The farm.</summary>
    public required FarmDescribed Farm { get; init; }

    /// <summary>Its clock.</summary>
    public required FarmZone Zone { get; init; }

    /// <summary>The pond.</summary>
    public required Pond Pond { get; init; }

    /// <summary>Readings that people took.</summary>
    public required ReadingBook ByHand { get; init; }

    /// <summary>Readings by hand and of probes, of the whole depth.</summary>
    public required ReadingBook AllReadings { get; init; }

    /// <summary>Weather of the farm.</summary>
    public required ReadingBook Weather { get; init; }

    /// <summary>Which aerators were fitted from when on, in order of time.</summary>
    internal IReadOnlyList<AeratorsFrom> Fittings { get; init; } = [];

    /// <summary>Pumps, screens, liner and the like.</summary>
    public IReadOnlyList<Equipment> Equipment { get; init; } = [];

    /// <summary>Feedings in order of time, kg, less what was left and taken out.</summary>
    public required IReadOnlyList<Fed> Feedings { get; init; }

    /// <summary>Batches that ever stood here, oldest first.</summary>
    public required IReadOnlyList<BatchStory> Batches { get; init; }

    /// <summary>Fish that are held apart here.</summary>
    public HeldWater Held { get; init; } = HeldWater.None;

    /// <summary>Work and findings, newest first.</summary>
    public IReadOnlyList<(DateTimeOffset At, PondWork Work, string Text, double? Kg)> Works { get; init; } = [];

    /// <summary>Patches on its liner, with their size, m², where it was said.</summary>
    public IReadOnlyList<(DateTimeOffset At, double? M2)> Patches { get; init; } = [];

    /// <summary>The last plan of making this pond ready, or null.</summary>
    public PreparationLine? PreparationLine { get; init; }

    /// <summary>How its aerators were switched, ran and were looked after.</summary>
    public AirRecord Air { get; init; } = AirRecord.None;

    /// <summary>What people decided about its rations and saw at its meals.</summary>
    public PondRations Rations { get; init; } = PondRations.None;

    /// <summary>Its feeder as last weighed, with its line; null when it is fed by hand.</summary>
    public (long Line, FeederKept Kept)? Feeder { get; init; }

    /// <summary>Its plans for fish to leave and to come.</summary>
    public PondPlans Plans { get; init; } = PondPlans.None;

    /// <summary>Treatments, investigations, hold and hunters.</summary>
    public PondHealth Health { get; init; } = PondHealth.None;

    /// <summary>Net days that are open, and what was arranged for harvests.</summary>
    public PondNet Net { get; init; } = PondNet.None;

    /// <summary>Species as the farm and this pond know them.</summary>
    internal Func<string, FishSpecies> KnownSpecies { get; init; } = FishSpecies.Of;
}
