using System.Globalization;
using System.Net;
using System.Text.RegularExpressions;
using Dorsk.Farm.Sql;

namespace Dorsk.Bench;

/// <summary>Sixty ponds with ten years of cycles: a lot traced back, and a lot of feed traced forward, beside the empty page.</summary>
internal static partial class ManyLots
{
    private const int Years = 10,
        Rounds = 12;
    private const double WantedMs = 1000;

    public static async Task<int> Run(string app, string folder)
    {
        Directory.CreateDirectory(folder);
        var path = Path.Combine(folder, "farm.db");
        if (!File.Exists(path))
            ManySeasons.Write(path, Years);
        FarmFile.Settle(path);
        using var running = await RunningApp.Start(
            app,
            $"--data {folder} --demo true --clock 2027-01-21T07:40:00Z --rate 0 --alarm-look 600",
            "/sign-in",
            new CookieContainer()
        );
        await running.SignIn();
        var first = await running.Time("/lots");
        var html = await running.Client.GetStringAsync("/lots");
        var lots = Lot().Matches(html).Select(m => m.Value.Trim('"')).Distinct().ToList();
        var page = await running.Client.GetStringAsync(lots[0]);
        var feed = Bag().Match(page).Value.Trim('"').Replace("&amp;", "&", StringComparison.Ordinal);
        Console.WriteLine(
            string.Create(
                CultureInfo.InvariantCulture,
                $"{lots.Count} lots of ten years; the first page of a program just started took {first / 1000:0.0} s"
            )
        );
        var holds = true;
        foreach (
            var (name, where) in new[]
            {
                ("empty page", (Func<int, string>)(_ => "/empty")),
                ("a lot", i => lots[i * 37 % lots.Count]),
                ("its CSV", i => lots[i * 41 % lots.Count] + "?handler=Csv"),
                ("lots of a lot of feed", _ => feed),
                ("all lots", _ => "/lots"),
            }
        )
        {
            List<double> took = [];
            for (var i = 0; i < Rounds; i++)
                took.Add(await running.Time(where(i)));
            var most = took.Skip(2).Max();
            var fits = most <= WantedMs;
            holds &= fits;
            Console.WriteLine(
                FormattableString.Invariant(
                    $"{name, -24} first {took[0], 8:0} ms, at most {most, 8:0} ms{(fits ? "" : " DOES NOT HOLD")}"
                )
            );
        }
        FarmFile.CloseIdle();
        return holds ? 0 : 1;
    }

    [GeneratedRegex("\"/lots/[0-9]+\"")]
    private static partial Regex Lot();

    [GeneratedRegex("\"/lots\\?feed=[^\"]+bag=[^\"]+\"")]
    private static partial Regex Bag();
}
