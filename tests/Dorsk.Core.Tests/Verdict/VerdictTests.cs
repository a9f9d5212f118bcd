using Dorsk.Core.Judging;
using Dorsk.Core.Species;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Verdict;
using Dorsk.Core.Water;

namespace Dorsk.Core.Tests.Verdict;

/// <summary>Each rule of the verdict at its edges, what it does to feed, gate and alarm, and that the worst of all is the pond's status.</summary>
public class VerdictTests
{
    private static readonly FarmZone Zone = FarmZone.Find("Etc/GMT-10")!;
    private static readonly DateTimeOffset Now = new(2027, 1, 21, 5, 0, 0, TimeSpan.Zero); // 15:00 on the farm

    private static FishHere Fish(string key, double meanG = 300, double count = 1000)
    {
        var species = FishSpecies.Of(key);
        return new(species, WaterLimits.StageOf(species, meanG), meanG, count);
    }

    private static PondState Pond(
        params (Parameter What, double HoursAgo, double Si, double? DepthM, string By)[] read
    ) =>
        new()
        {
            Now = Now,
            Zone = Zone,
            Hand = Hand.Metric,
            InTank = false,
            DepthM = 1.5,
            AltitudeM = 0,
            Sun = (Now.AddHours(-9.8), Now.AddHours(3.9)),
            Fish = [Fish("silver_perch")],
            Readings = ReadingBook.Of(
                read.Select(r => (r.What, new Timed(Now.AddHours(-r.HoursAgo), r.Si) { DepthM = r.DepthM, By = r.By }))
            ),
        };

    private static (Parameter, double, double, double?, string) R(
        string key,
        double hoursAgo,
        double si,
        double? depthM = null,
        string by = ""
    ) => (Parameter.ByKey(key), hoursAgo, si, depthM, by);

    private static Finding? Of(PondState pond, string rule) =>
        PondVerdict.Of(pond).Findings.FirstOrDefault(f => f.Rule == rule && f.Status > Status.Steady);

