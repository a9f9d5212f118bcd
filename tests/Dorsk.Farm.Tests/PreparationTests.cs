using Dorsk.Core.Ponds;
using Dorsk.Core.Prepare;
using Dorsk.Core.Season;
using Dorsk.Core.Species;
using Dorsk.Core.Water;

namespace Dorsk.Farm.Tests;

/// <summary>A preparation through the books: work answers steps, days move, steps left out wait for nothing, the gate knows.</summary>
public class PreparationTests
{
    private static DateTimeOffset Day(int n) => TestFarm.Start.AddDays(n);

    private static PreparationPlanned Plan(TestFarm farm, DateOnly? on) =>
        new(
            farm.PondId,
            on,
            "silver_perch",
            7,
            LimeSchool.ByAlkalinity,
            null,
            SoilTexture.Sand,
            15,
            100,
            PestSchool.DryAndScreen,
            null,
            10,
            FertiliserSchool.Mineral,
            false,
            new(25, 8, null, null, null)
        );

    [Fact]
    public void Work_answers_steps_and_jobs_move_with_them()
    {
        using var farm = new TestFarm();
        var line = farm.Must(Plan(farm, null), Day(1));
        PrepPlan At(int day) => farm.Story.Readiness.PreparationAt(Day(day))!.Plan;
        IReadOnlyList<Job> Jobs(int day) =>
            farm
                .Questions.Today(Day(day))!
                .Jobs.Where(j => j.Key.StartsWith("prep-", StringComparison.Ordinal))
                .ToList();
        var first = At(1).StockOn;
        Assert.Contains(Jobs(1), j => j.Key == $"prep-drain:P1:{line}" && j.Slip == "work?Work=Drained");

        farm.Must(new PondWorked(farm.PondId, PondWork.Drained, "", null), Day(4));
        var moved = At(4);
        Assert.Equal(3, moved.StockOn.DayNumber - first.DayNumber);
        Assert.Equal(StepState.Done, moved.Steps[0].State);
        Assert.Equal("dry", moved.OpenBeforeStocking[0].Step.Key);
        // Seven days of drying from the day it was drained: no job before.
        Assert.Empty(Jobs(10));
        Assert.Single(Jobs(11), j => j.Key == $"prep-dry:P1:{line}");

        // Left out with a reason: nothing waits for it any more.
        farm.Must(
            new JobClosed($"prep-dry:P1:{line}", farm.PondId, JobOutcome.Skipped, "rain, it will not dry"),
            Day(6)
        );
        Assert.Equal(StepState.Left, At(6).Steps[1].State);
        Assert.True(At(6).StockOn < moved.StockOn);
        farm.Must(new PondWorked(farm.PondId, PondWork.BottomMended, "", null), Day(8));
        farm.Must(new PondWorked(farm.PondId, PondWork.Limed, "", 125), Day(9));
        Assert.DoesNotContain(At(9).Shopping, s => s.Product == "agricultural limestone");

        // What was known at an instant is told as of that instant.
        Assert.Equal(moved.StockOn, At(4).StockOn);
        // A plan for a pond that has fish is refused; when fish come, the plan is over.
        farm.Stock(day: 40);
        Assert.Null(farm.Story.Readiness.PreparationAt(Day(41)));
        Assert.Contains(
            "fish stand",
            Assert.Single(farm.Try(Plan(farm, null), Day(42)).Remarks).Text,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void The_gate_knows_open_steps_poison_food_and_the_brake()
    {
        using var farm = new TestFarm();
        var perch = FishSpecies.Of("silver_perch");
        farm.Must(Plan(farm, null), Day(1));
        GateLine? Line(string name, int day) =>
            farm.Story.Readiness.GateFor(perch, Day(day)).SingleOrDefault(l => l.Name == name);
        Assert.Equal(Condition.NotMet, Line("preparation", 2)!.State);
        Assert.Equal(Condition.Unknown, Line("natural food", 2)!.State);
        Assert.Equal(Condition.Unknown, Line("holds water", 2)!.State);
        Assert.Null(Line("poison gone", 2));
        farm.Must(new PondWorked(farm.PondId, PondWork.PestTreated, "licensed product", null), Day(3));
        Assert.Equal(Condition.NotMet, Line("poison gone", 4)!.State);
        farm.Must(new PondWorked(farm.PondId, PondWork.BioassayPassed, "", null), Day(14));
        farm.Must(new PondWorked(farm.PondId, PondWork.HeldWater, "", null), Day(14));
        farm.Must(
            new ReadingTaken(farm.PondId, [new(Parameter.Secchi, 0.38), new(Parameter.Temperature, 25)]),
            Day(14)
        );
        Assert.Equal(
            (Condition.Met, Condition.Met, Condition.Met),
            (Line("poison gone", 15)!.State, Line("holds water", 15)!.State, Line("natural food", 15)!.State)
        );
        Assert.Contains(
            "no dawn oxygen was read",
            farm.Story.Readiness.FertiliserBrakeAt(Day(15), perch)!.Reason,
            StringComparison.Ordinal
        );
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 7.5)]), Day(15).AddHours(-5));
        Assert.Null(farm.Story.Readiness.FertiliserBrakeAt(Day(15), perch));
        farm.Must(new ReadingTaken(farm.PondId, [new(Parameter.Secchi, 0.24)]), Day(16));
        Assert.Contains(
            "Secchi",
            farm.Story.Readiness.FertiliserBrakeAt(Day(16), perch)!.Reason,
            StringComparison.Ordinal
        );
    }
}
