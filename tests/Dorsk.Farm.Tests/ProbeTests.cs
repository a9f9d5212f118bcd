using Dorsk.Core.Judging;
using Dorsk.Core.Time;
using Dorsk.Core.Water;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Farm.Water;

namespace Dorsk.Farm.Tests;

/// <summary>What probes send: once each, in any order, right in the roll-ups, and never known before it was.</summary>
public class ProbeTests
{
    private static readonly DateTimeOffset Start = TestFarm.Start;

    private static (TestFarm Farm, long Probe) Hung()
    {
        var farm = new TestFarm();
        return (farm, farm.Must(new DeviceKept(0, "Buoy P1", DeviceUse.Probe, farm.PondId, 0.5, false), Start));
    }

    private static ProbeSeriesReceived Series(TestFarm farm, long probe, IEnumerable<ProbeValue> values) =>
        new(probe, farm.PondId, [.. values]);

    [Fact]
    public void Whatever_the_order_the_doubles_and_the_voids_roll_ups_are_those_of_the_values()
    {
        for (var seed = 1; seed <= 8; seed++)
        {
            var (farm, probe) = Hung();
            using var _ = farm;
            var chance = new Random(seed);
            var values = Enumerable
                .Range(0, 700)
                .Select(i => new ProbeValue(
                    i % 3 == 0 ? Parameter.Temperature : Parameter.Oxygen,
                    Start.AddMinutes(7.5 * i),
                    Math.Round(4 + (6 * chance.NextDouble()), 2)
                ))
                .ToList();
            // Sent in pieces, shuffled, some of them twice.
            var pieces = values.OrderBy(_ => chance.Next()).Chunk(40).ToList();
            var lines = pieces
                .Concat(pieces.Where(_ => chance.Next(4) == 0))
                .Select(p => (Line: farm.Must(Series(farm, probe, p), p.Max(v => v.At)), Piece: p))
                .ToList();
            var voided = lines.Take(pieces.Count).Where(_ => chance.Next(5) == 0).ToList();
            foreach (var (line, piece) in voided)
                Assert.True(farm.Try(null, piece.Max(v => v.At), line).Accepted);
            var kept = values.Where(v => !voided.Any(x => x.Piece.Contains(v))).ToList();
            using var c = farm.File.Open();
            var zone = farm.Story.Zone;
            var wanted = kept.SelectMany(v =>
                    new[] { ProbeFacts.Hour, ProbeFacts.Night }.Select(span =>
                        (
                            v.Parameter.Key,
                            span,
                            Start: span == ProbeFacts.Night
                                ? Night.Of(v.At, zone).Start(zone).ToUnixTimeMilliseconds()
                                : v.At.ToUnixTimeMilliseconds() / span * span,
                            v
                        )
                    )
                )
                .GroupBy(x => (x.Key, x.span, x.Start))
                .ToDictionary(
                    g => g.Key,
                    g =>
                        (
                            g.Count(),
                            Math.Round(g.Sum(x => x.v.Si), 6),
                            g.Min(x => x.v.Si),
                            g.OrderBy(x => (x.v.Si, x.v.At)).First().v.At.ToUnixTimeMilliseconds(),
                            g.Max(x => x.v.Si)
                        )
                );
            var found = Sqlite
                .Rows(c, "SELECT parameter, span, start, n, total, low, low_at, high FROM probe_roll", r =>
                    (
                        Key: (r.GetString(0), r.GetInt64(1), r.GetInt64(2)),
                        Value: (
                            r.GetInt32(3),
                            Math.Round(r.GetDouble(4), 6),
                            r.GetDouble(5),
                            r.GetInt64(6),
                            r.GetDouble(7)
                        )
                    )
                )
                .ToDictionary(x => x.Key, x => x.Value);
            Assert.Equal(wanted.OrderBy(x => x.Key), found.OrderBy(x => x.Key));
        }
    }

