using System.Net;
using Dorsk.Core.People;
using Dorsk.Web.People;
using Dorsk.Web.Slips;
using Microsoft.AspNetCore.Http;
using Microsoft.AspNetCore.Mvc.RazorPages;
using Microsoft.AspNetCore.Mvc.RazorPages.Infrastructure;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Dorsk.Web.Tests;

/// <summary>Who may do what, asked of every handler and endpoint that the routes hold: one that is new, or has no rule, fails here.</summary>
public class RightsTests(SmallFarm farm) : IClassFixture<SmallFarm>
{
    /// <summary>The farm's table, once more and by hand: who may, of Manager, Pond hand, Night watch, Viewer.</summary>
    private static readonly Dictionary<Permission, string> Table = new()
    {
        [Permission.Look] = "MPNV",
        [Permission.Write] = "MPN",
        [Permission.Switch] = "MPN",
        [Permission.Manage] = "M",
        [Permission.Setup] = "M",
    };

    private static readonly Dictionary<string, Permission> SlipsNeed = new()
    {
        ["farm"] = Permission.Setup,
        ["pond"] = Permission.Setup,
        ["landmark"] = Permission.Setup,
        ["device"] = Permission.Setup,
        ["aerators"] = Permission.Switch,
        ["machines"] = Permission.Manage,
        ["walk"] = Permission.Manage,
        ["lone"] = Permission.Write,
        ["own-species"] = Permission.Setup,
        ["builder"] = Permission.Manage,
        ["kill"] = Permission.Write,
        ["guessed-loss"] = Permission.Write,
        ["treatment"] = Permission.Write,
        ["predator"] = Permission.Write,
        ["barrier"] = Permission.Write,
        ["sale"] = Permission.Manage,
        ["net"] = Permission.Manage,
        ["basket"] = Permission.Write,
        ["net-close"] = Permission.Manage,
        ["arrange"] = Permission.Manage,
        ["review"] = Permission.Write,
        ["order"] = Permission.Manage,
        ["plan-parts"] = Permission.Manage,
        ["buyer"] = Permission.Manage,
        ["price"] = Permission.Manage,
        ["hold"] = Permission.Manage,
        ["product"] = Permission.Manage,
        ["air-control"] = Permission.Manage,
        ["air-service"] = Permission.Write,
        ["air-test"] = Permission.Write,
        ["equipment"] = Permission.Manage,
        ["archive"] = Permission.Setup,
        ["prepare"] = Permission.Manage,
        ["instrument"] = Permission.Manage,
        ["duty"] = Permission.Manage,
        ["vital"] = Permission.Manage,
        ["vital-test"] = Permission.Write,
        ["receive"] = Permission.Write,
        ["move"] = Permission.Manage,
        ["recount"] = Permission.Manage,
        ["quarantine"] = Permission.Write,
        ["work"] = Permission.Write,
        ["source"] = Permission.Write,
        ["stock"] = Permission.Manage,
        ["reading"] = Permission.Write,
        ["weather"] = Permission.Write,
        ["feed"] = Permission.Manage,
        ["load"] = Permission.Write,
        ["store-out"] = Permission.Write,
        ["store-count"] = Permission.Write,
        ["feeding"] = Permission.Write,
        ["deaths"] = Permission.Write,
        ["sample"] = Permission.Write,
        ["harvest"] = Permission.Manage,
        ["plan-harvest"] = Permission.Manage,
        ["feeder"] = Permission.Write,
        ["shared-feed"] = Permission.Write,
        ["plan-stocking"] = Permission.Manage,
        ["vessel"] = Permission.Manage,
        ["eggs"] = Permission.Write,
        ["lot-look"] = Permission.Write,
        ["lot-count"] = Permission.Write,
        ["lot-move"] = Permission.Write,
        ["lot-left"] = Permission.Write,
        ["fry-feed"] = Permission.Write,
        ["fry-feeder"] = Permission.Write,
        ["task-signed"] = Permission.Manage,
        ["net-practice"] = Permission.Write,
        ["crew"] = Permission.Manage,
        ["night-roster"] = Permission.Manage,
        ["adviser"] = Permission.Manage,
        ["advice"] = Permission.Write,
        ["fry-target"] = Permission.Manage,
        ["release-trial"] = Permission.Write,
        ["brood"] = Permission.Manage,
        ["brood-look"] = Permission.Write,
        ["nest-look"] = Permission.Write,
        ["forage"] = Permission.Write,
        ["forage-rule"] = Permission.Manage,
        ["hatch-plan"] = Permission.Manage,
    };

