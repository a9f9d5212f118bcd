using System.Globalization;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Core.Health;

/// <summary>A written case: what was seen and read, and what it was. Shown as worked examples and asked by the tests.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Title">The case in a few words.</param>
/// <param name="Causes">The cause, or the two that stay.</param>
/// <param name="Next">Key of the test that parts the first causes; empty where the case is told.</param>
/// <param name="Source">Where it comes from.</param>
/// <param name="Seen">Keys of signs that were seen.</param>
/// <param name="NotSeen">Keys of signs that were looked for and not there.</param>
/// <param name="State">The pond with its readings.</param>
public sealed record WorkedCase(
    string Key,
    string Title,
    IReadOnlyList<string> Causes,
    string Next,
    string Source,
    IReadOnlyList<string> Seen,
    IReadOnlyList<string> NotSeen,
    PondState State
)
{
    private const double GrownG = 300,
        FryG = 0.5,
        DepthM = 1.5;

    // Any day will do: nothing in a case hangs on the date.
    private static readonly DateTimeOffset Day = new(2027, 1, 21, 0, 0, 0, TimeSpan.Zero);

    /// <summary>All cases.</summary>
    public static IReadOnlyList<WorkedCase> All { get; } = [.. Csv.Embedded("cases.csv").Select(Read)];

    /// <summary>Signs that the water tells.</summary>
    public IReadOnlyList<ReadSign> Water => WaterPanel.Signs(State);

    /// <summary>The search with all that is known.</summary>
    public HealthSearch Search
    {
        get
        {
            var signs = Water.ToDictionary(w => w.Key, w => w.Seen);
            foreach (var key in Seen)
                signs[key] = true;
            foreach (var key in NotSeen)
                signs[key] = false;
            var atFloor = State.Fish[0].Species.AtTheFloor;
            return new(new(State.InTank, !atFloor, atFloor, SortingOut.IsFry(State.Fish[0].MeanG)), signs);
        }
    }

    private static WorkedCase Read(IReadOnlyDictionary<string, string> row)
    {
        var now = Day.AddHours(N(row["hour"]));
        var species = FishSpecies.Of(row["species"]);
        var meanG = row["place"].StartsWith("fry", StringComparison.Ordinal) ? FryG : GrownG;
        var water = row["water"].Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        var dawn = water.FirstOrDefault(w => w.StartsWith("dawn ", StringComparison.Ordinal));
        var state = new PondState
        {
            Now = now,
            Zone = FarmZone.Utc,
            Hand = Hand.Metric,
            InTank = row["place"].EndsWith("tank", StringComparison.Ordinal),
            DepthM = DepthM,
            AltitudeM = 0,
            Sun = (Day.AddHours(5), Day.AddHours(19)),
            Fish = [new(species, WaterLimits.StageOf(species, meanG), meanG, 1000)],
            Readings = ReadingBook.Of(water.Where(w => w != dawn).Select(w => Reading(w, now))),
            Dawns = dawn is null ? [] : [new(DateOnly.FromDateTime(now.Date), N(dawn.Split(' ')[1]))],
        };
        return new(
            row["key"],
            row["title"],
            row["expect"].Split('|'),
            row["next"],
            row["source"],
            Words(row["seen"]),
            Words(row["not_seen"]),
            state
        );
    }

    // Parameter, hours ago, value, and where it was not read in the upper water its depth.
    private static (Parameter, Timed) Reading(string text, DateTimeOffset now)
    {
        var parts = text.Split(' ');
        return (
            Parameter.ByKey(parts[0]),
            new Timed(now.AddHours(-N(parts[1])), N(parts[2]))
            {
                DepthM = parts.Length > 3 ? N(parts[3].TrimStart('@')) : null,
            }
        );
    }

    private static string[] Words(string text) => text.Split(' ', StringSplitOptions.RemoveEmptyEntries);

    private static double N(string text) => double.Parse(text, CultureInfo.InvariantCulture);
}
