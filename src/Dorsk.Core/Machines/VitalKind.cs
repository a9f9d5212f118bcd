using System.Globalization;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Machines;

/// <summary>A kind of equipment that fish live by: how it is tested, how often, and what passes. Starting values of the trade.</summary>
/// <param name="Key">Stable key.</param>
/// <param name="Name">Name.</param>
/// <param name="Check">What is tested.</param>
/// <param name="EveryDays">Days from one test to the next; null: at each use.</param>
/// <param name="Low">Least figure that passes, or null.</param>
/// <param name="High">Greatest figure that passes, or null.</param>
/// <param name="Unit">Unit of the figure; words where nothing is measured.</param>
/// <param name="OnFail">What to do when it fails.</param>
/// <param name="Caution">What can hurt; may be empty.</param>
/// <param name="Source">Where it comes from, with its confidence.</param>
public sealed record VitalKind(
    string Key,
    string Name,
    string Check,
    int? EveryDays,
    double? Low,
    double? High,
    string Unit,
    string OnFail,
    string Caution,
    string Source
)
{
    // Meters and kits are kept as instruments, with their calibration.
    private static readonly string[] Instruments = ["oxygen meter", "pH meter", "kit", "thermometer"];

    // The shortest interval that is named counts: in fry season, in warm water, with a drill.
    private static readonly (string Word, int? Days)[] Intervals =
    [
        ("twice daily", 1),
        ("daily", 1),
        ("each day", 1),
        ("weekly", 7),
        ("half-yearly", 182),
        ("monthly", 30),
        ("each use", null),
    ];

    /// <summary>All kinds, in the order of the table.</summary>
    public static IReadOnlyList<VitalKind> All { get; } =
    [
        .. Csv.Embedded("equipment_checks.csv")
            .Where(r => !Instruments.Any(i => r["item"].Contains(i, StringComparison.Ordinal)))
            .Select(Row),
    ];

    /// <summary>A kind by its key, or null.</summary>
    public static VitalKind? Find(string key) => All.FirstOrDefault(k => k.Key == key);

    /// <summary>Whether a figure is read at the test.</summary>
    public bool HasFigure => Low is not null || High is not null;

    /// <summary>What passes, in words; empty where nothing is measured.</summary>
    /// <param name="hand">How figures are printed.</param>
    public string Passes(Hand hand)
    {
        string N(double x) => hand.Short(x, 2);
        var plus = Unit.StartsWith("percent", StringComparison.Ordinal)
            ? Unit.Replace("percent", "%", StringComparison.Ordinal)
            : Unit;
        return (Low, High) switch
        {
            (null, null) => "",
            ({ } low, null) => $"{N(low)} {plus} or more".Replace("  ", " ", StringComparison.Ordinal),
            (null, { } high) => $"up to {N(high)} {plus}",
            ({ } low, { } high) => $"{N(low)} to {N(high)} {plus}",
        };
    }

    /// <summary>Whether a test passed: by its figure and by what was seen.</summary>
    /// <param name="figure">The figure that was read, in the unit of the kind, or null.</param>
    /// <param name="passed">Whether it did what it must otherwise.</param>
    public bool IsPassed(double? figure, bool passed) =>
        passed && (!HasFigure || (figure is { } f && (Low is null || f >= Low) && (High is null || f <= High)));

    private static VitalKind Row(IReadOnlyDictionary<string, string> r) =>
        new(
            r["item"]
                .Replace(",", "", StringComparison.Ordinal)
                .Replace(' ', '-')
                .Replace("(", "", StringComparison.Ordinal)
                .Replace(")", "", StringComparison.Ordinal)
                .ToLowerInvariant(),
            r["item"],
            r["check"],
            Intervals.FirstOrDefault(i => r["interval"].Contains(i.Word, StringComparison.Ordinal), ("", 30)).Days,
            N(r["pass_low"]),
            N(r["pass_high"]),
            r["unit"],
            r["on_fail"],
            r["caution"],
            $"{r["source"]}; confidence {r["confidence"]}, {r["status"]}"
        );

    private static double? N(string text) => text.Length == 0 ? null : double.Parse(text, CultureInfo.InvariantCulture);
}
