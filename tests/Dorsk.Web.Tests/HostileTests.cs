using System.Globalization;
using System.Text.Json;
using AngleSharp.Html.Parser;
using Dorsk.Core.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;
using Xunit.Abstractions;

namespace Dorsk.Web.Tests;

/// <summary>
/// Twenty thousand inputs that nobody would type: into every field of every form that the pages show and into every route value. No page
/// answers 500, and nothing that was typed becomes an element or attribute when it is shown again.
/// </summary>
public class HostileTests(SmallFarm farm, ITestOutputHelper output) : IClassFixture<SmallFarm>
{
    private const string Mark = "zq9";
    private static readonly int Wanted = int.Parse(
        Environment.GetEnvironmentVariable("DORSK_HOSTILE") ?? "20000",
        CultureInfo.InvariantCulture
    );
    private static readonly int Seed = int.Parse(
        Environment.GetEnvironmentVariable("DORSK_SEED") ?? "20270121",
        CultureInfo.InvariantCulture
    );

    private static readonly string[] Nasty =
    [
        "",
        " ",
        "\t",
        "\0",
        "\u0007",
        "\u202e",
        "\ufeff",
        "\ud800",
        "é\u0301\u0301\u0301",
        "ﷺ",
        "𝟓",
        "٣",
        "１２",
        "𓆟",
        "👩‍👩‍👧‍👦",
        "\r\nSet-Cookie: a=b",
        "%00",
        "%n%s",
        "..\\..\\",
        "../../etc/passwd",
        "C:\\con",
        "null",
        "undefined",
        "NaN",
        "Infinity",
        "-Infinity",
        "1e308",
        "1e-400",
        "-0",
        "0x1f",
        "1_000",
        "1,5",
        "1.5",
        "1,500",
        "1.500",
        "1.500,5",
        "1,500.5",
        "9223372036854775807",
        "9223372036854775808",
        "-9223372036854775808",
        "2147483648",
        "99999999999999999999999999",
        "0.0000000001",
        "1/2",
        "½",
        "5 kg",
        "5 furlong",
        "84F",
        "1e5 kg",
        "'; DROP TABLE log; --",
        "' OR '1'='1",
        "\"); DELETE FROM log; --",
        "1; SELECT * FROM credential",
        "$line",
        "@x",
        "{{7*7}}",
        "${7*7}",
        "#{7*7}",
        "@Model",
        "@(1+1)",
        "<%= 1 %>",
        "[]",
        "{}",
        "true",
        "on",
        "[object Object]",
        $"<{Mark} on{Mark}=1>",
        $"\"><{Mark}>",
        $"' on{Mark}='1",
        $"\" on{Mark}=\"1",
        $"</script><{Mark}>",
        $"</title><{Mark}>",
        $"</textarea><{Mark}>",
        $"]]><{Mark}>",
        $"<!--<{Mark}>",
        $"javascript:{Mark}",
        $"<svg><{Mark}/></svg>",
        $"&lt;{Mark}&gt;",
        $"\\u003c{Mark}\\u003e",
        "2027-02-30",
        "0000-00-00",
        "9999-12-31",
        "1900-01-01",
        "2027-01-21",
        "24:00",
        "25:61",
        "06:10",
        "6:1",
        "-1:00",
        "00:00:00",
        "Manager",
        "PondHand",
        "Gone",
        "99",
        "-1",
        "0",
        "1",
        "3",
        "12",
        "P1",
        "p1",
        "X9",
    ];

