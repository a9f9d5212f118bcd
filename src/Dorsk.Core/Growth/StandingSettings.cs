namespace Dorsk.Core.Growth;

/// <summary>Starting values of the standing estimate; settings of the farm.</summary>
public static class StandingSettings
{
    /// <summary>Level of every standing interval.</summary>
    public const double Level = 0.90;

    /// <summary>Half-width (95 %) of a stocking count by weight, as a share.</summary>
    public const double ByWeightShare = 0.05;

    /// <summary>Half-width (95 %) of a stocking count one by one, as a share.</summary>
    public const double CountedShare = 0.02;

    /// <summary>Share of the dead that is found in ponds.</summary>
    public const double FoundInPonds = 0.5;

    /// <summary>Share of the dead that is found in tanks.</summary>
    public const double FoundInTanks = 0.9;

    /// <summary>Process SD of the log weight per day.</summary>
    public const double ProcessSdPerDay = 0.004;

    /// <summary>SD of this pond's growth rate against the species' figure, in logs, before any sample: the range of the species table.</summary>
    public const double RateSd = 0.18;

    /// <summary>Daily random walk of this pond's growth rate, in logs.</summary>
    public const double RateSdPerDay = 0.012;

    /// <summary>What a net adds to the error of a sample: the bold and the well fed are caught first.</summary>
    public const double CatchBiasSd = 0.02;

    /// <summary>Share of the full ration at which fish only keep their weight (Brett and Groves 1979; Jobling 1994).</summary>
    public const double MaintenanceShare = 0.2;

    /// <summary>Days of feeding that tell the present ration share.</summary>
    public const int RationDays = 10;

    /// <summary>Grow-out is planned over this many days when the farm has no plan yet; the species' survival belongs to it.</summary>
    public const int PlannedCycleDays = 450;
}
