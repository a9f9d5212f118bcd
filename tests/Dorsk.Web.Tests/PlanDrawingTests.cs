using System.Text.Json;
using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>What the plan editor sends is kept as a whole or not at all.</summary>
public class PlanDrawingTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    private static readonly double[][] Square =
    [
        [100, 0],
        [140, 0],
        [140, 25],
        [100, 25],
    ];

    private Questions Questions => farm.Services.GetRequiredService<Questions>();

    [Fact]
    public async Task One_pond_that_cannot_be_keeps_everything_out_and_the_same_drawing_mended_goes_in()
    {
        var manager = await farm.As(Role.Manager);
        var last = Questions.LastLine();
        object Known(double[][] corners, params object[] marks) =>
            new
            {
                id = farm.PondId,
                code = "P1",
                corners,
                marks,
            };
        object New(string code, string depth) =>
            new
            {
                id = 0,
                code,
                corners = Square,
                kind = "Lined",
                use = "nursery",
                depth,
                slope = "1.5",
            };
        var moved = Questions.Plan().Ponds[0].Outline.Select(c => new[] { c.EastM + 30, c.NorthM }).ToArray();
        (object[] Drawing, string Says)[] wrong =
        [
            (
                [
                    New("N7", "1.2"),
                    Known([
                        [0, 0],
                        [40, 25],
                        [40, 0],
                        [0, 25],
                    ]),
                ],
                "crosses itself"
            ),
            ([Known(moved), New("N7", "12")], "outside 0.2 to 10 m"),
            ([Known(moved), New("P1", "1.2")], "taken by another pond"),
            ([New("N7", "deep")], "not a number"),
            (
                [
                    New("N7", "1.2"),
                    Known([
                        [0, 0],
                        [40, 0],
                        [40, 5],
                        [0, 5],
                    ]),
                ],
                "banks"
            ),
            // Two new ones of one code: neither is kept.
            ([New("N7", "1.2"), New("N7", "1.3")], "taken by another pond"),
        ];
        foreach (var (drawing, says) in wrong)
        {
            Assert.Contains(says, await Send(drawing), StringComparison.Ordinal);
            Assert.Equal(last, Questions.LastLine());
        }
        Assert.Equal(
            """{"problems":[]}""",
            await Send([
                New("N7", "1.2"),
                Known(
                    moved,
                    new
                    {
                        kind = "Drain",
                        code = "",
                        at = new[] { 60.0, 10 },
                    }
                ),
            ])
        );
        var plan = Questions.Plan();
        Assert.Equal(["P1", "N7"], plan.Ponds.Select(p => p.Pond.Code));
        Assert.Equal(1000, plan.Ponds[1].Pond.Shape.FullAreaM2, 6);
        Assert.Equal((120.0, 12.5), (plan.Ponds[1].EastM, plan.Ponds[1].NorthM));

        // Sent again as it stands, nothing is new; moved once more, only the place is: the mark went along.
        last = Questions.LastLine();
        var again = plan.Ponds[0].Outline.Select(c => new[] { c.EastM, c.NorthM }).ToArray();
        Assert.Equal(
            """{"problems":[]}""",
            await Send([
                Known(
                    again,
                    new
                    {
                        kind = "Drain",
                        code = "",
                        at = new[] { 60.0, 10 },
                    }
                ),
            ])
        );
        Assert.Equal(last, Questions.LastLine());
        Assert.Equal(
            """{"problems":[]}""",
            await Send([
                Known(
                    again.Select(c => new[] { c[0] + 7, c[1] }).ToArray(),
                    new
                    {
                        kind = "Drain",
                        code = "",
                        at = new[] { 67.0, 10 },
                    }
                ),
            ])
        );
        Assert.Equal((last + 1, "PondPlaced"), (Questions.LastLine(), Questions.Line(last + 1)!.Kind));
        Assert.Equal(67, Assert.Single(Questions.Plan().Marks).Mark.EastM, 9);

        async Task<string> Send(object[] drawing)
        {
            var answer = await manager.Post(
                "/setup/plan?handler=Draw",
                new() { ["plan"] = JsonSerializer.Serialize(drawing) }
            );
            Assert.True(answer.IsSuccessStatusCode, answer.StatusCode.ToString());
            return await answer.Content.ReadAsStringAsync();
        }
    }
}
