using Dorsk.Core.Judging;
using Dorsk.Core.Ponds;
using Dorsk.Core.Time;
using Dorsk.Core.Units;
using Dorsk.Core.Water;
using Dorsk.Farm;
using Dorsk.Farm.Log;
using Dorsk.Farm.Sql;

namespace Dorsk.Bench;

/// <summary>Enters readings as fast as the door takes them and says each entry's id once it is acknowledged; meant to be killed.</summary>
internal static class Burst
{
    /// <summary>Values of one series.</summary>
    public const int InSeries = 60;

    public static int Run(string path, bool probes)
    {
        var file = new FarmFile(path);
        file.Prepare();
        var door = new Door(file, TimeProvider.System);
        var pond = Founded(file, door);
        var start = DateTimeOffset.UtcNow.AddDays(-1);
        var probe = probes ? Probe(file, door, pond) : 0;
        // Each run goes on behind the last value of the one before: none is sent twice.
        using (var c = file.Open())
            start = Sqlite.Number(c, "SELECT max(at) FROM probe_value") is > 0 and var last
                ? DateTimeOffset.FromUnixTimeMilliseconds(last + 1000)
                : start;
        Fact What(int i) =>
            probes
                ? new ProbeSeriesReceived(
                    probe,
                    pond,
                    [
                        .. Enumerable
                            .Range(0, InSeries)
                            .Select(k => new ProbeValue(Parameter.Oxygen, start.AddSeconds(i).AddMilliseconds(k), 6)),
                    ]
                )
                : new ReadingTaken(pond, [new(Parameter.Oxygen, 6 + (i % 10 * 0.1)), new(Parameter.Temperature, 25)]);
        for (var i = 0; ; i++)
        {
            var id = Guid.NewGuid();
            var receipt = door.Enter(Entry.Of(id, "burst", start.AddSeconds(i), What(i)));
            if (!receipt.Accepted)
                throw new InvalidOperationException(receipt.Remarks[0].Text);
            Console.Out.WriteLine(id);
            Console.Out.Flush();
        }
    }

    private static long Probe(FarmFile file, Door door, long pond) =>
        new Farm.Ask.Questions(file).Devices().Select(d => (long?)d.Kept.DeviceId).FirstOrDefault()
        ?? door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                "burst",
                DateTimeOffset.UtcNow.AddDays(-2),
                new DeviceKept(0, "Buoy", DeviceUse.Probe, pond, null, false)
            )
        ).Lines[0];

    /// <summary>The farm and one pond, described once.</summary>
    public static long Founded(FarmFile file, Door door)
    {
        if (new Farm.Ask.Questions(file).Ponds() is [var pond, ..])
            return pond.Id;
        var at = DateTimeOffset.UtcNow.AddDays(-2);
        door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                "burst",
                at,
                new FarmDescribed("Burst", "made up", new Place(-29.4, 152.6), 60, "Etc/GMT-10", Hand.Metric, "AUD")
            )
        );
        return door.Enter(
            Entry.Of(
                Guid.NewGuid(),
                "burst",
                at,
                new PondBuilt(new Pond(0, "P1", "", PondKind.Earthen, new SlopedRectangle(40, 25, 1.4, 2), "grow-out"))
            )
        ).Lines[0];
    }
}
