using Dorsk.Core.Feeding;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Season;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Practice;

/// <summary>
/// The demo farm's season and a half, told day by day as its people would have typed it, from simulated ponds whose truth is kept
/// beside it. The same seed tells the same story.
/// </summary>
public sealed partial class DemoFarm
{
    /// <summary>The hour the story opens at.</summary>
    public static readonly TimeOnly Opens = new(17, 40);

    private readonly Chance chance;
    private readonly SimulatedWeather weather;
    private readonly Dictionary<string, SimulatedPond> ponds = [];
    private readonly Dictionary<string, HiddenPond> hidden = [];
    private readonly Dictionary<string, int> told = []; // fish on the books by batch, as its people count
    private readonly Dictionary<string, double> storeKg = [];
    private readonly Dictionary<string, double> lows = [];
    private readonly Dictionary<string, double> usedPerDay = []; // of the last week or so, kg by feed
    private readonly Dictionary<string, double> usedToday = [];

    /// <summary>Sets the farm up.</summary>
    /// <param name="seed">Any number; the shipped demo uses 1.</param>
    public DemoFarm(int seed)
    {
        chance = new(seed);
        // The sky has a chance of its own: what happens in the ponds must not change the weather.
        weather = new(Farm.Place, new Chance(seed + 7919));
        weather.Spells.AddRange(DemoScript.Spells);
        foreach (var p in DemoScript.Ponds)
        {
            hidden[p.Code] = HiddenPond.Draw(new Chance((seed * 1000) + p.Walk), p.Kind);
            ponds[p.Code] = new SimulatedPond(new Pond(0, p.Code, p.Name, p.Kind, p.Shape, p.Use), hidden[p.Code], Zone)
            {
                Aerators = Fitted(p),
            };
        }
    }

    /// <summary>How the farm describes itself.</summary>
    public static FarmDescribed Farm { get; } =
        new("Wattlebend Ponds", "Wattle Creek", new(-29.4, 152.6), 60, "Etc/GMT-10", Hand.Metric, "AUD", 0.31);

    /// <summary>The farm's clock face.</summary>
    public static FarmZone Zone { get; } =
        FarmZone.Find(Farm.ZoneId)
        ?? throw new InvalidOperationException("This machine knows no zone Etc/GMT-10: install tzdata.");

    /// <summary>When the story opens: Thursday 21 January 2027, 17:40.</summary>
    public static DateTimeOffset OpensAt => Zone.At(DemoScript.LastDay, Opens);

    /// <summary>The truth about a pond, as far as the story has been told.</summary>
    public SimulatedPond Truth(string code) => ponds[code];

    /// <summary>The farm, its people, ponds, aerators and feeds, as told on the first day.</summary>
    public IEnumerable<Told> Founding()
    {
        var at = Zone.At(DemoScript.FirstDay, new(7, 0));
        yield return new(at, "Manager", Farm.Name, _ => Farm);
        foreach (
            var (name, role) in new[]
            {
                ("Manager", Role.Manager),
                ("Pond hand", Role.PondHand),
                ("Night watch", Role.NightWatch),
                ("Vet", Role.Viewer),
            }
        )
            yield return new(at, "Manager", name, _ => new PersonNamed(name, role), "person " + name);
        foreach (var p in DemoScript.Ponds)
            yield return new(
                at,
                "Manager",
                $"{p.Code} {p.Name}".Trim(),
                _ => new PondBuilt(ponds[p.Code].Pond),
                "pond " + p.Code
            );
        foreach (var (code, east, north, turn) in DemoPlan.Places)
            yield return new(
                at,
                "Manager",
                FormattableString.Invariant($"{code} lies {east} m east, {north} m north"),
                k => new PondPlaced(k.Pond(code), east, north, turn)
            );
        foreach (var (kind, name, points) in DemoPlan.Landmarks)
            yield return new(at, "Manager", $"{kind} {name}".Trim(), _ => new LandmarkDrawn(kind, name, points));
        yield return new(
            at,
            "Manager",
            "crumble 1 mm",
            _ => new FeedNamed(0, "Crumble 1 mm", 1, 42, 310),
            "feed crumble"
        );
        yield return new(
            at,
            "Manager",
            "starter 2 mm",
            _ => new FeedNamed(0, "Starter 2 mm", 2, 40, 265),
            "feed starter"
        );
        yield return new(at, "Manager", "grower 4 mm", _ => new FeedNamed(0, "Grower 4 mm", 4, 35, 215), "feed grower");
    }

