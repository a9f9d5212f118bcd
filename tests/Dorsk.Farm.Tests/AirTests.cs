using Dorsk.Core.Air;
using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Water;
using Dorsk.Farm.Files;
using Dorsk.Farm.Log;

namespace Dorsk.Farm.Tests;

/// <summary>A night of the automatic through the door: what is commanded, what panels say, what rings, and what the forecast makes of it.</summary>
public sealed class AirTests : IDisposable
{
    private readonly TestFarm farm = new();
    private readonly AirKeeping keeping;
    private readonly AlarmWatch watch;
    private readonly Heard heard;
    private readonly DeviceKept panel;
    private readonly long probe;

    public AirTests()
    {
        farm.Clock.Now = Local(10, 12);
        farm.Must(new AeratorsFitted(farm.PondId, [A("A1"), A("A2")]), TestFarm.Start);
        farm.Stock();
        farm.Must(new DeviceKept(0, "Panel P1", DeviceUse.Panel, farm.PondId, null, false), Local(9, 12));
        probe = farm.Must(new DeviceKept(0, "Buoy P1", DeviceUse.Probe, farm.PondId, null, false), Local(9, 12));
        panel = farm.Questions.Devices().Single(d => d.Kept.Use == DeviceUse.Panel).Kept;
        (keeping, heard) = (new(farm.Door, farm.Questions, farm.Clock), new(farm.Clock));
        watch = new(
            farm.File,
            farm.Door,
            farm.Questions,
            new(farm.Door, farm.Questions, farm.Clock),
            heard,
            new(TimeProvider.System),
            farm.Clock,
            TimeSpan.FromMinutes(2)
        );
    }

    private static Aerator A(string code) => new(code, AeratorKind.All[1], 0.55, null, null);

    private static DateTimeOffset Local(int day, double hour) =>
        new DateTimeOffset(2026, 1, day, 0, 0, 0, TimeSpan.FromHours(10)).AddHours(hour);

    private void Read(double mgL) =>
        farm.Must(
            new ProbeSeriesReceived(
                probe,
                farm.PondId,
                [new(Parameter.Oxygen, farm.Clock.Now, mgL), new(Parameter.Temperature, farm.Clock.Now, 26)]
            ),
            farm.Clock.Now
        );

    private string? Says(string code, bool runs, bool mains = true)
    {
        heard.Note(panel.DeviceId);
        return keeping.Keep(panel, new(farm.PondId, code, runs, runs ? 1.2 : 0, mains));
    }

    private List<AlarmCause> Open() =>
        [.. farm.Questions.Alarms(farm.Clock.Now).Where(a => a.Open).Select(a => a.Cause).Order()];

    [Fact]
    public void A_night_is_switched_by_the_probe_staggered_checked_and_rung_for()
    {
        farm.Must(new AirControlSet(farm.PondId, true, 4, 5.5, 30), Local(10, 12));
        farm.Clock.Now = Local(10, 21);
        Read(7);
        Assert.Equal(["A1 off", "A2 off"], keeping.Look().Select(c => $"{c.Code} {(c.On ? "on" : "off")}"));
        Assert.Empty(keeping.Look());
        Assert.All(["A1", "A2"], c => Assert.Null(Says(c, false)));
        // The likely curve passes the level in the night: the forecast says when, and counts on it.
        var tonight = farm.Story.Night.At(farm.Clock.Now);
        Assert.NotNull(tonight.Forecast);
        farm.Clock.Now = Local(11, 1);
        Read(3.9);
        var first = Assert.Single(keeping.Look());
        Assert.Equal(new PanelCommand("Panel P1", "A1", true), first);
        // The second waits for its stagger.
        farm.Clock.Now += TimeSpan.FromSeconds(20);
        Assert.Empty(keeping.Look());
        farm.Clock.Now += TimeSpan.FromSeconds(10);
        Assert.Equal("A2", Assert.Single(keeping.Look()).Code);
        // A1 answers, A2 does not: after the patience it rings, once.
        Assert.Null(Says("A1", true));
        farm.Clock.Now += TimeSpan.FromMinutes(3);
        watch.Look();
        watch.Look();
        Assert.Equal([AlarmCause.LowOxygen, AlarmCause.AeratorFault], Open());
        Assert.Contains(
            "A2 was told to run",
            farm.Questions.Alarms(farm.Clock.Now).First(a => a.Cause == AlarmCause.AeratorFault).Text,
            StringComparison.Ordinal
        );
        Assert.Null(Says("A2", true));
        watch.Look();
        Assert.Equal([AlarmCause.LowOxygen], Open());
        // What has run since is in the record and in the hours.
        farm.Clock.Now = Local(11, 3);
        Read(5.6);
        Assert.Equal(2, keeping.Look().Count(c => !c.On));
        Assert.All(["A1", "A2"], c => Assert.Null(Says(c, false)));
        Assert.InRange(farm.Story.AeratorHours(Local(10, 12), Local(11, 12)).Sum(h => h.Hours), 3.8, 4.1);
        // A report that says the same is no new line.
        var line = farm.Questions.LastLine();
        Assert.Null(Says("A1", false));
        Assert.Equal(line, farm.Questions.LastLine());
        Assert.Contains("No aerator A9", Says("A9", true)!, StringComparison.Ordinal);
    }

