using Dorsk.Core.Health;
using Dorsk.Core.Judging;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;

namespace Dorsk.Core.Tests.Health;

/// <summary>The search for the cause of sick fish: written cases, the order of water before all, and points that can be added up by hand.</summary>
public class CauseTests
{
    public static TheoryData<string> Cases => [.. WorkedCase.All.Select(c => c.Key)];

    [Theory, MemberData(nameof(Cases))]
    public void A_written_case_has_its_cause_first_or_second(string key)
    {
        var told = WorkedCase.All.First(c => c.Key == key);
        var search = told.Search;
        var said = string.Join(", ", search.Ranked.Take(4).Select(r => $"{r.Cause.Key} {r.Score}"));
        Assert.True(search.Ranked.Take(2).Any(r => told.Causes.Contains(r.Cause.Key)), said);
        if (told.Next.Length > 0)
            Assert.True((search.Next?.Test.Key ?? "none") == told.Next, $"next {search.Next?.Test.Key}; {said}");
        Assert.All(told.Seen.Concat(told.NotSeen), k => Assert.NotNull(Sign.Find(k)));
    }

    [Fact]
    public void Of_the_written_cases_most_have_it_first()
    {
        Assert.True(WorkedCase.All.Count >= 30);
        var first = WorkedCase.All.Where(c => c.Causes.Contains(c.Search.Ranked[0].Cause.Key)).ToList();
        Assert.True(
            first.Count >= 0.8 * WorkedCase.All.Count,
            string.Join("; ", WorkedCase.All.Except(first).Select(c => $"{c.Key}: {c.Search.Ranked[0].Cause.Key}"))
        );
        // Every second cause or more is the answer of some case: none is only filling.
        var told = WorkedCase.All.SelectMany(c => c.Causes).Distinct().Count();
        Assert.True(told >= 0.7 * Cause.All.Count, $"{told} of {Cause.All.Count}");
    }

    [Fact]
    public void An_oxygen_case_never_ends_at_a_medicine()
    {
        foreach (var c in WorkedCase.All.Where(c => c.Causes[0] == "low_oxygen"))
        {
            Assert.False(c.Search.Ranked[0].Cause.Treatable, c.Key);
            Assert.NotEqual("culture", c.Search.Next?.Test.Key);
        }
        // Whatever is seen, nothing is asked before oxygen was read.
        foreach (var sign in Sign.All)
        {
            var search = new HealthSearch(
                new(false, true, true, true),
                new Dictionary<string, bool> { [sign.Key] = true }
            );
            if (sign.Key != "do_low")
                Assert.Equal("oxygen", search.Next!.Test.Key);
        }
    }

    [Fact]
    public void Too_little_oxygen_and_gills_that_cannot_take_it_up_are_told_apart()
    {
        string? Told(params (string, bool)[] signs) =>
            new HealthSearch(
                new(false, true, false, false),
                signs.ToDictionary(s => s.Item1, s => s.Item2)
            ).GaspingMeans;
        Assert.Null(Told(("spots", true)));
        Assert.Contains("was not read today", Told(("gasp_day", true)));
        Assert.Contains("no medicine", Told(("gasp_day", true), ("do_low", true)));
        Assert.Contains("cannot take it up", Told(("gasp_day", true), ("do_low", false)));
    }

    [Fact]
    public void The_score_is_the_sum_of_what_is_shown_and_every_part_of_the_tables_is_used()
    {
        foreach (var c in WorkedCase.All)
        foreach (var ranked in c.Search.Ranked)
        {
            Assert.Equal(ranked.Score, ranked.Because.Sum(b => b.Points));
            Assert.All(ranked.Because, b =>
                Assert.Equal(
                    b.Points,
                    Evidence.Of(b.Sign.Key, ranked.Cause.Key) is var e && b.Seen ? e.Seen : e.NotSeen
                )
            );
        }
        Assert.All(Evidence.All, e => Assert.True(Sign.Find(e.Sign) is not null && Cause.Find(e.Cause) is not null));
        Assert.All(Sign.All, s => Assert.NotNull(SignTest.Find(s.Test)));
        Assert.All(Sign.All, s => Assert.Contains(Evidence.All, e => e.Sign == s.Key));
        Assert.All(Cause.All, c => Assert.Contains(Evidence.All, e => e.Cause == c.Key && e.Seen >= 3));
        Assert.Equal(Evidence.All.Count, Evidence.All.DistinctBy(e => (e.Sign, e.Cause)).Count());
    }

    [Fact]
    public void The_next_test_parts_the_first_causes_in_one_of_its_outcomes()
    {
        foreach (var c in WorkedCase.All.Where(c => c.Search.Next is not null))
        {
            var search = c.Search;
            var next = search.Next!;
            var swings = Sign
                .All.Where(s => s.Test == next.Test.Key && !search.Signs.ContainsKey(s.Key))
                .Select(s => (Evidence.Of(s.Key, next.For.Key), Evidence.Of(s.Key, next.Against.Key)))
                .Select(e => e.Item1.Seen - e.Item1.NotSeen - (e.Item2.Seen - e.Item2.NotSeen));
            Assert.Contains(swings, s => s > 0);
        }
    }

    [Fact]
    public void Yesterdays_reading_is_shown_and_counts_for_nothing()
    {
        var nitrite = WorkedCase.All.First(c => c.Key == "brown_blood").State;
        Assert.Contains(WaterPanel.Signs(nitrite), s => s is { Key: "nitrite_high", Seen: true });
        var later = nitrite with { Now = nitrite.Now.AddHours(30) };
        Assert.DoesNotContain(WaterPanel.Signs(later), s => s.Key is "nitrite_high" or "do_low" or "ph_low");
        var step = WaterPanel.Steps(later).First(s => s.Test == "nitrite");
        Assert.True(step is { IsOfToday: false, At: not null } && step.Last.Length > 0);
        Assert.Equal(["total ammonia"], WaterPanel.Missing(nitrite));
        Assert.Equal(5, WaterPanel.Missing(later).Count);
    }

    [Fact]
    public void First_aid_says_this_ponds_own_amounts()
    {
        var pond = new AtHand(3000, 150, ["A4"], true, 4, 10);
        Assert.Equal((1500, 10), FirstAid.HalfChange(pond));
        // 10 x 4 - 10 = 30 mg/L of chloride, in 3,000 m³ 90 kg, of salt that is 60.66 % chloride.
        Assert.Equal(90 / (35.45 / 58.44), FirstAid.SaltKg(pond)!.Value, 6);
        var said = string.Join(" ", FirstAid.Of(pond, Hand.Metric));
        Assert.Contains("start A4", said);
        Assert.Contains("calm corner", said);
        Assert.Contains("10.0 hours of the pump", said);
        Assert.Null(FirstAid.SaltKg(pond with { BearsSalt = false }));
        Assert.Null(FirstAid.SaltKg(pond with { ChlorideMgL = 60 }));
    }
}
