using Dorsk.Core.Stock;

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

    public static string OfKind(string kind) => kind switch
    {
        "FishStocked" => "stocked", "FishLost" => "loss", "FishSampled" => "sample", "FishHarvested" => "harvest", "FishMoved" => "moved", "ReadingTaken" => "reading", "FeedingGiven" => "fed",
        "PondBuilt" => "pond described", "AeratorsFitted" => "aerators", "PondWorked" => "work", "TakenBack" => "taken back", "JobClosed" => "job", "PondPlaced" => "placed on the plan", "LandmarkDrawn" => "drawn on the plan", "PersonNamed" => "person", "SpeciesValueSet" => "species value", "LimitSet" => "limit", "ForecastIssued" => "forecast", "FarmDescribed" => "farm described", "FeedNamed" => "feed named", "FeedReceived" => "feed in", _ => kind,
    };

    /// <summary>The slip that corrects a kind of line, or null.</summary>
    public static string? SlipOf(string kind) => kind switch
    {
        "FishStocked" => "stock", "FishLost" => "deaths", "FishSampled" => "sample", "FishHarvested" => "harvest", "ReadingTaken" => "reading", "FeedingGiven" => "feeding", "AeratorsFitted" => "aerators", "PondWorked" => "work", _ => null,
    };
}