    // Rule, what was read, the pond's fish, and what must come of it: status, rings, feed that is left, gate shut.
    public static TheoryData<string, string, string, Status?, bool, double, bool> Cases =>
        new()
        {
            { "oxygen now", "do 1 2.9", "silver_perch", Status.ActNow, true, 1, true },
            { "oxygen now", "do 1 3.0", "silver_perch", Status.Watch, true, 1, true },
            { "oxygen now", "do 1 4.0", "silver_perch", null, false, 1, false },
            { "oxygen now", "do 15 2.0", "silver_perch", null, false, 1, false }, // too old to speak
            { "oxygen now", "do 1 4.9", "rainbow_trout", Status.ActNow, true, 1, true },
            { "oxygen falls", "do 2 6.0 m; do 1 4.4 m", "silver_perch", Status.ActNow, true, 1, true },
            { "oxygen falls", "do 2 6.0 m; do 1 4.4 n", "silver_perch", null, false, 1, false }, // two instruments tell no fall
            { "oxygen falls", "do 2 6.0 m; do 1 5.5 m", "silver_perch", null, false, 1, false },
            { "oxygen at the floor", "do 1 8.5; do 1.1 1.5 @1.4", "silver_perch", Status.Watch, false, 1, false },
            { "oxygen at the floor", "do 1 8.5; do 1.1 1.5 @1.4", "giant_prawn", Status.ActNow, true, 0, true },
            { "saturation", "do 1 14.9; temp 1 26", "silver_perch", Status.Watch, false, 1, false }, // 184 %
            { "saturation", "do 1 5.0; temp 1 26", "silver_perch", Status.Watch, false, 1, false }, // 62 % in the afternoon
            { "saturation", "do 9 5.0; temp 1 26", "silver_perch", null, false, 1, false }, // in the morning that is usual
            { "saturation", "do 1 8.0; temp 1 26", "silver_perch", null, false, 1, false },
            { "saturation", "do 1 11.5; temp 1 26; salinity 5 30", "barramundi", null, false, 1, false }, // 167 % of what salt water holds
            { "saturation", "do 1 12.5; temp 1 26; salinity 5 30", "barramundi", Status.Watch, false, 1, false }, // 154 % in fresh water, 182 in salt
            { "temperature", "temp 1 33", "silver_perch", Status.Watch, false, 1, true },
            { "temperature", "temp 1 34.8", "silver_perch", Status.ActNow, true, 0, true },
            { "temperature", "temp 1 25.3", "rainbow_trout", Status.ActNow, true, 0, true },
            { "temperature", "temp 1 5.4", "silver_perch", Status.ActNow, true, 0, true },
            { "temperature", "temp 1 26", "silver_perch", null, false, 1, false },
            { "temperature change", "temp 2 20; temp 1 26", "silver_perch", Status.Watch, false, 1, true }, // 6 °C in an hour
            { "temperature change", "temp 2 22; temp 1 26", "silver_perch", null, false, 1, false },
            { "pH", "ph 1 9.2", "silver_perch", Status.Watch, false, 1, true },
            { "pH", "ph 1 9.6", "silver_perch", Status.ActNow, true, 0, true },
            { "pH", "ph 10 7.0; ph 1 8.8", "silver_perch", Status.Watch, false, 1, true }, // swings 1.8
            { "un-ionised ammonia", "tan 50 2.0; ph 50 7.0; temp 50 26", "silver_perch", null, false, 1, false },
            {
                "un-ionised ammonia",
                "tan 50 2.0; ph 50 7.0; temp 50 26; ph 1 9.0; temp 1 28",
                "silver_perch",
                Status.ActNow,
                true,
                0,
                true
            }, // the afternoon since
            { "nitrite", "nitrite 48 4.5; chloride 200 10", "silver_perch", Status.ActNow, true, 0, true },
            { "nitrite", "nitrite 48 1.2", "silver_perch", Status.Watch, false, 1, true },
            { "nitrite", "nitrite 48 1.2; chloride 200 30", "silver_perch", null, false, 1, false },
            { "nitrite", "nitrite 48 3.2", "silver_perch", Status.ActNow, true, 0, true },
            { "salinity", "salinity 48 9", "silver_perch", Status.ActNow, true, 0.5, true },
            { "salinity", "salinity 48 0.5", "whiteleg_shrimp", Status.ActNow, true, 0.5, true },
            { "salinity", "salinity 48 9", "nile_tilapia", null, false, 1, false },
            { "carbon dioxide", "co2 5 26", "silver_perch", Status.Watch, false, 1, true },
            { "carbon dioxide", "co2 5 51", "silver_perch", Status.ActNow, true, 0, true },
            { "carbon dioxide", "co2 5 24", "silver_perch", null, false, 1, false },
            { "bloom", "secchi 5 0.19", "silver_perch", Status.ActNow, true, 1, false },
            { "bloom", "secchi 5 0.7", "silver_perch", Status.Watch, false, 1, false },
            { "dead bloom", "secchi 72 0.2; secchi 5 0.7", "silver_perch", Status.ActNow, true, 0, true }, // it died
            { "minerals", "alkalinity 48 12", "silver_perch", Status.Watch, false, 1, false },
            { "minerals", "hardness 48 12", "silver_perch", Status.Watch, false, 1, false },
        };

    [Theory, MemberData(nameof(Cases))]
    public void A_rule_at_its_edge(
        string rule,
        string read,
        string species,
        Status? status,
        bool rings,
        double feed,
        bool gate
    )
    {
        var pond = Pond([.. read.Split("; ").Select(Read)]) with { Fish = [Fish(species)] };
        var found = PondVerdict.Of(pond).Findings.FirstOrDefault(f => f.Rule == rule && f.Status > Status.Steady);
        Assert.True(found?.Status == status, $"{rule}, {read}: {found?.Status} {found?.Reason}");
        if (found is null)
            return;
        Assert.Equal((rings, feed, gate), (found.Rings, found.FeedFactor, found.ShutsGate));
        Assert.NotEmpty(found.Do);
        Assert.NotEmpty(found.Why.Method);
    }