    [Fact]
    public async Task Nothing_breaks_and_nothing_typed_becomes_markup()
    {
        output.WriteLine($"seed {Seed}");
        Console.WriteLine($"hostile inputs: seed {Seed}");
        var chance = new Random(Seed);
        var manager = await farm.As(Role.Manager);
        var (inputs, requests) = (0, 0);
        var broken = new List<string>();
        var pages = Pages().ToList();
        var forms = new List<(string Action, List<(string Name, string[]? Options)> Fields)>();
        foreach (var page in pages)
            forms.AddRange(await Forms(manager, page));
        var calculators = new List<(string Page, List<string> Lines)>();
        foreach (var page in pages.Where(p => p.StartsWith("/workbench/", StringComparison.Ordinal)))
            calculators.Add(
                (
                    page,
                    new HtmlParser()
                        .ParseDocument(await manager.Client.GetStringAsync(page))
                        .QuerySelectorAll("form.slip [name]")
                        .Select(e => e.GetAttribute("name")!)
                        .ToList()
                )
            );
        Assert.Equal(Dorsk.Web.Workbench.AllCalculators.List.Count, calculators.Count);
        Assert.True(forms.Count > 25, $"{forms.Count} forms");
        async Task Send(string what, Func<Task<HttpResponseMessage>> ask)
        {
            requests++;
            using var answer = await ask();
            var body = await answer.Content.ReadAsStringAsync();
            if ((int)answer.StatusCode >= 500)
                broken.Add($"{(int)answer.StatusCode} {what}");
            else if (
                answer.Content.Headers.ContentType?.MediaType == "text/html"
                && body.Contains(Mark, StringComparison.Ordinal)
                && Injected(body) is { } injected
            )
                broken.Add($"{injected} in {what}");
        }
        while (inputs < Wanted)
        {
            var (action, fields) = forms[chance.Next(forms.Count)];
            if (
                action.Contains("sign-out", StringComparison.Ordinal)
                || action.Contains("handler=Backup", StringComparison.Ordinal)
                || action.Contains("handler=Export", StringComparison.Ordinal)
            )
                continue;
            var values = new List<KeyValuePair<string, string>>();
            foreach (var (name, options) in fields)
                switch (chance.Next(8))
                {
                    case 0:
                        break; // missing
                    case 1 when options is { Length: > 0 }:
                        values.Add(new(name, options[chance.Next(options.Length)]));
                        break;
                    case 2:
                        values.Add(new(name, Value(chance)));
                        values.Add(new(name, Value(chance)));
                        inputs += 2;
                        break; // doubled
                    case 3:
                        values.Add(new(name + "[0].x", Value(chance)));
                        inputs++;
                        break;
                    default:
                        values.Add(new(name, Value(chance)));
                        inputs++;
                        break;
                }
            await Send($"POST {action} {string.Join('&', values)}", () => manager.Post(action, values));
            var (page, lines) = calculators[chance.Next(calculators.Count)];
            var query = string.Join(
                '&',
                lines
                    .Where(_ => chance.Next(6) > 0)
                    .Select(l => Safe(l) + "=" + (chance.Next(3) == 0 ? "1" : Safe(Value(chance))))
            );
            inputs += lines.Count;
            await Send($"GET {page}?{query}", () =>
                manager.Client.GetAsync(
                    $"{page}?{query[..Math.Min(query.Length, 6000)]}{(chance.Next(2) == 0 ? "&handler=Part" : "")}"
                )
            );
            var path = pages[chance.Next(pages.Count)];
            await Send("GET " + path, () => manager.Client.GetAsync(Bent(path, chance)));
            await Send("round", () => Round(manager, chance));
            inputs += 4;
        }
        // What came to stand in the books is shown again, in every place.
        foreach (var page in pages)
            await Send("GET " + page, () => manager.Client.GetAsync(page));
        output.WriteLine($"{inputs} inputs in {requests} requests");
        foreach (var b in broken.Take(10))
            output.WriteLine(b);
        Assert.Empty(broken.Take(10));
    }

