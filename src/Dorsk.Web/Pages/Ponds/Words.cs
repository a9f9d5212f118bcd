using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Units;

namespace Dorsk.Web.Pages;

/// <summary>Words of the farm for what the core names.</summary>
public static class Words
{
    public static string Of(Account account) => account switch
    {
        Account.SoldAlive => "sold alive",
        Account.MovedOff => "moved off the farm",
        Account.Dead => "found dead",
        _ => account.ToString().ToLowerInvariant(),
    };

    /// <summary>A reason with a capital at its head; pH keeps its small letter.</summary>
    public static string Sentence(string reason) => reason.Length == 0 || reason.StartsWith("pH", StringComparison.Ordinal) ? reason : char.ToUpperInvariant(reason[0]) + reason[1..];

    public static string Of(EquipmentKind kind) => kind switch
    {
        EquipmentKind.InletScreen => "inlet screen",
        EquipmentKind.OutletScreen => "outlet screen",
        EquipmentKind.BirdNet => "bird net",
        _ => kind.ToString().ToLowerInvariant(),
    };

    /// <summary>The figures of a piece of equipment.</summary>
    public static string Of(Equipment e, Here here) => string.Join(", ", new[]
    {
        e.Name, e.FlowM3H is { } flow ? here.Say(flow, Measures.Flow) : "", e.PowerKW is { } kw ? here.Say(kw, Measures.Power) : "", e.MeshMm is { } mm ? here.Figure(mm, 1) + " mm" : "",
        e.ThicknessUm is { } um ? here.Figure(um, 0) + " µm" : "", e.Laid is { } day ? "laid " + here.Day(day) : "",
    }.Where(t => t.Length > 0));

    public static string OfKind(string kind) => kind switch
    {
        "FishStocked" => "stocked", "FishLost" => "loss", "FishSampled" => "sample", "FishHarvested" => "harvest", "FishMoved" => "moved", "ReadingTaken" => "reading", "FeedingGiven" => "fed",
        "PondBuilt" => "pond described", "AeratorsFitted" => "aerators", "PondWorked" => "work", "TakenBack" => "taken back", "JobClosed" => "job", "PondPlaced" => "placed on the plan", "LandmarkDrawn" => "drawn on the plan", "PersonNamed" => "person", "SpeciesValueSet" => "species value", "LimitSet" => "limit", "ForecastIssued" => "forecast", "EquipmentFitted" => "equipment", "PondArchived" => "laid up or back", "PreparationPlanned" => "preparation", "InstrumentKept" => "instrument", "DutyKept" => "standing job", "StockingPlanKept" => "stocking plan", "HarvestPlanned" => "planned to leave", "CyclePlanned" => "planned to come", "SeasonKept" => "copy of the season", "FeedTableSet" => "feeding table", "FeederKept" => "feeder", "FishReceived" => "delivery", "FishRecounted" => "count of all", "QuarantineNoted" => "quarantine", "AcclimationBegun" => "acclimation", "AcclimationNoted" => "acclimation", "MarksSet" => "marks on the plan", "DeviceKept" => "device", "AlarmRaised" => "alarm", "AlarmAnswered" => "alarm answered", "AlarmEnded" => "alarm over", "AlarmTold" => "alarm told", "CallListSet" => "call list", "ProbeSeriesReceived" => "probe", "FarmDescribed" => "farm described", "FeedNamed" => "feed named", "FeedReceived" => "load came", "StoreTaken" => "left the store", "StoreCounted" => "stock-take", "RationSchoolSet" => "ration by", "RationOverruled" => "ration wanted", _ => kind,
    };

    /// <summary>The slip that corrects a kind of line, or null.</summary>
    public static string? SlipOf(string kind) => kind switch
    {
        "FishStocked" => "stock", "FishLost" => "deaths", "FishSampled" => "sample", "FishHarvested" => "harvest", "ReadingTaken" => "reading", "FeedingGiven" => "feeding", "AeratorsFitted" => "aerators", "PondWorked" => "work", "EquipmentFitted" => "equipment", "PondArchived" => "archive", "PreparationPlanned" => "prepare", "HarvestPlanned" => "plan-harvest", "FeederKept" => "feeder", "CyclePlanned" => "plan-stocking", "InstrumentKept" => "instrument", "DutyKept" => "duty", "FishReceived" => "receive", "FishMoved" => "move", "FishRecounted" => "recount", "QuarantineNoted" => "quarantine", "FeedNamed" => "feed", "FeedReceived" => "load", "StoreTaken" => "store-out", "StoreCounted" => "store-count", _ => null,
    };
}
