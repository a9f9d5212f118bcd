using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;

namespace Dorsk.Web.Slips;

/// <summary>What a slip is filled in for.</summary>
/// <param name="Here">The farm and the hour.</param>
/// <param name="Questions">For lists to choose from.</param>
/// <param name="Story">The pond, or null for slips of the farm.</param>
/// <param name="Corrects">The line that is corrected, with its fact; null for a new entry.</param>
public sealed record SlipContext(Here Here, Questions Questions, PondStory? Story, (LogRow Row, Fact Fact)? Corrects)
    : IFieldStart
{
    /// <summary>The fact that is corrected, when it is of this kind.</summary>
    public T? Old<T>()
        where T : Fact => Corrects?.Fact as T;

    /// <summary>The pond's number; slips of ponds only.</summary>
    public long PondId => Story!.Pond.Id;
}

/// <summary>A figure that a slip works out as it is filled in.</summary>
/// <param name="Label">What it is.</param>
/// <param name="Text">Value with unit.</param>
public sealed record Computed(string Label, string Text);

/// <summary>What a filled slip says: facts with their instant, and figures worked out on the way.</summary>
/// <param name="Happened">When.</param>
/// <param name="Facts">One or more facts; null when it could not be read.</param>
/// <param name="AsTyped">The line for the log.</param>
/// <param name="Computed">Figures worked out.</param>
public sealed record Filled(
    DateTimeOffset Happened,
    IReadOnlyList<Fact>? Facts,
    string AsTyped,
    IReadOnlyList<Computed> Computed
)
{
    /// <summary>Section of the pond book that opens after, where it is not the slip's usual one.</summary>
    public string? Section { get; init; }
}

/// <summary>A kind of slip: its lines, and how they become facts. A new slip is a new class and one line in <see cref="AllSlips"/>.</summary>
public interface ISlip
{
    /// <summary>Name in the address.</summary>
    string Key { get; }

    /// <summary>Heading.</summary>
    string Title { get; }

    /// <summary>Word on the button.</summary>
    string Button { get; }

    /// <summary>Whether it belongs to a pond.</summary>
    bool OfPond { get; }

    /// <summary>Kind of fact it corrects.</summary>
    string FactKind { get; }

    /// <summary>Section of the pond book that opens after.</summary>
    string Section { get; }

    /// <summary>Where a slip goes on to that opens no section of a pond book.</summary>
    string After => "/ponds";

    /// <summary>What a person must be allowed to write it.</summary>
    Permission Needs => Permission.Write;

    /// <summary>The usual caution, or empty.</summary>
    string Caution => "";

    /// <summary>Why the slip cannot be filled in now, or null.</summary>
    string? CannotStart(SlipContext context) => null;

    /// <summary>Its lines.</summary>
    IReadOnlyList<SlipField> Fields(SlipContext context);

    /// <summary>Reads what was typed.</summary>
    Filled Read(SlipForm form, SlipContext context);
}

/// <summary>All slips.</summary>
public static class AllSlips
{
    /// <summary>The list.</summary>
    public static readonly IReadOnlyList<ISlip> List =
    [
        new FarmSlip(),
        new PondSlip(),
        new AeratorSlip(),
        new MachinesSlip(),
        new AirControlSlip(),
        new AirServiceSlip(),
        new AirTestSlip(),
        new EquipmentSlip(),
        new ArchiveSlip(),
        new WorkSlip(),
        new PrepareSlip(),
        new ReceiveSlip(),
        new StockSlip(),
        new ReadingSlip(),
        new WeatherSlip(),
        new InstrumentSlip(),
        new OwnSpeciesSlip(),
        new LandmarkSlip(),
        new WalkSlip(),
        new LoneSlip(),
        new BuilderSlip(),
        new SourceSlip(),
        new DeviceSlip(),
        new DutySlip(),
        new VitalSlip(),
        new VitalTestSlip(),
        new FeedKindSlip(),
        new LoadSlip(),
        new StoreOutSlip(),
        new StoreCountSlip(),
        new FeedingSlip(),
        new FeederSlip(),
        new SharedFeedSlip(),
        new LossSlip(),
        new KillSlip(),
        new GuessSlip(),
        new TreatmentSlip(),
        new HoldSlip(),
        new HunterSlip(),
        new BarrierSlip(),
        new ProductSlip(),
        new MoveSlip(),
        new RecountSlip(),
        new QuarantineSlip(),
        new SampleSlip(),
        new HarvestSlip(),
        new NetSlip(),
        new BasketSlip(),
        new NetCloseSlip(),
        new ArrangeSlip(),
        new ReviewSlip(),
        new SaleSlip(),
        new FishOrderSlip(),
        new BuyerSlip(),
        new PriceSlip(),
        new PlanHarvestSlip(),
        new PlanPartsSlip(),
        new PlanStockingSlip(),
        new VesselSlip(),
        new EggsSlip(),
        new TaskSlip(),
        new NetPracticeSlip(),
        new CrewSlip(),
        new NightRosterSlip(),
        new AdviserSlip(),
        new AdviceSlip(),
        new LotLookSlip(),
        new LotCountSlip(),
        new LotMoveSlip(),
        new LotLeftSlip(),
        new FryFeedSlip(),
        new FryFeederSlip(),
        new FryTargetSlip(),
        new ReleaseTrialSlip(),
        new BroodSlip(),
        new BroodLookSlip(),
        new NestLookSlip(),
        new ForageSlip(),
        new ForageRuleSlip(),
        new HatchPlanSlip(),
    ];

    /// <summary>A slip by its name in the address, or null.</summary>
    public static ISlip? Find(string key) => List.FirstOrDefault(s => s.Key == key);

    /// <summary>The slip that corrects a line of the log, or null where a page of its own does, or nothing but taking it back.</summary>
    public static ISlip? Correcting(LogRow row) =>
        List.FirstOrDefault(s => s.FactKind == row.Kind && s.OfPond == (row.PondId is not null))
        ?? List.FirstOrDefault(s => s.FactKind == row.Kind && !s.OfPond);

    /// <summary>Address of the slip that corrects a line, or null.</summary>
    /// <param name="row">The line.</param>
    /// <param name="code">Code of the line's pond; null where it is not known.</param>
    public static string? CorrectingPath(LogRow row, string? code) =>
        Correcting(row) switch
        {
            { OfPond: true } slip when code is not null => $"/ponds/{code}/slip/{slip.Key}?corrects={row.Line}",
            { OfPond: false } slip => $"/slip/{slip.Key}?corrects={row.Line}",
            _ => null,
        };
}