    [Fact]
    public void Power_that_goes_rings_for_the_farm_and_ends_when_it_is_back()
    {
        farm.Clock.Now = Local(10, 22);
        Read(7);
        keeping.Look();
        Assert.All(["A1", "A2"], c => Assert.Null(Says(c, false)));
        Assert.Null(keeping.Switch("p1", "Night watch", "A1", AirOrder.On, null));
        Assert.Contains(
            "No aerator",
            keeping.Switch("P1", "Night watch", "A7", AirOrder.On, null)!,
            StringComparison.Ordinal
        );
        Assert.Contains(
            "no pond",
            keeping.Switch("P7", "Night watch", "A1", AirOrder.On, null)!,
            StringComparison.Ordinal
        );
        Assert.Equal(new PanelCommand("Panel P1", "A1", true), Assert.Single(keeping.Look()));
        Assert.Null(Says("A1", true));
        farm.Clock.Now += TimeSpan.FromMinutes(10);
        watch.Look();
        Assert.Empty(Open());
        Assert.All(["A1", "A2"], c => Assert.Null(Says(c, false, mains: false)));
        watch.Look();
        Assert.Equal([AlarmCause.PowerLost], Open());
        Assert.Equal(Status.ActNow, farm.Questions.Alarms(farm.Clock.Now)[0].Level);
        Assert.Null(Says("A1", true));
        Assert.Null(Says("A2", false));
        watch.Look();
        Assert.Empty(Open());
        // A panel that falls silent is told of.
        farm.Clock.Now += TimeSpan.FromMinutes(50);
        Read(7);
        watch.Look();
        Assert.Equal([AlarmCause.AeratorFault], Open());
    }

    [Fact]
    public void The_forecast_counts_on_the_automatic_and_on_what_ran_and_not_on_what_was_not_known_then()
    {
        // Ten nights from 9 at dusk to 3 at dawn, without air.
        for (var day = 11; day < 21; day++)
        {
            farm.Clock.Now = Local(day, day == 20 ? 19 : 23.9);
            farm.Must(
                new ProbeSeriesReceived(
                    probe,
                    farm.PondId,
                    [
                        .. Enumerable
                            .Range(0, 96)
                            .Where(i => Local(day, i / 4.0) <= farm.Clock.Now)
                            .SelectMany(i =>
                                new[]
                                {
                                    new ProbeValue(
                                        Parameter.Oxygen,
                                        Local(day, i / 4.0),
                                        i / 4.0 < 5 ? 3 + ((5 - (i / 4.0)) * 0.6) : Math.Min(9, 3 + ((i / 4.0) - 5))
                                    ),
                                    new ProbeValue(Parameter.Temperature, Local(day, i / 4.0), 26),
                                }
                            ),
                    ]
                ),
                farm.Clock.Now
            );
        }
        var without = farm.Story.Night.At(farm.Clock.Now);
        Assert.Null(without.StartsByItself);
        farm.Must(new AirControlSet(farm.PondId, true, 5, 6.5, 10), Local(20, 18.9));
        var with = farm.Story.Night.At(farm.Clock.Now);
        Assert.InRange(with.StartsByItself!.Value, Local(20, 20), Local(21, 5));
        Assert.True(with.Forecast!.Low.Value > without.Forecast!.Low.Value + 0.1);
        // A hand order to stand is stronger, and the forecast knows it.
        farm.Must(new AeratorSwitched(farm.PondId, "A1", AirOrder.Off, null), Local(20, 18.95));
        farm.Must(new AeratorSwitched(farm.PondId, "A2", AirOrder.Off, null), Local(20, 18.96));
        Assert.Equal(without.Forecast.Low.Value, farm.Story.Night.At(farm.Clock.Now).Forecast!.Low.Value, 6);
        var before = new AsOf(Local(20, 18.92), Local(20, 18.92));
        farm.Clock.Now = Local(20, 20);
        Assert.Null(farm.Questions.StoryAsOf("P1", before)!.Air.Control);
    }

