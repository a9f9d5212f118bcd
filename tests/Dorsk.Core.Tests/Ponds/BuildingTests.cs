using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;

namespace Dorsk.Core.Tests.Ponds;

/// <summary>What is built: split ponds, movers, indoor units, shade, builders, what a tank holds; by hand.</summary>
public class BuildingTests
{
    private static readonly DateOnly Day = new(2027, 1, 21);

    [Fact]
    public void A_split_pond_has_its_parts_channels_and_screens()
    {
        // 2 ha of 1.3 m, 18 % for the fish, renewed in an hour: 3,600 m², 4,680 m³/h = 1.3 m³/s.
        var x = SplitLayout.Of(20_000, 1.3, 0.18, 1);
        Assert.Equal(
            (3600, 16_400, 4680),
            (Math.Round(x.FishM2, 6), Math.Round(x.OpenM2, 6), Math.Round(x.FlowM3H, 6))
        );
        Assert.Equal(1.3 / 0.15, x.ChannelM2, 9);
        Assert.Equal(x.ChannelM2 / 1.3, x.ChannelWidthM, 9);
        Assert.Equal(1.3 / 0.06 / 0.5, x.ScreenM2, 9);
        Assert.Equal(Status.Steady, x.Judgement.Status);
        Assert.Contains("minutes", SplitLayout.Of(20_000, 1.3, 0.08, 1).Judgement.Reason, StringComparison.Ordinal);
        Assert.Contains("open water", SplitLayout.Of(20_000, 1.3, 0.4, 1).Judgement.Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void A_paddle_turns_by_both_ratios_and_a_fast_one_is_said()
    {
        // 1,450 / 20 / 30 = 2.4167 turns a minute; at 1.1 m of radius 0.2784 m/s; 0.8 × 3 m² at half: 0.334 m³/s.
        var x = PaddleMover.Of(1450, 20, 30, 1.5, 3, 0.8, 26_000);
        Assert.Equal(2.41667, x.ShaftRpm, 4);
        Assert.Equal(2 * Math.PI * 1.5 * x.ShaftRpm / 60, x.TipMs, 9);
        Assert.Equal(0.8 * 3 * (2 * Math.PI * 1.1 * x.ShaftRpm / 60) * 0.5 * 3600, x.FlowM3H, 6);
        Assert.Equal(26_000 / x.FlowM3H, x.HoursRound, 9);
        Assert.Equal(Status.Steady, x.Judge(Hand.Metric).Status);
        Assert.Equal(Status.Watch, PaddleMover.Of(1450, 20, 4, 1.5, 3, 0.8, 26_000).Judge(Hand.Us).Status);
        Assert.Equal(x.FlowM3H, PaddleMover.Of(1450, 600, 1, 1.5, 3, 0.8, 26_000).FlowM3H, 6);
    }

    [Fact]
    public void A_building_loses_heat_through_walls_air_and_water_and_its_points_stand_alone()
    {
        var foam = RoomWall.All.First(w => w.Key == "foam50");
        // Skin 200 + 210 = 410 m² at 0.55 and 25 °C: 5.64 kW; 700 m³ × 0.5 × 0.34 × 25: 2.98; 5/24 × 1.163 × 11 + 80 × 0.068: 8.1.
        var x = IndoorRoom.Of((20, 10, 3.5), foam, 80, (5, 16), (27, 2), 0.5);
        Assert.Equal(410 * 0.55 * 25 / 1000, x.WallsKW, 9);
        Assert.Equal(700 * 0.5 * 0.34 * 25 / 1000, x.AirKW, 9);
        Assert.Equal((5 / 24.0 * 1.163 * 11) + (80 * 0.1 * 0.68), x.WaterKW, 9);
        Assert.Equal(x.WallsKW + x.AirKW + x.WaterKW, x.KW, 9);
        Assert.Equal(0, IndoorRoom.Of((20, 10, 3.5), foam, 0, (5, 30), (20, 25), 1).KW, 9);
        var looked = IndoorRoom.Inspect(new Dictionary<string, bool?> { ["frame"] = false, ["floor"] = true });
        Assert.Equal(
            [Status.ActNow, Status.Steady, Status.Unknown, Status.Unknown, Status.Unknown],
            looked.Select(j => j.Status)
        );
    }

    [Fact]
    public void Shade_goes_by_species_and_stage()
    {
        Assert.All(FishSpecies.All, s => Assert.Equal(Status.ActNow, ShadeNeed.Of(s, ShadeStage.Eggs).Status));
        Assert.Contains(
            "summer",
            ShadeNeed.Of(FishSpecies.Of("rainbow_trout"), ShadeStage.GrowOut).Says,
            StringComparison.Ordinal
        );
        Assert.Equal(Status.Steady, ShadeNeed.Of(FishSpecies.Of("nile_tilapia"), ShadeStage.GrowOut).Status);
        Assert.Contains(
            "shelters",
            ShadeNeed.Of(FishSpecies.Of("redclaw"), ShadeStage.GrowOut).Says,
            StringComparison.Ordinal
        );
        Assert.NotEqual(
            ShadeNeed.Of(FishSpecies.Of("channel_catfish"), ShadeStage.Fry).Says,
            ShadeNeed.Of(FishSpecies.Of("channel_catfish"), ShadeStage.GrowOut).Says
        );
    }

    [Fact]
    public void A_builder_is_judged_by_what_broke_and_a_guarantee_is_claimed_while_it_runs()
    {
        PondBuiltBy Built(long pond, string who, int yearsAgo, int? guarantee) =>
            new(pond, who, Day.AddYears(-yearsAgo), 1000, guarantee is { } g ? Day.AddYears(-yearsAgo + g) : null, "");
        var records = BuilderRecord.Of(
            [
                ("P1", Built(1, "Ann", 4, 5), [(Day.AddYears(-1), PondWork.LeakFound, "")]),
                ("P2", Built(2, "ann ", 4, null), []),
                (
                    "P3",
                    Built(3, "Bob", 2, 1),
                    [.. Enumerable.Range(1, 5).Select(i => (Day.AddDays(-i), PondWork.ToMend, ""))]
                ),
                ("P4", Built(4, "Cy", 3, 1), [(Day.AddYears(-4), PondWork.LeakFound, "the old pond")]),
            ],
            Day
        );
        Assert.Equal(["Cy", "Ann", "Bob"], records.Select(r => r.Builder));
        Assert.Equal(["P1", "P2"], records[1].Ponds);
        Assert.Equal((0, 1, 5), (records[0].Faults, records[1].Faults, records[2].Faults));
        Assert.Equal(5 / 2.0, records[2].FaultsYear, 2);
        Assert.Equal([Status.Steady, Status.ActNow, Status.Watch], records.Select(r => r.Judgement.Status));
        Assert.Equal(
            ["Builder", "BuiltOn", "Price", "GuaranteeTo"],
            new PondBuiltBy(1, " ", Day.AddDays(1), -1, Day, "").Check(Day).Select(r => r.Field)
        );
    }

    [Fact]
    public void A_household_tank_holds_what_its_species_bears_in_its_water()
    {
        var perch = FishSpecies.Of("silver_perch");
        // Round, 3 m wide, 1 m deep: 7.07 m³ at 30 kg/m³.
        var tank = new BuildBody(BuildKind.RoundFrame, 3, 0, 1, 0, 0.3);
        Assert.Equal(Math.PI * 2.25 * 30, tank.CarriesKg(perch), 3);
        var dug = new BuildBody(BuildKind.Earthen, 40, 25, 1.4, 2, 0.3);
        Assert.Equal(0.1 * 2500, dug.CarriesKg(perch), 3);
    }

    [Fact]
    public void Patches_use_up_the_offcuts_of_a_liner()
    {
        var liner = new Equipment(EquipmentKind.Liner, "", Laid: Day.AddDays(-100), LifeCycles: 5, OffcutM2: 1);
        LinerAge Of(params double?[] patches) =>
            LinerAge.Of(liner, Day, [], patches.Select((p, i) => (Day.AddDays(-i), p)))!;
        Assert.Equal((1.0, Status.Steady), (Of().OffcutM2!.Value, Of().Verdict.Status));
        Assert.Equal((0.3, Status.Watch), (Math.Round(Of(0.4, 0.3).OffcutM2!.Value, 9), Of(0.4, 0.3).Verdict.Status));
        // A patch of a size that nobody wrote down takes a usual one.
        Assert.Equal(0.9, Of([null]).OffcutM2!.Value, 9);
    }

    [Theory]
    [InlineData(20, 15, "north-east")]
    [InlineData(-20, 0.5, "west")]
    [InlineData(1, -9, "south")]
    [InlineData(0, 0, "middle")]
    public void A_mark_says_at_which_side_of_the_pond_it_lies(double eastM, double northM, string side) =>
        Assert.Equal(side, new PlanMark(MarkKind.Landing, "", eastM, northM).Corner);

    [Fact]
    public void Wood_in_a_slot_is_asked_about()
    {
        EquipmentFitted Of(string slot, double? offcutM2 = null) =>
            new(1, [new(EquipmentKind.InletScreen, "", MeshMm: 2, OffcutM2: offcutM2, Slot: slot)]);
        Assert.Empty(FarmRules.Check(Of("groove")));
        var asked = Assert.Single(FarmRules.Check(Of(FarmRules.WoodSlot)));
        Assert.Equal(("InletScreenSlot", Objection.Ask), (asked.Field, asked.Kind));
        Assert.Equal("InletScreenOffcut", Assert.Single(FarmRules.Check(Of("", 0))).Field);
        var pond = new Pond(0, "P1", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out");
        Assert.Equal("Landing", Assert.Single(FarmRules.Check(pond with { LandingDepthM = 1.5 }, [])).Field);
        Assert.Empty(FarmRules.Check(pond with { LandingDepthM = 0.8 }, []));
    }
}
