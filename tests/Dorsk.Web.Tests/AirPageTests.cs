using Dorsk.Core.Air;
using Dorsk.Core.People;
using Dorsk.Core.Ponds;
using Dorsk.Core.Stock;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Machines one by one, the layout of the flow, what comes first, and a kill written up, through the pages.</summary>
public class AirPageTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    private void Enter(Core.Judging.Fact fact, DateTimeOffset at) =>
        Assert.True(
            farm.Services.GetRequiredService<Door>().Enter(Entry.Of(Guid.NewGuid(), "Manager", at, fact)).Accepted
        );

    [Fact]
    public async Task Aerators_say_what_drives_them_where_they_push_and_what_lies_still()
    {
        Aerator A(string code, double heading) =>
            new(code, AeratorKind.All[1], 1.1, null, null) { HeadingDeg = heading };
        Enter(
            new AeratorsFitted(
                farm.PondId,
                [
                    A("A1", 90),
                    A("A2", 90),
                    A("T1", 0) with
                    {
                        Source = PowerSource.Tractor,
                        Standby = true,
                        MotorRpm = 1450,
                        GearRatio = 58,
                    },
                ]
            ),
            SmallFarm.Now.AddMinutes(-20)
        );
        Enter(
            new MarksSet(farm.PondId, [new(MarkKind.Aerator, "A1", 0, -11), new(MarkKind.Aerator, "A2", 0, 11)]),
            SmallFarm.Now.AddMinutes(-19)
        );
        Enter(new AirControlSet(farm.PondId, false, 4, 5.5, 10) { AllDayFromG = 50 }, SmallFarm.Now.AddMinutes(-18));
        var manager = await farm.As(Role.Manager);
        var page = PageText.Plain(await manager.Client.GetStringAsync("/oxygen/aerators"));
        Assert.Contains("tractor, waits in the shed, 25 turns a minute at the shaft", page, StringComparison.Ordinal);
        // One runs with, one against: east along both banks is no way round.
        Assert.Contains("push against the others", page, StringComparison.Ordinal);
        Assert.Contains("round the clock from 50", page, StringComparison.Ordinal);
        Assert.Contains("the whole pond is aerated, by all 2", page, StringComparison.Ordinal);
        Assert.Contains("most: every night", page, StringComparison.Ordinal);
        Assert.Contains(
            "aerators round the clock from now on",
            PageText.Plain(await manager.Client.GetStringAsync("/jobs")),
            StringComparison.Ordinal
        );
        var slip = await manager.Client.GetStringAsync("/ponds/P1/slip/machines");
        Assert.Matches("name=\"Heading1\"[^>]*value=\"90\"", slip);
    }

    [Fact]
    public async Task A_kill_is_written_up_with_what_the_log_knows_of_it()
    {
        Enter(
            new ReadingTaken(farm.PondId, [new(Parameter.Oxygen, 1.2), new(Parameter.Temperature, 29)]),
            SmallFarm.Now.AddHours(-1.4)
        );
        Enter(new FishLost(farm.PondId, farm.BatchLine, 3, Account.Dead, "oxygen"), SmallFarm.Now.AddHours(-1));
        Enter(
            new KillWritten(
                farm.PondId,
                SmallFarm.Now.AddHours(-2),
                40,
                "oxygen",
                "gasping at four",
                "a second machine"
            ),
            SmallFarm.Now.AddMinutes(-5)
        );
        var hand = await farm.As(Role.PondHand);
        var page = PageText.Plain(await hand.Client.GetStringAsync("/ponds/P1/stock"));
        Assert.Contains("lowest oxygen 1.2 mg/L", page, StringComparison.Ordinal);
        Assert.Contains("40 fish, 3 of them recorded as dead", page, StringComparison.Ordinal);
        Assert.Contains("a second machine", page, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Ticked_failures_answer_in_order_and_an_unknown_one_is_left_out()
    {
        var hand = await farm.As(Role.PondHand);
        var page = PageText.Plain(await hand.Client.GetStringAsync("/oxygen/cards?f=Power&f=Well&f=Moon&f=99"));
        Assert.True(
            page.IndexOf("Oxygen on in tanks, by hand", StringComparison.Ordinal)
                < page.IndexOf("Only now the well", StringComparison.Ordinal)
        );
        Assert.DoesNotContain(
            "In this order",
            await hand.Client.GetStringAsync("/oxygen/cards"),
            StringComparison.Ordinal
        );
    }
}