    [Fact]
    public void Hand_and_probe_are_one_story_and_the_past_is_told_by_what_was_known_then()
    {
        var (farm, probe) = Hung();
        using var _ = farm;
        farm.Clock.Now = Start.AddDays(30);
        farm.Stock();
        DateTimeOffset Night(int day, double hour) =>
            farm.Story.Zone.At(new DateOnly(2026, 1, 1).AddDays(day), TimeOnly.MinValue).AddHours(hour);
        // Thirty nights by the quarter hour: 9 at dusk, down to 4 at dawn.
        for (var day = 2; day < 29; day++)
            farm.Must(
                Series(
                    farm,
                    probe,
                    Enumerable
                        .Range(0, 96)
                        .SelectMany(i =>
                            new[]
                            {
                                new ProbeValue(
                                    Parameter.Oxygen,
                                    Night(day, i / 4.0),
                                    i < 24 ? 4 + ((24 - i) / 24.0 * 2) : Math.Min(9, 4 + ((i - 24) / 10.0))
                                ),
                                new ProbeValue(Parameter.Temperature, Night(day, i / 4.0), 26),
                            }
                        )
                ),
                Night(day, 23.9)
            );
        var at = Night(28, 19);
        var story = farm.Questions.Story("P1")!;
        Assert.Equal(4, story.DawnLowOn(new DateOnly(2026, 1, 1).AddDays(20))!.Value, 0.1);
        Assert.Equal(4, story.DawnLowOn(new DateOnly(2026, 1, 1).AddDays(5))!.Value, 0.1);
        Assert.NotNull(story.Night.At(at).Forecast);
        // All was entered on day 30: on day 28 nobody knew anything of it.
        Assert.Null(farm.Questions.StoryAsOf("P1", new AsOf(at, at))!.Night.At(at).Forecast);
        var known = farm.Questions.StoryAsOf("P1", new AsOf(at, Start.AddDays(31)))!.Night.At(at).Forecast!;
        Assert.Equal(story.Night.At(at).Forecast!.Low.Value, known.Low.Value, 0.2);
        // What happened later is not used either.
        Assert.True(
            farm.Questions.StoryAsOf("P1", new AsOf(at, Start.AddDays(31)))!
                .ReadingsOf[Parameter.Oxygen]
                .All(t => t.At <= at)
        );
    }

    [Fact]
    public void What_cannot_be_is_refused_whole_and_a_course_is_thinned_by_its_span()
    {
        var (farm, probe) = Hung();
        using var _ = farm;
        farm.Clock.Now = Start.AddDays(300);
        ProbeValue V(double si, double day) => new(Parameter.Oxygen, Start.AddDays(day), si);
        Assert.Contains(
            "outside what oxygen can be",
            farm.Try(Series(farm, probe, [V(7, 1), V(900, 1.01)]), Start.AddDays(2)).Remarks[0].Text,
            StringComparison.Ordinal
        );
        Assert.False(farm.Try(Series(farm, probe, []), Start.AddDays(2)).Accepted);
        for (var d = 0; d < 250; d += 50)
            farm.Must(
                Series(farm, probe, Enumerable.Range(0, 2400).Select(i => V(5 + Math.Sin(i / 7.0), d + (i / 48.0)))),
                Start.AddDays(d + 50)
            );
        Assert.Equal(
            ProbeFacts.Quarter,
            farm.Questions.ProbeCourse(farm.PondId, Parameter.Oxygen, Start, Start.AddDays(3)).SpanMs
        );
        var (span, months) = farm.Questions.ProbeCourse(farm.PondId, Parameter.Oxygen, Start, Start.AddDays(40));
        Assert.Equal((ProbeFacts.Hour, 40 * 24), (span, months.Count));
        Assert.All(months, p => Assert.True(p.Low <= p.Mean && p.Mean <= p.High));
        Assert.InRange(
            farm.Questions.ProbeCourse(farm.PondId, Parameter.Oxygen, Start, Start.AddDays(250)).Points.Count,
            245,
            252
        );
        Assert.Equal(
            ["Name", "Name", "Pond"],
            new[]
            {
                new DeviceKept(0, "buoy p1", DeviceUse.Probe, farm.PondId, null, false),
                new DeviceKept(0, "a/b", DeviceUse.Probe, farm.PondId, null, false),
                new DeviceKept(0, "New", DeviceUse.Probe, null, null, false),
            }.Select(d => farm.Try(d, Start).Remarks[0].Field)
        );
    }