    [Fact]
    public async Task What_is_typed_is_kept_and_shown_as_typed()
    {
        var manager = await farm.As(Role.Manager);
        foreach (
            var text in new[]
            {
                $"<{Mark} on{Mark}=1> & 'so' \"on\"",
                "'; DROP TABLE log; --",
                "Bärbel’s 𓆟 pond \u202e",
                "@Model ${1} {{2}}",
            }
        )
        {
            var answer = await manager.Post(
                "/ponds/P1/slip/work",
                new()
                {
                    ["Day"] = "2027-01-21",
                    ["Hour"] = "17:00",
                    ["Work"] = "Note",
                    ["Text"] = text,
                    ["EntryId"] = Guid.NewGuid().ToString(),
                }
            );
            Assert.Equal(System.Net.HttpStatusCode.Redirect, answer.StatusCode);
            var html = await manager.Client.GetStringAsync("/ponds/P1/log");
            Assert.Contains(text, new HtmlParser().ParseDocument(html).Body!.TextContent, StringComparison.Ordinal);
            Assert.Null(Injected(html));
        }
    }

    private static string Value(Random chance)
    {
        var text = Nasty[chance.Next(Nasty.Length)];
        return chance.Next(12) switch
        {
            0 => string.Concat(Enumerable.Repeat(text.Length == 0 ? "a" : text, chance.Next(2, 400))),
            1 => text + Nasty[chance.Next(Nasty.Length)],
            2 => new string(
                Enumerable.Range(0, chance.Next(1, 60)).Select(_ => (char)chance.Next(1, 0xd7ff)).ToArray()
            ),
            3 => (chance.NextDouble() * Math.Pow(10, chance.Next(-6, 12)) * (chance.Next(3) == 0 ? -1 : 1)).ToString(
                "R",
                CultureInfo.InvariantCulture
            ),
            _ => text,
        };
    }

    private static string Safe(string text) =>
        Uri.EscapeDataString(new string(text.Where(c => !char.IsSurrogate(c) && c != '\0').ToArray()));

    // A page's address with one part or query value bent.
    private static string Bent(string path, Random chance)
    {
        var parts = path.TrimStart('/').Split('/');
        if (chance.Next(2) == 0)
            parts[chance.Next(parts.Length)] = Safe(Value(chance)) is { Length: > 0 and < 1500 } s ? s : "x";
        string[] keys = ["line", "corrects", "handler", "pond", "stage", "back", "section", "code", "again", "key"];
        return "/" + string.Join('/', parts) + $"?{keys[chance.Next(keys.Length)]}={Safe(Value(chance))}";
    }

    private static Task<HttpResponseMessage> Round(Visitor manager, Random chance)
    {
        object? Any() =>
            chance.Next(6) switch
            {
                0 => null,
                1 => chance.Next(-5, 1_000_000),
                2 => new[] { Value(chance) },
                3 => true,
                _ => Clean(Value(chance)),
            };
        var stop = new Dictionary<string, object?>
        {
            ["id"] = chance.Next(3) == 0 ? Any() : Guid.NewGuid(),
            ["pond"] = chance.Next(3) == 0 ? Any() : "P1",
            ["at"] = chance.Next(3) == 0 ? Any() : 1000.0,
            ["values"] =
                chance.Next(4) == 0
                    ? Any()
                    : new Dictionary<string, object?>
                    {
                        ["do"] = Any(),
                        ["dead"] = Any(),
                        ["fed"] = Any(),
                        [Clean(Value(chance))] = Any(),
                    },
            ["behaviour"] = Any(),
            ["sure"] = chance.Next(2) == 0 ? Any() : new[] { "do", "fed" },
            ["meant"] = Any(),
        };
        return manager.Json(
            "/round?handler=Keep",
            JsonSerializer.Serialize(
                new Dictionary<string, object?>
                {
                    ["phoneNow"] = chance.Next(3) == 0 ? Any() : 2000.0,
                    ["stops"] =
                        chance.Next(5) == 0 ? Any() : new object?[] { stop, chance.Next(5) == 0 ? Any() : stop },
                }
            )
        );
    }

    private static string Clean(string text) => new(text.Where(c => !char.IsSurrogate(c)).ToArray());

    private static string? Injected(string html)
    {
        foreach (var e in new HtmlParser().ParseDocument(html).All)
            if (
                e.LocalName.Contains(Mark, StringComparison.Ordinal)
                || e.Attributes.Any(a =>
                    a.Name.Contains(Mark, StringComparison.Ordinal)
                    || (
                        (a.Name is "href" or "src" or "action")
                        && a.Value.TrimStart().StartsWith("javascript:", StringComparison.OrdinalIgnoreCase)
                    )
                )
            )
                return $"<{e.LocalName}> was injected";
        return null;
    }