    private static (Parameter, double, double, double?, string) Read(string text)
    {
        var parts = text.Split(' ');
        double N(string t) => double.Parse(t, System.Globalization.CultureInfo.InvariantCulture);
        var depth = parts.FirstOrDefault(p => p[0] == '@');
        return R(
            parts[0],
            N(parts[1]),
            N(parts[2]),
            depth is null ? null : N(depth[1..]),
            parts.Skip(3).FirstOrDefault(p => p[0] != '@') ?? ""
        );
    }

    [Fact]
    public void Falling_dawns_are_seen_before_they_are_low()
    {
        DayValue[] Days(params double[] lows) =>
            [.. lows.Select((l, i) => new DayValue(Zone.DayOf(Now).AddDays(i - lows.Length + 1), l))];
        Assert.Equal(Status.Watch, Of(Pond() with { Dawns = Days(6.4, 5.7, 5.1, 4.4) }, "falling dawns")?.Status);
        Assert.Equal(
            (Status.ActNow, true),
            Of(Pond() with { Dawns = Days(5.4, 4.6, 3.7) }, "falling dawns") is { } f ? (f.Status, f.Rings) : default
        );
        Assert.Null(Of(Pond() with { Dawns = Days(6.4, 5.7, 5.9, 5.6) }, "falling dawns"));
        Assert.Null(Of(Pond() with { Dawns = Days(6.4, 6.3, 6.2, 6.1) }, "falling dawns"));
    }

    [Theory]
    [InlineData("gasping", 2, Status.ActNow, 0)]
    [InlineData("slow", 2, Status.Watch, 0.5)]
    [InlineData("calm", 2, null, 1)]
    [InlineData("gasping", 13, null, 1)]
    public void The_fish_themselves_are_heard(string look, double hoursAgo, Status? status, double feed)
    {
        var found = Of(
            Pond() with
            {
                Looks = [(Now.AddHours(-20), "gasping"), (Now.AddHours(-hoursAgo), look)],
            },
            "behaviour"
        );
        Assert.Equal((status, feed), (found?.Status, found?.FeedFactor ?? 1));
    }

    [Theory]
    [InlineData(1000, 2, null)] // too few to say
    [InlineData(10_000, 6, Status.Watch)] // 0.06 % of a day in a pond
    [InlineData(1000, 3, Status.ActNow)]
    [InlineData(10_000, 4, null)]
    public void Deaths_are_judged_by_their_share(int stands, int dead, Status? status)
    {
        var pond = Pond() with { Fish = [Fish("silver_perch", count: stands)], Dead = [(Zone.DayOf(Now), dead)] };
        Assert.Equal(status, Of(pond, "deaths")?.Status);
        // A hundredth in a day is a duty to ask, and a pond whose dead double for three days acts before its share does.
        Assert.Contains(
            "call a vet",
            Of(pond with { Dead = [(Zone.DayOf(Now), stands / 50)] }, "deaths")!.Do,
            StringComparison.Ordinal
        );
        DateOnly Day(int ago) => Zone.DayOf(Now).AddDays(-ago);
        Assert.Equal(
            Status.ActNow,
            Of(
                pond with
                {
                    Fish = [Fish("silver_perch", count: 100_000)],
                    Dead = [(Day(2), 1), (Day(1), 2), (Day(0), 4)],
                },
                "deaths"
            )?.Status
        );
    }

    [Fact]
    public void In_a_tank_three_dead_above_the_weeks_mean_act_before_their_share_does()
    {
        DateOnly Day(int ago) => Zone.DayOf(Now).AddDays(-ago);
        Status? Judged(bool tank, int today) =>
            Of(
                Pond() with
                {
                    InTank = tank,
                    Fish = [Fish("silver_perch", count: 50_000)],
                    Dead = [(Day(5), 4), (Day(3), 3), (Day(0), today)],
                },
                "deaths"
            )?.Status;
        // A mean of one a day.
        Assert.Equal((null, Status.ActNow, null), (Judged(true, 3), Judged(true, 4), Judged(false, 4)));
    }

