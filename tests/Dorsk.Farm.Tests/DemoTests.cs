using Dorsk.Core.Judging;
using Dorsk.Core.Oxygen;
using Dorsk.Core.Ponds;
using Dorsk.Core.Water;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Estimates;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Practice;
using Dorsk.Web.Demo;

namespace Dorsk.Farm.Tests;

/// <summary>The demo farm, written once through the door for all tests here, with its truth kept beside it.</summary>
public sealed class DemoFixture : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("dorsk-demo-").FullName;

    public DemoFixture()
    {
        var file = new FarmFile(Path.Combine(folder, "farm.db"));
        DemoHistory.Write(file, Farm);
        Questions = new Questions(file);
        Ponds = Questions.PondsNow(DemoFarm.OpensAt).ToDictionary(p => p.Story.Pond.Code);
    }

    public DemoFarm Farm { get; } = new(1);

    public Questions Questions { get; }

    public IReadOnlyDictionary<string, PondNow> Ponds { get; }

    public void Dispose()
    {
        FarmFile.CloseIdle();
        Directory.Delete(folder, true);
    }
}

public class DemoTests(DemoFixture demo) : IClassFixture<DemoFixture>
{
    private static readonly DateOnly Today = new(2027, 1, 21);
    private static readonly DateTimeOffset Now = DemoFarm.OpensAt;

    [Fact]
    public void All_plots_of_the_demo_are_true()
    {
        // What stands, as the scenario tells it: within a twelfth of the scenario in truth.
        (string Code, int Count, double MeanG)[] scenario =
        [
            ("T1", 3100, 412),
            ("T2", 3300, 268),
            ("T3", 3600, 84),
            ("N1", 15000, 14),
            ("N2", 29600, 3.3),
            ("P1", 6200, 486),
            ("P2", 7300, 268),
            ("P3", 10600, 196),
            ("P4", 9400, 312),
            ("P5", 5600, 92),
            ("B1", 60, 1600),
        ];
        foreach (var (code, count, meanG) in scenario)
        {
            var fish = demo.Farm.Truth(code).Fish!;
            Assert.InRange(fish.Count / count, 1 - (1 / 12.0), 1 + (1 / 12.0));
            Assert.InRange(fish.MeanG / meanG, 1 - (1 / 12.0), 1 + (1 / 12.0));
        }
        var p4 = demo.Ponds["P4"];
        Assert.True(p4.Story.LastOf(Parameter.Secchi)!.Value.Si <= 0.23, "P4 has a heavy bloom");
        var lows = Enumerable.Range(0, 5).Select(i => p4.Story.DawnLowOn(Today.AddDays(-i))!.Value).ToList();
        for (var i = 0; i < 4; i++)
            Assert.True(lows[i] < lows[i + 1], $"P4's dawn lows fall four days running: {string.Join(' ', lows)}");
        Assert.Equal(Status.ActNow, p4.Judgement.Status);
        Assert.NotNull(p4.Tonight.Forecast!.UnderActAt);
        Assert.Equal(2, p4.Story.AeratorsAt(Now).Count(a => a.On is null && !a.Standby));
        Assert.Contains(p4.Story.AeratorsAt(Now), a => a.Standby && a.Source == PowerSource.Tractor);
        Assert.Equal(new DateTimeOffset(2027, 1, 22, 6, 30, 0, TimeSpan.FromHours(10)), demo.Ponds["P2"].NextAt);
        Assert.Equal("Sample due", demo.Ponds["P2"].NextThing);
        var p1 = demo.Ponds["P1"];
        Assert.Contains(p1.Story.Works, w => w.Work == PondWork.TastePassed);
        Assert.True(p1.Batches[0].Target.Likely <= Today.AddDays(14), "P1 is near its wanted weight");
        Assert.Equal(9, Today.DayNumber - p1.Story.Zone.DayOf(demo.Ponds["N2"].Batches[0].Batch.ArrivedAt).DayNumber);
        var p6 = demo.Ponds["P6"].Story;
        Assert.Equal(0.62, p6.LevelAt(Now).LevelM);
        Assert.Contains(p6.Works, w => w.Work == PondWork.Limed && p6.Zone.DayOf(w.At) == new DateOnly(2027, 1, 14));
        Assert.True(OfPlan("P3") < 0.75, $"P3 is behind plan: {OfPlan("P3"):0.00}");
        foreach (var code in new[] { "P1", "P2", "P4", "P5", "T1", "T2", "T3", "N1" })
            Assert.True(OfPlan(code) > 0.8, $"{code} is near its plan: {OfPlan(code):0.00}");
        var spring = Mean(demo.Ponds["P3"].Story, new(2026, 9, 12), new(2026, 10, 6));
        Assert.True(
            spring < Mean(demo.Ponds["P3"].Story, new(2026, 8, 20), new(2026, 9, 8)) + 1,
            "the cold spell stands in P3's record"
        );
        Assert.True(FedShare("P3") < 0.75 * FedShare("P4"), "and so does the skimped feed");
        var tan = demo.Ponds["T3"].Story.ReadingsOf[Parameter.Tan].TakeLast(8).Select(t => t.Si).ToList();
        Assert.True(tan[^1] > 1.5 * tan[0] && tan[^1] > tan[^4], "T3's ammonia rises");
        foreach (var code in new[] { "P1", "P2", "P3", "P4", "P5", "P6" })
            Assert.Equal(
                2,
                demo.Ponds[code]
                    .Story.AeratorsAt(Now)
                    .Count(a => a.On == new TimeOnly(20, 0) && a.Off == new TimeOnly(6, 30))
            );
        var store = demo.Questions.FeedStore(Now).ToDictionary(f => f.Name);
        Assert.InRange(store["Grower 4 mm"].LeftKg / store["Grower 4 mm"].PerDayKg, 4.5, 7.5);
        Assert.Equal(new DateOnly(2027, 2, 2), store["Starter 2 mm"].NextExpiry);
    }

