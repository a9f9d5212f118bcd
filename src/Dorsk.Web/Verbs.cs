using Dorsk.Core.People;
using Dorsk.Farm.Ask;
using Dorsk.Farm.Files;
using Dorsk.Farm.Sql;
using Dorsk.Farm.State;
using Dorsk.Practice;
using Dorsk.Web.Demo;
using Dorsk.Web.People;
using Microsoft.AspNetCore.Identity;

namespace Dorsk.Web;

/// <summary>What the program does from the command line beside serving pages: backup, restore, export, import, a new password.</summary>
public static class Verbs
{
    /// <summary>Name of the data file in its folder.</summary>
    public const string FarmDb = FarmFolder.Database;

    private static readonly string[] Flags = ["--new", "--demo", "--https"];

    private const string Serve = "serve";

    private const string Usage = """
        dorsk [serve]                           serves the farm (--data DIR, --urls http://0.0.0.0:5210; --new begins one in an empty folder)
        dorsk serve --https                     the same by HTTPS too, with a certificate of the farm's own; phones then work without signal
        dorsk backup FILE.zip [--data DIR]      the whole farm in one file, while it works; no passwords inside
        dorsk restore FILE.zip [--data DIR] [--over]   puts a backup in the farm's place; what stood there is kept beside it
        dorsk export FILE.zip [--data DIR]      all facts as CSV with a manifest
        dorsk import FILE.zip [--data DIR]      reads an export into an empty farm
        dorsk password NAME [--data DIR]        sets a person's password, read from the keyboard or standard input
        dorsk facts FILE.db                     all facts as lines of JSON
        """;

    /// <summary>Where the farm lies when nobody says.</summary>
    public static string UsualFolder =>
        Path.Combine(Environment.GetFolderPath(Environment.SpecialFolder.LocalApplicationData), "dorsk");

    /// <summary>Runs a verb; null when there is none and pages are to be served.</summary>
    public static int? Run(string[] args)
    {
        if (args.Length == 0 || args[0].StartsWith('-') || args[0] == Serve)
            return null;
        var words = args.TakeWhile(a => !a.StartsWith("--", StringComparison.Ordinal)).ToArray();
        var folder = args.SkipWhile(a => a != "--data").Skip(1).FirstOrDefault() ?? UsualFolder;
        try
        {
            return Do(words, folder, args.Contains("--over"));
        }
        catch (Exception problem) when (problem is not OutOfMemoryException)
        {
            Console.Error.WriteLine(StartProblem.Words(problem));
            return 1;
        }
    }

    /// <summary>The command line with a value behind every bare flag: the framework would take the next word for it.</summary>
    public static string[] Flagged(string[] args)
    {
        var options = args.Length > 0 && args[0] == Serve ? args[1..] : args;
        return
        [
            .. options.Select(
                (a, i) =>
                    Flags.Contains(a) && (i + 1 == options.Length || options[i + 1].StartsWith('-')) ? a + "=true" : a
            ),
        ];
    }

    private static int Do(string[] words, string folder, bool over)
    {
        switch (words)
        {
            case ["demo-seed", var target]:
                var seed = new FarmFile(target);
                seed.Prepare();
                new MadeAs(seed).MarkDemo();
                DemoHistory.Write(seed, new DemoFarm(1), day =>
                {
                    if (day.Day == 1)
                        Console.WriteLine($"  demo history: {day:MMMM yyyy}");
                });
                FarmFile.Settle(target);
                return 0;
            case ["demo-devices", var keysFile, .. var hook]:
                DemoDevices.Write(Farm(folder), keysFile, hook.Length > 0 ? hook[0] : "");
                return 0;
            case ["facts", var source]:
                FactsText.Write(Standing(source).Path, Console.Out);
                return 0;
            case ["backup", var zip]:
                Backup.Write(Farm(folder), zip);
                return Say($"Backed up to {zip} and checked by opening it again. No passwords are inside.");
            case ["restore", var zip]:
                Directory.CreateDirectory(folder);
                var kept = Restore.Run(zip, Path.Combine(folder, FarmDb), over);
                return Say(
                    $"Restored.{(kept is null ? "" : $" What stood there before is in {kept}.")} People who stood in both keep their password and sign in again; where nobody does, the program that serves the farm prints a word on its console, or use dorsk password."
                );
            case ["export", var zip]:
                Export.Write(Farm(folder), zip);
                return Say($"Exported to {zip}.");
            case ["import", var zip]:
                using (var empty = FarmFolder.Take(folder, isNew: !File.Exists(Path.Combine(folder, FarmDb))))
                    Export.Read(zip, empty.File);
                return Say("Imported, with the times at which the facts were entered.");
            case ["password", var name]:
                return SetPassword(Farm(folder), name);
            default:
                Console.Error.WriteLine(Usage);
                return 2;
        }
    }

    private static int SetPassword(FarmFile file, string name)
    {
        if (
            new Questions(file)
                .People()
                .FirstOrDefault(p =>
                    string.Equals(p.Name, name, StringComparison.OrdinalIgnoreCase) && p.Role != Role.Gone
                )
            is not { } person
        )
            throw new FarmFilesException($"Nobody here is called {name}.");
        Console.Error.WriteLine($"New password for {person.Name}, {Passwords.Shortest} letters or more:");
        var password = Console.ReadLine() ?? "";
        if (Passwords.Wrong(person.Name, password) is { } problem)
            throw new FarmFilesException(problem);
        new Credentials(file).SetPassword(
            person.PersonId,
            new PasswordHasher<PersonNamed>().HashPassword(person, password)
        );
        return Say("Set.");
    }

    private static FarmFile Farm(string folder)
    {
        var path = Path.Combine(folder, FarmDb);
        return File.Exists(path)
            ? FarmFolder.Sound(path)
            : throw new FarmFilesException($"There is no farm in {folder}. Say --data DIR.");
    }

    private static FarmFile Standing(string path) =>
        File.Exists(path) ? FarmFolder.Sound(path) : throw new FarmFilesException($"There is no file {path}.");

    private static int Say(string words)
    {
        Console.WriteLine(words);
        return 0;
    }
}
