namespace Dorsk.Core.Growth;

/// <summary>What feed and weight of a span between two samples say beside each other.</summary>
/// <param name="From">Day of the sample before, or of stocking.</param>
/// <param name="To">Day of the sample.</param>
/// <param name="StartG">Mean weight at its start as the estimate has it, g.</param>
/// <param name="EndG">Mean weight at its end, g.</param>
/// <param name="DegreeDays">Sum of the daily water temperature over 0 °C.</param>
/// <param name="FedKg">Feed given, kg.</param>
/// <param name="Count">Fish by the books, mean over the span.</param>
/// <param name="LogConversion">Log of feed per gain of the fish on the books; null when nothing was fed or the gain is within its doubt.</param>
/// <param name="ConversionSd">SD of it.</param>
/// <param name="LogAppetite">Log of the feed on days that nothing held, against what fish of this weight in this water are used to eat; null with too few such days.</param>
public sealed record WitnessSpan(
    DateOnly From,
    DateOnly To,
    double StartG,
    double EndG,
    double DegreeDays,
    double FedKg,
    double Count,
    double? LogConversion,
    double ConversionSd,
    double? LogAppetite
)
{
    /// <summary>Length, days.</summary>
    public int Days => To.DayNumber - From.DayNumber;

    /// <summary>Feed per gain of the fish on the books (FCR).</summary>
    public double? Conversion => LogConversion is { } c ? Math.Exp(c) : null;

    /// <summary>Gain of one fish, g a day.</summary>
    public double GainGDay => (EndG - StartG) / Days;

    /// <summary>Specific growth rate, percent a day.</summary>
    public double SgrPctDay => GrowthLaws.SgrPctDay(StartG, EndG, Days);

    /// <summary>Thermal growth coefficient, g^(1/3) per 1000 degree-days.</summary>
    public double Tgc => GrowthLaws.Tgc(StartG, EndG, DegreeDays);
}