    /// <summary>Every handler by hand; null is open to everybody.</summary>
    private static readonly Dictionary<string, Permission?> Expected = new()
    {
        ["GET /"] = Permission.Look,
        ["GET /ponds"] = Permission.Look,
        ["GET /ponds/{code}/{section?}"] = Permission.Look,
        ["GET /weather"] = Permission.Look,
        ["GET /empty"] = Permission.Look,
        ["GET /workbench/{key?}"] = Permission.Look,
        ["GET /workbench/{key?} Part"] = Permission.Look,
        ["POST /ponds/{code}/{section?} Leave"] = Permission.Write,
        ["POST / Air"] = Permission.Switch,
        ["POST / Job"] = Permission.Write,
        ["POST / Undo"] = Permission.Write,
        ["GET /round"] = Permission.Write,
        ["POST /round Keep"] = Permission.Write,
        ["GET /proof"] = Permission.Look,
        ["GET /lists"] = Permission.Look,
        ["POST /lists Backup"] = Permission.Setup,
        ["POST /lists Export"] = Permission.Setup,
        ["GET /lists/{name}.csv"] = Permission.Look,
        ["GET /setup"] = Permission.Setup,
        ["GET /setup/species/{key?}"] = Permission.Setup,
        ["POST /setup/species/{key?} Value"] = Permission.Setup,
        ["POST /setup/species/{key?} Limit"] = Permission.Setup,
        ["GET /ponds/{code}/course/{parameter?}"] = Permission.Look,
        ["GET /lists/import/{id:guid?}"] = Permission.Manage,
        ["GET /lists/import/{id:guid?} State"] = Permission.Manage,
        ["POST /lists/import/{id:guid?} Upload"] = Permission.Manage,
        ["POST /lists/import/{id:guid?} Check"] = Permission.Manage,
        ["POST /lists/import/{id:guid?} Enter"] = Permission.Manage,
        ["POST /lists/import/{id:guid?} Drop"] = Permission.Manage,
        ["GET /setup/instruments"] = Permission.Look,
        ["GET /fish-health"] = Permission.Look,
        ["GET /harvest"] = Permission.Look,
        ["GET /harvest/sheet"] = Permission.Look,
        ["GET /harvest/sheet Csv"] = Permission.Look,
        ["GET /lots"] = Permission.Look,
        ["GET /lots/{line:long}"] = Permission.Look,
        ["GET /lots/{line:long} Csv"] = Permission.Look,
        ["GET /harvest/{code}"] = Permission.Look,
        ["GET /harvest/{code} Part"] = Permission.Look,
        ["GET /harvest/{code}/net"] = Permission.Look,
        ["GET /harvest/{code}/net Card"] = Permission.Look,
        ["GET /harvest/{code}/net Part"] = Permission.Look,
        ["GET /orders"] = Permission.Look,
        ["GET /hatchery"] = Permission.Look,
        ["GET /hatchery/plan"] = Permission.Look,
        ["GET /hatchery/broodstock"] = Permission.Look,
        ["GET /hatchery/lot/{id:long}"] = Permission.Look,
        ["GET /hatchery/fry/{code}"] = Permission.Look,
        ["GET /lots/{line:long}/note/{sale:long}"] = Permission.Look,
        ["GET /fish-health/products"] = Permission.Look,
        ["GET /fish-health/pests"] = Permission.Look,
        ["GET /fish-health/cases"] = Permission.Look,
        ["GET /fish-health/look/{code}"] = Permission.Look,
        ["GET /fish-health/look/{code} Part"] = Permission.Look,
        ["POST /fish-health/look/{code} Signs"] = Permission.Write,
        ["POST /fish-health/look/{code} Read"] = Permission.Write,
        ["POST /fish-health/look/{code} Note"] = Permission.Write,
        ["POST /fish-health/look/{code} Close"] = Permission.Write,
        ["GET /fish-health/bath/{line:long}"] = Permission.Look,
        ["GET /fish-health/bath/{line:long} Part"] = Permission.Look,
        ["POST /fish-health/bath/{line:long} Note"] = Permission.Write,
        ["GET /photo/{hash?}"] = Permission.Look,
        ["POST /photo/{hash?} Keep"] = Permission.Write,
        ["GET /setup/duties"] = Permission.Look,
        ["GET /setup/builders"] = Permission.Look,
        ["GET /setup/sources"] = Permission.Look,
        ["GET /setup/vital"] = Permission.Look,
        ["GET /tasks"] = Permission.Look,
        ["GET /tasks/{key}"] = Permission.Look,
        ["GET /notes"] = Permission.Write,
        ["POST /notes Look"] = Permission.Write,
        ["POST /notes Record"] = Permission.Write,
        ["POST /notes Mend"] = Permission.Write,
        ["POST /notes Keep"] = Permission.Write,
        ["GET /kept"] = Permission.Write,
        ["GET /phone"] = null,
        ["GET /signal"] = null,
        ["GET /signal/pages"] = Permission.Look,
        ["GET /farm-certificate.crt"] = null,
        ["GET /day"] = Permission.Look,
        ["GET /month"] = Permission.Look,
        ["GET /day/enter"] = Permission.Write,
        ["POST /day/enter"] = Permission.Write,
        ["GET /plans"] = Permission.Look,
        ["GET /fish"] = Permission.Look,
        ["GET /ponds/{code}/acclimate"] = Permission.Look,
        ["GET /ponds/{code}/acclimate Part"] = Permission.Look,
        ["POST /ponds/{code}/acclimate Begin"] = Permission.Write,
        ["GET /acclimate/{id:long}"] = Permission.Look,
        ["GET /acclimate/{id:long} Part"] = Permission.Look,
        ["POST /acclimate/{id:long} Note"] = Permission.Write,
        ["POST /plans Drop"] = Permission.Manage,
        ["GET /oxygen"] = Permission.Look,
        ["GET /oxygen Part"] = Permission.Look,
        ["GET /oxygen Row"] = Permission.Look,
        ["POST /oxygen Set"] = Permission.Switch,
        ["POST /oxygen Switch"] = Permission.Switch,
        ["GET /oxygen/cards"] = Permission.Look,
        ["GET /feed"] = Permission.Look,
        ["GET /feed/store"] = Permission.Look,
        ["GET /compare"] = Permission.Look,
        ["GET /find"] = Permission.Look,
        ["GET /find Part"] = Permission.Look,
        ["GET /season"] = Permission.Look,
        ["GET /feed/table/{key?}"] = Permission.Look,
        ["POST /feed/table/{key?}"] = Permission.Setup,
        ["POST /feed/table/{key?} Back"] = Permission.Setup,
        ["GET /season Part"] = Permission.Look,
        ["POST /season Plan"] = Permission.Manage,
        ["POST /season Keep"] = Permission.Manage,
        ["POST /season Drop"] = Permission.Manage,
        ["GET /jobs"] = Permission.Look,
        ["POST /jobs Calendar"] = Permission.Look,
        ["GET /feed/changes"] = Permission.Look,
        ["GET /ponds/{code}/sheet"] = Permission.Write,
        ["POST /ponds/{code}/sheet Running"] = Permission.Write,
        ["POST /ponds/{code}/sheet Keep"] = Permission.Write,
        ["POST /feed Fed"] = Permission.Write,
        ["POST /feed Overrule"] = Permission.Write,
        ["POST /feed School"] = Permission.Manage,
        ["POST /setup/devices File"] = Permission.Setup,
        ["GET /oxygen/power"] = Permission.Look,
        ["GET /oxygen/signs"] = Permission.Look,
        ["GET /live"] = Permission.Look,
        ["GET /oxygen/aerators"] = Permission.Look,
        ["GET /alarms"] = Permission.Look,
        ["POST /alarms Answer"] = Permission.Switch,
        ["POST /alarms Drill"] = Permission.Switch,
        ["POST /alarms List"] = Permission.Setup,
        ["GET /setup/devices"] = Permission.Setup,
        ["POST /setup/devices Key"] = Permission.Setup,
        ["GET /tour"] = Permission.Look,
        ["GET /plans/species"] = Permission.Look,
        ["GET /plans/species Part"] = Permission.Look,
        ["GET /plans/order"] = Permission.Look,
        ["GET /plans/stocking"] = Permission.Look,
        ["GET /plans/stocking Part"] = Permission.Look,
        ["POST /plans/stocking Keep"] = Permission.Manage,
        ["POST /setup/instruments Calibrated"] = Permission.Write,
        ["GET /setup/plan"] = Permission.Setup,
        ["POST /setup/plan"] = Permission.Setup,
        ["POST /setup/plan Import"] = Permission.Setup,
        ["GET /setup/plan.geojson"] = Permission.Setup,
        ["GET /setup/plan Measure"] = Permission.Setup,
        ["POST /setup/plan Draw"] = Permission.Setup,
        ["GET /me"] = Permission.Look,
        ["POST /me"] = Permission.Look,
        ["GET /setup/people"] = Permission.Setup,
        ["POST /setup/people Add"] = Permission.Setup,
        ["POST /setup/people Role"] = Permission.Setup,
        ["POST /setup/people Password"] = Permission.Setup,
        ["GET /log/{line:long}"] = Permission.Look,
        ["POST /log/{line:long}"] = Permission.Write,
        ["POST /alarms Clock"] = Permission.Setup,
        ["GET /health"] = null,
        ["GET /calendar/{key}.ics"] = null,
        ["GET /theme"] = null,
        ["POST /theme"] = null,
        ["GET /error"] = null,
        ["GET /sign-in"] = null,
        ["POST /sign-in"] = null,
        ["POST /sign-in Demo"] = null,
        ["GET /openapi/{documentName}.json"] = null,
        ["GET /sign-out"] = null,
        ["POST /sign-out"] = null,
        ["GET /first"] = null,
        ["POST /first"] = null,
    };

