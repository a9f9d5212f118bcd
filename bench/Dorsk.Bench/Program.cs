using System.Globalization;
using Dorsk.Bench;

CultureInfo.DefaultThreadCurrentCulture = CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
if (args is ["judge", ..])
{
    // Seeds that no one has looked at while the settings were found; others may be given.
    var seeds =
        args.Length > 1
            ? args.Skip(1).Select(a => int.Parse(a, CultureInfo.InvariantCulture)).ToArray()
            : [100_000, 200_000, 300_000];
    var ranges = seeds.Select(s => Judge.Run(s, 200, 0.12)).ToList();
    Console.Write(Proof.Text(ranges));
    return Proof.Holds(ranges) ? 0 : 1;
}
if (args is ["growth", ..])
{
    var (text, holds) = GrowthProof.Run(args.Length > 1 ? int.Parse(args[1], CultureInfo.InvariantCulture) : 400_000);
    Console.Write(text);
    return holds ? 0 : 1;
}
if (args is ["wide"])
{
    Console.Write(WideProof.Page());
    return 0;
}
if (args is ["wide", var world, var first, var batches])
{
    int Number(string text) => int.Parse(text, CultureInfo.InvariantCulture);
    Console.Write(WideProof.Run(Enum.Parse<Dorsk.Practice.WideWorld>(world), Number(first), Number(batches)));
    return 0;
}
if (args is ["burst", var path])
    return Burst.Run(path, probes: false);
if (args is ["burst", "probes", var ofProbes])
    return Burst.Run(ofProbes, probes: true);
if (args is ["probes", var served, var into])
    return await ManyProbes.Run(served, into);
if (args is ["season", var shown, var kept])
    return await ManySeasons.Run(shown, kept);
if (args is ["load", var loaded, var onto, ..])
    return await Load.Run(loaded, onto, args.Length > 3 ? int.Parse(args[3], CultureInfo.InvariantCulture) : 300);
if (args is ["trace", var traced, var lots])
    return await ManyLots.Run(traced, lots);
if (args is ["history"])
    return History.Run();
if (args is ["speed", var app, var empty, var seed])
    return await Speed.Run(app, empty, seed);
Console.Error.WriteLine(
    "dorsk-bench judge [first seed ...] | growth [first seed] | wide [WORLD SEED BATCHES] | burst [probes] FILE.db | probes APP FOLDER | season APP FOLDER | load APP FOLDER [seconds] | history | speed APP EMPTY SEED"
);
return 2;
