using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Farm.Files;
using Dorsk.Farm.Log;
using Dorsk.Farm.Ponds;

namespace Dorsk.Farm.Tests;

/// <summary>Ponds of every body, their equipment and marks through the door and back; ponds laid up; outlines through a file and back.</summary>
public sealed class PondBookTests : IDisposable
{
    private static readonly Outline Crooked = new Outline([
        (0, 0),
        (60, -4),
        (72, 30),
        (31, 44),
        (-8, 33),
    ]).AboutMiddle();
    private readonly TestFarm farm = new();

    public static TheoryData<int> Bodies => [.. Enumerable.Range(0, All.Length)];

    private static PondShape[] All =>
        [
            new SlopedRectangle(40, 25, 1.4, 2),
            new RoundTank(8, 1.2),
            new OutlinePond(Crooked, 1.6, 1.5),
            new MeanDepthPond(Crooked, 0.9, 1.5),
            new TablePond(Crooked, [(0.4, 420.125), (1.0, 1600), (1.5, 3000.0 / 7 * 6)]),
        ];

    [Fact]
    public void Todays_plan_is_that_of_the_books_after_whatever_moves_it_and_stands_while_only_readings_come()
    {
        Plan Drawn() => farm.Questions.Today(farm.Clock.Now)!.Plan;
        void IsOfTheBooks(Action moved)
        {
            var before = Drawn();
            moved();
            Assert.NotSame(before, Drawn());
            Assert.Equivalent(farm.Questions.Plan(), Drawn());
        }
        var first = Drawn();
        farm.Must(new Core.Water.ReadingTaken(farm.PondId, [new(Core.Water.Parameter.Oxygen, 6.5)]), farm.Clock.Now);
        Assert.Same(first, Drawn());
        long creek = 0;
        IsOfTheBooks(() => creek = farm.Must(new LandmarkDrawn("creek", "", [(0, 0), (90, 5)]), farm.Clock.Now));
        IsOfTheBooks(() => farm.Must(new PondPlaced(farm.PondId, 100, 50, 30), farm.Clock.Now));
        IsOfTheBooks(() => farm.Must(new LandmarkDrawn("creek", "C", [(0, 0), (80, 9)]), farm.Clock.Now, creek));
        IsOfTheBooks(() =>
            farm.Must(
                new PondBuilt(new(0, "S8", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out")),
                farm.Clock.Now
            )
        );
    }

    [Theory]
    [MemberData(nameof(Bodies))]
    public void A_body_comes_back_from_the_books_to_the_last_digit(int which)
    {
        var shape = All[which];
        var id = farm.Must(
            new PondBuilt(new(0, "S7", "", PondKind.Split, shape, "grow-out", new(0.18, 430.5))),
            TestFarm.Start
        );
        var line = farm.Questions.Line(id)!;
        foreach (
            var back in new[] { farm.Questions.Story("S7")!.Pond, ((PondBuilt)farm.Questions.FactOf(line.Line)!).Pond }
        )
        {
            Assert.Equal(shape.GetType(), back.Shape.GetType());
            Assert.Equal(new SplitZones(0.18, 430.5), back.Split);
            Assert.Equal(shape.CornersM, back.Shape.CornersM);
            foreach (var level in new[] { 0, 0.3, 0.77, 1.2, 1.4, 1.6 })
                Assert.Equal(
                    (shape.AreaM2(level), shape.VolumeM3(level)),
                    (back.Shape.AreaM2(level), back.Shape.VolumeM3(level))
                );
        }
    }

    [Fact]
    public void Equipment_is_all_of_it_at_once_and_as_it_was_known()
    {
        var liner = new Equipment(
            EquipmentKind.Liner,
            "",
            ThicknessUm: 750,
            Uv: true,
            Laid: new(2026, 2, 1),
            LifeCycles: 2
        );
        farm.Must(
            new EquipmentFitted(farm.PondId, [new(EquipmentKind.Pump, "blue", 2.2, 40), liner]),
            TestFarm.Start.AddDays(3)
        );
        Assert.Equal([new(EquipmentKind.Pump, "blue", 2.2, 40), liner], farm.Story.Equipment);
        farm.Must(new PondWorked(farm.PondId, PondWork.LinerMended, "by the drain", null), TestFarm.Start.AddDays(60));
        var age = farm.Story.LinerAt(TestFarm.Start.AddDays(100))!;
        Assert.Equal((0, 1, Status.Steady), (age.Cycles, age.Patches, age.Verdict.Status));
        farm.Must(new EquipmentFitted(farm.PondId, []), TestFarm.Start.AddDays(110));
        Assert.Empty(farm.Story.Equipment);
        Assert.Equal(
            2,
            farm.Questions.StoryAsOf(
                "P1",
                new AsOf(TestFarm.Start.AddDays(105), DateTimeOffset.MaxValue)
            )!.Equipment.Count
        );
        var wrong = farm.Try(
            new EquipmentFitted(farm.PondId, [new(EquipmentKind.Pump, "", -1, 1e9), liner, liner]),
            TestFarm.Start.AddDays(120)
        );
        Assert.Equal(["", "PumpFlow", "PumpPower"], wrong.Remarks.Select(r => r.Field).Order(StringComparer.Ordinal));
    }

    [Fact]
    public void A_pond_with_fish_is_not_laid_up_and_one_laid_up_keeps_its_book()
    {
        var other = farm.Must(new PondBuilt(new(0, "P2", "", PondKind.Earthen, All[0], "grow-out")), TestFarm.Start);
        farm.Stock();
        Assert.Contains(
            "1,000 fish",
            Assert
                .Single(farm.Try(new PondArchived(farm.PondId, true, "rest"), TestFarm.Start.AddDays(9)).Remarks)
                .Text,
            StringComparison.Ordinal
        );
        Assert.Equal(
            "Reason",
            Assert.Single(farm.Try(new PondArchived(other, true, ""), TestFarm.Start.AddDays(9)).Remarks).Field
        );
        var line = farm.Must(new PondArchived(other, true, "rest"), TestFarm.Start.AddDays(9));
        Assert.Equal(["P1"], farm.Questions.Ponds().Select(p => p.Code));
        Assert.DoesNotContain(farm.Questions.Plan().Ponds, p => p.Pond.Code == "P2");
        Assert.Equal("rest", Assert.Single(farm.Questions.ArchivedPonds()).Reason);
        Assert.NotNull(farm.Questions.Story("P2"));
        // Its code is not free: the book under it stands.
        Assert.Equal(
            "Code",
            Assert
                .Single(
                    farm.Try(
                        new PondBuilt(new(0, "P2", "", PondKind.Tank, All[1], "grow-out")),
                        TestFarm.Start.AddDays(10)
                    ).Remarks
                )
                .Field
        );
        farm.Must(new PondArchived(other, false, ""), TestFarm.Start.AddDays(20));
        Assert.Equal(["P1", "P2"], farm.Questions.Ponds().Select(p => p.Code));
        Assert.True(farm.Try(null, TestFarm.Start.AddDays(21), line).Accepted);
    }

    [Fact]
    public void Marks_lie_in_their_pond_wherever_it_is_put()
    {
        farm.Must(new PondPlaced(farm.PondId, 100, 50, 0), TestFarm.Start.AddDays(1));
        farm.Must(new MarksSet(farm.PondId, [new(MarkKind.Drain, "D", 15, -8)]), TestFarm.Start.AddDays(1));
        Assert.Equal((115.0, 42.0), Lies());
        farm.Must(new PondPlaced(farm.PondId, 0, 0, 90), TestFarm.Start.AddDays(2));
        Assert.Equal((8.0, 15.0), Lies());

        (double, double) Lies()
        {
            var mark = Assert.Single(farm.Questions.Plan().Marks).Mark;
            return (Math.Round(mark.EastM, 9), Math.Round(mark.NorthM, 9));
        }
    }

    [Fact]
    public void Outlines_go_through_a_file_and_come_back_in_the_same_place()
    {
        farm.Must(new PondPlaced(farm.PondId, 310, -120, 33), TestFarm.Start.AddDays(1));
        var drawn = farm.Must(new PondBuilt(new(0, "P2", "", PondKind.Earthen, All[2], "grow-out")), TestFarm.Start);
        farm.Must(new PondPlaced(drawn, -900, 700, 0), TestFarm.Start.AddDays(1));
        var place = farm.Questions.Farm()!.Place;
        var plan = farm.Questions.Plan();
        var (outlines, problems) = GeoOutlines.Read(GeoOutlines.Write(plan, place), place);
        Assert.Empty(problems);
        foreach (var outline in outlines)
        {
            var pond = plan.Ponds.Single(p => p.Pond.Code == outline.Code);
            // Eight decimals of a degree are a millimetre.
            Assert.All(pond.Outline.Zip(outline.Outline.CornersM), c =>
                Assert.True(
                    Math.Abs(c.First.EastM - c.Second.EastM) < 0.002
                        && Math.Abs(c.First.NorthM - c.Second.NorthM) < 0.002
                )
            );
            Assert.InRange(outline.AreaM2 / pond.Pond.Shape.FullAreaM2, 0.9999, 1.0001);
        }
        Assert.Equal(["P1", "P2"], outlines.Select(o => o.Code).Order(StringComparer.Ordinal));
    }

    [Theory]
    [InlineData(
        """{"type":"Polygon","coordinates":[[[152.6,-29.4],[152.601,-29.399],[152.601,-29.4],[152.6,-29.399],[152.6,-29.4]]]}""",
        "crosses itself",
        "longitude 152.600500, latitude -29.399500"
    )]
    [InlineData(
        """{"type":"Polygon","coordinates":[[[500000,6700000],[500040,6700000],[500040,6700030]]]}""",
        "no longitude and latitude",
        "not metres of a grid"
    )]
    [InlineData(
        """{"type":"Polygon","coordinates":[[[-29.4,52.6],[-29.401,52.6],[-29.401,52.601]]]}""",
        "20 km from the farm's place",
        "longitude first"
    )]
    [InlineData(
        """{"type":"Polygon","coordinates":[[[152.6,-29.4],[152.601,-29.4],[152.601,-29.399]],[[152.6002,-29.3999],[152.6003,-29.3999],[152.6003,-29.3998]]]}""",
        "a hole",
        "one ring"
    )]
    [InlineData(
        """{"type":"FeatureCollection","features":[{"type":"Feature","properties":null,"geometry":{"type":"Point","coordinates":[152.6,-29.4]}}]}""",
        "a Point is no outline",
        "Polygon"
    )]
    [InlineData("""{"type":"FeatureCollection","features":[]}""", "holds no outline", "")]
    [InlineData("""{"type":"Polygon"}""", "not GeoJSON", "")]
    [InlineData("""{"type":"Polygon","coordinates":[[["a","b"]]]}""", "not GeoJSON", "")]
    [InlineData("""[1,2""", "not GeoJSON", "")]
    public void A_file_that_cannot_be_read_says_why_and_where(string json, string why, string more)
    {
        var (_, problems) = GeoOutlines.Read(json, new Place(-29.4, 152.6));
        var problem = Assert.Single(problems);
        Assert.Contains(why, problem, StringComparison.Ordinal);
        Assert.Contains(more, problem, StringComparison.Ordinal);
    }

    public void Dispose() => farm.Dispose();

    [Fact]
    public void A_creek_is_drawn_changed_and_read_back()
    {
        using var farm = new TestFarm();
        var line = farm.Must(new LandmarkDrawn("creek", "brook", [(0, 0), (40, 10)]), TestFarm.Start);
        farm.Must(new LandmarkDrawn("creek", "brook", [(0, 0), (40, 12), (80, 5)]), TestFarm.Start, line);
        Assert.Equal([(0.0, 0.0), (40, 12), (80, 5)], Assert.Single(farm.Questions.Plan().Landmarks).Fact.PointsM);
        Assert.Equal(
            ["Kind", "Points", "Points"],
            new LandmarkDrawn[]
            {
                new("volcano", "", [(0, 0), (1, 1)]),
                new("creek", "", [(0, 0)]),
                new("shed", "", [(0, 0), (30_000, 0)]),
            }.Select(l => farm.Try(l, TestFarm.Start).Remarks[0].Field)
        );
    }
}