    [Fact]
    public void A_pond_over_its_carrying_capacity_says_by_how_much()
    {
        Assert.Null(Of(Pond() with { CapacityKg = 300 }, "biomass"));
        var found = Of(Pond() with { CapacityKg = 200 }, "biomass")!;
        Assert.Equal((Status.Watch, true), (found.Status, found.ShutsGate));
        Assert.Contains("50 % over", found.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void The_gravest_of_all_rules_is_the_ponds_status_and_an_empty_pond_has_none()
    {
        var pond = Pond(
            R("do", 1, 9),
            R("temp", 1, 26),
            R("ph", 1, 7.8),
            R("nitrite", 40, 4.5),
            R("chloride", 90, 10),
            R("alkalinity", 48, 12)
        );
        var verdict = PondVerdict.Of(pond);
        Assert.Equal(Status.ActNow, verdict.Judgement.Status);
        Assert.Contains("chloride is 2.2 times", verdict.Judgement.Reason, StringComparison.Ordinal);
        Assert.True(verdict.Findings.Zip(verdict.Findings.Skip(1)).All(p => p.First.Status >= p.Second.Status));
        Assert.Equal(["nitrite"], verdict.Ringing.Where(f => f.Status == Status.ActNow).Select(f => f.Rule));
        Assert.Equal(Status.Unknown, PondVerdict.Of(pond with { Fish = [] }).Judgement.Status);
        Assert.Equal(PondVerdict.Rules.Count, PondVerdict.Rules.Select(r => r.Name).Distinct().Count());
    }

    [Fact]
    public void What_helps_is_named_once_air_before_water_and_water_before_powders()
    {
        var pond = Pond(
            R("nitrite", 40, 4.5),
            R("tan", 3, 3),
            R("ph", 1, 9.2),
            R("temp", 1, 26),
            R("alkalinity", 48, 12),
            R("do", 1, 3.4)
        );
        Assert.Equal(
            [Remedy.Air, Remedy.ChangeWater, Remedy.Carbon, Remedy.Salt, Remedy.Alkalinity],
            PondVerdict.Of(pond).Remedies.Select(r => r.Remedy)
        );
        Assert.Empty(PondVerdict.Of(Pond(R("do", 1, 8), R("temp", 1, 26), R("ph", 1, 7.8))).Remedies);
    }

    [Theory]
    [InlineData(1_000_000, 1.0, 500.0, Status.ActNow)]
    [InlineData(20_000, 20.0, 450.0, Status.Watch)]
    [InlineData(4_000, 20.0, 450.0, null)]
    [InlineData(40_000, 2.0, null, null)]
    [InlineData(600_000, 2.0, null, Status.Watch)]
    public void Too_many_fish_are_told_before_they_go_in(int count, double meanG, double? targetG, Status? status)
    {
        var load = StockingLoad.Of(Fish("silver_perch", meanG, count), targetG, 4800, 0, 4800, Hand.Metric);
        Assert.Equal(status, load?.Judgement.Status);
        if (load is { } over)
            Assert.Matches(@"^[\d,]+ % over the limit: .*\. Put in at most [\d,]+", over.Judgement.Reason);
    }

    [Theory]
    [InlineData(45, 5, null)]
    [InlineData(45, 21, Status.Watch)] // read too long ago
    [InlineData(45, 36, Status.ActNow)]
    [InlineData(29, 0, Status.Watch)]
    [InlineData(9, 0, Status.ActNow)]
    [InlineData(0, 0, Status.ActNow)]
    [InlineData(double.PositiveInfinity, 5, null)]
    [InlineData(double.PositiveInfinity, 25, Status.Watch)]
    public void Fish_in_a_net_are_judged_by_the_minutes_that_are_left(double minutes, int ago, Status? wanted)
    {
        var found = Of(Pond() with { Crowd = new(Now.AddMinutes(-ago), 5, 600, minutes) }, "net");
        Assert.Equal(wanted, found?.Status);
        Assert.Equal(wanted == Status.ActNow, found?.Rings ?? false);
        Assert.Null(Of(Pond(), "net"));
    }
}
