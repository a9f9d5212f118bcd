using Dorsk.Core.Judging;
using Dorsk.Core.Units;

namespace Dorsk.Core.Species;

/// <summary>The farm sets a limit of its own for a species at a stage, on the whole farm or in one pond; valid from its instant.</summary>
/// <param name="PondId">The pond, or null for the farm.</param>
/// <param name="SpeciesKey">The species.</param>
/// <param name="Stage">The life stage.</param>
/// <param name="Limit">Key of the limit.</param>
/// <param name="Value">SI; null goes back to what stands above it.</param>
public sealed record LimitSet(long? PondId, string SpeciesKey, LifeStage Stage, string Limit, double? Value) : Fact;

/// <summary>One limit of the water that the farm may set.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">Plain words.</param>
/// <param name="Measure">How it is typed.</param>
/// <param name="Low">Nothing below is taken, SI.</param>
/// <param name="High">Nothing above, SI.</param>
/// <param name="Of">Reads it.</param>
/// <param name="With">Puts another in its place.</param>
public sealed record WaterLimit(
    string Key,
    string Name,
    Measure Measure,
    double Low,
    double High,
    Func<WaterLimits, double> Of,
    Func<WaterLimits, double, WaterLimits> With
)
{
    private static readonly Measure Fine = Measures.Concentration with { Decimals = 3, UsDecimals = 3 };

    /// <summary>All of them, in the order of the page.</summary>
    public static readonly IReadOnlyList<WaterLimit> All =
    [
        new("do_act", "oxygen, act level", Measures.Oxygen, 0.5, 8, l => l.DoActMgL, (l, v) => l with { DoActMgL = v }),
        new(
            "do_watch",
            "oxygen, watch level",
            Measures.Oxygen,
            0.5,
            10,
            l => l.DoWatchMgL,
            (l, v) => l with { DoWatchMgL = v }
        ),
        new("temp_low", "water, from", Measures.Temperature, 0, 35, l => l.TempLowC, (l, v) => l with { TempLowC = v }),
        new(
            "temp_high",
            "water, to",
            Measures.Temperature,
            5,
            42,
            l => l.TempHighC,
            (l, v) => l with { TempHighC = v }
        ),
        new("ph_low", "pH, from", Measures.Ph, 4, 9, l => l.PhLow, (l, v) => l with { PhLow = v }),
        new("ph_high", "pH, to", Measures.Ph, 6, 11, l => l.PhHigh, (l, v) => l with { PhHigh = v }),
        new(
            "nh3_days",
            "un-ionised ammonia, for days",
            Fine,
            0.001,
            2,
            l => l.Nh3ConstantMgL,
            (l, v) => l with { Nh3ConstantMgL = v }
        ),
        new(
            "nh3_peak",
            "un-ionised ammonia, at most",
            Fine,
            0.001,
            5,
            l => l.Nh3PeakMgL,
            (l, v) => l with { Nh3PeakMgL = v }
        ),
        new(
            "nitrite",
            "nitrite as N, in water of low chloride",
            Measures.Concentration,
            0.01,
            20,
            l => l.NitriteMgL,
            (l, v) => l with { NitriteMgL = v }
        ),
        new(
            "alkalinity",
            "alkalinity, at least",
            Measures.CoarseConcentration,
            0,
            300,
            l => l.AlkalinityMinMgL,
            (l, v) => l with { AlkalinityMinMgL = v }
        ),
    ];

    /// <summary>A limit by key, or null.</summary>
    public static WaterLimit? Find(string key) => All.FirstOrDefault(l => l.Key == key);

    /// <summary>Objections to a figure, with the limits as they would stand.</summary>
    public static IEnumerable<Remark> Check(LimitSet set, WaterLimits? limits, Hand hand)
    {
        if (limits is null || Find(set.Limit) is not { } limit)
        {
            yield return Remark.Refuse("", "There is no such species, stage or limit.");
            yield break;
        }
        string Say(double si) => QuantityText.Write(si, limit.Measure, hand);
        if (set.Value is { } v && (!double.IsFinite(v) || v < limit.Low || v > limit.High))
            yield return Remark.Refuse(
                limit.Key,
                $"{(double.IsFinite(v) ? Say(v) : "That")} is outside what can be: {Say(limit.Low)} to {Say(limit.High)}."
            );
        else if (limits.DoActMgL >= limits.DoWatchMgL)
            yield return Remark.Refuse(
                limit.Key,
                "The act level must lie under the watch level. Change the other one first."
            );
        else if (
            limits.TempLowC >= limits.TempHighC
            || limits.PhLow >= limits.PhHigh
            || limits.Nh3ConstantMgL > limits.Nh3PeakMgL
        )
            yield return Remark.Refuse(
                limit.Key,
                "The lower end must lie under the upper end. Change the other one first."
            );
    }
}