    /// <summary>All days up to the hour the story opens, each as one list of what was told.</summary>
    public IEnumerable<(DateOnly Day, IReadOnlyList<Told> Told)> Days()
    {
        for (var day = DemoScript.FirstDay; day <= DemoScript.LastDay; day = day.AddDays(1))
            yield return (day, Day(day));
    }

    private static List<Aerator> Fitted(DemoPond p) =>
        Enumerable
            .Range(1, p.Aerators)
            .Select(i => new Aerator(
                "A" + i,
                AeratorKind.Find(p.AeratorKind)!,
                p.KW,
                i <= p.OnTimer ? (p.Kind == PondKind.Tank ? new TimeOnly(12, 0) : new TimeOnly(20, 0)) : null,
                i <= p.OnTimer ? (p.Kind == PondKind.Tank ? new TimeOnly(11, 59) : new TimeOnly(6, 30)) : null
            ))
            .ToList();

    private List<Told> Day(DateOnly day)
    {
        var notes = new List<Told>();
        weather.NextDay(day);
        if (day == DemoScript.FirstDay)
            foreach (var p in DemoScript.Ponds.Where(p => p.Aerators > 0))
                notes.Add(
                    new(
                        Zone.At(day, new(7, 30)),
                        "Manager",
                        $"{p.Code}: {p.Aerators} aerators",
                        k => new AeratorsFitted(k.Pond(p.Code), Fitted(p))
                    )
                );
        if (day == DemoScript.InstrumentsListed)
            notes.AddRange(
                DemoScript.Instruments.Select(i => new Told(Zone.At(day, new(7, 20)), "Manager", i.Name, _ => i))
            );
        if (day == DemoScript.InstrumentsListed)
            notes.AddRange(DutiesOf(day).Concat(Registered(day)));
        notes.AddRange(ProbesHung(day));
        Script(day, notes);
        for (var hour = 0; hour < 24; hour++)
        {
            var from = Zone.At(day, new(hour, 0));
            // The story opens at 17:40 of the last day; nothing is told of the hours after.
            if (from >= OpensAt)
                break;
            foreach (var pond in DemoScript.Ponds)
            {
                Meals(day, hour, pond, notes);
                Pass(from, pond, notes);
                Look(day, hour, pond, notes);
            }
            if (hour == 6)
                MorningOfFish(day, notes);
            if (hour == 16)
                WeatherNote(day, notes);
        }
        return notes.Where(t => t.At <= OpensAt).OrderBy(t => t.At).ToList();
    }

    private static IEnumerable<Told> DutiesOf(DateOnly day) =>
        DemoScript.Duties.Select(d => new Told(Zone.At(day, new(7, 25)), "Manager", d.What, k => new DutyKept(
            0,
            d.Pond.Length > 0 ? k.Pond(d.Pond) : null,
            d.What,
            d.Why,
            d.Every,
            d.From,
            d.By,
            Role.PondHand,
            null
        )));

    private DemoBatch? BatchIn(string pond, DateOnly day) =>
        DemoScript.Batches.LastOrDefault(b =>
            b.Pond == pond && b.Day <= day && (b.Out is not { } o || o > day) && ponds[pond].Fish is not null
        );

    private double Read(double truth, double sd, int decimals) => Math.Round(truth + (sd * chance.Normal()), decimals);
}
