using Dorsk.Core.Ponds;
using Dorsk.Core.Water;

namespace Dorsk.Practice;

/// <summary>A pond of the demo farm.</summary>
internal sealed record DemoPond(
    string Code,
    string Name,
    PondKind Kind,
    PondShape Shape,
    string Use,
    int Aerators,
    string AeratorKind,
    double KW,
    int OnTimer,
    int Walk
);

/// <summary>A batch of the demo farm: what the books are told and what is true.</summary>
/// <param name="Pond">Pond code.</param>
/// <param name="Name">Name in the story.</param>
/// <param name="Species">Species key.</param>
/// <param name="Day">Day of stocking.</param>
/// <param name="Count">Fish told to the books.</param>
/// <param name="MeanG">Weight told, g.</param>
/// <param name="CountTruth">True fish per told fish.</param>
/// <param name="Growth">Hidden growth coefficient.</param>
/// <param name="TargetG">Wanted weight, g.</param>
/// <param name="Out">Day of the final harvest, or null.</param>
/// <param name="Why">Why it was stocked past a condition that was not met, or empty.</param>
internal sealed record DemoBatch(
    string Pond,
    string Name,
    string Species,
    DateOnly Day,
    int Count,
    double MeanG,
    double CountTruth,
    double Growth,
    double TargetG,
    DateOnly? Out = null,
    string Why = ""
);

/// <summary>Wattlebend Ponds, an invented farm: its ponds, its batches, and what befalls them. All of it is made up.</summary>
internal static class DemoScript
{
    public const string Paddle = "paddlewheel, small floating 0.75-1.5 kW";
    public const string Stones = "diffused air, shallow pond under 1.5 m";
    public static readonly DateOnly FirstDay = new(2025, 7, 1);
    public static readonly DateOnly LastDay = new(2027, 1, 21);
    public static readonly DateOnly[] BloomOfP4 = [new(2027, 1, 15), LastDay];
    public static readonly DateOnly[] UnderfedP3 = [new(2026, 9, 1), new(2026, 10, 31)];
    public static readonly DateOnly FilterTroubleT3 = new(2027, 1, 11);
    public static readonly DateOnly P6Limed = new(2027, 1, 14);

    /// <summary>Day the instruments were listed.</summary>
    public static readonly DateOnly InstrumentsListed = new(2027, 1, 18);

    /// <summary>The farm's instruments, as calibrated last.</summary>
    public static readonly IReadOnlyList<InstrumentKept> Instruments =
    [
        new(
            0,
            "hand meter",
            InstrumentKind.Meter,
            [Parameter.Oxygen, Parameter.Temperature],
            "0.1 mg/L",
            new(2027, 1, 18),
            14,
            "pond hands"
        ),
        new(0, "pH pen", InstrumentKind.Meter, [Parameter.Ph], "0.1", new(2027, 1, 9), 14, "pond hands"),
        new(
            0,
            "ammonia kit",
            InstrumentKind.Kit,
            [Parameter.Tan, Parameter.Nitrite],
            "0.1 mg/L",
            null,
            null,
            "manager"
        ),
        new(
            0,
            "hardness strips",
            InstrumentKind.Strip,
            [Parameter.Alkalinity, Parameter.Hardness],
            "steps of 40 mg/L",
            null,
            null,
            "manager"
        ),
        new(0, "Secchi disc", InstrumentKind.Eye, [Parameter.Secchi], "1 cm", null, null, "pond hands"),
    ];

    /// <summary>Standing jobs, written down with the instruments: where (empty: the farm), what, every so many days, first on, by when, why.</summary>
    public static readonly IReadOnlyList<(
        string Pond,
        string What,
        int Every,
        DateOnly From,
        TimeOnly By,
        string Why
    )> Duties =
    [
        ("T3", "siphon the floor", 2, new(2027, 1, 19), new(8, 30), "droppings and left feed rot into ammonia"),
        ("P4", "rake screens and drain", 7, new(2027, 1, 20), new(9, 0), "a blocked screen bursts"),
        (
            "",
            "start the generator under load",
            30,
            new(2027, 1, 22),
            new(16, 0),
            "crowded water has minutes when the power fails"
        ),
    ];

    /// <summary>Day the season was planned.</summary>
    public static readonly DateOnly SeasonPlanned = new(2027, 1, 20);

    /// <summary>Fish that are to leave: batch, day, how many (none: all).</summary>
    public static readonly IReadOnlyList<(string Batch, DateOnly On, int? Count)> ToLeave =
    [
        ("P1a", new(2027, 1, 26), 3000),
        ("P1a", new(2027, 2, 24), null),
        ("P4a", new(2027, 2, 17), 3400),
        ("P4a", new(2027, 5, 6), null),
        ("P2a", new(2027, 2, 26), 2350),
        ("P3a", new(2027, 4, 28), 3400),
        ("T1a", new(2027, 3, 10), null),
        ("T2a", new(2027, 5, 26), null),
    ];

    /// <summary>Fish that are to come: pond, species, day, how many, their weight (of the farm's own: as they weigh by then), from which pond (none: bought).</summary>
    public static readonly IReadOnlyList<(
        string Pond,
        string Species,
        DateOnly On,
        int Count,
        double MeanG,
        string From
    )> ToCome =
    [
        ("P6", "silver_perch", new(2027, 2, 5), 6900, 18, "N1"),
        ("P1", "silver_perch", new(2027, 3, 22), 6000, 24, "N1"),
        ("T1", "jade_perch", new(2027, 3, 24), 3300, 20, ""),
        ("P4", "silver_perch", new(2027, 6, 10), 9500, 30, "N2"),
    ];

