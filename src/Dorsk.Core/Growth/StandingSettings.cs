namespace Dorsk.Core.Growth;

/// <summary>Starting values of the standing estimate; settings of the farm.</summary>
public static class StandingSettings
{
    /// <summary>Level of every standing interval.</summary>
    public const double Level = 0.90;

    /// <summary>Half-width in logs of an interval beyond which nothing is known any more: a hundredth to a hundred times. Fish nobody weighed for years reach it.</summary>
    public const double WidestLog = 4.6;

    /// <summary>A likely value with its interval, from the SD of its log; never wider than <see cref="WidestLog"/>.</summary>
    /// <param name="value">Likely value.</param>
    /// <param name="sdLog">SD of its natural logarithm.</param>
    /// <param name="level">Share of cases inside, 0 to 1.</param>
    public static Judging.Interval Around(double value, double sdLog, double level)
    {
        var half = Judging.SampleStatistics.Z(level) * sdLog;
        // Also where it grew past all figures.
        half = half < WidestLog ? half : WidestLog;
        return new(value, value * Math.Exp(-half), value * Math.Exp(half), level);
    }

    /// <summary>Half-width (95 %) of a stocking count by weight, as a share: sample, scale, water on the fish and the seller's hand together.</summary>
    public const double ByWeightShare = 0.08;

    /// <summary>Half-width (95 %) of a stocking count one by one, as a share.</summary>
    public const double CountedShare = 0.02;

    /// <summary>Share of the dead that is found in ponds.</summary>
    public const double FoundInPonds = Species.FishSpecies.UsuallyFoundPct / 100;

    /// <summary>Share of the dead that is found in tanks.</summary>
    public const double FoundInTanks = 0.9;

    /// <summary>Share of the dead of a die-off that is found: most float up within days, and somebody looks.</summary>
    public const double FoundInEvents = 0.75;

    /// <summary>So large a share of the fish dead at once is a die-off, and no ordinary loss.</summary>
    public const double EventShare = 0.02;

    /// <summary>Share of the dead of an ordinary day that is found.</summary>
    /// <param name="inTank">Whether they are in a tank, where most are seen.</param>
    /// <param name="species">The species, whose share in ponds a farm may know better; null where no fish stand.</param>
    public static double UsuallyFound(bool inTank, Species.FishSpecies? species) =>
        inTank ? FoundInTanks : (species?.FoundInPondsPct / 100) ?? FoundInPonds;

    /// <summary>How often the range of a guessed loss is taken to hold: people guess too narrowly.</summary>
    public const double GuessLevel = 0.75;

    /// <summary>SD of the number that feed and gain tell, as a share, where the conversion of these fish is known from before.</summary>
    public const double FeedCountSd = 0.2;

    /// <summary>The same by the conversion of the species table.</summary>
    public const double FeedCountSdByTable = 0.35;

    /// <summary>Process SD of the log weight per day.</summary>
    public const double ProcessSdPerDay = 0.004;

    /// <summary>SD of this pond's growth rate against the species' figure, in logs, before any sample: the range of the species table.</summary>
    public const double RateSd = 0.4;

    /// <summary>Log of the rate that is expected before any sample, against the species' figure at full ration: people are taken to feed as planned, and what they usually give counts as full.</summary>
    public static readonly double RateMean = Math.Log(DailyGain.RationShare(GrowthPlan.PlannedRation));

    /// <summary>SD of the weight at stocking, as a share.</summary>
    public const double StockedWeightSd = 0.05;

    /// <summary>SD of what a batch does better or worse than the species' temperature curve at its warm and at its cold end, in logs: the ends of the table are starting values.</summary>
    public const double FlankSd = 0.4;

    /// <summary>Daily random walk of this pond's growth rate, in logs.</summary>
    public const double RateSdPerDay = 0.014;

    /// <summary>The same in a forecast: mornings and meals to come are less known than those that were.</summary>
    public const double RateSdPerDayAhead = 0.04;

    /// <summary>What a day-to-day change of what holds fish back adds to it, as a share of that change.</summary>
    public const double UnsteadyShare = 0.13;

    /// <summary>SD of what the nets of one pond read heavy or light all the time, as a share: place, mesh and hand stay the same.</summary>
    public const double NetBiasSd = 0.03;

    /// <summary>What an e-fold of weight does to the rate, in logs: animals slow down as they near their last size, each kind in its own way.</summary>
    public const double SizeSlope = -0.03;

    /// <summary>SD of that from batch to batch.</summary>
    public const double SizeSlopeSd = 0.15;

    /// <summary>What a net adds to the error of a sample: the bold and the well fed are caught first.</summary>
    public const double CatchBiasSd = 0.02;

    /// <summary>Share of the full ration at which fish only keep their weight (Brett and Groves 1979; Jobling 1994).</summary>
    public const double MaintenanceShare = 0.2;

    /// <summary>Days of feeding that tell the present ration share.</summary>
    public const int RationDays = 10;

    /// <summary>What of the remembered rations and mornings stays from day to day: the forecast goes on as the last months were.</summary>
    public const double AsFedStays = 0.99;

    /// <summary>Grow-out is planned over this many days when the farm has no plan yet; the species' survival belongs to it.</summary>
    public const int PlannedCycleDays = 450;
}
