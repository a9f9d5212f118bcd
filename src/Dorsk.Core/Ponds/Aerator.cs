using System.Globalization;
using Dorsk.Core.Species;

namespace Dorsk.Core.Ponds;

/// <summary>A kind of aerator with its starting values (Boyd 1998, Aquacultural Engineering 18; table of aerators).</summary>
/// <param name="Name">Plain name.</param>
/// <param name="SaeKgKWh">Standard aeration efficiency per shaft power, kg O₂ per kWh.</param>
/// <param name="MotorEfficiency">Shaft power by bought power, 0 to 1.</param>
/// <param name="Alpha">Transfer in pond water by transfer in clean water.</param>
/// <param name="Beta">Saturation in pond water by saturation in clean water.</param>
/// <param name="Caution">The usual caution.</param>
/// <param name="Source">Where it comes from.</param>
public sealed record AeratorKind(
    string Name,
    double SaeKgKWh,
    double MotorEfficiency,
    double Alpha,
    double Beta,
    string Caution,
    string Source
)
{
    /// <summary>Kinds that run on farm power and give oxygen from air, in table order.</summary>
    public static IReadOnlyList<AeratorKind> All { get; } =
        Csv.Embedded("aerators.csv")
            .Where(r => r["sae_unit"] == "kg O2/kWh" && r["power_basis"] != "water power")
            .Select(r => new AeratorKind(
                r["kind"],
                N(r["sae_start"]),
                N(r["motor_efficiency_start"]),
                N(r["alpha_start"]),
                N(r["beta_start"]),
                r["caution"],
                r["source"]
            ))
            .ToList();

    /// <summary>A kind by name, or null.</summary>
    public static AeratorKind? Find(string name) => All.FirstOrDefault(k => k.Name == name);

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}

/// <summary>An aerator fitted to a pond, with its nightly timer when one is set.</summary>
/// <param name="Code">Short code in its pond, such as A1.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="ShaftKW">Shaft (rated) power, kW.</param>
/// <param name="On">Hour of the farm's clock at which the timer starts it; null without a timer.</param>
/// <param name="Off">Hour at which the timer stops it; may be past midnight.</param>
public sealed record Aerator(string Code, AeratorKind Kind, double ShaftKW, TimeOnly? On, TimeOnly? Off)
{
    private const string ByTractor = "paddlewheel, tractor driven";

    /// <summary>What drives it.</summary>
    public PowerSource Source { get; init; } = Kind.Name == ByTractor ? PowerSource.Tractor : PowerSource.Mains;

    /// <summary>Whether it waits in the shed and is brought when all others run.</summary>
    public bool Standby { get; init; }

    /// <summary>Where it pushes the water, degrees from north over east, 0 to 359; null where nobody said.</summary>
    public double? HeadingDeg { get; init; }

    /// <summary>Speed of its motor, turns a minute, or null.</summary>
    public double? MotorRpm { get; init; }

    /// <summary>All its gears and pulleys together, turns of the motor for one of the shaft, or null.</summary>
    public double? GearRatio { get; init; }

    /// <summary>Over how many minutes it is brought to speed; null where it starts at once.</summary>
    public double? RampMin { get; init; }

    /// <summary>Speed of its shaft, turns a minute; null where its gears are not known.</summary>
    public double? ShaftRpm => MotorRpm / GearRatio;

    /// <summary>Whether its timer leaves out no more than a minute or two of the day.</summary>
    public bool RunsAllDay => On is { } on && Off is { } off && (off - on).TotalMinutes is var m && m >= 24 * 60 - 2;

    /// <summary>A large paddle, whose gears want a slow start.</summary>
    public bool StartsSlowly => ShaftKW >= 4 && Kind.Name.StartsWith("paddlewheel", StringComparison.Ordinal);

    /// <summary>Oxygen it gives in standard water, kg/h: SAE × shaft power.</summary>
    public double SotrKgH => Kind.SaeKgKWh * ShaftKW;

    /// <summary>Whether the timer has it running at an hour of the farm's clock.</summary>
    public bool RunsAt(TimeOnly hour) => On is { } on && Off is { } off && hour.IsBetween(on, off);
}
