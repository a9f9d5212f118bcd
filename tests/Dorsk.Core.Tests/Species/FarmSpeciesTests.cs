using Dorsk.Core.People;
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
