using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;

namespace Dorsk.Core.Prepare;

/// <summary>Something a step uses up.</summary>
/// <param name="Product">What, in words.</param>
/// <param name="Amount">How much, kg (kWh of electricity); null where its label says.</param>
/// <param name="Bag">A bag, kg; null where it is not bought in bags.</param>
/// <param name="BagPrice">Price of a bag (of a kWh), or null.</param>
/// <param name="Why">Grounds of the amount.</param>
/// <param name="IsEnergy">Electricity: the amount is kWh.</param>
public sealed record Supply(
    string Product,
    double? Amount,
    double? Bag,
    double? BagPrice,
    Grounds Why,
    bool IsEnergy = false
)
{
    /// <summary>Low and high of the trade's range, kg, where the amount stands for one; null where it is exact.</summary>
    public (double Low, double High)? Range { get; init; }

    /// <summary>Whole bags (whole kWh), or null.</summary>
    public int? Bags => Amount is { } kg && Bag is > 0 and { } bag ? (int)Math.Ceiling(Math.Round(kg / bag, 6)) : null;

    /// <summary>Cost of whole bags, or null when a price or an amount is missing.</summary>
    public double? Cost => Bags * BagPrice;
}

/// <summary>A step of making a pond ready.</summary>
/// <param name="Key">Stable key: lime, fill, dose-2.</param>
/// <param name="Work">The work that answers it when it is written down.</param>
/// <param name="What">What to do.</param>
/// <param name="Reason">Why, and how one knows that it is done.</param>
/// <param name="Caution">The usual caution; may be empty.</param>
/// <param name="Supplies">What it uses up.</param>
/// <param name="After">Steps it waits for: key and days between.</param>
public sealed record PrepStep(
    string Key,
    PondWork Work,
    string What,
    string Reason,
    string Caution,
    IReadOnlyList<Supply> Supplies,
    IReadOnlyList<(string Key, int Days)> After
)
{
    /// <summary>How keys of jobs begin that are steps of a preparation.</summary>
    public const string JobPrefix = "prep-";

    /// <summary>Key of this step's job: step, pond and the line of the plan.</summary>
    public string JobKey(string pondCode, long planLine) =>
        FormattableString.Invariant($"{JobPrefix}{Key}:{pondCode}:{planLine}");

    /// <summary>The step that a job's key names.</summary>
    public static string OfJob(string jobKey) => jobKey[JobPrefix.Length..].Split(':')[0];
}

/// <summary>How a step stands.</summary>
public enum StepState
{
    /// <summary>To come.</summary>
    Open,

    /// <summary>Its day has passed.</summary>
    Late,

    /// <summary>Done.</summary>
    Done,

    /// <summary>Left out, with a reason.</summary>
    Left,
}

/// <summary>A step with its day.</summary>
/// <param name="Step">The step.</param>
/// <param name="Day">Day it is to be done, or was done.</param>
/// <param name="FirstPlanned">Day it had when the plan was made.</param>
/// <param name="State">How it stands.</param>
/// <param name="Note">Why it was left out; may be empty.</param>
public sealed record DatedStep(PrepStep Step, DateOnly Day, DateOnly FirstPlanned, StepState State, string Note)
{
    /// <summary>Days by which it moved since the plan was made.</summary>
    public int MovedDays => Day.DayNumber - FirstPlanned.DayNumber;
}