    [Fact]
    public void Faults_of_a_probe_are_named()
    {
        var now = Start.AddDays(10);
        List<Timed> Fine(Func<int, double> at, int skip = 0) =>
            [.. Enumerable.Range(0, 96 - skip).Select(i => new Timed(now.AddMinutes(15 * (i - 95)), at(i)))];
        double Wave(int i) => 6 + (2 * Math.Sin(i / 15.0));
        Assert.Empty(ProbeHealth.Of(Parameter.Oxygen, Fine(Wave), [], now));
        string One(IReadOnlyList<Timed> probe, params Timed[] hand) =>
            Assert.Single(ProbeHealth.Of(Parameter.Oxygen, probe, hand, now)).Reason;
        Assert.Contains("silent", One(Fine(Wave, 20)), StringComparison.Ordinal);
        Assert.Contains("never heard", One([]), StringComparison.Ordinal);
        Assert.Contains("stuck at 6.2", One(Fine(i => i > 70 ? 6.2 : Wave(i))), StringComparison.Ordinal);
        Assert.Contains("jumped", One(Fine(i => i > 90 ? 14 + (0.01 * i) : Wave(i))), StringComparison.Ordinal);
        var off = new[] { 20, 50, 80 }
            .Select(i => new Timed(now.AddMinutes((15 * (i - 95)) + 5), Wave(i) - 1.2))
            .ToArray();
        Assert.Contains("1.2 above the hand meter", One(Fine(Wave), off), StringComparison.Ordinal);
        // One of three to the other side is no drift.
        Assert.Empty(
            ProbeHealth.Of(Parameter.Oxygen, Fine(Wave), [off[0], off[1], off[2] with { Si = Wave(80) + 0.5 }], now)
        );
    }

    [Fact]
    public void Two_probes_of_a_pond_are_two_series_and_neither_is_told_to_jump()
    {
        var (farm, top) = Hung();
        using var _ = farm;
        farm.Stock();
        var floor = farm.Must(new DeviceKept(0, "Floor P1", DeviceUse.Probe, farm.PondId, 1.3, false), Start);
        var from = farm.Clock.Now.AddHours(-10);
        void Send(long device, Func<int, double> mgL) =>
            farm.Must(
                Series(
                    farm,
                    device,
                    Enumerable
                        .Range(0, 41)
                        .Select(i => new ProbeValue(Parameter.Oxygen, from.AddMinutes(15 * i), Math.Round(mgL(i), 2)))
                ),
                farm.Clock.Now
            );
        // Seven above and one at the floor, each with its own small steps.
        Send(top, i => 7 + (0.01 * i));
        Send(floor, i => 1.2 - (0.01 * (i % 7)));
        Assert.Empty(farm.Questions.ProbeHealth(farm.PondId, farm.Clock.Now)!.Value.Wrong);
        var story = farm.Story;
        // What fish swim in is the upper series alone; the floor speaks with its depth.
        Assert.All(story.ReadingsOf[Parameter.Oxygen], t => Assert.True(t.Si > 6));
        var verdict = story.Water.At(farm.Clock.Now, null);
        Assert.Contains(verdict.Findings, f => f.Reason.StartsWith("at the floor", StringComparison.Ordinal));
        // One that is silent is named, and the other is not blamed for it.
        farm.Clock.Now = farm.Clock.Now.AddHours(3);
        Send(top, i => 7 + (0.01 * i));
        farm.Must(
            Series(farm, top, [new ProbeValue(Parameter.Oxygen, farm.Clock.Now.AddMinutes(-5), 7.3)]),
            farm.Clock.Now
        );
        var wrong = Assert.Single(farm.Questions.ProbeHealth(farm.PondId, farm.Clock.Now)!.Value.Wrong);
        Assert.StartsWith("Floor P1: oxygen: silent for 3", wrong.Reason, StringComparison.Ordinal);
        // A pond with one probe hears it wherever it hangs.
        farm.Must(new DeviceKept(top, "Buoy P1", DeviceUse.Probe, farm.PondId, 0.5, true), farm.Clock.Now);
        Assert.Contains(farm.Story.ReadingsOf[Parameter.Oxygen], t => t.Si < 2);
    }
}