    [Fact]
    public void Standing_intervals_hold_the_truth_about_as_often_as_they_say()
    {
        var held = demo
            // The fry pond is told and not simulated: nobody knows its truth.
            .Ponds.Values.Where(p => p.Batches.Count > 0 && p.Story.Pond.Code != "F1")
            .SelectMany(p =>
            {
                var truth = demo.Farm.Truth(p.Story.Pond.Code).Fish!;
                var s = p.Batches[^1].Stands;
                return new[] { s.Count.Holds(truth.Count), s.MeanG.Holds(truth.MeanG), s.BiomassKg.Holds(truth.Kg) };
            })
            .ToList();
        // 33 intervals of 90 %: fewer than 26 inside would be a lie (about 2 in 1,000 by chance if they were independent).
        Assert.True(held.Count(h => h) >= 26, $"{held.Count(h => h)} of {held.Count} intervals hold the truth");
    }

    [Fact]
    public void Past_nights_are_forecast_as_well_as_the_intervals_say()
    {
        var zone = DemoFarm.Zone;
        int inside = 0,
            all = 0;
        double off = 0,
            naive = 0;
        foreach (var code in new[] { "P1", "P2", "P3", "P5", "T1", "T2" })
            for (var back = 2; back <= 41; back += 3)
            {
                var evening = zone.At(Today.AddDays(-back), new(18, 0));
                var story = demo.Questions.StoryAsOf(code, new AsOf(evening, DateTimeOffset.MaxValue))!;
                var came = demo.Ponds[code].Story.DawnLowOn(Today.AddDays(1 - back));
                if (
                    story.Night.At(evening).Forecast is not { } f
                    || came is not { } low
                    || story.DawnLowOn(Today.AddDays(-back)) is not { } before
                )
                    continue;
                all++;
                inside += f.Low.Holds(low) ? 1 : 0;
                off += Math.Abs(f.Low.Value - low);
                naive += Math.Abs(before - low);
            }
        Assert.True(all >= 60, $"{all} nights scored");
        Assert.InRange((double)inside / all, 0.65, 0.99);
        Assert.True(
            off < naive,
            $"mean error {off / all:0.00} mg/L against {naive / all:0.00} for tonight like last night"
        );
    }

    [Theory]
    [InlineData(DeclineMethod.OwnNights)]
    [InlineData(DeclineMethod.Balance)]
    public void Each_method_can_be_asked_alone(DeclineMethod method)
    {
        var forecast = demo.Ponds["P4"].Story.Night.At(Now, method).Forecast!;
        Assert.Equal(method, forecast.Method);
        Assert.True(forecast.Low.Low <= forecast.Low.Value && forecast.Low.Value <= forecast.Low.High);
    }

    private double OfPlan(string code)
    {
        var p = demo.Ponds[code];
        return p.Batches[^1].Stands.MeanG.Value / p.Story.Growth.PlanOf(p.Batches[^1].Batch, Today)[^1].MeanG;
    }

    private double FedShare(string code)
    {
        var story = demo.Ponds[code].Story;
        var days = Enumerable.Range(0, 50).Select(i => new DateOnly(2026, 9, 5).AddDays(i)).ToList();
        return days.Sum(story.FedOn) / days.Sum(d => story.Stock.On(story.Batches[^1].Id, d)!.BiomassKg.Value);
    }

    private static double Mean(PondStory story, DateOnly from, DateOnly to) =>
        Enumerable.Range(0, to.DayNumber - from.DayNumber).Average(i => story.Temperature.On(from.AddDays(i)).TempC);
}