    /// <summary>Day fish were wanted in P6.</summary>
    public static readonly DateOnly P6FishOn = new(2027, 1, 25);

    public static readonly (DateOnly From, DateOnly To, double AddC, double AddCloud)[] Spells =
    [
        (new(2026, 9, 10), new(2026, 10, 8), -4.5, 0.15), // the cold spring that set P3 back
        (new(2026, 12, 12), LastDay.AddDays(1), -2.8, 0), // a mild midsummer
        (new(2027, 1, 18), LastDay.AddDays(1), 1.0, -0.25), // still, warm days before the story opens
    ];

    public static readonly DemoPond[] Ponds =
    [
        Tank("T1", 1),
        Tank("T2", 2),
        Tank("T3", 3),
        Earth("N1", "Nursery 1", (1000, 1.2), "nursery", (2, 0.55, 2), 4),
        Earth("N2", "Nursery 2", (1000, 1.2), "nursery", (2, 0.55, 2), 5),
        Earth("P1", "House pond", (4000, 1.5), "grow-out", (4, 1.1, 2), 6),
        Earth("P2", "", (3600, 1.5), "grow-out", (4, 1.1, 2), 7),
        Earth("P3", "", (5200, 1.5), "grow-out", (4, 1.1, 2), 8),
        Earth("P4", "Creek pond", (4500, 1.5), "grow-out", (4, 1.1, 2), 9),
        Earth("P5", "", (2800, 1.5), "grow-out", (4, 1.1, 2), 10),
        Earth("P6", "", (4800, 1.5), "grow-out", (4, 1.1, 2), 11),
        Earth("B1", "Broodstock", (1200, 1.5), "broodstock", (1, 0.55, 1), 12),
        Earth("S1", "Settling", (2500, 1.5), "settling", (0, 0, 0), 13),
    ];

    public static readonly DemoBatch[] Batches =
    [
        new("B1", "B1a", "silver_perch", FirstDay, 73, 1450, 1, 0.0032, 3000),
        new("P5", "P5a", "silver_perch", FirstDay, 4300, 230, 0.98, 0.075, 500, new(2026, 1, 10)),
        new("P6", "P6a", "silver_perch", new(2025, 11, 20), 6900, 20, 0.99, 0.082, 500, new(2026, 12, 5)),
        new("T3", "T3a", "jade_perch", FirstDay, 3000, 150, 1, 0.080, 500, new(2026, 2, 28)),
        new("T1", "T1a", "jade_perch", new(2026, 1, 30), 3360, 22, 0.99, 0.0709, 500),
        new("T2", "T2a", "jade_perch", new(2026, 3, 10), 3460, 20, 1.01, 0.0696, 500),
        new("P1", "P1a", "silver_perch", new(2026, 2, 25), 6880, 32, 0.99, 0.0708, 500),
        new("P3", "P3a", "silver_perch", new(2026, 3, 3), 11500, 16, 1.01, 0.0542, 500),
        new("P4", "P4a", "silver_perch", new(2026, 3, 12), 10300, 18, 1.00, 0.0681, 500),
        new("P2", "P2a", "silver_perch", new(2026, 3, 20), 8060, 16, 0.99, 0.0656, 500),
        new(
            "P5",
            "P5b",
            "silver_perch",
            new(2026, 10, 6),
            5770,
            18,
            1.0,
            0.0605,
            500,
            Why: "cold spring; the hatchery tanks were full"
        ),
        new("T3", "T3b", "jade_perch", new(2026, 11, 12), 3650, 20, 1.0, 0.0801, 500),
        new("N1", "N1a", "silver_perch", new(2026, 11, 21), 15280, 1.6, 1.0, 0.0652, 20),
        new("N2", "N2a", "silver_perch", new(2027, 1, 12), 29830, 2.4, 0.995, 0.0540, 20),
    ];

    /// <summary>Last samples are 28 days before the day after the story opens for P2, and every four weeks back from there; the others are set off by their place in the walk.</summary>
    public static bool SampleDay(DemoBatch batch, DateOnly day)
    {
        var anchor =
            batch.Pond == "P2" ? LastDay.AddDays(1) : LastDay.AddDays(-3 - Ponds.First(p => p.Code == batch.Pond).Walk);
        return day > batch.Day.AddDays(10)
            && (anchor.DayNumber - day.DayNumber) % 28 == 0
            && day.DayNumber <= anchor.DayNumber;
    }

    private static DemoPond Tank(string code, int walk) =>
        new(code, "Tank " + code[1..], PondKind.Tank, new RoundTank(7.98, 1.2), "grow-out", 1, Stones, 0.75, 1, walk);

    // Wanted water area at the brim, length by width 5 : 4, banks 2 : 1.
    private static DemoPond Earth(
        string code,
        string name,
        (double AreaM2, double DepthM) size,
        string use,
        (int Aerators, double KW, int OnTimer) air,
        int walk
    ) =>
        new(
            code,
            name,
            PondKind.Earthen,
            new SlopedRectangle(Math.Sqrt(size.AreaM2 * 1.25), Math.Sqrt(size.AreaM2 / 1.25), size.DepthM, 2),
            use,
            air.Aerators,
            Paddle,
            air.KW,
            air.OnTimer,
            walk
        );
}