    [Fact]
    public void A_loggers_file_is_taken_in_once_with_its_wrong_lines_named()
    {
        var path = Path.Combine(Directory.CreateTempSubdirectory("dorsk-drop-").FullName, "log.csv");
        farm.Clock.Now = Local(15, 12);
        var lines = Enumerable
            .Range(0, 6000)
            .Select(i =>
                string.Create(
                    System.Globalization.CultureInfo.InvariantCulture,
                    $"{Local(11, i / 60.0):dd/MM/yyyy HH:mm:ss},{5 + (i % 10 * 0.1):0.0},{78.8:0.0},{3.9:0.0}"
                )
            )
            .ToList();
        lines[100] = "11/01/2026 01:40:00,wet,78.8,3.9";
        lines[200] = "11/01/2027 03:20:00,5.5,78.8,3.9";
        File.WriteAllLines(path, ["Time,DO (mg/L),Temp (°F),Battery (V)", .. lines]);
        var files = new LoggerFile(farm.Door, farm.Questions, farm.Clock);
        var device = farm.Questions.Devices().Single(d => d.Kept.Use == DeviceUse.Probe).Kept;
        // The temperature of the wet line is good; of the line of next year nothing is.
        var taken = files.Take(path, device);
        Assert.Equal((11_997, 2), (taken.Values, taken.WrongLines));
        Assert.Equal([102, 202], taken.Wrong.Select(w => w.Line));
        Assert.Contains("Battery (V): left out", taken.Columns, StringComparison.Ordinal);
        // As any probe's series, the whole of it stands once.
        files.Take(path, device);
        Assert.Equal(
            (5998, 5999),
            (farm.Story.ReadingsOf[Parameter.Oxygen].Count, farm.Story.ReadingsOf[Parameter.Temperature].Count)
        );
        Assert.Equal(26, farm.Story.ReadingsOf[Parameter.Temperature][0].Si, 6);
        Assert.Equal(Local(11, 0), farm.Story.ReadingsOf[Parameter.Oxygen][0].At);
        foreach (
            var (text, why) in new[]
            {
                ("Mood,Colour\n1,2\n", "headings"),
                ("", "no lines"),
                ("Time\n2026-01-11 00:00\n", "at least one column"),
            }
        )
        {
            File.WriteAllText(path, text);
            Assert.Contains(
                why,
                Assert.Throws<FarmFilesException>(() => files.Take(path, device)).Message,
                StringComparison.Ordinal
            );
        }
        // Instants with an offset are those instants.
        File.WriteAllText(path, "timestamp;do\n2026-01-15T01:30:00Z;6,5\n2026-01-15T02:40:00+01:00;6,6\n");
        Assert.Equal(2, files.Take(path, device).Values);
        Assert.Contains(farm.Story.ReadingsOf[Parameter.Oxygen], t => t.At == Local(15, 11.5) && t.Si == 6.5);
        Directory.Delete(Path.GetDirectoryName(path)!, true);
    }

    [Fact]
    public void An_aerator_is_due_for_service_by_the_hours_it_ran_and_stands_among_the_jobs_until_it_is_done()
    {
        farm.Must(
            new AeratorsFitted(farm.PondId, [A("A1") with { On = new(20, 0), Off = new(6, 0) }, A("A2")]),
            Local(1, 12)
        );
        farm.Must(new AeratorServiced(farm.PondId, "A1", 60, "oil"), Local(2, 12));
        farm.Clock.Now = Local(7, 15);
        Assert.Equal(
            (Status.Steady, "50 of 60 h"),
            (farm.Story.Service.Of("A1", farm.Clock.Now).Status, farm.Story.Service.Of("A1", farm.Clock.Now).Reason)
        );
        Assert.Equal(Status.Unknown, farm.Story.Service.Of("A2", farm.Clock.Now).Status);
        farm.Clock.Now = Local(8, 15);
        IEnumerable<string> Jobs() =>
            farm
                .Questions.Today(farm.Clock.Now)!
                .Jobs.Where(j => j.Key.StartsWith("service", StringComparison.Ordinal))
                .Select(j => $"{j.What}, {j.Reason}");
        Assert.Equal(["P1: service A1, due, 60 of 60 h"], Jobs());
        farm.Must(new AeratorServiced(farm.PondId, "A1", 500, "belt"), Local(8, 14));
        Assert.Empty(Jobs());
        Assert.Equal(
            ["NextAfter", "Code"],
            new[]
            {
                farm.Try(new AeratorServiced(farm.PondId, "A1", 3, ""), Local(8, 14)),
                farm.Try(new AeratorServiced(farm.PondId, "A8", 300, ""), Local(8, 14)),
            }.Select(r => r.Remarks[0].Field)
        );
    }

    [Fact]
    public void Weather_belongs_to_the_farm_and_thins_the_air()
    {
        farm.Clock.Now = Local(10, 20);
        Read(6);
        var mast = farm.Must(new DeviceKept(0, "Mast", DeviceUse.Weather, null, null, false), Local(9, 12));
        double Saturation() =>
            farm.Story.Night.At(farm.Clock.Now, Core.Oxygen.DeclineMethod.Balance).Forecast!.Curve[^1].MgL;
        var before = Saturation();
        farm.Must(
            new ProbeSeriesReceived(
                mast,
                null,
                [
                    new(Parameter.AirPressure, Local(10, 19.5), 92),
                    new(Parameter.Wind, Local(10, 19.5), 1.5),
                    new(Parameter.Sunlight, Local(10, 19.5), 0),
                ]
            ),
            Local(10, 19.5)
        );
        Assert.Equal(92, farm.Questions.Weather()[Parameter.AirPressure].Single().Si);
        Assert.True(Saturation() < before);
        Assert.Equal(
            ["pressure", "sun", "wind"],
            farm.Story.Weather.Parameters.Select(p => p.Key).Order(StringComparer.Ordinal)
        );
    }

    public void Dispose() => farm.Dispose();
}