    [Fact]
    public async Task A_form_without_its_token_is_refused_in_words()
    {
        var visitor = await farm.As(Role.Viewer);
        var answer = await visitor.Client.PostAsync("/sign-out", new FormUrlEncodedContent([]));
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Contains("<h1>", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    private sealed record Way(string Name, string Method, string Path, Attribute? Rule, Permission? Wanted);

    [Fact]
    public void Every_handler_has_its_rule_and_it_is_the_one_of_the_table()
    {
        foreach (var way in Ways())
        {
            Assert.True(way.Rule is not null, $"{way.Name} has no rule: put [Needs(…)] or [Open] on it.");
            Assert.True(
                way.Wanted is null == way.Rule is OpenAttribute,
                $"{way.Name} is {(way.Rule is OpenAttribute ? "open" : "shut")}"
            );
        }
        Assert.Empty(Expected.Keys.Except(Ways().Select(w => w.Name)));
        Assert.Equal(SlipsNeed.Keys.Order(), AllSlips.List.Select(s => s.Key).Order());
    }

    [Fact]
    public async Task Every_role_gets_exactly_what_the_table_says()
    {
        var visitors = new Dictionary<string, Visitor> { [""] = await farm.As(null) };
        foreach (var role in new[] { Role.Manager, Role.PondHand, Role.NightWatch, Role.Viewer })
            visitors[role.ToString()[..1]] = await farm.As(role);
        var wrong = new List<string>();
        foreach (var way in Ways().Where(w => !w.Path.StartsWith("/sign-out", StringComparison.Ordinal)))
        foreach (var (letter, visitor) in visitors)
        {
            // A stream has no end: its head tells.
            using var answer =
                way.Method == "GET"
                    ? await visitor.Client.GetAsync(way.Path, HttpCompletionOption.ResponseHeadersRead)
                    : await visitor.Post(way.Path, []);
            var shut =
                answer.StatusCode is HttpStatusCode.Forbidden or HttpStatusCode.Unauthorized
                || answer.Headers.Location?.ToString().StartsWith("/sign-in?back", StringComparison.Ordinal) == true;
            var may =
                way.Wanted is not { } p || (letter.Length > 0 && Table[p].Contains(letter, StringComparison.Ordinal));
            if (shut == may || (int)answer.StatusCode >= 500)
                wrong.Add($"{way.Name} as “{letter}”: {answer.StatusCode}");
        }
        Assert.Empty(wrong);
    }

    [Fact]
    public async Task Own_entries_of_today_may_be_corrected_and_no_others()
    {
        var (manager, hand) = (await farm.As(Role.Manager), await farm.As(Role.PondHand));
        var theirs = $"/ponds/P1/slip/reading?corrects={farm.ReadingLine}";
        Assert.Equal(HttpStatusCode.Forbidden, (await hand.Client.GetAsync(theirs)).StatusCode);
        Assert.Equal(HttpStatusCode.Forbidden, (await hand.Post(theirs, new() { ["do"] = "5" })).StatusCode);
        Assert.Equal(HttpStatusCode.OK, (await manager.Client.GetAsync(theirs)).StatusCode);
        var kept = await hand.Post(
            "/ponds/P1/slip/reading",
            new()
            {
                ["do"] = "6.9",
                ["Day"] = "2027-01-21",
                ["Hour"] = "17:00",
            }
        );
        Assert.Equal(HttpStatusCode.Redirect, kept.StatusCode);
        var own = System
            .Text.RegularExpressions.Regex.Match(kept.Headers.Location!.ToString(), @"line=(\d+)")
            .Groups[1]
            .Value;
        Assert.Equal(
            HttpStatusCode.OK,
            (await hand.Client.GetAsync($"/ponds/P1/slip/reading?corrects={own}")).StatusCode
        );
        Assert.Contains(
            $"Pond hand, <a href=\"/log/{own}\">line {own}</a>",
            await manager.Client.GetStringAsync("/ponds/P1/log"),
            StringComparison.Ordinal
        );
    }

    private IEnumerable<Way> Ways()
    {
        var loader = farm.Services.GetRequiredService<PageLoader>();
        foreach (
            var endpoint in farm.Services.GetRequiredService<EndpointDataSource>().Endpoints.OfType<RouteEndpoint>()
        )
        {
            var route = "/" + endpoint.RoutePattern.RawText!.TrimStart('/');
            if (OfMachines(route))
                continue;
            if (endpoint.Metadata.GetMetadata<PageActionDescriptor>() is { } page)
            {
                var compiled = loader.LoadAsync(page, EndpointMetadataCollection.Empty).GetAwaiter().GetResult();
                var handlers = compiled.HandlerMethods.Select(h => (h.HttpMethod, h.Name, h.MethodInfo)).ToList();
                // A page without a GET handler still answers a GET.
                if (handlers.All(h => h.HttpMethod != "Get"))
                    handlers.Add(("Get", null, null!));
                foreach (var (method, name, info) in handlers)
                foreach (
                    var way in Expand(
                        route,
                        method.ToUpperInvariant(),
                        name,
                        Gate.RulesOf(info, compiled.EndpointMetadata ?? [])
                    )
                )
                    yield return way;
            }
            else if (endpoint.Metadata.GetMetadata<HttpMethodMetadata>() is { } methods)
                foreach (var method in methods.HttpMethods)
                foreach (var way in Expand(route, method, null, Gate.RulesOf(null, endpoint.Metadata)))
                    yield return way;
        }
    }

    // Machines come with keys of their own, whoever is signed in: MachineApiTests holds those doors.
    private static bool OfMachines(string route) => route.StartsWith("/api/", StringComparison.Ordinal);

    private IEnumerable<Way> Expand(string route, string method, string? handler, Attribute? rule)
    {
        var name = $"{method} {route}{(handler is null ? "" : " " + handler)}";
        string Query(string path) => handler is null ? path : path + "?handler=" + handler;
        if (route.Contains("slip/{key}", StringComparison.Ordinal))
        {
            foreach (
                var slip in AllSlips.List.Where(s => s.OfPond == route.Contains("{code}", StringComparison.Ordinal))
            )
                yield return new(
                    $"{name} {slip.Key}",
                    method,
                    Query(
                        route
                            .Replace("{code}", "P1", StringComparison.Ordinal)
                            .Replace("{key}", slip.Key, StringComparison.Ordinal)
                    ),
                    rule,
                    SlipsNeed[slip.Key]
                );
            yield break;
        }
        Assert.True(Expected.TryGetValue(name, out var wanted), $"{name} is new: say here who may use it.");
        yield return new(
            name,
            method,
            Query(
                route
                    .Replace("{code}", "P1", StringComparison.Ordinal)
                    .Replace("/{section?}", "/water", StringComparison.Ordinal)
                    .Replace("workbench/{key?}", "workbench/saturation", StringComparison.Ordinal)
                    .Replace("/{id:guid?}", "", StringComparison.Ordinal)
                    .Replace(
                        "{id:long}",
                        farm.AcclimationLine.ToString(System.Globalization.CultureInfo.InvariantCulture),
                        StringComparison.Ordinal
                    )
                    .Replace("/{hash?}", "", StringComparison.Ordinal)
                    .Replace("{line:long}", "1", StringComparison.Ordinal)
                    .Replace("{sale:long}", "1", StringComparison.Ordinal)
                    .Replace("{parameter?}", "ph", StringComparison.Ordinal)
                    .Replace("{key?}", "silver_perch", StringComparison.Ordinal)
                    .Replace("{documentName}", "v1", StringComparison.Ordinal)
                    .Replace("{name}", "readings", StringComparison.Ordinal)
            ),
            rule,
            wanted
        );
    }
}
