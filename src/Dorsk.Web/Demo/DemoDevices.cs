using System.Text.Json;
using Dorsk.Core.Alarms;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;
using Dorsk.Farm.State;
using Dorsk.Practice;

namespace Dorsk.Web.Demo;

/// <summary>Hangs the demo farm's buoys and lets the stand-ins in: devices through the door, their keys into a file that only its owner reads.</summary>
public static class DemoDevices
{
    /// <summary>The reader's name in the file.</summary>
    public const string Reader = "Stand-ins";

    /// <summary>Writes devices and keys.</summary>
    /// <param name="file">The demo's data file.</param>
    /// <param name="keysPath">Where the keys go, as JSON: name of the device to its key.</param>
    /// <param name="hook">Address of the stand-in for a message program; empty: none.</param>
    public static void Write(FarmFile file, string keysPath, string hook = "")
    {
        file.Prepare();
        var (questions, keys) = (new Questions(file), new DeviceKeys(file));
        var door = new Door(file, new OpensAt());
        var known = questions.Devices().Select(d => d.Kept.Name).ToHashSet();
        var wanted = Wanted(questions);
        foreach (var device in wanted.Where(d => !known.Contains(d.Name)))
            if (!door.Enter(Entry.Of(Guid.NewGuid(), "Manager", DemoFarm.OpensAt, device, device.Name)).Accepted)
                throw new InvalidOperationException($"{device.Name} was refused.");
        if (questions.CallList() is null)
            door.Enter(Entry.Of(Guid.NewGuid(), "Manager", DemoFarm.OpensAt, DemoCallList(hook), "call list"));
        var all = questions
            .Devices()
            .Where(d => !d.Kept.Gone)
            .ToDictionary(d => d.Kept.Name, d => keys.Renew(d.Kept.DeviceId));
        File.WriteAllText(keysPath, JsonSerializer.Serialize(all));
        if (!OperatingSystem.IsWindows())
            File.SetUnixFileMode(keysPath, UnixFileMode.UserRead | UnixFileMode.UserWrite);
    }

    private static CallListSet DemoCallList(string hook) =>
        new CallListSet(
            [
                new("Night watch", "night.watch@farm.test") { Phone = "0491 570 006" },
                new("Manager", "manager@farm.test") { Phone = "0491 570 156" },
                new("Neighbour with a tractor", "") { Phone = "0491 570 157" },
            ],
            10,
            new(22, 0),
            new(5, 0)
        )
        {
            Hook = hook,
        };

    private static IEnumerable<DeviceKept> Wanted(Questions questions) =>
        questions
            .Ponds()
            .Where(p => DemoFarm.Probed.Contains(p.Code))
            .Select(p => new DeviceKept(0, "Buoy " + p.Code, DeviceUse.Probe, p.Id, 0.5, false))
            .Concat(
                questions
                    .Ponds()
                    .Where(p => questions.Story(p.Code)!.AeratorsAt(DemoFarm.OpensAt).Count > 0)
                    .Select(p => new DeviceKept(0, "Panel " + p.Code, DeviceUse.Panel, p.Id, null, false))
            )
            .Append(new(0, "Weather mast", DeviceUse.Weather, null, null, false))
            .Append(new(0, "Remote", DeviceUse.Switch, null, null, false))
            .Append(new(0, Reader, DeviceUse.Reader, null, null, false));

    private sealed class OpensAt : TimeProvider
    {
        public override DateTimeOffset GetUtcNow() => DemoFarm.OpensAt;
    }
}