    private static async Task<List<(string, List<(string, string[]?)>)>> Forms(Visitor visitor, string page)
    {
        var document = new HtmlParser().ParseDocument(await visitor.Client.GetStringAsync(page));
        return document
            .QuerySelectorAll("form[method=post]")
            .Select(f =>
            {
                var names = f.QuerySelectorAll("input[name], select[name], textarea[name], button[name]")
                    .Where(e => e.GetAttribute("name") != "__RequestVerificationToken")
                    .GroupBy(e => e.GetAttribute("name")!)
                    .Select(g =>
                        (
                            g.Key,
                            g.First().LocalName == "select"
                                ? g.First()
                                    .QuerySelectorAll("option")
                                    .Select(o => o.GetAttribute("value") ?? "")
                                    .ToArray()
                            : g.First().GetAttribute("type") == "hidden"
                                ? new[] { g.First().GetAttribute("value") ?? "" }
                            : (string[]?)null
                        )
                    )
                    .ToList();
                return (f.GetAttribute("action") is { Length: > 0 } action ? action : page, names);
            })
            .ToList();
    }

    /// <summary>Every page that the routes hold, with values that are there.</summary>
    private IEnumerable<string> Pages()
    {
        foreach (
            var endpoint in farm
                .Services.GetRequiredService<EndpointDataSource>()
                .Endpoints.OfType<RouteEndpoint>()
                .Where(e => e.Metadata.GetMetadata<PageActionDescriptor>() is not null)
        )
        {
            var route = "/" + endpoint.RoutePattern.RawText!.TrimStart('/');
            if (route.Contains("slip/{key}", StringComparison.Ordinal))
                foreach (
                    var slip in AllSlips.List.Where(s => s.OfPond == route.Contains("{code}", StringComparison.Ordinal))
                )
                    yield return route
                        .Replace("{code}", "P1", StringComparison.Ordinal)
                        .Replace("{key}", slip.Key, StringComparison.Ordinal);
            else if (route.EndsWith("{section?}", StringComparison.Ordinal))
                foreach (
                    var section in new[] { "water", "prepare", "stock", "feed", "growth", "health", "harvest", "log" }
                )
                    yield return "/ponds/P1/" + section;
            else if (route.StartsWith("/workbench", StringComparison.Ordinal))
                foreach (var calculator in Dorsk.Web.Workbench.AllCalculators.List)
                    yield return "/workbench/" + calculator.Key;
            else if (
                !route.StartsWith("/sign-", StringComparison.Ordinal)
                && route
                    is not (
                        "/error"
                        or "/theme"
                        or "/first"
                        or "/photo/{hash?}"
                        or "/lots/{line:long}"
                        or "/lots/{line:long}/note/{sale:long}"
                        or "/hatchery/lot/{id:long}"
                        or "/hatchery/fry/{code}"
                    )
            )
                yield return route
                    .Replace("{code}", "P1", StringComparison.Ordinal)
                    .Replace("/tasks/{key}", "/tasks/seine", StringComparison.Ordinal)
                    .Replace("/{id:guid?}", "", StringComparison.Ordinal)
                    .Replace(
                        "{id:long}",
                        farm.AcclimationLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
                        StringComparison.Ordinal
                    )
                    .Replace(
                        "bath/{line:long}",
                        "bath/" + farm.TreatmentLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
                        StringComparison.Ordinal
                    )
                    .Replace(
                        "{line:long}",
                        farm.ReadingLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
                        StringComparison.Ordinal
                    )
                    .Replace("{parameter?}", "ph", StringComparison.Ordinal)
                    .Replace("{key?}", "silver_perch", StringComparison.Ordinal)
                    .Replace("{name}", "log", StringComparison.Ordinal);
        }
    }
}
