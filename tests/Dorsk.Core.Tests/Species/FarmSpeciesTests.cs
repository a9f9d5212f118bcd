using Dorsk.Core.Feeding;
using Dorsk.Core.People;
using Dorsk.Core.Plans;
using Dorsk.Core.Ponds;
using Dorsk.Core.Species;
using Dorsk.Core.Units;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Dorsk.Core.Tests.Species;

public class FarmSpeciesTests
{
    private static readonly FishSpecies Perch = FishSpecies.Of("silver_perch");

    [Fact]
    public void Pond_before_farm_before_table_and_the_last_word_counts()
    {
        LimitSet Set(long? pond, double? v, LifeStage stage = LifeStage.Growing) =>
            new(pond, "silver_perch", stage, "do_act", v);
        double Act(params LimitSet[] sets) =>
            WaterLimits.For(FarmSpecies.Of(Perch, [], sets), LifeStage.Growing).DoActMgL;
        Assert.Equal(3.0, Act());
        Assert.Equal(2.5, Act(Set(null, 2.5)));
        Assert.Equal(2.8, Act(Set(4, 2.8), Set(null, 2.5)));
        Assert.Equal(2.5, Act(Set(4, 2.8), Set(null, 2.5), Set(4, null)));
        Assert.Equal(3.0, Act(Set(null, 2.5), Set(null, null)));
        Assert.Equal(3.0, Act(Set(null, 2.5, LifeStage.Fry)));
        Assert.Contains(
            "set by the farm for this pond",
            WaterLimits.For(FarmSpecies.Of(Perch, [], [Set(4, 2.8)]), LifeStage.Growing).Source,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void Every_value_and_limit_reads_back_what_was_put_in_and_touches_nothing_else()
    {
        foreach (var v in SpeciesValue.All)
        {
            var middle = (v.Low + v.High) / 2;
            var changed = v.With(Perch, middle);
            Assert.Equal(middle, v.Of(changed));
            Assert.Equal(Perch, v.With(changed, v.Of(Perch)));
        }
        var limits = WaterLimits.For(Perch, LifeStage.Growing);
        foreach (var l in WaterLimit.All)
        {
            Assert.InRange(l.Of(limits), l.Low, l.High);
            Assert.Equal(limits, l.With(l.With(limits, l.High), l.Of(limits)));
        }
    }

    [Fact]
    public void Figures_that_cannot_be_are_refused_with_their_range()
    {
        string? Said(LimitSet set) =>
            WaterLimit
                .Check(set, WaterLimits.For(FarmSpecies.Of(Perch, [], [set]), set.Stage), Hand.Metric)
                .Select(r => r.Text)
                .FirstOrDefault();
        Assert.Matches(
            "outside what can be: 0.5.* to 8.0",
            Said(new(null, "silver_perch", LifeStage.Growing, "do_act", double.NaN))!
        );
        Assert.Contains(
            "under the watch level",
            Said(new(null, "silver_perch", LifeStage.Growing, "do_act", 4.0)),
            StringComparison.Ordinal
        );
        Assert.Contains(
            "lower end",
            Said(new(null, "silver_perch", LifeStage.Growing, "temp_high", 12)),
            StringComparison.Ordinal
        );
        Assert.Null(Said(new(null, "silver_perch", LifeStage.Growing, "do_act", 2.5)));
        Assert.Contains(
            "no such",
            Said(new(null, "silver_perch", LifeStage.Growing, "nonsense", 1)),
            StringComparison.Ordinal
        );
        var hot = new SpeciesValueSet("silver_perch", "growth_opt", 35);
        Assert.Contains(
            "must rise",
            SpeciesValue.Check(hot, FarmSpecies.Of(Perch, [hot], []), Hand.Metric).Single().Text,
            StringComparison.Ordinal
        );
    }

    public static TheoryData<string> Bases => [.. FishSpecies.All.Select(s => s.Key)];

    /// <summary>A copy of each species, shrimp too, has the tables of the one it was copied from, and each of its figures can be changed without touching that one.</summary>
    [Theory]
    [MemberData(nameof(Bases))]
    public void A_species_of_the_farms_own_begins_as_the_nearest_and_takes_each_figure(string baseKey)
    {
        var from = FishSpecies.Of(baseKey);
        var own = FishSpecies.Of(new OwnSpecies(" New strain ", baseKey, "", "a leaflet").Key);
        Assert.Equal(("New strain", baseKey, from.AtTheFloor), (own.Name, own.BaseKey, own.AtTheFloor));
        Assert.Equal("low", own.Confidence);
        foreach (var stage in Enum.GetValues<LifeStage>())
            Assert.Equal(WaterLimits.For(from, stage), WaterLimits.For(own, stage));
        foreach (var g in new[] { from.FirstFeedFryG, from.FingerlingHighG, from.MarketLowG })
        {
            Assert.Equal(FeedSize.At(from, g), FeedSize.At(own, g));
            Assert.Equal(FeedingRhythm.For(from, g, from.GrowthOptC), FeedingRhythm.For(own, g, from.GrowthOptC));
            Assert.Equal(BodyLength.Cm(from, g), BodyLength.Cm(own, g));
        }
        foreach (var system in Enum.GetValues<RearingSystem>())
            Assert.Equal(
                DensitySchool.For(from, system).Select(s => (s.Name, s.Kg)),
                DensitySchool.For(own, system).Select(s => (s.Name, s.Kg))
            );
        Assert.All(SpeciesValue.All, v =>
        {
            Assert.Equal(v.Of(from), v.Of(own));
            var set = new SpeciesValueSet(own.Key, v.Key, v.Of(from) * 1.01 + 0.001);
            var changed = FarmSpecies.Of(own, [set], []);
            Assert.Equal(set.Value!.Value, v.Of(changed), 1e-12);
            Assert.All(SpeciesValue.All.Where(o => o != v), o => Assert.Equal(o.Of(own), o.Of(changed)));
            Assert.Equal(v.Of(from), v.Of(FarmSpecies.Of(from, [set], [])));
        });
    }

    [Theory]
    [InlineData("Silver Perch", "silver_perch", "x", "Name")]
    [InlineData("G", "silver_perch", "x", "Name")]
    [InlineData("Golden~perch", "silver_perch", "x", "Name")]
    [InlineData("Golden & perch", "silver_perch", "x", "Name")]
    [InlineData("Golden perch", "salmon", "x", "BaseKey")]
    [InlineData("Golden perch", "silver_perch", " ", "Source")]
    [InlineData("Golden perch (F2)", "whiteleg_shrimp", "x", "")]
    public void A_new_species_needs_a_name_of_its_own_a_nearest_one_and_a_source(
        string name,
        string from,
        string source,
        string field
    ) =>
        Assert.Equal(
            field.Length == 0 ? [] : new[] { field },
            new OwnSpecies(name, from, "", source).Check(FishSpecies.All.Select(s => s.Name)).Select(r => r.Field)
        );

    [Theory]
    [InlineData("lethal_high", 27.5, null)]
    [InlineData("lethal_high", 25, "between those that kill")]
    [InlineData("salinity_low", 6, "least salinity")]
    [InlineData("fingerling_low", 3, "Sizes must rise")]
    [InlineData("market_high", 350, "Market size")]
    public void Figures_that_must_rise_are_held_to_it(string field, double value, string? says)
    {
        var set = new SpeciesValueSet("silver_perch", field, value);
        var remarks = SpeciesValue.Check(set, FarmSpecies.Of(Perch, [set], []), Hand.Metric).ToList();
        if (says is null)
            Assert.Empty(remarks);
        else
            Assert.Contains(says, Assert.Single(remarks).Text, StringComparison.Ordinal);
    }

    [Property]
    public Property Ponds_on_the_plan_keep_their_area_wherever_they_lie() =>
        Prop.ForAll(
            Gen.Choose(-180, 180)
                .Two()
                .SelectMany(t => Gen.Choose(5, 300), (t, l) => (t.Item1, t.Item2, l))
                .ToArbitrary(),
            c =>
            {
                var (turn, east, length) = c;
                var pond = new Pond(
                    1,
                    "P1",
                    "",
                    PondKind.Earthen,
                    new SlopedRectangle(length, (length / 2.0) + 2, 1, 0.5),
                    "grow-out"
                );
                var o = FarmPlan.LayOut([(pond, new PondPlaced(1, east, -east, turn))])[0].Outline;
                var area =
                    Math.Abs(
                        o.Select((p, i) => (p.EastM * o[(i + 1) % 4].NorthM) - (o[(i + 1) % 4].EastM * p.NorthM)).Sum()
                    ) / 2;
                return Math.Abs(area - pond.Shape.FullAreaM2) < 1e-6 * pond.Shape.FullAreaM2;
            }
        );

    [Fact]
    public void Ponds_nobody_placed_stand_apart_in_rows()
    {
        var ponds = Enumerable
            .Range(1, 14)
            .Select(i =>
                (
                    new Pond(
                        i,
                        "P" + i,
                        "",
                        PondKind.Earthen,
                        i % 4 == 0 ? new RoundTank(8, 1.2) : new SlopedRectangle(40 + i, 25, 1.4, 2),
                        "x"
                    ),
                    (PondPlaced?)null
                )
            )
            .ToList();
        var plan = FarmPlan.LayOut(ponds);
        Assert.All(plan, p => Assert.False(p.Placed));
        for (var i = 0; i < plan.Count; i++)
        for (var j = 0; j < i; j++)
            Assert.True(
                Math.Abs(plan[i].EastM - plan[j].EastM) > plan[i].Reach.EastM + plan[j].Reach.EastM
                    || Math.Abs(plan[i].NorthM - plan[j].NorthM) > plan[i].Reach.NorthM + plan[j].Reach.NorthM,
                $"{i} on {j}"
            );
    }

    [Fact]
    public void The_last_Manager_stays_and_two_people_have_two_names()
    {
        PersonNamed manager = new("Manager", Role.Manager, 1),
            hand = new("Hand", Role.PondHand, 2);
        Assert.NotEmpty(PeopleRules.Check(manager with { Role = Role.Viewer }, [hand]));
        Assert.NotEmpty(PeopleRules.Check(manager with { Role = Role.Gone }, [hand]));
        Assert.Empty(PeopleRules.Check(manager with { Role = Role.Gone }, [hand with { Role = Role.Manager }]));
        Assert.NotEmpty(PeopleRules.Check(new("HAND", Role.Viewer), [manager, hand]));
        Assert.NotEmpty(PeopleRules.Check(new("  ", Role.Viewer), [manager]));
        Assert.False(Permissions.MayCorrect(Role.PondHand, own: true, enteredToday: false));
        Assert.False(Permissions.MayCorrect(Role.Viewer, own: true, enteredToday: true));
        Assert.True(Permissions.MayCorrect(Role.NightWatch, own: true, enteredToday: true));
    }
}
