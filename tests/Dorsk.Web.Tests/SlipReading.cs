using System.Globalization;
using Dorsk.Core.Judging;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Tests;
using Dorsk.Farm.Tests.Facts;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Http;

namespace Dorsk.Web.Tests;

/// <summary>Has a slip read what was typed, without a server.</summary>
internal static class SlipReading
{
    /// <summary>The farm as a request would find it.</summary>
    public static Here At(Questions questions, Door door, DateTimeOffset now)
    {
        var clock = new FarmClock(now.ToString("O", CultureInfo.InvariantCulture), "0");
        return new(
            questions,
            clock,
            new AlarmMemory(door, questions, clock),
            new Heartbeat(clock),
            new HttpContextAccessor()
        );
    }

    /// <summary>A slip of a farm that has something of everything; without a pond's code the farm has nothing yet.</summary>
    public static (Filled Filled, IReadOnlyList<Remark> Remarks) Of(
        string slip,
        string pond,
        params (string Name, string Value)[] typed
    )
    {
        if (pond.Length > 0)
        {
            using var farm = new FactFarm();
            return Read(farm.Farm.Questions, farm.Farm.Door, FactFarm.Now, slip, pond, typed);
        }
        var folder = Directory.CreateTempSubdirectory("dorsk-slip-").FullName;
        try
        {
            var file = FreshFile.At(Path.Combine(folder, "farm.db"));
            return Read(new(file), new(file, new TestClock()), FactFarm.Now, slip, pond, typed);
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private static (Filled, IReadOnlyList<Remark>) Read(
        Questions questions,
        Door door,
        DateTimeOffset now,
        string slip,
        string pond,
        (string Name, string Value)[] typed
    )
    {
        var here = At(questions, door, now);
        var form = new SlipForm(typed.ToDictionary(t => t.Name, t => t.Value), here);
        var story = pond.Length > 0 ? questions.Story(pond) : null;
        return (AllSlips.Find(slip)!.Read(form, new(here, questions, story, null)), form.Remarks);
    }
}
