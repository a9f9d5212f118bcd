using Dorsk.Core.Alarms;
using Dorsk.Core.Judging;
using Dorsk.Core.People;
using Dorsk.Core.Safety;
using Dorsk.Core.Season;
using Dorsk.Core.Time;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Safety;

/// <summary>Every hazard is said where it is met; who works alone is missed in time.</summary>
public class SafetyTests
{
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;
    private static readonly DateOnly Day21 = new(2027, 1, 21);
    private static readonly DateTimeOffset Two = Zone.At(Day21, new(2, 0));

    public static TheoryData<string> Hazards => [.. Hazard.All.Select(h => h.Name)];

    [Theory]
    [MemberData(nameof(Hazards))]
    public void Each_hazard_has_a_line_a_source_and_a_work_at_which_it_is_said(string name)
    {
        var hazard = Hazard.Of(name);
        Assert.True(hazard.Line.Length > 10);
        Assert.Contains("confidence", hazard.Source, StringComparison.Ordinal);
        var works = SafeWork.Where(hazard);
        Assert.NotEmpty(works);
        Assert.All(works, w => Assert.Contains(hazard, SafeWork.Of(w)));
    }

    [Theory]
    [InlineData("service-A1:P1:2027-01-21", "air-service?Code=A1", "key out", "Switch off and lock")]
    [InlineData("prep:P1:2027-01-21", "work?Work=Limed", "Goggles", "")]
    [InlineData("plan:P1:2027-01-21", "harvest", "Two people or a lift", "Cut away from hands")]
    [InlineData("plan:P1:2027-01-21", "stock", "Licence before fish arrive", "Cut away from hands")]
    [InlineData("vital:7:2027-01-21", "vital-test", "Outdoors only", "no bare eyes")]
    public void A_job_says_what_can_hurt_until_it_is_done(string key, string slip, string says, string andSays)
    {
        var noon = Zone.At(Day21, new(12, 0));
        var job = new Job(key, 1, "P1", noon, noon.AddHours(2), "", "", Role.PondHand, slip, JobState.Open);
        var lines = string.Join(" | ", JobSafety.Of(job, Day(noon)).Select(h => h.Line));
        Assert.Contains(says, lines, StringComparison.Ordinal);
        Assert.Contains(andSays, lines, StringComparison.Ordinal);
        Assert.Empty(JobSafety.Of(job with { State = JobState.Done }, Day(noon)));
    }

    [Fact]
    public void Work_in_the_dark_asks_for_a_second_person_or_a_check_in()
    {
        Job At(int fromHour, int toHour) =>
            new(
                "mow:P1:2027-01-21",
                1,
                "P1",
                Zone.At(Day21, new(fromHour, 0)),
                Zone.At(Day21, new(toHour, 0)),
                "",
                "",
                Role.PondHand,
                "",
                JobState.Open
            );
        bool Alone(Job job) => JobSafety.Of(job, Day(Two)).Any(h => h.Name == "lone night work");
        Assert.True(Alone(At(4, 6)));
        Assert.True(Alone(At(17, 20)));
        Assert.True(Alone(At(4, 6) with { Slip = "reading" }));
        Assert.False(Alone(At(8, 17)));
        Assert.False(Alone(At(8, 17) with { Slip = "reading" }));
        Assert.False(Alone(At(8, 19)));
        // The day's tasks have windows from midnight on: none is a night task for that.
        Assert.False(Alone(At(0, 17)));
        // Tomorrow morning lies after tonight's sunset, and is no night; an order is written indoors.
        Assert.False(Alone(At(8, 9) with { Due = Zone.At(Day21.AddDays(1), new(8, 30)) }));
        Assert.False(Alone(At(17, 20) with { PondId = null }));
        Assert.True(Alone(At(17, 20) with { PondId = null, Slip = "round" }));
    }

    private static FarmDay Day(DateTimeOffset now) =>
        new(
            now,
            Zone,
            Zone.At(Day21, new(5, 9)),
            Zone.At(Day21, new(18, 52)),
            [],
            [],
            1,
            2,
            24,
            new Dictionary<string, ClosedJob>(),
            Hand.Metric
        );

    [Fact]
    public void The_last_word_of_each_person_counts_and_a_missed_check_in_rings_with_place_and_times()
    {
        (long, DateTimeOffset, LoneWork) Said(long line, int minute, string who, int minutes, string place = "P4") =>
            (line, Two.AddMinutes(minute), new LoneWork(who, minutes, place));
        List<(long, DateTimeOffset, LoneWork)> said =
        [
            Said(1, 0, "Night watch", 30),
            Said(2, 5, "Pond hand", 30, "the sump"),
            Said(3, 10, "night watch", 60, "P6"),
            Said(4, 20, "Pond hand", 0, ""),
        ];
        var one = Assert.Single(OutAlone.Of(said, Two.AddMinutes(40)));
        Assert.Equal((3, "P6", Two.AddMinutes(70)), (one.Line, one.Place, one.DueAt));
        Assert.Null(AlarmRules.NotHeard([one], Two.AddMinutes(70), Zone));
        var rings = AlarmRules.NotHeard([one], Two.AddMinutes(71), Zone)!;
        Assert.Equal((Status.ActNow, AlarmCause.NotHeard, (long?)null), (rings.Level, rings.Cause, rings.PondId));
        Assert.Contains(
            "night watch (P6), check-in due at 03:10, last heard at 02:10",
            rings.Text,
            StringComparison.Ordinal
        );
        // A line that is typed late, of an hour that has gone by, is in its place; what lies ahead does not count yet.
        Assert.Equal("P4", Assert.Single(OutAlone.Of(said, Two.AddMinutes(4))).Place);
        // Days later it still rings, and names the day: only a check-in ends it.
        var late = AlarmRules.NotHeard(OutAlone.Of(said, Two.AddDays(3)), Two.AddDays(3), Zone)!;
        Assert.Contains("last heard at 02:10 on Thu 21 Jan", late.Text, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("", 30, "P4", "Who")]
    [InlineData("Hand", 4, "P4", "Minutes")]
    [InlineData("Hand", 241, "P4", "Minutes")]
    [InlineData("Hand", -5, "P4", "Minutes")]
    [InlineData("Hand", 30, " ", "Place")]
    [InlineData("Hand", 0, "", "")]
    [InlineData("Hand", 5, "P4", "")]
    public void A_check_in_needs_a_name_a_time_and_a_place(string who, int minutes, string place, string field) =>
        Assert.Equal(
            field.Length == 0 ? [] : new[] { field },
            new LoneWork(who, minutes, place).Check().Select(r => r.Field)
        );
}
